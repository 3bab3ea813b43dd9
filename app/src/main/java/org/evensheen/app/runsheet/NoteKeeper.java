package org.evensheen.app.runsheet;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.HappeningStore;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Seen;
import org.evensheen.core.cautions.Acidity;
import org.evensheen.core.label.Claim;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.runsheet.Mark;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.slickness.Sled;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.UnitSystem;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps what is noted beside the work: air and panel, checks of the gauge, what went otherwise, what went on top. */
@Component
class NoteKeeper {
    /** A gauge may be off by so much of what it should say. */
    private static final double GAUGE_MAY_BE_OFF = 0.02;

    private final RunStore store;
    private final HappeningStore happenings;
    private final ProductStore products;
    private final Key names;
    private final TransactionTemplate transaction;

    NoteKeeper(
            RunStore store,
            HappeningStore happenings,
            ProductStore products,
            Key names,
            TransactionTemplate transaction) {
        this.store = store;
        this.happenings = happenings;
        this.products = products;
        this.names = names;
        this.transaction = transaction;
    }

    /** Keeps that these hands see what goes where, on the sections at hand. */
    RunKeeper.Outcome names(Run run, RunKeeper.Sent sent) {
        List<String> sections = run.sealed().stream()
                .flatMap(s -> s.sections().stream())
                .distinct()
                .sorted()
                .toList();
        if (!sections.isEmpty()) {
            names.see(run.study().id(), run.day(), Seen.Why.APPLYING, sections, sent.key(), sent.hands());
        }
        return RunKeeper.Outcome.done("What goes where is shown to you today. That you saw it is kept with the key.");
    }

    /** Notes air and panel, and what they mean. */
    RunKeeper.Outcome air(Run run, RunKeeper.Sent sent) {
        Map<String, String> problems = new LinkedHashMap<>();
        Optional<RunStore.Conditions> read = AirForm.read(sent, problems);
        if (read.isEmpty()) {
            return new RunKeeper.Outcome("", problems);
        }
        transaction.executeWithoutResult(status -> {
            store.keep(run.study().id(), run.day(), read.get(), sent.hands());
            store.mark(
                    run.study().id(),
                    run.day(),
                    new RunStore.Taken(
                            new Mark(sent.step(), false, sent.at(), sent.hands().name(), ""),
                            Optional.empty(),
                            "",
                            sent.key()));
            happenings.keep(
                    run.study().id(),
                    new Happening(run.day(), Happening.Kind.WEATHER_NOTED, AirForm.note(read.get())),
                    RunKeeper.derived(sent.key(), "notch"),
                    sent.hands().name());
        });
        return RunKeeper.Outcome.done(
                AirForm.said(read.get().noted(), run.input().entrants()));
    }

    /** Holds what the gauge said of a known weight against what the weight weighs. */
    RunKeeper.Outcome check(Run run, RunKeeper.Sent sent) {
        TypedNumber weight = TypedNumber.read(sent.in("weight"), "weight", "g", 20, 20_000);
        TypedNumber said =
                UnitSystem.ofCode(sent.in(TypedReading.UNITS)).read(sent.in("said"), "gauge's reading", "N", 0.1, 200);
        if (weight instanceof TypedNumber.Refused refused) {
            return RunKeeper.Outcome.wrong("weight", refused.message());
        }
        if (said instanceof TypedNumber.Refused refused) {
            return RunKeeper.Outcome.wrong("said", refused.message());
        }
        double should = ((TypedNumber.Read) weight).value() / 1000 * Sled.GRAVITY;
        double read = ((TypedNumber.Read) said).value();
        double off = read / should - 1;
        if (Math.abs(off) > GAUGE_MAY_BE_OFF) {
            return RunKeeper.Outcome.wrong(
                    "said",
                    "The gauge says %s where %s hang: off by %s. Set it right and check again; it is not marked as checked."
                            .formatted(
                                    Figures.quantity(read, "N", 2),
                                    Figures.quantity(should, "N", 2),
                                    Figures.percent(Math.abs(off))));
        }
        transaction.executeWithoutResult(status -> {
            store.mark(
                    run.study().id(),
                    run.day(),
                    new RunStore.Taken(
                            new Mark(sent.step(), false, sent.at(), sent.hands().name(), ""),
                            Optional.empty(),
                            "",
                            sent.key()));
            happenings.keep(
                    run.study().id(),
                    new Happening(
                            run.day(),
                            Happening.Kind.GAUGE_CHECKED,
                            "%s N for %s N".formatted(Figures.number(read, 2), Figures.number(should, 2))),
                    RunKeeper.derived(sent.key(), "notch"),
                    sent.hands().name());
        });
        return RunKeeper.Outcome.done("The gauge holds: %s for %s."
                .formatted(Figures.quantity(read, "N", 2), Figures.quantity(should, "N", 2)));
    }

