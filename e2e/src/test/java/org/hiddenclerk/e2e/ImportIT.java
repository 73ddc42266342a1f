package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A house taken from tables with bad rows in them, and a box typed as lines. */
class ImportIT {
    private static final String BOX =
            """
            box B-02 wall 60x60x61
            switch 1 one-way Hatch circuit 4 depth 22
            load 1 hatch on 1 is LED 9
            cable c1 1.5 feed 4
              brown live 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 lamp 1
              brown swiched 1.L1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            """;

    @Test
    void badRowsAreShownAndALineWithAMistakeIsPutRight() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.fill("Name of the house", "Tablet House");
            desk.fill("Place", "Weir Row");
            desk.press("open the job");
            desk.seeHeading("Tablet House");
            take(desk, "take circuits", "label,rating_a,phase\n4,10,L1\n5,ten,L1\n");
            desk.page().getByText("1 of 2 rows can't be taken, so none is.").waitFor();
            assertThat(desk.page()
                            .getByRole(com.microsoft.playwright.options.AriaRole.STATUS)
                            .last()
                            .innerText())
                    .contains("rating_a", "ten", "a number");
            take(desk, "take circuits", "label,rating_a,phase\n4,10,L1\n5,16,L1\n");
            desk.press("take 2 rows");
            desk.page().getByText("2 rows taken.").waitFor();
            take(
                    desk,
                    "take boxes",
                    "room,storey,label,width_mm,height_mm,depth_mm,switch_1,circuit_1,load_1\n"
                            + "Pantry,Ground floor,B-01,60,60,61,Shelf,4,LED 9\n");
            desk.press("take 1 row");
            desk.page().getByText("1 row taken.").waitFor();

            desk.open("Tablet House", "B-01", "Survey");
            desk.press("as text");
            desk.page().getByLabel("The box as text").fill(BOX.replace("B-02", "B-01"));
            desk.press("read the lines");
            desk.page().getByText(Pattern.compile("line 9, column 9")).waitFor();
            desk.page()
                    .getByLabel("The box as text")
                    .fill(BOX.replace("B-02", "B-01").replace("swiched", "switched"));
            desk.press("read the lines");
            desk.press("keep the survey");
            desk.page().getByText("The wiring as found shows no fault.").waitFor();
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static void take(Desk desk, String button, String table) {
        desk.page()
                .waitForFileChooser(() -> desk.press(button))
                .setFiles(new FilePayload("table.csv", "text/csv", table.getBytes(StandardCharsets.UTF_8)));
    }
}
