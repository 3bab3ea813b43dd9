package org.evensheen.app.shelf;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.page.Units;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.units.UnitSystem;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * How products stand in the studies they were in. A study's standings are worked out once for a revision and a day; while a
 * study is judged by code its products' places stay closed here too, or the Shelf would open the key.
 */
@Component
class StandingStore {
    private final JdbcClient database;
    private final StudyStore studies;
    private final Judging judging;
    private final Clock clock;
    private final Cache<Key, Map<String, String>> known =
            Caffeine.newBuilder().maximumSize(2000).build();

    StandingStore(JdbcClient database, StudyStore studies, Judging judging, Clock clock) {
        this.database = database;
        this.studies = studies;
        this.judging = judging;
        this.clock = clock;
    }

    private record Key(long study, long revision, LocalDate day, UnitSystem told) {}

    /** That a product is in a study. */
    record Part(long product, String name, long study, String question, long revision, boolean byCode) {
        Key key(LocalDate day) {
            return new Key(study, revision, day, Units.now());
        }
    }

    /** Where some products take part, the youngest study of each first. */
    List<Part> parts(Collection<Long> products) {
        return products.isEmpty()
                ? List.of()
                : database.sql("""
                        select c.product_id as product, p.name, s.id as study, s.question, s.revision,
                               s.key_opened_at is null as by_code
                        from contender c join study s on s.id = c.study_id join product p on p.id = c.product_id
                        where c.product_id in (:products)
                        order by s.first_day desc, s.id desc""")
                        .param("products", products)
                        .query(Part.class)
                        .list();
    }

    /** How a product stands in a study, if that was worked out already. */
    Optional<String> remembered(Part part) {
        if (part.byCode) {
            return Optional.of("judged by code");
        }
        return Optional.ofNullable(known.getIfPresent(part.key(LocalDate.now(clock))))
                .map(lines -> lines.getOrDefault(part.name, "not read yet"));
    }

    /** The same, worked out if need be. */
    String workedOut(Part part) {
        return remembered(part).orElseGet(() -> {
            Study study = studies.load(part.study);
            Map<String, String> lines = lines(study);
            known.put(new Key(study.id(), study.revision(), LocalDate.now(clock), Units.now()), lines);
            return lines.getOrDefault(part.name, "not read yet");
        });
    }

    private Map<String, String> lines(Study study) {
        Measure measure = study.record().plan().main().orElse(Measures.PULL);
        Judging.Outcome outcome = judging.judge(study, measure, Math.max(0, study.dayOf(clock)));
        Map<String, String> lines = new HashMap<>();
        outcome.verdict()
                .ifPresent(verdict -> verdict.results()
                        .forEach(r ->
                                lines.put(r.contender().name(), line(verdict, r, Footing.under(outcome.findings())))));
        return lines;
    }

    private static String line(Verdict verdict, Verdict.Result result, Footing footing) {
        if (verdict.scatter().isEmpty()) {
            return "no place can be told, " + footing.word();
        }
        long sharing = verdict.results().stream()
                .filter(r -> r.place() == result.place())
                .count();
        return "%s %d of %d at %s, %s"
                .formatted(
                        sharing > 1 ? "shares place" : "place",
                        result.place(),
                        verdict.results().size(),
                        verdict.measure().words().at(),
                        footing.word());
    }
}
