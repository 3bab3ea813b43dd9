package org.evensheen.core.planning;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.schedule.Plan.Planned;

/**
 * How a study is to be done.
 *
 * @param prep steps before anything is applied, in their order
 * @param proveBare whether every section is wetted and must lie flat before anything is applied
 * @param cureHours hours to keep dry after the final coat
 * @param measures what is read on every section, and how often
 * @param gaugeChecks whether the gauge is checked at the start and every eight weeks
 * @param weather whether the weather is noted whenever readings are taken
 * @param blind whether the judge knows codes only
 * @param toppers whether a topper or drying aid is used between visits
 */
public record Protocol(
        Set<Prep> prep,
        boolean proveBare,
        double cureHours,
        List<Planned> measures,
        Wear wear,
        boolean gaugeChecks,
        boolean weather,
        boolean blind,
        boolean toppers) {

    public Protocol {
        prep = java.util.Collections.unmodifiableSortedSet(new TreeSet<>(prep));
        measures = List.copyOf(measures);
    }

    /** A step before anything is applied. */
    public enum Prep {
        WASH("wash"),
        CLAY("clay"),
        IRON("iron remover"),
        POLISH("polish"),
        STRIP("strip"),
        WIPE("wipe down");

        private final String label;

        Prep(String label) {
            this.label = label;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        public String label() {
            return label;
        }
    }

    /** What wears the products. */
    public sealed interface Wear {
        /** How many times they are read after the first. */
        int visits();
    }

    /**
     * Weeks on the road.
     *
     * @param everyDays days from visit to visit
     * @param washEvery days from wash to wash; 0 for washes at visits only
     */
    public record Weeks(int everyDays, int visits, int washEvery) implements Wear {}

    /**
     * Wash after wash.
     *
     * @param perVisit washes before each visit
     * @param daysBetween days from wash to wash
     */
    public record Washes(int perVisit, int daysBetween, int visits) implements Wear {}

    /**
     * Chemicals.
     *
     * @param daysBetween days from dose to dose
     * @param aboutOne whether the question is what a certain chemical does
     */
    public record Chemicals(List<Chemical> chemicals, Scheme scheme, int daysBetween, boolean aboutOne)
            implements Wear {
        public Chemicals {
            chemicals = List.copyOf(chemicals);
        }

        @Override
        public int visits() {
            return scheme == Scheme.SPLIT ? 1 : chemicals.size();
        }
    }

    /** A chemical to dose with, and what its label warns of. */
    public record Chemical(String name, SortedSet<Hazard> hazards) {
        public boolean boardOnly() {
            return hazards.contains(Hazard.NOT_FOR_PAINT);
        }
    }

    /** How chemicals are given to sections. */
    public enum Scheme {
        /** One after another on each section, everywhere in one order. */
        STACKED("stacked: one after another on every section"),
        /** One each section. */
        SPLIT("split: one section each"),
        /** One after another on each section, each section starting with another. */
        ROTATED("stacked in rotated order");

        private final String label;

        Scheme(String label) {
            this.label = label;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        public String label() {
            return label;
        }

        public static Optional<Scheme> ofCode(String code) {
            return Stream.of(values()).filter(s -> s.code().equals(code)).findFirst();
        }
    }
}
