package org.ysometron.app.make;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Results;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.plan.References;
import org.ysometron.app.plan.SiteMethods;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Problems;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Family;

/** Shapes the pages of making: runs with their plates, chambers, conditioning, labels and the specimen sheet. */
@Component
class MakePages {

    private final Lots lots;
    private final Products products;
    private final Samples samples;
    private final Plans plans;
    private final Recipes recipes;
    private final Treatments treatments;
    private final Results results;
    private final References references;
    private final SiteMethods methods;
    private final Instruments instruments;
    private final Runs runs;
    private final Chambers chambers;
    private final Histories histories;
    private final Boughts boughts;
    private final Climates climates;
    private final Marks marks;
    private final Orders orders;
    private final Prints prints;

    MakePages(
            Lots lots,
            Products products,
            Samples samples,
            Plans plans,
            Recipes recipes,
            Treatments treatments,
            References references,
            SiteMethods methods,
            Instruments instruments,
            Runs runs,
            Chambers chambers,
            Histories histories,
            Boughts boughts,
            Climates climates,
            Marks marks,
            Prints prints,
            Orders orders,
            Results results) {
        this.results = results;
        this.lots = lots;
        this.products = products;
        this.samples = samples;
        this.plans = plans;
        this.recipes = recipes;
        this.treatments = treatments;
        this.references = references;
        this.methods = methods;
        this.instruments = instruments;
        this.runs = runs;
        this.chambers = chambers;
        this.histories = histories;
        this.boughts = boughts;
        this.climates = climates;
        this.marks = marks;
        this.orders = orders;
        this.prints = prints;
    }

    /** A plan's line with how many specimens are still to be made. */
    record Missing(int index, boolean printed, String label, String terms, int planned, int made, int missing) {}

    /** Specimens that have still to go through the programme that they are planned after. */
    record Waiting(long treatment, String title, String labels) {}

    /** A run with its plate. */
    record RunRow(Runs.RunView run, PlateMap map, Prints.OfRun ended) {}

    /** A chamber run with its map. */
    record ChamberRow(Chambers.ChamberView run, ChamberMap map, String placing) {}

    /** A specimen whose method the bench does not reduce, with its marks. */
    record Marked(String label, String method, List<String> marks) {}

    /** A label. */
    record Label(String code, String lot, String label, String terms, String turn, Codes.Drawn drawn) {}

    /** A row of the specimen sheet. */
    record SheetRow(String turn, String code, String label, String terms) {}

    /** The specimens of one method on the specimen sheet. */
    record SheetPart(String method, List<String> readings, String accordance, String hazard, List<SheetRow> rows) {}

    /** The page of making. */
    void page(LotView lot, Map<String, String> typed, Problems problems, Model model) {
        Products.ProductView product = products.product(lot.productId());
        List<SpecimenView> specimens = lots.specimens(lot.id());
        model.addAttribute("lot", lot);
        model.addAttribute("product", product);
        model.addAttribute("resin", product.family() == Family.RESIN);
        model.addAttribute("request", UUID.randomUUID().toString());
        model.addAttribute("typed", typed);
        model.addAttribute("problems", problems);
        model.addAttribute("missing", missing(lot, specimens));
        model.addAttribute("recipes", recipes.inForce(lot.productId()));
        model.addAttribute("samples", samples.of(lot.id()));
        Optional<References.ReferenceView> reference = references.of(lot.productId());
        model.addAttribute("reference", reference.orElse(null));
        model.addAttribute("referenceDue", reference.isPresent() && references.isDue(lot));
        List<Runs.RunView> printed = runs.of(lot);
        Map<Long, Prints.OfRun> ended =
                prints.of(printed.stream().map(Runs.RunView::id).toList());
        model.addAttribute("endings", Prints.Ended.values());
        model.addAttribute("recipeFields", RecipeField.of(product.family()));
        model.addAttribute(
                "differing",
                IntStream.range(0, MakeController.MOST_DIFFERENCES).boxed().toList());
        model.addAttribute(
                "runs",
                printed.stream()
                        .map(run -> new RunRow(
                                run,
                                PlateMap.of(run, Map.of()),
                                ended.getOrDefault(run.id(), new Prints.OfRun(Map.of(), List.of()))))
                        .toList());
        model.addAttribute(
                "chambers",
                chambers.of(List.of(lot.id())).getOrDefault(lot.id(), List.of()).stream()
                        .map(run -> new ChamberRow(run, ChamberMap.of(run, Map.of()), placing(run)))
                        .toList());
        model.addAttribute("confounded", chambers.confounded(lot).orElse(null));
        model.addAttribute("treatments", treatments.of(lot.productId()));
        Set<Long> over =
                results.known(specimens.stream().map(SpecimenView::id).toList()).keySet();
        model.addAttribute(
                "waiting",
                chambers
                        .waiting(
                                lot,
                                specimens.stream()
                                        .filter(specimen -> !over.contains(specimen.id()))
                                        .toList())
                        .entrySet()
                        .stream()
                        .map(entry -> new Waiting(
                                entry.getKey().id(),
                                entry.getKey().title(),
                                entry.getValue().stream()
                                        .map(SpecimenView::label)
                                        .collect(Collectors.joining(" "))))
                        .toList());
        model.addAttribute(
                "ovens",
                instruments.all().stream()
                        .filter(i -> i.kind() == Kind.OVEN || i.kind() == Kind.CURE_CHAMBER)
                        .toList());
        model.addAttribute("poses", Treatments.Pose.values());
        model.addAttribute("placings", Chambers.Placing.values());
        model.addAttribute("climates", climates.of(lot));
        model.addAttribute("reworks", histories.of(lot));
        model.addAttribute("kinds", Histories.Kind.values());
        model.addAttribute("boughts", boughts.of(lot));
        model.addAttribute("marked", marked(specimens));
        model.addAttribute("markKinds", Marks.Kind.values());
        model.addAttribute("order", orders.number(lot.id()).orElse(null));
        model.addAttribute("specimens", specimens);
    }

