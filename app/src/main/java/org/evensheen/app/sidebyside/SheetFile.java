package org.evensheen.app.sidebyside;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.stream.Collectors;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The sheet as one page that needs nothing else: pictures, drawings and style inside, no script. */
@Component
class SheetFile {
    private final ITemplateEngine templates;
    private final ShotStore shots;

    SheetFile(ITemplateEngine templates, ShotStore shots) {
        this.templates = templates;
        this.shots = shots;
    }

    String html(SheetPage page) {
        Context context = new Context(java.util.Locale.ROOT);
        context.setVariable("page", page);
        context.setVariable("style", style());
        context.setVariable(
                "pictures",
                page.shots().stream()
                        .flatMap(s -> s.shots().stream())
                        .collect(Collectors.toMap(SheetPage.Shot::id, s -> address(s.id()), (one, other) -> one)));
        return templates.process("sidebyside/file", context);
    }

    private String address(long id) {
        return shots.picture(id, true)
                .map(bytes -> "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(bytes))
                .orElse("");
    }

    private static String style() {
        try {
            return new ClassPathResource("templates/sidebyside/file.css").getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
