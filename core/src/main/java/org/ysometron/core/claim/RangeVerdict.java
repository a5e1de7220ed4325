package org.ysometron.core.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import java.util.stream.Collectors;
import org.ysometron.core.quantity.Rounding;

/**
 * A published range as a claim: every setting in it works. A tower printed in steps contradicts it where a step within it fails, and names the end that the
 * failing step lies nearer to; supports it where no step within fails and steps that pass lie at or beyond both ends; else an end was not reached, and it
 * stays open. Nothing is said of settings between two steps that pass but that they lie between them (common practice, no source).
 *
 * @param verdict what the tower says of the range
 * @param words the same with the end that fails, or that was not reached
 */
public record RangeVerdict(Verdict verdict, String words) {

    /** A step of the tower: its setting, and whether it passed. */
    public record Step(double at, boolean passes) {}

    /**
     * What the steps say of a range.
     *
     * @param low lower end, at most the upper
     * @param high upper end
     * @param figure a setting with its unit
     * @throws IllegalArgumentException for a range whose ends are the wrong way round or no figures
     */
    public static RangeVerdict of(List<Step> steps, double low, double high, DoubleFunction<String> figure) {
        if (!(low <= high)) {
            throw new IllegalArgumentException("a range has a lower end and an upper one, got " + low + " and " + high);
        }
        List<Step> within = steps.stream()
                .filter(step -> !Rounding.below(step.at, low) && !Rounding.above(step.at, high))
                .toList();
        List<Double> failed = within.stream()
                .filter(step -> !step.passes)
                .map(Step::at)
                .sorted()
                .toList();
        if (!failed.isEmpty()) {
            return new RangeVerdict(Verdict.CONTRADICTED, failing(failed, low, high, figure));
        }
        List<String> missing = new ArrayList<>();
        if (steps.stream().noneMatch(step -> step.passes && !Rounding.above(step.at, low))) {
            missing.add("lower end, " + figure.apply(low));
        }
        if (steps.stream().noneMatch(step -> step.passes && !Rounding.below(step.at, high))) {
            missing.add("upper end, " + figure.apply(high));
        }
        if (missing.isEmpty()) {
            return new RangeVerdict(Verdict.SUPPORTED, "every step from end to end passes");
        }
        return within.isEmpty()
                ? new RangeVerdict(Verdict.NOT_TESTED, "no step lies within it")
                : new RangeVerdict(
                        Verdict.OPEN,
                        "no step fails within it, and none that passes lies at or beyond its "
                                + String.join(" or its ", missing));
    }

    private static String failing(List<Double> failed, double low, double high, DoubleFunction<String> figure) {
        String at = failed.stream().map(figure::apply).collect(Collectors.joining(", "));
        boolean isLower = failed.stream().anyMatch(step -> step - low <= high - step);
        boolean isUpper = failed.stream().anyMatch(step -> step - low > high - step);
        String end = isLower && isUpper ? "both ends fail" : isLower ? "its lower end fails" : "its upper end fails";
        return end + ": " + at + (failed.size() == 1 ? " lies" : " lie") + " within and "
                + (failed.size() == 1 ? "does" : "do") + " not pass";
    }
}
