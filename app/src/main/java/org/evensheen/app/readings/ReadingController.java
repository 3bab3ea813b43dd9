package org.evensheen.app.readings;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Selection;
import org.evensheen.app.studies.Slate;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyScreen;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.app.studies.TypedEntry;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.schedule.NextReading;
import org.evensheen.core.study.Reading;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Keeps, corrects and strikes readings from the Slate. */
@Controller
class ReadingController {
    private final StudyStore studies;
    private final StudyScreen screen;
    private final ReadingStore store;

    ReadingController(StudyStore studies, StudyScreen screen, ReadingStore store) {
        this.studies = studies;
        this.screen = screen;
        this.store = store;
    }

    /** What the Slate's form sends. */
    record Sent(
            Integer day,
            String stage,
            String section,
            String measure,
            Integer repeat,
            String because,
            UUID key,
            UUID take) {
        Sent {
            because = because == null ? "" : because.strip();
        }

        /** The same, if it names its place and is of a length that a reading can have. */
        Sent whole() {
            if (stage == null || section == null || measure == null || key == null || day == null || repeat == null) {
                throw new Refused(
                        "The form came without its place. Open the section again and type the reading there.");
            }
            if (because.length() > LONGEST) {
                throw new Refused("That is far too long for a reason. Say it in a few words.");
            }
            return this;
        }
    }

