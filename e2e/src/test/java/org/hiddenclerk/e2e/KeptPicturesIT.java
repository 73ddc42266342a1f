package org.hiddenclerk.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Takes the pictures kept in {@code docs/screenshots} anew; run with {@code -Dshots.write=true}. */
@EnabledIfSystemProperty(named = "shots.write", matches = "true")
class KeptPicturesIT {
    private static final Path KEPT = Path.of(System.getProperty("clerk.root", ".."), "docs/screenshots");

    @Test
    void takeEachMainView() {
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.picture(KEPT.resolve("day-book.png"));
            desk.open("Boot room", "Survey");
            desk.picture(KEPT.resolve("survey.png"));
            desk.open("Glass passage", "Match");
            desk.picture(KEPT.resolve("match.png"));
            desk.open("B-14", "Trace");
            desk.picture(KEPT.resolve("trace.png"));
            desk.open("Wash-house", "Feel");
            desk.page()
                    .getByRole(
                            AriaRole.IMG,
                            new Page.GetByRoleOptions().setName(Pattern.compile("Position rules: .*Every flip")))
                    .waitFor();
            desk.picture(KEPT.resolve("feel.png"));
            desk.open("Boot room", "Hand over");
            desk.picture(KEPT.resolve("hand-over.png"));
            desk.open("Boot room", "Draw");
            desk.page()
                    .getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(Pattern.compile("operate Bench lamps")))
                    .click();
            desk.picture(KEPT.resolve("draw.png"));
            desk.page()
                    .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Tannery House"))
                    .click();
            desk.picture(KEPT.resolve("house.png"));
            desk.openHouse("Rules");
            desk.page()
                    .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("reach"))
                    .click();
            desk.picture(KEPT.resolve("rules.png"));
            liveHouse(desk);
            desk.openHouse("Match all");
            desk.page()
                    .getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName(Pattern.compile("choose for the whole house|choose again")))
                    .click();
            desk.button("take this choice over into the boxes")
                    .waitFor(new Locator.WaitForOptions().setTimeout(90_000));
            desk.picture(KEPT.resolve("match-house.png"));
            desk.openHouse("Pick list");
            desk.picture(KEPT.resolve("pick-list.png"));
            desk.openHouse("Bench");
            for (String serial : List.of("7F-0412", "7F-0413", "7F-0417")) {
                desk.page()
                        .getByLabel("Module", new Page.GetByLabelOptions().setExact(true))
                        .selectOption(new SelectOption().setIndex(0));
                desk.fill("Serial, scanned or typed", serial);
                desk.page().keyboard().press("Enter");
                desk.page().getByText(serial).first().waitFor();
            }
            desk.press("done");
            desk.picture(KEPT.resolve("bench.png"));
            desk.openHouse("Join");
            desk.press("build it from the bench");
            desk.page().getByText("bring what is new on the bench").waitFor();
            desk.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^open for")))
                    .first()
                    .click();
            desk.page().getByText("Which one is it?").first().waitFor();
            desk.picture(KEPT.resolve("join.png"));
            desk.openHouse("Day on site");
            desk.press("one more who may not");
            desk.press("plan the day");
            desk.page()
                    .getByText(Pattern.compile("proved the best|the best found"))
                    .first()
                    .waitFor();
            desk.picture(KEPT.resolve("day.png"));
            desk.page().navigate(RunningClerk.get().address() + "/stock?module=PL-1");
            desk.seeHeading("PL-1");
            desk.picture(KEPT.resolve("stock-book.png"));
            desk.page().navigate(RunningClerk.get().address() + "/practice");
            desk.fill("Wall number, to repeat one (0 to 999 999)", "11");
            desk.press("start Two switches");
            desk.seeHeading("Two switches");
            desk.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^BU|^blue of c1")))
                    .first()
                    .click();
            desk.picture(KEPT.resolve("practice.png"));
        }
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "cellar")) {
            desk.open("Glass passage", "Draw");
            desk.picture(KEPT.resolve("draw-cellar.png"));
        }
        try (Desk desk = Desk.loggedIn(Desk.Screen.PHONE, "cellar")) {
            desk.open("Boot room", "Fit");
            desk.press("start the run sheet");
            for (String step : new String[] {"Identify every circuit in the box", "Switch off and lock or tag"}) {
                desk.seeHeading(step);
                desk.page().locator("main").getByRole(AriaRole.CHECKBOX).all().forEach(box -> box.check());
                desk.press("record and go on");
            }
            desk.seeHeading("Prove the tester on a known source");
            desk.page().getByText(Pattern.compile("Circuit 4 off")).first().waitFor();
            desk.picture(KEPT.resolve("fit-phone.png"));
        }
    }

    /** Some lamps on, the broker cut. */
    private static void liveHouse(Desk desk) {
        Page page = desk.page();
        desk.openHouse("Live house");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("let the house run"))
                .click();
        page.getByText("the hub takes everything for what it is").waitFor();
        for (String name : List.of("flip reading lamp", "flip loom lamps", "flip stair foot")) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                    .click();
        }
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("broker is there"))
                .click();
        page.getByText("1 part down").waitFor();
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Live house"))
                .scrollIntoViewIfNeeded();
        desk.picture(KEPT.resolve("live-house.png"));
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("stop").setExact(true))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("let the house run"))
                .waitFor();
    }
}
