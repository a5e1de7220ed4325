package org.ysometron.app;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.curve.Second;
import org.ysometron.app.curve.Uploads;
import org.ysometron.app.design.SiteDesigns;
import org.ysometron.app.drift.Baselines;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.Facts;
import org.ysometron.app.equipment.Instruments.NewInstrument;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.gate.Decisions;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.intake.Logs;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Remedies;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Climates;
import org.ysometron.app.make.Marks;
import org.ysometron.app.make.Runs;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.plan.References;
import org.ysometron.app.product.Life;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.PublishedValue;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;

/**
 * Small random sites, each from its seed: a product with publications, plan and recipe, and up to four lots in any state. What
 * people do seldom is done often here: values that are all alike, sets in which nothing broke or everything slipped, two set-ups,
 * claims without terms, lots without anything.
 */
@Component
class RandomSites {

    private static final List<Setup> SETUPS =
            List.of(Setup.NONE, Setup.printed("printer 1", 1), Setup.printed("printer 2", 1));

    private final SiteDesigns designs;
    private final Uploads uploads;
    private final Products products;
    private final Publications publications;
    private final Plans plans;
    private final Recipes recipes;
    private final References references;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final Lots lots;
    private final Samples samples;
    private final Bench bench;
    private final Intake intake;
    private final Logs logs;
    private final Runs runs;
    private final Climates climates;
    private final Marks marks;
    private final Derivations derivations;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Decisions decisions;
    private final JdbcTemplate database;

    RandomSites(
            SiteDesigns designs,
            Uploads uploads,
            Products products,
            Publications publications,
            Plans plans,
            Recipes recipes,
            References references,
            Instruments instruments,
            Calibrations calibrations,
            Lots lots,
            Samples samples,
            Bench bench,
            Intake intake,
            Logs logs,
            Runs runs,
            Climates climates,
            Marks marks,
            Derivations derivations,
            SeriesPoints series,
            Baselines baselines,
            Decisions decisions,
            JdbcTemplate database) {
        this.database = database;
        this.designs = designs;
        this.uploads = uploads;
        this.products = products;
        this.publications = publications;
        this.plans = plans;
        this.recipes = recipes;
        this.references = references;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.lots = lots;
        this.samples = samples;
        this.bench = bench;
        this.intake = intake;
        this.logs = logs;
        this.runs = runs;
        this.climates = climates;
        this.marks = marks;
        this.derivations = derivations;
        this.series = series;
        this.baselines = baselines;
        this.decisions = decisions;
    }

    /** What was made, for those who open its pages. */
    record Made(Products.ProductView product, List<LotView> lots) {}

    /** Gauges and a printer, once for all sites. */
    void machines() {
        designs.add(
                new SiteDesigns.NewDesign(
                        "random-1",
                        "bar of random sites",
                        Set.of("tension", "part-load"),
                        SpecimenDesign.Shape.RECTANGLE,
                        10,
                        4,
                        150,
                        5900,
                        1.5,
                        false,
                        SpecimenDesign.BENDING_BAR,
                        "(w - 3) * t",
                        "wedge grips",
                        "what sites make of their own",
                        new SiteDesigns.File("bar.pdf", "%PDF-1.7".getBytes(StandardCharsets.UTF_8)),
                        new SiteDesigns.File("bar.stl", "solid".getBytes(StandardCharsets.UTF_8))),
                "quality");
        long gauge = instruments.registerGauge("cell", 1000, 0.005).id();
        instruments.registerGauge("never calibrated", 500, 0);
        long calipers = instruments.registerCalipers("callipers", 0.01).id();
        calibrations.enter(gauge, LocalDate.now().minusDays(30), LocalDate.now().plusDays(90), "K-1", "quality");
        calibrations.enter(
                calipers, LocalDate.now().minusDays(400), LocalDate.now().minusDays(35), "K-2", "quality");
        instruments.register(new NewInstrument(
                Kind.FORCE_GAUGE,
                "cell of the second frame",
                OptionalDouble.of(2000),
                0.005,
                0,
                new Facts(
                        1,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        "",
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        "frame 2",
                        "")));
        instruments.register(new NewInstrument(
                Kind.PRINTER, "printer 1", OptionalDouble.empty(), 0, 0, Facts.holding(1, "0.4 mm nozzle")));
    }

