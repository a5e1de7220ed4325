package org.ysometron.app.demo;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.CheckStandards;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.Facts;
import org.ysometron.app.equipment.Instruments.NewInstrument;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Boughts;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.make.Climates;
import org.ysometron.app.make.Marks;
import org.ysometron.app.make.Runs;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.plan.References;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications.Draft;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.publication.Publication;

/** The invented supplier's workshop: its machines, plans and recipes, and lots in every state of being made. */
@Component
class Workshop {

    private static final Lots.Origin SKERRY = made("line 1", "12 %", "F3");

    private final Works works;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final CheckStandards standards;
    private final Plans plans;
    private final Recipes recipes;
    private final Treatments treatments;
    private final References references;
    private final Runs runs;
    private final Chambers chambers;
    private final Climates climates;
    private static final String SOFT_CURE = "2.6 s a layer; cured 20 min at 40 °C";

    private final OtherTests others;
    private final Marks marks;
    private final Boughts boughts;

    Workshop(
            Works works,
            Instruments instruments,
            Calibrations calibrations,
            CheckStandards standards,
            Plans plans,
            Recipes recipes,
            Treatments treatments,
            References references,
            Runs runs,
            Chambers chambers,
            Climates climates,
            OtherTests others,
            Marks marks,
            Boughts boughts) {
        this.works = works;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.standards = standards;
        this.plans = plans;
        this.recipes = recipes;
        this.treatments = treatments;
        this.references = references;
        this.runs = runs;
        this.chambers = chambers;
        this.climates = climates;
        this.others = others;
        this.marks = marks;
        this.boughts = boughts;
    }

    private static Lots.Origin made(String line, String regrind, String formulation) {
        return new Lots.Origin(line, regrind, new Blend(formulation, "", 0), List.of());
    }

    // ---- machines ----------------------------------------------------------------------------------------------

    /** Registers what stands in the workshop beside the gauges; returns the load cell of the second frame. */
    long machines(long gauge, long calipers) {
        station(Kind.PRINTER, "printer 1", 1, "0.4 mm hardened nozzle");
        station(Kind.PRINTER, "printer 2", 1, "0.4 mm hardened nozzle");
        station(Kind.PRINTER, "printer 4", 1, "resin; light engine replaced in the spring");
        station(Kind.LIGHT_ENGINE, "405 nm engine 2", 1, "in printer 4");
        station(Kind.DRYER, "dryer", 2, "two spools");
        station(Kind.CURE_CHAMBER, "cure chamber", 1, "turntable, 60 °C");
        station(Kind.OVEN, "oven 1", 1, "");
        station(Kind.CLIMATE, "climate box", 6, "23 °C, 50 % RH");
        station(Kind.CREEP_RIG, "creep rig", 5, "five arms");
        station(Kind.BENCH, "bench", 1, "");
        long hammer = measuring(Kind.PENDULUM, "hammer of 4 J", 4, 0.01, "", 0.02);
        long heavy = measuring(Kind.PENDULUM, "hammer of 15 J", 15, 0.01, "", 0.05);
        long oven = machine("oven 1");
        calibrations.enter(oven, works.daysAgo(95), works.daysAgo(-270), "K-2305", "quality");
        long weights = measuring(Kind.WEIGHTS, "creep weights", 400, 0.001, "", 0);
        long travel = measuring(Kind.DISPLACEMENT_GAUGE, "displacement gauge", 12, 0.003, "", 0);
        calibrations.enter(travel, works.daysAgo(75), works.daysAgo(-290), "K-2318", "quality");
        long torque = measuring(Kind.TORQUE_GAUGE, "torque gauge", 5, 0.01, "", 0);
        calibrations.enter(torque, works.daysAgo(70), works.daysAgo(-295), "K-2316", "quality");
        calibrations.enter(heavy, works.daysAgo(80), works.daysAgo(-285), "K-2312", "quality");
        calibrations.enter(weights, works.daysAgo(210), works.daysAgo(-885), "K-2287", "quality");
        calibrations.enter(hammer, works.daysAgo(80), works.daysAgo(-285), "K-2311", "quality");
        long second = instruments
                .register(new NewInstrument(
                        Kind.FORCE_GAUGE,
                        "frame 2 load cell",
                        OptionalDouble.of(5000),
                        0.003,
                        0,
                        new Facts(
                                1,
                                OptionalDouble.of(1),
                                OptionalDouble.of(10),
                                "1 to 500 mm/min",
                                OptionalDouble.of(0.0009),
                                OptionalDouble.empty(),
                                "frame 2, screw grips",
                                "")))
                .id();
        calibrations.enter(second, works.daysAgo(60), works.daysAgo(-305), "K-2320", "quality");
        long mass = standards.keep(gauge, "mass of 10 kg", 98.07, 0.5, "N");
        long block = standards.keep(calipers, "gauge block of 4 mm", 4, 0.02, "mm");
        Random chance = new Random(14);
        for (int week = 14; week >= 0; week--) {
            Instant at = Instant.now().minus(7L * week, ChronoUnit.DAYS);
            standards.read(mass, format("%.2f N", 98.05 + 0.1 * chance.nextGaussian()), "bench", at);
            standards.read(block, format("%.2f mm", 4 + 0.005 * chance.nextGaussian()), "bench", at);
        }
        return second;
    }

