package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.sidebyside.Tellings;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.core.answer.Onward;
import org.springframework.stereotype.Component;

/** Afternoons have answers. */
@Component
class AfternoonAnswers implements Answerables {
    private final Tellings tellings;
    private final AfternoonAnswering answering;

    AfternoonAnswers(Tellings tellings, AfternoonAnswering answering) {
        this.tellings = tellings;
        this.answering = answering;
    }

    @Override
    public String under() {
        return "compare";
    }

    @Override
    public Matter matter(long id) {
        return Matter.comparison(id);
    }

    @Override
    public Answerable open(long id) {
        return new Opened(tellings.weighable(id), answering);
    }

    private record Opened(Weighable w, AfternoonAnswering answering) implements Answerable {
        @Override
        public AnswerOf of() {
            return AfternoonAnswering.what(w);
        }

        @Override
        public String subtitle() {
            return "What was seen side by side, weighed. What was looked at once on one place each is on the sheet, and not in it.";
        }

        @Override
        public Answer answer(Purse purse) {
            return answering.of(w, purse);
        }

        @Override
        public List<Onward.Way> ways(Answer answer, int one, int other) {
            return NextWays.of(w, answer);
        }

        @Override
        public Map<String, Double> used() {
            Map<String, Double> used = new TreeMap<>();
            w.took()
                    .forEach((number, t) -> t.ml().ifPresent(ml ->
                            used.putIfAbsent(w.contenders().get(number).made(), ml.mean())));
            return used;
        }
    }
}
