package org.ysometron.app.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;

/** Creep by a displacement gauge: what it wrote beside a bar that hung is read at the times of the standard, and goes the way of typed readings. */
class HungRecordTest extends DemoSite {

    private static final double HOUR = 3600;

    @Autowired
    private Uploads uploads;

    @Autowired
    private Records records;

    @Autowired
    private Curves curves;

    @Autowired
    private Bench bench;

    @Autowired
    private Instruments instruments;

    private LotView lot;
    private String bar;
    private String other;
    private long weights;

    @BeforeEach
    void hung() {
        lot = testLots.lot();
        testLots.set(lot, TestLots.line("creep", 0, 3));
        List<String> labels = bench.records(lot.id()).stream()
                .filter(record -> record.method().data().id().equals("creep"))
                .map(record -> record.specimen().label())
                .toList();
        bar = labels.get(0);
        other = labels.get(1);
        weights = testLots.instrument(Methods.of("creep").orElseThrow());
        for (String label : labels) {
            bench.enterAll(
                    lot,
                    List.of(
                            new Bench.Entry(label, "width", 1, "4.00 mm", null, weights, ""),
                            new Bench.Entry(label, "thickness", 1, "4.00 mm", null, weights, "")),
                    "bench",
                    null);
        }
    }

    private void weighed(String label) {
        bench.enterTest(
                lot, label, List.of(new Bench.Entry(label, "mass", 1, "12260 g", null, weights, "12260 g")), "bench");
    }

