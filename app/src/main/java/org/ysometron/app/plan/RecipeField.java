package org.ysometron.app.plan;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Rounding;

/** What a reference recipe freezes. */
@SuppressWarnings("ImmutableEnumChecker") // topics cannot be changed
public enum RecipeField {
    NOZZLE(Family.FILAMENT, "Nozzle", Dimension.TEMPERATURE, Topic.NOZZLE_TEMPERATURE, "255 °C"),
    BED(Family.FILAMENT, "Bed", Dimension.TEMPERATURE, Topic.BED_TEMPERATURE, "100 °C"),
    CHAMBER(Family.FILAMENT, "Chamber", null, null, "closed, unheated"),
    FAN(Family.FILAMENT, "Fan", null, Topic.FAN, "10 %"),
    FLOW(Family.FILAMENT, "Flow limit", null, Topic.FLOW_LIMIT, "10 mm³/s"),
    LAYER(Family.FILAMENT, "Layer", Dimension.LENGTH, null, "0.2 mm"),
    WALLS(Family.FILAMENT, "Walls", null, null, "all walls"),
    INFILL(Family.FILAMENT, "Infill and pattern", null, null, "100 %, lines at ± 45°"),
    LINE_WIDTH(Family.FILAMENT, "Line width", Dimension.LENGTH, null, "0.45 mm"),
    CHAMBER_TEMPERATURE(
            Family.FILAMENT, "Chamber, heated to", Dimension.TEMPERATURE, Topic.CHAMBER_TEMPERATURE, "60 °C", false),
    NOZZLE_DIAMETER(Family.FILAMENT, "Nozzle's diameter", Dimension.LENGTH, null, "0.4 mm", false),
    NOZZLE_MATERIAL(Family.FILAMENT, "Nozzle's material", null, Topic.NOZZLE_HARDNESS, "hardened steel", false),
    FAN_BY_LAYER(Family.FILAMENT, "Fan by layer", null, null, "off up to layer 3", false),
    SPEED(Family.FILAMENT, "Speed", Dimension.SPEED, null, "50 mm/s", false),
    TOPS(Family.FILAMENT, "Tops and bottoms", null, null, "5 layers", false),
    EXTRUSION(Family.FILAMENT, "Extrusion factor", Dimension.RATIO, null, "0.98", false),
    LEAST_LAYER_TIME(Family.FILAMENT, "Least time of a layer", Dimension.TIME, null, "10 s", false),
    BED_SURFACE(Family.FILAMENT, "Bed surface", null, Topic.BED_SURFACE, "textured sheet", false),
    ADHESIVE(Family.FILAMENT, "Adhesive", null, Topic.ADHESIVE, "none", false),
    DRYER_IN_LINE(Family.FILAMENT, "Dryer in line", null, null, "dry box at 15 %", false),
    PARTS_ORDER(Family.FILAMENT, "Parts", null, null, "all at once", false),
    RESIN_LAYER(Family.RESIN, "Layer", Dimension.LENGTH, null, "0.05 mm"),
    EXPOSURE(Family.RESIN, "Exposure", Dimension.TIME, Topic.LAYER_EXPOSURE, "2.4 s"),
    BOTTOM_EXPOSURE(Family.RESIN, "Bottom exposure", Dimension.TIME, null, "30 s"),
    LIFT(Family.RESIN, "Lift", null, null, "6 mm at 60 mm/min"),
    RESIN_TEMPERATURE(Family.RESIN, "Resin", Dimension.TEMPERATURE, Topic.RESIN_TEMPERATURE, "25 °C"),
    WASH(Family.RESIN, "Wash", null, Topic.WASH, "two baths of 3 min"),
    CURE(Family.RESIN, "Cure", null, Topic.CURE, "60 min at 60 °C"),
    LIGHT_SOURCE(Family.RESIN, "Light source", null, null, "engine 2, 405 nm", false),
    MEASURED_DOSE(Family.RESIN, "Dose of a layer, measured", Dimension.DOSE, null, "14 mJ/cm²", false),
    FILM(Family.RESIN, "Film of the vat", null, null, "fluoropolymer, 0.1 mm", false),
    SLICER(null, "Slicer and version", null, null, "slicer A, 2.7", false),
    PRINT_FILE(
            null,
            "Print file, SHA-256",
            null,
            null,
            "e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855",
            false);

    private final @Nullable Family family;
    private final String title;
    private final @Nullable Dimension dimension;
    private final @Nullable Topic topic;
    private final String example;
    private final boolean required;

    RecipeField(Family family, String title, @Nullable Dimension dimension, @Nullable Topic topic, String example) {
        this(family, title, dimension, topic, example, true);
    }

    RecipeField(
            @Nullable Family family,
            String title,
            @Nullable Dimension dimension,
            @Nullable Topic topic,
            String example,
            boolean required) {
        this.required = required;
        this.family = family;
        this.title = title;
        this.dimension = dimension;
        this.topic = topic;
        this.example = example;
    }

    /** The fields of a family's recipe. */
    public static List<RecipeField> of(Family family) {
        return Arrays.stream(values())
                .filter(field -> field.family == null || field.family == family)
                .toList();
    }

    /** Kelvins by which a temperature may be off without a series of its own (common practice, no source). */
    private static final double NO_MATTER = 3;

    /** Whether a value that differs from the recipe's starts a series of its own: all do, but a temperature that is off by a little. */
    public boolean matters(String frozen, String used) {
        if (dimension != Dimension.TEMPERATURE) {
            return this != PRINT_FILE && this != SLICER;
        }
        OptionalDouble first = figure(frozen);
        OptionalDouble then = figure(used);
        return first.isEmpty() || then.isEmpty() || Rounding.beyond(then.getAsDouble(), first.getAsDouble(), NO_MATTER);
    }

    /** The figure of an entry in the working unit of the field's quantity, or of its topic's; empty where words stand there. */
    OptionalDouble figure(String text) {
        Optional<Dimension> quantity = dimension().or(() -> topic().flatMap(Topic::dimension));
        if (quantity.isEmpty() || text.isBlank()) {
            return OptionalDouble.empty();
        }
        Entry entry = new Problems().entry(name(), title, text);
        return quantity.get() == Dimension.RATIO ? entry.share() : entry.quantity(quantity.get());
    }

    /** Whether a recipe must say it; the others it had better. */
    public boolean isRequired() {
        return required;
    }

    /** What it is, in words. */
    public String title() {
        return title;
    }

    /** Its dimension; empty for what is said in words. */
    public Optional<Dimension> dimension() {
        return Optional.ofNullable(dimension);
    }

    /** The topic under which the datasheet recommends it. */
    public Optional<Topic> topic() {
        return Optional.ofNullable(topic);
    }

    /** An example of what is typed. */
    public String example() {
        return example;
    }
}
