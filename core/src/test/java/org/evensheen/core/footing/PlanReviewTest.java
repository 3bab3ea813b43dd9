package org.evensheen.core.footing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.evensheen.core.footing.Finding.Kind;
import org.evensheen.core.footing.PlanReview.Remedy;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.layout.Balance;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol;
import org.evensheen.core.planning.Protocol.Chemical;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Prep;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.planning.Protocol.Wear;
import org.evensheen.core.planning.Protocol.Weeks;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.units.Span;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;

class PlanReviewTest {
    private static final BedShape BED = BedShape.rectangle(2400, 1200);

    /** A plan with nothing against it, of which each test spoils one thing. */
    private static final class Draft {
        BedShape bed = BED;
        List<Integer> counts = List.of(2, 2, 2, 2);
        Role first = Role.REFERENCE;
        Source second = Source.BOUGHT;
        Set<Prep> prep = EnumSet.of(Prep.WASH, Prep.STRIP, Prep.WIPE);
        boolean prove = true;
        double cure = 12;
        Wear wear = new Weeks(7, 8, 0);
        boolean gauge = true;
        boolean weather = true;
        boolean blind = true;
        boolean toppers = false;
        Map<String, Integer> moves = Map.of();
        List<Layout.Move> byHand = List.of();
        List<String> inUse = List.of();
        List<PlanReview.DosePlanned> doses = List.of();
        String label = "4 mL per section; dry 12 h";

        List<PlanReview.Limit> review() {
            List<Entrant> entrants = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                entrants.add(new Entrant(
                        new Contender(
                                i,
                                "P" + i,
                                i == 0 ? first : Role.PRODUCT,
                                WaterKind.REPELS,
                                i == 1 ? second : Source.BOUGHT),
                        List.of(new Entrant.Layer(
                                "P" + i, LabelLine.read(label).label(), new TreeSet<>(), List.of()))));
            }
            entrants.add(new Entrant(new Contender(3, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT), List.of()));
            Protocol protocol = new Protocol(
                    prep,
                    prove,
                    cure,
                    List.of(new Planned(Measures.PULL, 3), new Planned(Measures.WATER_GRADE, 1)),
                    wear,
                    gauge,
                    weather,
                    blind,
                    toppers);
            Layout layout = Layout.draw(new Layout.Ask(bed, counts, 0, 0, Layout.GAP, 3, byHand));
            return PlanReview.of(new PlanReview.Planned(
                    entrants,
                    layout.sections(),
                    Optional.of(Balance.of(layout, bed.zones(), 3)),
                    protocol,
                    Calendar.of(protocol, entrants, counts.get(0), moves),
                    inUse,
                    doses,
                    Optional.empty()));
        }

