package org.ysometron.app.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.line.Lines;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.reading.Field;

/** The instruments of the demo's bench: their numbers in the register, where they are listened to, and what they would find. */
@Component
class StandInBench {

    private static final Logger LOG = LoggerFactory.getLogger(StandInBench.class);

    /** Numbers of the stand-ins in the order of their ports, with what they are in the register. */
    private static final Map<String, String> NUMBERS = new LinkedHashMap<>();

    static {
        NUMBERS.put("CL-0417", "calipers 1");
        NUMBERS.put("FG-0203", "hook gauge");
        NUMBERS.put("PT-0009", "bench load cell");
        NUMBERS.put("TQ-0031", "torque gauge");
        NUMBERS.put("PD-0002", "hammer of 4 J");
        NUMBERS.put("BL-0118", "balance 1");
        NUMBERS.put("TH-0044", "oven 1");
        NUMBERS.put("DG-0055", "diameter gauge");
    }

    private final Instruments instruments;
    private final Lines lines;
    private final Works works;
    private final boolean wanted;
    private final int firstPort;
    private final String truth;

    StandInBench(
            Instruments instruments,
            Lines lines,
            Works works,
            @Value("${ysometron.demo}") boolean wanted,
            @Value("${ysometron.stand-ins}") int firstPort,
            @Value("${ysometron.stand-in-truth}") String truth) {
        this.instruments = instruments;
        this.lines = lines;
        this.works = works;
        this.wanted = wanted;
        this.firstPort = firstPort;
        this.truth = truth;
    }

    /** Once everything else of the demo is there. */
    @EventListener(ApplicationReadyEvent.class)
    void connect() throws IOException {
        if (!wanted || firstPort == 0) {
            return;
        }
        List<String> places = new ArrayList<>();
        int port = firstPort;
        for (Map.Entry<String, String> one : NUMBERS.entrySet()) {
            instruments.all().stream()
                    .filter(known -> known.name().equals(one.getValue())
                            && known.serial().isEmpty())
                    .findFirst()
                    .ifPresent(known -> instruments.number(known.id(), one.getKey()));
            places.add("127.0.0.1:" + port++);
        }
        lines.only("line", places, "administrator");
        if (!truth.isEmpty()) {
            Files.write(Path.of(truth), rows(), StandardCharsets.UTF_8);
        }
        LOG.info("stand-ins are listened to from port {} on", firstPort);
    }

    /** What the specimens that are still to be tested truly are. */
    private List<String> rows() {
        List<String> rows = new ArrayList<>(List.of("specimen,field,value"));
        for (LotView lot : works.lots.undecided()) {
            for (SpecimenRecord record : works.bench.records(lot.id())) {
                if (!record.isTested()) {
                    rows.addAll(rows(lot, record));
                }
            }
        }
        return rows;
    }

    private List<String> rows(LotView lot, SpecimenRecord record) {
        SpecimenView specimen = record.specimen();
        String name = lot.code() + "-" + specimen.label();
        // The same each time the demo is started.
        Random chance = new Random(name.hashCode());
        Map<String, Double> known = new LinkedHashMap<>();
        for (Field field : record.method().data().sheet().of(Field.Role.SIZE)) {
            specimen.nominal(field.key()).ifPresent(nominal -> {
                double size = nominal + 0.012 * chance.nextGaussian();
                for (int place = 1; place <= field.places(); place++) {
                    known.put(field.key() + "-" + place, size + 0.006 * chance.nextGaussian());
                }
            });
        }
        Double width = known.get("width-1");
        Double thickness = known.get("thickness-1");
        if (record.method().data().id().equals("tension") && width != null && thickness != null) {
            boolean flat = specimen.conditions().orientation() == Orientation.XY;
            double strength = (flat ? SkerryTruth.FLAT_NOW : SkerryTruth.UPRIGHT_NOW) + 0.9 * chance.nextGaussian();
            known.put("force-1", strength * width * thickness);
            known.put("area", width * thickness);
            known.put(
                    "modulus",
                    (flat ? Recorder.FLAT_MODULUS : Recorder.UPRIGHT_MODULUS) * (1 + 0.01 * chance.nextGaussian()));
        }
        if (record.method().data().id().equals("heat-under-load")) {
            known.put("onset", 94 + 2 * chance.nextGaussian());
        }
        List<String> rows = new ArrayList<>();
        known.forEach((field, value) -> rows.add(String.format(Locale.ROOT, "%s,%s,%.5f", name, field, value)));
        return rows;
    }
}
