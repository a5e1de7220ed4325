package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.ysometron.core.plan.Schedule.Attention.ALONE;
import static org.ysometron.core.plan.Schedule.Attention.ATTENDED;
import static org.ysometron.core.plan.Schedule.Attention.BEGUN;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.ysometron.core.plan.Schedule.Attention;
import org.ysometron.core.plan.Schedule.Job;
import org.ysometron.core.plan.Schedule.Plan;
import org.ysometron.core.plan.Schedule.Slot;

class ScheduleTest {

    /** A Monday, within working hours (7:00 to 16:00, Monday to Friday). */
    private static final LocalDateTime MONDAY = LocalDateTime.of(2026, 3, 2, 8, 0);

    private static Job job(String id, Attention attention, long hours, String resource, String... after) {
        return new Job(id, attention, hours * 60, List.of(after), resource);
    }

    /** A lot by hand: dry 6 h from Monday 8:00, print 9 h begun at 14:00, condition 88 h, break 2 h. */
    @Test
    void aLotWorkedByHand() {
        Plan plan = Schedule.forwards(
                List.of(
                        job("dry", BEGUN, 6, "oven"),
                        job("print", BEGUN, 9, "printer", "dry"),
                        job("condition", ALONE, 88, "", "print"),
                        job("break", ATTENDED, 2, "bench", "condition")),
                Map.of(),
                MONDAY);

        assertThat(plan.slot("print").start()).isEqualTo("2026-03-02T14:00");
        assertThat(plan.slot("condition").start()).isEqualTo("2026-03-02T23:00");
        // 88 h later it is Friday 15:00; two hours do not fit into that day, and the next one is Monday.
        assertThat(plan.slot("condition").end()).isEqualTo("2026-03-06T15:00");
        assertThat(plan.slot("break").start()).isEqualTo("2026-03-09T07:00");
        assertThat(plan.finish()).isEqualTo("2026-03-09T09:00");
        assertThat(plan.chain()).containsExactly("dry", "print", "condition", "break");
        assertThat(plan.slot("break").because()).isEqualTo("when somebody is there to begin it, after condition");
    }

    /** Three prints on one printer follow each other; on two printers the third waits for the first that is free. */
    @Test
    void aResourceHoldsNoMoreThanItsCapacity() {
        List<Job> prints =
                List.of(job("a", BEGUN, 5, "printer"), job("b", BEGUN, 3, "printer"), job("c", BEGUN, 2, "printer"));

        Plan one = Schedule.forwards(prints, Map.of(), MONDAY);
        Plan two = Schedule.forwards(prints, Map.of("printer", 2), MONDAY);

        assertThat(one.slot("b").start()).isEqualTo("2026-03-02T13:00");
        assertThat(one.slot("c").start()).isEqualTo("2026-03-03T07:00");
        assertThat(one.chain()).containsExactly("a", "b", "c");
        assertThat(two.slot("b").start()).isEqualTo(MONDAY);
        assertThat(two.slot("c").start()).isEqualTo("2026-03-02T11:00");
        assertThat(two.slot("c").because()).isEqualTo("when printer is free of b");
    }

    /** Work longer than a day goes on the next morning, and not through the night or the weekend. */
    @Test
    void attendedWorkKeepsWorkingHours() {
        Plan plan = Schedule.forwards(
                List.of(job("measure", ATTENDED, 20, "")), Map.of(), LocalDateTime.of(2026, 3, 6, 12, 0));

        // Friday 12 to 16 is four hours, Monday nine, Tuesday seven: 14:00.
        assertThat(plan.finish()).isEqualTo("2026-03-10T14:00");
        Plan saturday =
                Schedule.forwards(List.of(job("begin", BEGUN, 1, "")), Map.of(), LocalDateTime.of(2026, 3, 7, 12, 0));
        assertThat(saturday.slots().get(0).start()).isEqualTo("2026-03-09T07:00");
    }

    /** Backwards: the latest working morning from which it is done in time; a day later it would not be. */
    @Test
    void backwardsFromTheWantedDate() {
        List<Job> jobs = List.of(job("dry", BEGUN, 6, "oven"), job("wait", ALONE, 48, "", "dry"));
        LocalDateTime wanted = LocalDateTime.of(2026, 3, 13, 16, 0);
        Plan plan = Schedule.backwards(jobs, Map.of(), wanted, 60).orElseThrow();

        assertThat(plan.finish()).isBeforeOrEqualTo(wanted);
        assertThat(plan.slots().get(0).start()).isEqualTo("2026-03-11T07:00");
        assertThat(Schedule.forwards(jobs, Map.of(), LocalDateTime.of(2026, 3, 12, 7, 0))
                        .finish())
                .isAfter(wanted);
        assertThat(Schedule.backwards(jobs, Map.of(), wanted, 0)).isEmpty();
    }

