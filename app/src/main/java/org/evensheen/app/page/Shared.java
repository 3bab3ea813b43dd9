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

    /** Units of whoever looks, and how the metric ones are shown: a template says {@code ${units.of('N')}}. */
    @ModelAttribute("units")
    Shown units() {
        return Shown.now();
    }

    /** Units for templates. */
    public record Shown(String code) {
        static Shown now() {
            return new Shown(Units.now().code());
        }

        public String of(String metric) {
            return Figures.unit(metric);
        }

        public String quantity(double metric, String unit) {
            return Figures.quantity(metric, unit, 0);
        }
    }

    @ModelAttribute("here")
    String here(HttpServletRequest request) {
        String query = request.getQueryString();
        return request.getRequestURI() + (query == null || !request.getMethod().equals("GET") ? "" : "?" + query);
    }
}
