package org.ysometron.app;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.gate.Decisions;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.plan.Plans;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;

/** Lots for tests, in a colour of their own so that the demo's charts stay as they are. */
@Component
public class TestLots {

    private final Lots lots;
    private final Samples samples;
    private final Bench bench;
    private final Instruments instruments;
    private final Intake intake;
    private final Plans plans;
    private final Derivations derivations;
    private final Decisions decisions;

    TestLots(
            Lots lots,
            Samples samples,
            Bench bench,
            Instruments instruments,
            Intake intake,
            Plans plans,
            Derivations derivations,
            Decisions decisions) {
        this.plans = plans;
        this.derivations = derivations;
        this.decisions = decisions;
        this.intake = intake;
        this.lots = lots;
        this.samples = samples;
        this.bench = bench;
        this.instruments = instruments;
    }

    /** A slate lot, dried in time, with five specimens flat and five upright. */
    public LotView lot() {
        LotView lot = bare();
        draw(lot);
        withoutHooks(lot);
        dry(lot, LocalDateTime.now().minusHours(2));
        set(lot, Orientation.XY, 5);
        set(lot, Orientation.ZX, 5);
        return lot;
    }

    /** Writes down that the lot's material was dried as its datasheet asks, and lay open since. */
    public void dry(LotView lot, LocalDateTime ended) {
        intake.enterDrying(
                lot,
                null,
                Map.of("ended", ended.withNano(0).toString(), "temperature", "100 °C", "time", "6 h", "kept", "OPEN"),
                UUID.randomUUID().toString(),
                "bench");
    }

    /** A slate lot of which nothing is known yet. */
    public LotView bare() {
        String code = "T-" + UUID.randomUUID().toString().substring(0, 8);
        LotView lot = lots.enter(
                new Lots.NewLot(code, "skerry-bf10", "slate", LocalDate.now().minusDays(10), "", ""), "bench");
        return lot;
    }

    /** A spool from the middle of the lot. */
    public void draw(LotView lot) {
        samples.draw(
                lot,
                new Samples.NewSample(
                        "S1",
                        Samples.Place.MIDDLE,
                        "bench",
                        "pallet 1",
                        lot.madeOn().plusDays(1)),
                "bench");
    }

    /** A lot of a blend of its own, in the middle of everything else that a good lot has. */
    public LotView good(Blend blend) {
        LotView lot = alone(blend);
        test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        return lot;
    }

    /** A lot of a blend that no other has: how the lots of other tests scatter is no measure of it. */
    public LotView alone() {
        return alone(new Blend("F-" + UUID.randomUUID().toString().substring(0, 6), "", 0));
    }

    /** A lot of a blend of its own, with no lot before it: five specimens flat and five upright, dried in time. */
    public LotView alone(Blend blend) {
        return alone(blend, 5);
    }

    /** The same with so many flat and so many upright. */
    public LotView alone(Blend blend, int n) {
        String code = "T-" + UUID.randomUUID().toString().substring(0, 8);
        LotView lot = lots.enter(
                new Lots.NewLot(
                        code,
                        "skerry-bf10",
                        "slate",
                        LocalDate.now().minusDays(10),
                        "",
                        "",
                        new Lots.Origin("", "", blend, List.of())),
                "bench");
        draw(lot);
        withoutHooks(lot);
        dry(lot, LocalDateTime.now().minusHours(2));
        set(lot, Orientation.XY, n);
        set(lot, Orientation.ZX, n);
        return lot;
    }

    /** What the plan asks for beside bars in tension is left out, with a reason: these tests are about bars. */
    public void withoutHooks(LotView lot) {
        plans.ofLot(lot.id())
                .ifPresent(plan -> plans.deviate(
                        lot,
                        plan.lines().stream()
                                .map(line -> !line.test().method().equals(Methods.usual())
                                        ? new Plans.Line(line.test(), line.expected(), true, "Not part of this check.")
                                        : line)
                                .toList()));
    }

