package org.evensheen.app.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.study.CodeOrder;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.water.Wetting;
import org.evensheen.standins.Coating;
import org.evensheen.standins.Hardship;
import org.evensheen.standins.Paint;

/** The invented studies of the demo, their truth, and what has happened in them by today. */
final class DemoWorld {
    static final Paint VAN = new Paint(18.2, 25, 118, 0.026, 0.022, 0.010, 0.03);
    private static final Paint BOARD = new Paint(16.8, 28, 104, 0.016, 0.010, 0.010, 0.02);

    private DemoWorld() {}

    /**
     * A study with its truth.
     *
     * @param today today as a day of the study
     * @param keyOpen whether names are shown
     * @param skipped planned days on which nobody came
     * @param done how products were put on
     * @param hardship what wears it besides weeks, and what hides it
     * @param unreadToday how many product sections have no pull yet today; the one before them lacks its last
     */
    record Told(
            StudyDraft draft,
            Paint paint,
            Map<Integer, Coating> coatings,
            int freshDay,
            List<Happening> happenings,
            int today,
            boolean keyOpen,
            List<Integer> skipped,
            int unreadToday,
            List<Done> done,
            Hardship hardship) {

        Told(
                StudyDraft draft,
                Paint paint,
                Map<Integer, Coating> coatings,
                int freshDay,
                List<Happening> happenings,
                int today,
                boolean keyOpen,
                List<Integer> skipped,
                int unreadToday,
                List<Done> done) {
            this(
                    draft,
                    paint,
                    coatings,
                    freshDay,
                    happenings,
                    today,
                    keyOpen,
                    skipped,
                    unreadToday,
                    done,
                    Hardship.NONE);
        }

        /** The same with its contenders numbered as the study numbers them, in the order of their codes. */
        Told inOrder() {
            CodeOrder order = draft.order();
            return new Told(
                    draft.inOrder(),
                    paint,
                    order.keyed(coatings),
                    freshDay,
                    happenings,
                    today,
                    keyOpen,
                    skipped,
                    unreadToday,
                    done.stream()
                            .map(d -> new Done(
                                    order.of(d.contender()), d.day(), d.job(), d.dose(), d.waited(), d.coats()))
                            .toList(),
                    hardship);
        }
    }

    /** How a product was put on: contender, day, use, dose, seconds waited, coats; 0 for what was not noted. */
    record Done(int contender, int day, String job, String dose, int waited, int coats) {}

    static List<Told> studies(LocalDate today) {
        // Laying out a bed takes its time; they know nothing of each other.
        return Stream.<Function<LocalDate, Told>>of(
                        DemoWorld::looseBoard, DemoWorld::byHand, DemoWorld::flank, DemoWorld::rearDoors)
                .parallel()
                .map(study -> study.apply(today).inOrder())
                .toList();
    }

