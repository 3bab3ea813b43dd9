package org.evensheen.core.study;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Contenders in the order of their first codes, bare after all others, so that the order in which somebody listed them says nothing of
 * what a code stands for, and no number of a verdict depends on it.
 *
 * @param numbers the new number by the old one
 */
public record CodeOrder(List<Integer> numbers) {
    /** A before B, Z before AA. */
    private static final Comparator<String> BY_CODE =
            Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder());

    public CodeOrder {
        numbers = List.copyOf(numbers);
    }

    /**
     * The order that codes give.
     *
     * @param contenders in the order of their numbers, from 0
     * @throws IllegalArgumentException if a contender has no section
     */
    public static CodeOrder of(List<Contender> contenders, List<Section> sections) {
        List<Integer> order = contenders.stream()
                .sorted(Comparator.comparing(Contender::isBare).thenComparing(c -> first(c, sections), BY_CODE))
                .map(Contender::number)
                .toList();
        return new CodeOrder(
                IntStream.range(0, contenders.size()).mapToObj(order::indexOf).toList());
    }

    private static String first(Contender contender, List<Section> sections) {
        Optional<String> first = sections.stream()
                .filter(s -> s.contender() == contender.number())
                .map(Section::code)
                .min(BY_CODE);
        return first.orElseThrow(
                () -> new IllegalArgumentException("no section holds contender %d".formatted(contender.number())));
    }

    /** The number of a contender that had another. */
    public int of(int before) {
        return numbers.get(before);
    }

    public List<Contender> contenders(List<Contender> before) {
        return before.stream()
                .map(c -> c.numbered(of(c.number())))
                .sorted(Comparator.comparingInt(Contender::number))
                .toList();
    }

    public List<Section> sections(List<Section> before) {
        return before.stream()
                .map(s -> new Section(
                        s.code(),
                        of(s.contender()),
                        s.row(),
                        s.xMm(),
                        s.yMm(),
                        s.widthMm(),
                        s.heightMm(),
                        s.byHand(),
                        s.name()))
                .toList();
    }

    /** What stood under the old numbers, under the new ones. */
    public <T> Map<Integer, T> keyed(Map<Integer, T> before) {
        Map<Integer, T> after = new HashMap<>();
        before.forEach((number, what) -> after.put(of(number), what));
        return after;
    }
}
