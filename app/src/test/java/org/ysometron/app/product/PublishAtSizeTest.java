package org.ysometron.app.product;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.web.Browser;
import org.ysometron.app.web.Cells;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;

/** Datasheets as long as real ones, and what is promised on the day on which a lot is made. */
class PublishAtSizeTest extends DemoSite {

    private static final int STATEMENTS = 150;
    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    @Value("${local.server.port}")
    private int port;

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    private Products.ProductView product() {
        String code = "z-" + UUID.randomUUID().toString().substring(0, 8);
        return products.register(
                new Products.NewProduct(code, "Product " + code, "anything", "natural", "", Family.FILAMENT, false));
    }

    private static Map<String, String> row(String topic, String form, String published, String qualifier) {
        return Map.of("topic", topic, "form", form, "published", published, "qualifier", qualifier);
    }

    private Publications.PublicationView publish(
            Products.ProductView product, Publication.Kind kind, LocalDate from, List<Map<String, String>> rows) {
        Problems problems = new Problems();
        List<Publications.Draft> drafts =
                StatementRow.read(rows.stream().map(StatementRow::of).toList(), products, problems);
        assertThat(problems.all()).isEmpty();
        return publications.publish(product.id(), kind, from, "", Publications.Attachment.NONE, drafts, "quality");
    }

