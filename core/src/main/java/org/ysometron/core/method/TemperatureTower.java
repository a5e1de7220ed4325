package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** A tower stepped in the nozzle temperature. */
@AutoService(Method.class)
public final class TemperatureTower extends Tower {

    /** Reads the file beside it. */
    public TemperatureTower() {
        super("nozzle");
    }
}
