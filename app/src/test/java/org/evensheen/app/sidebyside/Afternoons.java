package org.evensheen.app.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;

/** Begins afternoons and answers them, as a form and a program would. */
public final class Afternoons {
    private Afternoons() {}

    public static Map<String, String> form(String kind, String... names) {
        Map<String, String> form =
                new HashMap<>(Map.of("kind", kind, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < names.length; i++) {
            form.put("name" + i, names[i]);
        }
        return form;
    }

    public static String place(HttpResponse<String> answer) {
        return answer.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
    }

    /** Begun with what is usually asked, whatever was asked the last time. */
    public static String begun(String kind, String... names) {
        return begunAsking(kind, Set.of(), names);
    }

    /** Begun with what is usually asked and more. */
    public static String begunAsking(String kind, Set<String> more, String... names) {
        Map<String, String> form = form(kind, names);
        if (names.length > 2 && kind.equals("spray")) {
            form.put("shape", "quarters");
        }
        Kind.ofCode(kind).ifPresent(k -> {
            form.put("asked", kind);
            k.questions().stream()
                    .filter(q -> q.usual() || more.contains(q.code()))
                    .forEach(q -> form.put("ask-" + q.code(), "on"));
        });
        HttpResponse<String> made = Web.post("/compare", form);
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        return place(made);
    }

    public static Comparison load(String at) {
        return LiveApp.bean(ComparisonStore.class).load(Long.parseLong(at.replaceAll("\\D", "")));
    }

    public static HttpResponse<String> say(String at, String step, String value, String... more) {
        Map<String, String> form = new HashMap<>(
                Map.of("step", step, "value", value, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < more.length; i += 2) {
            form.put(more[i], more[i + 1]);
        }
        return Web.send(at + "/said", form);
    }

    public static String plain(HttpResponse<String> answer) {
        return answer.body().replace('\u202f', ' ').replace("&#39;", "’").replace("&quot;", "\"");
    }
}
