package org.ysometron.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
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
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestProducts;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;

/** A plan starts from what the datasheet claims, under its own terms; nothing is stored before somebody does. */
class PlanDraftTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));
    private static final Method TENSION = Methods.usual();
    private static final Method PENDULUM = Methods.of("pendulum-impact").orElseThrow();

    @Autowired
    private Plans plans;

    @Autowired
    private ProductPlanPages pages;

    @Autowired
    private Treatments treatments;

    private static Conditions terms(Method method, Orientation orientation, double rate, int specimen) {
        return new Conditions(
                method.data().id(),
                Basis.SOLID,
                orientation,
                Conditioning.DRY,
                rate,
                PlannedTest.Specimen.of(method).get(specimen).title());
    }

    private Products.ProductView product() {
        Statement strength =
                TestProducts.atLeast(Topic.on(TENSION.data().main()), 40, terms(TENSION, Orientation.ZX, 5, 1));
        Statement along = TestProducts.atLeast(
                Topic.on(TENSION.data().main().over(Ratio.ALONG_ACROSS)), 0.9, terms(TENSION, Orientation.XY, 5, 0));
        Statement impact =
                TestProducts.atLeast(Topic.on(PENDULUM.data().main()), 4, terms(PENDULUM, Orientation.XY, 174_000, 1));
        return testProducts.claiming(strength, along, impact);
    }

    @Test
    void everyClaimIsServedByWhatIsProposed() {
        List<org.ysometron.app.product.Claim> claims = pages.claims(product());
        List<Plans.Line> drafts = PlanDraft.of(List.of(), claims);
        assertThat(drafts)
                .extracting(line -> line.test().label())
                .containsExactly("tension ZX", "tension XY", "tension YX", "pendulum impact XY");
        assertThat(drafts.get(0).test().design())
                .isEqualTo(TENSION.data().designs().get(1));
        assertThat(drafts.get(3).test().notch()).isEqualTo(PlannedTest.Notch.ALONG);
        assertThat(claims).hasSize(3).allMatch(claim -> drafts.stream().anyMatch(line -> line.serves(claim)));
        // What a line serves already is not proposed again, and what was left out does not serve.
        assertThat(PlanDraft.of(drafts.subList(0, 3), claims)).containsExactly(drafts.get(3));
        Plans.Line left = new Plans.Line(drafts.get(3).test(), "", true, "no hammer");
        assertThat(PlanDraft.of(List.of(drafts.get(0), drafts.get(1), drafts.get(2), left), claims))
                .hasSize(1);
    }

    /** What is made by the line that a claim of a notched bar asked for is what that claim speaks of. */
    @Test
    void aNotchedBarIsEvidenceForItsClaim() {
        Products.ProductView product = product();
        Plans.Line impact = PlanDraft.of(List.of(), pages.claims(product)).get(3);
        LotView lot = testProducts.lot(product);
        testLots.set(lot, impact.test());
        assertThat(pages.claims(product)
                        .get(2)
                        .conditions()
                        .compare(lots.specimens(lot.id()).get(0).conditions()))
                .isEmpty();
        away(List.of(lot));
    }

    /** The reference recipe's programme holds for all lines until one of them names a programme: then for that one alone. */
    @Test
    void onlyTheLineThatNamesAProgrammeGoesThroughIt() {
        Products.ProductView product = product();
        Treatments.TreatmentView anneal = treatments.freeze(
                product.id(),
                Treatments.Kind.ANNEAL,
                "anneal",
                "60 °C, 60 min\n80 °C, 120 min",
                Treatments.Pose.LYING,
                Treatments.Status.REFERENCE,
                "own trials",
                "quality");
        PlannedTest plain =
                PlanDraft.of(List.of(), pages.claims(product)).get(0).test();
        PlannedTest after = plain.after(anneal.title());
        assertThat(treatments.annealing(product.id(), List.of(plain, plain))).containsOnlyKeys(0, 1);
        assertThat(treatments.annealing(product.id(), List.of(plain, after))).containsOnlyKeys(1);
        assertThat(anneal.stepMinutes()).containsExactly(60L, 120L);
    }

    @Test
    void theFirstPlanIsProposedAndNothingIsStored() throws Exception {
        Products.ProductView product = product();
        String path = "/products/" + product.code() + "/plan";
        http.perform(get(path).with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("4 lines are proposed from what the datasheet claims"),
                                containsString("value=\"2.9 m/s\""))));
        assertThat(plans.newest(product.id())).isEmpty();

        // More lines are asked for: what was typed stands, and nothing is stored or complained about.
        http.perform(post(path)
                        .with(QUALITY)
                        .with(csrf())
                        .param("method", "tension")
                        .param("rate", "fast")
                        .param("reason", "First plan.")
                        .param("more", "yes"))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("value=\"fast\""),
                                containsString("value=\"First plan.\""),
                                containsString("id=\"m-4\""),
                                not(containsString("id=\"m-5\"")),
                                not(containsString("class=\"wrong\"")))));
        assertThat(plans.newest(product.id())).isEmpty();

        // Once there is a plan, lines for what it does not serve are proposed to who asks for them.
        plans.revise(
                product.id(),
                PlanDraft.of(List.of(), pages.claims(product)).subList(0, 1),
                "One line to begin with.",
                "quality");
        http.perform(get(path).with(QUALITY))
                .andExpect(content()
                        .string(allOf(containsString("Draft a line for each"), not(containsString("proposed")))));
        http.perform(get(path).param("draft", "true").with(QUALITY))
                .andExpect(content().string(containsString("3 lines are proposed")));
    }
}
