package org.ysometron.app.product;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Form;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

/** Label, web page and datasheet: published, compared, settled, carried by lots. */
class PublicationTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    private Products.ProductView product() {
        String code = "p-" + UUID.randomUUID().toString().substring(0, 8);
        return products.register(
                new Products.NewProduct(code, "Product " + code, "PP filament", "natural", "", Family.FILAMENT, false));
    }

    private static Publications.Draft diameter(double nominal, double tolerance) {
        return new Publications.Draft(
                new Statement(
                        0,
                        Topic.DIAMETER,
                        Form.BETWEEN,
                        nominal + " mm ± " + tolerance + " mm",
                        OptionalDouble.of(nominal),
                        OptionalDouble.of(nominal - tolerance),
                        OptionalDouble.of(nominal + tolerance),
                        "",
                        "",
                        Terms.NONE,
                        0),
                null);
    }

    private Publications.PublicationView publish(
            Products.ProductView product, Publication.Kind kind, LocalDate from, double tolerance) {
        return publications.publish(
                product.id(),
                kind,
                from,
                "",
                Publications.Attachment.NONE,
                List.of(diameter(1.75, tolerance)),
                "quality");
    }

    private LotView lot(Products.ProductView product, LocalDate madeOn) {
        String code = "L-" + UUID.randomUUID().toString().substring(0, 8);
        return lots.enter(new Lots.NewLot(code, product.code(), "natural", madeOn, "", ""), "bench");
    }

    /** M17: the demo's label and datasheet disagree about a tested claim; it is shown where, and blocks the lots. */
    @Test
    void theDemosConflictIsFoundAndBlocks() throws Exception {
        http.perform(get("/products/dunlin-c2").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("1.75 mm ± 0.03 mm"),
                                containsString("1.75 mm ± 0.05 mm"),
                                containsString("Differ in range: settle it"))));
        http.perform(get("/lots/DN-0050").with(QUALITY)).andExpect(content().string(containsString("block")));
        http.perform(get("/lots/DN-0050/decision").with(QUALITY))
                .andExpect(content()
                        .string(containsString("Filament diameter: label and technical datasheet differ in range.")));
    }

    /** M17: who settles a conflict says which governs and why; the governing statement is then what lots are held to. */
    @Test
    void aSettledConflictSaysWhichGoverns() throws Exception {
        Products.ProductView product = product();
        LocalDate day = LocalDate.now().minusDays(30);
        Publications.PublicationView sheet = publish(product, Publication.Kind.DATASHEET, day, 0.05);
        publish(product, Publication.Kind.LABEL, day, 0.03);
        Publications.ConflictView open =
                publications.conflicts(product.id(), sheet.id()).get(0);
        assertThat(open.blocks()).isTrue();
        assertThat(upper(sheet)).isEqualTo(1.80);

        http.perform(post("/products/" + product.code() + "/conflicts")
                        .with(QUALITY)
                        .with(csrf())
                        .param("correction", "datasheet, revision 2"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("Choose which publication governs"),
                                containsString("The reason is missing"),
                                containsString("datasheet, revision 2"))));
        long label = open.conflict().entries().stream()
                .filter(entry -> entry.kind() == Publication.Kind.LABEL)
                .findFirst()
                .orElseThrow()
                .statement()
                .id();
        http.perform(post("/products/" + product.code() + "/conflicts")
                        .with(QUALITY)
                        .with(csrf())
                        .param("governs", String.valueOf(label))
                        .param("reason", "Customers buy by the label.")
                        .param("correction", "datasheet, revision 2"))
                .andExpect(status().is3xxRedirection());

        assertThat(publications.conflicts(product.id(), sheet.id()))
                .singleElement()
                .satisfies(conflict -> assertThat(conflict.blocks()).isFalse());
        assertThat(upper(sheet)).isEqualTo(1.78);
        // A new label opens the question again: what was settled was settled about other words.
        publish(product, Publication.Kind.LABEL, LocalDate.now(), 0.04);
        assertThat(publications.conflicts(product.id(), sheet.id()))
                .singleElement()
                .satisfies(conflict -> assertThat(conflict.blocks()).isTrue());
        // A label that has come round to the datasheet ends it, and the datasheet stands for itself again.
        publish(product, Publication.Kind.LABEL, LocalDate.now(), 0.05);
        assertThat(publications.conflicts(product.id(), sheet.id())).isEmpty();
        assertThat(upper(sheet)).isEqualTo(1.80);
    }

    private double upper(Publications.PublicationView sheet) {
        return publications.claims(sheet.id()).stream()
                .filter(claim -> claim.property().equals(OfMaterial.FILAMENT_DIAMETER))
                .findFirst()
                .orElseThrow()
                .requirement()
                .upper()
                .getAsDouble();
    }

    @Test
    void settlingNeedsTheRightOfJudgement() throws Exception {
        http.perform(post("/products/dunlin-c2/conflicts")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("governs", "1")
                        .param("reason", "x"))
                .andExpect(status().isForbidden());
    }

    /** M60: a figure that was replaced stays, and a lot keeps the revision in force on the day it was made. */
    @Test
    void aLotKeepsTheRevisionItWasMadeUnder() {
        Products.ProductView product = product();
        Publications.PublicationView first =
                publish(product, Publication.Kind.DATASHEET, LocalDate.now().minusDays(100), 0.05);
        Publications.PublicationView second =
                publish(product, Publication.Kind.DATASHEET, LocalDate.now().minusDays(10), 0.03);

        assertThat(second.revision()).isEqualTo(2);
        assertThat(lot(product, LocalDate.now().minusDays(50)).datasheetId()).isEqualTo(first.id());
        assertThat(lot(product, LocalDate.now().minusDays(5)).datasheetId()).isEqualTo(second.id());
        // Before the first datasheet nothing was promised, and that is said.
        assertThatThrownBy(() -> lot(product, LocalDate.now().minusDays(200)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("nothing was promised before");
    }

    /** What a claim on the material asks for is done at intake, not among the specimens. */
    @Test
    void aClaimOnTheMaterialThatNobodyMeasuredAsksForIntake() {
        Products.ProductView product = product();
        publish(product, Publication.Kind.DATASHEET, LocalDate.now().minusDays(100), 0.05);

        assertThat(gateOfTests.blocks(lot(product, LocalDate.now().minusDays(5))))
                .filteredOn(block -> block.what().startsWith("Filament diameter"))
                .singleElement()
                .satisfies(block -> {
                    assertThat(block.kind()).isEqualTo(org.ysometron.core.gate.Block.Kind.INTAKE_CLAIM);
                    assertThat(block.how()).contains("at intake");
                });
    }

    /** What goes out as JSON or CSV comes back the same, after a look in the editor. */
    @Test
    void aPublicationGoesOutAndComesBack() throws Exception {
        Publications.PublicationView sheet =
                publications.newestDatasheet(products.named("skerry-bf10").id()).orElseThrow();
        for (String type : List.of("json", "csv")) {
            String file = http.perform(get("/publications/" + sheet.id() + "/export." + type)
                            .with(QUALITY))
                    .andExpect(status().isOk())
                    .andReturn()
                    .getResponse()
                    .getContentAsString(StandardCharsets.UTF_8);
            List<StatementRow> rows = PublicationFile.read(file.getBytes(StandardCharsets.UTF_8));
            assertThat(rows)
                    .as(type)
                    .containsExactlyElementsOf(publications.statements(sheet.id()).stream()
                            .map(StatementRow::of)
                            .toList());
            http.perform(multipart("/products/skerry-bf10/publish/web_page/file")
                            .file(new MockMultipartFile("file", file.getBytes(StandardCharsets.UTF_8)))
                            .with(QUALITY)
                            .with(csrf()))
                    .andExpect(status().isOk())
                    .andExpect(content().string(containsString("hardened steel, 0.4 mm or wider")));
        }
        http.perform(get("/publications/" + sheet.id() + "/export.xml").with(QUALITY))
                .andExpect(status().isNotFound());
    }

    @Test
    void aFileThatIsNoPublicationIsNamed() throws Exception {
        for (String bad : List.of("{\"format\":\"other\"}", "{broken", "a,b\n1,2\n", "", "topic,published\n")) {
            http.perform(multipart("/products/skerry-bf10/publish/label/file")
                            .file(new MockMultipartFile("file", bad.getBytes(StandardCharsets.UTF_8)))
                            .with(QUALITY)
                            .with(csrf()))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("id=\"w-file\"")));
        }
        http.perform(multipart("/products/skerry-bf10/publish/label/file")
                        .file(new MockMultipartFile(
                                "file", "topic,published\nFAN,12 N\n".getBytes(StandardCharsets.UTF_8)))
                        .with(QUALITY)
                        .with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(containsString("is a force, not a ratio"), containsString("value=\"12 N\""))));
    }

    /** M51: a lot of a withdrawn product does not leave without a word why. */
    @Test
    void aWithdrawnProductsLotNeedsAWord() throws Exception {
        Products.ProductView product = product();
        publish(product, Publication.Kind.DATASHEET, LocalDate.now().minusDays(30), 0.05);
        LotView lot = lot(product, LocalDate.now().minusDays(3));
        http.perform(post("/products/" + product.code() + "/life")
                        .with(QUALITY)
                        .with(csrf())
                        .param("life", "WITHDRAWN")
                        .param("lifeReason", ""))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("The reason is missing")));
        http.perform(post("/products/" + product.code() + "/life")
                        .with(QUALITY)
                        .with(csrf())
                        .param("life", "WITHDRAWN")
                        .param("lifeReason", "blend changed")
                        .param("equivalents", "Dunlin C2"))
                .andExpect(status().is3xxRedirection());

        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content().string(containsString("is withdrawn: blend changed")));
        word(lot, org.ysometron.core.gate.Block.Kind.PRODUCT_WITHDRAWN, "last order of an old customer")
                .andExpect(status().is3xxRedirection());
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                not(containsString("is withdrawn: blend changed")),
                                containsString("last order of an old customer"))));
        assertThatThrownBy(() -> products.move(product.id(), Life.ON_SALE, " ", ""))
                .isInstanceOf(Refusal.class);
    }

    /** Before a value is published the lots before are asked; the demo's upright strength would not bear 27 MPa any more. */
    @Test
    void pastLotsAreAskedBeforeAValueIsPublished() throws Exception {
        http.perform(get("/products/skerry-bf10/past")
                        .with(QUALITY)
                        .param("topic", "TENSILE_STRENGTH")
                        .param("form", "AT_LEAST")
                        .param("published", "27 MPa")
                        .param("orientation", "ZX"))
                .andExpect(
                        content()
                                .string(
                                        org.hamcrest.Matchers.matchesPattern(
                                                "(?s).*natural: \\d+ of 30 lots would have supported at least 27 MPa.*every one supports.*")));
        http.perform(get("/products/skerry-bf10/past")
                        .with(QUALITY)
                        .param("topic", "TENSILE_STRENGTH")
                        .param("form", "AT_LEAST")
                        .param("published", "27 N"))
                .andExpect(content().string(containsString("is a force, not a stress")));
    }

    /** M47: a price whose tax nobody said compares with nothing. */
    @Test
    void aPriceSaysItsTax() throws Exception {
        Products.ProductView product = products.named("skerry-bf10");
        http.perform(price(product, "23.80", "0.75 kg", " "))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Say the rate of the tax")));
    }

    /** M47: prices of other dates and packs are shown as not alike; tax and discount are taken out. */
    @Test
    void pricesAreKeptWithWhatTheyTakeToBeCompared() throws Exception {
        Products.ProductView product = product();
        publish(product, Publication.Kind.DATASHEET, LocalDate.now().minusDays(30), 0.05);
        http.perform(price(product, "1.05", "0.75 kg", "").param("amount", "0"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("number above zero")));
        http.perform(price(product, "23.80", "750 N", "19"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(containsString("is a force, not a mass"), containsString("value=\"23.80\""))));
        http.perform(price(product, "23.80", "0.75 kg", "19").param("taxIncluded", "true"))
                .andExpect(status().is3xxRedirection());
        http.perform(price(product, "60", "3 kg", "19")
                        .param("pricedOn", LocalDate.now().minusDays(400).toString()))
                .andExpect(status().is3xxRedirection());

        // 23.80 with 19 % in it is 20.00 for 0.75 kg, 26.67 a kilogram; worked by hand.
        http.perform(get("/products/" + product.code()).with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("26.67 EUR"),
                                containsString("20.00 EUR"),
                                containsString("not like with like: date"),
                                containsString("pack: 3000 and 750"))));
    }

    private static org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder price(
            Products.ProductView product, String amount, String pack, String tax) {
        return post("/products/" + product.code() + "/prices")
                .with(QUALITY)
                .with(csrf())
                .param("amount", amount)
                .param("currency", "eur")
                .param("pack", pack)
                .param("tax", tax);
    }
}
