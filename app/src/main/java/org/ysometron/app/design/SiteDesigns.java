package org.ysometron.app.design;

import jakarta.annotation.PostConstruct;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.dimension.Narrowest;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.working.Figures;

/**
 * Specimen designs that the site's engineers added. A design that is stored never changes: another drawing is the next revision,
 * with a title of its own, and so is compared with nothing of the one before.
 */
@Component
public class SiteDesigns {

    private static final Logger LOG = LoggerFactory.getLogger(SiteDesigns.class);

    private final SiteDesignRepository designs;
    private final DesignFileRepository files;
    private final Clock clock;

    SiteDesigns(SiteDesignRepository designs, DesignFileRepository files, Clock clock) {
        this.designs = designs;
        this.files = files;
        this.clock = clock;
    }

    /** The files that stand behind a design. */
    public enum Part {
        DRAWING("drawing"),
        PRINT_FILE("print file");

        private final String words;

        Part(String words) {
            this.words = words;
        }

        /** Its name in words. */
        public String words() {
            return words;
        }
    }

    /** A file as it came. */
    public record File(String name, byte[] content) {}

    /**
     * A design as an engineer describes it.
     *
     * @param called name without revision
     * @param methods ids of the methods that it is made for
     * @param volume of the solid model, mm³
     * @param scale that its model is printed at; the sizes are those of the print
     * @param looks the delivered design that it is drawn like
     * @param narrowest formula; empty where the narrowest place is what is measured
     * @param held how it is held in the test
     */
    public record NewDesign(
            String request,
            String called,
            Set<String> methods,
            SpecimenDesign.Shape shape,
            double width,
            double thickness,
            double length,
            double volume,
            double scale,
            boolean notched,
            SpecimenDesign looks,
            String narrowest,
            String held,
            String reason,
            File drawing,
            File printFile) {}

    /** A file's name and hash. */
    public record FileView(Part part, String fileName, String sha256) {}

    /** A design with who added it and why; superseded where it has a later revision. */
    public record DesignView(
            SpecimenDesign design,
            String called,
            int revision,
            double scale,
            List<String> methods,
            String looks,
            List<FileView> files,
            String reason,
            String by,
            Instant at,
            boolean isSuperseded,
            @Nullable String withdrawn) {}

    @PostConstruct
    void load() {
        List<SiteDesign> rows = designs.findAllByOrderById();
        rows.forEach(row -> known(row).ifPresent(Designs::add));
        notOffered(rows).forEach(Designs::withdraw);
    }

    /** Names of what is planned no more: withdrawn, or followed by a later revision. */
    static Set<String> notOffered(List<SiteDesign> rows) {
        return rows.stream()
                .filter(row -> row.withdrawnBy != null || isSuperseded(row, rows))
                .map(row -> row.name)
                .collect(Collectors.toSet());
    }

    private static boolean isSuperseded(SiteDesign row, List<SiteDesign> rows) {
        return rows.stream().anyMatch(other -> other.called.equals(row.called) && other.revision > row.revision);
    }

    /** The row as a design; one that cannot be read any more is said in the log, and keeps nobody from the others. */
    private static Optional<SpecimenDesign> known(SiteDesign row) {
        try {
            return Optional.of(design(row));
        } catch (IllegalArgumentException broken) {
            LOG.warn("The specimen design {} ({}) cannot be read: {}", row.name, row.called, broken.getMessage());
            return Optional.empty();
        }
    }

    /** All of the site's own, the newest first. */
    public List<DesignView> all() {
        Map<Long, List<DesignFileRepository.Named>> named =
                files.names().stream().collect(Collectors.groupingBy(DesignFileRepository.Named::designId));
        List<SiteDesign> rows = designs.findAllByOrderById();
        return rows.stream()
                .sorted(Comparator.comparing((SiteDesign row) -> row.id).reversed())
                .flatMap(row -> known(row).stream()
                        .map(design ->
                                view(row, design, named.getOrDefault(row.id, List.of()), isSuperseded(row, rows))))
                .toList();
    }

    /** The design of this name, as {@link #all} has it. */
    public DesignView named(String name) {
        return all().stream()
                .filter(one -> one.design().name().equals(name))
                .findFirst()
                .orElseThrow(() -> new NotFound("specimen design '" + name + "'"));
    }

