package org.evensheen.app.bench;

import java.time.Clock;
import java.time.LocalDate;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Home. */
@Controller
class BenchController {
    private final DueStore due;
    private final Clock clock;

    BenchController(DueStore due, Clock clock) {
        this.due = due;
        this.clock = clock;
    }

    @GetMapping("/")
    String bench(Model model) {
        LocalDate today = LocalDate.now(clock);
        model.addAttribute("bench", BenchPage.of(due.around(today), due, today));
        return "bench/bench";
    }
}
