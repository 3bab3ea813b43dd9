package org.evensheen.app;

import java.util.stream.Stream;
import org.flywaydb.core.api.MigrationInfo;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Brings the schema forward, and never works on one that a newer program has brought further: it would not know what stands there. */
@Configuration
class Forward {

    /** The records were kept by a newer program; nothing was touched. */
    static final class NewerRecords extends IllegalStateException {
        private static final long serialVersionUID = 1;

        NewerRecords(String version) {
            super(
                    "These records were kept by a newer Even Sheen (schema %s). Start that one; or bring a backup from before into another home, as docs/reliability.md says. Nothing was touched."
                            .formatted(version));
        }
    }

    @Bean
    FlywayMigrationStrategy migration() {
        return flyway -> {
            Stream.of(flyway.info().applied())
                    .filter(m -> m.getState().isApplied() && !m.getState().isResolved())
                    .map(MigrationInfo::getVersion)
                    .reduce((a, b) -> b)
                    .ifPresent(version -> {
                        throw new NewerRecords(version.getVersion());
                    });
            flyway.migrate();
        };
    }
}
