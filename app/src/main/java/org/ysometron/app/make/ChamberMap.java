package org.ysometron.app.make;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A cure or anneal chamber drawn, one grid a cycle: who was where, and its value where there is one. */
public record ChamberMap(double width, double height, List<Grid> grids) {

    private static final double CELL = 58;
    private static final double TALL = 34;
    private static final double HEAD = 20;
    private static final double GAP = 26;
    private static final double MOST = 1120;

    /** A cycle. */
    public record Grid(double x, double y, double width, double height, String title, List<Cell> cells) {}

    /** A place; empty ones have no label. */
    public record Cell(double x, double y, double width, double height, String label, String value, int shade) {}

    /**
     * Draws a run.
     *
     * @param values by specimen; empty before anything was tested
     */
    public static ChamberMap of(Chambers.ChamberView run, Map<Long, Double> values) {
        Shades shades = Shades.of(values.values());
        double w = run.columns() * CELL;
        double h = run.rows() * TALL;
        int perRow = (int) Math.max(1, Math.floor((MOST + GAP) / (w + GAP)));
        List<Grid> grids = new ArrayList<>();
        for (int cycle = 1; cycle <= run.cycles(); cycle++) {
            int index = cycle - 1;
            double x = index % perRow * (w + GAP);
            double y = Math.floorDiv(index, perRow) * (h + HEAD + GAP);
            List<Cell> cells = new ArrayList<>();
            for (int place = 0; place < run.rows() * run.columns(); place++) {
                cells.add(cell(run, values, shades, cycle, place, x, y + HEAD));
            }
            grids.add(new Grid(x, y, w, h + HEAD, run.cycles() == 1 ? "places" : "cycle " + cycle, cells));
        }
        double width = Math.min(perRow, run.cycles()) * (w + GAP) - GAP;
        double rows = Math.ceil(run.cycles() / (double) perRow);
        return new ChamberMap(width + 2, rows * (h + HEAD + GAP) - GAP + 2, grids);
    }

    private static Cell cell(
            Chambers.ChamberView run,
            Map<Long, Double> values,
            Shades shades,
            int cycle,
            int place,
            double x,
            double y) {
        int row = place / run.columns();
        int column = place % run.columns();
        String label = "";
        String value = "";
        int shade = -1;
        for (Chambers.Placed placed : run.placed()) {
            if (placed.cycle() == cycle && placed.place() == place) {
                label = placed.specimen().label();
                Double found = values.get(placed.specimen().id());
                if (found != null) {
                    value = Shades.words(found);
                    shade = shades.of(found);
                }
            }
        }
        return new Cell(x + column * CELL, y + row * TALL, CELL, TALL, label, value, shade);
    }
}
