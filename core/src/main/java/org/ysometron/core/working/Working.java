package org.ysometron.core.working;

import java.util.ArrayList;
import java.util.List;

/**
 * The ordered steps by which a figure was arrived at. Made by the functions that compute, so that the explanation and
 * the figure cannot disagree.
 *
 * @param steps in order of computation
 */
public record Working(List<Step> steps) {

    /** A working with no step yet. */
    public static final Working NONE = new Working(List.of());

    /** Copies the steps. */
    public Working {
        steps = List.copyOf(steps);
    }

    /** This working with another's steps behind its own. */
    public Working then(Working next) {
        List<Step> all = new ArrayList<>(steps);
        all.addAll(next.steps);
        return new Working(all);
    }

    /** This working with one more step. */
    public Working then(Step step) {
        return then(new Working(List.of(step)));
    }

    /** A working of the given steps. */
    public static Working of(Step... steps) {
        return new Working(List.of(steps));
    }
}
