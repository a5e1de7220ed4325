package org.ysometron.core.method;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;
import org.ysometron.core.reading.Sheet;

/** Reads a method's file; whatever is wrong in it is said with file and line when the application starts. */
final class MethodFile {

    private final String name;

    private MethodFile(String name) {
        this.name = name;
    }

    /** A file that is not as it must be. */
    static final class Wrong extends IllegalStateException {

        private static final long serialVersionUID = 1L;

        Wrong(String message) {
            super(message);
        }
    }

    static MethodData beside(Class<?> method) {
        return read(Method.fileName(method), textBeside(method));
    }

    static String textBeside(Class<?> method) {
        String name = Method.fileName(method);
        try (InputStream in = method.getResourceAsStream(name)) {
            if (in == null) {
                throw new Wrong(name + " is missing beside " + method.getName());
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static MethodData read(String name, String text) {
        MethodFile file = new MethodFile(name);
        try {
            Node root = new Yaml(new LoaderOptions())
                    .compose(new InputStreamReader(
                            new java.io.ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)),
                            StandardCharsets.UTF_8));
            if (root == null) {
                throw new Wrong(name + " is empty");
            }
            return file.method(file.map(root));
        } catch (MarkedYAMLException e) {
            throw new Wrong(name + ", line " + (e.getProblemMark().getLine() + 1) + ": " + e.getProblem());
        }
    }

    private MethodData method(Entries all) {
        Sheet own = sheet(all.need("sheet"));
        List<Characteristic> characteristics = list(all.need("characteristics")).stream()
                .map(node -> characteristic(map(node)))
                .toList();
        Node ended = all.find("ended-by");
        if (ended != null && own.field(text(ended)).isEmpty()) {
            throw wrong(ended, "the sheet has no field '" + text(ended) + "'");
        }
        List<String> hazards = texts(all.need("hazards"));
        if (hazards.isEmpty()) {
            throw wrong(all.need("hazards"), "say what hurts");
        }
        Sheet sheet = withNoted(own, ended == null ? Optional.empty() : own.field(text(ended)));
        Map<String, Pinned.Parameter> parameters = parameters(all.find("parameters"));
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
                ended == null ? Optional.empty() : Optional.of(text(ended)),
                ends(all.need("ends"), characteristics),
                characteristics,
                optional(all.find("aside"), sheet),
                optional(all.find("later"), sheet),
                clock(all.find("clock"), sheet, parameters.keySet()),
                staircase(all.find("staircase"), sheet, parameters),
                example(all.need("example"), sheet));
        all.nothingElse();
        return data;
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
            Entries entries = map(item);
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
                .map(design -> word(node, design, SpecimenDesign.class))
                .toList();
        if (designs.isEmpty()) {
            throw wrong(node, "it is done on some specimen");
        }
        return designs;
    }

    private Sheet sheet(Node node) {
        List<Field> fields = new ArrayList<>();
        for (Node item : list(node)) {
            Entries entries = map(item);
            Node kind = entries.find("kind");
            Node dimension = entries.find("dimension");
            Node places = entries.find("places");
            Node optional = entries.find("optional");
            try {
                fields.add(new Field(
                        entries.text("key"),
                        entries.text("words"),
                        kind == null ? Field.Kind.NUMBER : word(kind, text(kind), Field.Kind.class),
                        dimension == null ? Dimension.RATIO : dimension(dimension),
                        places == null ? 1 : whole(places),
                        word(entries.need("role"), entries.text("role"), Field.Role.class),
                        optional != null && text(optional).equals("true"),
                        entries.texts("choices")));
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

    private Characteristic characteristic(Entries entries) {
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
            throw wrong(entries.node, String.valueOf(e.getMessage()));
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

    // ---- nodes ---------------------------------------------------------------------------------------------------

    private Dimension dimension(Node node) {
        return word(node, text(node), Dimension.class);
    }

    private <E extends Enum<E>> E word(Node node, String text, Class<E> words) {
        String wanted = text.toUpperCase(Locale.ROOT).replace('-', '_');
        for (E word : words.getEnumConstants()) {
            if (word.name().equals(wanted)) {
                return word;
            }
        }
        List<String> known = new ArrayList<>();
        for (E word : words.getEnumConstants()) {
            known.add(word.name().toLowerCase(Locale.ROOT).replace('_', '-'));
        }
        throw wrong(node, "'" + text + "' is none of " + String.join(", ", known));
    }

    private int whole(Node node) {
        try {
            return Integer.parseInt(text(node));
        } catch (NumberFormatException e) {
            throw wrong(node, "'" + text(node) + "' is not a whole number");
        }
    }

    private String text(Node node) {
        if (node instanceof ScalarNode scalar && !scalar.getValue().isBlank()) {
            return scalar.getValue();
        }
        throw wrong(node, "a text is needed here");
    }

    private List<String> texts(Node node) {
        return list(node).stream().map(this::text).toList();
    }

    private List<Node> list(Node node) {
        if (node instanceof SequenceNode sequence) {
            return sequence.getValue();
        }
        throw wrong(node, "a list is needed here");
    }

    private Entries map(Node node) {
        if (node instanceof MappingNode mapping) {
            return new Entries(mapping);
        }
        throw wrong(node, "keys with their values are needed here");
    }

    private Wrong wrong(Node node, String what) {
        return new Wrong(name + ", line " + (node.getStartMark().getLine() + 1) + ": " + what);
    }

    /** The entries of one mapping, each asked for once; one that nobody asked for is a slip of the pen. */
    private final class Entries {

        private final Node node;
        private final Map<String, NodeTuple> left = new LinkedHashMap<>();

        Entries(MappingNode node) {
            this.node = node;
            for (NodeTuple tuple : node.getValue()) {
                if (left.put(MethodFile.this.text(tuple.getKeyNode()), tuple) != null) {
                    throw wrong(tuple.getKeyNode(), "the key stands twice");
                }
            }
        }

        private final Map<String, NodeTuple> asked = new LinkedHashMap<>();

        @Nullable
        Node find(String key) {
            NodeTuple tuple = left.remove(key);
            if (tuple != null) {
                asked.put(key, tuple);
            }
            NodeTuple known = asked.get(key);
            return known == null ? null : known.getValueNode();
        }

        Node need(String key) {
            Node found = find(key);
            if (found == null) {
                throw wrong(node, "'" + key + "' is missing");
            }
            return found;
        }

        String text(String key) {
            return MethodFile.this.text(need(key));
        }

        List<String> texts(String key) {
            Node found = find(key);
            return found == null ? List.of() : MethodFile.this.texts(found);
        }

        void each(java.util.function.BiConsumer<Node, Node> taker) {
            left.values().forEach(tuple -> taker.accept(tuple.getKeyNode(), tuple.getValueNode()));
        }

        void nothingElse() {
            left.forEach((key, tuple) -> {
                throw wrong(tuple.getKeyNode(), "nobody knows what '" + key + "' is");
            });
        }
    }
}
