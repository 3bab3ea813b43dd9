package org.evensheen.app.bench;

import java.time.Clock;
import java.time.LocalDate;
import org.evensheen.app.calendar.DatedStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Home. */
@Controller
class BenchController {
    private final DueStore due;
    private final DatedStore dated;
    private final Clock clock;

    BenchController(DueStore due, DatedStore dated, Clock clock) {
        this.due = due;
        this.dated = dated;
        this.clock = clock;
    }

    @GetMapping("/")
    String bench(Model model) {
        LocalDate today = LocalDate.now(clock);
        model.addAttribute("bench", BenchPage.of(due.around(today), due, today));
        model.addAttribute("underWay", due.underWay());
        model.addAttribute("work", dated.workOn(today));
        return "bench/bench";
    }
}