    /** A file as it came. */
    public File file(String name, Part part) {
        return designs.findAllByOrderById().stream()
                .filter(row -> row.name.equals(name))
                .findFirst()
                .flatMap(row -> files.findByDesignIdAndPart(row.id, part))
                .map(file -> new File(file.fileName, file.content))
                .orElseThrow(() -> new NotFound(part.words() + " of the design '" + name + "'"));
    }

    /**
     * Adds a design, as the next revision where one is called so.
     *
     * @return its name
     * @throws Refusal at the field of what cannot be
     */
    @Write
    public String add(NewDesign added, String by) {
        Optional<SiteDesign> twice = designs.findByRequest(added.request());
        if (twice.isPresent()) {
            return twice.get().name;
        }
        Problems problems = new Problems();
        check(added, problems);
        problems.refuse();
        String typed = called(added.called());
        // One name however it is written: titles are found whatever their case.
        List<SiteDesign> before = designs.findAllByOrderById().stream()
                .filter(row -> row.called.equalsIgnoreCase(typed))
                .toList();
        String called = before.isEmpty() ? typed : before.get(0).called;
        requireOther(added, before);
        SiteDesign row = row(added, called, before);
        row.reason = added.reason().strip();
        row.addedBy = by;
        row.addedAt = clock.instant();
        SpecimenDesign design = read(row, added);
        designs.saveAndFlush(row);
        keep(row, Part.DRAWING, added.drawing());
        keep(row, Part.PRINT_FILE, added.printFile());
        afterwards(() -> {
            before.forEach(older -> Designs.withdraw(older.name));
            Designs.add(design);
        });
        return row.name;
    }

    /** Takes a design out of what can be planned; what was made of it stays. */
    @Write
    public void withdraw(String name, String why, String by) {
        SiteDesign row = designs.findByName(name).orElseThrow(() -> new NotFound("specimen design '" + name + "'"));
        if (row.withdrawnBy != null) {
            return;
        }
        row.withdrawnWhy = Reasons.require("withdraw", why, "The reason", 300);
        row.withdrawnBy = by;
        row.withdrawnAt = clock.instant();
        designs.saveAndFlush(row);
        afterwards(() -> Designs.withdraw(name));
    }

    private static String called(String typed) {
        String called = typed.strip().replaceAll("\\s+", " ");
        if (!called.matches("\\p{L}[\\p{L}\\p{N} ×.,()/-]{2,49}") || called.matches("(?i).*\\b(rev|scaled?)\\b.*")) {
            throw new Refusal(
                    "called",
                    "A name of 3 to 50 letters, digits and spaces that begins with a letter and leaves revision and scale out, as"
                            + " 'bar with a hole 3 mm'.");
        }
        boolean taken = SpecimenDesign.delivered().stream()
                .anyMatch(design ->
                        design.title().toLowerCase(Locale.ROOT).startsWith(called.toLowerCase(Locale.ROOT) + ","));
        if (taken) {
            throw new Refusal("called", "A design that came with the application is called so; choose another name.");
        }
        return called;
    }

    /** A revision differs from the one before in something that can be printed. */
    private void requireOther(NewDesign added, List<SiteDesign> before) {
        if (before.isEmpty()) {
            return;
        }
        String hash = SentFile.sha256(added.printFile().content());
        SiteDesign last = before.get(before.size() - 1);
        files.names().stream()
                .filter(file -> file.designId() == last.id
                        && file.part() == Part.PRINT_FILE
                        && file.sha256().equals(hash))
                .findFirst()
                .ifPresent(same -> {
                    throw new Refusal(
                            "printFile",
                            "This is the print file of revision " + last.revision
                                    + "; a new revision has another. Nothing was stored.");
                });
    }

