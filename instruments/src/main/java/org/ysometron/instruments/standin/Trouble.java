package org.ysometron.instruments.standin;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Random;
import java.util.function.IntSupplier;
import org.jspecify.annotations.Nullable;

/** A bad line between an instrument and its listener: it drops in the middle of anything, sends a stretch twice, and changes a byte. */
public final class Trouble implements AutoCloseable {

    private static final int STRETCH = 60;

    private final IntSupplier instrument;
    private final Random chance;
    private final double drop;
    private final ServerSocket server;
    private volatile boolean closed;
    private volatile @Nullable Socket near;

    /**
     * Listens at once.
     *
     * @param instrument port of the instrument, which may be another one after it was switched off and on
     * @param drop share of stretches behind which the connection is gone
     */
    public Trouble(IntSupplier instrument, double drop, long seed) throws IOException {
        this.instrument = instrument;
        this.drop = drop;
        this.chance = new Random(seed);
        this.server = new ServerSocket(0, 2, InetAddress.getLoopbackAddress());
        run("trouble", this::accept);
    }

    private static void run(String name, Runnable task) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        thread.start();
    }

    /** Where the listener connects. */
    public int port() {
        return server.getLocalPort();
    }

    private void accept() {
        while (!closed) {
            try (Socket client = server.accept();
                    Socket far = new Socket(InetAddress.getLoopbackAddress(), instrument.getAsInt())) {
                near = client;
                client.setTcpNoDelay(true);
                far.setTcpNoDelay(true);
                run("trouble-back", () -> pass(client, far));
                pass(far, client);
            } catch (IOException gone) {
                near = null;
            }
        }
    }

    /** Passes on what comes, with troubles, until either end is gone. */
    private void pass(Socket from, Socket to) {
        try (from;
                to) {
            InputStream in = from.getInputStream();
            OutputStream out = to.getOutputStream();
            byte[] stretch = new byte[STRETCH];
            for (int read = in.read(stretch); read >= 0; read = in.read(stretch)) {
                double fate;
                int part;
                synchronized (chance) {
                    fate = chance.nextDouble();
                    part = chance.nextInt(Math.max(1, read));
                }
                if (fate < drop) {
                    out.write(stretch, 0, part);
                    return;
                }
                if (fate < 1.5 * drop && read > 0) {
                    stretch[part] ^= 1;
                }
                out.write(stretch, 0, read);
                if (fate > 1 - drop / 2) {
                    out.write(stretch, 0, read);
                }
                out.flush();
            }
        } catch (IOException gone) {
            near = null;
        }
    }

    @Override
    public void close() {
        closed = true;
        Socket open = near;
        try {
            if (open != null) {
                open.close();
            }
            server.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
