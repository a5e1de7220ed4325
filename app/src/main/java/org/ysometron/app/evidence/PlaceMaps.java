package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.ChamberMap;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.make.PlateMap;
import org.ysometron.app.make.Runs;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.plan.PlaceEffect;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.statistics.Holm;
import org.ysometron.core.working.Figures;

/** Strengths by place: on the print plate and in the chamber, with a test for an effect of the place. */
@Component
class PlaceMaps {

    private final Bench bench;
    private final Runs runs;
    private final Chambers chambers;

    PlaceMaps(Bench bench, Runs runs, Chambers chambers) {
        this.bench = bench;
        this.runs = runs;
        this.chambers = chambers;
    }

    /** A plate with its values and what they say of places. */
    record PlateRow(String title, PlateMap map, List<String> findings) {}

    /** A chamber with its values and what they say of places. */
    record ChamberRow(String title, ChamberMap map, List<String> findings) {}

    @Transactional(readOnly = true)
    List<PlateRow> plates(LotView lot) {
        Map<Long, Double> strengths = strengths(lot);
        List<PlateRow> rows = new ArrayList<>();
        for (Runs.RunView run : runs.of(lot)) {
            List<Runs.Placed> own = run.placed().stream()
                    .filter(placed -> placed.specimen().lotId() == lot.id())
                    .toList();
            Plate plate = run.plate();
            List<Tested> findings = new ArrayList<>();
            findings.add(finding(
                    "left to right",
                    own,
                    Runs.Placed::specimen,
                    placed -> plate.thirdAcross(placed.x() + placed.footprint().width() / 2),
                    strengths));
            findings.add(finding(
                    "front to back",
                    own,
                    Runs.Placed::specimen,
                    placed -> plate.thirdBack(placed.y() + placed.footprint().depth() / 2),
                    strengths));
            rows.add(new PlateRow(
                    run.recipe().setup().words() + ", "
                            + run.startedAt().toString().replace('T', ' '),
                    PlateMap.of(run, strengths),
                    sentences(findings)));
        }
        return rows;
    }

    @Transactional(readOnly = true)
    List<ChamberRow> chambers(LotView lot) {
        Map<Long, Double> strengths = strengths(lot);
        List<ChamberRow> rows = new ArrayList<>();
        for (Chambers.ChamberView run : chambers.of(List.of(lot.id())).getOrDefault(lot.id(), List.of())) {
            List<Tested> findings = new ArrayList<>();
            boolean fixed = isFixed(run);
            for (int cycle = 1; cycle <= (fixed ? 1 : run.cycles()); cycle++) {
                int now = cycle;
                List<Chambers.Placed> inside = run.placed().stream()
                        .filter(placed -> placed.cycle() == now)
                        .toList();
                String which = run.cycles() == 1 ? "" : fixed ? ", the same in every cycle" : " in cycle " + cycle;
                findings.add(finding(
                        "rows" + which,
                        inside,
                        Chambers.Placed::specimen,
                        placed -> placed.place() / run.columns(),
                        strengths));
                findings.add(finding(
                        "columns" + which,
                        inside,
                        Chambers.Placed::specimen,
                        placed -> placed.place() % run.columns(),
                        strengths));
            }
            rows.add(new ChamberRow(
                    run.treatment().title() + " in " + run.chamber(),
                    ChamberMap.of(run, strengths),
                    sentences(findings)));
        }
        return rows;
    }

    static boolean isFixed(Chambers.ChamberView run) {
        Map<Long, Integer> first = new HashMap<>();
        run.placed().forEach(placed -> first.putIfAbsent(placed.specimen().id(), placed.place()));
        return run.placed().stream().allMatch(placed -> Integer.valueOf(placed.place())
                .equals(first.get(placed.specimen().id())));
    }

    /**
     * A test for an effect of the place, or why there is none.
     *
     * @param effect empty where nothing can be said
     */
    private record Tested(String name, Optional<PlaceEffect> effect, String why) {}

    /** What tests made on one plate or in one chamber say, each corrected for the others (Holm). */
    private static List<String> sentences(List<Tested> tests) {
        double[] adjusted = Holm.adjust(tests.stream()
                .flatMap(test -> test.effect().stream())
                .mapToDouble(PlaceEffect::p)
                .toArray());
        List<String> sentences = new ArrayList<>();
        int next = 0;
        for (Tested test : tests) {
            sentences.add(
                    test.effect().isEmpty()
                            ? test.name() + ": " + test.why() + "; nothing can be said."
                            : sentence(test.name(), test.effect().get(), adjusted[next++], adjusted.length));
        }
        return sentences;
    }

    private static String sentence(String name, PlaceEffect effect, double p, int tests) {
        String seen = p < 0.05 ? "an effect of the place is to be suspected" : "no effect of the place is seen";
        return name + ": F = " + Figures.significant(effect.f(), 3) + " over " + effect.places() + " places and "
                + effect.n() + " specimens, such a difference by chance " + Figures.probability(p)
                + (tests > 1 ? " (corrected for " + tests + " tests)" : "") + ": " + seen + ".";
    }

    /** Tested within one set of terms at a time: what orientation does is no effect of the place. */
    private static <T> Tested finding(
            String name,
            List<T> items,
            Function<T, SpecimenView> specimen,
            Function<T, Integer> place,
            Map<Long, Double> strengths) {
        List<T> tested = items.stream()
                .filter(item -> strengths.containsKey(specimen.apply(item).id()))
                .toList();
        Map<Integer, Long> sizes = tested.stream().collect(Collectors.groupingBy(place, Collectors.counting()));
        List<T> compared = tested.stream()
                .filter(item -> sizes.getOrDefault(place.apply(item), 0L) > 1)
                .toList();
        if (compared.stream().map(place).distinct().count() < 2) {
            return new Tested(name, Optional.empty(), "not two places with two tested specimens each");
        }
        List<Conditions> sets = compared.stream()
                .map(item -> specimen.apply(item).conditions())
                .distinct()
                .toList();
        try {
            return new Tested(
                    name,
                    Optional.of(PlaceEffect.of(
                            compared.stream()
                                    .mapToDouble(item -> value(strengths, specimen.apply(item)))
                                    .toArray(),
                            compared.stream()
                                    .mapToInt(item -> place.apply(item))
                                    .toArray(),
                            compared.stream()
                                    .mapToInt(item ->
                                            sets.indexOf(specimen.apply(item).conditions()))
                                    .toArray())),
                    "");
        } catch (IllegalArgumentException tooFew) {
            return new Tested(name, Optional.empty(), "too few specimens, or all alike");
        }
    }

    private static double value(Map<Long, Double> strengths, SpecimenView specimen) {
        return strengths.getOrDefault(specimen.id(), 0.0);
    }

    private Map<Long, Double> strengths(LotView lot) {
        Map<Long, Double> strengths = new HashMap<>();
        for (SpecimenRecord record : bench.records(lot.id())) {
            record.result()
                    .filter(result -> result.made() == Reduced.Made.VALUE)
                    .ifPresent(result ->
                            strengths.put(record.specimen().id(), result.value().getAsDouble()));
        }
        return strengths;
    }
}
