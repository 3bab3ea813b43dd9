package org.evensheen.app.studies;

import java.util.List;
import java.util.UUID;
import org.evensheen.core.study.Section;

/**
 * A page that would say what codes stand for, while the key is closed: it tells so, and asks whether to go on knowingly.
 *
 * @param title what the page is
 * @param why what the names would be seen for
 * @param sections whose names would be seen
 * @param back where to go then
 */
public record SealedPage(
        long study,
        String question,
        String title,
        int day,
        String why,
        String words,
        String sections,
        String back,
        UUID key) {

    public static SealedPage of(Study study, int day, Seen.Why why, List<String> sections, String title, String back) {
        return new SealedPage(
                study.id(),
                study.question(),
                title,
                day,
                why.code(),
                why.words(),
                String.join(" ", sections),
                back,
                UUID.randomUUID());
    }

    /** The sections in words. */
    public String listed() {
        return sections.replace(" ", ", ");
    }

    /** Codes of all sections that carry a product. */
    public static List<String> products(Study study) {
        return study.record().sections().stream()
                .filter(s -> !study.record().contenderOn(s).isControl())
                .map(Section::code)
                .sorted()
                .toList();
    }
}
