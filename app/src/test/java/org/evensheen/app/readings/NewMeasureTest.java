package org.evensheen.app.readings;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.HappeningStore;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.NewStudyStore;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.measure.Words;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Kind;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A measure that is in no release goes all the way, and nothing but its own class is there for it. Foam goes the same way. */
@ExtendWith(LiveApp.Apart.class)
class NewMeasureTest {
    private static final Occasion TODAY = new Occasion(0, Stage.FRESH);

    /** Spots left by water that dried on the panel, counted in a frame, with the frame's size beside them. */
    private static final class Spots extends Measure {
        @Override
        public String code() {
            return "rings-left";
        }

        @Override
        public Words words() {
            return new Words(
                    "Spots",
                    "spots left",
                    "count of spots",
                    "counts of spots",
                    "",
                    "spots",
                    "leaves fewer than bare by",
                    "",
                    "a paper frame and a lamp",
                    "Lay the frame down and count every ring in it.",
                    "Spots");
        }

        @Override
        public List<Part> parts() {
            return List.of(
                    new Part.Number(Part.FIRST, "Rings", "count", "rings", 0, 500, true),
                    new Part.Choice(
                            "light",
                            "Seen in which light?",
                            List.of(
                                    new Part.Option("lamp", "a lamp", "by lamp"),
                                    new Part.Option("sun", "the sun", "")),
                            "Say which light."));
        }

        @Override
        public OptionalDouble score(Observation seen, double areaSquareMetres) {
            return OptionalDouble.of(seen.number(Part.FIRST));
        }

        @Override
        public String scoreUnit() {
            return "rings";
        }

        @Override
        public int scoreDecimals() {
            return 0;
        }

        @Override
        public boolean moreIsBetter() {
            return false;
        }

        @Override
        public Scale scale() {
            return Scale.COUNT;
        }

        @Override
        public double seconds() {
            return 40;
        }

        @Override
        public int usualRepeats() {
            return 0;
        }

        @Override
        public Set<ProductKind> askedFor() {
            return Set.of(ProductKind.SOAP);
        }
    }

    private static final Measure SPOTS = new Spots();
    private AutoCloseable there = () -> {};

    @BeforeEach
    void known() {
        there = Measures.with(SPOTS);
    }

    @AfterEach
    void gone() throws Exception {
        there.close();
    }

    private static long study(Measure measure) {
        Bed bed = Bed.plain("Upright board", Bed.Kind.BOARD, 1500, 1000);
        long seed = 31;
        long id = LiveApp.bean(NewStudyStore.class)
                .make(new StudyDraft(
                        "Which leaves less behind?",
                        bed,
                        LocalDate.now(),
                        seed,
                        List.of(
                                new Contender(0, "Curlew Foam", Role.REFERENCE, WaterKind.REPELS, Source.BOUGHT),
                                new Contender(1, "Sallow Plain Soap", Role.PRODUCT, WaterKind.REPELS, Source.LENT),
                                new Contender(2, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT)),
                        Layout.draw(Layout.Ask.filling(bed.shape(), List.of(2, 2, 2), seed))
                                .sections(),
                        new Plan(List.of(new Plan.Planned(measure, 1)), List.of(TODAY)),
                        UUID.randomUUID()));
        LiveApp.bean(Key.class).open(id, Hands.UNNAMED);
        return id;
    }

    private static HttpResponse<String> type(long study, Measure measure, String section, String... typed) {
        Map<String, String> form = new HashMap<>(Map.of(
                "day",
                "0",
                "stage",
                "fresh",
                "section",
                section,
                "measure",
                measure.code(),
                "repeat",
                "1",
                "key",
                UUID.randomUUID().toString()));
        for (int i = 0; i < typed.length; i += 2) {
            form.put(typed[i], typed[i + 1]);
        }
        return Web.post("/studies/" + study + "/readings", form);
    }

    private static String json(long study, Measure measure) {
        return Web.get("/studies/%d/verdict.json?measure=%s".formatted(study, measure.code()))
                .body();
    }

