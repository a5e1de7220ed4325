package org.ysometron.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.equipment.Printers;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Form;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.plan.PrinterLimits;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

/** Recipes in full: what is published beside what is used, whose words are whose, and what a printer can do. */
class RecipesTest extends DemoSite {

    @Autowired
    private Recipes recipes;

    @Autowired
    private Printers printers;

    @Autowired
    private Instruments instruments;

    @Autowired
    private Products products;

    private Products.ProductView product;

    @BeforeEach
    void aProductThatRecommends() {
        OptionalDouble none = OptionalDouble.empty();
        product = testProducts.saying(
                says(Topic.NOZZLE_TEMPERATURE, none, OptionalDouble.of(240), OptionalDouble.of(260), "240–260 °C"),
                says(Topic.FAN, OptionalDouble.of(0.5), none, none, "50 %"));
    }

    private static Publications.Draft says(
            Topic topic, OptionalDouble value, OptionalDouble low, OptionalDouble high, String typed) {
        return new Publications.Draft(
                new Statement(0, topic, Form.STATED, typed, value, low, high, "", "", Terms.NONE, 0), null);
    }

    private long printer(String name) {
        return instruments.ofKind(Kind.PRINTER).stream()
                .filter(known -> known.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Map<RecipeField, String> entries() {
        Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
        RecipeField.of(Family.FILAMENT).stream()
                .filter(RecipeField::isRequired)
                .forEach(field -> entries.put(field, field.example()));
        return entries;
    }

    private Recipes.RecipeView freeze(Products.ProductView of, String printer, Map<RecipeField, String> entries) {
        return recipes.freeze(
                of,
                printer(printer),
                entries,
                Recipes.Status.TUNED,
                "own study",
                "First settings that held.",
                "quality");
    }

    /** M18: the recommended and the used setting are kept with their difference, as they stood when the recipe was frozen. */
    @Test
    void m18WhatIsUsedIsKeptBesideWhatIsRecommended() throws Exception {
        Map<RecipeField, String> entries = entries();
        entries.put(RecipeField.NOZZLE, "275 °C");
        entries.put(RecipeField.FAN, "30 %");
        Recipes.RecipeView frozen = recipes.freeze(
                product,
                printer("printer 1"),
                entries,
                Map.of(RecipeField.NOZZLE, new Recipes.Why("the tip is colder", "thermocouple at the tip")),
                Recipes.Status.TUNED,
                "own study",
                "First settings that held.",
                "quality");
        assertThat(frozen.kept().get(RecipeField.NOZZLE))
                .isEqualTo(new Recipes.Kept(
                        "240–260 °C", "15 K above what is published", "the tip is colder", "thermocouple at the tip"));
        assertThat(frozen.kept().get(RecipeField.FAN).difference())
                .isEqualTo("20 percentage points below what is published");
        assertThatThrownBy(() -> recipes.freeze(
                        product,
                        printer("printer 2"),
                        entries,
                        Recipes.Status.MAKERS,
                        "datasheet",
                        "As the sheet says.",
                        "quality"))
                .hasMessageContaining("not the maker's settings, unchanged: Nozzle lies 15 K above what is published");
        assertThat(frozen.unsaid(Family.FILAMENT)).contains("Nozzle's diameter", "Slicer and version");
        http.perform(get("/products/" + product.code() + "/recipes")
                        .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"))))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("15 K above what is published")))
                .andExpect(content().string(containsString("thermocouple at the tip")));
    }

    /** M49: one vocabulary: a name means one thing, a fan speed is no temperature, and a setting speaks of its topic's quantity. */
    @Test
    void m49WordsAreNotUsedLoosely() {
        Map<RecipeField, String> entries = entries();
        entries.put(RecipeField.FAN, "200 °C");
        assertThatThrownBy(() -> freeze(product, "printer 1", entries))
                .hasMessageContaining("Fan: '200 °C' is a temperature, not a ratio");
        entries.put(RecipeField.FAN, "off up to layer 3, then 30 %");
        assertThat(freeze(product, "printer 1", entries).entries().get(RecipeField.FAN))
                .startsWith("off up");
        List<String> titles = new ArrayList<>();
        Topic.all().forEach(topic -> titles.add(topic.title()));
        assertThat(titles).doesNotHaveDuplicates();
        assertThat(Characteristics.all()).extracting(Characteristic::title).doesNotHaveDuplicates();
        for (Family family : Family.values()) {
            assertThat(RecipeField.of(family)).extracting(RecipeField::title).doesNotHaveDuplicates();
        }
        Stream.of(RecipeField.values())
                .filter(field -> field.dimension().isPresent()
                        && field.topic().flatMap(Topic::dimension).isPresent())
                .forEach(field -> assertThat(field.topic().flatMap(Topic::dimension))
                        .as(field.title())
                        .isEqualTo(field.dimension()));
    }

    /** A recipe beyond its printer is refused, with the printer that could; fibres ask for a hardened nozzle. */
    @Test
    void aPrinterThatCannotIsNamedWithOneThatCould() throws Exception {
        Map<RecipeField, String> entries = entries();
        entries.put(RecipeField.NOZZLE, "255 °C");
        entries.put(RecipeField.BED, "90 °C");
        assertThatThrownBy(() -> freeze(product, "printer 3", entries))
                .hasMessageContaining("its nozzle with its liner of PTFE goes to 240 °C, and 255 °C are asked for")
                .hasMessageContaining("printer 1 and printer 2 could");
        entries.put(RecipeField.NOZZLE, "230 °C");
        assertThat(freeze(product, "printer 3", entries).revision()).isEqualTo(1);
        assertThatThrownBy(() -> freeze(products.named("skerry-bf10"), "printer 3", entries))
                .hasMessageContaining("its nozzle is not hardened, and fibres wear it");
        entries.put(RecipeField.CHAMBER_TEMPERATURE, "70 °C");
        assertThatThrownBy(() -> freeze(product, "printer 3", entries))
                .hasMessageContaining("No printer of the register is known to be able to");
        http.perform(post("/equipment/" + printer("printer 1") + "/limits")
                        .param("nozzleMost", "12 mm")
                        .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                        .with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Hottest nozzle")));
        assertThat(printers.limits(printer("printer 1")).nozzleMost()).hasValue(300);
        assertThat(PrinterLimits.UNKNOWN.nozzleMost()).isEmpty();
    }

    /** What was not typed as 64 characters is no hash of a print file. */
    @Test
    void aHashIsAHash() {
        Map<RecipeField, String> entries = entries();
        entries.put(RecipeField.PRINT_FILE, "part-7.gcode");
        assertThatThrownBy(() -> freeze(product, "printer 1", entries)).hasMessageContaining("64 characters");
    }

    /** What is done to equipment is entered once, not after today, and a light measured has its figure. */
    @Test
    void upkeepIsALog() throws Exception {
        long printer = printer("printer 4");
        String[][] tried = {
            {"NOZZLE", "2999-01-01", "", "422", "after today"},
            {"LIGHT", "2026-01-05", "", "422", "What was measured"},
            {"LIGHT", "2026-01-05", "4.0 N", "422", "not an irradiance"},
            {"NOZZLE", "2026-01-05", "4.0 mW/cm²", "422", "Nothing is measured"},
            {"LIGHT", "2026-01-05", "40 W/m²", "302", ""},
        };
        for (String[] one : tried) {
            http.perform(post("/equipment/" + printer + "/upkeep")
                            .param("what", one[0])
                            .param("doneOn", one[1])
                            .param("measured", one[2])
                            .param("words", "after 90 prints")
                            .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                            .with(csrf()))
                    .andExpect(status().is(Integer.parseInt(one[3])))
                    .andExpect(content().string(containsString(one[4])));
        }
        http.perform(get("/equipment/" + printer).with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(content().string(containsString("light measured: 4.00 mW/cm²; after 90 prints")));
    }
}
