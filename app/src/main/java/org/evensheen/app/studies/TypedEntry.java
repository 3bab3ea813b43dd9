package org.evensheen.app.studies;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Observation;
import org.evensheen.core.study.TypedNumber;
import org.evensheen.core.water.WaterKind;

/**
 * What a person typed for a reading, with what is wrong with it; nothing typed is lost.
 *
 * @param observation what it means, if it means something
 */
public record TypedEntry(
        Measure measure,
        String amount,
        String width,
        Optional<WaterKind> kind,
        String because,
        String amountProblem,
        String widthProblem,
        String becauseProblem,
        Optional<Observation> observation) {

    static TypedEntry blank(Measure measure) {
        return new TypedEntry(measure, "", "", Optional.empty(), "", "", "", "", Optional.empty());
    }

    static TypedEntry of(Observation seen) {
        String width = seen instanceof Observation.DropShape drop ? Figures.typed(drop.widthMm()) : "";
        Optional<WaterKind> kind =
                seen instanceof Observation.Graded graded ? Optional.of(graded.kind()) : Optional.empty();
        return new TypedEntry(
                seen.measure(), Figures.typed(seen.amount()), width, kind, "", "", "", "", Optional.of(seen));
    }

    /** Reads what was typed. */
    public static TypedEntry read(Measure measure, String amount, String width, String kindCode, String because) {
        Optional<WaterKind> kind = WaterKind.ofCode(kindCode);
        String what = switch (measure) {
            case PULL -> "pull";
            case DROP -> "drop's height";
            case LEFT_BEHIND -> "water's mass";
            case WATER_GRADE -> "grade";
            case GLOSS -> "gloss";
        };
        TypedNumber first = TypedNumber.read(amount, what, measure.unit(), measure.lowest(), measure.highest());
        String problem = first instanceof TypedNumber.Refused refused ? refused.message() : "";
        TypedNumber second = measure == Measure.DROP
                ? TypedNumber.read(
                        width, "drop's width", "mm", Observation.DropShape.NARROWEST, Observation.DropShape.WIDEST)
                : new TypedNumber.Read(0);
        String secondProblem = second instanceof TypedNumber.Refused refused ? refused.message() : "";
        if (measure == Measure.WATER_GRADE && problem.isEmpty()) {
            problem = kind.isEmpty() ? "First say what the water does: repels or sheets." : "";
        }
        Optional<Observation> seen = Optional.empty();
        if (problem.isEmpty()
                && secondProblem.isEmpty()
                && first instanceof TypedNumber.Read one
                && second instanceof TypedNumber.Read two) {
            try {
                seen = Optional.of(observation(measure, one.value(), two.value(), kind));
            } catch (IllegalArgumentException e) {
                problem = measure == Measure.WATER_GRADE
                        ? "Grades are whole numbers from 0 to 4."
                        : "Check both numbers: " + e.getMessage() + ".";
            }
        }
        return new TypedEntry(measure, amount, width, kind, because, problem, secondProblem, "", seen);
    }

    private static Observation observation(Measure measure, double first, double second, Optional<WaterKind> kind) {
        return switch (measure) {
            case PULL -> new Observation.Pull(first);
            case DROP -> new Observation.DropShape(first, second);
            case LEFT_BEHIND -> new Observation.LeftBehind(first);
            case GLOSS -> new Observation.Gloss(first);
            case WATER_GRADE -> {
                if (first != Math.rint(first)) {
                    throw new IllegalArgumentException("a grade is a whole number");
                }
                yield new Observation.Graded(kind.orElseThrow(), (int) first);
            }
        };
    }

    /** The same, with a problem at its first field. */
    public TypedEntry refused(String problem) {
        return new TypedEntry(
                measure, amount, width, kind, because, problem, widthProblem, becauseProblem, Optional.empty());
    }

    /** The same, asking for a reason. */
    public TypedEntry withoutReason() {
        return new TypedEntry(
                measure,
                amount,
                width,
                kind,
                because,
                amountProblem,
                widthProblem,
                "Say why, in a word or two; it stays in the record.",
                observation);
    }

    List<Slate.Field> fields() {
        List<Slate.Field> fields = new ArrayList<>();
        switch (measure) {
            case PULL -> fields.add(new Slate.Field("amount", "Steady pull", "N", amount, amountProblem, true));
            case DROP -> {
                fields.add(new Slate.Field("amount", "Height", "mm", amount, amountProblem, true));
                fields.add(new Slate.Field("width", "Width of the base", "mm", width, widthProblem, false));
            }
            case GLOSS -> fields.add(new Slate.Field("amount", "At 60°", "GU", amount, amountProblem, true));
            case LEFT_BEHIND -> fields.add(new Slate.Field("amount", "Towel gained", "g", amount, amountProblem, true));
            case WATER_GRADE -> {
                if (!amountProblem.isEmpty()) {
                    fields.add(new Slate.Field("", "", "", "", amountProblem, true));
                }
            }
        }
        return fields;
    }
}
