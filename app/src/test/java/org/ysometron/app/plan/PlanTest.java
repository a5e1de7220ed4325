package org.ysometron.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Property;

/** What a plan can show, from the scatter of the demo's lots. */
class PlanTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private History history;

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    /** The generator's scatter within lots is 0.75 MPa upright; 30 lots with 4 degrees of freedom each know it to 7 %. */
    @Test
    void theScatterIsThatOfTheLots() {
        long skerry = products.named("skerry-bf10").id();
        Claim upright = publications
                .claims(publications.newestDatasheet(skerry).orElseThrow().id())
                .stream()
                .filter(claim -> claim.property() == Property.TENSILE_STRENGTH
                        && claim.conditions().orientation() == Orientation.ZX)
                .findFirst()
                .orElseThrow();
        History.Scatter scatter = history.scatter(skerry, upright).orElseThrow();

        assertThat(scatter.within()).isCloseTo(0.75, within(0.15));
        assertThat(scatter.lots()).isEqualTo(30);
        assertThat(scatter.between()).isPresent();
    }

    @Test
    void thePageFollowsTheSliders() throws Exception {
        http.perform(get("/products/skerry-bf10/plan").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("is supported by 5 specimens with a probability of"),
                                containsString("The chart finds a shift of"),
                                containsString("lots so far:"))));
        // M14: one specimen is allowed and says what it costs; fewer than the claim asks for are named.
        http.perform(get("/products/skerry-bf10/plan?n=1&margin=10")
                        .with(QUALITY)
                        .header("HX-Request", "true"))
                .andExpect(content()
                        .string(allOf(
                                containsString("One specimen has no scatter of its own"),
                                containsString("The claim asks for 5 specimens at least"),
                                not(containsString("<html")))));
        http.perform(get("/products/skerry-bf10/plan?n=99&margin=-3").with(QUALITY))
                .andExpect(
                        content().string(allOf(containsString("20 specimens, 0 %"), containsString("more than 500"))));
        http.perform(get("/products/skerry-bf10/plan?n=many").with(QUALITY)).andExpect(status().isBadRequest());
        http.perform(get("/products/plover-f30/plan").with(QUALITY))
                .andExpect(content().string(containsString("how specimens scatter is unknown")));
    }
}
