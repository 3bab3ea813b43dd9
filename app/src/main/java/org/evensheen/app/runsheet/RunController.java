package org.evensheen.app.runsheet;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Device;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.app.page.Said;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The run sheet of a study's day. */
@Controller
class RunController {
    private final RunMaker maker;
    private final RunKeeper keeper;
    private final NoteKeeper notes;

    RunController(RunMaker maker, RunKeeper keeper, NoteKeeper notes) {
        this.maker = maker;
        this.keeper = keeper;
        this.notes = notes;
    }

    /** What was kept, for a device that sends from its queue. */
    record Kept(String said, long now) {}

    @GetMapping("/studies/{id}/run")
    String sheet(
            @PathVariable long id,
            @RequestParam Optional<Integer> day,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        model.addAttribute(
                "page",
                RunPage.of(maker.make(id, day, Hands.of(request)), Filled.NOTHING, "", Said.take(request, response)));
        return request.getHeader("HX-Request") == null ? "runsheet/run" : "runsheet/run :: sheet";
    }

    /** What runs by itself on a day of a study, for pages that look over several. */
    @GetMapping("/studies/{id}/clocks")
    String clocks(@PathVariable long id, @RequestParam int day, @ModelAttribute("hands") Hands hands, Model model) {
        Run run = maker.make(id, Optional.of(day), hands);
        model.addAttribute("clocks", RunPage.clocks(run));
        model.addAttribute("question", run.study().question());
        model.addAttribute("study", id);
        model.addAttribute("day", day);
        return "runsheet/clocks";
    }

    /** How far a day of a study is, in a few words. */
    @GetMapping(path = "/studies/{id}/progress", produces = "text/plain;charset=UTF-8")
    @ResponseBody
    String progress(@PathVariable long id, @RequestParam int day, @ModelAttribute("hands") Hands hands) {
        return RunPage.words(maker.make(id, Optional.of(day), hands));
    }

    @PostMapping("/studies/{id}/run")
    Object take(
            @PathVariable long id,
            @RequestParam int day,
            @RequestParam(defaultValue = "step") String what,
            @RequestParam(defaultValue = "") String step,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam UUID key,
            @RequestParam Map<String, String> typed,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Run run = maker.make(id, Optional.of(day), Hands.of(request));
        if (day > run.today()) {
            throw new Refused("Day %d is still to come; today is day %d.".formatted(day, run.today()));
        }
        RunKeeper.Sent sent = new RunKeeper.Sent(step, typed, Device.at(ago, maker.now()), key, Hands.of(request));
        RunKeeper.Outcome outcome = switch (what) {
            case "step" -> keeper.take(run, sent);
            case "deviation" -> notes.deviated(run, sent);
            case "topped" -> notes.topped(run, sent);
            case "undo" -> keeper.undo(run, sent);
            case "names" -> notes.names(run, sent);
            default -> throw new Refused("A run sheet does not know “%s”.".formatted(what));
        };
        String accept = Optional.ofNullable(request.getHeader("Accept")).orElse("");
        if (accept.contains("json")) {
            return answer(outcome);
        }
        if (!outcome.problems().isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("page", RunPage.of(run, new Filled(what, typed, outcome.problems()), step, ""));
            return "runsheet/run";
        }
        Said.leave(outcome.said(), response);
        return "redirect:/studies/%d/run?day=%d".formatted(id, day);
    }

    private ResponseEntity<?> answer(RunKeeper.Outcome outcome) {
        if (outcome.problems().isEmpty()) {
            return ResponseEntity.ok(new Kept(outcome.said(), maker.now().toEpochMilli()));
        }
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                String.join(" ", outcome.problems().values()));
        problem.setTitle("Not kept");
        problem.setProperty("problems", outcome.problems());
        return ResponseEntity.unprocessableContent().body(problem);
    }
}
