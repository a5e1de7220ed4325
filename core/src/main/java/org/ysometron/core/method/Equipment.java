package org.ysometron.core.method;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.quantity.Dimension;

/** What a method is done with. */
public enum Equipment {
    FORCE_GAUGE("force gauge", Dimension.FORCE, true),
    TORQUE_GAUGE("torque gauge", Dimension.TORQUE, false),
    PENDULUM("pendulum", Dimension.ENERGY, true),
    WEIGHTS("weights", Dimension.FORCE, false),
    OVEN("oven", null, false),
    BALANCE("balance", null, false),
    DUROMETER_A("durometer of type A", null, false),
    DUROMETER_D("durometer of type D", null, false),
    COLOUR_INSTRUMENT("colour instrument", null, false),
    /** A flat, mandrels, an eye: nothing that is calibrated. */
    BENCH("bench", null, false);

    private final String words;
    private final @Nullable Dimension load;
    private final boolean throwsPieces;

    Equipment(String words, @Nullable Dimension load, boolean throwsPieces) {
        this.words = words;
        this.load = load;
        this.throwsPieces = throwsPieces;
    }

    /** The equipment in words. */
    public String words() {
        return words;
    }

    /** What its capacity is counted in; empty where there is no load to plan for. */
    public Optional<Dimension> load() {
        return Optional.ofNullable(load);
    }

    /** Unit of the load that it takes; empty where there is none to plan for. */
    public String unit() {
        return load == null ? "" : load.workingUnit();
    }

    /** Whether a mass that is read at it is weighed, and not one that hangs. */
    public boolean weighs() {
        return this == BALANCE || this == BENCH;
    }

    /** Whether a break throws pieces, so that eye protection and a shield are confirmed first (common practice, no source). */
    public boolean throwsPieces() {
        return throwsPieces;
    }
}
