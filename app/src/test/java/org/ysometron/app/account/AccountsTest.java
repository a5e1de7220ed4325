package org.ysometron.app.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Right;

/** Accounts as a site of one's own needs them, tried over real sessions. */
class AccountsTest extends DemoSite {

    private static final String GOOD = "four grey herrings";

    @Value("${local.server.port}")
    private int port;

    @Autowired
    private Accounts accounts;

    @Autowired
    private AccountEvents events;

    /** A browser without pages: a session, the last page, and its token. */
    private final class Visitor {

        private final HttpClient client = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .followRedirects(HttpClient.Redirect.NORMAL)
                .build();
        private HttpResponse<String> last;
        private String token = "";

        Visitor open(String path) {
            return send(HttpRequest.newBuilder(at(path)));
        }

        Visitor post(String path, Map<String, String> fields, String... headers) {
            String body = fields.entrySet().stream()
                            .map(field -> encoded(field.getKey()) + "=" + encoded(field.getValue()))
                            .collect(Collectors.joining("&"))
                    + "&_csrf=" + encoded(token);
            HttpRequest.Builder request = HttpRequest.newBuilder(at(path))
                    .header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(HttpRequest.BodyPublishers.ofString(body));
            if (headers.length > 0) {
                request.headers(headers);
            }
            return send(request);
        }

        private Visitor send(HttpRequest.Builder request) {
            try {
                last = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
            Matcher found =
                    Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"").matcher(last.body());
            token = found.find() ? found.group(1) : token;
            return this;
        }

        Visitor signIn(String name, String password) {
            return open("/sign-in").post("/sign-in", Map.of("username", name, "password", password));
        }

        String path() {
            String query = last.uri().getQuery();
            return last.uri().getPath() + (query == null ? "" : "?" + query);
        }
    }

    private URI at(String path) {
        return URI.create("http://127.0.0.1:" + port + path);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static String role() {
        return "role-" + UUID.randomUUID().toString().substring(0, 8);
    }

    @Test
    void aGivenPasswordIsChangedBeforeAnythingElse() {
        String name = role();
        String given = accounts.add(name, Set.of(Right.ENTRY));
        Visitor visitor = new Visitor().signIn(name, given);
        assertThat(visitor.path()).isEqualTo("/account?first");
        assertThat(visitor.open("/products").path()).isEqualTo("/account?first");
        visitor.post("/account/password", Map.of("old", given, "fresh", "short", "again", "short"));
        assertThat(visitor.last.statusCode()).isEqualTo(422);
        visitor.post("/account/password", Map.of("old", given, "fresh", GOOD, "again", GOOD));
        assertThat(visitor.open("/products").path()).isEqualTo("/products");
        assertThat(events.newest(20))
                .anyMatch(event -> event.account().equals(name) && event.kind() == AccountEvents.Kind.PASSWORD);
    }

    /** Each is refused: too short, on the list, the list with a number behind it, the name, one letter. */
    @ParameterizedTest
    @ValueSource(strings = {"abcdef", "passwordpassword", "qwertyuiop123", "bench-bench-1", "aaaaaaaaaaaaaaa"})
    void poorPasswordsAreRefused(String password) {
        assertThat(Passwords.problem(password, "bench")).isPresent();
    }

    @ParameterizedTest
    @ValueSource(strings = {GOOD, "korrekt pferd batterie", "ты идёшь домой рано", "7 x 6 is not 41"})
    void longOnesAreTaken(String password) {
        assertThat(Passwords.problem(password, "bench")).isEmpty();
    }

    /** 160 wrong guesses at 20 a second went through; now the sixth waits, and so does the right one for a while. */
    @Test
    void guessingIsSlowed() {
        String name = role();
        accounts.open(name, GOOD, Set.of(Right.ENTRY));
        Visitor visitor = new Visitor();
        for (int i = 0; i < Guesses.FREE_BY_ACCOUNT; i++) {
            assertThat(visitor.signIn(name, "wrong " + i).path()).isEqualTo("/sign-in?refused");
        }
        assertThat(visitor.signIn(name, "wrong").path()).isEqualTo("/sign-in?slowed");
        assertThat(new Visitor().signIn(name, GOOD).path()).isEqualTo("/sign-in?slowed");
        assertThat(events.newest(20))
                .filteredOn(event -> event.account().equals(name))
                .extracting(AccountEvents.EventView::kind)
                .contains(AccountEvents.Kind.SLOWED, AccountEvents.Kind.REFUSED);
    }

    @Test
    void rightsThatChangeEndTheSessions() {
        String name = role();
        accounts.open(name, GOOD, Set.of(Right.ENTRY));
        Visitor visitor = new Visitor().signIn(name, GOOD);
        assertThat(visitor.open("/products").path()).isEqualTo("/products");
        accounts.grant(name, Set.of(Right.JUDGEMENT));
        assertThat(visitor.open("/products").path()).startsWith("/sign-in");
        visitor.signIn(name, GOOD);
        accounts.signOutEverywhere(name);
        assertThat(visitor.open("/products").path()).startsWith("/sign-in");
        accounts.disable(name, true);
        assertThat(visitor.signIn(name, GOOD).path()).isEqualTo("/sign-in?refused");
    }

    @Test
    void theLastAdministratorStays() {
        assertThatThrownBy(() -> accounts.disable("administrator", true))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("last that administers");
        assertThatThrownBy(() -> accounts.grant("administrator", Set.of(Right.ENTRY)))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> accounts.add("Bench", Set.of(Right.ENTRY))).hasMessageContaining("already");
    }

