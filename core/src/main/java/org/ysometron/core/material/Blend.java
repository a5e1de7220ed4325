package org.ysometron.core.material;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.working.Figures;

/**
 * What a lot was mixed by: the revision of its formulation, and its colour masterbatch with the share of it. Lots of two blends
 * share no series, for a colour alone may weaken a material (common practice, no source).
 *
 * @param formulation revision of the formulation; empty when nobody said
 * @param masterbatch grade of the colour masterbatch, not its lot; empty where there is none
 * @param share of masterbatch in % of mass, above 0 and below 100; 0 where there is none
 */
public record Blend(String formulation, String masterbatch, double share) {

    /** Nobody said anything. */
    public static final Blend UNKNOWN = new Blend("", "", 0);

    /**
     * Blanks at the ends and doubled blanks within are no difference.
     *
     * @throws IllegalArgumentException when a masterbatch has no share, a share no masterbatch, or the share is none
     */
    public Blend {
        formulation = plain(formulation);
        masterbatch = plain(masterbatch);
        if (!(share >= 0 && share < 100)) {
            throw new IllegalArgumentException("a share of masterbatch of " + share + " %");
        }
        if (masterbatch.isEmpty() != (share == 0)) {
            throw new IllegalArgumentException("masterbatch '" + masterbatch + "' at " + share + " %");
        }
    }

    private static String plain(String typed) {
        return typed.strip().replaceAll("\\s+", " ");
    }

    /** Whether both are one blend; capitals make no other. */
    public boolean isSame(Blend other) {
        return formulation.equalsIgnoreCase(other.formulation) && isSameColour(other);
    }

    private boolean isSameColour(Blend other) {
        return masterbatch.equalsIgnoreCase(other.masterbatch) && Double.compare(share, other.share) == 0;
    }

    /** "formulation F3, masterbatch SL-7 at 2 %"; empty when nobody said. */
    public String words() {
        List<String> parts = new ArrayList<>();
        if (!formulation.isEmpty()) {
            parts.add("formulation " + formulation);
        }
        if (!masterbatch.isEmpty()) {
            parts.add(colour());
        }
        return String.join(", ", parts);
    }

    private String colour() {
        return masterbatch.isEmpty() ? "no masterbatch" : "masterbatch " + masterbatch + " at " + percent();
    }

    private String percent() {
        return Figures.plain(share, 4) + " %";
    }

    /** In what it differs from the one before, in words: "formulation F4 (before: F3)"; nothing where it is the same. */
    public List<String> differences(Blend before) {
        List<String> found = new ArrayList<>();
        if (!formulation.equalsIgnoreCase(before.formulation)) {
            found.add("formulation " + said(formulation) + " (before: " + said(before.formulation) + ")");
        }
        if (!isSameColour(before)) {
            found.add(colour() + " (before: " + before.colour() + ")");
        }
        return found;
    }

    private static String said(String formulation) {
        return formulation.isEmpty() ? "not on record" : formulation;
    }
}
