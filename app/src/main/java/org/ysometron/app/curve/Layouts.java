package org.ysometron.app.curve;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.curve.Layout;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.TraceFile;
import org.ysometron.core.quantity.UnitOfMeasure;
import tools.jackson.databind.json.JsonMapper;

/** A layout as it is kept. */
final class Layouts {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private Layouts() {}

    private record Kept(String delimiter, boolean decimalComma, int headRows, List<KeptColumn> columns) {}

    private record KeptColumn(Layout.Role role, int index, String title, String unit) {}

    static String text(Layout layout) {
        return JSON.writeValueAsString(new Kept(
                String.valueOf(layout.delimiter()),
                layout.decimalComma(),
                layout.headRows(),
                layout.columns().stream()
                        .map(column -> new KeptColumn(column.role(), column.index(), column.title(), unit(column)))
                        .toList()));
    }

    static Layout read(String text, Loading loading) {
        Kept kept = JSON.readValue(text, Kept.class);
        List<Layout.Column> columns = new ArrayList<>();
        for (KeptColumn column : kept.columns()) {
            columns.add(TraceFile.column(column.index(), column.title(), column.role(), column.unit(), loading));
        }
        return new Layout(kept.delimiter().charAt(0), kept.decimalComma(), kept.headRows(), columns);
    }

    /** The unit as it is typed. */
    static String unit(Layout.Column column) {
        if (column.percent()) {
            return "%";
        }
        return column.unit().map(UnitOfMeasure::symbol).orElse(column.share() ? "mm/mm" : "");
    }
}
