package org.evensheen.app.photos;

import static org.evensheen.app.page.Figures.svg;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.photos.PhotoStore.Listed;
import org.evensheen.app.studies.Study;
import org.jspecify.annotations.Nullable;

/**
 * A study's photos: those of one section along the tape, two of them side by side or wiped across.
 *
 * @param code of the section; empty for the whole bed
 */
record PhotosPage(
        long study,
        String question,
        String code,
        List<Row> rows,
        List<Shot> shots,
        String today,
        @Nullable Pair pair,
        List<Choice> stages,
        int day,
        UUID key,
        String problem) {

    /** A section with how many photos it has. */
    record Row(String code, String label, int count, boolean here, String address) {}

    /** A photo on the tape, placed by its day. */
    record Shot(
            long id,
            String when,
            String spoken,
            String x,
            boolean left,
            boolean right,
            String asLeft,
            String asRight) {}

    /** Two photos. */
    record Pair(long left, String leftWhen, long right, String rightWhen) {}

    record Choice(String code, String label, boolean chosen) {}

    static PhotosPage of(
            Study study,
            List<Listed> all,
            String asked,
            Optional<Long> a,
            Optional<Long> b,
            int today,
            String problem) {
        String code = !asked.isEmpty()
                ? asked
                : all.stream().flatMap(p -> p.section().stream()).findFirst().orElse("");
        List<Listed> here =
                all.stream().filter(p -> p.section().orElse("").equals(code)).toList();
        Optional<Listed> left =
                a.flatMap(id -> find(here, id)).or(() -> here.stream().findFirst());
        Optional<Listed> right = b.flatMap(id -> find(here, id))
                .or(() -> here.isEmpty() ? Optional.empty() : Optional.of(here.get(here.size() - 1)));
        int last = Math.max(
                1, Math.max(today, here.stream().mapToInt(Listed::day).max().orElse(1)));
        Pair pair = left.isPresent()
                        && right.isPresent()
                        && left.get().id() != right.get().id()
                ? new Pair(left.get().id(), when(left.get()), right.get().id(), when(right.get()))
                : null;
        return new PhotosPage(
                study.id(),
                study.question(),
                code,
                rows(study, all, code),
                here.stream().map(p -> shot(study, p, code, left, right, last)).toList(),
                Figures.count(here.size(), "photo", "photos"),
                pair,
                study.record().plan().course().stages().stream()
                        .map(s -> new Choice(
                                s.code(), s.label(), s == study.record().plan().stageOn(Math.max(0, today))))
                        .toList(),
                Math.max(0, today),
                UUID.randomUUID(),
                problem);
    }

    private static Optional<Listed> find(List<Listed> here, long id) {
        return here.stream().filter(p -> p.id() == id).findFirst();
    }

    private static List<Row> rows(Study study, List<Listed> all, String code) {
        return Stream.concat(
                        Stream.of(""),
                        study.record().sections().stream().map(s -> s.code()).sorted())
                .map(c -> new Row(
                        c,
                        c.isEmpty() ? "Whole bed" : c,
                        (int) all.stream()
                                .filter(p -> p.section().orElse("").equals(c))
                                .count(),
                        c.equals(code),
                        address(study, c)))
                .toList();
    }

    private static String address(Study study, String code) {
        return "/studies/%d/photos?section=%s".formatted(study.id(), code.isEmpty() ? "-" : code);
    }

    private static Shot shot(
            Study study, Listed p, String code, Optional<Listed> left, Optional<Listed> right, int last) {
        String base = address(study, code);
        return new Shot(
                p.id(),
                "day " + p.day(),
                "%s, %s, by %s%s"
                        .formatted(
                                when(p),
                                code.isEmpty() ? "whole bed" : code,
                                p.by(),
                                p.note().isEmpty() ? "" : ": " + p.note()),
                svg(100.0 * p.day() / last),
                left.filter(l -> l.id() == p.id()).isPresent(),
                right.filter(r -> r.id() == p.id()).isPresent(),
                base + "&a=" + p.id() + right.map(r -> "&b=" + r.id()).orElse(""),
                base + left.map(l -> "&a=" + l.id()).orElse("") + "&b=" + p.id());
    }

    private static String when(Listed p) {
        return "day %d, %s".formatted(p.day(), p.look().label());
    }
}
