package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.SequenceNode;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.data.DataFile;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;
import org.ysometron.core.reading.Sheet;
import org.ysometron.core.rubric.Rubric;
import org.ysometron.core.rubric.Rubrics;

/** Reads a method's file; whatever is wrong in it is said with file and line when the application starts. */
final class MethodFile {

    private final DataFile file;

    private MethodFile(DataFile file) {
        this.file = file;
    }

    static MethodData beside(Class<?> method) {
        return read(Method.fileName(method), textBeside(method));
    }

    static String textBeside(Class<?> method) {
        return DataFile.textBeside(method, Method.fileName(method));
    }

    static MethodData read(String name, String text) {
        return DataFile.read(name, text, (file, all) -> new MethodFile(file).method(all));
    }

    private MethodData method(DataFile.Entries all) {
        Sheet own = sheet(all.need("sheet"));
        List<Characteristic> characteristics = list(all.need("characteristics")).stream()
                .map(node -> characteristic(map(node)))
                .toList();
        Optional<Field> ended = ended(all.find("ended-by"), own);
        List<String> hazards = hazards(all.need("hazards"));
        Sheet sheet = withNoted(own, ended);
        Map<String, Pinned.Parameter> parameters = parameters(all.find("parameters"));
        parameters.keySet().stream().filter(key -> sheet.field(key).isPresent()).forEach(key -> {
            throw wrong(all.need("parameters"), "'" + key + "' is a field of the sheet too");
        });
        MethodData data = new MethodData(
                all.text("id"),
                all.text("title"),
                all.text("standard"),
                all.texts("deviations"),
                parameters,
                word(all.need("equipment"), all.text("equipment"), Equipment.class),
                whole(all.need("minutes")),
                all.find("days") == null ? 0 : whole(all.need("days")),
                all.find("rated") != null && all.text("rated").equals("true"),
                hazards,
                designs(all.need("designs")),
                sheet,
                ended.map(Field::key),
                ends(all.need("ends"), characteristics),
                characteristics,
                optional(all.find("aside"), sheet),
                optional(all.find("later"), sheet),
                clock(all.find("clock"), sheet, parameters.keySet()),
                staircase(all.find("staircase"), sheet, parameters),
                suspends(all.find("suspends"), characteristics),
                Optional.ofNullable(all.find("published")).map(this::text),
                recorded(all.find("record"), sheet, parameters.keySet()),
                example(all.need("example"), sheet));
        all.nothingElse();
        return data;
    }

    private Optional<Field> ended(@Nullable Node node, Sheet own) {
        if (node == null) {
            return Optional.empty();
        }
        return Optional.of(
                own.field(text(node)).orElseThrow(() -> wrong(node, "the sheet has no field '" + text(node) + "'")));
    }

    private List<String> hazards(Node node) {
        List<String> hazards = texts(node);
        if (hazards.isEmpty()) {
            throw wrong(node, "say what hurts");
        }
        return hazards;
    }

    /** With what is noted of any test, as far as the method's own sheet does not ask for it. */
    private static Sheet withNoted(Sheet own, Optional<Field> ended) {
        List<Field> fields = new ArrayList<>(own.fields());
        Noted.fields(ended.map(Field::dimension)).stream()
                .filter(field -> own.field(field.key()).isEmpty())
                .forEach(fields::add);
        return new Sheet(fields);
    }

    private Map<String, Pinned.Parameter> parameters(@Nullable Node node) {
        Map<String, Pinned.Parameter> found = new LinkedHashMap<>();
        for (Node item : node == null ? List.<Node>of() : list(node)) {
            DataFile.Entries entries = map(item);
            Dimension dimension = dimension(entries.need("dimension"));
            Node value = entries.need("value");
            Typed typed = Typed.read(entries.text("key"), text(value), UnitOfMeasure.working(dimension));
            if (typed instanceof Typed.Refused refused) {
                throw wrong(value, refused.problem().text());
            }
            found.put(
                    entries.text("key"),
                    new Pinned.Parameter(
                            entries.text("words"), dimension, ((Typed.Accepted) typed).value(), text(value)));
            entries.nothingElse();
        }
        return Collections.unmodifiableMap(found);
    }

