package org.evensheen.app.answers;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.labels.Entrants;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.lives.Living;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.core.answer.Advice;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.answer.Worth;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.wear.Curves;
import org.evensheen.core.wear.Wear;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes the report of a study whose key is open. */
@Component
class Reporting {
    private final Answering answering;
    private final Living living;
    private final ProductStore products;
    private final OverruledStore overruled;
    private final JsonMapper json;

    Reporting(Answering answering, Living living, ProductStore products, OverruledStore overruled, JsonMapper json) {
        this.answering = answering;
        this.living = living;
        this.products = products;
        this.overruled = overruled;
        this.json = json;
    }

    /** The report as of a day, for a reader by their code or the first, with its seal. */
    Report of(Study study, LocalDate today, String reader) {
        int day = Math.max(0, (int) java.time.temporal.ChronoUnit.DAYS.between(study.firstDay(), today));
        OverruledStore.Aside aside = overruled.aside(Matter.study(study.id()));
        Answer answer = answering.of(study, day, new Purse(aside.rates(), Optional.empty()));
        Profile profile = aside.reader(reader);
        AnswerWords words = new AnswerWords(study, answer);
        Weighed weighed = answer.forReader(profile);
        Worth worth = Worths.of(answer, profile);
        List<Product> shelf = products.allNamed(Entrants.names(study.record().contenders()));
        Report report = new Report(
                Report.FORMAT,
                study.question(),
                study.bed().name(),
                study.firstDay().toString(),
                day,
                profile.name(),
                words.first(weighed),
                words.rest(weighed, worth),
                new Report.Trust(
                        answer.footing().word(),
                        answer.footing().meaning(),
                        answer.findings().stream()
                                .map(f -> "%s (%s at most). %s"
                                        .formatted(
                                                f.kind().title(),
                                                f.kind().atMost().word(),
                                                f.numbers()))
                                .toList()),
                places(words, weighed, answer),
                readers(aside, words, answer),
                answer.scales().stream()
                        .map(s -> "%s: %s; %s.".formatted(s.quality().label(), words.source(s), words.ends(s)))
                        .toList(),
                worth.points().stream()
                        .map(p -> "%s: %s%s."
                                .formatted(
                                        words.name(p.contender()),
                                        words.cost(p),
                                        p.edge() ? "; nothing is both cheaper and better" : ""))
                        .toList(),
                advice(aside, words, answer, profile),
                living.promises(study, keeps(study), today),
                words.missing(weighed),
                method(study),
                study.record().deviations().stream().map(Reporting::deviation).toList(),
                disclosure(study),
                cautions(shelf),
                new TreeMap<>(Map.of("verdict", Verdict.METHOD, "wear", Wear.METHOD)),
                readings(study),
                "");
        return report.sealed(hash(json.writeValueAsString(report)));
    }

    private static Measure keeps(Study study) {
        return study.record().plan().measures().stream()
                .map(p -> p.measure())
                .filter(Curves::keeps)
                .findFirst()
                .orElse(Measures.PULL);
    }

    private static List<Report.Place> places(AnswerWords words, Weighed weighed, Answer answer) {
        return weighed.lines().stream()
                .map(l -> {
                    Map<String, Double> scores = new TreeMap<>();
                    for (QualityScale s : answer.scales()) {
                        Optional.ofNullable(s.scores().get(l.contender()))
                                .ifPresent(x -> scores.put(s.quality().code(), rounded(x.score())));
                    }
                    return new Report.Place(
                            l.place(),
                            words.name(l.contender()),
                            rounded(l.total()),
                            rounded(l.interval().low()),
                            rounded(l.interval().high()),
                            rounded(l.chances().get(0)),
                            scores);
                })
                .toList();
    }

    /** Four decimals, so that the same report has the same seal on every machine. */
    private static double rounded(double value) {
        return Math.round(value * 1e4) / 1e4;
    }

    /** What it comes to for each reader. */
    static List<Report.Reader> readers(OverruledStore.Aside aside, AnswerWords words, Answer answer) {
        return aside.readers().stream()
                .map(p -> new Report.Reader(p.name(), words.forReader(answer.forReader(p))))
                .toList();
    }