    private long station(Kind kind, String name, int places, String note) {
        return instruments
                .register(new NewInstrument(kind, name, OptionalDouble.empty(), 0, 0, Facts.holding(places, note)))
                .id();
    }

    private long measuring(Kind kind, String name, double capacity, double uncertainty, String note, double loss) {
        return instruments
                .register(new NewInstrument(
                        kind,
                        name,
                        OptionalDouble.of(capacity),
                        uncertainty,
                        0,
                        new Facts(
                                1,
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                "",
                                OptionalDouble.empty(),
                                loss > 0 ? OptionalDouble.of(loss) : OptionalDouble.empty(),
                                "",
                                note)))
                .id();
    }

    private long machine(String name) {
        return instruments.all().stream()
                .filter(instrument -> instrument.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    // ---- plans and recipes -------------------------------------------------------------------------------------

    private static PlannedTest tension(Orientation orientation, Conditioning conditioning, String process) {
        return new PlannedTest(
                Sheets.method("tension"),
                SpecimenDesign.TENSION_BAR_4,
                orientation,
                Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                conditioning,
                Sheets.RATE,
                Sheets.SPECIMENS,
                process);
    }

    private static PlannedTest other(Method method, SpecimenDesign design, Notch notch, double rate, int n) {
        return new PlannedTest(
                method, design, Orientation.XY, notch, Basis.SOLID, Build.NONE, Conditioning.DRY, rate, n, "");
    }

    void skerry(List<LotView> undecided, int lots) {
        Products.ProductView skerry = works.products.named("skerry-bf10");
        plans.revise(
                skerry.id(),
                List.of(
                        Plans.Line.of(tension(Orientation.XY, Conditioning.DRY, "")),
                        Plans.Line.of(tension(Orientation.ZX, Conditioning.DRY, "")),
                        new Plans.Line(OtherTests.hooks(2), "620 N", false, ""),
                        new Plans.Line(OtherTests.bending(3, ""), "140 N", false, ""),
                        new Plans.Line(OtherTests.threads(3), "1.8 N·m", false, "")),
                "Both orientations that the datasheet claims, the hook that customers hang things on, bars on two supports and"
                        + " threads cut into it.",
                "quality");
        recipe(
                skerry,
                "printer 1",
                List.of(
                        "255 °C",
                        "100 °C",
                        "closed, unheated",
                        "10 %",
                        "9 mm³/s",
                        "0.2 mm",
                        "all walls",
                        "100 %, along",
                        "0.45 mm",
                        "",
                        "0.4 mm",
                        "hardened steel",
                        "off up to layer 3",
                        "50 mm/s",
                        "all solid",
                        "0.98",
                        "12 s",
                        "textured steel sheet",
                        "none",
                        "dry box at 14 %",
                        "all at once",
                        "slicer A, 2.7"),
                "datasheet S7");
        recipe(
                skerry,
                "printer 2",
                List.of(
                        "258 °C",
                        "100 °C",
                        "closed, unheated",
                        "10 %",
                        "9 mm³/s",
                        "0.2 mm",
                        "all walls",
                        "100 %, along",
                        "0.45 mm"),
                "datasheet S7, nozzle measured 3 °C colder");
        undecided.forEach(plans::copy);
        // The lots at the gate have carried their hooks; those at the bench have not.
        undecided.forEach(lot -> others.skerry(lot, 618 - 4 * undecided.indexOf(lot), undecided.indexOf(lot) == 0));
        justMade(SkerryTruth.code(lots));
        printed(SkerryTruth.code(lots + 1));
        scaled();
    }

    /** Settings with a reason of their own, wherever a recipe has them. */
    private static final Map<RecipeField, Recipes.Why> WHYS = Map.of(
            RecipeField.NOZZLE,
            new Recipes.Why("the tip is colder than what is set", "thermocouple at the tip, own study 3"),
            RecipeField.EXTRUSION,
            new Recipes.Why("walls of 0.46 mm came out of 0.45 mm", "extrusion check of 12 boxes"));

    private void recipe(Products.ProductView product, String printer, List<String> values, String source) {
        Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
        List<RecipeField> fields = RecipeField.of(product.family());
        for (int i = 0; i < values.size(); i++) {
            entries.put(fields.get(i), values.get(i));
        }
        recipes.freeze(
                product,
                machine(printer),
                entries,
                WHYS,
                source.contains(",") ? Recipes.Status.TUNED : Recipes.Status.MAKERS,
                source,
                "First recipe frozen for this printer.",
                "quality");
    }

    /** Nothing is done yet: drying is due. */
    private void justMade(String code) {
        LotView lot = works.lots.enter(
                new Lots.NewLot(code, "skerry-bf10", "natural", works.daysAgo(1), "240 spools of 750 g", "", SKERRY),
                "bench");
        plans.want(lot, works.daysAgo(-9), null, "");
    }

    /** Dried and printed this morning, with bars of the reference lot beside it; to be measured today. */
    private void printed(String code) {
        LotView lot = works.lots.enter(
                new Lots.NewLot(code, "skerry-bf10", "natural", works.daysAgo(3), "240 spools of 750 g", "", SKERRY),
                "bench");
        works.dried(lot, now().minusHours(9));
        plans.want(lot, works.daysAgo(-4), null, "");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 1, top layer");
        print(lot, "printer 1", List.of(Sheets.SPECIMENS, Sheets.SPECIMENS, 0), 3, now().minusHours(8));
    }

    /** Bars whose model somebody scaled to 95 %. */
    private void scaled() {
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        "SS-0015",
                        "skerry-bf10",
                        "slate",
                        works.daysAgo(2),
                        "120 spools of 750 g",
                        "Printed in a hurry."),
                "bench");
        works.dried(lot, now().minusHours(30));
        print(lot, "printer 2", List.of(Sheets.SPECIMENS, 0, 0), 0, now().minusHours(28));
        Random chance = new Random(95);
        List<Bench.Entry> entries = new ArrayList<>();
        for (SpecimenView bar : works.lots.specimens(lot.id())) {
            for (int place = 1; place <= 3; place++) {
                entries.add(size(bar, "width", place, 3.81 + 0.008 * chance.nextGaussian()));
                entries.add(size(bar, "thickness", place, 3.79 + 0.008 * chance.nextGaussian()));
            }
        }
        works.bench.enterAll(lot, entries, "bench", null);
    }

