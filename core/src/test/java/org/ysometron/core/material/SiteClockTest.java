package org.ysometron.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/**
 * Hours across the setting of the clocks. The days are those of the IANA time zone database for Central Europe: the clocks went
 * forward at 02:00 on 29 March 2026 and back at 03:00 on 25 October 2026.
 */
class SiteClockTest {

    private static final SiteClock CENTRAL = new SiteClock(ZoneId.of("Europe/Berlin"));

    @Test
    void aWaitAcrossTheLostHourEndsAnHourLaterByTheWallClock() {
        LocalDateTime in = LocalDateTime.of(2026, 3, 28, 12, 0);

        assertThat(Conditioning.earliest(in, 88, CENTRAL)).isEqualTo(LocalDateTime.of(2026, 4, 1, 5, 0));
        assertThat(CENTRAL.least(in, in.plusHours(88))).isEqualTo(Duration.ofHours(87));
    }

    @Test
    void aWaitAcrossTheHourThatComesTwiceEndsAnHourEarlier() {
        assertThat(Conditioning.earliest(LocalDateTime.of(2026, 10, 24, 12, 0), 88, CENTRAL))
                .isEqualTo(LocalDateTime.of(2026, 10, 28, 3, 0));
    }

    /** Half past two came twice: it may have been the later one, and then an hour less has gone by. */
    @Test
    void doubtNeverSpeaksForAResult() {
        LocalDateTime twice = LocalDateTime.of(2026, 10, 25, 2, 30);
        LocalDateTime noon = LocalDateTime.of(2026, 10, 25, 12, 0);

        assertThat(CENTRAL.least(twice, noon)).isEqualTo(Duration.ofMinutes(570));
        assertThat(CENTRAL.most(twice, noon)).isEqualTo(Duration.ofMinutes(630));
        assertThat(CENTRAL.after(twice, Duration.ofMinutes(570))).isEqualTo(noon);
    }

    /** Two weighings 23 hours apart by the wall clock are 22 apart when an hour was lost between them. */
    @Test
    void weighingsAreADayApartByWhatWentBy() {
        LocalDateTime in = LocalDateTime.of(2026, 3, 27, 8, 0);
        List<Conditioning.Weighing> weighings = List.of(
                new Conditioning.Weighing(LocalDateTime.of(2026, 3, 28, 12, 0), 10.000, 0),
                new Conditioning.Weighing(LocalDateTime.of(2026, 3, 29, 11, 0), 10.001, 0));

        assertThat(Conditioning.readyFrom(in, 88, weighings, CENTRAL))
                .isEqualTo(Conditioning.earliest(in, 88, CENTRAL));
    }

    @Test
    void filamentLayOpenForTheHoursThatWentBy() {
        Drying need = new Drying(80, 6, 24, 0.2);
        LocalDateTime ended = LocalDateTime.of(2026, 10, 24, 12, 0);
        Drying.Dried dried = new Drying.Dried(ended, 80, 6, Drying.Kept.OPEN, OptionalDouble.empty());

        assertThat(need.at(Optional.of(dried), ended.plusHours(24), CENTRAL).dry())
                .as("25 hours by the clock's setting back")
                .isFalse();
        assertThat(need.at(Optional.of(dried), ended.plusHours(23), CENTRAL).dry())
                .isTrue();
    }
}
