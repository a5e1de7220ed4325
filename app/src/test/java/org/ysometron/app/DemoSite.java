package org.ysometron.app;

import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.Lots;

/** The whole application with the demo loaded, on a real MariaDB; shared by all tests that extend this. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT, properties = "ysometron.demo=true")
@AutoConfigureMockMvc
public abstract class DemoSite {

    @Autowired
    protected MockMvc http;

    @Autowired
    protected Lots lots;

    @Autowired
    protected Bench bench;

    @Autowired
    protected TestLots testLots;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> TestDatabase.url("demo"));
    }

    @BeforeEach
    void siteIsUp() {
        org.assertj.core.api.Assertions.assertThat(lots.named("SK-0101").code()).isEqualTo("SK-0101");
    }
}
