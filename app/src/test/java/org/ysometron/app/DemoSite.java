package org.ysometron.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotState;
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

    @Autowired
    protected TestProducts testProducts;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        TestDatabase.register(registry, "demo");
    }

    /** Confirms for an account what is confirmed once a day before anything is broken. */
    protected void confirmed(String account) {
        confirmed(account, "tension");
    }

    /** The same for a method. */
    protected void confirmed(String account, String method) {
        try {
            http.perform(post("/lots/SK-0130/bench/confirmation")
                            .with(user(account).authorities(new SimpleGrantedAuthority("ENTRY")))
                            .with(csrf())
                            .param("method", method)
                            .param("confirmed", "0", "1", "2", "3", "4", "5"))
                    .andExpect(status().is3xxRedirection());
        } catch (Exception failed) {
            throw new IllegalStateException("the bench was not opened", failed);
        }
    }

    @BeforeEach
    void siteIsUp() {
        org.assertj.core.api.Assertions.assertThat(lots.named("SK-0101").code()).isEqualTo("SK-0101");
    }

    @Autowired
    protected org.ysometron.app.gate.Decisions gateOfTests;

    @Autowired
    private JdbcTemplate table;

    /**
     * Lots that a test leaves waiting crowd those of the demo out of the calendar, which plans so many and no more. Put
     * away in their table and not at the gate, which judges everything a lot has: that took a sixth of all the tests' time.
     */
    protected void away(java.util.List<org.ysometron.app.lot.LotView> made) {
        made.stream()
                .map(lot -> lots.named(lot.code()))
                .filter(lot -> lot.state().isUndecided())
                .forEach(lot ->
                        table.update("update lot set state = ? where id = ?", LotState.REJECTED.name(), lot.id()));
    }

    /** Decides that a lot goes nowhere, so that there is a record of it. */
    protected void rejected(org.ysometron.app.lot.LotView lot) {
        gateOfTests.decide(
                lots.named(lot.code()),
                org.ysometron.core.gate.Disposition.REJECT,
                "Was made for a test of the bench.",
                "release");
    }

    /** An engineer's word about the first thing of this kind that blocks the lot. */
    protected org.springframework.test.web.servlet.ResultActions word(
            org.ysometron.app.lot.LotView lot, org.ysometron.core.gate.Block.Kind kind, String reason)
            throws Exception {
        String subject = gateOfTests.blocks(lot).stream()
                .filter(block -> block.kind() == kind)
                .map(org.ysometron.core.gate.Block::subject)
                .findFirst()
                .orElse("nothing");
        return http.perform(post("/lots/" + lot.code() + "/words")
                .with(user("judge").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                .with(csrf())
                .param("kind", kind.name())
                .param("subject", subject)
                .param("cause", kind.needsCause() ? "HANDLING" : "")
                .param("reason", reason));
    }
}
