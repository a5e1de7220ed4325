package org.ysometron.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;

/**
 * One line of a test plan: what is tested, of which specimen, how it lies, in which state, how fast, how many. Nothing of
 * it is guessed: {@link #wanting} names what is missing, and a line that wants something cannot be made.
 *
 * @param method the test
 * @param design specimen, one of the method's or made for it
 * @param orientation on the plate; {@link Orientation#NONE} for a piece that is not printed, which has no basis but as supplied, and no
 *     conditioning, and for no other
 * @param notch which way a notch faces; {@link Notch#NONE} for a specimen without one
 * @param basis solid or as printed
 * @param build walls, infill and pattern of a specimen as printed; nothing for a solid one
 * @param conditioning state when tested
 * @param rate speed of testing in mm/min, above 0; 0 for a method without one
 * @param n specimens, at least 1
 * @param process exposure and cure, or annealing, as in the claim; empty when there is none
 */
public record PlannedTest(
        Method method,
        SpecimenDesign design,
        Orientation orientation,
        Notch notch,
        Basis basis,
        Build build,
        Conditioning conditioning,
        double rate,
        int n,
        String process) {

    private static final String WANTS_BASIS = "a basis, with walls and infill when it is as printed";

    /** Which way a notch faces, as seen from the layers. */
    public enum Notch {
        NONE("no notch"),
        ACROSS("notch across the layers"),
        ALONG("notch along the layers");

        private final String words;

        Notch(String words) {
            this.words = words;
        }

        /** The direction in words. */
        public String words() {
            return words;
        }
    }

    /**
     * What a test is done on, as it stands in terms: a design, and the way its notch faces where it has one.
     *
     * @param notch {@link Notch#NONE} where nothing is said of one
     */
    public record Specimen(SpecimenDesign design, Notch notch) {

        /** Every specimen that a method can be done on, the usual design first. */
        public static List<Specimen> of(Method method) {
            List<Specimen> all = new ArrayList<>();
            for (SpecimenDesign design : Designs.of(method)) {
                for (Notch notch : Notch.values()) {
                    Specimen specimen = new Specimen(design, notch);
                    if (specimen.isWhole()) {
                        all.add(specimen);
                    }
                }
            }
            return all;
        }

        /** The specimen of a method with this title, whatever its case; empty when none is called so. */
        public static Optional<Specimen> titled(Method method, String title) {
            return of(method).stream()
                    .filter(known -> known.title().equalsIgnoreCase(title.strip()))
                    .findFirst();
        }

        /**
         * What is meant where nobody says: the usual design; empty where its notch could face two ways, for that is not
         * guessed.
         */
        public static Optional<Specimen> usual(Method method) {
            Specimen first = of(method).get(0);
            return first.notch() == Notch.NONE ? Optional.of(first) : Optional.empty();
        }

        /** Whether a notch is said of a design that has one, and of no other. */
        public boolean isWhole() {
            return design.isNotched() == (notch != Notch.NONE);
        }

        /** Name with revision and notch, as it stands in comparability keys. */
        public String title() {
            return titleAt(1);
        }

        /** The same of a model printed at another scale. */
        public String titleAt(double scale) {
            return design.titleAt(scale) + (notch == Notch.NONE ? "" : ", " + notch.words());
        }
    }

    /** Refuses a line that wants something. */
    public PlannedTest {
        List<String> wanting = wanting(method, design, orientation, notch, basis, build, conditioning, rate, n);
        // In plans of before, walls and infill stand in words with the process.
        if (basis == Basis.AS_PRINTED && !process.isBlank()) {
            wanting.remove(WANTS_BASIS);
        }
        if (!wanting.isEmpty()) {
            throw new IllegalArgumentException("a plan line lacks " + String.join(", ", wanting));
        }
    }

    /** What a line still wants, in words; empty when it is whole. */
    public static List<String> wanting(
            Method method,
            SpecimenDesign design,
            Orientation orientation,
            Notch notch,
            Basis basis,
            Build build,
            Conditioning conditioning,
            double rate,
            int n) {
        List<String> wanting = new ArrayList<>();
        if (!Designs.fits(method, design)) {
            wanting.add("a specimen that " + method.data().title() + " can be done on");
        }
        if (design.isPrinted() == (orientation == Orientation.NONE)) {
            wanting.add(design.isPrinted() ? "an orientation" : "no orientation, for a piece that is not printed");
        }
        if (!new Specimen(design, notch).isWhole()) {
            wanting.add("the way its notch faces");
        }
        if (design.isPrinted()
                ? basis == Basis.AS_SUPPLIED || (basis == Basis.AS_PRINTED) == build.isNone()
                : basis != Basis.AS_SUPPLIED || !build.isNone()) {
            wanting.add(design.isPrinted() ? WANTS_BASIS : "no basis but as supplied, for a piece that is not printed");
        }
        if (design.isPrinted() == (conditioning == Conditioning.NONE)) {
            wanting.add(design.isPrinted() ? "a conditioning" : "no conditioning, for a piece that is not printed");
        }
        if (method.data().rated() != rate > 0 || !Double.isFinite(rate)) {
            wanting.add(method.data().rated() ? "a rate above zero" : "no rate");
        }
        if (n < 1) {
            wanting.add("at least one specimen");
        }
        return wanting;
    }

    /** The terms under which its specimens count. */
    public Conditions conditions() {
        return new Conditions(
                method.data().id(),
                basis,
                orientation,
                conditioning,
                rate,
                new Specimen(design, notch).title(),
                process,
                build);
    }

    /** The same with another number of specimens. */
    public PlannedTest of(int specimens) {
        return new PlannedTest(
                method, design, orientation, notch, basis, build, conditioning, rate, specimens, process);
    }

    /** The same after another cure or annealing. */
    public PlannedTest after(String other) {
        return new PlannedTest(method, design, orientation, notch, basis, build, conditioning, rate, n, other);
    }

    /** A short name: "tension ZX". */
    public String label() {
        return method.data().title()
                + (orientation == Orientation.NONE ? "" : " " + orientation.name())
                + (conditioning == Conditioning.CONDITIONED ? ", conditioned" : "");
    }

    /**
     * What each of several tests is called beside the others: by its short name, and where another has the same by what sets it
     * apart.
     *
     * @return a name for each in the order given, all different
     */
    public static List<String> names(List<PlannedTest> tests) {
        List<String> names = new ArrayList<>();
        for (PlannedTest test : tests) {
            List<List<String>> alike = tests.stream()
                    .filter(other -> other.label().equals(test.label()))
                    .map(PlannedTest::particulars)
                    .toList();
            String name = Stream.concat(
                            Stream.of(test.label()), test.particulars().stream().filter(one -> !alike.stream()
                                    .allMatch(other -> other.contains(one))))
                    .collect(Collectors.joining(", "));
            names.add(names.contains(name) ? name + ", line " + (names.size() + 1) : name);
        }
        return names;
    }

    /** What may differ between tests of one short name, each in words; what there is none of is left out. */
    private List<String> particulars() {
        return Stream.of(
                        conditions().design(),
                        basis.words(),
                        build.told(),
                        rate > 0 ? Conditions.rateWords(rate) : "",
                        process)
                .filter(one -> !one.isEmpty())
                .toList();
    }

    /** Height above the plate in mm: what a resin printer's time goes by. */
    public double height() {
        return switch (orientation) {
            case XY, YX -> Math.min(design.nominalWidth(), design.nominalThickness());
            case XZ -> Math.max(design.nominalWidth(), design.nominalThickness());
            case ZX, NONE -> design.length();
        };
    }
}
