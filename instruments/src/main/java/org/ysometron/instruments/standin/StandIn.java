package org.ysometron.instruments.standin;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import java.util.function.DoubleFunction;
import java.util.function.DoublePredicate;
import java.util.function.DoubleUnaryOperator;
import org.ysometron.instruments.wire.Message;

/** One instrument that is not there: its display, its memory and its port, and what somebody does to it. */
public final class StandIn implements AutoCloseable {

    private static final double RATE = 100;

    /** Points of the dead pieces behind a break. */
    private static final int BEHIND = 30;

    private static final double WAVE = 0.012;
    private static final double LUMP = 0.15;
    private static final double LUMP_HIGH = 0.08;
    private static final int TRIES = 20;
    private static final long PAUSE = 50_000_000;

    private final Model model;
    private final Path memory;
    private final Random chance;
    private Journal journal;
    private Served served;
    private int readings;
    private long streams;
    private boolean switched;
    private volatile boolean low;

    /** Switches it on. */
    public StandIn(Model model, Path folder, int port) {
        this.model = model;
        this.memory = folder.resolve(model.serial());
        this.chance = new Random(model.serial().hashCode());
        this.journal = new Journal(memory);
        this.served = serve(port);
    }

    private Served serve(int port) {
        Display display = model.display();
        OptionalDouble capacity = display.capacity().isPresent() && switched
                ? OptionalDouble.of(display.capacity().getAsDouble() / display.perOther())
                : display.capacity();
        // A port that was closed a moment ago may still be on its way out.
        for (int tries = 0; ; tries++) {
            try {
                return served(port, capacity);
            } catch (IOException e) {
                if (tries >= TRIES) {
                    throw new UncheckedIOException(e);
                }
                LockSupport.parkNanos(PAUSE);
            }
        }
    }

    private Served served(int port, OptionalDouble capacity) throws IOException {
        Display display = model.display();
        return new Served(
                new Served.Maker(model.serial(), model.kind(), display.shown(switched), capacity),
                journal,
                port,
                () -> low ? Message.State.LOW_BATTERY : Message.State.OK);
    }

    /** What it is. */
    public Model model() {
        return model;
    }

    /** Where it listens. */
    public int port() {
        return served.port();
    }

    /** How many lines nobody has kept yet. */
    public int waiting() {
        return journal.waiting();
    }

    /** Somebody presses, or a peak is held, of what is truly so much in its own unit. */
    public synchronized void press(double truth) {
        Optional<BigDecimal> shown = model.display().shows(truth, readings++, switched, chance);
        Message.State state = shown.isEmpty() ? Message.State.OVER : low ? Message.State.LOW_BATTERY : Message.State.OK;
        journal.add(seq -> new Message.Reading(
                model.serial(), seq, shown, model.display().shown(switched), state, System.currentTimeMillis()));
    }

    /** The last reading is sent once more under a number of its own, as by a finger that slipped. */
    public synchronized void pressTwice(double truth) {
        press(truth);
        press(truth);
    }

    /**
     * Pulls a specimen that is straight to its break and a fiftieth further, and streams it.
     *
     * @param force at the break, N
     * @param stiffness of specimen and rig, N/mm
     * @param pace how much faster than time it runs
     * @return how many points it had
     */
    public long pull(double force, double stiffness, double pace) throws InterruptedException {
        double speed = 5.0 / 60;
        return stream(
                pace,
                time -> speed * time,
                time -> stiffness * speed * time > force ? 0 : stiffness * speed * time,
                time -> OptionalDouble.empty(),
                time -> stiffness * speed * time > force * 1.02);
    }

    /**
     * Pulls a bar until it breaks and a moment longer, and streams it.
     *
     * @param pace how much faster than time it runs
     */
    void pull(Truth.Bar bar, double pace) throws InterruptedException {
        stream(
                pace,
                bar::extension,
                bar::load,
                time -> OptionalDouble.empty(),
                time -> bar.isBroken(time - BEHIND / RATE));
    }

    private long stream(
            double pace,
            DoubleUnaryOperator way,
            DoubleUnaryOperator load,
            DoubleFunction<OptionalDouble> second,
            DoublePredicate isOver)
            throws InterruptedException {
        long stream;
        synchronized (this) {
            stream = ++streams + System.currentTimeMillis() / 1000 * 1000;
        }
        long begun = System.nanoTime();
        long n = 0;
        for (double time = 0; !isOver.test(time); time = n / RATE) {
            point(stream, time, load.applyAsDouble(time), second.apply(time), way.applyAsDouble(time));
            n++;
            // By the clock and not by pauses, which would add up.
            long left = (begun + (long) (1e9 * n / RATE / pace) - System.nanoTime()) / 1_000_000;
            if (left > 0) {
                Thread.sleep(left);
            }
        }
        long points = n;
        journal.add(seq -> new Message.Ended(model.serial(), seq, stream, points));
        return points;
    }

