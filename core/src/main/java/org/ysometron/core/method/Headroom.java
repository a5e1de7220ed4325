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

    /**
     * A force gauge.
     *
     * @param name as it stands in the register
     * @param capacity in N, above 0
     */
    public record Gauge(String name, double capacity) {}

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
                .map(other -> "Use " + other.name() + " (" + Figures.significant(other.capacity(), 3) + " N).")
                .orElse("No gauge in the register is large enough: use a smaller specimen design.");
        return Optional.of("About " + Figures.significant(load, 3) + " N is expected, "
                + Figures.decimals(100 * share, 0) + " % of " + gauge.name() + "'s capacity of "
                + Figures.significant(gauge.capacity(), 3) + " N. " + next);
    }
}
