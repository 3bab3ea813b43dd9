package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletRequest;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.study.Happening;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Marks the tape with what was done. */
@Controller
class HappeningController {
    private static final int LONGEST_NOTE = 200;

    private final JdbcClient database;
    private final StudyStore studies;
    private final StudyScreen screen;

    HappeningController(JdbcClient database, StudyStore studies, StudyScreen screen) {
        this.database = database;
        this.studies = studies;
        this.screen = screen;
    }

    @PostMapping("/studies/{id}/happenings")
    String mark(
            @PathVariable long id,
            @RequestParam int day,
            @RequestParam String kind,
            @RequestParam(defaultValue = "") String note,
            @RequestParam UUID key,
            HttpServletRequest request) {
        Study study = studies.load(id);
        Happening.Kind known = Happening.Kind.ofCode(kind)
                .orElseThrow(() -> new Refused("“" + kind + "” is not something the tape has a mark for."));
        if (day < 0 || day > screen.today(study)) {
            throw new Refused("Day %d is not between the first day and today. Pull the tape to the day it was done."
                    .formatted(day));
        }
        if (note.length() > LONGEST_NOTE) {
            throw new Refused("A note may have 200 characters; this one has %d.".formatted(note.length()));
        }
        database.sql("""
                        insert into happening (study_id, day, kind, note, kept_by, page_key)
                        values (:study, :day, :kind, :note, :by, :key) on conflict (page_key) do nothing""")
                .param("study", id)
                .param("day", day)
                .param("kind", known.code())
                .param("note", note.strip())
                .param("by", Hands.of(request).name())
                .param("key", key)
                .update();
        return "redirect:/studies/%d?day=%d".formatted(id, day);
    }
}
