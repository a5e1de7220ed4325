package org.ysometron.app.demo;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Random;

/**
 * What is really the matter with the invented filament Dunlin C2: its ovality steps up when the die is changed, within one
 * lot, and stays up.
 */
final class DunlinTruth {

    static final int LOTS = 10;

    /** Index of the lot during which the die was changed. */
    static final int DIE_CHANGED = 6;

    static final double OVALITY_BEFORE = 0.012;
    static final double OVALITY_AFTER = 0.034;

    /** The haul-off's wheel leaves its mark: one turn in mm, and how far it reaches. */
    static final double WHEEL = 471;

    static final double WHEEL_REACH = 0.006;

    private static final int ROWS = 20_000;
    private static final double SPACING = 5;

    private DunlinTruth() {}

    /** Where the die was changed in the lot's log, in mm. */
    static double changedAt() {
        return 0.6 * ROWS * SPACING;
    }

    /** The gauge's file of one lot. */
    static InputStream log(int lot) {
        Random chance = new Random(41L + lot);
        StringBuilder text = new StringBuilder("position [mm],x [mm],y [mm]\n");
        double wander = 0;
        for (int i = 0; i < ROWS; i++) {
            double z = i * SPACING;
            boolean after = lot > DIE_CHANGED || (lot == DIE_CHANGED && z >= changedAt());
            wander = 0.999 * wander + 0.0003 * chance.nextGaussian();
            double d = 1.751 + wander + WHEEL_REACH * Math.sin(2 * Math.PI * z / WHEEL) + 0.003 * chance.nextGaussian();
            double ovality = (after ? OVALITY_AFTER : OVALITY_BEFORE) + 0.004 * chance.nextGaussian();
            text.append(String.format(java.util.Locale.ROOT, "%.0f,%.4f,%.4f%n", z, d + ovality / 2, d - ovality / 2));
        }
        return new ByteArrayInputStream(text.toString().getBytes(StandardCharsets.UTF_8));
    }
}
