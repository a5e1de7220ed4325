package org.ysometron.app.lot;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * A set of specimens as typed. Orientation is never guessed.
 *
 * @param request key that makes sending the form twice harmless
 */
public record SetForm(
        @Nullable String request,
        @Nullable Orientation orientation,
        @Nullable Conditioning conditioning,
        @Nullable String rate,
        @Nullable String count) {

    /** A form with the usual values and no orientation. */
    public static SetForm blank() {
        return new SetForm(UUID.randomUUID().toString(), null, Conditioning.DRY, "5 mm/min", "5");
    }

    /** Puts the form where its fragment looks for it. */
    public static void show(Model model, SetForm form, Problems problems) {
        model.addAttribute("setForm", form);
        model.addAttribute("setProblems", problems);
        model.addAttribute("orientations", Orientation.values());
        model.addAttribute("states", Conditioning.values());
        model.addAttribute("design", SpecimenDesign.TENSION_BAR_4.title());
    }

    Lots.NewSet read(Problems problems) {
        if (orientation == null) {
            problems.add("orientation", "Choose how the specimens lay on the plate.");
        }
        int specimens = 0;
        try {
            specimens = Integer.parseInt(String.valueOf(count).strip());
        } catch (NumberFormatException notWhole) {
            problems.add(
                    "count", "'" + count + "' is not a number of specimens; expected 1 to " + Lots.LARGEST_SET + ".");
        }
        Typed speed = Typed.read("Rate", rate == null ? "" : rate, UnitOfMeasure.working(Dimension.SPEED));
        if (speed instanceof Typed.Refused refused) {
            problems.add("rate", refused.problem().beside());
        }
        return new Lots.NewSet(
                request == null || request.isBlank() || request.length() > 40
                        ? UUID.randomUUID().toString()
                        : request,
                SpecimenDesign.TENSION_BAR_4,
                orientation == null ? Orientation.XY : orientation,
                Basis.SOLID,
                conditioning == null ? Conditioning.DRY : conditioning,
                speed instanceof Typed.Accepted accepted ? accepted.value() : 0,
                specimens);
    }
}
