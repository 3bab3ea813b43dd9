package org.evensheen.app.page;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationContext;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.servlet.view.RedirectView;

/** Leads on to an address as it stands: braces in what was typed are no places to be filled in, and nothing leads off to another host. */
@Component
class Redirects implements ViewResolver, Ordered {
    private static final String PREFIX = "redirect:";

    private final ApplicationContext context;

    Redirects(ApplicationContext context) {
        this.context = context;
    }

    @Override
    public @Nullable View resolveViewName(String name, Locale locale) {
        if (!name.startsWith(PREFIX)) {
            return null;
        }
        String to = name.substring(PREFIX.length());
        boolean ours = to.startsWith("/") && !to.startsWith("//") && to.chars().noneMatch(c -> c < ' ' || c == '\\');
        RedirectView view = new RedirectView(ours ? to : "/", true);
        view.setExpandUriTemplateVariables(false);
        view.setApplicationContext(context);
        return view;
    }

    @Override
    public int getOrder() {
        return Ordered.HIGHEST_PRECEDENCE;
    }
}
