package org.evensheen.app.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Whatever is sent to whichever endpoint, the answer is never that something broke. Endpoints come from the mapping table and their fields
 * from what their methods and the forms of the templates name, so that a new one is met too; what is sent is drawn with a seed.
 */
@ExtendWith(LiveApp.Apart.class)
class EveryEndpointTest {
    private static final long SEED = Long.getLong("even-sheen.requests.seed", 20261126);
    private static final int REQUESTS = Integer.getInteger("even-sheen.requests", 3000);

    /** Fields that forms send and no method names: what is in maps and in forms bound to records. */
    private static final List<String> FORM_FIELDS = List.of("""
            amount width kind because section stage measure repeat take day step what note used words grade
            grade-A given before after ph by air humidity panel wind light hardness dark weight said passed
            dose wait coats job contender name line size comeBy comeByOn openedOn bundleName bundlePrice
            item0 size0 list0 vesselName vesselVolume shape place probe pattern unit asks checkValue
            checkTolerance outline tilt colour trim0 trimAt0 zone0 zoneKind0 zoneAt0 question name0 name1
            firstDay each bare bed moves dates seed pull truthBare fresh0 from to rate statedOn product
            vessel dilution total ml on knowingly why back weighed sprays lost minutes flow key ago base id
            revision
            """.strip().split("\\s+"));

    private static final List<String> VALUES = List.of(
            "",
            " ",
            "0",
            "1",
            "8",
            "-1",
            "3660",
            "3661",
            "99999999999999999999",
            "2147483648",
            "-2147483648",
            "1e309",
            "NaN",
            "9,8",
            "1,250",
            "12.5 mm",
            "\u0000",
            "a\u0000b",
            "\u202Egpj",
            "\u3164",
            "\uD800",
            "é\u0301",
            "<script>alert(1)</script>",
            "'; drop table study; --",
            "=HYPERLINK(1)",
            "../../etc/passwd",
            "A",
            "QQ",
            "a\nb\tc",
            "2026-05-01",
            "+999999999-12-31",
            "-999999999-01-01",
            "0000-00-00",
            "9999-12-31",
            "2026-02-30",
            "pull",
            "drop",
            "grade",
            "left-behind",
            "gloss",
            "rewetted",
            "bare",
            "repels",
            "step",
            "undo",
            "topped",
            "deviation",
            "names",
            "air",
            "air/apply",
            "coat1/A/spread",
            "coat1/A/finish",
            "coat999999/ZZ/finish",
            "gate/bare",
            "look/A/1",
            "force",
            "scale",
            "tcp:127.0.0.1:1",
            "127.0.0.1:0",
            "169.254.169.254:80",
            "F {value} {unit}",
            "{any}{any}{any}{value}",
            "{value",
            "3 sprays per section",
            "1:240",
            "wait 2 min; 2 coats",
            "1500 × 1000",
            "0,0 100,0 100,100",
            "[]",
            "{}",
            "[{\"time\":\"+1000000-01-01T00:00\"}]",
            "yes",
            "on",
            "true",
            "mixed",
            "poured",
            "bucket",
            "applying",
            "paper",
            "EUR",
            "12.50 EUR",
            "x".repeat(201),
            "ü".repeat(5000));

    private final Random random = new Random(SEED);
    private final Study open = SampleStudy.read();
    private final Study applying = SampleStudy.applyingOnly();
    private final Study closed = SampleStudy.closed();
    private final long plan = SamplePlan.make(SamplePlan.fair());

    /** Whether the request in hand may hold what is no text; such a one is refused before anything looks at it. */
    private boolean dirty;

    private String value() {
        String value = switch (random.nextInt(12)) {
            case 0 -> UUID.randomUUID().toString();
            case 1 -> code();
            case 2 -> String.valueOf(random.nextInt(20));
            case 3 -> any() + any();
            default -> any();
        };
        return dirty ? value : value.replace("\u0000", "").replace("\uD800", "");
    }

    private String any() {
        return VALUES.get(random.nextInt(VALUES.size()));
    }

    private String code() {
        return open.record().sections().get(random.nextInt(8)).code();
    }

    /** What a form would send, so that some requests get as far as the store; else anything. */
    private String value(String field) {
        if (random.nextInt(3) == 0) {
            return value();
        }
        return switch (field) {
            case "key" -> UUID.randomUUID().toString();
            case "day", "repeat", "base", "ago", "contender", "id" -> String.valueOf(random.nextInt(9));
            case "section" -> code();
            case "stage" -> List.of("bare", "fresh", "rewetted", "arrival").get(random.nextInt(4));
            case "measure" ->
                List.of("pull", "drop", "grade", "left-behind", "gloss").get(random.nextInt(5));
            case "kind" ->
                List.of("repels", "sheets", "washed", "topped", "wax", "board").get(random.nextInt(6));
            case "amount", "width", "air", "humidity", "panel", "weight", "said", "ph" ->
                String.valueOf(1 + random.nextInt(60));
            case "what" ->
                List.of("step", "undo", "topped", "deviation", "names").get(random.nextInt(5));
            case "step" ->
                List.of("air", "coat1/" + code() + "/spread", "coat1/" + code() + "/finish", "ask", "dates")
                        .get(random.nextInt(5));
            case "field", "probe", "of", "why" ->
                List.of("amount", "force", "mean", "pair", "file", "noting").get(random.nextInt(6));
            default -> value();
        };
    }

