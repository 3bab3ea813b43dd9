package org.evensheen.app.league;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.evensheen.app.answers.Answering;
import org.evensheen.app.sidebyside.Telling;
import org.evensheen.app.sidebyside.Tellings;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.study.Stage;
import org.evensheen.core.wear.Wear;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/** Goes through studies that have moved on, in the background, and keeps what they add to the league. Several copies of the application may do so at once. */
@Component
class Findings {
    private static final Logger LOG = LoggerFactory.getLogger(Findings.class);
    /** Raised whenever the same study could add something else. */
    private static final int OWN = 2;

    static final int METHOD = 100 * OWN + 10 * Verdict.METHOD + Wear.METHOD;
    private static final int AT_ONCE = 5;
    /** Below so many degrees of freedom an interval is too wide to be taken for a normal one. */
    private static final double LEAST_FREEDOM = 2.5;

    /** How differences are told. */
    static final String TIMES = "times";

    static final String SHARE = "share";

    private final FindingStore store;
    private final Tellings tellings;
    private final StudyStore studies;
    private final Judging judging;
    private final Answering answering;
    private final Clock clock;
    private final long everySeconds;
    private final ScheduledExecutorService rounds = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "league");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });

    Findings(
            FindingStore store,
            Tellings tellings,
            StudyStore studies,
            Judging judging,
            Answering answering,
            Clock clock,
            @Value("${even-sheen.league-seconds}") long everySeconds) {
        this.store = store;
        this.tellings = tellings;
        this.studies = studies;
        this.judging = judging;
        this.answering = answering;
        this.clock = clock;
        this.everySeconds = everySeconds;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        if (everySeconds > 0) {
            rounds.scheduleWithFixedDelay(this::round, 1, everySeconds, TimeUnit.SECONDS);
        }
    }

    @PreDestroy
    void end() {
        rounds.shutdownNow();
    }

    private void round() {
        try {
            refresh();
        } catch (RuntimeException e) {
            // The next round tries again: the database may just be away.
            LOG.debug("The league could not be brought up to date", e);
        }
    }

    /** Goes through some studies that have moved on; gives how many. */
    int refresh() {
        List<Long> stale = store.stale(METHOD, AT_ONCE);
        for (long id : stale) {
            Study study = studies.load(id);
            if (!study.judgedByCode()) {
                keep(study);
            }
        }
        List<FindingStore.Moved> moved = store.moved(METHOD, AT_ONCE);
        moved.forEach(this::keep);
        return stale.size() + moved.size();
    }

    private void keep(FindingStore.Moved comparison) {
        FindingStore.Source source = FindingStore.Source.comparison(comparison.id());
        FindingStore.Answered answered;
        List<FindingStore.Finding> findings;
        try {
            Telling told = tellings.of(comparison.id());
            answered = new FindingStore.Answered(
                    source,
                    comparison.revision(),
                    told.sentence(),
                    tellings.footing(comparison.id()).word(),
                    told.day());
            findings = tellings.found(comparison.id()).stream()
                    .filter(f -> f.drawn().freedom() >= LEAST_FREEDOM)
                    .map(f -> new FindingStore.Finding(
                            f.quality(),
                            f.alike(),
                            new FindingStore.Document(
                                    told.question(),
                                    told.what(),
                                    "",
                                    f.asTimes() ? TIMES : "",
                                    f.names(),
                                    f.drawn().means().stream()
                                            .map(m -> m.value())
                                            .toList(),
                                    widened(f.drawn(), 1))))
                    .toList();
        } catch (DataAccessException e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.warn("Comparison {} adds nothing to the league", comparison.id(), e);
            answered = new FindingStore.Answered(source, comparison.revision(), "", "anecdote", LocalDate.now(clock));
            findings = List.of();
        }
        store.keep(answered, METHOD, findings);
    }

    /** Covariances in a unit; t of few degrees of freedom by a normal of its variance. */
    private static List<List<Double>> widened(Drawn d, double unit) {
        double wider = d.freedom() / (d.freedom() - 2);
        return Arrays.stream(d.covariance())
                .map(row -> Arrays.stream(row)
                        .mapToObj(c -> c * wider / unit / unit)
                        .toList())
                .toList();
    }

    private void keep(Study study) {
        int today = Math.max(0, study.dayOf(clock));
        FindingStore.Answered answered;
        List<FindingStore.Finding> findings;
        try {
            Answering.Told told = answering.told(study, today);
            answered = new FindingStore.Answered(
                    FindingStore.Source.study(study.id()),
                    study.revision(),
                    told.sentence(),
                    told.footing().word(),
                    study.dateOf(Math.min(today, last(study))));
            findings = findings(study, today);
        } catch (DataAccessException e) {
            throw e;
        } catch (RuntimeException e) {
            // A study that can't be worked out is gone past, or it would keep all others waiting.
            LOG.warn("Study {} adds nothing to the league", study.id(), e);
            answered = new FindingStore.Answered(
                    FindingStore.Source.study(study.id()),
                    study.revision(),
                    "",
                    "anecdote",
                    study.dateOf(Math.min(today, last(study))));
            findings = List.of();
        }
        store.keep(answered, METHOD, findings);
    }

    private static int last(Study study) {
        return study.record().readings().stream()
                .mapToInt(r -> r.at().day())
                .max()
                .orElse(0);
    }

    private List<FindingStore.Finding> findings(Study study, int today) {
        List<FindingStore.Finding> all = new ArrayList<>();
        for (var planned : study.record().plan().measures()) {
            Measure measure = planned.measure();
            measure.quality().flatMap(q -> finding(study, measure, q, today)).ifPresent(all::add);
        }
        life(study, today).ifPresent(all::add);
        return all;
    }

    private Optional<FindingStore.Finding> finding(Study study, Measure measure, Quality quality, int today) {
        int day = Answering.judgedOn(study, measure, today);
        boolean first = study.record()
                .judgedBy(day, measure)
                .filter(at -> at.stage() == Stage.FRESH)
                .isPresent();
        if (!first) {
            return Optional.empty();
        }
        // Grades have no unit that two studies share.
        Optional<Drawn> drawn = Optional.of(measure)
                .filter(m -> m.scale().linear())
                .flatMap(m -> judging.drawn(study, m, day))
                .filter(d -> d.freedom() >= LEAST_FREEDOM);
        // A share of bare is the same whatever the sled weighs; a difference in the score unit, or of logarithms, as it
        // is.
        Optional<Double> unit =
                measure.benefitIsShare() ? drawn.flatMap(Drawn::bare).map(Math::abs) : Optional.of(1.0);
        if (drawn.isEmpty() || unit.filter(u -> u > 0).isEmpty()) {
            return Optional.empty();
        }
        Drawn d = drawn.get();
        double u = unit.get();
        return Optional.of(new FindingStore.Finding(
                quality,
                "%s, first readings%s"
                        .formatted(
                                measure.words().at(),
                                Optional.of(day)
                                        .filter(on -> measure.wetted())
                                        .flatMap(study.record()::wettedOn)
                                        .map(w -> ", wetted by " + w.label())
                                        .orElse("")),
                document(
                        study,
                        measure.benefitIsShare() ? SHARE : measure.scale() == Scale.LOG ? TIMES : "",
                        d.products(),
                        d.means().stream().map(m -> m.value() / u).toList(),
                        widened(d, u))));
    }

    private Optional<FindingStore.Finding> life(Study study, int today) {
        Map<Integer, double[]> lives = answering.lives(study, today);
        List<Integer> products = lives.entrySet().stream()
                .filter(e -> spread(e.getValue()) > 1e-9)
                .map(Map.Entry::getKey)
                .toList();
        if (products.size() < 2) {
            return Optional.empty();
        }
        List<double[]> draws = products.stream().map(lives::get).toList();
        double[] means = draws.stream()
                .mapToDouble(d -> Arrays.stream(d).average().orElse(0))
                .toArray();
        List<List<Double>> covariance = IntStream.range(0, means.length)
                .mapToObj(i -> IntStream.range(0, means.length)
                        .mapToObj(j -> covariance(draws.get(i), means[i], draws.get(j), means[j]))
                        .toList())
                .toList();
        return Optional.of(new FindingStore.Finding(
                Quality.LIFE,
                "weeks until a quarter is left",
                document(study, TIMES, products, Arrays.stream(means).boxed().toList(), covariance)));
    }

    private static double spread(double[] draws) {
        double mean = Arrays.stream(draws).average().orElse(0);
        return covariance(draws, mean, draws, mean);
    }

    private static double covariance(double[] one, double oneMean, double[] other, double otherMean) {
        double sum = 0;
        for (int d = 0; d < one.length; d++) {
            sum += (one[d] - oneMean) * (other[d] - otherMean);
        }
        return sum / (one.length - 1);
    }

    private static FindingStore.Document document(
            Study study, String told, List<Integer> products, List<Double> means, List<List<Double>> covariance) {
        return new FindingStore.Document(
                study.question(),
                study.bed().name(),
                study.bed().traits().hardness().code(),
                told,
                products.stream()
                        .map(p -> study.record().contenders().get(p).name())
                        .toList(),
                means,
                covariance);
    }
}
