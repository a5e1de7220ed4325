package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.material.Blend;

class ShortRunPageTest extends DemoSite {

    @Autowired
    private ShortRunPage page;

    /** Four lots of a blend that no other has: the fourth is a third weaker, which the scatter of other products' lots tells and its own could not. */
    @Test
    void theFourthLotOfABlendIsRinged() throws Exception {
        Blend blend = new Blend("F-" + UUID.randomUUID().toString().substring(0, 6), "", 0);
        List<LotView> made = new ArrayList<>();
        for (double force : new double[] {880, 896, 872, 570}) {
            LotView lot = testLots.alone(blend);
            testLots.test(lot, Orientation.XY, "bench", force, force + 8, force - 8, force + 4, force - 4);
            testLots.refresh(lot);
            made.add(lot);
        }
        ShortRunPage.View first = page.view(0);
        int flat = first.choices().stream()
                .filter(words ->
                        words.startsWith("Tensile strength, XY flat") && words.contains("tension bar 4 × 4 mm"))
                .map(first.choices()::indexOf)
                .findFirst()
                .orElseThrow();
        ShortRunPage.Row row = page.view(flat).rows().stream()
                .filter(one -> one.title().contains(blend.words()))
                .findFirst()
                .orElseThrow();

        assertThat(row.beyond())
                .singleElement()
                .asString()
                .startsWith(made.get(3).code() + ": 35 % below the mean of the 3 before it");
        assertThat(row.dots()).extracting(ShortRunPage.Dot::beyond).containsExactly(false, false, false, true);
        assertThat(row.dots().get(3).y()).as("beyond the lower limit").isGreaterThan(row.lower());
        http.perform(get("/drift/short-runs")
                        .param("of", String.valueOf(flat))
                        .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"))))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString(made.get(3).code() + ": 35 % below")));
        assertThat(page.view(-7).chosen()).as("none of ours").isZero();
        away(made);
    }
}
