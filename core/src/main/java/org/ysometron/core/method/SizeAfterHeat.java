package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * What an anneal or a cure does to a size: the same places before and after, (before − after)/before by direction; what grew has a
 * change below zero. Both are read at room temperature (common practice, no source; the idea is that of ISO 294-4's post-moulding
 * shrinkage).
 */
@AutoService(Method.class)
public final class SizeAfterHeat extends Method {

    private static final List<String> DIRECTIONS = List.of("length", "width", "thickness");

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        for (String direction : DIRECTIONS) {
            figures.put("shrinkage-" + direction, shrinkage(readings, direction));
        }
        return figures;
    }

    private static Figure shrinkage(Readings readings, String direction) {
        double[] first = readings.all(direction);
        double[] then = readings.all(direction + "-after");
        if (first.length == 0 || then.length == 0) {
            return Figure.none("the " + direction + " was not read before and after", Working.NONE);
        }
        double before = readings.number(direction);
        double after = readings.number(direction + "-after");
        Working read = Working.of(
                step(direction + " before", "a₀", "mean", before, "mm", "", first),
                step(direction + " after", "a₁", "mean", after, "mm", "", then));
        if (first.length != then.length) {
            return Figure.none("the same places are read before and after", read);
        }
        double shrinkage = (before - after) / before;
        return Figure.of(
                shrinkage, read.then(step("shrinkage", "S", "(a₀ − a₁)/a₀", shrinkage, "", "", before, after)));
    }
}
