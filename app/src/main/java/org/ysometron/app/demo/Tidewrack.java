package org.ysometron.app.demo;

import java.awt.Color;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.ysometron.app.account.Accounts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.drift.Events;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Lots.RawMaterial;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications.Draft;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.gate.Right;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.End;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Topic;

/** Loads the invented supplier Tidewrack Feedstocks into an empty site, through the doors that people use. */
@Component
@Order(1)
public class Tidewrack implements ApplicationRunner {

    /** Place of a lot with a note at its point. */
    private static final int SHOWN_AT = 9;

    /** Basalt in natural polymer, as a camera sees it. */
    private static final Color NATURAL = new Color(0x8f8672);

    /** Beyond this many lots the baselines are signed last, so that loading stays linear in the number of lots. */
    private static final int MANY = 100;

    private static final Logger LOG = LoggerFactory.getLogger(Tidewrack.class);

    private final Accounts accounts;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final Works works;
    private final OtherProducts others;
    private final Workshop workshop;
    private final Looked looked;
    private final Promised promised;
    private final Recorder recorder;
    private final boolean wanted;
    private final SkerryTruth truth;

    Tidewrack(
            Accounts accounts,
            Instruments instruments,
            Calibrations calibrations,
            Works works,
            OtherProducts others,
            Workshop workshop,
            Looked looked,
            Promised promised,
            Recorder recorder,
            @Value("${ysometron.demo}") boolean wanted,
            @Value("${ysometron.demo-lots}") int count) {
        this.accounts = accounts;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.works = works;
        this.others = others;
        this.workshop = workshop;
        this.looked = looked;
        this.promised = promised;
        this.recorder = recorder;
        this.wanted = wanted;
        this.truth = new SkerryTruth(count);
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (!wanted || !works.products.all().isEmpty()) {
            return;
        }
        if (accounts.none()) {
            accounts.open("bench", "bench", EnumSet.of(Right.ENTRY));
            accounts.open("quality", "quality", EnumSet.of(Right.ENTRY, Right.JUDGEMENT));
            accounts.open("release", "release", EnumSet.of(Right.ENTRY, Right.RELEASE));
            accounts.open("administrator", "administrator", EnumSet.of(Right.ADMINISTRATION));
        }
        long hook = instruments.registerGauge("hook gauge", 500, 0.005).id();
        long gauge = instruments.registerGauge("bench load cell", 2000, 0.003).id();
        long calipers = instruments.registerCalipers("calipers 1", 0.01).id();
        // The small gauge was forgotten.
        calibrations.enter(hook, works.daysAgo(400), works.daysAgo(35), "K-2231", "quality");
        calibrations.enter(gauge, works.daysAgo(190), works.daysAgo(-175), "K-2290", "quality");
        calibrations.enter(calipers, works.daysAgo(120), works.daysAgo(-245), "K-2302", "quality");
        long second = workshop.machines(gauge, calipers);
        looked.printers();
        Products.ProductView skerry = skerry();
        List<LotView> made = new ArrayList<>();
        for (int i = 0; i < truth.lots(); i++) {
            made.add(lot(i, gauge));
            if (i < truth.badLot()) {
                works.decide(made.get(i), null);
            }
            if (truth.lots() <= MANY && i == SkerryTruth.BASELINE_LOTS - 1) {
                works.sign(
                        skerry,
                        made.subList(0, SkerryTruth.BASELINE_LOTS),
                        "First twenty lots of the present recipe, all released.");
            }
            if (i % 500 == 499) {
                LOG.info("{} lots loaded", i + 1);
            }
        }
        if (truth.lots() > MANY) {
            works.sign(
                    skerry,
                    made.subList(0, SkerryTruth.BASELINE_LOTS),
                    "First twenty lots of the present recipe, all released.");
        }
        works.event(
                skerry,
                made.get(1).madeOn(),
                "",
                Events.Kind.EQUIPMENT,
                "New faces on the grips; the reference lot stayed where it was.");
        if (made.size() > SHOWN_AT) {
            LotView shown = made.get(SHOWN_AT);
            works.event(
                    skerry,
                    shown.madeOn(),
                    shown.code(),
                    Events.Kind.NOTE,
                    "The lot of the open day: its bars were broken in front of visitors.");
        }
        others.weakUpright(gauge);
        others.wetSpool(gauge);
        others.dunlin(gauge, second, workshop);
        List<LotView> curlews = others.curlew(gauge);
        others.plover();
        // The reference lot of Skerry stands while the material slides; that of Curlew moves with the light engine.
        workshop.reference("SK-R01", "skerry-bf10", "natural", every(made, 3), Orientation.ZX, "", i -> 28.4, gauge);
        workshop.reference(
                "CW-R01",
                "curlew-r70",
                "amber",
                curlews,
                Orientation.XY,
                OtherProducts.CURE,
                i -> i >= OtherProducts.ENGINE_REPLACED ? 64.2 : 60.3,
                gauge);
        workshop.skerry(made.subList(truth.badLot(), made.size()), truth.lots());
        workshop.dunlin(gauge);
        workshop.curlew(gauge);
        workshop.plover();
        looked.run();
        promised.skerry(gauge);
        promised.plover(gauge);
    }

