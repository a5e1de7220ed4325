package org.ysometron.app.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.plan.PlannedTest;

/** Designs that engineers add: one never changes, and none is compared with another. */
class SiteDesignsTest extends DemoSite {

    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10};

    @Autowired
    private SiteDesigns designs;

    @Autowired
    private SiteDesignRepository rows;

    @Autowired
    private JdbcTemplate database;

    private static String fresh() {
        return "bar " + UUID.randomUUID().toString().substring(0, 8);
    }

    private static SiteDesigns.NewDesign bar(String called, String printFile, String request) {
        return new SiteDesigns.NewDesign(
                request,
                called,
                Set.of("tension"),
                SpecimenDesign.Shape.RECTANGLE,
                10,
                4,
                150,
                5900,
                1,
                false,
                SpecimenDesign.BENDING_BAR,
                "(w - 3) * t",
                "screw grips, the hole in the middle",
                "customers drill their parts",
                new SiteDesigns.File("bar.png", PNG),
                new SiteDesigns.File("bar.stl", printFile.getBytes(StandardCharsets.UTF_8)));
    }

    private SpecimenDesign added(String called, String printFile) {
        return Designs.named(
                        designs.add(bar(called, printFile, UUID.randomUUID().toString()), "quality"))
                .orElseThrow();
    }

    /** A stress is of what the hole leaves, from the sizes of this very specimen. */
    @Test
    void aDesignOfTheSiteIsMadeMeasuredAndPulledLikeAnyOther() {
        SpecimenDesign holed = added(fresh(), "solid");
        LotView lot = testLots.bare();
        testLots.dry(lot, LocalDateTime.now().minusHours(2));
        testLots.set(lot, TestLots.line("tension", holed, 5, 5));
        bench.enterAll(
                lot,
                List.of(
                        testLots.width("XY1", 1, "10.00"),
                        testLots.thickness("XY1", 1, "4.00"),
                        testLots.force("XY1", "1400", End.BROKE_IN_GAUGE)),
                "bench",
                null);
        SpecimenRecord record = bench.records(lot.id()).get(0);
        Reduced strength = record.result().orElseThrow();
        assertThat(strength.shown().orElseThrow()).isCloseTo(1400 / 28.0, within(1e-9));
        assertThat(strength.working().steps())
                .anySatisfy(step -> assertThat(step.formula()).contains("(w - 3) * t"));
        assertThat(record.specimen().design()).isEqualTo(holed);
    }

    /** M53: a model changed for one material only is another specimen, in terms, in titles and in what is compared. */
    @Test
    void m53ARevisionIsAnotherSpecimen() {
        String called = fresh();
        SpecimenDesign first = added(called, "solid a");
        assertThatThrownBy(() -> added(called, "solid a"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("print file of revision 1");
        // However it is written, it is the same name.
        SpecimenDesign second = added(called.toUpperCase(Locale.ROOT), "solid b");
        assertThat(first.title()).endsWith("rev 1");
        assertThat(second.title()).isEqualTo(called + ", rev 2");
        PlannedTest one = TestLots.line("tension", first, 5, 5);
        PlannedTest other = TestLots.line("tension", second, 5, 5);
        assertThat(one.conditions()).isNotEqualTo(other.conditions());
        assertThat(Designs.offered()).contains(second).doesNotContain(first);
    }

    /** What a start takes from the table: a revision that was followed stays out of what is offered, and a broken row stops nothing. */
    @Test
    void aStartOffersTheLastRevisionAlone() {
        String called = fresh();
        SpecimenDesign first = added(called, "solid a");
        SpecimenDesign second = added(called, "solid b");
        assertThat(SiteDesigns.notOffered(rows.findAllByOrderById()))
                .contains(first.name())
                .doesNotContain(second.name());
        database.update("update design_own set narrowest = 'w ** t' where name = ?", second.name());
        designs.load();
        assertThat(designs.all())
                .extracting(one -> one.design().name())
                .contains(first.name())
                .doesNotContain(second.name());
        database.update("update design_own set narrowest = '(w - 3) * t' where name = ?", second.name());
    }

    @Test
    void whatIsSentTwiceOrByManyAtOnceIsOneRowEach() throws Exception {
        String request = UUID.randomUUID().toString();
        String called = fresh();
        assertThat(designs.add(bar(called, "a", request), "quality"))
                .isEqualTo(designs.add(bar(called, "a", request), "quality"));
        List<Callable<String>> steps = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            String content = "b" + i;
            steps.add(() -> designs.add(bar(called, content, UUID.randomUUID().toString()), "quality"));
        }
        ExecutorService stations = Executors.newFixedThreadPool(8);
        try {
            for (Future<String> done : stations.invokeAll(steps)) {
                assertThat(done.get()).startsWith("OWN_");
            }
        } finally {
            stations.shutdown();
        }
        assertThat(designs.all().stream()
                        .filter(one -> one.called().equals(called))
                        .map(SiteDesigns.DesignView::revision)
                        .collect(Collectors.toSet()))
                .containsExactlyInAnyOrder(1, 2, 3, 4, 5, 6, 7, 8, 9);
    }

    @Test
    void aNameThatIsTakenOrSaysARevisionIsRefused() {
        for (String wrong : List.of("", "x", "hook", "Tension bar 4 × 4 mm", "bar rev 3", "bar scaled", "<b>bar</b>")) {
            assertThatThrownBy(() -> added(wrong, "solid")).as(wrong).isInstanceOf(Refusal.class);
        }
    }

    @Test
    void aWithdrawnDesignIsPlannedNoMore() throws Exception {
        SpecimenDesign gone = added(fresh(), "solid");
        LotView lot = testLots.bare();
        testLots.set(lot, TestLots.line("tension", gone, 5, 2));
        assertThatThrownBy(() -> designs.withdraw(gone.name(), " ", "quality")).isInstanceOf(Refusal.class);
        designs.withdraw(gone.name(), "the hole tears out in the print", "quality");
        http.perform(post("/lots/" + lot.code() + "/sets")
                        .with(csrf())
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .param("method", "tension")
                        .param("design", gone.name())
                        .param("orientation", "XY")
                        .param("rate", "5 mm/min")
                        .param("count", "3"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is withdrawn")));
        // What was made of it stays and can be tested.
        http.perform(get("/lots/" + lot.code()).with(user("bench"))).andExpect(status().isOk());
        assertThat(lots.specimens(lot.id())).hasSize(2);
    }

    @Test
    void theFormSaysAllThatIsWrongAtOnceAndKeepsWhatWasTyped() throws Exception {
        http.perform(multipart("/designs")
                        .file(new MockMultipartFile(
                                "drawing", "x.svg", "image/svg+xml", "<svg/>".getBytes(StandardCharsets.UTF_8)))
                        .with(csrf())
                        .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                        .param("called", "bar rev 1")
                        .param("width", "10 N")
                        .param("narrowest", "w ** t")
                        .param("held", "so"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("leaves revision and scale out")))
                .andExpect(content().string(containsString("is a force, not a length")))
                .andExpect(content().string(containsString("this is none of them")))
                .andExpect(content().string(containsString("nothing came, or it was empty")))
                .andExpect(content().string(containsString("at least one method")))
                .andExpect(content().string(containsString("w ** t")));
    }

    /** A section is said to be wrong where it is, and not for a size that is wrong itself. */
    @Test
    void aSectionIsJudgedOfSizesThatAreRight() throws Exception {
        for (boolean right : new boolean[] {true, false}) {
            String page = http.perform(multipart("/designs")
                            .with(csrf())
                            .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                            .param("width", right ? "2 mm" : "10 N")
                            .param("thickness", "4 mm")
                            .param("length", "150 mm")
                            .param("volume", "5900")
                            .param("narrowest", "(w - 3) * t"))
                    .andExpect(status().is(422))
                    .andReturn()
                    .getResponse()
                    .getContentAsString();
            assertThat(page.contains("comes to")).isEqualTo(right);
        }
    }

    @Test
    void itsFilesComeBackAsTheyCame() throws Exception {
        SpecimenDesign design = added(fresh(), "solid of facets");
        http.perform(get("/designs/" + design.name() + "/print-file").with(user("bench")))
                .andExpect(status().isOk())
                .andExpect(header().string("Content-Disposition", containsString("attachment")))
                .andExpect(content().string("solid of facets"));
        http.perform(get("/designs/" + design.name() + "/drawing").with(user("bench")))
                .andExpect(content().contentType("image/png"))
                .andExpect(header().string("X-Content-Type-Options", "nosniff"));
        http.perform(get("/designs/OWN_NONE/drawing").with(user("bench"))).andExpect(status().isNotFound());
    }
}
