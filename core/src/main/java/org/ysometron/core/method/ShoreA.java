package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** Hardness by a durometer of type A (ISO 868). */
@AutoService(Method.class)
public final class ShoreA extends Shore {

    /** Reads the file beside it. */
    public ShoreA() {
        super("a");
    }
}
