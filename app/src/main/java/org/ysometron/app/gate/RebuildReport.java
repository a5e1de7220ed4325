package org.ysometron.app.gate;

import java.util.List;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Component;

/** {@code ./ysometron rebuild --report}: lists what today's arithmetic would say of decided lots, and leaves. */
@Component
@ConditionalOnProperty("ysometron.report")
class RebuildReport implements ApplicationRunner {

    private final Recomputed recomputed;
    private final ConfigurableApplicationContext context;

    RebuildReport(Recomputed recomputed, ConfigurableApplicationContext context) {
        this.recomputed = recomputed;
        this.context = context;
    }

    // What the command prints is its answer; the script lets through what begins with report.
    @SuppressWarnings("SystemOut")
    @Override
    public void run(ApplicationArguments arguments) {
        List<Recomputed.Change> changes = recomputed.find();
        changes.forEach(change -> System.out.println("report: " + change.line()));
        System.out.println("report: "
                + (changes.isEmpty()
                        ? "no decided lot would be judged otherwise."
                        : changes.size() + " verdicts of decided lots would be others; nothing of their records was"
                                + " altered. They stand on the page of decided lots until they are answered."));
        Thread leaving = new Thread(() -> SpringApplication.exit(context), "leaving");
        leaving.start();
    }
}
