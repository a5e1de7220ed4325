package org.ysometron.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.URI;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;

class BenchTest extends DemoSite {

    @BeforeEach
    void theBenchIsOpen() {
        confirmed("bench");
    }

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));

    /** M1: a wrong unit is refused beside its field with 422, and what was typed is still there. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            force-1 | 12 Nm   | is a torque, not a force
            force-1 | 88 kg   | type kgf
            force-1 | 55 MPa  | is a stress, not a force
            width-1 | 4 N     | is a force, not a length
            width-1 | ''      | Nothing was typed
            width-1 | vier    | is not a number
            width-1 | 40.2    | Has the decimal point slipped?
            """)
    void whatCannotBeAReadingIsSaidBesideTheField(String field, String typed, String said) throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880);
        bench.enter(lot, testLots.width("ZX1", 2, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("ZX1", 1, "4.00"), "bench");

        type(lot, "ZX1", field, typed)
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString(said), containsString("value=\"" + typed + "\""))));
        assertThat(record(lot, "ZX1").at("width", 1)).isEmpty();
        assertThat(record(lot, "ZX1").ended()).isEmpty();
    }

    /** A peak still held from the specimen before is asked about; one that is meant stands when it is sent again. */
    @Test
    void theSameToTheLastDigitIsAskedAbout() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880);
        for (String specimen : List.of("XY2", "XY3")) {
            bench.enter(lot, testLots.width(specimen, 1, "4.00"), "bench");
            bench.enter(lot, testLots.thickness(specimen, 1, "4.00"), "bench");
        }
        type(lot, "XY2", "force-1", "880.0")
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("to the last digit what was read before it")));
        assertThat(record(lot, "XY2").isTested()).isFalse();
        bench.enter(lot, testLots.force("XY2", "880.0", End.BROKE_IN_GAUGE), "bench");
        type(lot, "XY3", "force-1", "881").andExpect(status().isOk());
    }

    /** An upright bar that carries more than flat ones are expected to is asked about; one below is not. */
    @Test
    void uprightAboveFlatIsAskedAbout() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 876);
        for (String specimen : List.of("ZX1", "ZX2")) {
            bench.enter(lot, testLots.width(specimen, 1, "4.00"), "bench");
            bench.enter(lot, testLots.thickness(specimen, 1, "4.00"), "bench");
        }
        type(lot, "ZX1", "force-1", "999")
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Is it an upright one?")));
        type(lot, "ZX1", "force-1", "455").andExpect(status().isOk());
    }

    @Test
    void aDoubtedValueStandsWhenItIsSentAgain() throws Exception {
        LotView lot = testLots.lot();

        http.perform(post("/lots/" + lot.code() + "/bench")
                        .with(BENCH)
                        .with(csrf())
                        .header("HX-Request", "true")
                        .param("specimen", "XY1")
                        .param("field", "width-1")
                        .param("typed", "7.1")
                        .param("confirm", "7.1"))
                .andExpect(status().isOk());
        assertThat(record(lot, "XY1").at("width", 1)).get().satisfies(r -> assertThat(r.value())
                .isEqualTo(7.1));
    }

    /** Two stations at one lot do not meet: whoever works from the middle goes on from there, and at the end from the start. */
    @Test
    void theNextSpecimenIsTheOneBehindTheLast() throws Exception {
        LotView lot = testLots.lot();
        for (String[] turn : new String[][] {{"XY3", "XY4"}, {"ZX5", "XY1"}, {"XY1", "XY2"}}) {
            for (String field : List.of("width-1", "width-2", "width-3", "thickness-1", "thickness-2")) {
                type(lot, turn[0], field, "4.01")
                        .andExpect(status().isOk())
                        .andExpect(content().string(containsString("class=\"big-code\">" + turn[0] + "<")));
            }
            type(lot, turn[0], "thickness-3", "4.01")
                    .andExpect(status().isOk())
                    .andExpect(content().string(containsString("class=\"big-code\">" + turn[1] + "<")));
        }
    }

    /** M1: converted, both shown. */
    @Test
    void aUnitIsConvertedAndBothAreKept() throws Exception {
        LotView lot = testLots.lot();

        type(lot, "XY1", "width-1", "0.158 in").andExpect(status().isOk());

        ReadingView reading = record(lot, "XY1").at("width", 1).orElseThrow();
        assertThat(reading.typed()).isEqualTo("0.158 in");
        assertThat(reading.value()).isCloseTo(4.0132, within(1e-12));
        http.perform(get("/lots/" + lot.code() + "/specimens/XY1/working").with(BENCH))
                .andExpect(content().string(allOf(containsString("0.158 in"), containsString("4.0132"))));
    }

    @Test
    void theSameReadingSentTwiceIsStoredOnce() throws Exception {
        LotView lot = testLots.lot();

        type(lot, "XY1", "width-1", "4.01").andExpect(status().isOk());
        type(lot, "XY1", "width-1", "4.01").andExpect(status().isOk());
        type(lot, "XY1", "width-1", "4.02")
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("correct it")));

        assertThat(record(lot, "XY1").readings()).hasSize(1);
    }

    /** M20: one stored reading; every summary is derived from it, so a correction reaches them all and the first stays. */
    @Test
    void aCorrectionKeepsTheFirstReadingAndChangesEverySummary() {
        LotView lot = testLots.goodLot("bench");
        double before = mean(lot);
        ReadingView wrong = record(lot, "ZX1").ended().orElseThrow();

        assertThatThrownBy(() ->
                        bench.correct(lot, wrong.id(), testLots.correction("405", End.BROKE_IN_GAUGE, " "), "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("is missing");
        bench.correct(lot, wrong.id(), testLots.correction("405", End.BROKE_IN_GAUGE, "misread 4 for 5"), "quality");

        SpecimenRecord record = record(lot, "ZX1");
        assertThat(record.corrected()).singleElement().satisfies(first -> assertThat(first.typed())
                .isEqualTo("450.0"));
        assertThat(record.result().orElseThrow().shown().orElseThrow()).isCloseTo(405 / 16.0, within(1e-9));
        assertThat(mean(lot)).isCloseTo(before - 45 / 16.0 / 5, within(1e-9));
        assertThatThrownBy(() -> bench.correct(
                        lot, wrong.id(), testLots.correction("1", End.BROKE_IN_GAUGE, "misread once again"), "bench"))
                .hasMessageContaining("corrected already");
    }

    /** M2: a force at or over the gauge's capacity is a bound, whatever was ticked. */
    @Test
    void theSmallGaugeEndsAtItsCapacity() throws Exception {
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        long small = testLots.gauge("hook gauge");

        http.perform(get("/lots/" + lot.code() + "/bench")
                        .with(BENCH)
                        .param("step", "break")
                        .param("gauge", "" + small))
                .andExpect(content()
                        .string(allOf(
                                containsString("Use bench load cell"), containsString("hook gauge&#39;s capacity"))));
        bench.enter(lot, new Bench.Entry("XY1", "force", 1, "512", End.BROKE_IN_GAUGE, small, "512"), "bench");

        Reduced result = record(lot, "XY1").result().orElseThrow();
        assertThat(result.made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(result.value().orElseThrow()).isCloseTo(500 / 16.0, within(1e-12));
    }

    /** M21: the range of the lots before is worked out from them, never kept as a record of its own. */
    @Test
    void extremesOfEarlierLotsAreComputed() throws Exception {
        LotView lot = lots.named("SK-0130");
        var earlier = earlierLots
                .of(
                        lot,
                        Methods.usual().data().main(),
                        record(lot, "ZX4").specimen().conditions())
                .orElseThrow();

        http.perform(get("/lots/SK-0130/bench/preview")
                        .with(BENCH)
                        .param("specimen", "ZX4")
                        .param("field", "force-1")
                        .param("typed", "431")
                        .param("gauge", "" + testLots.gauge("bench load cell")))
                .andExpect(content()
                        .string(containsString("means from "
                                + org.ysometron.core.working.Figures.significant(earlier.least(), 3) + " to "
                                + org.ysometron.core.working.Figures.significant(earlier.greatest(), 3))));
        assertThat(earlier.means()).hasSize(29).contains(earlier.least(), earlier.greatest());
        assertThat(earlier.means()).allMatch(mean -> mean >= earlier.least() && mean <= earlier.greatest());
    }

    @Test
    void withoutTheRightOfEntryNothingIsEntered() throws Exception {
        LotView lot = testLots.lot();

        http.perform(post("/lots/" + lot.code() + "/bench")
                        .with(user("guest").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                        .with(csrf()))
                .andExpect(status().isForbidden());
        http.perform(post("/lots/" + lot.code() + "/bench").with(BENCH)).andExpect(status().isForbidden());
        http.perform(get("/lots/no-such-lot").with(BENCH))
                .andExpect(status().isNotFound())
                .andExpect(content().string(containsString("no-such-lot")));
        http.perform(get("/lots/" + lot.code() + "/bench?gauge=abc").with(BENCH))
                .andExpect(status().isBadRequest());
    }

    @org.springframework.beans.factory.annotation.Autowired
    private EarlierLots earlierLots;

    private ResultActions type(LotView lot, String specimen, String field, String typed) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/bench")
                .with(BENCH)
                .with(csrf())
                .header("HX-Request", "true")
                .param("specimen", specimen)
                .param("field", field)
                .param("typed", typed)
                .param("outcome", "BROKE_IN_GAUGE")
                .param("gauge", "" + testLots.gauge("bench load cell")));
    }

    private SpecimenRecord record(LotView lot, String label) {
        return bench.records(lot.id()).stream()
                .filter(record -> record.specimen().label().equals(label))
                .findFirst()
                .orElseThrow();
    }

    private double mean(LotView lot) {
        testLots.refresh(lot);
        LotView newer = testLots.lot();
        return earlierLots
                .of(
                        newer,
                        Methods.usual().data().main(),
                        record(lot, "ZX1").specimen().conditions())
                .orElseThrow()
                .means()
                .stream()
                .filter(mean -> Math.abs(mean - average(lot)) < 1e-9)
                .findFirst()
                .orElseThrow();
    }

    private double average(LotView lot) {
        return bench.records(lot.id()).stream()
                .filter(record -> record.specimen().conditions().orientation() == Orientation.ZX)
                .mapToDouble(record -> record.result().orElseThrow().shown().orElseThrow())
                .average()
                .orElseThrow();
    }

    /** Sent without the script, as a scanner may that is faster than the page: the specimen in hand stays in hand. */
    @Test
    void theSpecimenStaysInHandWithoutTheScript() throws Exception {
        LotView lot = testLots.lot();
        for (String[] step : new String[][] {{"thickness-2", "specimen=XY1"}, {"thickness-3", "step=measure"}}) {
            String to = http.perform(post("/lots/" + lot.code() + "/bench")
                            .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                            .with(csrf())
                            .param("specimen", "XY1")
                            .param("field", step[0])
                            .param("typed", "3.98"))
                    .andReturn()
                    .getResponse()
                    .getRedirectedUrl();
            assertThat(to).contains(step[1]);
            assertThat(to.contains("specimen=")).isEqualTo(step[0].equals("thickness-2"));
        }
        // Who begins in the middle goes on from there.
        String on = http.perform(post("/lots/" + lot.code() + "/bench")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("specimen", "XY3")
                        .param("field", "thickness-3")
                        .param("typed", "3.98"))
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        assertThat(http.perform(get(URI.create(String.valueOf(on)))
                                .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .contains("name=\"specimen\" value=\"XY4\"");
    }
}
