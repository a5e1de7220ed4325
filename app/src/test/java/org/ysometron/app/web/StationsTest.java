package org.ysometron.app.web;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;

/** The bench at several methods: a whole lot by keyboard, a connection lost in the middle, two stations at one lot. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class StationsTest extends DemoSite {

    @LocalServerPort
    private int port;

    private Browser browser;

    @BeforeAll
    void start() {
        browser = new Browser(port);
    }

    @AfterAll
    void stop() {
        browser.close();
        away(made);
    }

    private final List<LotView> made = new ArrayList<>();

    private LotView bare() {
        LotView lot = testLots.bare();
        made.add(lot);
        return lot;
    }

    /** Sizes, then what the test reads with the specimen's number in it: no two displays show the same to the last digit. */
    private record Typed(String method, List<String> sizes, List<String> test) {}

    /** A lot of five methods, two specimens each, from the first page to the last without a pointer. */
    @Test
    void aLotOfFiveMethodsIsEnteredByKeyboardAlone() {
        LotView lot = bare();
        testLots.dry(lot, LocalDateTime.now().minusHours(2));
        List<Typed> methods = List.of(
                new Typed("tension", List.of("4.01", "4.02", "4.00", "3.98", "3.99", "3.97"), List.of("88%d")),
                new Typed("double-shear", List.of("5.02", "5.00", "4.99", "5.01"), List.of("142%d N")),
                new Typed("part-load", List.of(), List.of("6%d kgf")),
                new Typed(
                        "pendulum-impact",
                        List.of("10.01", "10.00", "9.99", "4.01", "4.00", "3.99"),
                        List.of("300", "18%d", "", "")),
                new Typed(
                        "three-point-bending",
                        List.of("10.02", "10.00", "9.98", "4.01", "4.00", "3.99"),
                        List.of("11%d N", "7.4", "", "", "", "")));
        testLots.set(lot, TestLots.line("tension", 5, 2));
        testLots.set(lot, TestLots.line("double-shear", 5, 2));
        testLots.set(lot, TestLots.line("part-load", 5, 2));
        testLots.set(lot, TestLots.line("pendulum-impact", SpecimenDesign.BENDING_BAR, 174_000, 2));
        testLots.set(lot, TestLots.line("three-point-bending", 2, 2));
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench");
        for (Typed typed : methods) {
            measure(page, typed);
            confirm(page);
            for (int specimen = 0; specimen < 2; specimen++) {
                test(page, typed, specimen);
            }
            if (!typed.equals(methods.get(methods.size() - 1))) {
                assertThat(page.locator(".done a")).isFocused();
                page.keyboard().press("Enter");
            }
        }
        assertThat(page.locator(".done")).containsText("See the evidence");

        Map<String, List<Double>> figures = new LinkedHashMap<>();
        for (SpecimenRecord record : bench.records(lot.id())) {
            figures.computeIfAbsent(record.method().data().id(), id -> new ArrayList<>())
                    .add(record.result().orElseThrow().value().orElseThrow());
        }
        Assertions.assertThat(figures).hasSize(5).allSatisfy((id, values) -> Assertions.assertThat(values)
                .hasSize(2));
        Assertions.assertThat(figures.get("double-shear").get(0))
                .isCloseTo(1420 / (2 * Math.PI * 5.005 * 5.005 / 4), Assertions.within(1e-9));
        Assertions.assertThat(figures.get("part-load").get(0)).isCloseTo(60 * 9.80665, Assertions.within(1e-9));
    }

    private static void measure(Page page, Typed typed) {
        for (int specimen = 0; specimen < 2 && !typed.sizes().isEmpty(); specimen++) {
            for (String size : typed.sizes()) {
                Browser.typeAndEnter(page, size);
            }
        }
        if (!typed.sizes().isEmpty()) {
            assertThat(page.locator(".done")).containsText("Every specimen is measured");
            assertThat(page.locator(".done a")).isFocused();
            page.keyboard().press("Enter");
        }
    }

    /** Types as fast as the page answers, and no faster: what comes ahead of a refusal is refused with it. */
    private static void confirm(Page page) {
        assertThat(page.locator("form.confirm, form.test").first()).isVisible();
        if (page.locator("form.confirm").count() == 0) {
            return;
        }
        int points = page.locator("form.confirm input[type=checkbox]").count();
        for (int i = 0; i < points; i++) {
            page.keyboard().press("Space");
            page.keyboard().press("Tab");
        }
        page.keyboard().press("Enter");
    }

    private static void test(Page page, Typed typed, int specimen) {
        String label = page.locator(".big-code").innerText();
        for (int i = 0; i < typed.test().size(); i++) {
            if (i == 0) {
                page.locator("form.test .typed").first().focus();
            }
            page.keyboard().type(typed.test().get(i).formatted(specimen));
            page.keyboard().press(i == typed.test().size() - 1 ? "Enter" : "Tab");
        }
        assertThat(page.locator("tr#row-" + label + " td.num a[title='open the working']")
                        .first())
                .isVisible();
    }

    /** The connection goes while a force is on its way: what was typed is still there, and once sent it is stored once. */
    @Test
    void aLostConnectionKeepsWhatWasTyped() {
        LotView lot = bare();
        testLots.set(lot, TestLots.line("part-load", 5, 2));
        confirmed("bench", "part-load");
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench?method=part-load&step=break");
        page.route("**/bench", Route::abort);
        page.locator("form.test .typed").first().focus();
        page.keyboard().type("618 N");
        page.keyboard().press("Enter");
        assertThat(page.locator(".lost")).containsText("not sent");
        assertThat(page.locator("#in-force-1")).hasValue("618 N");
        assertThat(page.locator(".big-code")).hasText("XY1");
        page.unroute("**/bench");
        page.locator("#in-force-1").focus();
        page.keyboard().press("Enter");
        assertThat(page.locator(".big-code")).hasText("XY2");
        Assertions.assertThat(bench.record(lot, "XY1").readings())
                .singleElement()
                .satisfies(reading -> Assertions.assertThat(reading.typed()).isEqualTo("618 N"));
    }

    /** The clock rings at its moments, goes on after the page is loaded again, and says when a reading was truly taken. */
    @Test
    void theClockRingsAndOutlivesThePage() {
        LotView lot = bare();
        testLots.set(lot, TestLots.line("timed-hold", 0, 2));
        confirmed("bench", "timed-hold");
        Page page = browser.signedIn("bench");
        page.clock().install();
        browser.open(page, "/lots/" + lot.code() + "/bench?method=timed-hold&step=break");
        page.fill("#in-mass-1", "1250 g");
        page.click("text=The load is on");
        page.clock().runFor(1_200);
        assertThat(page.locator("[data-clock-said]")).hasText("Read at 1 s now");
        page.fill("#in-at-1-s-1", "0.84");
        page.clock().runFor(29_000);
        assertThat(page.locator("[data-clock-said]")).hasText("Read at 30 s now");
        page.reload();
        assertThat(page.locator("[data-clock-face]")).hasText(Pattern.compile("[34][0-9] s"));
        assertThat(page.locator("#in-at-1-s-1")).hasValue("0.84");
        assertThat(page.locator("#in-mass-1")).hasValue("1250 g");
        page.fill("#in-at-30-s-1", "0.87");
        page.clock().runFor(45_000);
        page.fill("#in-at-60-s-1", "0.88");
        assertThat(page.locator("#in-true-at-60-s-1")).hasValue(Pattern.compile("[789][0-9] s"));
        page.locator("#in-at-60-s-1").press("Enter");
        assertThat(page.locator(".big-code")).hasText("XY2");
        assertThat(page.locator("[data-clock-start]")).isVisible();
        Assertions.assertThat(bench.record(lot, "XY1").at("true-at-60-s", 1))
                .get()
                .satisfies(reading -> Assertions.assertThat(reading.value()).isGreaterThan(66));
        Assertions.assertThat(bench.record(lot, "XY1").result().orElseThrow().reason())
                .contains("the growth is that of a minute");
    }

    /** Creep rings once, after its first minute, and writes the time down whether it was on time or late; days later nothing rings. */
    @Test
    void creepRingsAfterItsFirstMinute() {
        LotView lot = bare();
        testLots.set(lot, TestLots.line("creep", 0, 1));
        confirmed("bench", "creep");
        for (int place = 1; place <= 3; place++) {
            bench.enter(lot, testLots.width("XY1", place, "4.00"), "bench");
            bench.enter(lot, testLots.thickness("XY1", place, "4.00"), "bench");
        }
        Page page = browser.signedIn("bench");
        page.clock().install();
        browser.open(page, "/lots/" + lot.code() + "/bench?method=creep&step=break");
        page.fill("#in-mass-1", "1250 g");
        page.click("text=The load is on");
        page.clock().runFor(60_500);
        assertThat(page.locator("[data-clock-said]")).hasText("Read at 60 s now");
        page.fill("#in-extension-1", "0.021");
        assertThat(page.locator("#in-at-1")).hasValue("60 s");
        // What is left after unloading, and when it was found broken, come days later.
        page.locator("#in-extension-1").press("Enter");
        page.locator("#in-left-1").press("Enter");
        assertThat(page.locator("#in-extension-2")).isVisible();
        assertThat(page.locator("[data-clock-start]")).hasCount(0);
        Assertions.assertThat(bench.record(lot, "XY1").at("at", 1))
                .get()
                .satisfies(reading -> Assertions.assertThat(reading.value()).isEqualTo(60));
    }

    /** A display that was switched to kgf: a bare number is in what stood beside the field when it was typed, and kept with it. */
    @Test
    void aBareNumberIsInTheUnitThatTheDisplayShows() {
        LotView lot = bare();
        testLots.set(lot, TestLots.line("part-load", 5, 3));
        confirmed("bench", "part-load");
        Page page = browser.signedIn("bench");
        Page other = browser.signedIn("bench");
        String address =
                "/lots/" + lot.code() + "/bench?method=part-load&step=break&gauge=" + testLots.gauge("bench load cell");
        browser.open(page, address);
        browser.open(other, address);
        page.selectOption("#display", "kgf");
        assertThat(page.locator("label[for=in-force-1]")).containsText("kgf");
        page.locator("#in-force-1").fill("61");
        assertThat(page.locator("#preview")).containsText("598.2");
        page.locator("#in-force-1").press("Enter");
        assertThat(page.locator(".big-code")).hasText("XY2");
        // The page loaded before the switch still says N, and means it.
        assertThat(other.locator("label[for=in-force-1]")).containsText("N");
        browser.open(page, address);
        page.locator("#in-force-1").fill("601 N");
        page.locator("#in-force-1").press("Enter");
        assertThat(page.locator(".big-code")).hasText("XY3");
        page.selectOption("#display", "N");
        assertThat(page.locator("label[for=in-force-1]")).containsText(", N");
        Assertions.assertThat(bench.record(lot, "XY1").readings())
                .singleElement()
                .satisfies(reading -> {
                    Assertions.assertThat(reading.typed()).isEqualTo("61 kgf");
                    Assertions.assertThat(reading.value()).isCloseTo(61 * 9.80665, Assertions.within(1e-9));
                });
        Assertions.assertThat(bench.record(lot, "XY2").readings())
                .singleElement()
                .satisfies(reading -> Assertions.assertThat(reading.value()).isEqualTo(601));
    }

    /** M23, M33, M34, M35: what was seen belongs to the specimen, is typed beside its test, and stands with its readings. */
    @Test
    void m33WhatIsSeenIsKeptWithTheSpecimen() {
        LotView lot = bare();
        testLots.set(lot, TestLots.line("part-load", 5, 1));
        confirmed("bench", "part-load");
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench?method=part-load&step=break");
        page.fill("#in-force-1", "627 N");
        page.click("text=Zero, fracture, pieces, remark");
        page.selectOption("#in-fracture-1", "layers split");
        page.locator("[data-broke=\"away from the label\"]").click();
        assertThat(page.locator("#in-broke-at-1")).hasValue("away from the label");
        page.fill("#in-pieces-1", "two");
        page.selectOption("#in-fragments-1", "some are lost");
        page.selectOption("#in-loaded-by-1", "a person's weight");
        page.fill("#in-clip-1", "0:42.3");
        page.fill("#in-remark-1", "hung on the wrong pin");
        page.locator("#in-force-1").press("Enter");
        assertThat(page.locator("details.noted .wrong")).containsText("is not a number");
        assertThat(page.locator("#in-force-1")).hasValue("627 N");
        assertThat(page.locator("#in-remark-1")).hasValue("hung on the wrong pin");
        page.fill("#in-pieces-1", "2");
        page.locator("#in-force-1").press("Enter");
        assertThat(page.locator("#row-XY1")).containsText("Remark: hung on the wrong pin");
        assertThat(page.locator("#row-XY1")).containsText("In which part it broke: away from the label");
        // What was noted can be corrected as any reading.
        page.click("#row-XY1 >> text=Remark: hung");
        page.fill("input[name=typed]", "hung on the left pin");
        page.selectOption("select[name=cause]", "MISREAD");
        page.fill("[name=reason]", "The left one, seen on the clip.");
        page.click("main form button[type=submit]");
        assertThat(page.locator("#row-XY1")).containsText("Remark: hung on the left pin");
        Assertions.assertThat(bench.record(lot, "XY1").readings())
                .extracting(reading -> reading.field().key())
                .containsExactlyInAnyOrder(
                        "force",
                        "fracture",
                        "broke-at",
                        "pieces",
                        "fragments",
                        "loaded-by",
                        "clip",
                        "remark",
                        "remark");
        Assertions.assertThat(bench.record(lot, "XY1").result().orElseThrow().value())
                .hasValue(627);
    }

    /** Two people, two methods, one lot: neither page takes the other's specimens, and each stores what it typed. */
    @Test
    void twoStationsAtOneLotDoNotMeet() {
        LotView lot = bare();
        testLots.set(lot, TestLots.line("part-load", 5, 3));
        testLots.set(lot, TestLots.line("double-shear", 5, 3));
        for (String account : List.of("bench", "quality")) {
            confirmed(account, "part-load");
        }
        Page hooks = browser.signedIn("bench");
        Page pins = browser.signedIn("quality");
        browser.open(hooks, "/lots/" + lot.code() + "/bench?method=part-load&step=break");
        browser.open(pins, "/lots/" + lot.code() + "/bench?method=double-shear&step=measure");
        for (int i = 0; i < 3; i++) {
            assertThat(hooks.locator(".big-code")).hasText("XY" + (i + 1));
            hooks.locator("form.test .typed").first().focus();
            hooks.keyboard().type("61" + i + " N");
            assertThat(pins.locator(".big-code")).hasText("XY" + (i + 4));
            for (String size : List.of("5.01", "5.00", "5.02", "4.99")) {
                Browser.typeAndEnter(pins, size);
            }
            hooks.keyboard().press("Enter");
        }
        assertThat(hooks.locator(".done")).containsText("Every specimen is tested");
        assertThat(pins.locator(".done")).containsText("Every specimen is measured");
        Assertions.assertThat(bench.records(lot.id()))
                .filteredOn(SpecimenRecord::isTested)
                .extracting(record -> record.readings().get(0).typed())
                .containsExactlyInAnyOrder("610 N", "611 N", "612 N");
        Assertions.assertThat(bench.records(lot.id())).allMatch(SpecimenRecord::isMeasured);
    }

    /** Two people with calipers at one heap: who comes second is given another, and who types at a taken one is told whose it is. */
    @Test
    void twoPeopleMeasureOneSet() {
        LotView lot = bare();
        testLots.set(lot, Orientation.XY, 3);
        String path = "/lots/" + lot.code() + "/bench?method=tension&step=measure";
        Page one = browser.signedIn("bench");
        Page two = browser.signedIn("quality");
        browser.open(one, path);
        browser.open(two, path);
        assertThat(two.locator(".big-code")).hasText("XY1");
        Browser.typeAndEnter(one, "4.01");
        Browser.typeAndEnter(two, "4.02");
        assertThat(two.locator(".hand .wrong[role=alert]").first())
                .containsText("XY1 has this reading already: 4.01, by bench at");
        assertThat(two.locator(".hand .wrong[role=alert]").first()).containsText("Is it another that you hold?");
        browser.open(two, path);
        assertThat(two.locator(".big-code")).hasText("XY2");
        Browser.typeAndEnter(two, "4.02");
        for (String size : List.of("4.00", "4.02", "3.99", "3.98", "4.01")) {
            assertThat(one.locator(".big-code")).hasText("XY1");
            Browser.typeAndEnter(one, size);
        }
        // XY2 is in the other hand, so the one who is done with XY1 goes on to XY3.
        assertThat(one.locator(".big-code")).hasText("XY3");
    }
}
