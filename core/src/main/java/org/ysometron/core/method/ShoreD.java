package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** Hardness by a durometer of type D (ISO 868). */
@AutoService(Method.class)
public final class ShoreD extends Shore {

    /** Reads the file beside it. */
    public ShoreD() {
        super("d");
    }
}
