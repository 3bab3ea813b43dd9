package org.evensheen.app.mixer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * What the Mixer is asked for; everything may be left open.
 *
 * @param at place of the slider, 0 to 1000
 * @param seconds seconds a foam bottle takes to empty, as typed
 * @param flow L/min at the nozzle, as typed
 */
record Asked(
        @Nullable Long product,
        @Nullable String job,
        @Nullable Long vessel,
        @Nullable String volume,
        @Nullable String dose,
        @Nullable Integer at,
        @Nullable String seconds,
        @Nullable String flow,
        @Nullable String search) {

    static String text(@Nullable String typed) {
        return typed == null ? "" : typed.strip();
    }

    Optional<Long> productChosen() {
        return Optional.ofNullable(product);
    }

    /** The address that asks the same, with some parts changed: pairs of name and value, a blank value leaves it out. */
    String address(String path, String... changes) {
        List<String> names = List.of("product", "job", "vessel", "volume", "dose", "seconds", "flow");
        List<String> values = new ArrayList<>(List.of(
                product == null ? "" : product.toString(),
                text(job),
                vessel == null ? "" : vessel.toString(),
                text(volume),
                text(dose),
                text(seconds),
                text(flow)));
        for (int i = 0; i < changes.length; i += 2) {
            values.set(names.indexOf(changes[i]), changes[i + 1]);
        }
        UriComponentsBuilder address = UriComponentsBuilder.fromPath(path);
        for (int i = 0; i < names.size(); i++) {
            if (!values.get(i).isEmpty()) {
                address.queryParam(
                        names.get(i),
                        org.springframework.web.util.UriUtils.encode(
                                values.get(i), java.nio.charset.StandardCharsets.UTF_8));
            }
        }
        return address.build(true).toUriString();
    }
}
