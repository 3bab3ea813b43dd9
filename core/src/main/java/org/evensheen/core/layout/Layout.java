package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.Rounded;

/**
 * Sections on a bed with what the lots gave each.
 *
 * @param sections from the upper left
 * @param spare places of the same size that are not used
 * @param gapMm room between sections
 */
public record Layout(List<Section> sections, List<Place> spare, double gapMm) {
    /** Gap between sections that is taken if none is asked for, mm: room for two widths of tape. */
    public static final double GAP = 40;

    /** Letters written on tape; those easily misread are left out. */
    static final String LETTERS = "ABCDEFGHJKLMNPRSTUVWXYZ";

    /**
     * What is asked of a layout.
     *
     * @param counts sections of each contender, by its number; 0 for none
     * @param widthMm width of a section; 0 for as large as fits
     * @param heightMm height of a section; 0 with a width of 0
     * @param seed stored with the study
     * @param moves exchanges by hand, after the lots, in order
     */
    public record Ask(
            BedShape bed,
            List<Integer> counts,
            double widthMm,
            double heightMm,
            double gapMm,
            long seed,
            List<Move> moves) {
        public Ask {
            counts = List.copyOf(counts);
            moves = List.copyOf(moves);
            if (counts.stream().allMatch(c -> c == 0)) {
                throw new IllegalArgumentException("a layout needs a section for somebody");
            }
        }

        /** As large as fits, with the usual gap and nothing moved. */
        public static Ask filling(BedShape bed, List<Integer> counts, long seed) {
            return new Ask(bed, counts, 0, 0, GAP, seed, List.of());
        }

        public int sections() {
            return counts.stream().mapToInt(Integer::intValue).sum();
        }
    }

    /** By hand: the section with a code changes places with another, or goes to a spare place, counted from 0. */
    public record Move(String code, String with) {

        /** Reads "K:B" or "K:2". */
        public static List<Move> parse(String text) {
            return text.isBlank()
                    ? List.of()
                    : java.util.Arrays.stream(text.strip().split("\\s+"))
                            .map(m -> m.split(":", -1))
                            .filter(m -> m.length == 2 && !m[0].isEmpty() && !m[1].isEmpty())
                            .map(m -> new Move(m[0], m[1]))
                            .toList();
        }

        public String print() {
            return code + ":" + with;
        }
    }

    /** The bed can't hold so many sections of the size asked for. */
    public static final class TooSmall extends IllegalArgumentException {
        private final int fitting;

        TooSmall(String message, int fitting) {
            super(message);
            this.fitting = fitting;
        }

        /** How many do fit. */
        public int fitting() {
            return fitting;
        }
    }

