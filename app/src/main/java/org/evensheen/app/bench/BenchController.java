package org.evensheen.app.bench;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.evensheen.app.backups.BackupStore;
import org.evensheen.app.calendar.DatedStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Home. */
@Controller
class BenchController {
    private final DueStore due;
    private final DatedStore dated;
    private final BackupStore backups;
    private final Clock clock;

    BenchController(DueStore due, DatedStore dated, BackupStore backups, Clock clock) {
        this.due = due;
        this.dated = dated;
        this.backups = backups;
        this.clock = clock;
    }

    @GetMapping("/")
    String bench(Model model) {
        LocalDate today = LocalDate.now(clock);
        model.addAttribute("backup", backups.due().map(BackupStore.Due::words).orElse(""));
        model.addAttribute("underWay", due.underWay());
        List<DatedStore.Dated> work = dated.workOn(today);
        model.addAttribute("work", work);
        model.addAttribute("bench", BenchPage.of(due.around(today), due, !work.isEmpty(), today));
        return "bench/bench";
    }
}
