package org.evensheen.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.planning.Entrant.Layer;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Washes;
import org.evensheen.core.planning.Protocol.Weeks;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.evensheen.core.units.Rounded;

/**
 * A study's dated work, each with the reason for its date; days count from the first.
 *
 * @param works in order of their days
 * @param breaks what the dates break, in words with numbers
 */
public record Calendar(List<Work> works, List<String> breaks) {
    /** Hours from which a next coat is for another day. */
    private static final double SAME_DAY = 6;

    private static final int LONGEST = 3660;

    /**
     * A piece of dated work.
     *
     * @param key what it is, for moving it: bare, apply, visit3
     * @param why the reason for its date
     * @param moved whether a person chose the date
     */
    public record Work(String key, int day, Kind kind, String title, String why, boolean moved) {
        /** The same with other words. */
        public Work titled(String words) {
            return new Work(key, day, kind, words, why, moved);
        }

        Work on(int other) {
            return new Work(key, other, kind, title, why, true);
        }
    }

    /** Kinds of work, in the order in which they are done on one day. */
    public enum Kind {
        CHECK,
        STRIP,
        BARE,
        APPLY,
        COAT,
        CURE,
        FRESH,
        WASH,
        DOSE,
        VISIT;

        public String code() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public Calendar {
        works = works.stream()
                .sorted(Comparator.comparingInt(Work::day).thenComparing(Work::kind))
                .toList();
        breaks = List.copyOf(breaks);
    }

    /**
     * Dates everything, then moves what a person moved.
     *
     * @param each sections of a product; doses of chemicals depend on it
     * @param moves day by key of work
     */
    public static Calendar of(Protocol protocol, List<Entrant> entrants, int each, Map<String, Integer> moves) {
        return new Maker(protocol, entrants, each, moves).make();
    }

    /**
     * Dates what comes after an afternoon: everything lies where it was put then, on day 0, and was looked at; nothing is to be put on.
     *
     * @param moves day by key of work
     */
    public static Calendar afterwards(Protocol protocol, List<Entrant> entrants, Map<String, Integer> moves) {
        return new Maker(protocol, entrants, 1, moves).afterwards();
    }

    /** The readings it asks for. */
    public Plan plan(Protocol protocol) {
        List<Occasion> occasions = new ArrayList<>();
        for (Work work : works) {
            switch (work.kind()) {
                case BARE -> occasions.add(new Occasion(work.day(), Stage.BARE));
                case FRESH -> occasions.add(new Occasion(work.day(), Stage.FRESH));
                case VISIT -> occasions.add(new Occasion(work.day(), Stage.REWETTED));
                default -> {}
            }
        }
        return new Plan(protocol.measures(), occasions.stream().distinct().toList());
    }

    /** Days after the first coat on which a coat is put on; 0 for one of the same day. */
    public static int daysAfter(Entrant.Coat coat) {
        return coat.hours() < SAME_DAY ? 0 : (int) Math.ceil(coat.hours() / 24);
    }

    /** What a coat for another day is called. */
    public static String coatTitle(int number, Contender contender) {
        return "Coat %d of %s".formatted(number, contender.name());
    }

    public int lastDay() {
        return works.stream().mapToInt(Work::day).max().orElse(0);
    }

    public Optional<Work> work(String key) {
        return works.stream().filter(w -> w.key().equals(key)).findFirst();
    }

    private static final class Maker {
        private final Protocol protocol;
        private final List<Entrant> entrants;
        private final int each;
        private final Map<String, Integer> moves;
        private final List<Work> works = new ArrayList<>();

        Maker(Protocol protocol, List<Entrant> entrants, int each, Map<String, Integer> moves) {
            this.protocol = protocol;
            this.entrants = entrants;
            this.each = each;
            this.moves = moves;
        }

        Calendar make() {
            if (!protocol.prep().isEmpty()) {
                add("strip", 0, Kind.STRIP, capital(prep()), "The bed must be bare, or the start is no start.");
            }
            int bare = add(
                    "bare",
                    0,
                    Kind.BARE,
                    protocol.proveBare() ? "Prove bare and read" : "Read bare",
                    "The zero of every later score, on the same kit.");
            int coated = coats(bare);
            int cured = cure(coated);
            int fresh = add(
                    "fresh",
                    Math.max(cured, coated + 1),
                    Kind.FRESH,
                    "First readings",
                    "After the cure; what is left later is a share of these.");
            int last = wear(fresh);
            if (protocol.gaugeChecks()) {
                checks(last);
            }
            return new Calendar(works, breaks());
        }

