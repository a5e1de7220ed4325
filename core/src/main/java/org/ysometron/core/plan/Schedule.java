package org.ysometron.core.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * When each step of a lot can be done. The rule, in one sentence: of the steps whose predecessors are planned the one with
 * the longest way still behind it is placed first, at the earliest time at which its predecessors are done, its resource has
 * room, and somebody is there to begin it.
 *
 * <p>Serial schedule generation with the longest-remaining-path rule (Kelley 1963; Kolisch and Hartmann 1999, from memory):
 * not always the shortest plan there is, always one whose every start has a reason that can be said.
 */
public final class Schedule {

    private static final LocalTime DAY_BEGINS = LocalTime.of(7, 0);
    private static final LocalTime DAY_ENDS = LocalTime.of(16, 0);
    private static final int MOST_MOVES = 20_000;

    private Schedule() {}

    /** How much of somebody a step needs. */
    public enum Attention {
        /** Somebody is at it throughout: begins and goes on in working hours only. */
        ATTENDED,
        /** Somebody begins it in working hours; then it runs alone: a print, an oven. */
        BEGUN,
        /** Nobody is needed: a wait that begins by itself. */
        ALONE
    }

    /**
     * One step.
     *
     * @param id name by which others refer to it
     * @param attention how much of somebody it needs
     * @param minutes how long it takes, at least 1
     * @param after steps that must be done before
     * @param resource what it occupies; empty when nothing
     */
    public record Job(String id, Attention attention, long minutes, List<String> after, String resource) {

        /** Checks the duration and copies the list. */
        public Job {
            after = List.copyOf(after);
            if (minutes < 1) {
                throw new IllegalArgumentException("step '" + id + "' must take at least a minute, got " + minutes);
            }
        }
    }

    /**
     * A step with its time.
     *
     * @param because why not earlier, in words
     * @param bound the step that it waited for; empty when it waited for none
     */
    public record Slot(Job job, LocalDateTime start, LocalDateTime end, String because, Optional<String> bound) {}

    /**
     * A plan.
     *
     * @param slots in order of their start
     * @param finish when the last step is done
     * @param chain the steps that decide the finish, first to last: each waited for the one before
     */
    public record Plan(List<Slot> slots, LocalDateTime finish, List<String> chain) {

        /** Copies the lists. */
        public Plan {
            slots = List.copyOf(slots);
            chain = List.copyOf(chain);
        }

        /** The slot of a step. */
        public Slot slot(String id) {
            return slots.stream()
                    .filter(slot -> slot.job().id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("the plan has no step '" + id + "'"));
        }
    }

    /**
     * Plans forwards.
     *
     * @param jobs with unique names; predecessors among them, without a circle
     * @param capacities how many steps each resource holds at once; 1 where it is not named
     * @param from nothing begins before
     * @throws IllegalArgumentException for a name twice, an unknown predecessor, a circle or a capacity below 1
     */
    public static Plan forwards(List<Job> jobs, Map<String, Integer> capacities, LocalDateTime from) {
        Map<String, Job> byId = checked(jobs, capacities);
        Map<String, Long> tails = tails(byId);
        Map<String, Slot> placed = new LinkedHashMap<>();
        Comparator<Job> longestFirst = Comparator.comparing((Job job) -> -tails.getOrDefault(job.id(), 0L))
                .thenComparing(Job::id);
        while (placed.size() < jobs.size()) {
            Job next = jobs.stream()
                    .filter(job -> !placed.containsKey(job.id()))
                    .filter(job -> placed.keySet().containsAll(job.after()))
                    .min(longestFirst)
                    .orElseThrow();
            placed.put(next.id(), place(next, placed, capacities.getOrDefault(next.resource(), 1), from));
        }
        List<Slot> slots = new ArrayList<>(placed.values());
        slots.sort(Comparator.comparing(Slot::start)
                .thenComparing(slot -> slot.job().id()));
        Slot last = Collections.max(slots, Comparator.comparing(Slot::end));
        return new Plan(slots, last.end(), chain(last, placed));
    }

