package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.chart.Scale;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions.Mismatch;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Margin;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.working.Figures;

/** Lays a judged claim out as a strip: the edge, the specimens, the mean with its bounds, the lots before. */
@Component
class Strips {

    private static final double LEFT = 14;
    private static final double RIGHT = 846;
    private static final double MARK_WIDTH = 9;
    private static final double CAPACITY_IN_SIGHT = 1.35;

    StripView strip(Judgements.Detail detail) {
        Judgement judgement = detail.judgement();
        Requirement claim = detail.claim().requirement();
        Characteristic property = detail.claim().property();
        List<Value> values = values(detail);
        List<Double> earlier =
                detail.earlier().stream().map(SeriesPoints.PointView::mean).toList();
        OptionalDouble capacity = capacity(detail);
        Scale scale = Scale.holding(inSight(claim, judgement, values, earlier, capacity), LEFT, RIGHT);
        String unit = claim.unit();
        int digits = property.digits();
        return new StripView(
                detail.claim().id(),
                detail.claim().title(),
                claim.words(),
                detail.claim().terms()
                        + (detail.setup().isNone() ? "" : ", " + detail.setup().words()),
                judgement.verdict().name(),
                judgement.verdict().words(),
                judgement.reason(),
                more(detail),
                counts(judgement),
                judgement.mean().isPresent() ? Figures.withUnit(judgement.mean().getAsDouble(), digits, unit) : "",
                boundWords(judgement, claim, digits, unit),
                judgement.probability().isPresent()
                        ? Figures.probability(judgement.probability().getAsDouble())
                        : "",
                java.util.stream.Stream.concat(
                                detail.mismatches().stream()
                                        .filter(mismatch -> !mismatch.blocking())
                                        .map(Mismatch::words)
                                        .map(words -> "Indicative only: " + words + "."),
                                detail.beside().stream())
                        .toList(),
                scale.ticks(8),
                edge(scale, claim.lower()),
                edge(scale, claim.upper()),
                marks(scale, values, unit),
                place(scale, judgement.mean()),
                facesLower(judgement, claim) ? place(scale, judgement.lower()) : null,
                facesUpper(judgement, claim) ? place(scale, judgement.upper()) : null,
                earlier.stream().map(scale::at).toList(),
                earlier.isEmpty()
                        ? "no earlier lots"
                        : earlier.size() + (earlier.size() == 1 ? " earlier lot" : " earlier lots"),
                capacityEdge(scale, capacity, unit),
                unit,
                description(detail, judgement, digits, unit),
                beside(detail),
                Margin.of(claim, judgement)
                        .map(margin -> margin.words(digits, unit))
                        .orElse(""),
                change(detail, digits, unit),
                detail.claim().isOfEveryPart()
                        ? ""
                        : GuardBand.beside(claim, judgement).orElse(""));
    }

    /** Claim and evidence condition by condition; nothing where one set of specimens does not stand for the evidence. */
    private static List<StripView.Beside> beside(Judgements.Detail detail) {
        if (detail.records().isEmpty()
                || detail.claim().property().isRatio()
                || !detail.claim().property().isMechanical()) {
            return List.of();
        }
        return detail
                .claim()
                .conditions()
                .beside(detail.records().get(0).specimen().conditions())
                .stream()
                .map(term -> new StripView.Beside(
                        term.condition(),
                        term.claimed(),
                        term.tested(),
                        term.fit().name(),
                        term.fit().words()))
                .toList();
    }

    /** What would make the verdict another. */
    private static String change(Judgements.Detail detail, int digits, String unit) {
        Judgement judgement = detail.judgement();
        Requirement claim = detail.claim().requirement();
        if (judgement.verdict() == Verdict.NOT_COMPARABLE) {
            return "Specimens under the claim's own terms: "
                    + detail.claim().conditions().words() + ".";
        }
        Optional<Margin> margin = Margin.of(claim, judgement);
        if (margin.isEmpty()) {
            return "";
        }
        if (judgement.n() < claim.minimumN() && judgement.verdict() == Verdict.OPEN) {
            return "The claim asks for n = " + claim.minimumN() + " at least.";
        }
        String carried = margin.get().carried(digits + 1, unit);
        return judgement.verdict() == Verdict.SUPPORTED
                ? "These specimens would carry a claim of " + carried + "; a stricter one would be open."
                : "These specimens would carry a claim of " + carried + ", and no stricter one.";
    }

