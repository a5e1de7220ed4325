package org.ysometron.core.claim;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Whether a length bears a claim about every place of it. Content and confidence are the same however it was measured, so that
 * measuring less never helps: throughout, the share outside is known and is compared with what may lie outside; at some
 * places by hand, the tolerance bounds of those places for the same share decide ({@link PartsVerdict}). What is counted are
 * spools.
 */
public final class LengthVerdict {

    /** Share of a length that has to lie inside (common practice, no source). */
    public static final double SHARE = 0.999;

    private LengthVerdict() {}

    /**
     * Judges a length that was measured throughout.
     *
     * @param spoolMeans mean of each spool, at least one
     * @param shareOutside largest share of a spool's length outside the claim, 0 to 1
     * @param counts what was counted, in words
     */
    public static Judgement ofLog(Requirement claim, double[] spoolMeans, double shareOutside, String counts) {
        if (!(shareOutside >= 0 && shareOutside <= 1)) {
            throw new IllegalArgumentException("a share outside from 0 to 1 is needed, got " + shareOutside);
        }
        Summary summary = Summary.of(spoolMeans);
        boolean inside = shareOutside <= 1 - SHARE + 1e-12;
        boolean meansInside = claim.holds(summary.least()) && claim.holds(summary.greatest());
        boolean enough = summary.n() >= claim.minimumN();
        Verdict verdict = !inside || !meansInside ? Verdict.CONTRADICTED : enough ? Verdict.SUPPORTED : Verdict.OPEN;
        int missing = claim.minimumN() - summary.n();
        String few = verdict == Verdict.OPEN
                ? " " + summary.n() + (summary.n() == 1 ? " spool is" : " spools are")
                        + " below the claim's minimum of " + claim.minimumN() + ": " + missing + " more."
                : "";
        return new Judgement(
                verdict,
                reason(claim, summary, shareOutside, meansInside, counts) + few,
                summary.n(),
                0,
                0,
                OptionalDouble.of(summary.mean()),
                summary.sd(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                0,
                OptionalDouble.empty(),
                verdict == Verdict.OPEN ? OptionalInt.of(missing) : OptionalInt.empty(),
                working(claim, summary, shareOutside, counts));
    }

    /**
     * Judges a length by places measured on it.
     *
     * @param places single places, with what their gauge is uncertain by
     * @param spools spools that they are on, at least 1
     */
    public static Judgement ofPlaces(Requirement claim, Evidence places, int spools) {
        return PartsVerdict.of(claim, places, SHARE, new PartsVerdict.Counted(spools, "spool", "place"));
    }

    private static String reason(
            Requirement claim, Summary summary, double shareOutside, boolean meansInside, String counts) {
        String percent = Figures.plain(100 * shareOutside, 3) + " %";
        String unknown = summary.n() == 1 ? " One spool only: what varies between spools is unknown." : "";
        String mean = meansInside
                ? ""
                : " The mean of a spool, "
                        + Conclusion.with(claim.holds(summary.least()) ? summary.greatest() : summary.least(), claim)
                        + ", lies outside by itself.";
        return percent + " of the length lies outside the claim (" + claim.words() + "); at most "
                + Figures.plain(100 * (1 - SHARE), 2) + " % may." + mean + " " + counts + "." + unknown;
    }

    private static Working working(Requirement claim, Summary summary, double shareOutside, String counts) {
        return Working.of(
                new Step("mean of the spools", "d̄", "mean of their means", "", summary.mean(), claim.unit(), ""),
                new Step(
                        "largest share of a spool's length outside",
                        "",
                        "length outside over length",
                        counts,
                        shareOutside,
                        "",
                        "limit 0.1 %: common practice, no source"));
    }
}
