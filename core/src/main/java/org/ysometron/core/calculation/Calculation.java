package org.ysometron.core.calculation;

import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * One calculation of the core, offered by name so that it can be checked with cases of one's own.
 *
 * @param name by which it is called
 * @param title what it works out
 * @param inputs what a case holds
 * @param unit unit of its main figure; empty when it has none
 * @param source the published source of the method
 * @param example a case that can be run as it is
 * @param body does the work
 */
public record Calculation(
        String name,
        String title,
        List<Input> inputs,
        String unit,
        String source,
        Map<String, Object> example,
        Function<Case, Answer> body) {

    /** Copies the inputs. */
    public Calculation {
        inputs = List.copyOf(inputs);
    }

    /**
     * Computes one case.
     *
     * @param given values by input name
     * @throws CaseProblem when an input is missing, unknown, of the wrong kind or out of its range
     */
    public Answer compute(Map<String, Object> given) {
        Case read = Case.of(this, given);
        try {
            return body.apply(read);
        } catch (CaseProblem problem) {
            throw problem;
        } catch (IllegalArgumentException outOfRange) {
            throw new CaseProblem(new org.ysometron.core.quantity.Problem(
                    name, String.valueOf(outOfRange.getMessage()), "inputs within the ranges named by --list", ""));
        }
    }
}
