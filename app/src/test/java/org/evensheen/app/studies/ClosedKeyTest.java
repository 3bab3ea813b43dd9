package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.readings.ReadingBatchStore;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** While the key of a study is closed, nothing says what its codes stand for: no name, no order, no mean, no wait or dose. */
@ExtendWith(LiveApp.class)
class ClosedKeyTest {
    private static final String[] JUDGE = {"Cookie", "hands=Judge"};
    private static final String[] HELPER = {"Cookie", "hands=Helper"};
    private final String mark = UUID.randomUUID().toString().substring(0, 6);
    private final List<String> names = List.of("Ochre Quill " + mark, "Umber Reed " + mark, "Slate Sedge " + mark);

    /** Products as unlike as can be: kind of water, source, dose, wait, coats, part. */
    private static final List<String> LABELS = List.of(
            "3 sprays per section; wait 2 min; 2 coats; next layer 12 h; buff; lasts 6 weeks",
            "4 mL per section; wait 6 min; buff; keep dry 24 h; no sun",
            "5 sprays per section; wait 30 s; rinse off");

    ClosedKeyTest() {
        for (int i = 0; i < 3; i++) {
            SampleProduct.make(names.get(i), "sealant", LABELS.get(i), 500);
        }
    }

    /**
     * A study applied today and read. Codes, places and readings are the same however the products are dealt out.
     *
     * @param dealt which product is the first, second and third contender
     */
    private Study study(Bed bed, int... dealt) {
        List<Contender> contenders = new ArrayList<>();
        for (int product : dealt) {
            contenders.add(new Contender(
                    contenders.size(),
                    names.get(product),
                    product == 0 ? Role.REFERENCE : Role.PRODUCT,
                    product == 2 ? WaterKind.SHEETS : WaterKind.REPELS,
                    product == 1 ? Source.GIFTED : Source.BOUGHT));
        }
        contenders.add(new Contender(3, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
        List<Section> sections = new ArrayList<>();
        String codes = "ABCDEFGH";
        int[] lots = {2, 0, 1, 3, 0, 3, 2, 1};
        for (int i = 0; i < 8; i++) {
            sections.add(new Section(
                    codes.substring(i, i + 1),
                    lots[i],
                    1 + i / 4,
                    40 + 300 * (i % 4),
                    40 + 400 * (i / 4),
                    260,
                    340,
                    false));
        }
        long id = LiveApp.bean(NewStudyStore.class)
                .make(new StudyDraft(
                        "Which of these stays?",
                        bed,
                        LocalDate.now().minusDays(8),
                        4711,
                        contenders,
                        sections,
                        new Plan(
                                List.of(
                                        new Plan.Planned(Measures.PULL, 2),
                                        new Plan.Planned(Measures.DROP, 1),
                                        new Plan.Planned(Measures.LEFT_BEHIND, 1),
                                        new Plan.Planned(Measures.WATER_GRADE, 1)),
                                List.of(new Occasion(1, Stage.FRESH), new Occasion(8, Stage.REWETTED))),
                        List.of(
                                new Work("", 0, Calendar.Kind.APPLY, "Apply by lot", "bare", false),
                                new Work(
                                        "",
                                        8,
                                        Calendar.Kind.COAT,
                                        "Coat 2 of " + names.get(0),
                                        names.get(0) + " asks 12 h before the next layer.",
                                        false),
                                new Work("", 8, Calendar.Kind.CURE, "Cured", names.get(1) + " must keep dry.", false)),
                        UUID.randomUUID()));
        int[] number = new int[3];
        Study named = LiveApp.bean(Key.class)
                .forTheStandIns(LiveApp.bean(StudyStore.class).load(id));
        for (int product = 0; product < 3; product++) {
            number[product] = SampleStudy.number(named, names.get(product));
            LiveApp.bean(ApplicationStore.class)
                    .keep(new ApplicationStore.Draft(
                            id,
                            number[product],
                            0,
                            "",
                            LabelLine.readDose(product == 1 ? "9 mL per section" : "4 sprays per section")
                                    .dose(),
                            Optional.of(20.0 + 100 * product),
                            Optional.of(1),
                            UUID.randomUUID(),
                            "Ana"));
        }
        List<KeptReading> kept = new ArrayList<>();
        for (Section s : sections) {
            int lot = s.contender();
            for (Occasion at : List.of(new Occasion(1, Stage.FRESH), new Occasion(8, Stage.REWETTED))) {
                double pull = lot == 3
                        ? 18 + s.row() * 0.2
                        : 9 + lot * 1.3 + at.day() * 0.1 + s.row() * 0.2 + (lot * s.row()) % 3 * 0.1;
                List.of(
                                new Reading(s.code(), at.day(), at.stage(), 1, Measures.PULL.of(pull)),
                                new Reading(s.code(), at.day(), at.stage(), 2, Measures.PULL.of(pull + 0.3)),
                                new Reading(s.code(), at.day(), at.stage(), 1, Measures.DROP.of(1.5, 3 + lot * 0.1)),
                                new Reading(s.code(), at.day(), at.stage(), 1, Measures.LEFT_BEHIND.of(4 + lot)))
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
        return LiveApp.bean(StudyStore.class).load(id);
    }

    private static Bed bed() {
        return Bed.plain("Closed " + UUID.randomUUID(), Bed.Kind.BOARD, 1300, 900);
    }

    /** Every address of a study that can be looked at, found from the mapping table, so that a new one can't be forgotten. */
    private static List<String> addresses(Study study) {
        List<String> addresses = new ArrayList<>();
        LiveApp.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .keySet()
                .stream()
                .filter(m -> m.getMethodsCondition().getMethods().contains(RequestMethod.GET))
                .flatMap(m -> m.getPatternValues().stream())
                .filter(p -> p.startsWith("/studies/{id}") && !p.endsWith("/changes"))
                .flatMap(ClosedKeyTest::eachForm)
                .sorted()
                .forEach(pattern -> {
                    String address = pattern.replace("{id}", "" + study.id()).replace("{outcome}", "1");
                    switch (pattern.replace("/studies/{id}", "")) {
                        case "" -> {
                            for (Section s : study.record().sections()) {
                                for (String measure : List.of("pull", "drop", "left-behind", "grade")) {
                                    addresses.add(address + "?section=" + s.code() + "&measure=" + measure);
                                }
                            }
                            addresses.add(address + "?day=0");
                            addresses.add(address + "?day=1");
                        }
                        case "/verdict", "/verdict.json" ->
                            List.of("pull", "drop", "left-behind")
                                    .forEach(m -> addresses.add(address + "?measure=" + m));
                        case "/life", "/life.json" ->
                            List.of("pull&by=weeks", "grade&by=weeks", "pull&by=washes")
                                    .forEach(m -> addresses.add(address + "?measure=" + m));
                        case "/verdict/workings" ->
                            Stream.of("mean", "benefit", "retention", "place", "chance", "pair", "least")
                                    .flatMap(of -> Stream.of(0, 1, 2)
                                            .map(n ->
                                                    address + "?of=" + of + "&product=" + n + "&other=" + (n + 1) % 3))
                                    .forEach(addresses::add);
                        case "/run", "/clocks", "/progress" ->
                            List.of(0, 1, 8).forEach(day -> addresses.add(address + "?day=" + day));
                        case "/suppose" ->
                            addresses.add(
                                    address + "?day=8&stage=rewetted&section=A&measure=pull&repeat=3&amount=9.1&key="
                                            + UUID.randomUUID());
                        default -> addresses.add(address);
                    }
                });
        assertThat(addresses).hasSizeGreaterThan(60);
        return addresses;
    }

    /** A pattern for each form that its address can end in. */
    private static Stream<String> eachForm(String pattern) {
        Matcher forms = FORMS.matcher(pattern);
        return forms.find()
                ? Stream.of(forms.group(1).split("\\|")).map(f -> pattern.replace(forms.group(), f))
                : Stream.of(pattern);
    }

    private static final Pattern FORMS = Pattern.compile("\\{form:([a-z|]+)}");

    private static final Pattern PARTICULAR = Pattern.compile(
            "[0-9a-f]{8}-[0-9a-f-]{27}|/studies/\\d+|study-\\d+|correct=\\d+|readings/\\d+|DTSTAMP:\\w+|"
                    + "data-(now|revision|study)=\"\\d+\"|data-draft=\"(run/)?\\d+|study=\\d+|Closed [0-9a-f-]+|-[0-9a-f]{8}@");

    private static String seen(String address, String... headers) {
        HttpResponse<String> answer = Web.get(address, headers);
        // A tag's code holds the address of the study.
        String body = address.endsWith("/print") ? answer.body().replaceAll("(?s)<svg.*?</svg>", "") : answer.body();
        return answer.statusCode() + " "
                + PARTICULAR.matcher(body.replace("\r\n ", "")).replaceAll("#");
    }

    private static void apply(Study study, String... hands) {
        Web.post(
                "/studies/" + study.id() + "/run",
                Map.of("day", "8", "what", "names", "key", UUID.randomUUID().toString()),
                hands);
    }

    @Test
    void howeverTheProductsAreDealtOutEveryAddressShowsTheSame() {
        Bed bed = bed();
        Study one = study(bed, 0, 1, 2);
        Study other = study(bed, 2, 0, 1);
        Map<String, String> mine = new TreeMap<>();
        for (String address : addresses(one)) {
            mine.put(PARTICULAR.matcher(address).replaceAll("#"), seen(address, JUDGE));
        }
        for (String address : addresses(other)) {
            assertThat(seen(address, JUDGE))
                    .as(address)
                    .isEqualTo(mine.get(PARTICULAR.matcher(address).replaceAll("#")))
                    .doesNotContain(names);
        }
        assertThat(mine.values().stream().filter(a -> a.startsWith("200"))).hasSizeGreaterThan(60);
    }

    @Test
    void nothingOutsideTheStudyGivesItsNamesAwayEither() {
        Study study = study(bed(), 1, 0, 2);
        assertThat(Web.get("/beds/" + study.bed().id()).body())
                .contains("a product under a closed key")
                .doesNotContain(names);
        for (String address : List.of("/", "/calendar", "/studies", "/verdicts", "/beds")) {
            assertThat(Web.get(address).body()).as(address).doesNotContain(names);
        }
        String feed = Web.get("/calendar").body().replaceAll("(?s).*(/calendar/[0-9a-f-]{36}\\.ics).*", "$1");
        assertThat(Web.get(feed).body().replace("\r\n ", ""))
                .contains("A further coat")
                .doesNotContain(names);
        assertThat(Web.post(
                                "/studies/" + study.id() + "/copy",
                                Map.of("key", UUID.randomUUID().toString()))
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void aRehearsalSupposesNothingOfWhatAClosedStudySaw() {
        study(bed(), 0, 1, 2);
        Map<String, String> typed = SamplePlan.fair();
        typed.put("name0", names.get(0));
        typed.put("name1", names.get(1));
        long plan = SamplePlan.make(typed);
        assertThat(Web.get("/plans/" + plan + "/rehearsal").body()).doesNotContain("from “Which of these stays?”");
        long begun = SamplePlan.begin(plan);
        assertThat(Web.get("/plans/" + plan).headers().firstValue("Location"))
                .hasValueSatisfying(to -> assertThat(to).endsWith("/studies/" + begun));
        assertThat(Web.get("/plans/" + plan + "/rehearsal").body()).doesNotContain(names);
    }

    @Test
    void whoPutsProductsOnSeesThemForTodayAndThatIsKeptAndNobodyElseDoes() {
        Study study = study(bed(), 0, 2, 1);
        String sheet = "/studies/" + study.id() + "/run?day=8";
        assertThat(Web.get(sheet, HELPER).body()).contains("Who puts them on?").doesNotContain(names);
        apply(study, HELPER);
        assertThat(Web.get(sheet, HELPER).body()).contains(names.get(0));
        assertThat(Web.get(sheet, JUDGE).body()).as("not the judge").doesNotContain(names);
        assertThat(Web.get("/studies/" + study.id(), HELPER).body())
                .as("not elsewhere")
                .doesNotContain(names);
        assertThat(Web.get("/studies/" + study.id() + "/key").body())
                .contains("Helper: B, E, day 8, to put the products on");

        LiveApp.database()
                .sql("update names_seen set seen_at = seen_at - interval '1 day' where study_id = :id")
                .param("id", study.id())
                .update();
        LiveApp.database()
                .sql("update study set revision = revision + 1 where id = :id")
                .param("id", study.id())
                .update();
        assertThat(Web.get(sheet, HELPER).body()).as("on a later day").doesNotContain(names);
    }

    @Test
    void aFileHoldsTheNamesOnlyOnceTheyWereAskedFor() {
        Study study = study(bed(), 0, 1, 2);
        String zip = "/studies/" + study.id() + "/bundle.zip";
        assertThat(Web.get(zip, HELPER).statusCode()).isEqualTo(422);
        SampleStudy.see(study.id(), "file", 8, HELPER);
        assertThat(Web.get(zip, HELPER).statusCode()).isEqualTo(200);
        assertThat(Web.get(zip, JUDGE).statusCode()).isEqualTo(422);
    }

    @Test
    void gradesOfWhoHasSeenNamesAreNotBlindAndTheKeySaysSo() {
        Study study = study(bed(), 0, 1, 2);
        apply(study, HELPER);
        for (String[] hands : List.of(HELPER, JUDGE)) {
            Map<String, String> form = SampleStudy.firstPull(hands == HELPER ? "B" : "A", "3", UUID.randomUUID());
            form.putAll(Map.of("measure", "grade", "kind", "repels"));
            assertThat(Web.post("/studies/" + study.id() + "/capture", form, hands)
                            .statusCode())
                    .isEqualTo(200);
        }
        assertThat(Web.get("/studies/" + study.id() + "/key").body())
                .contains("A gift judged by eye with names known: thin at most. 1 of 2 readings by eye")
                .contains("stands for: Helper.");
    }

    @Test
    void openingTheKeyIsAskedOnceKeepsWhoAndChangesNoNumber() {
        Study study = study(bed(), 2, 1, 0);
        String key = "/studies/" + study.id() + "/key";
        String json = "/studies/" + study.id() + "/verdict.json";
        String before = Web.get(json).body();
        assertThat(before).contains("\"seed\":null");
        assertThat(Web.post(key, Map.of()).statusCode()).as("not knowingly").isEqualTo(422);
        assertThat(Web.get(key).body())
                .contains("Once it is open it stays open")
                .doesNotContain(names);
        Web.post(key, Map.of("knowingly", "yes"), HELPER);
        Web.post(key, Map.of("knowingly", "yes"), JUDGE);
        assertThat(Web.get(key).body()).contains("Opened by Helper, ").contains(names);
        String after = Web.get(json).body();
        assertThat(after).contains(names);
        assertThat(withoutNames(after)).isEqualTo(withoutNames(before));
        assertThat(Web.get("/studies/" + study.id() + "/done").body()).contains(names);
    }

    private static String withoutNames(String json) {
        return json.replaceAll("\"(name|better|worse|contender|seed|noSeed)\":(\"[^\"]*\"|null|\\d+)", "")
                .replaceAll("\"comparable\":\\[\\[.*?\\]\\]", "");
    }

    @Test
    void lotsOfABlindPlanAreDrawnOnceMoreAsItBeginsAndByHandIsKeptAsSeen() {
        Map<String, String> typed = SamplePlan.fair();
        typed.put("seed", "7");
        Study blind = LiveApp.bean(StudyStore.class).load(SamplePlan.begin(SamplePlan.make(typed)));
        assertThat(LiveApp.database()
                        .sql("select seed from study where id = :id")
                        .param("id", blind.id())
                        .query(Long.class)
                        .single())
                .isNotEqualTo(7);
        assertThat(blind.label(0).flatMap(l -> l.one(Claim.Wait.class))).isEmpty();
        typed.put("moves", "A:B");
        Study moved = LiveApp.bean(StudyStore.class).load(SamplePlan.begin(SamplePlan.make(typed)));
        assertThat(moved.seen())
                .singleElement()
                .satisfies(s -> assertThat(s.why()).isEqualTo(Seen.Why.PLANNING));
    }
}
