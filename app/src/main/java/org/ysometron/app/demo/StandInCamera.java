package org.ysometron.app.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;

/** Stands in for the camera at the bench: a bar of 80 mm in two halves on a board with a rule of millimetres, drawn by chance. */
final class StandInCamera {

    /** Millimetres that a picture is wide. */
    static final double ACROSS = 100;

    private static final int WIDTH = 1400;
    private static final int HEIGHT = 520;
    private static final double DOT = WIDTH / ACROSS;
    private static final int BAR_TOP = 190;
    private static final int BAR = 80;

    private StandInCamera() {}

    /**
     * A photograph of a broken bar.
     *
     * @param colour of the material
     * @param at mm from its left end to the break
     * @param roughness mm by which the faces of the break are uneven: little between layers, much across them
     */
    static byte[] brokenBar(Color colour, double at, double roughness, long seed) {
        Random chance = new Random(seed);
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D drawing = image.createGraphics();
        drawing.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        drawing.setColor(new Color(0xdad6cc));
        drawing.fillRect(0, 0, WIDTH, HEIGHT);
        rule(drawing);
        double[] uneven = chance.doubles(9, -roughness, roughness).toArray();
        half(drawing, colour, 10, at + 10, uneven, -3);
        half(drawing, colour.darker(), 90, at + 10, uneven, 3);
        drawing.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void rule(Graphics2D drawing) {
        drawing.setColor(new Color(0x3a3a3a));
        drawing.setStroke(new BasicStroke(2));
        for (int mm = 0; mm <= ACROSS; mm++) {
            int tick = mm % 10 == 0 ? 46 : mm % 5 == 0 ? 32 : 20;
            drawing.drawLine((int) (mm * DOT), HEIGHT, (int) (mm * DOT), HEIGHT - tick);
        }
    }

    /** From one end to the uneven face of the break, moved aside by so many mm. */
    private static void half(Graphics2D drawing, Color colour, double end, double at, double[] uneven, double aside) {
        Path2D shape = new Path2D.Double();
        shape.moveTo((end + aside) * DOT, BAR_TOP);
        for (int i = 0; i < uneven.length; i++) {
            shape.lineTo((at + uneven[i] + aside) * DOT, BAR_TOP + (double) BAR * i / (uneven.length - 1));
        }
        shape.lineTo((end + aside) * DOT, BAR_TOP + BAR);
        shape.closePath();
        drawing.setColor(colour);
        drawing.fill(shape);
        drawing.setColor(colour.darker().darker());
        drawing.draw(shape);
    }
}
