package org.ysometron.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.boot.webmvc.test.autoconfigure.MockMvcPrint;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.UriComponentsBuilder;
import org.ysometron.core.gate.Right;

/**
 * A property: whatever a site holds, each of its pages opens. Every page that the application has, over a hundred and more small
 * random sites; a failure names the seed and the page. More of them: {@code -Dysometron.sites=1000}.
 */
@SpringBootTest
@AutoConfigureMockMvc(print = MockMvcPrint.NONE)
class EverySiteTest {

    private static final int SITES = Integer.getInteger("ysometron.sites", 100);
    private static final int SEED = Integer.getInteger("ysometron.seed", 0);

    /** Lots of a site whose pages are opened; the others are there for charts and lists. */
    private static final int LOTS = 1;

    /** Pages of the whole site are opened after each so many. */
    private static final int WHOLE = 20;

    private static final RequestPostProcessor ALL = user("quality")
            .authorities(Arrays.stream(Right.values())
                    .map(right -> new SimpleGrantedAuthority(right.name()))
                    .toList());

    @Autowired
    private MockMvc http;

    @Autowired
    private RandomSites sites;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mapping;

    private final List<String> failures = new ArrayList<>();
    private final Set<String> opened = new TreeSet<>();

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        TestDatabase.register(registry, "random");
    }

    @Test
    void everyPageOpens() {
        sites.machines();
        List<String> pages = pages();
        List<String> ofSite =
                pages.stream().filter(page -> !page.contains("{code}")).toList();
        List<String> ofProduct = pages.stream()
                .filter(page -> page.startsWith("/products/{code}"))
                .toList();
        List<String> ofLot =
                pages.stream().filter(page -> page.startsWith("/lots/{code}")).toList();
        assertThat(ofSite.size() + ofProduct.size() + ofLot.size()).isEqualTo(pages.size());
        for (int seed = SEED; seed < SEED + SITES; seed++) {
            RandomSites.Made made = sites.of(seed);
            String name = "site " + seed;
            for (String page : ofProduct) {
                open(name, page, Map.of("code", List.of(made.product().code())));
            }
            made.lots().stream().limit(LOTS).forEach(lot -> {
                for (String page : ofLot) {
                    open(name, page, ofLot(lot.id(), lot.code(), page));
                }
            });
            if (seed % WHOLE == WHOLE - 1) {
                ofSite.forEach(page -> open(name, page, ofSite(page)));
            }
        }
        assertThat(failures).as(failures.size() + " pages failed").isEmpty();
        assertThat(opened)
                .as("pages that answered with 200 somewhere")
                .containsAll(pages.stream()
                        .filter(page -> !SHOWN_ELSEWHERE.contains(page))
                        .toList());
    }

    /** Pages that only lead on, or that need an upload which no random site has. */
    private static final Set<String> SHOWN_ELSEWHERE = Set.of(
            "/lots/{code}/plan/dates",
            "/lots/{code}/plan/take",
            "/lots/{code}/make/{part}",
            "/lots/{code}/logs/jobs/{job}",
            "/lots/{code}/import/{id}",
            "/lots/{code}/pictures/{id}",
            "/lots/{code}/pictures/{id}/whole.jpg",
            "/lots/{code}/pictures/{id}/small.jpg",
            "/equipment/calibrations/{id}/certificate",
            "/publications/{id}/file",
            // A feed of events answers for as long as somebody listens: opened in the walk with instruments.
            "/instruments/feed",
            "/resume",
            "/sign-in");

    private List<String> pages() {
        Set<String> found = new TreeSet<>();
        mapping.getHandlerMethods().forEach((info, method) -> {
            boolean ours = method.getBeanType().getName().startsWith("org.ysometron");
            if (ours && info.getMethodsCondition().getMethods().contains(RequestMethod.GET)) {
                // What a variable has to look like is no part of its name.
                info.getPatternValues().forEach(pattern -> found.add(pattern.replaceAll("\\{(\\w+):[^}]*}", "{$1}")));
            }
        });
        assertThat(found).hasSizeGreaterThan(45);
        return List.copyOf(found);
    }

    private List<String> values(String query, Object... arguments) {
        return database.queryForList(query, String.class, arguments);
    }

    private Map<String, List<String>> ofLot(long lot, String code, String page) {
        List<String> ids = page.contains("/logs/")
                ? values("select id from intake_log where lot_id = ?", lot)
                : page.contains("/readings/")
                        ? values("select id from bench_reading where lot_id = ? limit 3", lot)
                        : page.contains("/records/uploads/")
                                ? values("select id from curve_upload where lot_id = ?", lot)
                                : page.contains("/records/")
                                        ? values("select id from curve_record where lot_id = ? limit 2", lot)
                                        : List.of("1");
        return Map.of(
                "code", List.of(code),
                "id", ids,
                "claimId", values("select claim_id from evidence_judgement where lot_id = ?", lot),
                "label", values("select label from lot_specimen where lot_id = ? limit 3", lot),
                "part", List.of("runs"),
                "set",
                        values(
                                "select distinct concat(s.set_id, '-', left(r.read_by, 1)) from curve_record r"
                                        + " join lot_specimen s on s.id = r.specimen_id where r.lot_id = ?",
                                lot),
                "job", List.of("12345678"));
    }

    private Map<String, List<String>> ofSite(String page) {
        String table = page.startsWith("/publications")
                ? "product_publication"
                : page.startsWith("/baselines") ? "drift_baseline" : "equipment_instrument";
        List<String> ids = values("select id from " + table + " order by id desc limit 10");
        return Map.of(
                "id", ids,
                "type", List.of("csv", "json"),
                "kind", List.of("datasheet"),
                "name", values("select name from design_own"));
    }

    /** Opens a page with each value that its address can have. */
    private void open(String site, String page, Map<String, List<String>> values) {
        Set<String> names =
                new HashSet<>(UriComponentsBuilder.fromPath(page).build().getPathSegments());
        List<String> addresses = List.of(page);
        for (String name : names) {
            for (String variable : name.split("[^A-Za-z]+")) {
                String wanted = "{" + variable + "}";
                if (name.contains(wanted)) {
                    List<String> choices = variable.equals("kind")
                            ? List.of("datasheet", "label", "web-page")
                            : values.getOrDefault(variable, List.of());
                    addresses = addresses.stream()
                            .flatMap(address -> choices.stream().map(choice -> address.replace(wanted, choice)))
                            .toList();
                }
            }
        }
        addresses.stream().flatMap(address -> variants(page, address)).forEach(address -> open(site, page, address));
    }

    private static Stream<String> variants(String page, String address) {
        return switch (page) {
            case "/raw" -> Stream.of(address + "?code=PB-1");
            case "/lots/{code}/bench/preview" ->
                Stream.of("400", "1e300").map(typed -> address + "?specimen=XY1&field=force-1&gauge=1&typed=" + typed);
            case "/products/{code}/publish/{kind}/row" -> Stream.of(address + "?index=0&topic=TENSILE_STRENGTH");
            case "/products/{code}/past" -> Stream.of(address, address + "?kind=datasheet");
            default -> Stream.of(address);
        };
    }

    private void open(String site, String page, String address) {
        try {
            int status = http.perform(get(address).with(ALL))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            if (status >= 500) {
                failures.add(site + ": " + address + " answers " + status);
            } else if (status == 200) {
                opened.add(page);
            }
        } catch (Exception failed) {
            failures.add(site + ": " + address + " throws " + failed);
        }
    }
}
