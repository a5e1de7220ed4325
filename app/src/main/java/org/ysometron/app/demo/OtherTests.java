package org.ysometron.app.demo;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.End;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;

/** What is tested beside tension: bending, shear, torsion, threads, parts, heat, impact, creep, and what a flexible resin asks for. */
@Component
class OtherTests {

    private static final String CELL = "bench load cell";
    private static final String WRENCH = "torque gauge";

    private final Works works;
    private final Recorder recorder;

    OtherTests(Works works, Recorder recorder) {
        this.recorder = recorder;
        this.works = works;
    }

    /** A line of a plan for solid specimens lying flat. */
    static PlannedTest line(String method, SpecimenDesign design, double rate, int n, String process) {
        return new PlannedTest(
                Sheets.method(method),
                design,
                Orientation.XY,
                Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                Conditioning.DRY,
                rate,
                n,
                process);
    }

    static PlannedTest bending(int n, String process) {
        return line("three-point-bending", SpecimenDesign.BENDING_BAR, 2, n, process);
    }

    static PlannedTest threads(int n) {
        return line("thread-stripping", SpecimenDesign.THREAD_BLOCK, 0, n, "");
    }

    static PlannedTest hooks(int n) {
        PlannedTest solid = line("part-load", SpecimenDesign.HOOK, 5, n, "");
        return new PlannedTest(
                solid.method(),
                solid.design(),
                solid.orientation(),
                solid.notch(),
                Basis.AS_PRINTED,
                new Build(
                        OptionalDouble.of(4),
                        OptionalDouble.of(0.45),
                        OptionalDouble.of(0.2),
                        OptionalDouble.of(5),
                        OptionalDouble.of(40),
                        "gyroid"),
                solid.conditioning(),
                solid.rate(),
                n,
                "");
    }

    static PlannedTest rods(int n, String process) {
        return line("torsion", SpecimenDesign.TORSION_ROD, 10, n, process);
    }

    static PlannedTest pins(int n, String process) {
        return line("double-shear", SpecimenDesign.SHEAR_PIN, 5, n, process);
    }

    static PlannedTest drops(int n, String process) {
        return line("drop-impact", SpecimenDesign.HOOK, 0, n, process);
    }

    static PlannedTest cantilevers(int n) {
        return line("cantilever", SpecimenDesign.BENDING_BAR, 0, n, "");
    }

    static PlannedTest heat(int n) {
        return line("heat-under-load", SpecimenDesign.BENDING_BAR, 0, n, "");
    }

    static PlannedTest strips(int n, String process) {
        return line("flexible-tension", SpecimenDesign.TENSION_BAR_4, 200, n, process);
    }

    static PlannedTest tears(int n, String process) {
        return line("tear", SpecimenDesign.BENDING_BAR, 100, n, process);
    }

    /** A lot of Skerry with three bars bent, three threads stripped and two hooks pulled. */
    void skerry(LotView lot, int force, boolean outgrown) {
        Random chance = new Random(lot.id() * 31);
        for (SpecimenView bar : works.made(lot, bending(3, ""))) {
            bend(lot, bar, 84 + 1.5 * chance.nextGaussian(), End.BROKE, "6." + (2 + chance.nextInt(5)) + " mm", chance);
        }
        for (SpecimenView block : works.made(lot, threads(3))) {
            int step = 8 + chance.nextInt(2);
            works.test(
                    lot,
                    block,
                    Map.of(
                            "fit", List.of("go"),
                            "held", List.of(newtonMetres(step)),
                            "failed", List.of(newtonMetres(step + 1))),
                    End.STRIPPED,
                    WRENCH);
        }
        List<SpecimenView> hooks = works.made(lot, hooks(2));
        for (int i = 0; i < hooks.size(); i++) {
            // Somebody hung the first on the small gauge, which ends at 500 N.
            boolean small = outgrown && i == 0;
            works.test(
                    lot,
                    hooks.get(i),
                    Map.of("force", List.of((small ? 512 : force + 9 * i) + " N"), "where", List.of("bend")),
                    small ? End.OVER_CAPACITY : End.BROKE,
                    small ? "hook gauge" : CELL);
        }
    }

