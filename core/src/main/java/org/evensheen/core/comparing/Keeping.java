package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.evensheen.core.comparing.BlockModel.Linear;
import org.evensheen.core.comparing.Kept.Control;
import org.evensheen.core.comparing.Kept.Used;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * What is left of first effects at one moment of a study: today's effect over the first one, each against its control.
 *
 * <p>The control is bare, read on both days. A bare section counts for the fresh day when it was read on that day, at the fresh stage
 * or before anything went on; a reading of another day never stands in for it. Without such bare readings the section's own
 * reading before anything went on is the control. Where there is neither, or where the first effect can't be told from none, or went the wrong way,
 * nothing is kept and the reason is given.
 */
final class Keeping {
    private static final int TODAY = 0;
    private static final int FRESH = 1;
    private static final int BEFORE = 2;

    private final StudyRecord study;
    private final Measure measure;
    private final Occasion at;
    private final Optional<HouseScatter> house;
    private final Map<Integer, Optional<Against>> known = new TreeMap<>();

    /** A model of fresh and today for the products whose fresh readings are of one day, with what stands in it. */
    private record Against(BlockModel model, Control control, int bare, List<Used> used) {}

    Keeping(StudyRecord study, Measure measure, Occasion at, Optional<HouseScatter> house) {
        this.study = study;
        this.measure = measure;
        this.at = at;
        this.house = house;
    }

    Answer<Kept> of(Contender product) {
        if (at.stage() == Stage.FRESH) {
            return Answer.none(Absent.FIRST_READINGS);
        }
        if (!measure.judgesSheeting() && product.sheets()) {
            return Answer.none(Absent.SHEETS);
        }
        Optional<Integer> day = freshDay(product);
        if (day.isEmpty()) {
            return Answer.none(Absent.NOT_READ_WHEN_FRESH);
        }
        if (!study.wettedAlike(measure, day.get(), at.day())) {
            return Answer.none(Absent.WETTED_OTHERWISE);
        }
        Optional<Against> against = known.computeIfAbsent(day.get(), this::against);
        if (against.isEmpty() || !against.get().model().treatments().contains(product.number())) {
            return Answer.none(Absent.NO_CONTROL_WHEN_FRESH);
        }
        return kept(product.number(), day.get(), against.get());
    }

    private Answer<Kept> kept(int product, int day, Against against) {
        BlockModel model = against.model();
        if (against.control() == Control.BARE && !model.comparable(product, against.bare())) {
            return Answer.none(Absent.BARE_NOT_COMPARABLE);
        }
        Linear first = gain(against, product, FRESH);
        Estimate effect = new Estimate(
                first.value(), Math.sqrt(Math.max(0, first.moves().covariance(first.moves()))), model.freedom());
        boolean scattered = model.freedom() > 0;
        if (scattered ? effect.interval().high() < 0 : effect.value() < 0) {
            return Answer.none(Absent.MADE_WORSE);
        }
        Ratio share = model.ratio(gain(against, product, TODAY), first);
        if (!(effect.value() > 0) || scattered && share.interval().isEmpty()) {
            return Answer.none(Absent.NO_FIRST_EFFECT);
        }
        return Answer.of(new Kept(
                share,
                against.control(),
                day,
                effect,
                against.used().stream()
                        .filter(u -> u.contender() == product
                                || against.control() == Control.BARE && u.contender() == against.bare())
                        .toList()));
    }

    /** The day on which most of a product's sections that are read today were first read fresh; the earliest of equals. */
    private Optional<Integer> freshDay(Contender product) {
        Map<Integer, Long> sections = new TreeMap<>();
        study.sectionsOf(product)
                .filter(s -> mean(s, at).isPresent())
                .flatMap(s -> study.firstRead(s, Stage.FRESH, measure).stream())
                .forEach(o -> sections.merge(o.day(), 1L, Long::sum));
        return sections.entrySet().stream()
                .max(Comparator.comparing(Map.Entry<Integer, Long>::getValue)
                        .thenComparing(Map.Entry::getKey, Comparator.reverseOrder()))
                .map(Map.Entry::getKey);
    }

