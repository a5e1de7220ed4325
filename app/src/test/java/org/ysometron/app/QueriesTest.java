package org.ysometron.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.gate.Right;
import org.ysometron.core.publication.Publication;

/** A page asks the database a number of questions that does not grow with its specimens or its lots. */
class QueriesTest extends DemoSite {

    private static final RequestPostProcessor ALL = user("quality")
            .authorities(Arrays.stream(Right.values())
                    .map(right -> new SimpleGrantedAuthority(right.name()))
                    .toList());

    private static final List<String> LOT_PAGES = List.of(
            "",
            "/plan",
            "/make",
            "/intake",
            "/bench",
            "/import",
            "/evidence",
            "/places",
            "/decision",
            "/labels",
            "/specimen-sheet",
            "/calendar.ics");

    /**
     * A lot beside which the reference lot is due asks a question or two more, and which one that is depends on the lots before.
     * A question a specimen would be a hundred, one a lot nine.
     */
    private static final int SLACK = 3;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    @Autowired
    private Bench bench;

    private long asked() {
        return counter("COM_SELECT");
    }

    private long questions(String address) throws Exception {
        return questions(address, 0);
    }

    /** Questions of one opening; the least of some, until they are few enough: the demo may be busy beside it. */
    private long questions(String address, long enough) throws Exception {
        long least = Long.MAX_VALUE;
        for (int i = 0; (i < 4 || least > enough) && i < (enough == 0 ? 4 : 16); i++) {
            long before = asked();
            http.perform(get(address).with(ALL)).andExpect(status().isOk());
            // One of them is the question itself.
            least = Math.min(least, asked() - before - 1);
        }
        return least;
    }

    @Test
    void specimensAskForNoMore() throws Exception {
        LotView few = testLots.lot();
        LotView many = testLots.lot();
        for (int i = 0; i < 5; i++) {
            testLots.set(many, Orientation.XY, 20);
        }
        for (LotView lot : List.of(few, many)) {
            int bars = lot == few ? 5 : 105;
            testLots.test(lot, Orientation.XY, "bench", forces(bars));
            testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        }
        Map<String, List<Long>> grown = new LinkedHashMap<>();
        for (String page : LOT_PAGES) {
            long ofFew = questions("/lots/" + few.code() + page);
            long ofMany = questions("/lots/" + many.code() + page, ofFew + SLACK);
            if (ofMany > ofFew + SLACK) {
                grown.put(page, List.of(ofFew, ofMany));
            }
        }
        assertThat(grown).as("pages with questions for 10 and 110 specimens").isEmpty();
    }

    /** What is taken in at once, from a file or from records, asks for its instruments once and not for each reading. */
    @Test
    void manyReadingsTakenInAtOnceAskForNoMore() {
        long ofFew = asked(2);
        long ofMany = asked(40);

        assertThat(ofMany).as("questions for 12 and 240 readings").isLessThanOrEqualTo(ofFew + 2 * SLACK);
    }

    /** The least of a few, for the demo may be busy beside it. */
    private long asked(int bars) {
        long least = Long.MAX_VALUE;
        for (int i = 0; i < 4; i++) {
            LotView lot = testLots.lot();
            testLots.set(lot, Orientation.XZ, bars);
            List<Bench.Entry> entries = new ArrayList<>();
            for (int bar = 1; bar <= bars; bar++) {
                for (int place = 1; place <= 3; place++) {
                    entries.add(testLots.width("XZ" + bar, place, "4.0" + place));
                    entries.add(testLots.thickness("XZ" + bar, place, "4.0" + place));
                }
            }
            // One specimen was measured before: readings there already are looked at too.
            bench.enterAll(lot, entries.subList(0, 6), "bench", null);
            long before = asked();
            bench.enterAll(lot, entries.subList(6, entries.size()), "bench", null);
            least = Math.min(least, asked() - before - 1);
        }
        return least;
    }

    @Test
    void aReadingReadsNoMoreInALargeLot() throws Exception {
        LotView few = testLots.lot();
        LotView many = testLots.lot();
        for (int i = 0; i < 5; i++) {
            testLots.set(many, Orientation.XZ, 20);
        }
        testLots.test(many, Orientation.XZ, "bench", forces(100));

        long ofFew = rowsOfAReading(few);
        long ofMany = rowsOfAReading(many);

        assertThat(ofMany).as("rows sent for a reading").isLessThanOrEqualTo(ofFew + 5);
    }

