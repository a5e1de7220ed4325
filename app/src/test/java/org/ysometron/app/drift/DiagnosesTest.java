package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.drift.Diagnoses.Diagnosis;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Requirement;

/** The demo's hidden stories are found, at the right lots and in the right shape. */
class DiagnosesTest extends SkerrySite {

    @Autowired
    private DriftCharts charts;

    @Autowired
    private Diagnoses diagnoses;

    @Autowired
    private LastingChanges changes;

    private Diagnosis said(SeriesView found, Optional<Requirement> claim) {
        return diagnoses.of(found, ofTheDemo(found, "SK-"), claim).orElseThrow();
    }

    /** M65: Skerry's upright strength slides by little a lot, and no lot lies beyond a limit when it begins. */
    @Test
    void m65ASlowSlideIsNamedWithTheLotsThatAreLeft() {
        Diagnosis said = said(skerry(Orientation.ZX), Optional.of(Requirement.atLeast(24.0, "MPa", 5)));

        assertThat(said.headline()).startsWith("It slides since about SK-01").contains("down");
        assertThat(said.sentences().get(0)).contains("95 %");
        assertThat(String.join(" ", said.sentences())).contains("the claimed 24.0 MPa is met");
    }

    /** The lot with which more regrind went in lies where the slide may have begun, and is named there; fibre lots come and go. */
    @Test
    void whatElseChangedThereIsNamed() {
        SeriesView upright = skerry(Orientation.ZX);
        Diagnosis said = said(upright, Optional.of(Requirement.atLeast(24.0, "MPa", 5)));
        assertThat(lots.lot(said.earliest()).code()).isLessThanOrEqualTo("SK-0121");
        assertThat(lots.lot(said.latest()).code()).isGreaterThanOrEqualTo("SK-0121");

        LastingChanges.Found found = changes.of(ofTheDemo(upright, "SK-"));
        assertThat(found.seldom())
                .extracting(LastingChanges.Change::words)
                .contains("SK-0121: regrind 12 % (before: 5 %)");
        assertThat(found.often()).contains("fibre lot, 9 times");
    }

    /** The demo's other stories: Curlew's other light engine, and Dunlin's worn die that makes the strand oval. */
    @Test
    void theStoriesOfTheOtherProductsAreFound() {
        assertThat(story("CW-0020", "tension-strength", "CW-")).startsWith("Another level since CW-0018");
        // The die was changed while DN-0047 ran: it is the last of the old or the first of the new, as its log is read.
        assertThat(story("DN-0050", "ovality", "DN-")).matches("Another level since DN-004[78]: .* higher than .*");
    }

    private String story(String lot, String property, String code) {
        return series.ofProduct(lots.named(lot).productId()).stream()
                .filter(one -> one.property().id().contains(property))
                .map(one -> Map.entry(one, ofTheDemo(one, code)))
                .max(Comparator.comparingInt(entry -> entry.getValue().size()))
                .flatMap(entry -> diagnoses.of(entry.getKey(), entry.getValue(), Optional.empty()))
                .orElseThrow()
                .headline();
    }

    /** Its flat strength has no story: what is looked for everywhere is not found everywhere. */
    @Test
    void ofASeriesWithoutAStoryNoneIsTold() {
        Diagnosis said = said(skerry(Orientation.XY), Optional.empty());

        assertThat(said.headline()).startsWith("No single change stands out of chance");
        assertThat(said.earliest()).isNull();
    }

    /** Where a change may have begun is bracketed over the chart as far as those lots are in sight, and only then. */
    @Test
    void whereItMayHaveBegunIsBracketed() {
        for (SeriesView one : series.ofProduct(lots.named("SK-0130").productId())) {
            DriftView view = charts.view(one.id(), null);
            Long latest = view.diagnosis() == null ? null : view.diagnosis().latest();
            boolean inSight =
                    latest != null && view.lotCodes().contains(lots.lot(latest).code());
            boolean there =
                    view.means().brackets().stream().anyMatch(b -> b.label().equals("may have begun here, 95 %"));

            assertThat(there).as(one.title()).isEqualTo(inSight);
        }
    }
}
