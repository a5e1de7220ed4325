package org.ysometron.core.claim;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.IntPredicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** From a pair of bounds to a verdict and the sentence that says it; the same for every kind of claim. */
final class Conclusion {

    /** Beyond this many further specimens the answer is that more testing is not the way. */
    static final int MOST_MORE = 200;

    private static final String SPECIMEN = "specimen";

    private Conclusion() {}

    /**
     * What was asked.
     *
     * @param claim the promise
     * @param looks how often it may be judged
     * @param n specimens that count now, as the claim's minimum counts them
     * @param size the same as the looks count them: both sides of a ratio together
     * @param counted what n counts, in a word: a specimen, a spool
     * @param measured what more of would settle it, in a word: a specimen, a place
     */
    record Asked(Requirement claim, Looks looks, int n, int size, String counted, String measured) {

        static Asked ofSpecimens(Requirement claim, Looks looks, int n, int size) {
            return new Asked(claim, looks, n, size, SPECIMEN, SPECIMEN);
        }

        /** The confidence of this look. */
        double confidence() {
            return looks.confidence(claim.confidence(), size);
        }

        boolean enough() {
            return n >= claim.minimumN();
        }

        /** Looks after this one; a look that could not have supported the claim costs nothing. */
        Looks next() {
            int[] before = Arrays.stream(looks.earlier())
                    .filter(earlier -> earlier < size)
                    .toArray();
            if (!enough() || size < 2) {
                return new Looks(looks.planned(), before);
            }
            int[] all = Arrays.copyOf(before, before.length + 1);
            all[before.length] = size;
            return new Looks(looks.planned(), all);
        }

        /** The confidence that a look at more specimens will have; judged once, it would have been this one's. */
        double confidenceAt(int more) {
            return looks.planned() == 1 ? claim.confidence() : next().confidence(claim.confidence(), more);
        }

        boolean mayLookAgain() {
            return looks.planned() == 1 || !next().isUnplanned(size + 1);
        }

        Working working() {
            return looks.planned() == 1 ? Working.NONE : Working.of(looks.step(claim.confidence(), size));
        }
    }

    /**
     * The figures of a verdict.
     *
     * @param subject what the bounds are of, in words
     * @param lower lower one-sided bound
     * @param upper upper one-sided bound
     * @param chance how the probability was worked out, in words
     */
    record Figured(
            String subject,
            double mean,
            OptionalDouble sd,
            double lower,
            double upper,
            double probability,
            String chance,
            Working working) {}

    /**
     * How many more specimens are expected to settle it.
     *
     * @param specimens at least 1
     * @param likely probability that they do, if mean and scatter are what they seem; empty where nobody worked it out
     */
    record More(int specimens, OptionalDouble likely) {}

    /** @param more asked only where the claim stays open and specimens could settle it */
    static Judgement of(Asked asked, Evidence evidence, Figured figured, Supplier<Optional<More>> more) {
        Requirement claim = asked.claim();
        boolean borne = claim.isBorne(figured.lower(), figured.mean(), figured.upper());
        boolean outside = claim.isDenied(figured.lower(), figured.mean(), figured.upper());
        Verdict verdict = outside ? Verdict.CONTRADICTED : borne && asked.enough() ? Verdict.SUPPORTED : Verdict.OPEN;
        Optional<More> wanted = verdict == Verdict.OPEN ? wanted(asked, borne, more) : Optional.empty();
        Working working = figured.working()
                .then(comparison(claim, figured))
                .then(Step.of(
                        "probability that the true value meets the claim",
                        "p",
                        figured.chance(),
                        figured.probability(),
                        "JCGM 106:2012, clause 7; no prior knowledge"));
        return judged(
                verdict, reason(verdict, asked, figured, borne, wanted), asked, evidence, figured, wanted, working);
    }

