package org.ysometron.app.intake;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;

/** A file on its way that must be there in time: a sender who dribbles does not keep one of the few places for ever. */
final class Timely extends FilterInputStream {

    static final Duration LONGEST = Duration.ofMinutes(30);

    private final long end;

    Timely(InputStream in) {
        this(in, LONGEST);
    }

    Timely(InputStream in, Duration longest) {
        super(in);
        this.end = System.nanoTime() + longest.toNanos();
    }

    /** The time is over. */
    static final class TooSlow extends IOException {

        private static final long serialVersionUID = 1L;

        TooSlow() {
            super("the file did not come in in time");
        }
    }

    @Override
    public int read() throws IOException {
        check();
        return super.read();
    }

    @Override
    public int read(byte[] into, int from, int most) throws IOException {
        check();
        return super.read(into, from, most);
    }

    private void check() throws TooSlow {
        if (System.nanoTime() - end > 0) {
            throw new TooSlow();
        }
    }
}
