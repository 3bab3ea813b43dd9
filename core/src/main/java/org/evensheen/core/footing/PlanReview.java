package org.evensheen.core.footing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.core.footing.Finding.Kind;
import org.evensheen.core.layout.Balance;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.ChemicalProof;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Prep;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.Rounded;

/** Looks a study over before it begins: what will limit it, while it can still be put right. */
public final class PlanReview {

    /**
     * What is planned.
     *
     * @param sections as laid out; empty while they can't be
     * @param inUse sections that lie where something may still be, with what it is
     * @param planned doses that are planned otherwise than the label asks, by product
     * @param rain what the forecast says against the cure, if anything
     */
    public record Planned(
            List<Entrant> entrants,
            List<Section> sections,
            Optional<Balance> balance,
            Protocol protocol,
            Calendar calendar,
            List<String> inUse,
            List<DosePlanned> planned,
            Optional<String> rain) {}

    /** A dose that is planned otherwise than the label asks. */
    public record DosePlanned(String product, Departure departure) {}

    /**
     * A limit, and what a button could do against it.
     */
    public record Limit(Finding finding, Optional<Remedy> remedy) {}

    /** What a button can do. */
    public enum Remedy {
        ADD_BARE("Leave two sections bare"),
        SECOND_SECTION("Give each product one more section"),
        LET_LOTS_DECIDE("Let lots decide"),
        FIRST_IS_REFERENCE("Make the first the reference"),
        PROVE_BARE("Strip, and prove bare"),
        CHECK_GAUGE("Plan gauge checks"),
        NOTE_WEATHER("Plan to note the weather"),
        JUDGE_BLIND("Judge by code only"),
        NO_TOPPERS("Leave toppers out"),
        LABEL_DOSES("Take the labels' doses"),
        KEEP_THE_CURE("Keep the labels' cure"),
        LABEL_DATES("Put all dates back"),
        ROTATE("Rotate the order"),
        MORE_VISITS("Plan six visits"),
        KEEP_OFF("Keep off those places"),
        DRAW_AGAIN("Draw lots anew");

        private final String label;

