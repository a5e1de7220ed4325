package org.ysometron.app.product;

import java.util.OptionalDouble;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Property;
import org.ysometron.core.claim.Requirement;

/**
 * A published claim, ready to be judged.
 *
 * @param id its key
 * @param property what it is about
 * @param asTyped the value as published
 * @param requirement what it promises, in working units
 * @param conditions the terms under which it is meant
 */
public record Claim(long id, Property property, String asTyped, Requirement requirement, Conditions conditions) {

    /**
     * A claim about to be published.
     *
     * @param lower lower edge in the working unit
     * @param upper upper edge in the working unit
     */
    public record Draft(
            Property property,
            String asTyped,
            OptionalDouble lower,
            OptionalDouble upper,
            int minimumN,
            Conditions conditions) {}

    /** Property and orientation: "Tensile strength, ZX upright". A ratio names both orientations already. */
    public String title() {
        return titleOf(property, conditions);
    }

    /** The title for a property under these terms. */
    public static String titleOf(Property property, Conditions conditions) {
        return property.isRatio()
                ? property.title()
                : property.title() + ", " + conditions.orientation().words();
    }

    /** The terms but for the orientation of a ratio, which has two. */
    public String terms() {
        return termsOf(property, conditions);
    }

    /** The terms of a property's series in words. */
    public static String termsOf(Property property, Conditions conditions) {
        return property.isRatio()
                ? conditions.words().replace(conditions.orientation().words(), "ZX upright over XY flat")
                : conditions.words();
    }
}
