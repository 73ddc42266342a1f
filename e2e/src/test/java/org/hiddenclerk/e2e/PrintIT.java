package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The papers of a run of four boxes: an overview, then a sheet for each box, whatever the paper and the theme. */
class PrintIT {
    private static final Pattern PAGE = Pattern.compile("/Type\\s*/Page[^s]");

    @ParameterizedTest
    @ValueSource(strings = {"A4", "Letter"})
    void theRestoreSheetHasAPageForEachBox(String paper) {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "cellar")) {
            desk.open("Lower stair", "Draw");
            desk.press("restore");
            desk.seeHeading("The way back");
            desk.settle();

            byte[] pdf = desk.page().pdf(new Page.PdfOptions().setFormat(paper));

            assertThat(PAGE.matcher(new String(pdf, StandardCharsets.ISO_8859_1)).results().count()).isEqualTo(5);
            assertThat(desk.page().evaluate("document.documentElement.dataset.theme")).as("back on the screen").isEqualTo("cellar");
            assertThat(desk.complaints()).isEmpty();
        }
    }
}
