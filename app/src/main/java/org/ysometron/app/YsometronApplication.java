package org.ysometron.app;

import java.time.Clock;
import java.time.ZoneId;
import java.util.TimeZone;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the application. */
@SpringBootApplication
@EnableScheduling
public class YsometronApplication {

    /** Runs until it is stopped. */
    public static void main(String[] arguments) {
        SpringApplication.run(YsometronApplication.class, arguments);
    }

    /** Days and hours are the site's, wherever its machine stands. */
    @Bean
    Clock clock(@Value("${ysometron.zone}") String zone) {
        if (!zone.isBlank()) {
            TimeZone.setDefault(TimeZone.getTimeZone(ZoneId.of(zone.strip())));
        }
        // The database keeps milliseconds; what is read back must equal what was written.
        return Clock.tickMillis(zone.isBlank() ? ZoneId.systemDefault() : ZoneId.of(zone.strip()));
    }

    /** The line that the start script waits for. */
    @EventListener(ApplicationReadyEvent.class)
    void announce() {
        System.out.println("Ysometron is ready");
    }
}