    /** The site of a seed. */
    Made of(int seed) {
        return new Site(new Random(seed), String.format(Locale.ROOT, "r%04d", seed)).make();
    }

    private final class Site {

        private final Random chance;
        private final String code;
        private final Family family;
        private final List<LotView> made = new ArrayList<>();

        Site(Random chance, String code) {
            this.chance = chance;
            this.code = code;
            this.family = chance.nextInt(4) == 0 ? Family.RESIN : Family.FILAMENT;
        }

        Made make() {
            Products.ProductView product = products.register(new Products.NewProduct(
                    code, "Product " + code, "anything", "natural,blue", "", family, chance.nextBoolean()));
            for (Publication.Kind kind : Publication.Kind.values()) {
                if (kind == Publication.Kind.DATASHEET || chance.nextInt(3) == 0) {
                    perhaps(() -> publish(product, kind));
                }
            }
            if (chance.nextBoolean()) {
                perhaps(() -> plans.revise(product.id(), lines(), "First plan of the product.", "quality"));
            }
            if (chance.nextBoolean()) {
                perhaps(() -> recipe(product));
            }
            int count = chance.nextInt(4) == 0 ? 0 : chance.nextInt(5);
            for (int i = 0; i < count; i++) {
                int index = i;
                perhaps(() -> lot(product, index));
            }
            if (chance.nextInt(4) == 0) {
                perhaps(() -> history(product));
            }
            if (chance.nextInt(3) > 0) {
                perhaps(() -> baseline(product));
            }
            if (chance.nextInt(8) == 0) {
                perhaps(() -> products.move(product.id(), Life.WITHDRAWN, "Sold out and not made again.", ""));
            }
            java.util.Collections.shuffle(made, chance);
            return new Made(
                    product, made.stream().map(lot -> lots.named(lot.code())).toList());
        }

        /** Lots enough for a chart, shipped, some of them alike to the last digit. */
        private void history(Products.ProductView product) {
            List<LotView> shipped = new ArrayList<>();
            for (int i = 4 + chance.nextInt(5); i > 0; i--) {
                LotView lot = lots.enter(
                        new Lots.NewLot(
                                code + "-h" + i,
                                code,
                                "natural",
                                LocalDate.now().minusDays(30 + i),
                                "",
                                ""),
                        "bench");
                List<SpecimenView> bars = lots.addSet(
                        lot.id(),
                        new Lots.NewSet(
                                lot.code(),
                                SpecimenDesign.TENSION_BAR_4,
                                Orientation.XY,
                                Basis.SOLID,
                                Conditioning.DRY,
                                5,
                                chance.nextInt(3) + 1),
                        "bench");
                measure(lot, bars);
                shipped.add(lot);
            }
            derivations.refresh(Set.of(product.id()));
            shipped.forEach(lot -> database.update("update lot set state = 'RELEASED' where id = ?", lot.id()));
            made.add(shipped.get(shipped.size() - 1));
        }

        /** What the application refuses stays undone. */
        private void perhaps(Runnable step) {
            try {
                step.run();
            } catch (Refusal | NotFound | IllegalArgumentException refused) {
                // Random input is refused often; pages must open all the same.
            }
        }

        private <T> T any(T[] choices) {
            return choices[chance.nextInt(choices.length)];
        }

        private Conditions conditions() {
            return new Conditions(
                    "tension",
                    chance.nextInt(4) == 0 ? Basis.AS_PRINTED : Basis.SOLID,
                    chance.nextBoolean() ? Orientation.XY : Orientation.ZX,
                    chance.nextInt(4) == 0 ? Conditioning.CONDITIONED : Conditioning.DRY,
                    chance.nextBoolean() ? 5 : 50,
                    SpecimenDesign.TENSION_BAR_4.title(),
                    family == Family.RESIN ? "2 s a layer" : "");
        }

        private void publish(Products.ProductView product, Publication.Kind kind) {
            List<Publications.Draft> drafts = new ArrayList<>();
            List<Topic> topics = Topic.of(family);
            for (int i = chance.nextInt(8); i >= 0; i--) {
                Topic topic = chance.nextBoolean()
                        ? Topic.named("TENSILE_STRENGTH").orElseThrow()
                        : topics.get(chance.nextInt(topics.size()));
                draft(topic).ifPresent(drafts::add);
            }
            publications.publish(
                    product.id(),
                    kind,
                    LocalDate.now().minusDays(60),
                    "",
                    Publications.Attachment.NONE,
                    drafts,
                    "quality");
        }

