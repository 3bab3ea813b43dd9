package org.evensheen.app.plans;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;

/** The Tape and the Panel of plans as markup; what looks the same is printed by its template once. */
@Component
class PlanDrawings {
    private static final int MOST = 200;

    private final TemplateEngine templates;
    private final Cache<Map<String, Object>, String> printed =
            Caffeine.newBuilder().maximumSize(MOST).build();

    PlanDrawings(TemplateEngine templates) {
        this.templates = templates;
    }

    String tape(PlanPage page) {
        return print(
                "plans/tape", Map.of("tape", page.tape(), "open", page.study().isEmpty()));
    }

    /** The Panel; empty while there is no bed. */
    String panel(PlanPage page) {
        return page.drawing() == null
                ? ""
                : print(
                        "plans/panel",
                        Map.of("d", page.drawing(), "open", page.study().isEmpty(), "words", page.layoutWords()));
    }

    private String print(String template, Map<String, Object> model) {
        return printed.get(model, m -> templates.process(template, new Context(Locale.ENGLISH, m)));
    }
}
