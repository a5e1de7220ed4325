package org.ysometron.app.make;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.statistics.Proportion;
import org.ysometron.core.working.Figures;

/** Prints are data: how every part that was begun ended, by lot, printer and recipe. */
@Component
public class Prints {

    private static final double CONFIDENCE = 0.95;
    private static final int MOST = 500;

    private final PartRepository parts;
    private final PrintRunRepository runs;
    private final Lots lots;
    private final Instruments instruments;
    private final Recipes recipes;
    private final Clock clock;

    Prints(
            PartRepository parts,
            PrintRunRepository runs,
            Lots lots,
            Instruments instruments,
            Recipes recipes,
            Clock clock) {
        this.parts = parts;
        this.runs = runs;
        this.lots = lots;
        this.instruments = instruments;
        this.recipes = recipes;
        this.clock = clock;
    }

    /** How a part ends. */
    public enum Ended {
        GOOD("good"),
        ON_FILM("stuck to the film"),
        CAME_LOOSE("came loose"),
        LAYERS_MISSING("layers missing"),
        SUPPORT_TORE("a support tore"),
        NOZZLE_BLOCKED("nozzle blocked"),
        STOPPED("stopped by hand");

        private final String words;

        Ended(String words) {
            this.words = words;
        }

        /** The end in words. */
        public String words() {
            return words;
        }
    }

    /** What is on record of one run: how many parts ended how. */
    public record OfRun(Map<Ended, Integer> counts, List<String> notes) {

        /** In one line; empty where nothing is on record. */
        public String words() {
            return counts.entrySet().stream()
                    .map(entry -> entry.getValue() + " " + entry.getKey().words())
                    .collect(Collectors.joining(", "));
        }
    }

    /**
     * A share of good parts.
     *
     * @param what of which they are
     * @param share with its exact bounds
     * @param others what else became of them, in words
     */
    public record Share(String what, Proportion share, String others) {

        /** The share with its bounds, in words. */
        public String words() {
            return Figures.decimals(100 * share.share(), 0) + " % (" + Figures.decimals(100 * share.lower(), 0) + " to "
                    + Figures.decimals(100 * share.upper(), 0) + " %)";
        }
    }

    /** Shares of a product, by what they are grouped by. */
    public record Shares(List<Share> byLot, List<Share> byPrinter, List<Share> byRecipe) {

        /** Whether nothing is on record. */
        public boolean isEmpty() {
            return byLot.isEmpty();
        }
    }

    /** Enters how parts of a run ended; sent twice, it is entered once. */
    @Write
    public void enter(LotView lot, long runId, Map<Ended, Integer> ended, String note, String request, String by) {
        lots.lockUndecided(lot.id());
        PrintRun run = runs.findById(runId)
                .filter(found -> found.lotId.equals(lot.id()))
                .orElseThrow(() -> new NotFound("print run " + runId + " of lot " + lot.code()));
        if (parts.existsByRequest(request)) {
            return;
        }
        int all = ended.values().stream().mapToInt(Integer::intValue).sum();
        if (all < 1 || all > MOST) {
            throw new Refusal("parts", "Say how many parts ended how, 1 to " + MOST + " in all.");
        }
        Instant now = clock.instant();
        ended.forEach((how, count) -> {
            if (count > 0) {
                Part row = new Part();
                row.request = request;
                row.runId = run.id;
                row.ended = how;
                row.parts = count;
                row.note = note;
                row.enteredBy = by;
                row.enteredAt = now;
                parts.save(row);
            }
        });
    }

    /** What is on record of several runs. */
    Map<Long, OfRun> of(Collection<Long> runIds) {
        Map<Long, List<Part>> byRun =
                parts.findByRunIdInOrderById(runIds).stream().collect(Collectors.groupingBy(part -> part.runId));
        Map<Long, OfRun> found = new LinkedHashMap<>();
        byRun.forEach((run, own) -> {
            Map<Ended, Integer> counts = new TreeMap<>();
            own.forEach(part -> counts.merge(part.ended, part.parts, Integer::sum));
            found.put(
                    run,
                    new OfRun(
                            counts,
                            own.stream()
                                    .map(part -> part.note)
                                    .filter(note -> !note.isEmpty())
                                    .distinct()
                                    .toList()));
        });
        return found;
    }

    /** How many parts of these lots ended how. */
    @Transactional(readOnly = true)
    public Map<Long, Map<Ended, Integer>> byLot(Collection<Long> lotIds) {
        Map<Long, Map<Ended, Integer>> found = new HashMap<>();
        if (!lotIds.isEmpty()) {
            parts.byLot(lotIds).forEach(count -> found.computeIfAbsent(count.lotId(), lot -> new TreeMap<>())
                    .merge(count.ended(), (int) count.parts(), Integer::sum));
        }
        return found;
    }

    /** Shares of good parts of a product. */
    @Transactional(readOnly = true)
    public Shares ofProduct(long productId) {
        List<PartRepository.Count> counted = parts.counted(productId);
        Map<Long, String> codes =
                lots
                        .all(counted.stream()
                                .map(PartRepository.Count::getLotId)
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(LotView::id, LotView::code));
        Map<Long, String> names = instruments.all().stream()
                .collect(Collectors.toMap(Instruments.InstrumentView::id, Instruments.InstrumentView::name));
        Map<Long, String> frozen = recipes.of(productId).stream()
                .collect(Collectors.toMap(
                        Recipes.RecipeView::id, recipe -> recipe.setup().words()));
        return new Shares(
                shares(counted, count -> codes.getOrDefault(count.getLotId(), "")),
                shares(counted, count -> names.getOrDefault(count.getPrinterId(), "")),
                shares(counted, count -> frozen.getOrDefault(count.getRecipeId(), "")));
    }

    private static List<Share> shares(List<PartRepository.Count> counted, Function<PartRepository.Count, String> by) {
        Map<String, Map<Ended, Integer>> grouped = new LinkedHashMap<>();
        for (PartRepository.Count count : counted) {
            Arrays.stream(Ended.values())
                    .filter(ended -> ended.name().equals(count.getEnded()))
                    .forEach(ended -> grouped.computeIfAbsent(by.apply(count), key -> new TreeMap<>())
                            .merge(ended, count.getParts(), Integer::sum));
        }
        List<Share> shares = new ArrayList<>();
        grouped.forEach((what, ends) -> {
            int all = ends.values().stream().mapToInt(Integer::intValue).sum();
            String others = ends.entrySet().stream()
                    .filter(entry -> entry.getKey() != Ended.GOOD)
                    .map(entry -> entry.getValue() + " " + entry.getKey().words())
                    .collect(Collectors.joining(", "));
            shares.add(new Share(what, Proportion.of(ends.getOrDefault(Ended.GOOD, 0), all, CONFIDENCE), others));
        });
        return shares;
    }
}
