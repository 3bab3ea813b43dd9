package org.evensheen.app.shelf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.shelf.ShelfStore.Listed;
import org.evensheen.app.shelf.StandingStore.Part;
import org.evensheen.core.label.ProductKind;
import org.jspecify.annotations.Nullable;

/**
 * The Shelf, a page of it.
 *
 * @param standingsWanted address that works out the standings not known yet; absent if all are known
 * @param older address of the next page, if there is one
 */
record ShelfPage(
        String text,
        List<Kind> kinds,
        List<Card> cards,
        boolean filtered,
        @Nullable String standingsWanted,
        @Nullable String before,
        @Nullable String older) {
    private static final int LONGEST_LINE = 58;

    /** A kind to choose. */
    record Kind(String code, String label, boolean chosen) {}

    /** A product on the Shelf. */
    record Card(
            long id,
            String address,
            String name,
            String kind,
            String uses,
            String left,
            BottleDrawing bottle,
            String caution,
            String standing) {}

    static ShelfPage of(
            String text,
            Optional<ProductKind> kind,
            int page,
            List<Listed> listed,
            List<Part> parts,
            StandingStore standings) {
        Map<Long, Part> latest =
                parts.stream().collect(Collectors.toMap(Part::product, p -> p, (first, later) -> first));
        List<Listed> shown = listed.stream().limit(ShelfStore.PAGE).toList();
        List<Card> cards = shown.stream()
                .map(l -> card(l, standing(Optional.ofNullable(latest.get(l.id())), standings)))
                .toList();
        boolean wanting =
                latest.values().stream().anyMatch(p -> standings.remembered(p).isEmpty());
        String here = "/shelf?text=%s&kind=%s&page="
                .formatted(
                        java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8),
                        kind.map(ProductKind::code).orElse(""));
        return new ShelfPage(
                text,
                java.util.Arrays.stream(ProductKind.values())
                        .map(k -> new Kind(
                                k.code(), k.label(), kind.filter(k::equals).isPresent()))
                        .toList(),
                cards,
                !text.isBlank() || kind.isPresent(),
                wanting
                        ? "/shelf/standings?products="
                                + cards.stream().map(c -> String.valueOf(c.id)).collect(Collectors.joining(","))
                        : null,
                page > 0 ? here + (page - 1) : null,
                listed.size() > ShelfStore.PAGE ? here + (page + 1) : null);
    }

    private static String standing(Optional<Part> part, StandingStore standings) {
        return part.map(p -> standings.remembered(p).orElse("…")).orElse("in no study yet");
    }

    private static Card card(Listed listed, String standing) {
        String uses = listed.label().uses().stream().map(u -> u.print()).collect(Collectors.joining(" · "));
        return new Card(
                listed.id(),
                "/shelf/" + listed.id(),
                listed.name(),
                listed.kind().label(),
                uses.isEmpty() ? "no label entered yet" : shortened(uses),
                listed.remaining().sizeMl() == 0
                        ? "no bottle"
                        : listed.remaining().nearlyEmpty()
                                ? Figures.millilitres(listed.remaining().leftMl()) + ", nearly empty"
                                : Figures.millilitres(listed.remaining().leftMl()) + " left",
                BottleDrawing.of(listed.kind().vessel(listed.remaining().sizeMl()), listed.remaining()),
                listed.label().hazards().stream().map(h -> h.word()).collect(Collectors.joining(", ")),
                standing);
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST_LINE ? text : text.substring(0, LONGEST_LINE - 1) + "…";
    }
}
