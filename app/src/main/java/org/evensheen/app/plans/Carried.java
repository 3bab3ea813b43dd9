package org.evensheen.app.plans;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.evensheen.app.page.Hands;
import org.evensheen.app.readings.ReadingBatchStore;
import org.evensheen.app.sidebyside.Laid;
import org.evensheen.app.studies.ApplicationStore;
import org.evensheen.app.studies.HappeningStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.sidebyside.Dosed;
import org.evensheen.core.sidebyside.First;
import org.evensheen.core.study.CodeOrder;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;
import org.springframework.stereotype.Component;

/** What an afternoon hands on: to a plan what is typed there, to the study that the plan becomes its first readings and what was put on. */
@Component
class Carried {
    private static final Occasion THAT_AFTERNOON = new Occasion(0, Stage.FRESH);

    private final ReadingBatchStore readings;
    private final HappeningStore happenings;
    private final ApplicationStore applications;

    Carried(ReadingBatchStore readings, HappeningStore happenings, ApplicationStore applications) {
        this.readings = readings;
        this.happenings = happenings;
        this.applications = applications;
    }

    /** Fills in what a plan that goes on with an afternoon begins with: its places, its day, nothing stripped, and what can be looked at again. */
    static void into(Map<String, String> typed, Laid laid) {
        typed.put("unit", Design.Unit.LAID.code());
        typed.put("firstDay", laid.day().toString());
        typed.put("each", "1");
        typed.put("bare", "0");
        typed.keySet().removeIf(field -> field.startsWith("prep-") || field.equals("prove"));
        Measures.read().forEach(m -> typed.put(m.code(), "0"));
        laid.lasting().forEach(m -> typed.put(m.code(), String.valueOf(Math.max(1, m.usualRepeats()))));
        if (laid.lasting().isEmpty()) {
            typed.put(Measures.WATER_GRADE.code(), "1");
        }
    }

    /** Keeps with a new study what was seen and put on that afternoon, with who saw it and when. */
    void over(long study, StudyDraft draft, List<Entrant> entrants, Map<String, String> typed, Laid laid, Hands hands) {
        readings.keep(study, first(laid));
        happenings.keep(
                study,
                new Happening(0, Happening.Kind.APPLIED, "side by side, that afternoon"),
                key(study, "applied"),
                hands.name());
        CodeOrder order = draft.order();
        List<Integer> lines = IntStream.range(0, Fields.MOST_PRODUCTS)
                .filter(i -> !typed.getOrDefault("name" + i, "").isBlank())
                .boxed()
                .toList();
        for (int i = 0; i < lines.size(); i++) {
            String dose = typed.getOrDefault("dose" + lines.get(i), "");
            if (!dose.isBlank()) {
                applications.keep(new ApplicationStore.Draft(
                        study,
                        order.of(i),
                        0,
                        use(dose, entrants.get(i)),
                        LabelLine.readDose(dose).dose(),
                        Optional.empty(),
                        Optional.empty(),
                        key(study, "dose " + i),
                        hands.name()));
            }
        }
    }

    /** What it was done for, by the amount that was taken. */
    private static String use(String dose, Entrant entrant) {
        return entrant.layers().stream()
                .findFirst()
                .flatMap(l -> Dosed.read(dose, l.calibrations()).flatMap(d -> d.use(l.label(), l.calibrations())))
                .orElse("");
    }

    /** What several people saw stands beside each other where it was seen by eye; what was read with an instrument is repeats. */
    private static List<KeptReading> first(Laid laid) {
        Map<String, Integer> repeats = new HashMap<>();
        List<KeptReading> kept = new ArrayList<>();
        for (First f : laid.first()) {
            Measure measure = f.seen().measure();
            String slot = f.place() + " " + measure.code() + (measure.byEye() ? " " + f.by() : "");
            int repeat = repeats.merge(slot, 1, Integer::sum);
            kept.add(new KeptReading(
                    0,
                    new Reading(f.place(), THAT_AFTERNOON, repeat, f.seen()),
                    f.at(),
                    f.by(),
                    Optional.empty(),
                    Optional.empty()));
        }
        return kept;
    }

    private static UUID key(long study, String what) {
        return UUID.nameUUIDFromBytes(("carried to %d: %s".formatted(study, what)).getBytes(StandardCharsets.UTF_8));
    }
}
