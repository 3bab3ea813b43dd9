package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * Rehearses a study: draws thousands of studies with a supposed truth and scatter, sends each through {@link Judge}, and counts.
 *
 * <p>A section's reading is the truth of its contender on that day, plus the section's own lasting offset, plus the noise of each
 * repeat, both normal. What is taken off bare fades as {@code exp(−t/τ)}, t in weeks since the first readings. Every study has a
 * seed of its own from the stored one, so a rehearsal comes out the same however many threads work on it.
 */
public final class Rehearsal {
    private static final int STEP = 20;

    private Rehearsal() {}

    /**
     * What is supposed of a contender.
     *
     * @param fresh its reading after cure, in the unit of what is typed for the measure
     * @param weeks τ: weeks until 37 % of what it takes off bare is left; above 0
     */
    public record Supposed(double fresh, double weeks) {
        /** Share left at which a product is spent. */
        public static final double SPENT = 0.25;

        private static final double LEAST_LEFT = 0.02;
        private static final double MOST_LEFT = 0.98;

        /** From weeks to spent, t* = τ·ln 4. */
        public static Supposed spentAfter(double fresh, double weeksToSpent) {
            return new Supposed(fresh, weeksToSpent / -Math.log(SPENT));
        }

        public double weeksToSpent() {
            return weeks * -Math.log(SPENT);
        }

        /**
         * What an earlier study suggests: its fresh reading carried over as a share of bare, and τ from the share that was left
         * after some weeks, kept within 2 and 98 %.
         *
         * @param bare reading supposed on bare paint in the rehearsal
         */
        public static Supposed seen(
                double bare, double bareThen, double freshThen, double bareLater, double later, double weeks) {
            double left = (1 - later / bareLater) / (1 - freshThen / bareThen);
            double kept = Math.max(LEAST_LEFT, Math.min(MOST_LEFT, left));
            return new Supposed(bare * freshThen / bareThen, weeks / -Math.log(kept));
        }
    }

    /**
     * What is rehearsed.
     *
     * @param contenders in the order of their numbers
     * @param plan visits, and how often the measure is repeated
     * @param measure one that can be rehearsed
     * @param bare reading on bare paint
     * @param truth what is supposed of every product, by number; bare has none
     * @param betweenSections standard deviation from section to section, above 0
     * @param betweenRepeats standard deviation of repeats, 0 or more
     */
    public record Case(
            List<Contender> contenders,
            List<Section> sections,
            Plan plan,
            Measure measure,
            double bare,
            Map<Integer, Supposed> truth,
            double betweenSections,
            double betweenRepeats,
            long seed) {
        public Case {
            if (measure.rehearsedBare().isEmpty()) {
                throw new IllegalArgumentException("studies of %s can't be rehearsed".formatted(measure));
            }
            if (!(betweenSections > 0 && betweenRepeats >= 0)) {
                throw new IllegalArgumentException("a rehearsal needs scatter");
            }
        }

        /** The last day on which readings are compared. */
        int lastDay() {
            return plan.lastDay();
        }

        private boolean counts(Occasion visit) {
            return plan.course().counts(visit.stage());
        }

        private Occasion fresh() {
            return plan.visits().stream()
                    .filter(v -> v.stage() == Stage.FRESH)
                    .findFirst()
                    .orElse(new Occasion(0, Stage.FRESH));
        }

        private double truth(Contender contender, Occasion at) {
            Supposed supposed = truth.get(contender.number());
            if (supposed == null || at.stage().untouched()) {
                return bare;
            }
            double weeks = Math.max(0, at.day() - fresh().day()) / 7.0;
            return bare + (supposed.fresh() - bare) * Math.exp(-weeks / supposed.weeks());
        }

        private double last(Contender contender) {
            return truth(contender, new Occasion(lastDay(), Stage.REWETTED));
        }
    }

