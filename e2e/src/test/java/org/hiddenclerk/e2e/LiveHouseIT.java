package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.hiddenclerk.app.testing.SmallHouse;
import org.junit.jupiter.api.Test;

/** A house runs in the browser: a flip with the broker there and cut, a rule that needs it, and a check written as a sentence. */
class LiveHouseIT {
    private final Caller caller = new Caller(RunningClerk.get());

    private static Locator button(Locator within, String name) {
        return within.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    /** Two modules over MQTT; the first switch leads the second lamp by the hub. */
    private SmallHouse house() throws IOException, InterruptedException {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        for (String label : List.of("L-1", "L-2")) {
            house.pick(
                    house.box(label, survey -> {
                        survey.get("loads")
                                .forEach(load ->
                                        load.asObject().put("typed", "LED 9").put("name", "lamp " + label));
                        survey.get("gangs").forEach(gang -> gang.asObject().put("name", "switch " + label));
                    }),
                    "SK-1");
        }
        caller.ask(
                "POST",
                "/api/v1/jobs/" + house.job() + "/rules/links",
                Map.of(
                        "version",
                        0,
                        "control",
                        house.boxes().get(0) + "/K1/in1",
                        "output",
                        house.boxes().get(1) + "/K1/1",
                        "way",
                        "HUB",
                        "effect",
                        "FOLLOW",
                        "throughGroup",
                        false));
        return house;
    }

    @Test
    void aFlipWorksByWireWithTheBrokerCutAndTheRestComesBack() throws IOException, InterruptedException {
        SmallHouse house = house();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/live");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            button(sheet, "^let the house run$").click();
            sheet.getByText("the hub takes everything for what it is").waitFor();
            Locator hall = sheet.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Hall"));
            button(hall, "flip switch L-1").click();
            PlaywrightAssertions.assertThat(button(hall, "^lamp L-1: on")).isVisible();
            PlaywrightAssertions.assertThat(button(hall, "^lamp L-2: on")).isVisible();
            PlaywrightAssertions.assertThat(
                            sheet.getByText(Pattern.compile("Hub hears: Hall switch \\(switch L-1\\) is flipped")))
                    .isVisible();

            page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("broker is there"))
                    .click();
            sheet.getByText("1 part down").waitFor();
            button(hall, "flip switch L-1").click();
            PlaywrightAssertions.assertThat(button(hall, "^lamp L-1: off")).isVisible();
            PlaywrightAssertions.assertThat(sheet.getByText(Pattern.compile("is flipped: lost, it is cut off")))
                    .isVisible();
            PlaywrightAssertions.assertThat(button(hall, "^lamp L-2: on")).isVisible();

            page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("broker is there"))
                    .click();
            sheet.getByText("the hub takes everything for what it is").waitFor();
            button(hall, "flip switch L-1").click();
            PlaywrightAssertions.assertThat(button(hall, "^lamp L-1: on")).isVisible();
            // By remote: the lamp is pressed.
            button(hall, "^lamp L-2: on").click();
            PlaywrightAssertions.assertThat(button(hall, "^lamp L-2: off")).isVisible();
            button(sheet, "^stop$").click();
            button(sheet, "^let the house run$").waitFor();
        }
    }

    @Test
    void aCheckIsWrittenAsASentenceAndTheHandoverIsRehearsed() throws IOException, InterruptedException {
        SmallHouse house = house();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/live");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("checks"))
                    .click();
            button(sheet, "^add a check$").click();
            Locator check = sheet.getByRole(AriaRole.ARTICLE);
            check.getByText(Pattern.compile("is flipped")).first().waitFor();
            // The second lamp, which the first switch leads by the hub.
            check.getByLabel("add to New check").selectOption("then an output is on or off within a time");
            button(check, "^Hall lamp L-1$").last().click();
            check.getByLabel("instead of Hall lamp L-1").selectOption("Hall lamp L-2");
            check.getByText(Pattern.compile("Hall lamp L-2")).first().waitFor();
            button(check, "^try$").click();
            check.getByText("It is so.").waitFor();
            check.getByLabel("add to New check").selectOption("given a part is down");
            check.getByText(Pattern.compile("is down")).first().waitFor();
            button(check, "^try$").click();
            check.getByText("It is not so.").waitFor();
            PlaywrightAssertions.assertThat(check).containsText("Hall lamp L-2 is on within 500 ms: never");

            page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("handover"))
                    .click();
            button(sheet, "^rehearse 2 outputs$").click();
            sheet.getByText(Pattern.compile("\\d+ tests, ")).waitFor();
            assertThat(sheet.getByRole(AriaRole.ROW).count()).isEqualTo(3);
        }
    }
}
