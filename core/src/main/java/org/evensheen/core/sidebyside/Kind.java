package org.evensheen.core.sidebyside;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;

/** What is compared in an afternoon, with what is done and asked by default, in order. Data: a new kind is a constant here. */
public enum Kind {
    SOAP(
            "soap",
            "soaps, foams",
            true,
            List.of(Places.HALVES, Places.QUARTERS, Places.STRIPS, Places.JARS),
            List.of(
                    new Move(
                            "foam",
                            "Foam or lather each place alike",
                            "Same dose, same water, the same time on each.",
                            Careful.SLIP),
                    new Move(
                            "rinse",
                            "Rinse all alike",
                            "From the top, the same slow pass on each; nothing touches it yet.",
                            Careful.JET),
                    new Move(
                            "wash",
                            "Wash, the same strokes on each",
                            "A clean mitt or a clean face for each. No pressure.",
                            Careful.SLIP),
                    new Move("off", "Rinse it all off", "The same water on each.", Careful.JET),
                    new Move("dry", "Let it dry by itself", "No towel: what the water leaves is the question.", "")),
            List.of(
                    read(
                            "foam",
                            "foam",
                            "Where does the foam stand?",
                            "Shake the jars alike, stand them down, and tap the top of the foam. The clock calls at 1, 3 and 5 minutes.",
                            Question.FIRST,
                            true,
                            "foams longer",
                            "foams longest"),
                    read("cling", "cling", "How does it cling?", "", "foam", false, "clings better", "clings best"),
                    read(
                            "gone-rinsed",
                            "dirt rinsed off",
                            "How much dirt did rinsing alone take?",
                            "",
                            "rinse",
                            false,
                            "rinses more dirt off",
                            "rinses most dirt off"),
                    pair(
                            "glide",
                            "glide",
                            "Which glides better under the mitt?",
                            "Wet both, one slow pass each, eyes shut if you can.",
                            "wash",
                            true,
                            "glides better",
                            "glides best"),
                    read(
                            "suds",
                            "suds left",
                            "What is left in the bucket?",
                            "",
                            "wash",
                            false,
                            "keeps its suds longer",
                            "keeps its suds longest"),
                    read(
                            "gone",
                            "dirt gone",
                            "How much of the dirt is gone?",
                            "",
                            "off",
                            true,
                            "cleans better",
                            "cleans best"),
                    read(
                            "rinsing",
                            "rinsing",
                            "How does it rinse off?",
                            "",
                            "off",
                            false,
                            "rinses off better",
                            "rinses off best"),
                    read(
                            "spots",
                            "spots",
                            "How many spots did it leave?",
                            "",
                            "dry",
                            false,
                            "leaves fewer spots",
                            "leaves fewest spots"))),
    RINSELESS(
            "rinseless",
            "waterless, rinseless",
            true,
            List.of(Places.HALVES, Places.QUARTERS, Places.STRIPS),
            List.of(
                    new Move(
                            "soak",
                            "Wet each place, and let it soak",
                            "As the label says, the same time on each.",
                            Careful.HIDDEN),
                    new Move("wipe", "Wipe, the same way on each", "A fresh face for every pass, no pressure.", "")),
            List.of(
                    pair(
                            "glide",
                            "glide",
                            "Which lets the towel glide better?",
                            "One slow pass each.",
                            "wipe",
                            true,
                            "glides better",
                            "glides best"),
                    read(
                            "gone",
                            "dirt gone",
                            "How much of the dirt is gone?",
                            "",
                            "wipe",
                            true,
                            "cleans better",
                            "cleans best"),
                    read(
                            "wipes",
                            "wipes",
                            "How many wipes did it take?",
                            "",
                            "wipe",
                            true,
                            "needs fewer wipes",
                            "needs fewest wipes"),
                    read(
                            "faces",
                            "towel faces",
                            "How many towel faces are used up?",
                            "",
                            "wipe",
                            false,
                            "uses fewer faces",
                            "uses fewest faces"),
                    read("smear", "smear", "How much smear is left?", "", "wipe", true, "smears less", "smears least"),
                    read(
                            "dries",
                            "dries after",
                            "How long until it dried off?",
                            "",
                            "wipe",
                            false,
                            "stays wet longer",
                            "stays wet longest"),
                    pair(
                            "finish",
                            "finish",
                            "Which finish do you like better?",
                            "Step back, then look along it.",
                            "wipe",
                            false,
                            "leaves the better finish",
                            "leaves the best finish"))),
    SPRAY(
            "spray",
            "sprays, waxes, coats",
            false,
            List.of(Places.HALVES, Places.QUARTERS, Places.STRIPS),
            List.of(
                    new Move(
                            "apply",
                            "Put it on, each as its label says",
                            "The same amount for the same area.",
                            Careful.HIDDEN),
                    new Move("buff", "Buff, the same way on each", "A clean face for each.", ""),
                    new Move(
                            "wet",
                            "Wet all alike",
                            "One way of wetting, the same for each: mist, open stream or rinse.",
                            Careful.JET)),
            List.of(
                    read(
                            "streaks",
                            "streaks",
                            "How many streaks are left?",
                            "",
                            "buff",
                            true,
                            "streaks less",
                            "streaks least"),
                    pair(
                            "slick",
                            "slickness",
                            "Which is slicker?",
                            "A hand in a thin bag, one slow pass each.",
                            "buff",
                            true,
                            "is slicker",
                            "is slickest"),
                    pair(
                            "gloss",
                            "gloss",
                            "Which shines deeper?",
                            "Step back two paces, the light behind you.",
                            "buff",
                            true,
                            "shines deeper",
                            "shines deepest"),
                    read(
                            "minutes",
                            "minutes",
                            "How many minutes did it take?",
                            "",
                            "buff",
                            false,
                            "is quicker",
                            "is quickest"),
                    pair(
                            "water",
                            "water",
                            "Where does water behave better?",
                            "Beads that roll, or a sheet that leaves: say which dries sooner.",
                            "wet",
                            true,
                            "handles water better",
                            "handles water best"),
                    read(
                            "clears",
                            "clears after",
                            "How long until the water had run off?",
                            "",
                            "wet",
                            false,
                            "clears sooner",
                            "clears soonest"))),
    WHEEL(
            "wheel",
            "wheels, tyres, trim",
            true,
            List.of(Places.WHEELS, Places.TYRE_PARTS, Places.STRIPS),
            List.of(
                    new Move(
                            "spray",
                            "Spray each alike, on cool metal",
                            "Barrel before face. Count the sprays.",
                            Careful.WHEELS),
                    new Move("rinse", "Rinse, touching nothing", "The same water on each.", Careful.JET),
                    new Move(
                            "brush",
                            "Brush the same strokes, and rinse",
                            "Wheel brushes stay with wheels.",
                            Careful.WHEELS)),
            List.of(
                    read(
                            "sprays",
                            "sprays",
                            "How many sprays did it take?",
                            "",
                            "spray",
                            false,
                            "needs fewer sprays",
                            "needs fewest sprays"),
                    read(
                            "colour",
                            "colour change",
                            "How much has changed colour?",
                            "",
                            "spray",
                            false,
                            "shows more",
                            "shows most"),
                    read(
                            "gone-rinsed",
                            "gone untouched",
                            "How much is gone without touching?",
                            "",
                            "rinse",
                            true,
                            "cleans better untouched",
                            "cleans best untouched"),
                    read(
                            "gone",
                            "gone brushed",
                            "How much is gone after brushing?",
                            "",
                            "brush",
                            true,
                            "cleans better brushed",
                            "cleans best brushed"),
                    pair(
                            "look",
                            "look",
                            "Which looks better?",
                            "From two paces.",
                            "brush",
                            true,
                            "looks better",
                            "looks best"),
                    read(
                            "bloom",
                            "rust bloom",
                            "How much rust bloom is on the disc?",
                            "",
                            "brush",
                            false,
                            "rusts the disc less",
                            "rusts the disc least"),
                    read(
                            "minutes",
                            "minutes",
                            "How many minutes did it take?",
                            "",
                            "brush",
                            false,
                            "is quicker",
                            "is quickest"))),
    GLASS(
            "glass",
            "glass",
            true,
            List.of(Places.PANES, Places.HALVES, Places.STRIPS),
            List.of(
                    new Move("apply", "Put it on, the same amount on each", "Out of the sun.", ""),
                    new Move(
                            "wipe",
                            "Wipe dry, a fresh cloth for each",
                            "The same kind of cloth: a cloth can be to blame.",
                            "")),
            List.of(
                    read(
                            "wipes",
                            "wipes",
                            "How many wipes did it take?",
                            "",
                            "wipe",
                            true,
                            "needs fewer wipes",
                            "needs fewest wipes"),
                    read(
                            "streaks",
                            "streaks",
                            "How many streaks are left?",
                            "",
                            "wipe",
                            true,
                            "streaks less",
                            "streaks least"),
                    pair(
                            "clear",
                            "clearness",
                            "Which is clearer?",
                            "Look through it at something far.",
                            "wipe",
                            true,
                            "is clearer",
                            "is clearest"),
                    read(
                            "haze",
                            "haze next day",
                            "How much haze is there the next morning?",
                            "",
                            "wipe",
                            false,
                            "stays clearer",
                            "stays clearest"))),
    MEDIA(
            "media",
            "mitts, towels",
            false,
            List.of(Places.ITEMS),
            List.of(
                    new Move("wet", "Soak all in the same water", "Wring each once.", ""),
                    new Move("wash", "Wash the same dirt with each", "Wheel media stays off paint.", ""),
                    new Move(
                            "squeeze",
                            "Squeeze each five times under water",
                            "Set the face beside an unused one.",
                            "")),
            List.of(
                    pair(
                            "soft-dry",
                            "soft when dry",
                            "Which is softer, dry?",
                            "Back of the hand, eyes shut.",
                            Question.FIRST,
                            true,
                            "is softer dry",
                            "is softest dry"),
                    pair(
                            "soft-wet",
                            "soft when wet",
                            "Which is softer, wet?",
                            "Back of the hand, eyes shut.",
                            "wet",
                            false,
                            "is softer wet",
                            "is softest wet"),
                    read(
                            "held",
                            "water held",
                            "How much water does it hold?",
                            "",
                            "wet",
                            false,
                            "holds more",
                            "holds most"),
                    read(
                            "left",
                            "left after a wring",
                            "How much is left after one wring?",
                            "",
                            "wet",
                            false,
                            "wrings drier",
                            "wrings driest"),
                    pair(
                            "glide",
                            "glide",
                            "Which glides better?",
                            "One slow pass each.",
                            "wash",
                            true,
                            "glides better",
                            "glides best"),
                    read(
                            "release",
                            "lets dirt go",
                            "How clean is the face after five squeezes?",
                            "",
                            "squeeze",
                            true,
                            "lets dirt go better",
                            "lets dirt go best"),
                    read(
                            "lint",
                            "lint",
                            "How much lint does it leave?",
                            "",
                            "squeeze",
                            false,
                            "lints less",
                            "lints least"))),
    METHOD(
            "method",
            "one way against another",
            true,
            List.of(Places.HALVES, Places.QUARTERS, Places.VEHICLE, Places.WHEELS),
            List.of(new Move("do", "Do each its own way", "As alike as can be in all else.", Careful.HIDDEN)),
            List.of(
                    read(
                            "gone",
                            "dirt gone",
                            "How much of the dirt is gone?",
                            "",
                            "do",
                            true,
                            "cleans better",
                            "cleans best"),
                    pair(
                            "finish",
                            "finish",
                            "Which result do you like better?",
                            "From two paces, then close.",
                            "do",
                            true,
                            "leaves the better finish",
                            "leaves the best finish"),
                    read(
                            "minutes",
                            "minutes",
                            "How many minutes did it take?",
                            "",
                            "do",
                            true,
                            "is quicker",
                            "is quickest")));