    /** More specimens of the set that gives the figures, where so many should settle an open claim on it. */
    private static StripView.@Nullable More more(Judgements.Detail detail) {
        OptionalInt more = detail.judgement().moreSpecimens();
        boolean ofOneSet =
                !detail.claim().property().isRatio() && detail.claim().form() != Form.BETTER_THAN;
        if (more.isEmpty() || !ofOneSet || detail.records().isEmpty()) {
            return null;
        }
        SpecimenRecord last = detail.records().get(detail.records().size() - 1);
        int untested = (int)
                detail.records().stream().filter(record -> !record.isTested()).count();
        return new StripView.More(
                last.specimen().setId(),
                untested,
                Math.max(0, more.getAsInt() - untested),
                UUID.randomUUID().toString());
    }

    private record Value(
            String label, double value, @Nullable Double upper, String kind, String words) {}

    private static List<Value> values(Judgements.Detail detail) {
        Characteristic property = detail.claim().property();
        List<Value> values = new ArrayList<>();
        if (property.isRatio() || detail.claim().form() == Form.BETTER_THAN) {
            return values;
        }
        for (SpecimenRecord record : detail.records()) {
            String label = record.specimen().label();
            if (property.isTested()) {
                record.result(property)
                        .filter(result -> result.shown().isPresent())
                        .ifPresent(result -> values.add(new Value(
                                label,
                                result.shown().getAsDouble(),
                                result.upper().isPresent() ? result.upper().getAsDouble() : null,
                                SpecimenRecord.kind(result),
                                result.reason())));
            } else {
                record.mean(property.base())
                        .ifPresent(size -> values.add(new Value(label, size, null, "MEASURED", "")));
            }
        }
        return values;
    }

    /** The figure at which the weakest gauge used would have ended, on the mean section; empty where it has no meaning. */
    private static OptionalDouble capacity(Judgements.Detail detail) {
        Characteristic property = detail.claim().property();
        return detail.records().stream()
                .filter(record -> property.equals(record.method().data().main()))
                .flatMapToDouble(record -> ofCapacity(record).stream())
                .min();
    }

    /** A specimen's figure goes with what read it: at the gauge's end it would be as many times larger as the load is. */
    private static OptionalDouble ofCapacity(SpecimenRecord record) {
        Optional<ReadingView> ended = record.ended().filter(reading -> record.method()
                .data()
                .endedBy()
                .equals(Optional.of(reading.field().key())));
        OptionalDouble shown = record.result().map(Reduced::shown).orElse(OptionalDouble.empty());
        if (ended.isEmpty()
                || shown.isEmpty()
                || ended.get().instrument().capacity().isEmpty()) {
            return OptionalDouble.empty();
        }
        double capacity = ended.get().instrument().capacity().getAsDouble();
        double read = record.mean(ended.get().field().key()).orElse(capacity);
        return OptionalDouble.of(shown.getAsDouble() * capacity / Math.min(read, capacity));
    }

    private static List<Double> inSight(
            Requirement claim, Judgement judgement, List<Value> values, List<Double> earlier, OptionalDouble capacity) {
        List<Double> all = new ArrayList<>(earlier);
        values.forEach(value -> {
            all.add(value.value());
            if (value.upper() != null) {
                all.add(value.upper());
            }
        });
        claim.lower().ifPresent(all::add);
        claim.upper().ifPresent(all::add);
        judgement.mean().ifPresent(all::add);
        judgement.lower().ifPresent(all::add);
        judgement.upper().ifPresent(all::add);
        double highest = all.stream().mapToDouble(Double::doubleValue).max().orElse(0);
        // A gauge that ends far beyond the values would squeeze the strip; it is named at the margin instead.
        capacity.ifPresent(end -> {
            if (end <= highest * CAPACITY_IN_SIGHT) {
                all.add(end);
            }
        });
        return all;
    }

    private static StripView.@Nullable Edge capacityEdge(Scale scale, OptionalDouble capacity, String unit) {
        if (capacity.isEmpty()) {
            return null;
        }
        double end = capacity.getAsDouble();
        String words = "gauge ends at " + Figures.significant(end, 3);
        return end <= scale.high()
                ? new StripView.Edge(scale.at(end), words)
                : new StripView.Edge(-1, words + Figures.unit(unit) + ", beyond this strip");
    }

