package org.evensheen.core.footing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.core.comparing.BlockModel;
import org.evensheen.core.footing.Finding.Kind;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;

/** What limits a study by its design alone: who is compared, and where they stand. */
final class DesignFindings {
    private DesignFindings() {}

    /** Findings on contenders and sections while nothing was read. */
    static List<Finding> of(List<Contender> contenders, List<Section> sections) {
        return of(contenders, sections, sections);
    }

    /**
     * Findings on contenders and sections; the order is that of the checks.
     *
     * @param compared the sections that were read at the moment that is judged
     */
    static List<Finding> of(List<Contender> contenders, List<Section> sections, List<Section> compared) {
        List<Finding> findings = new ArrayList<>();
        List<Contender> products =
                contenders.stream().filter(c -> !c.isControl()).toList();
        List<Contender> single =
                products.stream().filter(c -> count(sections, c) < 2).toList();
        if (!single.isEmpty()) {
            findings.add(new Finding(
                    Kind.ONE_SECTION_EACH,
                    "%d of %d products stand on a single section: product and place can't be told apart."
                            .formatted(single.size(), products.size()),
                    "Give each product a second section in another row."));
        }
        List<Section> byHand = sections.stream().filter(Section::byHand).toList();
        if (!byHand.isEmpty()) {
            findings.add(new Finding(
                    Kind.PLACED_BY_HAND,
                    "%s %s placed by hand."
                            .formatted(
                                    byHand.stream().map(Section::code).collect(Collectors.joining(", ")),
                                    byHand.size() == 1 ? "was" : "were"),
                    "Let lots decide which product goes where."));
        }
        if (products.stream().noneMatch(c -> c.role() == Role.REFERENCE)) {
            findings.add(new Finding(
                    Kind.NO_REFERENCE,
                    "%d products, none of them a known reference.".formatted(products.size()),
                    "Include one product that you test every time."));
        }
        long rows = sections.stream().map(Section::row).distinct().count();
        boolean stuck = products.stream()
                .anyMatch(c -> count(sections, c) > 1
                        && sections.stream()
                                        .filter(s -> s.contender() == c.number())
                                        .map(Section::row)
                                        .distinct()
                                        .count()
                                < 2);
        if (rows > 1 && stuck) {
            findings.add(new Finding(
                    Kind.NOT_BLOCKED,
                    "Some products have all their sections in one of %d rows.".formatted(rows),
                    "Share rows out, so that low and high places fall on every product."));
        }
        rows(compared, single.size() < products.size()).ifPresent(findings::add);
        List<Contender> silent =
                products.stream().filter(c -> c.source() == Source.UNDISCLOSED).toList();
        if (!silent.isEmpty()) {
            findings.add(new Finding(
                    Kind.SOURCE_UNDISCLOSED,
                    "How %d of %d products were come by is not told.".formatted(silent.size(), products.size()),
                    "Say whether each was bought, gifted, lent or sponsored."));
        }
        return findings;
    }

    /** What the rows hinder: groups of sections that no row joins, or rows that can't be taken out for want of sections. */
    private static Optional<Finding> rows(List<Section> sections, boolean someTwice) {
        if (sections.isEmpty()) {
            return Optional.empty();
        }
        BlockModel model = BlockModel.fit(sections.stream()
                .map(s -> new BlockModel.Unit(s.contender(), s.row(), 0))
                .toList());
        Map<Integer, String> groups = new TreeMap<>();
        for (Section section : sections) {
            int first = model.treatments().stream()
                    .filter(t -> model.comparable(t, section.contender()))
                    .findFirst()
                    .orElseThrow();
            groups.merge(first, section.code(), (codes, code) -> codes + ", " + code);
        }
        if (groups.size() > 1) {
            return Optional.of(
                    new Finding(
                            Kind.NOT_COMPARABLE,
                            "No row holds sections of both groups: %s. What is between them may be the rows."
                                    .formatted(String.join(" | ", groups.values())),
                            "Put every product in every row, or a bare section in each; products without a shared row can't be compared."));
        }
        return someTwice && model.rows() == BlockModel.Rows.LEFT_IN
                ? Optional.of(new Finding(
                        Kind.ROWS_LEFT_IN,
                        "%d sections are too few to take the rows out; what rows do is part of the scatter."
                                .formatted(sections.size()),
                        "Give each product a section in more rows."))
                : Optional.empty();
    }

    private static long count(List<Section> sections, Contender contender) {
        return sections.stream()
                .filter(s -> s.contender() == contender.number())
                .count();
    }
}
