package org.evensheen.app.runsheet;

import java.util.List;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.studies.Study;
import org.evensheen.core.label.Claim;
import org.evensheen.core.mixing.SectionDose;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.RunDay;
import org.evensheen.core.runsheet.RunSheet;
import org.evensheen.core.runsheet.Step;

/**
 * A study's day as it stands.
 *
 * @param dosed chemicals of the day, as they stand on the Shelf
 * @param limitWords why work in the dry must be over at some time; empty if nothing is known of it
 * @param sealed what is put on sections that day and may not be seen, as the key is closed and these hands did not ask for names
 */
record Run(
        Study study,
        int day,
        int today,
        RunDay input,
        RunSheet sheet,
        RunStore.Kept kept,
        List<Product> dosed,
        Optional<String> limitWords,
        List<Step> sealed) {

    Optional<Step> step(String key) {
        return sheet.steps().stream().filter(s -> s.key().equals(key)).findFirst();
    }

    /** What the label of a step's product asks on the step's section. */
    Optional<SectionDose> dose(Step step) {
        return step.act()
                .flatMap(act -> act.layer()
                        .dose()
                        .flatMap(asked -> study.record()
                                .section(step.sections().get(0))
                                .flatMap(section ->
                                        SectionDose.of(asked, section.areaSquareMetres(), labelled(act.layer())))));
    }

    /** What the label of a chemical asks on each section, in the order of the sections; empty if it asks nothing for a place. */
    List<SectionDose> everywhere(Entrant.Layer chemical) {
        return study.record().sections().stream()
                .flatMap(section -> chemical
                        .dose()
                        .flatMap(asked -> SectionDose.of(asked, section.areaSquareMetres(), labelled(chemical)))
                        .stream())
                .toList();
    }

    /** The only chemical of a step that doses, if it goes on as it comes: its pH can be read there. */
    Optional<Product> readable(Step step) {
        boolean one = step.key().equals(RunSheet.DOSING)
                && dosed.size() == 1
                && input.chemicals().stream().allMatch(c -> c.dose().isPresent());
        return one ? Optional.of(dosed.get(0)) : Optional.empty();
    }

    /** The area of a section as a label means it, m². */
    private static Optional<Double> labelled(Entrant.Layer layer) {
        return layer.label().one(Claim.SectionSize.class).map(s -> s.width() * s.height() / 1e4);
    }
}
