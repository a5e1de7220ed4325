package org.ysometron.core.colour;

/**
 * A colour in CIELAB (ISO/CIE 11664-4). Coordinates belong to an illuminant and an observer, and only those of one pair compare.
 *
 * @param lightness L*, 0 to 100
 * @param a red above zero, green below
 * @param b yellow above zero, blue below
 */
public record Lab(double lightness, double a, double b) {

    private static final double FULL = 360;

    /** 25⁷, from the formula of CIEDE2000. */
    private static final double POWER = Math.pow(25, 7);

    /** Checks that it is a colour. */
    public Lab {
        if (!(lightness >= 0 && lightness <= 100) || !(Math.abs(a) <= 200) || !(Math.abs(b) <= 200)) {
            throw new IllegalArgumentException("L* lies between 0 and 100, a* and b* between −200 and 200, got "
                    + lightness + ", " + a + ", " + b);
        }
    }

    /**
     * Colour difference ΔE00 by CIEDE2000 (ISO/CIE 11664-6) with all parametric factors 1; the same both ways, 0 to itself. Hues of
     * which one is missing (a′ = b = 0) count as their sum, as the standard's notes have it.
     */
    public double difference(Lab other) {
        double mean = (Math.hypot(a, b) + Math.hypot(other.a, other.b)) / 2;
        double seventh = Math.pow(mean, 7);
        double g = 0.5 * (1 - Math.sqrt(seventh / (seventh + POWER)));
        Polar one = polar(g);
        Polar two = other.polar(g);
        double turn = one.turnTo(two);
        double lightnessStep = other.lightness - lightness;
        double chromaStep = two.chroma - one.chroma;
        double hueStep = 2 * Math.sqrt(one.chroma * two.chroma) * sine(turn / 2);
        double chroma = (one.chroma + two.chroma) / 2;
        double hue = one.meanHue(two);
        double t = 1
                - 0.17 * cosine(hue - 30)
                + 0.24 * cosine(2 * hue)
                + 0.32 * cosine(3 * hue + 6)
                - 0.20 * cosine(4 * hue - 63);
        double off = Math.pow((lightness + other.lightness) / 2 - 50, 2);
        double byLightness = lightnessStep / (1 + 0.015 * off / Math.sqrt(20 + off));
        double byChroma = chromaStep / (1 + 0.045 * chroma);
        double byHue = hueStep / (1 + 0.015 * chroma * t);
        double raised = Math.pow(chroma, 7);
        double rotation =
                -2 * Math.sqrt(raised / (raised + POWER)) * sine(60 * Math.exp(-Math.pow((hue - 275) / 25, 2)));
        double square = byLightness * byLightness + byChroma * byChroma + byHue * byHue + rotation * byChroma * byHue;
        return Math.sqrt(Math.max(0, square));
    }

    /** Chroma and hue with a* stretched as CIEDE2000 asks. */
    private record Polar(double chroma, double hue) {

        /** From this hue to the other, the shorter way round; 0 where one has none. */
        double turnTo(Polar other) {
            if (chroma * other.chroma == 0) {
                return 0;
            }
            double turn = other.hue - hue;
            return turn > FULL / 2 ? turn - FULL : turn < -FULL / 2 ? turn + FULL : turn;
        }

        double meanHue(Polar other) {
            double sum = hue + other.hue;
            if (chroma * other.chroma == 0) {
                return sum;
            }
            if (Math.abs(hue - other.hue) <= FULL / 2) {
                return sum / 2;
            }
            return sum < FULL ? (sum + FULL) / 2 : (sum - FULL) / 2;
        }
    }

    private Polar polar(double g) {
        double stretched = (1 + g) * a;
        double hue = stretched == 0 && b == 0 ? 0 : Math.toDegrees(Math.atan2(b, stretched));
        return new Polar(Math.hypot(stretched, b), hue < 0 ? hue + FULL : hue);
    }

    private static double sine(double degrees) {
        return Math.sin(Math.toRadians(degrees));
    }

    private static double cosine(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }

    /** Luminance factor Y as a share of that of the white that L* is counted from, 0 to 1 (ISO/CIE 11664-4, turned round). */
    public double luminance() {
        double f = (lightness + 16) / 116;
        double edge = 6.0 / 29;
        return f > edge ? f * f * f : 3 * edge * edge * (f - 4.0 / 29);
    }
}
