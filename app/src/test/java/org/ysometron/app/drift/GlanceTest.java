package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.ysometron.app.drift.Glance.Attention;
import org.ysometron.core.claim.Orientation;

/** Every series on one page, what asks most first; and what charts would catch of one. */
class GlanceTest extends SkerrySite {

    private static final GlancePage.Wanted ALL = new GlancePage.Wanted("", "", "", 0);

    @Autowired
    private GlancePage page;

    @Autowired
    private Glances glances;

    @Autowired
    private JdbcTemplate database;

    private GlancePage.View view(GlancePage.Wanted wanted) {
        while (glances.refresh() > 0) {
            // What a reader would be told to load again for.
        }
        return page.view(wanted);
    }

    /** What nobody has answered stands first, and what is as it was last: Skerry's upright strength is among the first. */
    @Test
    void whatAsksMostStandsFirst() {
        GlancePage.View view = view(ALL);

        assertThat(view.rows()).extracting(GlancePage.Row::attention).isSorted();
        assertThat(view.total()).isGreaterThan(10);
        assertThat(view.rows().stream().limit(8).map(GlancePage.Row::seriesId))
                .contains(skerry(Orientation.ZX).id());
        GlancePage.Row upright = view.rows().stream()
                .filter(row -> row.seriesId() == skerry(Orientation.ZX).id())
                .findFirst()
                .orElseThrow();
        assertThat(upright.attention()).isEqualTo(Attention.ASKS);
        assertThat(upright.asks()).contains("SK-0130");
        assertThat(upright.drawing().limits()).hasSize(2);
        assertThat(upright.drawing().signals()).isNotEmpty();
    }

    @Test
    void aFilterLeavesWhatFits() {
        GlancePage.View view = view(new GlancePage.Wanted("skerry-bf10", "tension-strength", "", 0));

        assertThat(view.rows()).isNotEmpty().allSatisfy(row -> {
            assertThat(row.productCode()).isEqualTo("skerry-bf10");
            assertThat(row.title()).contains("strength");
        });
        GlancePage.View quiet = view(new GlancePage.Wanted("", "", Attention.QUIET.name(), 0));
        assertThat(quiet.rows()).extracting(GlancePage.Row::attention).containsOnly(Attention.QUIET);
        assertThat(view(new GlancePage.Wanted("none", "", "", 99)).rows()).isEmpty();
    }

    /** What is kept of one series is made anew once it is older than its evidence, or cannot be read. */
    @Test
    void whatIsKeptIsAsNewAsItsEvidence() {
        view(ALL);
        long flat = skerry(Orientation.XY).id();
        database.update("update drift_glance set stamp = stamp - 1, says = 'gone' where series_id = ?", flat);
        // Read as it is, the other rows stand.
        assertThat(page.view(ALL).rows()).isNotEmpty().noneMatch(row -> row.seriesId() == flat);

        // Whatever is written next to the product makes it anew.
        database.update(
                "update site_revision set revision = revision + 1 where scope = ?",
                "history-" + lots.named("SK-0130").productId());
        assertThat(rows(view(new GlancePage.Wanted("skerry-bf10", "tension-strength", "", 0))))
                .contains(flat);
    }

    private static List<Long> rows(GlancePage.View view) {
        return view.rows().stream().map(GlancePage.Row::seriesId).toList();
    }

    @Test
    void thePageLeadsToTheChart() throws Exception {
        http.perform(get("/drift").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("every series at a glance"),
                                containsString("/products/skerry-bf10/drift?series="
                                        + skerry(Orientation.ZX).id()),
                                containsString("needs an answer"))));
    }

    /** A step by three standard deviations is found by nearly all, one by a tenth by hardly any beyond the false alarms. */
    @Test
    void aTrialTellsWhatAChartWouldCatch() throws Exception {
        long id = skerry(Orientation.ZX).id();
        http.perform(get("/series/" + id + "/trial").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("(in force)"),
                                containsString("EWMA"),
                                containsString("baseline version 1"))));
        String large = trial(id, "STEP", "10");
        String small = trial(id, "STEP", "0.01");
        assertThat(large).contains("100 %");
        assertThat(small).doesNotContain("100 %");
    }

    private String trial(long id, String change, String size) throws Exception {
        return http.perform(get("/series/" + id + "/trial")
                        .with(QUALITY)
                        .param("change", change)
                        .param("size", size)
                        .param("n", "5")
                        .param("lots", "5"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void whatCannotBeTriedIsSaidAtItsField() throws Exception {
        http.perform(get("/series/" + skerry(Orientation.ZX).id() + "/trial")
                        .with(QUALITY)
                        .param("change", "WAVE")
                        .param("size", "far")
                        .param("n", "0")
                        .param("lots", ""))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(containsString("w-size"), containsString("w-n"), containsString("w-lots"))))
                .andExpect(content().string(not(containsString("(in force)"))));
        http.perform(get("/series/999999/trial").with(QUALITY)).andExpect(status().isNotFound());
    }
}
