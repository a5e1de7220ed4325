package org.ysometron.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.gate.Decisions;
import org.ysometron.app.intake.Logs;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.plan.Due;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.product.Products;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.dimension.DiameterLogFile;
import org.ysometron.core.gate.Block;

/** The stories hidden in the demo's other products; the generators know the truth, the application must find it. */
class StoriesTest extends DemoSite {

    @Autowired
    private Products products;

    @Autowired
    private Plans plans;

    @Autowired
    private Due due;

    @Autowired
    private Logs logs;

    @Autowired
    private Signals signals;

    @Autowired
    private Decisions decisions;

    @Autowired
    private Judgements judgements;

    private static DiameterLog.Result logged(int lot) throws Exception {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        DiameterLogFile.read(DunlinTruth.log(lot), log::accept);
        return log.finish();
    }

    @Test
    void theDieChangeIsFoundWithinItsLot() throws Exception {
        DiameterLog.Result before = logged(DunlinTruth.DIE_CHANGED - 1);
        DiameterLog.Result during = logged(DunlinTruth.DIE_CHANGED);

        assertThat(before.ovalityStep()).isEmpty();
        assertThat(during.ovalityStep().orElseThrow().at()).isCloseTo(DunlinTruth.changedAt(), within(500.0));
        assertThat(during.ovalityStep().orElseThrow().change())
                .isCloseTo(DunlinTruth.OVALITY_AFTER - DunlinTruth.OVALITY_BEFORE, within(0.002));
        assertThat(during.wobble().orElseThrow().wavelength()).isCloseTo(DunlinTruth.WHEEL, within(5.0));
        assertThat(during.wobble().orElseThrow().amplitude()).isCloseTo(DunlinTruth.WHEEL_REACH, within(0.0006));
    }

    @Test
    void theStepOfTheOvalityIsSeenFromLotToLot() {
        LotView after = lots.named("DN-0049");
        LotView before = lots.named("DN-0045");

        assertThat(logs.of(after.id()).get(0).ovalityMean()).isCloseTo(DunlinTruth.OVALITY_AFTER, within(0.001));
        assertThat(signals.of(List.of(after)).get(after.id()))
                .anyMatch(signal -> signal.title().startsWith("Filament ovality")
                        && signal.words().contains("beyond the upper limit"));
        assertThat(signals.of(List.of(before)).getOrDefault(before.id(), List.of()))
                .noneMatch(signal -> signal.title().startsWith("Filament ovality"));
    }

    /** M8 and M17 in the demo: the wet spool and the label that promises more than the datasheet. */
    @Test
    void theWetSpoolAndTheBoldLabelAreHeldBack() {
        assertThat(decisions.blocks(lots.named("SS-0014")))
                .anyMatch(block -> block.kind() == Block.Kind.MATERIAL_STATE);
        assertThat(decisions.blocks(lots.named("DN-0050")))
                .anyMatch(block -> block.kind() == Block.Kind.PUBLICATION_CONFLICT);
    }

    /** What the new datasheet of Dunlin promises: as strong across as along, which holds, and a tenth more annealed, which does not. */
    @Test
    void theNewDatasheetOfDunlinHoldsForOneOfTwo() {
        LotView lot = lots.named("DN-0053");
        assertThat(judgements.details(lot))
                .filteredOn(detail -> detail.claim().property().isRatio())
                .extracting(detail -> detail.claim().property().ratio(), detail -> detail.judgement()
                        .verdict())
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple(Ratio.ALONG_ACROSS, Verdict.SUPPORTED),
                        org.assertj.core.groups.Tuple.tuple(Ratio.TREATED_REFERENCE, Verdict.CONTRADICTED));
        assertThat(judgements.details(lots.named("DN-0050")))
                .noneMatch(detail -> detail.claim().property().isRatio());
    }

    /** The slate of a new masterbatch: weaker than the natural where layers meet, and not along them. */
    @Test
    void theSlateIsWeakerUprightAndNotFlat() {
        LotView slate = lots.named("SS-0013");
        assertThat(strength(slate, "ZX")).isLessThan(0.85 * strength(lots.named("SK-0110"), "ZX"));
        assertThat(strength(slate, "XY")).isCloseTo(strength(lots.named("SK-0110"), "XY"), withinPercentage(5));
        assertThat(slate.state()).isEqualTo(LotState.REJECTED);
        assertThat(judgements.details(slate))
                .filteredOn(detail -> detail.claim().conditions().orientation() == Orientation.XY)
                .isNotEmpty()
                .allSatisfy(detail -> assertThat(detail.judgement().verdict()).isEqualTo(Verdict.SUPPORTED));
    }

    private double strength(LotView lot, String orientation) {
        return bench.records(lot.id()).stream()
                .filter(record -> record.specimen().label().startsWith(orientation))
                .mapToDouble(record -> record.result().orElseThrow().value().orElseThrow())
                .average()
                .orElseThrow();
    }

    /** The new light engine makes Curlew stronger: seen as a signal, not as a gift. */
    @Test
    void theNewLightEngineIsSeen() {
        LotView lot = lots.named("CW-0020");

        assertThat(signals.of(List.of(lot)).get(lot.id()))
                .anyMatch(signal -> signal.title().startsWith("Tensile strength")
                        && signal.words().contains("upper limit"));
    }

    /** The row by the door of the cure chamber stays colder: an effect of the place, seen by row and not by column. */
    @Test
    void theColdRowOfTheCureChamberIsFound() throws Exception {
        String page = http.perform(get("/lots/CW-0021/places")
                        .with(user("quality").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page)
                .containsPattern(
                        "rows, the same in every cycle: F = [0-9.]+ over 3 places and 12 specimens[^<]+suspected");
        assertThat(page).containsPattern("columns, the same in every cycle:[^<]+no effect of the place is seen");
    }

    @Test
    void thereIsALotInEveryStateAndAPlanForEveryProduct() {
        assertThat(lots.named("SK-0105").state()).isEqualTo(LotState.RELEASED);
        assertThat(lots.named("PL-0001").state()).isEqualTo(LotState.REJECTED);
        assertThat(lots.named("PL-0002").state()).isEqualTo(LotState.HELD);
        assertThat(lots.named("SK-0131").state()).isEqualTo(LotState.WAITING);
        assertThat(lots.named("SK-R01").state()).isEqualTo(LotState.RETAINED);
        assertThat(lots.specimens(lots.named("SK-0131").id())).isEmpty();
        assertThat(bench.records(lots.named("SK-0132").id())).hasSize(10).allMatch(record -> record.readings()
                .isEmpty());
        for (Products.ProductView product : products.all()) {
            if (Set.of("skerry-bf10", "dunlin-c2", "curlew-r70", "plover-f30").contains(product.code())) {
                assertThat(plans.newest(product.id())).as(product.name()).isPresent();
            }
        }
    }

    /** At least two lots have something to be done, whatever the hour and day on which the demo is loaded. */
    @Test
    void twoLotsAreDue() {
        assertThat(due.all().stream().map(Due.Item::lot).distinct()).hasSizeGreaterThanOrEqualTo(2);
    }
}
