package org.ysometron.app.equipment;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.method.Equipment;
import org.ysometron.core.plan.LotSteps.Station;
import org.ysometron.core.quantity.Dimension;

/** What sort of equipment something is: what its capacity is counted in, and at which station it stands. */
public enum Kind {
    FORCE_GAUGE("force gauge", Dimension.FORCE, null, Equipment.FORCE_GAUGE),
    TORQUE_GAUGE("torque gauge", Dimension.TORQUE, null, Equipment.TORQUE_GAUGE),
    PENDULUM("pendulum", Dimension.ENERGY, null, Equipment.PENDULUM),
    WEIGHTS("weights", Dimension.FORCE, null, Equipment.WEIGHTS),
    CALIPERS("calipers", null, null, null),
    BALANCE("balance", null, null, Equipment.BALANCE),
    DUROMETER_A("durometer of type A", null, null, Equipment.DUROMETER_A),
    DUROMETER_D("durometer of type D", null, null, Equipment.DUROMETER_D),
    DIAMETER_GAUGE("diameter gauge", null, null, null),
    /** What rides on a specimen under a load: its capacity is its travel. */
    DISPLACEMENT_GAUGE("displacement gauge", Dimension.LENGTH, null, null),
    COLOUR_INSTRUMENT("colour instrument", null, null, Equipment.COLOUR_INSTRUMENT),
    FIXTURE("fixture", Dimension.FORCE, null, null),
    PRINTER("printer", null, Station.PRINTER, null),
    LIGHT_ENGINE("light engine", null, null, null),
    DRYER("dryer", null, Station.DRYER, null),
    CURE_CHAMBER("wash and cure chamber", null, Station.CURE, null),
    OVEN("oven", null, Station.OVEN, Equipment.OVEN),
    CLIMATE("climate chamber", null, Station.CLIMATE, null),
    BENCH("bench", null, Station.BENCH, Equipment.BENCH),
    CREEP_RIG("creep rig", null, Station.CREEP, null);

    private final String words;
    private final @Nullable Dimension capacity;
    private final @Nullable Station station;
    private final @Nullable Equipment serves;

    Kind(String words, @Nullable Dimension capacity, @Nullable Station station, @Nullable Equipment serves) {
        this.words = words;
        this.capacity = capacity;
        this.station = station;
        this.serves = serves;
    }

    /** The kind in words. */
    public String words() {
        return words;
    }

    /** What its capacity is counted in; empty when it has none. */
    public Optional<Dimension> capacity() {
        return Optional.ofNullable(capacity);
    }

    /** The kind of quantity that it shows. */
    public Dimension reads() {
        return switch (this) {
            case BALANCE -> Dimension.MASS;
            case DUROMETER_A -> Dimension.SHORE_A;
            case DUROMETER_D -> Dimension.SHORE_D;
            case COLOUR_INSTRUMENT -> Dimension.COLOUR;
            default -> capacity == null ? Dimension.LENGTH : capacity;
        };
    }

    /**
     * Whether its uncertainty is one of such readings: a colour instrument's is not one of the seconds that were counted beside it. What
     * is read from a gauge in another quantity, as an angle of a pendulum, goes with the gauge.
     */
    public boolean isUncertainIn(Dimension dimension) {
        return switch (this) {
            case BALANCE, DISPLACEMENT_GAUGE, DUROMETER_A, DUROMETER_D, COLOUR_INSTRUMENT -> dimension == reads();
            default -> true;
        };
    }

    /** Whether it is calibrated at all: a bench shows nothing. */
    public boolean isCalibrated() {
        return this != BENCH;
    }

    /** The station of the calendar that it stands at; empty when it is no station. */
    public Optional<Station> station() {
        return Optional.ofNullable(station);
    }

    /** Whether methods that want this equipment can be done with it. */
    public boolean serves(Equipment wanted) {
        return serves == wanted;
    }
}
