package org.ysometron.app.equipment;

import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Headroom;

/** The register of force gauges and calipers. */
@Component
public class Instruments {

    private final InstrumentRepository instruments;

    Instruments(InstrumentRepository instruments) {
        this.instruments = instruments;
    }

    /**
     * An instrument as other slices see it.
     *
     * @param capacity largest force in N; empty for calipers
     * @param relativeUncertainty standard uncertainty over the reading, for force gauges
     * @param absoluteUncertainty standard uncertainty in mm, for calipers
     */
    public record InstrumentView(
            long id, String name, OptionalDouble capacity, double relativeUncertainty, double absoluteUncertainty) {

        /** The gauge as the rule of headroom wants it. */
        public Headroom.Gauge gauge() {
            return new Headroom.Gauge(name, capacity.orElse(Double.MAX_VALUE));
        }
    }

    /** All force gauges, the smallest first. */
    public List<InstrumentView> gauges() {
        return instruments.findByKindOrderByCapacityAscIdAsc(Instrument.Kind.FORCE_GAUGE).stream()
                .map(Instruments::view)
                .toList();
    }

    /** The calipers in use at the bench. */
    public InstrumentView calipers() {
        return instruments.findByKindOrderByCapacityAscIdAsc(Instrument.Kind.CALIPERS).stream()
                .findFirst()
                .map(Instruments::view)
                .orElseThrow(() -> new Refusal("No calipers are in the equipment register; register one first."));
    }

    /** Every instrument, force gauges first. */
    public List<InstrumentView> all() {
        return instruments.findAll().stream().map(Instruments::view).toList();
    }

    /** One instrument by key. */
    public InstrumentView instrument(long id) {
        return instruments.findById(id).map(Instruments::view).orElseThrow(() -> new NotFound("instrument " + id));
    }

    /** Registers a force gauge. */
    @Transactional
    public InstrumentView registerGauge(String name, double capacity, double relativeUncertainty) {
        return register(new Instrument(Instrument.Kind.FORCE_GAUGE, name, capacity, relativeUncertainty, 0));
    }

    /** Registers calipers. */
    @Transactional
    public InstrumentView registerCalipers(String name, double absoluteUncertainty) {
        return register(new Instrument(Instrument.Kind.CALIPERS, name, null, 0, absoluteUncertainty));
    }

    private InstrumentView register(Instrument instrument) {
        if (instruments.existsByName(instrument.name)) {
            throw new Refusal("name", "There is already an instrument '" + instrument.name + "'.");
        }
        return view(instruments.save(instrument));
    }

    private static InstrumentView view(Instrument instrument) {
        OptionalDouble capacity =
                instrument.capacity == null ? OptionalDouble.empty() : OptionalDouble.of(instrument.capacity);
        return new InstrumentView(
                instrument.id,
                instrument.name,
                capacity,
                instrument.relativeUncertainty,
                instrument.absoluteUncertainty);
    }
}
