package org.ysometron.core.quantity;

import static javax.measure.MetricPrefix.CENTI;
import static javax.measure.MetricPrefix.GIGA;
import static javax.measure.MetricPrefix.KILO;
import static javax.measure.MetricPrefix.MEGA;
import static javax.measure.MetricPrefix.MICRO;
import static javax.measure.MetricPrefix.MILLI;
import static tech.units.indriya.unit.Units.CELSIUS;
import static tech.units.indriya.unit.Units.CUBIC_METRE;
import static tech.units.indriya.unit.Units.GRAM;
import static tech.units.indriya.unit.Units.JOULE;
import static tech.units.indriya.unit.Units.KELVIN;
import static tech.units.indriya.unit.Units.KILOGRAM;
import static tech.units.indriya.unit.Units.METRE;
import static tech.units.indriya.unit.Units.MINUTE;
import static tech.units.indriya.unit.Units.NEWTON;
import static tech.units.indriya.unit.Units.PASCAL;
import static tech.units.indriya.unit.Units.PERCENT;
import static tech.units.indriya.unit.Units.RADIAN;
import static tech.units.indriya.unit.Units.SECOND;
import static tech.units.indriya.unit.Units.SQUARE_METRE;
import static tech.units.indriya.unit.Units.WATT;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.measure.Unit;
import javax.measure.UnitConverter;
import tech.units.indriya.AbstractUnit;
import tech.units.indriya.function.MultiplyConverter;

/**
 * A unit that a person may type, of one {@link Dimension}, with its exact conversion to the working unit.
 *
 * <p>Sources: SI Brochure (9th ed.) for SI; the international foot and pound agreement of 1959 for 1 in = 25.4 mm and
 * 1 lb = 0.45359237 kg, hence 1 lbf = 4.4482216152605 N; standard gravity 9.80665 m/s² (3rd CGPM, 1901) for kgf.
 *
 * @param symbol the symbol that is shown
 * @param dimension what kind of quantity it measures
 * @param aliases other spellings accepted from a keyboard
 * @param toWorking converts a value in this unit to the working unit of its dimension
 */
public record UnitOfMeasure(String symbol, Dimension dimension, List<String> aliases, UnitConverter toWorking) {

    /** An m or M that stands for a thousandth or a million of what follows it. */
    private static final Pattern PREFIXED = Pattern.compile("(?<![A-Za-z])[mM](?=Pa|J|N|g|m|s(?![a-z])|l(?![a-z]))");

    /** Standard gravity in m/s², by definition (3rd CGPM, 1901). */
    public static final double STANDARD_GRAVITY = 9.80665;

    private static final double POUND_IN_KILOGRAMS = 0.45359237;
    private static final double INCH_IN_METRES = 0.0254;

    private static final Unit<?> INCH = scaled(METRE, INCH_IN_METRES);
    private static final Unit<?> FOOT = scaled(METRE, 12 * INCH_IN_METRES);
    private static final Unit<?> KILOGRAM_FORCE = scaled(NEWTON, STANDARD_GRAVITY);
    private static final Unit<?> POUND_FORCE = scaled(NEWTON, POUND_IN_KILOGRAMS * STANDARD_GRAVITY);

    private static final double POUND_FORCE_IN_NEWTONS = POUND_IN_KILOGRAMS * STANDARD_GRAVITY;

    private static final List<UnitOfMeasure> ALL = register();

    /** Every accepted spelling, normalised, with its unit; what a page reads anew from what was typed is looked up here. */
    private static final Map<String, UnitOfMeasure> SPELLINGS = spellings();

    private static final Map<Dimension, UnitOfMeasure> WORKING = workingUnits();

    /** Copies the aliases. */
    public UnitOfMeasure {
        aliases = List.copyOf(aliases);
    }

    /** Every unit the product knows, working unit of each dimension first. */
    public static List<UnitOfMeasure> all() {
        return ALL;
    }

    /** The unit in which the core computes quantities of this dimension. */
    public static UnitOfMeasure working(Dimension dimension) {
        UnitOfMeasure unit = WORKING.get(dimension);
        if (unit == null) {
            throw new IllegalStateException("no working unit registered for " + dimension);
        }
        return unit;
    }

