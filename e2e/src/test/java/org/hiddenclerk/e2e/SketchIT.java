package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** From an opened job to a first proved plan by telling the circuit, counted in presses and fields; and putting right what was entered. */
class SketchIT {
    /** Counts what a hand does. */
    private static final class Hand {
        private final Desk desk;
        private int presses;
        private int fields;

        Hand(Desk desk) {
            this.desk = desk;
        }

        void press(String button) {
            presses++;
            desk.press(button);
        }

        void press(Locator what) {
            presses++;
            what.click();
        }

        void fill(String label, String text) {
            fields++;
            desk.fill(label, text);
        }
    }

    @ParameterizedTest
    @EnumSource(Desk.Screen.class)
    void aUsualBoxIsProvedWithinEightPresses(Desk.Screen screen) {
        try (Desk desk = Desk.loggedIn(screen, "daylight")) {
            SurveyIT.house(desk, "Lock House, one gang, " + screen);
            Hand hand = new Hand(desk);
            hand.press(link(desk, "begin with a circuit"));
            hand.press(desk.page().getByText("one switch, the feed comes in at the switch"));
            hand.fill("What it is", "2x9 LED");
            hand.press("fill the box");
            looked(hand);
            hand.press("match modules");
            hand.press("pick SK-1");
            hand.press("draw the wiring");
            assertThat(stamp(desk)).contains("PROVED");
            assertThat(hand.presses).as("presses").isLessThanOrEqualTo(8);
            assertThat(hand.fields).as("fields").isLessThanOrEqualTo(5);
            assertThat(desk.complaints()).isEmpty();
        }
    }

    @ParameterizedTest
    @EnumSource(Desk.Screen.class)
    void aTwoWayRunIsProvedWithinFifteenPresses(Desk.Screen screen) {
        try (Desk desk = Desk.loggedIn(screen, "cellar")) {
            String house = SurveyIT.house(desk, "Lock House, two-way, " + screen);
            Hand hand = new Hand(desk);
            hand.press(link(desk, "begin with a circuit"));
            hand.press(desk.page().getByText("two switches, feed at the first, lamp from the last"));
            hand.fill("What it is", "2x9 LED");
            hand.press("fill 2 boxes");
            looked(hand);
            String first = desk.page().url();
            // The far box is looked at, too: a plan of the run rests on both.
            desk.page().navigate(house + "/boxes/" + otherBox(desk, first) + "/survey");
            hand.presses++;
            looked(hand);
            desk.page().navigate(first);
            hand.presses++;
            hand.press("match modules");
            desk.page().waitForURL(Pattern.compile("/match$"));
            hand.press(desk.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^pick ")))
                    .first());
            hand.press("draw the wiring");
            assertThat(stamp(desk)).contains("PROVED");
            assertThat(hand.presses).as("presses").isLessThanOrEqualTo(15);
            assertThat(hand.fields).as("fields").isLessThanOrEqualTo(5);
            assertThat(desk.complaints()).isEmpty();
        }
    }

    @Test
    void whatWasEnteredIsPutRightAndTakenAway() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            String house = SurveyIT.house(desk, "Slip House");
            desk.press("change circuit 1");
            desk.fill("Rating, A", "16");
            desk.press("keep");
            desk.page()
                    .getByRole(
                            AriaRole.CELL,
                            new Page.GetByRoleOptions().setName("16 A").setExact(true))
                    .waitFor();
            link(desk, "begin with a circuit").click();
            desk.page().getByText("a socket outlet with its feed").click();
            desk.fill("What it is", "socket 1000");
            desk.press("fill the box");
            desk.page().waitForURL(Pattern.compile("boxes/[0-9a-f-]{36}/survey"));
            desk.press("take the box away …");
            desk.press("yes, take B-01 away");
            desk.page().getByText("B-01 was taken away.").waitFor();
            assertThat(link(desk, "B-01").count()).isZero();
            desk.press("put it back");
            link(desk, "B-01").first().waitFor();

            desk.fill("Room", "Attic");
            desk.press("add room");
            desk.press("take Attic away");
            desk.button("take Attic away")
                    .waitFor(new Locator.WaitForOptions()
                            .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
            desk.press("change circuit 1");
            desk.press("take circuit 1 away");
            desk.page().getByText("Circuit 1 is in B-01.").waitFor();
            assertThat(desk.page().url()).isEqualTo(house);
        }
    }

    private static Locator link(Desk desk, String name) {
        return desk.page()
                .getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Somebody looks at the box and says that it is so; it keeps itself. */
    private static void looked(Hand hand) {
        hand.desk.page().waitForURL(Pattern.compile("boxes/[0-9a-f-]{36}/survey"));
        hand.press("I looked at all of it: it is so");
        hand.desk
                .page()
                .getByText("kept", new Page.GetByTextOptions().setExact(true))
                .waitFor();
    }

    private static String stamp(Desk desk) {
        Locator stamp = desk.page().locator("[data-verdict=OK]").first();
        stamp.waitFor();
        return stamp.innerText();
    }

    private static String otherBox(Desk desk, String first) {
        return String.valueOf(desk.page()
                .evaluate(
                        "([job, known]) => fetch(`/api/v1/jobs/${job}`).then(r => r.json()).then(j => j.boxes.find(b => b.id !== known).id)",
                        first.replaceAll(".*/jobs/([^/]+)/boxes/([^/]+)/.*", "$1 $2")
                                .split(" ")));
    }
}
