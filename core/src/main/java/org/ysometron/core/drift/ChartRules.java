package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Which charts watch a series, by which rules: patterns of the lot means, a change from the lot before beyond its limit, a scatter within the lot beyond
 * its limit, an average that forgets, and sums.
 *
 * @param runs patterns of the lot means
 * @param range whether a change from the lot before beyond its limit is a signal
 * @param scatter whether a scatter within the lot beyond its limit is one
 * @param average an average that forgets, where one is kept
 * @param sums sums of what lies off the centre, where they are kept
 */
public record ChartRules(
        Set<RunRule> runs, boolean range, boolean scatter, Optional<AverageChart> average, Optional<SumsChart> sums) {

    /** Name of the rule about the change from the lot before. */
    public static final String RANGE = "RANGE_BEYOND_LIMIT";

    /** Name of the rule about the scatter within the lot. */
    public static final String SCATTER = "SPREAD_BEYOND_LIMIT";

    /** Name of the rule about the average that forgets; in {@link #names()} with its numbers behind it. */
    public static final String AVERAGE = "EWMA";

    /** Name of the rule about the sums; in {@link #names()} with its numbers behind it. */
    public static final String SUMS = "CUSUM";

    /** On unless a series says otherwise. */
    public static final ChartRules USUAL = new ChartRules(RunRule.USUAL, true, true);

    private static final String BETWEEN = ":";

    /** Copies the set. */
    public ChartRules {
        runs = runs.isEmpty() ? Set.of() : Set.copyOf(runs);
    }

    /** Rules of charts that remember nothing beyond their patterns. */
    public ChartRules(Set<RunRule> runs, boolean range, boolean scatter) {
        this(runs, range, scatter, Optional.empty(), Optional.empty());
    }

    /** The average alone. */
    public static ChartRules of(AverageChart average) {
        return new ChartRules(Set.of(), false, false, Optional.of(average), Optional.empty());
    }

    /** The sums alone. */
    public static ChartRules of(SumsChart sums) {
        return new ChartRules(Set.of(), false, false, Optional.empty(), Optional.of(sums));
    }

    /** These rules with that average and those sums, or without. */
    public ChartRules with(Optional<AverageChart> another, Optional<SumsChart> others) {
        return new ChartRules(runs, range, scatter, another, others);
    }

    /** One rule: its name, and what it looks for. */
    public record Named(String name, String words) {}

    /** Every rule that has no numbers of its own, in the order in which they are named. */
    public static List<Named> all() {
        List<Named> all = new ArrayList<>();
        for (RunRule rule : RunRule.values()) {
            all.add(new Named(rule.name(), rule.looksFor()));
        }
        all.add(new Named(RANGE, new ChangesChart().words()));
        all.add(new Named(SCATTER, new ScatterChart().words()));
        return all;
    }

    /**
     * The rules of these names.
     *
     * @throws IllegalArgumentException for a name that is none of {@link #names()}, or whose numbers are outside their ranges
     */
    public static ChartRules named(Collection<String> names) {
        EnumSet<RunRule> runs = EnumSet.noneOf(RunRule.class);
        Optional<AverageChart> average = Optional.empty();
        Optional<SumsChart> sums = Optional.empty();
        for (String name : names) {
            double[] numbers = numbers(name);
            if (isOf(name, AVERAGE) && numbers.length == 2) {
                average = Optional.of(new AverageChart(numbers[0], numbers[1]));
            } else if (isOf(name, SUMS) && numbers.length == 3) {
                sums = Optional.of(new SumsChart(numbers[0], numbers[1], numbers[2]));
            } else if (!name.equals(RANGE) && !name.equals(SCATTER)) {
                runs.add(RunRule.valueOf(name));
            }
        }
        return new ChartRules(runs, names.contains(RANGE), names.contains(SCATTER), average, sums);
    }

    private static boolean isOf(String name, String rule) {
        return name.startsWith(rule + BETWEEN);
    }

    private static double[] numbers(String name) {
        return name.contains(BETWEEN)
                ? Stream.of(name.split(BETWEEN))
                        .skip(1)
                        .mapToDouble(Double::parseDouble)
                        .toArray()
                : new double[0];
    }

    /** Whether a rule of this name looks at the lot means alone, on their own chart. */
    public static boolean isOfMeans(String name) {
        return Stream.of(RunRule.values()).anyMatch(rule -> rule.name().equals(name));
    }

    /** Their names, in the order of {@link #all()}, then those with numbers of their own. */
    public List<String> names() {
        List<String> names =
                all().stream().map(Named::name).filter(this::isOn).collect(Collectors.toCollection(ArrayList::new));
        average.ifPresent(chart -> names.add(name(AVERAGE, chart.lambda(), chart.limit())));
        sums.ifPresent(chart -> names.add(name(SUMS, chart.k(), chart.h(), chart.start())));
        return names;
    }

    private static String name(String rule, double... numbers) {
        StringBuilder name = new StringBuilder(rule);
        for (double number : numbers) {
            name.append(BETWEEN).append(number);
        }
        return name.toString();
    }

    /** What they look for, in words. */
    public String words() {
        return charts().stream().map(LotChart::words).collect(Collectors.joining("; "));
    }

    /** The charts that watch by these rules; those that have nothing to say are not among them. */
    public List<LotChart> charts() {
        List<LotChart> charts = new ArrayList<>();
        if (!runs.isEmpty()) {
            charts.add(new MeansChart(runs));
        }
        if (range) {
            charts.add(new ChangesChart());
        }
        if (scatter) {
            charts.add(new ScatterChart());
        }
        average.ifPresent(charts::add);
        sums.ifPresent(charts::add);
        return charts;
    }

    /** Whether the rule of this name is on. */
    public boolean isOn(String name) {
        Predicate<RunRule> isIt = rule -> rule.name().equals(name);
        return switch (name) {
            case RANGE -> range;
            case SCATTER -> scatter;
            default -> runs.stream().anyMatch(isIt);
        };
    }

    /** Whether no rule is on. */
    public boolean isNone() {
        return charts().isEmpty();
    }
}
