package org.ysometron.core.publication;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Property;
import org.ysometron.core.quantity.Dimension;

/** What a publication can say something about. Names are fixed; a fan speed is never called a temperature. */
public enum Topic {
    TENSILE_STRENGTH("Tensile strength", Dimension.STRESS, null, Property.TENSILE_STRENGTH),
    UPRIGHT_FLAT_RATIO("Upright/flat ratio", Dimension.RATIO, null, Property.UPRIGHT_FLAT_RATIO),
    SECTION_WIDTH("Section width", Dimension.LENGTH, null, Property.SECTION_WIDTH),
    SECTION_THICKNESS("Section thickness", Dimension.LENGTH, null, Property.SECTION_THICKNESS),
    DIAMETER("Filament diameter", Dimension.LENGTH, Family.FILAMENT, Property.FILAMENT_DIAMETER),
    OVALITY("Filament ovality", Dimension.LENGTH, Family.FILAMENT, Property.FILAMENT_OVALITY),
    DENSITY("Density", Dimension.DENSITY, null, Property.DENSITY),
    VISCOSITY("Viscosity", Dimension.VISCOSITY, Family.RESIN, Property.VISCOSITY),
    PENETRATION_DEPTH("Penetration depth", Dimension.LENGTH, Family.RESIN, Property.PENETRATION_DEPTH),
    HARDNESS("Hardness", null, null, null),
    NOZZLE_TEMPERATURE("Nozzle temperature", Dimension.TEMPERATURE, Family.FILAMENT, null),
    BED_TEMPERATURE("Bed temperature", Dimension.TEMPERATURE, Family.FILAMENT, null),
    CHAMBER_TEMPERATURE("Chamber temperature", Dimension.TEMPERATURE, Family.FILAMENT, null),
    BED_SURFACE("Bed surface", null, Family.FILAMENT, null),
    SURFACES_TO_AVOID("Bed surfaces to avoid", null, Family.FILAMENT, null),
    ADHESIVE("Adhesive", null, Family.FILAMENT, null),
    FAN("Fan setting", Dimension.RATIO, Family.FILAMENT, null),
    FLOW_LIMIT("Flow limit", Dimension.VOLUME_FLOW, Family.FILAMENT, null),
    NOZZLE_HARDNESS("Nozzle, hardness and size", null, Family.FILAMENT, null),
    DRYING_TEMPERATURE("Drying temperature", Dimension.TEMPERATURE, Family.FILAMENT, null),
    DRYING_TIME("Drying time", Dimension.TIME, Family.FILAMENT, null),
    STORAGE("Storage", null, null, null),
    LAYER_EXPOSURE("Layer exposure", Dimension.TIME, Family.RESIN, null),
    RESIN_TEMPERATURE("Resin temperature", Dimension.TEMPERATURE, Family.RESIN, null),
    WASH("Wash", null, Family.RESIN, null),
    CURE("Cure", null, Family.RESIN, null),
    FOUND_ON("Values found on", null, null, null),
    WORDING("Wording", null, null, null);

    private final String title;
    private final @Nullable Dimension dimension;
    private final @Nullable Family family;
    private final @Nullable Property property;

    Topic(String title, @Nullable Dimension dimension, @Nullable Family family, @Nullable Property property) {
        this.title = title;
        this.dimension = dimension;
        this.family = family;
        this.property = property;
    }

    /** The topics that make sense for a family, in the order in which a sheet gives them. */
    public static List<Topic> of(Family family) {
        return Arrays.stream(values())
                .filter(topic -> topic.family == null || topic.family == family)
                .toList();
    }

    /** The name as it stands on pages. */
    public String title() {
        return title;
    }

    /** The kind of quantity; empty for words. */
    public Optional<Dimension> dimension() {
        return Optional.ofNullable(dimension);
    }

    /** The characteristic that a test can give evidence on; empty for settings and words. */
    public Optional<Property> property() {
        return Optional.ofNullable(property);
    }

    /** Whether it means nothing without method, basis, orientation, conditioning and rate. */
    public boolean needsTerms() {
        return property != null && property.isMechanical();
    }
}
