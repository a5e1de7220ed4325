package org.ysometron.core.surprise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.ysometron.core.surprise.Together.Factor;

class TogetherTest {

    private static final Factor PRINTER = new Factor("printer", List.of("A", "A", "B", "B", "B"));
    private static final Factor SPOOL = new Factor("spool", List.of("2", "2", "1", "1", "1"));
    private static final Factor DAY = new Factor("day", List.of("Mon", "Tue", "Mon", "Tue", "Tue"));

    /** A 2² design whose factors are crossed tells them apart; one of which only two corners were made does not. */
    @Test
    void factorsThatDivideAlikeCannotBeToldApart() {
        assertThat(Together.of(List.of(PRINTER, DAY))).isEmpty();
        assertThat(Together.of(List.of(PRINTER, DAY, SPOOL))).containsExactly(List.of("printer", "spool"));
        Factor shift = new Factor("shift", List.of("late", "early", "late", "early", "early"));
        assertThat(Together.of(List.of(SPOOL, shift, PRINTER, DAY)))
                .containsExactly(List.of("spool", "printer"), List.of("shift", "day"));
    }

    @Test
    void whatDoesNotVaryOrIsUnknownIsInNone() {
        Factor one = new Factor("hand", List.of("x", "x", "x", "x", "x"));
        Factor another = new Factor("recipe", List.of("1", "1", "1", "1", "1"));
        Factor unknown = new Factor("batch", List.of("", "", "1", "1", "1"));
        assertThat(Together.of(List.of(one, another, unknown, PRINTER))).isEmpty();
        assertThat(Together.of(List.of())).isEmpty();
        assertThatThrownBy(() -> Together.of(List.of(PRINTER, new Factor("hand", List.of("x")))))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
