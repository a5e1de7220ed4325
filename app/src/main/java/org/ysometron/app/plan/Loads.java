package org.ysometron.app.plan;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.CheckStandards;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.product.Claim;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Calibration.Coverage;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Equipment;
import org.ysometron.core.method.Headroom;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.working.Figures;

/** What load a plan's line is to be expected to take, and which gauge or hammer has room for it. */
@Component
class Loads {

    private static final int SOON_DAYS = 30;

    private final History history;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final CheckStandards standards;
    private final Clock clock;

    Loads(History history, Instruments instruments, Calibrations calibrations, CheckStandards standards, Clock clock) {
        this.clock = clock;
        this.history = history;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.standards = standards;
    }

    /**
     * A line's load.
     *
     * @param words load and the instrument it is planned for
     * @param warnings what stands against it
     */
    record LoadView(String words, List<String> warnings) {}

    LoadView of(long productId, Plans.Line line, List<Claim> claims) {
        PlannedTest test = line.test();
        List<InstrumentView> fitting = instruments.all().stream()
                .filter(instrument ->
                        instrument.kind().serves(test.method().data().equipment()))
                .sorted(java.util.Comparator.comparingDouble(i -> i.capacity().orElse(Double.MAX_VALUE)))
                .toList();
        if (fitting.isEmpty()) {
            return new LoadView(
                    "", List.of("No " + test.method().data().equipment().words() + " is in the register."));
        }
        OptionalDouble load = load(productId, line, claims);
        if (test.method().data().equipment().unit().isEmpty()) {
            return new LoadView(fitting.get(0).name(), List.of());
        }
        if (load.isEmpty()) {
            return new LoadView(
                    "Neither history nor a claim tells what load to expect: write it at the line.", List.of());
        }
        return pendulum(test) ? swing(load.getAsDouble(), fitting) : pull(test, load.getAsDouble(), fitting);
    }

    private static boolean pendulum(PlannedTest test) {
        return test.method().data().equipment() == Equipment.PENDULUM;
    }

    /** Typed, else the mean of the lots before times the area, else the claim times the area. */
    private OptionalDouble load(long productId, Plans.Line line, List<Claim> claims) {
        Entry expected = new Problems().entry("expected", "Expected load", line.expected());
        OptionalDouble typed = line.test()
                .method()
                .data()
                .equipment()
                .load()
                .map(expected::quantity)
                .orElse(OptionalDouble.empty());
        if (typed.isPresent()) {
            return typed;
        }
        Characteristic main = line.test().method().data().main();
        Optional<Claim> served = claims.stream()
                .filter(claim -> claim.property().equals(main) && line.serves(claim))
                .findFirst()
                // In another state, or at another rate, it breaks at about the same load: enough to choose a gauge by.
                .or(() -> claims.stream()
                        .filter(claim -> claim.property().equals(main)
                                && line.test()
                                        .method()
                                        .data()
                                        .id()
                                        .equals(claim.conditions().method())
                                && claim.conditions().orientation()
                                        == line.test().orientation())
                        .findFirst());
        if (served.isEmpty()) {
            return OptionalDouble.empty();
        }
        Optional<History.Scatter> scatter = history.scatter(productId, served.get());
        if (scatter.isPresent()) {
            return load(line.test(), scatter.get().mean());
        }
        Requirement requirement = served.get().requirement();
        OptionalDouble edge = requirement.lower().isPresent() ? requirement.lower() : requirement.upper();
        return edge.isPresent() ? load(line.test(), edge.getAsDouble()) : OptionalDouble.empty();
    }

    private static OptionalDouble load(PlannedTest test, double figure) {
        return test.method().load(figure, test.design(), test.method().data().pinned());
    }

    private LoadView pull(PlannedTest test, double load, List<InstrumentView> gauges) {
        List<InstrumentView> usable =
                gauges.stream().filter(gauge -> !isOut(gauge)).toList();
        List<InstrumentView> offered = usable.isEmpty() ? gauges : usable;
        InstrumentView gauge = offered.stream()
                .filter(g -> g.capacity().orElse(Double.MAX_VALUE) * Headroom.LARGEST_SHARE >= load)
                .findFirst()
                .orElse(offered.get(offered.size() - 1));
        List<Headroom.Gauge> others =
                offered.stream().map(InstrumentView::gauge).toList();
        List<String> warnings = new ArrayList<>();
        Headroom.warning(load, 1, gauge.gauge(), others)
                .map(words -> smaller(test, load, gauge)
                        .map(design -> words + " " + design)
                        .orElse(words))
                .ifPresent(warnings::add);
        Headroom.tooCoarse(load, gauge.gauge(), others).ifPresent(warnings::add);
        gauges.stream()
                .filter(g -> isOut(g) && g.capacity().orElse(0) * Headroom.LARGEST_SHARE >= load)
                .forEach(g -> warnings.add(g.name() + " would do but is out of calibration."));
        standards.faults(gauge.id()).forEach(warnings::add);
        dueSoon(gauge).ifPresent(warnings::add);
        return new LoadView(words(load, test.method().data().equipment().unit(), gauge), warnings);
    }

    /** A smaller design of the same method whose load would have room. */
    private static Optional<String> smaller(PlannedTest test, double load, InstrumentView gauge) {
        OptionalDouble whole = load(test, 1);
        return Designs.of(test.method()).stream()
                .filter(Designs::isOffered)
                .filter(design -> design.nominalArea() < test.design().nominalArea())
                .filter(design -> {
                    OptionalDouble less =
                            test.method().load(1, design, test.method().data().pinned());
                    return whole.isPresent()
                            && less.isPresent()
                            && load * less.getAsDouble() / whole.getAsDouble()
                                    <= Headroom.LARGEST_SHARE * gauge.capacity().orElse(Double.MAX_VALUE);
                })
                .findFirst()
                .map(SpecimenDesign::title)
                .map(title -> "The " + title + " would fit.");
    }

    private LoadView swing(double energy, List<InstrumentView> hammers) {
        double[] energies = hammers.stream()
                .filter(hammer -> hammer.kind() == Kind.PENDULUM)
                .mapToDouble(hammer -> hammer.capacity().orElse(0))
                .toArray();
        InstrumentView hammer = hammers.stream()
                .filter(h -> Headroom.pendulum(energy, h.capacity().orElse(0)).isEmpty())
                .findFirst()
                .orElse(hammers.get(0));
        List<String> warnings = new ArrayList<>();
        Headroom.pendulum(energy, hammer.capacity().orElse(1), energies).ifPresent(warnings::add);
        dueSoon(hammer).ifPresent(warnings::add);
        if (isOut(hammer)) {
            warnings.add(hammer.name() + " is out of calibration.");
        }
        return new LoadView(words(energy, "J", hammer), warnings);
    }

    /** A calibration that ends before a plan of some weeks is done. */
    private Optional<String> dueSoon(InstrumentView instrument) {
        return calibrations
                .holdsUntil(instrument.id())
                .filter(until -> until.isBefore(LocalDate.now(clock).plusDays(SOON_DAYS)))
                .map(until -> instrument.name() + " is due for calibration on " + until + ".");
    }

    private boolean isOut(InstrumentView instrument) {
        return calibrations.today(instrument.id()) == Coverage.OUT;
    }

    private static String words(double load, String unit, InstrumentView instrument) {
        return "about " + Figures.significant(load, 3) + " " + unit + " on " + instrument.name()
                + (instrument.facts().rig().isEmpty()
                        ? ""
                        : ", " + instrument.facts().rig());
    }
}
