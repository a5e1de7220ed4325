package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestProducts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Topic;

/** Ratios of two sets of one lot: along over across, treated over the reference treatment. 16 mm² and N give MPa. */
class RatiosTest extends DemoSite {

    private static final String ANNEALED = "annealed 2 h at 80 °C";
    private static final Characteristic STRENGTH = Methods.usual().data().main();

    @Autowired
    private Judgements judgements;

    @Autowired
    private SeriesPoints series;

    private final List<LotView> made = new ArrayList<>();

    private LotView lot(Ratio ratio, double atLeast, String process, String reference) {
        Conditions above = new Conditions(
                "tension",
                Basis.SOLID,
                Orientation.XY,
                Conditioning.DRY,
                5,
                SpecimenDesign.TENSION_BAR_4.title(),
                process);
        LotView lot = testProducts.lot(testProducts.claiming(TestProducts.claim(
                Topic.on(STRENGTH.over(ratio)),
                Form.AT_LEAST,
                OptionalDouble.empty(),
                OptionalDouble.of(atLeast),
                OptionalDouble.empty(),
                reference,
                above)));
        made.add(lot);
        return lot;
    }

    private void broken(LotView lot, Orientation orientation, String process, double... forces) {
        int before = bench.records(lot.id()).size();
        PlannedTest test = new PlannedTest(
                Methods.usual(),
                SpecimenDesign.TENSION_BAR_4,
                orientation,
                PlannedTest.Notch.NONE,
                Basis.SOLID,
                org.ysometron.core.claim.Build.NONE,
                Conditioning.DRY,
                5,
                forces.length,
                process);
        lots.addSet(
                lot.id(),
                Lots.NewSet.of(
                        UUID.randomUUID().toString(),
                        test,
                        forces.length,
                        1,
                        new Lots.Making(null, process, null, null)),
                "bench");
        List<SpecimenRecord> made = bench.records(lot.id()).subList(before, before + forces.length);
        for (int i = 0; i < forces.length; i++) {
            String label = made.get(i).specimen().label();
            bench.enterAll(
                    lot,
                    List.of(
                            testLots.width(label, 1, "4.00"),
                            testLots.thickness(label, 1, "4.00"),
                            new Bench.Entry(
                                    label,
                                    "force",
                                    1,
                                    String.valueOf(forces[i]),
                                    End.BROKE_IN_GAUGE,
                                    testLots.instrument(Methods.usual()),
                                    String.valueOf(forces[i]))),
                    "bench",
                    null);
        }
    }

    @org.junit.jupiter.api.AfterEach
    void nothingIsLeftWaiting() {
        away(made);
    }

    private Judgements.Detail judged(LotView lot) {
        return judgements.details(lot).get(0);
    }

    /** Along 884 N on average, across 800: 1.105. */
    @Test
    void alongOverAcross() {
        LotView lot = lot(Ratio.ALONG_ACROSS, 1.05, "", "");
        broken(lot, Orientation.XY, "", 880, 884, 890, 886, 880);
        assertThat(judged(lot).judgement().verdict()).isEqualTo(Verdict.NOT_TESTED);
        broken(lot, Orientation.YX, "", 800, 802, 798, 804, 796);
        assertThat(judged(lot).judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(judged(lot).judgement().mean()).hasValueCloseTo(1.105, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(judged(lot).claim().terms()).contains("XY flat over YX flat across");
        assertThat(bench.records(lot.id()).get(5).specimen().label()).isEqualTo("YX1");
        testLots.refresh(lot);
        assertThat(series.everyOf(lot.productId()))
                .anyMatch(view -> view.property().equals(STRENGTH.over(Ratio.ALONG_ACROSS)));
    }

    /** Annealed 960 N on average, as printed 800: 1.2; upright specimens count on neither side. */
    @Test
    void annealedOverAsPrinted() {
        LotView lot = lot(Ratio.TREATED_REFERENCE, 1.3, ANNEALED, "");
        broken(lot, Orientation.XY, ANNEALED, 960, 962, 958, 964, 956);
        broken(lot, Orientation.XY, "", 800, 802, 798, 804, 796);
        broken(lot, Orientation.ZX, "", 400, 402, 398);
        assertThat(judged(lot).judgement().verdict()).isEqualTo(Verdict.CONTRADICTED);
        assertThat(judged(lot).judgement().mean()).hasValueCloseTo(1.2, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(judged(lot).claim().terms()).contains(ANNEALED + " over no treatment");
        testLots.refresh(lot);
        assertThat(series.everyOf(lot.productId()))
                .anyMatch(view -> view.property().equals(STRENGTH.over(Ratio.TREATED_REFERENCE))
                        && view.conditions().process().equals(ANNEALED));
    }

    /** Where the claim names a reference treatment, specimens without any are none of its reference. */
    @Test
    void aNamedReferenceTreatmentIsTheOneThatCounts() {
        LotView lot = lot(Ratio.TREATED_REFERENCE, 1.1, ANNEALED, "dried 4 h at 60 °C");
        broken(lot, Orientation.XY, ANNEALED, 960, 962, 958, 964, 956);
        broken(lot, Orientation.XY, "", 700, 702, 698, 704, 696);
        assertThat(judged(lot).judgement().verdict()).isEqualTo(Verdict.NOT_TESTED);
        broken(lot, Orientation.XY, "dried 4 h at 60 °C", 800, 802, 798, 804, 796);
        assertThat(judged(lot).judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(judged(lot).judgement().mean()).hasValueCloseTo(1.2, org.assertj.core.data.Offset.offset(1e-9));
    }
}
