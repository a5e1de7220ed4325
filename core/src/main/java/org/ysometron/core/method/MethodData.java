package org.ysometron.core.method;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Sheet;

/**
 * What a method's file says.
 *
 * @param id in small letters with dashes
 * @param title as it stands in terms
 * @param standard cited, or that none is
 * @param deviations from it, one sentence each
 * @param parameters the free ones by key, pinned
 * @param equipment what it is done with
 * @param minutes at the bench for one specimen
 * @param days for which it runs alone after it was begun; 0 for what is over at once
 * @param rated whether a speed of testing belongs to it
 * @param hazards what hurts, and what to do about it; at least one
 * @param designs specimens it can be done on, the usual one first
 * @param sheet what is read
 * @param endedBy key of the field whose instrument's range can end the test
 * @param ends its own, and what each makes of a characteristic; a value where it is not named
 * @param characteristics what it gives, at least one
 * @param aside keys of what is seldom read in the test: never in the way of who does not read it
 * @param later keys of what may be fetched after the test, as a travel from a record
 * @param clock when it wants to be looked at
 * @param staircase key of the field that goes one step up after what held and one down after what did not, by the parameter 'step'
 * @param suspends what says of a print that nothing made in it can be trusted yet; empty where nothing does
 * @param published topic of publications whose range its steps are set beside; empty where there is none
 * @param recorded what is taken from a record; empty where no record is taken
 * @param example readings of one specimen as they are typed
 */
public record MethodData(
        String id,
        String title,
        String standard,
        List<String> deviations,
        Map<String, Pinned.Parameter> parameters,
        Equipment equipment,
        int minutes,
        int days,
        boolean rated,
        List<String> hazards,
        List<SpecimenDesign> designs,
        Sheet sheet,
        Optional<String> endedBy,
        Map<End, Map<String, Reduced.Made>> ends,
        List<Characteristic> characteristics,
        Set<String> aside,
        Set<String> later,
        Clock clock,
        Optional<String> staircase,
        Optional<Suspends> suspends,
        Optional<String> published,
        Optional<Recorded> recorded,
        Map<String, List<String>> example) {

    /**
     * A print whose specimens come to less than this waits for an engineer's word before any of them counts.
     *
     * @param characteristic id of what is looked at, one of the method's
     * @param below in its unit
     * @param words what else may be behind it
     */
    public record Suspends(String characteristic, double below, String words) {}

    /** What a test is usually read by: sizes and readings, without what is seldom read. */
    public List<Field> asked() {
        return sheet.asked().stream()
                .filter(field -> !aside.contains(field.key()))
                .toList();
    }

    /** What is seldom read in the test. */
    public List<Field> seldom() {
        return sheet.asked().stream()
                .filter(field -> aside.contains(field.key()))
                .toList();
    }

    /** Whether it is done on something printed; otherwise terms have no orientation, no walls and no conditioning. */
    public boolean isOnPrints() {
        return designs.stream().anyMatch(SpecimenDesign::isPrinted);
    }

    /** Readings of one field that stand side by side; of more than these the next is asked for when one is there. */
    public static final int SIDE_BY_SIDE = 5;

    /** Whether readings come row by row before the test is over: it runs for days, or steps are read one after another. */
    public boolean isReadInRows() {
        return days > 0
                || sheet.of(Field.Role.TEST).stream()
                        .anyMatch(field -> !field.optional() && field.places() > SIDE_BY_SIDE);
    }

    /** The parameters as the file pins them. */
    public Pinned pinned() {
        Map<String, Double> values = new LinkedHashMap<>();
        parameters.forEach((key, parameter) -> values.put(key, parameter.value()));
        return new Pinned(values);
    }

    /** The parameters as they were pinned otherwise: texts by key; one that is missing or cannot be read stays as the file has it. */
    public Pinned pinned(Map<String, String> typed) {
        Map<String, Double> values = new LinkedHashMap<>();
        parameters.forEach((key, parameter) -> {
            Typed read = Typed.read(
                    parameter.words(),
                    typed.getOrDefault(key, parameter.typed()),
                    UnitOfMeasure.working(parameter.dimension()));
            values.put(key, read instanceof Typed.Accepted accepted ? accepted.value() : parameter.value());
        });
        return new Pinned(values);
    }

    /** The end that is usual: the first of the file. */
    public End usualEnd() {
        return ends.keySet().iterator().next();
    }

    /** What the bench is asked for first, and what else it says of a set: the first of the file. */
    public Characteristic main() {
        return characteristics.get(0);
    }

    /** The field whose reading carries how the test ended: the one that can end it, else the first that must be read in it. */
    public Field closing() {
        return endedBy.flatMap(sheet::field).orElseGet(() -> {
            List<Field> test = sheet.of(Field.Role.TEST);
            return test.stream().filter(field -> !field.optional()).findFirst().orElse(test.get(0));
        });
    }

    /** Whether a test that ended so counts for none of the characteristics. */
    public boolean excludes(End end) {
        Map<String, Reduced.Made> makes = ends.getOrDefault(end, Map.of());
        return characteristics.stream().allMatch(one -> makes.get(one.id()) == Reduced.Made.NOTHING);
    }

    /** One line for reports: the standard, then each deviation from it. */
    public String accordance() {
        String after = standard.startsWith("ISO") ? title + " after " + standard : title + ": " + standard;
        return deviations.isEmpty() ? after : after + ", not in accordance: " + String.join("; ", deviations);
    }
}
