package org.ysometron.core.method;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.curve.Held;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.Trace;
import org.ysometron.core.reading.Readings;

/**
 * What a method takes from a record: how the specimen is loaded, and which fields of its sheet are found on the record. They are then readings like
 * typed ones, and the method's arithmetic does not know where they came from.
 *
 * @param field key of the field that the record itself stands in
 * @param loading how it is loaded
 * @param gauge parameter with the length that an extensometer's reading is of, or the span; empty where there is none
 * @param travel parameter with the length that a crosshead's travel is of; empty where there is none
 * @param finds what is found, by key of the field it stands in
 */
public record Recorded(
        String field, Loading loading, Optional<String> gauge, Optional<String> travel, Map<String, Find> finds) {

    /**
     * Copies.
     *
     * @throws IllegalArgumentException where something is to be found that such a record does not show
     */
    public Recorded {
        for (Find find : finds.values()) {
            if (find.what().isHeld() != loading.isHeld()) {
                throw new IllegalArgumentException(find.what() + " is not found on a record of " + loading.wayWords());
            }
        }
        finds = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(finds));
    }

    /** What can be found on a record. */
    public enum What {
        LOAD_AT_STRENGTH,
        LOAD_AT_YIELD,
        /** Of an extensometer alone, as all extensions. */
        EXTENSION_AT_YIELD,
        EXTENSION_AT_STRENGTH,
        EXTENSION_AT_BREAK,
        /** Of a crosshead alone, as all travels. */
        TRAVEL_AT_STRENGTH,
        TRAVEL_AT_BREAK,
        /** Where it broke, or where the record ended, whatever read it. */
        WAY_AT_END,
        /** The gauge length and what it has grown by at the break; of an extensometer alone. */
        LENGTH_AT_BREAK,
        /** Load by way between the two strains of the rules; of an extensometer alone. */
        SLOPE,
        /** The same of a crosshead: grips and frame are in it. */
        APPARENT_SLOPE,
        /** Of an extensometer alone: what grips and frame took up is none of the specimen's. */
        ENERGY,
        /** The load as the way passes a place of it. */
        LOAD_AT,
        /** The load as the strain passes a figure; of an extensometer alone. */
        LOAD_AT_STRAIN,
        /** Of a load that hangs: the times under it at which the extension is read. */
        TIMES,
        /** Of a load that hangs: the extensions then, one a time. */
        EXTENSIONS,
        /** Of a load that hangs: the extension ten minutes after it was taken off. */
        LEFT_AFTER_UNLOADING,
        /** Of a load that hangs: the first time after a break that the record has. */
        FOUND_BROKEN;

        /** Whether it is found on a record of a load that hangs, and on no other. */
        boolean isHeld() {
            return EnumSet.range(TIMES, FOUND_BROKEN).contains(this);
        }
    }

    /**
     * One thing to find.
     *
     * @param at way in its working unit, or strain as a fraction, for a load at a place; 0 for all else
     */
    public record Find(What what, double at) {

        /**
         * Reads 'load-at 90' and the like.
         *
         * @throws IllegalArgumentException for a word that is none, or a place where none belongs
         */
        static Find of(String text) {
            String[] parts = text.strip().split("\\s+");
            What what = Arrays.stream(What.values())
                    .filter(one -> one.name()
                            .toLowerCase(Locale.ROOT)
                            .replace('_', '-')
                            .equals(parts[0]))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("'" + parts[0] + "' is nothing that is found"));
            boolean place = what == What.LOAD_AT || what == What.LOAD_AT_STRAIN;
            if (place != (parts.length == 2)) {
                throw new IllegalArgumentException("'" + text + "': a load at a place names it, and nothing else does");
            }
            return new Find(what, place ? Double.parseDouble(parts[1]) : 0);
        }
    }

    /**
     * What came of a record.
     *
     * @param values by key of their field, in its working unit
     * @param rows the same of fields that are read again and again, in order
     * @param missing why there is none, by key of the field
     */
    public record Found(
            Analysis analysis,
            Map<String, Double> values,
            Map<String, List<Double>> rows,
            Map<String, String> missing) {

        /** Copies. */
        public Found {
            rows = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(rows));
            values = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(values));
            missing = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(missing));
        }
    }

    /**
     * Whether a record is of the method's own section, so that its sizes must be there first.
     *
     * @throws IllegalArgumentException where a size was not read, or there is no length that the way is of
     */
    public Piece piece(Readings sizes, Pinned pinned, Piece.By by, OptionalDouble compliance, OptionalDouble capacity) {
        return new Piece(form(sizes, pinned, by), by, compliance, capacity);
    }

    private Loading.Form form(Readings sizes, Pinned pinned, Piece.By by) {
        return switch (loading) {
            case PULL -> {
                Optional<String> length = by == Piece.By.EXTENSOMETER ? gauge : travel;
                // Without a length a travel is no strain, and a percentage of it would be one all the same.
                String key = length.orElseThrow(() -> new IllegalArgumentException(
                        "the method knows no length that the crosshead's travel is of: it is read at the marks"));
                yield new Loading.Form(Loading.PULL, sizes.section().area(), pinned.value(key));
            }
            case BEND_BAR -> Loading.bar(sizes.number("width"), sizes.number("thickness"), span(pinned));
            case BEND_ROD -> Loading.rod(sizes.number("diameter"), span(pinned));
            case SHEAR_PIN -> Loading.pin(sizes.number("diameter"));
            case TWIST_ROD -> Loading.twisted(sizes.number("diameter"), span(pinned));
            case PULL_OUT -> Loading.of(Loading.PULL_OUT);
            case HOLD -> {
                if (by == Piece.By.CROSSHEAD) {
                    throw new IllegalArgumentException(
                            "a load that hangs has no crosshead: the extension is read on the specimen");
                }
                // The stress is the load's, and no record of extension has it.
                if (sizes.mean("mass").isEmpty()) {
                    throw new IllegalArgumentException(
                            "the mass that hung is not typed yet: type it at the bench first, no record of extension"
                                    + " has it");
                }
                yield Loading.of(Loading.HOLD);
            }
        };
    }

    private double span(Pinned pinned) {
        return pinned.value(gauge.orElseThrow());
    }

    /**
     * Works a record out.
     *
     * @param piece of this method, as {@link #piece} has it
     * @throws IllegalArgumentException in words for a record on which nothing was pulled
     */
    public Found find(Trace trace, Piece piece, Rules rules) {
        return loading.isHeld() ? held(trace, piece, rules) : pulled(trace, piece, rules);
    }

    private Found held(Trace trace, Piece piece, Rules rules) {
        Held held = Held.of(trace, piece, rules);
        Map<String, Double> values = new LinkedHashMap<>();
        Map<String, List<Double>> rows = new LinkedHashMap<>();
        Map<String, String> missing = new LinkedHashMap<>();
        finds.forEach((key, find) -> {
            switch (find.what()) {
                case TIMES -> rows.put(key, held.times());
                case EXTENSIONS -> rows.put(key, held.extensions());
                case LEFT_AFTER_UNLOADING -> put(key, held.left(), held.whyNothingLeft(), values, missing);
                default -> put(key, held.brokenBy(), "it is not seen to break", values, missing);
            }
        });
        return new Found(held.analysis(), values, rows, missing);
    }

    private static void put(
            String key, OptionalDouble value, String whyNot, Map<String, Double> values, Map<String, String> missing) {
        if (value.isPresent()) {
            values.put(key, value.getAsDouble());
        } else {
            missing.put(key, whyNot);
        }
    }

    private Found pulled(Trace trace, Piece piece, Rules rules) {
        Analysis analysis = Analysis.of(trace, piece, rules);
        Map<String, Double> values = new LinkedHashMap<>();
        Map<String, String> missing = new LinkedHashMap<>();
        finds.forEach((key, find) -> {
            OptionalDouble value = value(trace, piece, analysis, find);
            if (value.isPresent() && Double.isFinite(value.getAsDouble()) && value.getAsDouble() > 0) {
                values.put(key, value.getAsDouble());
            } else {
                missing.put(key, why(find, analysis, piece));
            }
        });
        return new Found(analysis, values, Map.of(), missing);
    }

    private static OptionalDouble value(Trace trace, Piece piece, Analysis found, Find find) {
        boolean strain = piece.by() == Piece.By.EXTENSOMETER;
        double area = piece.area();
        double length = piece.length();
        return switch (find.what()) {
            case LOAD_AT_STRENGTH -> OptionalDouble.of(found.strength() * area);
            case LOAD_AT_YIELD ->
                strain || isMaximum(found) ? times(found.yieldStress(), area) : OptionalDouble.empty();
            case EXTENSION_AT_YIELD -> strain ? times(found.yieldStrain(), length) : OptionalDouble.empty();
            case EXTENSION_AT_STRENGTH ->
                strain ? OptionalDouble.of(found.strainAtStrength() * length) : OptionalDouble.empty();
            case EXTENSION_AT_BREAK -> strain ? times(found.strainAtBreak(), length) : OptionalDouble.empty();
            case TRAVEL_AT_STRENGTH ->
                strain ? OptionalDouble.empty() : OptionalDouble.of(found.strainAtStrength() * length);
            case TRAVEL_AT_BREAK -> strain ? OptionalDouble.empty() : times(found.strainAtBreak(), length);
            case WAY_AT_END -> OptionalDouble.of(own(trace, piece, found.end()) - found.zero());
            case LENGTH_AT_BREAK ->
                strain && found.strainAtBreak().isPresent()
                        ? OptionalDouble.of(length * (1 + found.strainAtBreak().getAsDouble()))
                        : OptionalDouble.empty();
            case SLOPE -> strain ? times(found.slope().modulus(), area / length) : OptionalDouble.empty();
            case APPARENT_SLOPE ->
                strain ? OptionalDouble.empty() : times(found.slope().modulus(), area / length);
            case ENERGY -> strain ? OptionalDouble.of(found.energy()) : OptionalDouble.empty();
            case LOAD_AT -> loadAt(trace, piece, found, find.at());
            case LOAD_AT_STRAIN -> strain ? loadAt(trace, piece, found, find.at() * length) : OptionalDouble.empty();
            case TIMES, EXTENSIONS, LEFT_AFTER_UNLOADING, FOUND_BROKEN -> throw heldAlone(find);
        };
    }

    /** Whether its yield is a maximum of the force, for which it is all the same what read the way. */
    private static boolean isMaximum(Analysis found) {
        return found.at(Analysis.Point.Kind.YIELD)
                .filter(point -> point.how().equals(Analysis.FIRST_MAXIMUM))
                .isPresent();
    }

    private static OptionalDouble times(OptionalDouble value, double factor) {
        return value.isPresent() ? OptionalDouble.of(value.getAsDouble() * factor) : value;
    }

    /** What the specimen itself went, without what the frame gave way. */
    private static double own(Trace trace, Piece piece, int i) {
        return trace.extension(i) - piece.compliance().orElse(0) * trace.force(i);
    }

    private static OptionalDouble loadAt(Trace trace, Piece piece, Analysis found, double way) {
        double at = found.zero() + way;
        for (int i = 1; i <= found.end(); i++) {
            double before = own(trace, piece, i - 1);
            double here = own(trace, piece, i);
            if (before <= at && here >= at && here > before) {
                double share = (at - before) / (here - before);
                return OptionalDouble.of(trace.force(i - 1) + share * (trace.force(i) - trace.force(i - 1)));
            }
        }
        return OptionalDouble.empty();
    }

    private static IllegalStateException heldAlone(Find find) {
        return new IllegalStateException(find.what() + " is found under a load that hangs alone");
    }

    private static String why(Find find, Analysis found, Piece piece) {
        boolean strain = piece.by() == Piece.By.EXTENSOMETER;
        return switch (find.what()) {
            case LOAD_AT_YIELD ->
                found.yieldStress().isEmpty()
                        ? found.whyNoYield()
                        : "an offset of the crosshead's travel is none of the specimen's strain";
            case EXTENSION_AT_YIELD -> strain ? found.whyNoYield() : "the crosshead's travel is no extension";
            case EXTENSION_AT_STRENGTH -> "the crosshead's travel is no extension";
            case EXTENSION_AT_BREAK, LENGTH_AT_BREAK ->
                strain ? "it did not break within the record" : "the crosshead's travel is no extension";
            case TRAVEL_AT_STRENGTH -> "an extensometer read it, and not the crosshead";
            case TRAVEL_AT_BREAK ->
                strain ? "an extensometer read it, and not the crosshead" : "it did not break within the record";
            case SLOPE ->
                strain
                        ? found.slope().refused()
                        : "the crosshead's travel has grips and frame in it: its slope is an apparent modulus";
            case APPARENT_SLOPE ->
                strain ? "an extensometer read it" : found.slope().refused();
            case LOAD_AT, LOAD_AT_STRAIN ->
                strain || find.what() == What.LOAD_AT
                        ? "the record does not come that far"
                        : "the crosshead's travel is no extension";
            case ENERGY -> "the crosshead's travel has grips and frame in it";
            case LOAD_AT_STRENGTH, WAY_AT_END -> "nothing above zero was found";
            case TIMES, EXTENSIONS, LEFT_AFTER_UNLOADING, FOUND_BROKEN -> throw heldAlone(find);
        };
    }
}
