package org.ysometron.core.method;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.reading.Sheet;

/**
 * What a method's file says.
 *
 * @param id in small letters with dashes
 * @param title as it stands in terms
 * @param standard cited, or that none is
 * @param deviations from it, one sentence each
 * @param parameters the free ones by key, pinned
 * @param equipment what it is done with
 * @param minutes at the bench for one specimen
 * @param hazards what hurts, and what to do about it; at least one
 * @param designs keys of the specimen designs it is done on
 * @param sheet what is read
 * @param endedBy key of the field whose instrument's range can end the test
 * @param ends its own, and what each makes of a characteristic; a value where it is not named
 * @param characteristics what it gives, at least one
 * @param example readings of one specimen as they are typed
 */
public record MethodData(
        String id,
        String title,
        String standard,
        List<String> deviations,
        Map<String, Pinned.Parameter> parameters,
        String equipment,
        int minutes,
        List<String> hazards,
        List<String> designs,
        Sheet sheet,
        Optional<String> endedBy,
        Map<End, Map<String, Reduced.Made>> ends,
        List<Characteristic> characteristics,
        Map<String, List<String>> example) {

    /** The parameters as the file pins them. */
    public Pinned pinned() {
        Map<String, Double> values = new LinkedHashMap<>();
        parameters.forEach((key, parameter) -> values.put(key, parameter.value()));
        return new Pinned(values);
    }

    /** The end that is usual: the first of the file. */
    public End usualEnd() {
        return ends.keySet().iterator().next();
    }
}
