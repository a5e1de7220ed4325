package org.ysometron.core.curve;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/** Records whose truth is known, because it was put in: a section of 40 mm², a length of 50 mm, a modulus of 2000 MPa. */
final class Synthetic {

    static final double AREA = 40;
    static final double LENGTH = 50;
    static final double MODULUS = 2000;
    static final Piece PIECE =
            new Piece(AREA, LENGTH, Piece.By.EXTENSOMETER, OptionalDouble.empty(), OptionalDouble.empty());

    private final List<double[]> points = new ArrayList<>();
    private final double peak;

    private Synthetic(double peak) {
        this.peak = peak;
    }

    /** Straight to its break at 50 MPa. */
    static Synthetic brittle(int n) {
        return of(n, 0.025, strain -> MODULUS * strain, 50);
    }

    /** A maximum of 42 MPa at a strain of 0.04, cold drawing at 30 MPa, a break at a strain of 0.7 and 33 MPa. */
    static Synthetic drawing(int n) {
        return of(n, 0.7, Synthetic::drawn, 42);
    }

    private static double drawn(double strain) {
        if (strain <= 0.01) {
            return MODULUS * strain;
        }
        if (strain <= 0.04) {
            double t = (strain - 0.01) / 0.03;
            // Cubic of Hermite from (0.01, 20, slope 2000) to (0.04, 42, slope 0).
            double h = 2 * t * t * t - 3 * t * t + 1;
            double g = t * t * t - 2 * t * t + t;
            return 20 * h + 0.03 * MODULUS * g + 42 * (1 - h);
        }
        if (strain <= 0.1) {
            return 36 + 6 * Math.cos(Math.PI * (strain - 0.04) / 0.06);
        }
        return 30 + 3 * Math.max(0, (strain - 0.4) / 0.3);
    }

    /** σ/E + 0.002·(σ/30)¹²: by its making the offset yield is 30 MPa; a break at 36 MPa. */
    static Synthetic hardening(int n) {
        Synthetic made = new Synthetic(36 * AREA);
        for (int i = 0; i < n; i++) {
            double stress = 36.0 * i / (n - 1);
            made.points.add(
                    new double[] {(stress / MODULUS + 0.002 * Math.pow(stress / 30, 12)) * LENGTH, stress * AREA});
        }
        return made;
    }

    private static Synthetic of(int n, double most, DoubleUnaryOperator stress, double peak) {
        Synthetic made = new Synthetic(peak * AREA);
        for (int i = 0; i < n; i++) {
            double strain = most * i / (n - 1);
            made.points.add(new double[] {strain * LENGTH, stress.applyAsDouble(strain) * AREA});
        }
        return made;
    }

    private Synthetic changed(java.util.function.UnaryOperator<List<double[]>> change) {
        Synthetic other = new Synthetic(peak);
        other.points.addAll(change.apply(points));
        return other;
    }

    /** White noise of so much of the largest force. */
    Synthetic noisy(double share, long seed) {
        Random chance = new Random(seed);
        return changed(all -> all.stream()
                .map(p -> new double[] {p[0], p[1] + share * peak * chance.nextGaussian()})
                .toList());
    }

    /** Slack and seating: the slope rises from nothing over so many mm before it is straight. */
    Synthetic withToe(double toe) {
        double k = MODULUS * AREA / LENGTH;
        return changed(all -> {
            List<double[]> other = new ArrayList<>();
            double step = all.get(1)[0] - all.get(0)[0];
            for (double at = 0; at < toe; at += step) {
                other.add(new double[] {at, k * at * at / (2 * toe)});
            }
            double joined = k * toe / 2;
            all.stream()
                    .filter(p -> p[1] >= joined || p[0] > 0.02 * LENGTH)
                    .forEach(p -> other.add(new double[] {p[0] + toe / 2, p[1]}));
            return other;
        });
    }

    /** Begins under this force, and its extension at nothing there. */
    Synthetic withPreload(double force) {
        return changed(all -> {
            double first = all.stream().filter(p -> p[1] >= force).findFirst().orElseThrow()[0];
            return all.stream()
                    .filter(p -> p[0] >= first)
                    .map(p -> new double[] {p[0] - first, p[1]})
                    .toList();
        });
    }

    /** A grip slips when this force is reached: so many mm at once, without that much force. */
    Synthetic withSlip(double force, double by) {
        double k = MODULUS * AREA / LENGTH;
        return changed(all -> {
            List<double[]> other = new ArrayList<>();
            double first = all.stream().filter(p -> p[1] >= force).findFirst().orElseThrow()[0];
            for (double[] p : all) {
                if (p[0] <= first) {
                    other.add(p);
                } else if (p[0] <= first + by) {
                    other.add(new double[] {p[0], force - k * by + k * (p[0] - first)});
                } else {
                    other.add(p);
                }
            }
            return other;
        });
    }

    /** A gauge that ends here. */
    Synthetic cut(double capacity) {
        return changed(all -> all.stream()
                .map(p -> new double[] {p[0], Math.min(p[1], capacity)})
                .toList());
    }

    /** A display with steps of this size. */
    Synthetic quantised(double step) {
        return changed(all -> all.stream()
                .map(p -> new double[] {p[0], Math.rint(p[1] / step) * step})
                .toList());
    }

    /** What follows the break: a fall within two points and a residual below zero. */
    Synthetic broken(int behind) {
        return changed(all -> {
            List<double[]> other = new ArrayList<>(all);
            double[] last = all.get(all.size() - 1);
            other.add(new double[] {last[0] + 0.001, 0.4 * last[1]});
            for (int i = 0; i < behind; i++) {
                other.add(new double[] {last[0] + 0.002 + 0.01 * i, -0.004 * peak});
            }
            return other;
        });
    }

    /** One point far above all others. */
    Synthetic withWildPoint(int at, double force) {
        return changed(all -> {
            List<double[]> other = new ArrayList<>(all);
            other.set(at, new double[] {all.get(at)[0], force});
            return other;
        });
    }

    /** Points left out by chance, so that steps are unequal. */
    Synthetic uneven(long seed) {
        Random chance = new Random(seed);
        return changed(all -> {
            List<double[]> other = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                if (i == 0 || i == all.size() - 1 || chance.nextDouble() < 0.6) {
                    other.add(all.get(i));
                }
            }
            return other;
        });
    }

    /** Every other point. */
    Synthetic thinned() {
        return changed(all -> {
            List<double[]> other = new ArrayList<>();
            for (int i = 0; i < all.size(); i += 2) {
                other.add(all.get(i));
            }
            return other;
        });
    }

    Trace trace() {
        return trace(false);
    }

    /** The same, written backwards. */
    Trace backwards() {
        return trace(true);
    }

    private Trace trace(boolean backwards) {
        int n = points.size();
        double[] time = new double[n];
        double[] force = new double[n];
        double[] extension = new double[n];
        for (int i = 0; i < n; i++) {
            int at = backwards ? n - 1 - i : i;
            time[i] = at * 0.01;
            extension[i] = points.get(at)[0];
            force[i] = points.get(at)[1];
        }
        return Trace.of(time, force, extension);
    }
}
