package org.ysometron.app.plan;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.TestMethod;
import org.ysometron.core.method.TestMethod.Parameter;

/**
 * The catalogue of methods in this site's revisions. Every parameter that two variants could differ in is pinned; pinning
 * another value makes the next revision, and what is made under it starts a series of its own.
 */
@Component
public class Methods {

    private static final int LONGEST = 60;

    private final MethodRevisionRepository revisions;
    private final Clock clock;

    Methods(MethodRevisionRepository revisions, Clock clock) {
        this.revisions = revisions;
        this.clock = clock;
    }

    /** A revision that was in force before. */
    public record Earlier(int revision, String parameters, String reason, String by) {}

    /** A method as it is done at this site. */
    public record MethodView(
            TestMethod method, int revision, List<Parameter> parameters, String reason, List<Earlier> earlier) {

        /** What a set made under it is marked with; nothing for the first revision. */
        public String mark() {
            return revision == 1 ? "" : method.title() + " rev " + revision;
        }

        /** Method, revision and pinned values in one line, for reports. */
        public String pinned() {
            return method.title() + " rev " + revision + ": "
                    + parameters.stream()
                            .map(parameter -> parameter.name() + " " + parameter.value())
                            .collect(Collectors.joining(", "));
        }
    }

    /** The whole catalogue. */
    public List<MethodView> all() {
        return java.util.Arrays.stream(TestMethod.values()).map(this::of).toList();
    }

    /** One method. */
    public MethodView of(TestMethod method) {
        List<MethodRevision> made = revisions.findByMethodOrderByRevisionDesc(method);
        if (made.isEmpty()) {
            return new MethodView(method, 1, method.parameters(), "", List.of());
        }
        List<Earlier> earlier = new ArrayList<>();
        made.stream()
                .skip(1)
                .forEach(row -> earlier.add(
                        new Earlier(row.revision, row.parameters.replace("\n", ", "), row.reason, row.madeBy)));
        earlier.add(new Earlier(1, written(method.parameters()).replace("\n", ", "), "as delivered", ""));
        MethodRevision newest = made.get(0);
        return new MethodView(method, newest.revision, read(newest.parameters), newest.reason, earlier);
    }

    /**
     * Pins other values.
     *
     * @param values one a parameter, in the catalogue's order
     */
    @Write
    public void pin(TestMethod method, List<String> values, String reason, String by) {
        MethodView now = of(method);
        List<Parameter> pinned = new ArrayList<>();
        for (int i = 0; i < method.parameters().size(); i++) {
            String value = i < values.size() ? values.get(i).strip() : "";
            String name = method.parameters().get(i).name();
            if (value.isEmpty() || value.length() > LONGEST || value.contains("\n")) {
                throw new Refusal("values", "Pin a value for '" + name + "', of at most " + LONGEST + " characters.");
            }
            pinned.add(new Parameter(name, value));
        }
        Reasons.require("reason", reason, "The reason (a new revision starts new series)", 300);
        if (pinned.equals(now.parameters())) {
            throw new Refusal("values", "Nothing differs from revision " + now.revision() + ".");
        }
        MethodRevision row = new MethodRevision();
        row.method = method;
        row.revision = now.revision() + 1;
        row.parameters = written(pinned);
        row.reason = reason.strip();
        row.madeBy = by;
        row.madeAt = clock.instant();
        revisions.save(row);
    }

    private static String written(List<Parameter> parameters) {
        return parameters.stream()
                .map(parameter -> parameter.name() + ": " + parameter.value())
                .collect(Collectors.joining("\n"));
    }

    private static List<Parameter> read(String written) {
        return written.lines()
                .map(line -> line.split(": ", 2))
                .map(parts -> new Parameter(parts[0], parts[1]))
                .toList();
    }
}
