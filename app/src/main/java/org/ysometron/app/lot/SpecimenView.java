package org.ysometron.app.lot;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.plan.CheckCharacter;

/**
 * One specimen as other slices see it.
 *
 * @param label its name within the lot, such as ZX3
 * @param conditions the terms it is tested under
 * @param setId the set it was added with
 * @param sampleId the spool or bottle it was made of; null when nobody said
 * @param madeAt when it was made, by the site's clock
 * @param conditionedFrom when it went into the climate; null when it did not or nobody said
 * @param scale that the model was printed at
 * @param setup printer, recipe, maker and method revision: what starts a series of its own; empty when nobody said
 * @param enteredAt when the set was written down
 * @param besideId for a reference lot's specimen, the lot that it was made beside; null otherwise
 */
public record SpecimenView(
        long id,
        long lotId,
        String label,
        Conditions conditions,
        SpecimenDesign design,
        long setId,
        @Nullable Long sampleId,
        LocalDateTime madeAt,
        @Nullable LocalDateTime conditionedFrom,
        double scale,
        Setup setup,
        Instant enteredAt,
        @Nullable Long besideId) {

    private static final int SHORTEST = 4;

    /** Digits and letters that nobody takes for one another by hand: no I, L, O or U. */
    private static final String DIGITS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";

    /** Nominal size in mm of what a sheet calls width, thickness or diameter, at the scale it was printed at. */
    public OptionalDouble nominal(String field) {
        OptionalDouble nominal = design.nominal(field);
        return nominal.isPresent() ? OptionalDouble.of(scale * nominal.getAsDouble()) : nominal;
    }

    /** Its code on labels: short, with a check character at the end, so that a code misread is found. */
    public String code() {
        StringBuilder digits = new StringBuilder();
        for (long left = id; left > 0; left /= DIGITS.length()) {
            digits.insert(0, DIGITS.charAt((int) (left % DIGITS.length())));
        }
        String body = digits.toString();
        String padded = "0".repeat(Math.max(0, SHORTEST - body.length())) + body;
        return padded + CheckCharacter.of(padded);
    }

    /** The key that a code stands for; empty when it is none or was misread. */
    static Optional<Long> keyOf(String code) {
        String plain = code.strip().replace("-", "").replace(" ", "").toUpperCase(Locale.ROOT);
        if (!plain.matches("[0-9A-Z]{5,12}") || !CheckCharacter.holds(plain)) {
            return Optional.empty();
        }
        long key = 0;
        for (char digit : plain.substring(0, plain.length() - 1).toCharArray()) {
            int value = DIGITS.indexOf(digit);
            if (value < 0) {
                return Optional.empty();
            }
            key = key * DIGITS.length() + value;
        }
        return Optional.of(key);
    }
}