        Remedy(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private static final int VISITS_FOR_SHAPE = 6;

    private final Planned plan;
    private final List<Limit> limits = new ArrayList<>();

    private PlanReview(Planned plan) {
        this.plan = plan;
    }

    /** What limits it, gravest first. */
    public static List<Limit> of(Planned plan) {
        PlanReview review = new PlanReview(plan);
        review.control();
        review.baseline();
        review.design();
        review.labels();
        review.conduct();
        review.wear();
        return review.limits.stream()
                .sorted(Comparator.comparing((Limit l) -> l.finding().kind().atMost()))
                .toList();
    }

    /** The footing it can reach if it is done as planned. */
    public static Footing reach(List<Limit> limits) {
        return Footing.under(limits.stream().map(Limit::finding).toList());
    }

    private void control() {
        boolean bare = plan.sections().isEmpty()
                || plan.sections().stream()
                        .anyMatch(s ->
                                plan.entrants().get(s.contender()).contender().isControl());
        if (!bare) {
            add(
                    Kind.NO_BARE_SECTION,
                    "All %d sections carry a product.".formatted(plan.sections().size()),
                    "Without bare paint read on the same day nothing can be set against anything.",
                    Remedy.ADD_BARE);
        }
    }

    private void baseline() {
        boolean strips = plan.protocol().prep().contains(Prep.STRIP);
        if (!plan.protocol().proveBare() || !strips) {
            add(
                    Kind.BASELINE_UNPROVEN,
                    strips
                            ? "Nothing says that every section is looked at before anything is applied."
                            : "The bed is not stripped before the start.",
                    "Strip after any polishing, then wet every section: water must lie flat everywhere.",
                    Remedy.PROVE_BARE);
        }
        List<Prep> prep = List.copyOf(plan.protocol().prep());
        if (prep.contains(Prep.POLISH) && !strips) {
            add(
                    Kind.BASELINE_NOT_BARE,
                    "Polishing is planned and no stripping after it; polishes leave films of their own.",
                    "Strip after polishing.",
                    Remedy.PROVE_BARE);
        }
        if (!plan.inUse().isEmpty()) {
            add(
                    Kind.PLACE_IN_USE,
                    plan.inUse().stream().limit(4).collect(Collectors.joining("; "))
                            + (plan.inUse().size() > 4
                                    ? "; and %d more.".formatted(plan.inUse().size() - 4)
                                    : "."),
                    "Use other places, or strip the bed and note it there.",
                    Remedy.KEEP_OFF);
        }
    }

    private void design() {
        if (!plan.sections().isEmpty()) {
            for (Finding finding : DesignFindings.of(
                    plan.entrants().stream().map(Entrant::contender).toList(), plan.sections())) {
                Optional<Remedy> remedy = switch (finding.kind()) {
                    case ONE_SECTION_EACH -> Optional.of(Remedy.SECOND_SECTION);
                    case PLACED_BY_HAND -> Optional.of(Remedy.LET_LOTS_DECIDE);
                    case NO_REFERENCE -> Optional.of(Remedy.FIRST_IS_REFERENCE);
                    default -> Optional.empty();
                };
                limits.add(new Limit(finding, remedy));
            }
        }
        plan.balance()
                .ifPresent(balance -> balance.zones().stream()
                        .filter(Balance.Shares::uneven)
                        .forEach(z -> add(
                                Kind.ZONE_NOT_SHARED_OUT,
                                String.format(
                                        Locale.ROOT,
                                        "One product has %.0f %% of its ground in the %s zone, another %.0f %%.",
                                        100 * z.least(),
                                        z.kind().word(),
                                        100 * z.most()),
                                "More and smaller sections share a zone out better.",
                                Remedy.DRAW_AGAIN)));
    }

    private void labels() {
        List<Entrant> products =
                plan.entrants().stream().filter(e -> !e.contender().isControl()).toList();
        List<String> unknown = products.stream()
                .flatMap(e -> e.layers().stream())
                .filter(l -> l.label().claims().isEmpty())
                .map(Entrant.Layer::product)
                .distinct()
                .toList();
        if (!unknown.isEmpty()) {
            add(
                    Kind.LABEL_UNPROVEN,
                    "What the label asks is not known of %s.".formatted(String.join(", ", unknown)),
                    "Enter their labels on the Shelf.");
        }
        List<DosePlanned> beyond =
                plan.planned().stream().filter(d -> grave(d.departure())).toList();
        if (!beyond.isEmpty()) {
            add(
                    Kind.DOSE_BEYOND_LABEL,
                    beyond.stream()
                            .map(d -> "%s at %s× the label's upper dose"
                                    .formatted(
                                            d.product(),
                                            Rounded.factor(d.departure().factor())))
                            .collect(Collectors.joining(", ", "", ".")),
                    "Give the label's dose; a buyer will.",
                    Remedy.LABEL_DOSES);
        }
        List<DosePlanned> other =
                plan.planned().stream().filter(d -> !grave(d.departure())).toList();
        if (!other.isEmpty()) {
            add(
                    Kind.LABEL_DEPARTED,
                    other.stream()
                            .map(d -> "%s at %s× what the label asks"
                                    .formatted(
                                            d.product(),
                                            Rounded.factor(d.departure().factor())))
                            .collect(Collectors.joining(", ", "", ".")),
                    "Give the label's dose, or say in the verdict why not.",
                    Remedy.LABEL_DOSES);
        }
        double dry = products.stream()
                .flatMap(e -> e.slowest().stream())
                .mapToDouble(Entrant.Layer::dryHours)
                .max()
                .orElse(0);
        if (plan.protocol().cureHours() < dry) {
            add(
                    Kind.CURE_CUT_SHORT,
                    "%s h of cure are planned; the slowest label asks %s h."
                            .formatted(Rounded.number(plan.protocol().cureHours(), 0), Rounded.number(dry, 0)),
                    "Keep everything dry for as long as the slowest label asks.",
                    Remedy.KEEP_THE_CURE);
        }
        for (String broken : plan.calendar().breaks()) {
            add(Kind.CURE_CUT_SHORT, broken, "Move it back to where it keeps its reason.", Remedy.LABEL_DATES);
        }
        plan.rain().ifPresent(r -> add(Kind.RAIN_FORECAST, r, "Begin in a dry window, or under a roof."));
    }

    private static boolean grave(Departure departure) {
        return departure.side() == Departure.Side.ABOVE && departure.factor() > Departure.GRAVE;
    }

    private void conduct() {
        Protocol protocol = plan.protocol();
        boolean byEye = protocol.measures().stream().anyMatch(m -> m.measure().byEye());
        boolean gift = plan.entrants().stream()
                .map(e -> e.contender().source())
                .anyMatch(s -> s == Source.GIFTED || s == Source.SPONSORED);
        if (byEye && !protocol.blind()) {
            add(
                    gift ? Kind.GIFT_JUDGED_BY_EYE : Kind.NOT_BLIND,
                    gift
                            ? "Grades by eye are planned with names known, and something was gifted or sponsored."
                            : "Grades by eye are planned with names known.",
                    "Let tape codes be all the judge sees.",
                    Remedy.JUDGE_BLIND);
        }
        if (protocol.toppers()) {
            add(
                    Kind.TOPPED_MIDWAY,
                    "A topper or drying aid is planned between visits; it coats every section anew.",
                    "Wash with a plain soap and dry without aids.",
                    Remedy.NO_TOPPERS);
        }
        if (!protocol.gaugeChecks()) {
            add(
                    Kind.GAUGE_UNCHECKED,
                    "No check of the gauge is planned.",
                    "Check it against a known weight at the start and every eight weeks.",
                    Remedy.CHECK_GAUGE);
        }
        if (!protocol.weather()) {
            add(
                    Kind.WEATHER_UNLOGGED,
                    "Nobody is asked to note air and panel temperature.",
                    "Note the weather whenever you read.",
                    Remedy.NOTE_WEATHER);
        }
    }

    private void wear() {
        if (plan.protocol().wear() instanceof Chemicals chemicals) {
            int each = (int)
                    plan.sections().stream().filter(s -> s.contender() == 0).count();
            ChemicalProof proof = ChemicalProof.of(chemicals, Math.max(1, each));
            if (chemicals.scheme() == Scheme.STACKED && chemicals.chemicals().size() > 1 && chemicals.aboutOne()) {
                add(Kind.STACKED_CHEMICALS, proof.cannot(), "Split them, or rotate their order.", Remedy.ROTATE);
            } else if (chemicals.scheme() != Scheme.STACKED
                    && each % chemicals.chemicals().size() != 0) {
                add(
                        Kind.CHEMICALS_UNBALANCED,
                        proof.cannot(),
                        "Take as many sections each as there are chemicals, or twice as many.");
            }
        } else if (plan.protocol().wear().visits() < VISITS_FOR_SHAPE) {
            int visits = plan.protocol().wear().visits();
            add(
                    Kind.TOO_FEW_VISITS,
                    "%d %s after the first readings; how a product fades shows from %d on."
                            .formatted(visits, visits == 1 ? "visit" : "visits", VISITS_FOR_SHAPE),
                    "Plan more visits, closer together at the start.",
                    Remedy.MORE_VISITS);
        }
    }

    private void add(Kind kind, String numbers, String advice) {
        limits.add(new Limit(new Finding(kind, numbers, advice), Optional.empty()));
    }

    private void add(Kind kind, String numbers, String advice, Remedy remedy) {
        limits.add(new Limit(new Finding(kind, numbers, advice), Optional.of(remedy)));
    }
}
