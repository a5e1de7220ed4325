package org.ysometron.app.lot;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Cause;

/** What a decision ordered to be done again: a set tested once more, or work on the material. The rule comes before the result. */
@Component
public class Remedies {

    private final RemedyRepository remedies;
    private final Lots lots;
    private final Clock clock;

    Remedies(RemedyRepository remedies, Lots lots, Clock clock) {
        this.remedies = remedies;
        this.lots = lots;
        this.clock = clock;
    }

    /** What is done. */
    public enum Kind {
        RETEST("test again"),
        REDRY("dry the material again"),
        REGRIND("change the share of regrind"),
        RELABEL("label again");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The work in words. */
        public String words() {
            return words;
        }

        /** Whether what was tested before it says nothing of the material after it. */
        public boolean changesMaterial() {
            return this == REDRY || this == REGRIND;
        }
    }

    /** Which result counts after a retest; fixed before the new one is seen. */
    public enum Rule {
        NEW_COUNTS("the new set counts; the first has an assignable cause and is shown beside it"),
        WORSE_COUNTS("the worse of the two counts");

        private final String words;

        Rule(String words) {
            this.words = words;
        }

        /** The rule in words. */
        public String words() {
            return words;
        }
    }

    /** An order as it was given. */
    public record RemedyView(
            long lotId,
            Kind kind,
            @Nullable Long setId,
            @Nullable Cause cause,
            Rule rule,
            String reason,
            String by,
            Instant at) {}

    /** Orders a retest of the terms of a set; its cause is stated before the new result exists. */
    @Write
    public void retest(LotView lot, long setId, @Nullable Cause cause, @Nullable Rule rule, String reason, String by) {
        lots.lockUndecided(lot.id());
        if (lots.specimens(lot.id()).stream().noneMatch(specimen -> specimen.setId() == setId)) {
            throw new NotFound("set " + setId + " of lot " + lot.code());
        }
        if (rule == null) {
            throw new Refusal("rule", "Say now which result will count; afterwards is too late.");
        }
        if (cause == null && rule == Rule.NEW_COUNTS) {
            throw new Refusal("cause", "A new set replaces the first only with an assignable cause.");
        }
        store(lot, Kind.RETEST, setId, cause, rule, reason, by);
    }

    /** Orders work on the material or its labels. */
    @Write
    public void rework(LotView lot, Kind kind, String reason, String by) {
        lots.lockUndecided(lot.id());
        if (kind == Kind.RETEST) {
            throw new Refusal("kind", "Say what is worked on.");
        }
        store(lot, kind, null, null, Rule.NEW_COUNTS, reason, by);
    }

    private void store(
            LotView lot, Kind kind, @Nullable Long setId, @Nullable Cause cause, Rule rule, String reason, String by) {
        Remedy row = new Remedy();
        row.lotId = lot.id();
        row.kind = kind;
        row.setId = setId;
        row.cause = cause == null ? "" : cause.name();
        row.rule = rule;
        row.reason = Reasons.require("reason", reason, "The reason", 600);
        row.orderedBy = by;
        row.orderedAt = clock.instant();
        remedies.save(row);
    }

    /** Orders given for several lots, in order. */
    public List<RemedyView> of(Collection<Long> lotIds) {
        return remedies.findByLotIdInOrderById(lotIds).stream()
                .map(row -> new RemedyView(
                        row.lotId,
                        row.kind,
                        row.setId,
                        row.cause.isEmpty() ? null : Cause.valueOf(row.cause),
                        row.rule,
                        row.reason,
                        row.orderedBy,
                        row.orderedAt))
                .toList();
    }
}
