package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Simulated studies of known lives, from pulls to what is told: intervals cover, promises that hold do hold, equals stay together. */
class KnownLivesTest {
    private static final int STUDIES = Integer.getInteger("wear.studies", 120);
    private static final double SIGMA = 0.25;
    private static final double BARE = 18;
    private static final double EASE = 9;
    private static final double NOISE = 0.25;

    private final Random random = new Random(20);

    private record World(StudyRecord study, double[] lives, double k) {}

    @ParameterizedTest
    @CsvSource({"5, 2, 8, 26, 4, 20", "8, 3, 12, 26, 4, 20", "4, 3, 8, 14, 5, 22"})
    void intervalsCoverAndPromisesHold(int products, int sections, int visits, int weeks, double least, double most) {
        int lives = 0;
        int livesHeld = 0;
        int ratios = 0;
        int ratiosHeld = 0;
        int means = 0;
        int meansHeld = 0;
        int promised = 0;
        int kept = 0;
        for (int s = 0; s < STUDIES; s++) {
            double[] truth = new double[products];
            for (int p = 0; p < products; p++) {
                truth[p] = least * Math.pow(most / least, random.nextDouble());
            }
            World world = world(truth, sections, visits, weeks);
            Wear wear = Wear.of(world.study(), Measures.PULL, Axis.WEEKS, weeks * 7, Map.of());
            Lives told = wear.lives().orElseThrow();
            for (int p : told.products()) {
                Lives.Told t = told.told(p);
                lives++;
                livesHeld += t.interval().holds(truth[p]) ? 1 : 0;
                double at = quantile(told, p, 0.1);
                if (at < weeks) {
                    promised++;
                    kept += truth[p] >= at ? 1 : 0;
                }
            }
            for (Lives.Pair pair : wear.ranking().orElseThrow().pairs()) {
                if (told.told(pair.longer()).median().isPresent()
                        && told.told(pair.shorter()).median().isPresent()) {
                    ratios++;
                    ratiosHeld += pair.interval().holds(truth[pair.longer()] / truth[pair.shorter()]) ? 1 : 0;
                }
            }
            for (var line : wear.overTime().orElseThrow().lines()) {
                means++;
                meansHeld += line.mean()
                                .interval()
                                .holds(mean(truth[line.contender()], world.k(), wear.over(), visits, weeks))
                        ? 1
                        : 0;
            }
        }
        assertThat((double) livesHeld / lives).as("lives").isBetween(0.92, 0.98);
        assertThat((double) ratiosHeld / ratios).as("ratios").isBetween(0.92, 0.98);
        assertThat((double) meansHeld / means).as("means").isBetween(0.92, 0.98);
        assertThat((double) kept / promised).as("promises").isBetween(0.85, 0.95);
    }

    /** Of studies of equals, no more than one in twenty tells any two apart. */
    @ParameterizedTest
    @CsvSource({"5, 2, 8", "4, 3, 12"})
    void equalsAreRarelyToldApart(int products, int sections, int visits) {
        int apart = 0;
        for (int s = 0; s < STUDIES; s++) {
            double[] truth = new double[products];
            Arrays.fill(truth, 10);
            Wear wear =
                    Wear.of(world(truth, sections, visits, 26).study(), Measures.PULL, Axis.WEEKS, 26 * 7, Map.of());
            apart += wear.ranking().orElseThrow().pairs().stream().anyMatch(Lives.Pair::apart) ? 1 : 0;
        }
        assertThat((double) apart / STUDIES).isLessThanOrEqualTo(0.07);
    }

    private static double quantile(Lives lives, int product, double share) {
        double low = 0.01;
        double high = 1000;
        for (int i = 0; i < 60; i++) {
            double middle = Math.sqrt(low * high);
            if (lives.chanceBelow(product, middle) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Mean share over time of a product's sections, by the same trapezium over the same visits. */
    private static double mean(double life, double k, double over, int visits, int weeks) {
        double sum = 0;
        int n = 400;
        for (int i = 0; i < n; i++) {
            double z = new org.hipparchus.distribution.continuous.NormalDistribution()
                    .inverseCumulativeProbability((i + 0.5) / n);
            double tau = life * Math.exp(SIGMA * z) / Math.pow(Math.log(4), 1 / k);
            double area = 0;
            double x = 0;
            double left = 1;
            for (int v = 1; v <= visits; v++) {
                double to = day(v, visits, weeks) / 7.0;
                if (to > over + 1e-9) {
                    break;
                }
                double there = Math.exp(-Math.pow(to / tau, k));
                area += (to - x) * (left + there) / 2;
                x = to;
                left = there;
            }
            sum += area / x;
        }
        return sum / n;
    }

    private static int day(int visit, int visits, int weeks) {
        return Math.max(visit, (int) Math.round(7.0 * weeks * visit / visits));
    }

    private World world(double[] lives, int sections, int visits, int weeks) {
        int n = lives.length;
        double k = 1;
        List<Section> grid = Studies.grid(n + 1, sections);
        double[] tau = grid.stream()
                .mapToDouble(s -> s.contender() == n
                        ? 0
                        : lives[s.contender()] * Math.exp(SIGMA * random.nextGaussian()) / Math.pow(Math.log(4), 1 / k))
                .toArray();
        List<Reading> readings = new ArrayList<>();
        read(grid, readings, new Occasion(0, Stage.FRESH), i -> grid.get(i).contender() == n ? BARE : BARE - EASE);
        List<Occasion> occasions = new ArrayList<>();
        for (int v = 1; v <= visits; v++) {
            int day = day(v, visits, weeks);
            Occasion at = new Occasion(day, Stage.REWETTED);
            occasions.add(at);
            double warmth = Math.exp(0.04 * random.nextGaussian());
            read(
                    grid,
                    readings,
                    at,
                    i -> warmth
                            * (grid.get(i).contender() == n
                                    ? BARE
                                    : BARE - EASE * Math.exp(-Math.pow(day / 7.0 / tau[i], k))));
        }
        StudyRecord study = new StudyRecord(
                7,
                Studies.contenders(n),
                grid,
                new Plan(List.of(new Plan.Planned(Measures.PULL, 3)), occasions),
                List.of(new Happening(0, Happening.Kind.APPLIED)),
                readings);
        return new World(study, lives, k);
    }

    private void read(
            List<Section> grid, List<Reading> readings, Occasion at, java.util.function.IntToDoubleFunction newtons) {
        for (int i = 0; i < grid.size(); i++) {
            for (int repeat = 1; repeat <= 3; repeat++) {
                readings.add(new Reading(
                        grid.get(i).code(),
                        at,
                        repeat,
                        Measures.PULL.of(Math.max(0.2, newtons.applyAsDouble(i) + NOISE * random.nextGaussian()))));
            }
        }
    }
}
