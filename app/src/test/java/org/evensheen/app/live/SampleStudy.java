package org.evensheen.app.live;

import java.net.http.HttpResponse;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.page.Hands;
import org.evensheen.app.readings.ReadingBatchStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.NewStudyStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.evensheen.standins.Coating;
import org.evensheen.standins.Paint;
import org.evensheen.standins.SimulatedBed;

/**
 * A small stored study with a visit due today: three products twice and bare twice, read bare and fresh. Its key is open, as are those of
 * all here but {@link #closed}.
 */
public final class SampleStudy {
    public static final int TODAY = 8;
    public static final Occasion VISIT = new Occasion(TODAY, Stage.REWETTED);
    private static final List<Occasion> BEFORE = List.of(new Occasion(0, Stage.BARE), new Occasion(1, Stage.FRESH));

    private static final Bed BED = Bed.plain("Loose board", Bed.Kind.BOARD, 1500, 1000);

    private SampleStudy() {}

    public static Study make() {
        return make(List.of());
    }

    /** The same, with today's visit read too. */
    public static Study read() {
        return make(List.of(VISIT));
    }

    /** The same with its key closed; nothing of it is by name. */
    public static Study closed() {
        return make(List.of(VISIT), false);
    }

    /** A contender of a study whose key is open. */
    public static Contender named(Study study, String name) {
        return study.record().contenders().get(number(study, name));
    }

    /** Mean of a contender's first pulls, section by section, N. */
    public static double firstPull(Study study, String name) {
        return study.record()
                .sectionsOf(named(study, name))
                .mapToDouble(s -> study.record()
                        .mean(s, BEFORE.get(1), Measures.PULL)
                        .map(Spread::mean)
                        .orElseThrow())
                .average()
                .orElseThrow();
    }

    /** The contender's number of a product of a study whose key is open. */
    public static int number(Study study, String product) {
        return study.record().contenders().stream()
                .filter(c -> c.name().equals(product))
                .findFirst()
                .orElseThrow()
                .number();
    }

    /** Codes of the sections that hold a product, in a study whose key is open. */
    public static List<String> codes(Study study, String product) {
        return study.record().sections().stream()
                .filter(s -> s.contender() == number(study, product))
                .map(Section::code)
                .toList();
    }

    private static Study opened(long id) {
        LiveApp.bean(Key.class).open(id, Hands.UNNAMED);
        return LiveApp.bean(StudyStore.class).load(id);
    }

    /** Asks for the names of a study whose key is closed, as a page does. */
    public static void see(long study, String why, int day, String... headers) {
        Web.post(
                "/studies/" + study + "/names",
                Map.of("day", "" + day, "why", why, "key", UUID.randomUUID().toString()),
                headers);
    }

    /** What the Slate's form sends for the first pull on a section at today's visit. */
    public static Map<String, String> firstPull(String section, String amount, UUID key) {
        return new HashMap<>(Map.of(
                "day",
                "8",
                "stage",
                "rewetted",
                "section",
                section,
                "measure",
                "pull",
                "repeat",
                "1",
                "amount",
                amount,
                "key",
                key.toString()));
    }

    /** A study whose products are put on today: seal and paste twice each, bare twice, on a loose board. */
    public static Study applying() {
        return applying(List.of(new Occasion(0, Stage.BARE), new Occasion(2, Stage.FRESH)));
    }

    /** The same, with nothing to prove before. */
    public static Study applyingOnly() {
        return applying(List.of(new Occasion(2, Stage.FRESH)));
    }

    /** The same bed at a visit of today, where water is graded by eye too. */
    public static Study visiting() {
        return applying(
                new Plan(
                        List.of(new Plan.Planned(Measures.WATER_GRADE, 1), new Plan.Planned(Measures.PULL, 1)),
                        List.of(new Occasion(0, Stage.REWETTED))),
                List.of());
    }

    private static Study applying(List<Occasion> visits) {
        return applying(
                new Plan(List.of(new Plan.Planned(Measures.PULL, 1)), visits),
                List.of(new Work("", 0, Calendar.Kind.APPLY, "Apply by lot", "As soon as it is bare.", false)));
    }

