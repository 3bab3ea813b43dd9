package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * Draws by lot which contender goes where.
 *
 * <p>Places are sorted by zone and line and cut into as many blocks as a product has sections, so that a block's places live as
 * alike as can be. Every block holds every contender as often as every other block, or, where its sections don't divide evenly,
 * once more or less. Within blocks lots are drawn afresh {@value #DRAWS} times from the stored seed, and of these draws the one is kept
 * that sets fewest equal neighbours and shares zones, heights and sides out most evenly (rerandomization; Morgan and Rubin,
 * 2012). The generator is {@link Random}, whose sequence the platform's specification fixes.
 */
final class Lots {
    static final int DRAWS = 400;

    private static final double EQUAL_NEIGHBOURS = 100;
    private static final double SIDES = 0.3;

    private final List<Place> places;
    private final List<Integer> counts;
    private final int blocks;
    private final int[] block;
    private final int[][] neighbours;
    private final double[][] traits;

    /**
     * @param places as many as the counts add up to
     * @param counts sections of each contender, by number
     */
    Lots(List<Place> places, List<Integer> counts, List<Zone> zones, double gapMm) {
        this.counts = counts;
        blocks = counts.stream().mapToInt(Integer::intValue).max().orElseThrow();
        this.places = places.stream()
                .sorted(Comparator.comparing(
                                (Place p) -> p.zone(zones).map(Enum::ordinal).orElse(-1))
                        .thenComparing(Place::row)
                        .thenComparing(p -> p.row() % 2 == 1 ? p.xMm() : -p.xMm()))
                .toList();
        block = new int[places.size()];
        neighbours = neighbours(gapMm);
        traits = traits(zones);
    }

    /** Places in the order of blocks. */
    List<Place> places() {
        return places;
    }

    /** Block of each place, from 1; after {@link #draw}. */
    int block(int place) {
        return block[place];
    }

    int blocks() {
        return blocks;
    }

    /** The contender on each place. */
    int[] draw(Random random) {
        List<List<Integer>> contents = contents();
        int[] best = new int[0];
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < DRAWS; i++) {
            int[] drawn = new int[places.size()];
            int at = 0;
            for (List<Integer> one : contents) {
                Collections.shuffle(one, random);
                for (int contender : one) {
                    drawn[at++] = contender;
                }
            }
            double cost = cost(drawn);
            if (cost < least) {
                least = cost;
                best = drawn;
            }
        }
        return best;
    }

    private List<List<Integer>> contents() {
        List<List<Integer>> contents = new ArrayList<>();
        int at = 0;
        for (int b = 0; b < blocks; b++) {
            List<Integer> one = new ArrayList<>();
            for (int contender = 0; contender < counts.size(); contender++) {
                int count = counts.get(contender);
                int here = (b + 1) * count / blocks - b * count / blocks;
                one.addAll(Collections.nCopies(here, contender));
            }
            Arrays.fill(block, at, at + one.size(), b + 1);
            at += one.size();
            contents.add(one);
        }
        return contents;
    }

    private int[][] neighbours(double gapMm) {
        int[][] all = new int[places.size()][];
        for (int i = 0; i < all.length; i++) {
            Place one = places.get(i);
            List<Integer> beside = new ArrayList<>();
            for (int j = i + 1; j < all.length; j++) {
                if (one.neighbours(places.get(j), gapMm)) {
                    beside.add(j);
                }
            }
            all[i] = beside.stream().mapToInt(Integer::intValue).toArray();
        }
        return all;
    }

    /** What should come out alike for every contender: the share in each zone, and the place across and down, each 0 to 1. */
    private double[][] traits(List<Zone> zones) {
        double right = places.stream().mapToDouble(Place::xMm).max().orElse(0);
        double left = places.stream().mapToDouble(Place::xMm).min().orElse(0);
        double bottom = places.stream().mapToDouble(Place::yMm).max().orElse(0);
        double top = places.stream().mapToDouble(Place::yMm).min().orElse(0);
        return places.stream()
                .map(p -> {
                    double[] of = new double[Zone.Kind.values().length + 2];
                    for (Zone.Kind kind : Zone.Kind.values()) {
                        of[kind.ordinal()] = p.in(zones, kind);
                    }
                    of[of.length - 2] = right > left ? SIDES * (p.xMm() - left) / (right - left) : 0;
                    of[of.length - 1] = bottom > top ? SIDES * (p.yMm() - top) / (bottom - top) : 0;
                    return of;
                })
                .toArray(double[][]::new);
    }

    private double cost(int[] drawn) {
        double cost = 0;
        for (int i = 0; i < drawn.length; i++) {
            for (int j : neighbours[i]) {
                if (drawn[i] == drawn[j]) {
                    cost += EQUAL_NEIGHBOURS;
                }
            }
        }
        for (int t = 0; t < traits[0].length; t++) {
            double[] sum = new double[counts.size()];
            double all = 0;
            for (int i = 0; i < drawn.length; i++) {
                sum[drawn[i]] += traits[i][t];
                all += traits[i][t];
            }
            for (int c = 0; c < sum.length; c++) {
                double off = sum[c] / Math.max(1, counts.get(c)) - all / drawn.length;
                cost += off * off;
            }
        }
        return cost;
    }
}
