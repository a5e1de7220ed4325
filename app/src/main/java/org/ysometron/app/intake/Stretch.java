package org.ysometron.app.intake;

import java.nio.ByteBuffer;
import java.nio.FloatBuffer;

/**
 * A stretch of a diameter log, packed for storing: every reading as three floats (position from the stretch's first, x, y)
 * and an envelope of four floats for each {@link #BIN} readings (least, greatest and mean diameter, greatest ovality).
 * Floats keep a diameter to 0.2 nm and a position to a thousandth of a millimetre within a stretch.
 */
final class Stretch {

    static final int READINGS = 16384;
    static final int BIN = 64;

    private final float[] readings = new float[3 * READINGS];
    private double[] positions = new double[2];
    private int count;
    private double least = Double.POSITIVE_INFINITY;
    private double greatest = Double.NEGATIVE_INFINITY;
    private double sum;
    private double ovality;

    /** One bin of an envelope. */
    record Bin(double position, double least, double greatest, double mean, double ovality) {}

    /** One reading. */
    record Reading(double position, double x, double y) {}

    /** Takes a reading; true when the stretch is full. */
    boolean take(double z, double x, double y) {
        if (count == 0) {
            positions[0] = z;
        }
        positions[1] = z;
        readings[3 * count] = (float) (z - positions[0]);
        readings[3 * count + 1] = (float) x;
        readings[3 * count + 2] = (float) y;
        double d = (x + y) / 2;
        least = Math.min(least, d);
        greatest = Math.max(greatest, d);
        sum += d;
        ovality = Math.max(ovality, Math.abs(x - y));
        return ++count == READINGS;
    }

    boolean isEmpty() {
        return count == 0;
    }

    void clear() {
        count = 0;
        sum = 0;
        ovality = 0;
        least = Double.POSITIVE_INFINITY;
        greatest = Double.NEGATIVE_INFINITY;
        positions = new double[2];
    }

    /** Values for the columns of the table behind log and place. */
    Object[] columns(long logId, int place) {
        return new Object[] {
            logId,
            place,
            count,
            positions[0],
            positions[1],
            least,
            greatest,
            sum / count,
            ovality,
            envelope(),
            packed(readings, 3 * count)
        };
    }

    private byte[] envelope() {
        int bins = (count + BIN - 1) / BIN;
        float[] envelope = new float[4 * bins];
        for (int bin = 0; bin < bins; bin++) {
            int end = Math.min(count, (bin + 1) * BIN);
            double low = Double.POSITIVE_INFINITY;
            double high = Double.NEGATIVE_INFINITY;
            double total = 0;
            double widest = 0;
            for (int i = bin * BIN; i < end; i++) {
                double d = (readings[3 * i + 1] + (double) readings[3 * i + 2]) / 2;
                low = Math.min(low, d);
                high = Math.max(high, d);
                total += d;
                widest = Math.max(widest, Math.abs(readings[3 * i + 1] - readings[3 * i + 2]));
            }
            envelope[4 * bin] = (float) low;
            envelope[4 * bin + 1] = (float) high;
            envelope[4 * bin + 2] = (float) (total / (end - bin * BIN));
            envelope[4 * bin + 3] = (float) widest;
        }
        return packed(envelope, envelope.length);
    }

    private static byte[] packed(float[] values, int count) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * count);
        bytes.asFloatBuffer().put(values, 0, count);
        return bytes.array();
    }

    /** Unpacks an envelope, its bins laid evenly between the stretch's ends. */
    static Bin[] bins(byte[] packed, double first, double last) {
        FloatBuffer values = ByteBuffer.wrap(packed).asFloatBuffer();
        int count = values.remaining() / 4;
        Bin[] bins = new Bin[count];
        for (int i = 0; i < count; i++) {
            bins[i] = new Bin(
                    first + (last - first) * (i + 0.5) / count,
                    values.get(4 * i),
                    values.get(4 * i + 1),
                    values.get(4 * i + 2),
                    values.get(4 * i + 3));
        }
        return bins;
    }

    /** Unpacks readings. */
    static Reading[] readings(byte[] packed, double first) {
        FloatBuffer values = ByteBuffer.wrap(packed).asFloatBuffer();
        int count = values.remaining() / 3;
        Reading[] readings = new Reading[count];
        for (int i = 0; i < count; i++) {
            readings[i] = new Reading(first + values.get(3 * i), values.get(3 * i + 1), values.get(3 * i + 2));
        }
        return readings;
    }
}
