package org.ysometron.core.material;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.working.Figures;

/**
 * The state of a hygroscopic material before it is printed: within what its publication asks for, or wet or unknown. A
 * clock of its own: the conditioning of the printed part is {@link Conditioning}.
 *
 * @param temperature asked for in °C
 * @param hours asked for
 * @param openHours hours in the open after which it must be dried again
 * @param humidity largest relative humidity of the place where it is kept, 0 to 1
 */
public record Drying(double temperature, double hours, double openHours, double humidity) {

    /** Hours in the open where the publication is silent (common practice, no source). */
    public static final double OPEN_HOURS = 24;

    /** Humidity of a dry box where the publication is silent (common practice, no source). */
    public static final double BOX_HUMIDITY = 0.20;

    /** Degrees by which the oven may stay below what is asked for (common practice, no source). */
    private static final double DEGREES = 5;

    /** Degrees above the published drying temperature that are still believed (common practice, no source). */
    private static final double BEYOND = 40;

    /** No filament or pellet is dried hotter, in °C (common practice, no source). */
    private static final double HOTTEST = 180;

    /**
     * Why a drying temperature is not believed; empty when it is.
     *
     * @param temperature in °C
     * @param published the drying temperature that the datasheet states, in °C; empty when it states none
     */
    public static Optional<String> tooHot(double temperature, OptionalDouble published) {
        double limit = published.isPresent() ? Math.min(HOTTEST, published.getAsDouble() + BEYOND) : HOTTEST;
        return temperature <= limit
                ? Optional.empty()
                : Optional.of("Nothing is dried at " + Math.round(temperature) + " °C here"
                        + (published.isPresent()
                                ? ": the datasheet asks for " + Math.round(published.getAsDouble()) + " °C."
                                : "; at most " + Math.round(HOTTEST) + " °C is believed."));
    }

    /** Checks the ranges. */
    public Drying {
        if (!(temperature > 0 && hours > 0 && openHours > 0 && humidity > 0 && humidity <= 1)) {
            throw new IllegalArgumentException(
                    "drying needs a temperature, hours, an open time and a humidity above 0");
        }
    }

    /** Where the material was kept since it was dried. */
    public enum Kept {
        SEALED("sealed bag with desiccant"),
        DRY_BOX("dry box"),
        OPEN("in the open");

        private final String words;

        Kept(String words) {
            this.words = words;
        }

        /** The place in words. */
        public String words() {
            return words;
        }
    }

    /**
     * How a spool was dried and kept.
     *
     * @param ended when the drying ended
     * @param temperature in °C
     * @param hours how long
     * @param kept where since
     * @param humidity relative humidity of that place, 0 to 1; empty when nobody read it
     */
    public record Dried(LocalDateTime ended, double temperature, double hours, Kept kept, OptionalDouble humidity) {}

    /**
     * The state at one time.
     *
     * @param dry whether it is within what is asked for
     * @param reasons why not; empty when dry
     * @param remedy what to do; empty when dry
     */
    public record State(boolean dry, List<String> reasons, String remedy) {

        /** Copies the reasons. */
        public State {
            reasons = List.copyOf(reasons);
        }

        /** "dry" or "wet or unknown". */
        public String words() {
            return dry ? "dry" : "wet or unknown";
        }
    }

    /**
     * Judges the state.
     *
     * @param record how it was dried; empty when nobody wrote it down
     * @param at the time that counts: when the specimens were made
     * @param clock by which both are written down
     */
    public State at(Optional<Dried> record, LocalDateTime at, SiteClock clock) {
        List<String> reasons = new ArrayList<>();
        if (record.isEmpty()) {
            reasons.add("No drying is on record before the specimens were made.");
        } else {
            judge(record.get(), at, clock, reasons);
        }
        String remedy = reasons.isEmpty()
                ? ""
                : "Dry " + Figures.plain(hours, 3) + " h at " + Figures.plain(temperature, 3)
                        + " °C, print the specimens again and test those.";
        return new State(reasons.isEmpty(), reasons, remedy);
    }

    private void judge(Dried record, LocalDateTime at, SiteClock clock, List<String> reasons) {
        if (record.temperature() < temperature - DEGREES) {
            reasons.add("Dried at " + Figures.plain(record.temperature(), 3) + " °C; " + Figures.plain(temperature, 3)
                    + " °C are asked for.");
        }
        if (record.hours() < hours) {
            reasons.add("Dried for " + Figures.plain(record.hours(), 3) + " h; " + Figures.plain(hours, 3)
                    + " h are asked for.");
        }
        double since = clock.most(record.ended(), at).toSeconds() / 3600.0;
        if (since < 0) {
            reasons.add("The drying ended after the specimens were made.");
        } else if (record.kept() == Kept.OPEN && since > openHours) {
            reasons.add("In the open for " + Figures.decimals(since, 0) + " h; " + Figures.plain(openHours, 3)
                    + " h are the most.");
        }
        if (record.kept() == Kept.DRY_BOX && record.humidity().isEmpty()) {
            reasons.add("Nobody read the dry box's humidity.");
        }
        if (record.kept() != Kept.OPEN && record.humidity().orElse(0) > humidity) {
            reasons.add("Kept at " + Figures.plain(100 * record.humidity().getAsDouble(), 3) + " % humidity; "
                    + Figures.plain(100 * humidity, 3) + " % are the most.");
        }
    }

    /**
     * Loss on drying in percent of the mass before drying.
     *
     * @param before mass before, above 0
     * @param after mass after, same unit, above 0 and not above {@code before}
     */
    public static double lossPercent(double before, double after) {
        if (!(before > 0 && after > 0 && after <= before)) {
            throw new IllegalArgumentException(
                    "loss on drying needs a mass before and a smaller one after, got " + before + " and " + after);
        }
        return 100 * (before - after) / before;
    }
}
