package org.evensheen.app.rack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.evensheen.app.sidebyside.Afternoons.begun;
import static org.evensheen.app.sidebyside.Afternoons.begunAsking;
import static org.evensheen.app.sidebyside.Afternoons.load;
import static org.evensheen.app.sidebyside.Afternoons.plain;
import static org.evensheen.app.sidebyside.Afternoons.say;

import java.util.Set;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.core.sidebyside.Comparison;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class RackTest {
    private static String codeOf(String at, String name) {
        Comparison c = load(at);
        return c.places().stream()
                .filter(p -> c.on(p.code()).name().equals(name))
                .findFirst()
                .orElseThrow()
                .code();
    }

    private static String item(String name) {
        String page = plain(Web.get("/rack"));
        int at = page.indexOf(">" + name + "<");
        assertThat(at).as("%s hangs on the Rack", name).isPositive();
        return page.substring(page.lastIndexOf("<li", at), page.indexOf("<h2", at + 10));
    }

    @Test
    void whatAnItemLetGoInAnyComparisonSaysWhetherItMayGoBack() {
        String mitt = "Mitt " + UUID.randomUUID();
        String sponge = "Sponge " + UUID.randomUUID();
        String first = begun("media", mitt, sponge);
        assertThat(item(mitt)).contains("Release not looked at yet", "1 comparison,");
        say(first, "release/" + codeOf(first, mitt), "4");
        say(first, "release/" + codeOf(first, sponge), "5");
        assertThat(item(mitt)).contains("May go back into its water", "nearly all. Seen once.", "reuse-back");
        String again = begunAsking("media", Set.of("held", "left"), mitt, sponge);
        say(again, "release/" + codeOf(again, mitt), "2");
        say(again, "held/" + codeOf(again, mitt), "400");
        say(again, "left/" + codeOf(again, mitt), "100");
        assertThat(item(mitt))
                .contains("Each face once, never back", "some, of 2 looks", "holds 400 g, one wring takes out 75 %")
                .contains("2 comparisons,", again + "/sheet");
        assertThat(item(sponge)).contains("May go back into its water").doesNotContain("holds");
    }
}
