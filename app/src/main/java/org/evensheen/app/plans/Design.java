package org.evensheen.app.plans;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.PlaceInUse;
import org.evensheen.app.labels.Product;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.footing.PlanReview;
import org.evensheen.core.layout.Balance;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Effort;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol;

/**
 * What a plan comes to, as far as it can be worked out from what was typed.
 *
 * @param problems by field
 * @param bed what it lies on; for sides, wheels and items one made up of their places
 * @param entrants in the order of their numbers; bare last
 * @param counts sections of each
 * @param widening how much wider blocks make a difference
 * @param inUse places of other studies on the bed
 * @param products the products on the Shelf that take part, chemicals too
 * @param boardOnly why the chemicals may only be used on a board, if that is against the bed or not acknowledged
 */
record Design(
        Map<String, String> problems,
        String question,
        Unit unit,
        Optional<Bed> bed,
        List<Entrant> entrants,
        List<Integer> counts,
        Optional<Layout> layout,
        Optional<Balance> balance,
        OptionalDouble widening,
        Protocol protocol,
        Calendar calendar,
        Effort effort,
        LocalDate firstDay,
        long seed,
        List<PlaceInUse> inUse,
        List<Product> products,
        List<PlanReview.Limit> limits,
        Optional<String> boardOnly) {

    /** What lots are drawn for. */
    enum Unit {
        SECTION("section", "sections of a bed"),
        SIDE("side", "sides of vehicles"),
        WHEEL("wheel", "wheels"),
        AREA("area", "areas of a whole vehicle"),
        ITEM("item", "mitts, sponges or towels"),
        LAID("laid", "the same places, as they lie");

        private final String code;
        private final String label;

        Unit(String code, String label) {
            this.code = code;
            this.label = label;
        }

        public String code() {
            return code;
        }

        public String label() {
            return label;
        }

        static Unit ofCode(String code) {
            for (Unit unit : values()) {
                if (unit.code.equals(code)) {
                    return unit;
                }
            }
            return SECTION;
        }
    }

    /** Whether everything stays where an afternoon put it. */
    boolean laid() {
        return unit == Unit.LAID;
    }

    Footing reach() {
        return PlanReview.reach(limits);
    }

    int productCount() {
        return entrants.size() - 1;
    }

    LocalDate dateOf(int day) {
        return firstDay.plusDays(day);
    }

    /** What still keeps it from beginning; empty if nothing does. */
    List<String> wanting() {
        List<String> wanting = new java.util.ArrayList<>(problems.values());
        if (question.isEmpty()) {
            wanting.add("Ask the question this study is to answer.");
        }
        if (entrants.size() < 3) {
            wanting.add("Name two products or more; one alone can't be set against anything.");
        } else if (layout.isEmpty() && problems.isEmpty()) {
            wanting.add("Choose a bed to lay the sections out on.");
        }
        boardOnly.ifPresent(wanting::add);
        return wanting.stream().distinct().toList();
    }
}
