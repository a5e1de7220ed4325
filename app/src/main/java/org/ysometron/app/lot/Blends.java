package org.ysometron.app.lot;

import org.jspecify.annotations.Nullable;
import org.ysometron.app.web.Problems;
import org.ysometron.core.material.Blend;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** Reads what a lot was mixed by, from a form or a row. */
public final class Blends {

    private static final int LONGEST_FORMULATION = 40;
    private static final int LONGEST_MASTERBATCH = 60;

    private Blends() {}

    /** The blend; what is wrong is added under {@code formulation}, {@code masterbatch} and {@code masterbatchShare}. */
    public static Blend read(
            @Nullable String formulation, @Nullable String masterbatch, @Nullable String share, Problems problems) {
        String revision = problems.text("formulation", formulation, "The formulation", LONGEST_FORMULATION, false);
        String grade = problems.text("grade", masterbatch, "The masterbatch", LONGEST_MASTERBATCH, false);
        String typed = share == null ? "" : share.strip();
        double percent = 0;
        if (grade.isEmpty() && !typed.isEmpty()) {
            problems.add("grade", "A share of " + typed + ", but of which masterbatch?");
        } else if (!grade.isEmpty()) {
            percent = percent(typed);
            if (percent == 0) {
                problems.add(
                        "masterbatchShare",
                        typed.isEmpty()
                                ? "Say how much of masterbatch " + grade + " there is, for example 2 %."
                                : "'" + typed + "' is no share of masterbatch; expected for example 2 %.");
            }
        }
        return problems.none() ? new Blend(revision, grade, percent) : Blend.UNKNOWN;
    }

    /** In %; 0 where the text is no share above 0 and below 100 %. */
    private static double percent(String typed) {
        Typed read = Typed.read(
                "Masterbatch", typed.endsWith("%") ? typed : typed + " %", UnitOfMeasure.working(Dimension.RATIO));
        if (read instanceof Typed.Accepted accepted && accepted.value() > 0 && accepted.value() < 1) {
            // Rounded to what anybody can weigh in, so that 2 % is 2 % whatever the way it was typed.
            return Math.round(accepted.value() * 1e8) / 1e6;
        }
        return 0;
    }
}
