package org.evensheen.app.labels;

import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import org.evensheen.core.cautions.Acidity;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.stock.Remaining;

/**
 * A product on the Shelf.
 *
 * @param labelId the label that counts; empty if none was entered yet
 * @param labelNumber its number, 0 if there is none
 * @param written the label as it was typed
 * @param calibrations the latest of each counter
 * @param strip the latest pH read on a strip
 * @param remaining what is left in its bottles
 */
public record Product(
        long id,
        String name,
        ProductKind kind,
        Optional<Long> labelId,
        int labelNumber,
        String written,
        Label label,
        List<Calibration> calibrations,
        Optional<Double> strip,
        Remaining remaining) {

    /** Hazards of the label, and the one that a strip makes. */
    public SortedSet<Hazard> hazards() {
        TreeSet<Hazard> hazards = new TreeSet<>(label.hazards());
        strip.flatMap(Acidity::hazard).ifPresent(hazards::add);
        return hazards;
    }

    /** What a use is called: its own name, or the kind of the product if the label names one use only. */
    public String jobOf(Claim.Use use) {
        return use.name().isEmpty() ? kind.label() : use.name();
    }

    /** The use of that name, whatever the case. */
    public Optional<Claim.Use> use(String job) {
        return label.uses().stream()
                .filter(u -> jobOf(u).equalsIgnoreCase(job.strip()))
                .findFirst();
    }
}
