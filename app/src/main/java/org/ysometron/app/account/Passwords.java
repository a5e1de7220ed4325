package org.ysometron.app.account;

import java.security.SecureRandom;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import me.gosimple.nbvcxz.resources.ConfigurationBuilder;
import me.gosimple.nbvcxz.resources.Dictionary;

/**
 * Which passwords are taken: long ones that are not among the common ones. No rule about capitals or digits, and none that
 * makes people change one that is good (NIST SP 800-63B, 3.1.1.2, from memory).
 */
final class Passwords {

    /** Characters at the least. */
    static final int SHORTEST = 12;

    /** Bytes in UTF-8 that the hash takes account of. */
    private static final int LONGEST_BYTES = 72;

    // No letters or digits that are mistaken for one another on a screen.
    private static final String ALPHABET = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final int RANDOM_LENGTH = 16;

    private static final class Common {
        static final java.util.List<Dictionary> LISTS = ConfigurationBuilder.getDefaultDictionaries();
    }

    private Passwords() {}

    /** A password that nobody guesses, to be shown once. */
    static String random() {
        return new SecureRandom()
                .ints(RANDOM_LENGTH, 0, ALPHABET.length())
                .mapToObj(i -> ALPHABET.substring(i, i + 1))
                .collect(Collectors.joining());
    }

    /** What is wrong with a password for this account; empty when nothing is. */
    static Optional<String> problem(String password, String account) {
        String folded = password.toLowerCase(Locale.ROOT);
        if (password.length() < SHORTEST) {
            return Optional.of("A password has at least " + SHORTEST + " characters; a few words in a row do well.");
        }
        if (password.getBytes(java.nio.charset.StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            return Optional.of("A password has at most " + LONGEST_BYTES + " characters.");
        }
        if (password.chars().distinct().count() < 4) {
            return Optional.of("That repeats itself; take a few words in a row.");
        }
        if (folded.contains(account.toLowerCase(Locale.ROOT)) || folded.contains("ysometron")) {
            return Optional.of("The name of the account or of this application is guessed first; leave it out.");
        }
        if (isCommon(folded)) {
            return Optional.of("That is on the list of passwords that are guessed first; take a few words in a row.");
        }
        return Optional.empty();
    }

    private static boolean isCommon(String folded) {
        // A common one with a number behind it, or said twice, is a common one still.
        String bare = folded.replaceAll("[0-9!?.]+$", "");
        String half = folded.length() % 2 == 0 ? folded.substring(0, folded.length() / 2) : folded;
        boolean twice = folded.equals(half + half);
        return listed(folded) || (!bare.isEmpty() && listed(bare)) || (twice && listed(half));
    }

    private static boolean listed(String text) {
        return Common.LISTS.stream()
                .filter(list -> list.getDictionaryName().equals("passwords"))
                .anyMatch(list -> list.getDictonary().containsKey(text));
    }
}