    /**
     * Finds the unit written as {@code text}. An exact spelling wins; otherwise upper and lower case are taken as equal
     * when that leaves one unit only.
     *
     * @return empty when nothing, or more than one thing, is meant
     */
    public static Optional<UnitOfMeasure> find(String text) {
        String wanted = normalise(text);
        UnitOfMeasure exact = SPELLINGS.get(wanted);
        if (exact != null) {
            return Optional.of(exact);
        }
        List<UnitOfMeasure> folded =
                ALL.stream().filter(unit -> unit.isSpeltIgnoringCase(wanted)).toList();
        // One letter makes a milli of a mega: where m and M are exchanged another unit may be meant, not another case.
        if (folded.stream().anyMatch(unit -> unit.exchangesMilliAndMega(wanted))) {
            return Optional.empty();
        }
        return folded.size() == 1 ? Optional.of(folded.get(0)) : Optional.empty();
    }

    /** Converts a value in this unit to the working unit of its dimension. */
    public double toWorking(double value) {
        return toWorking.convert(value);
    }

    /** Converts a value in the working unit of the dimension to this unit. */
    public double fromWorking(double value) {
        return toWorking.inverse().convert(value);
    }

    /** Whether this is the unit in which the core computes. */
    public boolean isWorking() {
        return symbol.equals(dimension.workingUnit());
    }

    private Stream<String> spelt() {
        return Stream.concat(Stream.of(symbol), aliases.stream()).map(UnitOfMeasure::normalise);
    }

    private static Map<String, UnitOfMeasure> spellings() {
        Map<String, UnitOfMeasure> spellings = new HashMap<>();
        ALL.forEach(unit -> unit.spelt().forEach(spelling -> spellings.putIfAbsent(spelling, unit)));
        return Map.copyOf(spellings);
    }

    private static Map<Dimension, UnitOfMeasure> workingUnits() {
        Map<Dimension, UnitOfMeasure> working = new EnumMap<>(Dimension.class);
        ALL.stream().filter(UnitOfMeasure::isWorking).forEach(unit -> working.putIfAbsent(unit.dimension, unit));
        return working;
    }

    private boolean isSpeltIgnoringCase(String wanted) {
        return spelt().anyMatch(spelling -> spelling.equalsIgnoreCase(wanted));
    }

    /** Before a unit that takes a prefix, at its head or behind a stroke or a dot; words spelt out have none. */
    private boolean exchangesMilliAndMega(String wanted) {
        // All in one case it was the keyboard: only where the rest stands as it should did somebody mean the letter.
        String without = PREFIXED.matcher(wanted).replaceAll("");
        return spelt().filter(spelling -> spelling.equalsIgnoreCase(wanted) && !spelling.equals(wanted))
                .anyMatch(spelling -> PREFIXED.matcher(spelling).replaceAll("").equals(without));
    }

    /** One spelling for the many ways to write a product, a square or a micro sign. */
    private static String normalise(String text) {
        return text.strip()
                .replace("²", "2")
                .replace("^2", "2")
                .replace("³", "3")
                .replace("^3", "3")
                .replace("µ", "u")
                .replace("μ", "u")
                .replace("·", "*")
                .replace("⋅", "*")
                .replace(".", "*")
                .replace("º", "°")
                .replace(" ", "");
    }

    private static Unit<?> scaled(Unit<?> unit, double factor) {
        return unit.transform(MultiplyConverter.of(factor));
    }

    private static List<UnitOfMeasure> register() {
        List<UnitOfMeasure> units = new ArrayList<>();
        sizes(units);
        forces(units);
        energies(units);
        impacts(units);
        notches(units);
        peels(units);
        states(units);
        substances(units);
        return List.copyOf(units);
    }

    private static void sizes(List<UnitOfMeasure> units) {
        Unit<?> millimetre = MILLI(METRE);
        add(units, "mm", Dimension.LENGTH, millimetre, millimetre, "millimetre", "millimeter");
        add(units, "cm", Dimension.LENGTH, CENTI(METRE), millimetre);
        add(units, "m", Dimension.LENGTH, METRE, millimetre);
        add(units, "µm", Dimension.LENGTH, MICRO(METRE), millimetre, "micron");
        add(units, "in", Dimension.LENGTH, INCH, millimetre, "inch", "\"");
        add(units, "mil", Dimension.LENGTH, scaled(METRE, INCH_IN_METRES / 1000), millimetre, "thou");
        add(units, "ft", Dimension.LENGTH, FOOT, millimetre, "foot", "feet");

        Unit<?> squareMillimetre = scaled(SQUARE_METRE, 1e-6);
        add(units, "mm²", Dimension.AREA, squareMillimetre, squareMillimetre);
        add(units, "cm²", Dimension.AREA, scaled(SQUARE_METRE, 1e-4), squareMillimetre);
        add(units, "m²", Dimension.AREA, SQUARE_METRE, squareMillimetre);
        add(
                units,
                "in²",
                Dimension.AREA,
                scaled(SQUARE_METRE, INCH_IN_METRES * INCH_IN_METRES),
                squareMillimetre,
                "sqin");
    }

