package org.evensheen.app.page;

import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.thymeleaf.dialect.IDialect;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.spring6.dialect.SpringStandardDialect;
import org.thymeleaf.standard.expression.IStandardVariableExpressionEvaluator;

/** How templates read what a page holds. */
@Configuration(proxyBeanMethods = false)
class Templates {

    private static final class Direct extends SpringStandardDialect {
        private final IStandardVariableExpressionEvaluator paths = new PathEvaluator();

        @Override
        public IStandardVariableExpressionEvaluator getVariableExpressionEvaluator() {
            return paths;
        }
    }

    @Bean
    static BeanPostProcessor pathsAreReadDirectly() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                if (bean instanceof SpringTemplateEngine engine) {
                    Set<IDialect> dialects = engine.getDialects().stream()
                            .map(d -> d instanceof SpringStandardDialect ? new Direct() : d)
                            .collect(Collectors.toSet());
                    engine.setDialects(dialects);
                }
                return bean;
            }
        };
    }
}
