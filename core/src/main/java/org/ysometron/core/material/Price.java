package org.ysometron.core.material;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;

/**
 * A price with what it takes to compare it: what was in the pack, when, with which tax and discount.
 *
 * @param amount paid for the pack, above 0
 * @param currency three letters
 * @param packGrams what the pack holds, in g; for resin in ml, above 0
 * @param taxRate share of tax on the net price, 0 when none applies
 * @param taxIncluded whether {@code amount} includes it
 * @param discount share taken off the list price already, 0 to below 1
 * @param on day of the price
 */
public record Price(
        double amount,
        String currency,
        double packGrams,
        double taxRate,
        boolean taxIncluded,
        double discount,
        LocalDate on) {

    /** Beyond this many days apart two prices are not called alike (common practice, no source). */
    public static final int DAYS_APART = 92;

    /** Packs that differ by more than this factor are not called alike (common practice, no source). */
    public static final double PACKS_APART = 1.5;

    /** Checks the ranges. */
    public Price {
        if (!(amount > 0 && packGrams > 0 && taxRate >= 0 && taxRate < 1 && discount >= 0 && discount < 1)) {
            throw new IllegalArgumentException(
                    "a price needs an amount and a pack above zero, and tax and discount from 0 to below 100 %");
        }
    }

    /** Net list price of one kilogram (or litre): tax and discount taken out. */
    public double netPerKilogram() {
        double net = taxIncluded ? amount / (1 + taxRate) : amount;
        return net / (1 - discount) / packGrams * 1000;
    }

    /** Why the two cannot be compared like with like; empty when they can. */
    public List<String> differences(Price other) {
        List<String> found = new ArrayList<>();
        if (!currency.equals(other.currency)) {
            found.add("currency: " + currency + " and " + other.currency);
        }
        if (Math.abs(ChronoUnit.DAYS.between(on, other.on)) > DAYS_APART) {
            found.add("date: " + on + " and " + other.on);
        }
        double packs = packGrams / other.packGrams;
        if (packs > PACKS_APART || packs < 1 / PACKS_APART) {
            found.add("pack: " + Math.round(packGrams) + " and " + Math.round(other.packGrams));
        }
        return found;
    }
}
