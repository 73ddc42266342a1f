package org.hiddenclerk.app.job.photos;

import java.awt.Color;
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
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;

/**
 * A photo made anew from what was sent: turned as the camera held it, at most {@value #LONGEST} pixels long, and without
 * anything that was in the file beside the picture.
 */
record CleanPhoto(int width, int height, byte[] jpeg) {
    static final int LONGEST = 2000;
    /** Larger pictures are not unpacked: a small file can hold a picture that fills the memory. */
    private static final long MOST_PIXELS = 60_000_000;

    private static final double QUALITY = 0.85;
    private static final Set<String> KINDS = Set.of("jpeg", "png");

    /**
     * Reads a photo.
     *
     * @throws ProblemException when it is not a picture of a kind that is taken, whatever it calls itself
     */
    static CleanPhoto of(byte[] sent) {
        requireSensible(sent);
        try {
            BufferedImage picture = Thumbnails.of(new ByteArrayInputStream(sent))
                    .size(LONGEST, LONGEST)
                    .useExifOrientation(true)
                    .asBufferedImage();
            BufferedImage plain =
                    new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
            var canvas = plain.createGraphics();
            canvas.drawImage(picture, 0, 0, Color.WHITE, null);
            canvas.dispose();
            ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
            Thumbnails.of(plain)
                    .scale(1)
                    .outputFormat("jpg")
                    .outputQuality(QUALITY)
                    .toOutputStream(jpeg);
            return new CleanPhoto(plain.getWidth(), plain.getHeight(), jpeg.toByteArray());
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            throw notAPhoto("a file that breaks off or is damaged");
        }
    }

    private static void requireSensible(byte[] sent) {
        try (ImageInputStream stream = ImageIO.createImageInputStream(new ByteArrayInputStream(sent))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(stream);
            if (!readers.hasNext()) {
                throw notAPhoto("a file of another kind");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(stream, true, true);
                if (!KINDS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                    throw notAPhoto(reader.getFormatName());
                }
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) {
                    throw notAPhoto(pixels / 1_000_000 + " megapixels");
                }
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException e) {
            throw notAPhoto("a file that breaks off or is damaged");
        }
    }

    private static ProblemException notAPhoto(String found) {
        return ProblemException.content(
                "This photo cannot be kept",
                new FieldProblem(
                        "", found, "a JPEG or PNG picture of at most " + MOST_PIXELS / 1_000_000 + " megapixels"));
    }
}
