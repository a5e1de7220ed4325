package org.ysometron.app.curve;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.ysometron.app.chart.Scale;

/** Curves as a vector drawing, for certificates and files. */
public record Drawing(
        List<Scale.Tick> strains,
        List<Scale.Tick> stresses,
        List<Line> lines,
        List<Area> areas,
        List<Dot> dots,
        String strainWords,
        String stressWords) {

    private static final double LEFT = 56;
    private static final double RIGHT = 724;
    private static final double TOP = 14;
    private static final double BOTTOM = 330;

    /** Places nearer than this look like one. */
    private static final double NEAR = 2;

    /** A curve; faint where it does not count. */
    public record Line(String path, boolean counts, String label) {}

    /** A band. */
    public record Area(String path, String words, boolean own) {}

    /** A found point. */
    public record Dot(double x, double y, String words) {}

    static Drawing of(Curves.Sheet sheet) {
        List<Double> xs = new ArrayList<>(List.of(0.0));
        List<Double> ys = new ArrayList<>(List.of(0.0));
        sheet.curves().forEach(curve -> {
            for (int i = 0; i < curve.x().length; i++) {
                xs.add((double) curve.x()[i]);
                ys.add((double) curve.y()[i]);
            }
        });
        Scale x = Scale.holding(xs, LEFT, RIGHT);
        Scale y = Scale.holding(ys, BOTTOM, TOP);
        List<Area> areas = new ArrayList<>();
        sheet.others().forEach(band -> areas.add(area(band, x, y, false)));
        if (sheet.own() != null) {
            areas.add(area(sheet.own(), x, y, true));
        }
        List<Dot> dots = new ArrayList<>();
        if (sheet.curves().size() == 1) {
            sheet.curves()
                    .get(0)
                    .marks()
                    .forEach(
                            mark -> dots.add(new Dot(x.at(mark.x()), y.at(mark.y()), mark.named() ? mark.kind() : "")));
        }
        return new Drawing(
                x.ticks(8),
                y.ticks(6),
                sheet.curves().stream()
                        .map(curve -> new Line(path(curve.x(), curve.y(), x, y), curve.counts(), curve.label()))
                        .toList(),
                areas,
                dots,
                words(sheet.axes().strain(), sheet.axes().strainUnit()),
                words(sheet.axes().stress(), sheet.axes().stressUnit()));
    }

    private static String words(String what, String unit) {
        return unit.isEmpty() ? what : what + ", " + unit;
    }

    /** A line of as many points as can be told apart, its last among them. */
    private static String path(float[] x, float[] y, Scale across, Scale up) {
        StringBuilder path = new StringBuilder();
        double lastX = Double.NEGATIVE_INFINITY;
        double lastY = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < x.length; i++) {
            double atX = across.at(x[i]);
            double atY = up.at(y[i]);
            if (i == x.length - 1 || Math.hypot(atX - lastX, atY - lastY) > NEAR) {
                path.append(path.isEmpty() ? 'M' : 'L')
                        .append(place(across, x[i]))
                        .append(' ')
                        .append(place(up, y[i]));
                lastX = atX;
                lastY = atY;
            }
        }
        return path.toString();
    }

    private static Area area(Curves.Band band, Scale x, Scale y, boolean own) {
        StringBuilder path = new StringBuilder(path(band.x(), band.low(), x, y));
        for (int i = band.x().length - 1; i >= 0; i--) {
            path.append('L').append(place(x, band.x()[i])).append(' ').append(place(y, band.high()[i]));
        }
        return new Area(path.append('Z').toString(), band.words(), own);
    }

    private static String place(Scale scale, double value) {
        return String.format(Locale.ROOT, "%.1f", scale.at(value));
    }
}
