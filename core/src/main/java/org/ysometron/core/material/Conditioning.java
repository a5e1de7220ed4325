package org.ysometron.core.material;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;

/**
 * The clock of a printed part that is to be conditioned before its test: 23 °C and 50 % relative humidity (ISO 291) for
 * the material's prescribed hours. Has nothing to do with the drying of the filament, which is {@link Drying}.
 */
public final class Conditioning {

    /** Hours where the material's standard prescribes none (ISO 291, standard atmosphere 23/50; from memory). */
    public static final double USUAL_HOURS = 88;

    /** Mass change between weighings a day apart below which a part is in equilibrium, in percent (common practice). */
    public static final double EQUILIBRIUM_PERCENT = 0.1;

    private Conditioning() {}

    /** How a test stands to the conditioning clock. */
    public enum Age {
        /** Conditioned long enough. */
        REACHED("conditioned"),
        /** Tested before the hours were over. */
        EARLY("tested early"),
        /** Nobody wrote down when the clock started. */
        UNKNOWN("age unknown");

        private final String words;

        Age(String words) {
            this.words = words;
        }

        /** The age in words. */
        public String words() {
            return words;
        }
    }

    /**
     * The earliest time of a test.
     *
     * @param started when the part went into the climate
     * @param hours prescribed, at least 0
     * @param clock by which both are written down
     */
    public static LocalDateTime earliest(LocalDateTime started, double hours, SiteClock clock) {
        return clock.after(started, Duration.ofMinutes(Math.round(hours * 60)));
    }

    /**
     * The age at a test of a part of which it is known from when on it is conditioned.
     *
     * @param ready by hours or by weighings; empty when nobody knows since when it lies in the climate
     */
    public static Age age(Optional<LocalDateTime> ready, LocalDateTime tested) {
        return ready.map(from -> tested.isBefore(from) ? Age.EARLY : Age.REACHED)
                .orElse(Age.UNKNOWN);
    }

    /**
     * Whether two weighings a day apart show equilibrium: a change below 0.1 % of the first mass, also where the two readings
     * were rounded apart. A balance whose step is larger than that change cannot show it, however equal its figures are.
     *
     * @param resolution step of the balance in g, at least 0
     */
    public static boolean inEquilibrium(double first, double second, double resolution) {
        if (!(first > 0 && second > 0 && resolution >= 0)) {
            throw new IllegalArgumentException("masses above zero and a resolution of at least zero are needed, got "
                    + first + ", " + second + " and " + resolution);
        }
        return 100 * (Math.abs(second - first) + resolution) / first < EQUILIBRIUM_PERCENT;
    }

    /** Least hours between two weighings that count as a day apart. */
    private static final double DAY = 23;

    /**
     * A weighing of a part in the climate.
     *
     * @param mass in g, above 0
     * @param resolution step of the balance in g, at least 0
     */
    public record Weighing(LocalDateTime at, double mass, double resolution) {}

    /**
     * From when on a part counts as conditioned: after the prescribed hours, or earlier when two weighings at least a day
     * apart differ by less than 0.1 % (common practice, no source).
     *
     * @param started when it went in
     * @param hours prescribed
     * @param weighings in any order; those from before it went in do not count
     * @param clock by which all of them are written down
     */
    public static LocalDateTime readyFrom(
            LocalDateTime started, double hours, List<Weighing> weighings, SiteClock clock) {
        LocalDateTime byTime = earliest(started, hours, clock);
        return weighings.stream()
                .filter(last -> weighings.stream()
                        .anyMatch(first -> !first.at().isBefore(started)
                                && clock.least(first.at(), last.at()).toMinutes() >= DAY * 60
                                && inEquilibrium(
                                        first.mass(), last.mass(), Math.max(first.resolution(), last.resolution()))))
                .map(Weighing::at)
                .filter(at -> at.isBefore(byTime))
                .min(LocalDateTime::compareTo)
                .orElse(byTime);
    }
}
