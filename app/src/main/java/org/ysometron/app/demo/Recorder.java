package org.ysometron.app.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.curve.Second;
import org.ysometron.app.curve.Uploads;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.reading.Readings;

/** The records that the invented test frame wrote beside what somebody typed from its display. */
@Component
class Recorder {

    static final double FLAT_MODULUS = 2900;
    static final double UPRIGHT_MODULUS = 2450;

    private final Bench bench;
    private final Uploads uploads;

    Recorder(Bench bench, Uploads uploads) {
        this.bench = bench;
        this.uploads = uploads;
    }

    /** Takes in what a displacement gauge wrote beside a bar that hung, and from which the load was taken off again. */
    void hung(LotView lot, SpecimenView bar, double hours, long gauge) {
        List<Uploads.Sent> sent =
                List.of(new Uploads.Sent(lot.code() + "-" + bar.label() + ".csv", new HungBar(hours).csv(bar.id())));
        long upload = uploads.stage(
                lot, new Uploads.Said("creep", Piece.By.EXTENSOMETER, Second.NONE, gauge, 0), sent, "bench");
        uploads.take(lot, upload, Map.of(), "bench");
    }

    /** Takes in the records of the tension bars of a lot that were broken. */
    void recorded(LotView lot, long gauge) {
        List<Uploads.Sent> sent = new ArrayList<>();
        for (SpecimenRecord record : bench.records(lot.id())) {
            if (!record.isTested() || !record.method().data().id().equals("tension")) {
                continue;
            }
            Readings read = record.read();
            boolean flat = record.specimen().conditions().orientation() == Orientation.XY;
            long seed = record.specimen().id();
            double modulus = (flat ? FLAT_MODULUS : UPRIGHT_MODULUS) * (1 + 0.01 * (seed % 5 - 2));
            PulledBar bar = new PulledBar(read.number("force"), read.section().area(), modulus);
            sent.add(new Uploads.Sent(lot.code() + "-" + record.specimen().label() + ".csv", bar.csv(seed)));
        }
        long upload = uploads.stage(
                lot, new Uploads.Said("tension", Piece.By.EXTENSOMETER, Second.CROSSHEAD, gauge, 0), sent, "bench");
        uploads.take(lot, upload, Map.of(), "bench");
    }
}
