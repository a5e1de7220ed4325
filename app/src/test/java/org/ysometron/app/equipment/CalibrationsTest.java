package org.ysometron.app.equipment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.method.Calibration.Coverage;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Reduced;

/** M45: the register knows what each instrument is good for on a day; seen at the bench and at the gate. */
class CalibrationsTest extends DemoSite {

    @BeforeEach
    void theBenchIsOpen() {
        confirmed("quality");
    }

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Calibrations calibrations;

    @Autowired
    private Instruments instruments;

    @Autowired
    private org.springframework.jdbc.core.JdbcTemplate database;

    private void reading(LotView lot, String specimen, long gauge) {
        bench.enter(lot, testLots.width(specimen, 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness(specimen, 1, "4.00"), "bench");
        bench.enter(lot, new Bench.Entry(specimen, "force", 1, "450", End.BROKE_IN_GAUGE, gauge, "450"), "bench");
    }

    /** The demo's forgotten gauge: the bench warns, the gate holds, and a word with its reason lifts it. */
    @Test
    void aReadingByAForgottenGaugeBlocks() throws Exception {
        LotView lot = testLots.lot();
        long hook = testLots.gauge("hook gauge");
        http.perform(get("/lots/" + lot.code() + "/bench?step=measure").with(QUALITY))
                .andExpect(content().string(not(containsString("out of calibration"))));
        reading(lot, "ZX1", testLots.gauge("bench load cell"));
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content().string(not(containsString("Out of calibration"))));
        reading(lot, "ZX2", hook);
        bench.enter(lot, testLots.width("ZX3", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("ZX3", 1, "4.00"), "bench");

        http.perform(get("/lots/" + lot.code() + "/bench?step=break&gauge=" + hook)
                        .with(QUALITY))
                .andExpect(content().string(containsString("hook gauge is out of calibration")));
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("Out of calibration: hook gauge on " + LocalDate.now()),
                                containsString("Why readings by an instrument that nobody can vouch for may stand"))));
        word(lot, org.ysometron.core.gate.Block.Kind.CALIBRATION, "checked against a mass today, 0.1 % off")
                .andExpect(status().is3xxRedirection());
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content().string(not(containsString("Out of calibration: hook gauge"))));
    }

    /** A later calibration that verifies less leaves the readings of before as they are, and bounds those of its day. */
    @Test
    void theCapacityIsThatOfTheReadingsDay() {
        long gauge = instruments
                .registerGauge("gauge of two calibrations", 2000, 0.005)
                .id();
        LotView lot = testLots.lot();
        reading(lot, "ZX1", gauge);
        reading(lot, "ZX2", gauge);
        database.update(
                "update bench_reading set entered_at = entered_at - interval 9 day where specimen_id = ?",
                lots.specimen(lot, "ZX1").id());
        calibrations.enter(
                gauge,
                new Calibrations.NewCalibration(
                        LocalDate.now().minusDays(2),
                        LocalDate.now().plusDays(300),
                        "K-77",
                        OptionalDouble.of(400),
                        Calibrations.Paper.NONE),
                "quality");

        assertThat(bench.record(lot, "ZX1").result().orElseThrow().made()).isEqualTo(Reduced.Made.VALUE);
        assertThat(bench.record(lot, "ZX2").result().orElseThrow().made()).isEqualTo(Reduced.Made.AT_LEAST);
    }

    /** For a load that the forgotten gauge would suit best the bench offers a calibrated one. */
    @Test
    void theBenchOffersACalibratedGauge() throws Exception {
        String page = http.perform(get("/lots/DN-0050/bench?step=break").with(QUALITY))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page)
                .contains(">hook gauge", "selected=\"selected\">")
                .doesNotContain("selected=\"selected\">hook gauge")
                .doesNotContain("is out of calibration");
    }

    /** A calibration entered later covers from its own day on, never the days before. */
    @Test
    void aCalibrationCoversItsOwnDays() throws Exception {
        long gauge = instruments
                .registerGauge("gauge " + UUID.randomUUID().toString().substring(0, 6), 1000, 0.005)
                .id();
        assertThat(calibrations.today(gauge)).isEqualTo(Coverage.UNKNOWN);
        LocalDate today = LocalDate.now();
        calibrations.enter(gauge, today.minusDays(400), today.minusDays(40), "A", "quality");
        assertThat(calibrations.today(gauge)).isEqualTo(Coverage.OUT);
        http.perform(enter(
                        gauge, today.plusDays(3).toString(), today.plusDays(400).toString(), "B"))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("after today"), containsString("value=\"B\""))));
        http.perform(enter(gauge, today.toString(), today.minusDays(1).toString(), "B"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("due before")));
        http.perform(enter(gauge, "soon", today.toString(), ""))
                .andExpect(status().is(422))
                .andExpect(
                        content().string(allOf(containsString("is not a date"), containsString("number is missing"))));
        http.perform(enter(gauge, today.toString(), today.plusDays(365).toString(), "B"))
                .andExpect(status().is3xxRedirection());
        assertThat(calibrations.today(gauge)).isEqualTo(Coverage.COVERED);
        http.perform(get("/equipment").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("out of calibration, was due"),
                                containsString("due " + today.plusDays(365) + ", certificate B"))));
        http.perform(post("/equipment/calibrations")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf()))
                .andExpect(status().isForbidden());
    }

    private static org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder enter(
            long gauge, String done, String due, String certificate) {
        return post("/equipment/calibrations")
                .with(QUALITY)
                .with(csrf())
                .param("instrument", String.valueOf(gauge))
                .param("doneOn", done)
                .param("dueOn", due)
                .param("certificate", certificate);
    }
}
