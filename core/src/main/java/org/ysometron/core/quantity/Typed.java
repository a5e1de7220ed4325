package org.ysometron.core.quantity;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A number as somebody typed it, with or without its unit, made into a value of the working unit or refused with the
 * reason. A comma is taken as the decimal sign; groups of three digits may be parted by blanks; other thousands separators
 * are refused because 1.234,5 and 1,234.5 cannot be
 * told from a slip.
 */
public sealed interface Typed {

    /**
     * A number that could be read.
     *
     * @param text what was typed, unchanged but for outer blanks
     * @param number the number typed, in the unit typed
     * @param unit the unit typed, or the field's own when none was
     * @param value the value in the working unit
     */
    record Accepted(String text, double number, UnitOfMeasure unit, double value) implements Typed {

        /** Whether the value had to be converted, so that both should be shown. */
        public boolean isConverted() {
            return !unit.isWorking();
        }
    }

    /** Text that could not be taken, and why. */
    record Refused(String text, Problem problem) implements Typed {}

    /** In °C. */
    double ABSOLUTE_ZERO = -273.15;

    /** Grammar of a typed number: sign, digits with at most one decimal sign, exponent; then a unit. */
    Pattern NUMBER = Pattern.compile("([+-]?(?:\\d+(?:[.,]\\d*)?|[.,]\\d+)(?:[eE][+-]?\\d+)?)\\s*(.*)", Pattern.DOTALL);

    /** A number in groups of three digits and what follows it. */
    Pattern GROUPED = Pattern.compile("([+-]?\\d{1,3}(?: \\d{3})+)((?:[.,]\\d*)?(?!\\d).*)", Pattern.DOTALL);

    /**
     * Reads a quantity of the given dimension: above zero, but for temperatures, which only absolute zero bounds.
     *
     * @param where name of the field, for messages
     * @param text what was typed; blank is refused
     * @param fieldUnit the unit meant when none is typed; its dimension is the one required
     */
    static Typed read(String where, String text, UnitOfMeasure fieldUnit) {
        return read(where, text, fieldUnit, fieldUnit.dimension() == Dimension.TEMPERATURE);
    }

    /** The same of what may lie below zero: a coordinate of a colour, a corner that went down. */
    static Typed readSigned(String where, String text, UnitOfMeasure fieldUnit) {
        return read(where, text, fieldUnit, true);
    }

    private static Typed read(String where, String text, UnitOfMeasure fieldUnit, boolean signed) {
        Dimension dimension = fieldUnit.dimension();
        String typed = text.strip();
        if (typed.isEmpty()) {
            return refuse(where, typed, "nothing was typed", dimension, "");
        }
        Matcher matcher = NUMBER.matcher(plain(typed));
        if (!matcher.matches() || startsLikeANumber(matcher.group(2))) {
            return refuse(where, typed, "'" + typed + "' is not a number", dimension, separatorsHint(typed));
        }
        double number = Double.parseDouble(matcher.group(1).replace(',', '.'));
        String unitText = matcher.group(2).strip();
        Optional<UnitOfMeasure> unit = unitText.isEmpty() ? Optional.of(fieldUnit) : UnitOfMeasure.find(unitText);
        if (unit.isEmpty()) {
            String found = "the unit '" + unitText + "' is not known";
            return refuse(where, typed, found, dimension, unknownUnitHint(unitText));
        }
        if (unit.get().dimension() != dimension) {
            String found = "'" + unitText + "' is " + unit.get().dimension().phrase() + ", not " + dimension.phrase();
            return refuse(where, typed, found, dimension, wrongDimensionHint(unit.get(), dimension));
        }
        double value = unit.get().toWorking(number);
        if (Double.isInfinite(value)) {
            return refuse(where, typed, "'" + typed + "' is larger than anything", dimension, "");
        }
        boolean cold = dimension == Dimension.TEMPERATURE;
        if (cold && !(value >= ABSOLUTE_ZERO)) {
            return refuse(where, typed, "'" + typed + "' is colder than anything", dimension, "");
        }
        if (!signed && !(value > 0)) {
            return refuse(where, typed, "'" + typed + "' is not above zero", dimension, "");
        }
        return new Accepted(typed, number, unit.get(), value);
    }