    /** What follows for a reader, and what the reviewer says against it. */
    static List<Report.Advised> advice(OverruledStore.Aside aside, AnswerWords words, Answer answer, Profile profile) {
        return Advice.of(
                        answer.forReader(profile),
                        aside.readers().stream().map(answer::forReader).toList(),
                        Worths.of(answer, profile),
                        answer.footing())
                .stream()
                .map(a -> new Report.Advised(
                        words.name(a.contender()),
                        AnswerWords.word(a.kind()),
                        words.advice(a),
                        Optional.ofNullable(aside.said().get(a.contender()))
                                .map(o -> "%s (%s): %s".formatted(o.advice().replace('-', ' '), o.by(), o.reason()))
                                .orElse("")))
                .toList();
    }

    /** How it was done, in plain words. */
    private static List<String> method(Study study) {
        List<String> lines = new ArrayList<>();
        lines.add("%s on %s, %s; which went where was drawn by lot%s."
                .formatted(
                        Figures.count(
                                study.record().contenders().stream()
                                        .filter(c -> !c.isControl())
                                        .count(),
                                "product",
                                "products"),
                        Figures.count(study.record().sections().size(), "section", "sections"),
                        study.bed().name(),
                        study.record().sections().stream().anyMatch(s -> s.byHand())
                                ? ", but some were placed by hand"
                                : ""));
        lines.add("Read: "
                + study.record().plan().measures().stream()
                        .map(p -> "%s, %s a section"
                                .formatted(p.measure().words().at(), Figures.count(p.repeats(), "time", "times")))
                        .collect(Collectors.joining("; "))
                + ".");
        lines.add("%s of %s."
                .formatted(
                        Figures.count(study.record().readings().size(), "reading", "readings"),
                        Figures.count(
                                study.record().readings().stream()
                                        .map(r -> r.at().day())
                                        .distinct()
                                        .count(),
                                "day",
                                "days")));
        lines.add(
                "Repeats within a section are one number; sections are what is compared, rows taken out; products that can't be told apart share a place. Intervals hold in 95 of 100 studies like this one.");
        lines.add(
                "On the scale 0 is the bare section and 100 the reference product; qualities are added up by what matters to the reader, and chances count 10 000 seeded draws.");
        return lines;
    }

    private static String deviation(Deviation d) {
        return "Day %d%s: %s"
                .formatted(
                        d.day(),
                        d.section().map(s -> ", " + s).orElse(""),
                        d.words().isEmpty() ? d.kind().label() + "." : d.words());
    }

    private static List<String> disclosure(Study study) {
        return study.record().contenders().stream()
                .filter(c -> !c.isControl())
                .map(c -> "%s: %s.".formatted(c.name(), came(c)))
                .toList();
    }

    private static String came(Contender c) {
        return switch (c.source()) {
            case BOUGHT -> "bought by the reviewer";
            case GIFTED -> "given to the reviewer";
            case LENT -> "lent to the reviewer";
            case SPONSORED -> "paid for by its maker or seller";
            case UNDISCLOSED -> "how it was come by was not told";
        };
    }

    static List<String> cautions(List<Product> shelf) {
        List<String> lines = new ArrayList<>();
        lines.add(
                "Follow the maker's label and safety data sheet; local rules on water and run-off win; licensed trades do what is theirs. Try an unknown product on a hidden spot first.");
        shelf.stream().sorted(Comparator.comparing(Product::name)).forEach(p -> {
            TreeSet<Hazard> hazards = new TreeSet<>(p.hazards());
            if (!hazards.isEmpty()) {
                Cautions c = Cautions.of(hazards);
                lines.add("%s: %s%s%s"
                        .formatted(
                                p.name(),
                                String.join(" ", c.what()),
                                c.wear().isEmpty() ? "" : " " + c.wear(),
                                c.never().isEmpty() ? "" : " " + String.join(" ", c.never())));
            }
        });
        return lines;
    }

    /** Hash of all readings that stand, in a fixed order. */
    private static String readings(Study study) {
        return hash(study.readings().stream()
                .filter(KeptReading::stands)
                .map(k -> "%s|%d|%s|%s|%d|%s"
                        .formatted(
                                k.reading().section(),
                                k.occasion().day(),
                                k.occasion().look().code(),
                                k.reading().measure().code(),
                                k.reading().repeat(),
                                k.reading().seen().values()))
                .sorted()
                .collect(Collectors.joining("\n")));
    }

    static String hash(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
