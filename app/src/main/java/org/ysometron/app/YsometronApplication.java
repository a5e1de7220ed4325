package org.ysometron.app;

import java.time.Clock;
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
        return Clock.system(java.time.ZoneId.systemDefault());
    }

    /** The line that the start script waits for. */
    @EventListener(ApplicationReadyEvent.class)
    void announce() {
        System.out.println("Ysometron is ready");
    }
}
