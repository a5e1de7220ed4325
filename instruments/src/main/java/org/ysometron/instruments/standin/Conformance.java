package org.ysometron.instruments.standin;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Wire;

/** Whether an instrument keeps to the line protocol: for authors of drivers, against whatever listens on a port. Somebody presses once meanwhile. */
public final class Conformance {

    private static final int SOON = 2000;
    private static final int QUIET = 300;

    private final String host;
    private final int port;
    private final int longest;
    private final List<Result> results = new ArrayList<>();

    private Conformance(String host, int port, int longest) {
        this.host = host;
        this.port = port;
        this.longest = longest;
    }

    /**
     * One rule.
     *
     * @param why it does not hold; empty where it does
     */
    public record Result(String rule, String why) {

        /** Whether the instrument keeps to it. */
        public boolean holds() {
            return why.isEmpty();
        }

        /** A line for people. */
        public String words() {
            return (holds() ? "holds: " : "BROKEN: ") + rule + (holds() ? "" : " (" + why + ")");
        }
    }

    /** Steps that may fail with a reason. */
    private interface Step {
        void go() throws IOException, Wire.Garbled, Broken;
    }

    private static final class Broken extends Exception {
        private static final long serialVersionUID = 1L;

        Broken(String why) {
            super(why);
        }
    }

    /**
     * Checks each rule.
     *
     * @param longest milliseconds to wait for a reading
     */
    public static List<Result> check(String host, int port, int longest) {
        Conformance check = new Conformance(host, port, longest);
        check.rule("it says hello at once, in protocol 1", check::hello);
        check.rule("it sends nothing before it was told from where", check::quiet);
        check.rule("its lines are numbered one after another, each with its serial number", check::numbered);
        check.rule("what was not acknowledged comes again after the connection was lost", check::again);
        check.rule("what was acknowledged does not come again", check::acknowledged);
        check.rule("a garbled line does not take it down", check::garbled);
        return List.copyOf(check.results);
    }

    private void rule(String rule, Step step) {
        String why = "";
        try {
            step.go();
        } catch (IOException | Wire.Garbled | Broken broken) {
            why = String.valueOf(broken.getMessage());
        }
        results.add(new Result(rule, why));
    }

    /** One connection. */
    private final class Line implements AutoCloseable {

        private final Socket socket;
        private final BufferedReader in;
        private final OutputStream out;
        private final Message.Hello hello;

        Line() throws IOException, Wire.Garbled, Broken {
            socket = new Socket(host, port);
            socket.setSoTimeout(SOON);
            in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            out = socket.getOutputStream();
            if (!(next(SOON) instanceof Message.Hello said) || said.protocol() != 1) {
                throw new Broken("its first line is no hello in protocol 1");
            }
            hello = said;
        }

        @Nullable
        Message next(int patience) throws IOException, Wire.Garbled {
            socket.setSoTimeout(patience);
            try {
                String line = in.readLine();
                return line == null ? null : Wire.read(line);
            } catch (SocketTimeoutException silence) {
                return null;
            }
        }

        Message.Numbered numbered(int patience) throws IOException, Wire.Garbled, Broken {
            for (Message message = next(patience); message != null; message = next(patience)) {
                if (message instanceof Message.Numbered line) {
                    return line;
                }
            }
            throw new Broken("no reading came: press once while this runs");
        }

        void say(String text) throws IOException {
            out.write((text + "\n").getBytes(StandardCharsets.UTF_8));
            out.flush();
        }

        @Override
        public void close() throws IOException {
            socket.close();
        }
    }

    private void hello() throws IOException, Wire.Garbled, Broken {
        new Line().close();
    }

    private void quiet() throws IOException, Wire.Garbled, Broken {
        try (Line line = new Line()) {
            if (line.next(QUIET) != null) {
                throw new Broken("it sent a line before");
            }
        }
    }

    private void numbered() throws IOException, Wire.Garbled, Broken {
        try (Line line = new Line()) {
            line.say(Wire.text(new Message.From("", 0)));
            Message.Numbered first = line.numbered(longest);
            if (!first.serial().equals(line.hello.serial())) {
                throw new Broken("it says hello as " + line.hello.serial() + " and sends as " + first.serial());
            }
            long seq = first.seq();
            for (Message next = line.next(QUIET); next != null; next = line.next(QUIET)) {
                if (next instanceof Message.Numbered one && one.seq() != ++seq) {
                    throw new Broken(one.seq() + " came behind " + (seq - 1));
                }
            }
        }
    }

    private void again() throws IOException, Wire.Garbled, Broken {
        Message.Numbered first;
        try (Line line = new Line()) {
            line.say(Wire.text(new Message.From("", 0)));
            first = line.numbered(longest);
        }
        try (Line line = new Line()) {
            line.say(Wire.text(new Message.From(line.hello.epoch(), first.seq() - 1)));
            if (!line.numbered(SOON).equals(first)) {
                throw new Broken("another line came in its place");
            }
        }
    }

    private void acknowledged() throws IOException, Wire.Garbled, Broken {
        long seq;
        try (Line line = new Line()) {
            line.say(Wire.text(new Message.From("", 0)));
            seq = line.numbered(longest).seq();
            line.say(Wire.text(new Message.Ack(line.hello.epoch(), seq)));
            // It is given the time to read it.
            while (line.next(QUIET) instanceof Message.Numbered more) {
                seq = more.seq();
                line.say(Wire.text(new Message.Ack(line.hello.epoch(), seq)));
            }
        }
        try (Line line = new Line()) {
            line.say(Wire.text(new Message.From(line.hello.epoch(), seq)));
            if (line.next(QUIET) instanceof Message.Numbered one && one.seq() <= seq) {
                throw new Broken(one.seq() + " came again");
            }
        }
    }

    private void garbled() throws IOException, Wire.Garbled, Broken {
        try (Line line = new Line()) {
            line.say("from epoch=- seq=0 *00");
        }
        new Line().close();
    }
}
