package org.ysometron.app.evidence;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.Remedies.Kind;
import org.ysometron.app.lot.Remedies.RemedyView;
import org.ysometron.app.lot.Remedies.Rule;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.claim.Conditions;

/**
 * Which round of testing each specimen belongs to: those written down after a retest of their terms was ordered are another
 * round, never averaged with the one before.
 */
record Rounds(Map<Long, Round> bySpecimen) {

    /** Every specimen belongs to the first round. */
    static final Rounds NONE = new Rounds(Map.of());

    /**
     * A round.
     *
     * @param number 0 for the first
     * @param aside why its results are set aside; empty where they speak
     * @param worseCounts whether the worse of the rounds counts
     */
    record Round(int number, String aside, boolean worseCounts) {

        static final Round FIRST = new Round(0, "", false);
    }

    static Rounds of(List<SpecimenRecord> records, List<RemedyView> remedies) {
        if (remedies.isEmpty()) {
            return NONE;
        }
        Map<Long, Conditions> terms = new HashMap<>();
        records.forEach(
                record -> terms.put(record.specimen().setId(), record.specimen().conditions()));
        Map<Long, Round> rounds = new HashMap<>();
        for (SpecimenRecord record : records) {
            Round round = Round.FIRST;
            for (RemedyView remedy : remedies) {
                round = after(remedy, record.specimen(), terms, round);
            }
            rounds.put(record.specimen().id(), round);
        }
        return new Rounds(rounds);
    }

    private static Round after(RemedyView remedy, SpecimenView specimen, Map<Long, Conditions> terms, Round round) {
        boolean earlier = !specimen.enteredAt().isAfter(remedy.at());
        if (remedy.kind().changesMaterial() && earlier) {
            return new Round(round.number, "tested before: " + remedy.kind().words(), round.worseCounts);
        }
        boolean concerned = remedy.kind() == Kind.RETEST
                && remedy.setId() != null
                && specimen.conditions().equals(terms.get(remedy.setId()));
        if (!concerned) {
            return round;
        }
        boolean worse = remedy.rule() == Rule.WORSE_COUNTS;
        if (!earlier) {
            return new Round(round.number + 1, round.aside, worse);
        }
        String cause =
                remedy.cause() == null ? "" : ", cause: " + remedy.cause().words();
        return new Round(round.number, worse ? round.aside : "set aside by a retest" + cause, worse);
    }

    Round of(SpecimenView specimen) {
        return bySpecimen.getOrDefault(specimen.id(), Round.FIRST);
    }
}
