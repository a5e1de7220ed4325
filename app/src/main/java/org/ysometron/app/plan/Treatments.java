package org.ysometron.app.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.quantity.Dimension;

/** Curing and annealing programmes: recipes with a source and a status, never a schedule that somebody guessed. */
@Component
public class Treatments {

    private final PageMemory memory;
    private final TreatmentRepository treatments;
    private final Clock clock;

    Treatments(PageMemory memory, TreatmentRepository treatments, Clock clock) {
        this.memory = memory;
        this.treatments = treatments;
        this.clock = clock;
    }

    /** What a programme does. */
    public enum Kind {
        CURE("cure", "cured"),
        ANNEAL("anneal", "annealed"),
        /** Light after the cure, as ageing or over-cure. */
        EXPOSE("expose", "exposed to light"),
        /** Heat for hours, as ageing. */
        AGE("age", "aged");

        private final String words;
        private final String done;

        Kind(String words, String done) {
            this.words = words;
            this.done = done;
        }

        /** What a specimen is after it. */
        public String done() {
            return done;
        }

        /** The kind in a word. */
        public String words() {
            return words;
        }
    }

    /** How specimens stand or lie in a chamber. */
    public enum Pose {
        LYING("lying"),
        ON_EDGE("on edge"),
        STANDING("standing"),
        HANGING("hanging");

        private final String words;

        Pose(String words) {
            this.words = words;
        }

        /** The pose in words. */
        public String words() {
            return words;
        }
    }

    /** How far a programme is to be trusted. */
    public enum Status {
        REFERENCE("part of the reference recipe"),
        TRIAL("trial; what it gives is a series of its own");

        private final String words;

        Status(String words) {
            this.words = words;
        }

        /** The status in words. */
        public String words() {
            return words;
        }
    }

    /** A programme as other slices see it. */
    public record TreatmentView(
            long id,
            long productId,
            Kind kind,
            String name,
            int revision,
            List<String> steps,
            int minutes,
            Pose pose,
            Status status,
            String source,
            Instant frozenAt) {

        /** Name and revision. */
        public String title() {
            return name + ", rev " + revision;
        }

        /** Seconds of all steps. */
        public double seconds() {
            return steps.stream()
                    .mapToDouble(step -> read(kind, step).seconds())
                    .sum();
        }

        /**
         * What it does to a specimen, in the unit of its dose: mJ/cm² of light, seconds of heat. Of a cure or an anneal only places that
         * were measured tell; then it is empty.
         */
        public OptionalDouble dose() {
            return switch (kind) {
                case EXPOSE ->
                    OptionalDouble.of(steps.stream()
                            .map(step -> read(kind, step))
                            .mapToDouble(step -> step.level() * step.seconds())
                            .sum());
                case AGE -> OptionalDouble.of(seconds());
                case CURE, ANNEAL -> OptionalDouble.empty();
            };
        }

        /** Minutes of each step. */
        List<Long> stepMinutes() {
            return steps.stream().map(step -> Treatments.minutes(kind, step)).toList();
        }
    }

    /** All programmes of a product. */
    public List<TreatmentView> of(long productId) {
        return of(List.of(productId)).getOrDefault(productId, List.of());
    }

    /** The same of several products. */
    public Map<Long, List<TreatmentView>> of(Collection<Long> productIds) {
        return memory.each(
                "treatments", productIds, ids -> treatments.findByProductIdInOrderByNameAscRevisionDesc(ids).stream()
                        .map(Treatments::view)
                        .collect(Collectors.groupingBy(TreatmentView::productId, Collectors.toUnmodifiableList())));
    }

    /** One programme. */
    public TreatmentView treatment(long id) {
        return treatments
                .findById(id)
                .map(Treatments::view)
                .orElseThrow(() -> new NotFound("curing or annealing programme " + id));
    }

