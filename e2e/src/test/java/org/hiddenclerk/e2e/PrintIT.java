package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The papers of a work that opens several boxes: an overview, then a sheet for each box, whatever the paper and the theme. */
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
            List<String> opened = desk.page().locator("section.print-page > h2").allInnerTexts();

            byte[] pdf = desk.page().pdf(new Page.PdfOptions().setFormat(paper));

            assertThat(opened).as("the lower stair and its lamp's box").hasSize(2);
            assertThat(PAGE.matcher(new String(pdf, StandardCharsets.ISO_8859_1))
                            .results()
                            .count())
                    .as("an overview and a page for each")
                    .isEqualTo(1 + opened.size());
            assertThat(desk.page().evaluate("document.documentElement.dataset.theme"))
                    .as("back on the screen")
                    .isEqualTo("cellar");
            assertThat(desk.complaints()).isEmpty();
        }
    }
}
