package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.standins.FirmwareFile;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Three modules join, two of which nothing tells apart but looking; then one of them takes no firmware. */
class JoinIT {
    private static final double SLOW_MS = 30_000;
    private static final String VERSION = "4.0.0";

    private final Caller caller = new Caller(RunningClerk.get());
    private String kind = "";

    /** A house with three modules of one kind, of which the first has its address on record. */
    private String house() throws Exception {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        for (JsonNode item : caller.ask("GET", "/api/v1/stock", null).get("modules")) {
            JsonNode document = item.get("document");
            boolean fits = document.get("protocol").asString().equals("ZIGBEE")
                    && document.get("purpose").asString().equals("LIGHTS")
                    && document.get("channels").size() == 1
                    && !item.get("retired").asBoolean();
            kind = kind.isEmpty() && fits ? document.get("code").asString() : kind;
        }
        for (String serial : List.of("LOOK-1", "LOOK-2", "LOOK-3")) {
            house.pick(house.box("J-" + serial.substring(5)), kind);
            JsonNode units = caller.ask(
                            "POST",
                            "/api/v1/jobs/" + house.job() + "/bench",
                            Map.of("moduleCode", kind, "serial", serial))
                    .get("units");
            JsonNode unit = units.get(units.size() - 1);
            if (serial.equals("LOOK-1")) {
                caller.ask(
                        "PUT",
                        "/api/v1/bench/" + unit.get("id").asString() + "/address",
                        Map.of("version", unit.get("version"), "address", "00:AB:CD:00:00:00:00:77"));
            }
        }
        byte[] file = FirmwareFile.of(kind, VERSION);
        caller.ask(
                "POST",
                "/api/v1/firmware",
                Map.of(
                        "kind",
                        kind,
                        "version",
                        VERSION,
                        "sha256",
                        Release.sumOf(file),
                        "features",
                        List.of(),
                        "notes",
                        "",
                        "file",
                        java.util.Base64.getEncoder().encodeToString(file)));
        caller.ask(
                "POST",
                "/api/v1/jobs/" + house.job() + "/stand-in",
                Map.of("faults", Map.of("LOOK-1", "TAKES_NOTHING")));
        return house.job();
    }

    private static Locator button(Locator within, String name) {
        return within.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void anAmbiguousPairIsToldApartAndABatchOfFirmwareWithAFailureIsSeenThrough() throws Exception {
        String job = house();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + job + "/join");
            Locator network = page.getByLabel("Zigbee network");
            button(network, "open for 180 s").click();
            network.getByRole(AriaRole.TIMER).waitFor();
            Locator unknown = network.getByLabel(Pattern.compile("^unknown "));
            PlaywrightAssertions.assertThat(unknown)
                    .hasCount(2, new LocatorAssertions.HasCountOptions().setTimeout(SLOW_MS));
            PlaywrightAssertions.assertThat(network.getByText("Hall, J-1")).isVisible();

            Locator first = unknown.first();
            button(first, "switch it on").click();
            Locator house = page.getByLabel("stand-in house");
            Locator lit = house.getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHas(page.getByLabel("lit")));
            lit.waitFor();
            String serial = lit.innerText().contains("LOOK-2") ? "LOOK-2" : "LOOK-3";
            String other = serial.equals("LOOK-2") ? "LOOK-3" : "LOOK-2";
            button(
                            first.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(serial)),
                            "it changed here")
                    .click();
            PlaywrightAssertions.assertThat(unknown).hasCount(1);
            PlaywrightAssertions.assertThat(network.getByText("every device is known for what it is"))
                    .isHidden();

            button(house.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(other)), "flip")
                    .click();
            Locator waiting = network.getByLabel("waiting to join")
                    .getByRole(AriaRole.GROUP)
                    .filter(new Locator.FilterOptions().setHasText(other));
            waiting.locator("summary").click();
            button(waiting, "its wall switch was moved just now").click();
            network.getByText("every device is known for what it is").waitFor();

            // A lamp that is lit is in use, and would not be updated.
            button(house.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(other)), "flip")
                    .click();
            PlaywrightAssertions.assertThat(house.getByLabel("lit")).hasCount(0);

            button(network.getByLabel("Hall, J-1"), "name it, set it, read it back")
                    .click();
            button(network.getByLabel("Hall, J-1"), "set up and read back").waitFor();
            button(network.getByLabel("Hall, J-1"), "box open: read the link").click();
            network.getByText(Pattern.compile("box open: \\d+ LQI")).waitFor();

            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Firmware"))
                    .click();
            desk.fill("Stop after failures", "1");
            desk.press("begin the roll-out");
            page.getByText("stopped, somebody has to look").waitFor(new Locator.WaitForOptions().setTimeout(SLOW_MS));
            page.getByLabel("In the margin")
                    .getByText("A module did not take its firmware")
                    .first()
                    .waitFor();
            desk.press("I have looked, go on");
            page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Roll-out, done"))
                    .waitFor(new Locator.WaitForOptions().setTimeout(2 * SLOW_MS));
            page.getByLabel("In the margin")
                    .getByText("it has no room for a file")
                    .first()
                    .waitFor();
            assertThat(page.getByLabel("roll-out").innerText()).contains("did not take it");
            assertThat(desk.complaints()).isEmpty();
        }
    }
}
