package org.ysometron.core.drift;

/** Small counts in words, as people say them at a chart. */
final class Count {

    private static final String[] WORDS = {
        "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"
    };

    private Count() {}

    static String of(int count) {
        return count < WORDS.length ? WORDS[count] : String.valueOf(count);
    }
}
