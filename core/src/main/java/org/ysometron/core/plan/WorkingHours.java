package org.ysometron.core.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;

/**
 * When somebody is there: Monday to Friday between two times of the day.
 *
 * @param begins first minute of the day's work
 * @param ends first minute after it, later than {@code begins}
 */
public record WorkingHours(LocalTime begins, LocalTime ends) {

    /** From seven to four, unless the site says otherwise. */
    public static final WorkingHours USUAL = new WorkingHours(LocalTime.of(7, 0), LocalTime.of(16, 0));

    /** Checks the order of the times. */
    public WorkingHours {
        if (!begins.isBefore(ends)) {
            throw new IllegalArgumentException("the working day must begin before it ends: " + begins + ", " + ends);
        }
    }

    /** Whether anybody works on that day. */
    public boolean isWorkday(LocalDateTime at) {
        return at.getDayOfWeek() != DayOfWeek.SATURDAY && at.getDayOfWeek() != DayOfWeek.SUNDAY;
    }

    /** Minutes of a day's work. */
    public long minutes() {
        return Duration.between(begins, ends).toMinutes();
    }

    /** The first time from {@code at} on at which somebody is there. */
    public LocalDateTime from(LocalDateTime at) {
        LocalDateTime time = at.toLocalTime().isBefore(begins)
                ? at.toLocalDate().atTime(begins)
                : !at.toLocalTime().isBefore(ends) ? nextDay(at) : at;
        while (!isWorkday(time)) {
            time = nextDay(time);
        }
        return time;
    }

    /** The first time from {@code at} on at which work of so many minutes can begin and, if a day holds it, end that day. */
    LocalDateTime fitting(LocalDateTime at, long minutes) {
        LocalDateTime begun = from(at);
        boolean today = !begun.plusMinutes(minutes).isAfter(begun.toLocalDate().atTime(ends));
        return minutes <= minutes() && !today ? from(nextDay(begun)) : begun;
    }

    /** When work of so many minutes, begun at a time at which somebody is there, is done. */
    LocalDateTime done(LocalDateTime begun, long minutes) {
        long left = minutes;
        LocalDateTime at = begun;
        while (true) {
            long today = Duration.between(at, at.toLocalDate().atTime(ends)).toMinutes();
            if (left <= today) {
                return at.plusMinutes(left);
            }
            left -= today;
            at = from(nextDay(at));
        }
    }

    private LocalDateTime nextDay(LocalDateTime at) {
        return at.toLocalDate().plusDays(1).atTime(begins);
    }
}