        private Optional<Publications.Draft> draft(Topic topic) {
            Form form = any(Form.values());
            Terms terms = topic.needsTerms() && chance.nextInt(5) > 0 ? Terms.of(conditions()) : Terms.NONE;
            Dimension dimension = topic.dimension().orElse(null);
            if (dimension == null) {
                return Optional.of(new Publications.Draft(
                        new Statement(
                                0,
                                topic,
                                Form.STATED,
                                "",
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                "as it comes",
                                "",
                                Terms.NONE,
                                0),
                        null));
            }
            String typed = typed(topic, form, dimension);
            PublishedValue.Read read = PublishedValue.read(topic.title(), typed, dimension);
            if (read instanceof PublishedValue.Read.Accepted accepted) {
                read = accepted.value().in(form, topic.title(), typed);
            }
            if (!(read instanceof PublishedValue.Read.Accepted accepted)) {
                return Optional.empty();
            }
            @Nullable
            Long rival = form == Form.BETTER_THAN
                    ? products.all().get(chance.nextInt(products.all().size())).id()
                    : null;
            return Optional.of(new Publications.Draft(
                    new Statement(
                            0,
                            topic,
                            form,
                            typed,
                            accepted.value().value(),
                            accepted.value().low(),
                            accepted.value().high(),
                            "",
                            "",
                            terms,
                            chance.nextInt(8)),
                    rival));
        }

        private String typed(Topic topic, Form form, Dimension dimension) {
            String unit = dimension.workingUnit();
            double about = topic.equals(Topic.named("TENSILE_STRENGTH").orElseThrow())
                    ? 30 + chance.nextInt(30)
                    : topic.equals(Topic.DIAMETER) ? 1.75 : 0.5 + chance.nextInt(10);
            return form == Form.BETWEEN || (form == Form.TYPICAL && chance.nextBoolean())
                    ? about + " " + unit + " ± " + about / 20 + " " + unit
                    : about + " " + unit;
        }

        private List<Plans.Line> lines() {
            List<Plans.Line> lines = new ArrayList<>();
            for (int i = chance.nextInt(4); i >= 0; i--) {
                Method method = chance.nextBoolean()
                        ? Methods.usual()
                        : any(Methods.all().toArray(Method[]::new));
                List<SpecimenDesign> fitting = Designs.of(method);
                SpecimenDesign design = fitting.get(chance.nextInt(fitting.size()));
                boolean solid = chance.nextInt(4) > 0;
                perhaps(() -> lines.add(Plans.Line.of(new PlannedTest(
                        method,
                        design,
                        chance.nextBoolean() ? Orientation.XY : Orientation.ZX,
                        design.isNotched() ? Notch.ACROSS : Notch.NONE,
                        solid ? Basis.SOLID : Basis.AS_PRINTED,
                        solid ? Build.NONE : TestLots.GYROID,
                        Conditioning.DRY,
                        method.data().rated() ? (chance.nextBoolean() ? 5 : 50) : 0,
                        1 + chance.nextInt(6),
                        ""))));
            }
            return lines;
        }

        private void recipe(Products.ProductView product) {
            Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
            RecipeField.of(family).forEach(field -> entries.put(field, field.example()));
            recipes.freeze(
                    product,
                    instruments.ofKind(Kind.PRINTER).get(0).id(),
                    entries,
                    Recipes.Status.MAKERS,
                    "the datasheet",
                    "First recipe frozen for this printer.",
                    "quality");
        }

