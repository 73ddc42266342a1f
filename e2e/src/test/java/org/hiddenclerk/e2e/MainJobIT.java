package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The main job, typed in by hand: from login to a finished run sheet, and the two traps of the demo house. */
class MainJobIT {

    @Test
    void aBoxTypedInIsMatchedDrawnProvedAndFitted() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            openJob(desk);
            surveyTwoGangs(desk);
            pickAndProve(desk);
            operateTheDrawing(desk);
            workThroughTheRunSheet(desk);
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static void openJob(Desk desk) {
        desk.fill("Name of the house", "Sluice Cottage");
        desk.fill("Place", "Weir Row");
        desk.press("open the job");
        desk.seeHeading("Sluice Cottage");
        desk.fill("Circuit", "3");
        desk.press("add circuit");
        desk.page().getByText("10 A").first().waitFor();
        desk.fill("Room", "Pantry");
        desk.fill("Storey", "Ground floor");
        desk.press("add room");
        desk.page()
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("add a box in Pantry"))
                .click();
    }

    private static void surveyTwoGangs(Desk desk) {
        desk.seeHeading("New box in Pantry");
        desk.fill("Width inside, mm", "131");
        desk.fill("Gang 1, name", "Shelf lamps");
        desk.press("add a load to gang 1");
        desk.fill("What it is, load 1", "3x2 LED 7");
        desk.page().getByText("6 × LED lamp 7").waitFor();
        desk.press("add a gang");
        desk.fill("Gang 2, name", "Hatch lamp");
        desk.press("add a load to gang 2");
        desk.fill("What it is, load 2", "3 candles 7");
        desk.page().getByText(Pattern.compile("Expected a kind of load")).waitFor();
        desk.fill("What it is, load 2", "LED 9");
        desk.press("feed of circuit 3");
        desk.page()
                .getByText("c1", new Page.GetByTextOptions().setExact(true))
                .first()
                .waitFor();
        desk.press("cable to Shelf lamps");
        desk.page()
                .getByText("c2", new Page.GetByTextOptions().setExact(true))
                .first()
                .waitFor();
        desk.press("cable to Hatch lamp");
        desk.page()
                .getByText("c3", new Page.GetByTextOptions().setExact(true))
                .first()
                .waitFor();
        desk.press("keep the survey");
        desk.page().getByText("The wiring as found shows no fault.").waitFor();
        desk.press("match modules");
    }

    private static void pickAndProve(Desk desk) {
        Locator tooFew = desk.page().locator("[data-module='TG-1N']");
        desk.page().locator("[data-module]").first().waitFor();
        if (desk.page()
                        .getByText(Pattern.compile("show \\d+ more that do not fit"))
                        .count()
                > 0) {
            desk.page()
                    .getByText(Pattern.compile("show \\d+ more that do not fit"))
                    .click();
        }
        assertThat(tooFew.innerText()).contains("2 gangs need 2 channels; TG-1N has 1.");
        assertThat(desk.page().locator("[data-module='SK-LV']").innerText()).contains("extra-low voltage");
        desk.press("pick SK-2");
        desk.press("draw the wiring");
        Locator stamp = desk.page().locator("[data-verdict]");
        stamp.waitFor();
        assertThat(stamp.innerText()).contains("PROVED", "16 of 16 states");
    }

    private static void operateTheDrawing(Desk desk) {
        Locator lamp = desk.page().locator("[data-load='X1']");
        assertThat(lamp.getAttribute("data-state")).isEqualTo("off");
        desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("operate Shelf lamps")))
                .click();
        desk.page().locator("[data-load='X1'][data-state='on']").waitFor();
        assertThat(desk.page().locator("[data-wire='c2.1']").getAttribute("data-live"))
                .isEqualTo("true");
        desk.page().keyboard().press("ArrowLeft");
        desk.press("issue for work");
        desk.press("go to the run sheet");
    }

    private static void workThroughTheRunSheet(Desk desk) {
        desk.press("start the run sheet");
        for (int step = 1; step <= 40; step++) {
            desk.page()
                    .getByText(Pattern.compile("step " + step + " of \\d+|run sheet finished"))
                    .first()
                    .waitFor();
            if (desk.page().getByText("run sheet finished").count() > 0) {
                break;
            }
            desk.completeStep();
        }
        desk.page()
                .getByText(Pattern.compile("All \\d+ steps are recorded"))
                .first()
                .waitFor();
        desk.page().getByText("Nothing is isolated in this house.").waitFor();
    }

    @Test
    void aGateCannotBePassedByAndALiveReadingStopsTheSheet() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.PHONE, "cellar")) {
            desk.open("Boot room", "Fit");
            desk.press("start the run sheet");
            desk.seeHeading("Identify every circuit in the box");
            assertThat(desk.button("record and go on").isDisabled()).isTrue();
            desk.completeStep();
            desk.seeHeading("Switch off and lock or tag");
            desk.completeStep();
            desk.seeHeading("Prove the tester on a known source");
            desk.page()
                    .getByText(Pattern.compile("Circuit 4 off, not proved dead"))
                    .first()
                    .waitFor();
            desk.completeStep();
            desk.seeHeading("Test dead, every core");
            desk.press("It reads live");
            desk.seeHeading("The sheet is stopped");
            desk.fill("What was found and put right", "Wrong breaker, circuit 4 found");
            desk.press("start isolation over");
            desk.seeHeading("Switch off and lock or tag");
            desk.press("set the sheet aside");
            desk.button("start the run sheet").waitFor();
            desk.press("sign off: take my lock off");
            desk.page()
                    .getByLabel("locks")
                    .waitFor(new Locator.WaitForOptions()
                            .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
            assertThat(desk.complaints()).isEmpty();
        }
    }

    @Test
    void theLedBankAndTheShallowBoxAreFound() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.open("Glass passage", "Draw");
            Locator margin =
                    desk.page().getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("In the margin"));
            margin.getByText("288 W of LED lamp on a contact for 180 W: over by 108 W.")
                    .waitFor();
            assertThat(desk.page().locator("[data-verdict]").getAttribute("data-verdict"))
                    .isEqualTo("STOP");
            assertThat(desk.button("issue for work").isDisabled()).isTrue();

            desk.open("Loom room", "Draw");
            margin.getByText(Pattern.compile("40\u2009mm deep.*7\u2009mm too little"))
                    .waitFor();
            assertThat(desk.button("issue for work").isDisabled()).isTrue();
        }
    }

    @Test
    void theKeyboardWalksTheHouse() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.open("Boot room", "Draw");
            desk.page().keyboard().press("ArrowDown");
            desk.seeHeading("Wash-house, B-02");
            desk.page().keyboard().press("3");
            desk.page().waitForURL(Pattern.compile("/match$"));
            desk.page().keyboard().press("/");
            desk.page().keyboard().type("kiln");
            desk.page().keyboard().press("Enter");
            desk.seeHeading("Kiln shed, B-05");
            desk.page().keyboard().press("?");
            desk.seeHeading("Keys");
            desk.page().keyboard().press("Escape");
            desk.page().keyboard().press("0");
            desk.page().getByText(Pattern.compile("No module sits in this box")).waitFor();
        }
    }

    @Test
    void aChangeBySomebodyElseIsToldAndNothingIsLost() {
        try (Desk first = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight");
                Desk second = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            first.open("Dye store", "Survey");
            second.open("Dye store", "Survey");
            first.fill("Gang 1, name", "Dye store door");
            first.press("keep the survey");
            first.page()
                    .getByText("kept", new Page.GetByTextOptions().setExact(true))
                    .waitFor();
            second.fill("Gang 1, name", "Vat side");
            second.press("keep the survey");

            second.page()
                    .getByText(Pattern.compile("changed this box meanwhile"))
                    .waitFor();
            assertThat(second.page().getByLabel("Gang 1, name").inputValue()).isEqualTo("Vat side");
            second.press("load the box as it is now");
            second.page().waitForCondition(() -> second.page()
                    .getByLabel("Gang 1, name")
                    .inputValue()
                    .equals("Dye store door"));
        }
    }
}
