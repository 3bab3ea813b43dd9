package org.evensheen.app.studies;

import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.core.footing.Finding;

/**
 * The key of a study.
 *
 * @param names what each code stands for; empty while it is closed
 * @param seen who saw names while it was closed
 * @param byEye what that means for readings by eye
 */
record KeyPage(
        long study,
        String question,
        boolean closed,
        String opened,
        List<String> names,
        List<String> seen,
        String byEye) {

    static KeyPage of(Study study, Optional<Finding> byEye, Clock clock) {
        DateTimeFormatter when =
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(clock.getZone());
        return new KeyPage(
                study.id(),
                study.question(),
                study.judgedByCode(),
                study.keyOpened()
                        .map(o -> "Opened by %s, %s.".formatted(o.by(), when.format(o.at())))
                        .orElse(""),
                study.judgedByCode()
                        ? List.of()
                        : study.record().contenders().stream()
                                .map(c -> "%s: %s".formatted(study.codesOf(c), c.name()))
                                .toList(),
                study.seen().stream().map(s -> words(s, when)).toList(),
                byEye.map(f -> "%s: %s at most. %s"
                                .formatted(f.kind().title(), f.kind().atMost().word(), f.numbers()))
                        .orElse("Whatever was graded by eye so far was graded blind."));
    }

    private static String words(Seen seen, DateTimeFormatter when) {
        Instant at = seen.at();
        return "%s, %s: %s, day %d, %s"
                .formatted(
                        when.format(at),
                        seen.by(),
                        seen.sections().stream().sorted().collect(Collectors.joining(", ")),
                        seen.day(),
                        seen.why().words());
    }
}
