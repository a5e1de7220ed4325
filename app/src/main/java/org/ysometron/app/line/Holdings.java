package org.ysometron.app.line;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;

/** Which bench has which instrument: an open page at a bench is a station, and an instrument is at one of them. */
@Component
class Holdings {

    private static final Pattern STATION = Pattern.compile("[A-Za-z0-9-]{8,40}");

    private final HoldingRepository holdings;
    private final Instruments instruments;
    private final Clock clock;

    Holdings(HoldingRepository holdings, Instruments instruments, Clock clock) {
        this.holdings = holdings;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** Who has an instrument. */
    record Holder(String station, String by) {}

    /** Takes an instrument to a bench, from whichever had it. */
    @Write
    void take(long instrumentId, String station, String by) {
        instruments.instrument(instrumentId);
        HoldingRow row = holdings.findById(instrumentId).orElseGet(HoldingRow::new);
        row.instrumentId = instrumentId;
        row.station = checked(station);
        row.heldBy = by;
        row.heldAt = clock.instant();
        holdings.save(row);
    }

    /** Lets go of an instrument that this bench has. */
    @Write
    void letGo(long instrumentId, String station) {
        holdings.findById(instrumentId)
                .filter(row -> row.station.equals(station))
                .ifPresent(holdings::delete);
    }

    static String checked(String station) {
        if (!STATION.matcher(station).matches()) {
            throw new Refusal("station", "This page does not say which bench it is: load it again.");
        }
        return station;
    }

    @Transactional(readOnly = true)
    Optional<Holder> of(long instrumentId) {
        return holdings.findById(instrumentId).map(row -> new Holder(row.station, row.heldBy));
    }

    @Transactional(readOnly = true)
    Map<Long, Holder> all() {
        return holdings.findAll().stream()
                .collect(Collectors.toMap(row -> row.instrumentId, row -> new Holder(row.station, row.heldBy)));
    }

    @Transactional(readOnly = true)
    Set<Long> at(String station) {
        return holdings.findByStation(station).stream()
                .map(row -> row.instrumentId)
                .collect(Collectors.toSet());
    }
}
