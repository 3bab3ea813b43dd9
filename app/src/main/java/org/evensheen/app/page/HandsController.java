package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Sets whose hands are at work. */
@Controller
class HandsController {

    @PostMapping("/hands")
    String set(@RequestParam String name, @RequestParam(defaultValue = "/") String back, HttpServletResponse response) {
        response.addHeader(HttpHeaders.SET_COOKIE, Hands.named(name).cookie().toString());
        return "redirect:" + (back.matches("/(?!/)[^\\\\]*") ? back : "/");
    }
}
