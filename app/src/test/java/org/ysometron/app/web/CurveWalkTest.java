package org.ysometron.app.web;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;

/** Records in a browser: sent, looked at, stored, read with the cursor, argued about. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CurveWalkTest extends DemoSite {

    @LocalServerPort
    private int port;

    @Autowired
    private Bench bench;

    private Browser browser;

    @BeforeAll
    void start() {
        browser = new Browser(port);
    }

    @AfterAll
    void stop() {
        browser.close();
    }

    private static FilePayload file(String name, double force) {
        StringBuilder text = new StringBuilder("force [N];extension [mm]\n");
        for (int i = 0; i < 400; i++) {
            text.append(String.format(Locale.ROOT, "%.3f;%.5f\n", force * i / 399, force / 1280 * i / 399));
        }
        text.append("0;0.7\n0;0.71\n");
        return new FilePayload(name, "text/csv", text.toString().getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void recordsAreTakenInReadAndArguedAbout() throws Exception {
        LotView lot = testLots.lot();
        List<Bench.Entry> sizes = new ArrayList<>();
        for (String label : List.of("XY1", "XY2")) {
            sizes.add(testLots.width(label, 1, "4.00"));
            sizes.add(testLots.thickness(label, 1, "4.00"));
        }
        bench.enterAll(lot, sizes, "bench", null);
        Page page = browser.signedIn("quality");
        browser.open(page, "/lots/" + lot.code() + "/records");
        page.setInputFiles("#files", new FilePayload[] {file("XY1.csv", 800), file("other.csv", 780)});
        page.selectOption("#gauge", String.valueOf(testLots.gauge("bench load cell")));
        page.click("text=Look at them");
        assertThat(page.locator(".candidates")).containsText("modulus of elasticity 2000 MPa");
        page.locator(".candidates select").last().selectOption("XY2");
        page.click("text=Look again");
        assertThat(page.locator(".candidates")).containsText("strength 48.75 MPa");
        browser.check(page, "records looked at");
        page.dblclick("text=Store them");

        Locator canvas = page.locator("canvas[data-drawn='2']");
        assertThat(canvas).isVisible();
        canvas.focus();
        page.keyboard().press("End");
        assertThat(page.locator("[data-curve-reading]")).hasText(Pattern.compile("XY1: strain 2\\.5 %, stress 50 MPa"));
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("[data-curve-reading]")).containsText("XY2: strain 2.438 %, stress 48.75 MPa");
        page.keyboard().press("+");
        page.keyboard().press("0");
        Download png = page.waitForDownload(() -> page.click("[data-curve-png]"));
        Assertions.assertThat(Files.readAllBytes(png.path())).startsWith(0x89, 'P', 'N', 'G');

        page.locator("table.ledger a.code").first().click();
        assertThat(page.locator("canvas[data-drawn='1']")).isVisible();
        // Looked at nearer, about its end: the points of that part are asked for.
        canvas = page.locator("canvas[data-drawn='1']");
        canvas.focus();
        page.keyboard().press("End");
        page.keyboard().press("+");
        page.keyboard().press("+");
        page.keyboard().press("+");
        assertThat(page.locator("canvas[data-points]")).isVisible();
        Assertions.assertThat(Integer.parseInt(canvas.getAttribute("data-first")))
                .isGreaterThan(200);
        page.keyboard().press("0");
        assertThat(page.locator("canvas[data-first='0']")).isVisible();
        page.fill("#from", "0.01");
        page.fill("#to", "0.005");
        page.click("button:has-text('Work it out')");
        assertThat(page.locator("main")).containsText("The second strain lies above the first.");
        assertThat(page.locator("#from")).hasValue("0.01");
        page.fill("#to", "0.02");
        page.fill("#reason", "The grips settled below a strain of one percent.");
        page.click("button:has-text('Work it out')");
        assertThat(page.locator("canvas[data-drawn='2']")).isVisible();
        assertThat(page.locator(".analysis.is-counting")).hasCount(1);
        browser.check(page, "two analyses of a record");
        page.click("summary:has-text('Let this one count')");
        page.locator("details[open] input[name=reason]").fill("Below one percent the grips were settling.");
        page.click("text=Let it count");
        assertThat(page.locator(".analysis.is-counting")).containsText("between strains 0.01 and 0.02");
    }
}