    /** A delay moves what waits for it and nothing else. */
    @Test
    void aDelayMovesWhatWaitsForIt() {
        List<Job> jobs = new ArrayList<>(List.of(
                job("dry", BEGUN, 2, "oven"),
                job("print", BEGUN, 4, "printer", "dry"),
                job("other", BEGUN, 3, "bath")));
        Plan before = Schedule.forwards(jobs, Map.of(), MONDAY);
        jobs.set(0, job("dry", BEGUN, 5, "oven"));
        Plan after = Schedule.forwards(jobs, Map.of(), MONDAY);

        assertThat(Duration.between(
                        before.slot("print").start(), after.slot("print").start()))
                .isEqualTo(Duration.ofHours(3));
        assertThat(after.slot("other")).isEqualTo(before.slot("other"));
    }

    @Test
    void plansThatAreNoneAreRefused() {
        assertThatThrownBy(() -> Schedule.forwards(List.of(), Map.of(), MONDAY)).hasMessageContaining("at least one");
        assertThatThrownBy(() -> Schedule.forwards(
                        List.of(job("a", ALONE, 1, "", "b"), job("b", ALONE, 1, "", "a")), Map.of(), MONDAY))
                .hasMessageContaining("in a circle");
        assertThatThrownBy(() -> Schedule.forwards(List.of(job("a", ALONE, 1, "", "z")), Map.of(), MONDAY))
                .hasMessageContaining("'z', which is not in the plan");
        assertThatThrownBy(() ->
                        Schedule.forwards(List.of(job("a", ALONE, 1, ""), job("a", ALONE, 2, "")), Map.of(), MONDAY))
                .hasMessageContaining("two steps are called 'a'");
        assertThatThrownBy(() -> new Job("a", ALONE, 0, List.of(), "")).hasMessageContaining("at least a minute");
        assertThatThrownBy(() -> Schedule.forwards(List.of(job("a", ALONE, 1, "r")), Map.of("r", 0), MONDAY))
                .hasMessageContaining("at least one step at once");
    }

    private static List<Job> random(long seed, boolean free) {
        Random chance = new Random(seed);
        List<Job> jobs = new ArrayList<>();
        int count = 3 + chance.nextInt(15);
        for (int i = 0; i < count; i++) {
            List<String> after = new ArrayList<>();
            for (int k = 0; k < i; k++) {
                if (chance.nextInt(4) == 0) {
                    after.add("s" + k);
                }
            }
            Attention attention = free ? ALONE : Attention.values()[chance.nextInt(3)];
            String resource = free || chance.nextInt(3) == 0 ? "" : "r" + chance.nextInt(3);
            jobs.add(new Job("s" + i, attention, 10 + chance.nextInt(900), after, resource));
        }
        return jobs;
    }

    /** No step before its predecessor, no resource over its capacity, nobody at work outside working hours. */
    @Property(tries = 150)
    void noPlanBreaksARule(@ForAll long seed) {
        List<Job> jobs = random(seed, false);
        Map<String, Integer> capacities = Map.of("r0", 1, "r1", 2, "r2", 3);
        Plan plan = Schedule.forwards(jobs, capacities, MONDAY);

        assertThat(plan.slots()).hasSameSizeAs(jobs);
        for (Slot slot : plan.slots()) {
            assertThat(slot.start()).isAfterOrEqualTo(MONDAY);
            for (String id : slot.job().after()) {
                assertThat(slot.start()).isAfterOrEqualTo(plan.slot(id).end());
            }
            if (slot.job().attention() != ALONE) {
                assertThat(slot.start().getHour()).isBetween(7, 15);
                assertThat(slot.start().getDayOfWeek().getValue()).isLessThan(6);
            }
            if (!slot.job().resource().isEmpty()) {
                long together = plan.slots().stream()
                        .filter(other ->
                                other.job().resource().equals(slot.job().resource()))
                        .filter(other -> !other.start().isAfter(slot.start())
                                && other.end().isAfter(slot.start()))
                        .count();
                assertThat(together)
                        .isLessThanOrEqualTo(capacities.get(slot.job().resource()));
            }
        }
        assertThat(plan.chain()).isNotEmpty().doesNotHaveDuplicates();
        assertThat(plan.slot(plan.chain().get(plan.chain().size() - 1)).end()).isEqualTo(plan.finish());
    }

    /** With nothing to share and nobody needed the finish is the longest chain of durations, no more and no less. */
    @Property(tries = 150)
    void theEarliestFinishIsTheCriticalChain(@ForAll long seed) {
        List<Job> jobs = random(seed, true);
        Plan plan = Schedule.forwards(jobs, Map.of(), MONDAY);
        Map<String, Long> done = new HashMap<>();
        for (Job job : jobs) {
            long begin = job.after().stream().mapToLong(done::get).max().orElse(0);
            done.put(job.id(), begin + job.minutes());
        }
        long longest = done.values().stream().mapToLong(Long::longValue).max().orElseThrow();
        Map<String, Long> minutes = new HashMap<>();
        jobs.forEach(job -> minutes.put(job.id(), job.minutes()));

        assertThat(Duration.between(MONDAY, plan.finish()).toMinutes()).isEqualTo(longest);
        assertThat(plan.chain().stream().mapToLong(minutes::get).sum()).isEqualTo(longest);
    }
}
