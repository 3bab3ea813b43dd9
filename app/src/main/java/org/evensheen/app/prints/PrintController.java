package org.evensheen.app.prints;

import jakarta.servlet.http.HttpServletRequest;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Everything on paper for the day. */
@Controller
class PrintController {
    private final StudyStore studies;

    PrintController(StudyStore studies) {
        this.studies = studies;
    }

    @GetMapping("/studies/{id}/print")
    String print(@PathVariable long id, HttpServletRequest request, Model model) {
        Study study = studies.load(id);
        String address = "%s://%s:%d".formatted(request.getScheme(), request.getServerName(), request.getServerPort());
        model.addAttribute("page", PrintPage.of(study, study.entrants(), address));
        return "prints/print";
    }
}
