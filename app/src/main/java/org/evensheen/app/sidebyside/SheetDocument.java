package org.evensheen.app.sidebyside;

import java.time.Instant;
import java.util.List;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.sidebyside.Sheet;
import org.jspecify.annotations.Nullable;

/** The sheet for programs; docs/formats.md describes it. */
record SheetDocument(
        String format,
        String kind,
        String shape,
        Instant begun,
        List<String> contenders,
        List<PlaceEntry> places,
        List<RowEntry> rows,
        List<SpentEntry> spent,
        String trust,
        List<String> doubts,
        @Nullable HelpEntry help,
        List<SteadyEntry> steadiness,
        List<AgreementEntry> agreement,
        List<SaidEntry> said) {
    static final String FORMAT = "even-sheen-side-by-side/1";

    record PlaceEntry(String code, int round, String name, int contender, boolean byHand) {}

    record RowEntry(
            String question,
            String outcome,
            @Nullable String measure,
            @Nullable String unit,
            int ballots,
            List<StandingEntry> standings) {}

    record StandingEntry(
            int contender,
            List<String> seen,
            int wins,
            int asked,
            @Nullable Double chanceOfFirst) {}

    record SpentEntry(
            int contender,
            @Nullable Double ml,
            @Nullable String cost,
            @Nullable Double staysSeconds,
            @Nullable Double timesLabel) {}

    record SteadyEntry(String by, int twice, int alike, double low, double high, double chance, boolean used) {}

    record AgreementEntry(String question, List<String> people, int both, int alike, double chance, double least) {}

    record HelpEntry(String remedy, long minutes, String from, String to) {}

    record SaidEntry(String step, String value, String by, boolean knew, Instant at) {}

    static SheetDocument of(Comparison c, Sheet sheet) {
        return new SheetDocument(
                FORMAT,
                c.kind().code(),
                SheetWords.lower(c.shape()),
                c.begun(),
                c.contenders().stream().map(x -> x.name()).toList(),
                c.places().stream()
                        .map(p -> new PlaceEntry(p.code(), p.row(), p.name(), p.contender(), p.byHand()))
                        .toList(),
                sheet.rows().stream().map(SheetDocument::row).toList(),
                sheet.spent().stream().map(SheetDocument::spent).toList(),
                SheetWords.lower(sheet.trust()),
                sheet.doubts().stream().map(SheetWords::lower).toList(),
                sheet.help()
                        .map(h -> new HelpEntry(
                                SheetWords.lower(h.remedy()),
                                h.minutes(),
                                SheetWords.lower(h.from()),
                                SheetWords.lower(h.to())))
                        .orElse(null),
                sheet.steadiness().stream()
                        .map(s -> new SteadyEntry(
                                s.by(),
                                s.twice(),
                                s.alike(),
                                s.share().low(),
                                s.share().high(),
                                s.chance(),
                                s.counts()))
                        .toList(),
                sheet.agreement().stream()
                        .map(a -> new AgreementEntry(
                                a.question().code(), a.people(), a.both(), a.alike(), a.chance(), a.least()))
                        .toList(),
                c.said().stream().map(SheetDocument::said).toList());
    }

    private static SpentEntry spent(Sheet.Spent s) {
        return new SpentEntry(
                s.contender(),
                s.ml().isPresent() ? s.ml().getAsDouble() : null,
                s.cost().map(m -> m.print()).orElse(null),
                s.staysSeconds().isPresent() ? s.staysSeconds().getAsDouble() : null,
                s.departure().map(d -> d.factor()).orElse(null));
    }

    private static RowEntry row(Sheet.Row r) {
        return new RowEntry(
                r.question().code(),
                SheetWords.lower(r.outcome()),
                r.told().map(m -> m.code()).orElse(null),
                r.told().map(m -> m.scoreUnit()).orElse(null),
                r.ballots(),
                r.standings().stream()
                        .map(s -> new StandingEntry(
                                s.contender(),
                                s.seen().stream().map(o -> o.line()).toList(),
                                s.wins(),
                                s.asked(),
                                s.chance().isPresent() ? Math.round(s.chance().getAsDouble() * 1e4) / 1e4 : null))
                        .toList());
    }

    private static SaidEntry said(Said s) {
        return new SaidEntry(s.step(), s.value(), s.by(), s.knew(), s.at());
    }
}
