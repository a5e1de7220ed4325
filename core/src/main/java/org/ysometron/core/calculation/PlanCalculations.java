package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.RECORDS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.plan.Bridging;
import org.ysometron.core.plan.CheckCharacter;
import org.ysometron.core.plan.PlaceEffect;
import org.ysometron.core.plan.Power;
import org.ysometron.core.plan.Schedule;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Planning: what n can show, when it can be done, whether places or rigs differ. */
final class PlanCalculations {

    private static final Input MARGIN =
            required("margin", NUMBER, "", "distance of the true mean inside the claim's edge, unit of sd");
    private static final Input OTHER = optional(
            "otherMargin", NUMBER, "", "distance inside the other edge of a claim with two; one edge unless given");
    private static final Input SCATTER =
            required("sd", NUMBER, "", "scatter within lots").positive();
    private static final String T_TEST = "one-sided t test, noncentral t distribution";

    private static final Map<String, Object> TWO_STEPS = Map.of(
            "from",
            "2026-03-02T08:00",
            "steps",
            List.of(
                    Map.of("id", "dry", "duration", "6 h", "attention", "begun", "resource", "oven"),
                    Map.of(
                            "id",
                            "print",
                            "duration",
                            "9 h",
                            "attention",
                            "begun",
                            "after",
                            "dry",
                            "resource",
                            "printer"),
                    Map.of("id", "condition", "duration", "88 h", "attention", "alone", "after", "print"),
                    Map.of("id", "break", "duration", "90 min", "attention", "attended", "after", "condition")));

    private PlanCalculations() {}

    static List<Calculation> all() {
        return List.of(supported(), specimens(), chartFinds(), schedule(), placeEffect(), bridging(), checkCharacter());
    }

    private static Calculation supported() {
        return new Calculation(
                "supported-probability",
                "Probability that n specimens support a claim that the lot really meets by a margin",
                List.of(
                        MARGIN,
                        OTHER,
                        SCATTER,
                        required("n", WHOLE, "", "specimens").in(1, 100_000),
                        StatisticsCalculations.CONFIDENCE),
                "",
                T_TEST,
                Map.of("margin", 2.5, "sd", 0.8, "n", 5),
                given -> {
                    double sd = given.number("sd");
                    int n = given.whole("n");
                    double confidence = given.number("confidence", 0.95);
                    double power = given.has("otherMargin")
                            ? Power.supported(given.number("margin"), given.number("otherMargin"), sd, n, confidence)
                            : Power.supported(given.number("margin"), sd, n, confidence);
                    return Answer.of(
                            power,
                            "",
                            Working.of(
                                    Step.of("probability of supported", "", "1 − F(t; n − 1, Δ√n/σ)", power, T_TEST)));
                });
    }

    private static Calculation specimens() {
        return new Calculation(
                "specimens-needed",
                "Specimens for a wanted probability that a claim is supported",
                List.of(
                        MARGIN,
                        SCATTER,
                        optional("power", NUMBER, "", "wanted probability; 0.8 unless given")
                                .in(0.01, 0.999),
                        StatisticsCalculations.CONFIDENCE),
                "specimens",
                T_TEST,
                Map.of("margin", 1, "sd", 0.8),
                given -> {
                    OptionalInt n = Power.specimens(
                            given.number("margin"),
                            given.number("sd"),
                            given.number("power", 0.8),
                            given.number("confidence", 0.95));
                    return new Answer(
                            n.isPresent() ? OptionalDouble.of(n.getAsInt()) : OptionalDouble.empty(),
                            "specimens",
                            n.isPresent() ? "computed" : "more than " + Power.MOST + " would not do",
                            Map.of(),
                            n.isPresent()
                                    ? Working.of(Step.of(
                                            "fewest specimens",
                                            "n",
                                            "the first whose probability of supported reaches it",
                                            n.getAsInt(),
                                            T_TEST))
                                    : Working.NONE);
                });
    }

    private static Calculation chartFinds() {
        return new Calculation(
                "chart-finds",
                "Smallest shift that 3σ limits and eight on one side find within so many lots, on average",
                List.of(
                        optional("lots", NUMBER, "", "5 unless given").in(1.01, 100_000),
                        optional("sigma", NUMBER, "", "standard deviation of a lot mean between lots; 1 unless given")
                                .positive()),
                "",
                "average run length, Champ and Woodall 1987",
                Map.of("lots", 5, "sigma", 0.6),
                given -> {
                    double shift = Power.shiftFoundWithin(given.number("lots", 5));
                    double found = shift * given.number("sigma", 1);
                    return Answer.of(
                                    found,
                                    "",
                                    Working.of(
                                            Step.of(
                                                    "shift in standard deviations",
                                                    "δ",
                                                    "average run length at δ is the lots asked for",
                                                    shift,
                                                    "Champ and Woodall 1987"),
                                            Step.of("shift", "", "δ·σ", found)))
                            .with("inStandardDeviations", shift);
                });
    }

