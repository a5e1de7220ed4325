package org.ysometron.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Wire;

class WireTest {

    private static final List<Message> ALL = List.of(
            new Message.Hello(1, "TW-0412", "force-gauge", "N", OptionalDouble.of(2000), "5f3a", 18),
            new Message.Hello(1, "CL-0417", "calipers", "mm", OptionalDouble.empty(), "5f3a", 1),
            new Message.Reading(
                    "CL-0417", 17, Optional.of(new BigDecimal("4.10")), "mm", Message.State.OK, 1764259200123L),
            new Message.Reading("TQ-1", 3, Optional.empty(), "N·m", Message.State.OVER, 5),
            new Message.Point("PT-9", 900, 7, 1.2, 812.4, OptionalDouble.empty(), "N", 0.512, "mm", Message.State.OK),
            new Message.Ended("PT-9", 901, 7, 880),
            new Message.Status("PT-9", Message.State.LOW_BATTERY, "kgf"),
            new Message.From("", 0),
            new Message.From("5f3a", 17),
            new Message.Ack("5f3a", 17));

    @Test
    void everyMessageComesBackAsItWent() throws Exception {
        for (Message message : ALL) {
            assertThat(Wire.read(Wire.text(message))).isEqualTo(message);
        }
        // By hand: XOR of the bytes of "ack epoch=5f3a seq=17".
        int sum = 0;
        for (char c : "ack epoch=5f3a seq=17".toCharArray()) {
            sum ^= c;
        }
        assertThat(Wire.text(ALL.get(9))).isEqualTo("ack epoch=5f3a seq=17 *" + String.format("%02X", sum));
    }

    /** A display shows 4.10, and its last digit is what it is good to; a number that no display has is none. */
    @Test
    void digitsAreThoseOfTheDisplay() throws Exception {
        String line = Wire.text(ALL.get(2));
        assertThat(line).contains("value=4.10 ");
        for (String none : List.of("1e300000", "NaN", "1e-99999", "0x1p3", "12345678901234567890123")) {
            String body = line.substring(0, line.lastIndexOf(" *")).replace("4.10", none);
            int sum = 0;
            for (byte one : body.getBytes(java.nio.charset.StandardCharsets.UTF_8)) {
                sum ^= one & 0xFF;
            }
            String sent = body + " *" + String.format("%02X", sum);
            assertThatThrownBy(() -> Wire.read(sent)).as(none).isInstanceOf(Wire.Garbled.class);
        }
    }

    /** A line cut anywhere, or with a bit turned anywhere, is no line; whatever comes, nothing but that is thrown. */
    @Test
    void aLineThatWasChangedIsNone() {
        Random chance = new Random(1);
        for (Message message : ALL) {
            String line = Wire.text(message);
            for (int i = 0; i < line.length(); i++) {
                String cut = line.substring(0, i);
                assertThatThrownBy(() -> Wire.read(cut)).isInstanceOf(Wire.Garbled.class);
            }
            for (int run = 0; run < 200; run++) {
                char[] turned = line.toCharArray();
                turned[chance.nextInt(turned.length)] ^= (char) (1 << chance.nextInt(4));
                assertThatThrownBy(() -> Wire.read(new String(turned))).isInstanceOf(Wire.Garbled.class);
            }
        }
        assertThatThrownBy(() -> Wire.read("x".repeat(5000))).isInstanceOf(Wire.Garbled.class);
    }

    @Test
    void aNumberThatIsNoneIsRefused() {
        for (String value : List.of("NaN", "Infinity", "x", "")) {
            String body = "reading serial=A seq=1 value=" + value + " unit=N state=ok at=0";
            int sum = 0;
            for (char c : body.toCharArray()) {
                sum ^= c;
            }
            String line = body + " *" + String.format("%02X", sum);
            assertThatThrownBy(() -> Wire.read(line)).isInstanceOf(Wire.Garbled.class);
        }
    }
}
