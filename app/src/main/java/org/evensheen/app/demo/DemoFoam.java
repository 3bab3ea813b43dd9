package org.evensheen.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.core.foam.FoamCurve;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Kind;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.standins.SimulatedFoam;

/** An afternoon of foams in jars on a table: three jars of each, one look from minute 0 to 10. */
final class DemoFoam {
    private static final long SEED = 90210;
    private static final Occasion LOOK = new Occasion(0, Stage.AFTER);

    /** What is true of each foam, by name. */
    static final Map<String, FoamCurve.Fit> TRUTH = Map.of(
            "Curlew Foam", new FoamCurve.Fit(95, 7.5, 0.9),
            "Sallow Plain Soap", new FoamCurve.Fit(62, 3.1, 0.9),
            "Pailmate Rinseless", new FoamCurve.Fit(38, 2.8, 1.0));

    private DemoFoam() {}

    static StudyDraft draft(LocalDate today) {
        List<Contender> contenders = List.of(
                new Contender(0, "Curlew Foam", Role.REFERENCE, Optional.empty(), Source.BOUGHT, Kind.PRODUCT, ""),
                new Contender(1, "Sallow Plain Soap", Role.PRODUCT, Optional.empty(), Source.BOUGHT, Kind.PRODUCT, ""),
                new Contender(
                        2, "Pailmate Rinseless", Role.PRODUCT, Optional.empty(), Source.BOUGHT, Kind.PRODUCT, ""));
        return new StudyDraft(
                        "Which foam stands longest in a jar?",
                        Bed.places("Jars", Places.width(3), Places.height(3)),
                        today.minusDays(3),
                        SEED,
                        contenders,
                        Places.JARS.deal(3, 3, SEED),
                        new Plan(List.of(new Plan.Planned(Measures.FOAM, 1)), List.of(LOOK), Course.JAR),
                        UUID.nameUUIDFromBytes("foam".getBytes(StandardCharsets.UTF_8)))
                .inOrder();
    }

    /** Every jar as the stand-in reads it. */
    static List<Reading> read(StudyRecord record) {
        Map<Integer, FoamCurve.Fit> truth = record.contenders().stream()
                .collect(java.util.stream.Collectors.toMap(Contender::number, c -> TRUTH.get(c.name())));
        SimulatedFoam foam = new SimulatedFoam(truth, SEED);
        return record.sections().stream().map(s -> foam.read(s, LOOK)).toList();
    }
}
