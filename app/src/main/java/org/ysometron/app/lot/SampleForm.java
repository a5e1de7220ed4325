package org.ysometron.app.lot;

import java.time.LocalDate;
import java.util.Locale;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.quantity.Dimension;

/** A sample as typed. */
public record SampleForm(
        @Nullable String label,
        Samples.@Nullable Place place,
        @Nullable String drawnBy,
        @Nullable String drawnFrom,
        @Nullable String drawnOn,
        @Nullable String holds) {

    /** An empty form. */
    public static SampleForm blank() {
        return new SampleForm("", null, "", "", "", "");
    }

    /** Puts the form where its fragment looks for it. */
    public static void show(Model model, SampleForm form, Problems problems) {
        model.addAttribute("sampleForm", form);
        model.addAttribute("sampleProblems", problems);
        model.addAttribute("places", Samples.Place.values());
    }

    Samples.@Nullable NewSample read(LocalDate today, Problems problems) {
        String name = problems.text("label", label, "The spool's or bottle's number", 20, true)
                .toUpperCase(Locale.ROOT);
        String who = problems.text("drawnBy", drawnBy, "Who drew it", 60, true);
        String where = problems.text("drawnFrom", drawnFrom, "Where it was taken from", 120, true);
        if (place == null) {
            problems.add("place", "Choose which part of the lot it stands for.");
        }
        LocalDate on = problems.date("drawnOn", drawnOn, today);
        return place == null ? null : new Samples.NewSample(name, place, who, where, on, amount(problems));
    }

    private Samples.Holds amount(Problems problems) {
        Entry content = problems.entry("holds", "What it holds", holds);
        OptionalDouble grams = content.quantity(Dimension.MASS);
        return grams.isPresent() ? new Samples.Holds(content.typed(), grams) : Samples.Holds.UNKNOWN;
    }
}