        void limits(Kind kind, Footing reach, Remedy... remedy) {
            List<PlanReview.Limit> limits = review();
            assertThat(limits)
                    .as("only %s", kind)
                    .extracting(l -> l.finding().kind())
                    .containsOnly(kind);
            assertThat(PlanReview.reach(limits)).isEqualTo(reach);
            assertThat(limits.get(0).remedy().stream()).containsExactly(remedy);
            assertThat(limits.get(0).finding().remedy()).isNotEmpty();
        }
    }

    @Test
    void aFairPlanCanReachFirmAndHasNothingAgainstIt() {
        assertThat(new Draft().review()).isEmpty();
        assertThat(PlanReview.reach(new Draft().review())).isEqualTo(Footing.FIRM);
    }

    @Test
    void eachThingThatIsLeftOutIsFoundAloneWithItsRemedy() {
        Draft bare = new Draft();
        bare.counts = List.of(2, 2, 2, 0);
        bare.limits(Kind.NO_BARE_SECTION, Footing.ANECDOTE, Remedy.ADD_BARE);
        Draft single = new Draft();
        single.counts = List.of(1, 1, 1, 2);
        single.limits(Kind.ONE_SECTION_EACH, Footing.THIN, Remedy.SECOND_SECTION);
        Draft reference = new Draft();
        reference.first = Role.PRODUCT;
        reference.limits(Kind.NO_REFERENCE, Footing.FAIR, Remedy.FIRST_IS_REFERENCE);
        Draft prove = new Draft();
        prove.prove = false;
        prove.limits(Kind.BASELINE_UNPROVEN, Footing.THIN, Remedy.PROVE_BARE);
        Draft gauge = new Draft();
        gauge.gauge = false;
        gauge.limits(Kind.GAUGE_UNCHECKED, Footing.FAIR, Remedy.CHECK_GAUGE);
        Draft weather = new Draft();
        weather.weather = false;
        weather.limits(Kind.WEATHER_UNLOGGED, Footing.FAIR, Remedy.NOTE_WEATHER);
        Draft topper = new Draft();
        topper.toppers = true;
        topper.limits(Kind.TOPPED_MIDWAY, Footing.THIN, Remedy.NO_TOPPERS);
        Draft visits = new Draft();
        visits.wear = new Weeks(7, 2, 0);
        visits.limits(Kind.TOO_FEW_VISITS, Footing.FAIR, Remedy.MORE_VISITS);
        Draft silent = new Draft();
        silent.second = Source.UNDISCLOSED;
        silent.limits(Kind.SOURCE_UNDISCLOSED, Footing.FAIR);
        Draft label = new Draft();
        label.label = "";
        label.limits(Kind.LABEL_UNPROVEN, Footing.FAIR);
    }

    @Test
    void namesKnownToTheJudgeWeighHeavierWithAGift() {
        Draft known = new Draft();
        known.blind = false;
        known.limits(Kind.NOT_BLIND, Footing.FAIR, Remedy.JUDGE_BLIND);
        known.second = Source.SPONSORED;
        known.limits(Kind.GIFT_JUDGED_BY_EYE, Footing.THIN, Remedy.JUDGE_BLIND);
    }

    @Test
    void whatGoesAgainstTheLabelsIsFound() {
        Draft cure = new Draft();
        cure.cure = 6;
        cure.limits(Kind.CURE_CUT_SHORT, Footing.THIN, Remedy.KEEP_THE_CURE);
        Draft early = new Draft();
        early.moves = Map.of("fresh", 0);
        early.limits(Kind.CURE_CUT_SHORT, Footing.THIN, Remedy.LABEL_DATES);
        Draft dose = new Draft();
        dose.doses = List.of(new PlanReview.DosePlanned("P1", Departure.of(8, Span.of(4))));
        dose.limits(Kind.DOSE_BEYOND_LABEL, Footing.THIN, Remedy.LABEL_DOSES);
        dose.doses = List.of(new PlanReview.DosePlanned("P1", Departure.of(4.8, Span.of(4))));
        dose.limits(Kind.LABEL_DEPARTED, Footing.FAIR, Remedy.LABEL_DOSES);
    }

    @Test
    void whereItStandsIsLookedAt() {
        Draft hand = new Draft();
        Layout drawn = Layout.draw(new Layout.Ask(BED, hand.counts, 0, 0, Layout.GAP, 3, List.of()));
        hand.byHand = List.of(new Layout.Move(
                drawn.sections().get(0).code(), drawn.sections().get(1).code()));
        hand.limits(Kind.PLACED_BY_HAND, Footing.THIN, Remedy.LET_LOTS_DECIDE);
        Draft used = new Draft();
        used.inUse = List.of("A lies on K of “Which wax?”, in use until 3 Jan");
        used.limits(Kind.PLACE_IN_USE, Footing.THIN, Remedy.KEEP_OFF);
        Draft hot = new Draft();
        hot.bed = new BedShape(
                Outline.rectangle(0, 0, 2400, 1200),
                List.of(),
                List.of(new Zone(Zone.Kind.HEAT, "over the engine", 0, 0, 640, 1200)));
        hot.limits(Kind.ZONE_NOT_SHARED_OUT, Footing.FAIR, Remedy.DRAW_AGAIN);
    }

    @Test
    void stackedChemicalsCannotAnswerForOneAndSplitOnesNeedSections() {
        Draft stacked = new Draft();
        List<Chemical> three = List.of(
                new Chemical("Fenland", new TreeSet<>()),
                new Chemical("Rustmoth", new TreeSet<>()),
                new Chemical("Strawbale", new TreeSet<>()));
        stacked.wear = new Chemicals(three, Scheme.STACKED, 1, true);
        stacked.limits(Kind.STACKED_CHEMICALS, Footing.THIN, Remedy.ROTATE);
        stacked.wear = new Chemicals(three, Scheme.STACKED, 1, false);
        assertThat(stacked.review())
                .as("which product outlasts the row is a fair question")
                .isEmpty();
        stacked.wear = new Chemicals(three, Scheme.SPLIT, 1, true);
        stacked.limits(Kind.CHEMICALS_UNBALANCED, Footing.FAIR);
    }
}
