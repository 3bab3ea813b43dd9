package org.evensheen.core.study;

import java.util.List;
import java.util.Optional;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Dose;

/**
 * How a product of a study was really put on.
 *
 * @param id names it among all
 * @param contender the product's number
 * @param job the use of the label it was put on as; empty for a label's only use
 * @param dose what was put on; empty if it was not noted
 * @param waitSeconds from spreading to buffing or rinsing, s, above 0; empty if it was not noted
 * @param coats how many; empty if it was not noted
 * @param section the section it was noted for; empty if for all of the product's
 * @param given what went on there, in words; empty if it was not noted
 * @param label the label of that day; empty if none was entered
 * @param calibrations of that day
 */
public record Application(
        long id,
        int contender,
        int day,
        String job,
        Optional<Dose> dose,
        Optional<Double> waitSeconds,
        Optional<Integer> coats,
        Optional<String> section,
        String given,
        Optional<Label> label,
        List<Calibration> calibrations) {}
