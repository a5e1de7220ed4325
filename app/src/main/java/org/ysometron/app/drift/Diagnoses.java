package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.Lots;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.drift.ChangePoint;
import org.ysometron.core.drift.ChangePoint.Shape;
import org.ysometron.core.drift.LotsLeft;
import org.ysometron.core.surprise.TwoStreams;
import org.ysometron.core.working.Figures;

/** What became of a series, in words: since when, in what shape, and how many lots are left until the claim's edge. */
@Component
class Diagnoses {

    /** Of unchanged series so few look so that a change is spoken of; the pattern that raised the signal has its own level. */
    private static final double SPOKEN = 0.05;

    /** So many lots far out at the most are looked past; of more it is no story of single lots. */
    private static final int MOST_SPIKES = 3;

    private final Lots lots;
    private final LastingChanges changes;

    Diagnoses(Lots lots, LastingChanges changes) {
        this.changes = changes;
        this.lots = lots;
    }

    /**
     * What is said of a series.
     *
     * @param headline shape and place, in a line
     * @param sentences what goes with it
     * @param shape of the change; null where none is spoken of
     * @param at lot with which the change most likely began; null where none is spoken of
     * @param earliest lot with which the change may have begun; null where none is spoken of
     * @param latest the last such lot
     * @param left lots until the claim's edge; null where no slide comes to it
     * @param isTwoStreams whether its lots fall into two streams instead
     */
    record Diagnosis(
            String headline,
            List<String> sentences,
            @Nullable Shape shape,
            @Nullable Long at,
            @Nullable Long earliest,
            @Nullable Long latest,
            @Nullable Double left,
            boolean isTwoStreams) {

        static Diagnosis none(String headline) {
            return new Diagnosis(headline, List.of(), null, null, null, null, null, false);
        }
    }

    /** Looks at lots of a series in their order, at most {@link ChangePoint#MOST}, with the claim whose edges a slide may come to. */
    Optional<Diagnosis> of(SeriesView found, List<PointView> chosen, Optional<Requirement> claim) {
        // What is no figure is drawn nowhere and changes nothing.
        List<PointView> points =
                chosen.stream().filter(point -> Double.isFinite(point.mean())).toList();
        if (points.size() < ChangePoint.FEWEST) {
            return points.isEmpty()
                    ? Optional.empty()
                    : Optional.of(Diagnosis.none(
                            "Too few lots to say since when: " + points.size() + " of " + ChangePoint.FEWEST + "."));
        }
        Optional<ChangePoint> change = ChangePoint.of(means(points));
        if (change.isEmpty()) {
            return Optional.empty();
        }
        if (change.get().chance() > SPOKEN) {
            Optional<TwoStreams> streams = TwoStreams.of(means(points)).filter(TwoStreams::isSpoken);
            if (streams.isPresent()) {
                return Optional.of(streams(found, points, streams.get()));
            }
            return Optional.of(Diagnosis.none("No single change stands out of chance: of series without any, "
                    + share(change.get()) + " look as changed as these " + points.size() + " lots."));
        }
        return Optional.of(withoutSpikes(found, points, change.get(), claim));
    }

    private Diagnosis streams(SeriesView found, List<PointView> points, TwoStreams streams) {
        String unit = found.property().unit();
        int digits = found.property().digits() + 1;
        List<String> sentences = new ArrayList<>();
        sentences.add("No single change stands out of chance; of series of one stream "
                + (streams.chance() < 0.001 ? "fewer than 0.1" : Figures.significant(100 * streams.chance(), 2))
                + " % fall apart so far.");
        List<String> parting = changes.parting(points, streams.edge());
        sentences.add(
                parting.isEmpty()
                        ? "Nothing on record parts the lots so: look for two machines, gauges, hands or deliveries by turns."
                        : "Parted just so: " + String.join("; ", parting) + ".");
        return new Diagnosis(
                "Its lots fall into two streams: " + streams.inLower() + " about "
                        + Figures.withUnit(streams.lower(), digits, unit) + ", " + streams.inUpper() + " about "
                        + Figures.withUnit(streams.upper(), digits, unit) + ".",
                sentences,
                null,
                null,
                null,
                null,
                null,
                true);
    }

    /** One lot far out hides what became of the others: they are looked at once more without it, and it is named. */
    private Diagnosis withoutSpikes(
            SeriesView found, List<PointView> points, ChangePoint first, Optional<Requirement> claim) {
        List<PointView> others = new ArrayList<>(points);
        List<String> apart = new ArrayList<>();
        Optional<ChangePoint> change = Optional.of(first);
        while (change.filter(Diagnoses::isSpike).isPresent() && apart.size() < MOST_SPIKES) {
            apart.add(headline(found, others, change.get()));
            others.remove(change.get().at());
            change = ChangePoint.of(means(others)).filter(next -> next.chance() <= SPOKEN);
        }
        if (change.isEmpty() || isSpike(change.get())) {
            return spoken(found, points, first, claim, apart.subList(Math.min(1, apart.size()), apart.size()));
        }
        return spoken(found, others, change.get(), claim, apart);
    }

