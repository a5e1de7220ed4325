package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.ShelfLives;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Right;
import org.ysometron.core.publication.Topic;

/** A lot past the day that it keeps until: tested again first, then another account's word. */
class PastItsDayTest extends DemoSite {

    @Autowired
    private Decisions decisions;

    @Autowired
    private ShelfLives shelves;

    @Autowired
    private Products products;

    @Autowired
    private JdbcTemplate database;

    private Optional<Block> past(LotView lot) {
        return decisions.blocks(lot).stream()
                .filter(block -> block.kind() == Block.Kind.PAST_SHELF_LIFE)
                .findFirst();
    }

    @Test
    void itIsTestedAgainAndThenSaid() throws Exception {
        Products.ProductView product = testProducts.claiming(org.ysometron.app.TestProducts.atLeast(
                Topic.on(OfMaterial.DENSITY), 1, Conditions.ofMaterial("displacement", "")));
        LotView lot = testProducts.lot(product);
        assertThat(past(lot)).isEmpty();
        shelves.say(product.id(), 5, "Measured on lots of the year before.", "quality");
        assertThat(past(lot))
                .as("said after the lot was made: it holds for later lots")
                .isEmpty();
        assertThatThrownBy(() -> shelves.say(product.id(), 5, "Measured on lots of the year before.", "quality"))
                .hasMessageContaining("said already");
        database.update(
                "update product_shelf set said_at = ? where product_id = ?",
                LocalDateTime.now().minusDays(40),
                product.id());
        Block block = past(lot).orElseThrow();
        assertThat(block.what())
                .isEqualTo("It kept until " + LocalDate.now().minusDays(4)
                        + ", 4 days ago, and nothing of it was tested since.");
        assertThat(block.isLiftedByWord()).isFalse();
        testLots.set(lot, Orientation.XY, 1);
        confirmed("bench");
        testLots.test(lot, Orientation.XY, "bench", 880);
        Block again = past(lot).orElseThrow();
        assertThat(again.lifter()).isEqualTo(Right.JUDGEMENT);
        assertThat(again.what()).contains("it was tested again since");
        word(lot, Block.Kind.PAST_SHELF_LIFE, "As strong as when it was made; until the end of next month.")
                .andExpect(status().is3xxRedirection());
        assertThat(past(lot)).isEmpty();
        http.perform(get("/lots/" + lot.code() + "/evidence")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(
                        content().string(containsString("Age of the lot when it was tested: 9 days; it keeps until")));
        away(List.of(lot));
    }

    @Test
    void whatIsSaidIsChecked() throws Exception {
        String[][] wrong = {
            {"5 m", "is a length, not a time"}, {"", "Nothing was typed"}, {"1 min", "A lot keeps 1 day to 100 years"}
        };
        for (String[] one : wrong) {
            http.perform(post("/products/dunlin-c2/shelf")
                            .param("keeps", one[0])
                            .param("shelfReason", "Measured on lots of the year before.")
                            .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                            .with(csrf()))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString(one[1])));
        }
        assertThatThrownBy(() -> shelves.say(products.named("dunlin-c2").id(), 400, ".", "quality"))
                .hasMessageContaining("The reason");
    }
}
