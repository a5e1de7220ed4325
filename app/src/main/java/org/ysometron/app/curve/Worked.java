package org.ysometron.app.curve;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.Thinned;
import org.ysometron.core.curve.Trace;
import org.ysometron.core.method.End;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Recorded;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.working.Figures;

/** One record worked out for one specimen: the trace, the piece it was taken on, and what was found. */
record Worked(SpecimenRecord specimen, Trace trace, Piece piece, Rules rules, Recorded.Found found) {

    /** Points by which a curve is drawn beside others. */
    private static final int DRAWN = 400;

    private static final int DIGITS = 7;

    /**
     * Works a record out.
     *
     * @throws IllegalArgumentException in words where the sizes are missing or nothing was pulled
     */
    static Worked of(SpecimenRecord specimen, Trace trace, Piece.By by, InstrumentView gauge, Rules rules) {
        Loading loading = recorded(specimen).loading();
        return of(specimen, trace, by, compliance(loading, by, gauge), capacity(loading, gauge), rules);
    }

    static Worked of(
            SpecimenRecord specimen,
            Trace trace,
            Piece.By by,
            OptionalDouble compliance,
            OptionalDouble capacity,
            Rules rules) {
        Recorded recorded = recorded(specimen);
        Piece piece = recorded.piece(specimen.read(), specimen.pinned(), by, compliance, capacity);
        return new Worked(specimen, trace, piece, rules, recorded.find(trace, piece, rules));
    }

    /** What frame and grips give way; of a crosshead's travel alone, and where the register has it. */
    static OptionalDouble compliance(Loading loading, Piece.By by, InstrumentView gauge) {
        return by == Piece.By.CROSSHEAD && loading.load() == Dimension.FORCE
                ? gauge.facts().compliance()
                : OptionalDouble.empty();
    }

    /** How far the gauge goes in what is read on it; of weights that hang beside a record of extension nothing is known. */
    static OptionalDouble capacity(Loading loading, InstrumentView gauge) {
        return gauge.kind().capacity().filter(loading.load()::equals).isPresent()
                ? gauge.capacity()
                : OptionalDouble.empty();
    }

    static Recorded recorded(SpecimenRecord specimen) {
        return specimen.method()
                .data()
                .recorded()
                .orElseThrow(() ->
                        new IllegalArgumentException(specimen.method().data().title() + " takes no record"));
    }

    /** How its test ended as far as the record shows: a person says so in the end. */
    End proposed() {
        MethodData data = specimen.method().data();
        List<End> none = found.analysis().bounded()
                ? List.of(End.OVER_CAPACITY)
                : found.analysis().strainAtBreak().isPresent()
                        ? List.of(End.BROKE_BETWEEN_READINGS)
                        : List.of(End.NO_BREAK, End.TRAVEL_ENDED, End.HELD_TO_THE_END);
        return none.stream().filter(data.ends()::containsKey).findFirst().orElse(data.usualEnd());
    }

    /**
     * The readings that it comes to, the record itself among them.
     *
     * @param place of the record among those of this specimen
     * @param recordId key of the record
     * @param end how the test ended
     */
    List<Bench.Entry> entries(int place, long recordId, long analysisId, End end, long gaugeId) {
        String label = specimen.specimen().label();
        MethodData data = specimen.method().data();
        List<Bench.Entry> entries = new ArrayList<>();
        String field = recorded(specimen).field();
        entries.add(new Bench.Entry(label, field, place, name(recordId, analysisId), null, gaugeId, "")
                .foundBy(analysisId));
        values().forEach((found, typed) ->
                entries.add(new Bench.Entry(label, found.key(), 1, typed, end, gaugeId, typed).foundBy(analysisId)));
        found.rows().forEach((key, values) -> {
            Field row = data.sheet().field(key).orElseThrow();
            for (int i = 0; i < values.size(); i++) {
                String typed = typed(row, values.get(i));
                entries.add(new Bench.Entry(label, key, i + 1, typed, end, gaugeId, typed).foundBy(analysisId));
            }
        });
        if (found.rows().isEmpty()
                && entries.stream()
                        .noneMatch(entry -> entry.field().equals(data.closing().key()))) {
            throw new IllegalArgumentException("nothing was found that the test is read by");
        }
        return entries;
    }

    /** How a reading names its record and analysis. */
    static String name(long recordId, long analysisId) {
        return "record " + recordId + ", analysis " + analysisId;
    }

    /** What was found as it stands in the fields of the sheet, in their working units. */
    Map<Field, String> values() {
        Map<Field, String> values = new LinkedHashMap<>();
        found.values().forEach((key, value) -> {
            Field field = specimen.method().data().sheet().field(key).orElseThrow();
            values.put(field, typed(field, value));
        });
        return values;
    }

