package org.ysometron.core.publication;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Form;
import org.ysometron.core.quantity.Dimension;

class PublishedValueTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "50 MPa|STRESS|50||",
                "7.25 ksi|STRESS|49.987||",
                "200–230 °C|TEMPERATURE||200|230",
                "200 to 230|TEMPERATURE||200|230",
                "215 °C (200-230 °C)|TEMPERATURE|215|200|230",
                "215 (200–230) °C|TEMPERATURE|||",
                "419 °F|TEMPERATURE|215||",
                "1.75 mm ± 0.05 mm|LENGTH|1.75|1.7|1.8",
                "1,75 ± 0,05 mm|LENGTH|1.75|1.7|1.8",
                "60 ± 5 °C|TEMPERATURE|60|55|65",
                "55 MPa ± 10 %|STRESS|55|49.5|60.5",
                "0 %|RATIO|0||",
                "0–30 %|RATIO||0|0.3",
                "6 h|TIME|21600||",
                "12 mm³/s|VOLUME_FLOW|12||",
                "1.24 g/cm3|DENSITY|1.24||",
                "0.5 Pa·s|VISCOSITY|500||",
            })
    void whatStandsInPrint(
            String text, Dimension dimension, @Nullable Double value, @Nullable Double low, @Nullable Double high) {
        PublishedValue.Read read = PublishedValue.read("field", text, dimension);
        if (value == null && low == null) {
            assertThat(read).isInstanceOf(PublishedValue.Read.Refused.class);
            return;
        }
        assertThat(read).as(text).isInstanceOf(PublishedValue.Read.Accepted.class);
        PublishedValue found = ((PublishedValue.Read.Accepted) read).value();
        same(found.value(), value);
        same(found.low(), low);
        same(found.high(), high);
    }

    private static void same(OptionalDouble found, @Nullable Double wanted) {
        if (wanted == null) {
            assertThat(found).isEmpty();
        } else {
            assertThat(found.getAsDouble()).isCloseTo(wanted, within(1e-3));
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "230–200 °C|TEMPERATURE|does not rise",
                "250 °C (200–230 °C)|TEMPERATURE|outside its own range",
                "50 N|STRESS|is a force, not a stress",
                "strong|STRESS|is not a number",
                "0 MPa|STRESS|not above zero",
            })
    void whatCannotBeRead(String text, Dimension dimension, String found) {
        assertThat(PublishedValue.read("field", text, dimension))
                .isInstanceOfSatisfying(PublishedValue.Read.Refused.class, refused -> assertThat(
                                refused.problem().text())
                        .contains("field")
                        .contains(found));
    }

    @Test
    void aFormAsksForItsKindOfValue() {
        PublishedValue single =
                ((PublishedValue.Read.Accepted) PublishedValue.read("f", "50 MPa", Dimension.STRESS)).value();
        PublishedValue range =
                ((PublishedValue.Read.Accepted) PublishedValue.read("f", "50–60 MPa", Dimension.STRESS)).value();

        assertThat(single.in(Form.AT_LEAST, "f", "50 MPa"))
                .isInstanceOfSatisfying(
                        PublishedValue.Read.Accepted.class,
                        accepted -> assertThat(accepted.value().low()).hasValue(50));
        assertThat(range.in(Form.AT_LEAST, "f", "50–60 MPa")).isInstanceOf(PublishedValue.Read.Refused.class);
        assertThat(single.in(Form.BETWEEN, "f", "50 MPa")).isInstanceOf(PublishedValue.Read.Refused.class);
        assertThat(range.in(Form.BETWEEN, "f", "50–60 MPa")).isInstanceOf(PublishedValue.Read.Accepted.class);
    }
}
