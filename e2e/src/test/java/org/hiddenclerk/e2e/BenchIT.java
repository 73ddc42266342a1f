package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Three modules on the bench, one of them with a code that was read wrongly. */
class BenchIT {
    @Test
    void threeModulesGoOverTheBenchAndAWrongCodeIsCaught() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            desk.openHouse("Bench");
            for (String serial : List.of("IT-1", "IT-2", "IT-3")) {
                if (serial.equals("IT-2")) {
                    page.getByLabel("Module", new Page.GetByLabelOptions().setExact(true))
                            .selectOption(new SelectOption().setValue("TG-1N"));
                }
                desk.fill("Serial, scanned or typed", serial);
                page.keyboard().press("Enter");
                unit(page, serial).waitFor();
            }

            unit(page, "IT-2").click();
            desk.press("done");
            behind(page, "Power it up");
            desk.fill("Note, or reason", "newest already");
            desk.press("leave out");
            behind(page, "Update it");
            desk.fill("Zigbee install code", "0011223345556677FC05");
            page.getByText("the check does not come out").waitFor();
            assertThat(desk.button("keep it sealed").isDisabled()).isTrue();
            desk.press("digit 10 is 4, not 5?");
            page.getByText("The check comes out").waitFor();
            desk.press("keep it sealed");
            page.getByText("•••• FC05").waitFor();
            desk.press("done");
            for (String step :
                    List.of("Name it", "Label it", "Set it", "Test every input", "Test every channel", "Pack it")) {
                page.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions()
                                        .setName(Pattern.compile(step))
                                        .setExpanded(true))
                        .waitFor();
                desk.press("done");
            }
            page.getByText("packed").first().waitFor();

            String labels = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("labels on A4"))
                    .getAttribute("href");
            assertThat(new String(
                            page.request()
                                    .get(RunningClerk.get().address() + labels)
                                    .body(),
                            StandardCharsets.ISO_8859_1))
                    .startsWith("%PDF")
                    .hasSizeGreaterThan(5_000);
            assertThat(unit(page, "IT-1").innerText()).contains("power it up");
            assertThat(desk.complaints()).isEmpty();
        }
    }

    @Test
    void aSerialIsScannedWithTheCamera() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.PHONE, "daylight")) {
            desk.openHouse("Bench");
            desk.press("scan a serial");
            PlaywrightAssertions.assertThat(desk.page().getByLabel("Serial, scanned or typed"))
                    .hasValue(Desk.SEEN_BY_CAMERA);
            PlaywrightAssertions.assertThat(desk.page().getByLabel("what the camera sees"))
                    .isHidden();
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static Locator unit(Page page, String serial) {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("modules on the bench"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(serial)));
    }

    private static void behind(Page page, String step) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile(step))
                                .setExpanded(false))
                .waitFor();
    }
}
