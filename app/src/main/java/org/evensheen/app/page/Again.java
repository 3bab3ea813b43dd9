package org.evensheen.app.page;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.stream.Stream;

/**
 * A request that met trouble, so that its page can send it again with everything that was typed. It carries its key, so it is kept once.
 *
 * @param fields of the form; a file can't be held and has to be chosen again
 */
record Again(String address, boolean form, boolean file, List<Field> fields) {

    /** A field as it was sent. */
    record Field(String name, String value) {}

    static Again of(HttpServletRequest request) {
        boolean form = request.getMethod().equals("POST");
        boolean file = String.valueOf(request.getContentType()).startsWith("multipart/");
        String query = request.getQueryString();
        return new Again(
                request.getRequestURI() + (form || query == null ? "" : "?" + query),
                form,
                file,
                form && !file
                        ? request.getParameterMap().entrySet().stream()
                                .flatMap(e -> Stream.of(e.getValue()).map(v -> new Field(e.getKey(), v)))
                                .toList()
                        : List.of());
    }
}