    /** A second click on one's own would take away the page with the only copy, and with it the site. */
    @Test
    void aNewPasswordIsForSomebodyElse() {
        String name = role();
        String other = role();
        accounts.open(name, GOOD, Set.of(Right.ADMINISTRATION));
        accounts.open(other, GOOD, Set.of(Right.ENTRY));
        Visitor visitor = new Visitor().signIn(name, GOOD);
        visitor.post("/accounts/" + name + "/reset", Map.of());
        assertThat(visitor.last.statusCode()).isEqualTo(422);
        // What was refused is said where it was asked for: in the account's row, or at the form of a new one.
        assertThat(visitor.last.body().indexOf("class=\"wrong\""))
                .isBetween(0, visitor.last.body().indexOf("Add an account"));
        visitor.post("/accounts", Map.of("name", "no name"));
        assertThat(visitor.last.statusCode()).isEqualTo(422);
        assertThat(visitor.last.body()).contains("value=\"no name\"");
        assertThat(visitor.last.body().indexOf("class=\"wrong\""))
                .isGreaterThan(visitor.last.body().indexOf("Add an account"));
        assertThat(visitor.open("/products").path()).isEqualTo("/products");
        visitor.post("/accounts/" + other + "/reset", Map.of());
        assertThat(visitor.last.statusCode()).isEqualTo(200);
        assertThat(new Visitor().signIn(other, GOOD).path()).isEqualTo("/sign-in?refused");
        accounts.disable(name, true);
    }

    /** A session that ends keeps what was typed, at the bench too, and goes on after signing in. */
    @Test
    void whatWasTypedOutlivesItsSession() {
        LotView lot = testLots.lot();
        String name = role();
        accounts.open(name, GOOD, Set.of(Right.ENTRY));
        Visitor visitor = new Visitor().signIn(name, GOOD).open("/lots/" + lot.code() + "/bench");
        accounts.signOutEverywhere(name);
        String origin = "http://127.0.0.1:" + port;
        visitor.post(
                "/lots/" + lot.code() + "/bench",
                Map.of("specimen", "XY1", "field", "width-1", "typed", "4.03", "gauge", "1"),
                "Origin",
                origin,
                "HX-Request",
                "true");
        assertThat(visitor.last.statusCode()).isEqualTo(401);
        assertThat(visitor.last.headers().firstValue("HX-Redirect")).contains("/sign-in?kept");
        visitor.open("/sign-in?kept");
        visitor.post("/sign-in", Map.of("username", name, "password", GOOD));
        assertThat(visitor.path()).isEqualTo("/resume");
        assertThat(visitor.last.body()).contains("4.03");
        visitor.post(
                "/lots/" + lot.code() + "/bench",
                Map.of("specimen", "XY1", "field", "width-1", "typed", "4.03", "gauge", "1"));
        assertThat(bench.records(lot.id()).get(0).readings())
                .singleElement()
                .satisfies(reading -> assertThat(reading.typed()).isEqualTo("4.03"));
    }

    /** A form that another site sends in somebody's name is never kept to be sent again. */
    @Test
    void anotherSitesFormIsNotKept() {
        Visitor visitor = new Visitor().signIn("bench", "bench");
        visitor.token = "made up";
        visitor.post("/lots/SK-0130/sets", Map.of("count", "60"), "Origin", "http://elsewhere.example");
        assertThat(visitor.last.statusCode()).isEqualTo(403);
        assertThat(visitor.open("/resume").path()).isEqualTo("/");
    }

    /** A name that nobody gave this site is another site. */
    @Test
    void anotherHostIsRefusedWithItsHeaders() throws Exception {
        try (java.net.Socket socket = new java.net.Socket("127.0.0.1", port)) {
            socket.getOutputStream()
                    .write("GET / HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n"
                            .getBytes(StandardCharsets.US_ASCII));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 421").contains("X-Content-Type-Options: nosniff");
        }
    }
}
