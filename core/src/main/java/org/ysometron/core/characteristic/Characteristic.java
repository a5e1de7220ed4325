package org.ysometron.core.characteristic;

import org.ysometron.core.quantity.Dimension;

/**
 * A characteristic: one name, one definition.
 *
 * @param id in words joined by dashes, such as shear-strength; stands in files and on the command line
 * @param title as it stands on pages and certificates
 * @param dimension what kind of quantity it is; a ratio for a share
 * @param digits significant digits that the measurement carries, 2 to 5
 * @param better which way is better for the one who buys
 * @param definition what exactly is meant, with formula and source
 */
public record Characteristic(
        String id, String title, Dimension dimension, int digits, Better better, String definition) {

    /** Which way is better. */
    public enum Better {
        MORE,
        LESS,
        NEITHER
    }

    /** Checks name and digits. */
    public Characteristic {
        if (!id.matches("[a-z][a-z0-9-]+") || title.isBlank() || definition.isBlank()) {
            throw new IllegalArgumentException(
                    "a characteristic needs an id in small letters, a title and a definition");
        }
        if (digits < 2 || digits > 5) {
            throw new IllegalArgumentException("'" + id + "' has " + digits + " digits; 2 to 5 are carried");
        }
    }

    /** Symbol of its working unit; empty for a ratio. */
    public String unit() {
        return dimension.workingUnit();
    }

    /**
     * The ratio of upright to flat that exists for whatever more is better of: the layers' share of what the material bears.
     * {@code upright-flat-} stands before its id.
     */
    public Characteristic uprightOverFlat() {
        if (better != Better.MORE) {
            throw new IllegalArgumentException("'" + id + "' has no better way up: no ratio upright/flat");
        }
        return new Characteristic(
                "upright-flat-" + id,
                "Upright/flat ratio, " + title.toLowerCase(java.util.Locale.ROOT),
                Dimension.RATIO,
                3,
                Better.MORE,
                "mean upright over mean flat of one lot: " + definition);
    }
}
