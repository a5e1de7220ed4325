package org.ysometron.core.publication;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.working.Figures;

/** What a user needs to be told and is not, where a range tells nothing, and what cannot be tested as published. */
public final class Completeness {

    /** The sorts of finding, the gravest first. */
    public enum Kind {
        MISSING("missing"),
        TOO_WIDE("too wide to be useful"),
        NO_RANGE("no usable range"),
        UNTESTABLE("untestable as published"),
        PROMISES_NOTHING("promises nothing");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The sort in words. */
        public String words() {
            return words;
        }
    }

    /**
     * One finding.
     *
     * @param kind what sort
     * @param title what it is about
     * @param what what is wrong
     * @param why why it matters to a user
     * @param proposal wording that would mend it; empty when there is none to propose
     */
    public record Finding(Kind kind, String title, String what, String why, String proposal) {}

    /** mm/min; what bars of plastics are pulled at where nothing asks for another (common practice, no source). */
    private static final double USUAL_RATE = 5;

    private static final String FOUND_ON =
            "A value is that of a machine: without the one it was found on nobody can tell how far theirs is from it.";
    private static final Map<Topic, String> FILAMENT = new LinkedHashMap<>();
    private static final Map<Topic, String> RESIN = new LinkedHashMap<>();
    private static final Map<String, String> BIG_WORDS = new LinkedHashMap<>();

    static {
        FILAMENT.put(Topic.NOZZLE_TEMPERATURE, "Layers do not bond below it and the polymer degrades above it.");
        FILAMENT.put(Topic.BED_TEMPERATURE, "Parts come off or warp without it.");
        FILAMENT.put(Topic.BED_SURFACE, "The same bed temperature holds on one surface and not on another.");
        FILAMENT.put(Topic.SURFACES_TO_AVOID, "On the wrong one a part bonds for good, or not at all.");
        FILAMENT.put(Topic.FAN, "Upright strength depends on it more than on any other setting.");
        FILAMENT.put(Topic.DRYING_TEMPERATURE, "A wet spool prints weak parts, and too hot an oven fuses it.");
        FILAMENT.put(Topic.DRYING_TIME, "Without the hours a drying temperature is no instruction.");
        FILAMENT.put(Topic.DENSITY, "Length, weight and price of a part follow from it.");
        FILAMENT.put(Topic.DIAMETER, "The volume fed goes with the square of it.");
        FILAMENT.put(Topic.FOUND_ON, FOUND_ON);
        RESIN.put(
                Topic.LAYER_EXPOSURE,
                "Half a second too much turns a flexible resin stiff; it holds for one light source.");
        RESIN.put(Topic.RESIN_TEMPERATURE, "A cold resin flows and cures as another one.");
        RESIN.put(Topic.WASH, "What is not washed off cures on the surface.");
        RESIN.put(Topic.CURE, "Strength and stiffness are made here.");
        RESIN.put(Topic.DENSITY, "Weight and price of a part follow from it.");
        RESIN.put(Topic.FOUND_ON, FOUND_ON);
        BIG_WORDS.put("all directions", "Upright/flat ratio: at least …");
        BIG_WORDS.put("isotropic", "Upright/flat ratio: at least …");
        BIG_WORDS.put("stronger", "Tensile strength: better than (product) by at least … %");
        BIG_WORDS.put("strong", "Tensile strength: at least … MPa");
        BIG_WORDS.put("tough", "Notched impact: at least … kJ/m²");
        BIG_WORDS.put("precise", "Filament diameter: 1.75 mm ± …");
        BIG_WORDS.put("accura", "Filament diameter: 1.75 mm ± …");
        BIG_WORDS.put("best", "");
        BIG_WORDS.put("premium", "");
        BIG_WORDS.put("ultra", "");
    }

    private Completeness() {}

    /**
     * Everything wanting in what a product's publication says, the gravest first.
     *
     * @param filled whether there are fibres or hard fillers in it
     */
    public static List<Finding> check(Family family, boolean filled, List<Statement> statements, Policy policy) {
        List<Finding> findings = new ArrayList<>();
        Map<Topic, String> needed = new LinkedHashMap<>(family == Family.FILAMENT ? FILAMENT : RESIN);
        if (filled && family == Family.FILAMENT) {
            needed.put(
                    Topic.NOZZLE_HARDNESS,
                    "Fibres grind a soft nozzle away and clog a narrow one: its hardness and least size belong there.");
        }
        needed.forEach((topic, why) -> {
            if (statements.stream().noneMatch(statement -> statement.topic().equals(topic))) {
                findings.add(new Finding(Kind.MISSING, topic.title(), "not stated", why, ""));
            }
        });
        for (Statement statement : statements) {
            range(statement, policy, findings);
            untestable(statement, findings);
            promises(statement, findings);
        }
        findings.sort(java.util.Comparator.comparing(Finding::kind));
        return findings;
    }

