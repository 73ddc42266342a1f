package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Boxes surveyed fast: with the keyboard alone, and by pressing cores and terminals in the picture. */
class SurveyIT {
    private static final int BOXES = 60;

    @Test
    void aHouseOfSixtyBoxesIsSurveyedWithTheKeyboardAlone() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            String house = house(desk, "Keyboard House");
            Keyboard keys = desk.page().keyboard();
            for (int box = 1; box <= BOXES; box++) {
                if (box == 1) {
                    desk.page().navigate(house + "/boxes/new/survey");
                } else {
                    keys.press("n");
                }
                desk.page()
                        .getByText("not kept yet", new Page.GetByTextOptions().setExact(true))
                        .waitFor();
                keys.press("t");
                desk.page().getByLabel("The box as text").waitFor();
                keys.press("Control+a");
                keys.insertText(text(box));
                keys.press("Control+Enter");
                desk.page()
                        .getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("The box as text"))
                        .waitFor(new Locator.WaitForOptions()
                                .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
                keys.press("k");
                desk.page().waitForURL(Pattern.compile("boxes/[0-9a-f-]{36}/survey"));
                desk.page()
                        .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("another like this"))
                        .waitFor();
            }
            assertThat(desk.page()
                            .getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Boxes of the house"))
                            .getByRole(
                                    AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile("K-\\d\\d")))
                            .count())
                    .isEqualTo(BOXES);
            assertThat(desk.complaints()).isEmpty();
        }
    }

    @Test
    void aCoreIsPutOnATerminalInThePictureAndKeptByItself() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "cellar")) {
            String house = house(desk, "Picture House");
            desk.page().navigate(house + "/boxes/new/survey");
            desk.press("feed of circuit 1");
            core(desk, "BU blue of c1").click();
            desk.press("put on alone, capped");
            desk.press("keep the survey");
            desk.page().waitForURL(Pattern.compile("boxes/[0-9a-f-]{36}/survey"));
            desk.page().getByText("what Switch switches").waitFor();

            core(desk, "BU blue of c1").click();
            desk.press("put on connectors, earth");
            desk.page().getByText("is kept in a moment").waitFor();
            desk.page()
                    .getByText("kept", new Page.GetByTextOptions().setExact(true))
                    .waitFor();
            desk.page().reload();
            desk.page().getByLabel("end, core 2 of c1").waitFor();
            assertThat(desk.page().getByLabel("end, core 2 of c1").inputValue()).isEqualTo("j:earth");
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static Locator core(Desk desk, String words) {
        return desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + words)));
    }

    /** A house with one circuit and one room; its address. */
    static String house(Desk desk, String name) {
        desk.fill("Name of the house", name);
        desk.press("open the job");
        desk.seeHeading(name);
        desk.fill("Circuit", "1");
        desk.press("add circuit");
        desk.page()
                .getByRole(
                        AriaRole.CELL, new Page.GetByRoleOptions().setName("1").setExact(true))
                .waitFor();
        desk.fill("Room", "Hall");
        desk.press("add room");
        desk.page()
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("add a box in Hall"))
                .waitFor();
        return desk.page().url();
    }

    private static String text(int box) {
        return String.format(
                """
                box K-%02d wall 60x60x61
                switch 1 one-way "Lamp %d" circuit 1 depth 22
                load 1 "Lamp %d" on 1 is LED 9
                cable c1 1.5 feed 1
                  brown live 1.COM
                  blue neutral joint:neutral
                  green-yellow earth joint:earth
                cable c2 1.5 lamp 1
                  brown switched 1.L1
                  blue neutral joint:neutral
                  green-yellow earth joint:earth
                """,
                box, box, box);
    }
}
