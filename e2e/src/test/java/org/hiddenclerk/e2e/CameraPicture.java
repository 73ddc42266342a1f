package org.hiddenclerk.e2e;

import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/** What the browser's camera sees in the tests: a square code in the middle of a white page, as uncompressed video. */
final class CameraPicture {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 480;
    private static final int SIDE = 10;
    private static final int FRAMES = 5;

    private CameraPicture() {}

    static Path of(String text) {
        try {
            ByteMatrix code = Encoder.encode(text, ErrorCorrectionLevel.M).getMatrix();
            byte[] light = new byte[WIDTH * HEIGHT];
            Arrays.fill(light, (byte) 235);
            int left = (WIDTH - code.getWidth() * SIDE) / 2;
            int top = (HEIGHT - code.getHeight() * SIDE) / 2;
            for (int y = 0; y < code.getHeight() * SIDE; y++) {
                for (int x = 0; x < code.getWidth() * SIDE; x++) {
                    if (code.get(x / SIDE, y / SIDE) == 1) {
                        light[(top + y) * WIDTH + left + x] = 16;
                    }
                }
            }
            byte[] noColour = new byte[WIDTH * HEIGHT / 2];
            Arrays.fill(noColour, (byte) 128);
            ByteArrayOutputStream video = new ByteArrayOutputStream();
            video.write(("YUV4MPEG2 W" + WIDTH + " H" + HEIGHT + " F10:1 Ip A1:1 C420jpeg\n")
                    .getBytes(StandardCharsets.US_ASCII));
            for (int frame = 0; frame < FRAMES; frame++) {
                video.write("FRAME\n".getBytes(StandardCharsets.US_ASCII));
                video.write(light);
                video.write(noColour);
            }
            return Files.write(Scratch.of("camera.y4m"), video.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (WriterException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
