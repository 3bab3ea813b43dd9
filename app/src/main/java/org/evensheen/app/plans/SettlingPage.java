package org.evensheen.app.plans;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.OptionalInt;
import org.evensheen.app.page.Figures;
import org.evensheen.core.label.Claim;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol;
import org.evensheen.core.wear.Settling;
import org.springframework.stereotype.Component;

/** When a plan of weeks would settle what its labels promise. */
@Component
class SettlingPage {
    /** So many promises are rehearsed, and so many visits of each. */
    private static final int PROMISES = 6;

    private static final int VISITS = 30;
    private static final double DAYS = 7;

    /** The same question has the same answer. */
    private final Cache<Asked, Settling> known =
            Caffeine.newBuilder().maximumSize(100).build();

    private record Asked(int sections, int everyDays, int visits, double weeks) {}

    /** A promise with what it would take. */
    record Line(String name, String promise, String sentence) {}

    List<Line> of(Design design) {
        if (!(design.protocol().wear() instanceof Protocol.Weeks weeks)) {
            return List.of();
        }
        return design.entrants().stream()
                .filter(e -> !e.contender().isControl())
                .filter(e -> design.counts().get(e.contender().number()) > 0)
                .flatMap(e -> claim(e).stream().map(c -> line(design, weeks, e, c)))
                .limit(PROMISES)
                .toList();
    }

    private static List<Claim.Lasts> claim(Entrant entrant) {
        return entrant.layers().stream()
                .limit(1)
                .flatMap(l -> l.label().one(Claim.Lasts.class).stream())
                .toList();
    }

    private Line line(Design design, Protocol.Weeks weeks, Entrant entrant, Claim.Lasts claim) {
        double promised = claim.weeks().low();
        int enough = (int) Math.ceil(Settling.LONG * promised * DAYS / weeks.everyDays());
        int visits = Math.min(VISITS, Math.max(weeks.visits(), enough));
        Settling settling = known.get(
                new Asked(design.counts().get(entrant.contender().number()), weeks.everyDays(), visits, promised),
                a -> Settling.rehearse(a.sections, a.everyDays / DAYS, a.visits, a.weeks, 1));
        return new Line(
                entrant.contender().name(),
                "“%s”".formatted(claim.print()),
                "If it lasts half as long, that is settled %s. If it lasts half as long again, %s."
                        .formatted(
                                by(settling, settling.fallsShortBy(), weeks),
                                by(settling, settling.holdsUpBy(), weeks)));
    }

    private static String by(Settling settling, OptionalInt visit, Protocol.Weeks weeks) {
        if (visit.isEmpty()) {
            return "not within %s".formatted(Figures.count(settling.steps().size(), "visit", "visits"));
        }
        int more = visit.getAsInt() - weeks.visits();
        return "by visit %d, week %s%s"
                .formatted(
                        visit.getAsInt(),
                        Figures.compact(visit.getAsInt() * settling.everyWeeks(), 3),
                        more > 0
                                ? ", %s more than this plan has".formatted(Figures.count(more, "visit", "visits"))
                                : "");
    }
}
