package org.ysometron.core.dimension;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A specimen's shape with its revision, nominal section and the material it takes. A change of the model, even for one
 * material only, is a new revision and so a new title, which stands in every comparability key.
 *
 * @param name unique, of capitals, digits and underscores
 * @param title name with revision, as it stands in comparability keys
 * @param shape of the section
 * @param nominalWidth of the section in mm, above 0; the diameter of a round one
 * @param nominalThickness of the section in mm, above 0; the diameter of a round one
 * @param length overall, in mm, above 0
 * @param volume of the solid model in mm³; 0 for what is not printed
 * @param isNotched whether it has a notch, so that terms say which way it faces
 * @param outline its label to the left, as an SVG path in a box of 150 by 44
 * @param own what a site says of a design of its own; empty for what is delivered
 */
public record SpecimenDesign(
        String name,
        String title,
        Shape shape,
        double nominalWidth,
        double nominalThickness,
        double length,
        double volume,
        boolean isNotched,
        String outline,
        Optional<Own> own) {

    /** The tension bar 4 × 4 mm, rev 1. */
    public static final SpecimenDesign TENSION_BAR_4 = delivered(
            "TENSION_BAR_4",
            "tension bar 4 × 4 mm, rev 1",
            Shape.RECTANGLE,
            4.0,
            4.0,
            75,
            1900,
            "M5 8H35C45 8 45 16 55 16H95C105 16 105 8 115 8H145V36H115C105 36 105 28 95 28H55C45 28 45 36 35 36H5Z");

    /** For gauges that the larger bar outgrows. */
    public static final SpecimenDesign TENSION_BAR_3 = delivered(
            "TENSION_BAR_3",
            "tension bar 3 × 3 mm, rev 1",
            Shape.RECTANGLE,
            3.0,
            3.0,
            60,
            950,
            "M5 8H35C45 8 45 16 55 16H95C105 16 105 8 115 8H145V36H115C105 36 105 28 95 28H55C45 28 45 36 35 36H5Z");

    /** The bar 80 × 10 × 4 mm, rev 1. */
    public static final SpecimenDesign BENDING_BAR = delivered(
            "BENDING_BAR", "bar 80 × 10 × 4 mm, rev 1", Shape.RECTANGLE, 10.0, 4.0, 80, 3200, "M5 14H145V30H5Z");

    /** The bar 80 × 10 × 4 mm with a milled 45° notch, rev 1. */
    public static final SpecimenDesign IMPACT_BAR_NOTCHED = delivered(
            "IMPACT_BAR_NOTCHED",
            "bar 80 × 10 × 4 mm with a milled 45° notch, rev 1",
            Shape.RECTANGLE,
            10.0,
            4.0,
            80,
            3180,
            "M5 14H70L75 20L80 14H145V30H5Z");

    /** The pin 5 mm, rev 1. */
    public static final SpecimenDesign SHEAR_PIN = delivered(
            "SHEAR_PIN",
            "pin 5 mm, rev 1",
            Shape.ROUND,
            5.0,
            5.0,
            40,
            785,
            "M10 14H140A5 8 0 0 1 140 30H10A5 8 0 0 1 10 14ZM140 14A5 8 0 0 0 140 30");

    /** The rod 6 mm, rev 1. */
    public static final SpecimenDesign TORSION_ROD = delivered(
            "TORSION_ROD",
            "rod 6 mm, rev 1",
            Shape.ROUND,
            6.0,
            6.0,
            70,
            2400,
            "M10 14H140A5 8 0 0 1 140 30H10A5 8 0 0 1 10 14ZM140 14A5 8 0 0 0 140 30");

    /** The hook, scale 1, rev 2. */
    public static final SpecimenDesign HOOK = delivered(
            "HOOK",
            "hook, scale 1, rev 2",
            Shape.RECTANGLE,
            8.0,
            8.0,
            60,
            6100,
            "M5 16H90C110 16 118 4 132 8C150 14 146 40 122 38V30C136 32 138 16 128 15C118 14 112 28 90 28H5Z");

    /** The block with an M5 thread, rev 1. */
    public static final SpecimenDesign THREAD_BLOCK = delivered(
            "THREAD_BLOCK",
            "block with an M5 thread, rev 1",
            Shape.RECTANGLE,
            15.0,
            12.0,
            20,
            3400,
            "M35 6H115V38H35ZM35 17H115M35 27H115");

    /** The plaque 60 × 60 × 2 mm, rev 1. */
    public static final SpecimenDesign PLAQUE = delivered(
            "PLAQUE", "plaque 60 × 60 × 2 mm, rev 1", Shape.RECTANGLE, 60.0, 2.0, 60, 7200, "M53 2H97V42H53Z");

    /** The block 50 × 50 × 6 mm, rev 1. */
    public static final SpecimenDesign HARDNESS_BLOCK = delivered(
            "HARDNESS_BLOCK",
            "block 50 × 50 × 6 mm, rev 1",
            Shape.RECTANGLE,
            50.0,
            6.0,
            50,
            15_000,
            "M50 6H92V36H50ZM92 6L100 2V32L92 36M50 6L58 2H100");

    /** The plate 120 × 80 × 2 mm, rev 1. */
    public static final SpecimenDesign WARP_PLATE = delivered(
            "WARP_PLATE", "plate 120 × 80 × 2 mm, rev 1", Shape.RECTANGLE, 80.0, 2.0, 120, 19_200, "M30 4H120V40H30Z");

    /** The bar 200 × 10 × 4 mm, rev 1. */
    public static final SpecimenDesign LONG_BAR = delivered(
            "LONG_BAR", "bar 200 × 10 × 4 mm, rev 1", Shape.RECTANGLE, 10.0, 4.0, 200, 8000, "M3 18H147V26H3Z");

    /** The box 40 × 40 × 20 mm of one wall, rev 1. */
    public static final SpecimenDesign WALL_BOX = delivered(
            "WALL_BOX",
            "box 40 × 40 × 20 mm of one wall, rev 1",
            Shape.RECTANGLE,
            40.0,
            20.0,
            40,
            1500,
            "M48 8H102V38H48ZM53 13H97V38M53 13V38");

    /** The piece of overhangs, bridges and details, rev 1. */
    public static final SpecimenDesign QUALITY_PIECE = delivered(
            "QUALITY_PIECE",
            "piece of overhangs, bridges and details, rev 1",
            Shape.RECTANGLE,
            60.0,
            40.0,
            120,
            16_000,
            "M10 40V8h6v26L36 12h8v28M60 40V12H96V40M64 40V16H92V40M112 40V20h2v20M124 40V14h2v26M136 40V8h2v32M5 40H145");

    /** The tower of steps with spikes, rev 1. */
    public static final SpecimenDesign STEPPED_TOWER = delivered(
            "STEPPED_TOWER",
            "tower of steps with spikes, rev 1",
            Shape.RECTANGLE,
            30.0,
            80.0,
            30,
            9000,
            "M60 42V2H86V42ZM60 12H86M60 22H86M60 32H86M86 7h14M86 17h14M86 27h14M86 37h14");

    /** The bolt M8 with its nut, rev 1. */
    public static final SpecimenDesign BOLT = delivered(
            "BOLT",
            "bolt M8 with its nut, rev 1",
            Shape.ROUND,
            8.0,
            8.0,
            40,
            2600,
            "M30 10H44V34H30ZM44 14H120V30H44M52 14L56 30M62 14L66 30M72 14L76 30M82 14L86 30M92 8H106V36H92");

    /** Off the spool, and never printed. */
    public static final SpecimenDesign STRAND = delivered(
            "STRAND",
            "strand off the spool, rev 1",
            Shape.ROUND,
            1.75,
            1.75,
            1000,
            0,
            "M5 24C35 8 60 38 90 20S130 16 145 24");

    /** Of the material as it is supplied. */
    public static final SpecimenDesign SAMPLE_PIECE = delivered(
            "SAMPLE_PIECE",
            "piece of the sample, rev 1",
            Shape.RECTANGLE,
            10.0,
            10.0,
            20,
            0,
            "M55 12L80 6L98 16L92 34L66 38L52 28Z");

    private static final List<SpecimenDesign> DELIVERED = List.of(
            TENSION_BAR_4,
            TENSION_BAR_3,
            BENDING_BAR,
            IMPACT_BAR_NOTCHED,
            SHEAR_PIN,
            TORSION_ROD,
            HOOK,
            THREAD_BLOCK,
            PLAQUE,
            HARDNESS_BLOCK,
            WARP_PLATE,
            LONG_BAR,
            WALL_BOX,
            QUALITY_PIECE,
            STEPPED_TOWER,
            BOLT,
            STRAND,
            SAMPLE_PIECE);

    /** What the section looks like. */
    public enum Shape {
        RECTANGLE,
        ROUND
    }

    /**
     * What a site says of a design of its own.
     *
     * @param methods ids of the methods that it was made for, at least one
     * @param narrowest how its narrowest section follows from what is measured; empty where that is what is measured
     * @param held how it is held in the test
     */
    public record Own(Set<String> methods, Optional<Narrowest> narrowest, String held) {

        /** Copies. */
        public Own {
            methods = Set.copyOf(methods);
            if (methods.isEmpty() || held.isBlank()) {
                throw new IllegalArgumentException("a design is made for some method, and held somehow");
            }
        }
    }

    /**
     * Checks.
     *
     * @throws IllegalArgumentException for sizes that no specimen has, a title without a revision, or a narrowest section that its
     *     nominal size does not give
     */
    public SpecimenDesign {
        requireSize("width", nominalWidth);
        requireSize("thickness", nominalThickness);
        requireSize("length", length);
        if (!(volume >= 0 && volume <= 1e9)) {
            throw new IllegalArgumentException("a volume lies between 0 and 1 000 000 000 mm³, got " + volume);
        }
        if (!title.matches(".*\\S.*, rev \\d+")) {
            throw new IllegalArgumentException("a title ends in its revision, got '" + title + "'");
        }
        if (shape == Shape.ROUND && nominalWidth != nominalThickness) {
            throw new IllegalArgumentException("a round section has one diameter");
        }
        own.flatMap(Own::narrowest).ifPresent(formula -> formula.area(nominalWidth, nominalThickness));
    }

    private static void requireSize(String what, double size) {
        if (!(size > 0 && size <= 10_000)) {
            throw new IllegalArgumentException("a " + what + " lies above 0 and up to 10 000 mm, got " + size);
        }
    }

    private static SpecimenDesign delivered(
            String name,
            String title,
            Shape shape,
            double nominalWidth,
            double nominalThickness,
            double length,
            double volume,
            String outline) {
        return new SpecimenDesign(
                name,
                title,
                shape,
                nominalWidth,
                nominalThickness,
                length,
                volume,
                name.contains("NOTCHED"),
                outline,
                Optional.empty());
    }

    /** Those that come with the application, in a fixed order. */
    public static List<SpecimenDesign> delivered() {
        return DELIVERED;
    }

    /** The delivered one of this name, whatever its case and with hyphens for underscores. */
    public static Optional<SpecimenDesign> delivered(String name) {
        String sought = name.strip().toUpperCase(Locale.ROOT).replace('-', '_');
        return DELIVERED.stream().filter(known -> known.name.equals(sought)).findFirst();
    }

    /** Names of the delivered ones as files and command lines have them, with commas between. */
    public static String names() {
        return DELIVERED.stream()
                .map(design -> design.name.toLowerCase(Locale.ROOT).replace('_', '-'))
                .collect(Collectors.joining(", "));
    }

    /** How its narrowest section follows from what is measured; empty where that is what is measured. */
    public Optional<Narrowest> narrowest() {
        return own.flatMap(Own::narrowest);
    }

    /** How it is held in the test; empty where the method says it. */
    public Optional<String> held() {
        return own.map(Own::held);
    }

    /** Name with revision and, off scale 1, the scale that the model was printed at. */
    public String titleAt(double scale) {
        return scale == 1 ? title : title + ", scaled " + org.ysometron.core.working.Figures.plain(scale, 4);
    }

    /** Whether it is printed: what is taken off a spool or out of a bottle lies on no plate and has no walls. */
    public boolean isPrinted() {
        return volume > 0;
    }

    /** Nominal size in mm of what a sheet calls width, thickness or diameter; empty for anything else. */
    public OptionalDouble nominal(String field) {
        return switch (field) {
            case "width" -> shape == Shape.RECTANGLE ? OptionalDouble.of(nominalWidth) : OptionalDouble.empty();
            case "thickness" -> shape == Shape.RECTANGLE ? OptionalDouble.of(nominalThickness) : OptionalDouble.empty();
            case "diameter" -> shape == Shape.ROUND ? OptionalDouble.of(nominalWidth) : OptionalDouble.empty();
            default -> OptionalDouble.empty();
        };
    }

    /** Nominal area of the narrowest section in mm². */
    public double nominalArea() {
        return narrowest()
                .map(formula -> formula.area(nominalWidth, nominalThickness))
                .orElse((shape == Shape.ROUND ? Math.PI / 4 : 1) * nominalWidth * nominalThickness);
    }
}
