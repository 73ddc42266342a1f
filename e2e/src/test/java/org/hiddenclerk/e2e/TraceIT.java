package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** A two-way circuit traced by following the cards, and a reading that contradicts. */
class TraceIT {
    @Test
    void theCardsLeadToCertaintyAndAContradictionIsShownAndTakenBack() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.open("B-14", "Trace");
            desk.seeHeading("Does it lead back?");
            Locator feed = desk.page().locator("tr[data-core$='/c1.1']").first();
            assertThat(feed.getAttribute("data-certain")).isEqualTo("false");

            desk.page().keyboard().press("n");
            desk.seeHeading("Every core is certain");
            assertThat(feed.innerText()).contains("permanent live");

            desk.page().getByText("Enter another reading").click();
            desk.page()
                    .getByLabel("core", new Page.GetByLabelOptions().setExact(true))
                    .selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(1));
            desk.press("not live");
            desk.seeHeading("These readings cannot hold together");
            assertThat(desk.page().locator("[data-conflicts='true']").count()).isPositive();

            takeBackTheLast(desk);
            desk.seeHeading("Every core is certain");
            takeBackTheLast(desk);
            desk.seeHeading("Does it lead back?");
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static void takeBackTheLast(Desk desk) {
        desk.page()
                .getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Readings"))
                .getByRole(AriaRole.BUTTON)
                .last()
                .click();
    }
}