    private List<SpecimenDesign> designs(Node node) {
        List<SpecimenDesign> designs = texts(node).stream()
                .map(design -> SpecimenDesign.delivered(design)
                        .orElseThrow(() -> wrong(node, "'" + design + "' is none of " + SpecimenDesign.names())))
                .toList();
        if (designs.isEmpty()) {
            throw wrong(node, "it is done on some specimen");
        }
        return designs;
    }

    private Sheet sheet(Node node) {
        List<Field> fields = new ArrayList<>();
        for (Node item : list(node)) {
            DataFile.Entries entries = map(item);
            Node kind = entries.find("kind");
            Node dimension = entries.find("dimension");
            Node places = entries.find("places");
            Node optional = entries.find("optional");
            try {
                Optional<Rubric> rubric = rubric(entries);
                fields.add(new Field(
                        entries.text("key"),
                        entries.text("words"),
                        kind == null ? Field.Kind.NUMBER : word(kind, text(kind), Field.Kind.class),
                        rubric.map(Rubric::dimension)
                                .orElseGet(() -> dimension == null ? Dimension.RATIO : dimension(dimension)),
                        places == null ? 1 : whole(places),
                        word(entries.need("role"), entries.text("role"), Field.Role.class),
                        optional != null && text(optional).equals("true"),
                        entries.texts("choices"),
                        rubric.orElse(null)));
            } catch (IllegalArgumentException e) {
                throw wrong(item, String.valueOf(e.getMessage()));
            }
            entries.nothingElse();
        }
        if (fields.stream().noneMatch(field -> field.role() == Field.Role.TEST)) {
            throw wrong(node, "something is read in the test");
        }
        try {
            return new Sheet(fields);
        } catch (IllegalArgumentException e) {
            throw wrong(node, String.valueOf(e.getMessage()));
        }
    }

    /** The scale of a grade. */
    private Optional<Rubric> rubric(DataFile.Entries entries) {
        Node named = entries.find("rubric");
        if (named == null) {
            return Optional.empty();
        }
        return Optional.of(
                Rubrics.of(text(named)).orElseThrow(() -> wrong(named, "'" + text(named) + "' is no scale")));
    }

    private Characteristic characteristic(DataFile.Entries entries) {
        Node ratio = entries.find("ratio");
        try {
            Characteristic found = new Characteristic(
                    entries.text("id"),
                    entries.text("title"),
                    dimension(entries.need("dimension")),
                    whole(entries.need("digits")),
                    word(entries.need("better"), entries.text("better"), Characteristic.Better.class),
                    entries.text("definition"),
                    Characteristic.Source.METHOD,
                    ratio == null ? "" : text(ratio),
                    "");
            entries.nothingElse();
            return found;
        } catch (IllegalArgumentException e) {
            throw wrong(entries.node(), String.valueOf(e.getMessage()));
        }
    }

    private Map<End, Map<String, Reduced.Made>> ends(Node node, List<Characteristic> characteristics) {
        Map<End, Map<String, Reduced.Made>> ends = new LinkedHashMap<>();
        map(node).each((key, value) -> {
            End end = End.of(text(key))
                    .orElseThrow(() -> wrong(key, "'" + text(key) + "' is no end; known are " + End.keys()));
            Map<String, Reduced.Made> makes = new LinkedHashMap<>();
            map(value).each((id, made) -> {
                Reduced.Made what = word(made, text(made), Reduced.Made.class);
                if (what == Reduced.Made.BETWEEN) {
                    throw wrong(made, "an interval is worked out by the method; an end makes none");
                }
                List<String> known =
                        characteristics.stream().map(Characteristic::id).toList();
                if (text(id).equals("all")) {
                    known.forEach(one -> makes.put(one, what));
                } else if (known.contains(text(id))) {
                    makes.put(text(id), what);
                } else {
                    throw wrong(id, "'" + text(id) + "' is no characteristic of this method");
                }
            });
            ends.put(end, Collections.unmodifiableMap(makes));
        });
        if (ends.isEmpty()) {
            throw wrong(node, "a test ends somehow");
        }
        return Collections.unmodifiableMap(ends);
    }

