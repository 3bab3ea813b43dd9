package org.evensheen.app.page;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;

/** A word of the program for the next page, and for that one only. It travels in a cookie, which no link can set. */
public final class Said {
    private static final String COOKIE = "said";
    private static final Duration HOLDS = Duration.ofSeconds(30);
    private static final int LONGEST = 600;

    private Said() {}

    /** Leaves a word for the page that is gone to now. */
    public static void leave(String word, HttpServletResponse response) {
        String brief = word.length() <= LONGEST ? word : word.substring(0, LONGEST - 1) + "…";
        set(URLEncoder.encode(brief, StandardCharsets.UTF_8), HOLDS, response);
    }

    /** Takes the word that was left; empty if there is none. */
    public static String take(HttpServletRequest request, HttpServletResponse response) {
        Cookie[] cookies = request.getCookies();
        if (cookies == null) {
            return "";
        }
        return Stream.of(cookies)
                .filter(c -> c.getName().equals(COOKIE) && !c.getValue().isEmpty())
                .findFirst()
                .map(c -> {
                    set("", Duration.ZERO, response);
                    return decoded(c.getValue());
                })
                .orElse("");
    }

    private static String decoded(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private static void set(String value, Duration age, HttpServletResponse response) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, value)
                        .path("/")
                        .maxAge(age)
                        .httpOnly(true)
                        .sameSite("Strict")
                        .build()
                        .toString());
    }
}
