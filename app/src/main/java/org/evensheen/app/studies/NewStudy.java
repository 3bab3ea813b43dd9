package org.evensheen.app.studies;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.TypedNumber;
import org.evensheen.core.water.WaterKind;

/** Turns what was typed for a new study into a draft, or says at each field what is wrong. */
final class NewStudy {
    static final int MOST_PRODUCTS = 16;
    static final int MOST_EACH = 6;

    private NewStudy() {}

    /** What the form sends; nothing of it is lost when it comes back. */
    record Sent(
            String question,
            String bed,
            String width,
            String height,
            String each,
            String firstDay,
            String freshAfter,
            String every,
            String visits,
            List<String> name,
            List<String> kind,
            List<String> source,
            String reference,
            long seed,
            UUID key) {
        Sent {
            name = name == null ? List.of() : List.copyOf(name);
            kind = kind == null ? List.of() : List.copyOf(kind);
            source = source == null ? List.of() : List.copyOf(source);
        }

        static Sent blank(LocalDate today, long seed) {
            return new Sent(
                    "",
                    "",
                    "",
                    "",
                    "2",
                    today.toString(),
                    "1",
                    "7",
                    "8",
                    List.of("", "", ""),
                    List.of(),
                    List.of(),
                    "",
                    seed,
                    UUID.randomUUID());
        }
    }

    /**
     * What became of it.
     *
     * @param problems by field name; names of products are name0, name1, …
     * @param draft the study, if nothing is wrong
     * @param layout the sections as far as they can be drawn
     */
    record Outcome(
            Map<String, String> problems,
            Optional<StudyDraft> draft,
            List<Section> layout,
            double width,
            double height) {}

    static Outcome read(Sent sent, LocalDate today) {
        return new Reader(sent, today).read();
    }

    private static final class Reader {
        private final Sent sent;
        private final LocalDate today;
        private final Map<String, String> problems = new LinkedHashMap<>();

        Reader(Sent sent, LocalDate today) {
            this.sent = sent;
            this.today = today;
        }

        Outcome read() {
            String question = text("question", sent.question(), 200, "Ask the question this study is to answer.");
            String bed = text("bed", sent.bed(), 80, "Name the bed: a flank, a bonnet, a loose board.");
            double width = number("width", sent.width(), "bed's width", "mm", 200, 20_000);
            double height = number("height", sent.height(), "bed's height", "mm", 200, 20_000);
            int each = (int) number("each", sent.each(), "number of sections", "each", 1, MOST_EACH);
            int freshAfter = (int) number("freshAfter", sent.freshAfter(), "cure", "days", 0, 60);
            int every = (int) number("every", sent.every(), "pace of visits", "days", 1, 90);
            int visits = (int) number("visits", sent.visits(), "number of visits", "visits", 0, 60);
            Optional<LocalDate> firstDay = firstDay();
            List<Contender> contenders = contenders();
            List<Section> layout = List.of();
            int products = contenders.size() - 1;
            if (products >= 1 && width > 0 && height > 0 && each > 0) {
                layout = layout(width, height, products, each);
            }
            Optional<StudyDraft> draft = problems.isEmpty()
                    ? Optional.of(new StudyDraft(
                            question,
                            Bed.plain(bed, Bed.Kind.OTHER, width, height),
                            firstDay.orElseThrow(),
                            sent.seed(),
                            contenders,
                            layout,
                            plan(freshAfter, every, visits),
                            sent.key()))
                    : Optional.empty();
            return new Outcome(problems, draft, layout, width, height);
        }

        private String text(String field, String typed, int longest, String wanting) {
            String text = typed == null ? "" : typed.strip();
            if (text.isEmpty()) {
                problems.put(field, wanting);
            } else if (text.length() > longest) {
                problems.put(field, "That has %d characters; %d is the most.".formatted(text.length(), longest));
            }
            return text;
        }