    /** The plan's lines with what is missing of each; a lot without a plan has none. */
    List<Missing> missing(LotView lot, List<SpecimenView> specimens) {
        List<Missing> missing = new ArrayList<>();
        List<Plans.Line> lines =
                plans.ofLot(lot.id()).map(Plans.LotPlanView::lines).orElse(List.of());
        List<String> names =
                PlannedTest.names(lines.stream().map(Plans.Line::test).toList());
        for (int i = 0; i < lines.size(); i++) {
            Plans.Line line = lines.get(i);
            if (!line.leftOut()) {
                int made = (int) specimens.stream()
                        .filter(s -> s.conditions().equals(line.test().conditions()))
                        .count();
                missing.add(new Missing(
                        i,
                        line.test().design().isPrinted(),
                        names.get(i),
                        line.test().conditions().words(),
                        line.test().n(),
                        made,
                        Math.max(0, line.test().n() - made)));
            }
        }
        return missing;
    }

    private static String placing(Chambers.ChamberView run) {
        if (run.cycles() == 1) {
            return "one cycle, places by chance";
        }
        boolean moved = run.placed().stream().anyMatch(placed -> run.placed().stream()
                .anyMatch(other -> other.specimen().id() == placed.specimen().id() && other.place() != placed.place()));
        return run.cycles() + " cycles, places " + (moved ? Chambers.Placing.SHUFFLED : Chambers.Placing.FIXED).words();
    }

    private List<Marked> marked(List<SpecimenView> specimens) {
        List<SpecimenView> others = specimens.stream()
                .filter(specimen -> Methods.of(specimen.conditions().method())
                        .filter(method -> method.data().days() > 0)
                        .isPresent())
                .toList();
        Map<Long, List<Marks.MarkView>> all =
                marks.of(others.stream().map(SpecimenView::id).toList());
        return others.stream()
                .map(specimen -> new Marked(
                        specimen.label(),
                        Methods.titleOf(specimen.conditions().method()),
                        all.getOrDefault(specimen.id(), List.of()).stream()
                                .map(mark -> mark.kind().words()
                                        + (mark.words().isEmpty() ? "" : " " + mark.words()) + ", "
                                        + mark.at().toString().replace('T', ' ').substring(0, 16) + ", " + mark.by())
                                .toList()))
                .toList();
    }

    List<Label> labels(LotView lot, @Nullable String only) {
        List<SpecimenView> specimens = lots.specimens(lot.id());
        Map<Long, Integer> turns = orders.turns(lot.id(), specimens);
        return inOrder(specimens, turns).stream()
                .filter(specimen ->
                        only == null || only.isBlank() || specimen.label().equalsIgnoreCase(only.strip()))
                .map(specimen -> new Label(
                        specimen.code(),
                        lot.code(),
                        specimen.label(),
                        Methods.titleOf(specimen.conditions().method()) + ", "
                                + specimen.conditions().orientation().words(),
                        turn(specimen, turns),
                        Codes.draw(specimen.code())))
                .toList();
    }

    List<SheetPart> sheet(LotView lot) {
        List<SpecimenView> specimens = lots.specimens(lot.id());
        Map<Long, Integer> turns = orders.turns(lot.id(), specimens);
        List<SheetPart> parts = new ArrayList<>();
        for (Method method : Methods.all()) {
            List<SheetRow> rows = inOrder(specimens, turns).stream()
                    .filter(specimen ->
                            specimen.conditions().method().equals(method.data().id()))
                    .map(specimen -> new SheetRow(
                            turn(specimen, turns),
                            specimen.code(),
                            specimen.label(),
                            specimen.conditions().orientation().words() + ", "
                                    + specimen.conditions().conditioning().words()))
                    .toList();
            if (!rows.isEmpty()) {
                parts.add(new SheetPart(
                        methods.of(method).pinned(),
                        method.data().sheet().described(),
                        method.data().accordance(),
                        String.join(" ", method.data().hazards()),
                        rows));
            }
        }
        return parts;
    }

    private static List<SpecimenView> inOrder(List<SpecimenView> specimens, Map<Long, Integer> turns) {
        return specimens.stream()
                .sorted(Comparator.comparingInt(
                        (SpecimenView specimen) -> turns.getOrDefault(specimen.id(), Integer.MAX_VALUE)))
                .toList();
    }

    private static String turn(SpecimenView specimen, Map<Long, Integer> turns) {
        Integer turn = turns.get(specimen.id());
        return turn == null ? "" : String.valueOf(turn);
    }
}