    private String id() {
        List<Object> known = List.of(open.id(), applying.id(), closed.id(), plan, 1, 2, 3, 4);
        return random.nextInt(6) > 0 ? String.valueOf(known.get(random.nextInt(known.size()))) : value();
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private String address(String pattern) {
        StringBuilder path = new StringBuilder();
        for (String part : pattern.split("(?<=})|(?=\\{)")) {
            path.append(part.startsWith("{") ? encoded(id()).replace("+", "%20") : part);
        }
        return path.toString();
    }

    /** A field as a form sends it; now and then with bytes that are no text. */
    private String field(String name) {
        String sent = dirty && random.nextInt(8) == 0 ? "%ff%fe%c3" : encoded(value(name));
        return encoded(name) + "=" + sent;
    }

    private List<String> fields(HandlerMethod method) {
        Set<String> names = new LinkedHashSet<>();
        for (var parameter : method.getMethodParameters()) {
            RequestParam asked = parameter.getParameterAnnotation(RequestParam.class);
            if (asked != null && parameter.getParameterType() != MultipartFile.class) {
                names.add(asked.name().isEmpty() ? parameter.getParameter().getName() : asked.name());
            }
        }
        List<String> wanted = new ArrayList<>(names);
        wanted.removeIf(n -> random.nextInt(12) == 0);
        for (int more = random.nextInt(14); more > 0; more--) {
            wanted.add(FORM_FIELDS.get(random.nextInt(FORM_FIELDS.size())));
        }
        return wanted;
    }

    private HttpRequest request(RequestMappingInfo mapping, HandlerMethod method) {
        dirty = random.nextInt(8) == 0;
        String pattern = List.copyOf(mapping.getPatternValues()).get(0);
        boolean post = mapping.getMethodsCondition().getMethods().contains(RequestMethod.POST);
        String form = String.join("&", fields(method).stream().map(this::field).toList());
        boolean file = List.of(method.getMethodParameters()).stream()
                .anyMatch(p -> p.getParameterType() == MultipartFile.class);
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(LiveApp.url()
                + address(pattern)
                + (post && random.nextInt(3) > 0 || form.isEmpty() ? "" : "?" + form)));
        if (random.nextInt(3) == 0) {
            request.header("Accept", "application/json");
        }
        if (random.nextInt(3) == 0) {
            request.header("HX-Request", "true");
        }
        request.header("Cookie", "hands=" + encoded(value()) + "; said=" + encoded(value()));
        if (!post) {
            return request.build();
        }
        return file && random.nextInt(5) > 0
                ? upload(request, form)
                : request.header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build();
    }

    private HttpRequest upload(HttpRequest.Builder request, String form) {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        for (String pair : form.split("&")) {
            String[] field = pair.split("=", 2);
            body.writeBytes(("--edge\r\nContent-Disposition: form-data; name=\"" + field[0] + "\"\r\n\r\n"
                            + (field.length > 1 ? java.net.URLDecoder.decode(field[1], StandardCharsets.UTF_8) : "")
                            + "\r\n")
                    .getBytes(StandardCharsets.UTF_8));
        }
        String name = random.nextBoolean() ? "file" : "photo";
        body.writeBytes(("--edge\r\nContent-Disposition: form-data; name=\"" + name + "\"; filename=\"f\"\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        byte[] content = value().getBytes(StandardCharsets.UTF_8);
        if (random.nextInt(3) == 0) {
            content = new byte[random.nextInt(3000)];
            random.nextBytes(content);
        }
        body.writeBytes(content);
        body.writeBytes((random.nextInt(15) == 0 ? "" : "\r\n--edge--\r\n").getBytes(StandardCharsets.UTF_8));
        return request.header("Content-Type", "multipart/form-data; boundary=edge")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                .build();
    }

    @Test
    void nothingThatIsSentBreaksAnything() throws Exception {
        var mappings = new ArrayList<>(LiveApp.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .entrySet());
        // A stream of changes never ends, and takes by an instrument wait for it; both have tests of their own.
        mappings.removeIf(m -> m.getKey().getPatternValues().stream()
                .anyMatch(p -> p.endsWith("/changes") || p.matches("/kit/\\{id}/(test|check|take)")));
        mappings.sort(java.util.Comparator.comparing(m -> m.getKey().toString()));
        assertThat(mappings).hasSizeGreaterThan(80);
        List<String> broken = new ArrayList<>();
        TreeMap<Integer, Integer> answers = new TreeMap<>();
        HttpClient client = HttpClient.newHttpClient();
        for (int i = 0; i < REQUESTS; i++) {
            var mapping = mappings.get(i % mappings.size());
            HttpRequest request = request(mapping.getKey(), mapping.getValue());
            HttpResponse<String> answer;
            try {
                answer = client.send(request, HttpResponse.BodyHandlers.ofString());
            } catch (IOException e) {
                // A line that the server closed after a broken upload; the next one gets its answer.
                client = HttpClient.newHttpClient();
                answer = client.send(request, HttpResponse.BodyHandlers.ofString());
            }
            answers.merge(answer.statusCode(), 1, Integer::sum);
            if (answer.statusCode() >= 500) {
                broken.add(answer.statusCode() + " " + request.method() + " " + request.uri() + " "
                        + answer.body().replaceAll("(?s).*under ([0-9a-f]{8}).*", "$1"));
            }
        }
        assertThat(broken).as("answers %s", answers).isEmpty();
        assertThat(answers).as("some of it is taken, most is not").containsKeys(200, 302, 400, 404, 422);
        // What was stored by all of it still shows.
        for (String page : List.of(
                "/",
                "/studies",
                "/shelf",
                "/beds",
                "/calendar",
                "/mixer",
                "/kit",
                "/verdicts",
                "/studies/" + open.id(),
                "/studies/" + applying.id() + "/run",
                "/studies/" + closed.id(),
                "/plans/" + plan)) {
            assertThat(org.evensheen.app.live.Web.get(page).statusCode())
                    .as(page)
                    .isIn(200, 302);
        }
    }
}
