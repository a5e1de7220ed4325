package org.ysometron.app.bench;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import org.ysometron.app.web.Refusal;

/**
 * A photograph drawn anew at a size for screens, upright as the camera was held. What else stood in its file (place, device, time,
 * another picture behind it) is not in the new one.
 *
 * @param thumbnail the same, small
 */
record Drawn(byte[] content, byte[] thumbnail, int width, int height) {

    private static final Set<String> TYPES = Set.of("jpeg", "png");
    private static final int LONGEST_EDGE = 1600;
    private static final int THUMBNAIL = 320;
    private static final int SMALLEST = 40;

    /** More picture elements than a camera at a bench has are no photograph. */
    private static final long MOST_PIXELS = 60_000_000;

    /** Refuses what is no photograph, before it is unpacked. */
    static Drawn of(byte[] file) {
        boolean isLarge = longestEdge(file) > LONGEST_EDGE;
        try {
            Thumbnails.Builder<?> builder = Thumbnails.of(new ByteArrayInputStream(file));
            BufferedImage shown = (isLarge ? builder.size(LONGEST_EDGE, LONGEST_EDGE) : builder.scale(1))
                    .imageType(BufferedImage.TYPE_INT_RGB)
                    .asBufferedImage();
            return new Drawn(jpeg(shown, LONGEST_EDGE), jpeg(shown, THUMBNAIL), shown.getWidth(), shown.getHeight());
        } catch (IOException | RuntimeException broken) {
            throw new Refusal("file", "The picture breaks off or is damaged; send it again, or another.");
        }
    }

    private static byte[] jpeg(BufferedImage image, int edge) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int longest = Math.min(edge, Math.max(image.getWidth(), image.getHeight()));
        Thumbnails.of(image)
                .size(longest, longest)
                .outputFormat("jpg")
                .outputQuality(0.85)
                .toOutputStream(out);
        return out.toByteArray();
    }

    /** Points along its longer edge; refuses what is no photograph, too large to unpack or too small to be seen. */
    private static long longestEdge(byte[] file) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new Refusal("file", "This is no photograph; expected a JPEG or PNG picture.");
            }
            ImageReader reader = readers.next();
            try {
                if (!TYPES.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                    throw new Refusal(
                            "file", "A picture of the kind " + reader.getFormatName() + "; expected JPEG or PNG.");
                }
                reader.setInput(in, true, true);
                long width = reader.getWidth(0);
                long height = reader.getHeight(0);
                if (width * height > MOST_PIXELS) {
                    throw new Refusal(
                            "file",
                            "The picture has " + width + " × " + height + " points, more than "
                                    + MOST_PIXELS / 1_000_000 + " millions; send it smaller.");
                }
                if (Math.min(width, height) < SMALLEST) {
                    throw new Refusal(
                            "file",
                            "The picture has " + width + " × " + height + " points: nothing can be seen in it.");
                }
                return Math.max(width, height);
            } finally {
                reader.dispose();
            }
        } catch (IOException broken) {
            throw new Refusal("file", "The picture breaks off or is damaged; send it again, or another.");
        }
    }
}