    /** 0.1 mm at once and 0.02·t^0.25 mm after, from a load that comes on after a minute: 50 mm, so 0.002 and 0.0004·t^0.25. */
    private static byte[] record(double hours, boolean breaks) {
        StringBuilder text = new StringBuilder("time [min];extension [mm]\n");
        for (double t = 0; t < 60; t += 5) {
            row(text, t, 0.0005 * (t % 2));
        }
        for (double t = 0; t <= hours * HOUR; t += t < 600 ? 5 : 120) {
            row(text, 60 + t, 0.1 + 0.02 * Math.pow(t, 0.25));
        }
        for (double t = 60; breaks && t <= 900; t += 60) {
            row(text, 60 + hours * HOUR + t, 11.8);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void row(StringBuilder text, double seconds, double extension) {
        text.append(String.format(Locale.ROOT, "%.6f;%.5f%n", seconds / 60, extension));
    }

    private long stage(String label, byte[] bytes) {
        return uploads.stage(
                lot,
                new Uploads.Said(
                        "creep",
                        Piece.By.EXTENSOMETER,
                        Second.NONE,
                        instruments.ofKind(Kind.DISPLACEMENT_GAUGE).get(0).id(),
                        0),
                List.of(new Uploads.Sent(label + ".csv", bytes)),
                "bench");
    }

    private Reduced result(String label, String characteristic) {
        return bench.record(lot, label).results().stream()
                .filter(one -> one.characteristic().id().equals(characteristic))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatItGrewByIsReadAndTheLoadItselfIsTyped() {
        long early = stage(bar, record(200, false));
        assertThatThrownBy(() -> uploads.take(lot, early, Map.of(), "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("mass");
        weighed(bar);
        uploads.take(lot, early, Map.of(), "bench");

        SpecimenRecord hung = bench.record(lot, bar);
        assertThat(hung.ended().orElseThrow().outcome()).isEqualTo(End.HELD_TO_THE_END);
        double strain = (0.1 + 0.02 * Math.pow(200 * HOUR, 0.25)) / 50;
        assertThat(result(bar, "creep-strain").value().orElseThrow()).isCloseTo(strain, within(2e-5));
        // 12.26 kg at 9.80665 m/s² on 16 mm²: 7.514 MPa (ISO 899-1, E_c = σ/ε).
        assertThat(result(bar, "creep-modulus").value().orElseThrow())
                .isCloseTo(12.26 * 9.80665 / 16 / strain, within(2.0));
        assertThat(result(bar, "creep-fit").value().orElseThrow()).isCloseTo(0.25, within(0.01));
        assertThat(result(bar, "creep-rupture-time").made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(hung.live("at")).hasSameSizeAs(hung.live("extension")).hasSizeGreaterThan(10);
        assertThat(hung.live("extension")).allMatch(reading -> reading.analysis() != null);
    }

    @Test
    void aBarThatBrokeBrokeBetweenTwoRowsOfItsRecord() {
        weighed(bar);
        uploads.take(lot, stage(bar, record(30, true)), Map.of(), "bench");

        assertThat(bench.record(lot, bar).ended().orElseThrow().outcome()).isEqualTo(End.BROKE_BETWEEN_READINGS);
        Reduced rupture = result(bar, "creep-rupture-time");
        assertThat(rupture.made()).isEqualTo(Reduced.Made.BETWEEN);
    }

    /** Another analysis counts by decision: its rows take the place of those that were found before, and none of them is left over. */
    @Test
    void anotherAnalysisCountsWithItsOwnRows() {
        weighed(bar);
        uploads.take(lot, stage(bar, record(90, true)), Map.of(), "bench");
        long id = records.of(lot).get(0).id();
        int rows = bench.record(lot, bar).live("at").size();
        long second = records.analyse(
                lot,
                id,
                new Rules(Rules.USUAL.from(), Rules.USUAL.to(), Rules.Yield.NONE, OptionalInt.of(700)),
                "the gauge was touched there",
                "quality");
        records.count(lot, id, second, Cause.ANALYSIS, "the bar had slipped by then", "quality");

        SpecimenRecord now = bench.record(lot, bar);
        assertThat(now.live("at")).hasSameSizeAs(now.live("extension")).hasSizeLessThan(rows);
        assertThat(result(bar, "creep-rupture-time").made()).isEqualTo(Reduced.Made.BETWEEN);
        long again = stage(bar, record(91, true));
        assertThatThrownBy(() -> uploads.take(lot, again, Map.of(), "bench"))
                .hasMessageContaining("has a record already");
    }

    @Test
    void whoReadByHandIsNotMixedWithARecord() {
        weighed(bar);
        bench.enterTest(
                lot,
                bar,
                List.of(
                        new Bench.Entry(bar, "at", 1, "60 s", null, weights, "60 s"),
                        new Bench.Entry(bar, "extension", 1, "0.15 mm", null, weights, "0.15 mm")),
                "bench");
        long id = stage(bar, record(101, false));
        assertThatThrownBy(() -> uploads.take(lot, id, Map.of(), "bench")).hasMessageContaining("would mix two");
    }

    @Test
    void aSetIsDrawnByTheHourAndARecordComesBackAsItWent() throws Exception {
        weighed(bar);
        weighed(other);
        uploads.take(lot, stage(bar, record(100, false)), Map.of(), "bench");
        uploads.take(lot, stage(other, record(60, false)), Map.of(), "bench");

        Curves.Group group = curves.groups(lot).get(0);
        Curves.Sheet sheet = curves.sheet(group, List.of());
        assertThat(sheet.axes().strainUnit()).isEqualTo("h");
        assertThat(sheet.axes().stress()).isEqualTo("extension");
        assertThat(sheet.curves()).hasSize(2);
        float[] x = sheet.curves().get(0).x();
        assertThat((double) x[x.length - 1]).isCloseTo(100, within(0.1));
        long id = records.of(lot).get(0).id();
        Records.RecordView view = records.one(lot, id);
        assertThat(view.csv()).startsWith("extension [mm],time under load [s]\r\n");
        http.perform(get("/lots/{c}/records/{i}", lot.code(), id)
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(status().isOk());
        assertThat(view.capacity()).isEqualTo(OptionalDouble.of(12));
        assertThat(new ArrayList<>(
                        view.counting().worked().orElseThrow().found().rows().keySet()))
                .containsExactlyInAnyOrder("at", "extension");
    }
}
