package org.evensheen.app.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.live.LiveApp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.thymeleaf.context.ExpressionContext;
import org.thymeleaf.exceptions.TemplateProcessingException;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.spring6.expression.SPELVariableExpressionEvaluator;
import org.thymeleaf.standard.expression.StandardExpressionExecutionContext;
import org.thymeleaf.standard.expression.VariableExpression;

/** What is read directly is what the library reads, value for value and error for error. */
@ExtendWith(LiveApp.class)
class PathEvaluatorTest {
    /** Something with every kind of accessor; not public, as page models are. */
    record Thing(String name, List<String> items, Optional<String> maybe, Map<String, String> map, boolean open) {
        public String getLabel() {
            return "label of " + name;
        }

        public boolean isReady() {
            return true;
        }

        public String broken() {
            throw new IllegalStateException("broken");
        }
    }

    private final ExpressionContext context = context();

    private static ExpressionContext context() {
        ExpressionContext context =
                new ExpressionContext(LiveApp.bean(SpringTemplateEngine.class).getConfiguration(), Locale.ROOT);
        context.setVariable(
                "thing", new Thing("Curlew", List.of("a", "b"), Optional.of("x"), Map.of("size", "of the map"), false));
        context.setVariable("nothing", null);
        context.setVariable("word", "dose");
        context.setVariable("wide", new String[] {"a", "b", "c"});
        return context;
    }

    private Object directly(String expression) {
        return new PathEvaluator()
                .evaluate(context, new VariableExpression(expression), StandardExpressionExecutionContext.NORMAL);
    }

    private Object byTheLibrary(String expression) {
        return SPELVariableExpressionEvaluator.INSTANCE.evaluate(
                context, new VariableExpression(expression), StandardExpressionExecutionContext.NORMAL);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "thing.name|Curlew",
                "thing.label|label of Curlew",
                "thing.ready|true",
                "thing.items.empty|false",
                "thing.name.empty|false",
                "thing.map.size|of the map",
                "!thing.open|true",
                "!thing.items.empty|true",
                "word == 'dose'|true",
                "word != 'dose'|false",
                "nothing == 'dose'|false",
                "nothing != 'dose'|true",
                "thing.open ? 'a' : 'b'|b",
                "wide.length|3",
                "true|true"
            })
    void readsAsTheLibraryDoes(String expression, String value) {
        assertThat(directly(expression)).hasToString(value);
        assertThat(directly(expression)).isEqualTo(byTheLibrary(expression));
    }

    @Test
    void nothingIsNothing() {
        assertThat(directly("nothing")).isNull();
        assertThat(directly("unheard")).isNull();
    }

    @ParameterizedTest
    @CsvSource({"thing.nonsense", "thing.items.size", "nothing.name", "thing.broken", "!thing.name"})
    void whatCantBeReadHasTheLibrarysError(String expression) {
        assertThatThrownBy(() -> directly(expression)).isInstanceOf(TemplateProcessingException.class);
        assertThatThrownBy(() -> byTheLibrary(expression)).isInstanceOf(TemplateProcessingException.class);
    }
}
