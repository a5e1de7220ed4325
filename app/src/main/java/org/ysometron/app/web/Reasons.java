package org.ysometron.app.web;

import java.util.Optional;
import org.ysometron.core.gate.Substance;

/** Reasons, answers and words that stand on a record: the one place where they are let through. */
public final class Reasons {

    private Reasons() {}

    /**
     * The text stripped; refused at its field when it has no substance or is too long.
     *
     * @param what the text in words, such as "The reason"
     */
    public static String require(String field, String text, String what, int longest) {
        Optional<String> problem = problem(text, what, longest);
        if (problem.isPresent()) {
            throw new Refusal(field, problem.get());
        }
        return text.strip();
    }

    /** What is wrong with it; empty when nothing is. */
    static Optional<String> problem(String text, String what, int longest) {
        if (text.strip().length() > longest) {
            return Optional.of(what + " has " + text.strip().length() + " characters; " + longest + " are the most.");
        }
        return Substance.problem(text).map(problem -> what + " " + problem + ".");
    }
}
