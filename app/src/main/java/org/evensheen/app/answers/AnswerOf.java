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
 * @param place what one place is called
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
        String place,
        List<String> asked) {

    static AnswerOf study(Study study) {
        String base = "/studies/" + study.id();
        return new AnswerOf(
                base,
                base,
                base + "/verdict",
                "Footing",
                study.question(),
                study.record().contenders(),
                true,
                "section",
                AskedAndUsed.lines(study));
    }
}
