package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.make.Prints;
import org.ysometron.core.method.End;

/** How tests and prints end is counted lot by lot, and a lot beyond what those before it let expect is ringed. */
class CountsTest extends DemoSite {

    private final List<LotView> made = new ArrayList<>();

    @Autowired
    private CountsPage counts;

    @Autowired
    private Prints prints;

    @AfterEach
    void away() {
        away(made);
    }

    private CountsPage.Row grip() {
        return counts.view(lots.named("SK-0130").productId()).rows().stream()
                .filter(row -> row.of().equals("tension") && row.end().equals("broke at grip"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aLotOfWhichManyBrokeAtTheGripIsRinged() throws Exception {
        int before = grip().beyond().size();
        LotView lot = testLots.alone();
        made.add(lot);
        List<Bench.Entry> entries = new ArrayList<>();
        for (int i = 1; i <= 5; i++) {
            entries.add(testLots.width("XY" + i, 1, "4.00"));
            entries.add(testLots.thickness("XY" + i, 1, "4.00"));
            entries.add(testLots.force(
                    "XY" + i, String.valueOf(880 + 7 * (i % 3)), i > 2 ? End.BROKE_AT_GRIP : End.BROKE_IN_GAUGE));
        }
        bench.enterAll(lot, entries, "bench", null);

        CountsPage.Row row = grip();
        assertThat(row.beyond())
                .hasSize(before + 1)
                .anyMatch(words -> words.startsWith(lot.code() + ": 3 of 5 (before it "));
        assertThat(row.dots()).filteredOn(CountsPage.Dot::beyond).hasSize(before + 1);
        http.perform(get("/products/skerry-bf10/counts").with(user("bench")))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString(lot.code() + ": 3 of 5")));
    }

    /** The usual end is no trouble; how prints ended is counted by lot, as it is on their own page. */
    @Test
    void theUsualEndIsNotCounted() {
        assertThat(counts.view(lots.named("SK-0130").productId()).rows())
                .noneMatch(row -> row.end().equals("broke in gauge"));
        Map<Prints.Ended, Integer> ended = new EnumMap<>(Prints.Ended.class);
        List<Long> own = List.of(lots.named("SS-0015").id());
        prints.byLot(own).values().forEach(lot -> lot.forEach((how, count) -> ended.merge(how, count, Integer::sum)));
        assertThat(ended).containsEntry(Prints.Ended.CAME_LOOSE, 1);
        assertThat(ended).containsEntry(Prints.Ended.GOOD, 5);
        assertThat(prints.byLot(List.of())).isEmpty();
    }

    @Test
    void aProductWithoutLotsSaysSo() throws Exception {
        assertThat(counts.view(-1).rows()).isEmpty();
        http.perform(get("/products/nothing/counts").with(user("bench"))).andExpect(status().isNotFound());
    }
}
