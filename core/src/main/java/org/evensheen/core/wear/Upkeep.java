package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.StudyRecord;

/**
 * What goes on again as part of how something is used, read from a regime's own words: "Gannet Spray Wax every second wash", "again every 3 weeks".
 *
 * @param with what goes on, as it was written; empty for the product itself
 * @param every 1 to 100
 * @param axis washes or weeks
 */
public record Upkeep(String with, int every, Axis axis) {
    private static final Pattern WORDS = Pattern.compile(
            "(?i)(.*?)[, ]*\\b(?:at |after )?(each|every)(?: (second|third|fourth|\\d{1,3})(?:st|nd|rd|th)?)? (wash(?:es)?|weeks?)\\b.*");

    /** Reads it; empty if the words name no interval. */
    public static Optional<Upkeep> read(String way) {
        Matcher m = WORDS.matcher(way.strip());
        if (!m.matches()) {
            return Optional.empty();
        }
        int every = m.group(3) == null
                ? 1
                : switch (m.group(3).toLowerCase(java.util.Locale.ROOT)) {
                    case "second" -> 2;
                    case "third" -> 3;
                    case "fourth" -> 4;
                    default -> Integer.parseInt(m.group(3));
                };
        if (every < 1 || every > 100) {
            return Optional.empty();
        }
        String with = m.group(1).strip().replaceFirst("(?i)^(with|then|and)\\s+", "");
        return Optional.of(new Upkeep(
                with,
                every,
                m.group(4).toLowerCase(java.util.Locale.ROOT).startsWith("wash") ? Axis.WASHES : Axis.WEEKS));
    }

    private static final String GIVEN = "upkeep";

    /** What is noted of an application that was upkeep; {@link #given(String)} reads it. */
    public String given() {
        return with.isEmpty() ? GIVEN : GIVEN + ": " + with;
    }

    /** Whether it was upkeep, by what was noted of it. */
    public static boolean noted(String given) {
        return given.equals(GIVEN) || given.startsWith(GIVEN + ": ");
    }

    /** What went on as upkeep, by what was noted; empty if it was the product itself, or no upkeep. */
    public static Optional<String> given(String noted) {
        return Optional.of(noted)
                .filter(n -> n.startsWith(GIVEN + ": "))
                .map(n -> n.substring(GIVEN.length() + 2).strip());
    }

    /**
     * How a contender's upkeep stands.
     *
     * @param last day on which something went on it last, the first coat among them
     * @param gone washes or weeks since
     * @param on day from which it is due; empty while washes are wanting
     */
    public record Due(Contender contender, Upkeep upkeep, int last, double gone, OptionalInt on) {
        public boolean now(int today) {
            return on.isPresent() && on.getAsInt() <= today;
        }
    }

    /** Upkeep of all regimes of a study, as of a day; those that nothing went on yet are left out. */
    public static List<Due> of(StudyRecord study, int today) {
        List<Due> all = new ArrayList<>();
        for (Contender c : study.contenders()) {
            if (c.kind() != Contender.Kind.REGIME) {
                continue;
            }
            Optional<Upkeep> upkeep = read(c.way());
            OptionalInt last = last(study, c, today);
            if (upkeep.isPresent() && last.isPresent()) {
                all.add(due(study, c, upkeep.get(), last.getAsInt(), today));
            }
        }
        return List.copyOf(all);
    }

    private static Due due(StudyRecord study, Contender c, Upkeep upkeep, int last, int today) {
        if (upkeep.axis == Axis.WEEKS) {
            return new Due(c, upkeep, last, (today - last) / Exposure.WEEK, OptionalInt.of(last + 7 * upkeep.every));
        }
        int[] washes = study.happenings().stream()
                .filter(h -> h.kind() == Happening.Kind.WASHED && h.day() > last && h.day() <= today)
                .mapToInt(Happening::day)
                .sorted()
                .toArray();
        return new Due(
                c,
                upkeep,
                last,
                washes.length,
                washes.length < upkeep.every ? OptionalInt.empty() : OptionalInt.of(washes[upkeep.every - 1]));
    }

    private static OptionalInt last(StudyRecord study, Contender c, int today) {
        return java.util.stream.IntStream.concat(
                        study.happenings().stream()
                                .filter(h -> h.kind() == Happening.Kind.APPLIED)
                                .mapToInt(Happening::day),
                        study.applications().stream()
                                .filter(a -> a.contender() == c.number())
                                .mapToInt(Application::day))
                .filter(d -> d <= today)
                .max();
    }
}
