package org.evensheen.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.league.Rounds;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** axe-core finds nothing serious on any page, and every page fits, by day at a desk and by night on a phone. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class AccessibilityTest {
    private static final Set<String> GRAVE = Set.of("serious", "critical");

    /** What is in order is not described node by node, which takes most of the time. */
    private static final AxeRunOptions FAILURES = new AxeRunOptions();

    static {
        FAILURES.setResultTypes(List.of("violations"));
    }

    @ParameterizedTest
    @CsvSource({"1280, LIGHT", "390, DARK"})
    void nothingSeriousOnAnyPage(int width, ColorScheme scheme) {
        long made = SampleStudy.make().id();
        long read = SampleStudy.read().id();
        Rounds.untilNoneIsStale();
        String afternoon = Web.post(
                        "/compare",
                        Map.of(
                                "kind",
                                "soap",
                                "name0",
                                "One",
                                "name1",
                                "Other",
                                "key",
                                UUID.randomUUID().toString()))
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll("^https?://[^/]+", "");
        String ballot = Web.get(afternoon).body().replaceAll("(?s).*data-step=\"(glide[^\"]*)\".*", "$1");
        Web.post(
                afternoon + "/said",
                Map.of("step", ballot, "value", "A", "key", UUID.randomUUID().toString()));
        List<String> found = new ArrayList<>();
        try (Visit visit = Visit.of(width, width == 390 ? 844 : 800, scheme)) {
            for (String path : List.of(
                    "/",
                    "/studies",
                    "/studies/new",
                    "/studies/3",
                    "/studies/3?measure=grade",
                    "/studies/3?day=1",
                    "/studies/3?day=70",
                    "/studies/%d?measure=drop".formatted(made),
                    "/studies/%d/verdict".formatted(made),
                    "/studies/%d/verdict".formatted(read),
                    "/studies/1/verdict",
                    "/studies/1/life",
                    "/studies/3/life?by=washes",
                    "/studies/2/verdict",
                    "/studies/1/verdict/workings?of=benefit&product=0",
                    "/studies/%d/readings".formatted(read),
                    "/studies/%d/answer".formatted(read),
                    "/studies/1/answer",
                    "/studies/1/publish",
                    "/shelf",
                    "/shelf/new",
                    "/shelf/file",
                    "/shelf/1",
                    "/shelf/12",
                    "/shelf/12/label",
                    "/mixer",
                    "/mixer?product=1",
                    "/mixer?product=12&dose=1:1",
                    "/mixer?product=6",
                    "/mixer?dose=240:1",
                    "/mixer/cost?job=waterless",
                    "/mixer/bundles/new",
                    "/studies/3/done",
                    "/beds",
                    "/rack",
                    "/washes",
                    "/compare/2/answer",
                    "/compare/2/publish",
                    "/beds/new",
                    "/beds/1",
                    "/beds/4",
                    "/plans/1",
                    "/plans/1?step=lay-out",
                    "/plans/1?step=protocol",
                    "/plans/1?step=fairness",
                    "/plans/1?step=rehearse",
                    "/plans/1?step=dates",
                    "/plans/1?step=begin",
                    "/calendar",
                    "/studies/3/run",
                    "/studies/4/run?day=1",
                    "/studies/3/photos",
                    "/kit",
                    "/studies/3/print",
                    "/studies/3/bundle",
                    "/studies/import",
                    "/verdicts",
                    "/verdicts/publish",
                    "/verdicts/behind?quality=slickness&product=Osier%20Spray%20Seal",
                    "/shelf/10/publish",
                    "/studies/6?measure=left-behind",
                    "/compare",
                    "/compare?kind=media&name0=One",
                    afternoon,
                    afternoon + "?step=do/1/wash",
                    afternoon + "?step=foam/1",
                    afternoon + "?step=" + ballot,
                    afternoon + "/sheet",
                    "/nowhere")) {
                visit.page().navigate(path);
                boolean fits = (Boolean) visit.page().evaluate("document.documentElement.scrollWidth <= innerWidth");
                if (!fits) {
                    found.add(path + ": wider than the screen");
                }
                // Looks of one page share their parts: each is examined in one of both ways only.
                if (path.contains("?")
                        && !path.startsWith("/compare")
                        && (path.hashCode() & 1) == (width == 390 ? 1 : 0)) {
                    continue;
                }
                new AxeBuilder(visit.page())
                        .options(FAILURES).setLegacyMode(true).analyze().getViolations().stream()
                                .filter(v -> GRAVE.contains(v.getImpact()))
                                .forEach(v -> found.add("%s: %s, %s"
                                        .formatted(
                                                path,
                                                v.getId(),
                                                v.getNodes()
                                                        .get(0)
                                                        .getHtml()
                                                        .lines()
                                                        .findFirst()
                                                        .orElse(""))));
            }
        }
        assertThat(found).isEmpty();
    }
}
