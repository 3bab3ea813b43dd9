package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.wear.Curve.Control;
import org.evensheen.core.wear.Curve.Point;

/**
 * What is left section by section: {@code R = (1 − F_t/F_bare,t)/(1 − F_0/F_bare,0)} where the benefit is a share of bare, else
 * {@code (F_t − F_bare,t)/(F_0 − F_bare,0)}, bare read at the same moment each time; without bare sections {@code (F_before − F_t)/(F_before − F_0)} with the section's own
 * reading before anything went on.
 *
 * <p>Only looks that count enter: at a visit the one after wetting again. A visit at which bare was not read has no share. A product whose first effect can't be told from none
 * has no curve, nor has one that made things worse.
 *
 * @param curves by section and coat
 * @param without contenders without a curve, and why
 * @param found what is odd about the readings behind them
 */
public record Curves(List<Curve> curves, Map<Integer, Absent> without, Set<Oddity> found) {

    /** What is odd about the readings behind curves. */
    public enum Oddity {
        /** A section was read at a stage of a visit before anything was known to have gone on. */
        READ_BEFORE_APPLIED,
        /** At some visit bare was not read, so that it shows no share. */
        BARE_MISSED,
        /** Something went on again: a curve ended, and another began if first readings were taken. */
        COATED_AGAIN,
        /** Nothing says on which day it went on; it is taken to be that of the first readings. */
        APPLIED_UNKNOWN,
        /** Exposure on this axis is not known at some visit. */
        EXPOSURE_UNKNOWN,
        /** At some visit the bed was wetted in another way than for the first readings, so that it shows no share. */
        WETTED_OTHERWISE
    }

    /** Works them out, up to a day. */
    public static Curves of(StudyRecord study, Measure measure, Axis axis, int until) {
        return new Reader(study, measure, axis, until).read();
    }

    /** Curves of the first coat. */
    public List<Curve> first() {
        return curves.stream().filter(c -> c.coat() == 1).toList();
    }

    /** Whether shares of a first effect make sense for a measure: it has a zero on bare, and amounts or steps. */
    public static boolean keeps(Measure measure) {
        return measure.comparable()
                && measure.needsBare()
                && (measure.scale() == Scale.AMOUNT || measure.scale() == Scale.ORDER);
    }

    private static final class Reader {
        /** The number that bare goes by among first effects. */
        private static final int CONTROL = Integer.MAX_VALUE;

        private final StudyRecord study;
        private final Measure measure;
        private final Axis axis;
        private final int until;
        private final Exposure exposure;
        private final Set<Oddity> found = EnumSet.noneOf(Oddity.class);
        private final int sign;
        private final boolean bare;

        Reader(StudyRecord study, Measure measure, Axis axis, int until) {
            this.study = study;
            this.measure = measure;
            this.axis = axis;
            this.until = until;
            exposure = new Exposure(study);
            sign = measure.moreIsBetter() ? 1 : -1;
            bare = study.bareSections()
                    .anyMatch(s -> !study.occasionsRead(s, measure).isEmpty());
        }

        Curves read() {
            Map<Integer, Absent> without = new TreeMap<>();
            Map<Integer, List<Curve>> own = new TreeMap<>();
            for (Contender contender : study.contenders()) {
                if (contender.isControl()) {
                    continue;
                }
                if (!measure.judgesSheeting() && contender.sheets()) {
                    without.put(contender.number(), Absent.SHEETS);
                    continue;
                }
                List<Curve> all = study.sectionsOf(contender)
                        .flatMap(s -> curves(s).stream())
                        .toList();
                if (all.isEmpty()) {
                    boolean fresh = study.sectionsOf(contender)
                            .anyMatch(s ->
                                    study.firstRead(s, Stage.FRESH, measure).isPresent());
                    without.put(contender.number(), fresh ? Absent.NO_CONTROL_WHEN_FRESH : Absent.NOT_READ_WHEN_FRESH);
                } else {
                    own.put(contender.number(), all);
                }
            }
            List<Curve> first = own.values().stream()
                    .flatMap(List::stream)
                    .filter(c -> c.coat() == 1)
                    .toList();
            Optional<Compared> effects = first.isEmpty() ? Optional.empty() : Compared.of(effects(first));
            List<Curve> curves = new ArrayList<>();
            own.forEach((number, all) -> {
                Optional<Absent> none = none(number, all, effects);
                none.ifPresent(why -> without.put(number, why));
                if (none.isEmpty()) {
                    curves.addAll(all.stream().filter(c -> c.first() > 0).toList());
                }
            });
            return new Curves(List.copyOf(curves), without, found);
        }