        private void lot(Products.ProductView product, int index) {
            LotView lot = lots.enter(
                    new Lots.NewLot(
                            code + "-" + index,
                            code,
                            chance.nextInt(5) == 0 ? "blue" : "natural",
                            LocalDate.now().minusDays(30 - index),
                            "",
                            "",
                            new Lots.Origin(
                                    "",
                                    "",
                                    chance.nextInt(4) == 0 ? new Blend("F2", "M", 2) : Blend.UNKNOWN,
                                    List.of())),
                    "bench");
            made.add(lot);
            if (chance.nextBoolean()) {
                perhaps(() -> samples.draw(
                        lot,
                        new Samples.NewSample(
                                "S1",
                                Samples.Place.START,
                                "bench",
                                "pallet",
                                lot.madeOn().plusDays(1)),
                        "bench"));
            }
            if (chance.nextBoolean()) {
                perhaps(() -> material(lot));
            }
            int sets = chance.nextInt(4);
            for (int i = 0; i < sets; i++) {
                int set = i;
                perhaps(() -> set(lot, set));
            }
            if (chance.nextInt(3) == 0) {
                perhaps(() -> recorded(lot));
            }
            if (chance.nextInt(3) == 0) {
                perhaps(() -> run(lot));
            }
            if (chance.nextInt(3) > 0) {
                perhaps(() -> decide(lot));
            }
            if (chance.nextInt(4) == 0) {
                // As lots of a version before, whose gate let more pass.
                database.update("update lot set state = 'RELEASED' where id = ?", lot.id());
            }
        }

        private void material(LotView lot) {
            String request = lot.code() + chance.nextInt();
            if (family == Family.RESIN) {
                intake.enter(
                        lot,
                        "CURE_DEPTH",
                        Map.of(
                                "unit", "s",
                                "source", "engine 2",
                                "points",
                                        chance.nextBoolean()
                                                ? "1 0.1\n2 0.1\n3 0.1\n4 0.1\n5 0.1"
                                                : "1 0.05\n2 0.1\n3 0.13\n4 0.15\n5 0.16"),
                        request,
                        "bench");
                return;
            }
            switch (chance.nextInt(4)) {
                case 0 -> intake.enter(lot, "HAND_DIAMETER", Map.of("places", places()), request, "bench");
                case 1 ->
                    intake.enter(lot, "FILAMENT_DENSITY", Map.of("density", "1.3 g/cm³", "how", ""), request, "bench");
                case 2 ->
                    intake.enterDrying(
                            lot,
                            null,
                            Map.of(
                                    "ended",
                                            LocalDateTime.now()
                                                    .minusHours(30)
                                                    .withNano(0)
                                                    .toString(),
                                    "temperature", "80 °C",
                                    "time", "6 h",
                                    "kept", chance.nextBoolean() ? "OPEN" : "DRY_BOX",
                                    "humidity", "15 %"),
                            request,
                            "bench");
                default -> log(lot);
            }
        }

        private String places() {
            StringBuilder text = new StringBuilder();
            boolean alike = chance.nextBoolean();
            for (int i = chance.nextInt(12); i >= 0; i--) {
                double d = alike ? 1.75 : 1.75 + 0.02 * chance.nextGaussian();
                text.append(String.format(Locale.ROOT, "%.3f %.3f%n", d, d));
            }
            return text.toString();
        }

        private void log(LotView lot) {
            StringBuilder text = new StringBuilder("position [mm],x [mm],y [mm]\n");
            boolean alike = chance.nextBoolean();
            int rows = 2 + chance.nextInt(600);
            for (int i = 0; i < rows; i++) {
                double d = alike ? 1.75 : 1.75 + 0.02 * chance.nextGaussian();
                text.append(String.format(Locale.ROOT, "%d,%.4f,%.4f%n", i, d, d));
            }
            try {
                logs.store(
                        lot,
                        null,
                        "log.csv",
                        new ByteArrayInputStream(text.toString().getBytes(StandardCharsets.UTF_8)),
                        "bench");
            } catch (IOException impossible) {
                throw new UncheckedIOException(impossible);
            }
        }

        private void set(LotView lot, int number) {
            boolean conditioned = chance.nextInt(5) == 0;
            List<SpecimenView> bars = lots.addSet(
                    lot.id(),
                    new Lots.NewSet(
                            lot.code() + "-" + number,
                            SpecimenDesign.TENSION_BAR_4,
                            chance.nextBoolean() ? Orientation.XY : Orientation.ZX,
                            Basis.SOLID,
                            conditioned ? Conditioning.CONDITIONED : Conditioning.DRY,
                            chance.nextInt(4) == 0 ? 50 : 5,
                            1 + chance.nextInt(6),
                            new Lots.Making(
                                    null,
                                    family == Family.RESIN ? "2 s a layer" : "",
                                    LocalDateTime.now().minusHours(24),
                                    null,
                                    SETUPS.get(chance.nextInt(SETUPS.size())),
                                    null)),
                    "bench");
            if (conditioned) {
                perhaps(() -> climates.move(
                        lot,
                        bars.get(0).setId(),
                        LocalDateTime.now().minusHours(20),
                        null,
                        "23 °C, 50 % RH",
                        "",
                        "bench"));
            }
            measure(lot, bars);
        }

