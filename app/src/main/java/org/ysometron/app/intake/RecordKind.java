package org.ysometron.app.intake;

import static org.ysometron.app.intake.Field.choice;
import static org.ysometron.app.intake.Field.lines;
import static org.ysometron.app.intake.Field.moment;
import static org.ysometron.app.intake.Field.quantity;
import static org.ysometron.app.intake.Field.words;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.material.Drying;
import org.ysometron.core.publication.Family;
import org.ysometron.core.quantity.Dimension;

/** The sorts of record that intake keeps, each with its fields. A new one is a constant here and a reduction in Reductions. */
enum RecordKind {
    HAND_DIAMETER(
            "Diameter by hand",
            "Ten places along the spool, callipers or micrometer, two perpendicular readings each.",
            Family.FILAMENT,
            List.of(lines("places", "Two diameters a line, in mm", true, "1.75 1.74"))),
    DRYING(
            "State of the material",
            "How the filament was dried and kept. The conditioning of printed parts is another clock.",
            Family.FILAMENT,
            List.of(
                    moment("ended", "Drying ended"),
                    quantity("temperature", "At", Dimension.TEMPERATURE, true, "80 °C"),
                    quantity("time", "For", Dimension.TIME, true, "6 h"),
                    choice(
                            "kept",
                            "Kept since in",
                            Arrays.stream(Drying.Kept.values())
                                    .map(kept -> new Field.Option(kept.name(), kept.words()))
                                    .toList()),
                    quantity("humidity", "Humidity there", Dimension.RATIO, false, "18 %"),
                    quantity("before", "Mass before drying", Dimension.MASS, false),
                    quantity("after", "Mass after drying", Dimension.MASS, false))),
    FILAMENT_DENSITY(
            "Density of the filament",
            "One determination a record: by displacement, or by mass, length and diameter of a piece.",
            Family.FILAMENT,
            List.of(
                    quantity("density", "Density", Dimension.DENSITY, true, "1.36 g/cm³"),
                    words("how", "How", false, "displacement in ethanol"))),
    RESIN(
            "Resin as it arrived",
            "Uncured resin sensitises: gloves, ventilation, and never sniff it to rate it; its safety data sheet comes first.",
            Family.RESIN,
            List.of(
                    quantity("density", "Density", Dimension.DENSITY, false),
                    quantity("viscosity", "Viscosity", Dimension.VISCOSITY, false),
                    quantity("viscosityAt", "at", Dimension.TEMPERATURE, false),
                    quantity("printedAt", "Resin temperature at printing", Dimension.TEMPERATURE, false),
                    words("hardness", "Hardness", false, "75 Shore D"))),
    CURE_DEPTH(
            "Cure depth against exposure",
            "Five exposures or more, each with the depth it cured.",
            Family.RESIN,
            List.of(
                    choice(
                            "unit",
                            "Exposures in",
                            List.of(new Field.Option("s", "s"), new Field.Option("mJ/cm²", "mJ/cm²"))),
                    words("source", "Light source", true, "engine 2, 405 nm"),
                    lines("points", "An exposure and its depth in mm a line", true, "2.0 0.094"),
                    words("recipe", "Exposure in use, same unit", false, "2.4"),
                    quantity("layer", "Layer height", Dimension.LENGTH, false, "0.05 mm"),
                    words("overcure", "Depth wanted, in layers", false, "2"))),
    ARTEFACT(
            "Accuracy artefact",
            "Outer and inner sizes in X and Y, heights in Z, measured on the printed artefact.",
            null,
            List.of(
                    words("printer", "Printer", true, "printer 3"),
                    lines(
                            "features",
                            "Axis, kind (outer, inner, height), nominal and measured in mm a line",
                            true,
                            "X outer 20 20.06"),
                    quantity("layer", "Layer height", Dimension.LENGTH, false, "0.05 mm"))),
    FIT(
            "Fit check",
            "A thread or hole against its gauge.",
            null,
            List.of(
                    words("feature", "Thread or hole", true, "M6 thread"),
                    choice(
                            "fit",
                            "It goes",
                            List.of(
                                    new Field.Option("GO", "go"),
                                    new Field.Option("TIGHT", "tight"),
                                    new Field.Option("NO_GO", "no-go"))),
                    words("correction", "Correction done (tap, die)", false, "tapped by hand"))),
    SETTINGS(
            "Settings in use",
            "What really works here, beside what is recommended; the difference is kept.",
            null,
            List.of(
                    words("printer", "Printer", true, "printer 3"),
                    quantity("NOZZLE_TEMPERATURE", "Nozzle temperature", Dimension.TEMPERATURE, false, "255 °C"),
                    quantity("BED_TEMPERATURE", "Bed temperature", Dimension.TEMPERATURE, false, "100 °C"),
                    quantity("FAN", "Fan setting", Dimension.RATIO, false),
                    quantity("LAYER_EXPOSURE", "Layer exposure", Dimension.TIME, false, "2.4 s"),
                    quantity("RESIN_TEMPERATURE", "Resin temperature", Dimension.TEMPERATURE, false)));

    /** The site's size gate in force when an artefact was measured; written by the application, never typed with the sizes. */
    static final Field GATE = quantity("gate", "Largest error allowed", Dimension.LENGTH, false);

    private final String title;
    private final String hint;
    private final @Nullable Family family;
    // Made by List.of of records alone.
    @SuppressWarnings("ImmutableEnumChecker")
    private final List<Field> fields;

    RecordKind(String title, String hint, @Nullable Family family, List<Field> fields) {
        this.title = title;
        this.hint = hint;
        this.family = family;
        this.fields = fields;
    }

    public String title() {
        return title;
    }

    public String hint() {
        return hint;
    }

    public List<Field> fields() {
        return fields;
    }

    /** Whether a product of the family is measured so. */
    boolean isFor(Family wanted) {
        return family == null || family == wanted;
    }
}
