package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.gate.Disposition;

/** Lots that were decided by other arithmetic than today's. */
class RecomputedTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Decisions decisions;

    @Autowired
    private Recomputed recomputed;

    @Autowired
    private JdbcTemplate database;

    private List<Recomputed.Change> of(LotView lot) {
        return recomputed.find().stream()
                .filter(change -> change.lot().equals(lot.code()))
                .toList();
    }

    /** A verdict that was another is listed with both, once, until it is answered; the record stays as it was. */
    @Test
    void aVerdictThatWouldBeAnotherIsListedUntilItIsAnswered() throws Exception {
        LotView lot = testLots.goodLot("bench");
        decisions.decide(lot, Disposition.RELEASE, "All claims are supported.", "release");
        assertThat(of(lot)).isEmpty();
        // As if the arithmetic of that day had left the first claim open.
        String frozen =
                decisions.stored(lot, 0).snapshot.replaceFirst("\"verdict\":\"supported\"", "\"verdict\":\"open\"");
        database.update("update gate_decision set snapshot = ? where lot_id = ?", frozen, lot.id());

        for (int again = 0; again < 2; again++) {
            assertThat(of(lot)).singleElement().satisfies(change -> {
                assertThat(change.was()).startsWith("open");
                assertThat(change.wouldBe()).startsWith("supported. With 95 % confidence");
            });
        }
        assertThat(decisions.stored(lot, 0).snapshot).isEqualTo(frozen);
        Recomputed.Change change = recomputed.unanswered().stream()
                .filter(one -> one.lot().equals(lot.code()))
                .findFirst()
                .orElseThrow();
        http.perform(get("/decided").with(QUALITY))
                .andExpect(content().string(containsString("What newer arithmetic says otherwise")));

        String path = "/decided/" + change.id() + "/answer";
        http.perform(post(path).with(QUALITY).with(csrf()).param("answer", ". ."))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("value=\". .\"")));
        http.perform(post(path)
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("answer", "It was well within."))
                .andExpect(status().isForbidden());
        http.perform(post(path)
                        .with(QUALITY)
                        .with(csrf())
                        .param("answer", "Better than it was thought; nothing follows."))
                .andExpect(status().is3xxRedirection());
        assertThat(recomputed.unanswered()).noneMatch(one -> one.id() == change.id());
        of(lot);
        assertThat(recomputed.unanswered()).noneMatch(one -> one.lot().equals(lot.code()));
        http.perform(get("/decided").with(QUALITY))
                .andExpect(content().string(not(containsString("/decided/" + change.id() + "/answer"))));
    }

    /** Limits and signals of a record beside those that today's arithmetic works out from the same frozen lots. */
    @Test
    void limitsAndSignalsThatWouldBeOthersAreListed() {
        LotView lot = lots.named("SK-0127");
        // Of what the demo decided nothing differs: yesterday's arithmetic is today's.
        assertThat(recomputed.find()).noneMatch(change -> change.lot().matches("(SK|DN|CW|PL)-\\d+"));
        String kept = decisions.stored(lot, 0).snapshot;
        Snapshot.LimitLine limits = Snapshot.of(kept).baselines().get(0);
        // As if that day's arithmetic had drawn one limit a tenth too high, and had seen a pattern that is none.
        String line = "{'series':'%s','words':'beyond the upper limit','answer':'','by':''}"
                .formatted(limits.series())
                .replace('\'', '"');
        String frozen = kept.replace("\"upper\":" + limits.upper(), "\"upper\":" + limits.upper() * 1.1)
                .replace("\"signals\":[", "\"signals\":[" + line + ",")
                .replace("},]", "}]");
        assertThat(frozen).isNotEqualTo(kept);
        int revision = decisions.of(lot.id()).get(0).revision();
        database.update(
                "update gate_decision set snapshot = ? where lot_id = ? and revision = ?", frozen, lot.id(), revision);
        try {
            assertThat(of(lot))
                    .anySatisfy(change -> {
                        assertThat(change.what())
                                .isEqualTo("Limits of " + limits.series() + ", version " + limits.version());
                        assertThat(change.line()).contains("Would be ");
                    })
                    .anySatisfy(change -> {
                        assertThat(change.what()).isEqualTo("Signals on " + limits.series());
                        assertThat(change.was()).isEqualTo("beyond the upper limit.");
                        assertThat(change.wouldBe()).isEqualTo("no signal.");
                    });
            database.update("delete from gate_recomputed where lot_id = ?", lot.id());
            // A series is known by its key, whatever the record calls it.
            database.update(
                    "update gate_decision set snapshot = ? where lot_id = ? and revision = ?",
                    frozen.replace(limits.series(), "Named otherwise"),
                    lot.id(),
                    revision);
            assertThat(of(lot))
                    .extracting(Recomputed.Change::what)
                    .containsExactly("Limits of Named otherwise, version " + limits.version());
        } finally {
            database.update(
                    "update gate_decision set snapshot = ? where lot_id = ? and revision = ?",
                    kept,
                    lot.id(),
                    revision);
            database.update("delete from gate_recomputed where lot_id = ?", lot.id());
        }
    }
}
