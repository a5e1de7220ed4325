package org.ysometron.core.publication;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.quantity.Dimension;

/**
 * What a publication can say something about: each characteristic that there is, and settings and words beside them. Names are
 * fixed; a fan speed is never called a temperature.
 */
public final class Topic implements Comparable<Topic> {

    /** Names of before a characteristic's id was one; files and stored rows bear them. */
    private static final Map<String, String> OLDER = Map.of(
            "tension-strength", "TENSILE_STRENGTH",
            "upright-flat-tension-strength", "UPRIGHT_FLAT_RATIO",
            "filament-diameter", "DIAMETER",
            "filament-ovality", "OVALITY");

    /** Diameter. */
    public static final Topic DIAMETER = of(OfMaterial.FILAMENT_DIAMETER, Family.FILAMENT);

    /** Ovality. */
    public static final Topic OVALITY = of(OfMaterial.FILAMENT_OVALITY, Family.FILAMENT);

    /** Density. */
    public static final Topic DENSITY = of(OfMaterial.DENSITY, null);

    /** Viscosity. */
    public static final Topic VISCOSITY = of(OfMaterial.VISCOSITY, Family.RESIN);

    /** Penetration depth. */
    public static final Topic PENETRATION_DEPTH = of(OfMaterial.PENETRATION_DEPTH, Family.RESIN);

    /** Hardness. */
    public static final Topic HARDNESS = new Topic("HARDNESS", "Hardness", null, null, null);

    /** Nozzle temperature. */
    public static final Topic NOZZLE_TEMPERATURE =
            new Topic("NOZZLE_TEMPERATURE", "Nozzle temperature", Dimension.TEMPERATURE, Family.FILAMENT, null);

    /** Bed temperature. */
    public static final Topic BED_TEMPERATURE =
            new Topic("BED_TEMPERATURE", "Bed temperature", Dimension.TEMPERATURE, Family.FILAMENT, null);

    /** Chamber temperature. */
    public static final Topic CHAMBER_TEMPERATURE =
            new Topic("CHAMBER_TEMPERATURE", "Chamber temperature", Dimension.TEMPERATURE, Family.FILAMENT, null);

    /** Bed surface. */
    public static final Topic BED_SURFACE = new Topic("BED_SURFACE", "Bed surface", null, Family.FILAMENT, null);

    /** Bed surfaces to avoid. */
    public static final Topic SURFACES_TO_AVOID =
            new Topic("SURFACES_TO_AVOID", "Bed surfaces to avoid", null, Family.FILAMENT, null);

    /** Adhesive. */
    public static final Topic ADHESIVE = new Topic("ADHESIVE", "Adhesive", null, Family.FILAMENT, null);

    /** Fan setting. */
    public static final Topic FAN = new Topic("FAN", "Fan setting", Dimension.RATIO, Family.FILAMENT, null);

    /** Flow limit. */
    public static final Topic FLOW_LIMIT =
            new Topic("FLOW_LIMIT", "Flow limit", Dimension.VOLUME_FLOW, Family.FILAMENT, null);

    /** Nozzle, hardness and size. */
    public static final Topic NOZZLE_HARDNESS =
            new Topic("NOZZLE_HARDNESS", "Nozzle, hardness and size", null, Family.FILAMENT, null);

    /** Drying temperature. */
    public static final Topic DRYING_TEMPERATURE =
            new Topic("DRYING_TEMPERATURE", "Drying temperature", Dimension.TEMPERATURE, Family.FILAMENT, null);

    /** Drying time. */
    public static final Topic DRYING_TIME =
            new Topic("DRYING_TIME", "Drying time", Dimension.TIME, Family.FILAMENT, null);

    /** Storage. */
    public static final Topic STORAGE = new Topic("STORAGE", "Storage", null, null, null);

    /** Layer exposure. */
    public static final Topic LAYER_EXPOSURE =
            new Topic("LAYER_EXPOSURE", "Layer exposure", Dimension.TIME, Family.RESIN, null);

    /** Resin temperature. */
    public static final Topic RESIN_TEMPERATURE =
            new Topic("RESIN_TEMPERATURE", "Resin temperature", Dimension.TEMPERATURE, Family.RESIN, null);

    /** Wash. */
    public static final Topic WASH = new Topic("WASH", "Wash", null, Family.RESIN, null);

    /** Cure. */
    public static final Topic CURE = new Topic("CURE", "Cure", null, Family.RESIN, null);