    /**
     * Places sections and draws the lots.
     *
     * @throws TooSmall with how many fit and what size of section or bed would do
     */
    public static Layout draw(Ask ask) {
        int count = ask.sections();
        List<Place> all = places(ask, count);
        List<Place> chosen = chosen(all, count, ask.bed().zones());
        List<Place> spare = new ArrayList<>(all);
        spare.removeAll(chosen);
        Lots lots = new Lots(chosen, ask.counts(), ask.bed().zones(), ask.gapMm());
        Random random = new Random(ask.seed());
        List<String> codes = codes(count, random);
        int[] drawn = lots.draw(random);
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Place p = lots.places().get(i);
            sections.add(new Section(
                    codes.get(i), drawn[i], lots.block(i), p.xMm(), p.yMm(), p.widthMm(), p.heightMm(), false));
        }
        return new Layout(sections, spare, ask.gapMm()).moved(ask.moves());
    }

    public Layout {
        sections = sections.stream()
                .sorted(Comparator.comparingDouble(Section::yMm).thenComparingDouble(Section::xMm))
                .toList();
        spare = List.copyOf(spare);
    }

    private static List<Place> places(Ask ask, int count) {
        if (count > Fit.MOST) {
            throw new TooSmall(
                    "%d sections are more than one pair of hands can read in a day; %d is the most. Take fewer products or fewer sections each."
                            .formatted(count, Fit.MOST),
                    Fit.MOST);
        }
        if (ask.widthMm() == 0) {
            List<Place> places = Fit.largest(ask.bed(), count, ask.gapMm());
            if (places.isEmpty()) {
                throw tooSmall(ask, count, Fit.SMALLEST, Fit.SMALLEST, Fit.most(ask.bed(), ask.gapMm()), "");
            }
            return places;
        }
        List<Place> places = Fit.of(ask.bed(), ask.widthMm(), ask.heightMm(), ask.gapMm());
        if (places.size() < count) {
            List<Place> largest = Fit.largest(ask.bed(), count, ask.gapMm());
            String instead = largest.isEmpty()
                    ? ""
                    : String.format(
                            Locale.ROOT,
                            " Sections of %.0f × %.0f mm would do.",
                            largest.get(0).widthMm(),
                            largest.get(0).heightMm());
            throw tooSmall(ask, count, ask.widthMm(), ask.heightMm(), places.size(), instead);
        }
        return places;
    }

    private static TooSmall tooSmall(Ask ask, int count, double width, double height, int fitting, String instead) {
        double growth = Fit.growth(ask.bed(), count, width, height, ask.gapMm());
        String larger = Double.isInfinite(growth)
                ? ""
                : " A bed of this shape would have to be about %s × %s mm."
                        .formatted(
                                Rounded.number(ask.bed().widthMm() * growth, 0),
                                Rounded.number(ask.bed().heightMm() * growth, 0));
        return new TooSmall(
                "%d sections of %s × %s mm don't fit on this bed; %d do.%s%s Or take fewer products or fewer sections each."
                        .formatted(
                                count, Rounded.number(width, 0), Rounded.number(height, 0), fitting, instead, larger),
                fitting);
    }

    /** Of more places than are needed those least in zones, and whole lines before broken ones. */
    private static List<Place> chosen(List<Place> all, int count, List<Zone> zones) {
        return all.stream()
                .sorted(Comparator.comparingInt((Place p) -> p.zone(zones).isPresent() ? 1 : 0)
                        .thenComparingInt(Place::row)
                        .thenComparingDouble(Place::xMm))
                .limit(count)
                .toList();
    }

    private static List<String> codes(int count, Random random) {
        List<String> codes = new ArrayList<>();
        for (int i = 0; codes.size() < count; i++) {
            String letter = String.valueOf(LETTERS.charAt(i % LETTERS.length()));
            codes.add(i < LETTERS.length() ? letter : LETTERS.charAt(i / LETTERS.length() - 1) + letter);
        }
        Collections.shuffle(codes, random);
        return codes;
    }

    private Layout moved(List<Move> moves) {
        Map<String, Section> byCode = new TreeMap<>();
        sections.forEach(s -> byCode.put(s.code(), s));
        List<Place> free = new ArrayList<>(spare);
        for (Move move : moves) {
            Section one = byCode.get(move.code());
            Section other = byCode.get(move.with());
            if (one == null || one == other) {
                continue;
            }
            if (other != null) {
                byCode.put(one.code(), at(one, other.row(), place(other)));
                byCode.put(other.code(), at(other, one.row(), place(one)));
            } else if (move.with().matches("\\d{1,3}") && Integer.parseInt(move.with()) < free.size()) {
                Place to = free.set(Integer.parseInt(move.with()), place(one));
                byCode.put(one.code(), at(one, one.row(), to));
            }
        }
        return new Layout(List.copyOf(byCode.values()), free, gapMm);
    }

    private static Place place(Section s) {
        return new Place(s.row(), s.xMm(), s.yMm(), s.widthMm(), s.heightMm());
    }

    private static Section at(Section s, int block, Place place) {
        return new Section(
                s.code(),
                s.contender(),
                block,
                place.xMm(),
                place.yMm(),
                place.widthMm(),
                place.heightMm(),
                true,
                s.name());
    }
}
