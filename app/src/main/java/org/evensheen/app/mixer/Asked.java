package org.evensheen.app.mixer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
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

    private static final List<String> NAMES = List.of("product", "job", "vessel", "volume", "dose", "seconds", "flow");

    /** A part that was asked, for a hidden field. */
    record Part(String name, String value) {}

    /** Everything asked that is not blank, for a form that asks the same and more. */
    List<Part> parts() {
        List<String> values = values();
        return IntStream.range(0, NAMES.size())
                .filter(i -> !values.get(i).isEmpty())
                .mapToObj(i -> new Part(NAMES.get(i), values.get(i)))
                .toList();
    }

    /** The same but for the strength, which has a field of its own. */
    List<Part> partsButDose() {
        return parts().stream().filter(p -> !p.name.equals("dose")).toList();
    }

    private List<String> values() {
        return List.of(
                product == null ? "" : product.toString(),
                text(job),
                vessel == null ? "" : vessel.toString(),
                text(volume),
                text(dose),
                text(seconds),
                text(flow));
    }

    /** The address that asks the same, with some parts changed: pairs of name and value, a blank value leaves it out. */
    String address(String path, String... changes) {
        List<String> values = new ArrayList<>(values());
        for (int i = 0; i < changes.length; i += 2) {
            values.set(NAMES.indexOf(changes[i]), changes[i + 1]);
        }
        UriComponentsBuilder address = UriComponentsBuilder.fromPath(path);
        for (int i = 0; i < NAMES.size(); i++) {
            if (!values.get(i).isEmpty()) {
                address.queryParam(
                        NAMES.get(i),
                        org.springframework.web.util.UriUtils.encode(
                                values.get(i), java.nio.charset.StandardCharsets.UTF_8));
            }
        }
        return address.build(true).toUriString();
    }
}
