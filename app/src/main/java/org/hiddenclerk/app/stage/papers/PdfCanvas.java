package org.hiddenclerk.app.stage.papers;

import java.awt.Color;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.util.Matrix;

/** Draws on a page of a PDF with real text. A letter that the fonts lack becomes a question mark. */
final class PdfCanvas implements Canvas {
    private static final int ROUND = 1;
    private static final int BUTT = 0;

    private final PDPageContentStream page;
    private final Fonts fonts;

    /** What words are written with. */
    record Fonts(PDFont plain, PDFont bold, PDFont mono) {
        PDFont of(Hand hand) {
            return hand.mono() ? mono : hand.bold() ? bold : plain;
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
    public void shape(Way way, String fill, Pen pen) {
        try {
            for (Way.Piece piece : way.pieces()) {
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
            boolean filled = !fill.isEmpty();
            boolean drawn = pen.width() > 0;
            if (filled) {
                page.setNonStrokingColor(Color.decode(fill));
            }
            if (drawn) {
                page.setStrokingColor(Color.decode(pen.ink()));
                page.setLineWidth((float) pen.width());
                page.setLineCapStyle(pen.isRound() ? ROUND : BUTT);
                page.setLineDashPattern(
                        pen.dash() > 0 ? new float[] {(float) pen.dash(), (float) pen.gap()} : new float[0], 0);
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
    public void words(double x, double y, Hand hand, Anchor anchor, String words) {
        try {
            PDFont font = fonts.of(hand);
            String known = known(font, words);
            double width = font.getStringWidth(known) / 1000 * hand.size();
            double left = anchor == Anchor.START ? x : anchor == Anchor.MIDDLE ? x - width / 2 : x - width;
            page.setNonStrokingColor(Color.decode(hand.ink()));
            page.beginText();
            page.setFont(font, (float) hand.size());
            // The canvas has its origin at the top; letters stand upright all the same.
            page.setTextMatrix(new Matrix(1, 0, 0, -1, (float) left, (float) y));
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
