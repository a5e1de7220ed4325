package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Locale;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Methods;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

/** Years in spreadsheets: 500 lots with their means, s and n make a chart on the first day. */
class BroughtInTest extends DemoSite {

    @Autowired
    private BroughtIn broughtIn;

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    @Autowired
    private SeriesPoints series;

    private Products.ProductView product() {
        String code = "b-" + UUID.randomUUID().toString().substring(0, 8);
        Products.ProductView product = products.register(
                new Products.NewProduct(code, "Product " + code, "anything", "natural", "", Family.FILAMENT, false));
        Conditions flat = new Conditions(
                "tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, 5, SpecimenDesign.TENSION_BAR_4.title());
        Statement claim = new Statement(
                0,
                Topic.named("TENSILE_STRENGTH").orElseThrow(),
                Form.AT_LEAST,
                "40 MPa",
                java.util.OptionalDouble.empty(),
                java.util.OptionalDouble.of(40),
                java.util.OptionalDouble.empty(),
                "",
                "",
                Terms.of(flat),
                5);
        publications.publish(
                product.id(),
                Publication.Kind.DATASHEET,
                LocalDate.now().minusDays(900),
                "",
                Publications.Attachment.NONE,
                java.util.List.of(new Publications.Draft(claim, null)),
                "quality");
        return product;
    }

    private static String rows(String prefix, int count) {
        StringBuilder text = new StringBuilder("lot,made_on,colour,property,orientation,n,mean,s\n");
        for (int i = 0; i < count; i++) {
            text.append(String.format(
                    Locale.ROOT,
                    "%s-%04d,%s,natural,Tensile strength,XY,5,%.2f MPa,0.8%n",
                    prefix,
                    i,
                    LocalDate.now().minusDays(800 - i),
                    45 + Math.sin(i)));
        }
        return text.toString();
    }

    @Test
    void fiveHundredLotsMakeAChart() {
        Products.ProductView product = product();
        BroughtIn.Taken taken = broughtIn.take(product, rows(product.code(), 500), "quality");
        assertThat(taken).isEqualTo(new BroughtIn.Taken(500, 500));
        SeriesPoints.SeriesView chart = series.ofProduct(product.id()).get(0);
        assertThat(chart.property()).isEqualTo(Methods.usual().data().main());
        assertThat(series.points(chart.id())).hasSize(500).allMatch(point -> point.n() == 5);
        LotView lot = lots.named(product.code() + "-0000");
        assertThat(lot.state()).isEqualTo(LotState.BROUGHT_IN);
        assertThatThrownBy(() -> testLots.set(lot, Orientation.XY, 5)).isInstanceOf(Refusal.class);
        // Taken in twice, they are there once.
        assertThat(broughtIn.take(product, rows(product.code(), 500), "quality").points())
                .isZero();
    }

    @Test
    void oneWrongRowAndNothingIsTakenIn() {
        Products.ProductView product = product();
        String bad = rows(product.code(), 3)
                + product.code() + "-x,2026-13-01,natural,Tensile strength,XY,5,45,1\n"
                + product.code() + "-y,2025-01-01,pink,Tensile strength,XY,5,45 N,1\n";
        assertThatThrownBy(() -> broughtIn.take(product, bad, "quality"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("Row 5")
                .hasMessageContaining("not a date")
                .hasMessageContaining("Row 6")
                .hasMessageContaining("no colour");
        assertThat(lots.find(product.code() + "-0000")).isEmpty();
        assertThatThrownBy(() -> broughtIn.take(product, "a,b\n1,2\n", "quality"))
                .hasMessageContaining("The head has the columns");
    }
}
