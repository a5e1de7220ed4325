package org.ysometron.app.line;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Calibration;

/** The places where instruments are listened to, and how each stands at this moment. */
@Component
public class Lines implements SmartLifecycle, Wired.Taken {

    private static final Logger LOG = LoggerFactory.getLogger(Lines.class);

    /** One that says nothing for so long is away: each says something every two seconds. */
    private static final Duration SILENT = Duration.ofSeconds(6);

    private final Addresses addresses;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final Arrivals arrivals;
    private final Presses presses;
    private final Holdings holdings;
    private final Feed feed;
    private final Map<String, Driver> drivers;
    private final Clock clock;
    private final Map<Long, Open> open = new ConcurrentHashMap<>();
    private volatile boolean running;

    Lines(
            Addresses addresses,
            Instruments instruments,
            Calibrations calibrations,
            Arrivals arrivals,
            Presses presses,
            Holdings holdings,
            Feed feed,
            List<Driver> drivers,
            Clock clock) {
        this.addresses = addresses;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.arrivals = arrivals;
        this.presses = presses;
        this.holdings = holdings;
        this.feed = feed;
        this.drivers = drivers.stream()
                .sorted(Comparator.comparing(Driver::way).reversed())
                .collect(Collectors.toMap(Driver::way, driver -> driver, (a, b) -> a, LinkedHashMap::new));
        this.clock = clock;
    }

    private record Open(Wired wired, Driver.Listening listening) {}

    /** How an instrument at a place stands. */
    public enum Standing {
        CONNECTED("connected"),
        AWAY("away"),
        REFUSED("refused"),
        /** Nobody answered there yet. */
        NOBODY("nobody answers");

        private final String words;

        Standing(String words) {
            this.words = words;
        }

        /** The standing in words. */
        public String words() {
            return words;
        }
    }

    /**
     * An instrument that answers, or did.
     *
     * @param instrument of the register; null for one that is refused
     * @param unit that its display shows
     * @param low whether its battery is nearly empty
     * @param out whether it is out of calibration today
     * @param heldBy the account at whose bench it is; empty where it is at none
     * @param station the bench; empty where it is at none
     */
    public record Connected(
            String serial,
            String kind,
            @Nullable InstrumentView instrument,
            String unit,
            Standing standing,
            boolean low,
            boolean out,
            @Nullable Instant heard,
            String heldBy,
            String station) {

        /** By what people call it. */
        public String name() {
            return instrument == null ? serial : instrument.name();
        }
    }

    /** A place. */
    public record LineView(long id, String way, String place, List<Connected> answers, String problem, boolean other) {}

    // ---- how it stands -------------------------------------------------------------------------------------------

    /** Every place, in the order in which they were added. */
    List<LineView> lines() {
        Map<Long, Holdings.Holder> held = holdings.all();
        return addresses.all().stream()
                .map(row -> {
                    Open there = open.get(row.id());
                    List<Connected> answers = there == null ? List.of() : answers(there.wired(), held);
                    String problem = there == null ? "" : there.wired().problem();
                    boolean other = answers.stream()
                            .anyMatch(one -> one.instrument() == null
                                    && !row.serial().isEmpty()
                                    && !one.serial().equals(row.serial()));
                    return new LineView(row.id(), row.way(), row.place(), answers, problem, other);
                })
                .toList();
    }

    /** Instruments of the register that are connected, or were since the application was started; by name. */
    public List<Connected> connected() {
        Map<Long, Holdings.Holder> held = holdings.all();
        return open.values().stream()
                .flatMap(there -> answers(there.wired(), held).stream())
                .filter(one -> one.instrument() != null)
                .sorted(Comparator.comparing(Connected::name))
                .toList();
    }

    /** Whether instruments are listened to at all. */
    public boolean any() {
        return !open.isEmpty();
    }

