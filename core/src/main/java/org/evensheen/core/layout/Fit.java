package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;

/**
 * Puts equal upright rectangles on a bed, off its edge and its trims, in lines.
 *
 * <p>Within a line of the sections' height, what may not be touched projects to blocked stretches of x; sections are set from the
 * left into the free stretches between. That is exact: a rectangle as high as the line meets a blocked piece exactly if their
 * stretches of x overlap. The first line is tried at several heights and the start that holds most sections is kept.
 */
public final class Fit {
    /** Narrowest and lowest section that can be read, mm. */
    public static final double SMALLEST = 80;

    /** Most sections of a layout. */
    public static final int MOST = 60;

    private static final double[] PROPORTIONS = {1.5, 1.2, 1.0, 1.9, 0.8, 0.6};
    private static final int STARTS = 6;
    private static final double STEP = 5;
    private static final double TOUCH = 1e-6;

    private final Geometry blocked;
    private final Envelope free;
    private final double area;
    private final double gap;

    private Fit(BedShape bed, double gap) {
        this.gap = gap;
        BufferParameters square = new BufferParameters(4, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 2);
        Geometry inside = BufferOp.bufferOp(bed.outline().polygon(), -gap, square);
        for (BedShape.Trim trim : bed.trims()) {
            inside = inside.difference(BufferOp.bufferOp(trim.outline().polygon(), gap, square));
        }
        free = inside.getEnvelopeInternal();
        area = inside.getArea();
        Envelope all = new Envelope(free);
        all.expandBy(10);
        blocked = inside.isEmpty() ? inside : Outline.GEOMETRY.toGeometry(all).difference(inside);
    }

    /**
     * As many equal sections as fit.
     *
     * @param gapMm room between sections, and from edges and trims
     */
    public static List<Place> of(BedShape bed, double widthMm, double heightMm, double gapMm) {
        return new Fit(bed, gapMm).best(widthMm, heightMm);
    }

    /**
     * The largest sections of which a number fits, of a proportion that reads well.
     *
     * @return all that fit of that size, {@code count} or more; empty if they would be smaller than {@link #SMALLEST}
     */
    public static List<Place> largest(BedShape bed, int count, double gapMm) {
        Fit fit = new Fit(bed, gapMm);
        List<Place> best = List.of();
        double bestWorth = 0;
        for (double proportion : PROPORTIONS) {
            double discount = 1 + Math.abs(Math.log(proportion / PROPORTIONS[0]));
            List<Place> places =
                    fit.holds(count, proportion, bestWorth * discount) ? fit.largest(count, proportion) : List.of();
            if (!places.isEmpty()) {
                Place one = places.get(0);
                double worth = one.widthMm() * one.heightMm() / discount;
                if (worth > bestWorth) {
                    bestWorth = worth;
                    best = places;
                }
            }
        }
        return best;
    }

    /** How many of the smallest sections fit. */
    public static int most(BedShape bed, double gapMm) {
        return of(bed, SMALLEST, SMALLEST, gapMm).size();
    }

    /** By how much a bed of this shape would have to be larger to hold a number of sections, as a factor from 1. */
    static double growth(BedShape bed, int count, double widthMm, double heightMm, double gapMm) {
        for (double factor = 1.05; factor < 12; factor *= 1.05) {
            BedShape grown = bed.scaled(Math.min(factor, Outline.LARGEST / Math.max(bed.widthMm(), bed.heightMm())));
            if (of(grown, widthMm, heightMm, gapMm).size() >= count) {
                return factor;
            }
        }
        return Double.POSITIVE_INFINITY;
    }

    /** Whether sections of a proportion may be larger than an area, mm²: else it need not be looked for how large they can be. */
    private boolean holds(int count, double proportion, double above) {
        double height = Math.sqrt(above / proportion);
        return Math.min(height, height * proportion) < SMALLEST
                || best(height * proportion, height).size() >= count;
    }

    private List<Place> largest(int count, double proportion) {
        double low = SMALLEST / Math.min(1, proportion);
        double high = Math.max(free.getWidth(), free.getHeight()) + 1;
        List<Place> found = List.of();
        double smallest = low;
        for (int i = 0; i < 12 && high - low > STEP / 2; i++) {
            double height = (low + high) / 2;
            double width = down(height * proportion);
            boolean room = count * width * down(height) <= area;
            List<Place> places = room ? best(width, down(height)) : List.of();
            if (places.size() >= count) {
                found = places;
                low = height;
            } else {
                high = height;
            }
        }
        if (found.isEmpty()) {
            List<Place> least = best(smallest * proportion, smallest);
            found = least.size() < count ? found : least;
        }
        return found;
    }

    private static double down(double mm) {
        return Math.max(SMALLEST, Math.floor(mm / STEP) * STEP);
    }

    private List<Place> best(double width, double height) {
        List<Place> best = List.of();
        if (blocked.isEmpty() || height > free.getHeight() + TOUCH || width > free.getWidth() + TOUCH) {
            return best;
        }
        double spare =
                free.getHeight() - Math.floor((free.getHeight() + gap + TOUCH) / (height + gap)) * (height + gap) + gap;
        for (int start = 0; start < STARTS; start++) {
            List<Place> places = from(free.getMinY() + spare * start / (STARTS - 1), width, height);
            if (places.size() > best.size()) {
                best = places;
            }
        }
        return best;
    }

    private List<Place> from(double top, double width, double height) {
        List<Place> places = new ArrayList<>();
        int row = 1;
        for (double y = top; y + height <= free.getMaxY() + TOUCH; y += height + gap) {
            int before = places.size();
            line(y, width, height, row, places);
            if (places.size() > before) {
                row++;
            }
        }
        return places;
    }

    private void line(double y, double width, double height, int row, List<Place> places) {
        Geometry band = Outline.GEOMETRY.toGeometry(
                new Envelope(free.getMinX() - 5, free.getMaxX() + 5, y + TOUCH, y + height - TOUCH));
        Geometry met = OverlayNGRobust.overlay(blocked, band, OverlayNG.INTERSECTION);
        List<double[]> stretches = new ArrayList<>();
        for (int i = 0; i < met.getNumGeometries(); i++) {
            Geometry piece = met.getGeometryN(i);
            if (piece.getArea() > TOUCH) {
                stretches.add(new double[] {
                    piece.getEnvelopeInternal().getMinX(),
                    piece.getEnvelopeInternal().getMaxX()
                });
            }
        }
        stretches.sort(Comparator.comparingDouble(s -> s[0]));
        double x = free.getMinX();
        for (int next = 0; next <= stretches.size(); next++) {
            double until = next < stretches.size() ? stretches.get(next)[0] : free.getMaxX();
            while (x + width <= until + TOUCH) {
                places.add(new Place(row, x, y, width, height));
                x += width + gap;
            }
            if (next < stretches.size()) {
                x = Math.max(x, stretches.get(next)[1]);
            }
        }
    }
}
