package org.ysometron.app.line;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.equipment.Kind;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;
import org.ysometron.instruments.wire.Ledger;
import org.ysometron.instruments.wire.Message;

/** One place that is listened to: who answers there, whether it is wanted, and where what it sends goes. */
final class Wired implements Ledger {

    /** A connection that was away no longer than this: who pressed meanwhile still stands at the same bench. */
    private static final Duration BRIEFLY = Duration.ofSeconds(10);

    /** Of a capacity: less of a difference is rounding. */
    private static final double SAME = 0.99;

    private static final int LONGEST_EPOCH = 80;

    private final Known known;
    private final Arrivals arrivals;
    private final Taken taken;
    private final Clock clock;
    private final Map<String, Answer> answers = new ConcurrentHashMap<>();
    private volatile String problem = "";

    /** Whether the register has refused who answered, and that is still to be heard of from the connection. */
    private volatile boolean refused;

    /** What is asked of the site about who answers. */
    interface Known {

        Optional<InstrumentView> numbered(String serial);

        /** Notes who answers here; gives the serial number of who did before where that is another one. */
        Optional<String> other(String serial);
    }

    /** Is told what was kept, once it is. */
    interface Taken {

        void kept(InstrumentView instrument, Arrivals.Kept kept);

        void changed();
    }

    /**
     * Who answers.
     *
     * @param heard when it said something last
     * @param late number of the first line that is not of before
     */
    record Answer(
            Message.Hello hello,
            @Nullable InstrumentView instrument,
            String unit,
            boolean low,
            Instant heard,
            long late) {}

    /** Somebody who is not wanted, and what to do. */
    static final class NotWanted extends RuntimeException {

        private static final long serialVersionUID = 1L;

        NotWanted(String message) {
            super(message);
        }
    }

    Wired(Known known, Arrivals arrivals, Taken taken, Clock clock) {
        this.known = known;
        this.arrivals = arrivals;
        this.taken = taken;
        this.clock = clock;
    }

    /** Who answered here last. */
    List<Answer> answers() {
        return List.copyOf(answers.values());
    }

    /** What is in the way; empty where nothing is. */
    String problem() {
        return problem;
    }

    /** What happened to the connection. */
    void said(String words) {
        // That the connection ended because the register refused it says less than why it did.
        if (refused) {
            refused = false;
        } else if (!words.equals(problem)) {
            problem = words;
            taken.changed();
        }
    }

    @Override
    public long last(Message.Hello from) {
        Answer before = answers.get(from.serial());
        Instant now = clock.instant();
        try {
            InstrumentView instrument = wanted(from);
            boolean brief = before != null
                    && before.instrument() != null
                    && before.heard().plus(BRIEFLY).isAfter(now);
            answers.put(from.serial(), new Answer(from, instrument, from.unit(), false, now, brief ? 0 : from.next()));
            problem = "";
            taken.changed();
            return arrivals.last(from.serial(), from.epoch());
        } catch (NotWanted notWanted) {
            answers.put(from.serial(), new Answer(from, null, from.unit(), false, now, 0));
            problem = "Refused: " + notWanted.getMessage();
            refused = true;
            if (before == null || before.instrument() != null) {
                taken.changed();
            }
            throw new NotWanted(problem);
        }
    }

    /** The instrument of the register that it is, or why nothing is taken from it. */
    private InstrumentView wanted(Message.Hello from) {
        String name = from.serial() + " (" + from.kind() + ")";
        InstrumentView instrument = known.numbered(from.serial())
                .orElseThrow(() -> new NotWanted(name + " answers, and no instrument of the register has that serial"
                        + " number. Give it to the one that it is, or register it; what was pressed waits in it."));
        known.other(from.serial()).ifPresent(before -> {
            throw new NotWanted(name + " answers where " + before
                    + " did before. If it was exchanged, say so here; what" + " was pressed waits in it.");
        });
        if (from.epoch().length() > LONGEST_EPOCH) {
            throw new NotWanted(name + " names its numbering with more than " + LONGEST_EPOCH + " characters.");
        }
        Optional<UnitOfMeasure> unit = UnitOfMeasure.find(from.unit());
        if (unit.isEmpty() || !reads(instrument.kind()).contains(unit.get().dimension())) {
            throw new NotWanted(name + " shows '" + from.unit() + "', which a "
                    + instrument.kind().words()
                    + " does not: in the register " + from.serial() + " is " + instrument.name()
                    + ". Set its unit, or correct the register.");
        }
        if (from.capacity().isPresent() && instrument.capacity().isPresent()) {
            double says = unit.get().toWorking(from.capacity().getAsDouble());
            double registered = instrument.capacity().getAsDouble();
            if (unit.get().dimension() == instrument.reads() && says < SAME * registered) {
                throw new NotWanted(name + " ends at " + Figures.plain(says, 4) + " " + instrument.unit()
                        + ", and the register has " + instrument.name() + " used up to " + Figures.plain(registered, 4)
                        + " " + instrument.unit() + ": see which instrument it is, and correct the register.");
            }
        }
        return instrument;
    }

    /** What a kind of equipment can send. */
    private static Set<Dimension> reads(Kind kind) {
        return switch (kind) {
            case PENDULUM -> Set.of(Dimension.ENERGY, Dimension.ANGLE);
            case OVEN -> Set.of(Dimension.TEMPERATURE, Dimension.LENGTH);
            default -> Set.of(kind.reads());
        };
    }

    @Override
    public void take(Message.Hello from, List<Message.Numbered> lines) {
        Answer answer = answers.get(from.serial());
        if (answer == null || answer.instrument() == null) {
            throw new IllegalStateException(from.serial() + " is not wanted here");
        }
        InstrumentView instrument = answer.instrument();
        Arrivals.Kept kept = arrivals.take(from, instrument.id(), lines, answer.late());
        answers.computeIfPresent(
                from.serial(),
                (serial, one) -> new Answer(
                        one.hello(),
                        one.instrument(),
                        unit(lines, one.unit()),
                        one.low(),
                        clock.instant(),
                        one.late()));
        taken.kept(instrument, kept);
    }

    private static String unit(List<Message.Numbered> lines, String before) {
        return lines.get(lines.size() - 1) instanceof Message.Reading reading ? reading.unit() : before;
    }

    @Override
    public void seen(Message.Hello from, Message.Status status) {
        boolean low = status.state() == Message.State.LOW_BATTERY;
        Answer before = answers.get(from.serial());
        answers.computeIfPresent(
                from.serial(),
                (serial, one) ->
                        new Answer(one.hello(), one.instrument(), status.unit(), low, clock.instant(), one.late()));
        if (before != null && before.low() != low) {
            taken.changed();
        }
    }
}
