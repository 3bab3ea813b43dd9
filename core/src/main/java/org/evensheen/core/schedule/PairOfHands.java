package org.evensheen.core.schedule;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Finds an order of spreading and finishing for one pair of hands that keeps every window and ends soonest.
 *
 * <p>For a given order the earliest times follow from a chain of constraints (each act after the one before it, each finish inside
 * its window; a spread is put off where its window would run out otherwise). Orders are looked through breadth first, the most
 * promising kept at each step, then depth first below what was found; jobs that are alike are begun and finished in their given
 * order, which loses nothing. A search that comes to its end proves its plan the soonest; one that is cut off says how far from
 * the soonest end it may be. A window of something spread already that can't be kept any more is missed by as little as possible.
 */
public final class PairOfHands {
    private static final int WIDTH = 160;
    /** Start times that may be worked out in the search below; the same on every machine, so that an order is too. */
    private static final int WORK = 3_000_000;

    private static final double SMALL = 1e-6;

    private final HandJob[] jobs;
    private final int ops;
    private final double busy;
    private int left;
    private double floorOfAll;

    private PairOfHands(List<HandJob> jobs, double busy) {
        this.jobs = jobs.toArray(HandJob[]::new);
        this.busy = busy;
        ops = (int) jobs.stream()
                .mapToLong(j -> (j.begun() ? 0 : 1) + (j.finish() > 0 ? 1 : 0))
                .sum();
    }

    /**
     * Plans from now.
     *
     * @param jobs with keys of their own; those begun already are finished, the others spread and finished
     * @param busy seconds until the hands are free, 0 or above
     */
    public static HandPlan plan(List<HandJob> jobs, double busy) {
        return new PairOfHands(
                        jobs.stream().filter(j -> !j.begun() || j.finish() > 0).toList(), busy)
                .plan();
    }

    /** Plans from now for hands that are free. */
    public static HandPlan plan(List<HandJob> jobs) {
        return plan(jobs, 0);
    }

    /**
     * As many whole groups as end by a limit, in their order: each group holds every product once, so that a batch cut short still
     * compares like with like.
     *
     * @param limit seconds from now
     * @param hands plans each
     * @return how many groups fit; all of them if everything ends in time
     */
    public static int groupsWithin(List<List<HandJob>> groups, double limit, HandPlanner hands) {
        for (int fit = groups.size(); fit > 0; fit--) {
            List<HandJob> some =
                    groups.subList(0, fit).stream().flatMap(List::stream).toList();
            if (hands.plan(some, 0).end() <= limit + SMALL) {
                return fit;
            }
        }
        return 0;
    }

    /** An order so far: acts as job numbers, finishes written as −1 − job. */
    private final class Order {
        final int[] acts;
        final double[] starts;
        final double late;
        final double end;
        final double floor;
        final double waits;
        /** Of orders that end alike the one that works earlier leaves more room for what comes between. */
        final double sumOfStarts;

        Order(int[] acts, double[] starts) {
            this.acts = acts;
            this.starts = starts;
            double lateness = 0;
            for (int i = 0; i < acts.length; i++) {
                HandJob job = job(acts[i]);
                if (acts[i] < 0 && job.begun()) {
                    lateness += Math.max(
                            0,
                            starts[i]
                                    - job.spreadEnd().getAsDouble()
                                    - job.window().high());
                }
            }
            end = acts.length == 0 ? busy : starts[acts.length - 1] + length(acts[acts.length - 1]);
            late = lateness + latenessToCome();
            floor = floor();
            waits = waitsToCome();
            sumOfStarts = Arrays.stream(starts).sum();
        }

        /** What was begun before and is still not finished is late by so much at least: putting it off makes nothing better. */
        private double latenessToCome() {
            double sum = 0;
            for (int j = 0; j < jobs.length; j++) {
                if (jobs[j].begun() && at(-1 - j) < 0) {
                    sum += Math.max(
                            0,
                            end
                                    - jobs[j].spreadEnd().getAsDouble()
                                    - jobs[j].window().high());
                }
            }
            return sum;
        }