        private double number(String field, String typed, String what, String unit, double lowest, double highest) {
            TypedNumber read = TypedNumber.read(typed == null ? "" : typed, what, unit, lowest, highest);
            if (read instanceof TypedNumber.Read value) {
                if (!unit.equals("mm") && value.value() != Math.rint(value.value())) {
                    problems.put(field, "Type a whole number.");
                }
                return value.value();
            }
            problems.put(field, ((TypedNumber.Refused) read).message());
            return 0;
        }

        private Optional<LocalDate> firstDay() {
            try {
                LocalDate day = LocalDate.parse(
                        sent.firstDay() == null ? "" : sent.firstDay().strip());
                if (day.isBefore(today.minusYears(9)) || day.isAfter(today.plusYears(1))) {
                    problems.put("firstDay", "Choose a first day within nine years back and one year ahead.");
                }
                return Optional.of(day);
            } catch (DateTimeParseException e) {
                problems.put("firstDay", "Write the first day like %s.".formatted(today));
                return Optional.empty();
            }
        }

        private List<Contender> contenders() {
            List<Contender> contenders = new ArrayList<>();
            Set<String> seen = new HashSet<>();
            for (int i = 0; i < sent.name().size(); i++) {
                String name = sent.name().get(i).strip();
                if (name.isEmpty()) {
                    continue;
                }
                if (name.length() > 80) {
                    problems.put("name" + i, "That has %d characters; 80 is the most.".formatted(name.length()));
                }
                if (!seen.add(name.toLowerCase(Locale.ROOT))) {
                    problems.put("name" + i, "“%s” stands twice. One product, one line.".formatted(name));
                }
                contenders.add(new Contender(
                        contenders.size(),
                        name,
                        String.valueOf(i).equals(sent.reference()) ? Role.REFERENCE : Role.PRODUCT,
                        WaterKind.ofCode(at(sent.kind(), i)).orElse(WaterKind.REPELS),
                        source(at(sent.source(), i))));
            }
            if (contenders.size() < 2) {
                problems.put("name0", "Name two products or more; one alone can't be set against anything.");
            }
            if (contenders.size() > MOST_PRODUCTS) {
                problems.put(
                        "name0",
                        "%d products are too many for one pair of hands; %d is the most."
                                .formatted(contenders.size(), MOST_PRODUCTS));
                return List.of(new Contender(0, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
            }
            contenders.add(new Contender(contenders.size(), "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
            return contenders;
        }

        private List<Section> layout(double width, double height, int products, int each) {
            try {
                return Layout.draw(Layout.Ask.filling(
                                BedShape.rectangle(width, height),
                                java.util.Collections.nCopies(products + 1, each),
                                sent.seed()))
                        .sections();
            } catch (Layout.TooSmall e) {
                problems.put("width", String.valueOf(e.getMessage()));
                return List.of();
            }
        }

        private static Plan plan(int freshAfter, int every, int visits) {
            List<Occasion> occasions = new ArrayList<>();
            occasions.add(new Occasion(0, Stage.BARE));
            occasions.add(new Occasion(freshAfter, Stage.FRESH));
            for (int i = 1; i <= visits; i++) {
                occasions.add(new Occasion(freshAfter + i * every, Stage.REWETTED));
            }
            return new Plan(
                    List.of(
                            new Planned(Measure.DROP, 2),
                            new Planned(Measure.LEFT_BEHIND, 1),
                            new Planned(Measure.WATER_GRADE, 1),
                            new Planned(Measure.PULL, 3)),
                    occasions);
        }

        private static String at(List<String> values, int i) {
            return i < values.size() ? values.get(i) : "";
        }

        private static Source source(String code) {
            return java.util.stream.Stream.of(Source.values())
                    .filter(s -> s.name().toLowerCase(Locale.ROOT).equals(code))
                    .findFirst()
                    .orElse(Source.UNDISCLOSED);
        }
    }
}
