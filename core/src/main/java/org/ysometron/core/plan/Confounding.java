package org.ysometron.core.plan;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Whether an effect can be told from another that always came with it: when every flat bar was cured lying and every
 * upright one standing, nobody can say whether orientation or cure made the difference. Completely confounded factors of a
 * design (Box, Hunter and Hunter, from memory).
 */
public final class Confounding {

    private Confounding() {}

    /**
     * Looks at two properties of the same specimens.
     *
     * @param name of the first, such as "orientation"
     * @param levels its level, one a specimen
     * @param otherName of the second, such as "pose in the cure chamber"
     * @param others its level, same specimens in the same order
     * @return what cannot be told apart; empty when the second does not change, or changes within a level of the first
     */
    public static Optional<String> between(String name, List<String> levels, String otherName, List<String> others) {
        if (levels.size() != others.size()) {
            throw new IllegalArgumentException("both need one level a specimen");
        }
        Map<String, Set<String>> byLevel = new HashMap<>();
        for (int i = 0; i < levels.size(); i++) {
            byLevel.computeIfAbsent(levels.get(i), level -> new HashSet<>()).add(others.get(i));
        }
        Set<Set<String>> distinct = new HashSet<>(byLevel.values());
        boolean each = byLevel.values().stream().allMatch(set -> set.size() == 1);
        boolean confounded = each && distinct.size() > 1;
        return confounded
                ? Optional.of("The effect of " + name + " is confounded with " + otherName + ": each " + name
                        + " had one of its own. Repeat with both mixed before either is blamed.")
                : Optional.empty();
    }
}