    /**
     * Plans backwards: the latest working day, at its beginning, from which the plan is done by {@code wanted}.
     *
     * @param mostDays how many days back to look
     * @return empty when even the earliest of them is too late
     */
    public static Optional<Plan> backwards(
            List<Job> jobs, Map<String, Integer> capacities, LocalDateTime wanted, int mostDays) {
        for (int back = 0; back <= mostDays; back++) {
            LocalDateTime from = wanted.toLocalDate().minusDays(back).atTime(DAY_BEGINS);
            if (isWorkday(from) && !from.isAfter(wanted)) {
                Plan plan = forwards(jobs, capacities, from);
                if (!plan.finish().isAfter(wanted)) {
                    return Optional.of(plan);
                }
            }
        }
        return Optional.empty();
    }

    // ---- placing -----------------------------------------------------------------------------------------------

    private static Slot place(Job job, Map<String, Slot> placed, int capacity, LocalDateTime from) {
        LocalDateTime start = from;
        String because = "nothing to wait for";
        Optional<String> bound = Optional.empty();
        for (String id : job.after()) {
            LocalDateTime done = slotOf(placed, id).end();
            if (done.isAfter(start)) {
                start = done;
                because = "when " + id + " is done";
                bound = Optional.of(id);
            }
        }
        for (int moves = 0; moves < MOST_MOVES; moves++) {
            LocalDateTime begun = attended(job, start);
            if (begun.isAfter(start)) {
                because = "when somebody is there to begin it" + (bound.isPresent() ? ", after " + bound.get() : "");
                start = begun;
            }
            LocalDateTime end = end(job, start);
            Optional<Slot> inTheWay = inTheWay(job, placed, capacity, start, end);
            if (inTheWay.isEmpty()) {
                return new Slot(job, start, end, because, bound);
            }
            start = inTheWay.get().end();
            because = "when " + job.resource() + " is free of "
                    + inTheWay.get().job().id();
            bound = Optional.of(inTheWay.get().job().id());
        }
        throw new IllegalStateException("no place was found for step '" + job.id() + "'");
    }