    private static List<Map<String, String>> many(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> row("WORDING", "STATED", "Sentence number " + i, "page " + i))
                .toList();
    }

    /** Four rows were refused as larger than 32 MB; 150 go through, from the page, with a file and all, by hand. */
    @Test
    void aDatasheetOf150StatementsIsPublishedFromThePage() {
        Products.ProductView product = product();
        publish(product, Publication.Kind.DATASHEET, LocalDate.now().minusDays(3), many(STATEMENTS));
        Browser browser = new Browser(port);
        try {
            Page page = browser.signedIn("quality");
            browser.open(page, "/products/" + product.code() + "/publish/datasheet");
            int rows = page.locator("tbody.statement").count();
            assertThat(rows).isGreaterThanOrEqualTo(STATEMENTS);
            page.locator("[data-remove-row]").first().click();
            page.click("[data-add-row]");
            page.locator("tbody.statement").last().locator("[name=topic]").fill("Tensile strength");
            page.locator("tbody.statement").last().locator("[name=form]").selectOption("AT_LEAST");
            page.locator("tbody.statement").last().locator("[name=published]").fill("45 MPa");
            com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat(
                            page.locator("tbody.statement").last().locator(".row-said"))
                    .containsText(
                            "Nobody can test it like this: no method",
                            new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions()
                                    .setTimeout(30_000));
            page.click("button[type=submit]:has-text('Publish')");
            com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat(page.locator("h1"))
                    .containsText("Product");
        } finally {
            browser.close();
        }
        Publications.PublicationView newest =
                publications.newest(product.id(), Publication.Kind.DATASHEET).orElseThrow();
        assertThat(newest.revision()).isEqualTo(2);
        assertThat(publications.statements(newest.id())).hasSize(STATEMENTS);
    }

    /** As many as nobody publishes are refused at once, from a file as from the page. */
    @Test
    void whatNobodyPublishesIsRefusedAtOnce() {
        StringBuilder file = new StringBuilder("topic,published\n");
        for (int i = 0; i < 100_000; i++) {
            file.append("WORDING,Sentence ").append(i).append('\n');
        }
        assertThatThrownBy(
                        () -> PublicationFile.read(file.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("500 are the most");
    }

    @Test
    void aFileOf150StatementsComesBackWhole() {
        Products.ProductView product = product();
        Publications.PublicationView view =
                publish(product, Publication.Kind.WEB_PAGE, LocalDate.now(), many(STATEMENTS));
        assertThat(PublicationFile.read(PublicationFile.csv(publications.statements(view.id()))
                        .getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                .hasSize(STATEMENTS);
    }

    /** What a spreadsheet would compute goes out as text and comes back as it was. */
    @Test
    void aCellIsNoFormula() {
        assertThat(Cells.harmless("=1+1")).isEqualTo("'=1+1");
        assertThat(Cells.plain(Cells.harmless("-20 °C"))).isEqualTo("-20 °C");
        assertThat(Cells.plain("'tis")).isEqualTo("'tis");
    }

    /** M71: what was settled after a lot was made changes nothing of what that lot must meet. */
    @Test
    void m71WhatIsSettledLaterHoldsForLaterLots() {
        Products.ProductView product = product();
        LocalDate day = LocalDate.now().minusDays(30);
        Publications.PublicationView sheet = publish(
                product, Publication.Kind.DATASHEET, day, List.of(row("DIAMETER", "BETWEEN", "1.75 mm ± 0.05 mm", "")));
        publish(product, Publication.Kind.LABEL, day, List.of(row("DIAMETER", "BETWEEN", "1.75 mm ± 0.10 mm", "")));
        long label = publications.conflicts(product.id(), sheet.id()).get(0).conflict().entries().stream()
                .filter(entry -> entry.kind() == Publication.Kind.LABEL)
                .findFirst()
                .orElseThrow()
                .statement()
                .id();
        publications.resolve(product.id(), sheet.id(), label, "Customers buy by the label.", "", "quality");
        assertThat(upper(sheet, LocalDate.now().minusDays(2))).isEqualTo(1.80);
        assertThat(upper(sheet, LocalDate.now())).isEqualTo(1.85);
    }

    /** A new revision that says the same leaves a settled conflict settled. */
    @Test
    void aSettledConflictStaysSettledUntilOneOfTheTwoChanges() {
        Products.ProductView product = product();
        LocalDate day = LocalDate.now().minusDays(30);
        List<Map<String, String>> label = List.of(row("DIAMETER", "BETWEEN", "1.75 mm ± 0.03 mm", ""));
        Publications.PublicationView sheet = publish(
                product, Publication.Kind.DATASHEET, day, List.of(row("DIAMETER", "BETWEEN", "1.75 mm ± 0.05 mm", "")));
        publish(product, Publication.Kind.LABEL, day, label);
        long governs = publications
                .conflicts(product.id(), sheet.id())
                .get(0)
                .conflict()
                .entries()
                .get(0)
                .statement()
                .id();
        publications.resolve(product.id(), sheet.id(), governs, "That is what we measure.", "", "quality");
        List<Map<String, String>> longer = new ArrayList<>(label);
        longer.add(row("WORDING", "STATED", "New print of the label", ""));
        publish(product, Publication.Kind.LABEL, LocalDate.now(), longer);
        assertThat(publications.conflicts(product.id(), sheet.id()))
                .singleElement()
                .satisfies(conflict -> assertThat(conflict.blocks()).isFalse());
        publish(
                product,
                Publication.Kind.LABEL,
                LocalDate.now(),
                List.of(row("DIAMETER", "BETWEEN", "1.75 mm ± 0.02 mm", "")));
        assertThat(publications.conflicts(product.id(), sheet.id()))
                .singleElement()
                .satisfies(conflict -> assertThat(conflict.blocks()).isTrue());
    }

    /** M17: a strength published without its terms beside one that has them. */
    @Test
    void m17AStrengthWithoutItsTermsIsSetAgainstTheTestedOne() {
        Products.ProductView product = product();
        Publications.PublicationView sheet = publish(
                product,
                Publication.Kind.DATASHEET,
                LocalDate.now().minusDays(3),
                List.of(Map.of(
                        "topic", "TENSILE_STRENGTH",
                        "form", "AT_LEAST",
                        "published", "40 MPa",
                        "method", "tension",
                        "basis", "SOLID",
                        "orientation", "XY",
                        "conditioning", "DRY",
                        "rate", "5 mm/min")));
        publish(
                product,
                Publication.Kind.WEB_PAGE,
                LocalDate.now().minusDays(3),
                List.of(row("TENSILE_STRENGTH", "AT_LEAST", "45 MPa", "")));
        assertThat(publications.conflicts(product.id(), sheet.id()))
                .singleElement()
                .satisfies(conflict -> assertThat(conflict.blocks()).isTrue());
    }

    /** A published ovality and a density with its tolerance are claims that a lot is held to. */
    @Test
    void whatIntakeMeasuresIsVerified() throws Exception {
        Products.ProductView product = product();
        Publications.PublicationView sheet = publish(
                product,
                Publication.Kind.DATASHEET,
                LocalDate.now().minusDays(3),
                List.of(row("OVALITY", "AT_MOST", "0.04 mm", ""), row("DENSITY", "TYPICAL", "1.36 g/cm³ ± 1 %", "")));
        assertThat(publications.claims(sheet.id()))
                .extracting(Claim::property)
                .containsExactly(OfMaterial.FILAMENT_OVALITY, OfMaterial.DENSITY);
        LotView lot = lots.enter(
                new Lots.NewLot("O-" + product.code(), product.code(), "natural", LocalDate.now(), "", ""), "bench");
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content().string(containsString("Filament ovality: not tested")));
    }

    /** Rows are added without a script as well; what was typed stays. */
    @Test
    void rowsAreAddedWithoutAScript() throws Exception {
        Products.ProductView product = product();
        http.perform(post("/products/" + product.code() + "/publish/label")
                        .with(QUALITY)
                        .with(csrf())
                        .param("topic", "WORDING")
                        .param("published", "kept while rows are added")
                        .param("more", "10"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("kept while rows are added")));
        assertThat(publications.newest(product.id(), Publication.Kind.LABEL)).isEmpty();
    }

    private double upper(Publications.PublicationView sheet, LocalDate madeOn) {
        return publications.claims(sheet.id(), madeOn).stream()
                .filter(claim -> claim.property().equals(OfMaterial.FILAMENT_DIAMETER))
                .findFirst()
                .orElseThrow()
                .requirement()
                .upper()
                .orElseThrow();
    }
}
