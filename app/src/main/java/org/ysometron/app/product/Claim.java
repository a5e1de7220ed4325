package org.ysometron.app.product;

import org.jspecify.annotations.Nullable;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.claim.Requirement;

/**
 * A published statement that evidence can bear out, ready to be judged.
 *
 * @param id its key
 * @param property what it is about
 * @param form in which form it is promised
 * @param published the value as published, with its form
 * @param requirement what it promises, in working units
 * @param conditions the terms under which it is meant
 * @param rivalId the product it claims to be better than; null unless it does
 * @param reference treatment that a ratio of treated to reference is over; empty for none, and for every other claim
 */
public record Claim(
        long id,
        Characteristic property,
        Form form,
        String published,
        Requirement requirement,
        Conditions conditions,
        @Nullable Long rivalId,
        String reference) {

    /** The same claim, judged with a guard band; one about every part has its content and confidence instead. */
    public Claim guarded(GuardBand band) {
        return isOfEveryPart()
                ? this
                : new Claim(id, property, form, published, requirement.guarded(band), conditions, rivalId, reference);
    }

    /** Whether it promises something of every stretch of filament, and not of a mean. */
    public boolean isOfEveryPart() {
        return property.equals(OfMaterial.FILAMENT_DIAMETER) || property.equals(OfMaterial.FILAMENT_OVALITY);
    }

    /** Characteristic and orientation: "Tensile strength, ZX upright". A ratio names both orientations already. */
    public String title() {
        return titleOf(property, conditions);
    }

    /** The title for a property under these terms. */
    public static String titleOf(Characteristic property, Conditions conditions) {
        String orientation = conditions.orientation().words();
        return property.isRatio() || orientation.isEmpty() ? property.title() : property.title() + ", " + orientation;
    }

    /** The terms but for the orientation of a ratio, which has two. */
    public String terms() {
        return property.isRatio() ? conditions.wordsOver(property.ratio(), reference) : conditions.words();
    }

    /** The terms of a property's series in words. */
    public static String termsOf(Characteristic property, Conditions conditions) {
        return property.isRatio() ? conditions.wordsOver(property.ratio(), "") : conditions.words();
    }

    /** Whether a series of this property under these terms is what the claim speaks of. */
    public boolean speaksOf(Characteristic other, Conditions terms) {
        // The charts of a ratio to a treatment are over specimens without any.
        return property.equals(other) && reference.isEmpty() && (!property.isMechanical() || conditions.equals(terms));
    }

    /** The terms of what a ratio is the ratio to. */
    public Conditions below() {
        return conditions.below(property.ratio(), reference);
    }
}