    private static String typed(Field field, double value) {
        return number(value, DIGITS) + (field.unit().isEmpty() ? "" : " " + field.unit());
    }

    /** The same as people read them, with what is not there and why. */
    public List<Fact> facts() {
        List<Fact> facts = new ArrayList<>(inStress());
        facts.addAll(inLoad());
        return facts;
    }

    /** What goes into the fields of the sheet, and what does not and why. */
    List<Fact> inLoad() {
        List<Fact> facts = new ArrayList<>();
        MethodData data = specimen.method().data();
        found.values().forEach((key, value) -> {
            Field field = data.sheet().field(key).orElseThrow();
            facts.add(new Fact(field.words(), shown(field, value), true));
        });
        found.rows().forEach((key, values) -> {
            Field field = data.sheet().field(key).orElseThrow();
            facts.add(new Fact(
                    field.words() + ", " + values.size() + (values.size() == 1 ? " reading" : " readings"),
                    shown(field, values.get(0)) + " to " + shown(field, values.get(values.size() - 1)),
                    true));
        });
        found.missing()
                .forEach((key, why) ->
                        facts.add(new Fact(data.sheet().field(key).orElseThrow().words(), why, false)));
        return facts;
    }

    private static String shown(Field field, double value) {
        return field.dimension() == Dimension.TIME ? Figures.time(value) : Figures.withUnit(value, 4, field.unit());
    }

    /** Stress and slope as a reader knows them; what the sheet holds are loads, so that a section corrected later moves them too. */
    List<Fact> inStress() {
        List<Fact> facts = new ArrayList<>();
        Loading loading = piece.loading();
        Analysis analysis = found.analysis();
        if (loading.isStress()) {
            facts.add(new Fact(
                    analysis.bounded() ? "strength, at least" : "strength",
                    Figures.withUnit(analysis.strength(), 4, loading.stressUnit()),
                    true));
        }
        analysis.yieldStress()
                .ifPresent(stress ->
                        facts.add(new Fact("yield", Figures.withUnit(stress, 4, loading.stressUnit()), true)));
        Analysis.Slope slope = analysis.slope();
        boolean wanted = found.values().containsKey("slope") || found.values().containsKey("apparent-slope");
        if (wanted && slope.modulus().isPresent()) {
            facts.add(new Fact(
                    slope.title(),
                    Figures.withUnit(slope.modulus().getAsDouble(), 4, "MPa") + " by regression, "
                            + Figures.withUnit(slope.chord().orElse(0), 4, "MPa") + " by chord",
                    true));
        }
        return facts;
    }

    /** One thing that was found, or why it was not. */
    public record Fact(String name, String value, boolean found) {}

    /** The curve up to its break in few points, to be drawn beside others: way from the found zero, and load. */
    String drawn() {
        int end = found.analysis().end();
        StringBuilder drawn = new StringBuilder();
        for (int i : Thinned.of(trace, DRAWN)) {
            if (i < end) {
                point(drawn, i);
            }
        }
        point(drawn, end);
        return drawn.toString();
    }

    private void point(StringBuilder into, int i) {
        into.append(into.isEmpty() ? "" : " ")
                .append(number(way(i), DIGITS - 1))
                .append(' ')
                .append(number(trace.force(i), DIGITS - 1));
    }

    /** As a program reads it again. */
    private static String number(double value, int digits) {
        return BigDecimal.valueOf(value)
                .round(new MathContext(digits))
                .stripTrailingZeros()
                .toPlainString();
    }

    /** Way at a point from the found zero, without what the frame gave way. */
    double way(int i) {
        return trace.extension(i)
                - piece.compliance().orElse(0) * trace.force(i)
                - found.analysis().zero();
    }

    /** The rules as they are told. */
    static String words(Rules rules, Loading loading) {
        List<String> words = new ArrayList<>();
        if (loading.isHeld()) {
            return rules.breakAt().isPresent()
                    ? "break at point " + rules.breakAt().getAsInt()
                    : "what ends the load is found on the record";
        }
        if (loading.isStrain()) {
            words.add(
                    "slope between strains " + Figures.plain(rules.from(), 5) + " and " + Figures.plain(rules.to(), 5));
        }
        words.add(
                switch (rules.yield()) {
                    case FOUND -> "yield by the first maximum, else by an offset of 0.2 %";
                    case MAXIMUM -> "yield by the first maximum alone";
                    case OFFSET -> "yield by an offset of 0.2 % alone";
                    case NONE -> "no yield";
                });
        words.add(
                rules.breakAt().isPresent()
                        ? "break at point " + rules.breakAt().getAsInt()
                        : "the break found");
        return String.join("; ", words);
    }

    /** The mean of two extensions of one specimen. */
    static double[] mean(double[] first, double[] second) {
        double[] mean = first.clone();
        Arrays.setAll(mean, i -> (first[i] + second[i]) / 2);
        return mean;
    }
}
