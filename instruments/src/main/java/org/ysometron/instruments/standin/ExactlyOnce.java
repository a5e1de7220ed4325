package org.ysometron.instruments.standin;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.ysometron.instruments.wire.Ledger;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Receiver;

/** Counts what gets lost and what comes twice, of readings sent over a bad line between two ends that are switched off and on. */
public final class ExactlyOnce {

    private static final int PATIENCE = 8;
    private static final long LONGEST = 60_000;

    private static final int SIDE_BY_SIDE = 12;

    private ExactlyOnce() {}

    /**
     * One run's count.
     *
     * @param sent readings
     * @param lost that never came
     * @param doubled that came more than once
     * @param restarts of either end
     */
    public record Count(int sent, int lost, int doubled, int restarts) {}

    /** What the listener kept survives it; it goes down before it keeps something, or behind it, before it has said so. */
    private static final class Durable implements Ledger {

        private final List<Message.Numbered> kept = new ArrayList<>();
        private final Random chance;

        Durable(long seed) {
            chance = new Random(seed);
        }

        @Override
        public long last(Message.Hello from) {
            return last();
        }

        private synchronized long last() {
            return kept.size();
        }

        @Override
        public synchronized void take(Message.Hello from, List<Message.Numbered> lines) {
            int fate = chance.nextInt(8);
            if (fate == 0) {
                throw new IllegalStateException("went down before it was kept");
            }
            kept.addAll(lines);
            if (fate == 1) {
                throw new IllegalStateException("went down behind it");
            }
        }
    }

    /** One run. */
    public static Count run(long seed, int readings, Path folder) throws IOException, InterruptedException {
        Random chance = new Random(seed);
        Path memory = folder.resolve("journal-" + seed);
        Served.Maker maker = new Served.Maker("TW-0001", "force-gauge", "N", OptionalDouble.of(2000));
        Durable ledger = new Durable(seed);
        Journal journal = new Journal(memory);
        AtomicInteger port = new AtomicInteger();
        Served served = new Served(maker, journal, 0);
        port.set(served.port());
        int restarts = 0;
        try (Trouble line = new Trouble(port::get, 0.03, seed)) {
            Receiver receiver = listen(line, ledger);
            for (int i = 1; i <= readings; i++) {
                long value = i;
                journal.add(seq -> new Message.Reading(
                        "TW-0001", seq, Optional.of(BigDecimal.valueOf(value)), "N", Message.State.OK, 0));
                int fate = chance.nextInt(25);
                if (fate == 0) {
                    served.close();
                    journal.close();
                    journal = new Journal(memory);
                    served = new Served(maker, journal, 0);
                    port.set(served.port());
                    restarts++;
                } else if (fate == 1) {
                    receiver.close();
                    receiver = listen(line, ledger);
                    restarts++;
                } else if (fate < 5) {
                    Thread.sleep(chance.nextInt(6));
                }
            }
            long until = System.currentTimeMillis() + LONGEST;
            while (ledger.last() < readings && System.currentTimeMillis() < until) {
                Thread.sleep(2);
            }
            receiver.close();
        } finally {
            served.close();
            journal.close();
            Files.deleteIfExists(memory);
        }
        return count(readings, ledger, restarts);
    }

    private static Receiver listen(Trouble line, Ledger ledger) {
        Receiver receiver = new Receiver(
                () -> new InetSocketAddress(InetAddress.getLoopbackAddress(), line.port()),
                ledger,
                PATIENCE,
                said -> {});
        Thread thread = new Thread(receiver, "receiver");
        thread.setDaemon(true);
        thread.start();
        return receiver;
    }

    private static Count count(int readings, Durable ledger, int restarts) {
        HashSet<BigDecimal> values = new HashSet<>();
        int doubled = 0;
        synchronized (ledger) {
            for (Message.Numbered line : ledger.kept) {
                if (!values.add(((Message.Reading) line).value().orElseThrow())) {
                    doubled++;
                }
            }
        }
        return new Count(readings, readings - values.size(), doubled, restarts);
    }

    /** So many runs, counted on standard output; ends with 1 where anything was lost or came twice. */
    public static void main(String[] arguments) throws IOException, InterruptedException, ExecutionException {
        int runs = arguments.length == 0 ? 1000 : Integer.parseInt(arguments[0]);
        Path folder = Files.createTempDirectory("exactly-once");
        // Most of a run is waiting: many are under way at once.
        ExecutorService side = Executors.newFixedThreadPool(SIDE_BY_SIDE);
        List<Future<Count>> counts = new ArrayList<>();
        for (int run = 1; run <= runs; run++) {
            long seed = run;
            counts.add(side.submit(() -> run(seed, 40, folder)));
        }
        int sent = 0;
        int lost = 0;
        int doubled = 0;
        int restarts = 0;
        for (Future<Count> one : counts) {
            Count count = one.get();
            sent += count.sent();
            lost += count.lost();
            doubled += count.doubled();
            restarts += count.restarts();
        }
        side.shutdown();
        System.out.println("once_runs " + runs + " runs");
        System.out.println("once_sent " + sent + " readings");
        System.out.println("once_restarts " + restarts + " restarts");
        System.out.println("once_lost " + lost + " readings");
        System.out.println("once_doubled " + doubled + " readings");
        Files.deleteIfExists(folder);
        System.exit(lost + doubled == 0 ? 0 : 1);
    }
}
