package org.ysometron.app.make;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Printers;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Needs;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.plan.References;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.plan.Budget;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.plan.PrinterLimits;
import org.ysometron.core.working.Figures;

/** Print runs: what was printed by which recipe, from which sample, and where on the plate each specimen stood. */
@Component
public class Runs {

    private final PrintRunRepository runs;
    private final PlacementRepository placements;
    private final Lots lots;
    private final Samples samples;
    private final Products products;
    private final Recipes recipes;
    private final References references;
    private final Needs needs;
    private final Orders orders;
    private final Printers printers;
    private final DifferenceRepository differences;
    private final Clock clock;

    Runs(
            PrintRunRepository runs,
            PlacementRepository placements,
            Lots lots,
            Samples samples,
            Products products,
            Recipes recipes,
            References references,
            Needs needs,
            Orders orders,
            Printers printers,
            DifferenceRepository differences,
            Clock clock) {
        this.printers = printers;
        this.differences = differences;
        this.runs = runs;
        this.placements = placements;
        this.lots = lots;
        this.samples = samples;
        this.products = products;
        this.recipes = recipes;
        this.references = references;
        this.needs = needs;
        this.orders = orders;
        this.clock = clock;
    }

    /** Specimens of one line. */
    public record Batch(PlannedTest test, int count) {}

    /**
     * What the air and the machine were like.
     *
     * @param ambient temperature of the room, as typed
     * @param humidity of the room, as typed
     * @param enclosure temperature in the enclosure, as typed
     * @param enclosureHumidity in the enclosure, as typed
     * @param noticed what somebody present, with ventilation, noticed; never a figure
     * @param differences whatever else differed from the recipe, in words
     */
    public record Surroundings(
            String ambient,
            String humidity,
            String enclosure,
            String enclosureHumidity,
            String spoolState,
            String nozzleHours,
            String noticed,
            String differences) {

        /** Without an enclosure, and nothing was noticed. */
        public Surroundings(
                String ambient, String humidity, String spoolState, String nozzleHours, String differences) {
            this(ambient, humidity, "", "", spoolState, nozzleHours, "", differences);
        }
    }

    /**
     * A setting of a run that differed from its recipe.
     *
     * @param frozen what the recipe says; empty where it says nothing
     * @param matters whether what was printed so is a series of its own
     */
    public record Differed(RecipeField field, String frozen, String used, boolean matters, String reason) {

        /** In words: Fan 30 % instead of 10 %. */
        public String words() {
            return field.title() + " " + used + " instead of " + (frozen.isEmpty() ? "nothing said" : frozen)
                    + (matters ? "" : " (too little to matter)") + (reason.isEmpty() ? "" : ": " + reason);
        }
    }

    /** A setting as it was used, and why. */
    public record Used(RecipeField field, String used, String reason) {}

    /**
     * A run about to be entered.
     *
     * @param request key that makes sending it twice harmless
     * @param scale that the models were printed at
     * @param reference specimens of the reference lot beside each batch; 0 for none
     * @param anyway printed although the sample does not hold enough
     */
    public record NewRun(
            String request,
            long recipeId,
            @Nullable Long sampleId,
            LocalDateTime startedAt,
            Surroundings surroundings,
            List<Used> used,
            Plate plate,
            List<Batch> batches,
            double scale,
            int reference,
            boolean anyway) {

        /** A run as its recipe says. */
        public NewRun(
                String request,
                long recipeId,
                @Nullable Long sampleId,
                LocalDateTime startedAt,
                Surroundings surroundings,
                Plate plate,
                List<Batch> batches,
                double scale,
                int reference,
                boolean anyway) {
            this(
                    request,
                    recipeId,
                    sampleId,
                    startedAt,
                    surroundings,
                    List.of(),
                    plate,
                    batches,
                    scale,
                    reference,
                    anyway);
        }
    }

    /** A specimen on the plate. */
    public record Placed(SpecimenView specimen, double x, double y, Plate.Footprint footprint) {}

    /** A run as other slices see it. */
    public record RunView(
            long id,
            Recipes.RecipeView recipe,
            LocalDateTime startedAt,
            Surroundings surroundings,
            List<Differed> differed,
            Plate plate,
            List<Placed> placed,
            String by) {}

