package org.ysometron.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

class PageMemoryTest {

    private final PageMemory memory = new PageMemory();
    private final List<List<Integer>> asked = new ArrayList<>();

    @BeforeEach
    void aPageIsAsked() {
        RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(new MockHttpServletRequest()));
    }

    @AfterEach
    void thePageIsOver() {
        TransactionSynchronizationManager.setActualTransactionActive(false);
        RequestContextHolder.resetRequestAttributes();
    }

    /** Squares of the even ones; the odd ones have none. */
    private Map<Integer, Integer> squares(List<Integer> keys) {
        return memory.each("squares", keys, missing -> {
            asked.add(missing);
            Map<Integer, Integer> found = new HashMap<>();
            missing.stream().filter(key -> key % 2 == 0).forEach(key -> found.put(key, key * key));
            return found;
        });
    }

    @Test
    void onlyWhatNobodyAskedForYetIsRead() {
        assertThat(squares(List.of(1, 2, 2, 4))).containsExactly(Map.entry(2, 4), Map.entry(4, 16));
        assertThat(squares(List.of(4, 6, 1))).containsExactly(Map.entry(4, 16), Map.entry(6, 36));
        assertThat(squares(List.of(6, 1, 2))).hasSize(2);
        assertThat(squares(List.of())).isEmpty();

        // What has no answer is known to have none, and is not asked for again.
        assertThat(asked).containsExactly(List.of(1, 2, 4), List.of(6));
    }

    @Test
    void oneKeyAndManyShareTheirAnswers() {
        squares(List.of(2));

        assertThat(memory.<Integer>once("squares", 2, () -> -1)).isEqualTo(4);
        assertThat(memory.<Integer>once("squares", 3, () -> 9)).isEqualTo(9);
        assertThat(squares(List.of(3))).containsExactly(Map.entry(3, 9));
    }

    /** A step that writes goes by what is there now, not by what the page saw before. */
    @Test
    void whoWritesReadsForItself() {
        squares(List.of(2));
        TransactionSynchronizationManager.setActualTransactionActive(true);
        squares(List.of(2));
        squares(List.of(2));

        assertThat(asked).hasSize(3);
    }

    @Test
    void afterAWriteNothingIsRemembered() {
        squares(List.of(2));
        PageMemory.forget();
        squares(List.of(2));

        assertThat(asked).hasSize(2);
    }

    @Test
    void outsideOfAPageNothingIsRemembered() {
        RequestContextHolder.resetRequestAttributes();
        squares(List.of(2));
        squares(List.of(2));

        assertThat(asked).hasSize(2);
    }
}