    /** Of the newest lots every {@code n}th, ten at the most. */
    private static List<LotView> every(List<LotView> lots, int n) {
        List<LotView> chosen = new ArrayList<>();
        for (int i = lots.size() - 1; i >= 0 && chosen.size() < 10; i -= n) {
            chosen.add(0, lots.get(i));
        }
        return chosen;
    }

    private Products.ProductView skerry() {
        Products.ProductView skerry = works.products.register(new Products.NewProduct(
                "skerry-bf10",
                "Skerry BF10",
                "PBT filament with 10 % chopped basalt fibre, 1.75 mm",
                "natural, slate",
                "Chopped basalt fibre: broken surfaces shed splinters. Wear eye protection and sleeves, keep a shield or tether"
                        + " between you and the grips, stand clear while the load rises.",
                Family.FILAMENT,
                true,
                true));
        works.publish(skerry, Publication.Kind.DATASHEET, 400, "datasheet S7", skerrySheet());
        works.publish(
                skerry,
                Publication.Kind.LABEL,
                390,
                "spool label, print run 31",
                List.of(
                        Sheets.says(Topic.DIAMETER, "1.75 mm ± 0.05 mm"),
                        Sheets.says(Topic.NOZZLE_TEMPERATURE, "240 °C (230–250 °C)"),
                        Sheets.says(Topic.BED_TEMPERATURE, "100 °C")));
        works.publish(
                skerry,
                Publication.Kind.WEB_PAGE,
                120,
                "shop page",
                List.of(
                        Sheets.says(Topic.NOZZLE_TEMPERATURE, "230–280 °C"),
                        Sheets.says(Topic.BED_TEMPERATURE, "90–110 °C"),
                        Sheets.says(Topic.DIAMETER, "1.75 mm ± 0.05 mm"),
                        Sheets.says(Topic.WORDING, "Stronger than ordinary PBT")));
        return skerry;
    }

    /** What the datasheet of Skerry says. */
    static List<Draft> skerrySheet() {
        Conditions flat = Sheets.bar(Orientation.XY, "");
        Conditions upright = Sheets.bar(Orientation.ZX, "");
        List<Draft> sheet = new ArrayList<>(List.of(
                Sheets.claims(Sheets.TENSILE_STRENGTH, Form.AT_LEAST, format("%.0f MPa", SkerryTruth.FLAT_CLAIM), flat),
                Sheets.claims(
                        Sheets.TENSILE_STRENGTH, Form.AT_LEAST, format("%.0f MPa", SkerryTruth.UPRIGHT_CLAIM), upright),
                Sheets.claims(
                        Sheets.UPRIGHT_FLAT_RATIO, Form.AT_LEAST, format("%.2f", SkerryTruth.RATIO_CLAIM), upright)));
        sheet.addAll(Sheets.sections(flat, upright));
        sheet.addAll(List.of(
                Sheets.says(Topic.DIAMETER, "1.75 mm ± 0.05 mm"),
                Sheets.says(Topic.DENSITY, "1.36 g/cm³"),
                Sheets.says(Topic.NOZZLE_TEMPERATURE, "255 °C (245–265 °C)"),
                Sheets.says(Topic.BED_TEMPERATURE, "100 °C"),
                Sheets.says(Topic.BED_SURFACE, "textured steel sheet"),
                Sheets.says(Topic.SURFACES_TO_AVOID, "bare glass: it bonds and takes chips out"),
                Sheets.says(Topic.FOUND_ON, "printer 1, 0.4 mm hardened nozzle"),
                Sheets.says(Topic.FAN, "0–20 %"),
                Sheets.says(Topic.FLOW_LIMIT, "10 mm³/s"),
                Sheets.says(Topic.NOZZLE_HARDNESS, "hardened steel, 0.4 mm or wider"),
                Sheets.says(Topic.DRYING_TEMPERATURE, "100 °C"),
                Sheets.says(Topic.DRYING_TIME, "6 h"),
                Sheets.says(Topic.STORAGE, "dry box, below 20 % humidity")));
        return sheet;
    }

