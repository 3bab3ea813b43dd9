package org.evensheen.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;

/** Plans made as the pages make them. */
public final class SamplePlan {
    /** Beyond the reach of any forecast, so that no rain is against it. */
    public static final LocalDate FIRST_DAY = LocalDate.now().plusDays(30);

    private SamplePlan() {}

    /** A bed of its own, a plain rectangle. */
    public static long bed(String outline) {
        HttpResponse<String> kept = Web.post(
                "/beds",
                Map.of(
                        "id",
                        "0",
                        "key",
                        UUID.randomUUID().toString(),
                        "name",
                        "Bed " + UUID.randomUUID(),
                        "kind",
                        "board",
                        "outline",
                        outline,
                        "tilt",
                        "0"));
        return number(kept);
    }

    /** A plan with what was typed on top of what a plan begins with. */
    public static long make(Map<String, String> typed) {
        long id = number(Web.post(
                "/plans",
                Map.of(
                        "question",
                        "Which stays?",
                        "bed",
                        "",
                        "key",
                        UUID.randomUUID().toString())));
        change(id, 1, "ask", typed);
        return id;
    }

    /** Three products on a board of its own, with nothing left to remedy. */
    public static Map<String, String> fair() {
        return new HashMap<>(Map.of(
                "bed", String.valueOf(bed("1500 × 1000")),
                "name0", "Osier Spray Seal",
                "name1", "Brock Paste",
                "name2", "Gannet Spray Wax",
                "reference", "0",
                "gauge", "on",
                "weather", "on",
                "blind", "on",
                "firstDay", FIRST_DAY.toString()));
    }

    public static HttpResponse<String> change(long id, int base, String step, Map<String, String> typed) {
        Map<String, String> form = new HashMap<>(typed);
        form.put("base", String.valueOf(base));
        form.put("step", step);
        return Web.post("/plans/" + id, form, "HX-Request", "true");
    }

    /** Begins it, and gives the study's number. */
    public static long begin(long id) {
        return number(Web.post("/plans/" + id + "/begin", Map.of()));
    }

    /** The number at the end of where an answer leads. */
    public static long number(HttpResponse<String> answer) {
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        return Long.parseLong(
                answer.headers().firstValue("Location").orElseThrow().replaceAll("^.*/(\\d+).*$", "$1"));
    }
}
