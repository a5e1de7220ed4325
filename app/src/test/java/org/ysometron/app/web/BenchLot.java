package org.ysometron.app.web;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;

/**
 * Tests a lot's tension bars without hands: at the real pages, with what the simulated instruments send. Whoever runs it sees what a person at the
 * bench would do, key by key.
 */
public final class BenchLot {

    /** Milliseconds for what a person would wait for. */
    private static final int PATIENCE = 20_000;

    private static final int MOST = 200;

    /** What a hand does to an instrument: a line of words, answered by 'done'. */
    @FunctionalInterface
    public interface Hand {

        String does(String what) throws IOException, InterruptedException;
    }

    private final Browser browser;
    private final Page page;
    private final Hand hand;
    private final String lot;
    private final Consumer<String> said;

    private BenchLot(Browser browser, Page page, Hand hand, String lot, Consumer<String> said) {
        this.browser = browser;
        this.page = page;
        this.hand = hand;
        this.lot = lot;
        this.said = said;
        page.setDefaultTimeout(PATIENCE);
    }

    /**
     * Measures and tests what is still to be tested of a lot.
     *
     * @param calipers serial number and name in the register
     * @param tester the same
     * @return how many specimens were tested
     */
    static int test(
            Browser browser, Page page, Hand hand, String lot, Named calipers, Named tester, Consumer<String> said)
            throws IOException, InterruptedException {
        BenchLot one = new BenchLot(browser, page, hand, lot, said);
        one.measure(calipers);
        return one.pull(tester);
    }

    /** An instrument: its number and its name in the register. */
    record Named(String serial, String name) {}

    private void measure(Named calipers) throws IOException, InterruptedException {
        browser.open(page, "/lots/" + lot + "/bench?method=tension&step=measure");
        hold(calipers);
        for (int i = 0; i < MOST && page.locator("#bench .big-code").count() > 0; i++) {
            String label = page.locator("#bench .big-code").textContent().strip();
            Locator field = page.locator("#bench input.typed:focus");
            field.waitFor();
            String key = field.getAttribute("id").substring("in-".length());
            act("measure " + calipers.serial() + " " + lot + "-" + label + " " + key);
            // The page has gone on when another field, or another specimen, has the focus.
            page.waitForFunction(
                    "([label, id]) => { const f = document.activeElement, l = document.querySelector('#bench .big-code');"
                            + " return !l || l.textContent.trim() !== label || (f.id !== id && f.matches('#bench .typed')); }",
                    java.util.List.of(label, "in-" + key));
        }
        said.accept("measured");
    }

    private int pull(Named tester) throws IOException, InterruptedException {
        browser.open(page, "/lots/" + lot + "/bench?method=tension&step=break");
        Locator points = page.locator("form.confirm input[type=checkbox]");
        for (int i = 0; i < points.count(); i++) {
            points.nth(i).check();
        }
        if (points.count() > 0) {
            page.click("form.confirm button[type=submit]");
        }
        int tested = 0;
        hold(tester);
        while (tested < MOST && page.locator("#bench form.test").count() > 0) {
            String label = page.locator("#bench .big-code").textContent().strip();
            act("test " + tester.serial() + " " + lot + "-" + label + " 25");
            // The page says whose it is: that which was in hand when the test began. Others may lie there from before.
            page.waitForFunction(
                    "label => [...document.querySelectorAll('#line input[name=specimen]')].some(one => one.value === label)",
                    label);
            page.evaluate(
                    "label => [...document.querySelectorAll('#line input[name=specimen]')]"
                            + ".find(one => one.value === label).form.querySelector('button').click()",
                    label);
            page.click("text=Store them");
            page.waitForURL(url -> url.contains("/bench"));
            page.waitForSelector("#line .line-list");
            tested++;
            said.accept(label + " tested");
        }
        return tested;
    }

    private void hold(Named one) {
        page.waitForSelector("#line .line-list");
        Locator use = page.locator("[aria-label='Use it here: " + one.name() + "']");
        if (use.count() > 0) {
            use.click();
        }
        page.waitForSelector("[aria-label='Let go: " + one.name() + "']");
    }

    private void act(String what) throws IOException, InterruptedException {
        String answer = hand.does(what).strip();
        if (!answer.equals("done")) {
            throw new IllegalStateException(what + ": " + answer);
        }
    }

    /** Arguments: port of the application, address of the panel, lot. */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        Hand hand = what -> client.send(
                        HttpRequest.newBuilder(URI.create(arguments[1]))
                                .header("Accept", "text/plain")
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString(
                                        "do=" + URLEncoder.encode(what, StandardCharsets.UTF_8)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
        long begun = System.nanoTime();
        try (Browser browser = new Browser(Integer.parseInt(arguments[0]))) {
            int tested = test(
                    browser,
                    browser.signedIn("bench"),
                    hand,
                    arguments[2],
                    new Named("CL-0417", "calipers 1"),
                    new Named("PT-0009", "bench load cell"),
                    System.out::println);
            System.out.println(tested + " specimens of " + arguments[2] + " tested in "
                    + (System.nanoTime() - begun) / 1_000_000_000 + " s, without hands.");
        }
    }
}
