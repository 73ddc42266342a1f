package org.hiddenclerk.app.stage.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.WriterException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.Encoder;
import java.awt.image.BufferedImage;
import java.util.Collections;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Labels as they come off the printer: read back by eye and by camera. */
class LabelSheetTest {
    private static final LabelSheet.Label LABEL = new LabelSheet.Label(
            "Küche Straßenlampe",
            List.of("kueche-strassenlampe", "B-07, Küche"),
            "http://127.0.0.1:8750/jobs/0d0fbdb3-5c4f-4161-be44-7a7492195686/boxes/9b533410-3c07-43b4-849d-ae431ef8c726/draw");

    private static String seenByCamera(PDDocument document) throws Exception {
        BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 300);
        int[] pixels = page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth());
        return new QRCodeReader()
                .decode(new BinaryBitmap(
                        new HybridBinarizer(new RGBLuminanceSource(page.getWidth(), page.getHeight(), pixels))))
                .getText();
    }

    @Test
    void oneAloneIsReadByEyeAndByCamera() throws Exception {
        try (PDDocument document = Loader.loadPDF(LabelSheet.alone(LABEL))) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("Küche Straßenlampe", "kueche-strassenlampe", "B-07, Küche");
            assertThat(seenByCamera(document)).isEqualTo(LABEL.link());
            assertThat(document.getPage(0).getMediaBox().getWidth() / 72 * 25.4).isBetween(61.9, 62.1);
        }
    }

    @Test
    void aSheetTakesTwentyFourAndGoesOn() throws Exception {
        try (PDDocument document = Loader.loadPDF(LabelSheet.sheet(Collections.nCopies(25, LABEL)))) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            assertThat(new PDFTextStripper().getText(document).split("B-07", -1))
                    .hasSize(26);
        }
    }

    @Test
    void lettersThatTheFontLacksDoNotStopASheet() throws Exception {
        try (PDDocument document = Loader.loadPDF(LabelSheet.alone(new LabelSheet.Label("灯 lamp", List.of(), "x")))) {
            assertThat(new PDFTextStripper().getText(document)).contains("? lamp");
        }
    }

    /** What a square code holds, ISO/IEC 18004, table 7: one character more takes the next version. */
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "QC-1, 1, L 41 25 17, M 34 20 14, Q 27 16 11, H 17 10 7",
        "QC-2, 2, L 77 47 32, M 63 38 26, Q 48 29 20, H 34 20 14",
        "QC-3, 3, L 127 77 53, M 101 61 42, Q 77 47 32, H 58 35 24",
        "QC-4, 10, L 652 395 271, M 513 311 213, Q 364 221 151, H 288 174 119"
    })
    void whatASquareCodeHolds(String id, int version, String l, String m, String q, String h) throws Exception {
        for (String row : List.of(l, m, q, h)) {
            String[] parts = row.split(" ");
            String[] letters = {"1", "A", "a"};
            for (int mode = 0; mode < 3; mode++) {
                int holds = Integer.parseInt(parts[mode + 1]);
                ErrorCorrectionLevel level = ErrorCorrectionLevel.valueOf(parts[0]);
                assertThat(Encoder.encode(letters[mode].repeat(holds), level)
                                .getVersion()
                                .getVersionNumber())
                        .as(row + " " + mode)
                        .isEqualTo(version);
                assertThat(Encoder.encode(letters[mode].repeat(holds + 1), level)
                                .getVersion()
                                .getVersionNumber())
                        .as(row + " " + mode)
                        .isEqualTo(version + 1);
            }
        }
    }

    @Test
    void theLargestSquareCodeHoldsNoMore() throws Exception {
        for (String row : List.of("L 7089 4296 2953", "M 5596 3391 2331", "Q 3993 2420 1663", "H 3057 1852 1273")) {
            String[] parts = row.split(" ");
            String[] letters = {"1", "A", "a"};
            for (int mode = 0; mode < 3; mode++) {
                String full = letters[mode].repeat(Integer.parseInt(parts[mode + 1]));
                ErrorCorrectionLevel level = ErrorCorrectionLevel.valueOf(parts[0]);
                assertThat(Encoder.encode(full, level).getVersion().getVersionNumber())
                        .as("QC-5 " + row)
                        .isEqualTo(40);
                String more = full + letters[mode];
                assertThatThrownBy(() -> Encoder.encode(more, level))
                        .as("QC-5 " + row)
                        .isInstanceOf(WriterException.class);
            }
        }
    }
}
