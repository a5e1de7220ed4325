package org.ysometron.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.TimeZone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.ysometron.app.DemoSite;
import org.ysometron.app.intake.Logs;
import org.ysometron.app.lot.LotView;

/** What is stored of a moment does not depend on where the machine stands: a site is moved, or its clock put forward. */
class StoredInstantsTest extends DemoSite {

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private Logs logs;

    @ParameterizedTest
    @ValueSource(strings = {"UTC", "Asia/Tokyo", "America/St_Johns"})
    void aMomentIsStoredInUtcWhateverTheMachinesZone(String zone) throws Exception {
        TimeZone before = TimeZone.getDefault();
        LotView lot = testLots.lot();
        try {
            TimeZone.setDefault(TimeZone.getTimeZone(zone));
            bench.enterAll(lot, List.of(testLots.width("XY1", 1, "4.00")), "bench", null);
            long log = logs.store(
                    lot,
                    null,
                    "f.csv",
                    new ByteArrayInputStream(
                            "position [mm],x [mm],y [mm]\n0,1.75,1.75\n1,1.75,1.75\n".getBytes(StandardCharsets.UTF_8)),
                    "bench");
            assertThat(raw("select cast(max(entered_at) as char) from bench_reading where lot_id = " + lot.id()))
                    .isCloseTo(Instant.now(), within(2, ChronoUnit.MINUTES));
            assertThat(raw("select cast(entered_at as char) from intake_log where id = " + log))
                    .isCloseTo(Instant.now(), within(2, ChronoUnit.MINUTES));
            assertThat(bench.records(lot.id()).get(0).readings().get(0).enteredAt())
                    .isCloseTo(Instant.now(), within(2, ChronoUnit.MINUTES));
            assertThat(logs.of(lot.id()).get(0).at()).isCloseTo(Instant.now(), within(2, ChronoUnit.MINUTES));
        } finally {
            TimeZone.setDefault(before);
        }
    }

    /** The hour that comes twice in autumn: both moments stay apart and in order. */
    @Test
    void theHourThatComesTwiceStaysTwoHours() {
        TimeZone before = TimeZone.getDefault();
        LotView lot = testLots.lot();
        bench.enterAll(lot, List.of(testLots.width("XY1", 1, "4.00")), "bench", null);
        long id = bench.records(lot.id()).get(0).readings().get(0).id();
        try {
            TimeZone.setDefault(TimeZone.getTimeZone("Europe/Oslo"));
            for (String moment : List.of("2026-10-25T00:30:00Z", "2026-10-25T01:30:00Z")) {
                database.update("update bench_reading set entered_at = ? where id = ?", utc(moment), id);
                assertThat(bench.records(lot.id()).get(0).readings().get(0).enteredAt())
                        .isEqualTo(Instant.parse(moment));
            }
        } finally {
            TimeZone.setDefault(before);
        }
    }

    private static String utc(String moment) {
        return LocalDateTime.ofInstant(Instant.parse(moment), ZoneOffset.UTC)
                .toString()
                .replace('T', ' ');
    }

    private Instant raw(String query) {
        String text = database.queryForObject(query, String.class);
        return LocalDateTime.parse(String.valueOf(text).replace(' ', 'T')).toInstant(ZoneOffset.UTC);
    }
}
