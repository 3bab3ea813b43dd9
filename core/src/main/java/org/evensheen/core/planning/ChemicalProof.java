package org.evensheen.core.planning;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.study.Dosing;
import org.evensheen.core.study.Section;

/**
 * What a scheme of chemicals can show with the sections there are.
 *
 * @param can what it shows, with its numbers
 * @param cannot what it can't show, and why
 * @param sectionsPerChemical sections of a product whose first dose is a certain chemical: what rests on it alone
 */
public record ChemicalProof(String can, String cannot, double sectionsPerChemical) {

    /** @param each sections of a product, from 1 */
    public static ChemicalProof of(Chemicals wear, int each) {
        int n = wear.chemicals().size();
        double alone = wear.scheme() == Scheme.STACKED ? 0 : each / (double) n;
        return switch (wear.scheme()) {
            case STACKED ->
                new ChemicalProof(
                        "Which product outlasts the whole row of %d, on all %d sections of each.".formatted(n, each),
                        n == 1
                                ? "Nothing is hidden: there is one chemical only."
                                : "Which chemical did it: after the first dose every loss is the work of up to %d together, in one order."
                                        .formatted(n),
                        n == 1 ? each : 0);
            case SPLIT ->
                new ChemicalProof(
                        "What each chemical does alone, on %s of each product.".formatted(sections(each, n)),
                        each < n
                                ? "%d of %d chemicals get no section of a product: %d sections each are needed."
                                        .formatted(n - each, n, n)
                                : each < 2 * n
                                        ? "Chemical and place apart: one section each. %d sections each would do."
                                                .formatted(2 * n)
                                        : "What they do one after another.",
                        alone);
            case ROTATED ->
                new ChemicalProof(
                        "Which product outlasts the row, on all %d sections, and from the first doses what each chemical does alone, on %s of each product."
                                .formatted(each, sections(each, n)),
                        each % n == 0
                                ? "Nothing of the order: every chemical comes first, second … equally often."
                                : "The order fully: %d sections are no whole number of turns of %d chemicals."
                                        .formatted(each, n),
                        alone);
        };
    }

    private static String sections(int each, int chemicals) {
        int low = each / chemicals;
        return each % chemicals == 0
                ? low + (low == 1 ? " section" : " sections")
                : "%d or %d sections".formatted(low, low + 1);
    }

    /**
     * The chemical of a section in a round.
     *
     * @param nth the section's number among those of its product, from 0
     * @param round from 0
     * @return its index, or −1 for none in this round
     */
    public static int given(Scheme scheme, int chemicals, int nth, int round) {
        return switch (scheme) {
            case STACKED -> round;
            case SPLIT -> round == 0 ? nth % chemicals : -1;
            case ROTATED -> (nth + round) % chemicals;
        };
    }

    /**
     * Which chemical goes on which sections in a round: the first, second … of each contender's sections, in their order.
     *
     * @param sections all of the study's
     */
    public static Dosing given(Chemicals wear, List<Section> sections, int round) {
        int n = wear.chemicals().size();
        if (wear.scheme() == Scheme.STACKED) {
            return new Dosing(
                    List.of(new Dosing.Given(wear.chemicals().get(round % n).name(), Set.of())));
        }
        Map<Integer, Integer> nth = new HashMap<>();
        Map<Integer, Set<String>> codes = new TreeMap<>();
        for (Section section : sections) {
            int chemical = given(wear.scheme(), n, nth.merge(section.contender(), 1, Integer::sum) - 1, round);
            if (chemical >= 0) {
                codes.computeIfAbsent(chemical, c -> new TreeSet<>()).add(section.code());
            }
        }
        return new Dosing(codes.entrySet().stream()
                .map(e -> new Dosing.Given(wear.chemicals().get(e.getKey()).name(), e.getValue()))
                .toList());
    }

    /** Rounds of doses. */
    public static List<Integer> rounds(Chemicals wear) {
        return IntStream.range(0, wear.visits()).boxed().toList();
    }
}
