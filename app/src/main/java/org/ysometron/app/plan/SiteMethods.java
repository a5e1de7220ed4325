package org.ysometron.app.plan;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Pinned;

/**
 * The catalogue of methods in this site's revisions. Every parameter that two variants could differ in is pinned; pinning
 * another value makes the next revision, and what is made under it starts a series of its own.
 */
@Component
public class SiteMethods {

    private static final int LONGEST = 60;

    private final MethodRevisionRepository revisions;
    private final PageMemory memory;
    private final Clock clock;

    SiteMethods(MethodRevisionRepository revisions, PageMemory memory, Clock clock) {
        this.revisions = revisions;
        this.memory = memory;
        this.clock = clock;
    }

    /** A pinned parameter: what it is called and the value as typed. */
    public record Parameter(String name, String value) {}

    /** A revision that was in force before. */
    public record Earlier(int revision, String parameters, String reason, String by) {}

    /** A method as it is done at this site. */
    public record MethodView(
            Method method, int revision, List<Parameter> parameters, String reason, List<Earlier> earlier) {

        /** Its file. */
        public MethodData data() {
            return method.data();
        }

        /** What may be newly planned for it. */
        public List<SpecimenDesign> designs() {
            return Designs.of(method).stream().filter(Designs::isOffered).toList();
        }

        /** What a set made under it is marked with; nothing for the first revision. */
        public String mark() {
            return revision == 1 ? "" : data().title() + " rev " + revision;
        }

        /** Method, revision and pinned values in one line, for reports. */
        public String pinned() {
            String values = parameters.stream()
                    .map(parameter -> parameter.name() + " " + parameter.value())
                    .collect(Collectors.joining(", "));
            return data().title() + " rev " + revision + (values.isEmpty() ? "" : ": " + values);
        }

        /** The values with which readings are reduced. */
        public Pinned values() {
            return SiteMethods.values(method, parameters);
        }
    }

    /** The whole catalogue. */
    public List<MethodView> all() {
        return Methods.all().stream().map(this::of).toList();
    }

    /** One method. */
    public MethodView of(Method method) {
        List<MethodRevision> made = made().getOrDefault(method.data().id(), List.of());
        if (made.isEmpty()) {
            return new MethodView(method, 1, delivered(method), "", List.of());
        }
        List<Earlier> earlier = new ArrayList<>();
        made.stream()
                .skip(1)
                .forEach(row -> earlier.add(
                        new Earlier(row.revision, row.parameters.replace("\n", ", "), row.reason, row.madeBy)));
        earlier.add(new Earlier(1, written(delivered(method)).replace("\n", ", "), "as delivered", ""));
        MethodRevision newest = made.get(0);
        return new MethodView(method, newest.revision, read(newest.parameters), newest.reason, earlier);
    }

    /** The values that were pinned in a revision. */
    public Pinned pinned(Method method, int revision) {
        if (revision == 1) {
            return method.data().pinned();
        }
        return made().getOrDefault(method.data().id(), List.of()).stream()
                .filter(row -> row.revision == revision)
                .findFirst()
                .map(row -> values(method, read(row.parameters)))
                .orElseGet(method.data()::pinned);
    }

    /** All revisions of all methods, the newest first. */
    private Map<String, List<MethodRevision>> made() {
        return memory.once("method revisions", "", () -> revisions.findAllByOrderByRevisionDesc().stream()
                .collect(Collectors.groupingBy(row -> row.method)));
    }

    private static Pinned values(Method method, List<Parameter> parameters) {
        Map<String, String> byName = new LinkedHashMap<>();
        parameters.forEach(parameter -> byName.put(parameter.name(), parameter.value()));
        Map<String, String> typed = new LinkedHashMap<>();
        method.data().parameters().forEach((key, parameter) -> {
            String value = byName.get(parameter.words());
            if (value != null) {
                typed.put(key, value);
            }
        });
        return method.data().pinned(typed);
    }

    private static List<Parameter> delivered(Method method) {
        return method.data().parameters().values().stream()
                .map(parameter -> new Parameter(parameter.words(), parameter.typed()))
                .toList();
    }

    /**
     * Pins other values.
     *
     * @param values one a parameter, in the catalogue's order
     */
    @Write
    public void pin(Method method, List<String> values, String reason, String by) {
        MethodView now = of(method);
        List<Parameter> pinned = new ArrayList<>();
        Problems problems = Problems.thrown();
        int i = 0;
        for (Pinned.Parameter parameter : method.data().parameters().values()) {
            String value = i < values.size() ? values.get(i).strip() : "";
            i++;
            if (value.isEmpty() || value.length() > LONGEST || value.contains("\n")) {
                throw new Refusal(
                        "values",
                        "Pin a value for '" + parameter.words() + "', of at most " + LONGEST + " characters.");
            }
            problems.cell("values", parameter.words(), value).neededQuantity(parameter.dimension());
            pinned.add(new Parameter(parameter.words(), value));
        }
        Reasons.require("reason", reason, "The reason (a new revision starts new series)", 300);
        if (pinned.equals(now.parameters())) {
            throw new Refusal("values", "Nothing differs from revision " + now.revision() + ".");
        }
        MethodRevision row = new MethodRevision();
        row.method = method.data().id();
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
                .filter(parts -> parts.length == 2)
                .map(parts -> new Parameter(parts[0], parts[1]))
                .toList();
    }
}
