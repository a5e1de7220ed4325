package org.ysometron.core.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.plan.Schedule.Attention;
import org.ysometron.core.plan.Schedule.Job;
import org.ysometron.core.plan.Schedule.Running;

/**
 * From a lot's plan and what was done of it to the steps that are left: drying, printing, washing and curing, annealing,
 * conditioning, testing, creep with its reading days, deciding. The rule of their order is the trade's (common practice, no
 * source): material dry before it is printed, specimens cured and conditioned before they are tested, all tested before
 * somebody decides.
 *
 * @param jobs steps not begun
 * @param running steps begun and not over
 */
public record LotSteps(List<Job> jobs, List<Running> running) {

    /** Where a step is done; the names of the calendar's rows. */
    public enum Station {
        DRYER("dryer"),
        PRINTER("printer"),
        CURE("wash and cure"),
        OVEN("oven"),
        CLIMATE("climate"),
        BENCH("bench"),
        CREEP("creep rig"),
        DESK("desk");

        private final String words;

        Station(String words) {
            this.words = words;
        }

        /** The station in words. */
        public String words() {
            return words;
        }
    }

    /**
     * How long things take at this site, in minutes unless said otherwise.
     *
     * @param drying in the dryer
     * @param cure washing and curing a resin's specimens
     * @param conditioningHours hours in the climate
     * @param decide looking at the evidence and deciding
     */
    public record Durations(long drying, long cure, double conditioningHours, long decide) {}

    /**
     * A line of the plan and how far it is.
     *
     * @param test the line
     * @param made specimens there are
     * @param tested specimens broken or read to the end
     * @param printMinutes for the specimens that are missing
     * @param anneal minutes of every step of the programme that specimens of this line go through; empty where they go through none
     * @param untreated specimens there are that have still to go through it
     * @param conditionedFrom since when those that are there lie in the climate; empty when they do not
     * @param begunOn when a test that runs for days was begun; empty when it was not
     */
    public record Line(
            PlannedTest test,
            int made,
            int tested,
            long printMinutes,
            List<Long> anneal,
            int untreated,
            Optional<LocalDateTime> conditionedFrom,
            Optional<LocalDateTime> begunOn) {

        /** Copies the list. */
        public Line {
            anneal = List.copyOf(anneal);
        }
    }

    /** Copies the lists. */
    public LotSteps {
        jobs = List.copyOf(jobs);
        running = List.copyOf(running);
    }

    /**
     * The steps that are left.
     *
     * @param lot code, stands before every step's name
     * @param dry whether the material is dry or need not be
     * @param resin whether specimens are washed and cured
     * @param lines of the lot's plan
     * @param now steps that would have ended before are over
     */
    public static LotSteps of(
            String lot, boolean dry, boolean resin, List<Line> lines, Durations durations, LocalDateTime now) {
        return of(lot, dry, resin, lines, durations, Station.PRINTER.words(), now);
    }

    /**
     * The same on a printer of its own.
     *
     * @param printer resource that the prints occupy
     */
    public static LotSteps of(
            String lot,
            boolean dry,
            boolean resin,
            List<Line> lines,
            Durations durations,
            String printer,
            LocalDateTime now) {
        LotSteps.Builder steps = new Builder(lot, durations, printer, now);
        boolean printing = lines.stream()
                .anyMatch(line -> line.test().design().isPrinted()
                        && line.made() < line.test().n());
        List<String> first = !dry && printing
                ? List.of(steps.add("dry", Attention.BEGUN, durations.drying(), Station.DRYER, List.of()))
                : List.of();
        List<String> last = new ArrayList<>();
        List<String> names = PlannedTest.names(lines.stream().map(Line::test).toList());
        for (int i = 0; i < lines.size(); i++) {
            last.addAll(steps.line(lines.get(i), names.get(i), resin, first));
        }
        steps.add("decide", Attention.ATTENDED, durations.decide(), Station.DESK, last);
        return new LotSteps(steps.jobs, steps.running);
    }

    /** Key of a lot's step of this name. */
    public static String idOf(String lot, String title) {
        return lot + ": " + title;
    }

    /** Key of the step in which somebody decides about a lot. */
    public static String decisionOf(String lot) {
        return idOf(lot, "decide");
    }

    private static final class Builder {

