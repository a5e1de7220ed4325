package org.ysometron.core.surprise;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.method.End;

/** Common practice, no source: what a person notes within seconds of an end has to fit it. */
class DisagreementTest {

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "NO_BREAK, brittle, -, -, fracture is noted as brittle",
                "NO_BREAK, -, in the middle, -, noted to have broken in the middle",
                "HELD_TO_THE_END, -, -, 2, 2 pieces were found",
                "HINGED, -, -, 3, 3 pieces were found",
                "PARTIAL, shattered, -, -, noted as shattered",
                "COMPLETE, -, -, 1, one piece was found",
                "BROKE_AT_GRIP, -, in the middle, -, broken in the middle",
                "BROKE_IN_GAUGE, -, at the other end, -, at the other end",
                "STRIPPED, shattered, -, 4, in 4 pieces",
                "NO_BREAK, -, -, 1, -",
                "NO_BREAK, -, -, -, -",
                "HINGED, ductile, -, 1, -",
                "COMPLETE, brittle, -, 2, -",
                "BROKE_AT_GRIP, sudden, at the label's end, 2, -",
                "BROKE_IN_GAUGE, necked, towards the label, 2, -",
                "STRIPPED, ductile, -, 1, -"
            })
    void endAndNotesContradictOneAnotherOrDoNot(End end, String fracture, String at, Integer pieces, String why) {
        java.util.Map<String, String> noted = new java.util.HashMap<>();
        if (fracture != null) {
            noted.put("fracture", fracture);
        }
        if (at != null) {
            noted.put("broke-at", at);
        }
        assertThat(Disagreement.of(
                                end, Map.copyOf(noted), pieces == null ? OptionalInt.empty() : OptionalInt.of(pieces))
                        .orElse(""))
                .satisfies(found -> assertThat(found.isEmpty()).isEqualTo(why == null))
                .contains(why == null ? "" : why);
    }
}
