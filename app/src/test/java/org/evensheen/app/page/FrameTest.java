package org.evensheen.app.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.Map;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class FrameTest {

    @Test
    void theNameOfTheHandsIsKeptForAYearAndShownAsText() {
        HttpResponse<String> set = Web.post("/hands", Map.of("name", " Ana <b> ", "back", "/studies"));
        assertThat(set.headers().firstValue("Location").orElseThrow()).endsWith("/studies");
        String cookie = set.headers().firstValue("Set-Cookie").orElseThrow();
        assertThat(cookie).contains("HttpOnly", "SameSite=Strict");
        assertThat(Web.get("/", "Cookie", cookie.split(";")[0]).body()).contains("Working: Ana &lt;b&gt;");
        assertThat(Web.get("/", "Cookie", "hands=%zz").body()).contains("Working: Reviewer");
    }

    @ParameterizedTest
    @CsvSource({"https://elsewhere.example/", "//elsewhere.example", "/\\elsewhere.example", "javascript:alert(1)"})
    void nobodyIsSentToAnotherSiteAfterwards(String back) {
        HttpResponse<String> set = Web.post("/hands", Map.of("name", "Ana", "back", back));
        assertThat(set.headers().firstValue("Location").orElseThrow()).doesNotContain("elsewhere", "javascript");
    }

    @Test
    void assetsAreServedForAYearAndPagesAreNotStored() {
        String page = Web.get("/").body();
        String style = page.replaceAll("(?s).*href=\"(/assets/even-sheen-[0-9a-f]{32}\\.css)\".*", "$1");
        HttpResponse<String> answer = Web.get(style);
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.headers().firstValue("Cache-Control").orElseThrow()).contains("max-age=31536000");
        assertThat(answer.body()).contains("@font-face").doesNotContain("http://", "https://fonts");
        assertThat(Web.get("/").headers().firstValue("Cache-Control")).contains("no-store");
    }

    @Test
    void theApplicationSaysWhenItIsReadyAndNothingMoreOfItself() {
        assertThat(Web.get("/actuator/health/readiness").body()).contains("UP");
        assertThat(Web.get("/actuator/env").statusCode()).isEqualTo(404);
        assertThat(Web.get("/actuator/beans").statusCode()).isEqualTo(404);
    }
}
