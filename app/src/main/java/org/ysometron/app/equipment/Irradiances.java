package org.ysometron.app.equipment;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.quantity.Dimension;

/** The light at each place of a chamber, as it was measured: no two places of a turntable or under a lamp have the same. */
@Component
public class Irradiances {

    private static final int MOST = 200;

    private final IrradianceRepository rows;
    private final Instruments instruments;
    private final Clock clock;

    Irradiances(IrradianceRepository rows, Instruments instruments, Clock clock) {
        this.rows = rows;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** All maps of a chamber by the day of measuring: mW/cm² by place from 0 on. */
    public NavigableMap<LocalDate, Map<Integer, Double>> of(long instrumentId) {
        NavigableMap<LocalDate, Map<Integer, Double>> maps = new TreeMap<>();
        rows.findByInstrumentIdOrderByMeasuredOnAscPlaceAsc(instrumentId)
                .forEach(row -> maps.computeIfAbsent(row.measuredOn, day -> new LinkedHashMap<>())
                        .put(row.place, row.irradiance));
        return maps;
    }

    /** The light of a place on a day, in mW/cm²: as it was measured last by then; empty where it was not. */
    public OptionalDouble at(Map<LocalDate, Map<Integer, Double>> maps, int place, LocalDate day) {
        Optional<LocalDate> last = maps.keySet().stream()
                .filter(measured -> !measured.isAfter(day))
                .max(LocalDate::compareTo);
        Double irradiance = last.map(maps::get).map(map -> map.get(place)).orElse(null);
        return irradiance == null ? OptionalDouble.empty() : OptionalDouble.of(irradiance);
    }

    /** Enters a map: one irradiance a place, in the order of places. */
    @Write
    public void enter(long instrumentId, List<String> typed, LocalDate measuredOn, String by) {
        Kind kind = instruments.instrument(instrumentId).kind();
        if (kind != Kind.CURE_CHAMBER && kind != Kind.LIGHT_ENGINE) {
            throw new Refusal("irradiance", "Light is measured in a chamber or on a light engine.");
        }
        if (measuredOn.isAfter(LocalDate.now(clock))) {
            throw new Refusal("irradiance", "It cannot have been measured after today.");
        }
        if (typed.isEmpty() || typed.size() > MOST) {
            throw new Refusal(
                    "irradiance", "Type one irradiance a place, 1 to " + MOST + " of them, for example 4.2 mW/cm².");
        }
        if (rows.existsByInstrumentIdAndMeasuredOn(instrumentId, measuredOn)) {
            throw new Refusal("irradiance", "A map of that day is on record already.");
        }
        List<IrradianceRow> map = new ArrayList<>();
        for (String text : typed) {
            IrradianceRow row = new IrradianceRow();
            row.instrumentId = instrumentId;
            row.place = map.size();
            row.irradiance = Problems.thrown()
                    .cell("irradiance", "Place " + (map.size() + 1), text)
                    .neededQuantity(Dimension.IRRADIANCE)
                    .orElseThrow();
            row.measuredOn = measuredOn;
            row.enteredBy = by;
            row.enteredAt = clock.instant();
            map.add(row);
        }
        rows.saveAll(map);
    }
}