        /** First effects of all sections, and what bare sections differ by from their mean, as a contender of its own. */
        private List<Compared.Value> effects(List<Curve> first) {
            List<Compared.Value> values = new ArrayList<>();
            first.forEach(c -> values.add(new Compared.Value(c.contender(), c.row(), c.first())));
            if (bare) {
                int day = freshDay(first.get(0));
                double middle = bareOn(day).orElse(0);
                study.bareSections()
                        .flatMap(s ->
                                bareAt(s, day).stream().map(v -> new Compared.Value(CONTROL, s.row(), gain(v, middle))))
                        .forEach(values::add);
            }
            return values;
        }

        /** Why a contender has no curve: its first effect went the wrong way, or is no more than what sections differ by anyway. */
        private static Optional<Absent> none(int number, List<Curve> own, Optional<Compared> effects) {
            double mean = own.stream()
                    .filter(c -> c.coat() == 1)
                    .mapToDouble(Curve::first)
                    .average()
                    .orElse(0);
            if (mean < 0) {
                return Optional.of(Absent.MADE_WORSE);
            }
            Optional<Compared.Pair> pair = effects.flatMap(e -> e.pairs().stream()
                    .filter(p -> p.better() == number && p.worse() == CONTROL
                            || p.better() == CONTROL && p.worse() == number)
                    .findFirst());
            boolean told = pair.map(p ->
                            p.better() == number && p.difference().interval().low() > 0)
                    .orElse(mean > 0);
            return told ? Optional.empty() : Optional.of(Absent.NO_FIRST_EFFECT);
        }

        private int freshDay(Curve curve) {
            return study.firstRead(study.section(curve.section()).orElseThrow(), Stage.FRESH, measure)
                    .orElseThrow()
                    .day();
        }

        private List<Curve> curves(Section section) {
            TreeSet<Integer> fresh = new TreeSet<>();
            study.occasionsRead(section, measure).stream()
                    .filter(o -> o.stage() == Stage.FRESH && o.day() <= until)
                    .forEach(o -> fresh.add(o.day()));
            if (fresh.isEmpty()) {
                return List.of();
            }
            List<Integer> applied = applied(section);
            List<Curve> curves = new ArrayList<>();
            int start = fresh.first();
            while (true) {
                int from = from(applied, start);
                int begun = start;
                Optional<Integer> again =
                        applied.stream().filter(d -> d > begun && d <= until).findFirst();
                curve(section, curves.size() + 1, from, start, again.orElse(Integer.MAX_VALUE))
                        .ifPresent(curves::add);
                if (again.isEmpty()) {
                    return curves;
                }
                found.add(Oddity.COATED_AGAIN);
                Integer next = fresh.ceiling(again.get());
                if (next == null) {
                    return curves;
                }
                start = next;
            }
        }

        private int from(List<Integer> applied, int fresh) {
            Optional<Integer> last = applied.stream().filter(d -> d <= fresh).reduce((one, next) -> next);
            if (last.isEmpty()) {
                found.add(Oddity.APPLIED_UNKNOWN);
            }
            return last.orElse(fresh);
        }

        /** Days on which something went on a section, in order. */
        private List<Integer> applied(Section section) {
            TreeSet<Integer> days = new TreeSet<>();
            study.happenings().stream()
                    .filter(h -> h.kind() == Happening.Kind.APPLIED)
                    .forEach(h -> days.add(h.day()));
            // What goes on again as part of a regime is how it is used, and begins no other curve.
            boolean regime = study.contenderOn(section).kind() == Contender.Kind.REGIME;
            study.applications().stream()
                    .filter(a -> !regime || days.isEmpty())
                    .filter(a -> a.contender() == section.contender()
                            && a.section().map(section.code()::equals).orElse(true))
                    .forEach(a -> days.add(a.day()));
            return List.copyOf(days);
        }