    /** Rows that the database sends for a width that is stored; the least of a few, for the demo may be busy beside it. */
    private long rowsOfAReading(LotView lot) throws Exception {
        long least = Long.MAX_VALUE;
        for (int bar = 1; bar <= 4; bar++) {
            long before = sent();
            String answer = http.perform(post("/lots/" + lot.code() + "/bench")
                            .with(ALL)
                            .with(csrf())
                            .header("HX-Request", "true")
                            .param("specimen", "XY" + bar)
                            .param("field", "width-1")
                            .param("typed", "4.02")
                            .param("gauge", "2"))
                    .andExpect(status().isOk())
                    .andReturn()
                    .getResponse()
                    .getContentAsString();
            least = Math.min(least, sent() - before);
            // The specimen stays in hand, with what was said of it.
            assertThat(answer).contains("id=\"said-XY" + bar + "\" hx-preserve", "id=\"in-width-2\"", ">4.02<");
        }
        return least;
    }

    @Test
    void aFileKeptWithAPublicationIsNotReadByPages() throws Exception {
        Products.ProductView product = products.named("skerry-bf10");
        byte[] file = new byte[6_000_000];
        Arrays.fill(file, (byte) 'x');
        long id = publications
                .publish(
                        product.id(),
                        Publication.Kind.WEB_PAGE,
                        LocalDate.now(),
                        "the page, printed",
                        new Publications.Attachment("page.pdf", "application/pdf", file),
                        publications
                                .statements(publications
                                        .newest(product.id(), Publication.Kind.WEB_PAGE)
                                        .orElseThrow()
                                        .id())
                                .stream()
                                .map(statement -> new Publications.Draft(statement, null))
                                .toList(),
                        "quality")
                .id();
        assertThat(publications.attachment(id).content()).isEqualTo(file);
        for (String page : List.of("/", "/products/skerry-bf10", "/lots/SK-0130/evidence", "/lots/SK-0130/decision")) {
            long least = Long.MAX_VALUE;
            for (int i = 0; i < 3; i++) {
                long before = counter("BYTES_SENT");
                http.perform(get(page).with(ALL)).andExpect(status().isOk());
                least = Math.min(least, counter("BYTES_SENT") - before);
            }
            assertThat(least).as("bytes from the database for " + page).isLessThan(3_000_000);
        }
    }

    private long sent() {
        return counter("ROWS_SENT");
    }

    private long counter(String variable) {
        Long value = database.queryForObject(
                "select variable_value from information_schema.global_status where variable_name = ?",
                Long.class,
                variable);
        return value == null ? -1 : value;
    }

    private static double[] forces(int count) {
        double[] forces = new double[count];
        for (int i = 0; i < count; i++) {
            forces[i] = 870 + i % 20;
        }
        return forces;
    }

    @Test
    void lotsAskForNoMore() throws Exception {
        List<String> pages = List.of(
                "/",
                "/calendar",
                "/calendar.ics",
                "/decided",
                "/products",
                "/products/skerry-bf10",
                "/products/skerry-bf10/drift",
                "/products/skerry-bf10/plan",
                "/products/skerry-bf10/past",
                "/products/skerry-bf10/bridging");
        testLots.goodLot("bench");
        List<Long> before = new ArrayList<>();
        for (String page : pages) {
            before.add(questions(page));
        }
        for (int i = 0; i < 6; i++) {
            testLots.goodLot("bench");
        }
        for (int i = 0; i < 3; i++) {
            testLots.releasedLot();
        }
        Map<String, List<Long>> grown = new LinkedHashMap<>();
        for (int i = 0; i < pages.size(); i++) {
            long now = questions(pages.get(i), before.get(i) + SLACK);
            if (now > before.get(i) + SLACK) {
                grown.put(pages.get(i), List.of(before.get(i), now));
            }
        }
        assertThat(grown)
                .as("pages with questions before and after nine lots more")
                .isEmpty();
    }
}
