package org.ysometron.core.surprise;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Single results that lie farther from the others of their set than sound specimens let expect: flags, never deletions.
 *
 * <p>Each value is measured against the others, t = (x − x̄)/(s·√(1 + 1/m)) with the m others' mean and scatter, and the farthest has
 * p = n·2·P(T > |t|). That is Grubbs' test in another form, G = (n−1)/√n·√(t²/(n−2+t²)); where the scatter within earlier lots is known it is pooled
 * with the others' own, which is what makes a set of five say anything of its fifth. For more than one the farthest is left out and the
 * next looked for: as many are flagged as the last one beyond the level (generalised ESD). Rosner's own critical values let two in a hundred too many
 * pass at n = 8 (simulated; he gave them for n of 25 and more), so the farthest has four fifths of the level and the next share the rest. What a set scatters by the display's steps alone
 * is no measure: where all the others are alike and nothing is known from before, nothing is flagged.
 *
 * <p>Sources: F. E. Grubbs, Technometrics 11, 1969; B. Rosner, Technometrics 25, 1983 (ISO 16269-4); the two levels are the stragglers and outliers of
 * ISO 5725-2.
 *
 * @param odd those beyond 5 %, farthest first
 * @param steps every value that was tried, farthest first
 */
public record OddResults(List<Odd> odd, List<Odd> steps) {

    /** Beyond this it is a straggler: shown. */
    public static final double STRAGGLER = 0.05;

    /** Beyond this it is an outlier: somebody answers it. */
    public static final double OUTLIER = 0.01;

    /** Two values do not say which of them is odd. */
    public static final int LEAST = 3;

    /** Part of the level that the farthest has where more than one is looked for; the next ones share the rest. */
    private static final double FIRST = 0.8;

    private static final int SHARE = 4;
    private static final int MOST = 5;

    /** Copies the lists. */
    public OddResults {
        odd = List.copyOf(odd);
        steps = List.copyOf(steps);
    }

    /**
     * A result far from the others.
     *
     * @param index in its set, from 0
     * @param value the result
     * @param others mean of the others
     * @param t its distance from them in standard errors
     * @param freedom degrees of freedom of that
     * @param p probability that the farthest of so many sound values lies as far
     */
    public record Odd(int index, double value, double others, double t, double freedom, double p) {

        /** Whether somebody has to answer it. */
        public boolean isOutlier() {
            return p <= OUTLIER;
        }
    }

    /** Looks at a set; at fewer than {@value #LEAST} values nothing is tried. */
    public static OddResults of(SetOfResults set) {
        List<Odd> steps = new ArrayList<>();
        List<Integer> left = new ArrayList<>(IntStream.range(0, set.n()).boxed().toList());
        int most = Math.max(1, Math.min(MOST, set.n() / SHARE));
        while (steps.size() < most && left.size() >= LEAST) {
            Optional<Odd> farthest = farthest(set, left);
            if (farthest.isEmpty()) {
                break;
            }
            steps.add(farthest.get());
            left.remove(Integer.valueOf(farthest.get().index));
        }
        // One that a second like it had hidden is as odd as that second.
        double least = 1;
        for (int i = steps.size() - 1; i >= 0; i--) {
            Odd one = steps.get(i);
            double part = most == 1 ? 1 : i == 0 ? FIRST : (1 - FIRST) / (most - 1);
            least = Math.min(least, one.p / part);
            steps.set(i, new Odd(one.index, one.value, one.others, one.t, one.freedom, least));
        }
        return new OddResults(steps.stream().filter(one -> one.p <= STRAGGLER).toList(), steps);
    }

    /** Those that somebody has to answer. */
    public List<Odd> outliers() {
        return odd.stream().filter(Odd::isOutlier).toList();
    }

    private static Optional<Odd> farthest(SetOfResults set, List<Integer> left) {
        double[] values = left.stream().mapToDouble(i -> set.values()[i]).toArray();
        Summary all = Summary.of(values);
        int at = Collections.max(
                IntStream.range(0, values.length).boxed().toList(),
                java.util.Comparator.comparingDouble(i -> Math.abs(values[i] - all.mean())));
        Summary others = Summary.of(IntStream.range(0, values.length)
                .filter(i -> i != at)
                .mapToDouble(i -> values[i])
                .toArray());
        double earlier = set.history().map(History::freedom).orElse(0.0);
        double known = set.history().map(History::sd).orElse(0.0);
        double freedom = values.length - 2 + earlier;
        double own = others.isAlike() ? 0 : others.sd().orElse(0);
        double variance = ((values.length - 2) * own * own + earlier * known * known) / freedom;
        if (!(variance > 0) || !Double.isFinite(variance)) {
            return Optional.empty();
        }
        double t = (values[at] - others.mean()) / Math.sqrt(variance * (1 + 1.0 / (values.length - 1)));
        double p = Math.min(1, values.length * 2 * StudentT.cumulative(-Math.abs(t), freedom));
        return Optional.of(new Odd(left.get(at), values[at], others.mean(), t, freedom, p));
    }

    /** The steps of the farthest, where one was tried, with how many are outliers. */
    public Working working() {
        Step outliers = Step.of(
                "outliers", "", "as many as the last one below 1 %", outliers().size(), "ISO 5725-2");
        if (steps.isEmpty()) {
            return Working.of(outliers);
        }
        Odd first = steps.get(0);
        return Working.of(
                Step.of("mean of the others", "x̄", "", first.others),
                Step.of("distance of the farthest from them", "t", "(x − x̄)/(s·√(1 + 1/m))", first.t, "Grubbs 1969"),
                Step.of("degrees of freedom, earlier lots' among them", "ν", "", first.freedom),
                Step.of("probability for the farthest of so many", "p", "n·2·P(T > |t|)", first.p, "Rosner 1983"),
                outliers);
    }
}