        /** No completion of this order ends before. */
        private double floor() {
            double work = 0;
            double latest = 0;
            for (int j = 0; j < jobs.length; j++) {
                boolean spread = jobs[j].begun() || at(j) >= 0;
                boolean finished = jobs[j].finish() == 0 ? spread : at(-1 - j) >= 0;
                if (!spread) {
                    work += jobs[j].spread() + jobs[j].finish();
                    double begin = Math.max(end, jobs[j].readyAt());
                    latest = Math.max(
                            latest,
                            begin
                                    + jobs[j].spread()
                                    + (jobs[j].finish() > 0 ? jobs[j].window().low() + jobs[j].finish() : 0));
                } else if (!finished) {
                    work += jobs[j].finish();
                    latest = Math.max(latest, spreadEnd(j) + jobs[j].window().low() + jobs[j].finish());
                }
            }
            return Math.max(end + work, latest);
        }

        /** Waits that are not begun, s: the fewer, the more there is to fill the hands' rests with. */
        private double waitsToCome() {
            double sum = 0;
            for (int j = 0; j < jobs.length; j++) {
                if (!jobs[j].begun() && at(j) < 0) {
                    sum += jobs[j].window().low();
                }
            }
            return sum;
        }

        /** With everything that waits finished next, the window that closes first before the others; null if that can't be. */
        @Nullable
        Order closed() {
            int[] waiting = java.util.stream.IntStream.range(0, jobs.length)
                    .filter(j -> jobs[j].finish() > 0 && (jobs[j].begun() || at(j) >= 0) && at(-1 - j) < 0)
                    .boxed()
                    .sorted(Comparator.comparingDouble(
                            j -> spreadEnd(j) + jobs[j].window().high()))
                    .mapToInt(j -> -1 - j)
                    .toArray();
            int[] all = Arrays.copyOf(acts, acts.length + waiting.length);
            System.arraycopy(waiting, 0, all, acts.length, waiting.length);
            return timed(all);
        }

        int at(int act) {
            for (int i = 0; i < acts.length; i++) {
                if (acts[i] == act) {
                    return i;
                }
            }
            return -1;
        }

        private double spreadEnd(int j) {
            return jobs[j].begun() ? jobs[j].spreadEnd().getAsDouble() : starts[at(j)] + jobs[j].spread();
        }

        /** Every order one act longer that can be kept. */
        List<Order> longer() {
            List<Order> all = new ArrayList<>();
            for (int j = 0; j < jobs.length; j++) {
                boolean spread = jobs[j].begun() || at(j) >= 0;
                int act = spread ? -1 - j : j;
                if (spread && (jobs[j].finish() == 0 || at(act) >= 0) || aTwinComesFirst(j, spread)) {
                    continue;
                }
                Order order = timed(append(act));
                if (order != null) {
                    all.add(order);
                }
            }
            return all;
        }

        /** Of jobs that are alike the earlier numbers are begun and finished first. */
        private boolean aTwinComesFirst(int j, boolean spread) {
            for (int i = 0; i < j; i++) {
                if (jobs[i].alike(jobs[j]) && (spread ? at(-1 - i) < 0 : at(i) < 0)) {
                    return true;
                }
            }
            return false;
        }

        private int[] append(int act) {
            int[] next = Arrays.copyOf(acts, acts.length + 1);
            next[acts.length] = act;
            return next;
        }
    }

    private HandJob job(int act) {
        return jobs[act < 0 ? -1 - act : act];
    }

    private double length(int act) {
        return act < 0 ? job(act).finish() : job(act).spread();
    }

    /** The earliest times of an order; null if its windows can't be kept. */
    private @Nullable Order timed(int[] acts) {
        double[] starts = new double[acts.length];
        double[] notBefore = new double[acts.length];
        int[] spreadAt = new int[jobs.length];
        for (int round = 0; round <= acts.length; round++) {
            left -= acts.length;
            boolean kept = true;
            double free = busy;
            for (int i = 0; i < acts.length; i++) {
                HandJob job = job(acts[i]);
                double start = Math.max(free, notBefore[i]);
                if (acts[i] >= 0) {
                    start = Math.max(start, job.readyAt());
                    spreadAt[acts[i]] = i;
                } else if (job.begun()) {
                    start = Math.max(
                            start, job.spreadEnd().getAsDouble() + job.window().low());
                } else {
                    int s = spreadAt[-1 - acts[i]];
                    double end = starts[s] + job.spread();
                    start = Math.max(start, end + job.window().low());
                    double over = start - end - job.window().high();
                    if (over > SMALL) {
                        notBefore[s] = starts[s] + over;
                        kept = false;
                    }
                }
                starts[i] = start;
                free = start + length(acts[i]);
            }
            if (kept) {
                return new Order(acts, starts);
            }
        }
        return null;
    }

