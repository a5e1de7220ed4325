package org.ysometron.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.gate.Decisions;
import org.ysometron.app.intake.Logs;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.dimension.DiameterLogFile;
import org.ysometron.core.gate.Block;

/** The stories hidden in the demo's other products; the generators know the truth, the application must find it. */
class StoriesTest extends DemoSite {

    @Autowired
    private Logs logs;

    @Autowired
    private Signals signals;

    @Autowired
    private Decisions decisions;

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
        assertThat(signals.of(List.of(after.id())).get(after.id()))
                .anyMatch(signal -> signal.title().startsWith("Filament ovality")
                        && signal.words().contains("beyond the upper limit"));
        assertThat(signals.of(List.of(before.id())).getOrDefault(before.id(), List.of()))
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

    /** The new light engine makes Curlew stronger: seen as a signal, not as a gift. */
    @Test
    void theNewLightEngineIsSeen() {
        LotView lot = lots.named("CW-0020");

        assertThat(signals.of(List.of(lot.id())).get(lot.id()))
                .anyMatch(signal -> signal.title().startsWith("Tensile strength")
                        && signal.words().contains("upper limit"));
    }
}