    /** Fields of the test that a result can be had without. */
    private Set<String> optional(@Nullable Node node, Sheet sheet) {
        List<String> keys = node == null ? List.of() : texts(node);
        for (String key : keys) {
            boolean seldom = sheet.field(key)
                    .filter(field -> field.role() == Field.Role.TEST && field.optional())
                    .isPresent();
            if (!seldom) {
                throw wrong(
                        java.util.Objects.requireNonNull(node),
                        "'" + key + "' is nothing that a test may be read without");
            }
        }
        return Set.copyOf(keys);
    }

    /** The field that is stepped, whose step the parameter of that name pins. */
    private Optional<String> staircase(@Nullable Node node, Sheet sheet, Map<String, Pinned.Parameter> parameters) {
        if (node == null) {
            return Optional.empty();
        }
        Field stepped =
                sheet.field(text(node)).orElseThrow(() -> wrong(node, "the sheet has no field '" + text(node) + "'"));
        Pinned.Parameter step = parameters.get("step");
        if (step == null || step.dimension() != stepped.dimension()) {
            throw wrong(node, "a staircase needs a parameter 'step' of the same kind as '" + stepped.key() + "'");
        }
        return Optional.of(stepped.key());
    }

    private Optional<MethodData.Suspends> suspends(@Nullable Node node, List<Characteristic> characteristics) {
        if (node == null) {
            return Optional.empty();
        }
        DataFile.Entries entries = map(node);
        Node named = entries.need("characteristic");
        Characteristic characteristic = characteristics.stream()
                .filter(one -> one.id().equals(text(named)))
                .findFirst()
                .orElseThrow(() -> wrong(named, "'" + text(named) + "' is no characteristic of this method"));
        Node below = entries.need("below");
        Typed typed = Typed.read("below", text(below), UnitOfMeasure.working(characteristic.dimension()));
        if (typed instanceof Typed.Refused refused) {
            throw wrong(below, refused.problem().text());
        }
        MethodData.Suspends suspends =
                new MethodData.Suspends(characteristic.id(), ((Typed.Accepted) typed).value(), entries.text("words"));
        entries.nothingElse();
        return Optional.of(suspends);
    }

    private Optional<Recorded> recorded(@Nullable Node node, Sheet sheet, Set<String> parameters) {
        boolean traced = sheet.of(Field.Role.RECORDED).stream().anyMatch(field -> field.kind() == Field.Kind.TRACE);
        if (node == null) {
            if (!sheet.of(Field.Role.RECORDED).isEmpty()) {
                throw new DataFile.Wrong("what is recorded needs a 'record' that says what is found on it");
            }
            return Optional.empty();
        }
        if (!traced) {
            throw wrong(node, "the sheet has no field of kind 'trace'");
        }
        DataFile.Entries entries = map(node);
        Map<String, Recorded.Find> finds = new LinkedHashMap<>();
        map(entries.need("finds")).each((key, value) -> {
            Field field =
                    sheet.field(text(key)).orElseThrow(() -> wrong(key, "the sheet has no field '" + text(key) + "'"));
            if (!field.isQuantity()) {
                throw wrong(key, "'" + text(key) + "' is no number");
            }
            try {
                finds.put(text(key), Recorded.Find.of(text(value)));
            } catch (IllegalArgumentException e) {
                throw wrong(value, String.valueOf(e.getMessage()));
            }
        });
        Recorded recorded = new Recorded(
                sheet.of(Field.Role.RECORDED).stream()
                        .filter(field -> field.kind() == Field.Kind.TRACE)
                        .findFirst()
                        .orElseThrow()
                        .key(),
                word(entries.need("loading"), entries.text("loading"), Loading.class),
                parameter(entries.find("gauge"), parameters),
                parameter(entries.find("travel"), parameters),
                finds);
        entries.nothingElse();
        return Optional.of(recorded);
    }

