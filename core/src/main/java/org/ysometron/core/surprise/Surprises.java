package org.ysometron.core.surprise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hipparchus.distribution.continuous.FDistribution;
import org.hipparchus.distribution.discrete.BinomialDistribution;
import org.ysometron.core.plan.PlaceEffect;
import org.ysometron.core.statistics.Holm;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.TTest;
import org.ysometron.core.statistics.Trend;

/**
 * Everything that was looked for in a lot's results, all of it together at one level: the probabilities are corrected for one another (Holm), so that a lot
 * of sound specimens is called surprising no more often than that, however much was looked for. A set is looked at without its outliers, which are flagged by
 * themselves.
 *
 * <p>Source: S. Holm, Scandinavian Journal of Statistics 6, 1979; each {@link Look} has its own.
 *
 * @param tried everything that was looked for, least probable first
 * @param tooFew what was not looked for, for want of values
 * @param level of all together
 */
public record Surprises(List<Tried> tried, List<TooFew> tooFew, double level) {

    /** A lot of sound specimens is called surprising no more often than this. */
    public static final double LEVEL = 0.05;

    /** Last digits are as good as random only where the readings differ by as many of their steps (common practice, no source). */
    public static final int STEPS = 5;

    private static final int DIGITS = 10;

    /** Copies the lists. */
    public Surprises {
        tried = List.copyOf(tried);
        tooFew = List.copyOf(tooFew);
    }

    /**
     * A lot's results.
     *
     * @param sets each of one comparability key
     * @param uprights which of them is upright, and which flat under the same terms otherwise
     * @param displays what one sort of display read, all specimens together
     */
    public record Lot(List<SetOfResults> sets, List<Pair> uprights, List<Display> displays) {

        /** Copies the lists. */
        public Lot {
            sets = List.copyOf(sets);
            uprights = List.copyOf(uprights);
            displays = List.copyOf(displays);
        }
    }

    /**
     * Two sets beside one another.
     *
     * @param upright index of the one
     * @param flat index of the other
     */
    public record Pair(int upright, int flat) {}

    /**
     * Readings of one display by the steps that it shows, such as 5274 for 527.4 N.
     *
     * @param name what it reads
     * @param readings in whole steps
     */
    public record Display(String name, long[] readings) {

        /** Copies the readings. */
        public Display {
            readings = readings.clone();
        }
    }

    /**
     * Something that was looked for.
     *
     * @param look what
     * @param set index of its set, of the upright one of two; −1 for a display
     * @param within by what recorded thing, of which display or beside which set; empty for others
     * @param statistic what was worked out
     * @param n of how many values
     * @param p its probability among sound specimens, looked for alone
     * @param adjusted the same for everything looked for in the lot
     * @param members values that stand apart, indices into the set: the lower of two groups; empty for other looks
     */
    public record Tried(
            Look look,
            int set,
            String within,
            double statistic,
            int n,
            double p,
            double adjusted,
            List<Integer> members) {

        /** Copies the members. */
        public Tried {
            members = List.copyOf(members);
        }

        private Tried at(double all) {
            return new Tried(look, set, within, statistic, n, p, all, members);
        }
    }

    /**
     * Something that was not looked for.
     *
     * @param look what
     * @param set index of its set; −1 for a display
     * @param n how many values there are
     */
    public record TooFew(Look look, int set, int n) {}

    /** What is less probable, with everything looked for, than the level. */
    public List<Tried> seen() {
        return tried.stream().filter(one -> one.adjusted <= level).toList();
    }

    /** Looks at a lot, the first time at a new n for some tens of milliseconds. */
    public static Surprises of(Lot lot) {
        return of(lot, LEVEL);
    }

    /**
     * Looks at a lot.
     *
     * @param level above 0 and below 1
     */
    public static Surprises of(Lot lot, double level) {
        if (!(level > 0 && level < 1)) {
            throw new IllegalArgumentException("a level is above 0 and below 1, got " + level);
        }
        Search search = new Search();
        List<SetOfResults> sound = new ArrayList<>();
        for (int i = 0; i < lot.sets.size(); i++) {
            SetOfResults all = lot.sets.get(i);
            List<Integer> out = OddResults.of(all).outliers().stream()
                    .map(OddResults.Odd::index)
                    .toList();
            SetOfResults set = all.without(out);
            sound.add(set);
            search.in(set, i, kept(all.n(), out));
        }
        lot.uprights.forEach(pair -> search.upright(pair, sound));
        lot.displays.forEach(search::digits);
        double[] adjusted =
                Holm.adjust(search.tried.stream().mapToDouble(Tried::p).toArray());
        return new Surprises(
                IntStream.range(0, adjusted.length)
                        .mapToObj(i -> search.tried.get(i).at(adjusted[i]))
                        .sorted(Comparator.comparingDouble(Tried::p))
                        .toList(),
                search.tooFew,
                level);
    }

    private static List<Integer> kept(int n, List<Integer> out) {
        return IntStream.range(0, n).filter(i -> !out.contains(i)).boxed().toList();
    }

    /** The looks, each at its own place. */
    private static final class Search {

        private final List<Tried> tried = new ArrayList<>();
        private final List<TooFew> tooFew = new ArrayList<>();

        void in(SetOfResults set, int at, List<Integer> own) {
            if (set.n() == 0) {
                return;
            }
            if (set.n() >= 2 && !Summary.of(set.values()).isAlike()) {
                shapes(set, at, own);
                order(set, at);
            }
            scatter(set, at);
            factors(set, at);
        }

        private boolean isEnough(Look look, SetOfResults set, int at) {
            if (set.n() < look.least()) {
                tooFew.add(new TooFew(look, at, set.n()));
                return false;
            }
            return true;
        }

