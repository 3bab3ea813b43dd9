package org.evensheen.app;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The application. */
@SpringBootApplication
public class EvenSheen {

    public static void main(String[] args) {
        SpringApplication.run(EvenSheen.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
