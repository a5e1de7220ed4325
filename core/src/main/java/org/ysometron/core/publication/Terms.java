package org.ysometron.core.publication;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Methods;

/**
 * The terms under which a publication means a value, as far as it says so. An empty term is not stated, which is not the
 * same as any.
 *
 * @param method id of the test method
 * @param basis solid or as printed
 * @param orientation on the plate
 * @param conditioning state of the specimen
 * @param rate in mm/min
 * @param design specimen design
 * @param process exposure and cure, or annealing; empty when there is none
 * @param build of a part as printed, as far as it is stated
 */
public record Terms(
        Optional<String> method,
        Optional<Basis> basis,
        Optional<Orientation> orientation,
        Optional<Conditioning> conditioning,
        OptionalDouble rate,
        Optional<String> design,
        String process,
        Build build) {

    /** Nothing is stated. */
    public static final Terms NONE = new Terms(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            "",
            Build.NONE);

    /** Everything is stated. */
    public static Terms of(Conditions conditions) {
        return new Terms(
                Optional.of(conditions.method()),
                Optional.of(conditions.basis()),
                Optional.of(conditions.orientation()),
                Optional.of(conditions.conditioning()),
                OptionalDouble.of(conditions.rate()),
                Optional.of(conditions.design()),
                conditions.process(),
                conditions.build());
    }

    /** The terms as conditions of a test; empty while one is missing. */
    public Optional<Conditions> conditions() {
        return missing().isEmpty()
                ? Optional.of(new Conditions(
                        method.orElseThrow(),
                        basis.orElseThrow(),
                        orientation.orElseThrow(),
                        conditioning.orElseThrow(),
                        rate.orElseThrow(),
                        design.orElseThrow(),
                        process,
                        build))
                : Optional.empty();
    }

    /** What a strength would have to state and does not. */
    public List<String> missing() {
        List<String> missing = new ArrayList<>();
        add(missing, method.isEmpty(), "method");
        add(missing, basis.isEmpty(), "basis (solid or as printed)");
        // Words stand for it in what was published before there were factors.
        boolean built = basis.filter(Basis.AS_PRINTED::equals).isEmpty() || !process.isEmpty();
        add(missing, !built && build.isNone(), "walls and infill");
        add(missing, orientation.isEmpty(), "orientation");
        add(missing, conditioning.isEmpty(), "conditioning");
        add(missing, rate.isEmpty(), "rate");
        add(missing, method.isPresent() && design.isEmpty(), "specimen (which way its notch faces)");
        return missing;
    }

    private static void add(List<String> missing, boolean when, String what) {
        if (when) {
            missing.add(what);
        }
    }

    /** What is stated, as one line; empty when nothing is. */
    public String words() {
        List<String> parts = new ArrayList<>();
        method.map(Methods::titleOf).ifPresent(parts::add);
        basis.ifPresent(value -> parts.add(value.words()));
        if (!build.isNone()) {
            parts.add(build.told());
        }
        orientation.ifPresent(value -> parts.add(value.words()));
        conditioning.ifPresent(value -> parts.add(value.words()));
        if (rate.orElse(0) > 0) {
            parts.add(Conditions.rateWords(rate.getAsDouble()));
        }
        design.ifPresent(parts::add);
        if (!process.isEmpty()) {
            parts.add(process);
        }
        // What is not printed has neither orientation nor conditioning, and says so by no word.
        parts.removeIf(String::isEmpty);
        return String.join(", ", parts);
    }
}
