package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.study.Happening;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.water.Wetting;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Marks the tape with what was done. */
@Controller
class HappeningController {
    private static final int LONGEST_NOTE = 200;

    private final HappeningStore happenings;
    private final StudyStore studies;
    private final StudyScreen screen;

    HappeningController(HappeningStore happenings, StudyStore studies, StudyScreen screen) {
        this.happenings = happenings;
        this.studies = studies;
        this.screen = screen;
    }

    /** What was typed into the form below the study, and what is wrong with it. */
    record Mark(String day, String kind, String note, UUID key, String problem) {}

    @PostMapping("/studies/{id}/happenings")
    String mark(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String day,
            @RequestParam String kind,
            @RequestParam(defaultValue = "") String note,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Study study = studies.load(id);
        int today = screen.today(study);
        // "wetted mist": the way is chosen with the kind.
        String[] chosen = kind.split(" ", 2);
        Happening.Kind known = Happening.Kind.ofCode(chosen[0])
                .orElseThrow(() -> new Refused("“" + kind + "” is not something the tape has a mark for."));
        String said = (chosen.length > 1 ? chosen[1] + " " : "") + note.strip();
        TypedNumber typed = TypedNumber.read(day, "day", "days", 0, Math.max(0, today));
        String problem = typed instanceof TypedNumber.Refused
                ? "Mark a day from 0 to today, day %d.".formatted(today)
                : said.length() > LONGEST_NOTE
                        ? "A note may have %d characters; this one has %d.".formatted(LONGEST_NOTE, said.length())
                        : known == Happening.Kind.ODOMETER
                                        && Happening.kilometres(note).isEmpty()
                                ? "Begin the note with what the odometer says: 48 210 km, or miles."
                                : known == Happening.Kind.WETTED
                                                && Wetting.noted(said).isEmpty()
                                        ? "Choose how it was wetted: by mist, low pressure, an open stream, or upright."
                                        : "";
        if (!problem.isEmpty()) {
            response.setStatus(422);
            screen.show(study, Selection.of(study, Selection.Asked.NOTHING, today), Optional.empty(), model);
            model.addAttribute("mark", new Mark(day, kind, note, key, problem));
            return "studies/study";
        }
        int marked = (int) ((TypedNumber.Read) typed).value();
        happenings.keep(
                id,
                new Happening(marked, known, said.strip()),
                key,
                Hands.of(request).name());
        return "redirect:/studies/%d?day=%d".formatted(id, marked);
    }
}
