package org.ysometron.core.method;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.rubric.Rubric;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Working;

/**
 * What people grade: each field with a scale gives the characteristic of the same key. A grade by one is what it is; graders who differ leave what lies
 * between them; the last step of an artefact that came out well lies below the truth, and the next that failed above it; the artefact's end is a bound.
 */
abstract class Graded extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        for (Field field : data().sheet().fields()) {
            Rubric rubric = field.rubric();
            if (rubric != null) {
                figures.put(field.key(), grade(field, rubric, readings.all(field.key())));
            }
        }
        return figures;
    }

    private static Figure grade(Field field, Rubric rubric, double[] grades) {
        if (grades.length == 0) {
            return Figure.none(field.words() + " was not graded", Working.NONE);
        }
        for (double grade : grades) {
            if (rubric.at(grade).isEmpty()) {
                throw new IllegalArgumentException(
                        field.words() + ": " + Figures.plain(grade, 4) + " is no grade of " + rubric.described());
            }
        }
        double low = Arrays.stream(grades).min().orElseThrow();
        double high = Arrays.stream(grades).max().orElseThrow();
        String unit = rubric.dimension().workingUnit();
        Working working = Working.of(
                step(rubric.title() + ", as graded", "g", rubric.line(), low, unit, rubric.source(), grades));
        if (rubric.stepped()) {
            double next = rubric.next(high);
            return Double.isInfinite(next)
                    ? Figure.above(
                            low, "the artefact has no step beyond " + Figures.plain(high, 4) + " " + unit, working)
                    : Figure.between(
                            low, next, working.then(step("next step, which failed", "g₂", "", next, unit, "")));
        }
        if (low < high) {
            return Figure.between(low, high, working.then(step("graders differ, up to", "g₂", "", high, unit, "")));
        }
        Figure figure = Figure.of(low, working);
        return low == rubric.best().value()
                ? figure.noting(List.of("The best of its scale: nothing better can be told apart by it."))
                : figure;
    }
}
