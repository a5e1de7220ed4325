package org.ysometron.app.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.ysometron.app.account.Accounts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.Quantity;
import org.ysometron.app.drift.Baselines;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.gate.Decisions;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Property;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.gate.Right;
import org.ysometron.core.method.Outcome;

/** Loads the invented supplier Tidewrack Feedstocks into an empty site, through the doors that people use. */
@Component
@Order(1)
public class Tidewrack implements ApplicationRunner {

    /** Beyond this many lots the baselines are signed last, so that loading stays linear in the number of lots. */
    private static final int MANY = 100;

    private static final double RATE = 5;
    private static final Logger LOG = LoggerFactory.getLogger(Tidewrack.class);

    private final Accounts accounts;
    private final Products products;
    private final Instruments instruments;
    private final Lots lots;
    private final Bench bench;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Signals signals;
    private final Decisions decisions;
    private final Clock clock;
    private final boolean wanted;
    private final SkerryTruth truth;

    Tidewrack(
            Accounts accounts,
            Products products,
            Instruments instruments,
            Lots lots,
            Bench bench,
            SeriesPoints series,
            Baselines baselines,
            Signals signals,
            Decisions decisions,
            Clock clock,
            @Value("${ysometron.demo}") boolean wanted,
            @Value("${ysometron.demo-lots}") int count) {
        this.accounts = accounts;
        this.products = products;
        this.instruments = instruments;
        this.lots = lots;
        this.bench = bench;
        this.series = series;
        this.baselines = baselines;
        this.signals = signals;
        this.decisions = decisions;
        this.clock = clock;
        this.wanted = wanted;
        this.truth = new SkerryTruth(count);
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (!wanted || !products.all().isEmpty()) {
            return;
        }
        if (accounts.none()) {
            accounts.open("bench", "bench", EnumSet.of(Right.ENTRY));
            accounts.open("quality", "quality", EnumSet.of(Right.ENTRY, Right.JUDGEMENT));
            accounts.open("release", "release", EnumSet.of(Right.ENTRY, Right.RELEASE));
        }
        instruments.registerGauge("hook gauge", 500, 0.005);
        long gauge = instruments.registerGauge("bench load cell", 2000, 0.003).id();
        instruments.registerCalipers("calipers 1", 0.01);
        Products.ProductView skerry = skerry();
        List<LotView> made = new ArrayList<>();
        for (int i = 0; i < truth.lots(); i++) {
            made.add(lot(i, gauge));
            if (truth.lots() <= MANY && i == SkerryTruth.BASELINE_LOTS - 1) {
                sign(skerry, made);
            }
            if (i < truth.badLot()) {
                decide(made.get(i));
            }
            if (i % 500 == 499) {
                LOG.info("{} lots loaded", i + 1);
            }
        }
        if (truth.lots() > MANY) {
            sign(skerry, made);
        }
    }

    private Products.ProductView skerry() {
        Products.ProductView skerry = products.register(
                "skerry-bf10",
                "Skerry BF10",
                "PBT filament with 10 % chopped basalt fibre, 1.75 mm",
                "natural, slate",
                "Chopped basalt fibre: broken surfaces shed splinters. Wear eye protection and sleeves, keep a shield or tether"
                        + " between you and the grips, stand clear while the load rises.");
        List<Claim.Draft> drafts = new ArrayList<>();
        Conditions flat = conditions(Orientation.XY);
        Conditions upright = conditions(Orientation.ZX);
        drafts.add(atLeast(Property.TENSILE_STRENGTH, SkerryTruth.FLAT_CLAIM, "50 MPa", flat));
        drafts.add(atLeast(Property.TENSILE_STRENGTH, SkerryTruth.UPRIGHT_CLAIM, "24 MPa", upright));
        drafts.add(atLeast(Property.UPRIGHT_FLAT_RATIO, SkerryTruth.RATIO_CLAIM, "0.42", upright));
        for (Conditions terms : List.of(flat, upright)) {
            for (Property side : List.of(Property.SECTION_WIDTH, Property.SECTION_THICKNESS)) {
                drafts.add(new Claim.Draft(
                        side,
                        "4.0 mm ± 0.1 mm",
                        OptionalDouble.of(3.9),
                        OptionalDouble.of(4.1),
                        SkerryTruth.SPECIMENS,
                        terms));
            }
        }
        products.publish(skerry.id(), LocalDate.now(clock).minusDays(400), drafts);
        return skerry;
    }

