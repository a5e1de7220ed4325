package org.ysometron.app.web;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.line.Lines;
import org.ysometron.app.lot.LotView;
import org.ysometron.instruments.standin.StandIns;

/** Connected instruments at the bench in a browser: presses, streams, two windows, and a whole lot without hands. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class LineWalkTest extends DemoSite {

    private static final List<String> NAMES = List.of("calipers 1", "hook gauge", "bench load cell");
    private static final List<String> SERIALS = List.of("CL-0417", "FG-0203", "PT-0009");

    @LocalServerPort
    private int port;

    @Autowired
    private Lines lines;

    @Autowired
    private Instruments instruments;

    @TempDir
    private static Path folder;

    private Browser browser;
    private StandIns standIns;

    @BeforeAll
    void start() throws Exception {
        browser = new Browser(port);
        standIns = new StandIns(folder, 0);
        number(SERIALS);
        List<String> places = standIns.lines()
                .lines()
                .limit(SERIALS.size())
                .map(line -> line.substring(line.lastIndexOf(' ') + 1))
                .toList();
        lines.only("line", places, "administrator");
    }

    @AfterAll
    void stop() {
        lines.only("line", List.of(), "administrator");
        number(List.of("", "", ""));
        standIns.close();
        browser.close();
    }

    private void number(List<String> serials) {
        for (int i = 0; i < NAMES.size(); i++) {
            String name = NAMES.get(i);
            instruments.number(
                    instruments.all().stream()
                            .filter(one -> one.name().equals(name))
                            .findFirst()
                            .orElseThrow()
                            .id(),
                    serials.get(i));
        }
    }

    private void hand(String what) throws InterruptedException {
        Assertions.assertThat(standIns.hand(what)).isEqualTo("done");
    }

    private Page bench(LotView lot, String step) {
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code() + "/bench?method=tension&step=" + step);
        return page;
    }

    private static void use(Page page, String name) {
        page.click("[aria-label='Use it here: " + name + "']");
        assertThat(page.locator("[aria-label='Let go: " + name + "']")).isVisible();
    }

    private List<String> typed(LotView lot, String label) {
        return bench.record(lot, label).readings().stream()
                .filter(ReadingView::live)
                .map(ReadingView::typed)
                .toList();
    }

    /** A burst of presses goes into the fields in their order, each once; what no field takes waits and can be put there by hand. */
    @Test
    void pressesGoIntoTheOpenFields() throws Exception {
        LotView lot = testLots.lot();
        Page page = bench(lot, "measure");
        use(page, "calipers 1");
        browser.check(page, "bench with instruments");
        String first = page.locator("#bench .big-code").textContent().strip();
        for (String value : List.of("4.01", "4.02", "4.03", "3.97", "3.98", "3.99")) {
            hand("press CL-0417 " + value);
        }
        assertThat(page.locator("#bench .big-code")).not().hasText(first);
        Assertions.assertThat(typed(lot, first)).hasSize(6).allMatch(text -> text.endsWith(" mm"));
        // Far off: doubted as what is typed is; what was sent stands in its field, and Enter keeps it as sent.
        String second = page.locator("#bench .big-code").textContent().strip();
        hand("press CL-0417 40.2");
        assertThat(page.locator("#bench .hand [role=alert]")).containsText("Has the decimal point slipped?");
        assertThat(page.locator("#in-width-1")).hasValue(Pattern.compile("40\\.\\d\\d mm"));
        // Another press takes its place; the first waits.
        hand("press CL-0417 4.02");
        assertThat(page.locator("#in-width-2")).isFocused();
        Assertions.assertThat(typed(lot, second)).singleElement().asString().startsWith("4.0");
        assertThat(page.locator("#line [data-press]")).hasCount(1);
        // Whoever types over it has typed it: it waits.
        hand("press CL-0417 40.3");
        assertThat(page.locator("#bench .hand [role=alert]")).containsText("Has the decimal point slipped?");
        assertThat(page.locator("#in-width-2")).hasValue(Pattern.compile("40\\.\\d\\d mm"));
        page.fill("#in-width-2", "");
        page.locator("#in-width-2").pressSequentially("4.05");
        page.keyboard().press("Enter");
        assertThat(page.locator("#in-width-3")).isFocused();
        Assertions.assertThat(bench.record(lot, second).readings())
                .anyMatch(one -> one.typed().equals("4.05") && !one.sent());
        assertThat(page.locator("#line [data-press]")).hasCount(2);
        leaveAll(page);
        away(List.of(lot));
    }

    /** Leaves what waits, with a word why. */
    private void leaveAll(Page page) {
        browser.open(page, "/instruments");
        Locator reasons = page.locator("input[name=reason]");
        while (reasons.count() > 0) {
            int before = reasons.count();
            reasons.first().fill("pressed for the test");
            reasons.first().press("Enter");
            assertThat(reasons).hasCount(before - 1);
        }
    }

    /** The pages of instruments, with something on them that nobody took. */
    @Test
    void thePagesOfInstrumentsCanBeReadByEveryone() throws Exception {
        hand("press FG-0203 311");
        Page page = browser.signedIn("quality");
        browser.open(page, "/instruments");
        assertThat(page.locator("tr[id^=press-]")).not().hasCount(0);
        browser.check(page, "connected instruments");
        page.locator("input[name=reason]").first().press("Enter");
        assertThat(page.locator("[role=alert]")).containsText("Why it is left");
        leaveAll(page);
        page.click("summary:has-text('Left:')");
        assertThat(page.locator("main")).containsText("pressed for the test");
        browser.open(page, "/lots/DN-0052/logs/winding");
        browser.check(page, "a spool being wound, none");
    }

    /** An instrument is at one bench: the other window sees nothing of what is pressed. */
    @Test
    void whatIsPressedGoesToOneBench() throws Exception {
        LotView lot = testLots.lot();
        Page here = bench(lot, "measure");
        Page there = bench(lot, "measure");
        use(here, "calipers 1");
        assertThat(there.locator("#line .line-one").filter(new Locator.FilterOptions().setHasText("calipers 1")))
                .containsText("at another bench (bench)");
        use(there, "calipers 1");
        hand("press CL-0417 4.01");
        assertThat(there.locator("#in-width-2")).isFocused();
        assertThat(here.locator("#in-width-1")).hasValue("");
        long sizes = bench.records(lot.id()).stream()
                .mapToLong(record -> record.readings().size())
                .sum();
        Assertions.assertThat(sizes).isEqualTo(1);
        // What was pressed while nobody looked waits, and fills nothing by itself.
        there.close();
        hand("press CL-0417 4.04");
        use(here, "calipers 1");
        assertThat(here.locator("#line [data-press]")).hasCount(1);
        assertThat(here.locator("#in-width-1")).hasValue("");
        leaveAll(here);
        away(List.of(lot));
    }

    /** A peak that the gauge holds, and one beyond its range, in the test's own form. */
    @Test
    void aPeakIsSentIntoTheTest() throws Exception {
        LotView lot = testLots.lot();
        measured(lot);
        confirmed("bench");
        Page page = bench(lot, "break");
        use(page, "hook gauge");
        String first = page.locator("#bench .big-code").textContent().strip();
        hand("press FG-0203 640");
        assertThat(page.locator("#in-force-1")).hasValue("500 N");
        assertThat(page.locator("#oc-OVER_CAPACITY")).isChecked();
        assertThat(page.locator("[data-line-said]")).containsText("its range has ended");
        page.locator("#in-force-1").press("Enter");
        assertThat(page.locator("#bench .big-code")).not().hasText(first);
        SpecimenRecord over = bench.record(lot, first);
        Assertions.assertThat(over.result().orElseThrow().made().name()).isEqualTo("AT_LEAST");
        Assertions.assertThat(over.ended().orElseThrow().instrument().name()).isEqualTo("hook gauge");
        away(List.of(lot));
    }

    private void measured(LotView lot) {
        List<org.ysometron.app.bench.Bench.Entry> sizes = new ArrayList<>();
        for (SpecimenRecord record : bench.records(lot.id())) {
            for (int place = 1; place <= 3; place++) {
                sizes.add(testLots.width(record.specimen().label(), place, "4.00"));
                sizes.add(testLots.thickness(record.specimen().label(), place, "4.00"));
            }
        }
        bench.enterAll(lot, sizes, "bench", null);
    }

    /** A whole lot, from the first width to the last record, by what the instruments send. */
    @Test
    void aLotIsTestedWithoutHands() throws Exception {
        LotView lot = testLots.lot();
        List<String> truth = new ArrayList<>(List.of("specimen,field,value"));
        for (SpecimenRecord record : bench.records(lot.id())) {
            String name = lot.code() + "-" + record.specimen().label();
            for (int place = 1; place <= 3; place++) {
                truth.add(name + ",width-" + place + ",4.01");
                truth.add(name + ",thickness-" + place + ",3.99");
            }
            truth.add(name + ",force-1,800");
            truth.add(name + ",area,16");
            truth.add(name + ",modulus,2400");
        }
        Files.write(folder.resolve("truth.csv"), truth);
        int tested = BenchLot.test(
                browser,
                browser.signedIn("bench"),
                standIns::hand,
                lot.code(),
                new BenchLot.Named("CL-0417", "calipers 1"),
                new BenchLot.Named("PT-0009", "bench load cell"),
                words -> {});
        Assertions.assertThat(tested).isEqualTo(10);
        for (SpecimenRecord record : bench.records(lot.id())) {
            Assertions.assertThat(record.isTested())
                    .as(record.specimen().label())
                    .isTrue();
            // 800 N on 16 mm² are 50 MPa; the display's steps and noise are less than 1 in 200.
            Assertions.assertThat(record.result().orElseThrow().value().orElseThrow())
                    .isBetween(49.0, 51.0);
            Assertions.assertThat(record.results())
                    .filteredOn(result -> result.characteristic().id().equals("tension-modulus"))
                    .singleElement()
                    .satisfies(result ->
                            Assertions.assertThat(result.value().orElseThrow()).isBetween(2350.0, 2450.0));
        }
        away(List.of(lot));
    }
}
