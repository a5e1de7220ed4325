package org.ysometron.core.calculation;

import org.ysometron.core.quantity.Problem;

/** A case that could not be computed, with the reason in parts. */
public final class CaseProblem extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    private final transient Problem problem;

    CaseProblem(Problem problem) {
        super(problem.text());
        this.problem = problem;
    }

    /** What is wrong, where, and what would do. */
    public Problem problem() {
        return problem;
    }
}
