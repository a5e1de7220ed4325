package org.ysometron.app;

import java.time.Clock;
import java.time.ZoneId;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.event.EventListener;

/** Starts the application. */
@SpringBootApplication
public class YsometronApplication {

    /** Runs until it is stopped. */
    public static void main(String[] arguments) {
        SpringApplication.run(YsometronApplication.class, arguments);
    }

    @Bean
    Clock clock() {
        // The database keeps milliseconds; what is read back must equal what was written.
        return Clock.tickMillis(ZoneId.systemDefault());
    }

    /** The line that the start script waits for. */
    @EventListener(ApplicationReadyEvent.class)
    void announce() {
        System.out.println("Ysometron is ready");
    }
}
