package org.ysometron.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.util.MultiValueMap;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.quantity.Dimension;

/** The lines of a plan as typed: rows of one form, whose fields share their names. */
final class LineForm {

    private static final int MOST_ROWS = 500;

    /** Lines that are added to a form at once where somebody asks for more. */
    private static final int MORE = 4;

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
                    Conditions.rateTyped(test.rate()),
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

    /** The rows that were sent and, where more were asked for, some blank ones behind them. */
    static List<Row> longer(List<Row> rows) {
        List<Row> longer = new ArrayList<>(rows);
        while (longer.size() < Math.min(MOST_ROWS, rows.size() + MORE)) {
            longer.add(Row.BLANK);
        }
        return longer;
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
        SpecimenDesign design = problems.cell(field, "Specimen", row.design())
                .choice(Designs.all().stream().map(SpecimenDesign::name).toList())
                .flatMap(Designs::named)
                .orElse(method.data().designs().get(0));
        if (!Designs.isOffered(design)) {
            problems.add(field, "The " + design.title() + " is withdrawn; choose its later revision or another.");
        }
        // What is taken off a spool lies on no plate, has no walls and is in no climate, whatever was chosen for the
        // line before.
        boolean printed = design.isPrinted();
        Orientation orientation = problems.cell(field, "Orientation", printed ? row.orientation() : "")
                .choice(Orientation.values())
                .orElse(Orientation.NONE);
        Notch notch = problems.cell(field, "Notch", row.notch())
                .choice(Notch.values())
                .orElse(Notch.NONE);
        Basis basis = problems.cell(field, "Basis", printed ? row.basis() : "")
                .choice(Basis.values())
                .orElse(Basis.AS_SUPPLIED);
        Conditioning conditioning = problems.cell(field, "Conditioning", printed ? row.conditioning() : "")
                .choice(Conditioning.values())
                .orElse(Conditioning.NONE);
        double rate = problems.cell(field, "Rate", row.rate())
                .quantity(Dimension.SPEED)
                .orElse(0);
        int n = problems.cell(field, "Number of specimens", row.n()).whole(0, Lots.LARGEST_SET, 0);
        Build build = problems.cell(field, "Build", row.build())
                .build(Optional.of(basis))
                .orElse(Build.NONE);
        String process =
                problems.cell(field, "Cure or annealing", row.process()).text(120);
        Entry expects = problems.cell(field, "Expected load", row.expected());
        String expected = expects.text(30);
        Optional<Dimension> load = method.data().equipment().load();
        load.ifPresent(expects::quantity);
        if (load.isEmpty() && !expects.isBlank()) {
            expects.wrong("cannot be: " + method.data().title() + " has no load to expect");
        }
        List<String> wanting =
                PlannedTest.wanting(method, design, orientation, notch, basis, build, conditioning, rate, n);
        if (!wanting.isEmpty()) {
            problems.add(field, "This line lacks " + String.join(", ", wanting) + ".");
            return Optional.empty();
        }
        return Optional.of(new Plans.Line(
                new PlannedTest(method, design, orientation, notch, basis, build, conditioning, rate, n, process),
                expected,
                row.leftOut().equals("yes"),
                row.deviation().strip()));
    }

    private static String at(MultiValueMap<String, String> sent, String name, int i) {
        List<String> values = sent.getOrDefault(name, List.of());
        return i < values.size() && values.get(i) != null ? values.get(i) : "";
    }
}
