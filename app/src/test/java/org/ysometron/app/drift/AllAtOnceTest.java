package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Characteristics of a product's lots are set together, and what does not go with the others is named with what drives it. */
class AllAtOnceTest extends SkerrySite {

    @Autowired
    private AllAtOncePage together;

    /** The lot of wet regrind is weak upright and sound flat: that is what drives it. */
    @Test
    void theLotThatIsUnlikeTheOthersIsNamed() throws Exception {
        long skerry = lots.named("SK-0130").productId();
        // Other tests add lots of other colours.
        List<String> choices = together.view(skerry, 0).choices();
        int natural = IntStream.range(0, choices.size())
                .filter(i ->
                        choices.get(i).startsWith("natural") && choices.get(i).contains("F3"))
                .findFirst()
                .orElseThrow();
        AllAtOncePage.View view = together.view(skerry, natural);

        assertThat(view.why()).isEmpty();
        assertThat(view.characteristics()).hasSizeBetween(2, 5).anyMatch(title -> title.contains("ZX upright"));
        assertThat(view.characteristics()).noneMatch(title -> title.contains("ratio"));
        assertThat(view.beyond())
                .anyMatch(words ->
                        words.startsWith("SK-0129: ") && words.contains("driven by Tensile strength, ZX upright"));
        assertThat(view.dots()).filteredOn(AllAtOncePage.Dot::beyond).hasSameSizeAs(view.beyond());
        // The first lots made are those that the others are set against, whatever the order of their keys.
        assertThat(view.dots())
                .extracting(AllAtOncePage.Dot::lot)
                .startsWith("SK-0101", "SK-0102")
                .endsWith("SK-0130");
        http.perform(get("/products/skerry-bf10/together")
                        .param("of", String.valueOf(natural))
                        .with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("SK-0129: T²")));
        // A choice that is none shows the first.
        assertThat(together.view(skerry, 99).chosen()).isZero();
    }

    @Test
    void tooFewAreSaidToBe() throws Exception {
        assertThat(together.view(-1, 0).why()).isEqualTo("No two characteristics of one colour have results.");
        http.perform(get("/products/nothing/together").with(QUALITY)).andExpect(status().isNotFound());
    }
}
