package org.ysometron.app.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.util.MultiValueMap;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The lines of a plan as typed: rows of one form, whose fields share their names. */
final class LineForm {

    private static final int MOST_ROWS = 40;

    private LineForm() {}

    /** A row as typed; without a method it is no line. */
    record Row(
            String method,
            String design,
            String orientation,
            String notch,
            String basis,
            String build,
            String conditioning,
            String rate,
            String n,
            String process,
            String expected,
            String leftOut,
            String deviation) {

        static final Row BLANK = new Row("", "", "", "", "", "", "", "", "", "", "", "", "");
    }

    /** The rows that were sent. */
    static List<Row> rows(MultiValueMap<String, String> sent) {
        List<Row> rows = new ArrayList<>();
        int count = Math.min(MOST_ROWS, sent.getOrDefault("method", List.of()).size());
        for (int i = 0; i < count; i++) {
            rows.add(new Row(
                    at(sent, "method", i),
                    at(sent, "design", i),
                    at(sent, "orientation", i),
                    at(sent, "notch", i),
                    at(sent, "basis", i),
                    at(sent, "build", i),
                    at(sent, "conditioning", i),
                    at(sent, "rate", i),
                    at(sent, "n", i),
                    at(sent, "process", i),
                    at(sent, "expected", i),
                    at(sent, "leftOut", i),
                    at(sent, "deviation", i)));
        }
        return rows;
    }

    /** The rows of lines that are stored, with some blank ones to fill in. */
    static List<Row> rows(List<Plans.Line> lines, int blank) {
        List<Row> rows = new ArrayList<>();
        for (Plans.Line line : lines) {
            PlannedTest test = line.test();
            rows.add(new Row(
                    test.method().data().id(),
                    test.design().name(),
                    test.orientation().name(),
                    test.notch().name(),
                    test.basis().name(),
                    test.build().words(),
                    test.conditioning().name(),
                    test.rate() > 0 ? Conditions.rateWords(test.rate()) : "",
                    String.valueOf(test.n()),
                    test.process(),
                    line.expected(),
                    line.leftOut() ? "yes" : "",
                    line.deviation()));
        }
        for (int i = 0; i < blank; i++) {
            rows.add(Row.BLANK);
        }
        return rows;
    }

    /** Reads the rows; what a line lacks is said at it, and nothing is guessed. */
    static List<Plans.Line> read(List<Row> rows, Problems problems) {
        List<Plans.Line> lines = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            Row row = rows.get(i);
            if (!row.method().isBlank()) {
                read(row, "line-" + i, problems).ifPresent(lines::add);
            }
        }
        return lines;
    }

    private static Optional<Plans.Line> read(Row row, String field, Problems problems) {
        Optional<Method> known = Methods.of(row.method());
        if (known.isEmpty()) {
            problems.add(field, "Choose a method of the catalogue.");
            return Optional.empty();
        }
        Method method = known.get();
        SpecimenDesign design = chosen(row.design(), SpecimenDesign.values())
                .orElse(method.data().designs().get(0));
        Orientation orientation =
                chosen(row.orientation(), Orientation.values()).orElse(Orientation.NONE);
        Notch notch = chosen(row.notch(), Notch.values()).orElse(Notch.NONE);
        Basis basis = chosen(row.basis(), Basis.values()).orElse(Basis.AS_SUPPLIED);
        Conditioning conditioning =
                chosen(row.conditioning(), Conditioning.values()).orElse(Conditioning.NONE);
        double rate = rate(row.rate(), field, problems);
        int n = whole(row.n());
        Build build = build(row.build(), basis, field, problems);
        String process = problems.text(field, row.process(), "Cure or annealing", 120, false);
        String expected = problems.text(field, row.expected(), "The expected load", 30, false);
        if (!expected.isEmpty() && expected(method, expected).isEmpty()) {
            problems.add(
                    field,
                    "'" + expected + "' is no load for " + method.data().title() + "; expected for example 3 "
                            + method.data().equipment().unit() + ".");
        }
        List<String> wanting =
                PlannedTest.wanting(method, design, orientation, notch, basis, build, conditioning, rate, n);
        if (!wanting.isEmpty()) {
            problems.add(field, "This line lacks " + String.join(", ", wanting) + ".");
            return Optional.empty();
        }
        if (n > org.ysometron.app.lot.Lots.LARGEST_SET) {
            problems.add(field, "A line has 1 to " + org.ysometron.app.lot.Lots.LARGEST_SET + " specimens.");
            return Optional.empty();
        }
        return Optional.of(new Plans.Line(
                new PlannedTest(method, design, orientation, notch, basis, build, conditioning, rate, n, process),
                expected,
                row.leftOut().equals("yes"),
                row.deviation().strip()));
    }

    /** An expected load or energy in the method's unit; empty when it is none. */
    static Optional<Double> expected(Method method, String typed) {
        return UnitOfMeasure.find(method.data().equipment().unit())
                .map(unit -> Typed.read("Expected", typed, unit))
                .filter(read -> read instanceof Typed.Accepted)
                .map(read -> ((Typed.Accepted) read).value());
    }

    private static Build build(String typed, Basis basis, String field, Problems problems) {
        Build.Read read = Build.read(typed, Optional.of(basis));
        if (read instanceof Build.Read.Accepted accepted) {
            return accepted.value();
        }
        problems.add(field, ((Build.Read.Refused) read).problem().beside());
        return Build.NONE;
    }

    private static double rate(String typed, String field, Problems problems) {
        if (typed.isBlank()) {
            return 0;
        }
        Typed read = Typed.read("Rate", typed, UnitOfMeasure.working(Dimension.SPEED));
        if (read instanceof Typed.Accepted accepted) {
            return accepted.value();
        }
        problems.add(field, ((Typed.Refused) read).problem().beside());
        return 0;
    }

    private static int whole(String typed) {
        return typed.strip().matches("\\d{1,4}") ? Integer.parseInt(typed.strip()) : 0;
    }

    private static <E extends Enum<E>> Optional<E> chosen(String name, E[] words) {
        return Arrays.stream(words)
                .filter(word -> word.name().equals(name.strip().toUpperCase(Locale.ROOT)))
                .findFirst();
    }

    private static String at(MultiValueMap<String, String> sent, String name, int i) {
        List<String> values = sent.getOrDefault(name, List.of());
        return i < values.size() && values.get(i) != null ? values.get(i) : "";
    }
}
