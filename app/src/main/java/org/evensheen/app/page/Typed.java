package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Stream;
import org.evensheen.core.units.PlainText;
import org.jspecify.annotations.Nullable;

/** A request whose fields hold plain text only: signs that can't be seen are left out, and what is no text is refused. */
final class Typed extends HttpServletRequestWrapper {
    private @Nullable Map<String, String[]> fields;

    Typed(HttpServletRequest request) {
        super(request);
    }

    /** Something that was sent is no text. */
    static final class Unreadable extends RuntimeException {
        private static final long serialVersionUID = 1;

        Unreadable() {
            super(
                    "What was sent holds signs that are no text, such as NUL or broken UTF-8. Take them out and send it again; nothing was stored.");
        }
    }

    private Map<String, String[]> fields() {
        if (fields == null) {
            Map<String, String[]> plain = new LinkedHashMap<>();
            super.getParameterMap().forEach((name, values) -> {
                if (PlainText.broken(name) || Stream.of(values).anyMatch(Typed::unreadable)) {
                    throw new Unreadable();
                }
                plain.put(name, Stream.of(values).map(PlainText::clean).toArray(String[]::new));
            });
            fields = plain;
        }
        return fields;
    }

    /** NUL, or the sign that stands for bytes that are none. */
    private static boolean unreadable(String value) {
        return PlainText.broken(value) || value.indexOf('\uFFFD') >= 0;
    }

    @Override
    public @Nullable String getParameter(String name) {
        String[] values = fields().get(name);
        return values == null || values.length == 0 ? null : values[0];
    }

    @Override
    public String @Nullable [] getParameterValues(String name) {
        return fields().get(name);
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        return Collections.unmodifiableMap(fields());
    }

    @Override
    public Enumeration<String> getParameterNames() {
        return Collections.enumeration(fields().keySet());
    }
}
