package org.ysometron.app.make;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.ysometron.app.lot.SpecimenView;

/** Specimens by the set they were added with. */
final class Sets {

    private Sets() {}

    static Map<Long, List<SpecimenView>> of(List<SpecimenView> specimens) {
        Map<Long, List<SpecimenView>> sets = new LinkedHashMap<>();
        specimens.forEach(specimen ->
                sets.computeIfAbsent(specimen.setId(), id -> new ArrayList<>()).add(specimen));
        return sets;
    }

    /** First and last label: "XY1 to XY5". */
    static String labels(List<SpecimenView> set) {
        if (set.isEmpty()) {
            return "";
        }
        String first = set.get(0).label();
        return set.size() == 1
                ? first
                : first + " to " + set.get(set.size() - 1).label();
    }
}
