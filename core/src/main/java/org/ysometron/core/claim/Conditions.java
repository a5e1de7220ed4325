package org.ysometron.core.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.method.Methods;
import org.ysometron.core.working.Figures;

/**
 * What makes a result comparable: a claim's own terms, or the terms under which evidence was made. One key of these is
 * one series; nothing is pooled across keys.
 *
 * @param method id of the test method; of the material itself, how it was measured, in words
 * @param basis what is tested
 * @param orientation on the plate
 * @param conditioning state of the specimen
 * @param rate speed of testing in mm/min, above 0; 0 for what is measured on the material itself
 * @param design specimen design with its revision; for the material itself, what it was measured with
 * @param process exposure and cure, or annealing, part of what was tested; empty when there is none
 * @param build of a part as printed; nothing for a solid specimen
 */
public record Conditions(
        String method,
        Basis basis,
        Orientation orientation,
        Conditioning conditioning,
        double rate,
        String design,
        String process,
        Build build) {

    private static final String UNSTATED = "not stated";
    private static final double MM_PER_MIN_IN_M_PER_S = 60_000;

    /** From a metre in ten seconds on nobody counts in mm/min. */
    private static final double IMPACT = 6_000;

    /** Two more than terms keep, so that the way to another unit and back loses none. */
    private static final int TYPED_DIGITS = 6;

    /** Conditions of a filament's specimens, whose process is the frozen recipe. */
    public Conditions(
            String method,
            Basis basis,
            Orientation orientation,
            Conditioning conditioning,
            double rate,
            String design) {
        this(method, basis, orientation, conditioning, rate, design, "");
    }

    /** Conditions of which no build is stated. */
    public Conditions(
            String method,
            Basis basis,
            Orientation orientation,
            Conditioning conditioning,
            double rate,
            String design,
            String process) {
        this(method, basis, orientation, conditioning, rate, design, process, Build.NONE);
    }

    /** Whether these are the same but for the specimen design: small bars beside standard ones. */
    public boolean differInDesignAlone(Conditions other) {
        return !design.equals(other.design)
                && new Conditions(method, basis, orientation, conditioning, rate, other.design, process, build)
                        .equals(other);
    }

    /** Conditions of something measured on the material itself: how, and with what. */
    public static Conditions ofMaterial(String method, String with) {
        return new Conditions(method, Basis.AS_SUPPLIED, Orientation.NONE, Conditioning.NONE, 0, with, "");
    }

    /**
     * A speed converted from another unit is the same speed: four digits are kept, so that 0.0833333 mm/s is 5 mm/min.
     */
    public Conditions {
        rate = rate > 0 && !Double.isInfinite(rate)
                ? new java.math.BigDecimal(rate)
                        .round(new java.math.MathContext(4))
                        .doubleValue()
                : rate;
    }

    /** The same after another cure or anneal; after none where it is empty. */
    public Conditions after(String other) {
        return new Conditions(method, basis, orientation, conditioning, rate, design, other, build);
    }

    /** These conditions with another orientation. */
    public Conditions turned(Orientation other) {
        return new Conditions(method, basis, other, conditioning, rate, design, process, build);
    }

    /** The terms of what a ratio under these terms is the ratio to; with the reference treatment, empty for none. */
    public Conditions below(Ratio ratio, String reference) {
        return switch (ratio) {
            case UPRIGHT_FLAT -> turned(Orientation.XY);
            case ALONG_ACROSS -> turned(Orientation.YX);
            case TREATED_REFERENCE ->
                new Conditions(method, basis, orientation, conditioning, rate, design, reference, build);
        };
    }

    /** Whether specimens under these terms stand above in a ratio: upright, along, or treated. */
    public boolean isAbove(Ratio ratio) {
        return switch (ratio) {
            case UPRIGHT_FLAT -> orientation == Orientation.ZX;
            case ALONG_ACROSS -> orientation == Orientation.XY;
            case TREATED_REFERENCE -> !process.isEmpty();
        };
    }

    /** These terms over those of the reference, as one line. */
    public String wordsOver(Ratio ratio, String reference) {
        String base = reference.isEmpty() ? "no treatment" : reference;
        return switch (ratio) {
            case UPRIGHT_FLAT -> words(Orientation.ZX.words() + " over " + Orientation.XY.words());
            case ALONG_ACROSS -> words(Orientation.XY.words() + " over " + Orientation.YX.words());
            case TREATED_REFERENCE -> words() + " over " + base;
        };
    }

    /**
     * One condition in which claim and evidence differ.
     *
     * @param condition its name
     * @param claimed what the claim says
     * @param tested what was done
     * @param blocking whether the two cannot be compared at all; otherwise the comparison is indicative
     */
    public record Mismatch(String condition, String claimed, String tested, boolean blocking) {

        /** The difference in words. */
        public String words() {
            return condition + ": claimed " + claimed + ", tested " + tested;
        }
    }

    /** How a condition of the evidence stands to the claim's. */
    public enum Fit {
        ALIKE("the same"),
        LESSER("another: the comparison is indicative"),
        BLOCKING("another: not comparable");

        private final String words;

        Fit(String words) {
            this.words = words;
        }

        /** The fit in words. */
        public String words() {
            return words;
        }
    }

    /**
     * One condition, side by side.
     *
     * @param condition its name
     * @param claimed what the claim says
     * @param tested what was done
     */
    public record Term(String condition, String claimed, String tested, Fit fit) {}

    /** Every condition that claim or evidence states, side by side. Another rate alone does not block. */
    public List<Term> beside(Conditions evidence) {
        List<Term> terms = new ArrayList<>();
        add(terms, "method", Methods.titleOf(method), Methods.titleOf(evidence.method), Fit.BLOCKING);
        add(terms, "basis", basis.words(), evidence.basis.words(), Fit.BLOCKING);
        besideBuilds(terms, evidence);
        add(terms, "orientation", orientation.words(), evidence.orientation.words(), Fit.BLOCKING);
        add(terms, "conditioning", conditioning.words(), evidence.conditioning.words(), Fit.BLOCKING);
        add(terms, "specimen", design, evidence.design, Fit.BLOCKING);
        add(terms, "exposure and cure", process, evidence.process, Fit.BLOCKING);
        if (rate > 0 || evidence.rate > 0) {
            add(terms, "rate", rateWords(rate), rateWords(evidence.rate), Fit.LESSER);
        }
        return terms;
    }

    /** Every condition in which the evidence's terms differ from this claim's. */
    public List<Mismatch> compare(Conditions evidence) {
        return beside(evidence).stream()
                .filter(term -> term.fit != Fit.ALIKE)
                .map(term -> new Mismatch(term.condition, term.claimed, term.tested, term.fit == Fit.BLOCKING))
                .toList();
    }

    /** The terms as one line, for headings and certificates. */
    public String words() {
        return words(orientation.words());
    }

    private String words(String lying) {
        return Stream.of(
                        Methods.titleOf(method),
                        basis.words(),
                        build.told(),
                        lying,
                        conditioning.words(),
                        rate > 0 ? rateWords(rate) : "",
                        design,
                        process)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(", "));
    }

    /** A speed in mm/min, or in m/s for an impact, as it stands in terms. */
    public static String rateWords(double rate) {
        return rate >= IMPACT
                ? Figures.significant(rate / MM_PER_MIN_IN_M_PER_S, 3) + " m/s"
                : (Math.rint(rate) == rate ? Figures.decimals(rate, 0) : Figures.significant(rate, 3)) + " mm/min";
    }

    /** A speed as a form shows it again: every digit that terms keep survives a second reading. Empty where there is none. */
    public static String rateTyped(double rate) {
        return rate <= 0
                ? ""
                : rate >= IMPACT
                        ? Figures.plain(rate / MM_PER_MIN_IN_M_PER_S, TYPED_DIGITS) + " m/s"
                        : Figures.plain(rate, TYPED_DIGITS) + " mm/min";
    }

    /**
     * Factor by factor. What is not stated compares with nothing; only where neither states any factor, as in what was written
     * before there were factors, do the words of the process tell.
     */
    private void besideBuilds(List<Term> terms, Conditions evidence) {
        if (basis != Basis.AS_PRINTED || evidence.basis != Basis.AS_PRINTED) {
            return;
        }
        if (build.isNone() && evidence.build.isNone()) {
            if (process.isBlank() && evidence.process.isBlank()) {
                terms.add(new Term("walls and infill", UNSTATED, UNSTATED, Fit.BLOCKING));
            }
            return;
        }
        for (int i = 0; i < build.factors().size(); i++) {
            Map.Entry<String, String> claimed = build.factors().get(i);
            String tested = evidence.build.factors().get(i).getValue();
            boolean alike = !claimed.getValue().isEmpty() && claimed.getValue().equals(tested);
            terms.add(new Term(
                    claimed.getKey(),
                    orUnstated(claimed.getValue()),
                    orUnstated(tested),
                    alike ? Fit.ALIKE : Fit.BLOCKING));
        }
    }

    private static String orUnstated(String words) {
        return words.isEmpty() ? UNSTATED : words;
    }

    private static void add(List<Term> terms, String name, String claimed, String tested, Fit otherwise) {
        if (!claimed.isEmpty() || !tested.isEmpty()) {
            terms.add(new Term(
                    name, orNothing(claimed), orNothing(tested), claimed.equals(tested) ? Fit.ALIKE : otherwise));
        }
    }

    private static String orNothing(String words) {
        return words.isEmpty() ? "nothing" : words;
    }
}