    private static String newtonMetres(int steps) {
        return String.format(Locale.ROOT, "%.1f N·m", 0.2 * steps);
    }

    /** Three-point bending to a stress in MPa: F = 2·σ·b·h²/(3·L) on a bar of 10 × 4 mm over 64 mm. */
    private void bend(LotView lot, SpecimenView bar, double stress, End end, String travel, Random chance) {
        double width = 10 + 0.02 * chance.nextGaussian();
        double thickness = 4 + 0.015 * chance.nextGaussian();
        double force = 2 * stress * width * thickness * thickness / (3 * 64);
        works.test(
                lot,
                bar,
                Map.of(
                        "width", thrice("%.2f", width, chance),
                        "thickness", thrice("%.2f", thickness, chance),
                        "force", List.of(String.format(Locale.ROOT, "%.0f N", force)),
                        "travel", List.of(travel)),
                end,
                CELL);
    }

    private static List<String> thrice(String pattern, double size, Random chance) {
        return List.of(
                String.format(Locale.ROOT, pattern, size + 0.006 * chance.nextGaussian()),
                String.format(Locale.ROOT, pattern, size + 0.006 * chance.nextGaussian()),
                String.format(Locale.ROOT, pattern, size + 0.006 * chance.nextGaussian()));
    }

    /** The rigid resin: two bars bend to the end of the travel, of one it is still to be fetched, and one rod breaks before a quarter turn. */
    void curlew(LotView lot) {
        Random chance = new Random(70);
        List<SpecimenView> bars = works.made(lot, bending(5, OtherProducts.CURE));
        for (int i = 0; i < bars.size(); i++) {
            boolean ended = i < 2;
            bend(
                    lot,
                    bars.get(i),
                    ended ? 112 : 108 + 2 * chance.nextGaussian(),
                    ended ? End.TRAVEL_ENDED : End.BROKE,
                    ended ? "12.0 mm" : i == 4 ? "later" : "9." + chance.nextInt(9) + " mm",
                    chance);
        }
        List<SpecimenView> rods = works.made(lot, rods(3, OtherProducts.CURE));
        for (int i = 0; i < rods.size(); i++) {
            boolean early = i == 1;
            Map<String, List<String>> read = new java.util.LinkedHashMap<>();
            read.put("diameter", List.of("6.01", "6.00", "5.99", "6.00"));
            read.put("torque", List.of(early ? "1.71 N·m" : 2.1 + 0.02 * i + " N·m"));
            if (!early) {
                read.put("torque-90", List.of(1.9 + 0.02 * i + " N·m"));
            }
            read.put("angle", List.of(early ? "71 °" : 212 + 9 * i + " °"));
            works.test(lot, rods.get(i), read, early ? End.NEVER_REACHED_ANGLE : End.BROKE, WRENCH);
        }
        // A mass of 500 g dropped on hooks, 50 mm lower after each that broke and higher after each that did not.
        int height = 400;
        for (SpecimenView hook : works.made(lot, drops(20, OtherProducts.CURE))) {
            boolean broke = 425 + 35 * chance.nextGaussian() < height;
            works.test(
                    lot,
                    hook,
                    Map.of("mass", List.of("500 g"), "height", List.of(height + " mm")),
                    broke ? End.BROKE : End.NO_BREAK,
                    "creep weights");
            height += broke ? -50 : 50;
        }
        for (SpecimenView pin : works.made(lot, pins(3, OtherProducts.CURE))) {
            works.test(
                    lot,
                    pin,
                    Map.of(
                            "diameter", List.of("5.02", "5.00", "4.99", "5.01"),
                            "force", List.of(1620 + chance.nextInt(60) + " N")),
                    End.BROKE,
                    CELL);
        }
    }