    /**
     * What the rehearsed studies showed.
     *
     * @param studies how many were rehearsed
     * @param right share in which the truly best product stood alone in first place
     * @param shared share in which it stood in first place, alone or not
     * @param wrong share in which another stood alone in first place
     * @param equalsApart share of pairs, alike in truth, that were called different; empty if no two are alike
     * @param width median half width of the 95 % interval, all pairs at once, of a difference between two products, in the measure's unit
     * @param leastDetectable median of the true difference between any two products that would be told apart four times in five
     * @param pairsApart share of pairs, different in truth, that were told apart
     * @param byDay how often the best was told alone, judged on each visit, by day
     */
    public record Outcome(
            int studies,
            double right,
            double shared,
            double wrong,
            OptionalDouble equalsApart,
            double width,
            double leastDetectable,
            double pairsApart,
            List<Point> byDay) {}

    /** A visit and a share. */
    public record Point(int day, double right) {}

    private record Told(
            boolean right,
            boolean shared,
            boolean wrong,
            int equal,
            int equalApart,
            int unlike,
            int apart,
            double width,
            double least) {}

    /**
     * Rehearses.
     *
     * @param studies how many
     * @param each visit of how many of them is judged too, for {@link Outcome#byDay}
     * @param progress told now and then how many are done
     * @param cancelled asked now and then
     * @return empty if cancelled
     * @throws IllegalArgumentException if nothing is ever judged: fewer than two products, or no visit
     */
    public static Optional<Outcome> run(
            Case of, int studies, int each, IntConsumer progress, BooleanSupplier cancelled) {
        Truth truth = new Truth(of);
        List<Occasion> judged = of.plan().visits().stream().filter(of::counts).toList();
        if (judged.isEmpty() || of.truth().size() < 2) {
            throw new IllegalArgumentException("a rehearsal needs two products and a visit that is judged");
        }
        Told[] told = new Told[studies];
        int[][] rightOn = new int[each][judged.size()];
        AtomicInteger done = new AtomicInteger();
        boolean finished = IntStream.range(0, (studies + STEP - 1) / STEP)
                .parallel()
                .allMatch(step -> {
                    if (cancelled.getAsBoolean()) {
                        return false;
                    }
                    int end = Math.min(studies, (step + 1) * STEP);
                    for (int i = step * STEP; i < end; i++) {
                        boolean whole = i < each;
                        StudyRecord study = draw(of, i, whole);
                        told[i] = truth.compare(
                                Judge.places(study, of.measure(), of.lastDay()).orElseThrow());
                        for (int v = 0; whole && v < judged.size(); v++) {
                            boolean right = v == judged.size() - 1
                                    ? told[i].right
                                    : Judge.places(
                                                    study,
                                                    of.measure(),
                                                    judged.get(v).day())
                                            .filter(truth::right)
                                            .isPresent();
                            rightOn[i][v] = right ? 1 : 0;
                        }
                    }
                    progress.accept(done.addAndGet(end - step * STEP));
                    return true;
                });
        if (!finished) {
            return Optional.empty();
        }
        List<Point> byDay = IntStream.range(0, each == 0 ? 0 : judged.size())
                .mapToObj(v -> new Point(
                        judged.get(v).day(),
                        Arrays.stream(rightOn).mapToInt(r -> r[v]).average().orElse(0)))
                .toList();
        return Optional.of(summary(Arrays.asList(told), byDay));
    }

    private static Outcome summary(List<Told> told, List<Point> byDay) {
        double n = told.size();
        int equal = told.stream().mapToInt(Told::equal).sum();
        int unlike = told.stream().mapToInt(Told::unlike).sum();
        return new Outcome(
                told.size(),
                told.stream().filter(Told::right).count() / n,
                told.stream().filter(Told::shared).count() / n,
                told.stream().filter(Told::wrong).count() / n,
                equal == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(
                                told.stream().mapToInt(Told::equalApart).sum() / (double) equal),
                median(told.stream().mapToDouble(Told::width).toArray()),
                median(told.stream().mapToDouble(Told::least).toArray()),
                unlike == 0 ? 0 : told.stream().mapToInt(Told::apart).sum() / (double) unlike,
                byDay);
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        return values[values.length / 2];
    }

    /** What is true, against which a verdict is held. */
    private static final class Truth {
        private static final double ALIKE = 1e-9;
        private final Case of;
        private final int best;
        private final boolean unique;

