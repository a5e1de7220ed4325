package org.ysometron.app.web;

import java.util.Map;
import java.util.UUID;

/**
 * What a form sent, by field, with what is wrong with it.
 *
 * @param typed texts by field
 * @param problems where messages are gathered
 * @param anchor the form on a page of several, where all of its messages stand
 */
public record Sent(Map<String, String> typed, Problems problems, String anchor) {

    private static final int LONGEST_KEY = 36;

    /** A field whose message stands at the form, and so says which field it means. */
    public Entry inForm(String field, String name) {
        return problems.cell(anchor, name, typed.get(field));
    }

    /** Whether a box was ticked. */
    public boolean ticked(String field) {
        return "yes".equals(typed.get(field));
    }

    /** The text of a field that whoever stores it checks. */
    public String raw(String field) {
        return typed.getOrDefault(field, "");
    }

    /** What makes sending the form twice harmless; a new one where none came. */
    public String request() {
        String key = raw("request");
        return key.isBlank() || key.length() > LONGEST_KEY ? UUID.randomUUID().toString() : key;
    }

    /** Whether nothing is wrong. */
    public boolean isRight() {
        return problems.none();
    }

    /** Says at the form what is wrong. */
    public void wrong(String message) {
        problems.add(anchor, message);
    }
}
