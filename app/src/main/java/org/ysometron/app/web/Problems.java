package org.ysometron.app.web;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What is wrong with a form, by field; the empty field name stands for the form as a whole. */
public final class Problems {

    private final Map<String, String> byField = new LinkedHashMap<>();
    private final boolean thrown;

    /** Nothing wrong yet. */
    public Problems() {
        this(false);
    }

    private Problems(boolean thrown) {
        this.thrown = thrown;
    }

    /** Problems that nobody gathers: the first is thrown as a refusal. */
    public static Problems thrown() {
        return new Problems(true);
    }

    /** The reader of one field, whose messages stand beside it. */
    public Entry entry(String field, String name, @Nullable String typed) {
        return Entry.field(this, field, name, typed);
    }

    /** The reader of one cell of a row whose messages stand together. */
    public Entry cell(String row, String name, @Nullable String typed) {
        return Entry.cell(this, row, name, typed);
    }

    /** Adds a message unless the field already has one. */
    public void add(String field, String message) {
        if (thrown) {
            throw new Refusal(field, message);
        }
        byField.putIfAbsent(field, message);
    }

    /** Adds a refusal at its field, and what else it says at theirs. */
    public void add(Refusal refusal) {
        add(refusal.field(), refusal.words());
        refusal.others().forEach(this::add);
    }

    /** Does a check, whose refusal is gathered with the others. */
    public void gather(Runnable check) {
        try {
            check.run();
        } catch (Refusal refusal) {
            add(refusal);
        }
    }

    /** Refuses all that was gathered, at once; goes on where nothing is wrong. */
    public void refuse() {
        if (!none()) {
            throw new Refusal(byField);
        }
    }

    /** Requires text of at most {@code longest} characters; returns it stripped. */
    public String text(String field, @Nullable String given, String name, int longest, boolean required) {
        String text = given == null ? "" : given.strip();
        if (required && text.isEmpty()) {
            add(field, name + " is missing.");
        } else if (text.length() > longest) {
            add(field, name + " has " + text.length() + " characters; " + longest + " are the most.");
        }
        return text;
    }

    /** Requires words of substance of at most {@code longest} characters; returns them stripped. */
    public String reason(String field, @Nullable String given, String name, int longest) {
        String text = given == null ? "" : given;
        Reasons.problem(text, name, longest).ifPresent(problem -> add(field, problem));
        return text.strip();
    }

    /** Reads a day such as 2026-03-14; null when it is none, which is then said at the field. */
    public @Nullable LocalDate date(String field, @Nullable String given) {
        try {
            return LocalDate.parse(given == null ? "" : given.strip());
        } catch (DateTimeParseException notADate) {
            add(field, "'" + (given == null ? "" : given) + "' is not a date; expected for example 2026-03-14.");
            return null;
        }
    }

    /** The same where an empty field means {@code otherwise}. */
    public LocalDate date(String field, @Nullable String given, LocalDate otherwise) {
        LocalDate read = given == null || given.isBlank() ? otherwise : date(field, given);
        return read == null ? otherwise : read;
    }

    /** Reads a day with its time, such as 2026-03-14 09:30; null when it is none, which is then said at the field. */
    public @Nullable LocalDateTime moment(String field, String given) {
        try {
            return LocalDateTime.parse(given.strip().replace(' ', 'T'));
        } catch (DateTimeParseException notATime) {
            add(field, "'" + given + "' is not a date with its time; expected for example 2026-03-14 09:30.");
            return null;
        }
    }

    /** Whether nothing is wrong. */
    public boolean none() {
        return byField.isEmpty();
    }

    /** The message at a field; null when there is none. */
    public @Nullable String at(String field) {
        return byField.get(field);
    }

    /** All messages. */
    public Map<String, String> all() {
        return Map.copyOf(byField);
    }
}
