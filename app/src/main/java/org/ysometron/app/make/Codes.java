package org.ysometron.app.make;

import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/** Two-dimensional codes for labels (ISO/IEC 18004), as the path of a drawing. */
final class Codes {

    private Codes() {}

    /**
     * A code drawn.
     *
     * @param size modules on a side, quiet zone included
     * @param path of the dark modules, one unit a module
     */
    record Drawn(int size, String path) {}

    /** Draws a text; error correction M, so that a scratched label still reads. */
    static Drawn draw(String text) {
        BitMatrix matrix;
        try {
            matrix = new QRCodeWriter()
                    .encode(
                            text,
                            com.google.zxing.BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M, EncodeHintType.MARGIN, 2));
        } catch (WriterException tooLong) {
            throw new IllegalArgumentException("'" + text + "' does not fit a code", tooLong);
        }
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < matrix.getHeight(); y++) {
            for (int x = 0; x < matrix.getWidth(); x++) {
                int from = x;
                while (x < matrix.getWidth() && matrix.get(x, y)) {
                    x++;
                }
                if (x > from) {
                    path.append('M')
                            .append(from)
                            .append(' ')
                            .append(y)
                            .append('h')
                            .append(x - from)
                            .append("v1h-")
                            .append(x - from)
                            .append('z');
                }
            }
        }
        return new Drawn(matrix.getWidth(), path.toString());
    }
}
