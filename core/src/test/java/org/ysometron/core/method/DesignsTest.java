package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.ysometron.core.dimension.Narrowest;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.plan.PlannedTest;

class DesignsTest {

    private static final Method TENSION = Methods.of("tension").orElseThrow();

    private static SpecimenDesign holed(String name, int revision, String formula) {
        return new SpecimenDesign(
                name,
                "bar with a hole 3 mm, rev " + revision,
                SpecimenDesign.Shape.RECTANGLE,
                10,
                4,
                150,
                5900,
                false,
                SpecimenDesign.BENDING_BAR.outline(),
                Optional.of(new SpecimenDesign.Own(
                        Set.of("tension"), Optional.of(Narrowest.of(formula)), "wedge grips, the hole in the middle")));
    }

    @Test
    void whatASiteAddsIsPlannedForItsMethodsAndNoOthers() {
        SpecimenDesign first = holed("OWN_T1", 1, "(w - 3) * t");
        Designs.add(first);
        Designs.add(first);
        assertThat(Designs.of(TENSION))
                .startsWith(TENSION.data().designs().get(0))
                .contains(first);
        assertThat(Designs.named("OWN_T1")).contains(first);
        assertThat(Designs.fits(Methods.of("torsion").orElseThrow(), first)).isFalse();
        assertThat(first.nominalArea()).isEqualTo(28);
        assertThat(PlannedTest.Specimen.titled(TENSION, "Bar with a hole 3 mm, rev 1"))
                .map(PlannedTest.Specimen::design)
                .contains(first);
        assertThatThrownBy(() -> Designs.add(holed("OWN_T1", 1, "w * t"))).hasMessageContaining("another design");
        assertThatThrownBy(() -> Designs.add(SpecimenDesign.HOOK)).hasMessageContaining("no design of a site");
    }

    /** M53: a revision is a specimen of its own. */
    @Test
    void m53ARevisionIsNeverComparedWithTheOneBefore() {
        SpecimenDesign first = holed("OWN_T2", 1, "(w - 3) * t");
        SpecimenDesign second = holed("OWN_T3", 2, "(w - 3) * t");
        assertThat(new PlannedTest.Specimen(first, PlannedTest.Notch.NONE).title())
                .isNotEqualTo(new PlannedTest.Specimen(second, PlannedTest.Notch.NONE).title());
    }

    @Test
    void aWithdrawnDesignIsReadAndNotOffered() {
        SpecimenDesign gone = holed("OWN_T4", 7, "(w - 3) * t");
        Designs.add(gone);
        assertThat(Designs.offered()).contains(gone);
        Designs.withdraw("OWN_T4");
        assertThat(Designs.offered()).doesNotContain(gone);
        assertThat(Designs.all()).contains(gone);
    }

    @Test
    void aMethodNeedsTheSizesThatItReads() {
        SpecimenDesign flat = holed("OWN_T5", 1, "w * t");
        assertThat(Designs.hindrance(Methods.of("torsion").orElseThrow(), flat))
                .hasValueSatisfying(why -> assertThat(why).contains("diameter").contains("rectangular"));
        assertThat(Designs.hindrance(TENSION, flat)).isEmpty();
        assertThat(Designs.hindrance(Methods.of("strand-brittleness").orElseThrow(), flat))
                .hasValueSatisfying(why -> assertThat(why).contains("nothing that is printed"));
    }

    @Test
    void aDesignThatCannotBeIsRefused() {
        assertThatThrownBy(() -> holed("OWN_T6", 1, "(w - 10) * t")).hasMessageContaining("comes to 0");
        assertThatThrownBy(() -> new SpecimenDesign(
                        "OWN_T7",
                        "bar without revision",
                        SpecimenDesign.Shape.RECTANGLE,
                        10,
                        4,
                        150,
                        5900,
                        false,
                        "",
                        Optional.empty()))
                .hasMessageContaining("revision");
        assertThatThrownBy(() -> new SpecimenDesign(
                        "OWN_T8",
                        "bar, rev 1",
                        SpecimenDesign.Shape.RECTANGLE,
                        Double.NaN,
                        4,
                        150,
                        5900,
                        false,
                        "",
                        Optional.empty()))
                .hasMessageContaining("width");
    }
}
