package org.evensheen.app.answers;

import java.util.List;
import org.evensheen.app.studies.Study;
import org.evensheen.core.study.Contender;

/**
 * What an answer is of: a study, or an afternoon.
 *
 * @param base its address
 * @param home where its places stand
 * @param trust where it stands how far it can be trusted
 * @param footed what that is called there
 * @param again what could be added: sections or rounds
 * @param asked what labels ask beside what went on, a line each
 */
record AnswerOf(
        String base,
        String home,
        String trust,
        String footed,
        String question,
        List<Contender> contenders,
        boolean weeks,
        Again again,
        List<String> asked) {

    /**
     * More of the same.
     *
     * @param each of which each contender has so many now, the fewest
     * @param fixed minutes whatever is added
     * @param pair minutes for one more of each of two contenders
     */
    record Again(String one, String several, List<Integer> each, double fixed, double pair) {
        int fewest(int first, int second) {
            return Math.max(1, Math.min(each.get(first), each.get(second)));
        }

        double minutes(int more) {
            return fixed + more * pair;
        }
    }

    /** Minutes and seconds as the Planner takes them. */
    private static final double SET_UP = 20;

    private static final double PUT_ON = 3;
    private static final double WALK = 10;

    static AnswerOf study(Study study) {
        double seconds = study.record().plan().measures().stream()
                .mapToDouble(p -> p.repeats() * p.measure().seconds() + WALK)
                .sum();
        double section = PUT_ON + seconds / 60;
        String base = "/studies/" + study.id();
        return new AnswerOf(
                base,
                base,
                base + "/verdict",
                "Footing",
                study.question(),
                study.record().contenders(),
                true,
                new Again(
                        "section",
                        "sections",
                        study.record().contenders().stream()
                                .map(c -> (int) study.record().sectionsOf(c).count())
                                .toList(),
                        SET_UP + section,
                        2 * section),
                AskedAndUsed.lines(study));
    }
}
