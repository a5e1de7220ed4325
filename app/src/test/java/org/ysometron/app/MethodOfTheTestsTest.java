package org.ysometron.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrlPattern;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.publication.Family;

/**
 * The rebound of a dropped ball is a method that only the tests have: a class, a file and a file of cases in core's test sources.
 * Without another line it is planned, made, measured, imported, judged, charted and certified; core's own tests compute it.
 */
class MethodOfTheTestsTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));
    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"), new SimpleGrantedAuthority("ENTRY"));
    private static final RequestPostProcessor RELEASE =
            user("release").authorities(new SimpleGrantedAuthority("RELEASE"));

    private static final Method REBOUND = Methods.of("rebound").orElseThrow();

    @Autowired
    private Products products;

    @Autowired
    private Instruments instruments;

    @Autowired
    private Judgements judgements;

    @Autowired
    private SeriesPoints series;

    @Test
    void isPlannedMadeMeasuredImportedJudgedChartedAndCertified() throws Exception {
        String code = "r-" + UUID.randomUUID().toString().substring(0, 8);
        products.register(new Products.NewProduct(code, code, "PBT filament", "natural", "", Family.FILAMENT, false));
        published(code);
        planned(code);
        LotView lot = lots.enter(
                new Lots.NewLot(code, code, "natural", LocalDate.now().minusDays(9), "", ""), "bench");
        testLots.draw(lot);
        testLots.dry(lot, java.time.LocalDateTime.now().minusHours(2));
        made(lot);
        measured(lot);
        imported(lot);

        assertThat(judgements.of(List.of(lot)).get(lot.id()))
                .singleElement()
                .satisfies(judged -> assertThat(judged.verdict()).isEqualTo(Verdict.SUPPORTED));
        http.perform(get("/lots/" + code + "/evidence").with(QUALITY))
                .andExpect(content()
                        .string(allOf(containsString("Rebound resilience, XY flat"), containsString("supported"))));
        http.perform(get("/lots/" + code + "/specimens/XY1/working").with(QUALITY))
                .andExpect(content().string(allOf(containsString("R"), containsString("152"))));
        charted(lot);
        gateOfTests.decide(lot, Disposition.RELEASE, "The one claim is supported.", "release");
        http.perform(get("/lots/" + code + "/certificate").with(RELEASE))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("Rebound resilience"),
                                containsString("supported"),
                                containsString("ISO 4662"))));
    }

    private void published(String code) throws Exception {
        http.perform(post("/products/" + code + "/publish/DATASHEET")
                        .with(QUALITY)
                        .with(csrf())
                        .param("kind", "DATASHEET")
                        .param("validFrom", LocalDate.now().minusDays(20).toString())
                        .param("source", "sheet of the tests")
                        .param("topic", "RESILIENCE")
                        .param("form", "AT_LEAST")
                        .param("published", "0.30")
                        .param("qualifier", "")
                        .param("method", "rebound")
                        .param("basis", "SOLID")
                        .param("orientation", "XY")
                        .param("conditioning", "DRY")
                        .param("rate", "")
                        .param("specimens", "5")
                        .param("process", ""))
                .andExpect(status().is3xxRedirection());
    }

    private void planned(String code) throws Exception {
        http.perform(post("/products/" + code + "/plan")
                        .with(QUALITY)
                        .with(csrf())
                        .param("method", "rebound")
                        .param("design", "")
                        .param("orientation", "XY")
                        .param("notch", "NONE")
                        .param("basis", "SOLID")
                        .param("build", "")
                        .param("conditioning", "DRY")
                        .param("rate", "")
                        .param("n", "5")
                        .param("process", "")
                        .param("expected", "")
                        .param("leftOut", "")
                        .param("deviation", "")
                        .param("reason", "The datasheet claims it."))
                .andExpect(status().is3xxRedirection());
        http.perform(get("/products/" + code + "/plan").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("rebound of a dropped ball"), containsString("Rebound resilience"))));
        http.perform(get("/methods").with(QUALITY)).andExpect(content().string(containsString("height of the drop")));
    }

    private void made(LotView lot) throws Exception {
        http.perform(post("/lots/" + lot.code() + "/sets")
                        .with(BENCH)
                        .with(csrf())
                        .param("request", UUID.randomUUID().toString())
                        .param("method", "rebound")
                        .param("orientation", "XY")
                        .param("conditioning", "DRY")
                        .param("count", "5"))
                .andExpect(status().is3xxRedirection());
        http.perform(get("/lots/" + lot.code() + "/specimen-sheet").with(BENCH))
                .andExpect(content().string(containsString("height that it came back to ×3, mm")));
    }

    private long instrument() {
        return instruments.serving(REBOUND.data().equipment()).get(0).id();
    }

    private void measured(LotView lot) throws Exception {
        http.perform(get("/lots/" + lot.code() + "/bench").with(BENCH))
                .andExpect(content().string(containsString("Open the bench for rebound of a dropped ball")));
        http.perform(post("/lots/" + lot.code() + "/bench/confirmation")
                        .with(BENCH)
                        .with(csrf())
                        .param("method", "rebound")
                        .param("confirmed", "0", "1", "2", "3"))
                .andExpect(status().is3xxRedirection());
        http.perform(get("/lots/" + lot.code() + "/bench/preview")
                        .with(BENCH)
                        .param("specimen", "XY1")
                        .param("field", "back-1", "back-2", "back-3")
                        .param("typed", "152 mm", "", "")
                        .param("gauge", "" + instrument()))
                .andExpect(content().string(containsString("Rebound resilience: 0.380")));
        http.perform(post("/lots/" + lot.code() + "/bench")
                        .with(BENCH)
                        .with(csrf())
                        .header("HX-Request", "true")
                        .param("specimen", "XY1")
                        .param("field", "back-1", "back-2", "back-3")
                        .param("typed", "152 mm", "0.148 m", "")
                        .param("confirm", "", "", "")
                        .param("outcome", "COMPLETE")
                        .param("gauge", "" + instrument()))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("class=\"big-code\">XY2<")));
        assertThat(bench.record(lot, "XY1").result().orElseThrow().value()).hasValue(0.375);
    }

    private void imported(LotView lot) throws Exception {
        http.perform(get("/lots/" + lot.code() + "/import/blank.csv").with(BENCH))
                .andExpect(content().string(containsString("specimen,back_1 [mm],back_2 [mm],back_3 [mm],outcome")));
        String file =
                "specimen;back_1 [mm];back_2 [mm];outcome\nXY2;150;151;\nXY3;149;150;broke completely\nXY4;152;150;\nXY5;148;149;\n";
        String staged = http.perform(multipart("/lots/" + lot.code() + "/import")
                        .file(new MockMultipartFile(
                                "file", "back.csv", "text/csv", file.getBytes(StandardCharsets.UTF_8)))
                        .param("gauge", "" + instrument())
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(redirectedUrlPattern("/lots/*/import/*"))
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        http.perform(get(Objects.requireNonNull(staged)).with(BENCH))
                .andExpect(content().string(containsString("Take in 8 readings")));
        http.perform(post(staged).with(BENCH).with(csrf())).andExpect(status().is3xxRedirection());
    }

    private void charted(LotView lot) throws Exception {
        testLots.refresh(lot);
        SeriesPoints.SeriesView chart = series.ofProduct(lot.productId()).stream()
                .filter(view -> view.property().equals(REBOUND.data().main()))
                .findFirst()
                .orElseThrow();
        assertThat(series.points(chart.id())).singleElement().satisfies(point -> assertThat(point.n())
                .isEqualTo(5));
        http.perform(get("/products/" + lot.code() + "/drift")
                        .param("series", "" + chart.id())
                        .with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Rebound resilience")));
    }
}