    private static void range(Statement statement, Policy policy, List<Finding> findings) {
        boolean hasRange = statement.low().isPresent() && statement.high().isPresent();
        if (statement.topic().equals(Topic.NOZZLE_TEMPERATURE)) {
            nozzle(statement, policy, findings);
        }
        if (statement.topic().equals(Topic.DIAMETER) && !hasRange) {
            findings.add(new Finding(
                    Kind.NO_RANGE,
                    statement.title(),
                    statement.asTyped() + " and no tolerance",
                    "The volume fed goes with the square of it.",
                    statement.asTyped() + " ± 0.05 mm"));
        }
        if (statement.topic().equals(Topic.LAYER_EXPOSURE)
                && statement.qualifier().isEmpty()) {
            findings.add(new Finding(
                    Kind.NO_RANGE,
                    statement.title(),
                    "no light source named",
                    "An exposure holds for one light source and layer height only.",
                    ""));
        }
    }

    private static void nozzle(Statement statement, Policy policy, List<Finding> findings) {
        if (statement.low().isEmpty() || statement.high().isEmpty()) {
            findings.add(new Finding(
                    Kind.NO_RANGE,
                    statement.title(),
                    statement.asTyped() + " and no range",
                    "Printers read their temperature differently; a single value leaves no room.",
                    ""));
            return;
        }
        double span = statement.high().getAsDouble() - statement.low().getAsDouble();
        if (span > policy.widestNozzleRange() * (1 + 1e-9)) {
            findings.add(new Finding(
                    Kind.TOO_WIDE,
                    statement.title(),
                    "a range of " + Figures.plain(span, 3) + " K; " + Figures.plain(policy.widestNozzleRange(), 3)
                            + " K are the most",
                    "A range as wide as this tells a user nothing.",
                    ""));
        } else if (statement.value().isEmpty()) {
            findings.add(new Finding(
                    Kind.NO_RANGE,
                    statement.title(),
                    "a range and no recommended value",
                    "A user starts at one temperature, not at a range.",
                    ""));
        }
    }

    private static void untestable(Statement statement, List<Finding> findings) {
        if (statement.topic().equals(Topic.WORDING)) {
            String words = statement.words().toLowerCase(Locale.ROOT);
            for (Map.Entry<String, String> big : BIG_WORDS.entrySet()) {
                if (words.contains(big.getKey())) {
                    findings.add(new Finding(
                            Kind.UNTESTABLE,
                            "“" + statement.words() + "”",
                            "words sold as a fact",
                            "Nobody can test it, and a customer will.",
                            big.getValue()));
                    return;
                }
            }
            return;
        }
        List<String> missing = untestableFor(statement);
        if (!missing.isEmpty()) {
            findings.add(new Finding(
                    Kind.UNTESTABLE,
                    statement.title(),
                    "no " + String.join(", no ", missing),
                    "The same material gives half or twice the value under other terms.",
                    proposal(statement)));
        }
    }

    private static void promises(Statement statement, List<Finding> findings) {
        if (statement.form() == Form.UP_TO) {
            findings.add(new Finding(
                    Kind.PROMISES_NOTHING,
                    statement.title(),
                    "“" + statement.published() + "”",
                    "Reached by some and promised for none; it cannot be verified as a minimum.",
                    statement.topic().title() + ": at least …"));
        }
    }

    /** What a statement would have to say before a test could bear it out; empty when it says it, or needs not. */
    public static List<String> untestableFor(Statement statement) {
        if (!statement.topic().needsTerms() || !statement.form().isVerifiable()) {
            return List.of();
        }
        Terms terms = statement.terms();
        List<String> missing = new ArrayList<>(terms.missing());
        if (terms.basis().filter(Basis.AS_PRINTED::equals).isPresent()
                && !terms.build().isNone()) {
            missing.addAll(terms.build().unstated());
        }
        return missing;
    }

    /** The wording that would make a statement testable, with what it leaves open filled in as is usual. */
    public static String proposal(Statement statement) {
        Terms terms = statement.terms();
        MethodData tested =
                terms.method().flatMap(Methods::of).orElseGet(Methods::usual).data();
        String orientation =
                terms.orientation().map(value -> value.words()).orElse("XY flat [or ZX upright, each with its value]");
        return statement.topic().title() + ", " + orientation + ": " + statement.published() + " ("
                + tested.title() + ", "
                + terms.basis().map(value -> value.words()).orElse("solid") + ", "
                + (terms.basis().filter(Basis.AS_PRINTED::equals).isPresent() ? Build.EXAMPLE + ", " : "")
                + terms.conditioning().map(value -> value.words()).orElse("dry as printed") + ", "
                + (tested.rated() ? Conditions.rateWords(terms.rate().orElse(USUAL_RATE)) + ", " : "")
                + "mean of at least "
                + (statement.minimumN() > 0 ? statement.minimumN() : Policy.USUAL.leastSpecimens()) + " specimens)";
    }
}
