package org.ysometron.instruments.standin;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.LongFunction;
import org.jspecify.annotations.Nullable;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Wire;

/**
 * What an instrument remembers: its numbering, and each line until somebody has said that it is kept. It outlives the instrument's being switched
 * off; an instrument that lost it begins another epoch.
 */
public final class Journal implements AutoCloseable {

    private final Path file;
    private final NavigableMap<Long, String> lines = new TreeMap<>();
    private String epoch = "";
    private long next = 1;
    private @Nullable Writer writer;
    private boolean closed;

    /** Opens what is there, or begins an epoch. */
    public Journal(Path file) {
        this.file = file;
        try {
            if (Files.exists(file)) {
                load(Files.readAllLines(file, StandardCharsets.UTF_8));
            }
            if (epoch.isEmpty()) {
                epoch = UUID.randomUUID().toString().substring(0, 8);
            }
            compact();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void load(List<String> stored) {
        for (String line : stored) {
            String[] parts = line.split(" ", 2);
            if (parts.length < 2) {
                continue;
            }
            switch (parts[0]) {
                case "epoch" -> epoch = parts[1];
                case "next" -> next = Long.parseLong(parts[1]);
                case "acked" -> lines.headMap(Long.parseLong(parts[1]), true).clear();
                default -> {
                    try {
                        long seq = Message.number(Wire.read(line)).orElse(0);
                        lines.put(seq, line);
                        next = Math.max(next, seq + 1);
                    } catch (Wire.Garbled cut) {
                        // Switched off while it wrote: that line was never said to anybody.
                        return;
                    }
                }
            }
        }
    }

    /** Written anew without what is kept elsewhere, and without a line that was cut as it was switched off. */
    private void compact() throws IOException {
        List<String> live = new ArrayList<>(List.of("epoch " + epoch, "next " + next));
        live.addAll(lines.values());
        Path beside = file.resolveSibling(file.getFileName() + ".new");
        Files.write(beside, live, StandardCharsets.UTF_8);
        Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }

    private void append(String line) {
        if (closed) {
            // Switched off: whoever still holds this one writes nothing into the memory of the next.
            return;
        }
        try {
            Writer open = writer;
            if (open == null) {
                open = Files.newBufferedWriter(
                        file, StandardCharsets.UTF_8, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
                writer = open;
            }
            open.write(line + "\n");
            open.flush();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Name of the numbering. */
    public synchronized String epoch() {
        return epoch;
    }

    /** Number of the next line. */
    public synchronized long next() {
        return next;
    }

    /** Writes a line down under the next number, and wakes who waits for it. */
    public synchronized void add(LongFunction<Message.Numbered> message) {
        String line = Wire.text(message.apply(next));
        append(line);
        lines.put(next++, line);
        notifyAll();
    }

    /** Forgets what is kept elsewhere. */
    public synchronized void acked(String ofEpoch, long seq) {
        if (ofEpoch.equals(epoch) && !lines.isEmpty() && lines.firstKey() <= seq) {
            lines.headMap(seq, true).clear();
            append("acked " + seq);
        }
    }

    /** Lines behind a number, by their own, waiting a moment where there are none. */
    synchronized NavigableMap<Long, String> behind(long seq, long patience) throws InterruptedException {
        long until = System.currentTimeMillis() + patience;
        for (long left = patience; left > 0 && lines.tailMap(seq, false).isEmpty(); ) {
            wait(left);
            left = until - System.currentTimeMillis();
        }
        return new TreeMap<>(lines.tailMap(seq, false));
    }

    /** Lines that nobody has kept yet. */
    synchronized int waiting() {
        return lines.size();
    }

    @Override
    public synchronized void close() {
        try {
            Writer open = writer;
            if (open != null) {
                open.close();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        writer = null;
        closed = true;
        notifyAll();
    }
}
