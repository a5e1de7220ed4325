package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Methods;
import org.ysometron.core.statistics.Staircase;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;

/**
 * What a lot was tested for and its datasheet does not claim: told, and judged by nobody.
 *
 * @param title characteristic and orientation
 * @param terms of the test, with the set-up where one is known
 * @param found n, and mean with standard deviation, bounds or intervals
 */
public record Unclaimed(String title, String terms, String found) {

    /** What one set gave, characteristic by characteristic; those that a claim speaks of under its terms are left out. */
    static List<Unclaimed> of(LotEvidence set, List<Judgements.Detail> claimed) {
        List<Unclaimed> found = new ArrayList<>();
        List<Characteristic> tested = Methods.of(set.conditions().method())
                .map(method -> method.data().characteristics())
                .orElse(List.of());
        for (Characteristic one : tested) {
            boolean spoken = claimed.stream()
                    .anyMatch(detail -> detail.claim().property().equals(one)
                            && detail.claim().conditions().orientation()
                                    == set.conditions().orientation()
                            && detail.claim()
                                    .conditions()
                                    .method()
                                    .equals(set.conditions().method()));
            Evidence evidence = set.evidence(one, Optional.empty());
            if (!spoken && evidence.isTouched()) {
                Orientation orientation = set.conditions().orientation();
                found.add(new Unclaimed(
                        orientation.words().isEmpty() ? one.title() : one.title() + ", " + orientation.words(),
                        set.conditions().words()
                                + (set.setup().isNone()
                                        ? ""
                                        : ", " + set.setup().words()),
                        words(one, evidence)));
            }
        }
        return found;
    }

    private static String words(Characteristic one, Evidence evidence) {
        List<String> parts = new ArrayList<>();
        if (evidence.values().length > 0) {
            Summary summary = Summary.of(evidence.values());
            parts.add("n = " + evidence.values().length + ", mean " + with(summary.mean(), one)
                    + (summary.sd().isPresent() && evidence.values().length > 1
                            ? ", s " + Figures.significant(summary.sd().getAsDouble(), 2)
                            : ""));
        }
        Optional<Staircase> staircase = evidence.staircase();
        if (staircase.isPresent()) {
            parts.add(steps(staircase.get(), evidence, one));
        } else {
            for (double bound : evidence.bounds()) {
                parts.add("at least " + with(bound, one));
            }
            for (Evidence.Interval interval : evidence.intervals()) {
                parts.add(
                        Double.isInfinite(interval.low())
                                ? "at most " + with(interval.high(), one)
                                : Figures.significant(interval.low(), one.digits()) + " to "
                                        + with(interval.high(), one));
            }
        }
        if (evidence.excluded() > 0) {
            parts.add(evidence.excluded() + " kept and not counted");
        }
        return String.join("; ", parts);
    }

    private static String steps(Staircase steps, Evidence evidence, Characteristic one) {
        double confidence = Staircase.LEAST_CONFIDENCE;
        return "n = " + evidence.n() + " in steps, " + evidence.bounds().length + " held and "
                + evidence.intervals().size() + " did not: mean of the staircase " + with(steps.mean(), one)
                + (steps.isBounded(confidence)
                        ? ", above " + with(steps.lower(confidence), one) + " and below "
                                + with(steps.upper(confidence), one) + " with 95 % confidence each"
                        : ", too few for bounds");
    }

    private static String with(double value, Characteristic one) {
        return Figures.withUnit(value, one.digits(), one.unit());
    }
}
