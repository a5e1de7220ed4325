package org.ysometron.core.claim;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What no claim speaks of and what starts a series of its own all the same, factor by factor: a machine is a level, and n counts one
 * level's specimens.
 *
 * @param printer name in the register; empty when nobody said, or when they were bought
 * @param recipe revision of the frozen recipe, from 1; 0 without one
 * @param maker who made them, on what and by which file, where they were bought; empty otherwise
 * @param rig frame, grips and fixture that they are tested in, with the mark of the site's method; empty when nobody said
 * @param changed settings of the run that differed from the recipe and matter, in words; empty where none did
 * @param rework what was done to them that keeps them apart, in words; empty where nothing was
 */
public record Setup(String printer, int recipe, String changed, String maker, String rig, String rework) {

    /** Nobody said. */
    public static final Setup NONE = new Setup("", 0, "", "", "", "");

    private static final String PARTED = "|";

    /** Keeps what parts the factors of a key out of their words. */
    public Setup {
        if (recipe < 0) {
            throw new IllegalArgumentException("a recipe's revision is at least 1, not " + recipe);
        }
        printer = plain(printer);
        changed = plain(changed);
        maker = plain(maker);
        rig = plain(rig);
        rework = plain(rework);
    }

    /** Made as the recipe says. */
    public Setup(String printer, int recipe, String maker, String rig, String rework) {
        this(printer, recipe, "", maker, rig, rework);
    }

    /** The same with settings that differed from the recipe. */
    public Setup changed(String settings) {
        return new Setup(printer, recipe, settings, maker, rig, rework);
    }

    /** Printed by a frozen recipe. */
    public static Setup printed(String printer, int recipe) {
        return new Setup(printer, recipe, "", "", "");
    }

    /** Bought, with maker, machine and file in words. */
    public static Setup bought(String maker) {
        return new Setup("", 0, maker, "", "");
    }

    /** The same in a rig, with what was done to the specimens. */
    public Setup tested(String inRig, String after) {
        return new Setup(printer, recipe, changed, maker, inRig, after);
    }

    /** Whether nobody said anything. */
    public boolean isNone() {
        return equals(NONE);
    }

    /** All of it in one line; empty when nobody said anything. */
    public String words() {
        String made = recipe > 0 ? printer + ", recipe " + recipe : printer;
        return Stream.of(made, changed.isEmpty() ? "" : "but " + changed, maker, rig, rework)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("; "));
    }

    /** The factors in which another set-up differs, each with both its words. */
    public List<String> differences(Setup other) {
        List<String> found = new ArrayList<>();
        Map<String, String> others = other.factors();
        factors().forEach((factor, words) -> {
            String there = others.getOrDefault(factor, "");
            if (!words.equals(there)) {
                found.add(factor + " " + orNone(words) + " and " + orNone(there));
            }
        });
        return found;
    }

    /** The factors as a key. */
    public String key() {
        return factors().entrySet().stream()
                .filter(factor -> !factor.getValue().isEmpty())
                .map(factor -> factor.getKey() + "=" + factor.getValue())
                .collect(Collectors.joining(PARTED));
    }

    /**
     * The factors of a key.
     *
     * @throws IllegalArgumentException when it is none
     */
    public static Setup ofKey(String key) {
        Map<String, String> values = new LinkedHashMap<>();
        for (String part : key.split("\\|")) {
            if (!part.isEmpty()) {
                String[] pair = part.split("=", 2);
                if (pair.length < 2 || !NONE.factors().containsKey(pair[0])) {
                    throw new IllegalArgumentException("'" + key + "' is no key of a set-up");
                }
                values.put(pair[0], pair[1]);
            }
        }
        return new Setup(
                values.getOrDefault("printer", ""),
                Integer.parseInt(values.getOrDefault("recipe", "0")),
                values.getOrDefault("changed", ""),
                values.getOrDefault("maker", ""),
                values.getOrDefault("rig", ""),
                values.getOrDefault("rework", ""));
    }

    private Map<String, String> factors() {
        Map<String, String> factors = new LinkedHashMap<>();
        factors.put("printer", printer);
        factors.put("recipe", recipe == 0 ? "" : String.valueOf(recipe));
        factors.put("changed", changed);
        factors.put("maker", maker);
        factors.put("rig", rig);
        factors.put("rework", rework);
        return factors;
    }

    private static String orNone(String words) {
        return words.isEmpty() ? "none" : words;
    }

    private static String plain(String words) {
        return words.replace(PARTED, "/").strip();
    }
}
