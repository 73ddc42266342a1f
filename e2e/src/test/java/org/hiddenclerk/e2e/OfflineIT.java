package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The run sheet of a stair with several switches, on a phone that loses its connection in the cellar. */
class OfflineIT {
    private static final String AWAY = "No connection.";

    private final RunningClerk clerk = RunningClerk.get();
    private final Caller caller = new Caller(clerk);

    private JsonNode sheet() {
        return caller.ask("GET", "/api/v1/boxes/" + caller.demoBox("B-10") + "/run-sheet", null)
                .get("sheet");
    }

    private List<JsonNode> done(boolean moves) {
        List<JsonNode> done = new ArrayList<>();
        sheet().get("steps").forEach(step -> {
            if (step.hasNonNull("done") && step.get("id").asString().startsWith("move-") == moves) {
                done.add(step);
            }
        });
        return done;
    }

    @Test
    void stepsThatAreDoneWithoutAConnectionArriveOnceAndAGateWaitsForTheClerk() throws Exception {
        caller.logIn();
        try (Desk desk = Desk.loggedIn(Desk.Screen.PHONE, "cellar")) {
            Page page = desk.page();
            desk.open("Lower stair", "Fit");
            desk.press("start the run sheet");
            int step = 1;
            // The clerk has the sheet when the page shows it.
            awaitStep(page, step);
            for (; sheet().get("steps").get(step - 1).get("gate").asBoolean(); step++) {
                awaitStep(page, step);
                desk.completeStep();
            }
            int moves = (int) sheet().get("steps")
                    .valueStream()
                    .filter(each -> each.get("id").asString().startsWith("move-"))
                    .count();
            assertThat(moves).isGreaterThan(2);
            // Once more, so that everything of the page is on the device.
            page.reload();
            awaitStep(page, step);
            desk.settle();

            clerk.kill();
            desk.completeStep();
            awaitStep(page, step + 1);
            desk.completeStep();
            awaitStep(page, step + 2);
            page.getByText(AWAY).waitFor();
            page.reload();
            awaitStep(page, step + 2);
            page.getByText(AWAY).waitFor();

            clerk.start();
            page.getByText(AWAY).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            Awaitility.await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> assertThat(done(true))
                    .hasSize(2));

            for (int at = step + 2; at < step + moves; at++) {
                awaitStep(page, at);
                desk.completeStep();
            }
            desk.seeHeading("Check the wiring");
            clerk.kill();
            int gates = step - 1;
            desk.completeStep();
            page.getByText("A gate opens only when the clerk has it").waitFor();
            assertThat(page.getByRole(
                                    AriaRole.HEADING,
                                    new Page.GetByRoleOptions().setName("Test the wiring while it is dead"))
                            .count())
                    .isZero();
            clerk.start();
            desk.seeHeading("Test the wiring while it is dead");
            assertThat(done(false)).hasSize(gates + 1);
            assertThat(desk.complaints()).allMatch(OfflineIT::toldOfTheOutage);
            caller.ask("POST", "/api/v1/boxes/" + caller.demoBox("B-10") + "/run-sheet/sign-off", null);
            caller.ask(
                    "POST",
                    "/api/v1/boxes/" + caller.demoBox("B-10") + "/run-sheet/set-aside",
                    java.util.Map.of("version", sheet().get("version")));
        }
    }

    /** Nobody listened, or the clerk was up already and not ready yet, which is what the page asks it until it is. */
    private static boolean toldOfTheOutage(String complaint) {
        return complaint.contains("ERR_CONNECTION_REFUSED")
                || complaint.contains("Failed to fetch")
                || (complaint.contains("503") && complaint.contains("/actuator/health/readiness"));
    }

    private static void awaitStep(Page page, int number) {
        page.getByText(Pattern.compile("step " + number + " of \\d+")).first().waitFor();
    }
}
