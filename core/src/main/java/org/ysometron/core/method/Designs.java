package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.reading.Field;

/**
 * The catalogue of specimen designs: those that come with the methods, and those that a site added. As with the methods there is one
 * catalogue a process; a design that is in it never changes and never leaves it.
 */
public final class Designs {

    private static final Map<String, SpecimenDesign> OWN = new ConcurrentSkipListMap<>();

    private static final Set<String> WITHDRAWN = ConcurrentHashMap.newKeySet();

    private Designs() {}

    /**
     * Adds a design of the site; the same one twice is harmless.
     *
     * @throws IllegalArgumentException where it is none of a site's own, or another is in the catalogue under its name
     */
    public static void add(SpecimenDesign design) {
        if (design.own().isEmpty() || SpecimenDesign.delivered(design.name()).isPresent()) {
            throw new IllegalArgumentException("'" + design.title() + "' is no design of a site");
        }
        SpecimenDesign before = OWN.putIfAbsent(design.name(), design);
        if (before != null && !before.equals(design)) {
            throw new IllegalArgumentException("another design is named " + design.name());
        }
    }

    /** All, the delivered ones first. */
    public static List<SpecimenDesign> all() {
        List<SpecimenDesign> all = new ArrayList<>(SpecimenDesign.delivered());
        all.addAll(OWN.values());
        return all;
    }

    /** Takes one of a site's own out of what can be newly planned; what was made of it stays readable. */
    public static void withdraw(String name) {
        WITHDRAWN.add(name);
    }

    /** Whether specimens of it may be newly planned: it was neither withdrawn nor followed by a later revision. */
    public static boolean isOffered(SpecimenDesign design) {
        return !WITHDRAWN.contains(design.name());
    }

    /** All that may be newly planned, the delivered ones first. */
    public static List<SpecimenDesign> offered() {
        return all().stream().filter(Designs::isOffered).toList();
    }

    /** The design of this name. */
    public static Optional<SpecimenDesign> named(String name) {
        SpecimenDesign own = OWN.get(name.strip());
        return own == null ? SpecimenDesign.delivered(name) : Optional.of(own);
    }

    /** What a method can be done on, its usual design first. */
    public static List<SpecimenDesign> of(Method method) {
        return all().stream()
                .filter(design -> fits(method, design))
                .sorted(usualFirst(method))
                .toList();
    }

    /** Whether a method can be done on this design. */
    public static boolean fits(Method method, SpecimenDesign design) {
        return method.data().designs().contains(design)
                || design.own()
                        .filter(own -> own.methods().contains(method.data().id()))
                        .isPresent();
    }

    private static Comparator<SpecimenDesign> usualFirst(Method method) {
        List<SpecimenDesign> delivered = method.data().designs();
        return Comparator.comparingInt(
                design -> delivered.contains(design) ? delivered.indexOf(design) : delivered.size());
    }

    /**
     * What keeps a design from being tested by a method, in words; empty where nothing does. Its sheet asks for sizes that the design
     * must have.
     */
    public static Optional<String> hindrance(Method method, SpecimenDesign design) {
        if (!method.data().isOnPrints()) {
            return Optional.of(method.data().title() + " is done on nothing that is printed");
        }
        for (Field field : method.data().sheet().of(Field.Role.SIZE)) {
            boolean section = List.of("width", "thickness", "diameter").contains(field.key());
            if (section && !field.optional() && design.nominal(field.key()).isEmpty()) {
                return Optional.of(method.data().title() + " reads a " + field.words() + ", which a "
                        + (design.shape() == SpecimenDesign.Shape.ROUND ? "round" : "rectangular")
                        + " section has not");
            }
        }
        return Optional.empty();
    }
}
