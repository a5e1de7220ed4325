package org.ysometron.core.dimension;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Rectangular cross-section of one specimen, from caliper readings.
 *
 * <p>A₀ = w·t from the means of the readings. Source: ISO 527-1 and ISO 16012 practice of at least three places along
 * the gauge length; fewer are allowed and marked.
 *
 * @param width mean width in mm
 * @param thickness mean thickness in mm
 * @param area A₀ in mm²
 * @param notes what a reader must know: too few readings, far off nominal
 * @param working the steps
 */
public record Section(double width, double thickness, double area, List<String> notes, Working working) {

    /** Readings per dimension that the standard asks for. */
    public static final int READINGS_WANTED = 3;

    private static final String SOURCE = "ISO 527-1, ISO 16012 practice";

    /** Copies the notes. */
    public Section {
        notes = List.copyOf(notes);
    }

    /**
     * Reduces readings to the section.
     *
     * @param widths in mm, each above 0, at least one
     * @param thicknesses in mm, each above 0, at least one
     * @throws IllegalArgumentException when a dimension has no reading or one is not above zero
     */
    public static Section rectangle(double[] widths, double[] thicknesses) {
        requirePositive("width", widths);
        requirePositive("thickness", thicknesses);
        double width = Summary.of(widths).mean();
        double thickness = Summary.of(thicknesses).mean();
        double area = width * thickness;
        List<String> notes = new ArrayList<>();
        noteIfFew(notes, "width", widths.length);
        noteIfFew(notes, "thickness", thicknesses.length);
        Working working = Working.of(
                meanStep("mean width", "w", widths, width),
                meanStep("mean thickness", "t", thicknesses, thickness),
                new Step(
                        "area of the section",
                        "A₀",
                        "A₀ = w·t",
                        Figures.significant(width, 5) + " mm · " + Figures.significant(thickness, 5) + " mm",
                        area,
                        "mm²",
                        SOURCE));
        return new Section(width, thickness, area, notes, working);
    }

    /** The same where the narrowest place follows from what was measured by a formula. */
    public Section narrowed(Narrowest narrowest) {
        Step step = narrowest.step(width, thickness);
        return new Section(width, thickness, step.value(), notes, working.then(step));
    }

    private static void requirePositive(String what, double[] readings) {
        if (readings.length == 0 || Arrays.stream(readings).anyMatch(r -> !(r > 0) || Double.isInfinite(r))) {
            throw new IllegalArgumentException(
                    "the " + what + " needs at least one reading, each above zero; got " + Arrays.toString(readings));
        }
    }

    private static void noteIfFew(List<String> notes, String what, int count) {
        if (count < READINGS_WANTED) {
            notes.add((count == 1 ? "One reading" : "Two readings") + " of the " + what + "; three are wanted.");
        }
    }

    private static Step meanStep(String meaning, String symbol, double[] readings, double mean) {
        String sum = Arrays.stream(readings)
                .mapToObj(reading -> Figures.significant(reading, 5))
                .collect(Collectors.joining(" + "));
        String numbers = readings.length == 1 ? sum : "(" + sum + ")/" + readings.length;
        return new Step(meaning, symbol, "mean of the readings", numbers, mean, "mm", SOURCE);
    }
}