    private static StripView.@Nullable Edge edge(Scale scale, OptionalDouble edge) {
        return edge.isEmpty()
                ? null
                : new StripView.Edge(scale.at(edge.getAsDouble()), Figures.plain(edge.getAsDouble(), 5));
    }

    private static @Nullable Double place(Scale scale, OptionalDouble value) {
        return value.isEmpty() ? null : scale.at(value.getAsDouble());
    }

    /** Marks that would cover one another are stacked. */
    private static List<StripView.Mark> marks(Scale scale, List<Value> values, String unit) {
        List<StripView.Mark> marks = new ArrayList<>();
        for (Value value : values) {
            double at = scale.at(value.value());
            int level = 0;
            boolean free = false;
            while (!free) {
                double up = level * MARK_WIDTH;
                free = marks.stream().noneMatch(m -> Math.abs(m.at() - at) < MARK_WIDTH && m.up() == up);
                level += free ? 0 : 1;
            }
            String words = value.label() + ": " + prefix(value.kind())
                    + Figures.withUnit(value.value(), 4, unit)
                    + (value.upper() == null ? "" : ", not above " + Figures.withUnit(value.upper(), 4, unit))
                    + (value.words().isEmpty() ? "" : " (" + value.words() + ")");
            marks.add(new StripView.Mark(
                    at,
                    level * MARK_WIDTH,
                    value.upper() == null ? null : scale.at(value.upper()),
                    value.kind(),
                    words));
        }
        return marks;
    }

    private static String prefix(String kind) {
        return switch (kind) {
            case "AT_LEAST" -> "at least ";
            case "AT_MOST" -> "at most ";
            case "BETWEEN" -> "above ";
            default -> "";
        };
    }

    private static String counts(Judgement judgement) {
        if (judgement.n() == 0 && judgement.excluded() == 0) {
            return "";
        }
        String words = "n = " + judgement.n() + (judgement.n() == 1 ? " specimen" : " specimens") + ", one lot";
        if (judgement.bounds() > 0) {
            words += ", " + judgement.bounds() + " of them bounds";
        }
        return judgement.excluded() > 0 ? words + "; " + judgement.excluded() + " excluded" : words;
    }

    /** The lower bound is drawn where it decides: against a lower edge, or to contradict an upper one. */
    private static boolean facesLower(Judgement judgement, Requirement claim) {
        return judgement.lower().isPresent() && faces(claim.lower().isPresent(), judgement, claim);
    }

    private static boolean facesUpper(Judgement judgement, Requirement claim) {
        return judgement.upper().isPresent() && faces(claim.upper().isPresent(), judgement, claim);
    }

    private static boolean faces(boolean ownEdge, Judgement judgement, Requirement claim) {
        boolean bothEdges = claim.lower().isPresent() && claim.upper().isPresent();
        boolean contradicted = judgement.verdict() == Verdict.CONTRADICTED;
        return bothEdges || ownEdge != contradicted;
    }

    private static String boundWords(Judgement judgement, Requirement claim, int digits, String unit) {
        boolean low = facesLower(judgement, claim);
        boolean high = facesUpper(judgement, claim);
        String level = Figures.plain(Math.round(1000 * judgement.confidence()) / 10.0, 3) + " %";
        if (low && high) {
            return level + " bounds " + Figures.significant(judgement.lower().getAsDouble(), digits + 1) + " and "
                    + Figures.withUnit(judgement.upper().getAsDouble(), digits + 1, unit);
        }
        if (low) {
            return level + " lower bound " + Figures.withUnit(judgement.lower().getAsDouble(), digits + 1, unit);
        }
        return high
                ? level + " upper bound " + Figures.withUnit(judgement.upper().getAsDouble(), digits + 1, unit)
                : "";
    }

    private static String description(Judgements.Detail detail, Judgement judgement, int digits, String unit) {
        Optional<String> mean = judgement.mean().isPresent()
                ? Optional.of(Figures.withUnit(judgement.mean().getAsDouble(), digits, unit))
                : Optional.empty();
        return detail.claim().title() + ", claimed "
                + detail.claim().requirement().words() + ": "
                + judgement.verdict().words() + mean.map(m -> ", mean " + m).orElse("") + ".";
    }
}
