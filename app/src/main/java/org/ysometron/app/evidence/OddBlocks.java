package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Right;
import org.ysometron.core.surprise.OddResults;
import org.ysometron.core.surprise.Surprises;
import org.ysometron.core.working.Figures;

/** What of the odd stands in the way of a release until somebody answers it, each in a sentence and under a key of its own. */
final class OddBlocks {

    private OddBlocks() {}

    /**
     * The blocks.
     *
     * @param without what the verdicts would be without a specimen, in words; empty where they would be the same
     */
    static List<Block> of(
            Oddities.Found found, BiFunction<Oddities.Studied, OddResults.Odd, Optional<String>> without) {
        List<Block> blocks = new ArrayList<>();
        for (Oddities.Studied studied : found.studied()) {
            for (OddResults.Odd odd : studied.odd().outliers()) {
                blocks.add(new Block(
                        Block.Kind.ODD_RESULT,
                        sentence(studied, odd) + " "
                                + without.apply(studied, odd)
                                        .map(would -> "Without it: " + would + ".")
                                        .orElse("Without it the verdicts would be the same."),
                        Right.JUDGEMENT,
                        "Keep it with a word why, or correct at the bench how its test ended, with a cause that holds"
                                + " without knowing the value.",
                        subject(studied, odd)));
            }
        }
        for (Surprises.Tried one : found.surprises().seen()) {
            blocks.add(new Block(
                    Block.Kind.SURPRISE,
                    sentence(found, one),
                    Right.JUDGEMENT,
                    one.look().check() + " Then a word says what was found.",
                    subject(found, one)));
        }
        for (Oddities.Contradicted one : found.contradicted()) {
            blocks.add(new Block(
                    Block.Kind.SURPRISE,
                    sentence(one),
                    Right.JUDGEMENT,
                    "Correct at the bench what was mistyped, or give a word how both can be right.",
                    one.subject()));
        }
        return blocks;
    }

    /** Of this result as it was read: another reading of it is another matter. */
    static String subject(Oddities.Studied studied, OddResults.Odd odd) {
        return "odd-" + studied.record(odd.index()).specimen().id() + "-"
                + studied.characteristic().id() + "-"
                + studied.record(odd.index()).ended().orElseThrow().id();
    }

    /** Of this look at these readings: with another result, or another reading of one, it is asked again. */
    static String subject(Oddities.Found found, Surprises.Tried one) {
        String within = one.within().isEmpty()
                ? ""
                : "-" + Integer.toHexString(one.within().hashCode());
        if (one.set() < 0) {
            return "surprise-" + one.look().name() + within + "-" + one.n();
        }
        Oddities.Studied studied = found.studied().get(one.set());
        int readings = studied.records().stream()
                .map(record -> record.ended().orElseThrow().id())
                .toList()
                .hashCode();
        return "surprise-" + one.look().name() + "-" + studied.subject() + within + "-" + Integer.toHexString(readings);
    }

    static String sentence(Oddities.Studied studied, OddResults.Odd odd) {
        int digits = studied.characteristic().digits();
        String unit = studied.characteristic().unit();
        return studied.characteristic().title() + " of "
                + studied.record(odd.index()).specimen().label() + ", "
                + Figures.withUnit(odd.value(), digits, unit) + ", lies far " + (odd.t() < 0 ? "below" : "above")
                + " the others of its set, whose mean is " + Figures.withUnit(odd.others(), digits, unit)
                + ": among sound specimens the farthest lies so far in " + Figures.probability(odd.p()) + " of sets.";
    }

    static String sentence(Oddities.Contradicted one) {
        return one.record().specimen().label() + ": " + one.why() + ".";
    }

    static String sentence(Oddities.Found found, Surprises.Tried one) {
        String chance =
                " Among sound lots something as unlikely is found in " + Figures.probability(one.adjusted()) + ".";
        if (one.set() < 0) {
            return Figures.capital(one.within()) + ": one last digit was read " + Figures.decimals(one.statistic(), 0)
                    + " times among " + one.n() + " readings; about " + Figures.decimals(one.n() / 10.0, 0)
                    + " were to be expected." + chance;
        }
        Oddities.Studied studied = found.studied().get(one.set());
        String title = studied.title();
        return switch (one.look()) {
                    case TWO_GROUPS ->
                        title + " falls into two groups: "
                                + one.members().stream()
                                        .map(i -> studied.record(i).specimen().label())
                                        .collect(Collectors.joining(", "))
                                + " lie together below the other "
                                + (one.n() - one.members().size()) + ".";
                    case BY_FACTOR -> title + " goes with the " + one.within() + ".";
                    case IN_ORDER ->
                        title + (one.statistic() > 0 ? " climbs" : " falls") + " in the order of the tests.";
                    case LEANS ->
                        title + " has its mean " + (one.statistic() > 0 ? "above" : "below")
                                + " its median by " + Figures.decimals(Math.abs(one.statistic()), 2)
                                + " standard deviations: a few far ones pull it.";
                    case WIDE ->
                        title + " scatters " + Figures.significant(Math.sqrt(one.statistic()), 2)
                                + " times as far as within the earlier lots.";
                    case ALIKE ->
                        title + " scatters only " + Figures.significant(Math.sqrt(one.statistic()), 2)
                                + " times as far as within the earlier lots: the results are too alike.";
                    case UPRIGHT -> title + " is above the flat specimens.";
                    case DIGITS -> title;
                }
                + chance;
    }
}