    /** A judgement with all its figures. */
    static Judgement judged(
            Verdict verdict,
            String reason,
            Asked asked,
            Evidence evidence,
            Figured figured,
            Optional<More> more,
            Working working) {
        return new Judgement(
                verdict,
                reason,
                asked.n(),
                evidence.unsettled(),
                evidence.excluded(),
                OptionalDouble.of(figured.mean()),
                figured.sd(),
                OptionalDouble.of(figured.lower()),
                OptionalDouble.of(figured.upper()),
                asked.confidence(),
                OptionalDouble.of(figured.probability()),
                more.map(found -> OptionalInt.of(found.specimens())).orElse(OptionalInt.empty()),
                working);
    }

    private static Optional<More> wanted(Asked asked, boolean borne, Supplier<Optional<More>> more) {
        int missing = Math.max(asked.claim().minimumN() - asked.n(), 0);
        if (borne) {
            return Optional.of(new More(missing, OptionalDouble.empty()));
        }
        return asked.mayLookAgain()
                ? more.get()
                        .map(found -> found.specimens() >= missing ? found : new More(missing, OptionalDouble.empty()))
                : Optional.empty();
    }

    private static String reason(Verdict verdict, Asked asked, Figured figured, boolean borne, Optional<More> more) {
        Requirement claim = asked.claim();
        String level = level(asked);
        if (claim.guard() == GuardBand.NONE && verdict != Verdict.OPEN) {
            return "As measured, without a guard band, the " + figured.subject() + " is " + with(figured.mean(), claim)
                    + "; claimed " + claim.words() + ". " + level + " it lies between " + with(figured.lower(), claim)
                    + " and " + with(figured.upper(), claim) + ".";
        }
        return switch (verdict) {
            case SUPPORTED -> level + " " + span(claim, figured) + "; claimed " + claim.words() + ".";
            case CONTRADICTED -> {
                boolean low = claim.lower().isPresent()
                        && figured.upper() < claim.lower().getAsDouble();
                yield level + " the " + figured.subject() + " lies "
                        + (low ? "below " + with(figured.upper(), claim) : "above " + with(figured.lower(), claim))
                        + "; claimed " + claim.words() + ".";
            }
            default ->
                borne && !asked.enough()
                        ? "n = " + asked.n() + " is below the claim's minimum of " + claim.minimumN() + ": "
                                + more(more.map(More::specimens).orElse(0), asked.counted())
                                + ". So far it points the right way."
                        : "The claim (" + claim.words() + ") lies between the bounds " + with(figured.lower(), claim)
                                + " and " + with(figured.upper(), claim) + ". " + further(asked, more);
        };
    }

    /** "With 95 % confidence", and of which look where more than one was planned. */
    static String level(Asked asked) {
        String whole = "With " + Figures.plain(100 * asked.claim().confidence(), 3) + " % confidence";
        return asked.looks().planned() == 1
                ? whole
                : whole + " over " + asked.looks().planned() + " planned looks ("
                        + Figures.decimals(100 * asked.confidence(), 1) + " % at this one)";
    }

    private static String further(Asked asked, Optional<More> more) {
        if (!asked.mayLookAgain()) {
            return "No further look was planned: more of this set would settle nothing.";
        }
        if (more.isEmpty()) {
            return "More " + asked.measured() + "s are not expected to settle it.";
        }
        OptionalDouble likely = more.get().likely();
        String odds = likely.isEmpty()
                ? ""
                : " (" + Figures.decimals(100 * likely.getAsDouble(), 0)
                        + " % likely, if mean and scatter are what they seem)";
        String once = asked.looks().planned() == 1 && asked.enough()
                ? ", as a look planned before the first result; judged again at the same level they prove less"
                : "";
        return more(more.get().specimens(), asked.measured()) + " should settle it" + odds + once + ".";
    }

    private static String more(int more, String what) {
        return more + " more " + what + (more == 1 ? "" : "s");
    }

    private static String span(Requirement claim, Figured figured) {
        if (claim.lower().isPresent() && claim.upper().isPresent()) {
            return "the " + figured.subject() + " lies between " + with(figured.lower(), claim) + " and "
                    + with(figured.upper(), claim);
        }
        return claim.lower().isPresent()
                ? "the " + figured.subject() + " lies above " + with(figured.lower(), claim)
                : "the " + figured.subject() + " lies below " + with(figured.upper(), claim);
    }

