package org.ysometron.app.web;

/**
 * A request that the rules of the job refuse, in words for the person who made it. Answered with 422 where no form takes
 * the message.
 */
public class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String field;

    /** A refusal that concerns the whole request. */
    public Refusal(String message) {
        this("", message);
    }

    /** A refusal of one field. */
    public Refusal(String field, String message) {
        super(message);
        this.field = field;
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
