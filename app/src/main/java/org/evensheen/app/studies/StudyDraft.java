package org.evensheen.app.studies;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.CodeOrder;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;

/**
 * A study about to be made.
 *
 * @param contenders in the order of their numbers, each on a section at least; bare among them if any section is left bare
 * @param works dated work, with reasons
 * @param key makes it once, however often it is sent
 */
public record StudyDraft(
        String question,
        Bed bed,
        LocalDate firstDay,
        long seed,
        List<Contender> contenders,
        List<Section> sections,
        Plan plan,
        List<Work> works,
        UUID key) {

    /** How its contenders are numbered once it is made. */
    public CodeOrder order() {
        return CodeOrder.of(contenders, sections);
    }

    /** The same with its contenders in the order of their codes. */
    public StudyDraft inOrder() {
        CodeOrder order = order();
        return new StudyDraft(
                question,
                bed,
                firstDay,
                seed,
                order.contenders(contenders),
                order.sections(sections),
                plan,
                works,
                key);
    }

    /** A draft without dated work besides its visits. */
    public StudyDraft(
            String question,
            Bed bed,
            LocalDate firstDay,
            long seed,
            List<Contender> contenders,
            List<Section> sections,
            Plan plan,
            UUID key) {
        this(question, bed, firstDay, seed, contenders, sections, plan, List.of(), key);
    }
}
