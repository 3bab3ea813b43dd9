package org.evensheen.app.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Who may ask, and in what words. */
@ExtendWith(LiveApp.class)
class GuardTest {

    /** The first line and what follows, as it goes over the line: the client of the language sets its own Host. */
    private static String raw(String request) throws Exception {
        URI at = URI.create(LiveApp.url());
        try (Socket socket = new Socket(at.getHost(), at.getPort())) {
            socket.setSoTimeout(10_000);
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            InputStream in = socket.getInputStream();
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static String asking(String host, String method, String path) throws Exception {
        return raw("%s %s HTTP/1.1\r\nHost: %s\r\nConnection: close\r\nContent-Length: 0\r\n\r\n"
                .formatted(method, path, host));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "rebound.example",
                "127.0.0.1.rebound.example:8180",
                "localhost.example",
                "192.168.1.4:8180",
                "[::2]"
            })
    void aNameThatIsNotOursIsAnsweredWithNothing(String host) throws Exception {
        for (String method : List.of("GET", "POST")) {
            assertThat(asking(host, method, "/"))
                    .startsWith("HTTP/1.1 421")
                    .contains("EVEN_SHEEN_HOST")
                    .doesNotContain("Bench");
        }
        assertThat(asking(host, "GET", "/assets/htmx.js")).startsWith("HTTP/1.1 421");
        assertThat(asking(host, "GET", "/actuator/health/readiness")).startsWith("HTTP/1.1 421");
    }

    @ParameterizedTest
    @ValueSource(strings = {"localhost", "LOCALHOST:1", "127.0.0.1:8180", "[::1]:8180"})
    void ourOwnNamesAreAnsweredWhateverThePort(String host) throws Exception {
        assertThat(asking(host, "GET", "/probe")).startsWith("HTTP/1.1 200");
    }

    @Test
    void aNameThatIsSetIsOursToo() {
        Guard guard = new Guard("shed.example, Boat.Local ");
        assertThat(List.of("localhost", "SHED.example", "boat.local", "[::1]")).allMatch(guard::ours);
        assertThat(List.of("", "example", "other.example", "boat.local.example"))
                .noneMatch(guard::ours);
    }

    @ParameterizedTest
    @CsvSource({
        "/hands, name=%ff%fe",
        "/hands, name=a%00b",
        "/studies/3/happenings, day=1&kind=washed&note=%c3&key=00000000-0000-0000-0000-000000000001",
        "/studies/3/run, day=0&what=deviation&words=a%00&key=00000000-0000-0000-0000-000000000002",
        "/studies/3/run, day=0&what=topped&words=%ed%a0%80&key=00000000-0000-0000-0000-000000000003",
        "/shelf, name=x%00&kind=wax&line=50%20mL&key=00000000-0000-0000-0000-000000000004"
    })
    void whatIsNoTextIsRefusedAndNothingOfItIsStored(String path, String form) throws Exception {
        long before = kept();
        String answer = raw("POST %s HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\nAccept: application/json\r\n"
                        .formatted(path)
                + "Content-Type: application/x-www-form-urlencoded\r\nContent-Length: %d\r\n\r\n%s"
                        .formatted(form.length(), form));
        assertThat(answer).startsWith("HTTP/1.1 400").contains("no text, such as NUL or broken UTF-8");
        assertThat(kept()).isEqualTo(before);
    }

    private static long kept() {
        return LiveApp.database()
                .sql(
                        "select (select count(*) from happening) + (select count(*) from product) + (select count(*) from deviation)")
                .query(Long.class)
                .single();
    }

    @Test
    void signsThatCantBeSeenAreLeftOutOfWhatIsKept() {
        long study = SampleStudy.make().id();
        Web.post(
                "/studies/" + study + "/happenings",
                Map.of(
                        "day",
                        "1",
                        "kind",
                        "washed",
                        "note",
                        "cold \u202Eretaw\u200B\u0007",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(LiveApp.database()
                        .sql("select note from happening where study_id = :id")
                        .param("id", study)
                        .query(String.class)
                        .single())
                .isEqualTo("cold retaw");
    }

    @ParameterizedTest
    @CsvSource({
        "/shelf, name, kind=wax&line=50 mL&over=0, Write the name on the bottle",
        "/beds, name, outline=1500 × 1000&kind=board, Name the bed",
        "/mixer/vessels, vesselName, vesselVolume=5 L&shape=bucket, Give it a name",
        "/kit, name, probe=force&place=127.0.0.1:4001&pattern={value}&unit=N, Give it a name"
    })
    void aNameThatLooksEmptyIsRefusedAtItsPlaceAndTheRestStaysTyped(
            String path, String field, String rest, String saying) {
        Map<String, String> form = new HashMap<>(Map.of("key", UUID.randomUUID().toString(), field, "\u3164\u200B—"));
        for (String pair : rest.split("&")) {
            form.put(pair.split("=", 2)[0], pair.split("=", 2)[1]);
        }
        HttpResponse<String> answer = Web.post(path, form);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body())
                .contains(saying, rest.replaceAll(".*?(50 mL|1500 × 1000|5 L|127.0.0.1:4001).*", "$1"));
    }

    @Test
    void onlyWordsOfTheProgramAreSaidAndOnce() {
        long study = SampleStudy.applyingOnly().id();
        String run = "/studies/" + study + "/run?day=0";
        assertThat(Web.get(run + "&said=Call%20this%20number").body()).doesNotContain("Call this number");
        HttpResponse<String> noted = Web.post(
                "/studies/" + study + "/run",
                Map.of(
                        "day",
                        "0",
                        "what",
                        "deviation",
                        "words",
                        "smeared",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(noted.headers().firstValue("Location").orElseThrow()).doesNotContain("said");
        String cookie = noted.headers().firstValue("Set-Cookie").orElseThrow();
        assertThat(cookie).contains("HttpOnly", "SameSite=Strict", "Max-Age=30");
        HttpResponse<String> page = Web.get(run, "Cookie", cookie.split(";")[0]);
        assertThat(page.body()).contains("Noted: smeared.");
        assertThat(page.headers().firstValue("Set-Cookie").orElseThrow())
                .startsWith("said=;")
                .contains("Max-Age=0");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "=1+1",
                "+SUM(A1)",
                "-2+3",
                "@cmd",
                "\tx",
                "'=already",
                "''+twice",
                "'quoted",
                "=",
                "-",
                "\uff1d1",
                "plain",
                "-3.5",
                "+7",
                "a,b \"c\"",
                "''",
                "-1e3"
            })
    void aCellThatASpreadsheetWouldWorkOutIsShownAndComesBackAsItWas(String text) {
        String file = Sheet.write(List.of("a", "b"), List.of(List.of(text, "z")));
        String cell = file.lines().skip(1).findFirst().orElseThrow().replaceFirst("^\"", "");
        assertThat(cell).doesNotMatch("[=@\t\uff1d].*|[+-](?!\\d+(\\.\\d+)?(e\\d+)?,).*");
        Sheet.Row row = Sheet.read(file.getBytes(StandardCharsets.UTF_8), List.of("a", "b"), List.of(), 5)
                .rows()
                .get(0);
        assertThat(row.cells()[0]).isEqualTo(text);
    }
}