    private static Study applying(Plan plan, List<Work> works) {
        List<Contender> contenders = List.of(
                new Contender(0, "Osier Spray Seal", Role.REFERENCE, WaterKind.REPELS, Source.BOUGHT),
                new Contender(1, "Brock Paste", Role.PRODUCT, WaterKind.REPELS, Source.LENT),
                new Contender(2, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
        long id = LiveApp.bean(NewStudyStore.class)
                .make(new StudyDraft(
                        "Which goes on better?",
                        BED,
                        LocalDate.now(),
                        17,
                        contenders,
                        Layout.draw(Layout.Ask.filling(BED.shape(), List.of(2, 2, 2), 17))
                                .sections(),
                        plan,
                        works,
                        UUID.randomUUID()));
        return opened(id);
    }

    private static Study make(List<Occasion> more) {
        return make(more, true);
    }

    private static Study make(List<Occasion> more, boolean open) {
        long seed = 104;
        List<Contender> contenders = List.of(
                new Contender(0, "Osier Spray Seal", Role.REFERENCE, WaterKind.REPELS, Source.BOUGHT),
                new Contender(1, "Brock Paste", Role.PRODUCT, WaterKind.REPELS, Source.LENT),
                new Contender(2, "Kelter Rinse-On", Role.PRODUCT, WaterKind.SHEETS, Source.GIFTED),
                new Contender(3, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
        long id = LiveApp.bean(NewStudyStore.class)
                .make(new StudyDraft(
                        "Which of three stays?",
                        BED,
                        LocalDate.now().minusDays(TODAY),
                        seed,
                        contenders,
                        Layout.draw(Layout.Ask.filling(BED.shape(), List.of(2, 2, 2, 2), seed))
                                .sections(),
                        new Plan(
                                List.of(new Plan.Planned(Measures.PULL, 3), new Plan.Planned(Measures.DROP, 1)),
                                List.of(BEFORE.get(0), BEFORE.get(1), VISIT, new Occasion(15, Stage.REWETTED))),
                        UUID.randomUUID()));
        Study study = LiveApp.bean(Key.class)
                .forTheStandIns(LiveApp.bean(StudyStore.class).load(id));
        SimulatedBed bed = new SimulatedBed(
                study.record(),
                new Paint(18, 26, 110, 0.02, 0.01, 0.01, 0.02),
                Map.of(
                        number(study, "Osier Spray Seal"), new Coating(9, 105, 35, 8, 1),
                        number(study, "Brock Paste"), new Coating(10.5, 95, 50, 4, 1),
                        number(study, "Kelter Rinse-On"), new Coating(9.5, 60, 25, 6, 1)),
                1,
                seed);
        List<KeptReading> kept = new ArrayList<>();
        List<Occasion> occasions = new ArrayList<>(BEFORE);
        occasions.addAll(more);
        for (Occasion at : occasions) {
            for (Section section : study.record().sections()) {
                bed.read(section, at)
                        .forEach(r -> kept.add(new KeptReading(
                                0,
                                r,
                                Instant.parse("2026-01-02T03:04:05Z"),
                                "Ana",
                                Optional.empty(),
                                Optional.empty())));
            }
        }
        LiveApp.bean(ReadingBatchStore.class).keep(id, kept);
        return open ? opened(id) : LiveApp.bean(StudyStore.class).load(id);
    }

    /** Sends a step of a day's run sheet, with fields and what is typed in them in turn. */
    public static HttpResponse<String> step(Study study, int day, String step, String... typed) {
        Map<String, String> form = new HashMap<>(Map.of(
                "day",
                String.valueOf(day),
                "step",
                step,
                "key",
                UUID.randomUUID().toString()));
        for (int i = 0; i < typed.length; i += 2) {
            form.put(typed[i], typed[i + 1]);
        }
        return Web.send("/studies/" + study.id() + "/run", form);
    }

    /** Notes air that is good to work in. */
    public static void air(Study study, int day) {
        step(study, day, "air", "air", "16", "humidity", "50", "panel", "17");
    }
}
