package org.ysometron.core.claim;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.working.Working;

/**
 * A verdict with all that led to it.
 *
 * @param verdict what the evidence says of the claim
 * @param reason the verdict in a sentence with its numbers
 * @param n specimens that count
 * @param bounds how many of them are lower bounds
 * @param excluded specimens kept but not counted
 * @param mean estimate of the mean or ratio; empty when there is none
 * @param sd scatter of single values; empty when there is none
 * @param lower lower one-sided bound; empty when none can be had
 * @param upper upper one-sided bound; empty when none can be had
 * @param confidence one-sided confidence of the bounds; that of this look where more than one was planned, 0 without bounds
 * @param probability probability that the true value meets the claim, given the data and no prior knowledge (JCGM 106)
 * @param moreSpecimens extra specimens expected to settle an open claim; empty when settled or when none would
 * @param working the steps
 */
public record Judgement(
        Verdict verdict,
        String reason,
        int n,
        int bounds,
        int excluded,
        OptionalDouble mean,
        OptionalDouble sd,
        OptionalDouble lower,
        OptionalDouble upper,
        double confidence,
        OptionalDouble probability,
        OptionalInt moreSpecimens,
        Working working) {

    /** The same with another sentence. */
    Judgement saying(String words) {
        return new Judgement(
                verdict,
                words,
                n,
                bounds,
                excluded,
                mean,
                sd,
                lower,
                upper,
                confidence,
                probability,
                moreSpecimens,
                working);
    }

    /** The judgement that nothing countable was tested. */
    static Judgement notTested(int excluded) {
        String reason = excluded == 0
                ? "No specimen has been tested yet."
                : "No specimen counts: " + excluded + " tested, all excluded with their causes.";
        return without(Verdict.NOT_TESTED, reason, excluded);
    }

    /** A verdict that rests on no figures. */
    static Judgement without(Verdict verdict, String reason, int excluded) {
        OptionalDouble none = OptionalDouble.empty();
        return new Judgement(
                verdict, reason, 0, 0, excluded, none, none, none, none, 0, none, OptionalInt.empty(), Working.NONE);
    }
}
