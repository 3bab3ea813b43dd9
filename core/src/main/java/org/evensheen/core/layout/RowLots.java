package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.evensheen.core.study.Section;

/**
 * Lays equal sections on a rectangular bed and draws by lot which contender goes where.
 *
 * <p>Every block is a band of one or more lines and holds every product once, and a bare section: a complete block
 * design. Lots are drawn afresh in each block from the stored seed; a draw that puts a contender above itself is drawn
 * again while another is possible. Codes are drawn too, so that a letter tells nothing. The generator is
 * {@link Random}, whose sequence the platform's specification fixes.
 */
public final class RowLots {
    /** Gap between sections and from the edge, mm: room for two widths of tape. */
    public static final double GAP = 40;

    /** Narrowest and lowest section that can be read, mm. */
    public static final double SMALLEST = 80;

    /** Letters written on tape; those easily misread are left out. */
    static final String LETTERS = "ABCDEFGHJKLMNPRSTUVWXYZ";

    private static final double BEST_PROPORTION = 1.5;
    private static final int REDRAWS = 200;

    private RowLots() {}

    /**
     * Draws a layout.
     *
     * @param widthMm width of the bed, mm
     * @param heightMm height of the bed, mm
     * @param products how many products, one or more; they are contenders 0 to products − 1, bare is the next number
     * @param perProduct sections per product, and so the number of blocks
     * @param seed stored with the study
     * @return sections from the upper left, with two or more bare ones
     * @throws BedTooSmall if the sections would be too small to read
     */
    public static List<Section> draw(double widthMm, double heightMm, int products, int perProduct, long seed) {
        if (products < 1 || perProduct < 1) {
            throw new IllegalArgumentException("a layout needs a product and a section for it");
        }
        int barePerBlock = perProduct == 1 ? 2 : 1;
        int inBlock = products + barePerBlock;
        Grid grid = Grid.best(widthMm, heightMm, inBlock, perProduct);
        Random random = new Random(seed);
        List<String> codes = codes(inBlock * perProduct, random);
        List<Section> sections = new ArrayList<>();
        List<Integer> above = List.of();
        for (int block = 0; block < perProduct; block++) {
            List<Integer> lots = drawBlock(products, inBlock, above, grid.columns, random);
            for (int i = 0; i < inBlock; i++) {
                int line = block * grid.linesPerBlock + i / grid.columns;
                int column = i % grid.columns;
                sections.add(new Section(
                        codes.get(sections.size()),
                        lots.get(i),
                        block + 1,
                        GAP + column * (grid.width + GAP),
                        GAP + line * (grid.height + GAP),
                        grid.width,
                        grid.height,
                        false));
            }
            above = lots;
        }
        return sections;
    }

    private static List<Integer> drawBlock(int products, int inBlock, List<Integer> above, int columns, Random random) {
        List<Integer> lots = new ArrayList<>(IntStream.range(0, inBlock)
                .map(i -> Math.min(i, products))
                .boxed()
                .toList());
        for (int draw = 0; draw < REDRAWS; draw++) {
            Collections.shuffle(lots, random);
            if (differs(lots, above, columns)) {
                break;
            }
        }
        return lots;
    }

    /** Whether no contender of the block's first line stands right under itself in the last line above. */
    private static boolean differs(List<Integer> lots, List<Integer> above, int columns) {
        int lastLine = above.isEmpty() ? 0 : (above.size() - 1) / columns * columns;
        return IntStream.range(0, Math.min(columns, lots.size()))
                .noneMatch(c ->
                        lastLine + c < above.size() && above.get(lastLine + c).equals(lots.get(c)));
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

    /** How many columns and lines, and the size of a section, mm. */
    private record Grid(int columns, int linesPerBlock, double width, double height) {

        static Grid best(double bedWidth, double bedHeight, int inBlock, int blocks) {
            Grid best = of(bedWidth, bedHeight, inBlock, blocks, 1);
            for (int lines = 2; lines <= inBlock; lines++) {
                Grid next = of(bedWidth, bedHeight, inBlock, blocks, lines);
                if (next.oddness() < best.oddness()) {
                    best = next;
                }
            }
            if (best.oddness() == Double.POSITIVE_INFINITY) {
                throw new BedTooSmall(bedWidth, bedHeight, inBlock, blocks, fitting(bedWidth, bedHeight));
            }
            return best;
        }

        private static Grid of(double bedWidth, double bedHeight, int inBlock, int blocks, int lines) {
            int columns = (inBlock + lines - 1) / lines;
            int allLines = blocks * lines;
            return new Grid(
                    columns,
                    lines,
                    Math.floor((bedWidth - GAP) / columns - GAP),
                    Math.floor((bedHeight - GAP) / allLines - GAP));
        }

        private static int fitting(double bedWidth, double bedHeight) {
            int across = (int) ((bedWidth - GAP) / (SMALLEST + GAP));
            int down = (int) ((bedHeight - GAP) / (SMALLEST + GAP));
            return Math.max(0, across) * Math.max(0, down);
        }

        /** How far a section is from a good proportion; infinite when it is too small. */
        private double oddness() {
            return width < SMALLEST || height < SMALLEST
                    ? Double.POSITIVE_INFINITY
                    : Math.abs(Math.log(width / height / BEST_PROPORTION));
        }
    }

    /** The bed can't hold so many sections of a size that can be read. */
    public static final class BedTooSmall extends IllegalArgumentException {
        private final int fitting;
        private final int wideEnough;
        private final int highEnough;

        BedTooSmall(double width, double height, int inBlock, int blocks, int fitting) {
            super("%d sections of at least %.0f mm square don't fit on %.0f × %.0f mm; %d do"
                    .formatted(inBlock * blocks, SMALLEST, width, height, fitting));
            this.fitting = fitting;
            this.wideEnough = (int) Math.max(width, Math.ceil(inBlock * (SMALLEST + GAP) + GAP));
            this.highEnough = (int) Math.max(height, Math.ceil(blocks * (SMALLEST + GAP) + GAP));
        }

        /** How many of the smallest sections the bed holds. */
        public int fitting() {
            return fitting;
        }

        /** A width that would do, with {@link #highEnough()}, mm. */
        public int wideEnough() {
            return wideEnough;
        }

        /** A height that would do, with {@link #wideEnough()}, mm. */
        public int highEnough() {
            return highEnough;
        }
    }
}
