package org.ysometron.core.publication;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.ysometron.core.claim.Form;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * A value as it stands in print: {@code 50 MPa}, {@code 200–230 °C}, {@code 215 °C (200–230 °C)}, {@code 1.75 ± 0.05
 * mm}, {@code 55 MPa ± 10 %}. A unit behind the last number holds for those before it that have none.
 *
 * @param value the single value, where there is one
 * @param low lower end of the range or tolerance, working unit
 * @param high upper end
 */
public record PublishedValue(OptionalDouble value, OptionalDouble low, OptionalDouble high) {

    /** Characters of a value as people publish it; the patterns below take the square of a longer one. */
    private static final int LONGEST = 120;

    private static final String NUMBER = "(\\d+(?:[.,]\\d+)?)";
    private static final String UNIT = "\\s*([^\\d\\s±(),–—-][^\\d±(),–—-]*?|)\\s*";
    private static final String TO = "(?:–|—|-|to)\\s*";
    private static final Pattern SINGLE = Pattern.compile(NUMBER + UNIT);
    private static final Pattern RANGE = Pattern.compile(NUMBER + UNIT + TO + NUMBER + UNIT);
    private static final Pattern BOTH =
            Pattern.compile(NUMBER + UNIT + "[(,]\\s*" + NUMBER + UNIT + TO + NUMBER + UNIT + "\\)?");
    private static final Pattern AROUND = Pattern.compile(NUMBER + UNIT + "(?:±|\\+/-|\\+-)\\s*" + NUMBER + UNIT);

    /** What was read, or why it could not be. */
    public sealed interface Read {

        /** It could be read. */
        record Accepted(PublishedValue value) implements Read {}

        /** It could not. */
        record Refused(Problem problem) implements Read {}
    }

    /** Stops the reading of one value with its reason. */
    private static final class Unreadable extends RuntimeException {

        private static final long serialVersionUID = 1L;

        private final transient Problem problem;

        Unreadable(Problem problem) {
            super(problem.text());
            this.problem = problem;
        }
    }

    /**
     * Reads a value.
     *
     * @param where name of the field, for messages
     * @param text as published
     * @param dimension that it must have
     */
    public static Read read(String where, String text, Dimension dimension) {
        String typed = text.strip();
        try {
            return new Read.Accepted(parse(where, typed, dimension));
        } catch (Unreadable refused) {
            return new Read.Refused(refused.problem);
        }
    }

    private static PublishedValue parse(String where, String typed, Dimension dimension) {
        if (typed.length() > LONGEST) {
            throw refuse(where, typed.substring(0, 40) + "…", "there are " + typed.length() + " characters");
        }
        Matcher around = AROUND.matcher(typed);
        if (around.matches()) {
            return around(where, around, dimension);
        }
        Matcher range = RANGE.matcher(typed);
        if (range.matches()) {
            String unit = range.group(4);
            double low = part(where, range.group(1), or(range.group(2), unit), dimension);
            double high = part(where, range.group(3), unit, dimension);
            return ordered(where, typed, OptionalDouble.empty(), low, high);
        }
        Matcher both = BOTH.matcher(typed);
        if (both.matches()) {
            String last = or(both.group(6), both.group(2));
            double value = part(where, both.group(1), or(both.group(2), last), dimension);
            double low = part(where, both.group(3), or(both.group(4), last), dimension);
            double high = part(where, both.group(5), last, dimension);
            if (value < low || value > high) {
                throw refuse(where, typed, "the value lies outside its own range");
            }
            return ordered(where, typed, OptionalDouble.of(value), low, high);
        }
        Matcher single = SINGLE.matcher(typed);
        double value = single.matches()
                ? part(where, single.group(1), single.group(2), dimension)
                : typed(where, typed, dimension);
        return new PublishedValue(OptionalDouble.of(value), OptionalDouble.empty(), OptionalDouble.empty());
    }

