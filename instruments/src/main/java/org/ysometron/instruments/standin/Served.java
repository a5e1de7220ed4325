package org.ysometron.instruments.standin;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.List;
import java.util.NavigableMap;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Wire;

/** An instrument on a port of loopback: says hello, waits until somebody says from where, and sends what its journal has. One listener at a time. */
public final class Served implements AutoCloseable {

    private static final int PATIENCE = 200;

    /** So many times nothing was to be sent: it says how it is, so that a dead line is told from a silent one. */
    private static final int SILENT = 10;

    private final Maker maker;
    private final Journal journal;
    private final Supplier<Message.State> state;
    private final ServerSocket server;
    private volatile boolean closed;
    private volatile @Nullable Socket client;

    /**
     * Who an instrument is.
     *
     * @param serial its number
     * @param kind what it is
     * @param unit that its display shows
     * @param capacity where it ends
     */
    public record Maker(String serial, String kind, String unit, OptionalDouble capacity) {}

    /**
     * Listens at once.
     *
     * @param port on loopback; 0 for any that is free
     */
    public Served(Maker maker, Journal journal, int port) throws IOException {
        this(maker, journal, port, () -> Message.State.OK);
    }

    /**
     * Listens at once.
     *
     * @param state how it is, asked while nothing else is to be said
     */
    Served(Maker maker, Journal journal, int port, Supplier<Message.State> state) throws IOException {
        this.state = state;
        this.maker = maker;
        this.journal = journal;
        this.server = new ServerSocket(port, 2, InetAddress.getLoopbackAddress());
        Thread thread = new Thread(this::accept, maker.serial());
        thread.setDaemon(true);
        thread.start();
    }

    /** Where it listens. */
    public int port() {
        return server.getLocalPort();
    }

    private void accept() {
        while (!closed) {
            try (Socket open = server.accept()) {
                client = open;
                open.setTcpNoDelay(true);
                serve(open);
            } catch (IOException | Wire.Garbled | UncheckedIOException gone) {
                // Whoever listened is gone; the journal has what was not kept.
                client = null;
            } catch (InterruptedException ended) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    private void serve(Socket open) throws IOException, Wire.Garbled, InterruptedException {
        BufferedReader in = new BufferedReader(new InputStreamReader(open.getInputStream(), StandardCharsets.UTF_8));
        Writer out = new OutputStreamWriter(open.getOutputStream(), StandardCharsets.UTF_8);
        send(
                out,
                List.of(Wire.text(new Message.Hello(
                        1,
                        maker.serial(),
                        maker.kind(),
                        maker.unit(),
                        maker.capacity(),
                        journal.epoch(),
                        journal.next()))));
        String asked = in.readLine();
        if (asked == null || !(Wire.read(asked) instanceof Message.From from)) {
            throw new IOException("nobody says from where");
        }
        Thread acks = new Thread(() -> acknowledged(in), maker.serial() + "-acks");
        acks.setDaemon(true);
        acks.start();
        long sent = from.epoch().equals(journal.epoch()) ? from.seq() : 0;
        journal.acked(from.epoch(), from.seq());
        send(out, List.of(status()));
        int silent = 0;
        while (!closed && acks.isAlive()) {
            NavigableMap<Long, String> lines = journal.behind(sent, PATIENCE);
            silent = lines.isEmpty() ? silent + 1 : 0;
            send(out, silent > 0 && silent % SILENT == 0 ? List.of(status()) : lines.values());
            sent = lines.isEmpty() ? sent : lines.lastKey();
        }
    }

    private String status() {
        return Wire.text(new Message.Status(maker.serial(), state.get(), maker.unit()));
    }

    /** Reads what the listener says until it says nothing more. */
    private void acknowledged(BufferedReader in) {
        try {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (Wire.read(line) instanceof Message.Ack ack) {
                    journal.acked(ack.epoch(), ack.seq());
                }
            }
        } catch (IOException | Wire.Garbled gone) {
            // The connection is made anew; what was not acknowledged is sent again.
            hangUp();
        }
    }

    private void hangUp() {
        Socket open = client;
        if (open != null) {
            try {
                open.close();
            } catch (IOException gone) {
                client = null;
            }
        }
    }

    private static void send(Writer out, Collection<String> lines) throws IOException {
        for (String line : lines) {
            out.write(line);
            out.write('\n');
        }
        out.flush();
    }

    @Override
    public void close() {
        closed = true;
        hangUp();
        try {
            server.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
