package org.evensheen.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.evensheen.app.live.LiveApp;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

@ExtendWith(LiveApp.class)
class ForwardTest {
    private static ConfigurableApplicationContext start() {
        String url = LiveApp.bean(Environment.class).getRequiredProperty("spring.datasource.url");
        return new SpringApplication(EvenSheen.class)
                .run(
                        "--spring.datasource.url=" + url.replace("/postgres?", "/kept_by_a_newer?"),
                        "--server.port=0",
                        "--logging.level.root=off");
    }

    @Test
    void recordsOfANewerProgramAreLeftAlone() {
        LiveApp.database().sql("create database kept_by_a_newer").update();
        try {
            try (var first = start()) {
                first.getBean(JdbcClient.class).sql("""
                        insert into flyway_schema_history
                        select installed_rank + 100, '99', 'from later', type, 'V99__from_later.sql', 1, installed_by, installed_on, 1, true
                        from flyway_schema_history order by installed_rank desc limit 1""").update();
                assertThat(first.isActive()).isTrue();
            }
            assertThatThrownBy(ForwardTest::start)
                    .hasRootCauseInstanceOf(Forward.NewerRecords.class)
                    .rootCause()
                    .hasMessageContaining("kept by a newer Even Sheen (schema 99)");
        } finally {
            LiveApp.database().sql("drop database kept_by_a_newer with (force)").update();
        }
    }

    @Test
    void namesThatNobodyCouldTellApartAreBroughtForwardUnderTheirNumbers() {
        LiveApp.database().sql("create database before_lines").update();
        String url = LiveApp.bean(Environment.class)
                .getRequiredProperty("spring.datasource.url")
                .replace("/postgres?", "/before_lines?");
        try {
            Flyway.configure().dataSource(url, null, null).target("4").load().migrate();
            JdbcClient before = JdbcClient.create(new DriverManagerDataSource(url));
            for (String name : List.of("Osier", "Osier\u200b", "\u200b", "\u200e", "Brock\tPaste")) {
                before.sql("insert into product (name) values (:name)")
                        .param("name", name)
                        .update();
            }
            Flyway.configure().dataSource(url, null, null).load().migrate();
            assertThat(before.sql("select name from product order by id")
                            .query(String.class)
                            .list())
                    .containsExactly("Osier", "Osier (2)", "unnamed (3)", "unnamed (4)", "Brock Paste");
        } finally {
            LiveApp.database().sql("drop database before_lines with (force)").update();
        }
    }
}