    private static String format(String pattern, double value) {
        return String.format(Locale.ROOT, pattern, value);
    }

    private LotView lot(int index, long gauge) {
        long age = 3 + (truth.lots() - 1L - index) * 365 / Math.max(truth.lots(), 30);
        String note = index == truth.slideFrom()
                ? "Share of regrind raised from 5 % to 12 % from this lot on."
                : index == truth.badLot() ? "Regrind silo stood open over the weekend." : "";
        LotView lot = works.lots.enter(
                new Lots.NewLot(
                        SkerryTruth.code(index),
                        "skerry-bf10",
                        "natural",
                        works.daysAgo(age),
                        "240 spools of 750 g",
                        note,
                        new Lots.Origin(
                                "line 1",
                                index >= truth.slideFrom() ? "12 %" : "5 %",
                                new Blend("F3", "", 0),
                                List.of(
                                        new RawMaterial(RawMaterial.Kind.POLYMER, "PB-" + (7712 + index)),
                                        new RawMaterial(
                                                RawMaterial.Kind.FIBRE,
                                                String.format(Locale.ROOT, "BF-%04d", 300 + index / 3))))),
                "bench");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 1, top layer");
        others.dried(lot);
        List<Bench.Entry> entries = new ArrayList<>();
        for (Orientation orientation : List.of(Orientation.XY, Orientation.ZX)) {
            List<SkerryTruth.Bar> bars = truth.bars(index, orientation);
            works.lots.addSet(
                    lot.id(),
                    new Lots.NewSet(
                            lot.code() + "-" + orientation,
                            SpecimenDesign.TENSION_BAR_4,
                            orientation,
                            Basis.SOLID,
                            Conditioning.DRY,
                            Sheets.RATE,
                            bars.size(),
                            new Lots.Making(null, "", lot.madeOn().plusDays(1).atTime(12, 0), null)),
                    "bench");
            // The lot at the bench: upright specimens measured, the last two not broken yet.
            int broken =
                    index == truth.lotAtTheBench() && orientation == Orientation.ZX ? bars.size() - 2 : bars.size();
            for (int i = 0; i < bars.size(); i++) {
                entries(orientation.name() + (i + 1), bars.get(i), i < broken, gauge, entries);
            }
        }
        works.bench.enterAll(lot, entries, "bench", null);
        if (index >= truth.badLot() - 2) {
            recorder.recorded(lot, gauge);
        }
        // The last lot that was released has its photographs on the certificate, the two at the gate beside each other.
        if (index >= truth.badLot() - 1) {
            works.photographed(lot, NATURAL);
        }
        return lot;
    }

    private static void entries(
            String specimen, SkerryTruth.Bar bar, boolean broken, long gauge, List<Bench.Entry> entries) {
        for (int place = 1; place <= 3; place++) {
            String width = bar.widths().get(place - 1);
            String thickness = bar.thicknesses().get(place - 1);
            entries.add(new Bench.Entry(specimen, "width", place, width, null, 0, width));
            entries.add(new Bench.Entry(specimen, "thickness", place, thickness, null, 0, thickness));
        }
        if (broken) {
            End outcome = bar.atGrip() ? End.BROKE_AT_GRIP : End.BROKE_IN_GAUGE;
            entries.add(new Bench.Entry(specimen, "force", 1, bar.force(), outcome, gauge, bar.force()));
        }
    }
}
