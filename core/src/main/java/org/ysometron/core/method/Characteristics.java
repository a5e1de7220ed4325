package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.Characteristic.Better;
import org.ysometron.core.characteristic.Characteristic.Source;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;

/**
 * Every characteristic that can be claimed and charted: those that the methods give, their ratios, the sizes that
 * the methods' sheets ask for, and those of the material.
 */
public final class Characteristics {

    private Characteristics() {}

    /** Made when somebody asks for one. */
    private static final class Made {

        private static final Map<String, Characteristic> ALL = all();

        private static Map<String, Characteristic> all() {
            Map<String, Characteristic> all = new LinkedHashMap<>();
            Methods.all().forEach(method -> {
                List<Characteristic> tested = method.data().characteristics();
                tested.forEach(one -> all.putIfAbsent(one.id(), one));
                for (Ratio ratio : Ratio.values()) {
                    tested.stream()
                            .filter(Characteristic::hasRatio)
                            .map(one -> one.over(ratio))
                            .forEach(one -> all.putIfAbsent(one.id(), one));
                }
                sizes(method).forEach(one -> all.putIfAbsent(one.id(), one));
            });
            OfMaterial.all().forEach(one -> all.put(one.id(), one));
            return Collections.unmodifiableMap(all);
        }
    }

    /** All of them, method by method: what is tested, its ratios, the sizes asked for; then the material. */
    public static List<Characteristic> all() {
        return List.copyOf(Made.ALL.values());
    }

    /** The one of this id. */
    public static Optional<Characteristic> of(String id) {
        return Optional.ofNullable(Made.ALL.get(id));
    }

    /** The one of this id, or one that says no more than the id where no method gives it any longer. */
    public static Characteristic ofStored(String id) {
        return of(id).orElseGet(() -> new Characteristic(
                id,
                id,
                Dimension.RATIO,
                4,
                Better.NEITHER,
                "of a method that is no longer in the catalogue",
                Source.METHOD,
                "",
                ""));
    }

    /** What a ratio is the ratio of. */
    public static Characteristic base(Characteristic ratio) {
        return of(ratio.base())
                .orElseThrow(() -> new IllegalArgumentException("'" + ratio.id() + "' is the ratio of nothing"));
    }

    /** The sizes that a method's sheet asks for. */
    public static List<Characteristic> sizes(Method method) {
        List<Characteristic> sizes = new ArrayList<>();
        for (Field field : method.data().sheet().of(Field.Role.SIZE)) {
            if (field.isQuantity() && field.dimension() == Dimension.LENGTH) {
                sizes.add(new Characteristic(
                        "section-" + field.key(),
                        "Section " + field.words(),
                        Dimension.LENGTH,
                        4,
                        Better.NEITHER,
                        "mean " + field.words() + " of the gauge section",
                        Source.SIZE,
                        "",
                        field.key()));
            }
        }
        return sizes;
    }
}
