package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * No serious or critical finding of axe on any sheet, in both themes, on laptop and phone. Each sheet is opened once, and then
 * seen in the other theme and at the other size.
 */
class AccessibilityIT {
    private static final String DAYLIGHT = "daylight";
    private static final String CELLAR = "cellar";
    private static final String ALL_RULES = "['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']";
    /** The only rule that a theme can break. */
    private static final String CONTRAST = "['color-contrast']";

    @Test
    void everySheetCanBeUsedByEveryone() {
        List<String> findings = new ArrayList<>();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, DAYLIGHT)) {
            findings.addAll(seriousFindings(desk, "Day book"));
            for (String stage : List.of("Survey", "Trace", "Match", "Draw", "Fit", "Rules")) {
                desk.open("Glass passage", stage);
                findings.addAll(seriousFindings(desk, stage));
            }
            desk.open("Boot room", "Draw");
            findings.addAll(seriousFindings(desk, "Draw, proved"));
            desk.open("Boot room", "Hand over");
            findings.addAll(seriousFindings(desk, "Hand over, box"));
            desk.open("Boot room", "Feel");
            findings.addAll(seriousFindings(desk, "Feel"));
            for (String sheet : List.of(
                    "Match all",
                    "Pick list",
                    "Bench",
                    "Day on site",
                    "Join",
                    "Firmware",
                    "Rules",
                    "Live house",
                    "Rooms and radio",
                    "Hand over",
                    "Log book")) {
                desk.openHouse(sheet);
                findings.addAll(seriousFindings(desk, sheet));
            }
            desk.page().navigate(RunningClerk.get().address() + "/stock?module=PL-1");
            desk.seeHeading("PL-1");
            findings.addAll(seriousFindings(desk, "Stock book"));
            desk.page().navigate(RunningClerk.get().address() + "/proof");
            desk.seeHeading("What PROVED means");
            findings.addAll(seriousFindings(desk, "What PROVED means"));
            whatRuns(desk, findings);
        }
        assertThat(findings).isEmpty();
    }

    private static void whatRuns(Desk desk, List<String> findings) {
        desk.openHouse("Live house");
        desk.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("let the house run").setExact(true))
                .click();
        desk.page().getByText("the hub takes everything for what it is").waitFor();
        findings.addAll(seriousFindings(desk, "Live house, running"));
        for (String part : List.of("checks", "handover", "outside")) {
            desk.page()
                    .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(part))
                    .click();
            findings.addAll(seriousFindings(desk, "Live house, " + part));
        }
        desk.page()
                .getByRole(
                        AriaRole.TAB,
                        new Page.GetByRoleOptions().setName("house").setExact(true))
                .click();
        desk.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("stop").setExact(true))
                .click();
        desk.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("let the house run").setExact(true))
                .waitFor();
        desk.page().navigate(RunningClerk.get().address() + "/practice");
        desk.press("start Two switches");
        desk.seeHeading("Two switches");
        findings.addAll(seriousFindings(desk, "Practice wall"));
    }

    private static List<String> seriousFindings(Desk desk, String where) {
        desk.settle();
        desk.page().evaluate("source => { (0, eval)(source); }", axeSource());
        List<String> found = new ArrayList<>(judged(desk, where, ALL_RULES));
        desk.wear(CELLAR);
        found.addAll(judged(desk, where + ", cellar", CONTRAST));
        desk.resize(Desk.Screen.PHONE);
        found.addAll(judged(desk, where + ", cellar, phone", ALL_RULES));
        desk.resize(Desk.Screen.LAPTOP);
        desk.wear(DAYLIGHT);
        return found;
    }

    @SuppressWarnings("unchecked")
    private static List<String> judged(Desk desk, String where, String rules) {
        desk.settle();
        Map<String, Object> result = (Map<String, Object>) desk.page()
                .evaluate("() => axe.run(document, { runOnly: " + rules + ", resultTypes: ['violations'] })");
        List<String> found = new ArrayList<>();
        for (Map<String, Object> violation : (List<Map<String, Object>>) result.get("violations")) {
            if (List.of("serious", "critical").contains(violation.get("impact"))) {
                List<Map<String, Object>> nodes = (List<Map<String, Object>>) violation.get("nodes");
                found.add(
                        where + ": " + violation.get("id") + " " + nodes.get(0).get("html") + " "
                                + String.valueOf(nodes.get(0).get("failureSummary"))
                                        .lines()
                                        .skip(1)
                                        .findFirst()
                                        .orElse(""));
            }
        }
        return found;
    }

    private static String axeSource() {
        try {
            return java.nio.file.Files.readString(
                    Path.of(System.getProperty("clerk.root"), "web/node_modules/axe-core/axe.min.js"));
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
