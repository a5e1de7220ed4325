package org.ysometron.core.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.PriorityQueue;
import java.util.stream.Stream;

/**
 * When each step of a lot can be done. The rule, in one sentence: of the steps whose predecessors are planned the one with
 * the longest way still behind it is placed first, at the earliest time at which its predecessors are done, its resource has
 * room, and somebody is there to begin it.
 *
 * <p>Serial schedule generation with the longest-remaining-path rule (Kelley 1963; Kolisch and Hartmann 1999, from memory):
 * not always the shortest plan there is, always one whose every start has a reason that can be said.
 */
public final class Schedule {

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
     * @param owner what it belongs to, such as a lot's code; empty when it belongs to nothing else
     * @param title what is done, in words; two steps may be called alike
     * @param minutes how long it takes, at least 1
     * @param after steps that must be done before
     * @param resource what it occupies; empty when nothing
     */
    public record Job(
            String id,
            String owner,
            String title,
            Attention attention,
            long minutes,
            List<String> after,
            String resource) {

        /** A step that belongs to nothing else and is called by its key. */
        public Job(String id, Attention attention, long minutes, List<String> after, String resource) {
            this(id, "", id, attention, minutes, after, resource);
        }

        /** Whose step it is and what is done. */
        public String words() {
            return owner.isEmpty() ? title : owner + ": " + title;
        }

        /** Checks the duration and copies the list. */
        public Job {
            after = after.stream().distinct().toList();
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

        /** The steps that decide when one step is done, first to last. */
        public List<String> chainTo(String id) {
            Map<String, Slot> byId = new HashMap<>();
            slots.forEach(slot -> byId.put(slot.job().id(), slot));
            List<String> chain = new ArrayList<>();
            Optional<Slot> at = Optional.ofNullable(byId.get(id));
            while (at.isPresent()) {
                chain.add(0, at.get().job().id());
                at = at.get().bound().map(byId::get);
            }
            return chain;
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
     * A step that was begun already: it keeps its place, whatever else wants it.
     *
     * @param start when it was begun
     */
    public record Running(Job job, LocalDateTime start) {}

    /**
     * What a plan is made on.
     *
     * @param capacities how many steps each resource holds at once; 1 where it is not named
     * @param hours when somebody is there
     * @param running steps begun already
     * @param notBefore earliest times of steps, by their names: a delay that is known
     */
    public record Ground(
            Map<String, Integer> capacities,
            WorkingHours hours,
            List<Running> running,
            Map<String, LocalDateTime> notBefore) {

        /** Copies the collections. */
        public Ground {
            capacities = Map.copyOf(capacities);
            running = List.copyOf(running);
            notBefore = Map.copyOf(notBefore);
        }

        /** Ground with the usual hours on which nothing was begun. */
        public static Ground of(Map<String, Integer> capacities) {
            return new Ground(capacities, WorkingHours.USUAL, List.of(), Map.of());
        }
    }

    /** Plans forwards with the usual hours. */
    public static Plan forwards(List<Job> jobs, Map<String, Integer> capacities, LocalDateTime from) {
        return forwards(jobs, Ground.of(capacities), from);
    }

    /**
     * Plans forwards.
     *
     * @param jobs with unique names; predecessors among them or the running ones, without a circle
     * @param from nothing begins before
     * @throws IllegalArgumentException for a name twice, an unknown predecessor, a circle or a capacity below 1
     */
    public static Plan forwards(List<Job> jobs, Ground ground, LocalDateTime from) {
        List<Job> all = new ArrayList<>(jobs);
        ground.running().forEach(running -> all.add(running.job()));
        Map<String, Job> byId = checked(all, ground.capacities());
        Map<String, List<Job>> followers = followers(byId);
        Map<String, Long> tails = tails(byId, followers);
        Placed placed = new Placed();
        for (Running running : ground.running()) {
            placed.put(new Slot(
                    running.job(),
                    running.start(),
                    running.start().plusMinutes(running.job().minutes()),
                    "begun already",
                    Optional.empty()));
        }
        PriorityQueue<Job> ready =
                new PriorityQueue<>(Comparator.comparing((Job job) -> -tails.getOrDefault(job.id(), 0L))
                        .thenComparing(Job::id));
        jobs.stream().filter(job -> placed.holds(job.after())).forEach(ready::add);
        while (!ready.isEmpty()) {
            Job next = ready.remove();
            LocalDateTime wished = ground.notBefore().getOrDefault(next.id(), from);
            placed.put(place(next, placed, ground, wished.isAfter(from) ? wished : from));
            followers.getOrDefault(next.id(), List.of()).stream()
                    .filter(job -> placed.holds(job.after()))
                    .forEach(ready::add);
        }
        List<Slot> slots = new ArrayList<>(placed.byId.values());
        slots.sort(Comparator.comparing(Slot::start)
                .thenComparing(slot -> slot.job().id()));
        Slot last = Collections.max(slots, Comparator.comparing(Slot::end));
        return new Plan(slots, last.end(), chain(last, placed));
    }

    /** Plans backwards with the usual hours. */
    public static Optional<Plan> backwards(
            List<Job> jobs, Map<String, Integer> capacities, LocalDateTime wanted, int mostDays) {
        return backwards(jobs, Ground.of(capacities), wanted, mostDays);
    }

    /**
     * Plans backwards: the latest working day, at its beginning, from which the plan is done by {@code wanted}.
     *
     * @param mostDays how many days back to look
     * @return empty when even the earliest of them is too late
     */
    public static Optional<Plan> backwards(List<Job> jobs, Ground ground, LocalDateTime wanted, int mostDays) {
        for (int back = 0; back <= mostDays; back++) {
            LocalDateTime from =
                    wanted.toLocalDate().minusDays(back).atTime(ground.hours().begins());
            if (ground.hours().isWorkday(from) && !from.isAfter(wanted)) {
                Plan plan = forwards(jobs, ground, from);
                if (!plan.finish().isAfter(wanted)) {
                    return Optional.of(plan);
                }
            }
        }
        return Optional.empty();
    }

    // ---- placing -----------------------------------------------------------------------------------------------

    /** The slots so far, by step and by resource. */
    private static final class Placed {

        private final Map<String, Slot> byId = new LinkedHashMap<>();
        private final Map<String, List<Slot>> byResource = new HashMap<>();

        void put(Slot slot) {
            byId.put(slot.job().id(), slot);
            byResource
                    .computeIfAbsent(slot.job().resource(), name -> new ArrayList<>())
                    .add(slot);
        }

        boolean holds(List<String> ids) {
            return byId.keySet().containsAll(ids);
        }

        Slot of(String id) {
            Slot slot = byId.get(id);
            if (slot == null) {
                throw new IllegalStateException("step '" + id + "' is not placed yet");
            }
            return slot;
        }

        List<Slot> on(String resource) {
            return byResource.getOrDefault(resource, List.of());
        }
    }

    private static Slot place(Job job, Placed placed, Ground ground, LocalDateTime from) {
        LocalDateTime start = from;
        String because =
                ground.notBefore().containsKey(job.id()) ? "not before it was asked for" : "nothing to wait for";
        Optional<String> bound = Optional.empty();
        for (String id : job.after()) {
            LocalDateTime done = placed.of(id).end();
            if (done.isAfter(start)) {
                start = done;
                because = "when " + placed.of(id).job().words() + " is done";
                bound = Optional.of(id);
            }
        }
        for (int moves = 0; moves < MOST_MOVES; moves++) {
            LocalDateTime begun = attended(job, start, ground.hours());
            if (begun.isAfter(start)) {
                because = "when somebody is there to begin it"
                        + (bound.isPresent()
                                ? ", after " + placed.of(bound.get()).job().words()
                                : "");
                start = begun;
            }
            LocalDateTime end = job.attention() == Attention.ATTENDED
                    ? ground.hours().done(start, job.minutes())
                    : start.plusMinutes(job.minutes());
            int capacity = ground.capacities().getOrDefault(job.resource(), 1);
            Optional<Slot> inTheWay = inTheWay(job, placed, capacity, start, end);
            if (inTheWay.isEmpty()) {
                return new Slot(job, start, end, because, bound);
            }
            start = inTheWay.get().end();
            because = "when " + job.resource() + " is free of "
                    + inTheWay.get().job().words();
            bound = Optional.of(inTheWay.get().job().id());
        }
        throw new IllegalStateException("no place was found for step '" + job.id() + "'");
    }

    /** Of the steps on the same resource that overlap the one ending first, when they leave no room. */
    private static Optional<Slot> inTheWay(
            Job job, Placed placed, int capacity, LocalDateTime start, LocalDateTime end) {
        if (job.resource().isEmpty()) {
            return Optional.empty();
        }
        List<Slot> overlapping = new ArrayList<>();
        for (Slot slot : placed.on(job.resource())) {
            if (slot.start().isBefore(end) && slot.end().isAfter(start)) {
                overlapping.add(slot);
            }
        }
        if (overlapping.size() < capacity) {
            return Optional.empty();
        }
        // The fullest moment is at a start, its own or another's.
        boolean full = Stream.concat(
                        Stream.of(start), overlapping.stream().map(Slot::start).filter(t -> !t.isBefore(start)))
                .anyMatch(t -> overlapping.stream()
                                .filter(slot ->
                                        !slot.start().isAfter(t) && slot.end().isAfter(t))
                                .count()
                        >= capacity);
        return full ? overlapping.stream().min(Comparator.comparing(Slot::end)) : Optional.empty();
    }

    /** The earliest time from {@code at} at which somebody can begin the step, and end it the same day if a day holds it. */
    private static LocalDateTime attended(Job job, LocalDateTime at, WorkingHours hours) {
        return switch (job.attention()) {
            case ALONE -> at;
            case BEGUN -> hours.from(at);
            case ATTENDED -> hours.fitting(at, job.minutes());
        };
    }

    // ---- the network -------------------------------------------------------------------------------------------

    private static List<String> chain(Slot last, Placed placed) {
        List<String> chain = new ArrayList<>();
        Optional<Slot> at = Optional.of(last);
        while (at.isPresent()) {
            chain.add(0, at.get().job().id());
            at = at.get().bound().map(placed::of);
        }
        return chain;
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

    private static Map<String, List<Job>> followers(Map<String, Job> byId) {
        Map<String, List<Job>> followers = new HashMap<>();
        byId.values().forEach(job -> job.after()
                .forEach(id ->
                        followers.computeIfAbsent(id, key -> new ArrayList<>()).add(job)));
        return followers;
    }

    /** Minutes from each step's beginning to the end of everything that waits for it, by durations alone. */
    private static Map<String, Long> tails(Map<String, Job> byId, Map<String, List<Job>> followers) {
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