    private static boolean isSpike(ChangePoint change) {
        return change.shape() == Shape.SPIKE;
    }

    private Diagnosis spoken(
            SeriesView found,
            List<PointView> points,
            ChangePoint change,
            Optional<Requirement> claim,
            List<String> apart) {
        List<String> sentences = new ArrayList<>();
        PointView earliest = points.get(change.earliest());
        PointView latest = points.get(change.latest());
        sentences.add((change.earliest() == change.latest()
                        ? "No other lot comes into question (95 %). "
                        : "It may have begun with any lot from " + code(earliest) + " to " + code(latest) + " (95 %). ")
                + "Of series without any change, " + share(change) + " look as changed.");
        OptionalDouble left = change.shape() == Shape.RAMP && claim.isPresent()
                ? left(found, points, change, claim.get(), sentences)
                : OptionalDouble.empty();
        apart.forEach(one -> sentences.add(one + " The rest is told without it."));
        return new Diagnosis(
                headline(found, points, change),
                sentences,
                change.shape(),
                points.get(change.at()).lotId(),
                earliest.lotId(),
                latest.lotId(),
                left.isPresent() ? left.getAsDouble() : null,
                false);
    }

    private String headline(SeriesView found, List<PointView> points, ChangePoint change) {
        String unit = found.property().unit();
        int digits = found.property().digits() + 1;
        String lot = code(points.get(change.at()));
        String before = Figures.withUnit(change.before(), digits, unit);
        String size = Figures.withUnit(Math.abs(change.size()), 3, unit);
        boolean down = change.size() < 0;
        return switch (change.shape()) {
            case SPIKE ->
                lot + " alone stands apart, " + size + (down ? " below" : " above") + " the mean of the others, "
                        + before + ".";
            case STEP ->
                "Another level since " + lot + ": " + size + (down ? " lower" : " higher") + " than the " + before
                        + " before it" + percent(change) + ".";
            case RAMP ->
                "It slides since about " + lot + ", by " + size + " a lot " + (down ? "down" : "up") + " from " + before
                        + ".";
            case SPREAD ->
                "Since " + lot + " the lots scatter " + Figures.significant(change.size(), 2)
                        + " times as far about the same level.";
        };
    }

    /** With its base: a percentage without one says nothing. */
    private static String percent(ChangePoint change) {
        return change.before() > 0
                ? ", " + Figures.significant(100 * Math.abs(change.size()) / change.before(), 2) + " % of that level"
                : "";
    }

    /** Says how many lots are left, where that can be said, and returns them. */
    private static OptionalDouble left(
            SeriesView found,
            List<PointView> points,
            ChangePoint change,
            Requirement requirement,
            List<String> sentences) {
        OptionalDouble edge = change.size() < 0 ? requirement.lower() : requirement.upper();
        // The last lot before the slide is where its line begins.
        List<PointView> sliding = points.subList(Math.max(0, change.at() - 1), points.size());
        if (edge.isEmpty() || sliding.size() < LotsLeft.FEWEST) {
            return OptionalDouble.empty();
        }
        LotsLeft left = LotsLeft.of(means(sliding), edge.getAsDouble());
        String claimed = "the claimed "
                + Figures.withUnit(
                        edge.getAsDouble(),
                        found.property().digits(),
                        found.property().unit());
        if (left.lots().isEmpty()) {
            double last = points.get(points.size() - 1).mean();
            boolean outside = change.size() < 0 ? last < edge.getAsDouble() : last > edge.getAsDouble();
            sentences.add(
                    outside
                            ? "The newest lot lies beyond " + claimed + " already."
                            : "Of its last " + sliding.size() + " lots no slope stands out of chance: when " + claimed
                                    + " would be met is not known.");
            return OptionalDouble.empty();
        }
        sentences.add("At the slope of its last " + sliding.size() + " lots " + claimed + " is met in about "
                + lots(left.lots().getAsDouble()) + " (95 %: "
                + whole(left.fewest().orElse(0)) + " to "
                + (left.most().isPresent() ? whole(Math.ceil(left.most().getAsDouble())) : "never") + ").");
        return left.lots();
    }

    private String code(PointView point) {
        return lots.lot(point.lotId()).code();
    }

    private static double[] means(List<PointView> points) {
        return points.stream().mapToDouble(PointView::mean).toArray();
    }

    private static String share(ChangePoint change) {
        return change.chance() < 0.001 ? "fewer than 0.1 %" : Figures.significant(100 * change.chance(), 2) + " %";
    }

    private static String lots(double count) {
        String whole = whole(count);
        return whole + (whole.equals("1") ? " lot" : " lots");
    }

    private static String whole(double count) {
        return Figures.decimals(Math.floor(count), 0);
    }
}
