package org.evensheen.core.runsheet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evensheen.core.label.Claim;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.Step.Kind;
import org.evensheen.core.runsheet.Step.Part;
import org.evensheen.core.units.Span;

/** Everything with water: stripping, washes, visits, chemical doses, and the gates that water makes. */
final class WashParts {
    private static final String ALIKE =
            "Every section alike: what one gets and another does not is not the product's doing.";

    private WashParts() {}

    /** The steps of stripping, as the plan lists them. */
    static List<Step> strip(RunDay day) {
        List<Step> steps = new ArrayList<>();
        day.works().stream()
                .filter(w -> w.kind() == Calendar.Kind.STRIP && w.day() == day.day())
                .findFirst()
                .ifPresent(work -> {
                    int number = 1;
                    for (String what : work.title().split(", ")) {
                        String word = what.toLowerCase(Locale.ROOT);
                        steps.add(Step.task(
                                "strip/" + number++,
                                Part.STRIP,
                                Character.toUpperCase(what.charAt(0)) + what.substring(1) + " all sections",
                                with(word),
                                work.why()));
                    }
                });
        return steps;
    }

    private static String with(String what) {
        return switch (what) {
            case "wash" -> "Body mitt and two buckets, top to bottom; rinse.";
            case "clay" -> "Clay with plenty of lubricant, straight strokes, a clean face for every section.";
            case "iron remover" -> "Spray, dwell by its label, rinse in full. Cool panel; mask and air.";
            case "polish" -> "A clean pad for every section; wipe off. Polishes leave films, so strip after it.";
            case "strip" -> "Stripping wash or strip by its label; rinse in full. Gloves.";
            case "wipe down" -> "A fresh towel, folded; a new face for every section. Let it flash off.";
            default -> "By its label.";
        };
    }

    static List<Step> wash(RunDay day, String key, Part part) {
        return List.of(
                Step.task(key + "/rinse", part, "Rinse", "Top to bottom, loose dirt off first.", ALIKE),
                Step.task(
                        key + "/foam",
                        part,
                        "Foam and rinse",
                        "Let it drain as its label says; rinse before it dries.",
                        ALIKE),
                Step.task(
                        key + "/washed",
                        part,
                        "Contact wash and rinse",
                        "Body media only; as many passes on every section, light ones.",
                        ALIKE),
                Step.task(
                        key + "/dry",
                        part,
                        "Dry",
                        "Plain towels, patted. A drying aid re-coats: note it below if one is used.",
                        "Any topper or drying aid goes on the tape, or the study loses its footing."));
    }

    /** A visit in its order; if its readings have begun, what came before them is over. */
    static List<Step> visit(RunDay day, boolean begun) {
        List<Step> steps = new ArrayList<>();
        steps.add(Step.task(
                "visit/arrival",
                Part.VISIT,
                "Look at it as it arrived",
                "Before any water. A photo of what strikes you.",
                "Dirt can hide a coating that is still there: masked is not worn."));
        steps.addAll(wash(day, "visit", Part.VISIT));
        steps.add(gate("visit"));
        steps.add(Step.task(
                "visit/wet",
                Part.VISIT,
                "Wet it again",
                day.study()
                        .wettedOn(day.day())
                        .map(w -> "All sections, by %s as for the looks before.".formatted(w.label()))
                        .orElse(
                                "All sections in the same way, as for the first readings: a fine mist, low pressure, or an open stream."),
                "Dried and wetted again is the look that counts."));
        return begun ? steps.stream().filter(s -> day.mark(s.key()).isPresent()).toList() : steps;
    }

    private static Step gate(String key) {
        return Step.simple(
                "gate/residue/" + key,
                Part.VISIT,
                Kind.GATE,
                "Rinsed clean and dry, nothing left on?",
                "Wipe a white towel over a lower corner: it must stay clean.",
                "Wet residue reads like a coating, or hides one.",
                List.of());
    }

    /** A dose of chemicals with its dwell. */
    static void dose(RunDay day, List<Step> steps, List<Clock> clocks) {
        Optional<String> title = day.works().stream()
                .filter(w -> w.kind() == Calendar.Kind.DOSE && w.day() == day.day())
                .map(Calendar.Work::title)
                .findFirst();
        String wear = day.chemicals().stream()
                .flatMap(c -> c.hazards().stream())
                .map(h -> h.wear())
                .distinct()
                .reduce((a, b) -> a + ", " + b)
                .map(w -> "Wear: " + w + ". ")
                .orElse("");
        steps.add(Step.task(
                RunSheet.DOSING,
                Part.DOSE,
                title.map(t -> t.replaceFirst("^Dose: ", "")).orElse("Put the chemical on"),
                wear + "By its maker's label; never mix, never on hot metal. Tap when the last section is covered.",
                "The same dose and dwell everywhere."));
        Optional<Span> dwell = day.chemicals().stream()
                .flatMap(c -> c.label().one(Claim.Wait.class).stream())
                .map(Claim.Wait::seconds)
                .min(Comparator.comparingDouble(Span::high));
        Optional<Instant> on = day.mark(RunSheet.DOSING).map(Mark::at);
        Step rinse = Step.task(
                "dose/rinse",
                Part.DOSE,
                "Rinse in full",
                "From the top, until no foam or smell is left; the lowest sections last and longest.",
                "What is left on goes on working.");
        if (on.isPresent() && dwell.isPresent()) {
            Instant opens = on.get().plusSeconds(Math.round(dwell.get().low()));
            Instant closes = on.get().plusSeconds(Math.round(dwell.get().high()));
            rinse = rinse.between(Optional.of(opens), Optional.of(closes));
            if (day.mark("dose/rinse").isEmpty()) {
                clocks.add(new Clock("dose/rinse", "Dwell", List.of(), opens, Optional.of(closes)));
            }
        }
        steps.add(rinse);
        steps.add(Step.task("dose/dry", Part.DOSE, "Dry", "Fresh towels, patted.", ALIKE));
    }

    /** Keeps first readings behind the cure. */
    static Optional<Step> cureGate(RunDay day) {
        double hours = day.entrants().stream()
                .flatMap(e -> e.slowest().stream())
                .mapToDouble(Entrant.Layer::dryHours)
                .max()
                .orElse(0);
        if (hours == 0) {
            return Optional.empty();
        }
        Optional<Instant> over = day.cureFrom().map(from -> from.plusSeconds(Math.round(hours * 3600)));
        return Optional.of(Step.simple(
                        "gate/cure",
                        Part.FRESH,
                        Kind.GATE,
                        "Cured, and dry all the while?",
                        String.format(
                                Locale.ROOT, "The longest of the labels asks %.0f h after the final coat.", hours),
                        "A shower inside the cure spoils it; readings before its end are not first readings.",
                        List.of())
                .between(over, Optional.empty()));
    }
}
