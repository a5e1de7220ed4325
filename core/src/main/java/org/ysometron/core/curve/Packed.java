package org.ysometron.core.curve;

import java.io.ByteArrayOutputStream;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;

/**
 * A record in few bytes, and back without the loss of a bit. A column whose figures are whole multiples of a decimal step, as a display's are, is
 * kept as second differences of those multiples; any other as its bits, each beside the one before. All is deflated, with a checksum in front.
 */
public final class Packed {

    private static final int VERSION = 1;
    private static final int MOST_DECIMALS = 9;

    private Packed() {}

    /** The bytes of a record. */
    public static byte[] of(Trace trace) {
        Bytes bytes = new Bytes();
        bytes.number(VERSION);
        bytes.number(trace.size());
        bytes.number(trace.times().isPresent() ? 1 : 0);
        trace.times().ifPresent(time -> column(time, bytes));
        column(trace.rawForces(), bytes);
        column(trace.rawExtensions(), bytes);
        byte[] plain = bytes.all();
        byte[] deflated = deflated(plain);
        CRC32 sum = new CRC32();
        sum.update(deflated);
        Bytes packed = new Bytes();
        packed.number(sum.getValue());
        packed.number(plain.length);
        packed.write(deflated);
        return packed.all();
    }

    /**
     * The record of such bytes.
     *
     * @throws IllegalArgumentException where a bit of them is not as it was written
     */
    public static Trace read(byte[] packed) {
        try {
            Reader head = new Reader(packed, 0);
            long sum = head.number();
            int length = (int) head.number();
            if (length < 0 || length > 40L * Trace.MOST) {
                throw new IllegalArgumentException("a record of " + length + " bytes is none");
            }
            CRC32 found = new CRC32();
            found.update(packed, head.at, packed.length - head.at);
            if (found.getValue() != sum) {
                throw new IllegalArgumentException("the record's checksum is not that of what is stored");
            }
            byte[] plain = inflated(packed, head.at, length);
            return trace(new Reader(plain, 0));
        } catch (DataFormatException | ArrayIndexOutOfBoundsException broken) {
            throw new IllegalArgumentException("the record is not as it was written", broken);
        }
    }

    private static Trace trace(Reader in) {
        if (in.number() != VERSION) {
            throw new IllegalArgumentException("the record was written by a later version");
        }
        int n = (int) in.number();
        boolean timed = in.number() == 1;
        double[] time = timed ? column(n, in) : new double[0];
        double[] force = column(n, in);
        double[] extension = column(n, in);
        return Trace.of(time, force, extension);
    }

    // ---- columns
    // -------------------------------------------------------------------------------------------------------

    private static void column(double[] values, Bytes out) {
        int decimals = decimals(values);
        out.number(decimals < 0 ? MOST_DECIMALS + 1 : decimals);
        if (decimals < 0) {
            long before = 0;
            for (double value : values) {
                long bits = Double.doubleToRawLongBits(value);
                out.bits(bits ^ before);
                before = bits;
            }
            return;
        }
        double scale = Math.pow(10, decimals);
        long before = 0;
        long step = 0;
        for (double value : values) {
            long whole = Math.round(value * scale);
            out.number(whole - before - step);
            step = whole - before;
            before = whole;
        }
    }

    private static double[] column(int n, Reader in) {
        int decimals = (int) in.number();
        double[] values = new double[n];
        if (decimals > MOST_DECIMALS) {
            long before = 0;
            for (int i = 0; i < n; i++) {
                before ^= in.bits();
                values[i] = Double.longBitsToDouble(before);
            }
            return values;
        }
        double scale = Math.pow(10, decimals);
        long before = 0;
        long step = 0;
        for (int i = 0; i < n; i++) {
            step += in.number();
            before += step;
            values[i] = before / scale;
        }
        return values;
    }

    /** Fewest decimals by which every figure is told exactly; -1 where none do. */
    private static int decimals(double[] values) {
        for (int decimals = 0; decimals <= MOST_DECIMALS; decimals++) {
            double scale = Math.pow(10, decimals);
            boolean exact = true;
            for (int i = 0; exact && i < values.length; i++) {
                double whole = values[i] * scale;
                // The very bits come back, those of a zero below zero too.
                exact = Math.abs(whole) < 1e15
                        && Double.doubleToRawLongBits(Math.round(whole) / scale)
                                == Double.doubleToRawLongBits(values[i]);
            }
            if (exact) {
                return decimals;
            }
        }
        return -1;
    }

    // ---- bytes
    // ---------------------------------------------------------------------------------------------------------

    private static byte[] deflated(byte[] plain) {
        Deflater deflater = new Deflater(Deflater.BEST_SPEED);
        try {
            deflater.setInput(plain);
            deflater.finish();
            byte[] buffer = new byte[8192];
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            while (!deflater.finished()) {
                out.write(buffer, 0, deflater.deflate(buffer));
            }
            return out.toByteArray();
        } finally {
            deflater.end();
        }
    }

    private static byte[] inflated(byte[] packed, int from, int length) throws DataFormatException {
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(packed, from, packed.length - from);
            byte[] plain = new byte[length];
            int read = 0;
            while (read < length) {
                int more = inflater.inflate(plain, read, length - read);
                if (more == 0) {
                    throw new DataFormatException("it ends early");
                }
                read += more;
            }
            return plain;
        } finally {
            inflater.end();
        }
    }

    /** Numbers of few bytes where they are small: seven bits a byte, the sign in the lowest. */
    private static final class Bytes {

        private byte[] bytes = new byte[4096];
        private int count;

        void number(long value) {
            bits((value << 1) ^ (value >> 63));
        }

        void bits(long value) {
            long left = value;
            while ((left & ~0x7FL) != 0) {
                put((byte) ((left & 0x7F) | 0x80));
                left >>>= 7;
            }
            put((byte) left);
        }

        void write(byte[] more) {
            for (byte one : more) {
                put(one);
            }
        }

        private void put(byte one) {
            if (count == bytes.length) {
                bytes = Arrays.copyOf(bytes, 2 * count);
            }
            bytes[count++] = one;
        }

        byte[] all() {
            return Arrays.copyOf(bytes, count);
        }
    }

    private static final class Reader {

        private final byte[] bytes;
        private int at;

        Reader(byte[] bytes, int at) {
            this.bytes = bytes;
            this.at = at;
        }

        long number() {
            long value = bits();
            return (value >>> 1) ^ -(value & 1);
        }

        long bits() {
            long value = 0;
            for (int shift = 0; shift < 70; shift += 7) {
                byte one = bytes[at++];
                value |= (long) (one & 0x7F) << shift;
                if (one >= 0) {
                    return value;
                }
            }
            throw new IllegalArgumentException("the record is not as it was written");
        }
    }
}
