package org.ysometron.core.method;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** How a test can end: the one vocabulary, of which each method lists its own ends and what they make of its characteristics. */
public enum End {
    BROKE_IN_GAUGE("broke in the gauge section"),
    BROKE_AT_GRIP("broke at the grip"),
    BROKE_AT_DEFECT("broke at a defect"),
    /** Where a method has no gauge section. */
    BROKE("broke"),
    SLIPPED("slipped"),
    NO_BREAK("did not break"),
    TRAVEL_ENDED("the travel ended"),
    OVER_CAPACITY("beyond the gauge's capacity"),
    /** The largest load reached stands. */
    RIG_STALLED("the rig stalled"),
    FIXTURE_GAVE_WAY("the fixture gave way"),
    /** The pendulum's C, H, P and N (ISO 179-1). */
    COMPLETE("broke completely"),
    HINGED("hinged"),
    PARTIAL("broke in part"),
    NONE("did not break at the blow"),
    NEVER_REACHED_ANGLE("broke before the angle"),
    STRIPPED("the thread stripped"),
    BLOCK_SPLIT("the block split"),
    THIS_PART_FAILED("this part failed"),
    OTHER_PART_FAILED("the other part failed"),
    HELD_TO_THE_END("held to the end"),
    /** By the criterion that is pinned. */
    MOVED("moved"),
    BROKE_BETWEEN_READINGS("broke between two readings"),
    /** With a cause. */
    VOID("void");

    private final String words;

    End(String words) {
        this.words = words;
    }

    /** The end as people say it. */
    public String words() {
        return words;
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
