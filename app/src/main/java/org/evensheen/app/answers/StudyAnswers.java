package org.evensheen.app.answers;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.answer.Onward;
import org.springframework.stereotype.Component;

/** Studies whose key is open have answers. */
@Component
class StudyAnswers implements Answerables {
    private final StudyStore studies;
    private final Answering answering;
    private final Clock clock;

    StudyAnswers(StudyStore studies, Answering answering, Clock clock) {
        this.studies = studies;
        this.answering = answering;
        this.clock = clock;
    }

    @Override
    public String under() {
        return "studies";
    }

    @Override
    public Matter matter(long id) {
        return Matter.study(id);
    }

    @Override
    public Answerable open(long id) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Closed(study);
        }
        return new Opened(study, Math.max(0, study.dayOf(clock)), answering);
    }

    private record Opened(Study study, int today, Answering answering) implements Answerable {
        @Override
        public AnswerOf of() {
            return AnswerOf.study(study);
        }

        @Override
        public String subtitle() {
            return "%s, day %d. All that was measured, weighed."
                    .formatted(study.bed().name(), today);
        }

        @Override
        public Answer answer(Purse purse) {
            return answering.of(study, today, purse);
        }

        @Override
        public List<Onward.Way> ways(Answer answer, int one, int other) {
            return NextWays.of(study, answer, answering.wear(study, today).lives(), one, other);
        }

        @Override
        public Map<String, Double> used() {
            Map<String, Double> used = new TreeMap<>();
            study.record().contenders().stream()
                    .filter(c -> c.layers().size() == 1)
                    .forEach(c -> AskedAndUsed.used(study, c).ifPresent(ml -> used.putIfAbsent(c.made(), ml)));
            return used;
        }
    }
}
