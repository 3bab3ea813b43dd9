package org.evensheen.app.studies;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.page.Units;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.water.Wetting;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;

/** Puts the Panel, the Tape and the Slate of a study together. */
@Component
public class StudyScreen {
    private final Judging judging;
    private final Key key;
    private final SlateWriter slates;
    private final TemplateEngine templates;
    private final Clock clock;
    private final Cache<Look, Drawings> drawn =
            Caffeine.newBuilder().maximumSize(300).build();
    private final Cache<Standing, String> standings =
            Caffeine.newBuilder().maximumSize(300).build();

    /** A revision of a study seen at a selection; what is drawn of it can't change. */
    private record Look(long study, long revision, boolean byCode, Selection selection, UnitSystem told) {}

    /** Both drawings and what was read as markup, printed by their templates once, and what the labels say to what was done. */
    private record Drawings(String tape, String panel, String read, String done, List<String> meetings) {}

    StudyScreen(Judging judging, Key key, SlateWriter slates, TemplateEngine templates, Clock clock) {
        this.templates = templates;
        this.judging = judging;
        this.key = key;
        this.slates = slates;
        this.clock = clock;
    }

    /** The head of the screen. */
    public record Head(
            long id,
            String question,
            String subtitle,
            boolean keyClosed,
            String footing,
            String limit,
            String done,
            List<String> meetings) {

        Head with(String whatWasDone, List<String> mustNotMeet) {
            return new Head(id, question, subtitle, keyClosed, footing, limit, whatWasDone, mustNotMeet);
        }
    }

    public int today(Study study) {
        return study.dayOf(clock);
    }

    /** Fills the model for looking at a selection. */
    void show(Study study, Selection selection, Optional<Long> correcting, Model model) {
        fill(
                study,
                selection,
                new SlateWriter.Typed(Optional.empty(), correcting, Optional.empty(), Optional.empty()),
                model);
    }

    /** Fills the model with what was typed and could not be kept. */
    public void showRefused(
            Study study, Selection selection, TypedEntry entry, Optional<Long> correcting, UUID key, Model model) {
        fill(
                study,
                selection,
                new SlateWriter.Typed(Optional.of(entry), correcting, Optional.empty(), Optional.of(key)),
                model);
    }

    /** Fills the model after something was done, with a word about it. */
    public void showDone(Study study, Selection selection, Slate.Notice notice, Model model) {
        fill(
                study,
                selection,
                new SlateWriter.Typed(Optional.empty(), Optional.empty(), Optional.of(notice), Optional.empty()),
                model);
    }

    private void fill(Study study, Selection selection, SlateWriter.Typed typed, Model model) {
        Judging.Outcome outcome =
                judging.judge(study, judged(study, selection), selection.at().day());
        Drawings drawings = drawn.get(
                new Look(study.id(), study.revision(), study.judgedByCode(), selection, Units.now()),
                look -> new Drawings(
                        rendered("tape", TapeDrawing.of(study, selection)),
                        rendered("panel", PanelDrawing.of(study, selection)),
                        rendered("read", slates.read(study, selection)),
                        DonePage.summary(key.forReckoning(study).record(), study.judgedByCode()),
                        meetings(study)));
        model.addAttribute("head", head(study, outcome.findings()).with(drawings.done(), drawings.meetings()));
        model.addAttribute("tape", drawings.tape());
        model.addAttribute("panel", drawings.panel());
        model.addAttribute("read", drawings.read());
        model.addAttribute(
                "slate", slates.write(study, selection, standing(study, selection, outcome.verdict(), false), typed));
        model.addAttribute("address", selection.address(study));
        model.addAttribute("day", selection.at().day());
        model.addAttribute("revision", study.revision());
        model.addAttribute("wettings", Wetting.values());
        model.addAttribute(
                "mark",
                new HappeningController.Mark(
                        String.valueOf(Math.max(0, Math.min(selection.at().day(), selection.today()))),
                        "washed",
                        "",
                        UUID.randomUUID(),
                        ""));
    }

    /** Products that must not meet; while they go by code, only that there are some. */
    private List<String> meetings(Study study) {
        List<String> met = DonePage.meetings(key.forReckoning(study));
        return met.isEmpty() || !study.judgedByCode()
                ? met
                : List.of(
                        "Some products of this study must not meet. Which, stands on the sheet for whoever puts them on; rinse fully between all of them.");
    }

    /** The Panel as it was at a selection, as markup. */
    public String panel(Study study, Selection selection) {
        return rendered("panel", PanelDrawing.of(study, selection));
    }

    /** The Tape as markup, pulled on another page of the study. */
    public String tape(Study study, Selection selection, String address) {
        return rendered("tape", TapeDrawing.of(study, selection, address));
    }

    private String rendered(String drawing, Object model) {
        return templates.process("studies/" + drawing, new Context(Locale.ENGLISH, Map.of(drawing, model)));
    }

    /** The standing as it is, as markup. */
    public String standing(Study study, Selection selection) {
        return standing(
                study,
                selection,
                judging.judge(study, judged(study, selection), selection.at().day())
                        .verdict(),
                false);
    }

    /** What the chosen section's reading says, in a line. */
    public String effect(Study study, Selection selection) {
        return Effect.words(study.record(), selection.section(), selection.at(), selection.measure());
    }

    private static Measure judged(Study study, Selection selection) {
        return selection.measure().comparable()
                ? selection.measure()
                : study.record().plan().main().orElse(Measures.PULL);
    }

    /** The standing as it would be with one more reading, as markup. */
    public String supposed(Study study, Selection selection) {
        return standing(
                study,
                selection,
                judging.suppose(study, judged(study, selection), selection.at().day())
                        .verdict(),
                true);
    }

    private String standing(Study study, Selection selection, Optional<Verdict> verdict, boolean supposed) {
        Standing standing = Standing.of(
                study,
                judged(study, selection),
                verdict,
                Optional.of(study.record().contenderOn(selection.section())),
                supposed,
                selection.at().day());
        return standings.get(standing, s -> rendered("standing", s));
    }

    static Head head(Study study, List<Finding> findings) {
        long products =
                study.record().contenders().stream().filter(c -> !c.isControl()).count();
        long bare = study.record().bareSections().count();
        long sections = study.record().sections().size() - bare;
        String place = study.bed().kind() == Bed.Kind.PLACES ? "place" : "section";
        String each = sections % products == 0
                ? "%s each"
                        .formatted(sections / products == 1 ? "one " + place : sections / products + " " + place + "s")
                : sections + " " + place + "s";
        String closed = study.judgedByCode() ? " Judged by code until the key is opened." : "";
        String limit = findings.isEmpty()
                ? "nothing limits it"
                : findings.get(0).kind().title().toLowerCase(Locale.ROOT)
                        + (findings.size() > 1 ? ", and %d more".formatted(findings.size() - 1) : "");
        return new Head(
                study.id(),
                study.question(),
                "%s. %d products, %s%s.%s"
                        .formatted(
                                study.bed().name(),
                                products,
                                each,
                                study.bed().kind() == Bed.Kind.PLACES && bare == 0
                                        ? ""
                                        : ", %d left bare".formatted(bare),
                                closed),
                study.judgedByCode(),
                Footing.under(findings).word(),
                limit,
                "",
                List.of());
    }
}
