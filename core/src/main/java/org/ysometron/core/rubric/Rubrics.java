package org.ysometron.core.rubric;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.yaml.snakeyaml.nodes.Node;
import org.ysometron.core.data.DataFile;
import org.ysometron.core.quantity.Dimension;

/** The scales that ship with the application: a file each, listed in the order in which they are shown. */
public final class Rubrics {

    private static final String LIST = "rubrics.yaml";

    private Rubrics() {}

    /** Read when somebody asks for one. */
    private static final class Known {

        private static final Map<String, Rubric> ALL = all();

        private static Map<String, Rubric> all() {
            Map<String, Rubric> all = new LinkedHashMap<>();
            for (String id : ids()) {
                String name = id + ".yaml";
                Rubric rubric = Rubrics.read(name, DataFile.textBeside(Rubrics.class, name));
                if (!rubric.id().equals(id)) {
                    throw new DataFile.Wrong(name + " holds the scale '" + rubric.id() + "'");
                }
                all.put(id, rubric);
            }
            return all;
        }

        private static List<String> ids() {
            return DataFile.read(LIST, DataFile.textBeside(Rubrics.class, LIST), (file, entries) -> {
                List<String> ids = entries.texts("rubrics");
                entries.nothingElse();
                return ids;
            });
        }
    }

    /** All of them. */
    public static List<Rubric> all() {
        return List.copyOf(Known.ALL.values());
    }

    /** The scale of this id. */
    public static Optional<Rubric> of(String id) {
        return Optional.ofNullable(Known.ALL.get(id));
    }

    /**
     * Reads a scale's file.
     *
     * @throws DataFile.Wrong with the line of what is wrong
     */
    static Rubric read(String name, String text) {
        return DataFile.read(name, text, (file, all) -> {
            Node listed = all.need("grades");
            List<Rubric.Grade> grades = new ArrayList<>();
            for (Node item : file.list(listed)) {
                DataFile.Entries entries = file.map(item);
                Node fault = entries.find("fault");
                grades.add(new Rubric.Grade(
                        number(file, entries.need("value")),
                        entries.text("words"),
                        entries.text("drawing"),
                        fault == null ? "" : file.text(fault)));
                entries.nothingElse();
            }
            Node steps = all.find("steps-of");
            try {
                Rubric rubric = new Rubric(
                        all.text("id"),
                        file.whole(all.need("revision")),
                        all.text("title"),
                        all.text("asks"),
                        steps == null ? Dimension.GRADE : file.word(steps, file.text(steps), Dimension.class),
                        steps != null,
                        file.word(all.need("better"), all.text("better"), Rubric.Better.class),
                        all.text("source"),
                        grades);
                all.nothingElse();
                return rubric;
            } catch (IllegalArgumentException e) {
                throw file.wrong(listed, String.valueOf(e.getMessage()));
            }
        });
    }

    private static double number(DataFile file, Node node) {
        try {
            return Double.parseDouble(file.text(node).toLowerCase(Locale.ROOT));
        } catch (NumberFormatException e) {
            throw file.wrong(node, "'" + file.text(node) + "' is no number");
        }
    }
}
