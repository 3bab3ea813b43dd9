package org.evensheen.app.page;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The least a page can do: one statement in the common frame. It tells that all is up, and is the baseline of bench/pages. */
@Controller
class ProbeController {
    private final ProbeStore probe;

    ProbeController(ProbeStore probe) {
        this.probe = probe;
    }

    @GetMapping("/probe")
    String probe(Model model) {
        model.addAttribute("one", probe.one());
        return "page/probe";
    }
}
