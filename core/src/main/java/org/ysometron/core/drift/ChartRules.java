package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Which rules are on for a series: patterns of the lot means, a change from the lot before beyond its limit, a scatter within the lot beyond its limit.
 *
 * @param runs patterns of the lot means
 * @param range whether a change from the lot before beyond its limit is a signal
 * @param scatter whether a scatter within the lot beyond its limit is one
 */
public record ChartRules(Set<RunRule> runs, boolean range, boolean scatter) {

    /** Name of the rule about the change from the lot before. */
    public static final String RANGE = "RANGE_BEYOND_LIMIT";

    /** Name of the rule about the scatter within the lot. */
    public static final String SCATTER = "SPREAD_BEYOND_LIMIT";

    /** On unless a series says otherwise. */
    public static final ChartRules USUAL = new ChartRules(RunRule.USUAL, true, true);

    /** Copies the set. */
    public ChartRules {
        runs = runs.isEmpty() ? Set.of() : Set.copyOf(runs);
    }

    /** One rule: its name, and what it looks for. */
    public record Named(String name, String words) {}

    /** Every rule there is, in the order in which they are named. */
    public static List<Named> all() {
        List<Named> all = new ArrayList<>();
        for (RunRule rule : RunRule.values()) {
            all.add(new Named(rule.name(), rule.looksFor()));
        }
        all.add(new Named(RANGE, "a change from the lot before beyond its limit"));
        all.add(new Named(SCATTER, "scatter within the lot beyond its limit"));
        return all;
    }

    /**
     * The rules of these names.
     *
     * @throws IllegalArgumentException for a name that is none of {@link #all()}
     */
    public static ChartRules named(Collection<String> names) {
        EnumSet<RunRule> runs = EnumSet.noneOf(RunRule.class);
        for (String name : names) {
            if (isOfMeans(name)) {
                runs.add(RunRule.valueOf(name));
            }
        }
        return new ChartRules(runs, names.contains(RANGE), names.contains(SCATTER));
    }

    /** Whether a rule of this name looks at the lot means alone. */
    public static boolean isOfMeans(String name) {
        return !name.equals(RANGE) && !name.equals(SCATTER);
    }

    /** Their names, in the order of {@link #all()}. */
    public List<String> names() {
        return all().stream().map(Named::name).filter(this::isOn).toList();
    }

    /** What they look for, in words. */
    public String words() {
        return String.join(
                "; ",
                all().stream().filter(rule -> isOn(rule.name)).map(Named::words).toList());
    }

    /** Whether the rule of this name is on. */
    public boolean isOn(String name) {
        return switch (name) {
            case RANGE -> range;
            case SCATTER -> scatter;
            default -> runs.stream().anyMatch(rule -> rule.name().equals(name));
        };
    }

    /** Whether no rule is on. */
    public boolean isNone() {
        return runs.isEmpty() && !range && !scatter;
    }
}
