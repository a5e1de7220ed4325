package org.ysometron.instruments;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.ysometron.instruments.standin.ExactlyOnce;

class ExactlyOnceTest {

    /** Whatever the connection does, a reading is taken once. (The whole count is a benchmark: a thousand runs.) */
    @Test
    void aReadingIsTakenOnce(@TempDir Path folder) throws Exception {
        int restarts = 0;
        for (int run = 1; run <= 15; run++) {
            ExactlyOnce.Count count = ExactlyOnce.run(run, 40, folder);
            assertThat(count.lost()).as("lost in run %s", run).isZero();
            assertThat(count.doubled()).as("doubled in run %s", run).isZero();
            restarts += count.restarts();
        }
        assertThat(restarts).isGreaterThan(12);
    }
}