        private void add(Look look, int at, double statistic, int n, double p) {
            tried.add(new Tried(look, at, "", statistic, n, p, p, List.of()));
        }

        private void shapes(SetOfResults set, int at, List<Integer> own) {
            if (set.isCoarse()) {
                return;
            }
            int n = set.n();
            List<Integer> order = IntStream.range(0, n)
                    .boxed()
                    .sorted(Comparator.comparingDouble(i -> set.values()[i]))
                    .toList();
            double[] sorted = order.stream().mapToDouble(i -> set.values()[i]).toArray();
            if (isEnough(Look.TWO_GROUPS, set, at)) {
                Shapes.Division found = Shapes.divided(sorted);
                tried.add(new Tried(
                        Look.TWO_GROUPS,
                        at,
                        "",
                        found.share(),
                        n,
                        Shapes.ofDivision(found.share(), n),
                        1,
                        order.subList(0, found.lower()).stream().map(own::get).toList()));
            }
            if (isEnough(Look.LEANS, set, at)) {
                double leaning = Shapes.leaning(sorted);
                add(Look.LEANS, at, leaning, n, Shapes.ofLeaning(leaning, n));
            }
        }

        private void order(SetOfResults set, int at) {
            if (isEnough(Look.IN_ORDER, set, at)) {
                double[] places = IntStream.range(0, set.n()).asDoubleStream().toArray();
                Trend trend = Trend.of(places, set.values());
                double correlation = Math.copySign(Math.sqrt(trend.determination()), trend.slope());
                add(Look.IN_ORDER, at, correlation, set.n(), trend.p());
            }
        }

        private void scatter(SetOfResults set, int at) {
            Optional<History> history = set.history();
            if (history.isEmpty()) {
                return;
            }
            double known = history.get().sd();
            if (isEnough(Look.WIDE, set, at)) {
                double own = Summary.of(set.values()).sd().orElse(0);
                double f = own / known * (own / known);
                FDistribution chance =
                        new FDistribution(set.n() - 1, history.get().freedom());
                double below = chance.cumulativeProbability(f);
                add(Look.WIDE, at, f, set.n(), Math.max(0, 1 - below));
                if (isEnough(Look.ALIKE, set, at)) {
                    add(Look.ALIKE, at, f, set.n(), below);
                }
            }
        }

        private void factors(SetOfResults set, int at) {
            // Two names of one division are one look: which of them it is nobody can tell.
            Map<List<Integer>, List<String>> divisions = new LinkedHashMap<>();
            set.groupings().forEach(grouping -> divisions
                    .computeIfAbsent(grouping.division(), division -> new ArrayList<>())
                    .add(grouping.name()));
            divisions.forEach((division, names) -> {
                if (division.stream().distinct().count() > 1 && isEnough(Look.BY_FACTOR, set, at)) {
                    byFactor(set, division)
                            .ifPresent(effect -> tried.add(new Tried(
                                    Look.BY_FACTOR,
                                    at,
                                    String.join(" or ", names),
                                    effect.f(),
                                    effect.n(),
                                    effect.p(),
                                    1,
                                    List.of())));
                }
            });
        }

        /** Groups of one are left out, as on the maps of places. */
        private static Optional<PlaceEffect> byFactor(SetOfResults set, List<Integer> division) {
            Map<Integer, Long> sizes =
                    division.stream().collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
            int[] own = IntStream.range(0, set.n())
                    .filter(i -> sizes.getOrDefault(division.get(i), 0L) > 1)
                    .toArray();
            double[] values =
                    Arrays.stream(own).mapToDouble(i -> set.values()[i]).toArray();
            int[] groups = Arrays.stream(own).map(division::get).toArray();
            if (Arrays.stream(groups).distinct().count() < 2) {
                return Optional.empty();
            }
            try {
                return Optional.of(PlaceEffect.of(values, groups, new int[values.length]));
            } catch (IllegalArgumentException alike) {
                // Alike within the groups to the last digit: no scatter to measure by.
                return Optional.empty();
            }
        }

        void upright(Pair pair, List<SetOfResults> sets) {
            SetOfResults up = sets.get(pair.upright);
            SetOfResults flat = sets.get(pair.flat);
            int n = Math.min(up.n(), flat.n());
            if (n < Look.UPRIGHT.least()) {
                tooFew.add(new TooFew(Look.UPRIGHT, pair.upright, n));
                return;
            }
            try {
                TTest test = TTest.welch(Summary.of(up.values()), Summary.of(flat.values()));
                add(Look.UPRIGHT, pair.upright, test.t(), up.n() + flat.n(), test.greater());
            } catch (IllegalArgumentException alike) {
                // Both alike to the last digit: nothing to measure a difference by.
                tooFew.add(new TooFew(Look.UPRIGHT, pair.upright, n));
            }
        }

        void digits(Display display) {
            int n = display.readings.length;
            if (n < Look.DIGITS.least()) {
                tooFew.add(new TooFew(Look.DIGITS, -1, n));
                return;
            }
            double[] values = Arrays.stream(display.readings).asDoubleStream().toArray();
            OptionalDouble scatter = Summary.of(values).sd();
            if (scatter.orElse(0) < STEPS) {
                return;
            }
            long commonest = Arrays.stream(display.readings)
                    .map(reading -> Math.floorMod(reading, DIGITS))
                    .boxed()
                    .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()))
                    .values()
                    .stream()
                    .max(Long::compare)
                    .orElse(0L);
            // One of ten digits is the commonest: the sum over all ten is never too small.
            double p = Math.min(
                    1, DIGITS * (1 - new BinomialDistribution(n, 0.1).cumulativeProbability((int) commonest - 1)));
            tried.add(new Tried(Look.DIGITS, -1, display.name, commonest, n, Math.max(0, p), 1, List.of()));
        }
    }
}