    private Optional<Against> against(int day) {
        List<Used> bare = study.bareSections()
                .flatMap(s -> bareOn(s, day).flatMap(then -> used(s, OptionalDouble.empty(), then)).stream())
                .toList();
        Stream<Section> fresh = study.sections().stream()
                .filter(s -> !study.contenderOn(s).isControl())
                .filter(s -> study.firstRead(s, Stage.FRESH, measure)
                        .filter(o -> o.day() == day)
                        .isPresent());
        boolean own = bare.isEmpty();
        List<Used> used = new ArrayList<>(bare);
        fresh.forEach(s -> {
            OptionalDouble before = own ? before(s) : OptionalDouble.empty();
            if (!own || before.isPresent()) {
                used(s, before, mean(s, new Occasion(day, Stage.FRESH)).orElseThrow())
                        .ifPresent(used::add);
            }
        });
        if (used.size() == bare.size()) {
            return Optional.empty();
        }
        BlockModel model = model(used, own);
        return Optional.of(new Against(
                model,
                own ? Control.OWN_BEFORE : Control.BARE,
                own ? -1 : bare.get(0).contender(),
                List.copyOf(used)));
    }

    private BlockModel model(List<Used> used, boolean own) {
        List<BlockModel.Unit> units = used.stream()
                .map(u -> {
                    int row = study.section(u.section()).orElseThrow().row();
                    return own
                            ? new BlockModel.Unit(
                                    u.contender(),
                                    row,
                                    u.today(),
                                    u.fresh(),
                                    u.before().getAsDouble())
                            : new BlockModel.Unit(u.contender(), row, u.today(), u.fresh());
                })
                .toList();
        return house.map(h -> BlockModel.fitBlocked(units).withScatter(h.variance(), h.freedom()))
                .orElseGet(() -> BlockModel.fit(units));
    }

    private Optional<Used> used(Section section, OptionalDouble before, double fresh) {
        return mean(section, at).map(today -> new Used(section.code(), section.contender(), before, fresh, today));
    }

    /** A bare section on a day: at the fresh stage, or else as it was before anything went on that day. */
    private Optional<Double> bareOn(Section section, int day) {
        Stage zero = study.plan().course().zero();
        return mean(section, new Occasion(day, Stage.FRESH)).or(() -> mean(section, new Occasion(day, zero)));
    }

    /** The last reading of a section before anything went on. */
    private OptionalDouble before(Section section) {
        return study.occasionsRead(section, measure).stream()
                .filter(o -> o.stage().untouched())
                .max(Comparator.naturalOrder())
                .flatMap(o -> mean(section, o))
                .map(OptionalDouble::of)
                .orElse(OptionalDouble.empty());
    }

    private Optional<Double> mean(Section section, Occasion when) {
        return study.mean(section, when, measure).map(Spread::mean);
    }

    /** Effect at one of the two moments, more being better: a share of bare of that day, or a difference. */
    private Linear gain(Against against, int product, int response) {
        BlockModel model = against.model();
        int sign = measure.moreIsBetter() ? 1 : -1;
        if (against.control() == Control.OWN_BEFORE) {
            return Linear.of(model.contrast().plus(sign, product, response).plus(-sign, product, BEFORE));
        }
        int bare = against.bare();
        if (!measure.benefitIsShare()) {
            return Linear.of(model.contrast().plus(sign, product, response).plus(-sign, bare, response));
        }
        double p = model.contrast().plus(1, product, response).value();
        double b = model.contrast().plus(1, bare, response).value();
        return new Linear(
                1 - p / b, model.contrast().plus(-1 / b, product, response).plus(p / (b * b), bare, response));
    }
}
