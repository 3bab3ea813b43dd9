package org.evensheen.app.page;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.stream.Stream;
import org.evensheen.core.units.PlainText;
import org.springframework.http.ResponseCookie;

/** Whose hands are at work: a name kept in a cookie, written beside every reading. */
public record Hands(String name) {
    static final String COOKIE = "hands";
    public static final Hands UNNAMED = new Hands("Reviewer");
    private static final int LONGEST = 40;

    public static Hands of(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return cookies == null
                ? UNNAMED
                : Stream.of(cookies)
                        .filter(c -> c.getName().equals(COOKIE))
                        .map(c -> named(decoded(c.getValue())))
                        .findFirst()
                        .orElse(UNNAMED);
    }

    /** Hands by a typed name, cut to 40 characters; unnamed if there is nothing to know it by. */
    static Hands named(String typed) {
        String name = PlainText.clean(typed).strip();
        return !PlainText.readable(name)
                ? UNNAMED
                : new Hands(name.substring(
                        0, name.offsetByCodePoints(0, Math.min(LONGEST, name.codePointCount(0, name.length())))));
    }

    private static String decoded(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    ResponseCookie cookie() {
        return ResponseCookie.from(COOKIE, URLEncoder.encode(name, StandardCharsets.UTF_8))
                .path("/")
                .maxAge(java.time.Duration.ofDays(365))
                .httpOnly(true)
                .sameSite("Strict")
                .build();
    }
}
