package org.ysometron.core.claim;

import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.ysometron.core.working.Step;

/**
 * What holds of a verdict whatever it is about.
 *
 * <p><b>Supported</b>: the bound that faces the claim's edge lies inside it and n reaches the claim's minimum.
 * <b>Contradicted</b>: the opposite bound lies outside it. <b>Open</b>: anything else. The bound acts as a guard band for the
 * supplier's account: JCGM 106:2012, clause 8, applied to the uncertainty of the estimate, sampling included. ({@link
 * MeanVerdict}, {@link RatioVerdict}, {@link PartsVerdict}, {@link LengthVerdict}.)
 */
public final class Verification {

    private Verification() {}

    /** A judgement on specimens whose results do not count yet: it stays open and says what it would be. */
    public static Judgement provisional(Judgement judgement, List<String> reasons) {
        String why = String.join("; ", reasons);
        return unsettled(judgement, "Provisional (" + why + ")", why);
    }

    /** The judgement where conditions differ so that claim and evidence cannot be compared. */
    public static Judgement notComparable(List<Conditions.Mismatch> mismatches, int excluded) {
        String reason = mismatches.stream().map(Conditions.Mismatch::words).collect(Collectors.joining("; "));
        return Judgement.without(Verdict.NOT_COMPARABLE, "Not comparable. " + reason + ".", excluded);
    }

    /**
     * A judgement on evidence whose conditions differ in a way that does not bar comparison: it points somewhere and
     * settles nothing, so that a verdict is never reached across conditions.
     */
    public static Judgement indicative(Judgement judgement, List<Conditions.Mismatch> mismatches) {
        String words = mismatches.stream().map(Conditions.Mismatch::words).collect(Collectors.joining("; "));
        return mismatches.isEmpty() ? judgement : unsettled(judgement, "Indicative only (" + words + ")", words);
    }

    /**
     * A judgement while specimens are left that were written down for it: n is what was made for the look, so that nobody stops
     * as soon as it passes. What contradicts need not wait for them.
     *
     * @param left specimens not tested yet, at least 0
     */
    public static Judgement unfinished(Judgement judgement, int left) {
        if (left == 0 || judgement.verdict() != Verdict.SUPPORTED) {
            return judgement;
        }
        String how = left + " of the specimens made for it " + (left == 1 ? "is" : "are") + " not tested yet";
        Judgement open = unsettled(judgement, how, "n was fixed when the specimens were written down");
        return new Judgement(
                open.verdict(),
                open.reason(),
                open.n(),
                open.bounds(),
                open.excluded(),
                open.mean(),
                open.sd(),
                open.lower(),
                open.upper(),
                open.confidence(),
                open.probability(),
                OptionalInt.of(left),
                open.working());
    }

    /**
     * The judgement where specimens were tested and none of them gives the figure.
     *
     * @param tested how many, at least 1
     * @param why in words, such as a master that nobody signed
     */
    public static Judgement withoutFigure(int tested, String why) {
        return Judgement.without(
                Verdict.NOT_TESTED,
                tested + (tested == 1 ? " specimen was" : " specimens were") + " tested, and none gives it: " + why
                        + ".",
                0);
    }

    static Judgement unsettled(Judgement judgement, String how, String why) {
        boolean settled = judgement.verdict() == Verdict.SUPPORTED || judgement.verdict() == Verdict.CONTRADICTED;
        return new Judgement(
                settled ? Verdict.OPEN : judgement.verdict(),
                how + (settled ? ": would be " + judgement.verdict().words() : "") + ". " + judgement.reason(),
                judgement.n(),
                judgement.bounds(),
                judgement.excluded(),
                judgement.mean(),
                judgement.sd(),
                judgement.lower(),
                judgement.upper(),
                judgement.confidence(),
                judgement.probability(),
                settled ? OptionalInt.empty() : judgement.moreSpecimens(),
                judgement.working().then(Step.note("settles nothing", why)));
    }
}