    /** What is wrong with a pH that was typed; nothing where none was. */
    Optional<RunKeeper.Outcome> acidity(RunKeeper.Sent sent) {
        return sent.in("ph").isEmpty() || TypedNumber.read(sent.in("ph"), "pH", "pH", 0, 14) instanceof TypedNumber.Read
                ? Optional.empty()
                : Optional.of(RunKeeper.Outcome.wrong(
                        "ph",
                        "“%s” is no pH. Type a number from 0 to 14, or leave it empty.".formatted(sent.in("ph"))));
    }

    /** Keeps the pH of the one chemical that goes on, with the product; empty if none was read. */
    Optional<String> ph(Run run, RunKeeper.Sent sent, Step step) {
        Optional<Product> product = sent.in("ph").isEmpty() ? Optional.empty() : run.readable(step);
        return product.map(p -> {
            double ph = ((TypedNumber.Read) TypedNumber.read(sent.in("ph"), "pH", "pH", 0, 14)).value();
            products.keepStrip(
                    p.id(),
                    ph,
                    sent.in("by"),
                    LocalDate.ofInstant(sent.at(), ZoneId.systemDefault()),
                    RunKeeper.derived(sent.key(), "ph"),
                    sent.hands().name());
            return p.label()
                    .one(Claim.Ph.class)
                    .map(Claim.Ph::value)
                    .map(label -> Acidity.far(ph, label)
                            ? "On. pH %s lies %s beyond the label's %s: read it once more, and handle it as what was read."
                                    .formatted(
                                            Figures.typed(ph),
                                            Figures.typed(Acidity.beyond(ph, label)),
                                            label.written())
                            : "On. pH %s agrees with the label.".formatted(Figures.typed(ph)))
                    .orElse("On. pH %s kept with the product.".formatted(Figures.typed(ph)));
        });
    }

    /** Notes what went otherwise, in one tap. */
    RunKeeper.Outcome deviated(Run run, RunKeeper.Sent sent) {
        String words = sent.in("words");
        if (words.isEmpty() || words.length() > 200) {
            return RunKeeper.Outcome.wrong("words", "Say what went otherwise, in up to 200 characters.");
        }
        Optional<String> section = Optional.of(sent.in("section"))
                .filter(s -> run.study().record().section(s).isPresent());
        store.keep(
                run.study().id(),
                new Deviation(run.day(), Deviation.Kind.NOTED, section, words),
                sent.at(),
                sent.key(),
                sent.hands());
        return RunKeeper.Outcome.done("Noted%s: %s. It will be listed under how far to trust this."
                .formatted(section.map(s -> " for " + s).orElse(""), words));
    }

    /** Notes a topper or drying aid: it re-coats what it touches. */
    RunKeeper.Outcome topped(Run run, RunKeeper.Sent sent) {
        String product = sent.in("words");
        if (product.isEmpty() || product.length() > 200) {
            return RunKeeper.Outcome.wrong("words", "Say which topper or drying aid it was.");
        }
        happenings.keep(
                run.study().id(),
                new Happening(run.day(), Happening.Kind.TOPPED, product),
                sent.key(),
                sent.hands().name());
        return RunKeeper.Outcome.done(
                "On the tape: %s went on top. Everything after it is judged with that.".formatted(product));
    }
}
