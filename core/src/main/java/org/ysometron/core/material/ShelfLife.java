package org.ysometron.core.material;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/**
 * How long a lot keeps. Past its day it is tested again before it leaves: a test of before says nothing of it any more (common practice,
 * no source; what a supplier promises stands in the data sheet).
 *
 * @param madeOn day on which the lot was made
 * @param days that it keeps, at least 1
 */
public record ShelfLife(LocalDate madeOn, int days) {

    /** Checks the range. */
    public ShelfLife {
        if (days < 1 || days > 36_500) {
            throw new IllegalArgumentException("a lot keeps 1 to 36,500 days, got " + days);
        }
    }

    /** The last day on which it is kept. */
    public LocalDate until() {
        return madeOn.plusDays(days);
    }

    /** Whether it is past that day. */
    public boolean isPast(LocalDate today) {
        return today.isAfter(until());
    }

    /** Days past it; 0 up to it. */
    public long past(LocalDate today) {
        return Math.max(0, ChronoUnit.DAYS.between(until(), today));
    }

    /** Whether a test of this day tells of the lot as it is: one of before it was past does not. */
    public boolean isTestedAgain(Optional<LocalDate> lastTested) {
        return lastTested.filter(day -> day.isAfter(until())).isPresent();
    }
}