    private static SiteDesign row(NewDesign added, String called, List<SiteDesign> before) {
        SiteDesign row = new SiteDesign();
        row.name = "OWN_"
                + HexFormat.of()
                        .toHexDigits(ThreadLocalRandom.current().nextInt())
                        .toUpperCase(Locale.ROOT);
        row.request = added.request();
        row.called = called;
        row.revision = before.isEmpty() ? 1 : before.get(before.size() - 1).revision + 1;
        row.methods = String.join(" ", new TreeSet<>(added.methods()));
        row.shape = added.shape();
        row.width = added.width();
        row.thickness = added.shape() == SpecimenDesign.Shape.ROUND ? added.width() : added.thickness();
        row.length = added.length();
        row.volume = added.volume();
        row.scale = added.scale();
        row.notched = added.notched();
        row.looks = added.looks().name();
        row.narrowest = narrowest(added);
        row.held = added.held().strip();
        return row;
    }

    /** Says at each field what of a design cannot be, all at once. */
    static void check(NewDesign added, Problems problems) {
        problems.gather(() -> called(added.called()));
        // Of sizes that are wrong themselves no section follows.
        if (problems.at("sizes") == null) {
            problems.gather(() -> narrowest(added));
        }
        problems.gather(() -> Reasons.require("held", added.held(), "How it is held", 200));
        problems.gather(() -> Reasons.require("reason", added.reason(), "The reason", 300));
        problems.gather(() -> {
            if (added.methods().isEmpty()) {
                throw new Refusal("methods", "Choose at least one method that it is made for.");
            }
        });
    }

    private static @Nullable String narrowest(NewDesign added) {
        if (added.narrowest().isBlank()) {
            return null;
        }
        try {
            Narrowest formula = Narrowest.of(added.narrowest());
            formula.area(added.width(), added.thickness());
            return formula.formula();
        } catch (IllegalArgumentException wrong) {
            throw new Refusal("narrowest", "Not taken: " + wrong.getMessage() + ".");
        }
    }

    /** The row as a design; what its methods cannot be done on is refused. */
    private static SpecimenDesign read(SiteDesign row, NewDesign added) {
        try {
            SpecimenDesign design = design(row);
            for (String id : added.methods()) {
                Method method =
                        Methods.of(id).orElseThrow(() -> new Refusal("methods", "Choose methods of the catalogue."));
                Designs.hindrance(method, design).ifPresent(why -> {
                    throw new Refusal("methods", why.substring(0, 1).toUpperCase(Locale.ROOT) + why.substring(1) + ".");
                });
            }
            return design;
        } catch (IllegalArgumentException wrong) {
            throw new Refusal("sizes", "Not taken: " + wrong.getMessage() + ".");
        }
    }

    private void keep(SiteDesign row, Part part, File sent) {
        DesignFile file = new DesignFile();
        file.designId = row.id;
        file.part = part;
        file.fileName = sent.name();
        file.sha256 = SentFile.sha256(sent.content());
        file.content = sent.content();
        files.save(file);
    }

    /** The catalogue learns of it once it is stored, so that nothing that was taken back is ever in it. */
    private static void afterwards(Runnable step) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                step.run();
            }
        });
    }

    private static SpecimenDesign design(SiteDesign row) {
        return new SpecimenDesign(
                row.name,
                row.called + (row.scale == 1 ? "" : ", scale " + Figures.plain(row.scale, 4)) + ", rev " + row.revision,
                row.shape,
                row.width,
                row.thickness,
                row.length,
                row.volume,
                row.notched,
                Designs.named(row.looks).orElse(SpecimenDesign.BENDING_BAR).outline(),
                Optional.of(new SpecimenDesign.Own(
                        Set.of(row.methods.split(" ")),
                        Optional.ofNullable(row.narrowest).map(Narrowest::of),
                        row.held)));
    }

    private static DesignView view(
            SiteDesign row, SpecimenDesign design, List<DesignFileRepository.Named> named, boolean superseded) {
        List<String> methods = new ArrayList<>();
        for (String id : row.methods.split(" ")) {
            methods.add(Methods.of(id).map(method -> method.data().title()).orElse(id));
        }
        return new DesignView(
                design,
                row.called,
                row.revision,
                row.scale,
                methods,
                row.looks,
                named.stream()
                        .sorted(Comparator.comparing(DesignFileRepository.Named::part))
                        .map(file -> new FileView(file.part(), file.fileName(), file.sha256()))
                        .toList(),
                row.reason,
                row.addedBy,
                row.addedAt,
                superseded,
                row.withdrawnBy == null ? null : row.withdrawnWhy + " (" + row.withdrawnBy + ")");
    }
}
