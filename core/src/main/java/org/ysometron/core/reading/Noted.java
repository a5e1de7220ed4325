package org.ysometron.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.ysometron.core.quantity.Dimension;

/** What is noted beside a test of whatever method: it belongs to the specimen, is kept with its readings and goes where they go. */
public final class Noted {

    /** How far the gauge's zero had moved when it was read again after the test. */
    public static final String ZERO = "zero-change";

    /** In somebody's own words. */
    public static final String REMARK = "remark";

    /** In which part of its length it broke. */
    public static final String BROKE_AT = "broke-at";

    /** How it looks where it broke. */
    public static final String FRACTURE = "fracture";

    /** How many pieces were found. */
    public static final String PIECES = "pieces";

    /** Parts of a specimen's length, from the end that bears its label on. */
    public static final List<String> PARTS = List.of(
            "at the label's end", "towards the label", "in the middle", "away from the label", "at the other end");

    private Noted() {}

    /**
     * The fields, each once and none of them asked for.
     *
     * @param load what the field that can end the test reads; empty where no instrument can end it
     */
    public static List<Field> fields(Optional<Dimension> load) {
        List<Field> fields = new ArrayList<>();
        load.ifPresent(dimension ->
                fields.add(noted(ZERO, "how far the zero had moved", Field.Kind.FROM_ZERO, dimension, List.of())));
        fields.add(noted(
                FRACTURE,
                "how it looks where it broke",
                Field.Kind.CHOICE,
                Dimension.RATIO,
                List.of("ductile", "brittle", "sudden", "layers split", "shattered", "necked")));
        fields.add(noted(BROKE_AT, "in which part it broke", Field.Kind.CHOICE, Dimension.RATIO, PARTS));
        fields.add(noted(PIECES, "pieces found", Field.Kind.COUNT, Dimension.RATIO, List.of()));
        fields.add(noted(
                "fragments", "fragments", Field.Kind.CHOICE, Dimension.RATIO, List.of("all found", "some are lost")));
        fields.add(noted(
                "loaded-by",
                "how it was loaded",
                Field.Kind.CHOICE,
                Dimension.RATIO,
                List.of("machine", "hand wheel", "by hand", "weights", "a person's weight")));
        fields.add(noted("room", "room temperature", Field.Kind.NUMBER, Dimension.TEMPERATURE, List.of()));
        fields.add(noted("clip", "time mark in the clip", Field.Kind.TEXT, Dimension.RATIO, List.of()));
        fields.add(noted(REMARK, "remark", Field.Kind.TEXT, Dimension.RATIO, List.of()));
        return List.copyOf(fields);
    }

    private static Field noted(String key, String words, Field.Kind kind, Dimension dimension, List<String> choices) {
        return new Field(key, words, kind, dimension, 1, Field.Role.NOTED, true, choices);
    }
}
