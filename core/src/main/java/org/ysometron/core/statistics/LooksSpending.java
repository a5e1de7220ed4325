package org.ysometron.core.statistics;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.Remembered;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * What looking again costs: the one-sided level of each look so that all looks together keep the level that was asked for.
 *
 * <p>Planned with Pocock's constant boundary for equally spaced looks (S. J. Pocock, Biometrika 64, 1977), which leaves most
 * to the first look, where most lots are settled; spent as Lan and DeMets (Biometrika 70, 1983) at the numbers of specimens
 * that the looks really had. The recursion is that of Armitage, McPherson and Rowe (Journal of the Royal Statistical Society A
 * 132, 1969). That is exact for a known scatter; with Student's t at the same level per look all looks together take a little
 * more, so the level is planned a little lower. What is kept is simulated at n = 5 in the tests.
 */
public final class LooksSpending {

    /** More looks than this are planned by nobody. */
    public static final int MOST = 3;

    /** From so many specimens on at the first look the level is planned as {@link #SMALL}, with fewer as {@link #SMALLEST}. */
    private static final int FEW = 5;

    private static final double SMALL = 0.94;
    private static final double SMALLEST = 0.88;
    private static final double FAR = 9;
    private static final Remembered<Asked> KNOWN = new Remembered<>(LooksSpending::spent);
    private static final int PIECES = 6;

    private LooksSpending() {}

    /**
     * The level of one look at which Pocock's boundary keeps the level of all, for equally spaced looks.
     *
     * @param looks how many are planned, 1 to {@link #MOST}
     * @param level of all looks together, 0.001 to 0.5
     */
    public static double constant(int looks, double level) {
        if (looks < 1 || looks > MOST || !(level >= 5e-4 && level <= 0.5)) {
            throw new IllegalArgumentException("one to three looks and a level from 0.0005 to 0.5 are needed");
        }
        if (looks == 1) {
            return level;
        }
        double z = solve(c -> {
            double[] information = new double[looks];
            double[] edges = new double[looks];
            for (int i = 0; i < looks; i++) {
                information[i] = i + 1.0;
                edges[i] = c;
            }
            double crossed = 0;
            for (int i = 0; i < looks; i++) {
                crossed += crossing(information, edges, i);
            }
            return crossed - level;
        });
        return StandardNormal.below(-z);
    }

    /**
     * The level of the last of some looks, given where they were and that each before it had its own.
     *
     * @param planned how many looks were planned, 1 to {@link #MOST}, at least as many as there were
     * @param level of all looks together, 0.001 to 0.5
     * @param sizes specimens at each look so far, rising
     */
    public static double last(int planned, double level, int... sizes) {
        if (sizes.length < 1 || sizes.length > planned) {
            throw new IllegalArgumentException("at least one look and no more than were planned are needed");
        }
        for (int i = 1; i < sizes.length; i++) {
            if (sizes[i] <= sizes[i - 1]) {
                throw new IllegalArgumentException("each look has more specimens than the one before");
            }
        }
        if (planned == 1) {
            return level;
        }
        Asked asked = new Asked(planned, level, Arrays.stream(sizes).boxed().toList());
        return KNOWN.of(asked);
    }

    private record Asked(int planned, double level, List<Integer> sizes) {}

    private static double spent(Asked asked) {
        int planned = asked.planned;
        int[] sizes = asked.sizes.stream().mapToInt(Integer::intValue).toArray();
        double constant = constant(planned, asked.level * (sizes[0] < FEW ? SMALLEST : SMALL));
        double[] share = planned(planned, constant);
        double[] information = new double[sizes.length];
        double[] edges = new double[sizes.length];
        for (int look = 0; look < sizes.length; look++) {
            information[look] = sizes[look];
            int at = look;
            double spent = share[look];
            edges[look] = solve(c -> {
                edges[at] = c;
                return crossing(information, edges, at) - spent;
            });
        }
        return StandardNormal.below(-edges[sizes.length - 1]);
    }

    /** What each planned look spends, the looks being equally spaced. */
    private static double[] planned(int looks, double constant) {
        double z = -StandardNormal.quantile(constant);
        double[] information = new double[looks];
        double[] edges = new double[looks];
        double[] share = new double[looks];
        for (int i = 0; i < looks; i++) {
            information[i] = i + 1.0;
            edges[i] = z;
            share[i] = crossing(information, edges, i);
        }
        return share;
    }

    private static double solve(org.hipparchus.analysis.UnivariateFunction function) {
        return new BracketingNthOrderBrentSolver(1e-12, 1e-12, 5).solve(200, function, -1, 8);
    }

    /** Probability to be below the edge at every look before and above it at this one, on the edge of the claim. */
    private static double crossing(double[] information, double[] edges, int look) {
        if (look == 0) {
            return StandardNormal.below(-edges[0]);
        }
        // Densities of the score √I·z below the edge, carried from look to look by independent increments.
        double first = Math.sqrt(information[0]);
        Panels at = Panels.even(-FAR * first, edges[0] * first, PIECES);
        double[] density = new double[at.size()];
        for (int i = 0; i < density.length; i++) {
            density[i] = StandardNormal.density(at.at(i) / first) / first;
        }
        for (int step = 1; step < look; step++) {
            double root = Math.sqrt(information[step]);
            Panels next = Panels.even(-FAR * root, edges[step] * root, PIECES);
            double spread = Math.sqrt(information[step] - information[step - 1]);
            double[] carried = new double[next.size()];
            for (int j = 0; j < carried.length; j++) {
                for (int i = 0; i < density.length; i++) {
                    carried[j] += at.weight(i)
                            * density[i]
                            * StandardNormal.density((next.at(j) - at.at(i)) / spread)
                            / spread;
                }
            }
            at = next;
            density = carried;
        }
        double spread = Math.sqrt(information[look] - information[look - 1]);
        double edge = edges[look] * Math.sqrt(information[look]);
        double sum = 0;
        for (int i = 0; i < density.length; i++) {
            sum += at.weight(i) * density[i] * StandardNormal.below((at.at(i) - edge) / spread);
        }
        return sum;
    }
}
