package org.ysometron.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.ysometron.app.TestDatabase;
import org.ysometron.core.gate.Right;

/** A normal start: no demo, one administrator, and everything there is to set up before the first lot. */
@SpringBootTest
@AutoConfigureMockMvc
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class EmptySiteTest {

    private static final Path FILE;

    static {
        try {
            FILE = Files.createTempDirectory("ysometron-first").resolve("account");
        } catch (IOException e) {
            throw new ExceptionInInitializerError(e);
        }
    }

    @Autowired
    private MockMvc http;

    @Autowired
    private UserDetailsService accounts;

    @Autowired
    private PasswordEncoder encoder;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        TestDatabase.register(registry, "empty");
        registry.add("ysometron.first-account-file", FILE::toString);
    }

    @Test
    @Order(1)
    void theFirstAccountGetsARandomPasswordAndEveryRight() throws IOException {
        String told = Files.readString(FILE);
        String password = told.replaceAll("(?s).*password (\\w+) .*", "$1");

        var administrator = accounts.loadUserByUsername("administrator");
        assertThat(password).hasSize(16);
        assertThat(encoder.matches(password, administrator.getPassword())).isTrue();
        assertThat(administrator.getPassword()).doesNotContain(password);
        assertThat(administrator.getAuthorities()).hasSize(Right.values().length);
    }

    @Test
    @Order(2)
    void emptyPagesSayWhatToDoFirst() throws Exception {
        http.perform(get("/").with(administrator())).andExpect(content().string(containsString("Register a product")));
        http.perform(get("/decided").with(administrator()))
                .andExpect(content().string(containsString("No lot has been decided")));
        http.perform(get("/equipment").with(administrator()))
                .andExpect(content().string(containsString("Nothing registered")));
        http.perform(get("/lots/new").with(administrator()))
                .andExpect(content().string(containsString("no product yet")));
        http.perform(get("/sign-in"))
                .andExpect(content().string(org.hamcrest.Matchers.not(containsString("Tidewrack"))));
        http.perform(get("/")).andExpect(status().is3xxRedirection());
    }

    @Test
    @Order(3)
    void aProductItsClaimsAndTheEquipmentAreSetUp() throws Exception {
        http.perform(form("/products/new")
                        .param("name", "Ours")
                        .param("code", "our s")
                        .param("material", "PP")
                        .param("colours", "natural"))
                .andExpect(status().is(422))
                .andExpect(
                        content().string(allOf(containsString("letters, digits"), containsString("value=\"Ours\""))));
        http.perform(form("/products/new")
                        .param("name", "Ours")
                        .param("code", "ours")
                        .param("material", "PP")
                        .param("colours", "natural, fern"))
                .andExpect(redirectedUrl("/products/ours"));
        http.perform(form("/products/ours/publish/datasheet")
                        .param("validFrom", "2026-01-01")
                        .param("topic", "TENSILE_STRENGTH", "TENSILE_STRENGTH", "DENSITY", "", "FAN")
                        .param("form", "AT_LEAST", "AT_LEAST", "TYPICAL", "STATED", "STATED")
                        .param("published", "50 N", "40 MPa", "0.9 g/cm³", "12", "30 %")
                        .param("orientation", "XY", "XY", "", "", "")
                        .param("specimens", "5", "1", "", "", ""))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("is a force, not a stress"),
                                containsString("whole number from 2"),
                                containsString("Choose what"),
                                containsString("value=\"0.9 g/cm³\""))));
        http.perform(form("/products/ours/publish/datasheet")
                        .param("validFrom", "2026-01-01")
                        .param("topic", "TENSILE_STRENGTH")
                        .param("form", "AT_LEAST")
                        .param("published", "3 ksi")
                        .param("qualifier", "")
                        .param("method", "tension")
                        .param("basis", "SOLID")
                        .param("orientation", "XY")
                        .param("conditioning", "DRY")
                        .param("rate", "5 mm/min")
                        .param("specimens", "3")
                        .param("process", ""))
                .andExpect(redirectedUrl("/products/ours#publications"));
        http.perform(get("/products/ours").with(administrator()))
                .andExpect(content().string(allOf(containsString("at least 3 ksi"), containsString("Bed surface"))));
        http.perform(get("/products/ours/drift").with(administrator()))
                .andExpect(content().string(containsString("No lot has results yet")));
        http.perform(form("/equipment")
                        .param("name", "gauge")
                        .param("capacity", "100 kg")
                        .param("uncertainty", "0.5 %"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("kgf")));
        http.perform(form("/equipment")
                        .param("name", "gauge")
                        .param("capacity", "100 kgf")
                        .param("uncertainty", "0.5 %"))
                .andExpect(redirectedUrl("/equipment"));
        http.perform(get("/equipment").with(administrator()))
                .andExpect(content().string(containsString("980.7 N")));
    }

    @Test
    @Order(4)
    void theFirstLotIsEnteredAndNotTwice() throws Exception {
        MockHttpServletRequestBuilder lot = form("/lots/new")
                .param("code", "L-1")
                .param("product", "ours|fern")
                .param("madeOn", "2026-01-02");
        http.perform(lot).andExpect(redirectedUrl("/lots/L-1"));
        http.perform(lot).andExpect(status().is(422)).andExpect(content().string(containsString("already a lot")));
        http.perform(form("/lots/new")
                        .param("code", "L-2")
                        .param("product", "ours|fern")
                        .param("madeOn", "2999-01-01"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("after today")));
        http.perform(form("/lots/new")
                        .param("code", "L 2")
                        .param("product", "ours|fern")
                        .param("madeOn", "soon"))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("letters, digits"), containsString("not a date"))));
        http.perform(get("/").with(administrator()))
                .andExpect(content().string(allOf(containsString("1 lot waits"), containsString("not tested"))));
        http.perform(get("/lots/L-1/evidence").with(administrator()))
                .andExpect(content().string(containsString("No specimen has been tested yet")));
    }

    /** A set sent twice by a double click is one set. */
    @Test
    @Order(5)
    void aSetSentTwiceIsAddedOnce() throws Exception {
        for (int i = 0; i < 2; i++) {
            http.perform(form("/lots/L-1/sets")
                            .param("request", "same")
                            .param("orientation", "XY")
                            .param("count", "3")
                            .param("rate", "5"))
                    .andExpect(status().is3xxRedirection());
        }
        http.perform(get("/lots/L-1").with(administrator())).andExpect(content().string(containsString("XY1 to XY3")));
        http.perform(form("/lots/L-1/sets")
                        .param("request", "other")
                        .param("orientation", "XY")
                        .param("count", "600")
                        .param("rate", "5"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("1 to 60")));
    }

    /** What is not registered yet is named where it is needed, on the page that stands and not instead of it. */
    @Test
    @Order(6)
    void theBenchNamesWhatIsMissing() throws Exception {
        for (String step : List.of("measure", "break")) {
            http.perform(get("/lots/L-1/bench").param("step", step).with(administrator()))
                    .andExpect(status().isOk())
                    .andExpect(content()
                            .string(allOf(containsString("No pair of calipers is registered"), containsString("XY1"))));
        }
        http.perform(form("/equipment")
                        .param("kind", "CALIPERS")
                        .param("name", "calipers")
                        .param("uncertainty", "0.01 mm"))
                .andExpect(redirectedUrl("/equipment"));
        http.perform(get("/lots/L-1/bench").with(administrator()))
                .andExpect(content().string(containsString("class=\"big-code\">XY1<")));
    }

    private static MockHttpServletRequestBuilder form(String path) {
        return post(path).with(administrator()).with(csrf());
    }

    private static org.springframework.test.web.servlet.request.RequestPostProcessor administrator() {
        return user("administrator")
                .authorities(Arrays.stream(Right.values())
                        .map(right -> new SimpleGrantedAuthority(right.name()))
                        .toList());
    }
}
