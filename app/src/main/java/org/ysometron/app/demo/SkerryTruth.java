package org.ysometron.app.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.SplittableRandom;
import org.ysometron.core.claim.Orientation;

/**
 * What is really the matter with the invented filament Skerry BF10, and the readings that follow from it. The
 * application sees only the readings; a test checks that it finds the rest.
 *
 * @param lots how many lots were made
 * @param world which chance they were made by: {@link #DEMO} in the demo
 * @param hasStories whether anything is the matter; else nothing but chance tells the lots apart
 */
record SkerryTruth(int lots, long world, boolean hasStories) {

    /** The chance of the demo. */
    static final long DEMO = 1L;

    /** The demo's lots. */
    SkerryTruth(int lots) {
        this(lots, DEMO, true);
    }

    /** Claimed, in MPa: what the datasheet promises. */
    static final double FLAT_CLAIM = 50;

    static final double UPRIGHT_CLAIM = 24;
    static final double RATIO_CLAIM = 0.42;

    /** Lots that stand for the material as it should be. */
    static final int BASELINE_LOTS = 20;

    static final int SPECIMENS = 5;

    /** Of the lots that are still to be tested: the slide was stopped. */
    static final double FLAT_NOW = 55;

    static final double UPRIGHT_NOW = 28.1;

    private static final double FLAT = 55;
    private static final double UPRIGHT = 28.5;
    private static final double SLIDE_PER_LOT = 0.30;
    private static final double BAD_LOT_LOSS = 4.8;

    /** What the slate of a new masterbatch has flat, as the natural has, and upright, where it lost a fifth. */
    static final double SLATE_FLAT = 55.2;

    static final double SLATE_UPRIGHT = 22.6;

    /** Index of the first lot made with the raised share of regrind; from there the upright strength slides. */
    int slideFrom() {
        return lots - 10;
    }

    /** Index of the lot that must not be released: its regrind was wet. */
    int badLot() {
        return lots - 2;
    }

    /** Index of the lot that is still at the bench. */
    int lotAtTheBench() {
        return lots - 1;
    }

    /** Code of a lot; the two after the last are those that the workshop is making. */
    static String code(int lot) {
        return String.format(Locale.ROOT, "SK-%04d", 101 + lot);
    }

    /** Mean strength that the lot really has, before chance. */
    double trueMean(int lot, Orientation orientation) {
        if (orientation == Orientation.XY) {
            return FLAT;
        }
        if (!hasStories) {
            return UPRIGHT;
        }
        double slide = Math.min(10, Math.max(0, lot - slideFrom() + 1)) * SLIDE_PER_LOT;
        return UPRIGHT - slide - (lot == badLot() ? BAD_LOT_LOSS : 0);
    }

    /** One specimen's readings as a person would type them. */
    record Bar(List<String> widths, List<String> thicknesses, String force, boolean atGrip) {}

    /** The readings of a lot's specimens; the same lot always gives the same. */
    List<Bar> bars(int lot, Orientation orientation) {
        Random chance = chance(1000L * lot + (orientation == Orientation.XY ? 0 : 500));
        boolean flat = orientation == Orientation.XY;
        double lotMean = trueMean(lot, orientation) + chance.nextGaussian() * (flat ? 0.6 : 0.45);
        double printWidth = 4.01 + chance.nextGaussian() * 0.012;
        double printThickness = 3.98 + chance.nextGaussian() * 0.012;
        List<Bar> bars = new ArrayList<>();
        // A specimen that breaks at the grip is replaced by a sixth one.
        boolean lost = lot % 11 == 7 && flat;
        for (int i = 0; i < (lost ? SPECIMENS + 1 : SPECIMENS); i++) {
            double strength = lotMean + chance.nextGaussian() * (flat ? 0.9 : 0.75);
            double width = printWidth + chance.nextGaussian() * 0.008;
            double thickness = printThickness + chance.nextGaussian() * 0.008;
            double force = strength * width * thickness;
            // Now and then somebody reads a gauge that shows kilograms of force.
            String typed = lot % 9 == 4
                    ? String.format(Locale.ROOT, "%.1f kgf", force / 9.80665)
                    : String.format(Locale.ROOT, "%.0f", force);
            boolean atGrip = lost && i == 2;
            bars.add(new Bar(readings(width, chance), readings(thickness, chance), typed, atGrip));
        }
        return bars;
    }

    /** Neighbouring seeds begin alike: those of other worlds are mixed. */
    private Random chance(long of) {
        return new Random(world == DEMO ? DEMO + of : new SplittableRandom(world * 1_000_003 + of).nextLong());
    }

    private static List<String> readings(double size, Random chance) {
        List<String> typed = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            typed.add(String.format(Locale.ROOT, "%.2f", size + chance.nextGaussian() * 0.008));
        }
        return typed;
    }
}
