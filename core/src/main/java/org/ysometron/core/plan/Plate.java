package org.ysometron.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;

/**
 * Where specimens stand on a print plate: in rows, in an order by chance, so that no set has the good corner to itself.
 * Rows of about equal width, longest first (Graham 1969, from memory): not the tightest, always one that can be drawn.
 *
 * @param width of the plate in mm
 * @param depth of the plate in mm
 */
public record Plate(double width, double depth) {

    /** Room between neighbours and to the edge, in mm. */
    public static final double GAP = 4;

    private static final double ROUNDING = 1e-9;

    /**
     * What a specimen covers.
     *
     * @param width along the plate's width, in mm, above 0
     * @param depth along its depth, in mm, above 0
     */
    public record Footprint(double width, double depth) {

        /** The footprint of a planned test's specimen. */
        public static Footprint of(PlannedTest test) {
            return of(test.design(), test.orientation());
        }

        /** The footprint of a design that lies so. */
        public static Footprint of(SpecimenDesign design, Orientation orientation) {
            double width = design.nominalWidth();
            double thickness = design.nominalThickness();
            return switch (orientation) {
                case XY -> new Footprint(design.length(), Math.max(width, thickness));
                case YX -> new Footprint(Math.max(width, thickness), design.length());
                case XZ -> new Footprint(design.length(), Math.min(width, thickness));
                case ZX, NONE -> new Footprint(width, thickness);
            };
        }
    }

    /**
     * A specimen's place.
     *
     * @param row from the front, from 0
     * @param column from the left, from 0
     * @param x left edge in mm
     * @param y front edge in mm
     */
    public record Place(int row, int column, double x, double y, Footprint footprint) {}

    /** Checks the plate. */
    public Plate {
        if (!(width > 0 && depth > 0)) {
            throw new IllegalArgumentException("a plate above zero is needed, got " + width + " × " + depth + " mm");
        }
    }

    /**
     * Places specimens.
     *
     * @param footprints one a specimen
     * @param seed the same number gives the same places
     * @return their places, in the order given; empty when the plate does not hold them all
     */
    public Optional<List<Place>> place(List<Footprint> footprints, long seed) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < footprints.size(); i++) {
            order.add(i);
        }
        Collections.shuffle(order, new Random(seed));
        // Of all numbers of rows the one that leaves most room around each.
        List<List<Integer>> best = List.of();
        double most = GAP - ROUNDING;
        for (int count = 1; count <= order.size(); count++) {
            List<List<Integer>> rows = rows(order, footprints, count);
            double room = room(rows, footprints);
            if (room > most) {
                best = rows;
                most = room;
            }
        }
        return best.isEmpty() ? Optional.empty() : Optional.of(spread(best, footprints));
    }

    /** Rows of about equal width: the widest first, each to the row that has most room; within a row chance decides. */
    private static List<List<Integer>> rows(List<Integer> order, List<Footprint> footprints, int count) {
        List<List<Integer>> rows = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            rows.add(new ArrayList<>());
        }
        List<Integer> widest = new ArrayList<>(order);
        widest.sort((one, other) -> Double.compare(
                footprints.get(other).width(), footprints.get(one).width()));
        for (int item : widest) {
            Collections.min(rows, Comparator.comparingDouble(row -> across(row, footprints) + GAP * row.size()))
                    .add(item);
        }
        Map<Integer, Integer> turn = new HashMap<>();
        for (int i = 0; i < order.size(); i++) {
            turn.put(order.get(i), i);
        }
        rows.forEach(row -> row.sort(Comparator.comparing(item -> turn.getOrDefault(item, 0))));
        return rows;
    }

    /** The narrowest room between neighbours, or to the edge, when rows are spread evenly; below zero when they do not fit. */
    private double room(List<List<Integer>> rows, List<Footprint> footprints) {
        double least = (depth - deep(rows, footprints)) / (rows.size() + 1);
        for (List<Integer> row : rows) {
            least = Math.min(least, (width - across(row, footprints)) / (row.size() + 1));
        }
        return least;
    }

    private static double deep(List<List<Integer>> rows, List<Footprint> footprints) {
        return rows.stream().mapToDouble(row -> deepest(row, footprints)).sum();
    }

    /** Spreads rows and what stands in them over the whole plate, so that heat reaches all alike. */
    private List<Place> spread(List<List<Integer>> rows, List<Footprint> footprints) {
        List<Place> places =
                new ArrayList<>(Collections.nCopies(footprints.size(), new Place(0, 0, 0, 0, new Footprint(1, 1))));
        double between = (depth - deep(rows, footprints)) / (rows.size() + 1);
        double y = between;
        for (int row = 0; row < rows.size(); row++) {
            List<Integer> items = rows.get(row);
            double beside = (width - across(items, footprints)) / (items.size() + 1);
            double x = beside;
            for (int column = 0; column < items.size(); column++) {
                Footprint footprint = footprints.get(items.get(column));
                places.set(items.get(column), new Place(row, column, x, y, footprint));
                x += footprint.width() + beside;
            }
            y += deepest(items, footprints) + between;
        }
        return List.copyOf(places);
    }

    private static double across(List<Integer> row, List<Footprint> footprints) {
        return row.stream().mapToDouble(item -> footprints.get(item).width()).sum();
    }

    private static double deepest(List<Integer> row, List<Footprint> footprints) {
        return row.stream()
                .mapToDouble(item -> footprints.get(item).depth())
                .max()
                .orElse(0);
    }

    /** Third of the plate from left to right in which a place lies: 0, 1 or 2. */
    public int thirdAcross(double x) {
        return (int) Math.max(0, Math.min(2, Math.floor(3 * x / width)));
    }

    /** Third of the plate from front to back: 0, 1 or 2. */
    public int thirdBack(double y) {
        return (int) Math.max(0, Math.min(2, Math.floor(3 * y / depth)));
    }
}