        /** Often all alike, often all ended the same way; sometimes half in one set-up and half in another. */
        private void measure(LotView lot, List<SpecimenView> bars) {
            List<Instruments.InstrumentView> gauges = instruments.ofKind(Kind.FORCE_GAUGE);
            int last = gauges.size() - 1;
            boolean alike = chance.nextBoolean();
            if (bars.size() > 3 && chance.nextBoolean()) {
                int half = bars.size() / 2;
                End ended = End.BROKE_IN_GAUGE;
                measure(
                        lot,
                        bars.subList(0, half),
                        alike,
                        ended,
                        gauges.get(last - 1).id());
                measure(
                        lot,
                        bars.subList(half, bars.size()),
                        alike,
                        ended,
                        gauges.get(last).id());
            } else {
                @Nullable End all = chance.nextBoolean() ? any(End.values()) : null;
                measure(
                        lot,
                        bars,
                        alike,
                        all,
                        gauges.get(chance.nextInt(gauges.size())).id());
            }
        }

        private void measure(LotView lot, List<SpecimenView> bars, boolean alike, @Nullable End all, long gauge) {
            double level = all == End.OVER_CAPACITY ? 1000 : 16 * (15 + chance.nextInt(45));
            for (SpecimenView bar : bars) {
                Method method = Methods.of(bar.conditions().method()).orElseThrow(() -> new NotFound("method"));
                if (chance.nextInt(8) == 0) {
                    continue;
                }
                if (!method.equals(Methods.usual())) {
                    perhaps(() -> any(lot, bar, method, alike));
                    continue;
                }
                double side = alike ? 4 : 4 + 0.01 * chance.nextGaussian();
                double force = alike ? level : level * (1 + 0.03 * chance.nextGaussian());
                perhaps(() -> {
                    List<Bench.Entry> entries = new ArrayList<>();
                    entries.add(entry(bar, "width", side, null, 0));
                    entries.add(entry(bar, "thickness", side, null, 0));
                    if (chance.nextInt(8) > 0) {
                        entries.add(entry(bar, "force", force, all == null ? any(End.values()) : all, gauge));
                    }
                    bench.enterAll(lot, entries, "bench", null);
                });
            }
        }

        /** Records of the tension bars that were measured, whether they were broken or not. */
        private void recorded(LotView lot) {
            List<Uploads.Sent> sent = new ArrayList<>();
            for (SpecimenRecord bar : bench.records(lot.id())) {
                if (bar.isMeasured() && bar.method().equals(Methods.usual())) {
                    StringBuilder text = new StringBuilder("force [N],extension [mm]\n");
                    double peak = 100 + chance.nextInt(1500);
                    for (int i = 0; i < 60; i++) {
                        text.append(i < 55 ? peak * i / 54 : 0)
                                .append(',')
                                .append(i * 0.01)
                                .append('\n');
                    }
                    sent.add(new Uploads.Sent(
                            bar.specimen().label() + ".csv", text.toString().getBytes(StandardCharsets.UTF_8)));
                }
            }
            long gauge = instruments.ofKind(Kind.FORCE_GAUGE).get(0).id();
            Piece.By by = chance.nextBoolean() ? Piece.By.EXTENSOMETER : Piece.By.CROSSHEAD;
            uploads.take(
                    lot,
                    uploads.stage(
                            lot,
                            new Uploads.Said(Methods.usual().data().id(), by, Second.NONE, gauge, 0),
                            sent,
                            "bench"),
                    Map.of(),
                    "bench");
        }

