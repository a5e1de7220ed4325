package org.ysometron.core.method;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** How a test can end: the one vocabulary, of which each method lists its own ends and what they make of its characteristics. */
public enum End {
    BROKE_IN_GAUGE("broke in gauge", ""),
    BROKE_AT_GRIP("broke at grip", "the grip, not the material, set the load (ISO 527-1 asks for a replacement)"),
    BROKE_AT_DEFECT("broke at a defect", "the defect, not the material, set the load"),
    /** Where a method has no gauge section. */
    BROKE("broke", ""),
    SLIPPED("slipped", "the specimen left the grips before it broke"),
    NO_BREAK("did not break", "the specimen carried the load: a lower bound"),
    TRAVEL_ENDED("the travel ended", "the travel ended before the specimen: a lower bound"),
    OVER_CAPACITY("over capacity", "the gauge ended before the specimen: a lower bound"),
    /** The largest load reached stands. */
    RIG_STALLED("the rig stalled", "the rig ended before the specimen: a lower bound"),
    FIXTURE_GAVE_WAY("the fixture gave way", "the fixture ended before the specimen: a lower bound"),
    /** The pendulum's C, H, P and N (ISO 179-1). */
    COMPLETE("broke completely", ""),
    HINGED("hinged", ""),
    PARTIAL("broke in part", "a partial break is shown and in no mean (ISO 179-1)"),
    NONE("did not break at the blow", "the hammer had no more to give: a lower bound"),
    NEVER_REACHED_ANGLE("broke before the angle", "it broke before the angle was reached"),
    STRIPPED("the thread stripped", ""),
    BLOCK_SPLIT("the block split", "the block ended before the thread: a lower bound"),
    THIS_PART_FAILED("this part failed", ""),
    OTHER_PART_FAILED("the other part failed", "the other part ended first: a lower bound"),
    HELD_TO_THE_END("held to the end", "it held to the end: a lower bound"),
    /** Of what is looked at or measured, and not brought to an end. */
    DONE("done", ""),
    /** By the criterion that is pinned. */
    MOVED("moved", ""),
    BROKE_BETWEEN_READINGS("broke between two readings", "it was found broken at the next reading"),
    /** With a cause. */
    VOID("void", "the test was void");

    private final String words;
    private final String because;

    End(String words, String because) {
        this.words = words;
        this.because = because;
    }

    /** The end as people say it. */
    public String words() {
        return words;
    }

    /** Why what was read is no plain value where the method makes it none. */
    public String because() {
        return because.isEmpty() ? words : because;
    }

    /** Its key in files: broke-in-gauge. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The end of this key. */
    public static Optional<End> of(String key) {
        return Arrays.stream(values()).filter(end -> end.key().equals(key)).findFirst();
    }

    /** All keys, for messages. */
    static String keys() {
        return Arrays.stream(values()).map(End::key).collect(Collectors.joining(", "));
    }
}
