package org.ysometron.instruments.standin;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** The instruments of a bench on ports of loopback, and what is typed does to them what a hand would do. */
public final class StandIns implements AutoCloseable {

    private static final List<StandIn.Model> BENCH = List.of(
            StandIn.Model.calipers("CL-0417"),
            StandIn.Model.forceGauge("FG-0203"),
            StandIn.Model.pullTester("PT-0009"),
            StandIn.Model.torqueMeter("TQ-0031"),
            StandIn.Model.pendulum("PD-0002"),
            StandIn.Model.balance("BL-0118"),
            StandIn.Model.thermometer("TH-0044"),
            StandIn.Model.diameterGauge("DG-0055"));

    static final String HELP =
            "press SERIAL VALUE | twice SERIAL VALUE | pull SERIAL FORCE STIFFNESS | measure SERIAL SPECIMEN FIELD |"
                    + " test SERIAL SPECIMEN [PACE] | wind SERIAL METRES | heat SERIAL SPECIMEN [STEP] | unit SERIAL | battery SERIAL low|new | zero SERIAL | again SERIAL |"
                    + " list | quit";

    /** A test runs so much faster than one does. */
    private static final double PACE = 4;

    /** Where the oven begins, and how far it goes at a time, °C. */
    private static final double COLD = 30;

    private static final double STEP = 5;

    private final Map<String, StandIn> bySerial = new LinkedHashMap<>();
    private final Truth truth;

    /** Switches them on, one after another from a port on. */
    public StandIns(Path folder, int firstPort) throws IOException {
        this(folder, firstPort, folder.resolve("truth.csv"));
    }

    /**
     * Switches them on, one after another from a port on.
     *
     * @param truth file of what specimens truly are; it may come later
     */
    public StandIns(Path folder, int firstPort, Path truth) throws IOException {
        this.truth = new Truth(truth);
        Files.createDirectories(folder);
        int port = firstPort;
        for (StandIn.Model model : BENCH) {
            bySerial.put(model.serial(), new StandIn(model, folder, port == 0 ? 0 : port++));
        }
    }

    /** All of them. */
    List<StandIn> list() {
        return List.copyOf(bySerial.values());
    }

    Truth truth() {
        return truth;
    }

    /** Which there are, a line each. */
    public String lines() {
        StringBuilder list = new StringBuilder();
        bySerial.values()
                .forEach(one -> list.append(String.format(
                        Locale.ROOT,
                        "%s %s 127.0.0.1:%d%n",
                        one.model().serial(),
                        one.model().kind(),
                        one.port())));
        return list.toString();
    }

    /** One of them. */
    public @Nullable StandIn of(String serial) {
        return bySerial.get(serial);
    }

    /**
     * Does what is typed.
     *
     * @return what happened, in a line
     */
    public String hand(String typed) throws InterruptedException {
        String[] words = typed.strip().split("\\s+");
        if (words[0].equals("list")) {
            return lines();
        }
        StandIn one = words.length > 1 ? bySerial.get(words[1]) : null;
        if (one == null) {
            return "Expected " + HELP;
        }
        try {
            switch (words[0]) {
                case "press" -> one.press(Double.parseDouble(words[2]));
                case "twice" -> one.pressTwice(Double.parseDouble(words[2]));
                case "pull" -> one.pull(Double.parseDouble(words[2]), Double.parseDouble(words[3]), 10);
                case "measure" -> {
                    OptionalDouble known = truth.of(words[2], words[3]);
                    if (known.isEmpty()) {
                        return "Nobody knows " + words[3] + " of " + words[2] + ": press " + words[1] + " VALUE";
                    }
                    one.press(known.getAsDouble());
                }
                case "test" -> {
                    Optional<Truth.Bar> bar = truth.bar(words[2]);
                    if (bar.isEmpty()) {
                        return "Nobody knows what " + words[2] + " carries: pull " + words[1] + " FORCE STIFFNESS";
                    }
                    one.pull(bar.get(), words.length > 3 ? Double.parseDouble(words[3]) : PACE);
                }
                case "wind" -> one.wind(Double.parseDouble(words[2]), PACE);
                case "heat" -> {
                    return heat(one, words);
                }
                case "unit" -> one.unit();
                case "battery" -> one.battery(words[2].equals("low"));
                case "zero" -> one.zero();
                case "again" -> one.again();
                default -> {
                    return "Expected " + HELP;
                }
            }
        } catch (ArrayIndexOutOfBoundsException | NumberFormatException none) {
            return "Expected " + HELP;
        }
        return "done";
    }

    /**
     * An oven with a bar under a load in it: it goes up in steps and holds each, and the thermometer is read twice, at the last step that the bar
     * held and at the first at which it moved.
     */
    private String heat(StandIn one, String[] words) throws InterruptedException {
        OptionalDouble onset = truth.of(words[2], "onset");
        double step = words.length > 3 ? Double.parseDouble(words[3]) : STEP;
        if (onset.isEmpty()) {
            return "Nobody knows where " + words[2] + " moves: press " + words[1] + " VALUE";
        }
        if (!(step > 0)) {
            return "A step goes up, by 5 for example";
        }
        double held = COLD;
        while (held + step < onset.getAsDouble()) {
            held += step;
        }
        one.press(held);
        one.press(held + step);
        return "held at " + held + " °C, moved at " + (held + step) + " °C";
    }

    @Override
    public void close() {
        bySerial.values().forEach(StandIn::close);
    }

    /**
     * Arguments: a folder for their memories, the first port, and the panel's port and the file of the truth where there are any; 'check HOST
     * PORT' runs the conformance test instead.
     */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        if (arguments.length == 3 && arguments[0].equals("check")) {
            List<Conformance.Result> results = Conformance.check(arguments[1], Integer.parseInt(arguments[2]), 30_000);
            results.forEach(result -> System.out.println(result.words()));
            System.exit(results.stream().allMatch(Conformance.Result::holds) ? 0 : 1);
        }
        Path folder = Path.of(arguments.length > 0 ? arguments[0] : "instruments");
        int port = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 7401;
        Path known = arguments.length > 3 ? Path.of(arguments[3]) : folder.resolve("truth.csv");
        try (StandIns all = new StandIns(folder, port, known)) {
            System.out.print(all.lines());
            System.out.println(HELP);
            if (arguments.length > 2) {
                try (Panel panel = new Panel(all, Integer.parseInt(arguments[2]))) {
                    System.out.println("Panel http://127.0.0.1:" + panel.port() + "/");
                    // Until it is ended from outside.
                    Thread.currentThread().join();
                }
            }
            BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
            for (String line = in.readLine(); line != null && !line.equals("quit"); line = in.readLine()) {
                System.out.println(all.hand(line));
            }
        }
    }
}
