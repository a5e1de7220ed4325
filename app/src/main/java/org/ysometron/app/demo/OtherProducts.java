package org.ysometron.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Lots.RawMaterial;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications.Draft;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.material.Blend;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Topic;

/** Dunlin C2, Curlew R70 and Plover F30 with the stories hidden in them, and the wet spool of Skerry. */
@Component
class OtherProducts {

    static final String CURE = "2.4 s a layer; cured 60 min at 60 °C";
    private static final String ENGINE = "405 nm engine";

    private final Works works;

    OtherProducts(Works works) {
        this.works = works;
    }

    /** A slate lot of Skerry whose spool nobody dried before the bars were printed. */
    void wetSpool(long gauge) {
        LotView lot = slate("SS-0014", 5, "Spool found open on the shelf by the window.", "SL-7", "MB-SL-22");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "shelf by the window");
        Random chance = new Random(77);
        works.bars(lot, Orientation.XY, "", 53.2, 1.6, gauge, chance);
        works.bars(lot, Orientation.ZX, "", 23.1, 1.9, gauge, chance);
    }

    /** A slate lot, dried as it should be: the colour costs it strength between the layers and none along them. */
    void weakUpright(long gauge) {
        LotView lot = slate("SS-0013", 7, "First lot with the new colour masterbatch.", "SL-8", "MB-SL-23");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 1, top layer");
        works.dried(lot, lot.madeOn().plusDays(1).atTime(9, 0));
        Random chance = new Random(78);
        works.bars(lot, Orientation.XY, "", SkerryTruth.SLATE_FLAT, 1.1, gauge, chance);
        works.bars(lot, Orientation.ZX, "", SkerryTruth.SLATE_UPRIGHT, 1.1, gauge, chance);
        works.decide(lot, "The new masterbatch: the colour's maker is asked, and the next lot goes back to MB-SL-22.");
    }

    private LotView slate(String code, int daysAgo, String note, String masterbatch, String batch) {
        return works.lots.enter(
                new Lots.NewLot(
                        code,
                        "skerry-bf10",
                        "slate",
                        works.daysAgo(daysAgo),
                        "120 spools of 750 g",
                        note,
                        new Lots.Origin(
                                "line 1",
                                "12 %",
                                new Blend("F3", masterbatch, 2),
                                List.of(
                                        new RawMaterial(RawMaterial.Kind.POLYMER, "PB-7742"),
                                        new RawMaterial(RawMaterial.Kind.FIBRE, "BF-0310"),
                                        new RawMaterial(RawMaterial.Kind.COLOUR, batch)))),
                "bench");
    }

    // ---- Dunlin C2 ---------------------------------------------------------------------------------------------

    void dunlin(long gauge, long second, Workshop workshop) {
        Products.ProductView dunlin = works.products.register(new Products.NewProduct(
                "dunlin-c2",
                "Dunlin C2",
                "polypropylene copolymer filament, 1.75 mm and 2.85 mm",
                "natural, fern",
                "Wear eye protection and sleeves; keep a shield or tether between you and the grips; stand clear.",
                Family.FILAMENT,
                false));
        works.publish(dunlin, Publication.Kind.DATASHEET, 380, "datasheet D2, page 1", dunlinSheet());
        works.publish(
                dunlin,
                Publication.Kind.WEB_PAGE,
                300,
                "shop page, as of the spring",
                List.of(
                        Sheets.says(Sheets.TENSILE_STRENGTH, Form.AT_LEAST, "25 MPa"),
                        Sheets.says(Topic.NOZZLE_TEMPERATURE, "200–250 °C"),
                        Sheets.says(Topic.FAN, "30 %"),
                        Sheets.says(Topic.WORDING, "Same strength in all directions")));
        works.settle(
                dunlin,
                Sheets.TENSILE_STRENGTH,
                "The shop page names neither orientation nor rate; what the datasheet says was tested.",
                "Take the strength off the shop page.");
        List<LotView> made = new ArrayList<>();
        for (int i = 0; i < DunlinTruth.LOTS; i++) {
            LotView lot = dunlinLot(i, gauge);
            made.add(lot);
            if (i >= TWO_FRAMES) {
                workshop.secondFrame(lot, second, works.mean(lot), new Random(600L + i));
            }
            if (i < DunlinTruth.LOTS - 2) {
                works.decide(lot, i >= DunlinTruth.DIE_CHANGED ? "Seen; ovality up since the die was changed." : null);
            }
            if (i == 4) {
                works.sign(dunlin, made, "First five lots of the present die; provisional.");
            }
        }
        // Printed later than the lots before were decided: it promises what the datasheet does not.
        works.publish(
                dunlin,
                Publication.Kind.LABEL,
                10,
                "spool label, print run 12",
                List.of(
                        Sheets.says(Topic.DIAMETER, Form.BETWEEN, "1.75 mm ± 0.03 mm"),
                        Sheets.says(Topic.NOZZLE_TEMPERATURE, "230 °C (220–240 °C)"),
                        Sheets.says(Topic.BED_TEMPERATURE, "85 °C")));
    }

    /** What the datasheet of Dunlin has said from its first day. */
    static List<Draft> dunlinSheet() {
        return List.of(
                Sheets.claims(Sheets.TENSILE_STRENGTH, Form.TYPICAL, "23 MPa ± 10 %", Sheets.bar(Orientation.XY, "")),
                Sheets.says(Topic.DIAMETER, Form.BETWEEN, "1.75 mm ± 0.05 mm"),
                Sheets.says(Topic.OVALITY, Form.AT_MOST, "0.05 mm"),
                Sheets.says(Topic.DENSITY, Form.TYPICAL, "0.90 g/cm³"),
                Sheets.says(Topic.NOZZLE_TEMPERATURE, "225 °C (215–235 °C)"),
                Sheets.says(Topic.BED_TEMPERATURE, "85 °C"),
                Sheets.says(Topic.BED_SURFACE, "polypropylene tape"),
                Sheets.says(Topic.FAN, "30 %"),
                Sheets.says(Topic.FLOW_LIMIT, "9 mm³/s"));
    }

    private LotView dunlinLot(int index, long gauge) {
        Random chance = new Random(300L + index);
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        String.format(Locale.ROOT, "DN-%04d", 41 + index),
                        "dunlin-c2",
                        "natural",
                        works.daysAgo(4 + (DunlinTruth.LOTS - 1L - index) * 24),
                        "300 spools of 700 g",
                        index == DunlinTruth.DIE_CHANGED ? "Die changed at 60 % of the run." : "",
                        new Lots.Origin(
                                "line 2",
                                "0 %",
                                new Blend("C2-b", "", 0),
                                List.of(new RawMaterial(RawMaterial.Kind.POLYMER, "PP-" + (508 + index / 3))))),
                "bench");
        Samples.SampleView spool = works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 2, second layer");
        try {
            works.logs.store(lot, spool.id(), lot.code() + "-S1.csv", DunlinTruth.log(index), "bench");
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        for (int piece = 1; piece <= 2; piece++) {
            works.intake.enter(
                    lot,
                    "FILAMENT_DENSITY",
                    Map.of(
                            "density",
                            format("%.3f g/cm³", 0.9 + 0.003 * Math.sin(index + piece)),
                            "how",
                            "displacement"),
                    lot.code() + "-density-" + piece,
                    "bench");
        }
        works.bars(lot, Orientation.XY, "", 23 + 0.35 * chance.nextGaussian(), 0.5, gauge, chance);
        return lot;
    }

    // ---- Curlew R70 --------------------------------------------------------------------------------------------

    /** Index of the first lot tested after the light engine was replaced: it cures a quarter faster. */
    static final int ENGINE_REPLACED = 6;

    private static final int CURLEW_LOTS = 9;

    /** Index of the first lot of Dunlin whose bars were broken in both frames. */
    private static final int TWO_FRAMES = 5;

    List<LotView> curlew(long gauge) {
        Products.ProductView curlew = works.products.register(new Products.NewProduct(
                "curlew-r70",
                "Curlew R70",
                "rigid engineering photopolymer resin",
                "amber, grey",
                "Brittle break: eye protection, sleeves and a shield. Uncured resin sensitises: gloves and ventilation.",
                Family.RESIN,
                false));
        Conditions flat = Sheets.bar(Orientation.XY, CURE);
        List<Draft> settings = List.of(
                Sheets.says(Topic.LAYER_EXPOSURE, "2.4 s (2.2–2.6 s)", ENGINE),
                Sheets.says(Topic.RESIN_TEMPERATURE, "25 °C (22–30 °C)"),
                Sheets.says(Topic.WASH, "two baths of 3 min, isopropanol"),
                Sheets.says(Topic.CURE, "60 min at 60 °C, turned once"));
        List<Draft> sheet = new ArrayList<>(List.of(
                Sheets.claims(Sheets.TENSILE_STRENGTH, Form.AT_LEAST, "55 MPa", flat),
                Sheets.says(Topic.DENSITY, Form.TYPICAL, "1.12 g/cm³"),
                Sheets.says(Topic.VISCOSITY, Form.TYPICAL, "850 mPa·s"),
                Sheets.says(Topic.HARDNESS, "82 Shore D")));
        sheet.addAll(settings);
        works.publish(curlew, Publication.Kind.DATASHEET, 370, "datasheet C4", sheet);
        works.publish(
                curlew,
                Publication.Kind.WEB_PAGE,
                200,
                "shop page",
                List.of(
                        Sheets.says(Topic.LAYER_EXPOSURE, "2.4 s (2.2–2.6 s)", ENGINE),
                        Sheets.says(Topic.CURE, "30 min at 60 °C"),
                        Sheets.says(Sheets.TENSILE_STRENGTH, Form.UP_TO, "70 MPa"),
                        Sheets.says(Topic.WORDING, "Tough as no other")));
        works.settle(
                curlew,
                Sheets.TENSILE_STRENGTH,
                "The shop page says what the best bar reached; the datasheet says what every lot does.",
                "Say on the shop page what is promised.");
        List<LotView> made = new ArrayList<>();
        for (int i = 0; i < CURLEW_LOTS; i++) {
            LotView lot = curlewLot(i, gauge);
            made.add(lot);
            if (i < CURLEW_LOTS - 1) {
                works.decide(lot, null);
            }
            if (i == ENGINE_REPLACED - 1) {
                works.sign(curlew, made, "Lots on the first light engine; provisional.");
            }
        }
        return made;
    }

    private LotView curlewLot(int index, long gauge) {
        Random chance = new Random(900L + index);
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        String.format(Locale.ROOT, "CW-%04d", 12 + index),
                        "curlew-r70",
                        "amber",
                        works.daysAgo(6 + (CURLEW_LOTS - 1L - index) * 26),
                        "180 bottles of 1 l",
                        index == ENGINE_REPLACED ? "Light engine of printer 4 replaced before the test." : "",
                        new Lots.Origin(
                                "kettle",
                                "",
                                new Blend("R70-5", "", 0),
                                List.of(new RawMaterial(RawMaterial.Kind.PHOTOINITIATOR, "PI-" + (61 + index / 4))))),
                "bench");
        works.draw(lot, "B1", Samples.Place.MIDDLE, "second tray from the kettle");
        resinRecords(lot, 1.12, 850, 0.155, index >= ENGINE_REPLACED ? 0.96 : 1.26, 2.4, "82 D", chance);
        boolean faster = index >= ENGINE_REPLACED;
        works.bars(lot, Orientation.XY, CURE, (faster ? 64.5 : 60) + 0.8 * chance.nextGaussian(), 1.3, gauge, chance);
        return lot;
    }

    /** How Plover is cured as its datasheet says. */
    static final String PLOVER_CURE = "2.6 s a layer; cured 20 min at 40 °C";

    /** What the datasheet of Plover says. */
    static List<Draft> ploverSheet() {
        return List.of(
                Sheets.claims(Sheets.TENSILE_STRENGTH, Form.AT_LEAST, "6 MPa", Sheets.bar(Orientation.XY, PLOVER_CURE)),
                Sheets.says(Topic.LAYER_EXPOSURE, "2.6 s (2.4–2.8 s)", ENGINE),
                Sheets.says(Topic.RESIN_TEMPERATURE, "28 °C"),
                Sheets.says(Topic.HARDNESS, "60 Shore A"));
    }

    // ---- Plover F30 --------------------------------------------------------------------------------------------

    void plover() {
        Products.ProductView plover = works.products.register(new Products.NewProduct(
                "plover-f30",
                "Plover F30",
                "flexible photopolymer resin",
                "clear",
                "Uncured resin sensitises: gloves and ventilation. Torn halves fly: eye protection, stand clear.",
                Family.RESIN,
                false));
        works.publish(plover, Publication.Kind.DATASHEET, 90, "datasheet F1, draft", ploverSheet());
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        "PL-0003",
                        "plover-f30",
                        "clear",
                        works.daysAgo(2),
                        "40 bottles of 1 l",
                        "Bars came out stiff and tore early."),
                "bench");
        works.draw(lot, "B1", Samples.Place.START, "first tray from the kettle");
        resinRecords(lot, 1.08, 420, 0.21, 1.42, 3.1, "71 A", new Random(5));
    }

    private void resin(LotView lot, double density, double viscosity, String hardness, int bottle, Random chance) {
        works.intake.enter(
                lot,
                "RESIN",
                Map.of(
                        "density",
                        format("%.3f g/cm³", density + 0.002 * chance.nextGaussian()),
                        "viscosity",
                        format("%.0f mPa·s", viscosity),
                        "viscosityAt",
                        "25 °C",
                        "printedAt",
                        "25 °C",
                        "hardness",
                        hardness),
                lot.code() + "-resin-" + bottle,
                "bench");
    }

    private void resinRecords(
            LotView lot,
            double density,
            double viscosity,
            double penetration,
            double critical,
            double exposure,
            String hardness,
            Random chance) {
        double flow = viscosity * (1 + 0.02 * chance.nextGaussian());
        for (int bottle = 1; bottle <= 2; bottle++) {
            resin(lot, density, flow * (1 + 0.002 * bottle), hardness, bottle, chance);
        }
        StringBuilder points = new StringBuilder();
        for (double e : new double[] {1.5, 2, 3, 4.5, 7, 10}) {
            double depth = penetration * Math.log(e / critical) + 0.003 * chance.nextGaussian();
            if (depth > 0.01) {
                points.append(format("%.1f ", e)).append(format("%.3f%n", depth));
            }
        }
        works.intake.enter(
                lot,
                "CURE_DEPTH",
                Map.of(
                        "unit",
                        "s",
                        "source",
                        ENGINE,
                        "points",
                        points.toString(),
                        "recipe",
                        format("%.1f", exposure),
                        "layer",
                        "0.05 mm",
                        "overcure",
                        "2"),
                lot.code() + "-depth",
                "bench");
    }

    private static String format(String pattern, double value) {
        return String.format(Locale.ROOT, pattern, value);
    }

    /** Drying of a Skerry lot, in time before its bars were printed. */
    void dried(LotView lot) {
        LocalDateTime ended = lot.madeOn().plusDays(1).atTime(6, 30);
        works.intake.enterDrying(
                lot,
                null,
                Map.of(
                        "ended", ended.toString(),
                        "temperature", "100 °C",
                        "time", "6 h",
                        "kept", "DRY_BOX",
                        "humidity", "14 %",
                        "before", "912.4 g",
                        "after", "910.9 g"),
                lot.code() + "-dried",
                "bench");
    }
}