    private List<Connected> answers(Wired wired, Map<Long, Holdings.Holder> held) {
        List<Connected> answers = new ArrayList<>();
        for (Wired.Answer answer : wired.answers()) {
            InstrumentView instrument = answer.instrument();
            Holdings.Holder holder = instrument == null ? null : held.get(instrument.id());
            boolean silent = answer.heard().plus(SILENT).isBefore(clock.instant())
                    && !answer.hello().kind().equals("file");
            answers.add(new Connected(
                    answer.hello().serial(),
                    answer.hello().kind(),
                    instrument,
                    answer.unit(),
                    instrument == null ? Standing.REFUSED : silent ? Standing.AWAY : Standing.CONNECTED,
                    answer.low(),
                    instrument != null && calibrations.today(instrument.id()) == Calibration.Coverage.OUT,
                    answer.heard(),
                    holder == null ? "" : holder.by(),
                    holder == null ? "" : holder.station()));
        }
        return answers;
    }

    /** Ways by which one can be added, with what is written behind each. */
    Map<String, String> ways() {
        Map<String, String> ways = new LinkedHashMap<>();
        drivers.forEach((way, driver) -> ways.put(way, driver.hint()));
        return ways;
    }

    // ---- places --------------------------------------------------------------------------------------------------

    /** Listens to one more place. */
    public void add(String way, String place, String by) {
        Driver driver = drivers.get(way);
        if (driver == null) {
            throw new Refusal("way", "Choose how it is connected.");
        }
        String there = place.strip();
        driver.problem(there).ifPresent(problem -> {
            throw new Refusal("place", problem);
        });
        Addresses.Address address = addresses.add(way, there, by);
        if (running) {
            listen(address);
        }
        feed.changed();
    }

    /** Listens to these places of a way, and to no others of it: whoever starts the site says where they are. */
    public void only(String way, List<String> places, String by) {
        for (Addresses.Address address : addresses.all()) {
            if (address.way().equals(way) && !places.contains(address.place())) {
                remove(address.id());
            } else if (address.way().equals(way)) {
                exchanged(address.id());
            }
        }
        Set<String> there = addresses.all().stream()
                .filter(address -> address.way().equals(way))
                .map(Addresses.Address::place)
                .collect(Collectors.toSet());
        places.stream().filter(place -> !there.contains(place)).forEach(place -> add(way, place, by));
    }

    /** Listens to a place no longer; what came from there stays. */
    void remove(long id) {
        addresses.remove(id);
        Open there = open.remove(id);
        if (there != null) {
            there.listening().close();
        }
        feed.changed();
    }

    /** Says that another instrument is at a place now. */
    void exchanged(long id) {
        addresses.exchanged(id);
    }

    private void listen(Addresses.Address address) {
        Driver driver = drivers.get(address.way());
        if (driver == null || driver.problem(address.place()).isPresent()) {
            LOG.warn("nobody can listen to {} {}", address.way(), address.place());
            return;
        }
        Wired wired = new Wired(new Register(address), arrivals, this, clock);
        open.computeIfAbsent(address.id(), id -> new Open(wired, driver.open(address.place(), wired, wired::said)));
    }

    private final class Register implements Wired.Known {

        private final Addresses.Address address;

        Register(Addresses.Address address) {
            this.address = address;
        }

        @Override
        public Optional<InstrumentView> numbered(String serial) {
            return instruments.numbered(serial);
        }

        @Override
        public Optional<String> other(String serial) {
            return address.way().equals("folder") ? Optional.empty() : addresses.other(address.id(), serial);
        }
    }

    // ---- what comes ----------------------------------------------------------------------------------------------

    @Override
    public void kept(InstrumentView instrument, Arrivals.Kept kept) {
        Optional<Holdings.Holder> holder = holdings.of(instrument.id());
        holder.ifPresent(bench -> {
            kept.presses().forEach(id -> feed.say(bench.station(), "press", LineJson.press(presses.press(id))));
            kept.streams().forEach((id, points) -> feed.points(bench.station(), id, instrument.name(), points));
            kept.ended().forEach(id -> feed.say(bench.station(), "ended", Map.of("stream", id)));
        });
        if (!kept.ended().isEmpty() || (holder.isEmpty() && !kept.presses().isEmpty())) {
            feed.changed();
        }
    }

    @Override
    public void changed() {
        feed.changed();
    }

    // ---- from start to end ---------------------------------------------------------------------------------------

    @Override
    public void start() {
        running = true;
        addresses.all().forEach(this::listen);
    }

    @Override
    public void stop() {
        running = false;
        open.values().forEach(there -> there.listening().close());
        open.clear();
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