    private static Step comparison(Requirement claim, Figured figured) {
        return Step.note(
                "comparison",
                "bounds " + with(figured.lower(), claim) + " to " + with(figured.upper(), claim) + "; claimed "
                        + claim.words());
    }

    /** The fewest further specimens that would do, halving what is left: what many settle, more of them settle as well. */
    static OptionalInt fewest(IntPredicate settled) {
        int few = 0;
        int enough = MOST_MORE;
        if (!settled.test(enough)) {
            return OptionalInt.empty();
        }
        while (enough - few > 1) {
            int middle = (few + enough) / 2;
            if (settled.test(middle)) {
                enough = middle;
            } else {
                few = middle;
            }
        }
        return OptionalInt.of(enough);
    }

    // ---- without bounds ------------------------------------------------------------------------------------------

    /** One specimen says nothing of its scatter. */
    static Judgement single(Requirement claim, Evidence evidence, Summary summary, Working working) {
        int wanted = Math.max(claim.minimumN(), 2) - 1;
        return new Judgement(
                Verdict.OPEN,
                "One specimen has no scatter of its own; " + more(wanted, SPECIMEN) + " at least.",
                1,
                0,
                evidence.excluded(),
                OptionalDouble.of(summary.mean()),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                0,
                OptionalDouble.empty(),
                OptionalInt.of(wanted),
                working);
    }

    static Judgement open(String reason, int n, int bounds, int excluded) {
        OptionalDouble none = OptionalDouble.empty();
        return new Judgement(
                Verdict.OPEN,
                reason,
                n,
                bounds,
                excluded,
                none,
                none,
                none,
                none,
                0,
                none,
                OptionalInt.empty(),
                Working.of(Step.note("not worked out", reason)));
    }

    // ---- what is judged again ------------------------------------------------------------------------------------

    /** Values that do not differ, read by what is said to err by nothing, prove nothing: the gauge's step is what is missing. */
    static Judgement asked(Judgement judgement, double relativeUncertainty) {
        return relativeUncertainty <= Summary.ALIKE
                ? Verification.unsettled(
                        judgement,
                        "All values are alike and no uncertainty is known",
                        "values that do not scatter need the resolution of what read them")
                : judgement;
    }

    /** A look that nobody planned points somewhere and settles nothing in the claim's favour. */
    static Judgement looked(Asked asked, Judgement judgement) {
        return asked.looks().isUnplanned(asked.size()) && judgement.verdict() == Verdict.SUPPORTED
                ? Verification.unsettled(
                        judgement,
                        "Looked at more often than was planned",
                        "planned: " + asked.looks().planned() + "; a claim on the edge would pass too often")
                : judgement;
    }

    // ---- small parts ---------------------------------------------------------------------------------------------

    static Step meanStep(double[] values, Summary summary, String unit) {
        return new Step(
                "mean of " + summary.n() + (summary.n() == 1 ? " value" : " values"),
                "x̄",
                "x̄ = Σx/n",
                list(values),
                summary.mean(),
                unit,
                "");
    }

    static Step sdStep(Summary summary, String unit) {
        return new Step(
                "standard deviation",
                "s",
                "s = √(Σ(x − x̄)²/(n − 1))",
                "",
                summary.sd().orElseThrow(),
                unit,
                "ISO 2602");
    }

    static String list(double[] values) {
        String shown = Arrays.stream(values)
                .limit(100)
                .mapToObj(value -> Figures.significant(value, 4))
                .collect(Collectors.joining("; "));
        return values.length > 100 ? shown + "; … (" + values.length + ")" : shown;
    }

    static String list(Evidence evidence) {
        return list(DoubleStream.concat(Arrays.stream(evidence.values()), Arrays.stream(evidence.bounds()))
                .toArray());
    }

    static String with(double value, Requirement claim) {
        return Figures.withUnit(value, 4, claim.unit());
    }
}
