package org.ysometron.app.lot;

import org.jspecify.annotations.Nullable;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.material.Blend;

/** Reads what a lot was mixed by, from a form or a row. */
public final class Blends {

    private static final int LONGEST_FORMULATION = 40;
    private static final int LONGEST_MASTERBATCH = 60;
    private static final double WHOLE = 100;

    private Blends() {}

    /** The blend; what is wrong is added under {@code formulation}, {@code masterbatch} and {@code masterbatchShare}. */
    public static Blend read(
            @Nullable String formulation, @Nullable String masterbatch, @Nullable String share, Problems problems) {
        String revision = problems.text("formulation", formulation, "The formulation", LONGEST_FORMULATION, false);
        String grade = problems.text("grade", masterbatch, "The masterbatch", LONGEST_MASTERBATCH, false);
        Entry part = problems.entry("masterbatchShare", "The masterbatch", share);
        double percent = 0;
        if (grade.isEmpty() && !part.isBlank()) {
            problems.add("grade", "A share of " + part.typed() + ", but of which masterbatch?");
        } else if (!grade.isEmpty()) {
            percent = WHOLE * part.share().orElse(0);
            if (percent == 0 || percent == WHOLE) {
                problems.add(
                        "masterbatchShare", "Say how much of masterbatch " + grade + " there is, for example 2 %.");
            }
        }
        return problems.none() ? new Blend(revision, grade, percent) : Blend.UNKNOWN;
    }
}