    void dunlin(long gauge) {
        Products.ProductView dunlin = works.products.named("dunlin-c2");
        List<Plans.Line> lines = List.of(
                Plans.Line.of(tension(Orientation.XY, Conditioning.DRY, "")),
                Plans.Line.of(tension(Orientation.XY, Conditioning.CONDITIONED, "")),
                new Plans.Line(
                        other(
                                Sheets.method("pendulum-impact"),
                                SpecimenDesign.IMPACT_BAR_NOTCHED,
                                Notch.ACROSS,
                                174_000, // 2.9 m/s
                                10),
                        "0.3 J",
                        false,
                        ""),
                new Plans.Line(
                        other(Sheets.method("creep"), SpecimenDesign.TENSION_BAR_4, Notch.NONE, 0, 3),
                        "120 N",
                        false,
                        ""),
                Plans.Line.of(OtherTests.heat(2)));
        plans.revise(
                dunlin.id(),
                lines,
                "The published strength, and what customers ask for: conditioned, cold, warm and for long.",
                "quality");
        recipe(
                dunlin,
                "printer 2",
                List.of(
                        "241 °C",
                        "85 °C",
                        "closed, unheated",
                        "30 %",
                        "8 mm³/s",
                        "0.2 mm",
                        "all walls",
                        "100 %, along",
                        "0.45 mm"),
                "datasheet D2, nozzle measured colder");
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        "DN-0051",
                        "dunlin-c2",
                        "natural",
                        works.daysAgo(8),
                        "300 spools of 700 g",
                        "",
                        made("line 2", "0 %", "C2-b")),
                "bench");
        plans.want(lot, works.daysAgo(-12), null, "");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 2, second layer");
        print(lot, "printer 2", List.of(5, 5, 0, 3), 0, now().minusHours(186));
        List<SpecimenView> all = works.lots.specimens(lot.id());
        SpecimenView conditioned = all.stream()
                .filter(s -> s.conditions().conditioning() == Conditioning.CONDITIONED)
                .findFirst()
                .orElseThrow();
        climates.move(lot, conditioned.setId(), now().minusHours(84), null, "23 °C, 50 % RH", "", "bench");
        climates.weigh(lot, conditioned.setId(), "8.551 g", now().minusHours(52), "", "bench");
        climates.weigh(lot, conditioned.setId(), "8.563 g", now().minusHours(27), "", "bench");
        List<SpecimenView> hung = all.stream()
                .filter(s -> s.conditions().method().equals("creep"))
                .toList();
        marks.set(
                lot,
                hung.stream().map(SpecimenView::label).toList(),
                Marks.Kind.BEGUN,
                "12.26 kg, 23 °C",
                now().minusHours(170),
                "bench");
        marks.set(
                lot,
                hung.stream().map(SpecimenView::label).toList(),
                Marks.Kind.READ,
                "day 1; the figures are at the bench",
                now().minusHours(146),
                "bench");
        marks.set(
                lot,
                hung.stream().map(SpecimenView::label).toList(),
                Marks.Kind.READ,
                "day 3; the figures are at the bench",
                now().minusHours(98),
                "bench");
        others.creep(lot, hung);
        others.dunlin(lot);
        others.stiffness(lot);
        LotView bought = works.lots.enter(
                new Lots.NewLot("DN-0052", "dunlin-c2", "fern", works.daysAgo(6), "120 spools of 700 g", ""), "bench");
        boughts.receive(
                bought,
                new Boughts.NewBought(
                        "DN-0052-bought",
                        tension(Orientation.XY, Conditioning.DRY, ""),
                        5,
                        "outside service A",
                        "their machine 7",
                        "B4",
                        "a wall under 2 mm at the shoulder",
                        "shoulder radius raised from 1.5 to 3 mm",
                        works.daysAgo(1)),
                "bench");
        annealed(dunlin, lines, gauge);
    }

    /**
     * The first lot under a new datasheet, which promises what the shop page had only said: as strong across as along, and
     * stronger after an anneal. It holds for one of the two.
     */
    private void annealed(Products.ProductView dunlin, List<Plans.Line> before, long gauge) {
        Treatments.TreatmentView anneal = treatments.freeze(
                dunlin.id(),
                Treatments.Kind.ANNEAL,
                "anneal",
                "100 °C, 120 min",
                Treatments.Pose.LYING,
                Treatments.Status.TRIAL,
                "own trials of the spring",
                "quality");
        List<Draft> sheet = new ArrayList<>(OtherProducts.dunlinSheet());
        sheet.add(Sheets.claims(
                Sheets.topic("along-across-tension-strength"),
                Form.BETWEEN,
                "0.95–1.05",
                Sheets.bar(Orientation.XY, "")));
        sheet.add(Sheets.claims(
                Sheets.topic("treated-tension-strength"),
                Form.AT_LEAST,
                "1.1",
                Sheets.bar(Orientation.XY, anneal.title())));
        works.publish(dunlin, Publication.Kind.DATASHEET, 3, "datasheet D3, page 1", sheet);
        List<Plans.Line> lines = new ArrayList<>(before);
        lines.add(Plans.Line.of(tension(Orientation.YX, Conditioning.DRY, "")));
        lines.add(Plans.Line.of(tension(Orientation.XY, Conditioning.DRY, anneal.title())));
        plans.revise(dunlin.id(), lines, "What datasheet D3 promises beside: across, and annealed.", "quality");
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        "DN-0053",
                        "dunlin-c2",
                        "natural",
                        works.daysAgo(3),
                        "300 spools of 700 g",
                        "",
                        made("line 2", "0 %", "C2-b")),
                "bench");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 1, top layer");
        print(lot, "printer 2", List.of(5, 0, 0, 0, 0, 5, 5), 0, now().minusHours(60));
        List<SpecimenView> bars = works.lots.specimens(lot.id());
        List<SpecimenView> treated = bars.stream()
                .filter(bar -> bar.conditions().process().equals(anneal.title()))
                .toList();
        chambers.treat(
                lot,
                new Chambers.NewChamber(
                        "DN-0053-anneal",
                        anneal.id(),
                        machine("oven 1"),
                        now().minusHours(50),
                        1,
                        1,
                        treated.size(),
                        Chambers.Placing.FIXED,
                        Treatments.Pose.LYING,
                        treated.stream().map(SpecimenView::label).toList(),
                        "99 to 101 °C"),
                "bench");
        Random chance = new Random(53);
        for (SpecimenView bar : bars) {
            double across = bar.conditions().orientation() == Orientation.YX ? 0.995 : 1;
            double factor = treated.contains(bar) ? 1.06 : across;
            breaking(lot, List.of(bar), gauge, 23.1 * factor, 0.25, chance);
        }
    }

    /** Bars of four lots broken once more in the second frame, whose screw grips read a little higher. */
    void secondFrame(LotView lot, long cell, double mean, Random chance) {
        List<SpecimenView> bars = works.lots.addSet(
                lot.id(),
                new Lots.NewSet(
                        lot.code() + "-frame-2",
                        SpecimenDesign.TENSION_BAR_4,
                        Orientation.XY,
                        Basis.SOLID,
                        Conditioning.DRY,
                        Sheets.RATE,
                        Sheets.SPECIMENS,
                        new Lots.Making(null, "", lot.madeOn().plusDays(1).atTime(12, 0), null)),
                "bench");
        breaking(lot, bars, cell, mean + 0.6, 0.35, chance);
    }

    void curlew(long gauge) {
        Products.ProductView curlew = works.products.named("curlew-r70");
        plans.revise(
                curlew.id(),
                List.of(
                        Plans.Line.of(new PlannedTest(
                                Sheets.method("tension"),
                                SpecimenDesign.TENSION_BAR_4,
                                Orientation.XY,
                                Notch.NONE,
                                Basis.SOLID,
                                Build.NONE,
                                Conditioning.DRY,
                                Sheets.RATE,
                                12,
                                OtherProducts.CURE)),
                        Plans.Line.of(OtherTests.bending(5, OtherProducts.CURE)),
                        Plans.Line.of(OtherTests.rods(3, OtherProducts.CURE)),
                        Plans.Line.of(OtherTests.pins(3, OtherProducts.CURE))),
                "Twelve bars: two rows of the turntable, so that a place effect would show. Bars on supports, rods and pins"
                        + " beside them.",
                "quality");
        recipe(
                curlew,
                "printer 4",
                List.of(
                        "0.05 mm",
                        "2.4 s",
                        "30 s",
                        "6 mm at 60 mm/min",
                        "25 °C",
                        "two baths of 3 min",
                        "60 min at 60 °C"),
                "datasheet C4");
        Treatments.TreatmentView cure = treatments.freeze(
                curlew.id(),
                Treatments.Kind.CURE,
                "standard cure",
                "60 °C, 30 min",
                Treatments.Pose.STANDING,
                Treatments.Status.REFERENCE,
                "datasheet C4, halved for two cycles",
                "quality");
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        "CW-0021",
                        "curlew-r70",
                        "amber",
                        works.daysAgo(4),
                        "180 bottles of 1 l",
                        "",
                        made("kettle", "", "R70-5")),
                "bench");
        works.draw(lot, "B1", Samples.Place.MIDDLE, "second tray from the kettle");
        print(lot, "printer 4", List.of(12), 0, now().minusHours(60));
        List<SpecimenView> bars = works.lots.specimens(lot.id());
        chambers.treat(
                lot,
                new Chambers.NewChamber(
                        "CW-0021-cure",
                        cure.id(),
                        machine("cure chamber"),
                        now().minusHours(52),
                        2,
                        3,
                        4,
                        Chambers.Placing.FIXED,
                        Treatments.Pose.STANDING,
                        bars.stream().map(SpecimenView::label).toList(),
                        "58 to 61 °C"),
                "bench");
        // The row by the door stays colder.
        Random chance = new Random(21);
        Map<Long, Integer> rows = new java.util.HashMap<>();
        chambers.of(List.of(lot.id()))
                .values()
                .forEach(list -> list.forEach(run -> run.placed()
                        .forEach(placed -> rows.put(placed.specimen().id(), placed.place() / run.columns()))));
        for (SpecimenView bar : bars) {
            double mean = 64.5 - (rows.getOrDefault(bar.id(), 0) == 2 ? 3.6 : 0);
            breaking(lot, List.of(bar), gauge, mean, 0.9, chance);
        }
        others.curlew(lot);
    }

    void plover() {
        Products.ProductView plover = works.products.named("plover-f30");
        plans.revise(
                plover.id(),
                List.of(
                        Plans.Line.of(tension(Orientation.XY, Conditioning.DRY, SOFT_CURE)),
                        Plans.Line.of(OtherTests.strips(3, SOFT_CURE)),
                        Plans.Line.of(OtherTests.tears(3, SOFT_CURE))),
                "The one claim of the draft datasheet, and what is asked of anything that stretches.",
                "quality");
        LotView bad = works.lots.enter(
                new Lots.NewLot("PL-0001", "plover-f30", "clear", works.daysAgo(30), "40 bottles of 1 l", "First try."),
                "bench");
        works.conclude(bad, Disposition.REJECT, "Gelled in the bottle.");
        LotView held = works.lots.enter(
                new Lots.NewLot("PL-0002", "plover-f30", "clear", works.daysAgo(16), "40 bottles of 1 l", ""), "bench");
        works.conclude(held, Disposition.HOLD, "Waits for the cure programme to be settled.");
        LotView last = works.lots.named("PL-0003");
        plans.copy(last);
        others.plover(last, SOFT_CURE);
    }

    // ---- reference lots ----------------------------------------------------------------------------------------

    /** A retained lot, tested beside some of these lots: {@code mean} as the tester saw it each time. */
    void reference(
            String code,
            String product,
            String colour,
            List<LotView> beside,
            Orientation orientation,
            String process,
            java.util.function.IntToDoubleFunction mean,
            long gauge) {
        LotView kept = works.lots.enter(
                new Lots.NewLot(
                        code,
                        product,
                        colour,
                        beside.get(0).madeOn(),
                        "12 spools or bottles kept",
                        "Kept as reference."),
                "bench");
        references.retain(kept, 5, 30, 24, "quality");
        Random chance = new Random(code.hashCode());
        for (int i = 0; i < beside.size(); i++) {
            LotView lot = beside.get(i);
            List<SpecimenView> bars = works.lots.addSet(
                    kept.id(),
                    new Lots.NewSet(
                            code + "-" + lot.code() + orientation,
                            SpecimenDesign.TENSION_BAR_4,
                            orientation,
                            Basis.SOLID,
                            Conditioning.DRY,
                            Sheets.RATE,
                            3,
                            new Lots.Making(
                                    null, process, lot.madeOn().plusDays(1).atTime(12, 0), null, Setup.NONE, lot.id())),
                    "bench");
            breaking(kept, bars, gauge, mean.applyAsDouble(i) + 0.25 * chance.nextGaussian(), 0.6, chance);
        }
    }

    // ---- steps -------------------------------------------------------------------------------------------------

    private void print(LotView lot, String printer, List<Integer> counts, int reference, LocalDateTime at) {
        List<Plans.Line> lines = plans.ofLot(lot.id()).orElseThrow().lines();
        List<Runs.Batch> batches = new ArrayList<>();
        for (int i = 0; i < counts.size(); i++) {
            if (counts.get(i) > 0) {
                batches.add(new Runs.Batch(lines.get(i).test(), counts.get(i)));
            }
        }
        Recipes.RecipeView recipe = recipes.inForce(lot.productId()).stream()
                .filter(known -> known.printer().equals(printer))
                .findFirst()
                .orElseThrow();
        runs.print(
                lot,
                new Runs.NewRun(
                        lot.code() + "-run",
                        recipe.id(),
                        null,
                        at,
                        new Runs.Surroundings("22 °C", "44 %", "out of the dry box 15 min", "120 h", ""),
                        new Plate(220, 220),
                        batches,
                        1,
                        reference,
                        false),
                "bench");
    }

    private void breaking(
            LotView lot, List<SpecimenView> bars, long gauge, double mean, double scatter, Random chance) {
        List<Bench.Entry> entries = new ArrayList<>();
        for (SpecimenView bar : bars) {
            double width = 4.0 + 0.012 * chance.nextGaussian();
            double thickness = 3.99 + 0.012 * chance.nextGaussian();
            for (int place = 1; place <= 3; place++) {
                entries.add(size(bar, "width", place, width + 0.005 * chance.nextGaussian()));
                entries.add(size(bar, "thickness", place, thickness + 0.005 * chance.nextGaussian()));
            }
            String force = format("%.0f", (mean + scatter * chance.nextGaussian()) * width * thickness);
            entries.add(new Bench.Entry(bar.label(), "force", 1, force, End.BROKE_IN_GAUGE, gauge, force));
        }
        works.bench.enterAll(lot, entries, "bench", null);
    }

    private static Bench.Entry size(SpecimenView bar, String field, int place, double size) {
        String typed = format("%.2f", size);
        return new Bench.Entry(bar.label(), field, place, typed, null, 0, typed);
    }

    private LocalDateTime now() {
        return works.now();
    }

    private static String format(String pattern, double value) {
        return String.format(Locale.ROOT, pattern, value);
    }
}
