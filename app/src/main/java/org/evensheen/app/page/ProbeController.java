package org.evensheen.app.page;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The least a page can do: one statement in the common frame. It tells that all is up, and is the baseline of bench/pages. */
@Controller
class ProbeController {
    private final JdbcClient database;

    ProbeController(JdbcClient database) {
        this.database = database;
    }

    @GetMapping("/probe")
    String probe(Model model) {
        model.addAttribute("one", database.sql("select 1").query(Integer.class).single());
        return "page/probe";
    }
}
