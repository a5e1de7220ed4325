package org.ysometron.app.web;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A request that the rules of the job refuse, in words for the person who made it. Answered with 422 where no form takes
 * the message.
 */
public class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String field;
    private final transient Map<String, String> others;

    /** A refusal that concerns the whole request. */
    public Refusal(String message) {
        this("", message);
    }

    /** A refusal of one field. */
    public Refusal(String field, String message) {
        super(message);
        this.field = field;
        this.others = Map.of();
    }

    /** All that is wrong with a form, at least one thing. */
    Refusal(Map<String, String> all) {
        super(all.values().iterator().next());
        this.field = all.keySet().iterator().next();
        this.others = new LinkedHashMap<>(all);
    }

    /** What else is wrong, by field; nothing where it is a refusal of one thing. */
    Map<String, String> others() {
        return others == null ? Map.of() : others;
    }

    /** Name of the field concerned; empty for the whole request. */
    public String field() {
        return field;
    }

    /** The message, never null. */
    public String words() {
        return String.valueOf(getMessage());
    }
}