    private static PublishedValue around(String where, Matcher around, Dimension dimension) {
        String unit = around.group(4);
        boolean share = unit.equals("%") && dimension != Dimension.RATIO;
        double value = part(where, around.group(1), share ? around.group(2) : or(around.group(2), unit), dimension);
        double reach = share
                ? value * Double.parseDouble(around.group(3).replace(',', '.')) / 100
                : reach(where, around.group(3), or(unit, around.group(2)), dimension);
        return ordered(where, around.group(), OptionalDouble.of(value), value - reach, value + reach);
    }

    /** A tolerance is a difference: 5 °C of it are 5 K and not 278. */
    private static double reach(String where, String number, String unit, Dimension dimension) {
        if (dimension == Dimension.TEMPERATURE) {
            double zero = part(where, "0", unit, dimension);
            return part(where, number, unit, dimension) - zero;
        }
        return part(where, number, unit, dimension);
    }

    private static PublishedValue ordered(String where, String typed, OptionalDouble value, double low, double high) {
        if (!(low < high)) {
            throw refuse(where, typed, "the range does not rise");
        }
        return new PublishedValue(value, OptionalDouble.of(low), OptionalDouble.of(high));
    }

    private static double part(String where, String number, String unit, Dimension dimension) {
        double plain = Double.parseDouble(number.replace(',', '.'));
        // A fan at 0 % and a temperature of 0 °C are settings; everywhere else nothing is no value.
        boolean zeroIsASetting = dimension == Dimension.RATIO || dimension == Dimension.TEMPERATURE;
        if (plain == 0 && zeroIsASetting) {
            Optional<UnitOfMeasure> found =
                    unit.isEmpty() ? Optional.of(UnitOfMeasure.working(dimension)) : UnitOfMeasure.find(unit);
            if (found.isPresent() && found.get().dimension() == dimension) {
                return found.get().toWorking(0);
            }
        }
        return typed(where, (number + " " + unit).strip(), dimension);
    }

    private static double typed(String where, String text, Dimension dimension) {
        Typed typed = Typed.read(where, text, UnitOfMeasure.working(dimension));
        if (typed instanceof Typed.Accepted accepted) {
            return accepted.value();
        }
        throw new Unreadable(((Typed.Refused) typed).problem());
    }

    private static Unreadable refuse(String where, String typed, String found) {
        return new Unreadable(new Problem(
                where, "in '" + typed + "' " + found, "for example 50 MPa, 200–230 °C or 1.75 ± 0.05 mm", ""));
    }

    private static String or(String first, String second) {
        return first.isEmpty() ? second : first;
    }

    /**
     * The edges that a value means in a form: the single value is the edge of at least and at most.
     *
     * @return this value with its edges in place, or what the form lacks
     */
    public Read in(Form form, String where, String typed) {
        return switch (form) {
            case AT_LEAST ->
                value.isPresent() && low.isEmpty()
                        ? new Read.Accepted(new PublishedValue(OptionalDouble.empty(), value, OptionalDouble.empty()))
                        : lacks(where, typed, "at least", "one value");
            case AT_MOST ->
                value.isPresent() && low.isEmpty()
                        ? new Read.Accepted(new PublishedValue(OptionalDouble.empty(), OptionalDouble.empty(), value))
                        : lacks(where, typed, "at most", "one value");
            case BETWEEN -> low.isPresent() ? new Read.Accepted(this) : lacks(where, typed, "between", "a range");
            case TYPICAL ->
                value.isPresent()
                        ? new Read.Accepted(this)
                        : lacks(where, typed, "typical", "one value, with or without its tolerance");
            case UP_TO, BETTER_THAN ->
                value.isPresent() && low.isEmpty()
                        ? new Read.Accepted(this)
                        : lacks(where, typed, form.words(), "one value");
            case STATED -> new Read.Accepted(this);
        };
    }

    private static Read lacks(String where, String typed, String form, String needs) {
        return new Read.Refused(new Problem(
                where, "'" + typed + "' does not go with “" + form + "”", needs, "Choose another form or value."));
    }
}
