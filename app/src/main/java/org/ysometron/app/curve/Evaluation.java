package org.ysometron.app.curve;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.core.curve.Layout;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.Trace;
import org.ysometron.core.curve.TraceFile;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Recorded;
import org.ysometron.core.working.Figures;

/** Works one record out for the specimen it is said to be of. */
final class Evaluation {

    private static final int LONGEST_NAME = 200;

    private final Upload upload;
    private final InstrumentView gauge;
    private final Uploads.Parsed file;
    private final TraceFile.Read read;
    private final String key;
    private final String name;
    private final Map<String, String> chosen;
    private final Set<Long> recorded;

    Evaluation(
            Upload upload,
            InstrumentView gauge,
            Uploads.Parsed file,
            TraceFile.Read read,
            String key,
            String name,
            Map<String, String> chosen,
            Set<Long> recorded) {
        this.recorded = recorded;
        this.upload = upload;
        this.gauge = gauge;
        this.file = file;
        this.read = read;
        this.key = key;
        this.name = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
        this.chosen = chosen;
    }

    Uploads.Take at(String label, @Nullable SpecimenRecord specimen, Set<String> used) {
        if (specimen == null) {
            return not(
                    label.isEmpty() ? "" : label,
                    label.isEmpty() ? "" : "There is no such specimen of this method in the lot.");
        }
        if (!used.add(label)) {
            return not(label, label + " has another record of these files.");
        }
        if (!specimen.isMeasured()) {
            return not(label, label + " is not measured yet: measure it, then look at the files again.");
        }
        if (recorded.contains(specimen.specimen().id())) {
            return not(label, label + " has a record already; work that one out otherwise on its page.");
        }
        if (isReadInRows(specimen)) {
            return not(
                    label,
                    label + " has readings by time already: a record beside them would mix two. Correct those, or leave"
                            + " the record out.");
        }
        try {
            List<Worked> worked = worked(specimen);
            Worked first = worked.get(0);
            End end = End.of(chosen.getOrDefault("e-" + key, ""))
                    .filter(specimen.method().data().ends()::containsKey)
                    .orElseGet(first::proposed);
            return new Uploads.Take(
                    new Uploads.Candidate(
                            key,
                            file.fileName(),
                            name,
                            read.force().length,
                            label,
                            end,
                            specimen.endWords(),
                            inStress(worked),
                            worked.stream()
                                    .flatMap(one -> one.inLoad().stream())
                                    .toList(),
                            first.found().analysis().said(),
                            ""),
                    file.fileId(),
                    worked);
        } catch (IllegalArgumentException none) {
            return not(label, Figures.capital(String.valueOf(none.getMessage())) + ".");
        }
    }

    /** Whether somebody read by hand, again and again, what a record has too. */
    private static boolean isReadInRows(SpecimenRecord specimen) {
        Recorded recorded = Worked.recorded(specimen);
        return recorded.loading().isHeld()
                && recorded.finds().keySet().stream()
                        .anyMatch(key -> specimen.live(key).stream().anyMatch(reading -> reading.analysis() == null));
    }

    /** Of a second record only its slope is another figure. */
    private static List<Worked.Fact> inStress(List<Worked> worked) {
        List<Worked.Fact> facts = new ArrayList<>(worked.get(0).inStress());
        worked.stream().skip(1).forEach(second -> second.inStress().stream()
                .filter(fact -> facts.stream().noneMatch(known -> known.name().equals(fact.name())))
                .forEach(facts::add));
        return facts;
    }

    private Uploads.Take not(String label, String problem) {
        return new Uploads.Take(
                new Uploads.Candidate(
                        key,
                        file.fileName(),
                        name,
                        read.force().length,
                        label,
                        null,
                        "",
                        List.of(),
                        List.of(),
                        List.of(),
                        problem),
                file.fileId(),
                List.of());
    }

    private List<Worked> worked(SpecimenRecord specimen) {
        double[] extension = read.extension();
        boolean two = upload.secondBy != Second.NONE;
        if (two && read.second().length == 0) {
            throw new IllegalArgumentException("there is no second extension in this file");
        }
        requireSameKind();
        if (upload.secondBy == Second.OTHER_FACE) {
            extension = Worked.mean(extension, read.second());
        }
        List<Worked> worked = new ArrayList<>();
        worked.add(work(specimen, upload.readBy, extension));
        if (upload.secondBy == Second.CROSSHEAD) {
            worked.add(work(specimen, Piece.By.CROSSHEAD, read.second()));
        }
        return worked;
    }

    /** A share of a length is no length: of two extensions a mean is of two alike, and a crosshead's travel is a length. */
    private void requireSameKind() {
        boolean share = file.layout()
                .flatMap(layout -> layout.column(Layout.Role.SECOND))
                .filter(Layout.Column::share)
                .isPresent();
        if (upload.secondBy == Second.CROSSHEAD && share) {
            throw new IllegalArgumentException(
                    "the second extension is a strain, and a crosshead's travel is a length");
        }
        if (upload.secondBy == Second.OTHER_FACE && share != read.share()) {
            throw new IllegalArgumentException("one extension is a strain and the other a length: they have no mean");
        }
    }

    private Worked work(SpecimenRecord specimen, Piece.By by, double[] extension) {
        Loading loading = Worked.recorded(specimen).loading();
        Piece piece = Worked.recorded(specimen)
                .piece(
                        specimen.read(),
                        specimen.pinned(),
                        by,
                        Worked.compliance(loading, by, gauge),
                        Worked.capacity(loading, gauge));
        double factor = read.share() && by == upload.readBy ? piece.length() : 1;
        double[] way = Arrays.stream(extension).map(x -> x * factor).toArray();
        return Worked.of(specimen, Trace.of(read.time(), read.force(), way), by, gauge, Rules.USUAL);
    }
}
