package org.ysometron.app.web;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;

/** Moments as pages show them, by the site's clock: the application takes on the site's time zone when it starts. */
public final class Moments {

    private static final DateTimeFormatter SECOND = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss");

    private Moments() {}

    /** The day, such as 2026-03-14. */
    public static LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, ZoneId.systemDefault());
    }

    /** Day and time to the second, such as 2026-03-14 09:30:00. */
    public static String second(Instant at) {
        return LocalDateTime.ofInstant(at, ZoneId.systemDefault()).format(SECOND);
    }
}