    /** Heron's rear doors: proven bare yesterday, to be applied today. */
    private static Told rearDoors(LocalDate today) {
        long seed = 31337;
        List<Work> works = List.of(
                work(
                        0,
                        Calendar.Kind.STRIP,
                        "Wash, clay, strip, wipe down",
                        "The bed must be bare, or the start is no start."),
                work(0, Calendar.Kind.BARE, "Prove bare and read", "The zero of every later score, on the same kit."),
                work(1, Calendar.Kind.APPLY, "Apply by lot", "As soon as the bed is proven bare."),
                work(2, Calendar.Kind.COAT, "Coat 2 of Brock Paste", "Brock Paste asks 12 h before the next layer."),
                work(
                        4,
                        Calendar.Kind.CURE,
                        "Cured: may get wet",
                        "Tidewrack Mist Coat must keep dry for 24 h; a shower before that spoils it."),
                work(
                        4,
                        Calendar.Kind.FRESH,
                        "First readings",
                        "After the cure; what is left later is a share of these."),
                work(11, Calendar.Kind.VISIT, "Visit 1", "Every 7 days, 3 times."),
                work(18, Calendar.Kind.VISIT, "Visit 2", "Every 7 days, 3 times."),
                work(25, Calendar.Kind.VISIT, "Visit 3", "Every 7 days, 3 times."));
        return new Told(
                new StudyDraft(
                        "Which coat is worth its trouble on the doors?",
                        DemoBeds.rearDoors(),
                        today.minusDays(1),
                        seed,
                        contenders(
                                product("Osier Spray Seal", Role.REFERENCE, WaterKind.REPELS, Source.BOUGHT),
                                product("Tidewrack Mist Coat", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                                product("Brock Paste", Role.PRODUCT, WaterKind.REPELS, Source.LENT),
                                product("Gannet Spray Wax", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                                regime("Lowlight Mist", "again every second wash", Source.BOUGHT)),
                        sections(DemoBeds.rearDoors(), 5, 2, seed),
                        new Plan(
                                List.of(
                                        new Planned(Measures.WATER_GRADE, 1),
                                        new Planned(Measures.GLOSS, 3),
                                        new Planned(Measures.PULL, 3)),
                                List.of(
                                        new Occasion(0, Stage.BARE),
                                        new Occasion(4, Stage.FRESH),
                                        new Occasion(11, Stage.REWETTED),
                                        new Occasion(18, Stage.REWETTED),
                                        new Occasion(25, Stage.REWETTED))),
                        works,
                        UUID.nameUUIDFromBytes("doors".getBytes(java.nio.charset.StandardCharsets.UTF_8))),
                VAN,
                Map.of(
                        0, new Coating(8.9, 106, 34, 11, 1.0),
                        1, new Coating(8.5, 109, 30, 12.5, 1.1),
                        2, new Coating(9.6, 98, 46, 7, 1.0),
                        3, new Coating(10.1, 96, 50, 4.5, 1.0),
                        4, new Coating(10.8, 92, 58, 3.2, 1.0)),
                4,
                List.of(new Happening(0, Kind.GAUGE_CHECKED), new Happening(0, Kind.WEATHER_NOTED)),
                1,
                true,
                List.of(),
                0,
                List.of());
    }

    static Work work(int day, Calendar.Kind kind, String title, String why) {
        return new Work("", day, kind, title, why, false);
    }

    /** Heron's near flank, six weeks in, a visit due today. */
    private static Told flank(LocalDate today) {
        long seed = 40417;
        List<Contender> contenders = contenders(
                product("Osier Spray Seal", Role.REFERENCE, WaterKind.REPELS, Source.BOUGHT),
                product("Tidewrack Mist Coat", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                product("Brock Paste", Role.PRODUCT, WaterKind.REPELS, Source.LENT),
                product("Kelter Rinse-On", Role.PRODUCT, WaterKind.SHEETS, Source.GIFTED),
                product("Lowlight Mist", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT));
        List<Happening> happenings = new ArrayList<>(List.of(
                new Happening(0, Kind.GAUGE_CHECKED),
                new Happening(0, Kind.WEATHER_NOTED),
                new Happening(0, Kind.WETTED, Wetting.MIST.code()),
                new Happening(1, Kind.APPLIED)));
        for (int day = 10; day < 42; day += 7) {
            happenings.add(new Happening(day, Kind.WASHED));
        }
        return new Told(
                new StudyDraft(
                        "Which spray seal is still there after a season on the estuary?",
                        DemoBeds.nearFlank(),
                        today.minusDays(42),
                        seed,
                        contenders,
                        sections(DemoBeds.nearFlank(), 5, 2, seed),
                        plan(3, 0, 2, 7, 14, 21, 28, 35, 42, 49, 56, 63, 70),
                        UUID.nameUUIDFromBytes("flank".getBytes(java.nio.charset.StandardCharsets.UTF_8))),
                VAN,
                Map.of(
                        0, new Coating(8.9, 106, 34, 11, 1.0),
                        1, new Coating(8.5, 109, 30, 12.5, 1.1),
                        2, new Coating(9.6, 98, 46, 7, 1.0),
                        3, new Coating(9.3, 62, 22, 8.5, 1.0),
                        4, new Coating(10.8, 92, 58, 3.2, 1.0)),
                2,
                happenings,
                42,
                false,
                List.of(21),
                3,
                List.of(
                        new Done(0, 1, "", "4 sprays per section", 120, 2),
                        new Done(1, 1, "", "3 sprays per section", 45, 1),
                        new Done(2, 1, "", "4 mL per panel", 360, 3),
                        new Done(3, 1, "", "5 sprays per section", 30, 1),
                        new Done(4, 1, "quick detailer", "3 sprays per panel", 20, 0)));
    }

    /** A finished study on a loose board, with nothing against it. */
    private static Told looseBoard(LocalDate today) {
        long seed = 77120;
        List<Happening> happenings = new ArrayList<>(List.of(
                new Happening(0, Kind.GAUGE_CHECKED),
                new Happening(0, Kind.WETTED, Wetting.MIST.code()),
                new Happening(0, Kind.APPLIED),
                new Happening(49, Kind.GAUGE_CHECKED)));
        for (int day : new int[] {1, 7, 14, 21, 28, 42, 56}) {
            happenings.add(new Happening(day, Kind.WEATHER_NOTED));
        }
        for (int day = 4; day < 56; day += 7) {
            happenings.add(new Happening(day, Kind.WASHED));
        }
        return new Told(
                new StudyDraft(
                        "Is any wash leaving something behind on soft black paint?",
                        DemoBeds.softBlack(),
                        today.minusDays(66),
                        seed,
                        contenders(
                                product("Kelter Rinse-On", Role.REFERENCE, WaterKind.SHEETS, Source.GIFTED),
                                product("Curlew Foam", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                                product("Pailmate Rinseless", Role.PRODUCT, WaterKind.SHEETS, Source.BOUGHT),
                                product("Sallow Plain Soap", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT)),
                        sections(DemoBeds.softBlack(), 4, 3, seed),
                        withGloss(plan(3, 0, 1, 7, 14, 21, 28, 42, 56)),
                        UUID.nameUUIDFromBytes("board".getBytes(java.nio.charset.StandardCharsets.UTF_8))),
                BOARD,
                Map.of(
                        0, new Coating(9.4, 60, 21, 9, 1.0),
                        1, new Coating(12.9, 82, 62, 5, 1.0),
                        2, new Coating(12.7, 58, 55, 4.5, 1.0),
                        3, new Coating(16.6, 29, 102, 3, 1.0)),
                1,
                happenings,
                66,
                true,
                List.of(),
                0,
                List.of(
                        new Done(0, 1, "", "5 sprays per section", 40, 1),
                        new Done(1, 1, "bucket wash", "1:250", 0, 0),
                        new Done(2, 1, "rinseless", "1:240", 0, 0),
                        new Done(3, 1, "bucket wash", "45 mL in 10 L", 0, 0)));
    }

    /** An afternoon's comparison as it is often done: one section each, placed by hand, nothing left bare. */
    private static Told byHand(LocalDate today) {
        List<Section> sections = List.of(
                new Section("A", 0, 1, 60, 60, 520, 480, true), new Section("B", 1, 1, 620, 60, 520, 480, true));
        return new Told(
                new StudyDraft(
                        "Does Dry Acre beat Lowlight on a white board?",
                        DemoBeds.hardWhite(),
                        today.minusDays(15),
                        5150,
                        List.of(
                                new Contender(
                                        0, "Dry Acre Waterless", Role.PRODUCT, WaterKind.REPELS, Source.UNDISCLOSED),
                                new Contender(1, "Lowlight Mist", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT)),
                        sections,
                        plan(3, 1, 8, 15),
                        UUID.nameUUIDFromBytes("by hand".getBytes(java.nio.charset.StandardCharsets.UTF_8))),
                BOARD,
                Map.of(0, new Coating(11.4, 88, 60, 4, 1.0), 1, new Coating(10.9, 91, 55, 3, 1.0)),
                1,
                List.of(new Happening(0, Kind.APPLIED)),
                15,
                true,
                List.of(),
                0,
                List.of(
                        new Done(0, 0, "", "40 mL per panel", 0, 0),
                        new Done(1, 0, "quick detailer", "3 sprays per panel", 15, 0)));
    }

    static List<Section> sections(Bed bed, int products, int each, long seed) {
        return Layout.draw(Layout.Ask.filling(bed.shape(), Collections.nCopies(products + 1, each), seed))
                .sections();
    }

    private static Plan plan(int pulls, int... days) {
        List<Occasion> visits = new ArrayList<>();
        for (int day : days) {
            visits.add(new Occasion(day, day == 0 ? Stage.BARE : day <= 2 ? Stage.FRESH : Stage.REWETTED));
        }
        return new Plan(
                List.of(
                        new Planned(Measures.DROP, 2),
                        new Planned(Measures.LEFT_BEHIND, 1),
                        new Planned(Measures.WATER_GRADE, 1),
                        new Planned(Measures.PULL, pulls)),
                visits);
    }

    /** The same with gloss read at three spots of each section. */
    private static Plan withGloss(Plan plan) {
        List<Planned> measures = new ArrayList<>(plan.measures());
        measures.add(new Planned(Measures.GLOSS, 3));
        return new Plan(measures, plan.visits(), plan.course());
    }

    static Contender product(String name, Role role, WaterKind kind, Source source) {
        return new Contender(0, name, role, kind, source);
    }

    /** A product with its upkeep. */
    private static Contender regime(String name, String way, Source source) {
        return new Contender(
                0, name, Role.PRODUCT, java.util.Optional.of(WaterKind.REPELS), source, Contender.Kind.REGIME, way);
    }

    static List<Contender> contenders(Contender... products) {
        List<Contender> contenders = new ArrayList<>();
        for (Contender c : products) {
            contenders.add(c.numbered(contenders.size()));
        }
        contenders.add(Contender.control(contenders.size(), Role.BARE));
        return contenders;
    }
}
