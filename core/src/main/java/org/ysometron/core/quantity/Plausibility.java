package org.ysometron.core.quantity;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import org.ysometron.core.working.Figures;

/**
 * Says whether a value is far from the one expected, and whether a slipped decimal point, another unit, another of the specimen's
 * sizes or another scale explains it. A question put
 * back to the person, never a correction: the value stands if they say so.
 *
 * <p>The limits are common practice, no source: a value is doubted when it lies outside {@code lowest} to {@code
 * highest} times the expected one, and a slip is named when moving the point brings it back inside.
 */
public record Plausibility(double lowest, double highest) {

    /** For a dimension against its nominal: 0.6 to 1.6 times. */
    public static final Plausibility OF_A_DIMENSION = new Plausibility(0.6, 1.6);

    /** For a breaking force against the expected one: 0.3 to 3 times, for materials do surprise. */
    public static final Plausibility OF_A_FORCE = new Plausibility(0.3, 3.0);

    /** Checks that the range holds 1 and is narrower than a factor of ten, so that a slip can be told. */
    public Plausibility {
        if (!(lowest > 0 && lowest < 1 && highest > 1 && highest / lowest <= 10)) {
            throw new IllegalArgumentException(
                    "a range around 1 narrower than a factor of ten is needed: " + lowest + " to " + highest);
        }
    }

    /** How near another unit or a moved point must bring the value before both explanations are named: a tenth. */
    private static final double AS_NEAR = Math.log(1.1);

    /** Another unit is named when in it the value is within 1.4 times of the one expected, either way. */
    private static final double BY_UNIT = Math.log(1.4);

    /** A size this near to another one's nominal is that one: within 7 %, while 15 % off its own. */
    private static final double MIXED = 0.07;

    private static final double OWN = 0.15;

    /** Models are printed at round scales; a size within 2 % of one of them, where full size is expected, is asked about. */
    private static final double[] SCALES = {0.5, 0.75, 1.25, 1.5, 2};

    private static final double AT_SCALE = 0.02;

    /**
     * @param value the value given, working unit, above zero
     * @param expected the value expected, working unit, above zero
     * @param unit symbol of the working unit, for the message, and for the units it may have been read in instead; empty
     *     when nothing is known of it
     * @return what to ask the person, or empty when the value is plausible
     */
    public Optional<String> doubt(double value, double expected, String unit) {
        double ratio = value / expected;
        if (ratio >= lowest && ratio <= highest) {
            return Optional.empty();
        }
        String read = Figures.withUnit(value, 4, unit);
        String about = "about " + Figures.withUnit(expected, 3, unit) + " is expected here";
        int shift = (int) Math.round(-Math.log10(ratio));
        double shifted = value * Math.pow(10, shift);
        boolean slipped = shift != 0 && isWithin(shifted / expected);
        Optional<UnitOfMeasure> other = otherUnit(value, expected, unit);
        double byPoint = slipped ? Math.abs(Math.log(shifted / expected)) : Double.MAX_VALUE;
        double byUnit = other.map(one -> off(one, value, expected)).orElse(Double.MAX_VALUE);
        if (other.isPresent() && byUnit < byPoint + AS_NEAR) {
            String symbol = "'" + other.get().symbol() + "'";
            String asked = byPoint < byUnit + AS_NEAR
                    ? "Has the decimal point slipped, or was it read in " + symbol + "? "
                    : "Was it read in " + symbol + "? ";
            String fits = Figures.plain(value, 4) + " " + other.get().symbol() + " would be "
                    + Figures.withUnit(other.get().toWorking(value), 3, unit);
            return Optional.of(asked + read + " was given, " + about + "; " + fits + ".");
        }
        if (slipped) {
            return Optional.of("Has the decimal point slipped? " + read + " was read, " + about + "; "
                    + Figures.significant(shifted, 4) + " would fit.");
        }
        return Optional.of(read + " is " + (ratio > 1 ? "far above" : "far below") + " anything seen: " + about + ".");
    }

    /**
     * The same for one of a specimen's sizes, which may be another of them, or of a specimen printed at another scale.
     *
     * @param value the size given in mm, above zero
     * @param expected its nominal in mm, above zero
     * @param others nominals of the specimen's other sizes in mm by their names
     * @return what to ask the person, or empty when the size is plausible
     */
    public Optional<String> doubtOfSize(double value, double expected, Map<String, Double> others) {
        double off = Math.abs(value / expected - 1);
        Optional<String> mixed = others.entrySet().stream()
                .filter(other -> off > OWN && Math.abs(value / other.getValue() - 1) <= MIXED)
                .map(Map.Entry::getKey)
                .findFirst();
        String read = Figures.withUnit(value, 4, "mm") + " was given where " + Figures.withUnit(expected, 3, "mm")
                + " is nominal";
        if (mixed.isPresent()) {
            return Optional.of("Is that the " + mixed.get() + "? " + read + ".");
        }
        for (double scale : SCALES) {
            if (Math.abs(value / (scale * expected) - 1) <= AT_SCALE) {
                return Optional.of("Was it printed at another scale? " + read + ", " + Figures.significant(scale, 3)
                        + " times of it.");
            }
        }
        return doubt(value, expected, "mm");
    }

    private boolean isWithin(double ratio) {
        return ratio >= lowest && ratio <= highest;
    }

    /** The unit in which the same number would be nearest to what is expected; empty where none brings it near. */
    private Optional<UnitOfMeasure> otherUnit(double value, double expected, String unit) {
        return UnitOfMeasure.find(unit).stream()
                .flatMap(own -> UnitOfMeasure.all().stream()
                        .filter(other -> other.dimension() == own.dimension() && !isPowerOfTen(other.toWorking(1))))
                .filter(other -> off(other, value, expected) <= BY_UNIT)
                .min(Comparator.comparingDouble(other -> off(other, value, expected)));
    }

    private static double off(UnitOfMeasure unit, double value, double expected) {
        return Math.abs(Math.log(unit.toWorking(value) / expected));
    }

    /** Between such units the same number is a moved point. */
    private static boolean isPowerOfTen(double factor) {
        double power = Math.log10(factor);
        return Math.abs(power - Math.rint(power)) < 1e-9;
    }
}
