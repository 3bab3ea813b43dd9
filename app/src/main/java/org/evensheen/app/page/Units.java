package org.evensheen.app.page;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.evensheen.core.units.UnitSystem;
import org.springframework.core.annotation.Order;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The units of whoever looks: a setting of the person, kept in a cookie, which every page follows. Files are metric whoever asks.
 *
 * <p>It only says how numbers are shown; what a typed number means is said by the form it was typed into.
 */
@Component
@Order(0)
public class Units extends OncePerRequestFilter {
    static final String COOKIE = "units";
    private static final ThreadLocal<UnitSystem> NOW = ThreadLocal.withInitial(() -> UnitSystem.METRIC);

    /** The units of the request at hand; metric outside any. */
    public static UnitSystem now() {
        return NOW.get();
    }

    /** Tells something in given units, such as metric ones for what is filed. */
    public static <T> T in(UnitSystem system, Supplier<T> told) {
        UnitSystem before = NOW.get();
        NOW.set(system);
        try {
            return told.get();
        } finally {
            NOW.set(before);
        }
    }

    static ResponseCookie cookie(UnitSystem system) {
        return ResponseCookie.from(COOKIE, system.code())
                .path("/")
                .maxAge(java.time.Duration.ofDays(365))
                .httpOnly(true)
                .sameSite("Strict")
                .build();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Cookie[] cookies = request.getCookies();
        NOW.set(Stream.of(cookies == null ? new Cookie[0] : cookies)
                .filter(c -> c.getName().equals(COOKIE))
                .map(c -> UnitSystem.ofCode(c.getValue()))
                .findFirst()
                .orElse(UnitSystem.METRIC));
        try {
            chain.doFilter(request, response);
        } finally {
            NOW.remove();
        }
    }

    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }
}