    /** Polypropylene in the oven: one bar moved between two steps, the other was still there when the oven could do no more. */
    void dunlin(LotView lot) {
        List<SpecimenView> bars = works.made(lot, heat(2));
        for (int i = 0; i < bars.size(); i++) {
            Map<String, List<String>> read = new java.util.LinkedHashMap<>();
            read.put("width", List.of("10.01", "10.00", "9.99"));
            read.put("thickness", List.of("4.00", "4.01", "4.00"));
            read.put("fixture", List.of("supports"));
            read.put("mass", List.of("76.6 g"));
            read.put("held", List.of(i == 0 ? "95 °C" : "110 °C"));
            if (i == 0) {
                read.put("moved", List.of("100 °C"));
            }
            works.test(lot, bars.get(i), read, i == 0 ? End.MOVED : End.HELD_TO_THE_END, "oven 1");
        }
    }

    /** Two bars of polypropylene held at one end, loaded in two steps, the tip read by a dial and by its angle. */
    void stiffness(LotView lot) {
        List<SpecimenView> bars = works.made(lot, cantilevers(2));
        for (int i = 0; i < bars.size(); i++) {
            Map<String, List<String>> read = new java.util.LinkedHashMap<>();
            read.put("width", List.of("10.01", "10.00", "9.99"));
            read.put("thickness", List.of("4.00", "4.01", "4.00"));
            read.put("mass", List.of("100 g", "200 g"));
            read.put("deflection", i == 0 ? List.of("1.01 mm", "2.04 mm") : List.of("1.03 mm", "2.09 mm"));
            read.put("angle", i == 0 ? List.of("1.4 °", "2.9 °") : List.of("1.5 °", "3.0 °"));
            read.put("left", List.of("0.03 mm"));
            works.test(lot, bars.get(i), read, End.HELD_TO_THE_END, "creep weights");
        }
    }

    /**
     * Creep of polypropylene under 12.26 kg by day; of the fourth and fifth day, a weekend, there is nothing. Beside the last bar a gauge wrote all
     * the while, until the load was taken off.
     */
    void creep(LotView lot, List<SpecimenView> hung) {
        List<String> days = List.of("60 s", "1 d", "2 d", "3 d", "6 d");
        List<String> grown = List.of("0.31", "0.62", "0.71", "0.77", "0.90");
        int last = hung.size() - 1;
        works.test(
                lot,
                hung.get(last),
                Map.of(
                        "width", List.of("4.01", "4.00", "4.00"),
                        "thickness", List.of("4.00", "4.01", "4.00"),
                        "mass", List.of("12260 g")),
                null,
                "creep weights");
        recorder.hung(lot, hung.get(last), 160, works.instrument("displacement gauge"));
        for (int bar = 0; bar < last; bar++) {
            double more = 0.01 * bar;
            Map<String, List<String>> read = new java.util.LinkedHashMap<>();
            read.put("width", List.of("4.00", "4.01", "4.00"));
            read.put("thickness", List.of("4.00", "4.00", "3.99"));
            read.put("mass", List.of("12260 g"));
            read.put("at", days);
            read.put(
                    "extension",
                    grown.stream()
                            .map(text -> String.format(Locale.ROOT, "%.2f mm", Double.parseDouble(text) + more))
                            .toList());
            works.test(lot, hung.get(bar), read, null, "creep weights");
        }
    }

    /** What a flexible resin is asked for: stress at an extension, extension by marks, set, tear. */
    void plover(LotView lot, String process) {
        Random chance = new Random(30);
        for (SpecimenView strip : works.made(lot, strips(3, process))) {
            works.test(
                    lot,
                    strip,
                    Map.of(
                            "width", thrice("%.2f", 4.0, chance),
                            "thickness", thrice("%.2f", 4.0, chance),
                            "force-100", List.of(48 + chance.nextInt(6) + " N"),
                            "force", List.of(104 + chance.nextInt(9) + " N"),
                            "marks-at-break", List.of(61 + chance.nextInt(5) + " mm"),
                            "marks-after", List.of("21.4 mm")),
                    End.BROKE_IN_GAUGE,
                    CELL);
        }
        for (SpecimenView strip : works.made(lot, tears(3, process))) {
            works.test(
                    lot,
                    strip,
                    Map.of(
                            "thickness", thrice("%.2f", 4.0, chance),
                            "force", List.of(44 + chance.nextInt(8) + " N")),
                    End.BROKE,
                    CELL);
        }
    }
}
