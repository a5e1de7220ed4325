package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Words;
import org.ysometron.core.gate.Block;
import org.ysometron.core.statistics.Dixon;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.Trend;
import org.ysometron.core.surprise.Look;
import org.ysometron.core.surprise.OddResults;
import org.ysometron.core.surprise.SetOfResults;
import org.ysometron.core.surprise.Surprises;
import org.ysometron.core.working.Figures;

/** Odd results and surprises of a lot as its page shows them: each with its drawing, what it rests on, and who answered it. */
@Component
class OddPage {

    private static final double WIDE = 300;
    private static final double HIGH = 96;
    private static final double EDGE = 10;

    private final LotVerdicts verdicts;
    private final Words words;

    OddPage(LotVerdicts verdicts, Words words) {
        this.verdicts = verdicts;
        this.words = words;
    }

    /**
     * The page.
     *
     * @param items what is to be answered or was
     * @param stragglers odd by themselves, and in one set of twenty sound ones
     * @param rows what was looked for
     * @param tried how many looks were taken
     * @param silent sets that do not count yet and are not looked at, each with why
     */
    record View(List<Item> items, List<Item> stragglers, List<Row> rows, int sets, int tried, List<String> silent) {}

    /**
     * Something odd.
     *
     * @param what a sentence
     * @param figures statistic, n and probability
     * @param check what to look at
     * @param block what stands in the way for it; null for a straggler
     * @param answer who answered it; empty while nobody did
     * @param specimen whose end may be corrected; empty for what is no single one's
     * @param reading the one that says how it ended; 0 for what is no single one's
     */
    record Item(
            String title,
            String what,
            List<String> figures,
            String check,
            @Nullable Block block,
            String answer,
            String specimen,
            long reading,
            @Nullable Drawing drawing) {}

    /**
     * Values in order of test, or group by group.
     *
     * @param caption what goes along and what upwards
     */
    record Drawing(
            List<Dot> dots,
            List<Scale.Tick> ticks,
            List<Line> lines,
            List<Scale.Tick> along,
            String caption,
            String description) {}

    /** A value: where, what it is, and whether it is one that stands apart. */
    record Dot(double x, double y, boolean apart, String words) {}

    /** A line: the mean of all or of a group, or a slope. */
    record Line(double x1, double y1, double x2, double y2) {}

    /** A look: how many sets it was taken in, and how many have too few. */
    record Row(
            String words,
            String question,
            String statistic,
            int least,
            int looked,
            int tooFew,
            String smallest,
            boolean seen) {}

    View view(LotView lot) {
        LotVerdicts.Whole whole = verdicts.whole(lot);
        Oddities.Found found = whole.oddities();
        Map<String, Block> blocks = whole.found().blocks().stream()
                .filter(Block::isLiftedByWord)
                .collect(Collectors.toMap(Block::subject, block -> block, (first, last) -> first));
        List<Words.WordView> given = words.of(List.of(lot.id()));
        List<Item> items = new ArrayList<>();
        List<Item> stragglers = new ArrayList<>();
        for (Oddities.Studied studied : found.studied()) {
            for (OddResults.Odd odd : studied.odd().odd()) {
                Block block = blocks.get(OddBlocks.subject(studied, odd));
                (odd.isOutlier() ? items : stragglers).add(item(studied, odd, block, answer(block, given)));
            }
        }
        for (Surprises.Tried one : found.surprises().seen()) {
            Block block = blocks.get(OddBlocks.subject(found, one));
            items.add(item(found, one, block, answer(block, given)));
        }
        for (Oddities.Contradicted one : found.contradicted()) {
            Block block = blocks.get(one.subject());
            items.add(new Item(
                    "End and notes disagree, " + one.record().specimen().label(),
                    OddBlocks.sentence(one),
                    List.of(),
                    "Which of the two was mistyped: look at the pieces or the picture.",
                    block,
                    answer(block, given),
                    one.record().specimen().label(),
                    one.record().ended().orElseThrow().id(),
                    null));
        }
        return new View(
                List.copyOf(items),
                List.copyOf(stragglers),
                rows(found.surprises()),
                found.studied().size(),
                found.surprises().tried().size(),
                whole.silent());
    }

    private static String answer(@Nullable Block block, List<Words.WordView> given) {
        return block == null
                ? ""
                : given.stream()
                        .filter(word -> word.lifts(block))
                        .map(word -> word.by() + ": " + word.reason())
                        .collect(Collectors.joining("; "));
    }

