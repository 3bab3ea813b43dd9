package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.sidebyside.Telling;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.core.answer.Profile;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes the report of an afternoon, in the words of its sheet. */
@Component
class AfternoonReporting {
    /** Version of how an afternoon is judged and reported. */
    private static final int METHOD = 2;

    private final AfternoonAnswering answering;
    private final ProductStore products;
    private final JsonMapper json;

    AfternoonReporting(AfternoonAnswering answering, ProductStore products, JsonMapper json) {
        this.answering = answering;
        this.products = products;
        this.json = json;
    }

    /** Whether it depends on who reads. */
    boolean weighs(Telling t) {
        return weighs(answering.of(t.weighable().get(), Purse.EMPTY));
    }

    private static boolean weighs(Answer answer) {
        return answer.products().size() > 1;
    }

    /**
     * The report with its seal, weighed for a reader by their code or the first. Who led at what stands in {@code scales}, as there are no
     * places on one scale; for whom it is, and what advice follows, only where rounds told any apart.
     */
    Report of(Telling t, OverruledStore.Aside aside, String reader) {
        Weighable w = t.weighable().get();
        Answer answer = answering.of(w, new Purse(aside.rates(), Optional.empty()));
        boolean weighed = weighs(answer);
        Profile profile = aside.reader(reader);
        AnswerWords words = new AnswerWords(AfternoonAnswering.what(w), answer);
        Report report = new Report(
                Report.FORMAT,
                t.question(),
                t.what(),
                t.day().toString(),
                0,
                weighed ? profile.name() : "",
                t.sentence(),
                weighed ? words.first(answer.forReader(profile)) : "",
                new Report.Trust(t.trust(), "", t.why()),
                List.of(),
                weighed ? Reporting.readers(aside, words, answer) : List.of(),
                t.lines(),
                t.spent(),
                weighed ? Reporting.advice(aside, words, answer, profile) : List.of(),
                List.of(),
                t.unanswered(),
                t.method(),
                t.slips(),
                t.came(),
                Reporting.cautions(products.allNamed(t.products())),
                new TreeMap<>(Map.of(Report.SIDE_BY_SIDE, METHOD)),
                Reporting.hash(t.said()),
                "");
        return report.sealed(Reporting.hash(json.writeValueAsString(report)));
    }
}