    private Optional<String> parameter(@Nullable Node node, Set<String> parameters) {
        if (node != null && !parameters.contains(text(node))) {
            throw wrong(node, "'" + text(node) + "' is no parameter of this method");
        }
        return Optional.ofNullable(node).map(this::text);
    }

    /** A moment, behind it the field for its time where the sheet always asks for it: 60 s, at. */
    private Clock.Ring ring(Node value, String field, Sheet sheet) {
        String[] parts = text(value).split(",", 2);
        Typed typed = Typed.read(field, parts[0], UnitOfMeasure.working(Dimension.TIME));
        if (typed instanceof Typed.Refused refused) {
            throw wrong(value, refused.problem().text());
        }
        String late = "true-" + field;
        String trueTime =
                parts.length == 2 ? parts[1].strip() : sheet.field(late).isPresent() ? late : "";
        if (!trueTime.isEmpty()
                && sheet.field(trueTime)
                        .filter(time -> time.dimension() == Dimension.TIME)
                        .isEmpty()) {
            throw wrong(value, "the sheet has no time '" + trueTime + "'");
        }
        return new Clock.Ring(field, ((Typed.Accepted) typed).value(), trueTime);
    }

    /** Times by field, and under 'step' the parameter that says how long each step is held. */
    private Clock clock(@Nullable Node node, Sheet sheet, Set<String> parameters) {
        if (node == null) {
            return Clock.NONE;
        }
        List<Clock.Ring> rings = new ArrayList<>();
        List<String> steps = new ArrayList<>();
        map(node).each((key, value) -> {
            if (text(key).equals("step")) {
                if (!parameters.contains(text(value))) {
                    throw wrong(value, "'" + text(value) + "' is no parameter of this method");
                }
                steps.add(text(value));
                return;
            }
            if (sheet.field(text(key)).isEmpty()) {
                throw wrong(key, "the sheet has no field '" + text(key) + "'");
            }
            rings.add(ring(value, text(key), sheet));
        });
        try {
            return new Clock(rings, steps.stream().findFirst());
        } catch (IllegalArgumentException e) {
            throw wrong(node, String.valueOf(e.getMessage()));
        }
    }

    private Map<String, List<String>> example(Node node, Sheet sheet) {
        Map<String, List<String>> example = new LinkedHashMap<>();
        map(node)
                .each((key, value) ->
                        example.put(text(key), value instanceof SequenceNode ? texts(value) : List.of(text(value))));
        Sheet.Taken taken = sheet.read(example);
        if (!taken.problems().isEmpty()) {
            throw wrong(
                    node,
                    "the example cannot be read: " + taken.problems().get(0).text());
        }
        return Collections.unmodifiableMap(example);
    }

    private Dimension dimension(Node node) {
        return word(node, text(node), Dimension.class);
    }

    private <E extends Enum<E>> E word(Node node, String text, Class<E> words) {
        return file.word(node, text, words);
    }

    private int whole(Node node) {
        return file.whole(node);
    }

    private String text(Node node) {
        return file.text(node);
    }

    private List<String> texts(Node node) {
        return file.texts(node);
    }

    private List<Node> list(Node node) {
        return file.list(node);
    }

    private DataFile.Entries map(Node node) {
        return file.map(node);
    }

    private DataFile.Wrong wrong(Node node, String what) {
        return file.wrong(node, what);
    }
}
