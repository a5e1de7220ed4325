package org.ysometron.app.bench;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.intake.MaterialStates;
import org.ysometron.app.intake.SizeGate;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.material.Conditioning.Age;
import org.ysometron.core.method.Calibration.Coverage;

/** What is to be known before a specimen is broken: sizes that stop it, and states that make its result provisional. */
@Component
class BeforeBreaking {

    private final SizeGate sizes;
    private final MaterialStates states;
    private final Products products;
    private final Calibrations calibrations;
    private final Clock clock;

    BeforeBreaking(SizeGate sizes, MaterialStates states, Products products, Calibrations calibrations, Clock clock) {
        this.calibrations = calibrations;
        this.sizes = sizes;
        this.states = states;
        this.products = products;
        this.clock = clock;
    }

    /** Refuses to take a breaking force while an artefact or fit check of the lot stands outside its gate. */
    void requireSize(LotView lot) {
        List<String> stops = stops(lot);
        if (!stops.isEmpty()) {
            throw new Refusal(
                    "typed",
                    stops.get(0) + ". Size comes before strength: print again within size, or have an engineer give a"
                            + " word on the decision page.");
        }
    }

    /** Whether an instrument is out of calibration today. */
    boolean isOut(InstrumentView instrument) {
        return calibrations.today(instrument.id()) == Coverage.OUT;
    }

    private List<String> stops(LotView lot) {
        return sizes.stops(List.of(lot)).getOrDefault(lot.id(), List.of());
    }

    /** What to say beside a specimen in the grips; empty when nothing stands against it. */
    List<String> warnings(LotView lot, SpecimenView specimen, InstrumentView instrument) {
        List<String> warnings = new ArrayList<>(stops(lot));
        if (isOut(instrument)) {
            warnings.add(
                    instrument.name() + " is out of calibration: what it shows blocks the release. Use another, or have"
                            + " it calibrated first.");
        }
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

    private Optional<String> conditioning(LotView lot, SpecimenView specimen) {
        double hours = products.product(lot.productId()).conditioningHours();
        Optional<LocalDateTime> started = Optional.ofNullable(specimen.conditionedFrom());
        Age age = org.ysometron.core.material.Conditioning.age(started, hours, LocalDateTime.now(clock));
        return switch (age) {
            case REACHED -> Optional.empty();
            case UNKNOWN ->
                Optional.of("Nobody wrote down since when it is in the climate: its result will not count.");
            case EARLY ->
                Optional.of("Not conditioned yet: before "
                        + org.ysometron.core.material.Conditioning.earliest(started.orElseThrow(), hours)
                                .withNano(0)
                                .toString()
                                .replace('T', ' ')
                        + " its result will not count.");
        };
    }
}
