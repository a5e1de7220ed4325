package org.ysometron.app.bench;

import java.util.List;
import java.util.StringJoiner;
import java.util.stream.Collectors;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Method;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.reading.Field;

/**
 * A block of cells that was copied without its head: it begins at a field and at a specimen, and goes on in the order of the sheet and
 * in the order of the bench. From it a block with a head is made, which then goes the way of every other.
 */
final class BareCells {

    /** A place that a column may begin at. */
    record Start(String key, String words) {}

    private BareCells() {}

    /** Where a block of this method may begin. */
    static List<Start> starts(Method method) {
        return places(method).stream()
                .map(place -> new Start(
                        method.data().id() + "/" + place.text(),
                        place.field().label(place.place())
                                + (place.field().unit().isEmpty()
                                        ? ""
                                        : ", " + place.field().unit())))
                .toList();
    }

    /**
     * The block with its head.
     *
     * @param into the first column's place, one of {@link #starts}
     * @param specimens labels from the first row's specimen on
     * @throws Refusal where there are more rows than specimens or more columns than places
     */
    static String headed(String block, Method method, String into, List<String> specimens) {
        List<BenchPages.Key> places = places(method);
        int first = places.stream().map(BenchPages.Key::text).toList().indexOf(into.substring(into.indexOf('/') + 1));
        if (first < 0) {
            throw new Refusal("into", "Choose which reading the first column holds.");
        }
        List<List<String>> rows = rows(block);
        if (rows.size() > specimens.size()) {
            throw new Refusal(
                    "into",
                    rows.size() + " rows, but " + specimens.size() + " specimens from "
                            + (specimens.isEmpty() ? "there" : specimens.get(0)) + " on.");
        }
        int columns = rows.stream().mapToInt(List::size).max().orElse(0);
        List<BenchPages.Key> taken = places.subList(first, Math.min(places.size(), first + columns));
        if (taken.size() < columns) {
            throw new Refusal(
                    "into",
                    columns + " columns, but only " + taken.size() + " readings from '"
                            + places.get(first).field().label(places.get(first).place()) + "' on.");
        }
        StringBuilder text = new StringBuilder("specimen");
        taken.forEach(place ->
                text.append(';').append(place.field().key()).append('_').append(place.place()));
        for (int i = 0; i < rows.size(); i++) {
            StringJoiner line = new StringJoiner(";", "\n", "").add(specimens.get(i));
            for (int k = 0; k < rows.get(i).size(); k++) {
                line.add(cell(rows.get(i).get(k), taken.get(k).field()));
            }
            text.append(line);
        }
        return text.toString();
    }

    private static String cell(String cell, Field field) {
        String shown = field.isQuantity() ? Typed.shownIn(cell, field.unit()) : cell;
        return shown.isEmpty() ? "" : '"' + shown.replace("\"", "\"\"") + '"';
    }

    /** A comma is a decimal sign here, so that cells are parted by tabs, as spreadsheets do, or by semicolons. */
    private static List<List<String>> rows(String block) {
        return block.stripTrailing()
                .lines()
                .map(line -> List.of(line.split("[\t;]", -1)).stream()
                        .map(String::strip)
                        .toList())
                .collect(Collectors.toList());
    }

    private static List<BenchPages.Key> places(Method method) {
        return BenchPages.Key.all(method.data().sheet().asked());
    }
}
