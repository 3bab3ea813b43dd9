package org.evensheen.app.page;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What holds for every request: it asks for a name that is ours, so that no page elsewhere can have its own name lead here; no change is
 * asked for by another site's page; what was typed is plain text; and every answer carries the headers that keep pages to themselves.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class Guard extends OncePerRequestFilter {
    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";
    private static final Set<String> SAFE = Set.of("GET", "HEAD");
    private static final int MISDIRECTED = 421;

    private final Set<String> names;

    /** Besides this machine's own names, the ones it is to be reached by, with commas between. */
    Guard(@Value("${even-sheen.host:}") String others) {
        names = Stream.concat(Stream.of("localhost", "127.0.0.1", "[::1]", "::1"), Stream.of(others.split(",")))
                .map(name -> name.strip().toLowerCase(Locale.ROOT))
                .filter(name -> !name.isEmpty())
                .collect(Collectors.toUnmodifiableSet());
    }

    /** Whether this is a name that it is to be reached by. */
    boolean ours(String name) {
        return names.contains(name.toLowerCase(Locale.ROOT));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "same-origin");
        if (!request.getRequestURI().startsWith("/assets/")) {
            response.setHeader("Cache-Control", "no-store");
        }
        if (!ours(request.getServerName())) {
            response.setStatus(MISDIRECTED);
            response.setContentType("text/plain;charset=UTF-8");
            response.getWriter()
                    .write(
                            "This is Even Sheen, and it does not go by that name. Open it at localhost, or start it with "
                                    + "EVEN_SHEEN_HOST set to the name it is to be reached by.\n");
            return;
        }
        if (!SAFE.contains(request.getMethod()) && foreign(request)) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
            return;
        }
        chain.doFilter(new Typed(request), response);
    }

    /** A change asked for by a page that this server did not serve. */
    private static boolean foreign(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        if (site != null) {
            return !site.equals("same-origin") && !site.equals("none");
        }
        String origin = request.getHeader("Origin");
        return origin != null && !origin.endsWith("://" + request.getHeader("Host"));
    }
}
