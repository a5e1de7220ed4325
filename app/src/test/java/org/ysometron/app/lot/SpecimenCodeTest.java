package org.ysometron.app.lot;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.plan.CheckCharacter;

/** M32: the code on a specimen's label. */
class SpecimenCodeTest {

    private static final String CHARACTERS = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";

    private static SpecimenView specimen(long id) {
        return new SpecimenView(
                id,
                1,
                "XY1",
                Conditions.ofMaterial("tension", ""),
                SpecimenDesign.TENSION_BAR_4,
                1,
                null,
                LocalDateTime.of(2026, 3, 2, 8, 0),
                null,
                1,
                Setup.NONE,
                java.time.Instant.EPOCH,
                null);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 31, 32, 999, 32767, 1048575, 1048576, 4_000_000_000L})
    void itStandsForItsSpecimenAlone(long id) {
        String code = specimen(id).code();
        assertThat(SpecimenView.keyOf(code)).contains(id);
        assertThat(SpecimenView.keyOf(code.toLowerCase(java.util.Locale.ROOT))).contains(id);
        assertThat(SpecimenView.keyOf(" " + code.substring(0, 2) + "-" + code.substring(2) + " "))
                .contains(id);
        assertThat(CheckCharacter.holds(code)).isTrue();
    }

    @Test
    void noTwoAreAlikeAndTheirBodiesHaveNoLetterTakenForAnother() {
        Set<String> codes = new HashSet<>();
        for (long id = 1; id <= 5000; id++) {
            String code = specimen(id).code();
            assertThat(codes.add(code)).isTrue();
            assertThat(code.substring(0, code.length() - 1))
                    .doesNotContainPattern("[ILOU]")
                    .hasSize(4);
        }
    }

    /** Every single wrong character is found (ISO/IEC 7064, MOD 37,36). */
    @ParameterizedTest
    @ValueSource(longs = {7, 4711, 99_999})
    void oneWrongCharacterFindsNothing(long id) {
        String code = specimen(id).code();
        for (int place = 0; place < code.length(); place++) {
            for (char wrong : CHARACTERS.toCharArray()) {
                if (wrong != code.charAt(place)) {
                    String misread = code.substring(0, place) + wrong + code.substring(place + 1);
                    assertThat(SpecimenView.keyOf(misread)).as(misread).isEmpty();
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "SK-0131", "XY1", "00 00", "ABCDEFGHIJKLMNOP", "00A1?"})
    void whatIsNoCodeFindsNothing(String text) {
        assertThat(SpecimenView.keyOf(text)).isEmpty();
    }
}