    private static void forces(List<UnitOfMeasure> units) {
        add(units, "N", Dimension.FORCE, NEWTON, NEWTON, "newton", "newtons");
        add(units, "kN", Dimension.FORCE, KILO(NEWTON), NEWTON);
        add(units, "kgf", Dimension.FORCE, KILOGRAM_FORCE, NEWTON, "kp");
        add(units, "gf", Dimension.FORCE, scaled(NEWTON, STANDARD_GRAVITY / 1000), NEWTON);
        add(units, "lbf", Dimension.FORCE, POUND_FORCE, NEWTON, "lbsf");
        add(units, "tonf", Dimension.FORCE, scaled(NEWTON, 1000 * STANDARD_GRAVITY), NEWTON, "tf");

        Unit<?> megapascal = MEGA(PASCAL);
        add(units, "MPa", Dimension.STRESS, megapascal, megapascal, "N/mm²", "N/mm2");
        add(units, "kPa", Dimension.STRESS, KILO(PASCAL), megapascal);
        add(units, "GPa", Dimension.STRESS, GIGA(PASCAL), megapascal);
        add(units, "Pa", Dimension.STRESS, PASCAL, megapascal);
        double poundPerSquareInch = POUND_FORCE_IN_NEWTONS / (INCH_IN_METRES * INCH_IN_METRES);
        add(units, "psi", Dimension.STRESS, scaled(PASCAL, poundPerSquareInch), megapascal, "lbf/in²");
        add(units, "ksi", Dimension.STRESS, scaled(PASCAL, 1000 * poundPerSquareInch), megapascal);
        add(units, "Msi", Dimension.STRESS, scaled(PASCAL, 1e6 * poundPerSquareInch), megapascal);
        add(units, "kgf/mm²", Dimension.STRESS, scaled(PASCAL, 1e6 * STANDARD_GRAVITY), megapascal);
        add(units, "kgf/cm²", Dimension.STRESS, scaled(PASCAL, 1e4 * STANDARD_GRAVITY), megapascal);

        add(units, "g", Dimension.MASS, GRAM, GRAM, "gram", "grams");
        add(units, "kg", Dimension.MASS, KILOGRAM, GRAM, "kilo", "kilos", "kilogram", "kilograms", "kgs");
        add(units, "lb", Dimension.MASS, scaled(KILOGRAM, POUND_IN_KILOGRAMS), GRAM, "lbs", "pound", "pounds");
        add(units, "oz", Dimension.MASS, scaled(KILOGRAM, POUND_IN_KILOGRAMS / 16), GRAM);

        Unit<?> newtonMetre = NEWTON.multiply(METRE);
        add(units, "N·m", Dimension.TORQUE, newtonMetre, newtonMetre, "Nm");
        add(units, "N·cm", Dimension.TORQUE, scaled(newtonMetre, 1e-2), newtonMetre, "Ncm");
        add(units, "N·mm", Dimension.TORQUE, scaled(newtonMetre, 1e-3), newtonMetre, "Nmm");
        add(units, "kgf·cm", Dimension.TORQUE, scaled(newtonMetre, STANDARD_GRAVITY / 100), newtonMetre, "kgfcm");
        add(
                units,
                "lbf·in",
                Dimension.TORQUE,
                scaled(newtonMetre, POUND_FORCE_IN_NEWTONS * INCH_IN_METRES),
                newtonMetre,
                "lbfin",
                "in·lbf");
    }

    private static void energies(List<UnitOfMeasure> units) {
        add(units, "J", Dimension.ENERGY, JOULE, JOULE, "joule", "joules");
        add(units, "kJ", Dimension.ENERGY, KILO(JOULE), JOULE);
        add(units, "mJ", Dimension.ENERGY, MILLI(JOULE), JOULE);
        add(
                units,
                "ft·lbf",
                Dimension.ENERGY,
                scaled(JOULE, 12 * INCH_IN_METRES * POUND_FORCE_IN_NEWTONS),
                JOULE,
                "ftlbf",
                "lbf·ft");
    }

