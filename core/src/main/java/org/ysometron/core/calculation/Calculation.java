package org.ysometron.core.calculation;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.hipparchus.exception.MathRuntimeException;
import org.ysometron.core.quantity.Problem;

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
        Answer answer;
        try {
            answer = body.apply(read);
        } catch (CaseProblem problem) {
            throw problem;
        } catch (IllegalArgumentException outOfRange) {
            throw refused(String.valueOf(outOfRange.getMessage()));
        } catch (MathRuntimeException notConverging) {
            throw refused("these numbers lie too far apart to be worked out");
        }
        // What is not a number is no answer, whatever led to it.
        if (!answer.isFinite()) {
            throw refused("these numbers lead to no finite answer");
        }
        return answer;
    }

    private CaseProblem refused(String found) {
        return new CaseProblem(new Problem(name, found, "inputs within the ranges named by --list", ""));
    }
}
