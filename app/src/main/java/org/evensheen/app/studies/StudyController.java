package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The list of studies and the study screen. */
@Controller
class StudyController {
    private final StudyStore studies;
    private final StudyListStore lists;
    private final StudyScreen screen;
    private final Clock clock;

    StudyController(StudyStore studies, StudyListStore lists, StudyScreen screen, Clock clock) {
        this.studies = studies;
        this.lists = lists;
        this.screen = screen;
        this.clock = clock;
    }

    @GetMapping("/studies")
    String list(@RequestParam(defaultValue = "0") int page, Model model) {
        int shown = Math.max(0, Math.min(page, 10_000));
        List<StudyListStore.Listed> listed = lists.list(shown, LocalDate.now(clock));
        model.addAttribute("older", listed.size() == StudyListStore.PAGE ? shown + 1 : null);
        model.addAttribute("studies", StudyList.of(listed, clock));
        return "studies/list";
    }

    @GetMapping("/studies/{id}")
    String study(
            @PathVariable long id,
            @RequestParam Optional<Integer> day,
            @RequestParam Optional<String> stage,
            @RequestParam Optional<String> section,
            @RequestParam Optional<String> measure,
            @RequestParam Optional<Long> correct,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Study study = studies.load(id);
        Selection selection =
                Selection.of(study, new Selection.Asked(day, stage, section, measure), screen.today(study));
        screen.show(study, selection, correct, model);
        if (request.getHeader("HX-Request") == null) {
            return "studies/study";
        }
        response.setHeader("HX-Replace-Url", selection.address(study));
        return "studies/study :: work";
    }
}
