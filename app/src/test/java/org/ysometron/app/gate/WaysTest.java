package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Right;

/** What a block asks for, the page behind its link can do. */
class WaysTest extends DemoSite {

    /** What is found on the page on which each sort of block is dealt with: a form, a link to one, or the words of it. */
    private static final Map<Block.Kind, String> FOUND = Map.ofEntries(
            Map.entry(Block.Kind.PUBLICATION_CONFLICT, "id=\"publications\""),
            Map.entry(Block.Kind.NOTHING_CLAIMED, "/publish/datasheet"),
            Map.entry(Block.Kind.PRODUCT_WITHDRAWN, "name=\"lifeReason\""),
            Map.entry(Block.Kind.PAST_SHELF_LIFE, "id=\"specimens\""),
            Map.entry(Block.Kind.NO_SAMPLE, "id=\"samples\""),
            Map.entry(Block.Kind.SIZE_GATE, "ARTEFACT"),
            Map.entry(Block.Kind.MATERIAL_STATE, "DRYING"),
            Map.entry(Block.Kind.INTAKE_CLAIM, "DENSITY"),
            Map.entry(Block.Kind.TEST_MISSING, "id=\"specimens\""),
            Map.entry(Block.Kind.READING_OWED, "id=\"bench\""),
            Map.entry(Block.Kind.PLAN_LINE, "<form"),
            Map.entry(Block.Kind.CLAIM_OPEN, "Tensile strength"),
            Map.entry(Block.Kind.NOT_COMPARABLE, "Tensile strength"),
            Map.entry(Block.Kind.ODD_RESULT, "What was looked for"),
            Map.entry(Block.Kind.SURPRISE, "What was looked for"),
            Map.entry(Block.Kind.SIGNAL_UNANSWERED, "/series/"));

    @ParameterizedTest
    @EnumSource(Block.Kind.class)
    void everySortOfBlockLeadsToAPageThatDealsWithIt(Block.Kind kind) throws Exception {
        LotView lot = lots.named("SK-0129");
        String way = Ways.to(new Block(kind, "What stands there.", Right.JUDGEMENT, "How."), lot, "skerry-bf10");

        String page = http.perform(get(way.replaceAll("#.*", ""))
                        .with(user("quality")
                                .authorities(Arrays.stream(Right.values())
                                        .map(right -> new SimpleGrantedAuthority(right.name()))
                                        .toList())))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();

        if (way.contains("#")) {
            assertThat(page).contains("id=\"" + way.substring(way.indexOf('#') + 1) + "\"");
        }
        assertThat(page).contains(FOUND.getOrDefault(kind, "What stands in the way of a release"));
    }
}
