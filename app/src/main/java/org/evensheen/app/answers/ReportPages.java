package org.evensheen.app.answers;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** A report as a page that needs nothing else, and as Markdown. */
@Component
class ReportPages {
    private static final double LOW = -10;

    private final ITemplateEngine templates;

    ReportPages(ITemplateEngine templates) {
        this.templates = templates;
    }

    /** The reviewer's own words, which change no number. */
    record Own(String headline, List<String> paragraphs, String edition, String changed, List<Shot> shots) {}

    /** A photo that the reviewer chose. */
    record Shot(String address, String caption) {}

    /** A place with its bar, in hundredths of its width. */
    record Bar(Report.Place place, double low, double width, double point, String total, String range, String chance) {}

    String html(Report report, Own own) {
        Context context = new Context(Locale.ROOT);
        context.setVariable("report", report);
        context.setVariable("own", own);
        context.setVariable("when", report.when());
        context.setVariable("seen", !report.ofAStudy());
        context.setVariable("listed", report.listed());
        context.setVariable("besides", report.besides());
        double high = Math.max(
                115,
                report.places().stream().mapToDouble(Report.Place::high).max().orElse(0) + 6);
        context.setVariable("zero", round(100 * -LOW / (high - LOW)));
        context.setVariable("hundred", round(100 * (100 - LOW) / (high - LOW)));
        context.setVariable(
                "bars",
                !report.ofAStudy()
                        ? List.of()
                        : report.places().stream()
                                .map(p -> new Bar(
                                        p,
                                        round(100 * (Math.max(LOW, p.low()) - LOW) / (high - LOW)),
                                        round(Math.max(0.5, 100 * (p.high() - Math.max(LOW, p.low())) / (high - LOW))),
                                        round(100 * (Math.max(LOW, p.total()) - LOW) / (high - LOW)),
                                        Figures.number(p.total(), 0),
                                        Figures.range(Figures.number(p.low(), 0), Figures.number(p.high(), 0)),
                                        first(p)))
                                .toList());
        context.setVariable("style", style());
        return templates.process("answers/report", context);
    }

    private static String first(Report.Place place) {
        return Optional.ofNullable(place.chanceFirst()).map(Figures::percent).orElse("");
    }

    private static double round(double value) {
        return Math.round(value * 100) / 100.0;
    }

    private static String style() {
        try {
            return new ClassPathResource("templates/answers/report.css").getContentAsString(StandardCharsets.UTF_8);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    String markdown(Report r, Own own) {
        List<String> lines = new ArrayList<>();
        lines.add("# " + text(own.headline().isEmpty() ? r.question() : own.headline()));
        lines.add("");
        lines.add("**%s** %s".formatted(text(r.answer()), text(r.more())));
        lines.add("");
        own.paragraphs().forEach(p -> {
            lines.add(text(p));
            lines.add("");
        });
        lines.add("%s, %s. %s: %s. %s"
                .formatted(
                        text(r.question()),
                        text(r.when()),
                        r.ofAStudy() ? "Footing" : "How far to trust it",
                        r.trust().footing(),
                        text(r.trust().meaning()))
                .strip());
        lines.add("");
        if (r.ofAStudy() && !r.places().isEmpty()) {
            lines.add("| Place | Product | Score | 95 % | First in |");
            lines.add("|---:|---|---:|---|---:|");
            r.places()
                    .forEach(p -> lines.add("| %d | %s | %s | %s | %s |"
                            .formatted(
                                    p.place(),
                                    text(p.product()),
                                    Figures.number(p.total(), 0),
                                    Figures.range(Figures.number(p.low(), 0), Figures.number(p.high(), 0)),
                                    first(p))));
            lines.add("");
        }
        section(
                lines,
                "For whom",
                r.readers().stream()
                        .map(x -> x.reader() + ": " + x.first() + ".")
                        .toList());
        section(
                lines,
                "Keep, only for, skip",
                r.advice().stream()
                        .map(a -> "%s: %s. %s%s"
                                .formatted(
                                        a.product(),
                                        a.advice(),
                                        a.reason(),
                                        a.overruled().isEmpty() ? "" : " Against that: " + a.overruled()))
                        .toList());
        section(lines, r.listed(), r.scales());
        section(lines, r.ofAStudy() ? "Money" : "What went on", r.money());
        section(lines, "What labels promise", r.promises());
        section(lines, "How far it can be trusted", r.trust().why());
        section(lines, "How it was done", r.method());
        section(lines, r.besides(), r.notTested());
        section(lines, "What went otherwise", r.deviations());
        section(lines, "Who paid", r.disclosure());
        section(lines, "Cautions", r.cautions());
        lines.add("%s %s Seal `%s`, readings `%s`."
                .formatted(own.edition(), text(own.changed()), r.seal(), r.readings())
                .strip());
        return lines.stream().collect(Collectors.joining("\n")) + "\n";
    }

    private static void section(List<String> lines, String title, List<String> points) {
        if (!points.isEmpty()) {
            lines.add("## " + title);
            lines.add("");
            points.forEach(p -> lines.add("- " + text(p)));
            lines.add("");
        }
    }

    /** Words that may look like marks are kept from being taken for some. */
    private static String text(String words) {
        return words.replaceAll("([\\\\`*_\\[\\]<>#|])", "\\\\$1")
                .replaceAll("\\s+", " ")
                .strip();
    }
}