    /**
     * The step of what showed a number that was typed as it was shown: one in its last place, in its working unit; 0 for what is
     * no number. 2.50 g has a step of 0.01 g.
     */
    static double step(String text) {
        Matcher matcher = NUMBER.matcher(plain(text.strip()));
        if (!matcher.matches()) {
            return 0;
        }
        String number = matcher.group(1).replace(',', '.').replaceAll("[eE].*", "");
        int decimals = number.indexOf('.') < 0 ? 0 : number.length() - number.indexOf('.') - 1;
        double last = Math.pow(10, -decimals);
        String unit = matcher.group(2).strip();
        return UnitOfMeasure.find(unit)
                .filter(found -> !unit.isEmpty())
                .map(found -> found.toWorking(last) - found.toWorking(0))
                .orElse(last);
    }

    /** What was typed with the unit that a display shows, where it is a bare number; as it is where it has its own or is none. */
    static String shownIn(String text, String unit) {
        Matcher matcher = NUMBER.matcher(plain(text.strip()));
        boolean bare = matcher.matches() && matcher.group(2).isBlank();
        return bare && !unit.isEmpty() ? text.strip() + " " + unit : text;
    }

    /** Digits in groups of three parted by a blank of any kind, and the true minus sign, as they are printed. */
    private static String plain(String typed) {
        String blanks = typed.replace('\u2212', '-').replaceAll("[\\u00a0\\u2009\\u202f]", " ");
        Matcher grouped = GROUPED.matcher(blanks);
        return grouped.matches() ? grouped.group(1).replace(" ", "") + grouped.group(2) : blanks;
    }

    private static Refused refuse(String where, String typed, String found, Dimension dimension, String wayOut) {
        String expected = dimension.phrase() + ", for example " + dimension.example();
        return new Refused(typed, new Problem(where, found, expected, wayOut));
    }

    private static boolean startsLikeANumber(String rest) {
        return !rest.isEmpty() && (Character.isDigit(rest.charAt(0)) || ".,+-".indexOf(rest.charAt(0)) >= 0);
    }

    private static String separatorsHint(String typed) {
        return typed.indexOf('.') >= 0 && typed.indexOf(',') >= 0
                ? "Leave out thousands separators: one decimal point or one decimal comma only."
                : "";
    }

    private static String unknownUnitHint(String unitText) {
        return switch (unitText.toLowerCase(Locale.ROOT)) {
            case "deg", "degree", "degrees" -> "Degrees of what? Type ° for an angle, °C or °F for a temperature.";
            case "t", "ton", "tons", "tonne" -> "Tonnes are a mass; type kN or kgf.";
            default -> "";
        };
    }

    /** The likely intended unit, where the field knows the slip (common practice, no source). */
    private static String wrongDimensionHint(UnitOfMeasure unit, Dimension wanted) {
        if (wanted == Dimension.FORCE && unit.dimension() == Dimension.MASS) {
            boolean pounds = unit.symbol().equals("lb") || unit.symbol().equals("oz");
            return pounds
                    ? "Pounds of force are meant: type lbf (1 lbf = 4.44822 N)."
                    : "Kilograms of force are meant: type kgf (1 kgf = 9.80665 N).";
        }
        if (wanted == Dimension.FORCE && unit.dimension() == Dimension.TORQUE) {
            return "A torque needs its lever arm before it is a force: type N.";
        }
        if (wanted == Dimension.FORCE && unit.dimension() == Dimension.STRESS) {
            return "The stress is worked out from the force and the measured area: type the force the gauge showed.";
        }
        if (wanted == Dimension.ENERGY_PER_AREA) {
            return "Divide by the broken area: type kJ/m².";
        }
        return "";
    }
}
