package org.ysometron.app.curve;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.ref.SoftReference;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.line.Streams;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.curve.Layout;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Packed;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.TraceFile;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Recorded;
import org.ysometron.core.quantity.Dimension;

/** Files of records: kept as they came, looked at and confirmed before anything counts, then taken in whole or not at all. */
@Component
public class Uploads {

    /** Most files of one upload. */
    static final int MOST_FILES = 200;

    /** Uploads whose files are not read again between the look and the store. */
    private static final int LOOKED = 3;

    private static final int LONGEST_LAYOUT = 4000;

    private final UploadRepository uploads;
    private final UploadedFileRepository files;
    private final ProfileRepository profiles;
    private final RecordRepository records;
    private final AnalysisRepository analyses;
    private final Lots lots;
    private final Bench bench;
    private final Instruments instruments;
    private final Streams streams;
    private final Clock clock;

    /** What stood in the files that were looked at last, for as long as there is room. */
    private final Map<String, SoftReference<List<Parsed>>> looked = new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, SoftReference<List<Parsed>>> eldest) {
            return size() > LOOKED;
        }
    };

    Uploads(
            UploadRepository uploads,
            UploadedFileRepository files,
            ProfileRepository profiles,
            RecordRepository records,
            AnalysisRepository analyses,
            Lots lots,
            Bench bench,
            Instruments instruments,
            Streams streams,
            Clock clock) {
        this.streams = streams;
        this.uploads = uploads;
        this.files = files;
        this.profiles = profiles;
        this.records = records;
        this.analyses = analyses;
        this.lots = lots;
        this.bench = bench;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** A file as it was sent. */
    public record Sent(String name, byte[] bytes) {}

    /** What is said of files before they are looked at. */
    public record Said(String method, Piece.By readBy, Second secondBy, long gauge, long profile) {}

    /**
     * A column of the first file, to be said otherwise.
     *
     * @param role what stands in it; null where nothing of it is taken
     */
    record ColumnView(int index, String title, String first, Layout.@Nullable Role role, String unit) {}

    /** A column as somebody says it is. */
    public record Chosen(int index, Layout.@Nullable Role role, String unit) {}

    /**
     * One record of a file, and what it would come to.
     *
     * @param key by which the form calls it
     * @param specimen it seems to belong to, or was chosen; empty where nobody can tell
     * @param end as the record shows it
     * @param over how the specimen's test ended before; empty where it did not
     * @param problem why it cannot be taken; empty where it can
     */
    record Candidate(
            String key,
            String fileName,
            String name,
            int points,
            String specimen,
            @Nullable End end,
            String over,
            List<Worked.Fact> facts,
            List<Worked.Fact> more,
            List<String> said,
            String problem) {}

    /** A profile to choose. */
    record ProfileView(long id, String name) {}

    /** A file of which nothing can be read, and why. */
    record Broken(String fileName, String why) {}

    /** What an upload would do. */
    record Preview(
            long id,
            Method method,
            Loading loading,
            Piece.By readBy,
            Second secondBy,
            String gauge,
            String layout,
            List<ColumnView> columns,
            List<Candidate> candidates,
            List<Broken> broken,
            List<String> passedOver,
            List<String> specimens,
            boolean taken) {

        boolean isReady() {
            return !taken && broken.isEmpty() && !candidates.isEmpty();
        }
    }

    // ---- staging -------------------------------------------------------------------------------------------------

    /** Keeps the files as they came; those that were taken in before are passed over. */
    @Write
    public long stage(LotView lot, Said said, List<Sent> sent, String by) {
        return stage(lot, said, sent, by, null);
    }

    /** Looks at a test that an instrument streamed; it is taken for a record when the upload is, and not before. */
    @Write
    public long stage(LotView lot, String method, Piece.By readBy, long streamId, String specimen, String by) {
        Streams.StreamView stream = streams.stream(streamId);
        if (!stream.ended() || !stream.usedFor().isEmpty()) {
            throw new Refusal(
                    "stream",
                    stream.ended()
                            ? "This record is taken already: " + stream.usedFor() + "."
                            : "The test is still running; its record is taken when it is over.");
        }
        Loading loading = loading(Methods.of(method)
                .filter(one -> one.data().recorded().isPresent())
                .orElseThrow(() -> new Refusal("method", "Choose the method that the record is of.")));
        if (loading.isHeld()) {
            throw new Refusal("method", "What hangs for days is not streamed: take the file of its record in.");
        }
        String head = "time [s]," + loading.loadWords() + " [" + stream.unit() + "],"
                + (loading.way() == Dimension.ANGLE ? "angle" : "extension") + " [" + stream.wayUnit() + "]\n";
        String name = specimen.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9._-]", "");
        byte[] rows = (head + streams.rows(streamId)).getBytes(StandardCharsets.UTF_8);
        return stage(
                lot,
                new Said(method, readBy, Second.NONE, stream.instrument().id(), 0),
                List.of(new Sent((name.isEmpty() ? "stream-" + streamId : name) + ".csv", rows)),
                by,
                streamId);
    }

    private long stage(LotView lot, Said said, List<Sent> sent, String by, @Nullable Long streamId) {
        lots.lockUndecided(lot.id());
        Method method = Methods.of(said.method())
                .filter(one -> one.data().recorded().isPresent())
                .orElseThrow(() -> new Refusal("method", "Choose the method that the records are of."));
        if (sent.isEmpty()) {
            throw new Refusal("files", "Choose a file first; an empty one cannot be read.");
        }
        if (sent.size() > MOST_FILES) {
            throw new Refusal("files", sent.size() + " files are too many at once: " + MOST_FILES + " are the most.");
        }
        List<InstrumentView> serving = instruments.reading(method.data());
        InstrumentView gauge = serving.stream()
                .filter(one -> one.id() == said.gauge())
                .findFirst()
                .orElseThrow(() -> new Refusal(
                        "gauge",
                        serving.isEmpty()
                                ? "No " + method.data().equipment().words() + " is in the register, for records of "
                                        + method.data().title() + ": register one first."
                                : "Records of " + method.data().title() + " are read on "
                                        + serving.stream()
                                                .map(InstrumentView::name)
                                                .collect(Collectors.joining(" or "))
                                        + ": choose that."));
        requireSecond(method, said);
        List<String> passed = new ArrayList<>();
        List<Sent> fresh = fresh(sent, passed);
        if (fresh.isEmpty()) {
            throw new Refusal("files", "Nothing new was sent. " + String.join(" ", passed));
        }
        Upload upload = new Upload();
        upload.lotId = lot.id();
        upload.method = method.data().id();
        upload.readBy = said.readBy();
        upload.secondBy = said.secondBy();
        upload.instrumentId = gauge.id();
        upload.layout = said.profile() == 0
                ? ""
                : profiles.findById(said.profile())
                        .filter(profile -> profile.loading == loading(method))
                        .map(profile -> profile.layout)
                        .orElseThrow(() -> new Refusal("profile", "There is no such profile for these records."));
        String told = String.join("\n", passed);
        upload.passedOver = told.length() > LONGEST_LAYOUT ? told.substring(0, LONGEST_LAYOUT) : told;
        upload.streamId = streamId;
        upload.state = Upload.STAGED;
        upload.stagedBy = by;
        upload.stagedAt = clock.instant();
        uploads.save(upload);
        long uploadId = upload.id;
        files.saveAll(fresh.parallelStream().map(one -> file(uploadId, one)).toList());
        return upload.id;
    }

    private static void requireSecond(Method method, Said said) {
        Recorded recorded = method.data().recorded().orElseThrow();
        boolean two = recorded.travel().isPresent()
                && method.data().sheet().field(recorded.field()).orElseThrow().places() > 1;
        if (said.secondBy() == Second.CROSSHEAD && (said.readBy() == Piece.By.CROSSHEAD || !two)) {
            throw new Refusal(
                    "second",
                    said.readBy() == Piece.By.CROSSHEAD
                            ? "The first extension is the crosshead's already."
                            : method.data().title() + " takes no travel beside its extension.");
        }
        if (said.secondBy() == Second.OTHER_FACE && said.readBy() == Piece.By.CROSSHEAD) {
            throw new Refusal("second", "A mean of two extensions is one of extensometers.");
        }
    }

    /** What was not taken in before, each content once. */
    private List<Sent> fresh(List<Sent> sent, List<String> passed) {
        Map<String, Sent> bySum = new LinkedHashMap<>();
        for (Sent one : sent) {
            if (one.bytes().length == 0) {
                passed.add(one.name() + " is empty.");
            } else if (bySum.putIfAbsent(SentFile.sha256(one.bytes()), one) != null) {
                passed.add(one.name() + " is the same file as another of these.");
            }
        }
        if (!bySum.isEmpty()) {
            for (UploadedFileRepository.Known known : files.known(bySum.keySet())) {
                Sent one = bySum.remove(known.sha256());
                if (one != null) {
                    passed.add(one.name() + " was taken in before, for lot "
                            + lots.lot(known.lotId()).code() + ".");
                }
            }
        }
        return List.copyOf(bySum.values());
    }

    private static UploadedFile file(long uploadId, Sent sent) {
        UploadedFile file = new UploadedFile();
        file.uploadId = uploadId;
        file.fileName = sent.name();
        file.sha256 = SentFile.sha256(sent.bytes());
        file.length = sent.bytes().length;
        file.content = deflated(sent.bytes());
        return file;
    }

    static byte[] deflated(byte[] plain) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        // A file of figures halves at once; the last tenth would take five times as long while somebody waits.
        Deflater fast = new Deflater(Deflater.BEST_SPEED);
        try (DeflaterOutputStream deflater = new DeflaterOutputStream(out, fast)) {
            deflater.write(plain);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            fast.end();
        }
        return out.toByteArray();
    }

    static byte[] inflated(byte[] deflated) {
        try (InflaterInputStream in = new InflaterInputStream(new java.io.ByteArrayInputStream(deflated))) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Says what stands in which column, of all files of the upload; kept as a profile where it is given a name. */
    @Write
    public void layout(LotView lot, long id, List<Chosen> chosen, String profile, String by) {
        lots.lockUndecided(lot.id());
        Upload upload = find(lot, id);
        if (upload.state.equals(Upload.TAKEN)) {
            throw new Refusal("columns", "These files were taken in already.");
        }
        Loading loading = loading(method(upload));
        TraceFile.Glimpse glimpse = glimpse(files.findByUploadIdOrderById(id).get(0));
        Problems problems = new Problems();
        List<Layout.Column> columns = new ArrayList<>();
        for (Chosen one : chosen) {
            if (one.role() != null) {
                String title =
                        one.index() < glimpse.titles().size() ? glimpse.titles().get(one.index()) : "";
                problems.gather(() -> columns.add(column(one, title, loading)));
            }
        }
        for (Layout.Role role : Layout.Role.values()) {
            long count =
                    columns.stream().filter(column -> column.role() == role).count();
            if (count > 1) {
                problems.add("columns", "Two columns are called " + role.words(loading) + ".");
            }
            if (count == 0 && (role == Layout.Role.FORCE || role == Layout.Role.EXTENSION)) {
                problems.add("columns", "Say which column is the " + role.words(loading) + ".");
            }
        }
        problems.refuse();
        upload.layout =
                Layouts.text(new Layout(glimpse.delimiter(), glimpse.decimalComma(), glimpse.headRows(), columns));
        if (!profile.isBlank()) {
            keep(profile.strip(), loading, upload.layout, by);
        }
    }

    private static Layout.Column column(Chosen chosen, String title, Loading loading) {
        try {
            return TraceFile.column(
                    chosen.index(),
                    title,
                    Objects.requireNonNull(chosen.role()),
                    chosen.unit().strip(),
                    loading);
        } catch (TraceFile.Unreadable unreadable) {
            throw new Refusal("u-" + chosen.index(), unreadable.problem().text());
        }
    }

    private void keep(String name, Loading loading, String layout, String by) {
        if (name.length() > 60) {
            throw new Refusal("profile", "A name of a profile has 60 characters at the most.");
        }
        if (profiles.findByName(name).isPresent()) {
            throw new Refusal("profile", "There is a profile '" + name + "' already; give this one another name.");
        }
        Profile profile = new Profile();
        profile.name = name;
        profile.loading = loading;
        profile.layout = layout;
        profile.madeBy = by;
        profile.madeAt = clock.instant();
        profiles.save(profile);
    }

    /** Profiles for records of a method. */
    @Transactional(readOnly = true)
    List<ProfileView> profiles(Method method) {
        return profiles.findByLoadingOrderByName(loading(method)).stream()
                .map(profile -> new ProfileView(profile.id, profile.name))
                .toList();
    }

    // ---- looking ---------------------------------------------------------------------------------------------------

    /** What the upload would do, with what was chosen so far. */
    @Transactional(readOnly = true)
    Preview preview(LotView lot, long id, Map<String, String> chosen) {
        Upload upload = find(lot, id);
        Read read = read(lot, upload, chosen);
        Method method = method(upload);
        Loading loading = loading(method);
        return new Preview(
                id,
                method,
                loading,
                upload.readBy,
                upload.secondBy,
                instruments.instrument(upload.instrumentId).name(),
                read.layout.map(Layout::words).orElse(""),
                columns(read.first, read.layout),
                read.taken.stream().map(Take::candidate).toList(),
                read.broken,
                upload.passedOver.lines().toList(),
                read.labels,
                upload.state.equals(Upload.TAKEN));
    }

    private static List<ColumnView> columns(Optional<TraceFile.Glimpse> glimpse, Optional<Layout> layout) {
        List<ColumnView> views = new ArrayList<>();
        glimpse.ifPresent(first -> {
            for (int i = 0; i < first.first().size(); i++) {
                int index = i;
                Optional<Layout.Column> column = layout.flatMap(found -> found.columns().stream()
                        .filter(one -> one.index() == index)
                        .findFirst());
                views.add(new ColumnView(
                        i,
                        i < first.titles().size() ? first.titles().get(i) : "",
                        first.first().get(i),
                        column.map(Layout.Column::role).orElse(null),
                        column.map(Layouts::unit).orElse("")));
            }
        });
        return views;
    }

    private static TraceFile.Glimpse glimpse(UploadedFile file) {
        try {
            return TraceFile.glimpse(text(file));
        } catch (TraceFile.Unreadable unreadable) {
            throw new Refusal(
                    "columns", file.fileName + ": " + unreadable.problem().text());
        }
    }

    private static String text(UploadedFile file) {
        return new String(inflated(file.content), StandardCharsets.UTF_8);
    }

    private static final class Read {
        private final List<Take> taken = new ArrayList<>();
        private final List<Broken> broken = new ArrayList<>();
        private final List<String> labels;
        private Optional<Layout> layout = Optional.empty();
        private Optional<TraceFile.Glimpse> first = Optional.empty();

        Read(List<String> labels) {
            this.labels = labels;
        }
    }

    /** A candidate with what is stored of it. */
    record Take(Candidate candidate, long fileId, List<Worked> worked) {}

    private Read read(LotView lot, Upload upload, Map<String, String> chosen) {
        Method method = method(upload);
        Loading loading = loading(method);
        Map<String, SpecimenRecord> byLabel = new LinkedHashMap<>();
        bench.records(lot.id()).stream()
                .filter(record -> record.method().equals(method))
                .forEach(record -> byLabel.put(record.specimen().label(), record));
        Read read = new Read(List.copyOf(byLabel.keySet()));
        InstrumentView gauge = instruments.instrument(upload.instrumentId);
        Set<String> used = new HashSet<>();
        Set<Long> recorded = records.ofLots(List.of(lot.id())).stream()
                .map(RecordRepository.Listed::specimenId)
                .collect(Collectors.toSet());
        List<Parsed> parsed = parsed(upload, loading);
        for (Parsed one : parsed) {
            read.first = read.first.or(one::glimpse);
            read.layout = read.layout.or(one::layout);
            if (!one.why().isEmpty()) {
                read.broken.add(new Broken(one.fileName(), one.why()));
            }
            int at = 0;
            for (TraceFile.Read record : one.reads()) {
                String key = one.fileId() + "-" + at++;
                String name = record.specimen().isEmpty() ? one.fileName() : record.specimen();
                String label = chosen.getOrDefault("s-" + key, proposed(lot, name, byLabel.keySet()));
                read.taken.add(new Evaluation(upload, gauge, one, record, key, name, chosen, recorded)
                        .at(label, byLabel.get(label), used));
            }
        }
        return read;
    }

    /** What stands in a file, or why nothing of it can be read. */
    record Parsed(
            long fileId,
            String fileName,
            Optional<TraceFile.Glimpse> glimpse,
            Optional<Layout> layout,
            List<TraceFile.Read> reads,
            String why) {}

    /** Files are read side by side, and not again between the look and the store. */
    private List<Parsed> parsed(Upload upload, Loading loading) {
        String key = upload.id + upload.layout;
        synchronized (looked) {
            SoftReference<List<Parsed>> known = looked.get(key);
            List<Parsed> there = known == null ? null : known.get();
            if (there != null) {
                return there;
            }
        }
        List<Parsed> parsed = files.findByUploadIdOrderById(upload.id).parallelStream()
                .map(file -> parsed(file, upload.layout, loading))
                .toList();
        synchronized (looked) {
            looked.put(key, new SoftReference<>(parsed));
        }
        return parsed;
    }

    private static Parsed parsed(UploadedFile file, String said, Loading loading) {
        Optional<TraceFile.Glimpse> glimpse = Optional.empty();
        Optional<Layout> layout = Optional.empty();
        try {
            String text = text(file);
            glimpse = Optional.of(TraceFile.glimpse(text));
            layout = Optional.of(
                    said.isEmpty() ? TraceFile.look(text, loading) : said(Layouts.read(said, loading), text));
            return new Parsed(file.id, file.fileName, glimpse, layout, TraceFile.read(text, layout.get()), "");
        } catch (TraceFile.Unreadable unreadable) {
            return new Parsed(
                    file.id,
                    file.fileName,
                    glimpse,
                    layout,
                    List.of(),
                    unreadable.problem().text());
        }
    }

    /** A layout that somebody said, of a file whose head says nothing else. */
    private static Layout said(Layout layout, String text) {
        TraceFile.Glimpse glimpse = TraceFile.glimpse(text);
        for (Layout.Column column : layout.columns()) {
            String title =
                    column.index() < glimpse.titles().size() ? glimpse.titles().get(column.index()) : "";
            if (column.index() >= glimpse.first().size() || !title.equals(column.title())) {
                throw TraceFile.otherHead(column, title);
            }
        }
        return new Layout(glimpse.delimiter(), glimpse.decimalComma(), glimpse.headRows(), layout.columns());
    }

    /** The specimen that a name ends in or holds by itself. */
    static String proposed(LotView lot, String name, Set<String> labels) {
        String upper = name.toUpperCase(Locale.ROOT).replaceAll("\\.[A-Z]{1,4}$", "");
        String bare = upper.replace(lot.code().toUpperCase(Locale.ROOT), " ");
        List<String> found = labels.stream()
                .filter(label -> Pattern.compile("(?<![A-Z0-9])" + Pattern.quote(label) + "(?![A-Z0-9])")
                        .matcher(bare)
                        .find())
                .toList();
        return found.size() == 1 ? found.get(0) : "";
    }

    // ---- taking ----------------------------------------------------------------------------------------------------

    /**
     * Takes in what was chosen, all or nothing: the records, the analysis of each by the usual rules, and the readings it comes to.
     *
     * @param chosen specimens and ends by the keys of the form; a record without a specimen is left out
     * @return whether it was the stream of an instrument
     */
    @Write
    public boolean take(LotView lot, long id, Map<String, String> chosen, String by) {
        lots.lockUndecided(lot.id());
        Upload upload = find(lot, id);
        boolean streamed = upload.streamId != null;
        if (upload.state.equals(Upload.TAKEN)) {
            return streamed;
        }
        Read read = read(lot, upload, chosen);
        Problems problems = new Problems();
        read.broken.forEach(broken -> problems.add("files", broken.fileName() + ": " + broken.why()));
        List<Take> wanted = read.taken.stream()
                .filter(take -> !take.candidate().specimen().isEmpty())
                .toList();
        if (wanted.isEmpty() && problems.none()) {
            problems.add("files", "No record was given its specimen; nothing was stored.");
        }
        wanted.forEach(take -> {
            if (!take.candidate().problem().isEmpty()) {
                problems.add("s-" + take.candidate().key(), take.candidate().problem());
            }
        });
        problems.refuse();
        List<Kept> kept = wanted.parallelStream().map(Kept::of).toList();
        requireNew(kept);
        List<Bench.Entry> entries = new ArrayList<>();
        for (Kept one : kept) {
            entries.addAll(store(lot, upload, one, by));
        }
        if (upload.streamId != null) {
            String whose = wanted.get(0).candidate().specimen();
            streams.use(upload.streamId, lot.code() + " " + whose + ", record", by);
        }
        bench.enterAll(lot, entries, by, null);
        files.taken(wanted.stream().map(Take::fileId).distinct().toList());
        // The bench locked the lot once more, and with that let go of what was read before.
        find(lot, id).state = Upload.TAKEN;
        return streamed;
    }

    /** What is stored of a candidate: the bytes of each of its records. */
    private record Kept(Take take, List<byte[]> packed) {

        static Kept of(Take take) {
            return new Kept(
                    take,
                    take.worked().stream().map(one -> Packed.of(one.trace())).toList());
        }
    }

    /** The record of one specimen is not that of another. */
    private void requireNew(List<Kept> wanted) {
        Map<String, String> bySum = new LinkedHashMap<>();
        for (Kept one : wanted) {
            String key = one.take().candidate().key();
            for (byte[] packed : one.packed()) {
                if (bySum.put(SentFile.sha256(packed), key) != null) {
                    throw new Refusal("s-" + key, "The same record stands here twice.");
                }
            }
        }
        for (RecordRepository.Owned owned : records.owned(bySum.keySet())) {
            throw new Refusal(
                    "s-" + bySum.get(owned.sha256()),
                    "This is to the last figure the record of "
                            + lots.specimensById(List.of(owned.specimenId()))
                                    .get(0)
                                    .label() + " of lot "
                            + lots.lot(owned.lotId()).code() + ": one record is of one specimen.");
        }
    }

    private List<Bench.Entry> store(LotView lot, Upload upload, Kept kept, String by) {
        Take take = kept.take();
        List<Bench.Entry> entries = new ArrayList<>();
        Set<String> known = new HashSet<>();
        int place = 1;
        for (Worked worked : take.worked()) {
            worked.specimen().readings().stream()
                    .filter(org.ysometron.app.bench.ReadingView::live)
                    .forEach(reading -> known.add(reading.field().key() + "-" + reading.place()));
            RecordRow row = new RecordRow();
            row.lotId = lot.id();
            row.specimenId = worked.specimen().specimen().id();
            row.place = place;
            row.fileId = take.fileId();
            row.name = take.candidate().name();
            row.points = worked.trace().size();
            row.readBy = worked.piece().by();
            row.compliance = worked.piece().compliance().isPresent()
                    ? worked.piece().compliance().getAsDouble()
                    : null;
            row.capacity = worked.piece().capacity().isPresent()
                    ? worked.piece().capacity().getAsDouble()
                    : null;
            row.instrumentId = upload.instrumentId;
            row.packed = kept.packed().get(place - 1);
            row.sha256 = SentFile.sha256(row.packed);
            row.takenBy = by;
            row.takenAt = clock.instant();
            records.save(row);
            AnalysisRow analysis = new AnalysisRow();
            analysis.recordId = row.id;
            analysis.rules(worked.rules());
            analysis.reason = "";
            analysis.drawn = worked.drawn();
            analysis.madeBy = by;
            analysis.madeAt = row.takenAt;
            analyses.save(analysis);
            // What was typed before stands; a record beside it adds what nobody could read.
            worked
                    .entries(
                            place,
                            row.id,
                            analysis.id,
                            Objects.requireNonNull(take.candidate().end()),
                            upload.instrumentId)
                    .stream()
                    .filter(entry -> known.add(entry.field() + "-" + entry.place()))
                    .forEach(entries::add);
            place++;
        }
        return entries;
    }

    private Upload find(LotView lot, long id) {
        return uploads.findById(id)
                .filter(upload -> upload.lotId == lot.id())
                .orElseThrow(() -> new NotFound("upload " + id + " of lot " + lot.code()));
    }

    private static Method method(Upload upload) {
        return Methods.of(upload.method)
                .orElseThrow(() -> new Refusal("method", "'" + upload.method + "' is no method of the catalogue."));
    }

    private static Loading loading(Method method) {
        return method.data().recorded().orElseThrow().loading();
    }
}
