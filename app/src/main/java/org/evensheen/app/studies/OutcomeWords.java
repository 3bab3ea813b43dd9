package org.evensheen.app.studies;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.BlockModel;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.comparing.Kept;
import org.evensheen.core.comparing.Observers;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.evensheen.core.wear.Showed;

/** What a verdict's facts are called in words, wherever they are told. */
public final class OutcomeWords {
    private OutcomeWords() {}

    /** Why a number is not there, short enough for its place. */
    public static String why(Absent absent) {
        return switch (absent) {
            case NO_BARE_SECTION -> "no bare section";
            case BARE_NOT_READ -> "no bare reading that day";
            case BARE_NOT_COMPARABLE -> "shares no row with bare";
            case FIRST_READINGS -> "first readings: nothing to lose yet";
            case NOT_READ_WHEN_FRESH -> "not read when it was fresh";
            case NO_CONTROL_WHEN_FRESH -> "bare was not read on its fresh day";
            case WETTED_OTHERWISE -> "wetted in another way than when it was fresh";
            case NO_FIRST_EFFECT -> "no first effect that could be told from none";
            case MADE_WORSE -> "it made things worse than bare from the start";
            case SHEETS -> "it sheets: a drop's angle is no mark of it";
            case NOT_KEPT -> "no share is left of such a number";
            case AN_ORDER -> "a grade is an order, not an amount";
            case NO_SCATTER -> "nothing shows how much sections scatter";
        };
    }

    /** What a first effect was set against. */
    public static String control(Kept.Control control) {
        return switch (control) {
            case BARE -> "bare, read on each of the two days";
            case OWN_BEFORE -> "the same place before anything went on; day and temperature are in it";
        };
    }

    /** Where the scatter comes from. */
    public static String source(Verdict.Scatter scatter) {
        return scatter.borrowed()
                ? "borrowed from " + lenders(scatter.lenders())
                : scatter.bareOnly() ? "from the bare sections alone" : "from this study";
    }

    private static String lenders(List<HouseScatter.Lender> lenders) {
        return Figures.count(lenders.size(), "earlier study", "earlier studies") + " ("
                + lenders.stream()
                        .map(l -> "study %d on day %d".formatted(l.study(), l.day()))
                        .collect(Collectors.joining(", "))
                + ")";
    }

    /** What became of the rows; empty if there was nothing to take out. */
    public static String rows(BlockModel.Rows rows) {
        return switch (rows) {
            case NONE -> "";
            case TAKEN_OUT -> ", rows taken out";
            case LEFT_IN -> ", rows left in: too few sections to take them out";
        };
    }

    /** How far two people agree on the places that both read. */
    public static String observers(Measure measure, Observers o) {
        String read = "%s and %s both read %s: alike on %d."
                .formatted(o.one(), o.other(), Figures.count(o.places(), "place", "places"), o.alike());
        return o.difference() == 0
                ? read
                : read
                        + " %s reads %s %s on average."
                                .formatted(
                                        o.one(),
                                        Figures.size(measure, Math.abs(o.difference())),
                                        o.difference() > 0 ? "more" : "less");
    }

    /** What a visit showed, product by product: "Osier Spray Seal: A worn by 0.8 of 4; B masked by 2.0 of 4, came back when washed and rinsed." */
    public static List<String> showed(Study study, Measure measure, List<Showed> showed) {
        List<String> lines = new ArrayList<>();
        for (Contender c : study.record().contenders()) {
            String all = showed.stream()
                    .filter(s -> on(study, s).contender() == c.number())
                    .map(s -> s.section() + " " + showed(measure, s))
                    .collect(Collectors.joining("; "));
            if (!all.isEmpty()) {
                lines.add(c.name() + ": " + all + ".");
            }
        }
        lines.addAll(zones(study, measure, showed));
        return lines;
    }

    /** What a visit showed on a section. */
    public static String showed(Measure measure, Showed s) {
        String worn = "worn by " + Figures.score(measure, s.worn());
        String masked = "masked by %s, %s"
                .formatted(
                        Figures.score(measure, s.masked().orElse(0)),
                        s.back().map(b -> "came back when " + b.label()).orElse("not back"));
        return switch (s.state()) {
            case AS_FRESH -> "as fresh";
            case WORN -> worn;
            case MASKED -> masked;
            case BOTH -> masked + ", and " + worn;
        };
    }

    private static Section on(Study study, Showed s) {
        return study.record().section(s.section()).orElseThrow();
    }

    /** Parts of the bed that live differently, each against the rest. */
    private static List<String> zones(Study study, Measure measure, List<Showed> showed) {
        List<String> lines = new ArrayList<>();
        for (Zone.Kind kind : Zone.Kind.values()) {
            List<Zone> zones = study.bed().shape().zones().stream()
                    .filter(z -> z.kind() == kind)
                    .toList();
            List<Showed> in = showed.stream()
                    .filter(s -> zones.stream()
                            .anyMatch(z ->
                                    z.holds(on(study, s).middleX(), on(study, s).middleY())))
                    .toList();
            List<Showed> out = showed.stream().filter(s -> !in.contains(s)).toList();
            if (!in.isEmpty() && !out.isEmpty()) {
                lines.add("Where it is %s (%s): worn by %s on average, elsewhere %s%s."
                        .formatted(
                                kind.word(),
                                in.stream().map(Showed::section).sorted().collect(Collectors.joining(", ")),
                                Figures.score(measure, worn(in)),
                                Figures.score(measure, worn(out)),
                                masked(in).isPresent() && masked(out).isPresent()
                                        ? "; masked by %s, elsewhere %s"
                                                .formatted(
                                                        Figures.score(
                                                                measure,
                                                                masked(in).getAsDouble()),
                                                        Figures.score(
                                                                measure,
                                                                masked(out).getAsDouble()))
                                        : ""));
            }
        }
        return lines;
    }

    private static double worn(List<Showed> showed) {
        return showed.stream().mapToDouble(Showed::worn).average().orElse(0);
    }

    private static OptionalDouble masked(List<Showed> showed) {
        return showed.stream().flatMapToDouble(s -> s.masked().stream()).average();
    }

    /** What true difference would be told apart four times in five. */
    public static String toldApart(Measure measure, Verdict verdict) {
        if (verdict.ofAnOrder()) {
            double least = verdict.pairs().stream()
                    .mapToDouble(Verdict.Pair::adjusted)
                    .min()
                    .orElse(1);
            return verdict.pairs().stream().anyMatch(Verdict.Pair::apart)
                    ? "Grades are told apart by the lots alone: how often would they have differed as much, had the lots fallen otherwise?"
                    : "The lots alone could have brought forth what is seen here (p %s at best). More places each would tell more."
                            .formatted(Figures.p(least));
        }
        if (verdict.pairs().isEmpty()) {
            return verdict.scatter().isEmpty()
                    ? "No difference can be told: nothing here shows how much sections scatter."
                    : "No two products share a row, so none can be compared.";
        }
        String least = Figures.size(measure, verdict.leastToldApart().orElseThrow());
        String most = Figures.size(measure, verdict.mostToldApart().orElseThrow());
        return least.equals(most)
                ? "A true difference of %s between two products would be told apart four times in five."
                        .formatted(least)
                : "A true difference of %s to %s, by pair, would be told apart four times in five."
                        .formatted(least, most);
    }
}
