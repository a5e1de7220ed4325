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

import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.TestProducts;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Methods;
import org.ysometron.core.publication.Topic;

/** What a plan can show, from the scatter of the demo's lots. */
class PlanTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private History history;

    @Autowired
    private SeriesPoints series;

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
                .filter(claim -> claim.property().equals(Methods.usual().data().main())
                        && claim.conditions().orientation() == Orientation.ZX)
                .findFirst()
                .orElseThrow();
        List<List<PointView>> charts = series.ofProduct(skerry).stream()
                .filter(view -> upright.speaksOf(view.property(), view.conditions()))
                .sorted(Comparator.comparing(view -> !view.colour().equals("natural")))
                .map(view -> series.points(view.id()))
                .toList();
        // Other tests make lots of another colour: the chart with most of them tells, by its newest.
        List<PointView> longest =
                charts.stream().max(Comparator.comparingInt(List::size)).orElseThrow();
        List<PointView> newest = longest.subList(Math.max(0, longest.size() - 30), longest.size());
        History.Scatter scatter = history.scatter(skerry, upright).orElseThrow();

        assertThat(pooled(charts.get(0))).isCloseTo(0.75, within(0.15));
        assertThat(scatter.within()).isCloseTo(pooled(newest), within(1e-9));
        assertThat(scatter.lots()).isEqualTo((int) newest.stream()
                .filter(point -> point.sd() != null && point.n() > 1)
                .count());
        assertThat(charts.get(0)).hasSize(30);
        assertThat(scatter.between()).isPresent();
    }

    /** √(Σ(n − 1)s²/Σ(n − 1)) over the lots of a chart. */
    private static double pooled(List<PointView> points) {
        double squares = 0;
        double freedom = 0;
        for (PointView point : points) {
            if (point.sd() != null && point.n() > 1) {
                squares += (point.n() - 1) * point.sd() * point.sd();
                freedom += point.n() - 1;
            }
        }
        return Math.sqrt(squares / freedom);
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
        Products.ProductView untested = testProducts.claiming(TestProducts.atLeast(
                Topic.named("TENSILE_STRENGTH").orElseThrow(),
                6,
                TestLots.line("tension", 5, 5).conditions()));
        http.perform(get("/products/" + untested.code() + "/plan").with(QUALITY))
                .andExpect(content().string(containsString("how specimens scatter is unknown")));
    }
}
