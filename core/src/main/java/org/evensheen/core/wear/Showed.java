package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * What a visit showed on a section: how much was dirt, how much is worn.
 *
 * <p>{@code worn = fresh − re-wetted}, {@code masked = re-wetted − arrival}, both turned so that more is more lost. Water came back at the first stage of the visit that reached
 * 90 % of the level after wetting again, counted from the arrival. Either is told where it is more than twice its standard error from repeats and more than a tenth of the first level.
 *
 * @param masked by how much it was better after wetting again than as it arrived, in the score unit; empty if it was not read as it arrived
 * @param worn by how much it was better when fresh than after wetting again
 * @param back the stage at which it came back; empty if it was not masked
 */
public record Showed(String section, int day, OptionalDouble masked, double worn, State state, Optional<Stage> back) {
    /** Share of the level after wetting again at which water has come back. */
    static final double BACK = 0.9;
    /** Share of the first level below which nothing is told. */
    static final double LEAST = 0.1;

    /** What it was. */
    public enum State {
        AS_FRESH,
        MASKED,
        WORN,
        BOTH
    }

    /** What a day's visit showed, section by section; those that were not read both fresh and after wetting again, wetted in the same way, are left out. */
    public static List<Showed> on(StudyRecord study, Measure measure, int day) {
        List<Showed> all = new ArrayList<>();
        Occasion rewetted = new Occasion(day, Stage.REWETTED);
        for (Section section : study.sections()) {
            Optional<Spread> last = study.mean(section, rewetted, measure);
            Optional<Spread> fresh = study.firstRead(section, Stage.FRESH, measure)
                    .filter(o -> o.day() <= day && study.wettedAlike(measure, o.day(), day))
                    .flatMap(o -> study.mean(section, o, measure));
            if (last.isPresent()
                    && fresh.isPresent()
                    && !study.contenderOn(section).isControl()) {
                all.add(of(study, measure, section, day, fresh.get(), last.get()));
            }
        }
        return List.copyOf(all);
    }

    private static Showed of(StudyRecord study, Measure measure, Section section, int day, Spread fresh, Spread last) {
        int sign = measure.moreIsBetter() ? 1 : -1;
        Optional<Spread> arrival = study.mean(section, new Occasion(day, Stage.ARRIVAL), measure);
        double worn = sign * (fresh.mean() - last.mean());
        OptionalDouble masked = arrival.isPresent()
                ? OptionalDouble.of(sign * (last.mean() - arrival.get().mean()))
                : OptionalDouble.empty();
        double least = LEAST * Math.abs(fresh.mean());
        boolean isWorn = worn > Math.max(least, 2 * error(fresh, last));
        boolean isMasked = masked.isPresent() && masked.getAsDouble() > Math.max(least, 2 * error(arrival.get(), last));
        return new Showed(
                section.code(),
                day,
                masked,
                worn,
                isWorn ? isMasked ? State.BOTH : State.WORN : isMasked ? State.MASKED : State.AS_FRESH,
                isMasked ? back(study, measure, section, day, arrival.get().mean(), last.mean()) : Optional.empty());
    }

    private static double error(Spread one, Spread other) {
        double square = one.deviation().orElse(0) * one.deviation().orElse(0) / one.count()
                + other.deviation().orElse(0) * other.deviation().orElse(0) / other.count();
        return Math.sqrt(square);
    }

    private static Optional<Stage> back(
            StudyRecord study, Measure measure, Section section, int day, double arrived, double last) {
        int sign = measure.moreIsBetter() ? 1 : -1;
        return study.plan().course().stages().stream()
                .filter(s -> s.compareTo(Stage.ARRIVAL) > 0)
                .filter(s -> study.mean(section, new Occasion(day, s), measure)
                        .filter(m -> measure.moreIsBetter()
                                ? m.mean() >= BACK * last
                                : sign * (m.mean() - arrived) >= BACK * sign * (last - arrived))
                        .isPresent())
                .findFirst();
    }
}
