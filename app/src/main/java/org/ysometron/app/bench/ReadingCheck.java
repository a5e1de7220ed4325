package org.ysometron.app.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Plausibility;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Sheet;
import org.ysometron.core.working.Figures;

/** Whether a reading can be taken: what its field wants, plausible, at one with how the test ended. */
@Component
class ReadingCheck {

    /** Longest text that a reading may be typed as. */
    private static final int LONGEST = 40;

    /** Longest remark. */
    private static final int LONGEST_REMARK = 200;

    /** A tenth above flat is more than a set of flat ones scatters. */
    private static final double ABOVE_FLAT = 1.1;

    /** From here on upright is expected to be as strong as flat. */
    private static final double AS_FLAT = 0.95;

    /** Of two digits the same ones come again and again. */
    private static final int DIGITS_THAT_TELL = 3;

    private final EarlierLots earlier;
    private final Publications publications;

    ReadingCheck(EarlierLots earlier, Publications publications) {
        this.earlier = earlier;
        this.publications = publications;
    }

    /** A value that was doubted: to be confirmed or corrected. */
    static final class Doubted extends Refusal {

        private static final long serialVersionUID = 1L;

        Doubted(String question) {
            super("typed", question + " Correct it, or press Enter again to keep it as typed.");
        }
    }

    /**
     * The value in the working unit; empty for a word.
     *
     * @param checkedBefore whether its plausibility was settled already, as in an import that was previewed
     */
    OptionalDouble value(
            LotView lot,
            SpecimenView specimen,
            Method method,
            Bench.Entry entry,
            InstrumentView instrument,
            boolean checkedBefore) {
        Field field = field(method, entry.field());
        Sheet.One read = read(field, entry.place(), entry.typed());
        if (entry.outcome() != null) {
            checkEnd(method.data(), entry.outcome(), field, read.value(), instrument);
        }
        boolean confirmed = entry.confirmed().equals(entry.typed().strip());
        if (!checkedBefore && !confirmed && read.value().isPresent()) {
            Optional<String> doubt =
                    doubt(lot, specimen, method, field, read.value().getAsDouble());
            if (doubt.isPresent()) {
                throw new Doubted(doubt.get());
            }
        }
        return read.value();
    }

    /** The field of a method's sheet. */
    static Field field(Method method, String key) {
        return method.data()
                .sheet()
                .field(key)
                .orElseThrow(() -> new Refusal(
                        "typed", "'" + key + "' is no field of " + method.data().title() + "."));
    }

    /** What was typed, or a refusal that says what would do. */
    Sheet.One read(Field field, int place, String typed) {
        if (typed.strip().length() > (field.kind() == Field.Kind.TEXT ? LONGEST_REMARK : LONGEST)) {
            throw new Refusal("typed", "That is too long for a reading; expected for example 3.98 or 3.98 mm.");
        }
        if (place < 1 || place > field.places()) {
            throw new Refusal("typed", field.words() + " has " + field.places() + " places.");
        }
        Sheet.One read = Sheet.read(field, place, typed);
        read.problem().ifPresent(problem -> {
            throw new Refusal("typed", problem.beside());
        });
        return read;
    }

    /** A question about a value that is far from the one expected. */
    Optional<String> doubt(LotView lot, SpecimenView specimen, Method method, Field field, double value) {
        OptionalDouble nominal = specimen.nominal(field.key());
        if (field.role() == Field.Role.SIZE) {
            return nominal.isEmpty() || field.dimension() != Dimension.LENGTH
                    ? Optional.empty()
                    : Plausibility.OF_A_DIMENSION.doubtOfSize(
                            value, nominal.getAsDouble(), otherSizes(specimen, method, field));
        }
        if (!method.data().endedBy().equals(Optional.of(field.key()))) {
            return Optional.empty();
        }
        OptionalDouble load = expectedLoad(lot, specimen, method);
        Optional<String> doubt = load.isEmpty()
                ? Optional.empty()
                : Plausibility.OF_A_FORCE.doubt(value, load.getAsDouble(), field.unit());
        return doubt.or(() -> doubtOfUpright(lot, specimen, method, field, value, load));
    }

    private static Map<String, Double> otherSizes(SpecimenView specimen, Method method, Field field) {
        Map<String, Double> others = new LinkedHashMap<>();
        for (Field other : method.data().sheet().of(Field.Role.SIZE)) {
            if (!other.equals(field)) {
                specimen.nominal(other.key()).ifPresent(size -> others.put(other.words(), size));
            }
        }
        return others;
    }

