package org.ysometron.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.ysometron.instruments.standin.Conformance;
import org.ysometron.instruments.standin.StandIn;
import org.ysometron.instruments.standin.StandIns;
import org.ysometron.instruments.wire.Ledger;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Receiver;

class StandInTest {

    private static final class Kept implements Ledger {
        private final List<Message.Numbered> lines = new ArrayList<>();

        @Override
        public synchronized long last(Message.Hello from) {
            return lines.isEmpty() ? 0 : lines.get(lines.size() - 1).seq();
        }

        @Override
        public synchronized void take(Message.Hello from, List<Message.Numbered> more) {
            lines.addAll(more);
        }

        synchronized List<Message.Numbered> lines() {
            return List.copyOf(lines);
        }
    }

    /** Listens until everything is kept and the instrument knows it. */
    private static Kept listen(StandIn standIn) throws InterruptedException {
        Kept kept = new Kept();
        try (Receiver receiver = new Receiver(
                () -> new InetSocketAddress(InetAddress.getLoopbackAddress(), standIn.port()), kept, 20, said -> {})) {
            Thread thread = new Thread(receiver);
            thread.start();
            for (int i = 0; i < 2000 && standIn.waiting() > 0; i++) {
                Thread.sleep(5);
            }
        }
        return kept;
    }

    @Test
    void eachOfTheBenchKeepsToTheProtocol(@TempDir Path folder) throws Exception {
        try (StandIns all = new StandIns(folder, 0)) {
            for (String line : all.lines().lines().toList()) {
                String serial = line.split(" ")[0];
                StandIn one = Objects.requireNonNull(all.of(serial));
                one.press(3);
                one.press(4);
                assertThat(Conformance.check("127.0.0.1", one.port(), 2000))
                        .as(serial)
                        .hasSize(6)
                        .allMatch(Conformance.Result::holds, "holds");
            }
            assertThat(all.hand("press CL-0417")).startsWith("Expected");
            assertThat(all.hand("press NO-1 4")).startsWith("Expected");
            assertThat(all.hand("press CL-0417 4.02")).isEqualTo("done");
        }
    }

    /** Steps of 5 from 30 °C: a bar that moves at 62.3 held 60 and moved at 65, each read by the thermometer with its noise. */
    @Test
    void anOvenGoesUpInStepsUntilItsLoadedBarMoves(@TempDir Path folder) throws Exception {
        java.nio.file.Files.writeString(folder.resolve("truth.csv"), "specimen,field,value\nL-1-XY1,onset,62.3\n");
        try (StandIns all = new StandIns(folder, 0)) {
            assertThat(all.hand("heat TH-0044 L-1-XY1"))
                    .contains("held at 60.0")
                    .contains("moved at 65.0");
            List<Message.Numbered> lines =
                    listen(Objects.requireNonNull(all.of("TH-0044"))).lines();
            assertThat(lines).hasSize(2);
            assertThat(all.hand("heat TH-0044 L-1-XY2")).startsWith("Nobody knows");
            assertThat(all.hand("heat TH-0044 L-1-XY1 0")).startsWith("A step goes up");
        }
    }

    /** One that greets and then sends whatever it likes is found out, rule by rule. */
    @Test
    void oneThatDoesNotIsFoundOut() throws Exception {
        try (ServerSocket server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            Thread thread = new Thread(() -> {
                try {
                    while (true) {
                        try (Socket open = server.accept()) {
                            open.getOutputStream().write("4.02 mm\n".getBytes(StandardCharsets.UTF_8));
                        }
                    }
                } catch (java.io.IOException closed) {
                    Thread.currentThread().interrupt();
                }
            });
            thread.setDaemon(true);
            thread.start();
            assertThat(Conformance.check("127.0.0.1", server.getLocalPort(), 500))
                    .noneMatch(Conformance.Result::holds);
        }
    }

    /** M2 and M26, for displays: a unit that was switched is said with each value, and beyond the range there is none. */
    @Test
    void m2AUnitIsSaidAndBeyondTheRangeIsNoValue(@TempDir Path folder) throws Exception {
        try (StandIn gauge = new StandIn(StandIn.Model.forceGauge("FG-1"), folder, 0)) {
            gauge.press(400);
            gauge.unit();
            gauge.press(400);
            gauge.press(900);
            gauge.battery(true);
            gauge.press(100);
            List<Message.Numbered> lines = listen(gauge).lines();
            assertThat(lines).hasSize(4);
            Message.Reading inNewton = (Message.Reading) lines.get(0);
            Message.Reading inKilos = (Message.Reading) lines.get(1);
            Message.Reading over = (Message.Reading) lines.get(2);
            assertThat(inNewton.unit()).isEqualTo("N");
            assertThat(inNewton.value().orElseThrow().doubleValue()).isCloseTo(400, within(1.0));
            assertThat(inKilos.unit()).isEqualTo("kgf");
            // 1 kgf is 9.80665 N (exact).
            assertThat(inKilos.value().orElseThrow().doubleValue()).isCloseTo(400 / 9.80665, within(0.2));
            assertThat(over.value()).isEmpty();
            assertThat(over.state()).isEqualTo(Message.State.OVER);
            assertThat(((Message.Reading) lines.get(3)).state()).isEqualTo(Message.State.LOW_BATTERY);
        }
    }

    /** Whoever comes new begins with what nobody has kept yet. */
    @Test
    void whatSomebodyElseHasKeptIsTheirs(@TempDir Path folder) throws Exception {
        try (StandIn gauge = new StandIn(StandIn.Model.forceGauge("FG-2"), folder, 0)) {
            gauge.press(100);
            gauge.press(200);
            assertThat(listen(gauge).lines()).hasSize(2);
            gauge.press(300);
            assertThat(listen(gauge).lines()).singleElement().satisfies(line -> assertThat(line.seq())
                    .isEqualTo(3));
        }
    }

    @Test
    void aPullIsStreamedToItsEndAndItsCellEnds(@TempDir Path folder) throws Exception {
        try (StandIn tester = new StandIn(StandIn.Model.pullTester("PT-1"), folder, 0)) {
            tester.pull(2500, 5000, 50);
            // Nobody listened: it is all there as soon as somebody does.
            List<Message.Numbered> lines = listen(tester).lines();
            Message.Ended end = (Message.Ended) lines.get(lines.size() - 1);
            assertThat(end.points()).isEqualTo(lines.size() - 1L);
            double most = lines.stream()
                    .filter(Message.Point.class::isInstance)
                    .mapToDouble(line -> ((Message.Point) line).load())
                    .max()
                    .orElseThrow();
            assertThat(most).isBetween(1999.0, 2000.1);
            assertThat(lines)
                    .anyMatch(line -> line instanceof Message.Point point && point.state() == Message.State.OVER);
        }
    }
}
