package org.evensheen.core.cautions;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;

/**
 * Two hazards that must not meet: in one vessel, or one after the other on a panel that was not rinsed between.
 *
 * @param danger what happens
 */
public record Meeting(Hazard one, Hazard other, String danger) {

    /** Every pair that must not meet. */
    public static final List<Meeting> ALL = List.of(
            new Meeting(Hazard.ACID, Hazard.BLEACH, "gives off chlorine, which is poisonous"),
            new Meeting(Hazard.IRON_REMOVER, Hazard.BLEACH, "gives off poisonous gas and heat"),
            new Meeting(Hazard.ACID, Hazard.IRON_REMOVER, "gives off hydrogen sulphide, which is poisonous"),
            new Meeting(Hazard.ACID, Hazard.ALKALINE, "gets hot and spatters"),
            new Meeting(Hazard.ALKALINE, Hazard.BLEACH, "may give off harmful gas; ammonia with bleach does"),
            new Meeting(Hazard.SOLVENT, Hazard.BLEACH, "gives off harmful gas"));

    /** What of this goes wrong when two products meet; empty if nothing is known to. */
    public static List<Meeting> between(Collection<Hazard> one, Collection<Hazard> other) {
        List<Meeting> met = new ArrayList<>();
        Set<Hazard> first = Set.copyOf(one);
        Set<Hazard> second = Set.copyOf(other);
        for (Meeting meeting : ALL) {
            if ((first.contains(meeting.one) && second.contains(meeting.other))
                    || (first.contains(meeting.other) && second.contains(meeting.one))) {
                met.add(meeting);
            }
        }
        return met;
    }
}