    /**
     * Layers part before they tear: an upright specimen that carries more than flat ones are expected to was mistaken for one, or is of
     * a material that knows no direction, and then no less is expected of it (common practice, no source).
     */
    private Optional<String> doubtOfUpright(
            LotView lot, SpecimenView specimen, Method method, Field field, double value, OptionalDouble upright) {
        if (specimen.conditions().orientation() != Orientation.ZX) {
            return Optional.empty();
        }
        OptionalDouble flat = expectedLoad(lot, specimen, specimen.conditions().turned(Orientation.XY), method);
        if (flat.isEmpty()
                || value <= ABOVE_FLAT * flat.getAsDouble()
                || (upright.isPresent() && upright.getAsDouble() > AS_FLAT * flat.getAsDouble())) {
            return Optional.empty();
        }
        return Optional.of("Is it an upright one? " + Figures.withUnit(value, 4, field.unit())
                + " was read, and of flat ones about " + Figures.withUnit(flat.getAsDouble(), 3, field.unit())
                + " is expected.");
    }

    /**
     * The display may still have held the peak of the specimen before.
     *
     * @param last the reading of this field before it, of whatever specimen; null for none
     */
    void requireFresh(SpecimenView specimen, Field field, Bench.Entry entry, @Nullable Reading last) {
        boolean repeats = last != null
                && last.specimenId != specimen.id()
                && last.typed.equals(entry.typed().strip())
                && last.typed.replaceAll("^[0.,]+|[^0-9]", "").length() >= DIGITS_THAT_TELL;
        if (repeats && !entry.confirmed().equals(entry.typed().strip())) {
            throw new Doubted("'" + entry.typed().strip() + "' is to the last digit what was read before it: was the "
                    + field.words() + " of the specimen before still on the display?");
        }
    }

    /** Load to be expected of a specimen of nominal size, in the unit of the method's equipment; empty when nobody knows. */
    OptionalDouble expectedLoad(LotView lot, SpecimenView specimen, Method method) {
        return expectedLoad(lot, specimen, specimen.conditions(), method);
    }

    private OptionalDouble expectedLoad(LotView lot, SpecimenView specimen, Conditions conditions, Method method) {
        OptionalDouble figure = expected(lot, conditions, method.data().main());
        if (figure.isEmpty()) {
            return figure;
        }
        OptionalDouble load = method.load(
                figure.getAsDouble(), specimen.design(), method.data().pinned());
        // Of another scale the section follows the square of it, as far as a load goes with the section.
        return load.isEmpty() ? load : OptionalDouble.of(load.getAsDouble() * specimen.scale() * specimen.scale());
    }

    /** What is to be expected of a characteristic, from the lots before, else from the claim; in its unit. */
    OptionalDouble expected(LotView lot, SpecimenView specimen, Characteristic characteristic) {
        return expected(lot, specimen.conditions(), characteristic);
    }

    private OptionalDouble expected(LotView lot, Conditions conditions, Characteristic characteristic) {
        Optional<EarlierLots.Earlier> before = earlier.of(lot, characteristic, conditions);
        if (before.isPresent()) {
            return OptionalDouble.of(before.get().mean());
        }
        return publications.claims(lot.datasheetId()).stream()
                .filter(claim -> claim.property().equals(characteristic) && claim.form() != Form.BETTER_THAN)
                .filter(claim -> claim.conditions().orientation() == conditions.orientation())
                .map(Claim::requirement)
                .map(Requirement::lower)
                .findFirst()
                .orElse(OptionalDouble.empty());
    }

    private static void checkEnd(
            MethodData data, @Nullable End end, Field field, OptionalDouble value, InstrumentView gauge) {
        if (end == null || !data.ends().containsKey(end)) {
            throw new Refusal("outcome", "Say how the test ended.");
        }
        boolean ends = data.endedBy().equals(Optional.of(field.key()));
        boolean below = ends
                && value.isPresent()
                && gauge.capacity().isPresent()
                && value.getAsDouble() < gauge.capacity().getAsDouble();
        if (end == End.OVER_CAPACITY && below) {
            throw new Refusal(
                    "outcome",
                    "Over capacity, but " + Figures.significant(value.getAsDouble(), 4) + " " + field.unit()
                            + " lies below the "
                            + Figures.significant(gauge.capacity().getAsDouble(), 4) + " " + field.unit() + " of "
                            + gauge.name() + ": check the " + field.words() + ", the gauge and the outcome.");
        }
    }
}
