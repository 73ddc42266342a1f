package org.hiddenclerk.app.platform.accounts;

import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import org.springframework.stereotype.Component;

/** A text as a picture that devices scan (ISO/IEC 18004), as SVG. */
@Component
class QrPicture {
    private static final int QUIET = 4;

    String svg(String text) {
        ByteMatrix matrix;
        try {
            matrix = Encoder.encode(text, ErrorCorrectionLevel.M).getMatrix();
        } catch (WriterException e) {
            throw new IllegalArgumentException("This text is too long for a picture: " + text.length() + " letters", e);
        }
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < matrix.getHeight(); y++) {
            for (int x = 0; x < matrix.getWidth(); x++) {
                if (matrix.get(x, y) == 1) {
                    path.append('M')
                            .append(x + QUIET)
                            .append(' ')
                            .append(y + QUIET)
                            .append("h1v1h-1z");
                }
            }
        }
        int side = matrix.getWidth() + 2 * QUIET;
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 " + side + " " + side
                + "\" shape-rendering=\"crispEdges\"><rect width=\"" + side + "\" height=\"" + side
                + "\" fill=\"#fff\"/><path fill=\"#000\" d=\"" + path + "\"/></svg>";
    }
}
