package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.Arrays;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.plan.Setting;
import org.ysometron.app.plan.Site;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;

/** A site chooses by which guard band it accepts, for lots that are still to be made. */
class GuardBandsTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            SecurityMockMvcRequestPostProcessors.user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Judgements judgements;

    @Autowired
    private Site site;

    @Autowired
    private JdbcTemplate database;

    @AfterEach
    void asItWas() {
        database.update("delete from plan_setting where name = 'GUARD'");
        database.update("delete from plan_setting_before where name = 'GUARD'");
    }

    private Judgements.Detail upright(LotView lot) {
        return judgements.details(lot).stream()
                .filter(detail -> detail.claim().title().startsWith("Tensile strength, ZX"))
                .findFirst()
                .orElseThrow();
    }

    private void chosenLongAgo(int choice) {
        site.change(Setting.GUARD, Setting.GUARD.choices().get(choice), "quality");
        database.update(
                "update plan_setting set changed_at = date_sub(changed_at, interval 30 day) where name = 'GUARD'");
    }

    /** M73: a mean just inside its edge is open by 95 %, more so by U, and supported as measured, which the certificate says; the choice holds for lots to come. */
    @Test
    void theBandIsChosenBeforeTheLotIsMade() throws Exception {
        LotView lot = testLots.alone();
        double edge = upright(lot).claim().requirement().lower().orElseThrow();
        double[] forces = Arrays.stream(new double[] {0.93, 0.97, 1.01, 1.05, 1.09})
                .map(share -> Math.rint(16 * edge * share))
                .toArray();
        testLots.test(lot, Orientation.ZX, "bench", forces);
        Judgements.Detail usual = upright(lot);
        assertThat(usual.judgement().verdict()).isEqualTo(Verdict.OPEN);
        http.perform(get("/lots/" + lot.code() + "/evidence").with(QUALITY))
                .andExpect(content().string(containsString("U, which is 2 u: open; none, as measured: supported")));

        site.change(Setting.GUARD, Setting.GUARD.choices().get(2), "quality");
        assertThat(site.guard(LocalDate.now())).as("made today").isEqualTo(GuardBand.ONE_SIDED);
        assertThat(upright(lot).judgement().verdict())
                .as("made before it was chosen")
                .isEqualTo(Verdict.OPEN);

        chosenLongAgo(2);
        Judgements.Detail asMeasured = upright(lot);
        assertThat(asMeasured.judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(asMeasured.judgement().reason()).startsWith("As measured, without a guard band, the mean is ");
        assertThat(site.looks(lot.madeOn()))
                .as("a second look has no price then")
                .isOne();
        assertThat(judgements.whole(lot).notices()).anyMatch(notice -> notice.contains("simple acceptance"));

        chosenLongAgo(1);
        assertThat(upright(lot).judgement().confidence()).isGreaterThan(0.977);
        assertThat(judgements.whole(lot).notices())
                .anyMatch(notice -> notice.contains("guard band of U"))
                .noneMatch(notice -> notice.contains("simple acceptance"));

        chosenLongAgo(2);
        rejected(lot);
        http.perform(get("/lots/" + lot.code() + "/certificate").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("This site accepts claims about a mean as measured")));
    }
}
