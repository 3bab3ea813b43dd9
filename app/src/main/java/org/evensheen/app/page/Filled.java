package org.evensheen.app.page;

import java.util.Map;

/**
 * What was typed into one of the small forms of a page, and what is wrong with it, by field. A page shown afresh has nothing
 * of either.
 *
 * @param form which form was sent; empty for none
 */
public record Filled(String form, Map<String, String> typed, Map<String, String> problems) {
    public static final Filled NOTHING = new Filled("", Map.of(), Map.of());

    /** Whether this form was sent and came back. */
    public boolean sent(String name) {
        return form.equals(name);
    }

    /** What was typed into a field; empty if nothing was. */
    public String in(String field) {
        return typed.getOrDefault(field, "");
    }

    /** What was typed into a field, or what stands there by itself. */
    public String in(String field, String otherwise) {
        return typed.getOrDefault(field, otherwise);
    }

    /** What is wrong with a field; empty if nothing is. */
    public String wrong(String field) {
        return problems.getOrDefault(field, "");
    }
}
