package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.hiddenclerk.app.testing.SmallHouse;
import org.junit.jupiter.api.Test;

/** A box is tested, fails, is mended, and its house becomes a book; a job file with mistakes is refused. */
class HandOverIT {
    private static final Map<String, String> FIGURES = Map.of("ms", "320", "W", "9", "dBm", "-58", "LQI", "130");

    private final Caller caller = new Caller(RunningClerk.get());

    private static Locator button(Locator within, String name) {
        return within.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    private SmallHouse house() throws IOException, InterruptedException {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        String box = house.box("HO-1", survey -> {
            survey.get("loads").get(0).asObject().put("typed", "LED 9").put("name", "bobbin lamp");
            survey.get("gangs").get(0).asObject().put("name", "Bobbin switch");
        });
        house.pick(box, "SK-1");
        house.fit(box);
        return house;
    }

    @Test
    void aTestFailsIsMendedAndTheBookHasTheDrawing() throws IOException, InterruptedException {
        SmallHouse house = house();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/boxes/"
                    + house.boxes().get(0) + "/hand-over");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            sheet.getByText("wall switch").waitFor();
            desk.fill("Seen otherwise", "the lamp stays dark");
            button(sheet, "^not as planned$").click();
            sheet.getByText("1 failed").waitFor();
            sheet.getByText("seen: the lamp stays dark").waitFor();
            desk.fill("What had been the cause", "loose core in O1");
            button(sheet, "^as planned$").click();
            sheet.getByText(Pattern.compile("cause: loose core in O1")).waitFor();
            int tests = sheet.getByRole(AriaRole.LISTITEM).count();
            for (int made = 1; made < tests; made++) {
                Locator figure = sheet.getByLabel(Pattern.compile("^Read, "));
                if (figure.count() > 0) {
                    figure.fill(FIGURES.get(sheet.locator("label", new Locator.LocatorOptions().setHasText("Read, "))
                            .innerText()
                            .replace("Read, ", "")));
                    button(sheet, "^write down$").click();
                } else {
                    button(sheet, "^as planned$").click();
                }
                PlaywrightAssertions.assertThat(sheet.getByRole(AriaRole.STATUS))
                        .containsText((made + 1) + " of " + tests);
            }
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("papers of the house"))
                    .click();
            sheet.getByText("Nothing is open: papers are final.").waitFor();
            sheet.getByText(Pattern.compile("Mended .*loose core in O1")).waitFor();
            button(sheet, "^make As-built book$").click();
            Locator open = sheet.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("open it"));
            open.waitFor(new Locator.WaitForOptions().setTimeout(60_000));
            byte[] pdf = page.request()
                    .get(RunningClerk.get().address() + open.getAttribute("href"))
                    .body();
            try (PDDocument book = Loader.loadPDF(pdf)) {
                String text = new PDFTextStripper().getText(book).replaceAll("\\s+", " ");
                assertThat(text)
                        .contains("Final. Every test is recorded", "bobbin lamp", "loose core in O1")
                        .doesNotContain("DRAFT");
                assertThat(inkOn(book, pageOf(book, "As found")))
                        .as("dark points of a drawing")
                        .isGreaterThan(2_000);
            }
            desk.fill("Handed over to", "the weaver");
            button(sheet, "^hand over$").click();
            sheet.getByText(Pattern.compile("Handed over to the weaver by")).waitFor();
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static int pageOf(PDDocument document, String words) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        for (int page = 0; page < document.getNumberOfPages(); page++) {
            stripper.setStartPage(page + 1);
            stripper.setEndPage(page + 1);
            if (stripper.getText(document).contains(words)) {
                return page;
            }
        }
        throw new AssertionError("No page has " + words);
    }

    private static long inkOn(PDDocument document, int page) throws IOException {
        BufferedImage picture = new PDFRenderer(document).renderImageWithDPI(page, 50);
        long dark = 0;
        for (int x = 0; x < picture.getWidth(); x++) {
            for (int y = picture.getHeight() / 10; y < picture.getHeight() * 9 / 10; y++) {
                dark += (picture.getRGB(x, y) & 0xff) < 128 ? 1 : 0;
            }
        }
        return dark;
    }

    @Test
    void aJobIsSavedDeletedAndTakenBackAndAFileWithMistakesIsRefused() throws IOException, InterruptedException {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        house.box("FILE-1");
        String name = caller.ask("GET", "/api/v1/jobs/" + house.job(), null)
                .get("name")
                .asString();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.getByLabel("details of " + name).click();
            Download saved = page.waitForDownload(() -> desk.press("save as a file"));
            String file = Files.readString(saved.path());
            desk.press("delete");
            desk.press("delete it");
            PlaywrightAssertions.assertThat(page.getByLabel("details of " + name))
                    .hasCount(0);

            Locator part = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Job from a file"));
            choose(page, part, file.replace("\"heightUm\" : ", "\"heightUm\" : \"tall\", \"x\" : "));
            part.getByText(Pattern.compile("Refused, at 2 places. Nothing is stored."))
                    .waitFor();
            assertThat(part.innerText()).contains("/parts/box/0/heightUm", "a whole number", "/parts/box/0/x");
            PlaywrightAssertions.assertThat(button(part, "^take it$")).hasCount(0);

            choose(page, part, file);
            part.getByText(name + " would be a new job.").waitFor();
            button(part, "^take it$").click();
            part.getByText(name + " is taken.").waitFor();
            PlaywrightAssertions.assertThat(page.getByLabel("details of " + name))
                    .isVisible();
            assertThat(desk.complaints()).isEmpty();
        }
    }

    private static void choose(Page page, Locator part, String text) {
        page.waitForFileChooser(() -> button(part, "^choose a file$").click())
                .setFiles(new FilePayload("house.job.json", "application/json", text.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void everyChangeIsFoundInTheLogAndByTheSearch() throws IOException, InterruptedException {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        house.boxIn(
                house.room("Warping attic"),
                "LG-1",
                survey -> survey.get("gangs").get(0).asObject().put("name", "Shuttle lamp"));
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            Page page = desk.page();
            page.navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/log");
            Locator sheet = page.getByRole(AriaRole.MAIN);
            sheet.getByText("Warping attic").first().waitFor();
            sheet.getByLabel("What").selectOption("box");
            PlaywrightAssertions.assertThat(sheet.getByRole(AriaRole.LISTITEM)
                            .filter(new Locator.FilterOptions().setHasText("Warping attic")))
                    .hasCount(0);
            assertThat(page.url()).contains("concept=box");
            page.keyboard().press("Escape");
            page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("find anything"))
                    .fill("Warping");
            page.getByRole(AriaRole.OPTION)
                    .filter(new Locator.FilterOptions().setHasText("Warping attic"))
                    .first()
                    .waitFor();
            assertThat(desk.complaints()).isEmpty();
        }
    }
}