        private Optional<Curve> curve(Section section, int coat, int from, int fresh, int end) {
            OptionalDouble before = bare ? OptionalDouble.empty() : before(section, fresh);
            OptionalDouble zero = bare ? bareOn(fresh) : before;
            OptionalDouble now = mean(section, new Occasion(fresh, Stage.FRESH));
            if (zero.isEmpty() || now.isEmpty()) {
                return Optional.empty();
            }
            double first = gain(now.getAsDouble(), zero.getAsDouble());
            List<Occasion> at = new ArrayList<>();
            List<double[]> read = new ArrayList<>();
            for (Occasion o : study.occasionsRead(section, measure)) {
                if (o.day() > until
                        || !study.counts(o)
                        || o.stage() == Stage.FRESH
                        || o.stage().untouched()) {
                    continue;
                }
                if (o.day() < from) {
                    found.add(Oddity.READ_BEFORE_APPLIED);
                } else if (!study.wettedAlike(measure, fresh, o.day())) {
                    found.add(Oddity.WETTED_OTHERWISE);
                } else if (o.day() >= fresh && o.day() < end) {
                    point(section, o, from, before, first).ifPresent(p -> {
                        // An odometer that runs backwards says nothing.
                        if (p[0] < (read.isEmpty() ? 0 : read.get(read.size() - 1)[0])) {
                            found.add(Oddity.EXPOSURE_UNKNOWN);
                        } else {
                            at.add(o);
                            read.add(p);
                        }
                    });
                }
            }
            double[] smooth = Falling.fit(read.stream().mapToDouble(p -> p[1]).toArray());
            List<Point> points = new ArrayList<>();
            for (int i = 0; i < smooth.length; i++) {
                points.add(new Point(
                        at.get(i),
                        read.get(i)[0],
                        read.get(i)[1],
                        smooth[i],
                        arrival(section, at.get(i).day(), before, first)));
            }
            return Optional.of(new Curve(
                    section.code(),
                    section.contender(),
                    section.row(),
                    coat,
                    from,
                    bare ? Control.BARE : Control.OWN_BEFORE,
                    first,
                    points));
        }

        /** Exposure and share at a visit. */
        private Optional<double[]> point(Section section, Occasion o, int from, OptionalDouble before, double first) {
            OptionalDouble x = exposure.between(axis, from, o);
            if (x.isEmpty()) {
                found.add(Oddity.EXPOSURE_UNKNOWN);
                return Optional.empty();
            }
            OptionalDouble share = share(section, o, before, first);
            if (share.isEmpty()) {
                found.add(Oddity.BARE_MISSED);
                return Optional.empty();
            }
            return Optional.of(new double[] {x.getAsDouble(), share.getAsDouble()});
        }

        /** What something gains on its control, more being better: a share of bare where the benefit is one, so that a day on which everything pulls harder changes nothing. */
        private double gain(double value, double zero) {
            return bare && measure.benefitIsShare() ? 1 - value / zero : sign * (value - zero);
        }

        private OptionalDouble arrival(Section section, int day, OptionalDouble before, double first) {
            Occasion arrived = new Occasion(day, Stage.ARRIVAL);
            return study.mean(section, arrived, measure).isPresent()
                    ? share(section, arrived, before, first)
                    : OptionalDouble.empty();
        }

        private OptionalDouble share(Section section, Occasion o, OptionalDouble before, double first) {
            OptionalDouble zero = bare ? bareAt(o) : before;
            OptionalDouble now = mean(section, o);
            return zero.isPresent() && now.isPresent()
                    ? OptionalDouble.of(gain(now.getAsDouble(), zero.getAsDouble()) / first)
                    : OptionalDouble.empty();
        }

        private OptionalDouble bareAt(Occasion o) {
            return study.bareSections()
                    .flatMap(s -> study.mean(s, o, measure).stream())
                    .mapToDouble(Spread::mean)
                    .average();
        }

        /** Bare on the day of first readings: at the fresh stage, or else before anything went on that day. */
        private OptionalDouble bareOn(int day) {
            return study.bareSections()
                    .flatMap(s -> bareAt(s, day).stream())
                    .mapToDouble(v -> v)
                    .average();
        }

        private Optional<Double> bareAt(Section section, int day) {
            Stage zero = study.plan().course().zero();
            return study.mean(section, new Occasion(day, Stage.FRESH), measure)
                    .or(() -> study.mean(section, new Occasion(day, zero), measure))
                    .map(Spread::mean);
        }

        /** The last reading of a section before anything went on, up to a day. */
        private OptionalDouble before(Section section, int fresh) {
            return study.occasionsRead(section, measure).stream()
                    .filter(o -> o.stage().untouched() && o.day() <= fresh)
                    .max(Comparator.naturalOrder())
                    .map(o -> mean(section, o))
                    .orElse(OptionalDouble.empty());
        }

        private OptionalDouble mean(Section section, Occasion at) {
            Optional<Spread> mean = study.mean(section, at, measure);
            return mean.isPresent() ? OptionalDouble.of(mean.get().mean()) : OptionalDouble.empty();
        }
    }
}
