package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestProducts;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.publication.Topic;

/** Every form of a claim, judged against the same five bars of 55 MPa on average. */
class FormsTest extends DemoSite {

    private static final OptionalDouble NONE = OptionalDouble.empty();

    @Autowired
    private Products products;

    @Autowired
    private Judgements judgements;

    private List<Judgements.Judged> judged(
            Form form, OptionalDouble value, OptionalDouble low, OptionalDouble high, @Nullable Long rival) {
        Conditions flat = new Conditions(
                "tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, 5, SpecimenDesign.TENSION_BAR_4.title());
        Topic strength = Topic.named("TENSILE_STRENGTH").orElseThrow();
        LotView lot = testProducts.lot(testProducts.saying(
                new Publications.Draft(TestProducts.claim(strength, form, value, low, high, "", flat), rival)));
        testLots.set(lot, Orientation.XY, 5);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        return judgements.of(List.of(lot)).get(lot.id());
    }

    private static OptionalDouble of(double value) {
        return OptionalDouble.of(value);
    }

    @Test
    void edgesAndRanges() {
        assertThat(judged(Form.AT_LEAST, NONE, of(50), NONE, null).get(0).verdict())
                .isEqualTo(Verdict.SUPPORTED);
        assertThat(judged(Form.AT_MOST, NONE, NONE, of(50), null).get(0).verdict())
                .isEqualTo(Verdict.CONTRADICTED);
        assertThat(judged(Form.BETWEEN, NONE, of(50), of(60), null).get(0).verdict())
                .isEqualTo(Verdict.SUPPORTED);
    }

    /** A typical value without a tolerance is held to the site's ten percent. */
    @Test
    void typicalIsHeldToThePolicy() {
        assertThat(judged(Form.TYPICAL, of(57), NONE, NONE, null).get(0).verdict())
                .isEqualTo(Verdict.SUPPORTED);
        assertThat(judged(Form.TYPICAL, of(65), NONE, NONE, null).get(0).verdict())
                .isEqualTo(Verdict.CONTRADICTED);
    }

    /** Up to is shown and never verified as a minimum. */
    @Test
    void upToPromisesNothing() {
        assertThat(judged(Form.UP_TO, of(60), NONE, NONE, null)).isEmpty();
    }

    /** Better than another product: against the mean of that product's lots, each counted once. */
    @Test
    void betterThanIsJudgedAgainstTheOthersLots() {
        long dunlin = products.named("dunlin-c2").id();
        Judgements.Judged twice =
                judged(Form.BETTER_THAN, of(1.2), NONE, NONE, dunlin).get(0);
        Judgements.Judged thrice =
                judged(Form.BETTER_THAN, of(2.0), NONE, NONE, dunlin).get(0);

        // 55 MPa over Dunlin's 23.4 MPa is 2.35 times: 120 % better holds, 200 % better does not.
        assertThat(twice.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(twice.reason()).contains("ratio");
        assertThat(thrice.verdict()).isEqualTo(Verdict.CONTRADICTED);
    }
}
