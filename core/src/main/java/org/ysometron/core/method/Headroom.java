package org.ysometron.core.method;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.ysometron.core.working.Figures;

/**
 * Whether a gauge is large enough for the load to be expected. Warns above 80 % of capacity (common practice, no source)
 * and names the smallest gauge that would do.
 */
public final class Headroom {

    /** Share of the capacity above which a warning is given. */
    public static final double LARGEST_SHARE = 0.80;

    /** Share of the capacity below which a gauge is too coarse for the load. */
    public static final double SMALLEST_SHARE = 0.05;

    /** Shares of a pendulum's energy between which an impact is valid (ISO 179-1, ISO 180, ISO 13802). */
    public static final double LEAST_OF_PENDULUM = 0.10;

    /** See {@link #LEAST_OF_PENDULUM}. */
    public static final double MOST_OF_PENDULUM = 0.80;

    /**
     * A force gauge.
     *
     * @param name as it stands in the register
     * @param capacity in its unit, above 0
     * @param unit symbol of the unit that its loads are counted in
     */
    public record Gauge(String name, double capacity, String unit) {

        /** A gauge of forces. */
        public Gauge(String name, double capacity) {
            this(name, capacity, "N");
        }

        private String shown(double load) {
            return Figures.significant(load, 3) + " " + unit;
        }
    }

    private Headroom() {}

    /**
     * Warns when the expected load is too near the gauge's capacity.
     *
     * @param expectedStrength in MPa, from history or claim
     * @param area in mm², measured or nominal
     * @param gauge the one in use
     * @param others the ones that could be used instead
     * @return the warning, or empty when there is room
     */
    public static Optional<String> warning(double expectedStrength, double area, Gauge gauge, List<Gauge> others) {
        double load = expectedStrength * area;
        double share = load / gauge.capacity();
        if (share <= LARGEST_SHARE) {
            return Optional.empty();
        }
        String next = others.stream()
                .filter(other -> load <= LARGEST_SHARE * other.capacity())
                .min(Comparator.comparingDouble(Gauge::capacity))
                .map(other -> "Use " + other.name() + " (" + other.shown(other.capacity()) + ").")
                .orElse("No gauge in the register is large enough: use a smaller specimen design.");
        return Optional.of("About " + gauge.shown(load) + " is expected, "
                + Figures.decimals(100 * share, 0) + " % of " + gauge.name() + "'s capacity of "
                + gauge.shown(gauge.capacity()) + ". " + next);
    }

    /**
     * Warns when the load is so small a part of the capacity that the gauge cannot resolve it (common practice, no source).
     *
     * @param load expected in the gauge's unit, above 0
     * @param gauge the one in use
     * @param others the ones that could be used instead
     * @return the warning, or empty when the gauge is fine enough
     */
    public static Optional<String> tooCoarse(double load, Gauge gauge, List<Gauge> others) {
        double share = load / gauge.capacity();
        if (share >= SMALLEST_SHARE) {
            return Optional.empty();
        }
        String next = others.stream()
                .filter(other -> load <= LARGEST_SHARE * other.capacity() && load >= SMALLEST_SHARE * other.capacity())
                .min(Comparator.comparingDouble(Gauge::capacity))
                .map(other -> "Use " + other.name() + " (" + other.shown(other.capacity()) + ").")
                .orElse("No gauge in the register is fine enough: use a larger specimen design.");
        return Optional.of("About " + gauge.shown(load) + " is expected, only " + Figures.decimals(100 * share, 1)
                + " % of " + gauge.name() + "'s capacity. " + next);
    }

    /**
     * Warns when an impact would take a share of the pendulum's energy for which the method is not valid.
     *
     * @param energy expected in J, above 0
     * @param pendulum energy of the hammer in use, in J
     * @param hammers energies of the hammers there are, in J
     * @return the warning with the smallest hammer that would do, or empty when the impact is valid
     */
    public static Optional<String> pendulum(double energy, double pendulum, double... hammers) {
        double share = energy / pendulum;
        if (share >= LEAST_OF_PENDULUM && share <= MOST_OF_PENDULUM) {
            return Optional.empty();
        }
        String next = java.util.Arrays.stream(hammers)
                .filter(hammer -> energy >= LEAST_OF_PENDULUM * hammer && energy <= MOST_OF_PENDULUM * hammer)
                .sorted()
                .mapToObj(hammer -> "Use the hammer of " + Figures.plain(hammer, 3) + " J.")
                .findFirst()
                .orElse("No hammer in the register fits.");
        return Optional.of("About " + Figures.significant(energy, 2) + " J is expected, "
                + Figures.decimals(100 * share, 0) + " % of the pendulum's " + Figures.plain(pendulum, 3)
                + " J; valid are 10 to 80 %. " + next);
    }
}
