package org.evensheen.app.page;

import java.lang.reflect.Method;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.util.ClassUtils;
import org.springframework.util.StringUtils;
import org.thymeleaf.context.IExpressionContext;
import org.thymeleaf.spring6.expression.SPELVariableExpressionEvaluator;
import org.thymeleaf.standard.expression.IStandardVariableExpression;
import org.thymeleaf.standard.expression.IStandardVariableExpressionEvaluator;
import org.thymeleaf.standard.expression.StandardExpressionExecutionContext;

/**
 * Reads what most expressions of a template are, a path like {@code page.line.name}, perhaps negated or set beside a word, by calling its accessors.
 * Whatever is anything else, or can't be read so, goes the library's way and has its errors.
 *
 * <p>The library's own language looks for the accessor anew at every reading, and its compiler has no hold on a template's variables; pages with much
 * on them take a tenth to a quarter less time so (docs/performance.md).
 */
final class PathEvaluator implements IStandardVariableExpressionEvaluator {
    private static final Pattern PATH =
            Pattern.compile("(!?)([a-zA-Z]\\w*)((?:\\.[a-zA-Z]\\w*)*)(?: (==|!=) '([^'\\\\]*)')?");
    /** Names with a meaning of their own in the library. */
    private static final List<String> RESERVED = List.of(
            "param", "session", "application", "execInfo", "true", "false", "null", "new", "T", "not", "eq", "ne");
    /** Expressions that are made while a page is made are many; no more than these are remembered. */
    private static final int MOST = 10_000;

    /** That it has to go the library's way. */
    private static final Object UNREAD = new Object();

    private final IStandardVariableExpressionEvaluator otherwise = SPELVariableExpressionEvaluator.INSTANCE;
    private final Map<String, Optional<Path>> paths = new ConcurrentHashMap<>();
    private final Map<Class<?>, Map<String, Optional<Method>>> accessors = new ConcurrentHashMap<>();

    private record Path(boolean not, String name, List<String> steps, boolean compared, boolean alike, String word) {
        static Optional<Path> of(String expression) {
            Matcher m = PATH.matcher(expression.strip());
            if (!m.matches() || RESERVED.contains(m.group(2)) || !m.group(1).isEmpty() && m.group(4) != null) {
                return Optional.empty();
            }
            List<String> steps = m.group(3).isEmpty()
                    ? List.of()
                    : List.of(m.group(3).substring(1).split("\\."));
            return Optional.of(new Path(
                    !m.group(1).isEmpty(),
                    m.group(2),
                    steps,
                    m.group(4) != null,
                    "==".equals(m.group(4)),
                    m.group(5) == null ? "" : m.group(5)));
        }
    }

    @Override
    public Object evaluate(
            IExpressionContext context,
            IStandardVariableExpression expression,
            StandardExpressionExecutionContext execution) {
        if (!expression.getUseSelectionAsRoot() && !execution.getPerformTypeConversion()) {
            Optional<Path> path = path(expression.getExpression());
            if (path.isPresent()) {
                Object read = read(context, path.get());
                if (read != UNREAD) {
                    return read;
                }
            }
        }
        return otherwise.evaluate(context, expression, execution);
    }

    private Optional<Path> path(String expression) {
        Optional<Path> known = paths.get(expression);
        if (known != null) {
            return known;
        }
        Optional<Path> path = Path.of(expression);
        if (paths.size() < MOST) {
            paths.put(expression, path);
        }
        return path;
    }

    private Object read(IExpressionContext context, Path path) {
        Object value = context.getVariable(path.name());
        for (String step : path.steps()) {
            Optional<Method> accessor = value == null ? Optional.empty() : accessor(value.getClass(), step);
            if (accessor.isEmpty()) {
                return UNREAD;
            }
            try {
                value = accessor.get().invoke(value);
            } catch (ReflectiveOperationException e) {
                return UNREAD;
            }
        }
        if (path.not()) {
            return value instanceof Boolean holds ? !holds : UNREAD;
        }
        if (path.compared()) {
            return value == null || value instanceof String ? path.word().equals(value) == path.alike() : UNREAD;
        }
        return value;
    }

    private Optional<Method> accessor(Class<?> type, String name) {
        return accessors
                .computeIfAbsent(type, t -> new ConcurrentHashMap<>())
                .computeIfAbsent(name, n -> found(type, n));
    }

    /** As the library looks for it: a getter, then a question, then what a record calls it. Keys of maps are the library's. */
    private static Optional<Method> found(Class<?> type, String name) {
        if (Map.class.isAssignableFrom(type)) {
            return Optional.empty();
        }
        String upper = StringUtils.capitalize(name);
        return Stream.of("get" + upper, "is" + upper, type.isRecord() ? name : "")
                .flatMap(n -> Stream.ofNullable(ClassUtils.getMethodIfAvailable(type, n)))
                .filter(m -> m.getReturnType() != void.class)
                .map(m -> ClassUtils.getPubliclyAccessibleMethodIfPossible(m, type))
                .filter(Method::trySetAccessible)
                .findFirst();
    }
}
