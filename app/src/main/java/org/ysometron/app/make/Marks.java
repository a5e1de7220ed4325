package org.ysometron.app.make;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Methods;

/** Tests that run for days: when they were begun, read and done. */
@Component
public class Marks {

    private final MarkRepository marks;
    private final Lots lots;

    Marks(MarkRepository marks, Lots lots) {
        this.marks = marks;
        this.lots = lots;
    }

    /** What happened. */
    public enum Kind {
        BEGUN("begun"),
        READ("read"),
        DONE("done");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The event in a word. */
        public String words() {
            return words;
        }
    }

    /** A mark. */
    public record MarkView(long specimenId, Kind kind, String words, LocalDateTime at, String by) {}

    /** Sets a mark on specimens. */
    @Write
    public void set(LotView lot, List<String> specimens, Kind kind, String words, LocalDateTime at, String by) {
        lots.lockUndecided(lot.id());
        if (specimens.isEmpty()) {
            throw new Refusal("marked", "Say which specimens, for example XY6 XY7.");
        }
        lots.requireMadeBy("marked", lot, at, "The test");
        for (String name : specimens) {
            SpecimenView specimen = lots.specimen(lot, name);
            boolean lasts = Methods.of(specimen.conditions().method())
                    .filter(method -> method.data().days() > 0)
                    .isPresent();
            if (!lasts) {
                throw new Refusal("marked", specimen.label() + " is tested at the bench: enter its readings there.");
            }
            Mark mark = new Mark();
            mark.specimenId = specimen.id();
            mark.kind = kind;
            mark.words = words;
            mark.markedAt = at;
            mark.enteredBy = by;
            marks.save(mark);
        }
    }

    /** Marks of several specimens, by specimen, in order. */
    @Transactional(readOnly = true)
    public Map<Long, List<MarkView>> of(Collection<Long> specimens) {
        Map<Long, List<MarkView>> bySpecimen = new HashMap<>();
        for (Mark mark : marks.findBySpecimenIdInOrderByMarkedAtAscIdAsc(specimens)) {
            bySpecimen
                    .computeIfAbsent(mark.specimenId, id -> new ArrayList<>())
                    .add(new MarkView(mark.specimenId, mark.kind, mark.words, mark.markedAt, mark.enteredBy));
        }
        return bySpecimen;
    }
}