        Calendar afterwards() {
            works.add(new Work(
                    "fresh",
                    0,
                    Kind.FRESH,
                    "First readings",
                    "What was counted, timed or graded that afternoon is carried over.",
                    false));
            int last = wear(0);
            if (protocol.gaugeChecks()) {
                checks(last);
            }
            return new Calendar(works, breaks());
        }

        private int add(String key, int day, Kind kind, String title, String why) {
            Integer moved = moves.get(key);
            Work work = new Work(key, day, kind, title, why, false);
            works.add(moved == null ? work : work.on(moved));
            return works.get(works.size() - 1).day();
        }

        private String prep() {
            return protocol.prep().stream().map(Protocol.Prep::label).collect(Collectors.joining(", "));
        }

        private static String capital(String text) {
            return Character.toUpperCase(text.charAt(0)) + text.substring(1);
        }

        /** The application, and further coats and layers as labels space them; the day of the last. */
        private int coats(int bare) {
            int day = add("apply", bare, Kind.APPLY, "Apply by lot", "As soon as the bed is proven bare.");
            int last = day;
            for (Entrant entrant : entrants) {
                for (Entrant.Coat coat : entrant.coats()) {
                    int on = day + daysAfter(coat);
                    if (on > day) {
                        last = Math.max(last, add(entrant.contender(), coat, on));
                    }
                }
            }
            return last;
        }

        private int add(Contender contender, Entrant.Coat coat, int on) {
            Layer before = coat.after().orElseThrow();
            return add(
                    "coat%d-%d".formatted(contender.number(), coat.number()),
                    on,
                    Kind.COAT,
                    coatTitle(coat.number(), contender),
                    "%s asks %s before the next layer.".formatted(before.product(), hours(before.nextLayerHours())));
        }

        private int cure(int coated) {
            if (protocol.cureHours() <= 0) {
                return coated;
            }
            String why = entrants.stream()
                    .flatMap(e -> e.slowest().stream())
                    .max(Comparator.comparingDouble(Layer::dryHours))
                    .map(l -> "%s must keep dry for %s; a shower before that spoils it."
                            .formatted(l.product(), hours(l.dryHours())))
                    .orElse("Nothing may get wet for %s.".formatted(hours(protocol.cureHours())));
            return add(
                    "cure", coated + (int) Math.ceil(protocol.cureHours() / 24), Kind.CURE, "Cured: may get wet", why);
        }

        private static String hours(double hours) {
            return Rounded.number(hours, hours == Math.rint(hours) ? 0 : 1) + " h";
        }

        private int wear(int fresh) {
            int last = fresh;
            if (protocol.wear() instanceof Weeks weeks) {
                for (int i = 1; i <= weeks.visits(); i++) {
                    last = visit(
                            i,
                            fresh + i * weeks.everyDays(),
                            "Every %d days, %d times.".formatted(weeks.everyDays(), weeks.visits()));
                }
                if (weeks.washEvery() > 0) {
                    int number = 1;
                    for (int day = fresh + weeks.washEvery(); day < last; day += weeks.washEvery()) {
                        if (noVisitOn(day)) {
                            add(
                                    "wash" + number++,
                                    day,
                                    Kind.WASH,
                                    "Wash all sections alike",
                                    "Every %d days.".formatted(weeks.washEvery()));
                        }
                    }
                }
            } else if (protocol.wear() instanceof Washes washes) {
                int day = fresh;
                int number = 0;
                for (int i = 1; i <= washes.visits(); i++) {
                    for (int w = 1; w <= washes.perVisit(); w++) {
                        day += washes.daysBetween();
                        number++;
                        day = add(
                                "wash" + number,
                                day,
                                Kind.WASH,
                                "Wash " + number,
                                "Every %d days; the wear of this study.".formatted(washes.daysBetween()));
                    }
                    last = visit(i, day, "After %d washes.".formatted(number));
                }
            } else if (protocol.wear() instanceof Chemicals chemicals) {
                for (int round : ChemicalProof.rounds(chemicals)) {
                    int day = fresh + (round + 1) * chemicals.daysBetween();
                    day = add(
                            "dose" + (round + 1),
                            day,
                            Kind.DOSE,
                            dose(chemicals, round),
                            "Dwell by the label, then rinse in full: wet residue is not read.");
                    last = visit(round + 1, day, "The same day, rinsed, dried and wetted again.");
                }
            }
            return last;
        }

