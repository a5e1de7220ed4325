package org.ysometron.core.claim;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.ysometron.core.working.Figures;

/**
 * How far inside a claim's edge a result must lie before it supports the claim, as a rule for accepting by what was measured.
 *
 * <p>With a band of g·u a claim is supported where the probability that the true value does not meet it, the specific consumer's risk, is at most that of g in the
 * distribution of the estimate, and contradicted where the probability that it does is no more than that. With no band the estimate alone decides, and on the edge
 * the risk is a half: simple acceptance, by which supplier and customer share it.
 *
 * <p>Source: JCGM 106:2012, clause 8.2 (simple acceptance) and 8.3 (guard bands); ISO 14253-1 for a band of U, k = 2 (its older edition) and of 1.645 u.
 */
public enum GuardBand {
    ONE_SIDED("1.645 u", 0.95),
    /** Two standard uncertainties: the normal distribution below 2, from printed tables. */
    EXPANDED("U, which is 2 u", 0.97725),
    NONE("none, as measured", 0.95);

    private final String words;
    private final double confidence;

    GuardBand(String words, double confidence) {
        this.words = words;
        this.confidence = confidence;
    }

    /** The band in words. */
    public String words() {
        return words;
    }

    /** One-sided confidence of the bounds that are shown with a verdict; they decide it unless the band is none. */
    public double confidence() {
        return confidence;
    }

    /** The verdict on an estimate that was judged once; empty where its probability was not worked out. */
    public Optional<Verdict> verdict(Requirement claim, Judgement judged) {
        if (judged.probability().isEmpty() || judged.mean().isEmpty() || judged.n() < claim.minimumN()) {
            return Optional.empty();
        }
        double probability = judged.probability().getAsDouble();
        boolean passes = this == NONE ? claim.holds(judged.mean().getAsDouble()) : probability >= confidence;
        boolean fails = this == NONE ? !passes : probability <= 1 - confidence;
        return Optional.of(passes ? Verdict.SUPPORTED : fails ? Verdict.CONTRADICTED : Verdict.OPEN);
    }

    /**
     * What accepting would risk, and what the bands would say, in a sentence; empty where there is no probability. A verdict that is open for another reason than
     * its band, such as a look that was paid for or specimens that do not count yet, is told apart from what the bands say.
     */
    public static Optional<String> beside(Requirement claim, Judgement judged) {
        List<String> said = new ArrayList<>();
        Set<Verdict> all = EnumSet.of(judged.verdict());
        boolean byBand = claim.guard().verdict(claim, judged).equals(Optional.of(judged.verdict()));
        for (GuardBand band : values()) {
            Optional<Verdict> verdict = band.verdict(claim, judged);
            verdict.ifPresent(all::add);
            verdict.filter(of -> !byBand || band != claim.guard())
                    .ifPresent(of -> said.add(band.words + ": " + of.words()));
        }
        if (said.isEmpty()) {
            return Optional.empty();
        }
        String others = all.size() == 1
                ? "by any other the verdict is the same"
                : (byBand ? "by another, judged once: " : "judged once, and with nothing else in the way: ")
                        + String.join("; ", said);
        return Optional.of("Accepted, it would be wrong with a probability of "
                + Figures.probability(1 - judged.probability().orElseThrow())
                + " (specific risk, JCGM 106). Guard band here: " + claim.guard().words + "; " + others + ".");
    }
}