    private static Calculation schedule() {
        return new Calculation(
                "schedule",
                "When each step can be done, what it waited for, and the chain that decides the finish",
                List.of(
                        required(
                                "steps",
                                RECORDS,
                                "",
                                "objects with id, duration (2 h, 3 d), attention (attended, begun, alone), after (ids, commas),"
                                        + " resource"),
                        optional("resources", RECORDS, "", "objects with id and capacity; 1 unless given"),
                        optional("from", WORD, "", "forwards from this time, 2026-03-02T08:00"),
                        optional("wanted", WORD, "", "backwards from this time; one of from and wanted")),
                "",
                "serial schedule generation, longest remaining path first; Kelley 1963",
                TWO_STEPS,
                PlanCalculations::plan);
    }

    private static Answer plan(Case given) {
        List<Schedule.Job> jobs = jobs(given);
        Map<String, Integer> capacities = new HashMap<>();
        if (given.has("resources")) {
            UnitOfMeasure plain = UnitOfMeasure.working(Dimension.RATIO);
            given.records("resources")
                    .forEach(item -> capacities.put(item.getOrDefault("id", ""), (int)
                            Math.round(Case.number("capacity", item.getOrDefault("capacity", "1"), plain))));
        }
        Optional<Schedule.Plan> plan = given.has("wanted")
                ? Schedule.backwards(jobs, capacities, time(given, "wanted"), 400)
                : Optional.of(Schedule.forwards(jobs, capacities, time(given, "from")));
        if (plan.isEmpty()) {
            return new Answer(OptionalDouble.empty(), "", "cannot be done by then", Map.of(), Working.NONE);
        }
        List<Object> rows = new ArrayList<>();
        for (Schedule.Slot slot : plan.get().slots()) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("id", slot.job().id());
            row.put("start", slot.start().toString());
            row.put("end", slot.end().toString());
            row.put("because", slot.because());
            rows.add(row);
        }
        LocalDateTime begins = plan.get().slots().get(0).start();
        double hours = java.time.Duration.between(begins, plan.get().finish()).toMinutes() / 60.0;
        Working working = Working.of(new Step(
                "from the first start to the last end",
                "",
                "each step when those before it have ended and its machine is free",
                "",
                hours,
                "h",
                ""));
        return new Answer(OptionalDouble.of(hours), "h", "planned", Map.of("steps", rows), working)
                .with("begins", begins.toString())
                .with("finish", plan.get().finish().toString())
                .with("chain", plan.get().chain());
    }

    private static List<Schedule.Job> jobs(Case given) {
        List<Schedule.Job> jobs = new ArrayList<>();
        UnitOfMeasure seconds = UnitOfMeasure.working(Dimension.TIME);
        for (Map<String, String> item : given.records("steps")) {
            String id = item.getOrDefault("id", "");
            String where = "steps, " + id;
            double duration = Case.number(where + ", duration", item.getOrDefault("duration", ""), seconds);
            List<String> after = Arrays.stream(item.getOrDefault("after", "").split(","))
                    .map(String::strip)
                    .filter(name -> !name.isEmpty())
                    .toList();
            jobs.add(new Schedule.Job(
                    id,
                    Case.chosen(where, item.getOrDefault("attention", "attended"), Schedule.Attention.class),
                    Math.round(duration / 60),
                    after,
                    item.getOrDefault("resource", "")));
        }
        return jobs;
    }

    private static LocalDateTime time(Case given, String name) {
        String text = given.has(name) ? given.text(name) : "";
        try {
            return LocalDateTime.parse(text.strip().replace(' ', 'T'));
        } catch (DateTimeParseException notATime) {
            throw new CaseProblem(new Problem(
                    name, "'" + text + "' is not a date with its time", "for example 2026-03-02T08:00", ""));
        }
    }

    private static Calculation placeEffect() {
        return new Calculation(
                "place-effect",
                "Whether values differ by their place on a plate or in a cure chamber",
                List.of(
                        required("values", NUMBERS, "", "all values").items(2, 1000),
                        required("places", Input.Kind.WHOLES, "", "number of the place of each, same length")
                                .items(2, 1000),
                        optional(
                                        "sets",
                                        Input.Kind.WHOLES,
                                        "",
                                        "number of the set of each, same length; one unless given")
                                .items(0, 1000)),
                "",
                "analysis of variance, places within sets (Yates 1934)",
                Map.of(
                        "values", List.of(54.1, 55.3, 53.9, 54.8, 55.9, 56.4, 55.2, 56.8),
                        "places", List.of(1, 1, 1, 1, 2, 2, 2, 2)),
                given -> {
                    double[] values = given.numbers("values");
                    int[] sets = given.has("sets") ? given.wholes("sets") : new int[values.length];
                    PlaceEffect effect = PlaceEffect.of(values, given.wholes("places"), sets);
                    String source = "one-way analysis of variance";
                    Working working = Working.of(
                            Step.of("places", "k", "", effect.places()),
                            Step.of("values", "n", "", effect.n()),
                            Step.of("scatter within places", "s", "√MS_within", effect.withinSd(), source),
                            Step.of("ratio of the mean squares", "F", "MS_between/MS_within", effect.f(), source),
                            Step.of("probability without an effect", "p", "P(F' ≥ F)", effect.p(), source));
                    return Answer.of(effect.f(), "", working)
                            .with("p", effect.p())
                            .with("withinSd", effect.withinSd())
                            .with("betweenSd", effect.betweenSd())
                            .with("betweenNegative", effect.betweenNegative());
                });
    }

    private static Calculation bridging() {
        return new Calculation(
                "bridging-study",
                "Whether the old and the new way may share a chart, and by what offset",
                List.of(
                        required("old", NUMBERS, "", "by the old way, one a lot"),
                        required("new", NUMBERS, "", "by the new way, same lots in the same order"),
                        required("margin", NUMBER, "", "largest difference that would not matter")
                                .positive(),
                        optional(
                                        "claimDistance",
                                        NUMBER,
                                        "",
                                        "distance of the old way's mean from the nearest edge of the claim; not asked unless given")
                                .positive()),
                "",
                "paired t interval, 90 % two-sided; equivalence by two one-sided tests (Schuirmann 1987)",
                Map.of(
                        "old", List.of(54.1, 55.3, 53.9, 54.8, 56.1),
                        "new", List.of(54.6, 55.5, 54.7, 55.2, 56.4),
                        "margin", 1),
                PlanCalculations::bridgingOf);
    }

    private static Answer bridgingOf(Case given) {
        Bridging study = Bridging.of(
                given.numbers("old"),
                given.numbers("new"),
                given.number("margin"),
                given.optionalNumber("claimDistance"));
        return new Answer(
                        OptionalDouble.of(study.difference()),
                        "",
                        study.finding().words(),
                        Map.of("sentence", study.sentence("")),
                        Working.of(
                                Step.of("lots", "n", "", study.lots()),
                                Step.of("mean of new minus old", "d̄", "Σd/n", study.difference()),
                                Step.of("scatter of the differences", "s", "", study.sd()),
                                Step.of("lower end, 90 %", "", "d̄ − t(0.95; n − 1)·s/√n", study.lower()),
                                Step.of("upper end, 90 %", "", "d̄ + t(0.95; n − 1)·s/√n", study.upper())))
                .with("lower", study.lower())
                .with("upper", study.upper())
                .with("sd", study.sd())
                .with("offsetUncertainty", study.uncertainty())
                .with("differs", study.isDifferent());
    }

    private static Calculation checkCharacter() {
        return new Calculation(
                "check-character",
                "The check character of a specimen's code",
                List.of(required("code", WORD, "", "letters and digits; dashes and blanks are passed over")),
                "",
                "ISO/IEC 7064, MOD 37,36",
                Map.of("code", "A1-2425G-ABC1234002"),
                given -> {
                    char check = CheckCharacter.of(given.text("code"));
                    return new Answer(
                            OptionalDouble.of(Character.digit(check, 36)),
                            "",
                            "computed",
                            Map.of("character", String.valueOf(check)),
                            Working.of(Step.of(
                                    "value of the check character",
                                    "",
                                    "the sum modulo 36 and 37 over all characters leaves 1",
                                    Character.digit(check, 36),
                                    "ISO/IEC 7064")));
                });
    }
}
