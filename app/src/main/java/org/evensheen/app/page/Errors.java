package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.ServletRequestBindingException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.ModelAndView;

/** The one place where failures become pages for people and problems (RFC 9457) for programs. */
@ControllerAdvice
class Errors {
    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

    @ExceptionHandler(Missing.class)
    Object missing(Missing e, HttpServletRequest request, HttpServletResponse response) {
        return answer(HttpStatus.NOT_FOUND, "Not here", String.valueOf(e.getMessage()), request, response);
    }

    @ExceptionHandler(Refused.class)
    Object refused(Refused e, HttpServletRequest request, HttpServletResponse response) {
        return answer(
                HttpStatus.UNPROCESSABLE_CONTENT, "Can't do that", String.valueOf(e.getMessage()), request, response);
    }

    @ExceptionHandler({MethodArgumentTypeMismatchException.class, ServletRequestBindingException.class})
    Object unreadable(Exception e, HttpServletRequest request, HttpServletResponse response) {
        String name = e instanceof MethodArgumentTypeMismatchException m
                ? "“%s” can't be %s.".formatted(m.getValue(), m.getName())
                : "Something this address needs is wanting.";
        return answer(
                HttpStatus.BAD_REQUEST,
                "That address doesn't read",
                name + " Go back to the Bench and choose from there.",
                request,
                response);
    }

    @ExceptionHandler(MultipartException.class)
    Object tooLarge(MultipartException e, HttpServletRequest request, HttpServletResponse response) {
        return answer(
                HttpStatus.CONTENT_TOO_LARGE,
                "That file is too large",
                "A photo may be up to 20 MB, a file of readings or products up to 8 MB. Nothing was stored; send a smaller one.",
                request,
                response);
    }

    /** Whoever asked has gone; there is nobody to answer. */
    @ExceptionHandler(AsyncRequestNotUsableException.class)
    void gone(AsyncRequestNotUsableException e, HttpServletResponse unanswered) {
        LOG.debug("A page was left before its answer was out", e);
    }

    @ExceptionHandler(Exception.class)
    Object unforeseen(Exception e, HttpServletRequest request, HttpServletResponse response) {
        if (e instanceof ErrorResponse known) {
            return answer(
                    HttpStatus.valueOf(known.getStatusCode().value()),
                    known.getStatusCode().value() == 404 ? "Not here" : "That can't be asked here",
                    "There is no such page. The Bench leads to everything.",
                    request,
                    response);
        }
        String id = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("Failure {} at {} {}", id, request.getMethod(), request.getRequestURI(), e);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something broke",
                "What you had kept is safe. The log has this under " + id + ".",
                request,
                response);
    }

    private static Object answer(
            HttpStatus status, String title, String message, HttpServletRequest request, HttpServletResponse response) {
        String accept = Optional.ofNullable(request.getHeader("Accept")).orElse("");
        if (accept.contains("json") || request.getRequestURI().endsWith(".json")) {
            ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, message);
            problem.setTitle(title);
            return ResponseEntity.status(status)
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(problem);
        }
        response.setStatus(status.value());
        return new ModelAndView("page/error")
                .addObject("title", title)
                .addObject("message", message)
                .addObject("hands", Hands.of(request))
                .addObject("here", "/");
    }
}