    private static Claim.Draft atLeast(Property property, double edge, String typed, Conditions terms) {
        return new Claim.Draft(
                property,
                "at least " + typed,
                OptionalDouble.of(edge),
                OptionalDouble.empty(),
                SkerryTruth.SPECIMENS,
                terms);
    }

    private static Conditions conditions(Orientation orientation) {
        return new Conditions(
                "tension", Basis.SOLID, orientation, Conditioning.DRY, RATE, SpecimenDesign.TENSION_BAR_4.title());
    }

    private LotView lot(int index, long gauge) {
        long age = 3 + (truth.lots() - 1L - index) * 365 / Math.max(truth.lots(), 30);
        String note = index == truth.slideFrom()
                ? "Share of regrind raised from 5 % to 12 % from this lot on."
                : index == truth.badLot() ? "Regrind silo stood open over the weekend." : "";
        LotView lot = lots.enter(
                new Lots.NewLot(
                        String.format(Locale.ROOT, "SK-%04d", 101 + index),
                        "skerry-bf10",
                        "natural",
                        LocalDate.now(clock).minusDays(age),
                        "240 spools of 750 g",
                        note),
                "bench");
        List<Bench.Entry> entries = new ArrayList<>();
        for (Orientation orientation : List.of(Orientation.XY, Orientation.ZX)) {
            List<SkerryTruth.Bar> bars = truth.bars(index, orientation);
            lots.addSet(
                    lot.id(),
                    new Lots.NewSet(
                            lot.code() + "-" + orientation,
                            SpecimenDesign.TENSION_BAR_4,
                            orientation,
                            Basis.SOLID,
                            Conditioning.DRY,
                            RATE,
                            bars.size()),
                    "bench");
            // The lot at the bench: upright specimens measured, the last two not broken yet.
            int broken =
                    index == truth.lotAtTheBench() && orientation == Orientation.ZX ? bars.size() - 2 : bars.size();
            for (int i = 0; i < bars.size(); i++) {
                entries(orientation.name() + (i + 1), bars.get(i), i < broken, gauge, entries);
            }
        }
        bench.enterAll(lot, entries, "bench", null);
        return lot;
    }

    private static void entries(
            String specimen, SkerryTruth.Bar bar, boolean broken, long gauge, List<Bench.Entry> entries) {
        for (int place = 1; place <= 3; place++) {
            String width = bar.widths().get(place - 1);
            String thickness = bar.thicknesses().get(place - 1);
            entries.add(new Bench.Entry(specimen, Quantity.WIDTH, place, width, null, 0, width));
            entries.add(new Bench.Entry(specimen, Quantity.THICKNESS, place, thickness, null, 0, thickness));
        }
        if (broken) {
            Outcome outcome = bar.atGrip() ? Outcome.BROKE_AT_GRIP : Outcome.BROKE_IN_GAUGE;
            entries.add(new Bench.Entry(specimen, Quantity.FORCE, 1, bar.force(), outcome, gauge, bar.force()));
        }
    }

    private void sign(Products.ProductView product, List<LotView> made) {
        Set<Long> chosen =
                made.stream().limit(SkerryTruth.BASELINE_LOTS).map(LotView::id).collect(Collectors.toSet());
        for (SeriesPoints.SeriesView view : series.ofProduct(product.id())) {
            baselines.sign(view.id(), chosen, "First twenty lots of the present recipe, all released.", "quality");
        }
    }

    private void decide(LotView lot) {
        for (Signals.LotSignal signal : signals.of(List.of(lot.id())).getOrDefault(lot.id(), List.of())) {
            String answer = signal.title().startsWith("Section")
                    ? "Seen; a few micrometres, far inside the tolerance."
                    : "Seen; claims still supported with room. Regrind share raised lately: watch the next lots.";
            signals.answer(signal.seriesId(), lot.id(), answer, "quality");
        }
        boolean blocked = !decisions.blocks(lot).isEmpty();
        decisions.decide(
                lot,
                blocked ? Disposition.REJECT : Disposition.RELEASE,
                blocked ? "Claims not supported; lot goes to regrind." : "All claims supported.",
                "release");
    }
}
