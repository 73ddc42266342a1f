package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A choice for the whole house, asked about and pinned; its pick list with goods that arrive; a figure found out in the stock book. */
class HouseIT {
    private static final int PATIENCE_MS = 120_000;

    @Test
    void theWholeHouseIsChosenAskedAboutAndOrdered() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            desk.openHouse("Match all");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName(Pattern.compile("choose for the whole house|choose again")))
                    .click();
            Locator plates = page.locator("[data-unit]");
            plates.first().waitFor(new Locator.WaitForOptions().setTimeout(PATIENCE_MS));
            assertThat(page.getByText("that is proved").count()).isPositive();
            assertThat(plates.count()).isGreaterThan(15);

            desk.press("why not another?");
            page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Module"))
                    .first()
                    .selectOption(new SelectOption().setValue("WX-15U"));
            page.getByText("No approval stated for this market").first().waitFor();

            desk.openHouse("Pick list");
            Locator row = page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("^HV-1B")))
                    .first();
            String before = row.innerText();
            row.getByRole(AriaRole.BUTTON).click();
            desk.fill("How many", "1");
            desk.fill("Serial numbers, scanned or typed", "SN-HOUSE-IT");
            desk.press("take in");
            page.getByText("SN-HOUSE-IT").waitFor();
            assertThat(row.innerText()).isNotEqualTo(before);
            assertThat(desk.complaints()).isEmpty();
        }
    }

    @Test
    void aFigureThatIsFoundOutIsKept() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.page().navigate(RunningClerk.get().address() + "/stock");
            desk.press("PL-1");
            desk.seeHeading("PL-1");
            desk.fill("LED lamps, W", "60");
            desk.press("keep");
            desk.page()
                    .getByText(Pattern.compile("Not stated: (?!.*LED rating)"))
                    .waitFor();
            assertThat(desk.complaints()).isEmpty();
        }
    }
}