    private static void impacts(List<UnitOfMeasure> units) {
        Unit<?> joulePerSquareMetre = JOULE.divide(SQUARE_METRE);
        Unit<?> kilojoulePerSquareMetre = scaled(joulePerSquareMetre, 1000);
        add(
                units,
                "kJ/m²",
                Dimension.ENERGY_PER_AREA,
                kilojoulePerSquareMetre,
                kilojoulePerSquareMetre,
                "mJ/mm²",
                "mJ/mm2");
        add(units, "J/m²", Dimension.ENERGY_PER_AREA, joulePerSquareMetre, kilojoulePerSquareMetre);
        add(units, "J/cm²", Dimension.ENERGY_PER_AREA, scaled(joulePerSquareMetre, 1e4), kilojoulePerSquareMetre);
        add(
                units,
                "kgf·cm/cm²",
                Dimension.ENERGY_PER_AREA,
                scaled(joulePerSquareMetre, 100 * STANDARD_GRAVITY),
                kilojoulePerSquareMetre);
        add(
                units,
                "ft·lbf/in²",
                Dimension.ENERGY_PER_AREA,
                scaled(joulePerSquareMetre, 12 * POUND_FORCE_IN_NEWTONS / INCH_IN_METRES),
                kilojoulePerSquareMetre,
                "ftlbf/in²",
                "lbf·ft/in²");
    }

    private static void notches(List<UnitOfMeasure> units) {
        Unit<?> joulePerMetre = JOULE.divide(METRE);
        add(units, "J/m", Dimension.ENERGY_PER_LENGTH, joulePerMetre, joulePerMetre);
        add(units, "kJ/m", Dimension.ENERGY_PER_LENGTH, scaled(joulePerMetre, 1000), joulePerMetre);
        add(units, "kgf·cm/cm", Dimension.ENERGY_PER_LENGTH, scaled(joulePerMetre, STANDARD_GRAVITY), joulePerMetre);
        add(
                units,
                "ft·lbf/in",
                Dimension.ENERGY_PER_LENGTH,
                scaled(joulePerMetre, 12 * POUND_FORCE_IN_NEWTONS),
                joulePerMetre,
                "ftlbf/in",
                "lbf·ft/in");
    }

    private static void peels(List<UnitOfMeasure> units) {
        Unit<?> newtonPerMetre = NEWTON.divide(METRE);
        Unit<?> newtonPerMillimetre = scaled(newtonPerMetre, 1000);
        add(units, "N/mm", Dimension.FORCE_PER_LENGTH, newtonPerMillimetre, newtonPerMillimetre);
        add(units, "N/cm", Dimension.FORCE_PER_LENGTH, scaled(newtonPerMetre, 100), newtonPerMillimetre);
        add(units, "N/m", Dimension.FORCE_PER_LENGTH, newtonPerMetre, newtonPerMillimetre);
        add(units, "kN/m", Dimension.FORCE_PER_LENGTH, newtonPerMillimetre, newtonPerMillimetre);
        add(
                units,
                "lbf/in",
                Dimension.FORCE_PER_LENGTH,
                scaled(newtonPerMetre, POUND_FORCE_IN_NEWTONS / INCH_IN_METRES),
                newtonPerMillimetre);
    }

    private static void states(List<UnitOfMeasure> units) {
        add(units, "°C", Dimension.TEMPERATURE, CELSIUS, CELSIUS, "degC", "C", "Celsius");
        add(units, "K", Dimension.TEMPERATURE, KELVIN, CELSIUS, "kelvin");
        add(
                units,
                "°F",
                Dimension.TEMPERATURE,
                KELVIN.divide(9).multiply(5).shift(459.67),
                CELSIUS,
                "degF",
                "Fahrenheit");

        // A bare "degrees" may be an angle or a temperature: it is deliberately no alias of either.
        Unit<?> degree = scaled(RADIAN, Math.PI / 180);
        add(units, "°", Dimension.ANGLE, degree, degree);
        add(units, "rad", Dimension.ANGLE, RADIAN, degree);

        add(units, "s", Dimension.TIME, SECOND, SECOND, "sec");
        add(units, "min", Dimension.TIME, MINUTE, SECOND);
        add(units, "h", Dimension.TIME, scaled(SECOND, 3600), SECOND, "hour", "hours");
        add(units, "d", Dimension.TIME, scaled(SECOND, 86400), SECOND, "day", "days");

        Unit<?> millimetre = MILLI(METRE);
        Unit<?> millimetrePerMinute = millimetre.divide(MINUTE);
        add(units, "mm/min", Dimension.SPEED, millimetrePerMinute, millimetrePerMinute);
        add(units, "mm/s", Dimension.SPEED, millimetre.divide(SECOND), millimetrePerMinute);
        add(units, "m/s", Dimension.SPEED, scaled(millimetre.divide(SECOND), 1000), millimetrePerMinute);
        add(
                units,
                "in/min",
                Dimension.SPEED,
                scaled(millimetrePerMinute, INCH_IN_METRES * 1000),
                millimetrePerMinute,
                "ipm");
    }

