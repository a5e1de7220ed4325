package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.quantity.UnitOfMeasure;
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
     * @throws IllegalArgumentException for an end that the method does not know
     */
    public final List<Reduced> results(Readings readings, Pinned pinned, End end, OptionalDouble capacity) {
        Optional<String> limited = data.endedBy().filter(key -> capacity.isPresent());
        boolean beyond = limited.isPresent()
                && readings.mean(limited.get()).orElse(Double.NEGATIVE_INFINITY) >= capacity.getAsDouble();
        End judged = beyond && data.ends().containsKey(End.OVER_CAPACITY) && end != End.VOID ? End.OVER_CAPACITY : end;
        Map<String, Reduced.Made> makes = data.ends().get(judged);
        if (makes == null) {
            throw new IllegalArgumentException("'" + end.key() + "' is no way for " + data.title() + " to end");
        }
        Readings used = beyond ? readings.with(limited.get(), capacity.getAsDouble()) : readings;
        Map<String, Figure> figures = reduce(used, pinned);
        List<Reduced> results = new ArrayList<>();
        for (Characteristic characteristic : data.characteristics()) {
            Figure figure = figures.get(characteristic.id());
            if (figure == null) {
                throw new IllegalStateException(getClass().getSimpleName() + " works out no " + characteristic.id());
            }
            results.add(judged(
                    characteristic, figure, makes.getOrDefault(characteristic.id(), Reduced.Made.VALUE), judged));
        }
        return results;
    }

    private static Reduced judged(Characteristic characteristic, Figure figure, Reduced.Made makes, End end) {
        OptionalDouble none = OptionalDouble.empty();
        if (figure.value().isEmpty()) {
            Working working = figure.working().then(Step.note("no figure", figure.reason()));
            return new Reduced(characteristic, Reduced.Made.NOTHING, none, none, figure.reason(), working);
        }
        boolean whole = makes == Reduced.Made.VALUE;
        Reduced.Made made = whole && figure.upper().isPresent() ? Reduced.Made.BETWEEN : makes;
        return new Reduced(
                characteristic,
                made,
                made == Reduced.Made.NOTHING ? none : figure.value(),
                made == Reduced.Made.BETWEEN ? figure.upper() : none,
                whole ? "" : end.words(),
                whole ? figure.working() : figure.working().then(Step.note(end.words(), made.words())));
    }

    /** What a mass in g weighs, in N. */
    protected static double weight(double mass) {
        return mass / 1000 * UnitOfMeasure.STANDARD_GRAVITY;
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
