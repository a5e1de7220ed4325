package org.ysometron.app.make;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.ysometron.core.plan.Plate;

/**
 * A print plate drawn, seen from above with the front edge below: every specimen with its label, and its value where there
 * is one.
 */
public record PlateMap(double width, double height, List<Piece> pieces, String words) {

    private static final double WIDTH = 560;
    private static final double MOST_HEIGHT = 430;
    private static final double LETTER = 5.6;

    /** Height that a line of letters needs, with the hatching around it. */
    private static final double ROOM = 14;

    /**
     * A specimen.
     *
     * @param label shown inside when there is room, beside it otherwise
     * @param inside whether it fits inside
     * @param reference whether it is the reference lot's
     * @param shade 0 to 4, the higher the value the darker; below zero without a value
     */
    public record Piece(
            double x,
            double y,
            double width,
            double height,
            String label,
            boolean inside,
            boolean reference,
            int shade,
            String words) {}

    /**
     * Draws a run.
     *
     * @param values by specimen; empty before anything was tested
     */
    public static PlateMap of(Runs.RunView run, Map<Long, Double> values) {
        double scale =
                Math.min(WIDTH / run.plate().width(), MOST_HEIGHT / run.plate().depth());
        double height = run.plate().depth() * scale;
        Shades shades = Shades.of(values.values());
        List<Piece> pieces = new ArrayList<>();
        for (Runs.Placed placed : run.placed()) {
            Plate.Footprint footprint = placed.footprint();
            double w = footprint.width() * scale;
            double h = Math.max(5, footprint.depth() * scale);
            boolean reference = placed.specimen().besideId() != null;
            String label = (reference ? "R-" : "") + placed.specimen().label();
            Double value = values.get(placed.specimen().id());
            String shown = value == null ? label : label + " " + Shades.words(value);
            boolean inside = w > shown.length() * LETTER && h >= ROOM;
            pieces.add(new Piece(
                    round(placed.x() * scale),
                    round(height - placed.y() * scale - h),
                    round(w),
                    round(h),
                    inside || w > 40 ? shown : label,
                    inside,
                    reference,
                    value == null ? -1 : shades.of(value),
                    label + ", " + placed.specimen().conditions().orientation().words()
                            + (reference ? ", reference lot" : "")
                            + (value == null ? "" : ", " + Shades.words(value) + " MPa")));
        }
        return new PlateMap(
                round(run.plate().width() * scale),
                round(height),
                pieces,
                run.placed().size() + " specimens on a plate of "
                        + org.ysometron.core.working.Figures.plain(run.plate().width(), 4)
                        + " × "
                        + org.ysometron.core.working.Figures.plain(run.plate().depth(), 4) + " mm");
    }

    private static double round(double value) {
        return Math.rint(value * 10) / 10;
    }
}
