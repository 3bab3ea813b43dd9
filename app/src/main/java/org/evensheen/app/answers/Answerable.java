package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import org.evensheen.core.answer.Onward;

/** Something that has an answer: a study whose key is open, or an afternoon. */
interface Answerable {
    AnswerOf of();

    /** What was weighed, and when, in a sentence. */
    String subtitle();

    Answer answer(Purse purse);

    /** Ways of going on that might part two of its contenders. */
    List<Onward.Way> ways(Answer answer, int one, int other);

    /** mL that went on one place, by the product's name on the Shelf. */
    Map<String, Double> used();
}
