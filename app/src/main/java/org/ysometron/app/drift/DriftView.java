package org.ysometron.app.drift;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.chart.Scale.Tick;

/** The drift page, shaped for its template. */
record DriftView(
        long seriesId,
        String title,
        String terms,
        String unit,
        int lots,
        @Nullable Base baseline,
        String cost,
        Chart means,
        List<Chart> strips,
        List<Row> signals,
        @Nullable Integer earlierTo,
        @Nullable Integer laterTo,
        String window,
        List<String> lotCodes,
        int unanswered,
        Diagnoses.@Nullable Diagnosis diagnosis,
        MovedTogether.@Nullable Found together,
        Capabilities.@Nullable Said capability,
        List<Event> events,
        List<String> oftenChanged) {

    /**
     * Something else that changed and stayed so.
     *
     * @param x its lot's place on the charts
     * @param y height of the point that it is a note at; null for what stands by its day
     * @param words with its lot
     * @param isWithin whether it lies where the series may have changed
     */
    record Event(double x, @Nullable Double y, String words, boolean isWithin) {}

    /** The chart of means, then the strips. */
    public List<Chart> charts() {
        return Stream.concat(Stream.of(means), strips.stream()).toList();
    }

    /** What else changed where the series may have changed. */
    public List<Event> eventsWithin() {
        return events.stream().filter(Event::isWithin).toList();
    }

    /**
     * The baseline in force.
     *
     * @param followsN whether its limits are those for each lot's n; not where it was signed before they were
     */
    record Base(
            long id,
            int version,
            String signed,
            String reason,
            String lots,
            boolean provisional,
            boolean followsN,
            int versions) {}

    /**
     * One chart.
     *
     * @param name what it shows
     * @param unit of what it shows
     * @param lines centre and limits
     * @param walls the claim's edges, drawn unlike a limit
     */
    record Chart(
            String name,
            String unit,
            double height,
            List<Tick> ticks,
            List<Line> lines,
            List<Wall> walls,
            List<Dot> dots,
            String path,
            List<Bracket> brackets,
            List<Tick> codes) {

        /** Labels keep a line's height from one another. */
        Chart {
            lines = Line.labelled(lines);
        }

        public boolean isEmpty() {
            return dots.isEmpty();
        }
    }

    /**
     * A centre or limit; a stepped one has its own path.
     *
     * @param at height of its label
     */
    record Line(String kind, double at, String path, String label) {

        private static final double APART = 14;

        /** The same lines, their labels moved apart about their middle where they would stand on one another. */
        private static List<Line> labelled(List<Line> lines) {
            List<Integer> order = IntStream.range(0, lines.size())
                    .boxed()
                    .sorted(Comparator.comparingDouble(i -> lines.get(i).at))
                    .toList();
            double[] at = lines.stream().mapToDouble(Line::at).toArray();
            for (int round = 0; round < at.length; round++) {
                for (int i = 1; i < at.length; i++) {
                    int above = order.get(i - 1);
                    int below = order.get(i);
                    double missing = APART - (at[below] - at[above]);
                    if (missing > 0) {
                        at[above] -= missing / 2;
                        at[below] += missing / 2;
                    }
                }
            }
            return IntStream.range(0, at.length)
                    .mapToObj(i -> new Line(lines.get(i).kind, at[i], lines.get(i).path, lines.get(i).label))
                    .toList();
        }
    }

    /** The claim's edge: where it is and on which side the claim is broken. */
    record Wall(double at, boolean below, String label) {}

    /** A lot's point. */
    record Dot(
            double x,
            double y,
            String lot,
            String words,
            boolean signal,
            String label,
            double labelY,
            String anchor,
            boolean undecided) {}

    /**
     * Lots named on the axis: those of the baseline, and those with which a change may have begun.
     *
     * @param y height of its ends
     */
    record Bracket(double from, double to, double y, String label) {}

    /** A signal in the list. */
    record Row(
            String lot,
            long lotId,
            LocalDate madeOn,
            String words,
            boolean undecided,
            Signals.@Nullable AnswerView answer,
            Signals.@Nullable AnswerView inPart) {}
}
