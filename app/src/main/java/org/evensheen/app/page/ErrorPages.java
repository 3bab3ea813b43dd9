package org.evensheen.app.page;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** Answers for failures that happen before a controller is reached. */
@Controller
class ErrorPages implements ErrorController {

    @RequestMapping("/error")
    String error(HttpServletRequest request, Model model) {
        Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        boolean forbidden = Integer.valueOf(403).equals(status);
        model.addAttribute("title", forbidden ? "Not from there" : "That can't be read");
        model.addAttribute(
                "message",
                forbidden
                        ? "Another site's page asked for a change here. Nothing was changed; ask from Even Sheen itself."
                        : "The request was too large or broken. Nothing was stored; go back and try again.");
        return "page/error";
    }
}
