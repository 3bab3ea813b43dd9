package org.evensheen.app.studies;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.evensheen.core.study.Section;

/** The form for a new study, with the layout drawn as far as it is known. */
record NewStudyPage(
        NewStudy.Sent sent, Map<String, String> problems, List<ProductLine> products, Layout layout, boolean tried) {

    /** A line of the list of products. */
    record ProductLine(String name, String kind, String source, boolean reference, String problem) {}

    /** The bed with its sections; products carry the number of their line, as the letters are drawn by lot. */
    record Layout(String viewBox, String width, String height, List<Patch> patches, String words) {}

    /** A section of the preview. */
    record Patch(
            String x,
            String y,
            String width,
            String height,
            String code,
            String under,
            String codeX,
            String codeY,
            String underY,
            boolean bare) {}

    private static final double WIDEST = 560;

    static NewStudyPage of(NewStudy.Sent sent, NewStudy.Outcome outcome, boolean tried) {
        List<ProductLine> products = new ArrayList<>();
        int lines = Math.max(3, sent.name().size());
        for (int i = 0; i < lines; i++) {
            products.add(new ProductLine(
                    at(sent.name(), i),
                    at(sent.kind(), i),
                    at(sent.source(), i),
                    String.valueOf(i).equals(sent.reference()),
                    tried ? outcome.problems().getOrDefault("name" + i, "") : ""));
        }
        return new NewStudyPage(sent, tried ? outcome.problems() : Map.of(), products, layout(sent, outcome), tried);
    }

    private static Layout layout(NewStudy.Sent sent, NewStudy.Outcome outcome) {
        List<Section> sections = outcome.layout();
        if (sections.isEmpty()) {
            String words = outcome.width() > 0
                            && outcome.height() > 0
                            && outcome.problems().containsKey("width")
                    ? outcome.problems().get("width")
                    : "Name the products and give the bed its size; the layout is drawn here.";
            return new Layout("0 0 560 300", "560", "300", List.of(), words);
        }
        double unit = Math.min(WIDEST / outcome.width(), 400 / outcome.height());
        int bare = sections.stream().mapToInt(Section::contender).max().orElse(0);
        List<String> names = sent.name().stream().filter(n -> !n.isBlank()).toList();
        List<Patch> patches = sections.stream()
                .map(s -> new Patch(
                        svg(s.xMm() * unit),
                        svg(s.yMm() * unit),
                        svg(s.widthMm() * unit),
                        svg(s.heightMm() * unit),
                        s.code(),
                        s.contender() == bare ? "bare" : shortened(names.get(s.contender()), s.widthMm() * unit),
                        svg((s.xMm() + s.widthMm() / 2) * unit),
                        svg((s.yMm() + s.heightMm() / 2) * unit),
                        svg((s.yMm() + s.heightMm() / 2) * unit + 16),
                        s.contender() == bare))
                .toList();
        long bareSections = sections.stream().filter(s -> s.contender() == bare).count();
        Section one = sections.get(0);
        return new Layout(
                "0 0 %s %s".formatted(svg(outcome.width() * unit), svg(outcome.height() * unit)),
                svg(outcome.width() * unit),
                svg(outcome.height() * unit),
                patches,
                "%d sections of %.0f × %.0f mm, %d of them bare, in %d blocks. Lots drawn with seed %d, which is kept."
                        .formatted(
                                sections.size(),
                                one.widthMm(),
                                one.heightMm(),
                                bareSections,
                                sections.stream().map(Section::row).distinct().count(),
                                sent.seed()));
    }

    private static String shortened(String name, double width) {
        int fits = Math.max(3, (int) (width / 7.2));
        return name.length() <= fits ? name : name.substring(0, fits - 1) + "…";
    }

    private static String at(List<String> values, int i) {
        return i < values.size() ? values.get(i) : "";
    }
}
