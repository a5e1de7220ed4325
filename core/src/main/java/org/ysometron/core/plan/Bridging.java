package org.ysometron.core.plan;

import java.util.OptionalDouble;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;

/**
 * A bridging study: the same lots by the old and the new way (rig, fixture, printer, method revision), paired, so that the
 * lots' own differences cancel. Decides by the interval of the mean difference whether both may share a chart.
 *
 * <p>The two-sided 90 % interval of the mean difference is the pair of one-sided 5 % tests for equivalence (TOST,
 * Schuirmann 1987, from memory): equivalent when it lies within ± the margin.
 *
 * @param lots pairs
 * @param difference mean of new minus old
 * @param sd standard deviation of the differences
 * @param lower lower end of the 90 % interval
 * @param upper upper end
 * @param finding what follows
 */
public record Bridging(int lots, double difference, double sd, double lower, double upper, Finding finding) {

    /** What a bridging study can find. */
    public enum Finding {
        /** Within the margin as they are. */
        SHARE("may share a chart as they are"),
        /** Known closely enough to take the difference off. */
        SHARE_WITH_OFFSET("may share a chart once the difference is taken off"),
        /** Not known closely enough. */
        APART("must stay apart: the difference is not known closely enough");

        private final String words;

        Finding(String words) {
            this.words = words;
        }

        /** The finding in words. */
        public String words() {
            return words;
        }
    }

    /** Lots below which nothing is decided (common practice, no source). */
    public static final int LEAST_LOTS = 3;

    /**
     * Compares.
     *
     * @param old results by the old way, one a lot, at least three
     * @param fresh results by the new way, same lots in the same order
     * @param margin largest difference that would not matter, in the same unit, above 0
     * @param claimDistance distance of the old way's mean from the nearest edge of the claim, above 0; empty where nothing is
     *     claimed: a difference that takes more than half of it matters (common practice, no source)
     */
    public static Bridging of(double[] old, double[] fresh, double margin, OptionalDouble claimDistance) {
        if (claimDistance.isPresent() && margin > claimDistance.getAsDouble() / 2) {
            throw new IllegalArgumentException("a margin of " + Figures.significant(margin, 3)
                    + " is more than half of what lies between the means and the claim's edge, "
                    + Figures.significant(claimDistance.getAsDouble(), 3) + ": such a difference matters");
        }
        return of(old, fresh, margin);
    }

    /** Compares where nothing is claimed. */
    static Bridging of(double[] old, double[] fresh, double margin) {
        if (old.length != fresh.length || old.length < LEAST_LOTS || !(margin > 0)) {
            throw new IllegalArgumentException("a bridging study needs the same " + LEAST_LOTS
                    + " lots or more by both ways, and a margin above zero");
        }
        double[] differences = new double[old.length];
        for (int i = 0; i < old.length; i++) {
            differences[i] = fresh[i] - old[i];
        }
        Summary summary = Summary.of(differences);
        double sd = summary.sd().orElseThrow();
        double half = StudentT.quantile(0.95, summary.n() - 1.0) * sd / Math.sqrt(summary.n());
        double lower = summary.mean() - half;
        double upper = summary.mean() + half;
        Finding finding = lower > -margin && upper < margin
                ? Finding.SHARE
                : half < margin ? Finding.SHARE_WITH_OFFSET : Finding.APART;
        return new Bridging(summary.n(), summary.mean(), sd, lower, upper, finding);
    }

    /** Whether the two ways are known to differ, however little it matters. */
    public boolean isDifferent() {
        return lower > 0 || upper < 0;
    }

    /** Standard uncertainty of the difference, which goes into whatever it is taken off from. */
    public double uncertainty() {
        return uncertainty(lots, lower, upper);
    }

    /**
     * Standard uncertainty of a mean difference from its 90 % interval.
     *
     * @param lots pairs behind it, at least {@value #LEAST_LOTS}
     */
    public static double uncertainty(int lots, double lower, double upper) {
        return (upper - lower) / 2 / StudentT.quantile(0.95, lots - 1.0);
    }

    /** The finding with its numbers, in a sentence. */
    public String sentence(String unit) {
        String suffix = Figures.unit(unit);
        return "Over " + lots + " lots new minus old is " + Figures.significant(difference, 3) + suffix + ", 90 % "
                + Figures.significant(lower, 3) + " to " + Figures.significant(upper, 3) + suffix + ": they "
                + finding.words() + "."
                + (finding == Finding.SHARE && isDifferent()
                        ? " They are known to differ all the same: taking the difference off is the cleaner way."
                        : "");
    }
}
