package org.ysometron.core.plan;

import java.util.Locale;

/**
 * The check character of a specimen's code, so that a code read or typed wrongly is found before its reading is stored
 * under another specimen. ISO/IEC 7064, MOD 37,36: letters and digits, one character added, which finds every single wrong
 * character and nearly every exchange of neighbours.
 */
public final class CheckCharacter {

    private static final String CHARACTERS = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";
    private static final int M = 36;

    private CheckCharacter() {}

    /**
     * The check character of a code.
     *
     * @param code letters and digits, at least one; dashes and blanks are passed over, case does not matter
     * @throws IllegalArgumentException for any other character, or none
     */
    public static char of(String code) {
        int product = M;
        int count = 0;
        for (char c : plain(code).toCharArray()) {
            product = next(product, value(c, code));
            count++;
        }
        if (count == 0) {
            throw new IllegalArgumentException("a code needs at least one letter or digit");
        }
        return CHARACTERS.charAt((M + 1 - product) % M);
    }

    /** Whether a code with its check character at the end holds. */
    public static boolean holds(String codeWithCheck) {
        String plain = plain(codeWithCheck);
        if (plain.length() < 2 || plain.chars().anyMatch(c -> CHARACTERS.indexOf(c) < 0)) {
            return false;
        }
        return of(plain.substring(0, plain.length() - 1)) == plain.charAt(plain.length() - 1);
    }

    /** One step of the hybrid system: P ← 2·((P + a) mod 36, or 36) mod 37. */
    private static int next(int product, int value) {
        int sum = (product + value) % M;
        return (sum == 0 ? M : sum) * 2 % (M + 1);
    }

    private static String plain(String code) {
        return code.strip().toUpperCase(Locale.ROOT).replace("-", "").replace(" ", "");
    }

    private static int value(char c, String code) {
        int value = CHARACTERS.indexOf(c);
        if (value < 0) {
            throw new IllegalArgumentException("'" + c + "' in '" + code + "' is neither a letter nor a digit");
        }
        return value;
    }
}
