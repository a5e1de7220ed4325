package org.ysometron.app.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.NewInstrument;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.equipment.Printers;
import org.ysometron.app.equipment.Upkeep;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Prints;
import org.ysometron.app.make.Runs;
import org.ysometron.app.plan.GradeWeights;
import org.ysometron.app.plan.Masters;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.product.Products;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.plan.PrinterLimits;
import org.ysometron.core.reading.Field;

/** What is not a force: sizes, colours, grades and prints, with the instruments, masters and weights that they ask for. */
@Component
class Looked {

    private static final String BENCH = "bench";
    private static final String BALANCE = "balance 1";
    private static final String COLOUR = "colour instrument 1";

    private final Works works;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final Printers printers;
    private final Upkeep upkeep;
    private final Masters masters;
    private final GradeWeights weights;
    private final Prints prints;
    private final Runs runs;
    private final Treatments treatments;
    private final HoledBar holed;

    Looked(
            Works works,
            Instruments instruments,
            Calibrations calibrations,
            Printers printers,
            Upkeep upkeep,
            Masters masters,
            GradeWeights weights,
            Prints prints,
            Runs runs,
            Treatments treatments,
            HoledBar holed) {
        this.holed = holed;
        this.treatments = treatments;
        this.works = works;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.printers = printers;
        this.upkeep = upkeep;
        this.masters = masters;
        this.weights = weights;
        this.prints = prints;
        this.runs = runs;
    }

    /** Everything, once the lots are there. */
    void run() {
        register();
        skerry();
        dunlin();
        curlew();
        plover();
    }

    private void register() {
        measuring(Kind.BALANCE, BALANCE, 0.002, "K-2331");
        measuring(Kind.DUROMETER_A, "durometer A", 0.5, "K-2332");
        measuring(Kind.DUROMETER_D, "durometer D", 0.5, "K-2333");
        measuring(Kind.COLOUR_INSTRUMENT, COLOUR, 0.05, "K-2334");
        measuring(Kind.DIAMETER_GAUGE, "diameter gauge", 0.002, "K-2335");
    }

    private void measuring(Kind kind, String name, double uncertainty, String certificate) {
        long id = instruments
                .register(new NewInstrument(
                        kind,
                        name,
                        OptionalDouble.empty(),
                        0,
                        uncertainty,
                        new Instruments.Facts(
                                1,
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                "",
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                "",
                                "")))
                .id();
        calibrations.enter(id, works.daysAgo(110), works.daysAgo(-255), certificate, "quality");
    }

    /** What the printers can do, before anybody freezes a recipe for them. */
    void printers() {
        limits("printer 1", 300, 110, true, false, 220);
        limits("printer 2", 290, 110, true, false, 220);
        instruments.register(new NewInstrument(
                Kind.PRINTER,
                "printer 3",
                OptionalDouble.empty(),
                0,
                0,
                Instruments.Facts.holding(1, "0.4 mm brass nozzle, lined hot end")));
        limits("printer 3", 260, 90, false, true, 180);
        log("printer 1", Upkeep.Kind.NOZZLE, 62, "0.4 mm, hardened steel", null);
        log("printer 1", Upkeep.Kind.BELTS, 20, "", null);
        log("printer 4", Upkeep.Kind.LIGHT, 84, "engine 2, new; measured on the film", "4.1 mW/cm²");
        log("printer 4", Upkeep.Kind.FILM, 30, "after 140 prints", null);
    }

    private void limits(String printer, double nozzle, double bed, boolean hardened, boolean lined, double plate) {
        printers.set(
                named(printer),
                new PrinterLimits(
                        OptionalDouble.of(nozzle),
                        OptionalDouble.of(bed),
                        OptionalDouble.empty(),
                        hardened,
                        lined,
                        OptionalDouble.of(plate),
                        OptionalDouble.of(plate)),
                "quality");
    }

    private void log(
            String printer,
            Upkeep.Kind kind,
            int daysAgo,
            String words,
            @org.jspecify.annotations.Nullable String read) {
        upkeep.enter(named(printer), kind, works.daysAgo(daysAgo), words, read, printer + kind + daysAgo, "bench");
    }

