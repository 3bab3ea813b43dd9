package org.evensheen.app.answers;

import java.time.LocalDate;
import java.util.List;

/**
 * A table or a product as it goes out: a sentence and what stands behind it.
 *
 * @param on what it is narrowed to
 * @param day of the latest finding in it
 * @param places of a table, in its unit
 * @param lines the table, line by line
 * @param notes what doesn't agree, or is left out
 * @param products names, as the Shelf has them, for their cautions
 * @param data what it rests on, for a hash
 * @param version of the method
 */
public record Leaflet(
        String question,
        String on,
        LocalDate day,
        String sentence,
        List<Report.Place> places,
        List<String> lines,
        List<String> notes,
        List<String> method,
        List<String> products,
        String data,
        int version) {}
