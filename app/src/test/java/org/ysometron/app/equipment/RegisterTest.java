package org.ysometron.app.equipment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Reduced;

class RegisterTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Instruments instruments;

    @Autowired
    private Calibrations calibrations;

    @Autowired
    private CheckStandards standards;

    @BeforeEach
    void theBenchIsOpen() {
        confirmed("quality");
    }

    private static MockHttpServletRequestBuilder form(String path) {
        return post(path).with(QUALITY).with(csrf());
    }

    @Test
    void everyKindIsRegisteredInItsOwnUnits() throws Exception {
        http.perform(form("/equipment")
                        .param("kind", "PENDULUM")
                        .param("name", "hammer of 2 J")
                        .param("capacity", "2 N")
                        .param("uncertainty", "1 %"))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("is a force, not an energy"), containsString("2 N"))));
        http.perform(form("/equipment")
                        .param("kind", "PENDULUM")
                        .param("name", "hammer of 2.7 J")
                        .param("capacity", "2 ft·lbf")
                        .param("uncertainty", "1 %")
                        .param("freeSwingLoss", "0.01 J"))
                .andExpect(redirectedUrl("/equipment"));
        http.perform(form("/equipment")
                        .param("kind", "DRYER")
                        .param("name", "dryer 2")
                        .param("places", "four"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is not a whole number")));
        http.perform(form("/equipment")
                        .param("kind", "DRYER")
                        .param("name", "dryer 2")
                        .param("places", "4"))
                .andExpect(redirectedUrl("/equipment"));
        // 2 ft·lbf = 2.7116 J (NIST SP 811).
        http.perform(get("/equipment").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("2.712 J"),
                                containsString("a free swing loses 0.01 J"),
                                containsString("holds 4 at once"))));
    }

    /** M45: a certificate that verified less than the maker says is the limit; what lies above it is a bound. */
    @Test
    void m45TheVerifiedCapacityIsTheLimit() throws Exception {
        long gauge =
                instruments.registerGauge("gauge of this test", 2000, 0.005).id();
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        http.perform(multipart("/equipment/calibrations")
                        .file(new MockMultipartFile("file", "K-77.pdf", "application/pdf", new byte[] {1, 2, 3}))
                        .param("instrument", String.valueOf(gauge))
                        .param("doneOn", LocalDate.now().minusDays(3).toString())
                        .param("dueOn", LocalDate.now().plusDays(300).toString())
                        .param("certificate", "K-77")
                        .param("verified", "800 N")
                        .with(QUALITY)
                        .with(csrf()))
                .andExpect(redirectedUrl("/equipment"));
        assertThat(instruments.instrument(gauge).capacity()).hasValue(800);
        http.perform(get("/lots/" + lot.code() + "/bench?step=break&specimen=XY1&gauge=" + gauge)
                        .with(QUALITY))
                .andExpect(content().string(containsString("of gauge of this test&#39;s capacity of 800 N")));
        bench.enter(
                lot,
                new org.ysometron.app.bench.Bench.Entry("XY1", "force", 1, "880", End.BROKE_IN_GAUGE, gauge, "880"),
                "bench");
        assertThat(bench.records(lot.id()).stream()
                        .flatMap((SpecimenRecord record) -> record.result().stream())
                        .map(Reduced::made))
                .containsExactly(Reduced.Made.AT_LEAST);
        long paper = calibrations.all().get(gauge).get(0).id();
        http.perform(get("/equipment/calibrations/" + paper + "/certificate").with(QUALITY))
                .andExpect(header().string("Content-Disposition", containsString("K-77.pdf")))
                .andExpect(content().bytes(new byte[] {1, 2, 3}));
        http.perform(get("/equipment/" + gauge).with(QUALITY))
                .andExpect(content().string(allOf(containsString("800 N"), containsString("K-77.pdf"))));
    }

    @Test
    void aCheckStandardThatReadsWrongIsSaidBeforeAnythingIsBroken() throws Exception {
        long gauge = instruments.registerGauge("checked gauge", 2500, 0.005).id();
        http.perform(form("/equipment/" + gauge + "/standards")
                        .param("standard", "mass of 10 kg")
                        .param("nominal", "10 kg")
                        .param("tolerance", "0.5 N"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("type kgf")));
        http.perform(form("/equipment/" + gauge + "/standards")
                        .param("standard", "mass of 10 kg")
                        .param("nominal", "10 kgf")
                        .param("tolerance", "0.5 N"))
                .andExpect(redirectedUrl("/equipment/" + gauge));
        long standard = standards.of(gauge).get(0).id();
        http.perform(form("/equipment/standards/" + standard + "/readings").param("reading", "98 mm"))
                .andExpect(status().is(422))
                .andExpect(
                        content().string(allOf(containsString("is a length, not a force"), containsString("98 mm"))));
        http.perform(form("/equipment/standards/" + standard + "/readings").param("reading", "98.3"))
                .andExpect(redirectedUrl("/equipment/" + gauge));
        assertThat(standards.faults(gauge)).isEmpty();
        http.perform(form("/equipment/standards/" + standard + "/readings").param("reading", "99.4"))
                .andExpect(redirectedUrl("/equipment/" + gauge));
        assertThat(standards.faults(gauge)).singleElement().asString().contains("1.3 N too high");
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        http.perform(get("/lots/" + lot.code() + "/bench?step=break&specimen=XY1&gauge=" + gauge)
                        .with(QUALITY))
                .andExpect(content().string(containsString("Do not use it until somebody has looked")));
    }

    /** M13: bars whose model was scaled are named as such, not broken, and not released without a word. */
    @Test
    void m13AScaledSetIsFoundAndStopped() throws Exception {
        LotView lot = lots.named("SS-0015");
        http.perform(get("/lots/SS-0015/decision").with(QUALITY))
                .andExpect(content().string(containsString("the model was scaled by 0.950")));
        http.perform(form("/lots/SS-0015/bench")
                        .param("specimen", lots.specimens(lot.id()).get(0).label())
                        .param("field", "force-1")
                        .param("typed", "790")
                        .param("outcome", "BROKE_IN_GAUGE")
                        .param("gauge", String.valueOf(testLots.gauge("bench load cell"))))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Size comes before strength")));
    }

    /** What is confirmed before anything is broken is confirmed whole, by the account itself, for that day. */
    @Test
    void theBenchOpensWhenEveryPointIsConfirmed() throws Exception {
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        RequestPostProcessor somebody = user("night shift").authorities(new SimpleGrantedAuthority("ENTRY"));
        MockHttpServletRequestBuilder force = post("/lots/" + lot.code() + "/bench")
                .with(somebody)
                .with(csrf())
                .param("specimen", "XY1")
                .param("field", "force-1")
                .param("typed", "880")
                .param("outcome", "BROKE_IN_GAUGE")
                .param("gauge", String.valueOf(testLots.gauge("bench load cell")));
        http.perform(force).andExpect(status().is(422)).andExpect(content().string(containsString("Confirm first")));
        http.perform(post("/lots/" + lot.code() + "/bench/confirmation")
                        .with(somebody)
                        .with(csrf())
                        .param("confirmed", "0"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("Confirm every point"),
                                containsString("the site asks for it from 100 N on"),
                                containsString("eye protection"))));
        http.perform(post("/lots/" + lot.code() + "/bench/confirmation")
                        .with(somebody)
                        .with(csrf())
                        .param("confirmed", "0", "1", "2"))
                .andExpect(status().is3xxRedirection());
        http.perform(force).andExpect(status().is3xxRedirection());
    }
}