        /** A test of whatever method: its own example, a little off, ended in any way. */
        private void any(LotView lot, SpecimenView bar, Method method, boolean alike) {
            long instrument = instruments.serving(method.data().equipment()).stream()
                    .findFirst()
                    .map(Instruments.InstrumentView::id)
                    .orElse(0L);
            End end = any(method.data().ends().keySet().toArray(End[]::new));
            List<Bench.Entry> entries = new ArrayList<>();
            method.data().example().forEach((field, texts) -> {
                for (int i = 0; i < texts.size(); i++) {
                    String off = alike ? texts.get(i) : off(texts.get(i));
                    boolean test =
                            method.data().sheet().field(field).orElseThrow().role() == Field.Role.TEST;
                    entries.add(new Bench.Entry(bar.label(), field, i + 1, off, test ? end : null, instrument, off));
                }
            });
            bench.enterTest(lot, bar.label(), entries, "bench");
        }

        /** A text's number moved by a few per cent; a word as it is. */
        private String off(String text) {
            Matcher number = Pattern.compile("^([0-9.]+)(.*)$").matcher(text);
            return number.matches() && Double.parseDouble(number.group(1)) > 0
                    ? String.format(
                                    Locale.ROOT,
                                    "%.4f",
                                    Double.parseDouble(number.group(1)) * (1 + 0.03 * chance.nextGaussian()))
                            + number.group(2)
                    : text;
        }

        private Bench.Entry entry(SpecimenView bar, String field, double value, @Nullable End outcome, long gauge) {
            String typed = String.format(Locale.ROOT, "%.2f", value);
            return new Bench.Entry(bar.label(), field, 1, typed, outcome, gauge, typed);
        }

        private void run(LotView lot) {
            List<Runs.Batch> batches = plans.ofLot(lot.id()).orElseThrow(() -> new NotFound("plan")).lines().stream()
                    .map(line -> new Runs.Batch(line.test(), line.test().n()))
                    .toList();
            Recipes.RecipeView recipe =
                    recipes.inForce(lot.productId()).stream().findFirst().orElseThrow(() -> new NotFound("recipe"));
            runs.print(
                    lot,
                    new Runs.NewRun(
                            lot.code() + "-run",
                            recipe.id(),
                            null,
                            LocalDateTime.now().minusHours(20),
                            new Runs.Surroundings("22 °C", "", "", "", ""),
                            new Plate(220, 220),
                            batches,
                            chance.nextInt(6) == 0 ? 0.95 : 1,
                            0,
                            true),
                    "bench");
            List<SpecimenView> others = lots.specimens(lot.id()).stream()
                    .filter(bar -> !bar.conditions().method().equals("tension"))
                    .toList();
            if (!others.isEmpty() && chance.nextBoolean()) {
                marks.set(
                        lot,
                        List.of(others.get(0).label()),
                        any(Marks.Kind.values()),
                        "12 N",
                        LocalDateTime.now().minusHours(2),
                        "bench");
            }
            measure(
                    lot,
                    lots.specimens(lot.id()).stream()
                            .filter(bar -> bar.conditions().method().equals("tension"))
                            .toList());
        }

        private void decide(LotView lot) {
            derivations.refresh(Set.of(lot.productId()));
            Disposition disposition = any(Disposition.values());
            if (chance.nextInt(6) == 0) {
                references.retain(lot, 1 + chance.nextInt(3), chance.nextInt(20), 5, "quality");
                return;
            }
            Long set = lots.specimens(lot.id()).stream()
                    .map(SpecimenView::setId)
                    .findFirst()
                    .orElse(null);
            decisions.decide(
                    lot,
                    disposition,
                    new Decisions.Particulars(
                            "", "", null, set, any(Cause.values()), any(Remedies.Rule.values()), Remedies.Kind.REDRY),
                    "Decided as these things go.",
                    "release");
        }

        private void baseline(Products.ProductView product) {
            derivations.refresh(Set.of(product.id()));
            Map<Long, Set<Long>> lotsOf = new HashMap<>();
            series.ofProduct(product.id()).forEach(view -> series.points(view.id()).stream()
                    .filter(point -> lots.lot(point.lotId()).state().isShipped())
                    .forEach(point -> lotsOf.computeIfAbsent(view.id(), id -> new HashSet<>())
                            .add(point.lotId())));
            lotsOf.forEach((view, ids) ->
                    perhaps(() -> baselines.sign(view, ids, "What there is so far, provisional.", "quality")));
        }
    }
}