        private final String lot;
        private final Durations durations;
        private final String printer;
        private final LocalDateTime now;
        private final List<Job> jobs = new ArrayList<>();
        private final List<Running> running = new ArrayList<>();

        Builder(String lot, Durations durations, String printer, LocalDateTime now) {
            this.lot = lot;
            this.printer = printer;
            this.durations = durations;
            this.now = now;
        }

        List<String> line(Line line, String name, boolean resin, List<String> first) {
            PlannedTest test = line.test();
            if (line.tested() >= test.n()) {
                return List.of();
            }
            List<String> before = test.design().isPrinted() ? first : List.of();
            if (line.made() < test.n() && test.design().isPrinted()) {
                before = List.of(add("print " + name, Attention.BEGUN, line.printMinutes(), Station.PRINTER, before));
                if (resin) {
                    before = List.of(
                            add("wash and cure " + name, Attention.BEGUN, durations.cure(), Station.CURE, before));
                }
            }
            if (line.made() < test.n() || line.untreated() > 0) {
                before = anneal(line, name, before);
            }
            if (test.conditioning() == Conditioning.CONDITIONED) {
                before = condition(line, name, before);
            }
            return test.method().data().days() > 0 ? hold(line, name, before) : List.of(test(line, name, before));
        }

        private List<String> anneal(Line line, String name, List<String> before) {
            List<String> last = before;
            for (int i = 0; i < line.anneal().size(); i++) {
                String step = "anneal " + name + ", step " + (i + 1);
                last = List.of(add(step, Attention.BEGUN, line.anneal().get(i), Station.OVEN, last));
            }
            return last;
        }

        private String test(Line line, String name, List<String> before) {
            long minutes =
                    (long) line.test().method().data().minutes() * (line.test().n() - line.tested());
            return add("test " + name, Attention.ATTENDED, minutes, Station.BENCH, before);
        }

        private List<String> condition(Line line, String name, List<String> before) {
            long minutes = Math.max(1, Math.round(durations.conditioningHours() * 60));
            boolean in = line.conditionedFrom().isPresent()
                    && line.made() >= line.test().n();
            if (!in) {
                return List.of(add("condition " + name, Attention.BEGUN, minutes, Station.CLIMATE, before));
            }
            return List.of(begun(
                            "condition " + name,
                            minutes,
                            Station.CLIMATE,
                            line.conditionedFrom().orElseThrow()))
                    .stream()
                    .filter(id -> !id.isEmpty())
                    .toList();
        }

        private List<String> hold(Line line, String name, List<String> before) {
            long minutes = line.test().method().data().days() * 24L * 60;
            String held;
            if (line.begunOn().isPresent()) {
                held = begun(
                        "hold " + name, minutes, Station.CREEP, line.begunOn().orElseThrow());
            } else {
                String hung = add(
                        "hang " + name,
                        Attention.ATTENDED,
                        (long) line.test().method().data().minutes()
                                * line.test().n(),
                        Station.BENCH,
                        before);
                held = add("hold " + name, Attention.ALONE, minutes, Station.CREEP, List.of(hung));
            }
            return List.of(add(
                    "read the end of " + name,
                    Attention.ATTENDED,
                    (long) line.test().method().data().minutes(),
                    Station.BENCH,
                    held.isEmpty() ? List.of() : List.of(held)));
        }

        /** Adds a step; returns its name. */
        String add(String what, Attention attention, long minutes, Station station, List<String> after) {
            Job job = new Job(id(what), lot, what, attention, Math.max(1, minutes), after, resource(station));
            jobs.add(job);
            return job.id();
        }

        /** A step begun already; returns its name, or nothing when it is over. */
        private String begun(String what, long minutes, Station station, LocalDateTime start) {
            if (!start.plusMinutes(minutes).isAfter(now)) {
                return "";
            }
            Job job = new Job(id(what), lot, what, Attention.ALONE, minutes, List.of(), resource(station));
            running.add(new Running(job, start));
            return job.id();
        }

        private String id(String what) {
            return idOf(lot, what);
        }

        /** Nobody's desk is ever full. */
        private String resource(Station station) {
            return switch (station) {
                case DESK -> "";
                case PRINTER -> printer;
                default -> station.words();
            };
        }
    }
}
