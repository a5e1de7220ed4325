package org.ysometron.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.StringReader;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Component;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.plan.Schedule;

class TestPlanTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Plans plans;

    @Autowired
    private Products products;

    @Autowired
    private Calendar calendar;

    @Autowired
    private Due due;

    @Autowired
    private Needs needs;

    @Autowired
    private Site site;

    private static MockHttpServletRequestBuilder lines(String path, String... rates) {
        MockHttpServletRequestBuilder form = post(path).with(QUALITY).with(csrf());
        for (String rate : rates) {
            form.param("method", "tension")
                    .param("design", "TENSION_BAR_4")
                    .param("orientation", "XY")
                    .param("notch", "NONE")
                    .param("basis", "SOLID")
                    .param("build", "")
                    .param("conditioning", "DRY")
                    .param("rate", rate)
                    .param("n", "5")
                    .param("process", "")
                    .param("expected", "")
                    .param("leftOut", "")
                    .param("deviation", "");
        }
        return form;
    }

    @org.junit.jupiter.api.BeforeEach
    void onlyTheLotsOfTheDemoAreWaiting() {
        away(lots.undecided().stream()
                .filter(lot -> lot.code().startsWith("T-"))
                .toList());
    }

    // ---- the product's plan ------------------------------------------------------------------------------------

    /** Orientation, basis, rate and conditioning are never guessed; what was typed is still there. M29 among them. */
    @Test
    void aLineWithoutItsTermsIsRefused() throws Exception {
        http.perform(post("/products/plover-f30/plan")
                        .with(QUALITY)
                        .with(csrf())
                        .param("method", "tension")
                        .param("basis", "AS_PRINTED")
                        .param("n", "5")
                        .param("process", "cured long")
                        .param("reason", "because it is claimed"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("This line lacks an orientation"),
                                containsString("with walls and infill when it is as printed"),
                                containsString("a conditioning"),
                                containsString("a rate above zero"),
                                containsString("cured long"))));
        http.perform(lines("/products/plover-f30/plan", "5 N").param("reason", "because it is claimed"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is a force, not a speed")));
        http.perform(lines("/products/plover-f30/plan", "5 mm/min").param("reason", ""))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Say why the plan is as it is")));
        http.perform(lines("/products/plover-f30/plan", "5 mm/min", "5 mm/min").param("reason", "the same line twice"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("twice under the same terms")));
        http.perform(post("/products/plover-f30/plan")
                        .with(QUALITY)
                        .with(csrf())
                        .param("reason", "an empty plan"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("at least one line")));
    }

    @Test
    void aPlanIsVersionedAndTheLotsOwnCopyStays() throws Exception {
        Products.ProductView plover = products.named("plover-f30");
        LotView lot = lots.named("PL-0003");
        int before = plans.newest(plover.id()).orElseThrow().revision();
        int copied = plans.ofLot(lot.id()).orElseThrow().revision();

        http.perform(lines("/products/plover-f30/plan", "50 mm/min").param("reason", "Flexible: faster."))
                .andExpect(redirectedUrl("/products/plover-f30/plan"));

        assertThat(plans.newest(plover.id()).orElseThrow().revision()).isEqualTo(before + 1);
        assertThat(plans.ofLot(lot.id()).orElseThrow().revision()).isEqualTo(copied);
        http.perform(get("/products/plover-f30/plan").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("No line serves Tensile strength, XY flat"),
                                containsString("Earlier revisions"))));
        http.perform(lines("/products/plover-f30/plan", "50 mm/min").param("reason", "the same once again"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Nothing differs from revision")));
    }

    /** M27, M53: the plan, the evidence sheet and the certificate name deviations from the standard and the design's revision. */
    @Test
    void m27AndM53EveryReportNamesDeviationsAndTheDesignsRevision() throws Exception {
        for (String path : List.of("/lots/SK-0130/evidence", "/lots/SK-0132/specimen-sheet")) {
            http.perform(get(path).with(QUALITY))
                    .andExpect(content()
                            .string(containsString("after ISO 527-1, ISO 527-2, not in accordance: bars of 4 × 4")));
        }
        http.perform(get("/lots/SK-0125/certificate").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("not in accordance: bars of 4 × 4"),
                                containsString("grip distance 45 mm"),
                                containsString("tension bar 4 × 4 mm, rev 1"))));
        http.perform(get("/products/skerry-bf10/plan").with(QUALITY))
                .andExpect(content().string(containsString("tension bar 4 × 4 mm, rev 1")));
    }

    @Test
    void thePlanNamesAGaugeWithRoomAndAHammerThatFits() throws Exception {
        // 0.3 J is 7.5 % of the hammer of 4 J: below the 10 % of ISO 179-1, and no smaller hammer is registered.
        http.perform(get("/products/dunlin-c2/plan").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("valid are 10 to 80 %"),
                                containsString("No hammer in the register fits"))));
        // 620 N would do on the hook gauge of 500 N for nobody; the bench load cell has room.
        http.perform(get("/products/skerry-bf10/plan").with(QUALITY))
                .andExpect(content().string(containsString("about 620 N on bench load cell")));
    }

    // ---- a lot's copy ------------------------------------------------------------------------------------------

    @Test
    void aDeviationNeedsItsReasonAndALineIsNotLostSilently() throws Exception {
        LotView lot = testLots.bare();
        List<Plans.Line> copy = plans.ofLot(lot.id()).orElseThrow().lines();
        assertThat(copy).hasSize(5);
        assertThatThrownBy(() -> plans.deviate(lot, copy.subList(0, 2)))
                .hasMessageContaining("load of a part XY is in the product's plan");
        Plans.Line more = new Plans.Line(copy.get(0).test().of(7), "", false, "");
        assertThatThrownBy(() -> plans.deviate(lot, List.of(more, copy.get(1), copy.get(2), copy.get(3), copy.get(4))))
                .hasMessageContaining("differs from the product's plan: say why");
        plans.deviate(
                lot,
                List.of(
                        new Plans.Line(copy.get(0).test().of(7), "", false, "Two spools were mixed."),
                        copy.get(1),
                        new Plans.Line(copy.get(2).test(), "", true, "No hook model at hand."),
                        copy.get(3),
                        copy.get(4)));
        http.perform(get("/lots/" + lot.code() + "/plan").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("Differs from the product: Two spools were mixed."),
                                containsString("left out"))));
    }

    /** M54: what was planned stands beside what was done, line by line. */
    @Test
    void plannedAgainstDoneIsCountedLineByLine() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890);
        String page = http.perform(get("/lots/" + lot.code() + "/plan").with(QUALITY))
                .andReturn()
                .getResponse()
                .getContentAsString()
                .replaceAll("<[^>]+>", " ")
                .replaceAll("\\s+", " ");
        assertThat(page).containsPattern("tension XY tension, solid, XY flat.*? 5 5 3 3 ");
        assertThat(page).containsPattern("tension ZX tension, solid, ZX upright.*? 5 5 0 0 ");
    }

    // ---- calendar ----------------------------------------------------------------------------------------------

    @Test
    void noStationHoldsMoreThanItCanAndNoStepComesBeforeItsOwn() {
        Calendar.Board board = calendar.all().orElseThrow();
        List<Schedule.Slot> slots = board.plan().slots();
        assertThat(slots).isNotEmpty();
        Map<String, Schedule.Slot> byId = new java.util.HashMap<>();
        slots.forEach(slot -> byId.put(slot.job().id(), slot));
        for (Schedule.Slot slot : slots) {
            slot.job().after().forEach(id -> assertThat(
                            java.util.Objects.requireNonNull(byId.get(id)).end())
                    .isBeforeOrEqualTo(slot.start()));
        }
        // Two places in the dryer, one on each printer, one bench.
        Map<String, Integer> places = Map.of(
                "dryer",
                2,
                "printer 1",
                1,
                "printer 2",
                1,
                "printer 4",
                1,
                "bench",
                1,
                "wash and cure",
                1,
                "climate",
                6);
        for (Schedule.Slot slot : slots) {
            int most = places.getOrDefault(slot.job().resource(), Integer.MAX_VALUE);
            long there = slots.stream()
                    .filter(other -> other.job().resource().equals(slot.job().resource()))
                    .filter(other ->
                            !other.start().isAfter(slot.start()) && other.end().isAfter(slot.start()))
                    .count();
            assertThat(there).as(slot.job().id()).isLessThanOrEqualTo(most);
        }
    }

    @Test
    void theDemoHasTwoLotsDueAndOneOverdue() {
        List<Due.Item> items = due.all();
        assertThat(items)
                .filteredOn(item -> item.urgency() == Due.Urgency.OVERDUE)
                .anyMatch(item -> item.lot().equals("DN-0051") && item.what().contains("read creep in tension, day 7"));
        assertThat(items.stream().map(Due.Item::lot).distinct()).hasSizeGreaterThanOrEqualTo(2);
    }

    @Test
    void aDelayAndARetestMoveTheRelease() throws Exception {
        LotView lot = lots.named("SK-0131");
        LocalDateTime asPlanned = release(calendar.all().orElseThrow(), lot);
        LocalDateTime later =
                release(calendar.all(new Calendar.WhatIf(lot.id(), 10, 0)).orElseThrow(), lot);
        LocalDateTime again =
                release(calendar.all(new Calendar.WhatIf(lot.id(), 0, 300)).orElseThrow(), lot);
        // Ten days from today at the earliest, however full the stations were without the delay.
        assertThat(later)
                .isAfterOrEqualTo(LocalDate.now().plusDays(10).atStartOfDay())
                .isAfter(asPlanned);
        assertThat(again).isAfter(asPlanned);
        http.perform(get("/lots/SK-0131/plan?later=10").with(QUALITY))
                .andExpect(content().string(allOf(containsString("Then released"), containsString("instead of"))));
        http.perform(post("/lots/SK-0131/plan/dates")
                        .with(QUALITY)
                        .with(csrf())
                        .param("wantedOn", "soon")
                        .param("notBefore", ""))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is not a date")));
        http.perform(post("/lots/SK-0131/plan/dates")
                        .with(QUALITY)
                        .with(csrf())
                        .param("wantedOn", LocalDate.now().toString())
                        .param("notBefore", LocalDate.now().plusDays(20).toString())
                        .param("delayReason", "printer away"))
                .andExpect(status().is3xxRedirection());
        http.perform(get("/lots/SK-0131/plan").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("days late"), containsString("not done by the day it is wanted"))));
        assertThat(due.of(lot)).anyMatch(item -> item.what().contains("after it is wanted"));
        assertThatThrownBy(() -> plans.want(lot, LocalDate.of(9999, 1, 1), null, ""))
                .hasMessageContaining("days away");
        plans.want(lot, LocalDate.now().plusDays(9), null, "");
    }

    private static LocalDateTime release(Calendar.Board board, LotView lot) {
        return java.util.Objects.requireNonNull(board.forecasts().get(lot.id())).release();
    }

    /** The file is read back by the library that general calendar programs in Java use (RFC 5545). */
    @Test
    void theCalendarFileIsReadBackByALibrary() throws Exception {
        String text = http.perform(get("/lots/SK-0132/calendar.ics").with(QUALITY))
                .andExpect(content().contentTypeCompatibleWith("text/calendar"))
                .andReturn()
                .getResponse()
                .getContentAsString();
        net.fortuna.ical4j.model.Calendar read = new CalendarBuilder().build(new StringReader(text));
        read.validate();
        long steps = calendar.all().orElseThrow().plan().slots().stream()
                .filter(slot -> slot.job().id().startsWith("SK-0132: "))
                .count();
        assertThat(read.getComponents(Component.VEVENT)).hasSize((int) steps);
        assertThat(text).contains("SUMMARY:SK-0132: decide");
        String none = http.perform(get("/lots/SK-0101/calendar.ics").with(QUALITY))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(new CalendarBuilder().build(new StringReader(none)).getProperties())
                .isNotEmpty();
    }

    // ---- methods and site --------------------------------------------------------------------------------------

    /** M28: pinning another value is a new revision, with its reason; nothing is changed without one. */
    @Test
    void m28AParameterIsPinnedByRevision() throws Exception {
        http.perform(post("/methods/double-shear")
                        .with(QUALITY)
                        .with(csrf())
                        .param("values", "0.1 mm", "0.9382")
                        .param("reason", "the same as before"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Nothing differs from revision 1")));
        http.perform(post("/methods/double-shear")
                        .with(QUALITY)
                        .with(csrf())
                        .param("values", "0.05 mm", "0.9382")
                        .param("reason", ""))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("starts new series"), containsString("0.05 mm"))));
        http.perform(post("/methods/double-shear")
                        .with(QUALITY)
                        .with(csrf())
                        .param("values", "0.05 mm", "0.9382")
                        .param("reason", "new fixture"))
                .andExpect(redirectedUrl("/methods#double-shear"));
        http.perform(get("/methods").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("Revision 2: new fixture"),
                                containsString("Revision 1: gap of the fixture: 0.1 mm"))));
    }

    @Test
    void aSettingOfTheSiteIsCheckedForItsDimension() throws Exception {
        http.perform(post("/methods/site")
                        .with(QUALITY)
                        .with(csrf())
                        .param("setting", "DRYING")
                        .param("typed", "6 N"))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("is a force, not a time"), containsString("6 N"))));
        http.perform(post("/methods/site")
                        .with(QUALITY)
                        .with(csrf())
                        .param("setting", "DAY_ENDS")
                        .param("typed", "5"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("must begin before it ends")));
        for (String slip : List.of("FLOW 0.0000001", "DRYING 1e9 h", "PLATE 1e6", "WASTE 300 %")) {
            String[] parts = slip.split(" ", 2);
            http.perform(post("/methods/site")
                            .with(QUALITY)
                            .with(csrf())
                            .param("setting", parts[0])
                            .param("typed", parts[1]))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("is far from what it could be")));
        }
        http.perform(post("/methods/site")
                        .with(QUALITY)
                        .with(csrf())
                        .param("setting", "CURE")
                        .param("typed", "2 h"))
                .andExpect(redirectedUrl("/methods#site"));
        assertThat(site.values().minutes(Setting.CURE)).isEqualTo(120);
        site.change(Setting.CURE, "90 min", "quality");
    }

    @Test
    void densityAndDiameterComeFromTheDatasheetAndAreNotGuessedSilently() {
        Needs.Ground skerry = needs.of(products.named("skerry-bf10"));
        assertThat(skerry.material().density()).isEqualTo(1.36);
        assertThat(skerry.material().diameter()).isEqualTo(1.75);
        assertThat(skerry.assumed()).isEmpty();
        assertThat(needs.of(products.named("plover-f30")).assumed())
                .singleElement()
                .asString()
                .contains("no density is published: 1.1 g/cm³ assumed");
    }

    // ---- recipes and the reference lot -------------------------------------------------------------------------

    @Test
    void aRecipeIsFrozenWholeAndShownBesideWhatIsPublished() throws Exception {
        String printer = http.perform(get("/products/skerry-bf10/recipes").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("255 °C (245–265 °C)"), containsString("nozzle measured 3 °C colder"))))
                .andReturn()
                .getResponse()
                .getContentAsString();
        String id = printer.substring(printer.indexOf("<option value=\"") + 15);
        id = id.substring(0, id.indexOf('"'));
        http.perform(post("/products/skerry-bf10/recipes")
                        .with(QUALITY)
                        .with(csrf())
                        .param("printer", id)
                        .param("NOZZLE", "260 N")
                        .param("reason", "x")
                        .param("source", "y"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(containsString("is a force, not a temperature"), containsString("260 N"))));
        http.perform(post("/products/skerry-bf10/reference")
                        .with(QUALITY)
                        .with(csrf())
                        .param("lot", "DN-0051")
                        .param("every", "5")
                        .param("stock", "40")
                        .param("warn", "10"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is no lot of Skerry BF10")));
    }

    @Test
    void theDemosReferenceLotIsWarnedAboutAndCountedDown() throws Exception {
        http.perform(get("/products/skerry-bf10/recipes").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("material for 24 specimens is left"),
                                not(containsString("It runs out")))));
        http.perform(get("/").with(QUALITY)).andExpect(content().string(not(containsString("SK-R01"))));
        assertThat(lots.specimens(lots.named("SK-R01").id()))
                .filteredOn(bar -> java.util.Objects.equals(
                        bar.besideId(), lots.named("SK-0132").id()))
                .hasSize(6)
                .allSatisfy(bar -> assertThat(bar.conditions().conditioning()).isEqualTo(Conditioning.DRY));
    }

    /** Two lines of one method and orientation made gate, calendar and every plan answer 500. */
    @Test
    void twoRatesOfOneTestArePlannedLikeAnyOther() throws Exception {
        org.ysometron.app.lot.LotView lot = testLots.bare();
        List<Plans.Line> lines =
                new java.util.ArrayList<>(plans.ofLot(lot.id()).orElseThrow().lines());
        org.ysometron.core.plan.PlannedTest first = lines.get(0).test();
        lines.add(new Plans.Line(
                new org.ysometron.core.plan.PlannedTest(
                        first.method(),
                        first.design(),
                        first.orientation(),
                        first.notch(),
                        first.basis(),
                        first.build(),
                        first.conditioning(),
                        400,
                        3,
                        first.process()),
                "",
                false,
                "A customer pulls it fast."));
        plans.deviate(lot, lines);
        for (String path : List.of("/", "/calendar", "/calendar.ics", "/lots/" + lot.code() + "/plan")) {
            http.perform(get(path).with(QUALITY)).andExpect(status().isOk());
        }
    }
}
