package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Corners of a flat plate over a flat surface: their mean lift, and the flatness as the highest less the lowest (the idea of ISO 12781, no
 * standard cited). A part flattened by heat shows nothing of how it was printed; what comes back is {@link CurlBack}.
 */
@AutoService(Method.class)
public final class Warp extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double[] corners = readings.all("corner");
        Working read =
                Working.of(step("lift of the corners", "h", "as read", readings.number("corner"), "mm", "", corners));
        Map<String, Figure> figures = new LinkedHashMap<>();
        if (readings.choice("flattened").filter("by heat"::equals).isPresent()) {
            Figure none =
                    Figure.none("it was flattened by heat: what is left of the warp is not that of the print", read);
            figures.put("warp-corner", none);
            figures.put("warp-flatness", none);
            figures.put("warp-bar", none);
            return figures;
        }
        double mean = readings.number("corner");
        double flatness = Arrays.stream(corners).max().orElse(0)
                - Arrays.stream(corners).min().orElse(0);
        figures.put("warp-corner", Figure.of(mean, read.then(step("mean lift", "h̄", "mean", mean, "mm", ""))));
        figures.put(
                "warp-flatness",
                corners.length < 2
                        ? Figure.none("one corner says nothing of a flat", read)
                        : Figure.of(
                                flatness, read.then(step("flatness", "f", "highest − lowest", flatness, "mm", ""))));
        figures.put("warp-bar", bar(readings));
        return figures;
    }

    private static Figure bar(Readings readings) {
        OptionalDouble mean = readings.mean("bar-end");
        return mean.isEmpty()
                ? Figure.none("no long bar was laid beside it", Working.NONE)
                : Figure.of(
                        mean.getAsDouble(),
                        Working.of(step(
                                "lift of the bar's ends",
                                "h",
                                "mean",
                                mean.getAsDouble(),
                                "mm",
                                "",
                                readings.all("bar-end"))));
    }
}
