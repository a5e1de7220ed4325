package org.ysometron.app.plan;

import java.time.LocalDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.ysometron.app.lot.LotView;

/** How far lots are; answered by later rooms, which know the readings. */
public interface Progress {

    /**
     * Something that ends, or is to be read, at a known time.
     *
     * @param words what is to be done then
     */
    record Event(String words, LocalDateTime at) {}

    /**
     * One lot.
     *
     * @param dry whether its material is dry, or need not be
     * @param measured specimens with a measured section
     * @param tested specimens broken, or read to the end
     * @param spoilt those of them whose end makes no figure: slipped, broke at a grip, void
     * @param untreated specimens that are planned after a programme and were in no run of it
     * @param givenUp specimens that will not be tested: neither done nor waited for, the plan needs others in their place
     * @param begun since when tests that run for days are under way, by specimen
     * @param ready when conditioned specimens are ready, by set
     */
    record Done(
            boolean dry,
            Set<Long> measured,
            Set<Long> tested,
            Set<Long> spoilt,
            Set<Long> untreated,
            Set<Long> givenUp,
            Map<Long, LocalDateTime> begun,
            Map<Long, LocalDateTime> ready,
            List<Event> events) {

        /** Whether a specimen is one that the plan can count on. */
        public boolean countsOn(long specimen) {
            return tested.contains(specimen) || !givenUp.contains(specimen);
        }

        /** Nothing is known. */
        public static final Done NOTHING =
                new Done(false, Set.of(), Set.of(), Set.of(), Set.of(), Set.of(), Map.of(), Map.of(), List.of());
    }

    /** How far several lots are. */
    Map<Long, Done> of(Collection<LotView> lots);
}
