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
import tools.jackson.databind.JsonNode;

/** Two behaviours compared by one's own flips; "all off" with a light that it misses; a link moved from the hub to the direct way. */
class FeelAndRulesIT {
    private final Caller caller = new Caller(RunningClerk.get());

    private static Locator button(Locator within, String name) {
        return within.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    private SmallHouse house(String module, String... labels) throws IOException, InterruptedException {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        for (String label : labels) {
            house.pick(
                    house.box(label, survey -> survey.get("loads")
                            .forEach(load ->
                                    load.asObject().put("typed", "LED 9").put("name", "Lamp " + label))),
                    module);
        }
        return house;
    }

    @Test
    void twoBehavioursAreComparedByOwnFlipsAndOneIsSet() throws IOException, InterruptedException {
        SmallHouse house = house("SK-1", "F-1");
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/boxes/"
                    + house.boxes().get(0) + "/feel");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            sheet.getByText("rocker, stays where it is put").waitFor();
            Locator lanes = sheet.getByRole(
                    AriaRole.IMG,
                    new Locator.GetByRoleOptions()
                            .setName(Pattern.compile("Every flip changes it: .*Position rules: ")));
            lanes.waitFor();
            button(sheet, "start over").click();
            // By key and by button: up, off by phone, down.
            page.keyboard().press("f");
            Locator off = sheet.getByRole(
                    AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("phone off$")));
            off.click();
            sheet.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("flip down$")))
                    .click();
            // Every flip lights it again with the third deed; with position rules it stays dark.
            PlaywrightAssertions.assertThat(sheet.getByRole(
                            AriaRole.IMG,
                            new Locator.GetByRoleOptions()
                                    .setName(Pattern.compile(
                                            "Every flip changes it: 1\\.0 s on, 2\\.0 s off, 3\\.0 s on Position rules: "
                                                    + "1\\.0 s on, 2\\.0 s off$"))))
                    .isVisible();
            sheet.getByLabel("name of the sequence").fill("as the guest did");
            button(sheet, "keep these hands").click();
            PlaywrightAssertions.assertThat(sheet.getByLabel("play a sequence")
                            .getByRole(
                                    AriaRole.OPTION, new Locator.GetByRoleOptions().setName("kept: as the guest did")))
                    .hasCount(1);

            sheet.getByLabel("The household says").selectOption("Up must mean on");
            PlaywrightAssertions.assertThat(
                            sheet.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("best")))
                    .containsText("Position rules");
            sheet.getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("Position rules"))
                    .check();
            button(sheet, "set it to \"Position rules\"").click();
            PlaywrightAssertions.assertThat(sheet.getByText("kept; written to the module when it joins"))
                    .isVisible();
        }
        JsonNode picks = house.plan(house.boxes().get(0)).get("picks");
        assertThat(picks.get(0).get("behaviours").get("1").asString()).isEqualTo("POSITION_RULES");
    }

    @Test
    void allOffMissesALightUntilItsButtonIsPressed() throws IOException, InterruptedException {
        SmallHouse house = house("TG-1N", "A-1", "A-2");
        caller.ask(
                "POST",
                "/api/v1/jobs/" + house.job() + "/rules/things",
                Map.of("version", 0, "name", "Remote", "room", "Hall", "protocol", "ZIGBEE"));
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/rules");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            sheet.getByLabel("Add a rule").selectOption("ALL_OFF");
            Locator rule = sheet.getByRole(AriaRole.ARTICLE, new Locator.GetByRoleOptions().setName("All off"));
            PlaywrightAssertions.assertThat(rule).containsText("then all lights go off, except none.");

            // Except one: the sentence is edited by its slot.
            button(rule, "none").click();
            rule.getByLabel("Hall lamp A-2").check();
            button(rule, "set").click();
            PlaywrightAssertions.assertThat(rule).containsText("except Hall lamp A-2.");

            Locator margin =
                    page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("In the margin"));
            PlaywrightAssertions.assertThat(margin)
                    .containsText("leaves Hall lamp A-1 on: to the hub it is a relay and no light.");
            button(margin, "mark and add").click();
            PlaywrightAssertions.assertThat(margin).containsText("nothing was found");
        }
    }

    @Test
    void aLinkThatGoesDirectlyOutlivesTheHub() throws IOException, InterruptedException {
        SmallHouse house = house("TG-1N", "L-1", "L-2");
        JsonNode choices = caller.ask("GET", "/api/v1/jobs/" + house.job() + "/rules", null)
                .get("choices");
        List<String> codes = List.of(
                choices.get("CONTROL").get(0).get("code").asString(),
                choices.get("OUTPUT").get(1).get("code").asString());
        caller.ask(
                "POST",
                "/api/v1/jobs/" + house.job() + "/rules/links",
                Map.of(
                        "version",
                        0,
                        "control",
                        codes.get(0),
                        "output",
                        codes.get(1),
                        "way",
                        "HUB",
                        "effect",
                        "TOGGLE",
                        "throughGroup",
                        false));
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/rules");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            tab(sheet, "reach").click();
            Locator row = sheet.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("by the hub"));
            PlaywrightAssertions.assertThat(row).containsText("lost");
            tab(sheet, "sentences").click();
            sheet.getByLabel(Pattern.compile("^way of: ")).selectOption("by direct binding");
            PlaywrightAssertions.assertThat(sheet.getByText(Pattern.compile("by direct binding\\.$")))
                    .isVisible();
            tab(sheet, "reach").click();
            PlaywrightAssertions.assertThat(sheet.getByRole(AriaRole.ROW)
                            .filter(new Locator.FilterOptions().setHasText("by direct binding")))
                    .containsText("80 ms");
            PlaywrightAssertions.assertThat(sheet).not().containsText("lost");
        }
    }

    private static Locator tab(Locator within, String name) {
        return within.getByRole(AriaRole.TAB, new Locator.GetByRoleOptions().setName(name));
    }
}
