package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.reading.Field;
import org.ysometron.core.working.Figures;

/** The list at the bench: its heads, and a row for each specimen. */
final class BenchList {

    /** Figures of a specimen that the list has room for. */
    private static final int MOST_FIGURES = 3;

    static List<BenchView.Head> heads(Method method) {
        List<BenchView.Head> heads = new ArrayList<>();
        for (Field field : method.data().asked()) {
            heads.add(new BenchView.Head(Figures.capital(field.words()) + unit(field.unit()), field.places() == 1));
        }
        heads.add(new BenchView.Head("Ended", false));
        shown(method).forEach(one -> heads.add(new BenchView.Head(one.title() + unit(one.unit()), true)));
        return heads;
    }

    private static String unit(String symbol) {
        return symbol.isEmpty() ? "" : ", " + symbol;
    }

    /** The figures that the list has room for; the working has them all. Those of what is seldom read stand in no column. */
    private static List<Characteristic> shown(Method method) {
        return method.data().characteristics().stream()
                .limit(mostFigures(method))
                .toList();
    }

    private static int mostFigures(Method method) {
        return method.data().aside().isEmpty() ? MOST_FIGURES : 1;
    }

    /**
     * A row.
     *
     * @param inPlace label of what was made in its place; null while nothing was
     * @param owed words of what is still to be fetched of it
     */
    static BenchView.Row row(
            SpecimenRecord record, boolean inHand, boolean givenUp, @Nullable String inPlace, List<String> owed) {
        List<Reduced> results = record.results().isEmpty() ? record.soFar() : record.results();
        Optional<Reduced> main = results.stream().findFirst();
        List<String> notes = new ArrayList<>(main.map(Reduced::notes).orElse(List.of()));
        if (!record.problem().isEmpty()) {
            notes.add(record.problem());
        }
        List<BenchView.Cell> noted = BenchFields.noted(record).stream()
                .flatMap(field -> record.at(field.key(), 1).stream()
                        .filter(reading -> reading.analysis() == null)
                        .map(reading -> new BenchView.Cell(
                                reading.id(),
                                reading.typed(),
                                Figures.capital(field.words()) + ": " + reading.typed())))
                .toList();
        if (record.readings().stream().anyMatch(reading -> reading.live() && reading.analysis() != null)) {
            notes.add("with its record");
        }
        owed.forEach(words -> notes.add(words + " is still to be fetched"));
        if (inPlace != null) {
            notes.add(inPlace + " was made in its place");
        }
        List<BenchView.Column> cells = record.method().data().asked().stream()
                .map(field -> new BenchView.Column(cells(record, field), field.places() == 1))
                .toList();
        return new BenchView.Row(
                record.specimen().label(),
                record.specimen().conditions().orientation().words(),
                inHand,
                cells,
                record.isTested()
                        ? record.endWords()
                        : givenUp ? "given up" : results.isEmpty() ? "" : "goes on; so far",
                results.isEmpty()
                        ? shown(record.method()).stream().map(one -> "").toList()
                        : results.stream()
                                .limit(mostFigures(record.method()))
                                .map(BenchList::figure)
                                .toList(),
                main.map(result -> SpecimenRecord.kind(result)).orElse(""),
                record.isVoid() && inPlace == null,
                noted,
                notes,
                record.corrected().stream().map(wrong -> history(record, wrong)).toList());
    }

    /** What stands in the list: a value, a bound with its sign, an interval; one that is not counted is there and crossed out. */
    private static String figure(Reduced result) {
        int digits = result.characteristic().digits() + 1;
        if (result.shown().isEmpty()) {
            return "";
        }
        String shown = Figures.significant(result.shown().getAsDouble(), digits);
        return switch (result.made()) {
            case AT_LEAST -> "≥ " + shown;
            case AT_MOST -> "≤ " + shown;
            case BETWEEN -> shown + " to " + Figures.significant(result.upper().getAsDouble(), digits);
            default -> shown;
        };
    }

    private static List<BenchView.Cell> cells(SpecimenRecord record, Field field) {
        return record.live(field).stream()
                .map(reading -> new BenchView.Cell(reading.id(), reading.typed(), shown(reading)))
                .toList();
    }

    private static String shown(ReadingView reading) {
        if (reading.value() == null) {
            return reading.typed();
        }
        return switch (reading.field().dimension()) {
            case LENGTH -> Figures.decimals(reading.value(), 2);
            // A day is a day, and no 86400 s.
            case TIME -> reading.typed();
            default -> Figures.plain(reading.value(), 4);
        };
    }

    private static String history(SpecimenRecord record, ReadingView wrong) {
        String why = record.readings().stream()
                .filter(reading -> reading.field().equals(wrong.field())
                        && reading.place() == wrong.place()
                        && reading.id() > wrong.id())
                .findFirst()
                .map(next -> " → " + next.typed() + ": " + next.reason() + " (" + next.enteredBy() + ")")
                .orElse("");
        return wrong.label() + " first read " + wrong.typed() + why;
    }

    private BenchList() {}
}
