package org.ysometron.app.bench;

import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Property;
import org.ysometron.core.method.Outcome;
import org.ysometron.core.quantity.Plausibility;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.working.Figures;

/** Whether a reading can be taken: a number, of the right dimension, plausible, at one with its outcome. */
@Component
class ReadingCheck {

    /** Longest text that a reading may be typed as. */
    private static final int LONGEST = 40;

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
     * The value in the working unit.
     *
     * @param checkedBefore whether its plausibility was settled already, as in an import that was previewed
     */
    double value(
            LotView lot, SpecimenView specimen, Bench.Entry entry, InstrumentView instrument, boolean checkedBefore) {
        Typed.Accepted accepted = read(entry.quantity(), entry.place(), entry.typed());
        double value = accepted.value();
        if (entry.quantity() == Quantity.FORCE) {
            checkOutcome(entry.outcome(), value, instrument);
        }
        boolean confirmed = entry.confirmed().equals(entry.typed().strip());
        if (!checkedBefore && !confirmed) {
            Optional<String> doubt = doubt(lot, specimen, entry.quantity(), value);
            if (doubt.isPresent()) {
                throw new Doubted(doubt.get());
            }
        }
        return value;
    }

    /** The number typed, or a refusal that says what would do. */
    Typed.Accepted read(Quantity quantity, int place, String typed) {
        if (typed.strip().length() > LONGEST) {
            throw new Refusal("typed", "That is too long for a reading; expected for example 3.98 or 3.98 mm.");
        }
        String where = quantity.places() == 1 ? quantity.words() : quantity.words() + " " + place;
        Typed read = Typed.read(where, typed, quantity.unit());
        if (read instanceof Typed.Accepted accepted) {
            return accepted;
        }
        throw new Refusal("typed", ((Typed.Refused) read).problem().beside());
    }

    /** A question about a value that is far from the one expected. */
    Optional<String> doubt(LotView lot, SpecimenView specimen, Quantity quantity, double value) {
        return switch (quantity) {
            case WIDTH -> Plausibility.OF_A_DIMENSION.doubt(value, specimen.nominal(true), "mm");
            case THICKNESS -> Plausibility.OF_A_DIMENSION.doubt(value, specimen.nominal(false), "mm");
            case FORCE -> {
                OptionalDouble strength = expectedStrength(lot, specimen);
                yield strength.isEmpty()
                        ? Optional.empty()
                        : Plausibility.OF_A_FORCE.doubt(
                                value, strength.getAsDouble() * specimen.nominal(true) * specimen.nominal(false), "N");
            }
        };
    }

    /** Strength to be expected, from the lots before, else from the claim; in MPa. */
    OptionalDouble expectedStrength(LotView lot, SpecimenView specimen) {
        Optional<EarlierLots.Earlier> before = earlier.strengths(lot, specimen.conditions());
        if (before.isPresent()) {
            return OptionalDouble.of(before.get().mean());
        }
        return publications.claims(lot.datasheetId()).stream()
                .filter(claim -> claim.property() == Property.TENSILE_STRENGTH && claim.form() != Form.BETTER_THAN)
                .filter(claim -> claim.conditions().orientation()
                        == specimen.conditions().orientation())
                .map(Claim::requirement)
                .map(requirement -> requirement.lower())
                .findFirst()
                .orElse(OptionalDouble.empty());
    }

    private static void checkOutcome(
            @org.jspecify.annotations.Nullable Outcome outcome, double force, InstrumentView gauge) {
        if (outcome == null) {
            throw new Refusal("outcome", "Say how the test ended.");
        }
        boolean below = gauge.capacity().isPresent() && force < gauge.capacity().getAsDouble();
        if (outcome == Outcome.OVER_CAPACITY && below) {
            throw new Refusal(
                    "outcome",
                    "Over capacity, but " + Figures.significant(force, 4) + " N lies below the "
                            + Figures.significant(gauge.capacity().getAsDouble(), 4) + " N of " + gauge.name()
                            + ": check the force, the gauge and the outcome.");
        }
    }
}
