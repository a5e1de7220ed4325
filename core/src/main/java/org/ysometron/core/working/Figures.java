package org.ysometron.core.working;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Writes numbers for people: significant digits, no exponent in the range of the job, never a rounding that lies. */
public final class Figures {

    private Figures() {}

    /**
     * The number rounded half-even to {@code digits} significant digits, trailing zeros kept so that the precision
     * shows, plain notation between 1e-6 and 1e9.
     *
     * @param digits at least 1
     */
    public static String significant(double value, int digits) {
        if (!Double.isFinite(value)) {
            return Double.isNaN(value) ? "not a number" : value > 0 ? "without limit" : "minus without limit";
        }
        if (value == 0) {
            return "0";
        }
        BigDecimal rounded = new BigDecimal(value).round(new MathContext(digits, RoundingMode.HALF_EVEN));
        int scale = digits - rounded.precision() + rounded.scale();
        double size = Math.abs(value);
        if (size < 1e-6 || size >= 1e9) {
            return rounded.toString();
        }
        return minus(
                rounded.setScale(Math.max(scale, 0), RoundingMode.HALF_EVEN).toPlainString());
    }

    /**
     * {@link #significant} with its unit behind it.
     *
     * @param unit empty for what is counted or has none
     */
    public static String withUnit(double value, int digits, String unit) {
        return significant(value, digits) + unit(unit);
    }

    /** The unit as it stands behind a number: after a blank, or nothing at all. */
    public static String unit(String unit) {
        return unit.isEmpty() ? "" : " " + unit;
    }

    /** The number with a fixed count of decimals. */
    public static String decimals(double value, int decimals) {
        if (!Double.isFinite(value)) {
            return significant(value, 1);
        }
        BigDecimal rounded = new BigDecimal(value).setScale(decimals, RoundingMode.HALF_EVEN);
        return minus(rounded.signum() == 0 ? rounded.abs().toPlainString() : rounded.toPlainString());
    }

    /** The number with at most {@code digits} significant digits and no trailing zeros, as a limit is written: 0.42, 50, 3.9. */
    public static String plain(double value, int digits) {
        if (!Double.isFinite(value) || value == 0) {
            return significant(value, digits);
        }
        BigDecimal rounded = new BigDecimal(value).round(new MathContext(digits, RoundingMode.HALF_EVEN));
        return minus(rounded.stripTrailingZeros().toPlainString());
    }

    /** A probability in percent; near its ends it is said to be beyond what one decimal can show. */
    public static String probability(double value) {
        return value > 0.9995 ? "over 99.9 %" : value < 0.0005 ? "under 0.1 %" : decimals(100 * value, 1) + " %";
    }

    /** A true minus sign, which lines up with digits. */
    /** Words with a capital at their beginning. */
    public static String capital(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }

    /** A time under load as people say it, from seconds: 45.0 s, 12.0 min, 160.0 h. */
    public static String time(double seconds) {
        return seconds < 60
                ? withUnit(seconds, 3, "s")
                : seconds < 3600 ? withUnit(seconds / 60, 3, "min") : withUnit(seconds / 3600, 4, "h");
    }

    private static String minus(String number) {
        return number.startsWith("-") ? "−" + number.substring(1) : number;
    }
}