        private String dose(Chemicals chemicals, int round) {
            if (chemicals.scheme() == Protocol.Scheme.STACKED) {
                return "Dose: " + chemicals.chemicals().get(round).name() + " on every section";
            }
            int n = chemicals.chemicals().size();
            return "Dose: "
                    + java.util.stream.IntStream.range(0, Math.min(each, n))
                            .mapToObj(nth -> "%s section %s"
                                    .formatted(
                                            ordinal(nth),
                                            chemicals
                                                    .chemicals()
                                                    .get(ChemicalProof.given(chemicals.scheme(), n, nth, round))
                                                    .name()))
                            .collect(Collectors.joining(", "));
        }

        private static String ordinal(int nth) {
            return switch (nth) {
                case 0 -> "first";
                case 1 -> "second";
                case 2 -> "third";
                default -> (nth + 1) + "th";
            };
        }

        private int visit(int number, int day, String why) {
            return add("visit" + number, day, Kind.VISIT, "Visit " + number, why);
        }

        private boolean noVisitOn(int day) {
            return works.stream().noneMatch(w -> w.kind() == Kind.VISIT && w.day() == day);
        }

        private void checks(int last) {
            int checked = -FootingReview.GAUGE_CHECK_HOLDS - 1;
            List<Integer> days = works.stream()
                    .filter(w -> w.kind() == Kind.BARE || w.kind() == Kind.FRESH || w.kind() == Kind.VISIT)
                    .map(Work::day)
                    .sorted()
                    .distinct()
                    .toList();
            int number = 1;
            for (int i = 0; i < days.size(); i++) {
                int next = i + 1 < days.size() ? days.get(i + 1) : days.get(i);
                if (next - checked > FootingReview.GAUGE_CHECK_HOLDS) {
                    checked = days.get(i);
                    add(
                            "check" + number++,
                            checked,
                            Kind.CHECK,
                            "Check the gauge with a known weight",
                            "A check holds for eight weeks.");
                }
            }
        }

        private List<String> breaks() {
            List<String> broken = new ArrayList<>();
            int bare = day("bare");
            int apply = day("apply");
            int coated = works.stream()
                    .filter(w -> w.kind() == Kind.APPLY || w.kind() == Kind.COAT)
                    .mapToInt(Work::day)
                    .max()
                    .orElse(apply);
            int fresh = day("fresh");
            if (apply < bare) {
                broken.add("Applied on day %d, before it is proven bare on day %d.".formatted(apply, bare));
            }
            if (day("strip") > bare) {
                broken.add("Stripped on day %d, after bare was read on day %d.".formatted(day("strip"), bare));
            }
            for (Work coat : works) {
                if (coat.kind() == Kind.COAT && coat.day() < apply) {
                    broken.add("%s stands on day %d, before the first on day %d."
                            .formatted(coat.title(), coat.day(), apply));
                }
            }
            double cure = protocol.cureHours();
            for (Work work : works) {
                boolean wets = work.kind() == Kind.FRESH || work.kind() == Kind.WASH || work.kind() == Kind.DOSE;
                if (wets && (work.day() < coated || (work.day() - coated) * 24.0 < cure)) {
                    broken.add(
                            work.day() < coated
                                    ? "%s on day %d come before the final coat on day %d."
                                            .formatted(work.title(), work.day(), coated)
                                    : "%s on day %d come %d h after the final coat; the cure takes %s."
                                            .formatted(
                                                    work.title(), work.day(), (work.day() - coated) * 24, hours(cure)));
                }
                boolean wears = work.kind() == Kind.WASH || work.kind() == Kind.DOSE;
                if (wears && work.day() < fresh || work.kind() == Kind.VISIT && work.day() <= fresh) {
                    broken.add("%s on day %d does not come after the first readings on day %d."
                            .formatted(work.title(), work.day(), fresh));
                }
                if (work.day() > LONGEST || work.day() < 0) {
                    broken.add("%s on day %d lies outside ten years.".formatted(work.title(), work.day()));
                }
            }
            order(broken, Kind.VISIT);
            order(broken, Kind.WASH);
            order(broken, Kind.DOSE);
            return broken.stream().distinct().toList();
        }

        private void order(List<String> broken, Kind kind) {
            Work before = null;
            for (Work work : works) {
                if (work.kind() != kind) {
                    continue;
                }
                if (before != null && work.day() <= before.day()) {
                    broken.add("%s on day %d is not after %s on day %d."
                            .formatted(
                                    work.title(),
                                    work.day(),
                                    before.title().toLowerCase(java.util.Locale.ROOT),
                                    before.day()));
                }
                before = work;
            }
        }

        private int day(String key) {
            return works.stream()
                    .filter(w -> w.key().equals(key))
                    .mapToInt(Work::day)
                    .findFirst()
                    .orElse(0);
        }
    }
}
