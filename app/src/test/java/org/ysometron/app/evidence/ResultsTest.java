package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.End;

/** Every result is shown, and what does not count is struck through with why; what the page strikes enters no mean. */
class ResultsTest extends DemoSite {

    private final List<LotView> made = new ArrayList<>();

    @Autowired
    private ResultsPage results;

    @Autowired
    private LotVerdicts verdicts;

    @AfterEach
    void away() {
        away(made);
    }

    private LotView alone() {
        LotView lot = testLots.alone();
        made.add(lot);
        return lot;
    }

    private List<Bench.Entry> bar(String specimen, String force, End end) {
        return List.of(
                testLots.width(specimen, 1, "4.00"),
                testLots.thickness(specimen, 1, "4.00"),
                testLots.force(specimen, force, end));
    }

    /** M15: what broke at the grip is kept and struck, and the mean is that of those that are not struck. */
    @Test
    void m15WhatCountsForNothingIsStruckWithItsReason() throws Exception {
        LotView lot = alone();
        List<Bench.Entry> entries = new ArrayList<>();
        entries.addAll(bar("XY1", "880", End.BROKE_IN_GAUGE));
        entries.addAll(bar("XY2", "896", End.BROKE_IN_GAUGE));
        entries.addAll(bar("XY3", "480", End.BROKE_AT_GRIP));
        bench.enterAll(lot, entries, "bench", null);

        ResultsPage.View view = results.view(lot);
        ResultsPage.SetView flat = view.apart().get(0);
        assertThat(flat.columns()).containsExactly("Tensile strength, MPa");
        // By hand: 880 N on 4.00 × 4.00 mm is 55.0 MPa, 480 N 30.0 MPa.
        assertThat(flat.rows())
                .extracting(row -> row.cells().get(0))
                .startsWith(
                        new ResultsPage.Cell("55.0", false),
                        new ResultsPage.Cell("56.0", false),
                        new ResultsPage.Cell("30.0", true));
        assertThat(flat.rows().get(2).why())
                .anyMatch(why -> why.contains("the grip, not the material"))
                .noneMatch(why -> why.contains("One reading of the width"));
        assertThat(flat.shared())
                .containsExactly(
                        "One reading of the width; three are wanted", "One reading of the thickness; three are wanted");
        assertThat(flat.stands())
                .startsWith("3 of 5 specimens tested, sample not on record, 1 print run")
                .contains("1 hand", "1 instrument", "1 day");
        assertThat(flat.out()).isEmpty();
        assertThat(List.of(view.counting(), view.struck(), view.waiting())).containsExactly(2, 1, 7);
        LotEvidence set = verdicts.sets(lot).counted().get(0);
        assertThat(set.evidence(set.main().orElseThrow(), java.util.Optional.empty())
                        .values())
                .containsExactly(55, 56);

        String page = http.perform(get("/lots/" + lot.code() + "/results").with(user("bench")))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).contains("<s>30.0</s>", "not tested yet").doesNotContain("<s>55.0</s>");
    }

    /** A set that counts for nothing is struck as a whole, and says why once; a corrected reading stays to be seen. */
    @Test
    void aWetSetIsStruckAsAWhole() {
        LotView lot = testLots.bare();
        made.add(lot);
        testLots.draw(lot);
        testLots.set(lot, Orientation.XY, 2);
        testLots.test(lot, Orientation.XY, "bench", 880, 884);
        long force = bench.records(lot.id()).get(0).ended().orElseThrow().id();
        bench.correct(lot, force, testLots.correction("890", End.BROKE_IN_GAUGE, "read the wrong line"), "bench");

        ResultsPage.SetView wet = results.view(lot).apart().get(0);
        assertThat(wet.out()).contains("material wet or unknown");
        assertThat(wet.rows()).allSatisfy(row -> assertThat(row.cells()).allMatch(ResultsPage.Cell::struck));
        assertThat(wet.rows().get(0).why())
                .anyMatch(why ->
                        why.contains("corrected from 880.0 to 890 by bench") && why.contains("read the wrong line"));
    }

    /** Flat bars pulled by one hand and upright ones by another: nobody can tell orientation from hand. */
    @Test
    void whatCannotBeToldApartIsSaid() {
        LotView lot = alone();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(lot, Orientation.ZX, "quality", 450, 455, 462, 447, 458);

        assertThat(results.view(lot).together())
                .singleElement()
                .asString()
                .contains("orientation", " and hand change together");
    }

    @Test
    void anEmptyLotSaysSo() throws Exception {
        LotView lot = testLots.bare();
        made.add(lot);
        assertThat(http.perform(get("/lots/" + lot.code() + "/results").with(user("bench")))
                        .andExpect(status().isOk())
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .contains("No specimen of this lot is written down yet");
        http.perform(get("/lots/NOBODY/results").with(user("bench"))).andExpect(status().isNotFound());
    }
}
