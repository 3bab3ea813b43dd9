package org.evensheen.app.page;

import java.util.Map;

/**
 * What was typed into the small forms of a page, and what is wrong with it, by field. A page shown afresh has nothing of
 * either.
 */
public record Filled(Map<String, String> typed, Map<String, String> problems) {
    public static final Filled NOTHING = new Filled(Map.of(), Map.of());

    /** What was typed into a field; empty if nothing was. */
    public String in(String field) {
        return typed.getOrDefault(field, "");
    }

    /** What is wrong with a field; empty if nothing is. */
    public String wrong(String field) {
        return problems.getOrDefault(field, "");
    }
}