    /** Of the steps on the same resource that overlap the one ending first, when they leave no room. */
    private static Optional<Slot> inTheWay(
            Job job, Map<String, Slot> placed, int capacity, LocalDateTime start, LocalDateTime end) {
        if (job.resource().isEmpty()) {
            return Optional.empty();
        }
        List<Slot> overlapping = placed.values().stream()
                .filter(slot -> slot.job().resource().equals(job.resource()))
                .filter(slot -> slot.start().isBefore(end) && slot.end().isAfter(start))
                .toList();
        // The fullest moment is at a start, its own or another's.
        boolean full = java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(start),
                        overlapping.stream().map(Slot::start).filter(t -> !t.isBefore(start)))
                .anyMatch(t -> overlapping.stream()
                                .filter(slot ->
                                        !slot.start().isAfter(t) && slot.end().isAfter(t))
                                .count()
                        >= capacity);
        return full ? overlapping.stream().min(Comparator.comparing(Slot::end)) : Optional.empty();
    }

    /** The earliest time from {@code at} at which somebody can begin the step, and end it the same day if a day holds it. */
    private static LocalDateTime attended(Job job, LocalDateTime at) {
        if (job.attention() == Attention.ALONE) {
            return at;
        }
        LocalDateTime begun = inHours(at);
        boolean fitsADay =
                job.minutes() <= Duration.between(DAY_BEGINS, DAY_ENDS).toMinutes();
        boolean today =
                !begun.plusMinutes(job.minutes()).isAfter(begun.toLocalDate().atTime(DAY_ENDS));
        return job.attention() == Attention.ATTENDED && fitsADay && !today
                ? inHours(begun.toLocalDate().plusDays(1).atTime(DAY_BEGINS))
                : begun;
    }

    private static LocalDateTime end(Job job, LocalDateTime start) {
        if (job.attention() != Attention.ATTENDED) {
            return start.plusMinutes(job.minutes());
        }
        long left = job.minutes();
        LocalDateTime at = start;
        while (true) {
            long today = Duration.between(at, at.toLocalDate().atTime(DAY_ENDS)).toMinutes();
            if (left <= today) {
                return at.plusMinutes(left);
            }
            left -= today;
            at = inHours(at.toLocalDate().plusDays(1).atTime(DAY_BEGINS));
        }
    }

    private static LocalDateTime inHours(LocalDateTime at) {
        LocalDateTime time = at.toLocalTime().isBefore(DAY_BEGINS)
                ? at.toLocalDate().atTime(DAY_BEGINS)
                : !at.toLocalTime().isBefore(DAY_ENDS)
                        ? at.toLocalDate().plusDays(1).atTime(DAY_BEGINS)
                        : at;
        while (!isWorkday(time)) {
            time = time.toLocalDate().plusDays(1).atTime(DAY_BEGINS);
        }
        return time;
    }

    private static boolean isWorkday(LocalDateTime at) {
        return at.getDayOfWeek() != DayOfWeek.SATURDAY && at.getDayOfWeek() != DayOfWeek.SUNDAY;
    }

    // ---- the network -------------------------------------------------------------------------------------------

    private static List<String> chain(Slot last, Map<String, Slot> placed) {
        List<String> chain = new ArrayList<>();
        Optional<Slot> at = Optional.of(last);
        while (at.isPresent()) {
            chain.add(0, at.get().job().id());
            at = at.get().bound().map(id -> slotOf(placed, id));
        }
        return chain;
    }

    private static Slot slotOf(Map<String, Slot> placed, String id) {
        Slot slot = placed.get(id);
        if (slot == null) {
            throw new IllegalStateException("step '" + id + "' is not placed yet");
        }
        return slot;
    }

    private static Map<String, Job> checked(List<Job> jobs, Map<String, Integer> capacities) {
        if (jobs.isEmpty()) {
            throw new IllegalArgumentException("a plan needs at least one step");
        }
        Map<String, Job> byId = new LinkedHashMap<>();
        for (Job job : jobs) {
            if (byId.put(job.id(), job) != null) {
                throw new IllegalArgumentException("two steps are called '" + job.id() + "'");
            }
        }
        for (Job job : jobs) {
            for (String id : job.after()) {
                if (!byId.containsKey(id)) {
                    throw new IllegalArgumentException(
                            "step '" + job.id() + "' comes after '" + id + "', which is not in the plan");
                }
            }
        }
        OptionalInt least =
                capacities.values().stream().mapToInt(Integer::intValue).min();
        if (least.isPresent() && least.getAsInt() < 1) {
            throw new IllegalArgumentException("a resource holds at least one step at once");
        }
        return byId;
    }

    /** Minutes from each step's beginning to the end of everything that waits for it, by durations alone. */
    private static Map<String, Long> tails(Map<String, Job> byId) {
        Map<String, List<Job>> followers = new HashMap<>();
        byId.values().forEach(job -> job.after()
                .forEach(id ->
                        followers.computeIfAbsent(id, key -> new ArrayList<>()).add(job)));
        Map<String, Long> tails = new HashMap<>();
        for (Job job : byId.values()) {
            tail(job, followers, tails, new ArrayList<>());
        }
        return tails;
    }

    private static long tail(Job job, Map<String, List<Job>> followers, Map<String, Long> tails, List<String> way) {
        Long known = tails.get(job.id());
        if (known != null) {
            return known;
        }
        if (way.contains(job.id())) {
            throw new IllegalArgumentException("the steps wait for each other in a circle: " + String.join(", ", way));
        }
        way.add(job.id());
        long longest = 0;
        for (Job follower : followers.getOrDefault(job.id(), List.of())) {
            longest = Math.max(longest, tail(follower, followers, tails, way));
        }
        way.remove(job.id());
        long total = job.minutes() + longest;
        tails.put(job.id(), total);
        return total;
    }
}
