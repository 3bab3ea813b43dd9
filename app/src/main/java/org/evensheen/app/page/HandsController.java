package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.evensheen.core.units.UnitSystem;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Sets whose hands are at work, and the units they think in. */
@Controller
class HandsController {

    @PostMapping("/hands")
    String set(
            @RequestParam String name,
            @RequestParam Optional<String> units,
            @RequestParam(defaultValue = "/") String back,
            HttpServletResponse response) {
        units.ifPresent(code -> response.addHeader(
                HttpHeaders.SET_COOKIE, Units.cookie(UnitSystem.ofCode(code)).toString()));
        response.addHeader(HttpHeaders.SET_COOKIE, Hands.named(name).cookie().toString());
        return "redirect:" + (back.matches("/(?!/)[^\\\\]*") ? back : "/");
    }
}