    private static Item item(Oddities.Studied studied, OddResults.Odd odd, @Nullable Block block, String answer) {
        String label = studied.record(odd.index()).specimen().label();
        return new Item(
                label + ", " + studied.characteristic().title(),
                OddBlocks.sentence(studied, odd),
                figures(studied, odd),
                "Fracture face, grip marks, the record of the pull, who printed and tested it. What is wrong with it has to hold without knowing its value.",
                block,
                answer,
                label,
                studied.record(odd.index()).ended().orElseThrow().id(),
                ordered(studied, List.of(odd.index()), true));
    }

    private static List<String> figures(Oddities.Studied studied, OddResults.Odd odd) {
        SetOfResults set = studied.results();
        String unit = studied.characteristic().unit();
        int digits = studied.characteristic().digits();
        double[] without = IntStream.range(0, set.values().length)
                .filter(i -> i != odd.index())
                .mapToDouble(i -> set.values()[i])
                .toArray();
        Summary all = Summary.of(set.values());
        List<String> figures = new ArrayList<>();
        figures.add("with it: mean " + Figures.withUnit(all.mean(), digits, unit) + scatter(all, digits, unit));
        Summary rest = Summary.of(without);
        figures.add("without: mean " + Figures.withUnit(rest.mean(), digits, unit) + scatter(rest, digits, unit));
        figures.add("t = " + Figures.significant(odd.t(), 3) + " with "
                + Figures.decimals(odd.freedom(), 0) + " degrees of freedom"
                + (set.history().isPresent() ? ", the earlier lots' scatter among them" : "") + ", p "
                + Figures.probability(odd.p()));
        dixon(set).ifPresent(figures::add);
        return figures;
    }

    private static String scatter(Summary summary, int digits, String unit) {
        return ", n " + summary.n()
                + (summary.sd().isPresent()
                        ? ", s " + Figures.withUnit(summary.sd().getAsDouble(), digits, unit)
                        : "");
    }

    private static Optional<String> dixon(SetOfResults set) {
        try {
            Dixon found = Dixon.of(set.values(), Dixon.Ratio.usual(set.values().length));
            return Optional.of("Dixon's ratio of the set by itself " + Figures.significant(found.ratio(), 3) + ", p "
                    + Figures.probability(found.p()));
        } catch (IllegalArgumentException no) {
            return Optional.empty();
        }
    }

    private static Item item(Oddities.Found found, Surprises.Tried one, @Nullable Block block, String answer) {
        List<String> figures = new ArrayList<>();
        figures.add(one.look().statistic() + ": " + Figures.significant(one.statistic(), 3) + ", n " + one.n());
        figures.add("p " + Figures.probability(one.p()) + " alone, " + Figures.probability(one.adjusted())
                + " with everything looked for in this lot");
        if (one.set() >= 0) {
            grouping(found.studied().get(one.set()), one)
                    .ifPresent(grouping -> figures.addAll(means(found.studied().get(one.set()), grouping)));
        }
        return new Item(
                Figures.capital(one.look().words()),
                OddBlocks.sentence(found, one),
                figures,
                one.look().check(),
                block,
                answer,
                "",
                0,
                one.set() < 0 ? null : drawing(found.studied().get(one.set()), one));
    }

    private static Optional<SetOfResults.Grouping> grouping(Oddities.Studied studied, Surprises.Tried one) {
        String first = one.within().split(" or ", -1)[0];
        return studied.results().groupings().stream()
                .filter(grouping ->
                        one.look() == Look.BY_FACTOR && grouping.name().equals(first))
                .findFirst();
    }

    private static Map<Integer, List<Integer>> groups(SetOfResults.Grouping grouping) {
        Map<Integer, List<Integer>> groups = new LinkedHashMap<>();
        for (int i = 0; i < grouping.levels().length; i++) {
            groups.computeIfAbsent(grouping.levels()[i], level -> new ArrayList<>())
                    .add(i);
        }
        return groups;
    }

    private static List<String> means(Oddities.Studied studied, SetOfResults.Grouping grouping) {
        return groups(grouping).values().stream()
                .map(own -> own.stream()
                                .map(i -> studied.record(i).specimen().label())
                                .collect(Collectors.joining(", "))
                        + ": mean "
                        + Figures.withUnit(
                                own.stream()
                                        .mapToDouble(i -> studied.results().values()[i])
                                        .average()
                                        .orElse(0),
                                studied.characteristic().digits(),
                                studied.characteristic().unit()))
                .toList();
    }

    // ---- drawings ------------------------------------------------------------------------------------------------

