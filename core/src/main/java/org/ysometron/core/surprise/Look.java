package org.ysometron.core.surprise;

/**
 * What is looked for in a lot's results without being asked. Each has a statistic whose chance among sound specimens is known, and a number of values below
 * which it is not looked for.
 */
public enum Look {
    /** Best division of the ordered values into two groups of two or more; by simulation for each n. */
    TWO_GROUPS(
            "two groups",
            "do the results fall into two groups?",
            6,
            "B/T, the share of the sum of squares between the best two groups",
            "Whether two cures, plates, spools or rolls of labels went into one set: compare what is recorded of the two groups."),
    /** Analysis of variance over something recorded. */
    BY_FACTOR(
            "goes with something recorded",
            "do the results go with their sample, place, cure, instrument, or who tested them?",
            4,
            "F, between what is recorded over within it",
            "Whether that is the cause or goes with the cause: what changed from one to the other, and was the order of the tests mixed?"),
    /** Slope over the order of the tests, by t. */
    IN_ORDER(
            "goes with the order of the tests",
            "do the results climb or fall in the order of the tests?",
            5,
            "r, the correlation with the order",
            "The zero before and after, the room and the gauge warming up, grips wearing; and whether what was made first was tested first."),
    /** Mean and median apart, in standard deviations; by simulation for each n. */
    LEANS(
            "mean and median apart",
            "do mean and median lie apart?",
            8,
            "|mean − median|/s",
            "A few specimens pull the mean to one side. The mean says less then than the worst specimen: look at fracture faces of the far ones."),
    /** Scatter above that of earlier lots. */
    WIDE(
            "scatter beyond the earlier lots",
            "do the results scatter more than within the earlier lots?",
            3,
            "F = s²/s_r²",
            "Grips, alignment, the print and the mixing of the lot. A wide lot needs more specimens for the same word."),
    /** Scatter below that of earlier lots. */
    ALIKE(
            "too alike",
            "are the results more alike than any earlier lot's?",
            4,
            "F = s²/s_r²",
            "Whether each was read, or one written down several times; whether the display was held or rounded."),
    /** Upright above flat. */
    UPRIGHT(
            "upright above flat",
            "is what was printed upright stronger than what was printed flat?",
            2,
            "t of the difference (Welch)",
            "Whether orientations were swapped when labels were written: layers lie across the pull in an upright specimen."),
    /** Last digits that repeat. */
    DIGITS(
            "last digits that repeat",
            "does one last digit come more often than chance allows?",
            20,
            "count of the commonest last digit",
            "Whether the display was rounded by eye, or read at its coarse scale: the last digit of a display is as good as random.");

    private final String words;
    private final String question;
    private final int least;
    private final String statistic;
    private final String check;

    Look(String words, String question, int least, String statistic, String check) {
        this.words = words;
        this.question = question;
        this.least = least;
        this.statistic = statistic;
        this.check = check;
    }

    /** What it is called. */
    public String words() {
        return words;
    }

    /** What it asks. */
    public String question() {
        return question;
    }

    /** Fewest values that it is looked for in; of each set for upright above flat, of readings for digits. */
    public int least() {
        return least;
    }

    /** What is worked out. */
    public String statistic() {
        return statistic;
    }

    /** What to look at when it is found. */
    public String check() {
        return check;
    }
}
