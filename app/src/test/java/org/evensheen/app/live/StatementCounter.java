package org.evensheen.app.live;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;

/** Counts the SQL statements that the application prepares for requests; what it does in the background is left out. */
public class StatementCounter {
    private static final AtomicInteger COUNT = new AtomicInteger();

    /** How many statements an action takes. */
    public static int during(Runnable action) {
        int before = COUNT.get();
        action.run();
        return COUNT.get() - before;
    }

    @Bean
    static BeanPostProcessor countingDataSource() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof DataSource source ? counting(DataSource.class, source) : bean;
            }
        };
    }

    @SuppressWarnings("unchecked")
    private static <T> T counting(Class<T> type, T target) {
        return (T) Proxy.newProxyInstance(type.getClassLoader(), new Class<?>[] {type}, (proxy, method, arguments) -> {
            try {
                Object result = method.invoke(target, arguments);
                boolean states = method.getName().startsWith("prepare")
                        || method.getName().equals("createStatement");
                if (states && Thread.currentThread().getName().startsWith("http-")) {
                    COUNT.incrementAndGet();
                }
                return result instanceof Connection connection ? counting(Connection.class, connection) : result;
            } catch (InvocationTargetException e) {
                throw e.getCause();
            }
        });
    }
}