    /** Points and verdicts as new as the readings, for tests that look at charts without opening a page. */
    public void refresh(LotView lot) {
        derivations.refresh(List.of(lot.productId()));
    }

    /** A good lot that was released. */
    public LotView releasedLot() {
        LotView lot = goodLot("bench");
        decisions.decide(lot, Disposition.RELEASE, "All claims are supported.", "release");
        return lots.named(lot.code());
    }

    public void set(LotView lot, Orientation orientation, int count) {
        lots.addSet(
                lot.id(),
                new Lots.NewSet(
                        UUID.randomUUID().toString(),
                        SpecimenDesign.TENSION_BAR_4,
                        orientation,
                        Basis.SOLID,
                        Conditioning.DRY,
                        5,
                        count),
                "bench");
    }

    /** A build whose every factor is stated. */
    public static final Build GYROID = ((Build.Read.Accepted) Build.read(Build.EXAMPLE)).value();

    /** A line of a plan: the method's own first design, solid, flat and dry. */
    public static PlannedTest line(String method, double rate, int n) {
        Method known = Methods.of(method).orElseThrow();
        return line(method, known.data().designs().get(0), rate, n);
    }

    /** The same of another design that the method takes. */
    public static PlannedTest line(String method, SpecimenDesign design, double rate, int n) {
        return new PlannedTest(
                Methods.of(method).orElseThrow(),
                design,
                Orientation.XY,
                Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                Conditioning.DRY,
                rate,
                n,
                "");
    }

    /** Specimens of such a line. */
    public void set(LotView lot, PlannedTest test) {
        lots.addSet(
                lot.id(),
                Lots.NewSet.of(UUID.randomUUID().toString(), test, test.n(), 1, Lots.Making.UNKNOWN),
                "bench");
    }

    /** One of the instruments that a method is read on, the larger where there are two. */
    public long instrument(Method method) {
        return instruments.serving(method.data().equipment()).stream()
                .max(Comparator.comparingDouble(one -> one.capacity().orElse(0)))
                .orElseThrow()
                .id();
    }

    public long gauge(String name) {
        return instruments.ofKind(Kind.FORCE_GAUGE).stream()
                .filter(gauge -> gauge.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    public Bench.Entry width(String specimen, int place, String typed) {
        return new Bench.Entry(specimen, "width", place, typed, null, 0, "");
    }

    public Bench.Entry thickness(String specimen, int place, String typed) {
        return new Bench.Entry(specimen, "thickness", place, typed, null, 0, "");
    }

    public Bench.Entry force(String specimen, String typed, End outcome) {
        return new Bench.Entry(specimen, "force", 1, typed, outcome, gauge("bench load cell"), typed);
    }

    /** A second reading for one that was misread. */
    public Bench.Correction correction(String typed, @Nullable End outcome, String reason) {
        return new Bench.Correction(typed, outcome, 0, Cause.MISREAD, reason, typed);
    }

    /** Measures specimens at 4.00 × 4.00 mm and breaks them with these forces in N. */
    public void test(LotView lot, Orientation orientation, String by, double... forces) {
        List<Bench.Entry> entries = new ArrayList<>();
        for (int i = 0; i < forces.length; i++) {
            String specimen = orientation.name() + (i + 1);
            entries.add(width(specimen, 1, "4.00"));
            entries.add(thickness(specimen, 1, "4.00"));
            entries.add(force(specimen, String.valueOf(forces[i]), End.BROKE_IN_GAUGE));
        }
        bench.enterAll(lot, entries, by, null);
    }

    /** A lot that every claim of the demo's datasheet holds for. */
    public LotView goodLot(String by) {
        LotView lot = lot();
        test(lot, Orientation.XY, by, 880, 884, 890, 876, 871);
        test(lot, Orientation.ZX, by, 450, 455, 462, 447, 458);
        return lot;
    }
}
