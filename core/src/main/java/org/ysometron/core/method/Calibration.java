package org.ysometron.core.method;

import java.time.LocalDate;
import java.util.List;

/**
 * One calibration of an instrument: it holds from the day it was done to the day it is due, both included.
 *
 * @param doneOn the day it was done
 * @param dueOn the day the next is due, not before {@code doneOn}
 */
public record Calibration(LocalDate doneOn, LocalDate dueOn) {

    /** How an instrument stands on a day. */
    public enum Coverage {
        /** A calibration holds. */
        COVERED,
        /** There are calibrations, and none holds on that day. */
        OUT,
        /** None is on record. */
        UNKNOWN
    }

    /** Checks the order of the days. */
    public Calibration {
        if (dueOn.isBefore(doneOn)) {
            throw new IllegalArgumentException(
                    "a calibration cannot be due before it was done: " + doneOn + ", " + dueOn);
        }
    }

    /** How an instrument with these calibrations stands on a day. */
    public static Coverage on(LocalDate day, List<Calibration> calibrations) {
        if (calibrations.isEmpty()) {
            return Coverage.UNKNOWN;
        }
        return calibrations.stream().anyMatch(c -> !day.isBefore(c.doneOn) && !day.isAfter(c.dueOn))
                ? Coverage.COVERED
                : Coverage.OUT;
    }
}
