package org.ysometron.core.method;

import java.util.List;
import org.ysometron.core.dimension.SpecimenDesign;

/**
 * The catalogue: every method with its specimen designs, readings, equipment, pinned parameters, what deviates from the
 * standard it cites, and what hurts. Standards are named from memory; the site's own copy of a standard governs.
 */
@SuppressWarnings("ImmutableEnumChecker") // lists made by List.of are unchangeable
public enum TestMethod {
    TENSION(
            "tension",
            "ISO 527-1, ISO 527-2",
            Equipment.FORCE_GAUGE,
            List.of(SpecimenDesign.TENSION_BAR_4, SpecimenDesign.TENSION_BAR_3),
            List.of("width ×3, mm", "thickness ×3, mm", "largest force, N", "how it ended"),
            List.of(
                    new Parameter("grip distance", "45 mm"),
                    new Parameter("preload", "5 N"),
                    new Parameter("extension", "crosshead, not used for a modulus")),
            List.of(
                    "bars of 4 × 4 or 3 × 3 mm instead of type 1A of 10 × 4 mm",
                    "grip distance of 45 mm instead of 115 mm"),
            "Broken pieces fly; fibre-filled surfaces shed splinters.",
            6,
            0,
            true),
    DOUBLE_SHEAR(
            "double shear",
            "no standard cited; common practice",
            Equipment.FORCE_GAUGE,
            List.of(SpecimenDesign.SHEAR_PIN),
            List.of("diameter ×4, mm", "largest force, N", "how it ended"),
            List.of(new Parameter("gap of the fixture", "0.1 mm")),
            List.of(),
            "Resin pins break explosively: close the shield.",
            5,
            0,
            true),
    TORSION(
            "torsion",
            "no standard cited; common practice",
            Equipment.TORQUE_GAUGE,
            List.of(SpecimenDesign.TORSION_ROD),
            List.of("diameter ×4, mm", "torque at 90°, N·m", "peak torque, N·m", "turns to failure"),
            List.of(new Parameter("free length", "40 mm")),
            List.of(),
            "Keep fingers clear of the turning grip.",
            8,
            0,
            true),
    BENDING(
            "bending",
            "ISO 178",
            Equipment.FORCE_GAUGE,
            List.of(SpecimenDesign.BENDING_BAR),
            List.of("width ×3, mm", "thickness ×3, mm", "load at 2 mm, N", "largest force, N", "how it ended"),
            List.of(new Parameter("span", "64 mm"), new Parameter("radius of the nose", "5 mm")),
            List.of(),
            "A bar that snaps leaves the supports: close the shield.",
            6,
            0,
            true),
    TIMED_HOLD(
            "timed hold",
            "no standard cited; common practice",
            Equipment.WEIGHTS,
            List.of(SpecimenDesign.BENDING_BAR),
            List.of("deflection at 1, 30 and 60 s, mm"),
            List.of(new Parameter("span", "64 mm"), new Parameter("load step", "5 N")),
            List.of(),
            "Falling weights: keep feet and hands from under them.",
            10,
            0,
            false),
    CREEP(
            "creep in tension",
            "ISO 899-1",
            Equipment.WEIGHTS,
            List.of(SpecimenDesign.TENSION_BAR_4),
            List.of("length by day, mm"),
            List.of(new Parameter("stress", "10 MPa"), new Parameter("reading days", "1, 3, 7, 10")),
            List.of("bars of 4 × 4 mm instead of type 1A", "10 days instead of 1,000 hours"),
            "Hanging weights fall when the bar breaks: tether them.",
            15,
            10,
            false),
    IMPACT_NOTCHED(
            "notched impact",
            "ISO 179-1",
            Equipment.PENDULUM,
            List.of(SpecimenDesign.IMPACT_BAR_NOTCHED),
            List.of("width behind the notch, mm", "thickness, mm", "free swing and angle after, °", "kind of break"),
            List.of(new Parameter("notch", "type A, 0.25 mm"), new Parameter("blow", "edgewise")),
            List.of(),
            "Stay out of the hammer's swing; halves fly.",
            4,
            0,
            true),
    IMPACT_UNNOTCHED(
            "unnotched impact",
            "ISO 179-1",
            Equipment.PENDULUM,
            List.of(SpecimenDesign.BENDING_BAR),
            List.of("width, mm", "thickness, mm", "free swing and angle after, °", "kind of break"),
            List.of(new Parameter("blow", "flatwise")),
            List.of(),
            "Stay out of the hammer's swing; halves fly.",
            4,
            0,
            true),
    PART_LOAD(
            "load of a part",
            "no standard cited; common practice",
            Equipment.FORCE_GAUGE,
            List.of(SpecimenDesign.HOOK),
            List.of("largest force, N", "how it ended"),
            List.of(new Parameter("where it is held", "8 mm pin")),
            List.of(),
            "A hook lets go all at once: shield and tether.",
            5,
            0,
            true),
    THREAD(
            "thread",
            "no standard cited; common practice",
            Equipment.TORQUE_GAUGE,
            List.of(SpecimenDesign.THREAD_BLOCK),
            List.of("go, tight or no-go", "last torque held, N·m", "torque at which it stripped, N·m"),
            List.of(new Parameter("step", "0.2 N·m"), new Parameter("screw", "M5, 10 mm deep")),
            List.of(),
            "Hot inserts burn; chips cut.",
            7,
            0,
            false),
    HEAT(
            "heat under load",
            "ISO 75-1, ISO 75-2",
            Equipment.OVEN,
            List.of(SpecimenDesign.BENDING_BAR),
            List.of("last temperature held, °C", "first temperature moved, °C"),
            List.of(new Parameter("surface stress", "0.45 MPa"), new Parameter("step", "5 °C, held 15 min")),
            List.of("stepped, not 120 °C/h"),
            "Hot fixtures: gloves; ventilate.",
            60,
            0,
            false);

