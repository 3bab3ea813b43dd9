package org.evensheen.app.verdicts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Units;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.units.UnitSystem;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The verdict of a study as a page, as JSON, and number by number. */
@Controller
class VerdictController {
    private final StudyStore studies;
    private final Judging judging;
    private final OutcomeStore outcomes;
    private final Clock clock;
    private final Cache<Written, VerdictPage> written =
            Caffeine.newBuilder().maximumSize(100).build();

    /** A revision of a study judged one way, with its scatter, which may be borrowed; its page can't change. */
    private record Written(
            long study,
            long revision,
            boolean byCode,
            Measure measure,
            int day,
            Optional<Verdict.Scatter> scatter,
            UnitSystem told) {}

    VerdictController(StudyStore studies, Judging judging, OutcomeStore outcomes, Clock clock) {
        this.studies = studies;
        this.judging = judging;
        this.outcomes = outcomes;
        this.clock = clock;
    }

    /** What is judged: a study, on one measure, as of a day. */
    private record Case(Study study, Measure measure, int day, Judging.Outcome outcome) {
        VerdictDocument document() {
            return Units.in(UnitSystem.METRIC, () -> VerdictDocument.of(study, measure, day, outcome));
        }

        /** The page; what it tells is kept, so that it can be shown again as it was. */
        VerdictPage page(OutcomeStore outcomes) {
            VerdictPage page = VerdictPage.of(study, measure, day, outcome);
            VerdictPage filed = Units.in(UnitSystem.METRIC, () -> VerdictPage.of(study, measure, day, outcome));
            outcomes.keep(study, document(), filed.first() + " " + filed.rest());
            return page;
        }
    }

    @GetMapping("/studies/{id}/verdict")
    String verdict(
            @PathVariable long id,
            @RequestParam Optional<String> measure,
            @RequestParam Optional<Integer> day,
            Model model) {
        Case judged = judge(id, measure, day);
        model.addAttribute(
                "page",
                written.get(
                        new Written(
                                id,
                                judged.study.revision(),
                                judged.study.judgedByCode(),
                                judged.measure,
                                judged.day,
                                judged.outcome.verdict().flatMap(Verdict::scatter),
                                Units.now()),
                        key -> judged.page(outcomes)));
        return "verdicts/verdict";
    }

    @GetMapping("/studies/{id}/verdict/workings")
    String workings(
            @PathVariable long id,
            @RequestParam Optional<String> measure,
            @RequestParam Optional<Integer> day,
            @RequestParam String of,
            @RequestParam(defaultValue = "0") int product,
            @RequestParam(defaultValue = "0") int other,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> part,
            Model model) {
        Case judged = judge(id, measure, day);
        model.addAttribute(
                "workings",
                Workings.of(
                        judged.study,
                        judged.outcome
                                .verdict()
                                .orElseThrow(() -> new Missing("There is no verdict yet, so nothing was worked out.")),
                        of,
                        product,
                        other));
        model.addAttribute(
                "back", "/studies/%d/verdict?measure=%s&day=%d".formatted(id, judged.measure.code(), judged.day));
        return part.isPresent() ? "verdicts/workings :: body" : "verdicts/workings";
    }

    @GetMapping("/studies/{id}/verdict.json")
    ResponseEntity<VerdictDocument> json(
            @PathVariable long id, @RequestParam Optional<String> measure, @RequestParam Optional<Integer> day) {
        Case judged = judge(id, measure, day);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(judged.document());
    }

    private Case judge(long id, Optional<String> asked, Optional<Integer> day) {
        Study study = studies.load(id);
        String code = asked.orElseGet(
                () -> study.record().plan().main().orElse(Measures.PULL).code());
        Measure measure = Measures.ofCode(code)
                .filter(Measure::comparable)
                .orElseThrow(
                        () -> new Missing("No verdict is drawn on “%s”. Choose %s.".formatted(code, comparable())));
        int until = day.orElse(Math.max(0, study.dayOf(clock)));
        return new Case(study, measure, until, judging.judge(study, measure, until));
    }

    private static String comparable() {
        return Measures.all().stream()
                .filter(Measure::comparable)
                .map(Measure::code)
                .collect(Collectors.joining(", "));
    }
}
