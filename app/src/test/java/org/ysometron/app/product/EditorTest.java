package org.ysometron.app.product;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.web.Problems;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;

/** The editor of a publication: every topic goes in as it is printed and comes out so. */
class EditorTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    private Products.ProductView product(Family family) {
        String code = "e-" + UUID.randomUUID().toString().substring(0, 8);
        return products.register(
                new Products.NewProduct(code, "Product " + code, "anything", "clear", "", family, false));
    }

    private static StatementRow row(Topic topic) {
        String example = topic.dimension()
                .map(dimension -> dimension.example().replaceAll("^.* or ", ""))
                .orElse("some words, with a comma and \"quotes\"; and a semicolon");
        return StatementRow.of(Map.of(
                "topic", topic.name(),
                "form", topic.dimension().isPresent() ? "TYPICAL" : "STATED",
                "published", example,
                "qualifier", topic.equals(Topic.LAYER_EXPOSURE) ? "engine 2" : "",
                "orientation", !topic.needsTerms() ? "" : topic.name().startsWith("ALONG_ACROSS") ? "XY" : "ZX",
                "process", topic.isTreated() ? "annealed 2 h at 80 °C" : "",
                "rate", topic.needsTerms() ? "5 mm/min" : ""));
    }

    static List<Topic> topics() {
        return Topic.all();
    }

    /** Published, read again, given out as JSON and CSV and read from there: always the same row. */
    @ParameterizedTest
    @MethodSource("topics")
    void everyTopicSurvivesTheRoundTrip(Topic topic) {
        Products.ProductView product =
                product(Topic.of(Family.FILAMENT).contains(topic) ? Family.FILAMENT : Family.RESIN);
        StatementRow typed = row(topic);
        Problems problems = new Problems();
        List<Publications.Draft> drafts = StatementRow.read(List.of(typed), products, problems);
        assertThat(problems.all()).isEmpty();
        Publications.PublicationView view = publications.publish(
                product.id(),
                Publication.Kind.WEB_PAGE,
                java.time.LocalDate.now(),
                "",
                Publications.Attachment.NONE,
                drafts,
                "quality");
        List<Statement> stored = publications.statements(view.id());

        assertThat(stored).hasSize(1);
        assertThat(StatementRow.of(stored.get(0))).isEqualTo(typed);
        byte[] json = PublicationFile.json(product.code(), view, stored).getBytes(StandardCharsets.UTF_8);
        byte[] csv = PublicationFile.csv(stored).getBytes(StandardCharsets.UTF_8);
        assertThat(PublicationFile.read(json)).containsExactly(typed);
        assertThat(PublicationFile.read(csv)).containsExactly(typed);
    }

    /** The published schema names every column of the file, and no other. */
    @Test
    void theSchemaKnowsEveryColumn() throws Exception {
        var schema = tools.jackson.databind.json.JsonMapper.builder()
                .build()
                .readTree(java.nio.file.Path.of("..", "docs", "publication.schema.json")
                        .toFile());
        assertThat(schema.at("/properties/statements/items/properties").propertyNames())
                .containsExactlyInAnyOrderElementsOf(StatementRow.FIELDS);
    }

    /** What is wrong with a row is said at that row. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "TENSILE_STRENGTH|AT_LEAST|fifty|||row-1|is not a number",
                "TENSILE_STRENGTH|AT_LEAST|50–60 MPa|||row-1|does not go with",
                "TENSILE_STRENGTH|BETWEEN|50 MPa|||row-1|does not go with",
                "TENSILE_STRENGTH|BETTER_THAN|10 %|Nobody's||row-1|Better than which product",
                "TENSILE_STRENGTH|BETTER_THAN|10 MPa|Skerry BF10||row-1|is a stress, not a ratio",
                "TENSILE_STRENGTH|AT_LEAST|50 MPa||fast|row-1|is not a number",
                "TENSILE_STRENGTH|PERHAPS|50 MPa|||row-1|is no form that is known here",
                "TREATED_TENSION_STRENGTH|AT_LEAST|1.2|||row-1|After which treatment",
                "WEATHER|STATED|5|||row-1|is no topic that is known here",
                "NOZZLE_TEMPERATURE|STATED|250 °C (200–230 °C)|||row-1|outside its own range",
            })
    void whatIsWrongIsSaidAtItsRow(
            String topic, String form, String published, String qualifier, String rate, String at, String message) {
        Problems problems = new Problems();
        StatementRow typed = StatementRow.of(Map.of(
                "topic",
                topic,
                "form",
                form,
                "published",
                published,
                "qualifier",
                qualifier == null ? "" : qualifier,
                "rate",
                rate == null ? "" : rate));
        List<StatementRow> rows = new ArrayList<>(List.of(typed, row(Topic.DENSITY)));

        List<Publications.Draft> drafts = StatementRow.read(rows, products, problems);

        assertThat(problems.at(at)).contains(message);
        assertThat(drafts).hasSize(1);
    }

    /** A notched specimen says which way its notch faces: without it nobody could test the claim, and no set would be its own. */
    @Test
    void aNotchIsSaidAndNotGuessed() {
        Map<String, String> typed = new java.util.HashMap<>(Map.of(
                "topic", "Impact strength",
                "form", "AT_LEAST",
                "published", "4 kJ/m²",
                "method", "pendulum impact",
                "basis", "SOLID",
                "orientation", "XY",
                "conditioning", "DRY",
                "rate", "2.9 m/s"));
        StatementRow bare = StatementRow.of(typed);
        assertThat(bare.said(products)).contains("which way its notch faces");
        assertThat(bare.choice()).hasSize(3);
        assertThat(bare.mustChoose()).isTrue();

        typed.put("specimen", "rod 6 mm, rev 1");
        assertThat(StatementRow.of(typed).said(products))
                .contains("is no specimen of pendulum impact", bare.choice().get(0));

        typed.put("specimen", bare.choice().get(1));
        StatementRow told = StatementRow.of(typed);
        assertThat(told.said(products)).isEmpty();
        Statement statement = StatementRow.read(List.of(told), products, new Problems())
                .get(0)
                .statement();
        assertThat(statement.terms().conditions().orElseThrow().design())
                .isEqualTo(bare.choice().get(1));
        assertThat(StatementRow.of(statement).specimen())
                .isEqualTo(bare.choice().get(1));
        assertThat(StatementRow.of(statement).rate()).isEqualTo("2.9 m/s");

        // The usual specimen need not be told.
        typed.putAll(
                Map.of("topic", "Tensile strength", "published", "50 MPa", "method", "tension", "rate", "5 mm/min"));
        typed.remove("specimen");
        StatementRow usual = StatementRow.of(typed);
        // Other tests may have added designs of their own behind the delivered ones.
        assertThat(usual.choice()).startsWith("tension bar 4 × 4 mm, rev 1", "tension bar 3 × 3 mm, rev 1");
        assertThat(usual.mustChoose()).isFalse();
        assertThat(usual.usual()).isEqualTo(usual.choice().get(0));
        Statement flat = StatementRow.read(List.of(usual), products, new Problems())
                .get(0)
                .statement();
        assertThat(flat.terms().design()).hasValue(usual.choice().get(0));
        assertThat(StatementRow.of(flat).specimen()).isEmpty();
    }

    /** Better than one of ours is found by name in any case and kept by its key. */
    @Test
    void aRivalIsFoundByName() {
        Problems problems = new Problems();
        List<Publications.Draft> drafts = StatementRow.read(
                List.of(StatementRow.of(Map.of(
                        "topic", "tensile-strength",
                        "form", "better than",
                        "published", "10 %",
                        "qualifier", "skerry bf10"))),
                products,
                problems);

        assertThat(problems.all()).isEmpty();
        assertThat(drafts.get(0).rivalId())
                .isEqualTo(products.named("skerry-bf10").id());
        assertThat(drafts.get(0).statement().value()).hasValue(0.1);
    }

    /** Walls and infill are read factor by factor; what is not understood is said at its row, and nothing typed is lost. */
    @Test
    void aPartAsPrintedStatesItsBuild() throws Exception {
        Products.ProductView product = product(Family.FILAMENT);
        for (String[] wrong : new String[][] {
            {"AS_PRINTED", "3 walls, hollow", "&#39;hollow&#39; names no walls"},
            {"AS_PRINTED", "3 walls, 300 % gyroid", "infill is from 0 to 100, not 300"},
            {"SOLID", "3 walls", "said of a part as printed"}
        }) {
            http.perform(part(product, wrong[0], wrong[1]))
                    .andExpect(status().is(422))
                    .andExpect(content().string(org.hamcrest.Matchers.containsString(wrong[2])))
                    .andExpect(content().string(org.hamcrest.Matchers.containsString("value=\"" + wrong[1] + "\"")));
        }
        http.perform(get("/products/" + product.code() + "/publish/label/row")
                        .param("topic", "PART_LOAD")
                        .param("form", "AT_LEAST")
                        .param("published", "400 N")
                        .param("method", "part-load")
                        .param("basis", "AS_PRINTED")
                        .param("orientation", "XY")
                        .param("conditioning", "DRY")
                        .param("rate", "5 mm/min")
                        .param("build", "3 walls, 30 % gyroid")
                        .with(QUALITY))
                .andExpect(content().string(org.hamcrest.Matchers.containsString("no line width, no layer, no tops")));
        http.perform(part(product, "AS_PRINTED", "30% Gyroid infill, 3 x 0,45 mm, layers 200 µm, 5 tops"))
                .andExpect(status().is3xxRedirection());
        Publications.PublicationView label =
                publications.newest(product.id(), Publication.Kind.LABEL).orElseThrow();
        http.perform(get("/publications/" + label.id() + "/export.csv").with(QUALITY))
                .andExpect(content()
                        .string(org.hamcrest.Matchers.containsString(
                                "\"3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 30 % gyroid\"")));
    }

    private static org.springframework.test.web.servlet.RequestBuilder part(
            Products.ProductView product, String basis, String build) {
        return multipart("/products/" + product.code() + "/publish/label")
                .param("validFrom", "2026-02-20")
                .param("topic", "PART_LOAD")
                .param("form", "AT_LEAST")
                .param("published", "400 N")
                .param("method", "part-load")
                .param("basis", basis)
                .param("orientation", "XY")
                .param("conditioning", "DRY")
                .param("rate", "5 mm/min")
                .param("build", build)
                .with(QUALITY)
                .with(csrf());
    }

    /** The thing itself is kept with the revision and comes back byte for byte, as a file to be saved. */
    @Test
    void thePrintedThingIsKept() throws Exception {
        Products.ProductView product = product(Family.FILAMENT);
        byte[] scan = {1, 2, 3, 0, -1};
        http.perform(multipart("/products/" + product.code() + "/publish/label")
                        .file(new MockMultipartFile("attachment", "label run 12.pdf", "application/pdf", scan))
                        .param("validFrom", "2026-02-30")
                        .param("topic", "FAN")
                        .param("published", "30 %")
                        .with(QUALITY)
                        .with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(org.hamcrest.Matchers.containsString("is not a date")));
        http.perform(multipart("/products/" + product.code() + "/publish/label")
                        .file(new MockMultipartFile("attachment", "label run 12.pdf", "application/pdf", scan))
                        .param("validFrom", "2026-02-20")
                        .param("topic", "FAN")
                        .param("form", "STATED")
                        .param("published", "30 %")
                        .with(QUALITY)
                        .with(csrf()))
                .andExpect(status().is3xxRedirection());
        Publications.PublicationView label =
                publications.newest(product.id(), Publication.Kind.LABEL).orElseThrow();

        byte[] back = http.perform(get("/publications/" + label.id() + "/file").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(org.springframework.test.web.servlet.result.MockMvcResultMatchers.header()
                        .string("Content-Disposition", "attachment; filename=\"label_run_12.pdf\""))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(back).isEqualTo(scan);
        http.perform(get("/products/" + product.code()).with(QUALITY))
                .andExpect(content().string(org.hamcrest.Matchers.containsString("as printed")));
    }
}
