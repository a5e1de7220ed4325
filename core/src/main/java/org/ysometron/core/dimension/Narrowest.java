package org.ysometron.core.dimension;

import com.ezylang.evalex.EvaluationException;
import com.ezylang.evalex.Expression;
import com.ezylang.evalex.config.ExpressionConfiguration;
import com.ezylang.evalex.config.MapBasedFunctionDictionary;
import com.ezylang.evalex.functions.basic.SqrtFunction;
import com.ezylang.evalex.parser.ParseException;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;

/**
 * How a design's narrowest section follows from the sizes that are measured on it: an expression in {@code w} (mean width, mm),
 * {@code t} (mean thickness, mm) or {@code d} (mean diameter, mm, the same as w), numbers in mm, {@code + - * / ( )}, {@code PI} and
 * {@code SQRT( )}. A bar with a hole of 3 mm through its width is {@code (w - 3) * t}.
 */
public final class Narrowest {

    /** Longest expression that is read. */
    public static final int LONGEST = 80;

    private static final ExpressionConfiguration ARITHMETIC = arithmetic();

    private final String formula;

    private Narrowest(String formula) {
        this.formula = formula;
    }

    private static ExpressionConfiguration arithmetic() {
        MapBasedFunctionDictionary roots = new MapBasedFunctionDictionary();
        roots.addFunction("SQRT", new SqrtFunction());
        return ExpressionConfiguration.builder()
                .functionDictionary(roots)
                .arraysAllowed(false)
                .structuresAllowed(false)
                .build();
    }

    /**
     * Reads an expression.
     *
     * @throws IllegalArgumentException in words for an empty or too long one, and one that is no arithmetic of w, t and d
     */
    public static Narrowest of(String typed) {
        String formula = typed.strip()
                .replace('·', '*')
                .replace('×', '*')
                .replace('−', '-')
                .replace('π', 'p');
        if (!formula.matches("[wtdpPISQRT0-9.,()+*/ -]{1," + LONGEST + "}")) {
            throw new IllegalArgumentException(
                    "a section is written in w, t, d, numbers, + - * / ( ), PI and SQRT( ), in up to " + LONGEST
                            + " letters; got '" + typed.strip() + "'");
        }
        Narrowest read = new Narrowest(formula.replace("p", "PI").replace(',', '.'));
        read.evaluate(1, 1);
        return read;
    }

    /** The expression as it is kept. */
    public String formula() {
        return formula;
    }

    /**
     * Area in mm².
     *
     * @param width mean, in mm, above 0; of a round section its diameter
     * @param thickness mean, in mm, above 0
     * @throws IllegalArgumentException in words where it comes to nothing, less, or no number
     */
    public double area(double width, double thickness) {
        double area = evaluate(width, thickness);
        if (!(area > 0 && area <= 1e8)) {
            throw new IllegalArgumentException("the narrowest section " + formula + " of " + Figures.plain(width, 5)
                    + " by " + Figures.plain(thickness, 5) + " mm comes to " + Figures.plain(area, 5) + " mm²");
        }
        return area;
    }

    /** The step of a working. */
    Step step(double width, double thickness) {
        return new Step(
                "area of the narrowest section",
                "A₀",
                "A₀ = " + formula,
                "w " + Figures.significant(width, 5) + " mm, t " + Figures.significant(thickness, 5) + " mm",
                area(width, thickness),
                "mm²",
                "the design's own formula");
    }

    private double evaluate(double width, double thickness) {
        try {
            return new Expression(formula, ARITHMETIC)
                    .with("w", width)
                    .and("d", width)
                    .and("t", thickness)
                    .evaluate()
                    .getNumberValue()
                    .doubleValue();
        } catch (ParseException | EvaluationException | ArithmeticException wrong) {
            throw new IllegalArgumentException(
                    "the narrowest section '" + formula + "' cannot be worked out: " + wrong.getMessage(), wrong);
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Narrowest that && that.formula.equals(formula);
    }

    @Override
    public int hashCode() {
        return formula.hashCode();
    }

    @Override
    public String toString() {
        return formula;
    }
}
