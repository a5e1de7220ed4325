package org.ysometron.instruments.standin;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;

/**
 * What a display shows of something true: with noise, a zero that creeps, steps of its last digit, and nothing at all beyond its range. Its unit is
 * that which somebody last switched it to.
 *
 * @param unit that it was made for
 * @param other unit that it can be switched to; the same where there is none
 * @param perOther how much of its own unit one of the other is
 * @param resolution of its last digit, in its own unit
 * @param noise standard deviation, in its own unit
 * @param creep of its zero with each reading, in its own unit
 * @param capacity where it ends, in its own unit; empty where it has no end
 */
record Display(
        String unit,
        String other,
        double perOther,
        double resolution,
        double noise,
        double creep,
        OptionalDouble capacity) {

    /**
     * What it shows.
     *
     * @param readings before this one since it was zeroed
     * @param switched whether somebody has touched the unit
     * @return empty where it shows that its range has ended
     */
    Optional<BigDecimal> shows(double truth, int readings, boolean switched, Random chance) {
        double seen = truth + noise * chance.nextGaussian() + creep * readings;
        if (capacity.isPresent() && Math.abs(seen) > capacity.getAsDouble()) {
            return Optional.empty();
        }
        double step = switched ? resolution / perOther : resolution;
        // A display has as many digits in one unit as in the other: of the step the next power of ten above it.
        double digit = Math.pow(10, Math.ceil(Math.log10(step) - 1e-9));
        double value = switched ? seen / perOther : seen;
        return Optional.of(rounded(value, digit));
    }

    /** All digits that the display has, zeros too. */
    private static BigDecimal rounded(double value, double digit) {
        int decimals = (int) Math.max(0, Math.round(-Math.log10(digit)));
        return BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP);
    }

    /** The unit it shows now. */
    String shown(boolean switched) {
        return switched ? other : unit;
    }
}
