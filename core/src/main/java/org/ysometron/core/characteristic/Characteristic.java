package org.ysometron.core.characteristic;

import java.util.Arrays;
import org.ysometron.core.quantity.Dimension;

/**
 * A characteristic: one name, one definition.
 *
 * @param id in words joined by dashes, such as shear-strength; stands in files, in the store and on the command line
 * @param title as it stands on pages and certificates
 * @param dimension what kind of quantity it is; a ratio for a share
 * @param digits significant digits that the measurement carries, 2 to 5
 * @param better which way is better for the one who buys
 * @param definition what exactly is meant, with formula and source
 * @param source what it is got from
 * @param ratioTitle what its ratio upright/flat is called; empty for the usual name
 * @param base of a ratio the id of what it is the ratio of, of a size the key of the field that is read; else empty
 */
public record Characteristic(
        String id,
        String title,
        Dimension dimension,
        int digits,
        Better better,
        String definition,
        Source source,
        String ratioTitle,
        String base) {

    /** As many as the store has room for. */
    private static final int LONGEST = 40;

    /** Which way is better. */
    public enum Better {
        MORE,
        LESS,
        NEITHER
    }

    /** What a characteristic is got from. */
    public enum Source {
        /** A test of single specimens. */
        METHOD,
        /** Sizes of single specimens. */
        SIZE,
        /** The material as it is supplied. */
        MATERIAL,
        /** Specimens under two terms. */
        RATIO
    }

    /** Checks name and digits. */
    public Characteristic {
        if (!id.matches("[a-z][a-z0-9-]+") || title.isBlank() || definition.isBlank()) {
            throw new IllegalArgumentException(
                    "a characteristic needs an id in small letters, a title and a definition");
        }
        if (id.length() > LONGEST) {
            throw new IllegalArgumentException(
                    "'" + id + "' has " + id.length() + " characters; with that of its ratio " + LONGEST + " are kept");
        }
        if (digits < 2 || digits > 5) {
            throw new IllegalArgumentException("'" + id + "' has " + digits + " digits; 2 to 5 are carried");
        }
    }

    /** Symbol of its working unit; empty for a ratio. */
    public String unit() {
        return dimension.workingUnit();
    }

    /** Whether it is got from printed specimens, so that it means nothing without the terms of the test. */
    public boolean isMechanical() {
        return source != Source.MATERIAL;
    }

    /** Whether it is worked out from specimens under two terms together. */
    public boolean isRatio() {
        return source == Source.RATIO;
    }

    /** Whether single specimens are tested for it. */
    public boolean isTested() {
        return source == Source.METHOD;
    }

    /** Whether it has ratios: what more is better of. */
    public boolean hasRatio() {
        return isTested() && better == Better.MORE && dimension.hasRatio();
    }

    /**
     * A ratio of it.
     *
     * @throws IllegalArgumentException where there is none
     */
    public Characteristic over(Ratio ratio) {
        if (!hasRatio()) {
            throw new IllegalArgumentException("'" + id + "' has no better way up: no ratio");
        }
        boolean named = ratio == Ratio.UPRIGHT_FLAT && !ratioTitle.isEmpty();
        return new Characteristic(
                ratio.idOf(id),
                named ? ratioTitle : ratio.titleOf(this),
                Dimension.RATIO,
                3,
                Better.MORE,
                ratio.definitionOf(this),
                Source.RATIO,
                "",
                id);
    }

    /**
     * Which ratio it is.
     *
     * @throws IllegalArgumentException when it is none
     */
    public Ratio ratio() {
        return Arrays.stream(Ratio.values())
                .filter(one -> isRatio() && id.equals(one.idOf(base)))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + id + "' is no ratio"));
    }
}