    /**
     * Winds a spool at a metre a second, and streams it: a slow wave, an oval that comes and goes, and a lump behind two fifths.
     *
     * @param metres length of it
     * @param pace how much faster than time it runs
     * @return how many points it had
     */
    public long wind(double metres, double pace) throws InterruptedException {
        DoubleUnaryOperator diameter = time ->
                1.75 + WAVE * Math.sin(2 * Math.PI * time / 7) + (Math.abs(time - 0.4 * metres) < LUMP ? LUMP_HIGH : 0);
        return stream(
                pace,
                time -> 1000 * time,
                time -> diameter.applyAsDouble(time) + WAVE / 2 * Math.sin(time),
                time -> OptionalDouble.of(diameter.applyAsDouble(time) - WAVE / 2 * Math.sin(time)),
                time -> time > metres);
    }

    private synchronized void point(long stream, double time, double load, OptionalDouble second, double way) {
        Display display = model.display();
        Optional<BigDecimal> shown = display.shows(load, 0, switched, chance);
        // Beyond its end a cell gives its end, and says so.
        double value = shown.map(BigDecimal::doubleValue)
                .orElseGet(() -> display.capacity().orElse(load));
        Message.State state = shown.isEmpty() ? Message.State.OVER : Message.State.OK;
        journal.add(seq -> new Message.Point(
                model.serial(),
                seq,
                stream,
                Math.rint(time * 1000) / 1000,
                value,
                second.isEmpty()
                        ? second
                        : OptionalDouble.of(display.shows(second.getAsDouble(), 0, switched, chance)
                                .map(BigDecimal::doubleValue)
                                .orElse(second.getAsDouble())),
                display.shown(switched),
                Math.rint(way * 1e5) / 1e5,
                "mm",
                state));
    }

    /** Somebody touches the unit switch: it says hello anew. */
    public synchronized void unit() {
        switched = !switched;
        again();
    }

    /** The battery is nearly empty, or new. */
    public synchronized void battery(boolean empty) {
        low = empty;
    }

    /** It is zeroed. */
    public synchronized void zero() {
        readings = 0;
    }

    /** It is switched off and on. */
    public synchronized void again() {
        int port = served.port();
        served.close();
        journal.close();
        journal = new Journal(memory);
        served = serve(port);
    }

    @Override
    public void close() {
        served.close();
        journal.close();
    }

    /**
     * An instrument as it is made.
     *
     * @param serial its number
     * @param kind what it is
     * @param display what it shows by
     */
    public record Model(String serial, String kind, Display display) {

        /** Whether a field of the bench is read with it. */
        boolean measures(String field) {
            String what = field.replaceAll("-\\d+$", "");
            return switch (kind) {
                case "calipers" -> LENGTHS.contains(what);
                case "force-gauge" -> what.equals("force");
                case "torque-meter" -> what.equals("torque");
                case "balance" -> what.equals("mass");
                default -> false;
            };
        }

        private static final Set<String> LENGTHS = Set.of("width", "thickness", "diameter", "depth", "length");

        /** Calipers that send a value with each press. */
        public static Model calipers(String serial) {
            return new Model(serial, "calipers", new Display("mm", "in", 25.4, 0.01, 0.004, 0, OptionalDouble.of(150)));
        }

        /** A force gauge that holds its peak. */
        public static Model forceGauge(String serial) {
            return new Model(
                    serial, "force-gauge", new Display("N", "kgf", 9.80665, 0.1, 0.15, 0.002, OptionalDouble.of(500)));
        }

        /** A pull tester that streams. */
        public static Model pullTester(String serial) {
            return new Model(
                    serial, "pull-tester", new Display("N", "kgf", 9.80665, 0.1, 0.2, 0, OptionalDouble.of(2000)));
        }

        /** A meter that holds the highest torque of one stroke. */
        public static Model torqueMeter(String serial) {
            return new Model(
                    serial, "torque-meter", new Display("N·m", "N·m", 1, 0.01, 0.01, 0.0005, OptionalDouble.of(10)));
        }

        /** A pendulum with an encoder of its angle. */
        public static Model pendulum(String serial) {
            return new Model(serial, "pendulum", new Display("°", "°", 1, 0.1, 0.1, 0, OptionalDouble.of(180)));
        }

        /** A balance. */
        public static Model balance(String serial) {
            return new Model(serial, "balance", new Display("g", "g", 1, 0.001, 0.001, 0.0005, OptionalDouble.of(220)));
        }

        /** A gauge of two axes that a filament runs through. */
        public static Model diameterGauge(String serial) {
            return new Model(
                    serial, "diameter-gauge", new Display("mm", "in", 25.4, 0.001, 0.002, 0, OptionalDouble.of(10)));
        }

        /** A thermometer in an oven. */
        public static Model thermometer(String serial) {
            return new Model(serial, "thermometer", new Display("°C", "°C", 1, 0.1, 0.1, 0, OptionalDouble.of(300)));
        }
    }
}
