package org.ysometron.app.lot;

import java.time.LocalDateTime;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.quantity.Dimension;

/**
 * A set of specimens as typed. Orientation is never guessed.
 *
 * @param request key that makes sending the form twice harmless
 * @param method id of the method; the usual one where none is named
 * @param design specimen; the method's usual one where none is chosen
 */
public record SetForm(
        @Nullable String request,
        @Nullable String method,
        @Nullable SpecimenDesign design,
        @Nullable Notch notch,
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
        return new SetForm(
                UUID.randomUUID().toString(),
                Methods.usual().data().id(),
                null,
                Notch.NONE,
                null,
                Conditioning.DRY,
                "5 mm/min",
                "5",
                null,
                "",
                "",
                "");
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
        model.addAttribute("setMethods", Methods.all());
        model.addAttribute("setDesigns", Designs.offered());
        model.addAttribute("setNotches", Notch.values());
    }

    Lots.NewSet read(boolean resin, Problems problems) {
        SpecimenDesign piece = design == null
                ? Methods.of(method == null ? "" : method)
                        .orElseGet(Methods::usual)
                        .data()
                        .designs()
                        .get(0)
                : design;
        boolean printed = piece.isPrinted();
        if (orientation == null && printed) {
            problems.add("orientation", "Choose how the specimens lay on the plate.");
        }
        int specimens =
                problems.entry("count", "The number of specimens", count).neededWhole(1, Lots.LARGEST_SET);
        String cure = problems.text("process", process, "Exposure and cure", 120, resin);
        LocalDateTime made =
                problems.entry("madeAt", "When it was made", madeAt).moment().orElse(null);
        LocalDateTime climate = problems.entry("conditionedFrom", "When it went into the climate", conditionedFrom)
                .moment()
                .orElse(null);
        if (climate != null && conditioning != Conditioning.CONDITIONED) {
            problems.add("conditionedFrom", "Only a conditioned set has a conditioning clock.");
        }
        if (climate != null && made != null && climate.isBefore(made)) {
            problems.add("conditionedFrom", "The set cannot go into the climate before it was made.");
        }
        Method tested = method == null || method.isBlank()
                ? Methods.usual()
                : Methods.of(method).orElseGet(Methods::usual);
        if (method != null && !method.isBlank() && Methods.of(method).isEmpty()) {
            problems.add("method", "Choose a method of the catalogue.");
        }
        SpecimenDesign specimen = design == null ? tested.data().designs().get(0) : design;
        if (!Designs.isOffered(specimen)) {
            problems.add("method", "The " + specimen.title() + " is withdrawn; choose its later revision or another.");
        }
        if (!Designs.fits(tested, specimen)) {
            problems.add(
                    "method",
                    tested.data().title() + " is not done on a " + specimen.title() + ": choose "
                            + Designs.of(tested).stream()
                                    .filter(Designs::isOffered)
                                    .map(SpecimenDesign::title)
                                    .collect(Collectors.joining(" or "))
                            + ".");
        }
        Notch faces = notch == null ? Notch.NONE : notch;
        if (!new PlannedTest.Specimen(specimen, faces).isWhole()) {
            problems.add(
                    "method",
                    faces == Notch.NONE
                            ? "Say which way its notch faces."
                            : "A " + specimen.title() + " has no notch.");
        }
        double speed = tested.data().rated()
                ? problems.entry("rate", "Rate", rate)
                        .neededQuantity(Dimension.SPEED)
                        .orElse(0)
                : 0;
        return new Lots.NewSet(
                request == null || request.isBlank() || request.length() > 40
                        ? UUID.randomUUID().toString()
                        : request,
                specimen,
                !printed ? Orientation.NONE : orientation == null ? Orientation.XY : orientation,
                printed ? Basis.SOLID : Basis.AS_SUPPLIED,
                !printed ? Conditioning.NONE : conditioning == null ? Conditioning.DRY : conditioning,
                speed,
                specimens,
                new Lots.Making(sample, cure, made, climate),
                new Lots.Purpose(tested.data().id(), faces, Build.NONE, 1));
    }
}
