package org.ysometron.instruments.wire;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Listens to one instrument and keeps what it sends, each line exactly once: it asks for what lies behind the last that is kept, passes over what
 * came already, begins anew where one is missing, and tells the instrument only then that it may forget when the lines are kept for good. A connection
 * that ends is made again.
 */
public final class Receiver implements Runnable, AutoCloseable {

    /** Lines that are kept at once at the most. */
    private static final int AT_ONCE = 500;

    /** Nanoseconds in which points are gathered, so that a fast stream is kept in few steps; a reading is kept at once. */
    private static final long GATHERING = 30_000_000;

    /** Milliseconds between two looks whether more has come. */
    private static final int PAUSE = 5;

    private final Supplier<InetSocketAddress> instrument;
    private final Ledger ledger;
    private final int patience;
    private final Consumer<String> said;
    private volatile boolean closed;

    /** Since when points are gathered; 0 while none are. */
    private long gathering;

    private volatile @Nullable Socket socket;
    private volatile Message.@Nullable Hello hello;

    /**
     * Does not connect yet.
     *
     * @param instrument where it is, asked anew with each connection
     * @param patience milliseconds until a connection that says nothing is made anew, and between two attempts
     * @param said takes what happened, in words
     */
    public Receiver(Supplier<InetSocketAddress> instrument, Ledger ledger, int patience, Consumer<String> said) {
        this.instrument = instrument;
        this.ledger = ledger;
        this.patience = patience;
        this.said = said;
    }

    /** Who is at the other end; null while nobody is. */
    public Message.@Nullable Hello connected() {
        return hello;
    }

    @Override
    public void run() {
        while (!closed) {
            InetSocketAddress place = instrument.get();
            try (Socket open = new Socket()) {
                socket = open;
                open.setTcpNoDelay(true);
                open.connect(place, patience);
                open.setSoTimeout(patience * 20);
                listen(open);
            } catch (SocketTimeoutException silent) {
                said.accept("What answers at " + name(place) + " says nothing: somebody else may be listening to it.");
            } catch (IOException gone) {
                said.accept("The connection to " + name(place) + " ended: " + gone.getMessage() + ".");
            } catch (Wire.Garbled garbled) {
                said.accept("What came from " + name(place) + " cannot be read: " + garbled.getMessage() + ".");
            } catch (RuntimeException refused) {
                said.accept("What came from " + name(place) + " could not be kept. " + refused.getMessage());
            } finally {
                hello = null;
                socket = null;
            }
            rest();
        }
    }

    private static String name(InetSocketAddress place) {
        return place.getHostString() + ":" + place.getPort();
    }

    private void rest() {
        try {
            if (!closed) {
                Thread.sleep(patience);
            }
        } catch (InterruptedException ended) {
            closed = true;
            Thread.currentThread().interrupt();
        }
    }

    private void listen(Socket open) throws IOException, Wire.Garbled {
        BufferedReader in = new BufferedReader(new InputStreamReader(open.getInputStream(), StandardCharsets.UTF_8));
        Writer out = new OutputStreamWriter(open.getOutputStream(), StandardCharsets.UTF_8);
        Message first = next(in);
        if (!(first instanceof Message.Hello from) || from.protocol() != 1) {
            throw new IOException("it does not say hello in protocol 1");
        }
        hello = from;
        long last = ledger.last(from);
        if (from.next() <= last) {
            throw new IOException("it counts from " + from.next() + " in an epoch of which " + last
                    + " lines are kept: it lost its memory and kept its name; begin another epoch");
        }
        send(out, new Message.From(from.epoch(), last));
        List<Message.Numbered> held = new ArrayList<>();
        while (!closed) {
            Message message = next(in);
            if (message instanceof Message.Status status) {
                ledger.seen(from, status);
            } else if (message instanceof Message.Numbered line) {
                if (last == 0 && held.isEmpty()) {
                    // Nobody here knows this instrument: what it told others before is theirs.
                    last = line.seq() - 1;
                }
                long wanted = last + held.size() + 1;
                if (!line.serial().equals(from.serial()) || line.seq() > wanted) {
                    throw new IOException("line " + wanted + " is missing, " + line.seq() + " came");
                }
                if (line.seq() == wanted) {
                    held.add(line);
                }
            }
            if (held.size() >= AT_ONCE || isDue(in, held)) {
                last = keep(from, held, last, out);
            }
        }
    }

    /** Whether what is held is kept now: readings as soon as no more has come, points after they were gathered for a moment. */
    private boolean isDue(BufferedReader in, List<Message.Numbered> held) throws IOException {
        boolean points = !held.isEmpty() && held.get(held.size() - 1) instanceof Message.Point;
        if (!points) {
            gathering = 0;
            return !in.ready();
        }
        if (gathering == 0) {
            gathering = System.nanoTime();
        }
        try {
            while (!in.ready() && System.nanoTime() - gathering < GATHERING) {
                Thread.sleep(PAUSE);
            }
        } catch (InterruptedException ended) {
            closed = true;
            Thread.currentThread().interrupt();
        }
        boolean due = System.nanoTime() - gathering >= GATHERING;
        gathering = due ? 0 : gathering;
        return due;
    }

    /** Keeps first, then says so; what came again is acknowledged again, for the word may have been lost. */
    private long keep(Message.Hello from, List<Message.Numbered> held, long last, Writer out) throws IOException {
        long now = last;
        if (!held.isEmpty()) {
            ledger.take(from, List.copyOf(held));
            now += held.size();
            held.clear();
        }
        if (now > 0) {
            send(out, new Message.Ack(from.epoch(), now));
        }
        return now;
    }

    private static Message next(BufferedReader in) throws IOException, Wire.Garbled {
        String line = in.readLine();
        if (line == null) {
            throw new IOException("it hung up");
        }
        return Wire.read(line);
    }

    private static void send(Writer out, Message message) throws IOException {
        out.write(Wire.text(message) + "\n");
        out.flush();
    }

    /** Stops listening. */
    @Override
    public void close() {
        closed = true;
        Socket open = socket;
        if (open != null) {
            try {
                open.close();
            } catch (IOException gone) {
                said.accept("closed: " + gone.getMessage());
            }
        }
    }
}
