package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A practice wall from the first test to the marks: one switch, fed at the switch, neutral in the box. */
class PracticeIT {
    private static final String WALL = "1";

    @Test
    void aWallIsIsolatedTracedWiredAndAccepted() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            start(desk);
            take(desk, "tester to earth");
            core(desk, "brown of c1").click();
            sees(desk, "Brown of c1 in Box A to earth: 230 V");
            isolate(desk);
            assertThat(desk.page().getByText("✓ proved dead").isVisible()).isTrue();
            take(desk, "free");
            core(desk, "brown of c1").click();
            sees(desk, "Brown of c1 in Box A freed");
            take(desk, "put back");
            core(desk, "brown of c1").click();
            sees(desk, "put back");

            name(desk, "permanent live", "brown of c1");
            name(desk, "neutral", "blue of c1");
            name(desk, "switched live", "brown of c2");
            name(desk, "neutral", "blue of c2");
            desk.press("stand by these names");

            choose(desk, "One module for several switches", "BR-1S");
            sees(desk, "not here");
            choose(desk, "Behind the switch, with neutral", "BR-1S");
            sees(desk, "can be done");

            put(desk, "brown of c1", "BR-1S, L");
            put(desk, "brown of c2", "BR-1S, O1");
            join(desk, "BR-1S, L", "Switch, COM");
            join(desk, "BR-1S, S1", "Switch, L1");
            join(desk, "connectors, 1", "BR-1S, N");
            desk.press("done, let the clerk prove it");

            desk.seeHeading("Accepted");
            assertThat(desk.page()
                            .getByText("The wiring is proved in every state.")
                            .isVisible())
                    .isTrue();
            assertThat(desk.page().getByText("Nothing unsafe was done.").isVisible())
                    .isTrue();
            desk.page().navigate(RunningClerk.get().address() + "/practice");
            assertThat(desk.page()
                            .getByRole(
                                    AriaRole.LINK,
                                    new Page.GetByRoleOptions()
                                            .setName("accepted")
                                            .setExact(true))
                            .first()
                            .textContent())
                    .isEqualTo("accepted");
            assertThat(desk.complaints()).filteredOn(c -> !c.contains("409")).isEmpty();
        }
    }

    @Test
    void touchingWhatIsLiveIsMarked() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.PHONE, "cellar")) {
            start(desk);
            take(desk, "free");
            core(desk, "brown of c1").click();
            sees(desk, "was live. In a real wall that hurts");
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static void start(Desk desk) {
        desk.page().navigate(RunningClerk.get().address() + "/practice");
        desk.fill("Wall number, to repeat one (0 to 999 999)", WALL);
        desk.press("start One switch");
        desk.seeHeading("One switch");
        desk.settle();
    }

    private static void isolate(Desk desk) {
        desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^breaker \\d on")))
                .click();
        sees(desk, "off");
        desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^lock \\d")))
                .click();
        sees(desk, "locked and tagged");
        desk.press("prove the tester on a known source");
        sees(desk, "Tester proved");
        desk.press("prove Box A dead");
        sees(desk, "tested to earth: dead");
        desk.press("prove the tester on a known source");
        sees(desk, "Tester proved");
    }

    private static void take(Desk desk, String tool) {
        desk.page()
                .getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + tool + "( \\d)?$")))
                .click();
    }

    private static Locator core(Desk desk, String words) {
        return desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + words)));
    }

    private static void name(Desk desk, String role, String core) {
        take(desk, "name");
        desk.press(role);
        core(desk, core).click();
        sees(desk, "named " + role);
    }

    private static void choose(Desk desk, String scheme, String module) {
        desk.page()
                .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(scheme))
                .check();
        desk.page()
                .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + module + " ")))
                .check();
        desk.press("fit this");
    }

    private static void put(Desk desk, String core, String place) {
        core(desk, core).click();
        desk.press("put on " + place);
        sees(desk, "put on " + place);
    }

    private static void join(Desk desk, String from, String to) {
        desk.press("piece of wire");
        desk.press("put on " + from);
        desk.press("put on " + to);
        sees(desk, to);
    }

    /** The line that tells what came of the last deed. */
    private static void sees(Desk desk, String words) {
        desk.page()
                .getByRole(AriaRole.STATUS)
                .filter(new Locator.FilterOptions().setHasText(words))
                .first()
                .waitFor();
    }
}
