package org.ysometron.core.claim;

import java.util.Arrays;
import org.ysometron.core.statistics.LooksSpending;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;

/**
 * How often a claim may be judged, fixed before the first result, and where the looks were. Testing one more until it passes
 * calls a mean on the edge supported in 14 % of lots instead of 5 %: a look that is taken again is paid for.
 *
 * @param planned looks that were planned, 1 to {@link LooksSpending#MOST}
 * @param earlier specimens at each earlier look that could have ended the test, rising
 */
public record Looks(int planned, int... earlier) {

    /** Judged once, n being what was planned. */
    public static final Looks ONCE = new Looks(1);

    /** Checks the ranges. */
    public Looks {
        earlier = earlier.clone();
        if (planned < 1 || planned > LooksSpending.MOST) {
            throw new IllegalArgumentException(
                    "one to " + LooksSpending.MOST + " looks can be planned, got " + planned);
        }
        for (int i = 0; i < earlier.length; i++) {
            if (earlier[i] < 2 || (i > 0 && earlier[i] <= earlier[i - 1])) {
                throw new IllegalArgumentException("looks have rising numbers of specimens, two at least");
            }
        }
    }

    /** Specimens at each earlier look. */
    @Override
    public int[] earlier() {
        return earlier.clone();
    }

    /** Whether a look at n specimens is one more than were planned. */
    boolean isUnplanned(int n) {
        return counted(n).length + 1 > planned;
    }

    /** One-sided confidence of a look at n specimens, so that all looks together keep the claim's. */
    double confidence(double ofAll, int n) {
        if (planned == 1 || isUnplanned(n) || n < 2) {
            return ofAll;
        }
        int[] before = counted(n);
        int[] sizes = Arrays.copyOf(before, before.length + 1);
        sizes[before.length] = n;
        return 1 - LooksSpending.last(planned, 1 - ofAll, sizes);
    }

    /** Which of the planned looks one at n specimens is, in words; empty where one was planned. */
    String words(int n) {
        return planned == 1 ? "" : "look " + Math.min(planned, counted(n).length + 1) + " of " + planned;
    }

    Step step(double ofAll, int n) {
        return Step.of(
                "confidence of this look (" + words(n) + ")",
                "γ",
                "all looks together " + Figures.significant(100 * ofAll, 4) + " %",
                confidence(ofAll, n),
                "Pocock 1977, spent as Lan and DeMets 1983");
    }

    /** Earlier looks at fewer specimens: one at as many saw what this one sees. */
    private int[] counted(int n) {
        return Arrays.stream(earlier).filter(size -> size < n).toArray();
    }
}
