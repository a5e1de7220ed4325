package org.ysometron.app.web;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.ysometron.instruments.standin.StandIn;

/** Four testers that stream a thousand points a second each into one bench: what came of it, and how often the page drew. */
public final class StreamBench {

    private static final int TESTERS = 4;

    /** Points a second of each: a stand-in has 100, so many times as fast. */
    private static final double PACE = 10;

    private static final double FORCE = 800;
    private static final double MM_A_SECOND = 5.0 / 60;
    private static final Pattern POINTS = Pattern.compile("record of (\\d+) points");

    /** Arguments: port of a site with the demo in it, and how many seconds it lasts. */
    public static void main(String[] arguments) throws IOException, InterruptedException, ExecutionException {
        double seconds = Double.parseDouble(arguments[1]);
        List<StandIn> testers = new ArrayList<>();
        Path folder = Files.createTempDirectory("stream-bench");
        for (int i = 1; i <= TESTERS; i++) {
            testers.add(new StandIn(StandIn.Model.pullTester("PT-90" + i), folder, 0));
        }
        ExecutorService hands = Executors.newFixedThreadPool(TESTERS);
        try (Browser browser = new Browser(Integer.parseInt(arguments[0]))) {
            connect(browser, testers);
            Page page = browser.signedIn("bench");
            browser.open(page, "/lots/SK-0130/bench?method=tension&step=break");
            for (StandIn tester : testers) {
                page.locator("[aria-label='Use it here: frame " + tester.model().serial() + "']")
                        .click();
                page.waitForSelector(
                        "[aria-label='Let go: frame " + tester.model().serial() + "']");
            }
            long begun = System.nanoTime();
            double stiffness = FORCE / (MM_A_SECOND * seconds * PACE);
            List<Future<Long>> pulls = new ArrayList<>();
            for (StandIn tester : testers) {
                pulls.add(hands.submit(() -> tester.pull(FORCE, stiffness, PACE)));
            }
            long sent = 0;
            for (Future<Long> pull : pulls) {
                sent += pull.get();
            }
            double took = (System.nanoTime() - begun) / 1e9;
            Object frames = page.evaluate(
                    "Math.min(...[...document.querySelectorAll('#line canvas')].map(one => Number(one.dataset.frames)))");
            page.waitForFunction(
                    "n => document.querySelectorAll('#line .line-said').length === n",
                    TESTERS,
                    new Page.WaitForFunctionOptions().setTimeout(60_000));
            double until = (System.nanoTime() - begun) / 1e9;
            long kept = 0;
            for (Locator said : page.locator("#line .line-said").all()) {
                Matcher matcher = POINTS.matcher(said.textContent());
                kept += matcher.find() ? Long.parseLong(matcher.group(1)) : 0;
            }
            System.out.printf("stream_rate %.0f points/s of %d instruments%n", sent / took, TESTERS);
            System.out.printf("stream_sent %d points%n", sent);
            System.out.printf("stream_lost %d points%n", sent - kept);
            System.out.printf(
                    "stream_frames %.1f a second, of the drawing with the fewest%n",
                    ((Number) frames).doubleValue() / took);
            System.out.printf("stream_behind %.2f s from the last point to all records offered%n", until - took);
        } finally {
            hands.shutdownNow();
            testers.forEach(StandIn::close);
        }
    }

    private static void connect(Browser browser, List<StandIn> testers) {
        Page page = browser.signedIn("quality");
        for (StandIn tester : testers) {
            browser.open(page, "/equipment");
            page.click("summary:has-text('Register something')");
            page.selectOption("#kind", "FORCE_GAUGE");
            page.fill("#name", "frame " + tester.model().serial());
            page.fill("#capacity", "2000 N");
            page.fill("#uncertainty", "0.5 %");
            page.fill("#serial", tester.model().serial());
            page.click("button:has-text('Register')");
            browser.open(page, "/instruments");
            if (!page.locator("#place").isVisible()) {
                page.click("summary:has-text('Listen to one more')");
            }
            page.fill("#place", "127.0.0.1:" + tester.port());
            page.click("button:has-text('Listen to it')");
        }
    }

    private StreamBench() {}
}