    private static final Comparator<Order> PROMISING = Comparator.<Order>comparingDouble(o -> o.late)
            .thenComparingDouble(o -> o.floor)
            .thenComparingDouble(o -> o.waits);

    /** The same, and of those that are alike the one that works earlier. */
    private static final Comparator<Order> EARLY = PROMISING.thenComparingDouble(o -> o.sumOfStarts);

    private HandPlan plan() {
        Order start = new Order(new int[0], new double[0]);
        floorOfAll = start.floor;
        Order found = broad(start);
        left = WORK;
        Order best = deep(start, found);
        double bound = left > 0 ? best.end : Math.min(best.end, floorOfAll);
        return told(best, bound);
    }

    private Order broad(Order start) {
        List<Order> front = List.of(start);
        for (int depth = 0; depth < ops; depth++) {
            front = front.stream()
                    .flatMap(o -> o.longer().stream())
                    .sorted(EARLY)
                    .filter(o -> o.closed() != null)
                    .limit(WIDTH)
                    .toList();
            if (front.isEmpty()) {
                return inTurn();
            }
        }
        return front.get(0);
    }

    /** What was begun already first, then one section after another: this can always be done. */
    private Order inTurn() {
        List<Integer> acts = new ArrayList<>();
        java.util.stream.IntStream.range(0, jobs.length)
                .boxed()
                .sorted(Comparator.comparingDouble(j -> jobs[j].begun()
                        ? jobs[j].spreadEnd().getAsDouble() + jobs[j].window().high()
                        : Double.MAX_VALUE))
                .forEach(j -> {
                    if (!jobs[j].begun()) {
                        acts.add(j);
                    }
                    if (jobs[j].finish() > 0) {
                        acts.add(-1 - j);
                    }
                });
        Order order = timed(acts.stream().mapToInt(Integer::intValue).toArray());
        if (order == null) {
            throw new IllegalStateException("one section after another keeps every window");
        }
        return order;
    }

    private Order deep(Order from, Order best) {
        if (from.acts.length == ops) {
            return better(from, best) ? from : best;
        }
        Order found = best;
        List<Order> next = from.longer();
        next.sort(PROMISING);
        for (Order order : next) {
            if (left <= 0 || found.late <= SMALL && found.end <= floorOfAll + SMALL) {
                return found;
            }
            boolean hopeless = order.late > found.late + SMALL
                    || order.late >= found.late - SMALL && order.floor >= found.end - SMALL;
            if (!hopeless) {
                found = deep(order, found);
            }
        }
        return found;
    }

    private static boolean better(Order one, Order other) {
        return one.late < other.late - SMALL || one.late < other.late + SMALL && one.end < other.end - SMALL;
    }

    private HandPlan told(Order order, double bound) {
        List<HandPlan.Act> acts = new ArrayList<>();
        List<HandPlan.Missed> missed = new ArrayList<>();
        for (int i = 0; i < order.acts.length; i++) {
            HandJob job = job(order.acts[i]);
            boolean finish = order.acts[i] < 0;
            acts.add(new HandPlan.Act(
                    job.key(),
                    finish ? HandPlan.Kind.FINISH : HandPlan.Kind.SPREAD,
                    order.starts[i],
                    order.starts[i] + length(order.acts[i])));
            if (finish && job.begun()) {
                double late = order.starts[i]
                        - job.spreadEnd().getAsDouble()
                        - job.window().high();
                if (late > SMALL) {
                    missed.add(new HandPlan.Missed(job.key(), late));
                }
            }
        }
        return new HandPlan(acts, missed, bound);
    }
}
