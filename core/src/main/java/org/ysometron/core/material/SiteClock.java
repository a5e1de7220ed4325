package org.ysometron.core.material;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;

/**
 * Reckons hours between times written down by a site's wall clock, which is set forward and back (rules of the IANA time zone
 * database, as the Java runtime ships them). A time in the hour that comes twice may have been either: a wait counts as the
 * shortest that it may have been, an exposure as the longest, so that the doubt never speaks for a result.
 *
 * @param zone the site's time zone
 */
public record SiteClock(ZoneId zone) {

    /** The wall clock's time when at least so long has gone by since {@code from}. */
    public LocalDateTime after(LocalDateTime from, Duration wait) {
        return from.atZone(zone).withLaterOffsetAtOverlap().plus(wait).toLocalDateTime();
    }

    /** How long it was at least; below zero where {@code to} came before. */
    public Duration least(LocalDateTime from, LocalDateTime to) {
        return Duration.between(
                from.atZone(zone).withLaterOffsetAtOverlap(), to.atZone(zone).withEarlierOffsetAtOverlap());
    }

    /** How long it was at most; below zero where {@code to} came before. */
    public Duration most(LocalDateTime from, LocalDateTime to) {
        return Duration.between(
                from.atZone(zone).withEarlierOffsetAtOverlap(), to.atZone(zone).withLaterOffsetAtOverlap());
    }
}
