package org.ysometron.core.gate;

import java.util.Optional;

/**
 * Words of substance: the one rule for every reason, answer and word that stands on a record. At least {@value #LETTERS}
 * letters or digits, of at least {@value #DIFFERENT} different ones; what cannot be seen (spaces of every kind, marks of zero
 * width, control characters) does not count (common practice, no source).
 */
public final class Substance {

    /** Letters and digits at the least. */
    public static final int LETTERS = 8;

    /** Different letters and digits at the least. */
    public static final int DIFFERENT = 4;

    private Substance() {}

    /** What is wrong with a text as a reason; empty when it has substance. */
    public static Optional<String> problem(String text) {
        int[] seen = text.codePoints()
                .filter(Character::isLetterOrDigit)
                .map(Character::toLowerCase)
                .toArray();
        long different = java.util.Arrays.stream(seen).distinct().count();
        if (seen.length == 0) {
            return Optional.of("is missing");
        }
        return seen.length < LETTERS || different < DIFFERENT
                ? Optional.of("says too little: write what happened, in a few words, for somebody who was not there")
                : Optional.empty();
    }
}
