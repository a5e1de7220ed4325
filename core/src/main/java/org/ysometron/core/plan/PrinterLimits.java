package org.ysometron.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * What a printer can do. What nobody knows of it stands in nobody's way, and is said; beyond what is known a recipe cannot be followed.
 *
 * @param nozzleMost hottest nozzle in °C; empty when nobody knows
 * @param bedMost hottest bed in °C; empty when nobody knows
 * @param chamberMost hottest chamber in °C; empty when nobody knows, or it is not heated
 * @param hardened whether its nozzle bears fibres and other hard fillers
 * @param lined whether a liner of PTFE reaches down to its nozzle, which then must not go beyond {@link #LINED_MOST}
 * @param plateWidth of its plate in mm; empty when nobody knows
 * @param plateDepth of its plate in mm; empty when nobody knows
 */
public record PrinterLimits(
        OptionalDouble nozzleMost,
        OptionalDouble bedMost,
        OptionalDouble chamberMost,
        boolean hardened,
        boolean lined,
        OptionalDouble plateWidth,
        OptionalDouble plateDepth) {

    /** Hottest nozzle in °C that a liner of PTFE bears before it decomposes (common practice, no source). */
    public static final double LINED_MOST = 240;

    /** Nobody knows anything. */
    public static final PrinterLimits UNKNOWN = new PrinterLimits(
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            false,
            false,
            OptionalDouble.empty(),
            OptionalDouble.empty());

    /**
     * What a recipe asks for.
     *
     * @param nozzle in °C; empty where it does not say, as a resin's does not
     * @param bed in °C; empty where it does not say
     * @param chamber in °C; empty where it is not heated
     * @param abrasive whether the material wears a nozzle that is not hardened
     */
    public record Asked(OptionalDouble nozzle, OptionalDouble bed, OptionalDouble chamber, boolean abrasive) {}

    /** Checks the ranges. */
    public PrinterLimits {
        for (OptionalDouble most : List.of(nozzleMost, bedMost, chamberMost)) {
            if (most.isPresent() && !(most.getAsDouble() > 0 && most.getAsDouble() <= 1000)) {
                throw new IllegalArgumentException(
                        "a limit lies above 0 and at most at 1000 °C, got " + most.getAsDouble());
            }
        }
        for (OptionalDouble side : List.of(plateWidth, plateDepth)) {
            if (side.isPresent() && !(side.getAsDouble() > 0)) {
                throw new IllegalArgumentException("a plate has two sides above 0 mm, got " + side.getAsDouble());
            }
        }
    }

    /** The hottest that its nozzle may be: by its heater and by its liner. */
    public OptionalDouble nozzle() {
        if (!lined) {
            return nozzleMost;
        }
        return OptionalDouble.of(Math.min(nozzleMost.orElse(LINED_MOST), LINED_MOST));
    }

    /** In what a recipe goes beyond it, in words; empty where it does not, as far as anybody knows. */
    public List<String> beyond(Asked asked) {
        if (equals(UNKNOWN)) {
            return List.of();
        }
        List<String> beyond = new ArrayList<>();
        hotter("nozzle", asked.nozzle(), nozzle(), lined ? " with its liner of PTFE" : "", beyond);
        hotter("bed", asked.bed(), bedMost, "", beyond);
        hotter("chamber", asked.chamber(), chamberMost, "", beyond);
        if (asked.chamber().isPresent() && chamberMost.isEmpty()) {
            beyond.add("its chamber is not known to be heated");
        }
        if (asked.abrasive() && !hardened) {
            beyond.add("its nozzle is not hardened, and fibres wear it");
        }
        return beyond;
    }

    private static void hotter(
            String what, OptionalDouble asked, OptionalDouble most, String why, List<String> beyond) {
        if (asked.isPresent() && most.isPresent() && Rounding.above(asked.getAsDouble(), most.getAsDouble())) {
            beyond.add("its " + what + why + " goes to " + Figures.plain(most.getAsDouble(), 4) + " °C, and "
                    + Figures.plain(asked.getAsDouble(), 4) + " °C are asked for");
        }
    }

    /** Whether a plate of these sides is larger than its own. */
    public boolean isLarger(double width, double depth) {
        return (plateWidth.isPresent() && Rounding.above(width, plateWidth.getAsDouble()))
                || (plateDepth.isPresent() && Rounding.above(depth, plateDepth.getAsDouble()));
    }
}