    private final String code;
    private final String label;
    private final boolean dirty;
    private final List<Places> shapes;
    private final List<Move> moves;
    private final List<Question> questions;

    Kind(String code, String label, boolean dirty, List<Places> shapes, List<Move> moves, List<Question> questions) {
        this.code = code;
        this.label = label;
        this.dirty = dirty;
        this.shapes = shapes;
        this.moves = moves;
        this.questions = questions;
    }

    private static Question read(
            String code,
            String label,
            String ask,
            String how,
            String after,
            boolean usual,
            String better,
            String best) {
        Measure measure = Measures.ofCode(code).orElseThrow(() -> new IllegalStateException("no measure " + code));
        return new Question(
                code,
                label,
                ask,
                how.isEmpty() ? measure.words().how() : how,
                Optional.of(measure),
                after,
                usual,
                better,
                best);
    }

    private static Question pair(
            String code,
            String label,
            String ask,
            String how,
            String after,
            boolean usual,
            String better,
            String best) {
        return new Question(code, label, ask, how, Optional.empty(), after, usual, better, best);
    }

    public String code() {
        return code;
    }

    /** What it is called where it is chosen. */
    public String label() {
        return label;
    }

    /** Whether the state before is dirt, which is looked at first as each place's own zero. */
    public boolean dirty() {
        return dirty;
    }

    /** Shapes it is done on, the usual one first. */
    public List<Places> shapes() {
        return shapes;
    }

    /** What is done, in order. */
    public List<Move> moves() {
        return moves;
    }

    /** What can be asked, in order of the moves. */
    public List<Question> questions() {
        return questions;
    }

    public Optional<Question> question(String wanted) {
        return questions.stream().filter(q -> q.code().equals(wanted)).findFirst();
    }

    public static Optional<Kind> ofCode(String wanted) {
        return Stream.of(values()).filter(k -> k.code.equals(wanted)).findFirst();
    }
}