    /** What was typed into the fields of a measure's parts. */
    static TypedEntry typed(Measure measure, HttpServletRequest request, String because) {
        Map<String, String> typed = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> {
            if (name.equals(TypedReading.UNITS)
                    || measure.parts().stream()
                            .anyMatch(p -> name.equals(p.name()) || name.startsWith(p.name() + "-"))) {
                if (values[0].length() > LONGEST) {
                    throw new Refused("That is far too long for a reading. Type one number.");
                }
                typed.put(name, values[0]);
            }
        });
        return TypedEntry.read(measure, typed, because);
    }

    private static final int LONGEST = 200;

    @PostMapping("/studies/{id}/readings")
    String keep(
            @PathVariable long id, Sent sent, HttpServletRequest request, HttpServletResponse response, Model model) {
        Study study = studies.load(id);
        Selection selection = selection(study, sent.whole());
        TypedEntry typed = typed(selection.measure(), request, sent.because());
        if (typed.observation().isEmpty()) {
            screen.showRefused(study, selection, typed, Optional.empty(), sent.key(), model);
            return refused(request, response);
        }
        Reading reading = reading(selection, sent.repeat(), typed.observation().get());
        if (store.keep(id, reading, sent.key(), Hands.of(request), Optional.ofNullable(sent.take()))
                == ReadingStore.Outcome.TAKEN) {
            Study now = studies.load(id);
            screen.showRefused(
                    now,
                    selection,
                    typed.refused(taken(now, reading, typed)),
                    Optional.empty(),
                    UUID.randomUUID(),
                    model);
            return refused(request, response);
        }
        Study now = studies.load(id);
        Selection next = now.record().plan().asksFor(selection.measure())
                ? NextReading.after(now.record(), selection.at(), selection.measure(), Optional.of(selection.section()))
                        .map(selection::with)
                        .orElse(selection)
                : selection;
        String kept = "Kept: %s %d on %s, %s."
                .formatted(
                        reading.measure().words().one(), reading.repeat(), reading.section(), figure(reading.seen()));
        return done(now, next, kept, request, response, model);
    }

    @PostMapping("/studies/{id}/readings/{reading}")
    String correct(
            @PathVariable long id,
            @PathVariable long reading,
            Sent sent,
            @RequestParam(defaultValue = "correct") String action,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Study study = studies.load(id);
        KeptReading was = kept(study, reading);
        Selection selection = selection(study, sent.whole());
        boolean striking = action.equals("strike");
        TypedEntry typed = typed(selection.measure(), request, sent.because());
        if (sent.because().isEmpty()) {
            typed = typed.withoutReason();
        }
        if (sent.because().isEmpty() || !striking && typed.observation().isEmpty()) {
            screen.showRefused(study, selection, typed, Optional.of(reading), sent.key(), model);
            return refused(request, response);
        }
        Hands hands = Hands.of(request);
        ReadingStore.Outcome outcome = striking
                ? store.strike(id, reading, hands, sent.because())
                : store.correct(
                        id,
                        reading,
                        reading(
                                selection,
                                was.reading().repeat(),
                                typed.observation().orElseThrow()),
                        sent.key(),
                        hands,
                        sent.because());
        Study now = studies.load(id);
        if (outcome == ReadingStore.Outcome.TAKEN && !(striking && struckAlike(now, reading, hands, sent.because()))) {
            KeptReading standing = standingFor(now, reading);
            screen.showRefused(
                    now,
                    selection,
                    typed.refused(both(now, reading, typed)),
                    Optional.of(standing.id()),
                    UUID.randomUUID(),
                    model);
            return refused(request, response);
        }
        String word = striking
                ? "Struck out: %s. It stays in the record."
                        .formatted(figure(was.reading().seen()))
                : "Corrected: %s was %s."
                        .formatted(
                                figure(typed.observation().orElseThrow()),
                                figure(was.reading().seen()));
        return done(now, selection, word, request, response, model);
    }

    /** What would become of the standing if what stands in the field were kept. */
    @GetMapping("/studies/{id}/suppose")
    String suppose(@PathVariable long id, Sent sent, HttpServletRequest request, Model model) {
        Study study = studies.load(id);
        Selection selection = selection(study, sent.whole());
        TypedEntry typed = typed(selection.measure(), request, sent.because());
        Suppose.fill(study, selection, sent.repeat(), typed, screen, model);
        return "studies/study :: supposed";
    }

    private Selection selection(Study study, Sent sent) {
        int today = screen.today(study);
        if (sent.day() > today) {
            throw new Refused("Day %d is still to come; today is day %d. Pull the tape back to the day you read."
                    .formatted(sent.day(), today));
        }
        if (sent.repeat() < 1 || sent.repeat() > 99) {
            throw new Refused("Repeats run from 1 to 99. Open the section again and type the reading there.");
        }
        return Selection.of(
                study,
                new Selection.Asked(
                        Optional.of(sent.day()),
                        Optional.of(sent.stage()),
                        Optional.of(sent.section()),
                        Optional.of(sent.measure())),
                today);
    }

    private static Reading reading(Selection selection, int repeat, Observation seen) {
        return new Reading(selection.section().code(), selection.at(), repeat, seen);
    }

    private static KeptReading kept(Study study, long reading) {
        return study.readings().stream()
                .filter(k -> k.id() == reading)
                .findFirst()
                .orElseThrow(() -> new Missing("That reading is not part of this study."));
    }

    private static boolean struckAlike(Study study, long reading, Hands hands, String because) {
        return kept(study, reading)
                .strike()
                .filter(s -> s.by().equals(hands.name()) && s.because().equals(because))
                .isPresent();
    }

    /** The reading that stands where this one stood, or this one if its slot is empty now. */
    private static KeptReading standingFor(Study study, long reading) {
        KeptReading gone = kept(study, reading);
        return study.readings().stream()
                .filter(k -> k.stands()
                        && k.occasion().equals(gone.occasion())
                        && k.reading().section().equals(gone.reading().section())
                        && k.reading().measure() == gone.reading().measure()
                        && k.reading().repeat() == gone.reading().repeat())
                .findFirst()
                .orElse(gone);
    }

    private static String both(Study study, long reading, TypedEntry typed) {
        KeptReading gone = kept(study, reading);
        KeptReading standing = standingFor(study, reading);
        String by = gone.strike().map(KeptReading.Strike::by).orElse("Somebody");
        String because = gone.strike().map(KeptReading.Strike::because).orElse("no reason given");
        String what = standing.stands()
                ? "corrected %s to %s"
                        .formatted(
                                figure(gone.reading().seen()),
                                figure(standing.reading().seen()))
                : "struck out " + figure(gone.reading().seen());
        return "%s %s a moment ago (“%s”). Yours, %s, is still here: save it over theirs, or leave it."
                .formatted(
                        by,
                        what,
                        because,
                        typed.observation().map(ReadingController::figure).orElse("your strike"));
    }

    private static String taken(Study study, Reading reading, TypedEntry typed) {
        String there = study.readings().stream()
                .filter(k -> k.stands()
                        && k.reading().section().equals(reading.section())
                        && k.occasion().equals(reading.at())
                        && k.reading().measure() == reading.measure()
                        && k.reading().repeat() == reading.repeat())
                .findFirst()
                .map(k -> "%s, kept by %s".formatted(figure(k.reading().seen()), k.keptBy()))
                .orElse("another value");
        return "This place already holds %s. Yours, %s, is still in the field: Keep makes it one more repeat; or tap the other to correct it."
                .formatted(
                        there,
                        typed.observation().map(ReadingController::figure).orElse("what you typed"));
    }

    private static String figure(Observation seen) {
        return Figures.seen(seen);
    }

    private String done(
            Study study,
            Selection selection,
            String word,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        if (request.getHeader("HX-Request") == null) {
            return "redirect:" + selection.address(study);
        }
        screen.showDone(study, selection, new Slate.Notice(false, word), model);
        response.setHeader("HX-Replace-Url", selection.address(study));
        return "studies/changed";
    }

    private static String refused(HttpServletRequest request, HttpServletResponse response) {
        response.setStatus(422);
        return request.getHeader("HX-Request") == null ? "studies/study" : "studies/changed";
    }
}
