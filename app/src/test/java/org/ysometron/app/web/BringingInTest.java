package org.ysometron.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.method.Calibration;
import org.ysometron.core.publication.Publication;

/** What a supplier has in spreadsheets comes in whole or not at all: equipment, accounts, a product like another. */
class BringingInTest extends DemoSite {

    private static final RequestPostProcessor ADMINISTRATOR =
            user("administrator").authorities(new SimpleGrantedAuthority("ADMINISTRATION"));
    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));

    @Autowired
    private Instruments instruments;

    @Autowired
    private Calibrations calibrations;

    @Autowired
    private Products products;

    @Autowired
    private Publications publications;

    @Autowired
    private Plans plans;

    private static String unique(String prefix) {
        return prefix + "-" + UUID.randomUUID().toString().substring(0, 8);
    }

    private List<InstrumentView> named(String name) {
        return instruments.all().stream()
                .filter(instrument -> instrument.name().equals(name))
                .toList();
    }

    @Test
    void aRegisterComesInWithItsCalibrations() throws Exception {
        String cell = unique("cell");
        String oven = unique("oven");
        String rows = "kind;name;capacity;uncertainty;calibrated_on;due_on;certificate\n"
                + "force gauge;" + cell + ";2 kN;0,5 %;" + LocalDate.now().minusDays(9) + ";"
                + LocalDate.now().plusDays(300) + ";K-77\n"
                + "oven;" + oven + ";;;;;\n";
        http.perform(multipart("/equipment/list")
                        .file(new MockMultipartFile("list", "register.csv", "text/csv", rows.getBytes("UTF-8")))
                        .with(ADMINISTRATOR)
                        .with(csrf()))
                .andExpect(redirectedUrl("/equipment"));
        assertThat(named(cell)).singleElement().satisfies(found -> {
            assertThat(found.capacity()).hasValue(2000);
            assertThat(found.relativeUncertainty()).isEqualTo(0.005);
            assertThat(calibrations.today(found.id())).isEqualTo(Calibration.Coverage.COVERED);
        });
        assertThat(named(oven)).hasSize(1);
    }

    /** Row 3 is wrong in two ways and row 4 in one: all three are named, and the good row is not taken in either. */
    @Test
    void aRegisterWithABadRowStaysOut() throws Exception {
        String good = unique("good");
        String rows = "kind,name,capacity,uncertainty\ncalipers," + good + ",,0.01 mm\n"
                + "force gauge,x,500 kg,\nsundial,y,,\n";
        http.perform(post("/equipment/list").with(ADMINISTRATOR).with(csrf()).param("rows", rows))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Nothing was taken in.")))
                .andExpect(content().string(containsString("Row 3: ")))
                .andExpect(content().string(containsString("is no kind of equipment")))
                .andExpect(content().string(containsString(good)));
        assertThat(named(good)).isEmpty();
        http.perform(post("/equipment/list")
                        .with(ADMINISTRATOR)
                        .with(csrf())
                        .param("rows", "kind,name,colour\noven,z,red"))
                .andExpect(content().string(containsString("nobody knows &#39;colour&#39;")));
        http.perform(post("/equipment/list").with(BENCH).with(csrf()).param("rows", rows))
                .andExpect(status().isForbidden());
    }

    @Test
    void accountsComeInWithTheirFirstPasswords() throws Exception {
        String name = unique("quality");
        http.perform(post("/accounts/list")
                        .with(ADMINISTRATOR)
                        .with(csrf())
                        .param("rows", "name,rights\n" + name + ",entry+judgement\n"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("First passwords")))
                .andExpect(content().string(containsString(name)));
        String again = unique("release");
        http.perform(post("/accounts/list")
                        .with(ADMINISTRATOR)
                        .with(csrf())
                        .param("rows", "name,rights\n" + again + ",release\n" + name + ",entry\nab,flying\n"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Row 3: There is already an account")))
                .andExpect(content().string(containsString("Row 4: &#39;flying&#39; is no right")));
        http.perform(get("/accounts").with(ADMINISTRATOR))
                .andExpect(content().string(org.hamcrest.Matchers.not(containsString(again))));
    }

    @Test
    void aProductTakesOverWhatAnotherPublishesAndPlans() throws Exception {
        String code = unique("skerry");
        http.perform(post("/products/new")
                        .with(ADMINISTRATOR)
                        .with(csrf())
                        .param("code", code)
                        .param("name", "Skerry " + code)
                        .param("material", "PBT with basalt fibre")
                        .param("colours", "natural")
                        .param("family", "FILAMENT")
                        .param("from", "skerry-bf10"))
                .andExpect(redirectedUrl("/products/" + code));
        Products.ProductView from = products.named("skerry-bf10");
        Products.ProductView to = products.named(code);
        Publications.PublicationView copied =
                publications.newest(to.id(), Publication.Kind.DATASHEET).orElseThrow();
        Publications.PublicationView other =
                publications.newest(from.id(), Publication.Kind.DATASHEET).orElseThrow();
        assertThat(copied.revision()).isEqualTo(1);
        assertThat(copied.source()).isEqualTo("copied from Skerry BF10, revision " + other.revision());
        assertThat(publications.statements(copied.id()))
                .usingRecursiveFieldByFieldElementComparatorIgnoringFields("id")
                .isEqualTo(publications.statements(other.id()));
        assertThat(publications.claims(copied.id())).isNotEmpty();
        assertThat(plans.newest(to.id()).orElseThrow().lines())
                .isEqualTo(plans.newest(from.id()).orElseThrow().lines());
        http.perform(post("/products/new")
                        .with(ADMINISTRATOR)
                        .with(csrf())
                        .param("code", unique("resin"))
                        .param("name", "Resin")
                        .param("material", "acrylate")
                        .param("colours", "clear")
                        .param("family", "RESIN")
                        .param("from", "skerry-bf10"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("makes no sense for a resin")));
    }
}
