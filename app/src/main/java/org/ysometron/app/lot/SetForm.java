package org.ysometron.app.lot;

import java.time.LocalDateTime;
import java.util.List;
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
        @Nullable String count,
        @Nullable Long sample,
        @Nullable String process,
        @Nullable String madeAt,
        @Nullable String conditionedFrom) {

    /** A form with the usual values and no orientation. */
    public static SetForm blank() {
        return new SetForm(UUID.randomUUID().toString(), null, Conditioning.DRY, "5 mm/min", "5", null, "", "", "");
    }

    /** Puts the form where its fragment looks for it. */
    public static void show(
            Model model, SetForm form, List<Samples.SampleView> samples, boolean resin, Problems problems) {
        model.addAttribute("setSamples", samples);
        model.addAttribute("setResin", resin);
        model.addAttribute("setForm", form);
        model.addAttribute("setProblems", problems);
        model.addAttribute("orientations", Orientation.ofSpecimens());
        model.addAttribute("states", Conditioning.ofSpecimens());
        model.addAttribute("design", SpecimenDesign.TENSION_BAR_4.title());
    }

    Lots.NewSet read(boolean resin, Problems problems) {
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
        String cure = problems.text("process", process, "Exposure and cure", 120, resin);
        LocalDateTime made = time("madeAt", madeAt, problems);
        LocalDateTime climate = time("conditionedFrom", conditionedFrom, problems);
        if (climate != null && conditioning != Conditioning.CONDITIONED) {
            problems.add("conditionedFrom", "Only a conditioned set has a conditioning clock.");
        }
        if (climate != null && made != null && climate.isBefore(made)) {
            problems.add("conditionedFrom", "The set cannot go into the climate before it was made.");
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
                specimens,
                new Lots.Making(sample, cure, made, climate));
    }

    private static @Nullable LocalDateTime time(String field, @Nullable String typed, Problems problems) {
        return typed == null || typed.isBlank() ? null : problems.moment(field, typed);
    }
}
