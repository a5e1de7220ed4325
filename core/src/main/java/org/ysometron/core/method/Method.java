package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * A test method: one class with the arithmetic, one file beside it with everything else. The file bears the class's name in small
 * letters with dashes; {@link Methods} finds both. Whatever offers a method (bench, import, plan, command line) goes by its data
 * and never by its name.
 */
public abstract class Method {

    /** Share of what was read by which a zero may move (common practice, no source). */
    private static final double ZERO_SHARE = 0.01;

    private final MethodData data;

    /** Reads the file beside the class. */
    protected Method() {
        data = MethodFile.beside(getClass());
    }

    /** What the file says. */
    public final MethodData data() {
        return data;
    }

    /**
     * The arithmetic: a figure for each characteristic that the file names.
     *
     * @param readings of one specimen, checked by the sheet
     * @param pinned the free parameters
     * @throws IllegalArgumentException for readings that cannot belong together
     */
    protected abstract Map<String, Figure> reduce(Readings readings, Pinned pinned);

    /**
     * What one specimen's test comes to.
     *
     * @param end how it ended, one of the file's
     * @param capacity of what read the field that ends a test, in its unit; a reading at it or beyond is a bound at the capacity,
     *     for what an instrument shows beyond its range is no reading
     * @throws IllegalArgumentException for an end that the method does not know, or one beyond a capacity that was not reached
     */
    public final List<Reduced> results(Readings readings, Pinned pinned, End end, OptionalDouble capacity) {
        Optional<String> limited = data.endedBy().filter(key -> capacity.isPresent());
        boolean beyond = limited.isPresent()
                && readings.mean(limited.get()).orElse(Double.NEGATIVE_INFINITY) >= capacity.getAsDouble();
        End judged =
                beyond && data.ends().containsKey(End.OVER_CAPACITY) && !data.excludes(end) ? End.OVER_CAPACITY : end;
        Map<String, Reduced.Made> makes = data.ends().get(judged);
        if (makes == null) {
            throw new IllegalArgumentException("'" + end.key() + "' is no way for " + data.title() + " to end");
        }
        if (end == End.OVER_CAPACITY && limited.isPresent() && !beyond) {
            throw new IllegalArgumentException(
                    "over capacity, but " + shown(limited.get(), readings.number(limited.get()))
                            + " lies below the gauge's capacity of " + shown(limited.get(), capacity.getAsDouble()));
        }
        Optional<String> moved = zeroMoved(readings);
        Readings used = beyond ? readings.with(limited.get(), capacity.getAsDouble()) : readings;
        Map<String, Figure> figures = reduce(used, pinned);
        List<Reduced> results = new ArrayList<>();
        for (Characteristic characteristic : data.characteristics()) {
            Figure figure = figures.get(characteristic.id());
            if (figure == null) {
                throw new IllegalStateException(getClass().getSimpleName() + " works out no " + characteristic.id());
            }
            Figure told = beyond ? limited(figure, limited.get(), readings, capacity.getAsDouble()) : figure;
            Reduced result =
                    judged(characteristic, told, makes.getOrDefault(characteristic.id(), Reduced.Made.VALUE), judged);
            results.add(moved.map(result::without).orElse(result));
        }
        return results;
    }

    /**
     * Which steps of one thing pass, by their place: of a method that grades step after step.
     *
     * @throws IllegalArgumentException for readings that cannot belong together
     */
    public List<Boolean> passing(Readings readings, Pinned pinned) {
        return List.of();
    }

    /**
     * Refuses readings that cannot belong together whatever comes after them, so that it is said where they are read and not when the test
     * is over.
     *
     * @param soFar what was read so far; a field that is still to be read is not in it
     * @throws IllegalArgumentException in words
     */
    public void check(Readings soFar) {}

    /**
     * The load at which a specimen of nominal size is to be expected to give a figure: what a gauge is chosen by.
     *
     * @param figure of the characteristic that the file names first, in its unit
     * @return in the unit of the method's equipment; empty where the figure does not go with the load, or a size has no nominal
     */
    public final OptionalDouble load(double figure, SpecimenDesign design, Pinned pinned) {
        if (data.equipment().load().filter(data.main().dimension()::equals).isPresent()) {
            return OptionalDouble.of(figure);
        }
        if (data.endedBy().isEmpty()) {
            return OptionalDouble.empty();
        }
        Map<String, double[]> numbers = new LinkedHashMap<>();
        for (Field field : data.sheet().fields()) {
            OptionalDouble size = design.nominal(field.key());
            if (field.role() == Field.Role.SIZE && !field.optional() && size.isEmpty()) {
                return OptionalDouble.empty();
            }
            if (!field.optional() && field.kind() != Field.Kind.CHOICE) {
                numbers.put(field.key(), new double[] {size.orElse(1)});
            }
        }
        Readings nominal = new Readings(numbers, Map.of(), design.narrowest());
        double one = first(nominal, 1, pinned);
        boolean goes = one > 0 && Math.abs(first(nominal, 2, pinned) - 2 * one) <= 1e-9 * one;
        return goes ? OptionalDouble.of(figure / one) : OptionalDouble.empty();
    }

    private double first(Readings nominal, double load, Pinned pinned) {
        Readings readings = nominal.with(data.endedBy().orElseThrow(), load);
        Figure figure = reduce(readings, pinned).get(data.main().id());
        return figure == null ? Double.NaN : figure.value().orElse(Double.NaN);
    }

