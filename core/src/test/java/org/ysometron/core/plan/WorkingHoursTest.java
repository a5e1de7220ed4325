package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.ysometron.core.plan.Schedule.Attention;
import org.ysometron.core.plan.Schedule.Ground;
import org.ysometron.core.plan.Schedule.Job;
import org.ysometron.core.plan.Schedule.Plan;
import org.ysometron.core.plan.Schedule.Running;
import org.ysometron.core.plan.Schedule.Slot;

class WorkingHoursTest {

    private static final LocalDateTime START = LocalDateTime.of(2026, 3, 2, 0, 0);

    /** Minutes counted one by one between two times in which somebody is there. */
    private static long worked(WorkingHours hours, LocalDateTime from, LocalDateTime to) {
        long minutes = 0;
        for (LocalDateTime at = from; at.isBefore(to); at = at.plusMinutes(1)) {
            boolean inside = !at.toLocalTime().isBefore(hours.begins())
                    && at.toLocalTime().isBefore(hours.ends())
                    && hours.isWorkday(at);
            minutes += inside ? 1 : 0;
        }
        return minutes;
    }

    @Property(tries = 60)
    void workTakesAsManyWorkingMinutesAsItNeeds(
            @ForAll @IntRange(min = 0, max = 14 * 24 * 60) int offset,
            @ForAll @IntRange(min = 1, max = 3000) int minutes) {
        WorkingHours hours = new WorkingHours(LocalTime.of(8, 30), LocalTime.of(15, 0));
        LocalDateTime begun = hours.from(START.plusMinutes(offset));
        LocalDateTime done = hours.done(begun, minutes);
        assertThat(hours.isWorkday(begun)).isTrue();
        assertThat(worked(hours, begun, done)).isEqualTo(minutes);
        assertThat(hours.from(begun)).isEqualTo(begun);
    }

    @Property(tries = 60)
    void whatFitsADayEndsOnTheDayItBegan(
            @ForAll @IntRange(min = 0, max = 14 * 24 * 60) int offset,
            @ForAll @IntRange(min = 1, max = 540) int minutes) {
        LocalDateTime begun = WorkingHours.USUAL.fitting(START.plusMinutes(offset), minutes);
        assertThat(WorkingHours.USUAL.done(begun, minutes).toLocalDate()).isEqualTo(begun.toLocalDate());
    }

    @Test
    void aDayThatEndsBeforeItBeginsIsRefused() {
        assertThatThrownBy(() -> new WorkingHours(LocalTime.of(16, 0), LocalTime.of(7, 0)))
                .hasMessageContaining("must begin before it ends");
    }

    /** Any network on any ground: order, capacity, hours, delays and what runs already are kept, and chains have no gap. */
    @Property(tries = 80)
    void everyPlanKeepsItsGround(@ForAll @IntRange(min = 1, max = 40) int count, @ForAll long seed) {
        Random chance = new Random(seed);
        List<String> resources = List.of("", "oven", "printer", "bench");
        List<Job> jobs = new ArrayList<>();
        Map<String, LocalDateTime> notBefore = new HashMap<>();
        for (int i = 0; i < count; i++) {
            List<String> after = new ArrayList<>();
            for (int j = 0; j < i; j++) {
                if (chance.nextInt(6) == 0) {
                    after.add("s" + j);
                }
            }
            if (chance.nextInt(8) == 0) {
                after.add("runs");
            }
            Attention attention = Attention.values()[chance.nextInt(3)];
            jobs.add(new Job(
                    "s" + i,
                    attention,
                    1 + chance.nextInt(900),
                    after,
                    resources.get(chance.nextInt(resources.size()))));
            if (chance.nextInt(7) == 0) {
                notBefore.put("s" + i, START.plusHours(chance.nextInt(200)));
            }
        }
        Map<String, Integer> capacities = Map.of("oven", 2, "printer", 1, "bench", 1);
        Running running =
                new Running(new Job("runs", Attention.ALONE, 600, List.of(), "oven"), START.minusMinutes(100));
        Plan plan =
                Schedule.forwards(jobs, new Ground(capacities, WorkingHours.USUAL, List.of(running), notBefore), START);

        assertThat(plan.slots()).hasSize(count + 1);
        assertThat(plan.slot("runs").start()).isEqualTo(START.minusMinutes(100));
        for (Slot slot : plan.slots()) {
            for (String id : slot.job().after()) {
                assertThat(plan.slot(id).end()).isBeforeOrEqualTo(slot.start());
            }
            LocalDateTime wished = notBefore.get(slot.job().id());
            if (wished != null) {
                assertThat(slot.start()).isAfterOrEqualTo(wished);
            }
            if (!slot.job().id().equals("runs") && slot.job().attention() != Attention.ALONE) {
                assertThat(WorkingHours.USUAL.from(slot.start())).isEqualTo(slot.start());
            }
            int most = capacities.getOrDefault(slot.job().resource(), Integer.MAX_VALUE);
            long there = plan.slots().stream()
                    .filter(other -> other.job().resource().equals(slot.job().resource()))
                    .filter(other ->
                            !other.start().isAfter(slot.start()) && other.end().isAfter(slot.start()))
                    .count();
            assertThat(there).isLessThanOrEqualTo(most);
            // The chain to a step: each waited for the one before, so none begins before that one ended.
            List<String> chain = plan.chainTo(slot.job().id());
            assertThat(chain).last().isEqualTo(slot.job().id());
            for (int i = 1; i < chain.size(); i++) {
                assertThat(plan.slot(chain.get(i)).start())
                        .isAfterOrEqualTo(plan.slot(chain.get(i - 1)).end());
            }
        }
        assertThat(plan.chain())
                .isEqualTo(plan.chainTo(plan.chain().get(plan.chain().size() - 1)));
        assertThat(plan.slot(plan.chain().get(plan.chain().size() - 1)).end()).isEqualTo(plan.finish());
    }

    @Test
    void anUnknownStepHasNoChain() {
        Plan plan = Schedule.forwards(
                List.of(
                        new Job("a", Attention.ALONE, 5, List.of("b", "b"), ""),
                        new Job("b", Attention.ALONE, 5, List.of(), "")),
                Map.of(),
                START);
        assertThat(plan.chainTo("c")).isEmpty();
        assertThat(plan.chainTo("a")).containsExactly("b", "a");
        assertThat(plan.slots()).hasSize(2);
    }
}
