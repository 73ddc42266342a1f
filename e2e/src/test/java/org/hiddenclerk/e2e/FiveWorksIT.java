package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.core.credentials.CredentialKind;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Works whose modules sit in several boxes, or several in one, each from the survey to the papers: every stage knows every module. */
class FiveWorksIT {
    private static final double SLOW_MS = 60_000;
    private static final int MOST_STEPS = 120;
    private static final Map<String, String> FIGURES = Map.of("ms", "320", "W", "9", "dBm", "-58", "LQI", "130");
    private static final String STEPS =
            "Power it up|Update it|Keep its code|Name it|Label it|Set it|Test every input|Test every channel|Let it join here|Pack it";
    private static final AtomicInteger UNITS = new AtomicInteger();

    private final Caller caller = new Caller(RunningClerk.get());
    private final Map<String, String> boxes = new LinkedHashMap<>();
    private String job = "";
    private String room = "";

    /** Two in the short run: one of two boxes at mains, one that hangs at the lamp. */
    static Stream<WalkedWork> works() {
        return Boolean.getBoolean(Deep.RUN)
                ? Stream.of(WalkedWork.values())
                : Stream.of(WalkedWork.TWO_WAY, WalkedWork.CANOPY);
    }

    @ParameterizedTest
    @MethodSource("works")
    void everyModuleIsPlannedBenchedFittedJoinedTestedAndPrinted(WalkedWork work)
            throws IOException, InterruptedException {
        begin(work);
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            for (Runnable stage : List.<Runnable>of(
                    () -> survey(desk, work),
                    () -> plan(desk, work),
                    () -> bench(desk, work),
                    () -> fit(desk, work),
                    () -> join(desk, work),
                    () -> handOver(desk, work))) {
                seen(desk, work, stage);
            }
            print(desk, work);
            assertThat(desk.complaints()).isEmpty();
        }
    }

    /** What was on the screen when it went wrong. */
    private static void seen(Desk desk, WalkedWork work, Runnable stage) {
        try {
            stage.run();
        } catch (RuntimeException | AssertionError e) {
            picture(desk, work, "failed");
            throw e;
        }
    }

    private void begin(WalkedWork work) throws IOException, InterruptedException {
        caller.logIn();
        // A clerk that runs already may know the house of an earlier run.
        job = caller.ask(
                        "POST",
                        "/api/v1/jobs",
                        Map.of(
                                "name",
                                "Walk " + work + " " + ProcessHandle.current().pid(),
                                "place",
                                "",
                                "region",
                                "EU_230"))
                .get("id")
                .asString();
        Map.of("1", "L1", "2", "L2")
                .forEach((label, phase) -> caller.ask(
                        "POST",
                        "/api/v1/jobs/" + job + "/circuits",
                        Map.of("label", label, "ratingAmps", 10, "phase", phase, "alternativelySupplied", false)));
        room = caller.ask("POST", "/api/v1/jobs/" + job + "/rooms", Map.of("name", "Loft", "storey", "Ground floor"))
                .get("id")
                .asString();
    }

    private void go(Desk desk, String path) {
        desk.page().navigate(RunningClerk.get().address() + "/jobs/" + job + path);
        desk.settle();
    }

    private static void picture(Desk desk, WalkedWork work, String stage) {
        desk.picture(Scratch.of("walks/" + work.name().toLowerCase(java.util.Locale.ROOT) + "-" + stage + ".png"));
    }

    /** Types every box as text; those that are joined by cables a second time, when all of them are there. */
    private void survey(Desk desk, WalkedWork work) {
        for (String text : work.texts) {
            go(desk, "/boxes/new/survey?room=" + room);
            type(desk, WalkedWork.alone(text));
            desk.press("keep the survey");
            desk.page().waitForURL(Pattern.compile(".*/boxes/(?!new)[^/]+/survey"));
            boxes.put(WalkedWork.labelOf(text), desk.page().url().replaceAll(".*/boxes/([^/]+)/survey.*", "$1"));
        }
        for (String text : work.texts) {
            if (!WalkedWork.alone(text).equals(text)) {
                go(desk, "/boxes/" + boxes.get(WalkedWork.labelOf(text)) + "/survey");
                type(desk, text);
                desk.press("keep the survey");
                desk.button("match modules").waitFor();
            }
        }
        picture(desk, work, "survey");
    }

    private static void type(Desk desk, String text) {
        desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^as text")))
                .click();
        desk.fill("The box as text", text);
        desk.page().keyboard().press("Control+Enter");
        desk.page()
                .getByLabel("The box as text")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    }

    private String lead(WalkedWork work) {
        return "/boxes/" + boxes.get(WalkedWork.labelOf(work.texts.get(0)));
    }

    private void plan(Desk desk, WalkedWork work) {
        Page page = desk.page();
        for (WalkedWork.Pick pick : work.picks) {
            go(desk, lead(work) + "/match");
            if (!pick.group().isEmpty()) {
                desk.press(pick.group());
            }
            page.locator("[data-scheme='" + pick.scheme() + "'] button").first().click();
            Locator card = page.locator("[data-module='" + pick.module() + "']")
                    .filter(new Locator.FilterOptions()
                            .setHas(page.locator(
                                    "h2 span",
                                    new Page.LocatorOptions()
                                            .setHasText(Pattern.compile("^" + pick.module()
                                                    + (pick.other().isEmpty() ? "" : " with " + pick.other())
                                                    + "$")))));
            card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("pick " + pick.module()))
                    .click();
            card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(pick.module() + " is picked"))
                    .waitFor();
        }
        picture(desk, work, "match");
        go(desk, lead(work) + "/draw");
        Locator stamp = page.locator("[data-verdict]");
        stamp.waitFor();
        picture(desk, work, "draw");
        assertThat(stamp.innerText())
                .as("%s: %s", work, page.getByLabel("In the margin").first().innerText())
                .contains("PROVED");
        desk.press("issue for work");
        desk.button("go to the run sheet").waitFor();
    }

    private void bench(Desk desk, WalkedWork work) {
        Page page = desk.page();
        go(desk, "/bench");
        List<String> serials = new ArrayList<>();
        for (String module : work.modules) {
            String serial = "FW" + ProcessHandle.current().pid() + "-" + UNITS.incrementAndGet();
            page.getByLabel("Module", new Page.GetByLabelOptions().setExact(true))
                    .selectOption(new SelectOption().setValue(module.substring(module.indexOf(' ') + 1)));
            desk.fill("Serial, scanned or typed", serial);
            page.keyboard().press("Enter");
            unit(page, serial).waitFor();
            serials.add(serial);
        }
        List<String> taken = new ArrayList<>();
        JsonNode state = caller.ask("GET", "/api/v1/jobs/" + job + "/bench", null);
        state.get("units")
                .forEach(unit -> taken.add(unit.get("boxLabel").asString() + ": "
                        + unit.get("moduleCode").asString()));
        assertThat(taken).as("each is taken for its own box").containsExactlyInAnyOrderElementsOf(work.modules);
        assertThat(state.get("waiting")).as("none is left").isEmpty();
        for (String serial : serials) {
            unit(page, serial).click();
            for (int step = 0; step < 12 && !unit(page, serial).innerText().contains("packed"); step++) {
                Locator open = page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile(STEPS))
                                .setExpanded(true));
                open.first().waitFor();
                java.util.regex.Matcher named =
                        Pattern.compile(STEPS).matcher(open.first().innerText());
                assertThat(named.find()).isTrue();
                String title = named.group();
                boolean byCodeOnly = work == WalkedWork.CANOPY && title.equals("Keep its code");
                if (byCodeOnly) {
                    desk.fill("Matter manual code", code());
                    desk.press("keep it sealed");
                    page.getByText(Pattern.compile("^••••")).first().waitFor();
                    desk.press("done");
                } else if (title.equals("Update it") || title.equals("Keep its code")) {
                    desk.fill("Note, or reason", "as it comes");
                    desk.press("leave out");
                } else {
                    if (title.equals("Name it")) {
                        Locator address = page.getByLabel("hardware address");
                        address.getByRole(AriaRole.TEXTBOX)
                                .fill(String.format(
                                        "00:AB:CD:%02X:00:00:%02X:%02X",
                                        serial.length(), serial.hashCode() >> 8 & 0xff, serial.hashCode() & 0xff));
                        address.getByRole(AriaRole.BUTTON).click();
                        PlaywrightAssertions.assertThat(address.getByRole(AriaRole.BUTTON))
                                .isDisabled();
                        desk.settle();
                    }
                    desk.press("done");
                }
                page.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions()
                                        .setName(Pattern.compile(title))
                                        .setExpanded(false))
                        .waitFor();
            }
        }
        picture(desk, work, "bench");
        String labels = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("labels on A4"))
                .getAttribute("href");
        byte[] pdf = page.request().get(RunningClerk.get().address() + labels).body();
        assertThat(new String(pdf, StandardCharsets.ISO_8859_1)).startsWith("%PDF");
        try (PDDocument sheet = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(sheet);
            assertThat(serials).as("a label for each").allMatch(text::contains);
            work.modules.forEach(module ->
                    assertThat(text).as("its label names its box").contains(module.substring(0, module.indexOf(':'))));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** A code that no module of an earlier run has (Matter Core Specification, 5.1.4.1): its passcode, and the check digit that fits. */
    private static String code() {
        long passcode = 20_202_021 + ProcessHandle.current().pid() % 1_000_000;
        String digits =
                "3" + String.format("%05d", 3 * 16_384 + (passcode & 0x3fff)) + String.format("%04d", passcode >> 14);
        return java.util.stream.IntStream.range(0, 10)
                .mapToObj(check -> digits + check)
                .filter(code ->
                        CredentialKind.MATTER_MANUAL_CODE.read(code).value().isPresent())
                .findFirst()
                .orElseThrow();
    }

    private static Locator unit(Page page, String serial) {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("modules on the bench"))
                .getByRole(
                        AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(serial + "(?!\\d)")));
    }

    /**
     * Works that open several switch boxes step by step on the screen; of the others, whose sheets look like those
     * of the main job, by the same requests.
     */
    private void fit(Desk desk, WalkedWork work) {
        Page page = desk.page();
        go(desk, lead(work) + "/fit");
        if (work != WalkedWork.TWO_WAY && work != WalkedWork.SPLIT_PAIR) {
            desk.button("start the run sheet").waitFor();
            SmallHouse.workThrough(caller, lead(work).replace("/boxes/", ""), List.copyOf(boxes.values()));
            page.reload();
            page.getByText(Pattern.compile("All \\d+ steps are recorded"))
                    .first()
                    .waitFor();
            picture(desk, work, "fit");
            return;
        }
        desk.press("start the run sheet");
        page.getByText(Pattern.compile("step 1 of \\d+")).first().waitFor();
        // Every box that is opened is photographed, at its own sheet.
        for (String label : boxes.keySet()) {
            go(desk, "/boxes/" + boxes.get(label) + "/survey");
            desk.takePhoto();
        }
        go(desk, lead(work) + "/fit");
        for (int step = 1; step <= MOST_STEPS; step++) {
            page.getByText(Pattern.compile("step " + step + " of \\d+|run sheet finished"))
                    .first()
                    .waitFor();
            if (page.getByText("run sheet finished").count() > 0) {
                break;
            }
            if (step == 10) {
                picture(desk, work, "fit");
            }
            desk.completeStep();
        }
        page.getByText(Pattern.compile("All \\d+ steps are recorded")).first().waitFor();
    }

    private void join(Desk desk, WalkedWork work) {
        Page page = desk.page();
        go(desk, "/join");
        page.getByLabel("stand-in house").getByRole(AriaRole.BUTTON).first().click();
        page.getByLabel("stand-in house")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("flip"))
                .first()
                .waitFor();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^open for")))
                .first()
                .waitFor();
        List<Locator> networks = page.getByLabel(Pattern.compile(" network$")).all();
        for (Locator network : networks) {
            Locator open = network.getByRole(
                    AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^open for")));
            Locator byCodes = network.getByRole(
                    AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^let \\d+ in by")));
            if (byCodes.count() > 0) {
                byCodes.first().click();
            } else if (open.count() > 0 && network.getByLabel("waiting to join").count() > 0) {
                open.first().click();
            }
        }
        Locator devices = page.getByLabel("in the network").getByRole(AriaRole.LISTITEM);
        PlaywrightAssertions.assertThat(page.getByText(Pattern.compile("name it, set it, read it back")))
                .hasCount(work.modules.size(), new LocatorAssertions.HasCountOptions().setTimeout(SLOW_MS));
        for (int i = 0; i < work.modules.size(); i++) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("name it, set it, read it back"))
                    .first()
                    .click();
            PlaywrightAssertions.assertThat(page.getByText("set up and read back"))
                    .hasCount(i + 1, new LocatorAssertions.HasCountOptions().setTimeout(SLOW_MS));
        }
        assertThat(devices.count()).isGreaterThanOrEqualTo(work.modules.size());
        Locator links = page.getByLabel("links that the wiring needs");
        boolean several = work == WalkedWork.TWO_WAY || work == WalkedWork.SPLIT_PAIR;
        assertThat(links.count() > 0).as("links of modules that command others").isEqualTo(several);
        if (several) {
            PlaywrightAssertions.assertThat(links).containsText("all there");
        }
        picture(desk, work, "join");
    }

    private void handOver(Desk desk, WalkedWork work) {
        Page page = desk.page();
        List<String> own = new ArrayList<>();
        caller.ask("GET", "/api/v1/jobs/" + job + "/handover", null)
                .get("boxes")
                .forEach(box -> own.add(box.get("label").asString()));
        assertThat(own)
                .as("a row for every box with a module")
                .containsAll(work.modules.stream()
                        .map(module -> module.substring(0, module.indexOf(':')))
                        .distinct()
                        .toList());
        for (String label : own) {
            go(desk, "/boxes/" + boxes.get(label) + "/hand-over");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            sheet.getByRole(AriaRole.STATUS).first().waitFor();
            int tests = sheet.getByRole(AriaRole.LISTITEM).count();
            for (int made = 0; made < tests; made++) {
                Locator figure = sheet.getByLabel(Pattern.compile("^Read, "));
                if (figure.count() > 0) {
                    figure.fill(FIGURES.get(sheet.locator("label", new Locator.LocatorOptions().setHasText("Read, "))
                            .innerText()
                            .replace("Read, ", "")));
                    sheet.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("write down"))
                            .click();
                } else {
                    sheet.getByRole(
                                    AriaRole.BUTTON,
                                    new Locator.GetByRoleOptions()
                                            .setName("as planned")
                                            .setExact(true))
                            .click();
                }
                PlaywrightAssertions.assertThat(sheet.getByRole(AriaRole.STATUS).first())
                        .containsText((made + 1) + " of " + tests);
            }
        }
        picture(desk, work, "hand-over");
    }

    private void print(Desk desk, WalkedWork work) throws IOException {
        Page page = desk.page();
        go(desk, "/hand-over");
        Locator sheet = page.getByRole(AriaRole.MAIN);
        sheet.getByText("Nothing is open: papers are final.").waitFor();
        picture(desk, work, "papers");
        sheet.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("make As-built book"))
                .click();
        Locator open = sheet.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("open it"));
        open.waitFor(new Locator.WaitForOptions().setTimeout(SLOW_MS));
        byte[] pdf = page.request()
                .get(RunningClerk.get().address() + open.getAttribute("href"))
                .body();
        try (PDDocument book = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(book).replaceAll("\\s+", " ");
            assertThat(text).contains("Final.");
            work.modules.forEach(module -> assertThat(text).contains(module.substring(module.indexOf(' ') + 1)));
        }
    }
}
