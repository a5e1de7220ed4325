package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** A tower stepped in the fan setting. */
@AutoService(Method.class)
public final class FanTower extends Tower {

    /** Reads the file beside it. */
    public FanTower() {
        super("fan");
    }
}
