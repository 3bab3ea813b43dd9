package org.evensheen.app.verdicts;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.comparing.Verdict.Result;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.slickness.Slickness;

/** The verdict in a sentence or two, saying no more than the evidence does. */
record Sentence(String first, String rest) {
    static Sentence of(Study study, Measure measure, Optional<Verdict> verdict) {
        if (verdict.isEmpty()) {
            return new Sentence("There is nothing to judge yet.", "");
        }
        Verdict judged = verdict.get();
        List<Result> leaders =
                judged.results().stream().filter(r -> r.place() == 1).toList();
        return new Sentence(lead(study, measure, judged, leaders), rest(study, measure, judged, leaders));
    }

    private static String lead(Study study, Measure measure, Verdict judged, List<Result> leaders) {
        String at = measure.words().at();
        if (judged.scatter().isEmpty() && !judged.ofAnOrder()) {
            return "No product can be called better at %s.".formatted(at);
        }
        if (judged.pairs().isEmpty()) {
            return "No two products can be compared at %s.".formatted(at);
        }
        if (leaders.size() == judged.results().size()) {
            return leaders.size() == 2
                    ? "%s can't be told apart at %s.".formatted(names(study, leaders), at)
                    : "None of the %d can be told apart at %s.".formatted(leaders.size(), at);
        }
        return leaders.size() == 1
                ? "%s is first at %s.".formatted(names(study, leaders), at)
                : "%s share first at %s.".formatted(names(study, leaders), at);
    }

    private static String rest(Study study, Measure measure, Verdict judged, List<Result> leaders) {
        if (judged.scatter().isEmpty() && !judged.ofAnOrder()) {
            return "With one section each, a product can't be told from the place it stands on.";
        }
        if (judged.pairs().isEmpty()) {
            return "No row holds two of them, so what is between them may be the rows.";
        }
        StringBuilder words = new StringBuilder();
        Result best = leaders.get(0);
        best.benefit()
                .value()
                .flatMap(b -> b.interval().map(i -> b))
                .ifPresent(b -> words.append("%s %s %s (%s). "
                        .formatted(
                                leaders.size() == 1 ? "It" : best.contender().name(),
                                measure.words().does(),
                                Figures.benefit(measure, b.value()),
                                Figures.benefitRange(measure, b.interval()))));
        List<Result> spent = judged.results().stream()
                .filter(r -> r.retention()
                        .value()
                        .flatMap(k -> k.share().interval())
                        .map(Interval::high)
                        .filter(high -> high <= Slickness.SPENT)
                        .isPresent())
                .toList();
        if (!spent.isEmpty()) {
            words.append("%s %s spent.".formatted(names(study, spent), spent.size() == 1 ? "is" : "are"));
        }
        long unread = study.record().sections().stream()
                .filter(s -> study.record().mean(s, judged.at(), measure).isEmpty())
                .count();
        if (unread > 0) {
            words.append(words.toString().endsWith(".") ? " " : "")
                    .append("%s not read yet.".formatted(Figures.count(unread, "section is", "sections are")));
        }
        return words.toString().strip();
    }

    private static String names(Study study, List<Result> results) {
        List<String> names = results.stream().map(r -> r.contender().name()).toList();
        int last = names.size() - 1;
        return last < 1
                ? names.get(0)
                : names.subList(0, last).stream().collect(Collectors.joining(", ")) + " and " + names.get(last);
    }
}
