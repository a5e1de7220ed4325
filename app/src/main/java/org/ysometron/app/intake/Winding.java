package org.ysometron.app.intake;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.line.Streams;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.dimension.DiameterExcursions;
import org.ysometron.core.dimension.DiameterLogFile;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;

/** A spool while it is wound: what a connected diameter gauge has streamed so far, and the log that it becomes. */
@Component
class Winding {

    /** Columns of the picture. */
    private static final int COLUMNS = 300;

    private static final double WIDE = 1000;
    private static final double HIGH = 160;

    /** The picture shows so many tolerances either way. */
    private static final double SHOWN = 3;

    /** Spools of which the place in their stream is remembered. */
    private static final int REMEMBERED = 20;

    private final Streams streams;
    private final Logs logs;

    /** What was read of each stream so far, so that what was read once is not read again. */
    private final Map<Long, Read> known = new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Read> eldest) {
            return size() > REMEMBERED;
        }
    };

    Winding(Streams streams, Logs logs) {
        this.streams = streams;
        this.logs = logs;
    }

    /**
     * A spool as it is wound.
     *
     * @param metres wound so far
     * @param path of the diameter, by position, in the picture's units
     * @param low where the upper edge is drawn, and {@code high} the lower one
     * @param least the lower edge in mm, and {@code most} the upper one
     * @param outside lengths outside in words, the newest first
     * @param isOutside whether it is outside at this moment
     */
    record View(
            long stream,
            String gauge,
            Instant begunAt,
            boolean over,
            double metres,
            int readings,
            double newest,
            String path,
            double low,
            double high,
            String least,
            String most,
            List<String> outside,
            boolean isOutside) {}

    private static final class Read {
        private final DiameterExcursions excursions;
        private final List<double[]> readings = new ArrayList<>();
        private long place;

        Read(DiameterExcursions excursions) {
            this.excursions = excursions;
        }
    }

    /** The spools that are wound now, or were and have become no log yet; the newest first. */
    List<View> spools(LotView lot) {
        double[] published = logs.published(lot);
        return streams.waiting(Kind.DIAMETER_GAUGE).stream()
                .map(stream -> view(stream, published[0], published[1]))
                .toList();
    }

    private View view(Streams.StreamView stream, double nominal, double tolerance) {
        Read read = read(stream, nominal, tolerance);
        double first = read.readings.isEmpty() ? 0 : read.readings.get(0)[0];
        double last = read.readings.isEmpty() ? 0 : read.readings.get(read.readings.size() - 1)[0];
        List<DiameterExcursions.Length> lengths = read.excursions.lengths();
        List<String> words = new ArrayList<>();
        for (DiameterExcursions.Length one : lengths) {
            words.add(
                    0,
                    String.format(
                            Locale.ROOT,
                            "%.2f to %.2f m: %.3f mm, %s",
                            (one.from() - first) / 1000,
                            (one.to() - first) / 1000,
                            one.worst(),
                            one.worst() > nominal ? "too thick" : "too thin"));
        }
        return new View(
                stream.id(),
                stream.instrument().name(),
                stream.begunAt(),
                stream.ended(),
                (last - first) / 1000,
                read.readings.size(),
                read.readings.isEmpty() ? 0 : diameter(read.readings.get(read.readings.size() - 1)),
                path(read.readings, nominal, tolerance),
                y(nominal + tolerance, nominal, tolerance),
                y(nominal - tolerance, nominal, tolerance),
                Figures.plain(nominal - tolerance, 4),
                Figures.plain(nominal + tolerance, 4),
                words,
                !lengths.isEmpty() && lengths.get(lengths.size() - 1).isOpen());
    }

    /** What stands in the stream now: position, and two diameters, in mm. */
    private Read read(Streams.StreamView stream, double nominal, double tolerance) {
        synchronized (known) {
            Read read = known.computeIfAbsent(stream.id(), id -> new Read(new DiameterExcursions(nominal, tolerance)));
            Streams.Rows more = streams.rows(stream.id(), read.place);
            more.rows().forEach(row -> {
                double[] reading = reading(row, stream);
                read.readings.add(reading);
                read.excursions.accept(reading[0], reading[1], reading[2]);
            });
            read.place = more.place();
            return read;
        }
    }

    private static double[] reading(String row, Streams.StreamView stream) {
        String[] cells = row.split(",");
        double x = mm(cells[1], stream.unit());
        return new double[] {mm(cells[2], stream.wayUnit()), x, cells.length > 3 ? mm(cells[3], stream.unit()) : x};
    }

    private static double mm(String cell, String unit) {
        return UnitOfMeasure.find(unit)
                .filter(found -> found.dimension() == Dimension.LENGTH)
                .map(found -> found.toWorking(Double.parseDouble(cell)))
                .orElseThrow(() -> new Refusal("stream", "'" + unit + "' is no length: a diameter cannot be in it."));
    }

    private static double diameter(double[] reading) {
        return (reading[1] + reading[2]) / 2;
    }

    /** In each column the least and the greatest diameter: no lump is lost, however long the spool. */
    private static String path(List<double[]> readings, double nominal, double tolerance) {
        if (readings.isEmpty()) {
            return "";
        }
        double first = readings.get(0)[0];
        double length = Math.max(1e-9, readings.get(readings.size() - 1)[0] - first);
        double[] least = new double[COLUMNS];
        double[] greatest = new double[COLUMNS];
        java.util.Arrays.fill(least, Double.POSITIVE_INFINITY);
        java.util.Arrays.fill(greatest, Double.NEGATIVE_INFINITY);
        for (double[] reading : readings) {
            int column = (int) Math.min(COLUMNS - 1, Math.max(0, COLUMNS * (reading[0] - first) / length));
            least[column] = Math.min(least[column], diameter(reading));
            greatest[column] = Math.max(greatest[column], diameter(reading));
        }
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < COLUMNS; i++) {
            if (greatest[i] >= least[i]) {
                double x = WIDE * (i + 0.5) / COLUMNS;
                path.append(path.isEmpty() ? "M" : "L")
                        .append(String.format(
                                Locale.ROOT,
                                "%.1f %.1fL%.1f %.1f",
                                x,
                                y(least[i], nominal, tolerance),
                                x,
                                y(greatest[i], nominal, tolerance)));
            }
        }
        return path.toString();
    }

    private static double y(double diameter, double nominal, double tolerance) {
        double share = (diameter - nominal) / (SHOWN * tolerance);
        return HIGH / 2 * (1 - Math.max(-1, Math.min(1, share)));
    }

    /** Keeps a spool that is wound as a log of the lot; it is that of no other one from then on. */
    long keep(LotView lot, long streamId, @Nullable Long sampleId, String by) throws IOException {
        Streams.StreamView stream = streams.stream(streamId);
        if (stream.instrument().kind() != Kind.DIAMETER_GAUGE) {
            throw new Refusal("stream", stream.instrument().name() + " is no diameter gauge.");
        }
        StringBuilder csv = new StringBuilder("position [mm],x [mm],y [mm]\n");
        for (String row : streams.rows(streamId, 0).rows()) {
            double[] reading = reading(row, stream);
            csv.append(reading[0])
                    .append(',')
                    .append(reading[1])
                    .append(',')
                    .append(reading[2])
                    .append('\n');
        }
        streams.use(streamId, lot.code() + ", diameter log", by);
        boolean kept = false;
        try {
            long id = logs.store(
                    lot,
                    sampleId,
                    stream.instrument().serial() + "-" + streamId + ".csv",
                    new ByteArrayInputStream(csv.toString().getBytes(StandardCharsets.UTF_8)),
                    by);
            kept = true;
            return id;
        } catch (DiameterLogFile.Unreadable unreadable) {
            throw new Refusal("stream", unreadable.problem().text());
        } finally {
            if (!kept) {
                streams.giveBack(streamId);
            }
        }
    }
}
