package org.hiddenclerk.app.stage.bench;

import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * Labels for modules as a PDF: on A4 in three columns of eight, each 70 by 37 mm, or one alone on 62 by 29 mm. A square code
 * (ISO/IEC 18004) leads to the box; it is drawn as squares, sharp at any size.
 */
final class LabelSheet {
    private static final float MM = 72 / 25.4f;
    private static final int COLUMNS = 3;
    private static final int ROWS = 8;
    private static final float WIDTH = 70;
    private static final float HEIGHT = 37;
    private static final float ALONE_WIDTH = 62;
    private static final float ALONE_HEIGHT = 29;
    private static final float MARGIN = 3;
    private static final float CODE = 22;
    /** Modules of white around a square code. */
    private static final int QUIET = 4;
    /** The top and bottom rows of the sheet keep off its edge: eight rows of 37 mm leave half a millimetre. */
    private static final float TOP = 0.5f;

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final PDDocument document = new PDDocument();
    private final PDFont font;

    private LabelSheet() throws IOException {
        try (InputStream ttf = PDDocument.class.getResourceAsStream(FONT)) {
            font = PDType0Font.load(document, ttf);
        }
    }

    /**
     * One label.
     *
     * @param title as large as goes
     * @param lines below it
     * @param link  what the square code says
     */
    record Label(String title, List<String> lines, String link) {}

    /** All on as many A4 pages as they take. */
    static byte[] sheet(List<Label> labels) {
        return write(sheet -> {
            for (int first = 0; first < Math.max(1, labels.size()); first += COLUMNS * ROWS) {
                PDPage page = new PDPage(PDRectangle.A4);
                sheet.document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(sheet.document, page)) {
                    for (int i = first; i < Math.min(labels.size(), first + COLUMNS * ROWS); i++) {
                        int place = i - first;
                        sheet.draw(
                                content,
                                labels.get(i),
                                place % COLUMNS * WIDTH,
                                297 - TOP - (place / COLUMNS + 1) * HEIGHT,
                                WIDTH,
                                HEIGHT);
                    }
                }
            }
        });
    }

    /** One alone, for a label printer. */
    static byte[] alone(Label label) {
        return write(sheet -> {
            PDPage page = new PDPage(new PDRectangle(ALONE_WIDTH * MM, ALONE_HEIGHT * MM));
            sheet.document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(sheet.document, page)) {
                sheet.draw(content, label, 0, 0, ALONE_WIDTH, ALONE_HEIGHT);
            }
        });
    }

    private interface Drawing {
        void on(LabelSheet sheet) throws IOException;
    }

    private static byte[] write(Drawing drawing) {
        try {
            LabelSheet sheet = new LabelSheet();
            try (PDDocument document = sheet.document;
                    ByteArrayOutputStream bytes = new ByteArrayOutputStream()) {
                document.getDocumentInformation().setTitle("Labels");
                drawing.on(sheet);
                document.save(bytes);
                return bytes.toByteArray();
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The labels could not be written.", e);
        }
    }

    /** A label with its lower left corner at a place; all in millimetres. */
    private void draw(PDPageContentStream content, Label label, float x, float y, float width, float height)
            throws IOException {
        code(content, label.link(), x + MARGIN, y + (height - CODE) / 2);
        float left = x + MARGIN + CODE + 2;
        float room = width - MARGIN - CODE - 2 - MARGIN;
        float line = y + height - MARGIN - 4;
        text(content, label.title(), left, line, room, 12);
        for (String each : label.lines()) {
            line -= 4.4f;
            text(content, each, left, line, room, 8.5f);
        }
    }

    /** Text in a size that fits the room, in points; letters that the font lacks are shown as a question mark. */
    private void text(PDPageContentStream content, String text, float x, float y, float room, float largest)
            throws IOException {
        StringBuilder known = new StringBuilder();
        text.codePoints().forEach(point -> known.append(hasLetter(point) ? Character.toString(point) : "?"));
        float width = font.getStringWidth(known.toString()) / 1000;
        float size = Math.min(largest, width == 0 ? largest : room * MM / width);
        content.beginText();
        content.setFont(font, size);
        content.newLineAtOffset(x * MM, y * MM);
        content.showText(known.toString());
        content.endText();
    }

    private boolean hasLetter(int point) {
        try {
            font.encode(Character.toString(point));
            return true;
        } catch (IOException | IllegalArgumentException e) {
            return false;
        }
    }

    private static void code(PDPageContentStream content, String link, float x, float y) throws IOException {
        ByteMatrix modules = modules(link);
        float side = CODE / (modules.getWidth() + 2 * QUIET);
        for (int row = 0; row < modules.getHeight(); row++) {
            for (int column = 0; column < modules.getWidth(); column++) {
                if (modules.get(column, row) == 1) {
                    content.addRect(
                            (x + (column + QUIET) * side) * MM,
                            (y + CODE - (row + QUIET + 1) * side) * MM,
                            side * MM,
                            side * MM);
                }
            }
        }
        content.fill();
    }

    private static ByteMatrix modules(String link) {
        try {
            return Encoder.encode(link, ErrorCorrectionLevel.M, Map.of(EncodeHintType.CHARACTER_SET, "UTF-8"))
                    .getMatrix();
        } catch (WriterException e) {
            throw new IllegalArgumentException(
                    "A link of " + link.length() + " characters is too long for a square code.", e);
        }
    }
}
