package org.ysometron.app.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;

/** Dimensions and fit come first: what failed its gate stops the set before it is broken, unless an engineer gave a word. */
@Component
public class SizeGate {

    private final Intake intake;

    SizeGate(Intake intake) {
        this.intake = intake;
    }

    /** What stops a lot: key of the record and its failure in words. */
    public record Stop(String subject, String words) {}

    /** What stops each lot, words of judgement or not; a lot that nothing stops is left out. */
    @Transactional(readOnly = true)
    public Map<Long, List<Stop>> stops(Collection<LotView> wanted) {
        Map<Long, List<Stop>> stops = new HashMap<>();
        for (Intake.RecordView record : intake.records(wanted, Set.of(RecordKind.ARTEFACT, RecordKind.FIT))) {
            if (record.live()) {
                failure(record).forEach(failure -> stops.computeIfAbsent(record.lotId(), id -> new ArrayList<>())
                        .add(new Stop("record-" + record.id(), failure)));
            }
        }
        return stops;
    }

    /** What the newest artefact of a lot says of a thread that is tight; empty where none was measured. */
    @Transactional(readOnly = true)
    public Optional<String> whyTight(LotView lot) {
        return intake.records(List.of(lot), Set.of(RecordKind.ARTEFACT)).stream()
                .filter(Intake.RecordView::live)
                .flatMap(record -> record.reduced() instanceof Reduced.Sizes sizes
                        ? Stream.of("Artefact on " + sizes.printer() + ". "
                                + sizes.result().whyTight())
                        : Stream.empty())
                .reduce((earlier, later) -> later);
    }

    private static List<String> failure(Intake.RecordView record) {
        if (record.reduced() instanceof Reduced.Sizes sizes && !sizes.result().passes()) {
            return sizes.facts().stream()
                    .filter(Reduced.Fact::loud)
                    .map(fact -> "Artefact on " + sizes.printer() + ": " + fact.value())
                    .toList();
        }
        if (record.reduced() instanceof Reduced.Fitted fitted && !fitted.passes()) {
            return List.of("Fit check, " + fitted.feature() + ": no-go");
        }
        return List.of();
    }
}
