package org.evensheen.app.runsheet;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.labels.Entrants;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Units;
import org.evensheen.app.plans.ForecastStore;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Seen;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.RunDay;
import org.evensheen.core.runsheet.RunSheet;
import org.evensheen.core.schedule.HandJob;
import org.evensheen.core.schedule.HandPlan;
import org.evensheen.core.schedule.PairOfHands;
import org.springframework.stereotype.Component;

/** Makes the sheet of a study's day from what is stored. */
@Component
class RunMaker {
    private final StudyStore studies;
    private final RunStore store;
    private final ProductStore products;
    private final ForecastStore forecasts;
    private final Key names;
    private final Clock clock;

    /** The same jobs have the same plan. */
    private final Cache<Asked, HandPlan> plans =
            Caffeine.newBuilder().maximumSize(300).build();

    private record Asked(List<HandJob> jobs, double busy) {}

    RunMaker(
            StudyStore studies,
            RunStore store,
            ProductStore products,
            ForecastStore forecasts,
            Key names,
            Clock clock) {
        this.studies = studies;
        this.store = store;
        this.products = products;
        this.forecasts = forecasts;
        this.names = names;
        this.clock = clock;
    }

    Instant now() {
        return clock.instant();
    }

    /**
     * The sheet of a day; of today, or the day nearest to it that has work, if none is asked for. What is put on which section is left out
     * for hands that may not know it.
     */
    Run make(long id, Optional<Integer> asked, Hands hands) {
        Study shown = studies.load(id);
        int today = shown.dayOf(clock);
        int day = asked.orElse(Math.max(0, today));
        if (day < 0 || day > 3660) {
            throw new Missing("There is no day %d. Days count from 0, %s.".formatted(day, shown.firstDay()));
        }
        Optional<Study> named = names.named(shown, day, Seen.Why.APPLYING, hands);
        Study study = names.forReckoning(shown);
        List<Entrant> entrants = named.isPresent()
                ? study.entrants()
                : study.entrants().stream().map(Entrant::unnamed).toList();
        RunStore.Kept kept = store.load(id, day);
        List<String> dosed = chemicals(study, day);
        List<Product> known = products.allNamed(dosed);
        Entrants shelf = new Entrants(known);
        Instant now = clock.instant();
        boolean outdoors = study.bed().kind() != Bed.Kind.BOARD;
        Optional<ForecastStore.Turn> turn = outdoors && day == today
                ? forecasts.turn(kept.forecast(), Entrant.limits(study.entrants()))
                : Optional.empty();
        Optional<ForecastStore.Turn> dusk = kept.air()
                .flatMap(a -> a.site().dark())
                .filter(now::isBefore)
                .map(at -> new ForecastStore.Turn(at, "The light goes at %s.".formatted(Times.clock(at, now))));
        Optional<ForecastStore.Turn> limit =
                Stream.of(turn, dusk).flatMap(Optional::stream).min(Comparator.comparing(ForecastStore.Turn::at));
        RunDay input = new RunDay(
                study.record(),
                day,
                study.works(),
                entrants,
                dosed.stream()
                        .filter(name -> known.stream().anyMatch(p -> p.name().equalsIgnoreCase(name)))
                        .map(shelf::layer)
                        .toList(),
                kept.taken().stream().map(RunStore.Taken::mark).toList(),
                kept.coatedAt(),
                kept.air(),
                limit.map(ForecastStore.Turn::at),
                now,
                Units.now());
        RunSheet sheet = RunSheet.of(
                input, (jobs, busy) -> plans.get(new Asked(jobs, busy), a -> PairOfHands.plan(a.jobs(), a.busy())));
        return new Run(
                named.orElse(shown),
                day,
                today,
                input,
                named.isPresent() ? sheet : sheet.withoutActs(),
                kept,
                known,
                limit.map(ForecastStore.Turn::words),
                named.isPresent() ? List.of() : sheet.acts());
    }

    /** Names that the day's doses may mean: "Dose: X on every section", "Dose: first section X, second section Y". */
    private static List<String> chemicals(Study study, int day) {
        return study.works().stream()
                .filter(w -> w.day() == day && w.kind() == Calendar.Kind.DOSE)
                .flatMap(w -> java.util.Arrays.stream(
                        w.title().replaceFirst("^Dose: ", "").split(", ")))
                .map(part -> part.replaceFirst(" on every section$", "").replaceFirst("^\\S+ section ", ""))
                .map(String::strip)
                .filter(name -> !name.isEmpty() && name.toLowerCase(Locale.ROOT).length() <= 80)
                .distinct()
                .toList();
    }
}
