package org.evensheen.app.sidebyside;

import java.time.LocalDate;
import java.util.List;
import java.util.function.Supplier;

/**
 * An afternoon in words, for whoever tells of it elsewhere: the same words as on its sheet.
 *
 * @param question who was compared
 * @param what what they are compared as, and on what
 * @param sentence what it came to
 * @param lines question by question, how it came out and what was seen of each
 * @param spent what each took
 * @param trust how far it can be trusted
 * @param why not further
 * @param method how it was done
 * @param unanswered what was to be asked and nobody answered
 * @param slips what went wrong
 * @param came how they were come by, one each
 * @param products names, as the Shelf has them
 * @param photos that stand
 * @param said every answer that was ever given, in order, for a hash
 * @param weighable as it can be weighed for a reader, worked out when it is asked for
 */
public record Telling(
        String question,
        String what,
        LocalDate day,
        String sentence,
        List<String> lines,
        List<String> spent,
        String trust,
        List<String> why,
        List<String> method,
        List<String> unanswered,
        List<String> slips,
        List<String> came,
        List<String> products,
        List<Photo> photos,
        String said,
        Supplier<Weighable> weighable) {

    /** A photo of a place. */
    public record Photo(long id, String what) {}
}
