package org.ysometron.app.plan;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;

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
    RESIN_LAYER(Family.RESIN, "Layer", Dimension.LENGTH, null, "0.05 mm"),
    EXPOSURE(Family.RESIN, "Exposure", Dimension.TIME, Topic.LAYER_EXPOSURE, "2.4 s"),
    BOTTOM_EXPOSURE(Family.RESIN, "Bottom exposure", Dimension.TIME, null, "30 s"),
    LIFT(Family.RESIN, "Lift", null, null, "6 mm at 60 mm/min"),
    RESIN_TEMPERATURE(Family.RESIN, "Resin", Dimension.TEMPERATURE, Topic.RESIN_TEMPERATURE, "25 °C"),
    WASH(Family.RESIN, "Wash", null, Topic.WASH, "two baths of 3 min"),
    CURE(Family.RESIN, "Cure", null, Topic.CURE, "60 min at 60 °C");

    private final Family family;
    private final String title;
    private final @Nullable Dimension dimension;
    private final @Nullable Topic topic;
    private final String example;

    RecipeField(Family family, String title, @Nullable Dimension dimension, @Nullable Topic topic, String example) {
        this.family = family;
        this.title = title;
        this.dimension = dimension;
        this.topic = topic;
        this.example = example;
    }

    /** The fields of a family's recipe. */
    public static List<RecipeField> of(Family family) {
        return Arrays.stream(values()).filter(field -> field.family == family).toList();
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
