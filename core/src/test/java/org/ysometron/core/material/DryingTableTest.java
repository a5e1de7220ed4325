package org.ysometron.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The rule of the material's state as a table, and what holds at every hour. */
class DryingTableTest {

    private static final LocalDateTime ENDED = LocalDateTime.of(2026, 5, 4, 8, 0);
    /** A site whose clock is never set. */
    private static final SiteClock STEADY = new SiteClock(ZoneOffset.UTC);

    private static final Drying NEED = new Drying(80, 6, 24, 0.2);

    /** Asked for: 6 h at 80 °C, 24 h in the open, 20 % humidity; five degrees of the oven are let pass. */
    @ParameterizedTest
    @CsvSource({
        "80, 6, OPEN,    , 0, true",
        "80, 6, OPEN,    , 24, true",
        "80, 6, OPEN,    , 25, false",
        "75, 6, OPEN,    , 1, true",
        "74, 6, OPEN,    , 1, false",
        "95, 9, OPEN,    , 1, true",
        "80, 5.9, OPEN,  , 1, false",
        "80, 6, DRY_BOX, 0.15, 500, true",
        "80, 6, DRY_BOX, 0.20, 500, true",
        "80, 6, DRY_BOX, 0.21, 1, false",
        "80, 6, DRY_BOX,     , 1, false",
        "80, 6, SEALED,      , 900, true",
        "80, 6, SEALED,  0.3, 1, false",
        "80, 6, OPEN,    , -1, false",
    })
    void theState(double temperature, double hours, Drying.Kept kept, Double humidity, int hoursLater, boolean dry) {
        OptionalDouble read = humidity == null ? OptionalDouble.empty() : OptionalDouble.of(humidity);
        Drying.Dried record = new Drying.Dried(ENDED, temperature, hours, kept, read);
        Drying.State state = NEED.at(Optional.of(record), ENDED.plusHours(hoursLater), STEADY);

        assertThat(state.dry()).as(state.reasons().toString()).isEqualTo(dry);
        assertThat(state.reasons().isEmpty()).isEqualTo(dry);
        assertThat(state.remedy().isEmpty()).isEqualTo(dry);
        assertThat(state.words()).isEqualTo(dry ? "dry" : "wet or unknown");
    }

    /** In the open a dry spool becomes wet and never dry again by waiting. */
    @Property(tries = 200)
    void waitingNeverDries(@ForAll @IntRange(max = 200) int first, @ForAll @IntRange(max = 200) int more) {
        Drying.Dried record = new Drying.Dried(ENDED, 80, 6, Drying.Kept.OPEN, OptionalDouble.empty());
        boolean now =
                NEED.at(Optional.of(record), ENDED.plusHours(first), STEADY).dry();
        boolean later = NEED.at(Optional.of(record), ENDED.plusHours(first + (long) more), STEADY)
                .dry();

        assertThat(now || !later).isTrue();
        assertThat(now).isEqualTo(first <= 24);
    }

    /** A part once conditioned stays so, and the earliest time of a test is the first at which it is. */
    @Property(tries = 200)
    void conditioningIsReachedOnce(
            @ForAll @IntRange(min = 1, max = 400) int hours, @ForAll @IntRange(max = 900) int at) {
        LocalDateTime tested = ENDED.plusHours(at);
        Optional<LocalDateTime> ready = Optional.of(Conditioning.earliest(ENDED, hours, STEADY));
        Conditioning.Age age = Conditioning.age(ready, tested);

        assertThat(age == Conditioning.Age.REACHED).isEqualTo(at >= hours);
        assertThat(Conditioning.age(ready, ready.get())).isEqualTo(Conditioning.Age.REACHED);
        assertThat(Conditioning.age(ready, ready.get().minusMinutes(1))).isEqualTo(Conditioning.Age.EARLY);
    }

    @Test
    void needsThatAreNoneAreRefused() {
        assertThatThrownBy(() -> new Drying(0, 6, 24, 0.2)).hasMessageContaining("above 0");
        assertThatThrownBy(() -> new Drying(80, 6, 24, 1.2)).hasMessageContaining("humidity");
        assertThatThrownBy(() -> Conditioning.inEquilibrium(0, 1, 0)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> FilamentLength.metresPerKilogram(0, 1.75)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> FilamentLength.pricePerCubicCentimetre(10, 0)).hasMessageContaining("above zero");
    }
}
