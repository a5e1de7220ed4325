package org.ysometron.app.web;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.time.LocalDateTime;
import java.util.List;
import javax.imageio.ImageIO;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;

/** From the plan to labelled specimens in a chamber, done in a browser as a person would. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MakeWalkTest extends DemoSite {

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
        Page signed = browser.signedIn("quality");
        List<String> pages = List.of(
                "/calendar",
                "/calendar?days=2",
                "/methods",
                "/designs",
                "/lots/SK-0130/records",
                "/lots/SK-0130/records/1",
                "/equipment/2",
                "/products/skerry-bf10/plan",
                "/products/plover-f30/recipes",
                "/products/curlew-r70/recipes",
                "/products/dunlin-c2/bridging",
                "/lots/SK-0132/plan",
                "/lots/SK-0131/plan?later=3&again=2",
                "/lots/DN-0051/plan",
                "/lots/SK-0132/make",
                "/lots/DN-0051/make",
                "/lots/DN-0052/make",
                "/lots/CW-0021/make",
                "/lots/CW-0021/places",
                "/lots/SK-0129/looks",
                "/lots/PL-0003/doses",
                "/products/skerry-bf10/masters",
                "/products/skerry-bf10/grades",
                "/products/skerry-bf10/prints",
                "/lots/SK-0132/labels",
                "/lots/SK-0132/specimen-sheet",
                "/lots/DN-0048/evidence",
                "/lots/SK-0132/bench?step=break");
        for (String path : pages) {
            browser.open(signed, path);
            browser.check(signed, path);
        }
        Page tablet = browser.signedIn("bench");
        tablet.setViewportSize(820, 1180);
        for (String path : List.of("/calendar", "/lots/SK-0132/plan", "/lots/SK-0132/make", "/lots/CW-0021/places")) {
            browser.open(tablet, path);
            browser.check(tablet, "tablet " + path);
        }
    }

    @Test
    void specimensArePrintedLabelledAndAnnealed() throws Exception {
        LotView lot = testLots.bare();
        testLots.dry(lot, LocalDateTime.now().minusHours(5));
        Page page = browser.signedIn("bench");
        browser.open(page, "/lots/" + lot.code());
        page.click("text=How they are made");
        assertThat(page.locator("main")).containsText("Enter a print run");

        for (String other : List.of("#count-2", "#count-3", "#count-4")) {
            page.fill(other, "0");
        }
        // The reference lot is due at each so manieth lot, whichever that is here.
        page.fill("#reference", "0");
        page.fill("#ambient", "21 °C");
        page.click("text=Enter the run");
        assertThat(page.locator("#runs .wrong").last()).containsText("is not a date with its time");
        assertThat(page.locator("#ambient")).hasValue("21 °C");
        page.fill(
                "#startedAt",
                LocalDateTime.now().minusHours(1).withSecond(0).withNano(0).toString());
        page.dblclick("text=Enter the run");
        assertThat(page.locator("#runs svg.map")).isVisible();
        assertThat(page.locator("#runs .piece")).hasCount(10);
        browser.open(page, "/lots/" + lot.code() + "/make/runs");
        assertThat(page.locator("#runs .piece")).hasCount(10);
        browser.check(page, "print run");

        page.click("text=Labels (10)");
        assertThat(page.locator(".label-card")).hasCount(10);
        Locator first = page.locator(".label-card").first();
        String code = first.locator(".code-text").textContent();
        Assertions.assertThat(read(first.locator("svg").screenshot())).isEqualTo(code);

        // Scanned into the field that finds lots and specimens, as a scanner types: the code and Enter.
        page.fill("#find", code);
        page.keyboard().press("Enter");
        assertThat(page.locator(".big-code")).hasText(java.util.regex.Pattern.compile("(XY|ZX)\\d+"));
    }

    /** A set of sixty and a set of one: the plate holds them and the labels stay readable. */
    @Test
    void oneAndSixtySpecimens() throws Exception {
        for (int count : List.of(1, 60)) {
            LotView lot = testLots.bare();
            testLots.dry(lot, LocalDateTime.now().minusHours(5));
            Page page = browser.signedIn("bench");
            browser.open(page, "/lots/" + lot.code() + "/make");
            page.fill("#count-0", "0");
            page.fill("#count-1", String.valueOf(count));
            for (String other : List.of("#count-2", "#count-3", "#count-4")) {
                page.fill(other, "0");
            }
            // The reference lot is due at each so manieth lot, whichever that is here.
            page.fill("#reference", "0");
            page.fill(
                    "#startedAt",
                    LocalDateTime.now().minusHours(1).withSecond(0).withNano(0).toString());
            page.click("text=Enter the run");
            assertThat(page.locator("#runs .piece")).hasCount(count);
            browser.check(page, count + " specimens on a plate");
            page.click("text=Labels (" + count + ")");
            assertThat(page.locator(".label-card")).hasCount(count);
            Locator last = page.locator(".label-card").last();
            Assertions.assertThat(read(last.locator("svg").screenshot()))
                    .isEqualTo(last.locator(".code-text").textContent());
            browser.check(page, count + " labels");
        }
    }

    /** Decodes what is seen on the screen, by a library that knows nothing of the application. */
    private static String read(byte[] png) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        return new QRCodeReader()
                .decode(
                        new BinaryBitmap(new GlobalHistogramBinarizer(
                                new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels))),
                        java.util.Map.of(com.google.zxing.DecodeHintType.TRY_HARDER, true))
                .getText();
    }
}