    /** Enters a run: its specimens get an identity, a place and an order of testing. */
    @Write
    public void print(LotView lot, NewRun form, String by) {
        lots.lockUndecided(lot.id());
        if (runs.existsByLotIdAndRequest(lot.id(), form.request())) {
            return;
        }
        Recipes.RecipeView recipe = recipes.recipe(form.recipeId());
        if (recipe.productId() != lot.productId()) {
            throw new Refusal("recipe", "The recipe is for another product.");
        }
        if (form.batches().isEmpty()) {
            throw new Refusal("count", "Say how many specimens of which line were printed.");
        }
        if (form.batches().stream().anyMatch(batch -> !batch.test().design().isPrinted())) {
            throw new Refusal("count", "A piece of the sample is taken off it, and not printed: see further down.");
        }
        if (form.startedAt().isAfter(LocalDateTime.now(clock).plusMinutes(1))) {
            throw new Refusal("startedAt", "The run cannot have begun after now.");
        }
        lots.requireMadeBy("startedAt", lot, form.startedAt(), "The run");
        requireMaterial(lot, form);
        recipes.requirePrinter("count", products.product(lot.productId()), recipe);
        PrinterLimits limits = printers.limits(recipe.printerId());
        if (limits.isLarger(form.plate().width(), form.plate().depth())) {
            throw new Refusal("count", "The plate of " + recipe.printer() + " is smaller than what is typed.");
        }
        PrintRun run = stored(lot, form, recipe, by);
        List<Differed> differed = differed(form, recipe);
        differed.forEach(one -> differences.save(row(run.id, one)));
        Setup setup = recipe.setup()
                .changed(differed.stream()
                        .filter(Differed::matters)
                        .map(one -> one.field().title() + " " + one.used())
                        .sorted()
                        .collect(Collectors.joining(", ")));
        List<SpecimenView> made = specimens(lot, form, setup, by);
        List<Plate.Footprint> footprints = new ArrayList<>();
        for (Batch batch : form.batches()) {
            for (int i = 0; i < batch.count() + form.reference(); i++) {
                footprints.add(Plate.Footprint.of(batch.test()));
            }
        }
        List<Plate.Place> places = form.plate()
                .place(footprints, run.id)
                .orElseThrow(() -> new Refusal(
                        "count",
                        "The plate of " + Figures.plain(form.plate().width(), 4) + " × "
                                + Figures.plain(form.plate().depth(), 4) + " mm does not hold " + footprints.size()
                                + " specimens: print two runs."));
        for (int i = 0; i < made.size(); i++) {
            Plate.Place place = places.get(i);
            Placement row = new Placement();
            row.runId = run.id;
            row.specimenId = made.get(i).id();
            row.atRow = place.row();
            row.atColumn = place.column();
            row.x = place.x();
            row.y = place.y();
            placements.save(row);
        }
        orders.give(lot, by);
    }

    /** Takes pieces off a sample, for a line of the plan whose specimens are not printed. */
    @Write
    public void take(LotView lot, String request, Batch batch, @Nullable Long sampleId, LocalDateTime at, String by) {
        lots.lockUndecided(lot.id());
        if (batch.test().design().isPrinted()) {
            throw new Refusal("pieces", "A specimen of this line is printed: enter its print run.");
        }
        if (sampleId == null) {
            throw new Refusal("pieces", "Say which sample they are taken off.");
        }
        lots.addSet(
                lot.id(),
                Lots.NewSet.of(
                        request,
                        batch.test(),
                        batch.count(),
                        1,
                        new Lots.Making(sampleId, "", at, null, Setup.NONE, null)),
                by);
        orders.give(lot, by);
    }

    /** What differed, each setting once and none that does not differ. */
    private static List<Differed> differed(NewRun form, Recipes.RecipeView recipe) {
        List<Differed> differed = new ArrayList<>();
        for (Used used : form.used()) {
            String frozen = recipe.entries().getOrDefault(used.field(), "");
            String name = used.field().title();
            if (used.used().isBlank()
                    || used.used().length() > 80
                    || used.reason().length() > 200) {
                throw new Refusal("count", name + ": say what was used, in at most 80 characters, and why in 200.");
            }
            if (used.used().strip().equals(frozen)) {
                throw new Refusal("count", name + " " + frozen + " is what the recipe says: it does not differ.");
            }
            if (differed.stream().anyMatch(other -> other.field() == used.field())) {
                throw new Refusal("count", name + " is named twice.");
            }
            used.field().dimension().ifPresent(dimension -> Entry.strict("count", name, used.used())
                    .neededQuantity(dimension));
            differed.add(new Differed(
                    used.field(),
                    frozen,
                    used.used().strip(),
                    used.field().matters(frozen, used.used().strip()),
                    used.reason().strip()));
        }
        return differed;
    }

    private static Difference row(long runId, Differed one) {
        Difference row = new Difference();
        row.runId = runId;
        row.field = one.field();
        row.frozen = one.frozen();
        row.used = one.used();
        row.matters = one.matters();
        row.reason = one.reason();
        return row;
    }

    private List<SpecimenView> specimens(LotView lot, NewRun form, Setup setup, String by) {
        List<SpecimenView> made = new ArrayList<>();
        if (form.reference() > 0) {
            references.take(lot.productId(), form.reference() * form.batches().size());
        }
        for (int i = 0; i < form.batches().size(); i++) {
            Batch batch = form.batches().get(i);
            String key = form.request() + "-" + i;
            made.addAll(lots.addSet(
                    lot.id(), set(key, batch.test(), batch.count(), form, setup, form.sampleId(), null), by));
            if (form.reference() > 0) {
                LotView kept = references.of(lot.productId()).orElseThrow().lot();
                made.addAll(lots.addSet(
                        kept.id(), set(key + "r", batch.test(), form.reference(), form, setup, null, lot.id()), by));
            }
        }
        return made;
    }

