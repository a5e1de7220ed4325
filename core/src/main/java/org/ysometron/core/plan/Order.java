package org.ysometron.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;

/**
 * The order in which specimens are tested, and the places they change through in a chamber: by chance, from a number that
 * is kept, so that nobody chooses and anybody can repeat it.
 */
public final class Order {

    /** An odd number without pattern (the golden ratio), so that neighbouring keys draw from far apart. */
    private static final long SPREAD = 0x9E3779B97F4A7C15L;

    private Order() {}

    /**
     * The keys in an order by chance that stays when more are added: each key draws its own number, and the numbers sort.
     * Complete randomisation, so that warming up, wear and the hour of the day fall on every set alike (Fisher 1935, from
     * memory).
     *
     * @param keys distinct
     * @param seed the same number gives the same order
     */
    public static List<Long> ranked(List<Long> keys, long seed) {
        return keys.stream()
                .sorted(Comparator.comparing((Long key) -> new SplittableRandom(seed ^ (key * SPREAD)).nextLong())
                        .thenComparing(key -> key))
                .toList();
    }

    /** How many neighbours in the order are of another kind than the one before: none when one set follows the other. */
    public static <T> int changes(List<T> kinds) {
        int changes = 0;
        for (int i = 1; i < kinds.size(); i++) {
            if (!kinds.get(i).equals(kinds.get(i - 1))) {
                changes++;
            }
        }
        return changes;
    }

    /**
     * Places by cycle: in each cycle every specimen has a place of its own, and none comes to the same place twice while
     * there are places left: rows of a cyclic Latin square in an order by chance.
     *
     * @param specimens how many, at least 1
     * @param places how many places the chamber has, not fewer than specimens
     * @param cycles how many times they go in, at least 1
     * @return for each cycle the place, from 0, of each specimen
     */
    public static List<List<Integer>> places(int specimens, int places, int cycles, long seed) {
        if (specimens < 1 || places < specimens || cycles < 1) {
            throw new IllegalArgumentException(specimens + " specimens do not fit " + places
                    + " places, or no cycle was asked for; take a larger chamber or two runs");
        }
        List<Integer> ring = new ArrayList<>();
        for (int place = 0; place < places; place++) {
            ring.add(place);
        }
        Collections.shuffle(ring, new Random(seed));
        // A step that divides the ring into as many parts as there are cycles sends each specimen furthest around.
        int step = Math.max(1, places / cycles);
        List<List<Integer>> byCycle = new ArrayList<>();
        for (int cycle = 0; cycle < cycles; cycle++) {
            List<Integer> row = new ArrayList<>();
            for (int specimen = 0; specimen < specimens; specimen++) {
                row.add(ring.get((specimen + cycle * step) % places));
            }
            byCycle.add(List.copyOf(row));
        }
        return List.copyOf(byCycle);
    }
}
