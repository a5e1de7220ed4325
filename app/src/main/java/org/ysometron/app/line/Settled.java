package org.ysometron.app.line;

import jakarta.persistence.MappedSuperclass;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Something that an instrument sent and that becomes one thing at the most: what, by whom and when. */
@MappedSuperclass
abstract class Settled {

    /** What it became, or why it was left; null while it waits. */
    @Nullable
    String usedFor;

    @Nullable
    String usedBy;

    @Nullable
    Instant usedAt;

    /** Whether it became nothing. */
    boolean leftOut;

    boolean waits() {
        return usedFor == null;
    }

    void becomes(String what, String by, Instant at) {
        usedFor = what;
        usedBy = by;
        usedAt = at;
    }

    void isLeft(String why, String by, Instant at) {
        leftOut = true;
        becomes(why, by, at);
    }

    /** What it became, in words; empty while it waits. */
    String words() {
        return usedFor == null ? "" : usedFor;
    }
}
