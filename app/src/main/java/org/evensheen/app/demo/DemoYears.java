package org.evensheen.app.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.water.Wetting;
import org.evensheen.standins.Coating;
import org.evensheen.standins.Hardship;

/** A study of the demo that goes back years. */
final class DemoYears {
    private DemoYears() {}

    /** Two years old: read for a year through salt and washes, and a follow-up a year later falls due this week. */
    static DemoWorld.Told study(LocalDate today) {
        long seed = 60601;
        List<Happening> happenings = new ArrayList<>(List.of(
                new Happening(0, Kind.GAUGE_CHECKED),
                new Happening(1, Kind.APPLIED),
                new Happening(0, Kind.WETTED, Wetting.LOW_PRESSURE.code()),
                new Happening(1, Kind.ODOMETER, "31 400 km")));
        for (int day = 15; day <= 364; day += 14) {
            happenings.add(new Happening(day, Kind.WASHED));
        }
        for (int day = 91; day <= 364; day += 91) {
            happenings.add(new Happening(day, Kind.ODOMETER, "%d km".formatted(31_400 + 13 * day)));
            happenings.add(new Happening(day, Kind.GAUGE_CHECKED));
        }
        int[] days = {0, 2, 14, 28, 42, 56, 70, 91, 112, 140, 182, 273, 364, 735};
        for (int i = 0; i < days.length - 1; i++) {
            happenings.add(new Happening(days[i], Kind.WEATHER_NOTED));
        }
        List<Occasion> visits = new ArrayList<>();
        for (int day : days) {
            visits.add(new Occasion(day, day == 0 ? Stage.BARE : day == 2 ? Stage.FRESH : Stage.REWETTED));
        }
        return new DemoWorld.Told(
                        new StudyDraft(
                                "What is left after a year of salt?",
                                DemoBeds.cabDoors(),
                                today.minusDays(731),
                                seed,
                                DemoWorld.contenders(
                                        DemoWorld.product(
                                                "Osier Spray Seal", Role.REFERENCE, WaterKind.REPELS, Source.BOUGHT),
                                        DemoWorld.product(
                                                "Tidewrack Mist Coat", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                                        DemoWorld.product("Brock Paste", Role.PRODUCT, WaterKind.REPELS, Source.LENT),
                                        DemoWorld.product(
                                                "Kelter Rinse-On", Role.PRODUCT, WaterKind.SHEETS, Source.GIFTED),
                                        DemoWorld.product(
                                                "Lowlight Mist", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT)),
                                DemoWorld.sections(DemoBeds.cabDoors(), 5, 3, seed),
                                new Plan(
                                        List.of(new Planned(Measures.WATER_GRADE, 1), new Planned(Measures.PULL, 3)),
                                        visits),
                                List.of(DemoWorld.work(
                                        735,
                                        Calendar.Kind.VISIT,
                                        "Follow up: what is left after two years",
                                        "Same sections, same sled, bare read beside them.")),
                                UUID.nameUUIDFromBytes("salt".getBytes(java.nio.charset.StandardCharsets.UTF_8))),
                        DemoWorld.VAN,
                        Map.of(
                                0, new Coating(8.9, 106, 34, 13, 1.1),
                                1, new Coating(8.5, 109, 30, 34, 1.2),
                                2, new Coating(9.6, 98, 46, 9, 1.0),
                                3, new Coating(9.3, 62, 22, 13, 1.0),
                                4, new Coating(10.8, 92, 58, 4.5, 1.0)),
                        2,
                        happenings,
                        731,
                        true,
                        List.of(),
                        0,
                        List.of(
                                new DemoWorld.Done(0, 1, "", "4 sprays per section", 120, 2),
                                new DemoWorld.Done(1, 1, "", "3 sprays per section", 45, 1),
                                new DemoWorld.Done(2, 1, "", "4 mL per panel", 360, 2),
                                new DemoWorld.Done(3, 1, "", "5 sprays per section", 30, 1),
                                new DemoWorld.Done(4, 1, "quick detailer", "3 sprays per panel", 20, 0)),
                        new Hardship(0.35, 1.2, 0.6))
                .inOrder();
    }
}
