package org.ysometron.app.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Component;
import org.ysometron.app.design.SiteDesigns;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.End;
import org.ysometron.core.plan.PlannedTest;

/** A design of the site's own: a bar whose hole leaves less of its section than what calipers read, with drawing and mesh. */
@Component
class HoledBar {

    private static final double LENGTH = 150;
    private static final double WIDTH = 10;
    private static final double THICKNESS = 4;
    private static final double HOLE = 3;
    private static final int SIDES = 48;

    private final Works works;
    private final SiteDesigns designs;

    HoledBar(Works works, SiteDesigns designs) {
        this.works = works;
        this.designs = designs;
    }

    /** The design, and five bars of it from a lot, drilled by the print. */
    void run(LotView lot) {
        String name = designs.add(
                new SiteDesigns.NewDesign(
                        "holed-bar-1",
                        "bar with a hole 3 mm",
                        Set.of("tension"),
                        SpecimenDesign.Shape.RECTANGLE,
                        WIDTH,
                        THICKNESS,
                        LENGTH,
                        LENGTH * WIDTH * THICKNESS - Math.PI / 4 * HOLE * HOLE * THICKNESS,
                        1,
                        false,
                        SpecimenDesign.BENDING_BAR,
                        "(w - 3) * t",
                        "screw grips 25 mm deep on both ends, the hole half way between them",
                        "Customers drill their brackets: what is left around a hole is what they ask for.",
                        new SiteDesigns.File("bar with a hole 3 mm.png", drawing()),
                        new SiteDesigns.File("bar-with-a-hole-3-mm.stl", mesh())),
                "quality");
        PlannedTest line = OtherTests.line("tension", Designs.named(name).orElseThrow(), 5, 5, "");
        List<SpecimenView> bars = works.lots.addSet(
                lot.id(), Lots.NewSet.of(lot.code() + "-holed", line, 5, 1, Lots.Making.UNKNOWN), "bench");
        Random chance = new Random(71);
        for (SpecimenView bar : bars) {
            double force = 36.5 * (WIDTH - HOLE) * THICKNESS * (1 + 0.025 * chance.nextGaussian());
            works.test(
                    lot,
                    bar,
                    Map.of(
                            "width", List.of("10.02", "10.01", "9.99"),
                            "thickness", List.of("4.01", "4.00", "4.02"),
                            "force", List.of(String.format(Locale.ROOT, "%.0f N", force))),
                    End.BROKE_IN_GAUGE,
                    "bench load cell");
        }
    }

    /** Seen from above, with its sizes. */
    private static byte[] drawing() {
        BufferedImage image = new BufferedImage(1240, 300, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, 1240, 300);
        pen.setColor(Color.BLACK);
        pen.setStroke(new BasicStroke(2));
        pen.drawRect(20, 110, 1200, 80);
        pen.drawOval(620 - 12, 150 - 12, 24, 24);
        pen.drawString("150", 600, 240);
        pen.drawString("10 × 4", 30, 100);
        pen.drawString("hole 3, through the 4", 640, 100);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Triangles of the bar, around its hole from ray to ray. */
    private static byte[] mesh() {
        TreeSet<Double> rays = new TreeSet<>();
        for (int i = 0; i < SIDES; i++) {
            rays.add(2 * Math.PI * i / SIDES);
        }
        double corner = Math.atan2(WIDTH, LENGTH);
        rays.addAll(List.of(corner, Math.PI - corner, Math.PI + corner, 2 * Math.PI - corner));
        StringBuilder mesh = new StringBuilder("solid bar\n");
        double before = rays.last() - 2 * Math.PI;
        for (double ray : rays) {
            double[][] hole = {at(before, HOLE / 2), at(ray, HOLE / 2)};
            double[][] rim = {at(before, reach(before)), at(ray, reach(ray))};
            facets(mesh, hole[0], rim[0], rim[1], hole[1], THICKNESS, THICKNESS);
            facets(mesh, hole[1], rim[1], rim[0], hole[0], 0, 0);
            facets(mesh, rim[0], rim[0], rim[1], rim[1], 0, THICKNESS);
            facets(mesh, hole[1], hole[1], hole[0], hole[0], 0, THICKNESS);
            before = ray;
        }
        return mesh.append("endsolid bar\n").toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static double[] at(double ray, double far) {
        return new double[] {far * Math.cos(ray), far * Math.sin(ray)};
    }

    private static double reach(double ray) {
        return Math.min(LENGTH / 2 / Math.abs(Math.cos(ray)), WIDTH / 2 / Math.abs(Math.sin(ray)));
    }

    /** Two triangles of a face: its first and last point lie low, or all on one height. */
    private static void facets(
            StringBuilder mesh, double[] a, double[] b, double[] c, double[] d, double low, double high) {
        boolean upright = low != high;
        facet(mesh, a, low, upright ? d : b, low, c, high);
        facet(mesh, a, low, c, high, upright ? b : d, high);
    }

    private static void facet(StringBuilder mesh, double[] a, double za, double[] b, double zb, double[] c, double zc) {
        mesh.append("facet normal 0 0 0\nouter loop\n");
        double[][] points = {{a[0], a[1], za}, {b[0], b[1], zb}, {c[0], c[1], zc}};
        for (double[] point : points) {
            mesh.append(String.format(Locale.ROOT, "vertex %.4f %.4f %.4f%n", point[0], point[1], point[2]));
        }
        mesh.append("endloop\nendfacet\n");
    }
}
