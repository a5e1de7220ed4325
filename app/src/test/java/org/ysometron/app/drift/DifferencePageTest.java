package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Orientation;

/** Lots set against one another: only of one chart, with an interval, and no percentage without its base. */
class DifferencePageTest extends SkerrySite {

    @Autowired
    private DifferencePage page;

    /** M46: each percentage stands with its base and the base's own value. */
    @Test
    void m46NoPercentageWithoutItsBase() {
        SeriesView upright = skerry(Orientation.ZX);
        DifferencePage.View view = page.view(upright, "sk-0105, SK-0129", new Problems());

        assertThat(view.rows()).hasSize(1);
        DifferencePage.Row row = view.rows().get(0);
        assertThat(row.what()).isEqualTo("SK-0129 against SK-0105");
        double base = mean(upright, "SK-0105");
        double other = mean(upright, "SK-0129");
        String percent = "%.1f".formatted(Math.abs(100 * (other - base) / base));
        assertThat(row.percent())
                .startsWith("−" + percent)
                .contains("% of SK-0105's ")
                .endsWith("MPa");
        assertThat(row.isApart()).isTrue();
        assertThat(row.says()).startsWith("Apart; beyond the repeatability limit");
    }

    private double mean(SeriesView of, String code) {
        return series.points(of.id()).stream()
                .filter(point -> point.lotId() == lots.named(code).id())
                .mapToDouble(PointView::mean)
                .findFirst()
                .orElseThrow();
    }

    /** M15: two lots nearer than the method's repeatability are the same, however their intervals lie. */
    @Test
    void m15NearValuesAreTheSame() {
        DifferencePage.View view = page.view(skerry(Orientation.ZX), "SK-0101, SK-0102, SK-0103", new Problems());

        assertThat(view.rows()).hasSize(3);
        assertThat(view.rows())
                .anySatisfy(row -> assertThat(row.says()).startsWith("The same: within the repeatability limit"));
        assertThat(view.means()).extracting(DifferencePage.Mean::place).contains("place 1 to 3");
        assertThat(view.repeatability()).contains("specimens scatter by");
    }

    /** M25: what a whisker is stands beside the drawing. */
    @Test
    void m25EachWhiskerNamesItsStatistic() throws Exception {
        http.perform(get("/series/" + skerry(Orientation.ZX).id() + "/differences")
                        .with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("the whisker of each is the 95 % interval of its mean"),
                                containsString("95 % interval, all together"))));
    }

    /** M11: what does not share a chart is not put together: another treatment, orientation or set-up has a chart of its own. */
    @Test
    void m11LotsOfAnotherChartAreRefused() throws Exception {
        http.perform(get("/series/" + skerry(Orientation.ZX).id() + "/differences")
                        .with(QUALITY)
                        .param("lots", "SK-0101, DN-0047"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("Not on this chart: DN-0047"),
                                containsString("value=\"SK-0101, DN-0047\""))));
        for (SeriesView one : series.ofProduct(lots.named("SK-0130").productId())) {
            assertThat(series.ofProduct(one.productId()).stream()
                            .filter(other -> other.property().equals(one.property())
                                    && other.conditions().equals(one.conditions())
                                    && other.colour().equals(one.colour())
                                    && other.setup().equals(one.setup())
                                    && other.blend().isSame(one.blend())))
                    .hasSize(1);
        }
    }

    @Test
    void oneLotOrNoneIsSaid() throws Exception {
        long id = skerry(Orientation.ZX).id();
        for (String typed : new String[] {"", "SK-0101", " , ;"}) {
            http.perform(get("/series/" + id + "/differences").with(QUALITY).param("lots", typed))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("Name 2 to 8 lots")));
        }
    }
}
