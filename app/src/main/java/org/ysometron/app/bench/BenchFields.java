package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.method.Clock;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.reading.Field;
import org.ysometron.core.working.Figures;

/** What is to be typed of the specimen in hand, what stands there already, and when it wants to be looked at. */
final class BenchFields {

    private static final Displays NO_DISPLAYS = new Displays(null, null);

    static BenchView.Clock clock(SpecimenRecord record) {
        Clock clock = record.method().data().clock();
        String rings = clock.rings().stream()
                // What was read at the moment is read; a reading days later needs nobody's ear.
                .filter(ring -> record.at(ring.field(), 1).isEmpty())
                .map(ring -> Figures.plain(ring.seconds(), 6) + " " + ring.field() + "-1" + time(record, ring))
                .collect(Collectors.joining(","));
        return new BenchView.Clock(
                rings,
                clock.step().map(key -> Math.round(record.pinned().value(key))).orElse(0L));
    }

    /** The field for the time that a reading was truly taken at: filled when it was late, and always where it must be there. */
    private static String time(SpecimenRecord record, Clock.Ring ring) {
        return record.method()
                .data()
                .sheet()
                .field(ring.trueTime())
                .map(field -> " " + field.key() + "-1" + (field.optional() ? "" : " always"))
                .orElse("");
    }

    static List<BenchView.Field> fields(
            SpecimenRecord record, String step, BenchPages.@Nullable Refused refused, Displays displays) {
        List<BenchView.Field> fields = new ArrayList<>();
        boolean focused = false;
        Field.Role role = step.equals(BenchPages.BREAK) ? Field.Role.TEST : Field.Role.SIZE;
        // Where nothing must be read the first field is as good as any.
        boolean any = record.isTested()
                || record.method().data().sheet().of(role).stream().allMatch(Field::optional);
        for (Field field : record.method().data().asked()) {
            if (field.role() != role) {
                continue;
            }
            // Of a long row of readings the next, and of graders one after another; what is there stands in the list.
            int read = record.live(field).size();
            boolean isLong = field.places() > MethodData.SIDE_BY_SIDE || field.kind() == Field.Kind.GRADE;
            int places = isLong ? Math.min(field.places(), read + 1) : field.places();
            BenchPages.Refused here = isLong && refused != null ? refused.onto(field, places) : refused;
            for (int place = isLong ? places : 1; place <= places; place++) {
                BenchView.Field shown = field(record, new BenchPages.Key(field, place), here, !focused, any, displays);
                focused |= shown.focus();
                fields.add(shown);
            }
        }
        return fields;
    }

    /**
     * Where a staircase goes on: a step above what held last, a step below what did not. Empty for other methods, before the first, and
     * where the last says neither.
     */
    static String nextStep(List<SpecimenRecord> records, SpecimenRecord inHand) {
        Optional<String> stepped = inHand.method().data().staircase();
        Optional<SpecimenRecord> last = records.stream()
                .filter(record -> record.ended().isPresent()
                        && record.specimen()
                                .conditions()
                                .equals(inHand.specimen().conditions()))
                .max(Comparator.comparing(record -> record.ended().orElseThrow().enteredAt()));
        if (stepped.isEmpty() || last.isEmpty()) {
            return "";
        }
        OptionalDouble level = last.get().mean(stepped.get());
        Reduced.Made made = last.get().result().map(Reduced::made).orElse(Reduced.Made.NOTHING);
        boolean held = made == Reduced.Made.AT_LEAST;
        if (level.isEmpty() || (!held && made != Reduced.Made.AT_MOST)) {
            return "";
        }
        double step = inHand.pinned().value("step");
        double next = level.getAsDouble() + (held ? step : -step);
        String unit = inHand.method()
                .data()
                .sheet()
                .field(stepped.get())
                .orElseThrow()
                .unit();
        String before = last.get().specimen().label() + (held ? " held at " : " did not hold at ")
                + Figures.plain(level.getAsDouble(), 5) + " " + unit;
        return next > 0 ? before + ": " + Figures.plain(next, 5) + " " + unit + " is next" : before;
    }

    /** What is seldom read, then what may be noted beside any test. */
    static List<Field> noted(SpecimenRecord record) {
        return Stream.concat(
                        record.method().data().seldom().stream(),
                        record.method().data().sheet().of(Field.Role.NOTED).stream())
                .toList();
    }

    /** What may be noted beside the test. */
    static List<BenchView.Field> noted(SpecimenRecord record, BenchPages.@Nullable Refused refused) {
        return noted(record).stream()
                .map(field -> field(record, new BenchPages.Key(field, 1), refused, false, false, NO_DISPLAYS))
                .toList();
    }

    static String measured(SpecimenRecord record) {
        OptionalDouble width = record.mean("width");
        OptionalDouble thickness = record.mean("thickness");
        if (width.isPresent() && thickness.isPresent()) {
            return Figures.decimals(width.getAsDouble(), 3) + " × " + Figures.decimals(thickness.getAsDouble(), 3)
                    + " mm, " + Figures.significant(width.getAsDouble() * thickness.getAsDouble(), 4) + " mm²";
        }
        List<String> sizes = new ArrayList<>();
        for (Field field : record.method().data().sheet().of(Field.Role.SIZE)) {
            record.mean(field.key())
                    .ifPresent(mean -> sizes.add(field.words() + " " + Figures.decimals(mean, 3) + " " + field.unit()));
        }
        boolean asked =
                record.method().data().sheet().of(Field.Role.SIZE).stream().anyMatch(f -> !f.optional());
        return sizes.isEmpty() ? (asked ? "not measured yet" : "") : String.join(", ", sizes);
    }

    private static BenchView.Field field(
            SpecimenRecord record,
            BenchPages.Key key,
            BenchPages.@Nullable Refused refused,
            boolean mayFocus,
            boolean any,
            Displays displays) {
        Field field = key.field();
        String display = displays.of(field);
        String unit = display.isEmpty() ? field.unit() : display;
        String given =
                record.at(field.key(), key.place()).map(ReadingView::typed).orElse("");
        String label = field.label(key.place());
        boolean optional = field.optional() || (key.place() > 1 && key.isTest());
        boolean later = record.method().data().later().contains(field.key());
        boolean here = refused != null && refused.key().equals(key.text());
        if (refused != null && refused.specimen().equals(record.specimen().label()) && (given.isEmpty() || here)) {
            String typed = refused.typedAt(key.text());
            return new BenchView.Field(
                    key.text(),
                    label,
                    unit,
                    display,
                    "",
                    typed,
                    here ? refused.refusal().words() : "",
                    here && refused.isDoubted() ? typed.strip() : "",
                    here,
                    field.choices(),
                    BenchView.Grade.of(field.rubric()),
                    optional,
                    later,
                    takes(field),
                    refused.pressed().getOrDefault(key.text(), ""));
        }
        boolean focus = mayFocus && given.isEmpty() && refused == null && (any || !(optional && key.isTest()));
        return new BenchView.Field(
                key.text(),
                label,
                unit,
                display,
                given,
                "",
                "",
                "",
                focus,
                field.choices(),
                BenchView.Grade.of(field.rubric()),
                optional,
                later,
                takes(field),
                "");
    }

    /** What kind of quantity an instrument may send for a field; empty for what is no quantity. */
    private static String takes(Field field) {
        return field.isQuantity() ? field.dimension().name() : "";
    }

    private BenchFields() {}
}
