package org.ysometron.core.data;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;

/** A file of keys and values, read node by node, so that whatever is wrong in it is said with file and line. */
public final class DataFile {

    private final String name;

    private DataFile(String name) {
        this.name = name;
    }

    /** A file that is not as it must be. */
    public static final class Wrong extends IllegalStateException {

        private static final long serialVersionUID = 1L;

        /** With what is wrong, and where. */
        public Wrong(String message) {
            super(message);
        }
    }

    /** A file on its way to what is made of it. */
    public interface Reader<T> {

        /** Reads all entries of the file. */
        T read(DataFile file, Entries all);
    }

    /**
     * Reads a text.
     *
     * @param name of the file, for messages
     * @throws Wrong with the line of what is wrong
     */
    public static <T> T read(String name, String text, Reader<T> reader) {
        DataFile file = new DataFile(name);
        try {
            Node root = new Yaml(new LoaderOptions()).compose(new java.io.StringReader(text));
            if (root == null) {
                throw new Wrong(name + " is empty");
            }
            return reader.read(file, file.map(root));
        } catch (MarkedYAMLException e) {
            throw new Wrong(name + ", line " + (e.getProblemMark().getLine() + 1) + ": " + e.getProblem());
        }
    }

    /**
     * Reads the file that lies beside a class.
     *
     * @throws Wrong where there is none
     */
    public static String textBeside(Class<?> owner, String name) {
        try (java.io.InputStream in = owner.getResourceAsStream(name)) {
            if (in == null) {
                throw new Wrong(name + " is missing beside " + owner.getName());
            }
            return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** The constant that a text names, in small letters with dashes. */
    public <E extends Enum<E>> E word(Node node, String text, Class<E> words) {
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

    /** A whole number. */
    public int whole(Node node) {
        try {
            return Integer.parseInt(text(node));
        } catch (NumberFormatException e) {
            throw wrong(node, "'" + text(node) + "' is not a whole number");
        }
    }

    /** A text with something in it. */
    public String text(Node node) {
        if (node instanceof ScalarNode scalar && !scalar.getValue().isBlank()) {
            return scalar.getValue();
        }
        throw wrong(node, "a text is needed here");
    }

    /** A list of texts. */
    public List<String> texts(Node node) {
        return list(node).stream().map(this::text).toList();
    }

    /** The nodes of a list. */
    public List<Node> list(Node node) {
        if (node instanceof SequenceNode sequence) {
            return sequence.getValue();
        }
        throw wrong(node, "a list is needed here");
    }

    /** The entries of a mapping. */
    public Entries map(Node node) {
        if (node instanceof MappingNode mapping) {
            return new Entries(mapping);
        }
        throw wrong(node, "keys with their values are needed here");
    }

    /** What is wrong at a node. */
    public Wrong wrong(Node node, String what) {
        return new Wrong(name + ", line " + (node.getStartMark().getLine() + 1) + ": " + what);
    }

    /** The entries of one mapping, each asked for once; one that nobody asked for is a slip of the pen. */
    public final class Entries {

        private final Node node;
        private final Map<String, NodeTuple> left = new LinkedHashMap<>();

        private Entries(MappingNode node) {
            this.node = node;
            for (NodeTuple tuple : node.getValue()) {
                if (left.put(DataFile.this.text(tuple.getKeyNode()), tuple) != null) {
                    throw wrong(tuple.getKeyNode(), "the key stands twice");
                }
            }
        }

        private final Map<String, NodeTuple> asked = new LinkedHashMap<>();

        /** The mapping itself, for messages. */
        public Node node() {
            return node;
        }

        /** The node of a key; null where there is none. */
        public @Nullable Node find(String key) {
            NodeTuple tuple = left.remove(key);
            if (tuple != null) {
                asked.put(key, tuple);
            }
            NodeTuple known = asked.get(key);
            return known == null ? null : known.getValueNode();
        }

        /** The node of a key that must be there. */
        public Node need(String key) {
            Node found = find(key);
            if (found == null) {
                throw wrong(node, "'" + key + "' is missing");
            }
            return found;
        }

        /** The text of a key that must be there. */
        public String text(String key) {
            return DataFile.this.text(need(key));
        }

        /** The texts of a key; none where it is not there. */
        public List<String> texts(String key) {
            Node found = find(key);
            return found == null ? List.of() : DataFile.this.texts(found);
        }

        /** Every entry that nobody asked for yet. */
        public void each(BiConsumer<Node, Node> taker) {
            left.values().forEach(tuple -> taker.accept(tuple.getKeyNode(), tuple.getValueNode()));
        }

        /** Refuses what nobody asked for. */
        public void nothingElse() {
            left.forEach((key, tuple) -> {
                throw wrong(tuple.getKeyNode(), "nobody knows what '" + key + "' is");
            });
        }
    }
}