    /** What a method is done with. */
    public enum Equipment {
        FORCE_GAUGE("force gauge", "N"),
        TORQUE_GAUGE("torque gauge", "N·m"),
        PENDULUM("pendulum", "J"),
        WEIGHTS("weights", "N"),
        OVEN("oven", "");

        private final String words;
        private final String unit;

        Equipment(String words, String unit) {
            this.words = words;
            this.unit = unit;
        }

        /** Unit of the load that it takes; empty where there is none to plan for. */
        public String unit() {
            return unit;
        }

        /** The equipment in words. */
        public String words() {
            return words;
        }
    }

    /**
     * A parameter that the standard leaves free or that the site pins.
     *
     * @param value what it is pinned to in revision 1
     */
    public record Parameter(String name, String value) {}

    private final String title;
    private final String standard;
    private final Equipment equipment;
    private final List<SpecimenDesign> designs;
    private final List<String> readings;
    private final List<Parameter> parameters;
    private final List<String> deviations;
    private final String hazard;
    private final int benchMinutes;
    private final int waitDays;
    private final boolean rated;

    TestMethod(
            String title,
            String standard,
            Equipment equipment,
            List<SpecimenDesign> designs,
            List<String> readings,
            List<Parameter> parameters,
            List<String> deviations,
            String hazard,
            int benchMinutes,
            int waitDays,
            boolean rated) {
        this.title = title;
        this.standard = standard;
        this.equipment = equipment;
        this.designs = designs;
        this.readings = readings;
        this.parameters = parameters;
        this.deviations = deviations;
        this.hazard = hazard;
        this.benchMinutes = benchMinutes;
        this.waitDays = waitDays;
        this.rated = rated;
    }

    /** Name as it stands in comparability keys. */
    public String title() {
        return title;
    }

    /** The standard that it cites. */
    public String standard() {
        return standard;
    }

    /** What it is done with. */
    public Equipment equipment() {
        return equipment;
    }

    /** Specimens it can be done on, the usual one first. */
    public List<SpecimenDesign> designs() {
        return designs;
    }

    /** What is read, with units. */
    public List<String> readings() {
        return readings;
    }

    /** Every parameter that two variants of the method could differ in, with its value in revision 1. */
    public List<Parameter> parameters() {
        return parameters;
    }

    /** Where it deviates from the standard cited; said on every report. */
    public List<String> deviations() {
        return deviations;
    }

    /** What hurts. */
    public String hazard() {
        return hazard;
    }

    /** Minutes at the bench for one specimen, unless the site says otherwise. */
    public int benchMinutes() {
        return benchMinutes;
    }

    /** Days for which it runs alone after it was begun; 0 for what is over at once. */
    public int waitDays() {
        return waitDays;
    }

    /** Whether a speed of testing belongs to it. */
    public boolean isRated() {
        return rated;
    }

    /** Whether a break throws pieces, so that eye protection and a shield are confirmed first. */
    public boolean throwsPieces() {
        return equipment == Equipment.FORCE_GAUGE || equipment == Equipment.PENDULUM;
    }

    /** Whether the bench reduces its readings; of the others the sheet and the calendar are made, not the result. */
    public boolean isReduced() {
        return this == TENSION;
    }

    /** The method of this title; empty for one that the catalogue does not know. */
    public static java.util.Optional<TestMethod> titled(String title) {
        return java.util.Arrays.stream(values())
                .filter(method -> method.title.equals(title))
                .findFirst();
    }

    /** One line for reports: the standard, then each deviation from it. */
    public String accordance() {
        return deviations.isEmpty()
                ? title + " after " + standard
                : title + " after " + standard + ", not in accordance: " + String.join("; ", deviations);
    }
}