    private static Drawing drawing(Oddities.Studied studied, Surprises.Tried one) {
        Optional<SetOfResults.Grouping> grouping = grouping(studied, one);
        if (grouping.isPresent()) {
            return grouped(studied, grouping.get());
        }
        return ordered(studied, one.members(), one.look() != Look.IN_ORDER);
    }

    /** In order of test, with the mean of all or the slope over the order. */
    private static Drawing ordered(Oddities.Studied studied, List<Integer> apart, boolean level) {
        double[] values = studied.results().values();
        Scale up = Scale.holding(Arrays.stream(values).boxed().toList(), HIGH - EDGE, EDGE);
        Scale along = new Scale(-0.5, values.length - 0.5, EDGE, WIDE - EDGE);
        List<Dot> dots = IntStream.range(0, values.length)
                .mapToObj(i -> new Dot(along.at(i), up.at(values[i]), apart.contains(i), said(studied, i, values[i])))
                .toList();
        Line line = line(along, up, values, level);
        return new Drawing(
                dots,
                up.ticks(3),
                List.of(line),
                List.of(),
                "in the order of the tests, " + unit(studied),
                description(dots));
    }

    /** The mean of all, or the line through them in their order. */
    private static Line line(Scale along, Scale up, double[] values, boolean level) {
        double last = values.length - 1;
        double mean = Summary.of(values).mean();
        double first = mean;
        double end = mean;
        if (!level) {
            Trend trend =
                    Trend.of(IntStream.range(0, values.length).asDoubleStream().toArray(), values);
            first = trend.intercept();
            end = first + trend.slope() * last;
        }
        return new Line(along.at(0), up.at(first), along.at(last), up.at(end));
    }

    /** Group by group, each with its mean. */
    private static Drawing grouped(Oddities.Studied studied, SetOfResults.Grouping grouping) {
        double[] values = studied.results().values();
        Map<Integer, List<Integer>> groups = groups(grouping);
        Scale up = Scale.holding(Arrays.stream(values).boxed().toList(), HIGH - EDGE, EDGE);
        Scale along = new Scale(-0.5, groups.size() - 0.5, EDGE, WIDE - EDGE);
        List<Dot> dots = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        List<Scale.Tick> names = new ArrayList<>();
        int column = 0;
        for (List<Integer> own : groups.values()) {
            double at = along.at(column);
            double mean = own.stream().mapToDouble(i -> values[i]).average().orElse(0);
            own.forEach(i -> dots.add(new Dot(at, up.at(values[i]), false, said(studied, i, values[i]))));
            lines.add(new Line(along.at(column - 0.25), up.at(mean), along.at(column + 0.25), up.at(mean)));
            names.add(new Scale.Tick(at, studied.record(own.get(0)).specimen().label() + (own.size() > 1 ? " …" : "")));
            column++;
        }
        return new Drawing(
                dots,
                up.ticks(3),
                lines,
                names.size() > 8 ? List.of() : names,
                "by " + grouping.name() + ", each with its first specimen's label; " + unit(studied),
                description(dots));
    }

    private static String unit(Oddities.Studied studied) {
        return studied.characteristic().title().toLowerCase(java.util.Locale.ROOT)
                + (studied.characteristic().unit().isEmpty()
                        ? ""
                        : " in " + studied.characteristic().unit());
    }

    private static String said(Oddities.Studied studied, int i, double value) {
        return studied.record(i).specimen().label() + " "
                + Figures.withUnit(
                        value,
                        studied.characteristic().digits(),
                        studied.characteristic().unit());
    }

    private static String description(List<Dot> dots) {
        return dots.stream()
                .map(dot -> dot.words() + (dot.apart() ? ", apart" : ""))
                .collect(Collectors.joining("; "));
    }

    // ---- what was looked for -------------------------------------------------------------------------------------

    private static List<Row> rows(Surprises surprises) {
        return Arrays.stream(Look.values())
                .map(look -> {
                    List<Surprises.Tried> tried = surprises.tried().stream()
                            .filter(one -> one.look() == look)
                            .toList();
                    return new Row(
                            look.words(),
                            Figures.capital(look.question()),
                            look.statistic(),
                            look.least(),
                            tried.size(),
                            (int) surprises.tooFew().stream()
                                    .filter(one -> one.look() == look)
                                    .count(),
                            tried.stream()
                                    .min(java.util.Comparator.comparingDouble(Surprises.Tried::p))
                                    .map(one -> Figures.probability(one.p()))
                                    .orElse(""),
                            tried.stream().anyMatch(one -> one.adjusted() <= surprises.level()));
                })
                .toList();
    }
}