        Truth(Case of) {
            this.of = of;
            List<Contender> products =
                    of.contenders().stream().filter(c -> !c.isControl()).toList();
            best = products.stream()
                    .min(java.util.Comparator.comparingDouble(of::last))
                    .map(Contender::number)
                    .orElse(0);
            unique = products.stream()
                    .noneMatch(c -> c.number() != best
                            && Math.abs(of.last(c) - of.last(of.contenders().get(best))) < ALIKE);
        }

        boolean right(Verdict verdict) {
            List<Verdict.Result> first =
                    verdict.results().stream().filter(r -> r.place() == 1).toList();
            return unique && first.size() == 1 && first.get(0).contender().number() == best;
        }

        Told compare(Verdict verdict) {
            List<Verdict.Result> first =
                    verdict.results().stream().filter(r -> r.place() == 1).toList();
            boolean holds = first.stream().anyMatch(r -> r.contender().number() == best);
            int equal = 0;
            int equalApart = 0;
            int unlike = 0;
            int apart = 0;
            List<Double> widths = new ArrayList<>();
            for (Verdict.Pair pair : verdict.pairs()) {
                double better = of.last(of.contenders().get(pair.better()));
                double worse = of.last(of.contenders().get(pair.worse()));
                if (Math.abs(better - worse) < ALIKE) {
                    equal++;
                    equalApart += pair.apart() ? 1 : 0;
                } else {
                    unlike++;
                    apart += pair.apart() && better < worse ? 1 : 0;
                }
                widths.add(pair.interval().map(i -> (i.high() - i.low()) / 2).orElse(Double.POSITIVE_INFINITY));
            }
            return new Told(
                    right(verdict),
                    holds,
                    !holds && first.size() == 1,
                    equal,
                    equalApart,
                    unlike,
                    apart,
                    widths.isEmpty()
                            ? Double.POSITIVE_INFINITY
                            : median(widths.stream().mapToDouble(w -> w).toArray()),
                    verdict.mostToldApart().orElse(Double.POSITIVE_INFINITY));
        }
    }

    /** One study as it could come out; only its first and last readings unless it is wanted whole. */
    private static StudyRecord draw(Case of, int number, boolean whole) {
        Random random = new Random(of.seed() * 0x9E3779B97F4A7C15L + number * 0xD1B54A32D192ED03L);
        int repeats = of.plan().repeatsOf(of.measure());
        Occasion fresh = of.fresh();
        List<Occasion> occasions = of.plan().visits().stream()
                .filter(of::counts)
                .filter(v -> whole || v.equals(fresh) || v.day() == of.lastDay())
                .toList();
        List<Reading> readings = new ArrayList<>(of.sections().size() * occasions.size() * repeats);
        for (Section section : of.sections()) {
            double offset = of.betweenSections() * random.nextGaussian();
            double area = of.measure().growsWithArea() ? section.areaSquareMetres() : 1;
            for (Occasion at : occasions) {
                double mean = of.truth(of.contenders().get(section.contender()), at) + offset;
                for (int repeat = 1; repeat <= repeats; repeat++) {
                    double value = Math.max(
                            of.measure().number().orElseThrow().lowest(),
                            (mean + of.betweenRepeats() * random.nextGaussian()) * area);
                    readings.add(
                            new Reading(section.code(), at, repeat, of.measure().of(value)));
                }
            }
        }
        return new StudyRecord(of.seed(), of.contenders(), of.sections(), of.plan(), List.of(), readings);
    }

    /** The same sections with one more of each contender, in a block of its own: what one more section each would buy. */
    public static List<Section> oneMoreEach(List<Section> sections) {
        List<Section> more = new ArrayList<>(sections);
        int block = sections.stream().mapToInt(Section::row).max().orElse(0) + 1;
        sections.stream().map(Section::contender).distinct().forEach(c -> {
            Section like = sections.stream()
                    .filter(s -> s.contender() == c)
                    .findFirst()
                    .orElseThrow();
            more.add(new Section("+" + c, c, block, like.xMm(), like.yMm(), like.widthMm(), like.heightMm(), false));
        });
        return more;
    }
}