    /** Why nothing counts where the gauge's zero had moved by more than its share of what was read; empty where it had not. */
    private Optional<String> zeroMoved(Readings readings) {
        OptionalDouble zero = readings.mean(Noted.ZERO);
        OptionalDouble read = data.endedBy().map(readings::mean).orElse(OptionalDouble.empty());
        if (zero.isEmpty() || read.isEmpty() || !Rounding.above(zero.getAsDouble(), ZERO_SHARE * read.getAsDouble())) {
            return Optional.empty();
        }
        return Optional.of("the zero had moved by " + shown(Noted.ZERO, zero.getAsDouble()) + ", more than "
                + Figures.decimals(100 * ZERO_SHARE, 0) + " % of what was read");
    }

    /** A figure of a reading beyond the capacity, with what the display showed. */
    private Figure limited(Figure figure, String key, Readings readings, double capacity) {
        String words = data.sheet().field(key).orElseThrow().words();
        Step display = Step.note(
                "display",
                words + " " + shown(key, readings.number(key)) + ", the gauge ends at " + shown(key, capacity));
        List<String> notes = new ArrayList<>(figure.notes());
        notes.add("The " + words + " is at or above the gauge's capacity of " + shown(key, capacity)
                + ": taken as a bound.");
        return new Figure(
                figure.value(),
                figure.upper(),
                figure.reason(),
                notes,
                Working.of(display).then(figure.working()));
    }

    private String shown(String key, double value) {
        String unit = data.sheet().field(key).orElseThrow().dimension().workingUnit();
        return Figures.significant(value, 4) + " " + unit;
    }

    private static Reduced judged(Characteristic characteristic, Figure figure, Reduced.Made makes, End end) {
        OptionalDouble none = OptionalDouble.empty();
        if (figure.value().isEmpty()) {
            Working working = figure.working().then(Step.note("no figure", figure.reason()));
            return new Reduced(
                    characteristic, Reduced.Made.NOTHING, none, none, none, figure.reason(), figure.notes(), working);
        }
        if (end == End.HELD_TO_THE_END && figure.upper().isPresent() && !figure.isOpen()) {
            throw new IllegalArgumentException(
                    "it held to the end, and yet the step at which it did not was read: one of the two is wrong");
        }
        boolean under = figure.isUnder();
        if ((figure.isOpen() && makes == Reduced.Made.VALUE) || (under && makes != Reduced.Made.NOTHING)) {
            return oneSided(characteristic, figure, end);
        }
        boolean whole = makes == Reduced.Made.VALUE;
        String because = makes == Reduced.Made.AT_MOST ? end.words() + ": an upper bound" : end.because();
        Reduced.Made made = whole && figure.upper().isPresent() ? Reduced.Made.BETWEEN : makes;
        return new Reduced(
                characteristic,
                made,
                made == Reduced.Made.NOTHING ? none : figure.value(),
                made == Reduced.Made.BETWEEN ? figure.upper() : none,
                under ? figure.upper() : figure.value(),
                whole ? "" : because,
                figure.notes(),
                whole ? figure.working() : figure.working().then(Step.note(end.words(), because)));
    }

    /** A figure of which one side alone is known. */
    private static Reduced oneSided(Characteristic characteristic, Figure figure, End end) {
        boolean under = figure.isUnder();
        String because = figure.reason().isEmpty()
                ? "the step at which it ended was not read: a lower bound"
                : figure.reason() + (under ? ": an upper bound" : ": a lower bound");
        OptionalDouble known = under ? figure.upper() : figure.value();
        return new Reduced(
                characteristic,
                under ? Reduced.Made.AT_MOST : Reduced.Made.AT_LEAST,
                known,
                OptionalDouble.empty(),
                known,
                because,
                figure.notes(),
                figure.working().then(Step.note(end.words(), because)));
    }

    /** Alike are two of one id. */
    @Override
    public final boolean equals(@Nullable Object other) {
        return other instanceof Method method && method.data.id().equals(data.id());
    }

    @Override
    public final int hashCode() {
        return data.id().hashCode();
    }

    /** What a mass in g weighs, in N. */
    protected static double weight(double mass) {
        return mass / 1000 * UnitOfMeasure.STANDARD_GRAVITY;
    }

    /**
     * The times of readings that were taken one after another, each with its own.
     *
     * @param what they are, for messages
     * @throws IllegalArgumentException when nothing was read, a time has no reading, or times do not rise
     */
    protected static double[] times(Readings readings, String key, String what) {
        double[] times = readings.all("at");
        int read = readings.all(key).length;
        if (times.length == 0 || times.length != read) {
            throw new IllegalArgumentException(
                    times.length + " times and " + read + " " + what + ": one of each is read together");
        }
        for (int i = 1; i < times.length; i++) {
            if (times[i] <= times[i - 1]) {
                throw new IllegalArgumentException("times must rise: " + times[i] + " s comes after " + times[i - 1]);
            }
        }
        return times;
    }

    /** One step with its numbers shown. */
    protected static Step step(
            String meaning,
            String symbol,
            String formula,
            double value,
            String unit,
            String source,
            double... numbers) {
        StringBuilder shown = new StringBuilder();
        for (double number : numbers) {
            shown.append(shown.isEmpty() ? "" : "; ").append(Figures.significant(number, 5));
        }
        return new Step(meaning, symbol, formula, shown.toString(), value, unit, source);
    }

    /** The name of the file beside a class: ThreePointBending has three-point-bending. */
    static String fileName(Class<?> method) {
        return method.getSimpleName().replaceAll("(?<=[a-z0-9])(?=[A-Z])", "-").toLowerCase(Locale.ROOT) + ".yaml";
    }
}
