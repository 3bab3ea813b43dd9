package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the frame around every page needs. */
@ControllerAdvice
class Shared {

    @ModelAttribute("hands")
    Hands hands(HttpServletRequest request) {
        return Hands.of(request);
    }

    @ModelAttribute("here")
    String here(HttpServletRequest request) {
        String query = request.getQueryString();
        return request.getRequestURI() + (query == null || !request.getMethod().equals("GET") ? "" : "?" + query);
    }
}