    /**
     * The annealing programme that specimens of each line go through: the one it names; where no line names any, that of the
     * reference recipe, which then holds for all. A line that names none beside one that does is as printed.
     *
     * @return the programme by the line's place; none for a line that is not annealed
     */
    Map<Integer, TreatmentView> annealing(long productId, List<PlannedTest> lines) {
        List<TreatmentView> known = of(productId).stream()
                .filter(programme -> programme.kind() == Kind.ANNEAL)
                .toList();
        Map<Integer, TreatmentView> named = new HashMap<>();
        for (int i = 0; i < lines.size(); i++) {
            String process = lines.get(i).process();
            int place = i;
            known.stream()
                    .filter(programme -> programme.title().equals(process))
                    .findFirst()
                    .ifPresent(programme -> named.put(place, programme));
        }
        if (named.isEmpty()) {
            known.stream()
                    .filter(programme -> programme.status() == Status.REFERENCE)
                    .findFirst()
                    .ifPresent(programme -> {
                        for (int i = 0; i < lines.size(); i++) {
                            named.put(i, programme);
                        }
                    });
        }
        return named;
    }

    /**
     * Freezes a programme, or its next revision when there is one of that name.
     *
     * @param steps one a line, temperature and time: "60 °C, 60 min"
     */
    @Write
    public TreatmentView freeze(
            long productId, Kind kind, String name, String steps, Pose pose, Status status, String source, String by) {
        if (name.isBlank() || name.length() > 60) {
            throw new Refusal("name", "Give it a name of at most 60 characters.");
        }
        if (source.isBlank() || source.length() > 200) {
            throw new Refusal("source", "Say where the programme comes from: a guessed one is nobody's to repeat.");
        }
        List<String> lines =
                steps.lines().map(String::strip).filter(line -> !line.isEmpty()).toList();
        if (lines.isEmpty() || String.join("\n", lines).length() > 400) {
            throw new Refusal(
                    "steps", "Write one step a line, for example 60 °C, 60 min; of light 4.2 mW/cm², 30 min.");
        }
        long minutes = 0;
        for (String line : lines) {
            minutes += minutes(kind, line);
        }
        Treatment row = new Treatment();
        row.productId = productId;
        row.kind = kind;
        row.name = name.strip();
        row.revision = treatments
                        .findFirstByProductIdAndNameOrderByRevisionDesc(productId, row.name)
                        .map(last -> last.revision)
                        .orElse(0)
                + 1;
        row.steps = String.join("\n", lines);
        row.minutes = (int) minutes;
        row.pose = pose;
        row.status = status;
        row.source = source.strip();
        row.frozenBy = by;
        row.frozenAt = clock.instant();
        return view(treatments.save(row));
    }

    /** A step as read: the temperature, or the irradiance in mW/cm², and how long. */
    private record Step(double level, double seconds) {}

    /** Minutes of one step, at least one. */
    private static long minutes(Kind kind, String line) {
        return Math.max(1, Math.round(read(kind, line).seconds() / 60));
    }

    /** Reads one step; refused when it is no temperature, or no irradiance, and time. */
    private static Step read(Kind kind, String line) {
        boolean light = kind == Kind.EXPOSE;
        String[] parts = line.split(",", 2);
        List<Dimension> wanted = List.of(light ? Dimension.IRRADIANCE : Dimension.TEMPERATURE, Dimension.TIME);
        Problems unread = new Problems();
        List<Double> read = new ArrayList<>();
        for (int i = 0; i < parts.length; i++) {
            unread.entry("steps", "Step", parts[i])
                    .neededQuantity(wanted.get(i))
                    .ifPresent(read::add);
        }
        if (read.size() != 2 || read.get(1) < (light ? 1 : 60)) {
            throw new Refusal(
                    "steps",
                    "'" + line + "' is no step; expected "
                            + (light
                                    ? "an irradiance and a time, for example 4.2 mW/cm², 30 min."
                                    : "a temperature and a time, for example 60 °C, 60 min."));
        }
        return new Step(read.get(0), read.get(1));
    }

    private static TreatmentView view(Treatment row) {
        return new TreatmentView(
                row.id,
                row.productId,
                row.kind,
                row.name,
                row.revision,
                row.steps.lines().toList(),
                row.minutes,
                row.pose,
                row.status,
                row.source,
                row.frozenAt);
    }
}
