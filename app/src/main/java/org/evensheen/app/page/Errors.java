package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.validation.BindException;
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
public class Errors {
    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);
    private static final Pattern CONSTRAINT = Pattern.compile("constraint \"(\\w+)\"");

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

    /** A form whose fields are not what they should be: a letter where a number belongs. */
    @ExceptionHandler({BindException.class, TypeMismatchException.class})
    Object unfit(Exception e, HttpServletRequest request, HttpServletResponse response) {
        String what = e instanceof BindException bound
                ? bound.getFieldErrors().stream()
                        .map(f -> "“%s” can't be %s."
                                .formatted(Sheet.shown(String.valueOf(f.getRejectedValue())), f.getField()))
                        .findFirst()
                        .orElse("Something in it does not read.")
                : "Something in it does not read.";
        return answer(
                HttpStatus.BAD_REQUEST,
                "That form doesn't read",
                what + " Nothing was stored; go back and put it right.",
                request,
                response);
    }

    @ExceptionHandler(Typed.Unreadable.class)
    Object noText(Typed.Unreadable e, HttpServletRequest request, HttpServletResponse response) {
        return answer(HttpStatus.BAD_REQUEST, "That is no text", String.valueOf(e.getMessage()), request, response);
    }

    /** The schema's last word: what must never be stored was about to be. */
    @ExceptionHandler(DataIntegrityViolationException.class)
    Object impossible(DataIntegrityViolationException e, HttpServletRequest request, HttpServletResponse response) {
        LOG.warn("Refused by the schema at {} {}", request.getMethod(), request.getRequestURI(), e);
        return answer(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "That can't be",
                "Something in it can't be: %s. Nothing was stored; go back, put it right and send it again."
                        .formatted(constraint(e)),
                request,
                response);
    }

    /** The name of the constraint that refused it, in words. */
    public static String constraint(DataIntegrityViolationException e) {
        Matcher named =
                CONSTRAINT.matcher(String.valueOf(e.getMostSpecificCause().getMessage()));
        return named.find() ? named.group(1).replace('_', ' ') : "a value outside its range";
    }

    @ExceptionHandler(MultipartException.class)
    Object tooLarge(MultipartException e, HttpServletRequest request, HttpServletResponse response) {
        return Trouble.of(e)
                .map(trouble -> trouble(trouble, e, request, response))
                .orElseGet(() -> answer(
                        HttpStatus.CONTENT_TOO_LARGE,
                        "That file is too large",
                        "A photo may be up to 20 MB, a file of readings or products up to 8 MB, a study with its photos up to 300 MB. Nothing was stored; send a smaller one.",
                        request,
                        response));
    }

    /** What is wrong is not in the request, and goes by: the same one can be sent again. */
    private static Object trouble(
            Trouble trouble, Exception e, HttpServletRequest request, HttpServletResponse response) {
        LOG.warn("{} at {} {}", trouble, request.getMethod(), request.getRequestURI(), e);
        response.setHeader("Retry-After", "5");
        Object answer = answer(HttpStatus.SERVICE_UNAVAILABLE, trouble.title(), trouble.message(), request, response);
        return answer instanceof ModelAndView page ? page.addObject("again", Again.of(request)) : answer;
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
        Optional<Trouble> trouble = Trouble.of(e);
        if (trouble.isPresent()) {
            return trouble(trouble.get(), e, request, response);
        }
        if (e instanceof org.apache.tomcat.util.http.InvalidParameterException) {
            return noText(new Typed.Unreadable(), request, response);
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
        boolean part = request.getHeader("HX-Request") != null;
        if (accept.contains("json") || part || request.getRequestURI().endsWith(".json")) {
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
                .addObject("units", Shared.Shown.now())
                .addObject("here", "/");
    }
}
