package org.ysometron.core.rubric;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.working.Figures;

/**
 * A scale by which people grade something: its grades with fixed ends and an example drawn of each. Nothing is better than its best and
 * nothing worse than its worst. A scale never changes: another revision is another file, with an id and characteristics of its own, so
 * that grades by two scales are never mixed.
 *
 * @param id in small letters with dashes
 * @param revision from 1 on
 * @param title what is graded
 * @param asks what the one who grades looks at
 * @param dimension a grade, or what a step of the artefact is counted in
 * @param stepped whether a grade is the last step of an artefact that came out well, so that the truth lies between it and the next
 * @param better which way is better
 * @param source where the scale is from
 * @param grades by rising value, at least two
 */
public record Rubric(
        String id,
        int revision,
        String title,
        String asks,
        Dimension dimension,
        boolean stepped,
        Better better,
        String source,
        List<Grade> grades) {

    /** Which way is better. */
    public enum Better {
        MORE,
        LESS
    }

    /**
     * One grade.
     *
     * @param value by which it is typed
     * @param words what it means
     * @param drawing of the thing graded, as an SVG path in a box of 64 by 40
     * @param fault of what is wrong with it, in the same box; empty where nothing is
     */
    public record Grade(double value, String words, String drawing, String fault) {}

    /** Checks that the grades rise. */
    public Rubric {
        grades = List.copyOf(grades);
        if (!id.matches("[a-z][a-z0-9-]*") || revision < 1 || title.isBlank() || asks.isBlank() || grades.size() < 2) {
            throw new IllegalArgumentException("a scale needs an id, a revision, a title, a question and two grades");
        }
        for (int i = 0; i < grades.size(); i++) {
            Grade grade = grades.get(i);
            if (i > 0 && !(grade.value() > grades.get(i - 1).value())) {
                throw new IllegalArgumentException("'" + id + "': grades rise, " + grade.value() + " does not");
            }
            if (grade.words().isBlank() || !grade.drawing().matches("[MmLlHhVvCcQqAaZz0-9 .,-]+")) {
                throw new IllegalArgumentException(
                        "'" + id + "': grade " + grade.value() + " is not said or not drawn");
            }
        }
        if (stepped == (dimension == Dimension.GRADE)) {
            throw new IllegalArgumentException("'" + id + "': steps are counted in a unit, and grades in none");
        }
    }

    /** The lower end. */
    public Grade lowest() {
        return grades.get(0);
    }

    /** The upper end. */
    public Grade highest() {
        return grades.get(grades.size() - 1);
    }

    /** The best grade that there is. */
    public Grade best() {
        return better == Better.MORE ? highest() : lowest();
    }

    /** The grade of this value; empty outside the scale and between its grades. */
    public Optional<Grade> at(double value) {
        return grades.stream().filter(grade -> grade.value() == value).findFirst();
    }

    /** The value of the grade above this one, infinity above the highest: a step beyond the last was not there to fail. */
    public double next(double value) {
        return grades.stream()
                .mapToDouble(Grade::value)
                .filter(other -> other > value)
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /** What somebody means: a value, with its unit or without, or the words of a grade; empty for anything else. */
    public OptionalDouble read(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        return grades.stream()
                .filter(grade -> text.equals(grade.words().toLowerCase(Locale.ROOT))
                        || text.equals(shown(grade.value()))
                        || text.replace(" ", "")
                                .equals((shown(grade.value()) + dimension.workingUnit()).toLowerCase(Locale.ROOT)))
                .mapToDouble(Grade::value)
                .findFirst();
    }

    /** The scale with its ends, for messages: 0 (none) to 3 (webs), stringing, revision 1. */
    public String described() {
        return shown(lowest().value()) + " (" + lowest().words() + ") to "
                + shown(highest().value()) + " (" + highest().words() + "), " + title + ", revision " + revision;
    }

    /** Its grades in one line: 0 none, 1 hairs, 2 webs. */
    public String line() {
        return grades.stream()
                .map(grade -> shown(grade.value()) + " " + grade.words())
                .collect(Collectors.joining(", "));
    }

    /**
     * How far a grade lies from the worst towards the best: 0 to 1, each grade a step of the same size.
     *
     * @throws IllegalArgumentException for a value that is no grade
     */
    public double share(double value) {
        Grade grade = at(value)
                .orElseThrow(() -> new IllegalArgumentException(shown(value) + " is no grade of " + described()));
        double step = grades.indexOf(grade) / (double) (grades.size() - 1);
        return better == Better.MORE ? step : 1 - step;
    }

    private static String shown(double value) {
        return Figures.plain(value, 6);
    }
}
