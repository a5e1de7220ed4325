package org.ysometron.app.web;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.claim.Orientation;

/** The walk from claim to decision, done in a browser as a person would. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WalkTest extends DemoSite {

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
    }

    @Test
    void everyPageIsAccessibleAndFits() throws Exception {
        Page page = browser.page(1280, 800);
        browser.open(page, "/sign-in");
        browser.check(page, "sign-in");
        Page signed = browser.signedIn("quality");
        for (String path : List.of(
                "/",
                "/decided",
                "/products",
                "/products/skerry-bf10",
                "/products/skerry-bf10/publish/datasheet",
                "/products/skerry-bf10/wanting",
                "/products/dunlin-c2",
                "/products/skerry-bf10/plan",
                "/raw?code=BF-0301",
                "/lots/SK-0130/intake",
                "/lots/SK-0130/intake?form=DRYING",
                "/lots/DN-0047/intake",
                "/lots/DN-0050/evidence",
                "/lots/CW-0020/intake",
                "/lots/PL-0003/intake?form=ARTEFACT",
                "/products/skerry-bf10/drift",
                "/products/skerry-bf10/counts",
                "/drift/short-runs",
                "/products/skerry-bf10/together",
                "/drift",
                "/lots/SK-0130/results",
                "/lots/CW-0021/odd",
                "/equipment",
                "/lots/new",
                "/lots/SK-0130",
                "/lots/SK-0130/bench",
                "/lots/SK-0130/bench?step=measure&specimen=ZX4",
                "/lots/SK-0130/import",
                "/lots/SK-0130/evidence",
                "/lots/SK-0129/evidence",
                "/lots/SK-0130/specimens/XY3/working",
                "/lots/SK-0129/decision",
                "/lots/SK-0125",
                "/lots/SK-0125/certificate",
                "/lots/none")) {
            browser.open(signed, path);
            browser.check(signed, path);
        }
        Page tablet = browser.signedIn("bench");
        tablet.setViewportSize(820, 1180);
        for (String path : List.of(
                "/", "/lots/SK-0130", "/lots/SK-0130/bench", "/lots/SK-0130/evidence", "/lots/PL-0003/intake")) {
            browser.open(tablet, path);
            browser.check(tablet, "tablet " + path);
        }
    }

    @Test
    void aLotIsEnteredMeasuredAndBrokenByKeyboardAlone() throws Exception {
        Page page = browser.signedIn("bench");
        page.click("text=Enter a lot");
        page.click("text=Enter the lot");
        assertThat(page.locator("#w-code")).containsText("missing");
        page.fill("#code", "W-0001");
        page.selectOption("#product", "skerry-bf10|slate");
        page.fill("#size", "12 spools");
        page.click("text=Enter the lot");
        assertThat(page.locator("h1")).containsText("W-0001");

        page.click("text=Add the set");
        assertThat(page.locator("#w-orientation")).containsText("how the specimens lay");
        page.check("#o-ZX");
        page.fill("#count", "2");
        page.click("text=Add the set");
        assertThat(page.locator("text=ZX1 to ZX2")).isVisible();

        page.click("text=Measure and break");
        for (String typed : List.of("4.01", "0.158 in", "4,02", "3.98", "3.99", "3.97")) {
            Browser.typeAndEnter(page, typed);
        }
        assertThat(page.locator(".big-code")).hasText("ZX2");
        page.keyboard().press("Enter");
        assertThat(page.locator(".reading .wrong")).containsText("Nothing was typed");
        page.keyboard().type("12 N");
        assertThat(page.locator("#preview")).containsText("is a force, not a length");
        // Addresses end up in logs and histories: what guards the forms is in none of them.
        Assertions.assertThat(page.evaluate(
                                "() => performance.getEntriesByType('resource').map(one => one.name).filter(one =>"
                                        + " one.includes('/bench/preview')).join(' ')")
                        .toString())
                .contains("typed=")
                .doesNotContain("_csrf");
        page.keyboard().press("Enter");
        assertThat(page.locator(".reading .wrong").first()).containsText("is a force, not a length");
        assertThat(page.locator("#in-width-1")).hasValue("12 N");
        browser.check(page, "bench with a refusal");
        page.keyboard().press("Control+A");
        for (String typed : List.of("40.1", "4.01", "4.02", "4.00", "3.98", "3.99", "3.97")) {
            Browser.typeAndEnter(page, typed);
        }
        assertThat(page.locator(".done")).containsText("Every specimen is measured");
        page.click("text=Test them");
        openTheBench(page);
        Browser.awaitField(page);

        page.keyboard().type("44 kgf");
        assertThat(page.locator("#preview")).containsText("431.49 N");
        assertThat(page.locator("#preview")).containsText("Tensile strength: ");
        page.keyboard().press("Enter");
        assertThat(page.locator(".big-code")).hasText("ZX2");
        Browser.awaitSettled(page);
        page.keyboard().type("310");
        page.keyboard().press("Tab");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        assertThat(page.locator(".done")).containsText("Every specimen is tested");
        assertThat(page.locator("tr.is-excluded")).containsText("broke at grip");

        page.click("text=See the evidence");
        Locator upright =
                page.locator("article.strip", new Page.LocatorOptions().setHasText("Tensile strength, ZX upright"));
        assertThat(upright).containsText("1 excluded");
        assertThat(upright).containsText("4 more specimens");
        upright.locator("text=How this was worked out").click();
        assertThat(upright.locator(".working")).containsText("0.158 in");
        assertThat(upright.locator(".working")).containsText("σ = F/A₀");
        browser.check(page, "evidence with its working");
    }

    /** Six readings in about 100 ms, as from a scanner: whole and in order, or refused whole. */
    @Test
    void aScannerTypesAheadOfThePage() {
        LotView lot = testLots.lot();
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench");
        Browser.awaitField(page);
        for (String typed : List.of("4.01", "4.02", "4.03", "3.97", "3.98", "3.99")) {
            page.keyboard().type(typed);
            page.keyboard().press("Enter");
        }
        assertThat(page.locator(".big-code")).hasText("XY2");
        Assertions.assertThat(bench.records(lot.id()).get(0).readings())
                .extracting(reading -> reading.typed())
                .containsExactly("4.01", "4.02", "4.03", "3.97", "3.98", "3.99");
        // The answer is held back until all is typed, however fast this machine is.
        List<Route> held = held(page);
        Browser.awaitField(page);
        for (String typed : List.of("5 N", "4.02", "4.03")) {
            page.keyboard().type(typed);
            page.keyboard().press("Enter");
        }
        page.waitForCondition(() -> !held.isEmpty());
        held.forEach(Route::resume);
        assertThat(page.locator(".reading .wrong").first()).containsText("is a force, not a length");
        assertThat(page.locator(".typed-ahead")).containsText("not taken: 4.02");
        Assertions.assertThat(bench.records(lot.id()).get(1).readings()).isEmpty();
    }

    /** An end is chosen on the form that is seen: keys that would choose one on a form still to come store nothing. */
    @Test
    void anEndIsNotChosenAheadOfThePage() {
        LotView lot = testLots.lot();
        for (String specimen : List.of("XY1", "XY2", "XY3")) {
            bench.enterAll(
                    lot,
                    List.of(testLots.width(specimen, 1, "4.00"), testLots.thickness(specimen, 1, "4.00")),
                    "bench",
                    null);
        }
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench?method=tension&step=break&gauge=2");
        openTheBench(page);
        List<Route> held = held(page);
        Browser.awaitField(page);
        page.keyboard().type("500");
        page.keyboard().press("Enter");
        page.waitForCondition(() -> !held.isEmpty());
        page.keyboard().type("310");
        for (String key : List.of("Tab", "ArrowRight", "Enter")) {
            page.keyboard().press(key);
        }
        held.forEach(Route::resume);
        assertThat(page.locator(".typed-ahead")).containsText("not taken: 310 ⇥ ⇥ ⏎");
        Assertions.assertThat(bench.records(lot.id()).stream().flatMap(one -> one.readings().stream()))
                .extracting(reading -> reading.typed())
                .contains("500")
                .doesNotContain("310");
    }

    /** What a page sends, held back until a test lets it go. */
    private static List<Route> held(Page page) {
        List<Route> held = new ArrayList<>();
        page.route(url -> true, route -> {
            if (route.request().method().equals("POST")) {
                held.add(route);
            } else {
                route.resume();
            }
        });
        return held;
    }

    /** M77: a label that is not this lot's is said, and nothing stays in hand. */
    @Test
    void m77AWrongLabelTakesNothingInHand() {
        LotView lot = testLots.lot();
        LotView other = testLots.lot();
        Page page = browser.signedIn("bench");
        String foreign = lots.specimens(other.id()).get(0).code();
        for (String wrong : List.of("XY99", foreign, "nonsense")) {
            browser.open(page, "/lots/" + lot.code() + "/bench?step=measure&specimen=" + wrong);
            assertThat(page.locator("#bench")).containsText("Nothing is in hand");
            assertThat(page.locator(".typed")).hasCount(0);
        }
        assertThat(page.locator("#scan")).isFocused();
        browser.open(
                page,
                "/lots/" + lot.code() + "/bench?step=measure&specimen="
                        + lot.code().toLowerCase(java.util.Locale.ROOT) + "-xy3");
        assertThat(page.locator(".big-code")).hasText("XY3");
    }

    @Test
    void aFileIsImportedAndTheLotIsReleasedByAnother() throws Exception {
        LotView lot = testLots.lot();
        StringBuilder file = new StringBuilder("specimen;width_1 [mm];thickness_1 [mm];force [kgf]\n");
        // Scattered as bars are, and in no order.
        for (int i = 1; i <= 5; i++) {
            int mixed = i * 3 % 5;
            file.append("XY")
                    .append(i)
                    .append(";4,00;4,00;")
                    .append(90 + mixed * 0.75)
                    .append('\n');
            file.append("ZX")
                    .append(i)
                    .append(";4,00;4,00;")
                    .append(46 + mixed * 0.5)
                    .append('\n');
        }
        Page bench = browser.signedIn("bench");
        browser.open(bench, "/lots/" + lot.code() + "/import");
        bench.setInputFiles(
                "#file",
                new FilePayload(
                        "mine.csv",
                        "text/csv",
                        file.toString().replace('.', ',').getBytes(StandardCharsets.UTF_8)));
        bench.click("text=Look at it");
        assertThat(bench.locator("main")).containsText("10 rows can be read");
        browser.check(bench, "import preview");
        bench.click("text=Take in 30 readings");
        assertThat(bench.locator(".verdict:has-text('supported')")).hasCount(7);

        Page release = browser.signedIn("release");
        browser.open(release, "/lots/" + lot.code() + "/decision");
        release.check("#d-RELEASE");
        release.fill("#reason", "All claims supported.");
        release.fill("#password", "release");
        release.dblclick("text=Sign the decision");
        assertThat(release.locator(".stamp")).hasText("released");
        browser.check(release, "certificate");
        release.goBack();
        release.reload();
        assertThat(release.locator("main")).containsText("Its record is closed");

        browser.open(bench, "/products/skerry-bf10/drift");
        bench.selectOption(
                "#series",
                new com.microsoft.playwright.options.SelectOption().setLabel("Tensile strength, ZX upright, slate"));
        assertThat(bench.locator("svg a[href='/lots/" + lot.code() + "']").first())
                .isVisible();
    }

    @Test
    void theDemosBadLotIsRefused() throws Exception {
        Page release = browser.signedIn("release");
        release.click("text=SK-0129");
        release.click(".stations >> text=Decision");
        release.check("#d-RELEASE");
        release.fill("#reason", "Customer is waiting.");
        release.click("text=Sign the decision");
        assertThat(release.locator("main")).containsText("cannot be released");
        assertThat(release.locator("#reason")).hasValue("Customer is waiting.");
        assertThat(release.locator(".reasons")).containsText("contradicted");
        browser.check(release, "refused decision");
    }

    @Test
    void aLogIsReadWithItsProgressAndABadOneNamesItsRow() throws Exception {
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/DN-0050/intake");
        StringBuilder text = new StringBuilder("position [mm];x [mm];y [mm]\n");
        for (int i = 0; i < 30_000; i++) {
            text.append(i).append(";1,751;1,749\n");
        }
        page.setInputFiles(
                "#log-file",
                new FilePayload("bad.csv", "text/csv", (text + "30000;thick;1,75\n").getBytes(StandardCharsets.UTF_8)));
        page.click("text=Read the log");
        assertThat(page.locator("[data-log-wrong]")).containsText("Row 30002, x: 'thick' is not a number");
        assertThat(page.locator("[data-log-wrong]")).containsText("Nothing was stored");
        page.setInputFiles(
                "#log-file",
                new FilePayload("good.csv", "text/csv", text.toString().getBytes(StandardCharsets.UTF_8)));
        page.click("text=Read the log");
        assertThat(page.locator("h1")).containsText("DN-0050");
        assertThat(page.locator("main")).containsText("30 000");
        browser.check(page, "diameter log");
        page.click("text=nearer");
        page.click("text=nearer");
        page.fill("#from", "100");
        page.fill("#to", "300");
        page.click("text=Show");
        assertThat(page.locator("main")).containsText("201 readings, each drawn");
        browser.check(page, "diameter log, single readings");
        page.goBack();
        assertThat(page.locator("main")).containsText("columns");
    }

    @Test
    void aConflictIsSettledInPlace() throws Exception {
        Page page = browser.signedIn("quality");
        browser.open(page, "/products/curlew-r70");
        page.click("text=Differ in wording: settle it");
        page.click("button:has-text('Settle it')");
        assertThat(page.locator(".wrong").first()).isVisible();
        page.check("text=the technical datasheet: 60 min at 60 °C, turned once");
        page.fill("input[name=reason]", "The datasheet is what was tested.");
        page.click("button:has-text('Settle it')");
        assertThat(page.locator("main")).containsText("Settled by quality: the technical datasheet governs.");
        browser.check(page, "product file with a settled conflict");
    }

    @Test
    void sixtySpecimensFitTheBench() throws Exception {
        LotView lot = testLots.lot();
        testLots.set(lot, Orientation.XZ, 60);
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench");

        assertThat(page.locator("table.bench-list tbody tr").count()).isEqualTo(70);
        browser.check(page, "bench with 70 specimens");
    }

    /** Confirms point by point what is confirmed once a day before anything is broken. */
    private static void openTheBench(Page page) {
        Locator points = page.locator(".confirm input[type=checkbox]");
        if (points.count() > 0) {
            assertThat(page.locator(".hand")).hasCount(0);
            page.click("text=Open the bench");
            assertThat(page.locator(".confirm .wrong")).containsText("Confirm every point");
            for (Locator point : page.locator(".confirm input[type=checkbox]").all()) {
                point.check();
            }
            page.click("text=Open the bench");
        }
    }
}
