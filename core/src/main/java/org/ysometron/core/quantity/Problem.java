package org.ysometron.core.quantity;

/**
 * What is wrong with something a person gave, in parts that a page can lay out and a test can assert.
 *
 * @param where the field, or row and column
 * @param found what was given, quoted
 * @param expected what would have been taken, with an example
 * @param wayOut what to do now; may be empty when {@code expected} says it all
 */
public record Problem(String where, String found, String expected, String wayOut) {

    /** The whole message as one sentence or two. */
    public String text() {
        String sentence = where + ": " + found + "; expected " + expected + ".";
        return wayOut.isEmpty() ? sentence : sentence + " " + wayOut;
    }

    /** The message without its place, for use beside the field itself. */
    public String beside() {
        String first = Character.toUpperCase(found.charAt(0)) + found.substring(1) + ": expected " + expected + ".";
        return wayOut.isEmpty() ? first : first + " " + wayOut;
    }
}
