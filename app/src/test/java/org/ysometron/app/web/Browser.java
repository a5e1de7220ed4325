package org.ysometron.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A headless Chromium with the checks that every page has to pass. */
public final class Browser implements AutoCloseable {

    private static final Path AXE = Path.of("frontend/node_modules/axe-core/axe.min.js");

    private final Playwright playwright = Playwright.create();
    private final com.microsoft.playwright.Browser chromium = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of(
                            "--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-sync")));
    private final String address;
    private final List<String> complaints = new ArrayList<>();

    public Browser(int port) {
        this.address = "http://127.0.0.1:" + port;
    }

    /** A page signed in as one of the demo's accounts, whose password is its name. */
    public Page signedIn(String account) {
        Page page = page(1280, 800);
        page.navigate(address + "/sign-in");
        page.fill("#username", account);
        page.fill("#password", account);
        page.click("button[type=submit]");
        return page;
    }

    Page page(int width, int height) {
        BrowserContext context = chromium.newContext(
                new com.microsoft.playwright.Browser.NewContextOptions().setViewportSize(width, height));
        Page page = context.newPage();
        page.onConsoleMessage(message -> {
            // A refused form is answered with 422, which the browser reports as a failed resource.
            if (message.type().equals("error")
                    && !message.text().contains("422")
                    && !message.text().contains("404")) {
                complaints.add(message.text());
            }
        });
        page.onPageError(complaints::add);
        page.onRequest(request -> {
            if (!request.url().startsWith(address) && !request.url().startsWith("data:")) {
                complaints.add("asks the network for " + request.url());
            }
        });
        return page;
    }

    public void open(Page page, String path) {
        page.navigate(address + path);
    }

    /** No violation of WCAG 2.1 A and AA that axe can see, no sideways scrolling, no complaint of the browser. */
    public void check(Page page, String name) throws IOException {
        page.evaluate(Files.readString(AXE) + ";0");
        Object violations = page.evaluate("""
                async () => {
                  const found = await axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']});
                  return found.violations.map(v => v.id + ': ' + v.nodes.slice(0, 3).map(n => n.target + ' ' + n.failureSummary).join(' | '));
                }
                """);
        assertThat((List<?>) violations).as("accessibility of " + name).isEmpty();
        int width = page.viewportSize().width;
        assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                .as("width of " + name)
                .isLessThanOrEqualTo(width);
        assertThat(complaints).as("complaints at " + name).isEmpty();
    }

    /** Types a reading at the bench once its field has the focus, stores it, and waits until the next may be typed. */
    static void typeAndEnter(Page page, String typed) {
        awaitField(page);
        page.keyboard().type(typed);
        page.waitForResponse(response -> response.request().method().equals("POST"), () -> page.keyboard()
                .press("Enter"));
        awaitSettled(page);
    }

    /** What is typed before an answer has settled counts as typed ahead of it, and is refused with a refused reading. */
    static void awaitSettled(Page page) {
        page.waitForFunction("() => !document.querySelector('.htmx-request, .htmx-swapping, .htmx-settling')"
                + " && (!document.querySelector('.hand') || document.activeElement.matches('.typed'))");
    }

    static void awaitField(Page page) {
        page.waitForFunction("() => document.activeElement && document.activeElement.matches('.typed')");
    }

    @Override
    public void close() {
        playwright.close();
    }
}
