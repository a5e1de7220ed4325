package org.ysometron.core.claim;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * How a part as printed is built, factor by factor. Each may be <em>not stated</em>, which compares with nothing, not even
 * with another that is not stated: three walls say nothing about a part whose walls nobody names.
 *
 * @param walls perimeters, 0 to 50
 * @param lineWidth of one of them in mm, 0.05 to 5
 * @param layer height in mm, 0.005 to 2
 * @param tops solid layers that close it above and below, 0 to 100
 * @param infill share of the inside that is filled, in %, 0 to 100
 * @param pattern of the infill, a word in small letters; "none" where nothing is filled; empty when not stated
 */
public record Build(
        OptionalDouble walls,
        OptionalDouble lineWidth,
        OptionalDouble layer,
        OptionalDouble tops,
        OptionalDouble infill,
        String pattern) {

    /** Nothing is stated: of a solid specimen there is nothing to state. */
    public static final Build NONE = new Build(
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            "");

    /** As it is typed where nothing else is known of it. */
    public static final String EXAMPLE = "3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 20 % gyroid";

    private static final String FIELD = "Walls and infill";
    private static final UnitOfMeasure MM = UnitOfMeasure.working(Dimension.LENGTH);
    private static final String NUMBER = "(\\d+(?:[.,]\\d+)?(?:\\s*(?:mm|µm|um|in|mil))?)";
    private static final Pattern WALLS = Pattern.compile("(no|\\d+)\\s*walls?(?:\\s*(?:of|[x×])\\s*" + NUMBER + ")?");
    private static final Pattern WALLS_BY_WIDTH = Pattern.compile("(\\d+)\\s*[x×]\\s*" + NUMBER + "(?:\\s*walls?)?");
    private static final Pattern LINES = Pattern.compile("lines?(?:\\s+width)?(?:\\s+of)?\\s*" + NUMBER);
    private static final Pattern LAYER = Pattern.compile("layers?(?:\\s+height)?(?:\\s+of)?\\s*" + NUMBER);
    private static final Pattern TOPS = Pattern.compile("(no|\\d+)\\s*tops?(?:\\s+and\\s+bottoms?)?");
    private static final Pattern INFILL = Pattern.compile(
            "(?:infill\\s*)?(\\d+(?:[.,]\\d+)?)\\s*%\\s*(?:infill\\b\\s*)?([a-z][a-z-]{0,23})?(?:\\s+infill)?");
    private static final Pattern UNSTATED =
            Pattern.compile("(?:walls|line width|layer|tops|infill|pattern) not stated");

    /** What was read, or why it could not be. */
    public sealed interface Read {

        /** It could be read. */
        record Accepted(Build value) implements Read {}

        /** It could not. */
        record Refused(Problem problem) implements Read {}
    }

    /** Checks the ranges. */
    public Build {
        require("walls", walls, 0, 50, true);
        require("line width", lineWidth, 0.05, 5, false);
        require("layer", layer, 0.005, 2, false);
        require("tops", tops, 0, 100, true);
        require("infill", infill, 0, 100, false);
        if (!pattern.matches("[a-z-]{0,24}")) {
            throw new IllegalArgumentException("a pattern is one word in small letters, not '" + pattern + "'");
        }
        boolean empty = infill.isPresent() && infill.getAsDouble() == 0;
        pattern = empty ? "none" : pattern;
    }

    private static void require(String name, OptionalDouble value, double low, double high, boolean whole) {
        if (value.isEmpty()) {
            return;
        }
        double stated = value.getAsDouble();
        if (!(stated >= low && stated <= high) || (whole && stated != Math.rint(stated))) {
            throw new IllegalArgumentException(name + " is " + (whole ? "a whole number " : "") + "from " + plain(low)
                    + " to " + plain(high) + ", not " + (Double.isFinite(stated) ? plain(stated) : "infinite"));
        }
    }

    /**
     * Reads factors as people write them, in any order: {@value #EXAMPLE}. A part that names no factor is refused, for what is not
     * understood cannot be compared.
     *
     * @param typed parted by commas or semicolons; blank states nothing
     */
    public static Read read(String typed) {
        try {
            return new Read.Accepted(new Reading().of(typed));
        } catch (IllegalArgumentException wrong) {
            return new Read.Refused(
                    new Problem(FIELD, String.valueOf(wrong.getMessage()), "for example " + EXAMPLE, ""));
        }
    }

    /**
     * The same under a basis: of anything but a part as printed there is nothing to state.
     *
     * @param basis as far as it is stated
     */
    public static Read read(String typed, Optional<Basis> basis) {
        return typed.isBlank() || basis.equals(Optional.of(Basis.AS_PRINTED))
                ? read(typed)
                : new Read.Refused(
                        new Problem(FIELD, "they are said of a part as printed", "nothing here, or that basis", ""));
    }

    /** Factors found so far; none is given twice. */
    private static final class Reading {

        private final Map<String, Double> found = new TreeMap<>();
        private String pattern = "";

        Build of(String typed) {
            for (String part : typed.strip().toLowerCase(Locale.ROOT).split(";|,(?!\\d)", -1)) {
                if (!part.isBlank()) {
                    part(part.strip());
                }
            }
            return new Build(get("walls"), get("line width"), get("layer"), get("tops"), get("infill"), pattern);
        }

        private OptionalDouble get(String factor) {
            return found.containsKey(factor) ? OptionalDouble.of(found.get(factor)) : OptionalDouble.empty();
        }

        private void part(String part) {
            Matcher walls = WALLS.matcher(part);
            Matcher byWidth = WALLS_BY_WIDTH.matcher(part);
            Matcher lines = LINES.matcher(part);
            Matcher layer = LAYER.matcher(part);
            Matcher tops = TOPS.matcher(part);
            Matcher infill = INFILL.matcher(part);
            if (walls.matches() || byWidth.matches()) {
                Matcher matched = walls.matches() ? walls : byWidth;
                put("walls", () -> count(matched.group(1)), part);
                if (matched.group(2) != null) {
                    put("line width", () -> length("line width", matched.group(2)), part);
                }
            } else if (lines.matches()) {
                put("line width", () -> length("line width", lines.group(1)), part);
            } else if (layer.matches()) {
                put("layer", () -> length("layer", layer.group(1)), part);
            } else if (tops.matches()) {
                put("tops", () -> count(tops.group(1)), part);
            } else if (infill.matches()) {
                put("infill", () -> Double.parseDouble(infill.group(1).replace(',', '.')), part);
                pattern = infill.group(2) == null ? "" : infill.group(2);
            } else if (!UNSTATED.matcher(part).matches()) {
                throw new IllegalArgumentException("'" + part + "' names no walls, line width, layer, tops or infill");
            }
        }

        private void put(String factor, Supplier<Double> value, String part) {
            if (found.put(factor, value.get()) != null) {
                throw new IllegalArgumentException("'" + part + "' states the " + factor + " a second time");
            }
        }

        private static double count(String typed) {
            return typed.equals("no") ? 0 : Double.parseDouble(typed);
        }

        private static double length(String name, String typed) {
            Typed read = Typed.read(name, typed, MM);
            if (read instanceof Typed.Accepted accepted) {
                return new BigDecimal(accepted.value())
                        .round(new MathContext(4))
                        .doubleValue();
            }
            throw new IllegalArgumentException(((Typed.Refused) read).problem().found());
        }
    }

    /** Whether no factor is stated. */
    public boolean isNone() {
        return equals(NONE);
    }

    /** The factors with what is stated of each, in their order; empty where nothing is. */
    public List<Map.Entry<String, String>> factors() {
        return List.of(
                Map.entry("walls", walls.isPresent() ? plain(walls.getAsDouble()) : ""),
                Map.entry("line width", length(lineWidth)),
                Map.entry("layer", length(layer)),
                Map.entry("tops", tops.isPresent() ? plain(tops.getAsDouble()) : ""),
                Map.entry("infill", infill.isPresent() ? plain(infill.getAsDouble()) + " %" : ""),
                Map.entry("pattern", pattern));
    }

    /** Names of the factors that are not stated. */
    public List<String> unstated() {
        return factors().stream()
                .filter(factor -> factor.getValue().isEmpty())
                .map(Map.Entry::getKey)
                .toList();
    }

    /** What is stated, as it can be read again; empty when nothing is. */
    public String words() {
        List<String> parts = new ArrayList<>();
        walls.ifPresent(count -> parts.add((count == 0 ? "no walls" : plain(count) + (count == 1 ? " wall" : " walls"))
                + (lineWidth.isPresent() ? " of " + length(lineWidth) : "")));
        if (walls.isEmpty() && lineWidth.isPresent()) {
            parts.add("line width " + length(lineWidth));
        }
        layer.ifPresent(height -> parts.add("layer " + length(layer)));
        tops.ifPresent(count -> parts.add(count == 0 ? "no tops" : plain(count) + (count == 1 ? " top" : " tops")));
        infill.ifPresent(share -> parts.add(
                plain(share) + " %" + (pattern.isEmpty() ? " infill" : share == 0 ? " infill" : " " + pattern)));
        return String.join(", ", parts);
    }

    /** What is stated, and the names of what is not; empty when nothing is. */
    public String told() {
        List<String> silent = unstated();
        return isNone() || silent.isEmpty() ? words() : words() + " (" + String.join(", ", silent) + " not stated)";
    }

    /** The factors as a key: one word for each that is stated, in their order, in ASCII. */
    public String key() {
        return factors().stream()
                .filter(factor -> !factor.getValue().isEmpty())
                .map(factor -> factor.getKey().replace(' ', '-') + "="
                        + factor.getValue().replaceAll(" .*", ""))
                .collect(Collectors.joining(";"));
    }

    /**
     * The factors of a key.
     *
     * @throws IllegalArgumentException when it is none
     */
    public static Build ofKey(String key) {
        Map<String, String> values = new TreeMap<>();
        for (String part : key.split(";")) {
            if (!part.isEmpty()) {
                String[] pair = part.split("=", 2);
                if (pair.length < 2) {
                    throw new IllegalArgumentException("'" + key + "' is no key of a build");
                }
                values.put(pair[0], pair[1]);
            }
        }
        Build build = new Build(
                number(values, "walls"),
                number(values, "line-width"),
                number(values, "layer"),
                number(values, "tops"),
                number(values, "infill"),
                Optional.ofNullable(values.remove("pattern")).orElse(""));
        if (!values.isEmpty()) {
            throw new IllegalArgumentException("'" + key + "' is no key of a build");
        }
        return build;
    }

    private static OptionalDouble number(Map<String, String> values, String name) {
        String value = values.remove(name);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(value));
    }

    private static String length(OptionalDouble value) {
        return value.isPresent() ? plain(value.getAsDouble()) + " mm" : "";
    }

    private static String plain(double value) {
        return value == 0
                ? "0"
                : new BigDecimal(String.valueOf(value)).stripTrailingZeros().toPlainString();
    }
}