    private static void comesBack(long study, Measure measure) throws Exception {
        byte[] bundle = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(LiveApp.url() + "/studies/" + study + "/bundle.zip"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
        long again = SamplePlan.number(Web.upload("/studies/import?key=" + UUID.randomUUID(), bundle));
        assertThat(json(again, measure)).isEqualTo(json(study, measure));
        String file = Web.get("/studies/" + study + "/readings.csv").body();
        String copy = Web.get("/studies/" + again + "/readings.csv").body();
        assertThat(copy).isEqualTo(file);
    }

    @Test
    void aMeasureThatOnlyThisTestKnowsGoesFromTypingToVerdictAndThroughEveryFile() throws Exception {
        long study = study(SPOTS);
        assertThat(Web.get("/studies/" + study + "/run").body())
                .contains("First count of spots", "Lay the frame down", "Seen in which light?", "the sun");
        assertThat(Web.get("/studies/" + study + "?measure=rings-left").body()).contains("Rings", "a lamp");
        assertThat(type(study, SPOTS, "A", "amount", "7").body()).contains("Say which light.");
        assertThat(type(study, SPOTS, "A", "amount", "7.5", "light", "lamp").body())
                .contains("a count is a whole number");
        var record = LiveApp.bean(StudyStore.class).load(study).record();
        record.sections().forEach(s -> {
            int rings = (s.contender() == 2 ? 90 : s.contender() == 1 ? 40 : 7) + s.row();
            assertThat(type(study, SPOTS, s.code(), "amount", "" + rings, "light", "lamp")
                            .statusCode())
                    .isEqualTo(302);
        });
        assertThat(Web.get("/studies/" + study + "/readings.csv").body()).contains("amount=8;light=lamp", ",rings,");
        assertThat(Web.get("/studies/" + study + "/verdict?measure=rings-left").body())
                .contains("Curlew Foam is first at spots left.", "mean 8.5", "rings");
        assertThat(json(study, SPOTS)).contains("\"scale\":\"root\"", "\"toldApart\":true");
        comesBack(study, SPOTS);
    }

    @Test
    void foamIsTypedMinuteByMinuteComparedAsRatiosAndKeptWhole() throws Exception {
        long study = study(Measures.FOAM);
        assertThat(Web.get("/studies/" + study + "/run").body())
                .contains("Foam, from minute 0", "10 min", "in a jar, mL");
        var record = LiveApp.bean(StudyStore.class).load(study).record();
        record.sections().forEach(s -> {
            double half = (s.contender() == 0 ? 6 : s.contender() == 1 ? 3 : 1.5) * (1 + 0.05 * s.row());
            String[] marks = Stream.concat(
                            Stream.of("how", "strip"),
                            Stream.of(0, 1, 3, 5, 10)
                                    .flatMap(t -> Stream.of(
                                            "series-" + t, Long.toString(Math.round(92 * Math.pow(0.5, t / half))))))
                    .toArray(String[]::new);
            assertThat(type(study, Measures.FOAM, s.code(), marks).statusCode()).isEqualTo(302);
        });
        assertThat(json(study, Measures.FOAM)).contains("\"scale\":\"log\"").contains("\"noRetention\":\"not-kept\"");
        assertThat(Web.get("/studies/" + study + "/verdict?measure=foam-at-5").body())
                .contains("at foam left after five minutes");
        String page = Web.get("/studies/" + study).body();
        assertThat(page).contains("Second foam reading", "in a jar, mL");
        assertThat(Web.get("/studies/" + study + "/readings.csv").body()).contains("how=strip;series=0:92,1:");
        comesBack(study, Measures.FOAM);
    }

    /** Two people grade one place: what each saw is kept, under their own names. */
    @Test
    void whatTwoPeopleGradeOnOnePlaceStandsApart() {
        long study = study(Measures.WATER_GRADE);
        for (String who : List.of("Ana", "Ben")) {
            Map<String, String> form = new HashMap<>(Map.of(
                    "day", "0",
                    "stage", "fresh",
                    "section", "A",
                    "measure", "grade",
                    "repeat", "1",
                    "kind", "repels",
                    "amount", who.equals("Ana") ? "4" : "2",
                    "key", UUID.randomUUID().toString()));
            assertThat(Web.post("/studies/" + study + "/capture", form, "Cookie", "hands=" + who)
                            .statusCode())
                    .isEqualTo(200);
        }
        assertThat(LiveApp.bean(StudyStore.class).load(study).record().readings())
                .extracting(r -> r.observer() + " " + r.seen().told())
                .containsExactlyInAnyOrder("Ana 4 beads", "Ben 2 beads");
    }

    /** Steps of one afternoon, a product by two methods, a state as it was found, and a control that is not bare: there and back. */
    @Test
    void aLadderOfMethodsGoesFromTypingToVerdictAndThroughTheBundle() throws Exception {
        Bed bed = Bed.plain("Upright board", Bed.Kind.BOARD, 2000, 1000);
        long id = LiveApp.bean(NewStudyStore.class)
                .make(new StudyDraft(
                        "What gives way first?",
                        bed,
                        LocalDate.now(),
                        9,
                        List.of(
                                method(0, "Rustmoth Iron Wash", Kind.METHOD, "on a dry wheel"),
                                method(1, "Rustmoth Iron Wash", Kind.METHOD, "on a wet wheel"),
                                method(2, "", Kind.OLD_STATE, "last year's wax"),
                                Contender.control(3, Role.UNTREATED)),
                        Layout.draw(Layout.Ask.filling(bed.shape(), List.of(2, 2, 2, 2), 9))
                                .sections(),
                        new Plan(List.of(new Plan.Planned(SPOTS, 1)), List.of(), Course.LADDER),
                        UUID.randomUUID()));
        LiveApp.bean(Key.class).open(id, Hands.UNNAMED);
        LiveApp.bean(HappeningStore.class)
                .keep(
                        id,
                        new Happening(0, 2, Optional.of(885), Happening.Kind.DOSED, "strip soap 1:50"),
                        UUID.randomUUID(),
                        Hands.UNNAMED.name());
        var record = LiveApp.bean(StudyStore.class).load(id).record();
        for (String look : List.of("after-1", "after-2")) {
            record.sections()
                    .forEach(s -> assertThat(type(
                                            id,
                                            SPOTS,
                                            s.code(),
                                            "stage",
                                            look,
                                            "amount",
                                            "" + (look.equals("after-1") ? 3 : 10 + 30 * s.contender() + s.row()),
                                            "light",
                                            "lamp")
                                    .statusCode())
                            .isEqualTo(302));
        }
        assertThat(type(id, SPOTS, "A", "stage", "rewetted", "amount", "3", "light", "lamp")
                        .body())
                .contains("There is no stage called “rewetted”");
        Map<String, String> sent =
                new HashMap<>(Map.of("day", "0", "section", "A", "measure", "rings-left", "repeat", "2"));
        sent.putAll(Map.of("amount", "3", "light", "lamp", "stage", "fresh", "key", "" + UUID.randomUUID()));
        assertThat(Web.post("/studies/" + id + "/capture", sent).body()).contains("no stage called “fresh”");

        assertThat(Web.get("/studies/" + id + "/verdict?measure=rings-left").body())
                .contains("Rustmoth Iron Wash, on a dry wheel", "last year&#39;s wax", "step 2, after it");
        assertThat(json(id, SPOTS)).contains("\"toldApart\":true");
        assertThat(LiveApp.bean(StudyStore.class).load(id).record().happenings())
                .singleElement()
                .isEqualTo(new Happening(0, 2, Optional.of(885), Happening.Kind.DOSED, "strip soap 1:50"));
        comesBack(id, SPOTS);
        assertThat(LiveApp.database()
                        .sql("select count(*) from happening where step = 2 and minute = 885")
                        .query(Integer.class)
                        .single())
                .isEqualTo(2);
    }

    private static Contender method(int number, String product, Kind kind, String way) {
        return new Contender(number, product, Role.PRODUCT, Optional.empty(), Source.BOUGHT, kind, way);
    }

    /** Two soaps, two jars, no bed: typed, compared, carried away and brought back. */
    @Test
    void twoJarsWithoutABedGoFromTypingToVerdict() throws Exception {
        List<Section> jars = Places.JARS.deal(2, 2, 5);
        assertThat(jars).extracting(Section::called).containsExactly("A, jar 1", "B, jar 2", "C, jar 3", "D, jar 4");
        long id = LiveApp.bean(NewStudyStore.class)
                .make(new StudyDraft(
                        "Which stands longer?",
                        Bed.places(Places.JARS.word(), Places.width(2), Places.height(2)),
                        LocalDate.now(),
                        5,
                        List.of(
                                new Contender(0, "Curlew Foam", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                                new Contender(1, "Sallow Plain Soap", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT)),
                        jars,
                        new Plan(List.of(new Plan.Planned(Measures.FOAM, 1)), List.of(TODAY)),
                        UUID.randomUUID()));
        LiveApp.bean(Key.class).open(id, Hands.UNNAMED);
        LiveApp.bean(StudyStore.class).load(id).record().sections().forEach(jar -> {
            int half = (jar.contender() == 0 ? 30 : 60) + (jar.code().equals("A") ? 1 : 0);
            assertThat(type(
                                    id,
                                    Measures.FOAM,
                                    jar.code(),
                                    "how",
                                    "jar-ml",
                                    "series-0",
                                    "100",
                                    "series-1",
                                    "" + half,
                                    "series-3",
                                    "5")
                            .statusCode())
                    .isEqualTo(302);
        });
        assertThat(Web.get("/studies/" + id + "?section=A").body()).contains("jar 1", "100–5");
        assertThat(Web.get("/beds").body()).as("a sketch is no bed").doesNotContain(">jars<");
        assertThat(Web.get("/studies/" + id + "/verdict").body())
                .contains("at lasting foam")
                .doesNotContain("No bare section", "Gauge not checked");
        assertThat(json(id, Measures.FOAM)).contains("\"name\":\"Sallow Plain Soap\",\"place\":1");
        comesBack(id, Measures.FOAM);
    }
}