    private static Lots.NewSet set(
            String key,
            PlannedTest test,
            int count,
            NewRun form,
            Setup setup,
            @Nullable Long sample,
            @Nullable Long beside) {
        return Lots.NewSet.of(
                key, test, count, form.scale(), new Lots.Making(sample, "", form.startedAt(), null, setup, beside));
    }

    /** Before anything is printed: whether the sample lasts. */
    private void requireMaterial(LotView lot, NewRun form) {
        if (form.sampleId() == null) {
            return;
        }
        Samples.SampleView sample = samples.sample(lot, form.sampleId());
        if (sample.holds().grams().isEmpty() || form.anyway()) {
            return;
        }
        double held = sample.holds().grams().getAsDouble();
        Budget needed = needs.of(products.product(lot.productId()))
                .budget(form.batches().stream()
                        .map(batch -> batch.test().of(batch.count()))
                        .toList());
        double used = used(lot, sample.id());
        if (needed.grams() > held - used) {
            throw new Refusal(
                    "sample",
                    "The run takes " + Figures.decimals(needed.grams(), 0) + " g and " + sample.label() + " holds "
                            + Figures.decimals(Math.max(0, held - used), 0)
                            + " g: it ends before the set. Take another, or say that it was printed anyway.");
        }
    }

    /** What earlier runs took of a sample, in g. */
    private double used(LotView lot, long sampleId) {
        Needs.Ground ground = needs.of(products.product(lot.productId()));
        return lots.specimens(lot.id()).stream()
                .filter(specimen -> specimen.sampleId() != null && specimen.sampleId() == sampleId)
                .mapToDouble(specimen -> specimen.design().volume()
                        / 1000
                        * (1 + ground.material().waste())
                        * ground.material().density())
                .sum();
    }

    private PrintRun stored(LotView lot, NewRun form, Recipes.RecipeView recipe, String by) {
        PrintRun run = new PrintRun();
        run.request = form.request();
        run.lotId = lot.id();
        run.recipeId = recipe.id();
        run.printerId = recipe.printerId();
        run.sampleId = form.sampleId();
        run.startedAt = form.startedAt();
        run.ambient = form.surroundings().ambient();
        run.humidity = form.surroundings().humidity();
        run.spoolState = form.surroundings().spoolState();
        run.nozzleHours = form.surroundings().nozzleHours();
        run.differences = form.surroundings().differences();
        run.enclosure = form.surroundings().enclosure();
        run.enclosureHumidity = form.surroundings().enclosureHumidity();
        run.noticed = form.surroundings().noticed();
        run.plateWidth = form.plate().width();
        run.plateDepth = form.plate().depth();
        run.enteredBy = by;
        run.enteredAt = clock.instant();
        return runs.save(run);
    }

    /** The runs of a lot with where every specimen stood, those of the reference lot among them. */
    @Transactional(readOnly = true)
    public List<RunView> of(LotView lot) {
        List<PrintRun> found = runs.findByLotIdOrderById(lot.id());
        Map<Long, List<Placement>> byRun = new HashMap<>();
        placements.findByRunIdIn(found.stream().map(run -> run.id).toList()).forEach(place -> byRun.computeIfAbsent(
                        place.runId, id -> new ArrayList<>())
                .add(place));
        Map<Long, List<Differed>> differed =
                differences
                        .findByRunIdInOrderById(
                                found.stream().map(run -> run.id).toList())
                        .stream()
                        .collect(Collectors.groupingBy(
                                row -> row.runId,
                                Collectors.mapping(
                                        row -> new Differed(row.field, row.frozen, row.used, row.matters, row.reason),
                                        Collectors.toList())));
        Map<Long, SpecimenView> known = specimens(byRun.values().stream()
                .flatMap(List::stream)
                .map(place -> place.specimenId)
                .toList());
        List<RunView> views = new ArrayList<>();
        for (PrintRun run : found) {
            List<Placed> placed = byRun.getOrDefault(run.id, List.of()).stream()
                    .filter(place -> known.containsKey(place.specimenId))
                    .map(place -> placed(place, known))
                    .toList();
            views.add(new RunView(
                    run.id,
                    recipes.recipe(run.recipeId),
                    run.startedAt,
                    new Surroundings(
                            run.ambient,
                            run.humidity,
                            run.enclosure,
                            run.enclosureHumidity,
                            run.spoolState,
                            run.nozzleHours,
                            run.noticed,
                            run.differences),
                    differed.getOrDefault(run.id, List.of()),
                    new Plate(run.plateWidth, run.plateDepth),
                    placed,
                    run.enteredBy));
        }
        return views;
    }

    private Map<Long, SpecimenView> specimens(Collection<Long> ids) {
        Map<Long, SpecimenView> known = new HashMap<>();
        lots.specimensById(ids).forEach(specimen -> known.put(specimen.id(), specimen));
        return known;
    }

    private static Placed placed(Placement place, Map<Long, SpecimenView> known) {
        SpecimenView specimen = known.get(place.specimenId);
        if (specimen == null) {
            throw new IllegalStateException("place " + place.id + " holds no specimen");
        }
        return new Placed(
                specimen,
                place.x,
                place.y,
                Plate.Footprint.of(specimen.design(), specimen.conditions().orientation()));
    }
}
