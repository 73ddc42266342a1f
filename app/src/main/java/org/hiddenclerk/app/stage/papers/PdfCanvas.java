package org.hiddenclerk.app.stage.papers;

import java.awt.Color;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.util.Matrix;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.Ink;
import org.hiddenclerk.core.wiring.drawing.Way;

/** Draws on a page of a PDF with real text. A letter that the fonts lack becomes a question mark. */
final class PdfCanvas implements Canvas {
    private static final int ROUND = 1;
    private static final int BUTT = 0;

    private final PDPageContentStream page;
    private final Fonts fonts;

    /** What words are written with. */
    record Fonts(PDFont plain, PDFont bold, PDFont mono) {
        PDFont of(Artwork.Face face) {
            return face.mono() ? mono : face.bold() ? bold : plain;
        }
    }

    /**
     * A canvas at a place of a page.
     *
     * @param left  of the drawing, in points from the left of the page
     * @param top   of the drawing, in points from the bottom of the page
     * @param scale points for one unit of the drawing
     */
    PdfCanvas(PDPageContentStream page, Fonts fonts, double left, double top, double scale, Drawing drawing)
            throws IOException {
        this.page = page;
        this.fonts = fonts;
        page.transform(
                new Matrix((float) scale, 0, 0, (float) -scale, (float) left, (float) (top + drawing.top() * scale)));
        page.addRect(0, drawing.top(), drawing.width(), drawing.height());
        page.clip();
    }

    @Override
    public void stroke(Artwork.Stroke stroke) {
        Artwork.Pen pen = stroke.pen();
        try {
            for (Way.Piece piece : stroke.way().pieces()) {
                double[] at = piece.figures();
                switch (piece.kind()) {
                    case 'M' -> page.moveTo((float) at[0], (float) at[1]);
                    case 'L' -> page.lineTo((float) at[0], (float) at[1]);
                    case 'C' ->
                        page.curveTo((float) at[0], (float) at[1], (float) at[2], (float) at[3], (float) at[4], (float)
                                at[5]);
                    default -> page.closePath();
                }
            }
            boolean filled = stroke.fill() != Ink.NONE;
            boolean drawn = pen.width() > 0;
            if (filled) {
                page.setNonStrokingColor(Color.decode(PaperInk.of(stroke.fill())));
            }
            if (drawn) {
                page.setStrokingColor(Color.decode(PaperInk.of(pen.ink())));
                page.setLineWidth((float) pen.width());
                page.setLineCapStyle(pen.round() ? ROUND : BUTT);
                page.setLineDashPattern(
                        pen.inked() > 0 ? new float[] {(float) pen.inked(), (float) pen.gap()} : new float[0], 0);
            }
            if (filled && drawn) {
                page.fillAndStroke();
            } else if (filled) {
                page.fill();
            } else {
                page.stroke();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void words(Artwork.Lettering words) {
        Artwork.Face face = words.face();
        try {
            PDFont font = fonts.of(face);
            String known = known(font, words.text());
            double width = font.getStringWidth(known) / 1000 * face.size();
            double left = words.x()
                    - switch (words.anchor()) {
                        case START -> 0;
                        case MIDDLE -> width / 2;
                        case END -> width;
                    };
            page.setNonStrokingColor(Color.decode(PaperInk.of(face.ink())));
            page.beginText();
            page.setFont(font, (float) face.size());
            // The canvas has its origin at the top; letters stand upright all the same.
            page.setTextMatrix(new Matrix(1, 0, 0, -1, (float) left, (float) words.y()));
            page.showText(known);
            page.endText();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String known(PDFont font, String words) {
        StringBuilder known = new StringBuilder();
        words.codePoints().forEach(point -> {
            String letter = Character.toString(point);
            known.append(has(font, letter) ? letter : "?");
        });
        return known.toString();
    }

    private static boolean has(PDFont font, String letter) {
        try {
            font.encode(letter);
            return true;
        } catch (IOException | IllegalArgumentException e) {
            return false;
        }
    }
}
