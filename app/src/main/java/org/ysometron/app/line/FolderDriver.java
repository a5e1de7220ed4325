package org.ysometron.app.line;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.ysometron.instruments.wire.Ledger;
import org.ysometron.instruments.wire.Message;

/**
 * One folder into which instruments, or what reads them, drop files of readings or of one stream. What was taken goes into the folder "taken"
 * beneath it, what nobody can read into "refused" with a word beside it; what the register refuses stays where it is until it is registered.
 */
@Component
class FolderDriver implements Driver {

    /** Largest file, in bytes. */
    private static final long LARGEST = 64L << 20;

    /** Milliseconds that a file must have lain untouched: whoever writes it slowly writes it under another name. */
    private static final long SETTLED = 700;

    private static final int EVERY = 500;

    private final String folder;

    FolderDriver(@Value("${ysometron.drop-folder}") String folder) {
        this.folder = folder;
    }

    @Override
    public String way() {
        return "folder";
    }

    @Override
    public String hint() {
        return folder.isEmpty() ? "nothing: this site was started without a drop folder" : "'drop', which is " + folder;
    }

    @Override
    public Optional<String> problem(String place) {
        return folder.isEmpty()
                ? Optional.of("This site was started without a drop folder; whoever keeps it says where it lies.")
                : place.equals("drop") ? Optional.empty() : Optional.of("There is one drop folder, called 'drop'.");
    }

    @Override
    public Listening open(String place, Ledger ledger, Consumer<String> said) {
        ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor(work -> {
            Thread thread = new Thread(work, "drop folder");
            thread.setDaemon(true);
            return thread;
        });
        Future<?> looking = timer.scheduleWithFixedDelay(() -> look(ledger, said), 0, EVERY, TimeUnit.MILLISECONDS);
        return () -> {
            looking.cancel(true);
            timer.shutdown();
        };
    }

    private void look(Ledger ledger, Consumer<String> said) {
        try {
            Path root = Files.createDirectories(Path.of(folder));
            String waits = "";
            for (Path file : waiting(root)) {
                try {
                    take(root, file, ledger);
                } catch (RuntimeException notNow) {
                    waits = file.getFileName() + " stays where it is: " + notNow.getMessage();
                }
            }
            said.accept(waits);
        } catch (IOException | UncheckedIOException e) {
            said.accept("The drop folder cannot be read: " + e.getMessage());
        }
    }

    private static List<Path> waiting(Path root) throws IOException {
        try (Stream<Path> files = Files.list(root)) {
            return files.filter(file -> file.getFileName().toString().endsWith(".csv") && isSettled(file))
                    .sorted()
                    .toList();
        }
    }

    private static boolean isSettled(Path file) {
        try {
            // A link would read what lies elsewhere.
            return Files.isRegularFile(file, java.nio.file.LinkOption.NOFOLLOW_LINKS)
                    && System.currentTimeMillis()
                                    - Files.getLastModifiedTime(file).toMillis()
                            > SETTLED;
        } catch (IOException gone) {
            return false;
        }
    }

    private static void take(Path root, Path file, Ledger ledger) throws IOException {
        try {
            if (Files.size(file) > LARGEST) {
                throw new DroppedFile.Unreadable("it has more than " + (LARGEST >> 20) + " megabytes");
            }
            DroppedFile dropped = DroppedFile.read(Files.readString(file, StandardCharsets.UTF_8));
            long last = ledger.last(dropped.from());
            List<Message.Numbered> fresh =
                    dropped.lines().stream().filter(line -> line.seq() > last).toList();
            if (!fresh.isEmpty()) {
                ledger.take(dropped.from(), fresh);
            }
            move(root, file, "taken");
        } catch (DroppedFile.Unreadable | java.nio.charset.CharacterCodingException unreadable) {
            Path moved = move(root, file, "refused");
            Files.writeString(
                    moved.resolveSibling(moved.getFileName() + ".txt"),
                    "Not taken: "
                            + (unreadable instanceof DroppedFile.Unreadable ? unreadable.getMessage() : "it is no text")
                            + ".\n");
        }
    }

    private static Path move(Path root, Path file, String into) throws IOException {
        Path to = Files.createDirectories(root.resolve(into)).resolve(file.getFileName());
        return Files.move(file, to, StandardCopyOption.REPLACE_EXISTING);
    }
}
