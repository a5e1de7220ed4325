package org.ysometron.app.bench;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.CheckStandards;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.intake.MaterialStates;
import org.ysometron.app.intake.SizeGate;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.lot.Words;
import org.ysometron.app.make.Boughts;
import org.ysometron.app.make.Climates;
import org.ysometron.app.make.Histories;
import org.ysometron.app.plan.Site;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Gate;
import org.ysometron.core.material.Conditioning.Age;
import org.ysometron.core.method.Calibration.Coverage;
import org.ysometron.core.method.Methods;
import org.ysometron.core.reading.Field;

/** What is to be known before a specimen is broken: sizes that stop it, and states that make its result provisional. */
@Component
public class BeforeBreaking {

    private final Site site;
    private final SizeGate gate;
    private final Sizes sizes;
    private final MaterialStates states;
    private final Climates climates;
    private final Boughts boughts;
    private final Histories histories;
    private final Words words;
    private final CheckStandards standards;
    private final Calibrations calibrations;
    private final Clock clock;

    BeforeBreaking(
            Site site,
            SizeGate gate,
            Sizes sizes,
            MaterialStates states,
            Climates climates,
            Boughts boughts,
            Histories histories,
            Words words,
            Calibrations calibrations,
            CheckStandards standards,
            Clock clock) {
        this.site = site;
        this.gate = gate;
        this.climates = climates;
        this.boughts = boughts;
        this.histories = histories;
        this.words = words;
        this.standards = standards;
        this.calibrations = calibrations;
        this.sizes = sizes;
        this.states = states;

        this.clock = clock;
    }

    /** Refuses to take a breaking force while an artefact or fit check of the lot stands outside its gate. */
    void requireSize(LotView lot) {
        List<String> stops = stops(lot);
        if (!stops.isEmpty()) {
            throw new Refusal(
                    "typed",
                    stops.get(0) + " Size comes before strength: print again within size, or have an engineer give a"
                            + " word on the decision page.");
        }
    }

    /** Whether nobody can vouch for an instrument today: out of calibration, or never calibrated. */
    boolean isOut(InstrumentView instrument) {
        return instrument.kind().isCalibrated() && calibrations.today(instrument.id()) != Coverage.COVERED;
    }

    private List<String> stops(LotView lot) {
        List<Words.WordView> given = words.of(List.of(lot.id()));
        return sizeBlocks(List.of(lot)).getOrDefault(lot.id(), List.of()).stream()
                .filter(block -> given.stream().noneMatch(word -> word.lifts(block)))
                .map(Block::what)
                .toList();
    }

    /** Sizes that stop each lot, words of judgement or not. */
    public Map<Long, List<Block>> sizeBlocks(Collection<LotView> lots) {
        Map<Long, List<Block>> blocks = new HashMap<>();
        gate.stops(lots)
                .forEach((lot, stops) -> stops.forEach(stop -> blocks.computeIfAbsent(lot, id -> new ArrayList<>())
                        .add(Gate.sizeGate(stop.words(), stop.subject()))));
        sizes.gross(lots.stream().map(LotView::id).toList())
                .forEach((lot, stops) -> stops.forEach(stop -> blocks.computeIfAbsent(lot, id -> new ArrayList<>())
                        .add(Gate.sizeGate(stop.words(), stop.subject()))));
        return blocks;
    }

    /** Refuses a force on a specimen whose size was changed since it was measured. */
    void requireMeasuredSince(SpecimenView specimen, List<Reading> live) {
        resized(
                        specimen,
                        live.stream()
                                .filter(reading -> isSize(specimen, reading))
                                .map(reading -> reading.enteredAt)
                                .toList())
                .ifPresent(words -> {
                    throw new Refusal("typed", words);
                });
    }

    private static boolean isSize(SpecimenView specimen, Reading reading) {
        return Methods.of(specimen.conditions().method())
                .flatMap(method -> method.data().sheet().field(reading.field))
                .filter(field -> field.role() == Field.Role.SIZE)
                .isPresent();
    }

    /** The readings so far of those specimens whose size was changed since they were made. */
    Map<Long, List<Reading>> resized(Collection<SpecimenView> specimens, Function<Long, List<Reading>> readings) {
        Map<Long, List<Reading>> found = new HashMap<>();
        histories
                .resized(specimens.stream().map(SpecimenView::id).toList())
                .keySet()
                .forEach(id -> found.put(id, readings.apply(id)));
        return found;
    }

    private Optional<String> resized(SpecimenView specimen, List<Instant> measured) {
        Histories.Resized resized = histories.resized(List.of(specimen.id())).get(specimen.id());
        if (resized == null) {
            return Optional.empty();
        }
        Instant since = resized.entered();
        return measured.stream().anyMatch(at -> at.isBefore(since))
                ? Optional.of(specimen.label() + " was " + resized.kind().words()
                        + " after it was measured: correct its dimensions first, with that as the reason.")
                : Optional.empty();
    }

    /** What to say beside a specimen in the grips; empty when nothing stands against it. */
    List<String> warnings(LotView lot, SpecimenView specimen, InstrumentView instrument) {
        List<String> warnings = new ArrayList<>(stops(lot));
        Coverage coverage = calibrations.today(instrument.id());
        if (coverage != Coverage.COVERED && instrument.kind().isCalibrated()) {
            warnings.add(instrument.name()
                    + (coverage == Coverage.OUT ? " is out of calibration" : " has no calibration on record")
                    + (isOnlyNoted(coverage, lot)
                            ? ": the certificate will say so."
                            : ": what it shows blocks the release. Use another, or have it calibrated first."));
        }
        warnings.addAll(standards.faults(instrument.id()));
        histories
                .states(List.of(specimen))
                .values()
                .forEach(state -> warnings.add("Its result is kept apart from the others': " + state + "."));
        climates.cutShort(List.of(lot), List.of(specimen))
                .values()
                .forEach(why -> warnings.add("Its result will not count: " + why + "."));
        boughts.held(List.of(specimen.setId()))
                .values()
                .forEach(why -> warnings.add("Its result will not count: " + why + "."));
        Map<Long, MaterialStates.SetState> wet = states.of(List.of(lot));
        MaterialStates.SetState state = wet.get(specimen.setId());
        if (state != null && !state.state().dry()) {
            warnings.add("Material wet or unknown: its result will be provisional and not count. "
                    + String.join(" ", state.state().reasons()) + " "
                    + state.state().remedy());
        }
        if (specimen.conditions().conditioning() == Conditioning.CONDITIONED) {
            conditioning(lot, specimen).ifPresent(warnings::add);
        }
        return warnings;
    }

    private boolean isOnlyNoted(Coverage coverage, LotView lot) {
        return coverage == Coverage.UNKNOWN
                && site.uncalibratedNotedFrom()
                        .filter(from -> !lot.madeOn().isBefore(from))
                        .isPresent();
    }

    private Optional<String> conditioning(LotView lot, SpecimenView specimen) {
        Optional<LocalDateTime> ready = Optional.ofNullable(
                climates.ready(List.of(lot), List.of(specimen)).get(specimen.setId()));
        Age age = org.ysometron.core.material.Conditioning.age(ready, LocalDateTime.now(clock));
        return switch (age) {
            case REACHED -> Optional.empty();
            case UNKNOWN ->
                Optional.of("Nobody wrote down since when it is in the climate: its result will not count.");
            case EARLY ->
                Optional.of("Not conditioned yet: before "
                        + ready.orElseThrow().withNano(0).toString().replace('T', ' ')
                        + " its result will not count.");
        };
    }
}