    /** Values found on. */
    public static final Topic FOUND_ON = new Topic("FOUND_ON", "Values found on", null, null, null);

    /** Wording. */
    public static final Topic WORDING = new Topic("WORDING", "Wording", null, null, null);

    private static final List<Topic> FIXED = List.of(
            DIAMETER,
            OVALITY,
            DENSITY,
            VISCOSITY,
            PENETRATION_DEPTH,
            HARDNESS,
            NOZZLE_TEMPERATURE,
            BED_TEMPERATURE,
            CHAMBER_TEMPERATURE,
            BED_SURFACE,
            SURFACES_TO_AVOID,
            ADHESIVE,
            FAN,
            FLOW_LIMIT,
            NOZZLE_HARDNESS,
            DRYING_TEMPERATURE,
            DRYING_TIME,
            STORAGE,
            LAYER_EXPOSURE,
            RESIN_TEMPERATURE,
            WASH,
            CURE,
            FOUND_ON,
            WORDING);

    private final String name;
    private final String title;
    private final @Nullable Dimension dimension;
    private final @Nullable Family family;
    private final @Nullable Characteristic characteristic;

    private Topic(
            String name,
            String title,
            @Nullable Dimension dimension,
            @Nullable Family family,
            @Nullable Characteristic characteristic) {
        this.name = name;
        this.title = title;
        this.dimension = dimension;
        this.family = family;
        this.characteristic = characteristic;
    }

    private static Topic of(Characteristic one, @Nullable Family family) {
        String name =
                OLDER.getOrDefault(one.id(), one.id().toUpperCase(Locale.ROOT).replace('-', '_'));
        return new Topic(name, one.title(), one.dimension(), family, one);
    }

    /** Made when somebody asks for one. */
    private static final class Made {

        private static final Map<String, Topic> ALL = all();

        private static Map<String, Topic> all() {
            List<Topic> topics = new ArrayList<>();
            Characteristics.all().stream()
                    .filter(Characteristic::isMechanical)
                    .map(one -> of(one, null))
                    .forEach(topics::add);
            topics.addAll(FIXED);
            Map<String, Topic> all = new LinkedHashMap<>();
            topics.forEach(topic -> all.put(topic.name, topic));
            return Collections.unmodifiableMap(all);
        }
    }

    /** All of them, in the order in which a sheet gives them. */
    public static List<Topic> all() {
        return List.copyOf(Made.ALL.values());
    }

    /** The topics that make sense for a family, in the order in which a sheet gives them. */
    public static List<Topic> of(Family family) {
        return all().stream()
                .filter(topic -> topic.family == null || topic.family == family)
                .toList();
    }

    /** The topic of this name. */
    public static Optional<Topic> named(String name) {
        return Optional.ofNullable(Made.ALL.get(name));
    }

    /** The topic that somebody means: by its name however it is spelt, or by its title. */
    public static Optional<Topic> meant(String text) {
        String words = text.strip();
        Optional<Topic> named =
                named(words.toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_'));
        return named.isPresent()
                ? named
                : all().stream()
                        .filter(topic -> topic.title.equalsIgnoreCase(words))
                        .findFirst();
    }

    /** The topic that speaks of this characteristic. */
    public static Topic on(Characteristic characteristic) {
        return all().stream()
                .filter(topic -> characteristic.equals(topic.characteristic))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no topic speaks of " + characteristic.id()));
    }

    /** The name in files and stored rows. */
    public String name() {
        return name;
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
    public Optional<Characteristic> property() {
        return Optional.ofNullable(characteristic);
    }

    /** Whether it means nothing without method, basis, orientation, conditioning and rate. */
    public boolean needsTerms() {
        return characteristic != null && characteristic.isMechanical();
    }

    /** Whether it speaks of two orientations together. */
    public boolean isRatio() {
        return characteristic != null && characteristic.isRatio();
    }

    /** Whether it is a ratio to a reference treatment. */
    public boolean isTreated() {
        return characteristic != null && characteristic.isRatio() && characteristic.ratio() == Ratio.TREATED_REFERENCE;
    }

    /** By the order in which a sheet gives them. */
    @Override
    public int compareTo(Topic other) {
        List<String> order = List.copyOf(Made.ALL.keySet());
        return Integer.compare(order.indexOf(name), order.indexOf(other.name));
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Topic topic && topic.name.equals(name);
    }

    @Override
    public int hashCode() {
        return name.hashCode();
    }

    @Override
    public String toString() {
        return name;
    }
}