    private static void substances(List<UnitOfMeasure> units) {
        Unit<?> gramPerCubicCentimetre = scaled(KILOGRAM.divide(CUBIC_METRE), 1000);
        add(
                units,
                "g/cm³",
                Dimension.DENSITY,
                gramPerCubicCentimetre,
                gramPerCubicCentimetre,
                "g/cc",
                "g/ml",
                "g/mL",
                "kg/l",
                "kg/L");
        add(
                units,
                "lb/in³",
                Dimension.DENSITY,
                scaled(KILOGRAM.divide(CUBIC_METRE), POUND_IN_KILOGRAMS / Math.pow(INCH_IN_METRES, 3)),
                gramPerCubicCentimetre);
        add(units, "kg/m³", Dimension.DENSITY, KILOGRAM.divide(CUBIC_METRE), gramPerCubicCentimetre);

        Unit<?> pascalSecond = PASCAL.multiply(SECOND);
        Unit<?> millipascalSecond = scaled(pascalSecond, 1e-3);
        add(units, "mPa·s", Dimension.VISCOSITY, millipascalSecond, millipascalSecond, "mPas", "cP", "cps");
        add(units, "Pa·s", Dimension.VISCOSITY, pascalSecond, millipascalSecond, "Pas");

        Unit<?> cubicMillimetrePerSecond = scaled(CUBIC_METRE.divide(SECOND), 1e-9);
        add(units, "mm³/s", Dimension.VOLUME_FLOW, cubicMillimetrePerSecond, cubicMillimetrePerSecond);

        exposures(units);
        scales(units);
        add(units, "", Dimension.RATIO, AbstractUnit.ONE, AbstractUnit.ONE);
        add(units, "%", Dimension.RATIO, PERCENT, AbstractUnit.ONE, "percent");
    }

    private static void exposures(List<UnitOfMeasure> units) {
        Unit<?> millijoulePerSquareCentimetre = scaled(JOULE.divide(SQUARE_METRE), 10);
        add(units, "mJ/cm²", Dimension.DOSE, millijoulePerSquareCentimetre, millijoulePerSquareCentimetre);

        Unit<?> milliwattPerSquareCentimetre = scaled(WATT.divide(SQUARE_METRE), 10);
        add(units, "mW/cm²", Dimension.IRRADIANCE, milliwattPerSquareCentimetre, milliwattPerSquareCentimetre);
        add(units, "W/m²", Dimension.IRRADIANCE, WATT.divide(SQUARE_METRE), milliwattPerSquareCentimetre);
        add(units, "J/cm²", Dimension.DOSE, scaled(JOULE.divide(SQUARE_METRE), 10_000), millijoulePerSquareCentimetre);
    }

    /** Scales of which none is a multiple of another: each has its own unit, and nothing is converted. */
    private static void scales(List<UnitOfMeasure> units) {
        Unit<?> one = AbstractUnit.ONE;
        add(units, "Shore A", Dimension.SHORE_A, one, one, "ShA", "HA");
        add(units, "Shore D", Dimension.SHORE_D, one, one, "ShD", "HD");
        add(units, "CIELAB", Dimension.COLOUR, one, one);
        add(units, "ΔE00", Dimension.COLOUR_DIFFERENCE, one, one, "dE00", "ΔE₀₀", "DE2000");
        add(units, "GU", Dimension.GLOSS, one, one, "gloss units");
        add(units, "grades", Dimension.GRADE, one, one, "grade");
    }

    private static void add(
            List<UnitOfMeasure> units,
            String symbol,
            Dimension dimension,
            Unit<?> unit,
            Unit<?> working,
            String... aliases) {
        try {
            units.add(new UnitOfMeasure(symbol, dimension, List.of(aliases), unit.getConverterToAny(working)));
        } catch (javax.measure.IncommensurableException e) {
            throw new IllegalStateException(symbol + " cannot be converted to " + working, e);
        }
    }
}