    private long named(String name) {
        return instruments.all().stream()
                .filter(instrument -> instrument.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    // ---- lines ---------------------------------------------------------------------------------------------------

    static PlannedTest piece(String method, SpecimenDesign design, int n) {
        return new PlannedTest(
                Sheets.method(method),
                design,
                Orientation.NONE,
                Notch.NONE,
                Basis.AS_SUPPLIED,
                Build.NONE,
                Conditioning.NONE,
                0,
                n,
                "");
    }

    private List<SpecimenView> made(LotView lot, String method, SpecimenDesign design, int n, String process) {
        return works.made(lot, OtherTests.line(method, design, 0, n, process));
    }

    private List<SpecimenView> taken(LotView lot, String method, SpecimenDesign design, int n) {
        return works.made(lot, piece(method, design, n));
    }

    private void test(LotView lot, SpecimenView specimen, Map<String, List<String>> read, String instrument) {
        works.test(lot, specimen, read, End.DONE, instrument);
    }

    /** Grades by the bench, and by a second grader beside them. */
    private void graded(LotView lot, SpecimenView specimen, Map<String, String> grades, Map<String, String> second) {
        Map<String, List<String>> read = new LinkedHashMap<>();
        grades.forEach((field, grade) -> read.put(field, List.of(grade)));
        test(lot, specimen, read, BENCH);
        List<Bench.Entry> beside = new ArrayList<>();
        second.forEach((field, grade) ->
                beside.add(new Bench.Entry(specimen.label(), field, 2, grade, null, named(BENCH), grade)));
        if (!beside.isEmpty()) {
            works.bench.enterTest(lot, specimen.label(), beside, "quality");
        }
    }

    private void quality(LotView lot, int overhang, int bridge, int stringing, int surface, int faults) {
        graded(
                lot,
                made(lot, "print-quality", SpecimenDesign.QUALITY_PIECE, 1, "").get(0),
                Map.of(
                        "overhang", String.valueOf(overhang),
                        "bridge", String.valueOf(bridge),
                        "stringing", String.valueOf(stringing),
                        "surface", String.valueOf(surface),
                        "corner", "1",
                        "small-detail", "2",
                        "first-layers", "2",
                        "layer-faults", String.valueOf(faults)),
                Map.of("stringing", String.valueOf(stringing), "surface", String.valueOf(surface)));
    }

    private void master(
            Products.ProductView product, String method, String colour, Map<String, String> typed, String what) {
        Method known = Sheets.method(method);
        masters.propose(product, known, colour, typed, what, "First master of this colour.", "quality");
        Masters.MasterView last = masters.of(product.id()).stream()
                .filter(view -> view.method().equals(known) && view.colour().equals(colour))
                .reduce((one, other) -> other)
                .orElseThrow();
        masters.sign(product.id(), last.id(), "release");
    }

    private void weights(Products.ProductView product) {
        Map<String, Integer> entries = new LinkedHashMap<>();
        Map<String, Integer> heavy = Map.of("layer-faults", 3, "surface", 2, "overhang", 2);
        for (Field element : GradeWeights.elements(Sheets.method("print-quality"))) {
            entries.put(element.key(), heavy.getOrDefault(element.key(), 1));
        }
        weights.write(
                product,
                Sheets.method("print-quality"),
                entries,
                "Faults between layers and gaps in walls are what customers send parts back for.",
                "quality");
    }

    private void colour(LotView lot, double l, double a, double b, boolean black, long seed) {
        Random chance = new Random(seed);
        for (SpecimenView plaque : made(lot, "colour-of-plaque", SpecimenDesign.PLAQUE, 2, "")) {
            Map<String, List<String>> read = new LinkedHashMap<>();
            read.put("thickness", List.of("2.01", "2.00", "2.02"));
            read.put("l", thrice(l, chance));
            read.put("a", thrice(a, chance));
            read.put("b", thrice(b, chance));
            if (black) {
                read.put("l-black", thrice(l - 9, chance));
                read.put("a-black", thrice(a - 0.3, chance));
                read.put("b-black", thrice(b - 1.2, chance));
            }
            read.put("gloss", List.of("31", "33", "32"));
            test(lot, plaque, read, COLOUR);
        }
    }

    private static List<String> thrice(double value, Random chance) {
        return List.of(
                shown(value + 0.12 * chance.nextGaussian()),
                shown(value + 0.12 * chance.nextGaussian()),
                shown(value + 0.12 * chance.nextGaussian()));
    }

    private static String shown(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }

    private void fill(LotView lot, double share, double density, long seed) {
        Random chance = new Random(seed);
        for (SpecimenView bar : made(lot, "fill-by-weighing", SpecimenDesign.BENDING_BAR, 3, "")) {
            double mass = share * density * 80.02 * 10 * 4 / 1000 + 0.006 * chance.nextGaussian();
            test(
                    lot,
                    bar,
                    Map.of(
                            "length", List.of("80.02"),
                            "width", List.of("10.00", "10.01", "9.99"),
                            "thickness", List.of("4.00", "4.00", "4.00"),
                            "mass", List.of(String.format(Locale.ROOT, "%.3f g", mass))),
                    BALANCE);
        }
    }

    // ---- products ------------------------------------------------------------------------------------------------

    private void skerry() {
        Products.ProductView skerry = works.products.named("skerry-bf10");
        weights(skerry);
        for (String colour : List.of("natural", "slate")) {
            master(
                    skerry,
                    "fill-by-weighing",
                    colour,
                    Map.of("density", "1.36 g/cm³"),
                    "bar M1, moulded and free of bubbles, by displacement");
        }
        master(
                skerry,
                "colour-of-plaque",
                "slate",
                Map.of("master-l", "38.4", "master-a", "-0.8", "master-b", "-4.1"),
                "plaque M4 in the dark cabinet; D65, 10°, mean of ten places");
        List<LotView> waiting = works.lots.undecidedOf(skerry.id()).stream()
                .filter(lot -> lot.code().startsWith("SK-"))
                .filter(lot -> !works.lots.specimens(lot.id()).isEmpty())
                .limit(2)
                .toList();
        for (int i = 0; i < waiting.size(); i++) {
            LotView lot = waiting.get(i);
            quality(lot, 60, 50 - 10 * i, i, 2, 2);
            fill(lot, 0.989, 1.36, 40 + i);
            filler(lot, i == 0 ? 0.101 : 0.097);
        }
        tower(waiting.get(0));
        boxes(waiting.get(1));
        holed.run(waiting.get(1));
        // The wet spool: gaps between lines and steam in the walls, before the bars say anything.
        LotView wet = works.lots.named("SS-0014");
        quality(wet, 45, 20, 2, 0, 1);
        fill(wet, 0.948, 1.36, 44);
        colour(wet, 39.3, -0.7, -3.6, true, 45);
        ends("SS-0015", Map.of(Prints.Ended.GOOD, 5, Prints.Ended.CAME_LOOSE, 1), "a corner lifted");
        ends("SK-0132", Map.of(Prints.Ended.GOOD, 16), "");
    }

    private void ends(String code, Map<Prints.Ended, Integer> ended, String note) {
        works.lots.find(code).ifPresent(lot -> runs.of(lot).stream()
                .limit(1)
                .forEach(run -> prints.enter(lot, run.id(), ended, note, code + "-ends", "bench")));
    }

    private void filler(LotView lot, double share) {
        for (SpecimenView piece : taken(lot, "filler-content", SpecimenDesign.SAMPLE_PIECE, 2)) {
            double empty = 24.31 + 0.01 * piece.id() % 1;
            double sample = 3.04;
            test(
                    lot,
                    piece,
                    Map.of(
                            "crucible", List.of(String.format(Locale.ROOT, "%.3f g", empty)),
                            "with-sample", List.of(String.format(Locale.ROOT, "%.3f g", empty + sample)),
                            "after-ignition",
                                    List.of(String.format(
                                            Locale.ROOT,
                                            "%.3f g",
                                            empty + sample * (share + 0.0006 * (piece.id() % 3 - 1))))),
                    BALANCE);
        }
    }

    private void tower(LotView lot) {
        test(
                lot,
                made(lot, "temperature-tower", SpecimenDesign.STEPPED_TOWER, 1, "")
                        .get(0),
                Map.of(
                        "nozzle", List.of("235 °C", "245 °C", "255 °C", "265 °C", "275 °C"),
                        "step-stringing", List.of("0", "0", "1", "1", "3"),
                        "step-surface", List.of("0", "1", "2", "2", "1"),
                        "step-spike", List.of("0", "1", "2", "2", "2")),
                BENCH);
    }

    private void boxes(LotView lot) {
        for (SpecimenView box : made(lot, "extrusion-check", SpecimenDesign.WALL_BOX, 3, "")) {
            test(lot, box, Map.of("wall", List.of("0.46", "0.46", "0.47", "0.45"), "mass", List.of("2.01 g")), BENCH);
        }
    }

    private void dunlin() {
        Products.ProductView dunlin = works.products.named("dunlin-c2");
        LotView lot = works.lots.undecidedOf(dunlin.id()).stream()
                .filter(one -> !works.lots.specimens(one.id()).isEmpty())
                .findFirst()
                .orElseThrow();
        for (SpecimenView plate : made(lot, "warp", SpecimenDesign.WARP_PLATE, 3, "")) {
            double more = 0.05 * (plate.id() % 3);
            test(
                    lot,
                    plate,
                    Map.of(
                            "flattened", List.of("no"),
                            "corner",
                                    List.of(
                                            shown(1.10 + more),
                                            shown(1.32 + more),
                                            shown(0.98 + more),
                                            shown(1.24 + more)),
                            "bar-end", List.of(shown(2.4 + more), shown(2.1 + more))),
                    BENCH);
        }
        for (SpecimenView strand : taken(lot, "strand-brittleness", SpecimenDesign.STRAND, 5)) {
            test(lot, strand, Map.of("held", List.of("4 mm")), BENCH);
        }
        graded(
                lot,
                made(lot, "bed-adhesion", SpecimenDesign.QUALITY_PIECE, 1, "").get(0),
                Map.of("bed-adhesion", "2"),
                Map.of("bed-adhesion", "1"));
        quality(lot, 45, 30, 1, 1, 2);
        Map<String, List<String>> stood = new LinkedHashMap<>();
        stood.put("stands-in", List.of("open air, humid"));
        stood.put("dry", List.of("6.482 g"));
        stood.put("at", List.of("4 h", "24 h", "72 h"));
        stood.put("mass", List.of("6.482 g", "6.483 g", "6.483 g"));
        test(lot, taken(lot, "water-uptake", SpecimenDesign.SAMPLE_PIECE, 1).get(0), stood, BALANCE);
    }

    private void curlew() {
        Products.ProductView curlew = works.products.named("curlew-r70");
        master(
                curlew,
                "colour-of-plaque",
                "amber",
                Map.of("master-l", "61.0", "master-a", "14.2", "master-b", "48.5"),
                "plaque A2 in the dark cabinet; D65, 10°, mean of ten places");
        LotView lot = works.lots.named("CW-0020");
        for (SpecimenView block : made(lot, "shore-d", SpecimenDesign.HARDNESS_BLOCK, 5, OtherProducts.CURE)) {
            int more = (int) (block.id() % 2);
            test(
                    lot,
                    block,
                    Map.of("thickness", List.of("6.02"), "hardness", List.of("83", "82", "84", "" + (82 + more), "83")),
                    "durometer D");
        }
        colour(lot, 60.2, 14.9, 47.6, true, 46);
        works.intake.enter(
                lot,
                "ARTEFACT",
                Map.of(
                        "printer", "printer 4",
                        "layer", "0.05 mm",
                        "features", """
                                X outer 5 5.12
                                X outer 10 10.13
                                X outer 20 20.12
                                X inner 5 4.89
                                X inner 10 9.88
                                Y outer 5 5.10
                                Y outer 10 10.11
                                Y outer 20 20.09
                                Y inner 5 4.90
                                Y inner 10 9.91
                                """),
                lot.code() + "-artefact",
                "bench");
        // The light engine cures more: threads come out tight, and a cut makes them go by hand.
        graded(
                lot,
                made(lot, "printed-thread", SpecimenDesign.BOLT, 1, OtherProducts.CURE)
                        .get(0),
                Map.of("fit-as-printed", "0", "fit-after-cutting", "2"),
                Map.of());
        graded(
                lot,
                made(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1, OtherProducts.CURE)
                        .get(0),
                Map.of("film-release", "2"),
                Map.of());
        test(
                lot,
                made(lot, "liquid-resistance", SpecimenDesign.PLAQUE, 1, "24 h in isopropanol at 23 °C")
                        .get(0),
                Map.of(
                        "mass-before", List.of("8.112 g"),
                        "mass-after", List.of("8.163 g"),
                        "length-before", List.of("60.02", "60.03"),
                        "length-after", List.of("60.09", "60.10"),
                        "attack", List.of("2")),
                BALANCE);
    }

    /** Plover's clear yellows: the more light a plaque had after the cure, the yellower it is. */
    private void plover() {
        Products.ProductView plover = works.products.named("plover-f30");
        master(
                plover,
                "colour-of-plaque",
                "clear",
                Map.of("master-l", "91.2", "master-a", "-0.6", "master-b", "2.6"),
                "plaque C1 in the dark cabinet; D65, 10°, mean of ten places");
        LotView lot = works.lots.named("PL-0003");
        String cure = OtherProducts.PLOVER_CURE;
        for (SpecimenView block : made(lot, "shore-a", SpecimenDesign.HARDNESS_BLOCK, 5, cure)) {
            int more = (int) (block.id() % 3);
            test(
                    lot,
                    block,
                    Map.of("thickness", List.of("6.01"), "hardness", List.of("70", "" + (70 + more), "71", "72", "71")),
                    "durometer A");
        }
        colour(lot, 90.1, -1.0, 5.8, false, 47);
        int[] doses = {0, 2, 8, 24};
        for (int dose : doses) {
            String process = dose == 0 ? cure : exposed(plover, dose).title();
            for (SpecimenView plaque : made2(lot, "colour-change", process, dose)) {
                double yellow = 9 * (1 - Math.exp(-dose / 7.0)) + 0.1 * (plaque.id() % 3 - 1);
                test(
                        lot,
                        plaque,
                        Map.of(
                                "l", List.of("91.1", "91.2", "91.1"),
                                "a", List.of("-0.6", "-0.7", "-0.6"),
                                "b", List.of("2.6", "2.7", "2.6"),
                                "l-after", List.of(shown(91.1 - 0.12 * yellow)),
                                "a-after", List.of(shown(-0.63 - 0.15 * yellow)),
                                "b-after", List.of(shown(2.63 + yellow))),
                        COLOUR);
            }
        }
        graded(
                lot,
                made(lot, "workability", SpecimenDesign.QUALITY_PIECE, 1, cure).get(0),
                Map.of("sanding", "0", "cutting", "2", "drilling", "1", "painting", "1", "supports-off", "2"),
                Map.of());
    }

    /** A programme of light: at 4.0 mW/cm², so many J/cm². */
    private Treatments.TreatmentView exposed(Products.ProductView product, int joules) {
        return treatments.freeze(
                product.id(),
                Treatments.Kind.EXPOSE,
                joules + " J/cm² of light at 405 nm",
                "4.0 mW/cm², " + joules * 250 + " s",
                Treatments.Pose.LYING,
                Treatments.Status.TRIAL,
                "own study 9, window light of a summer day",
                "quality");
    }

    private List<SpecimenView> made2(LotView lot, String method, String process, int dose) {
        return works.lots.addSet(
                lot.id(),
                org.ysometron.app.lot.Lots.NewSet.of(
                        lot.code() + "-" + method + "-" + dose,
                        OtherTests.line(method, SpecimenDesign.PLAQUE, 0, 3, process),
                        3,
                        1,
                        new org.ysometron.app.lot.Lots.Making(
                                null, process, lot.madeOn().plusDays(1).atTime(12, 0), null)),
                "bench");
    }
}
