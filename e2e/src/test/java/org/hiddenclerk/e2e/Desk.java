package org.hiddenclerk.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.ReducedMotion;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/** A person at the interface, in Debian's Chromium. Errors on the console and foreign requests are collected. */
final class Desk implements AutoCloseable {
    private static final List<String> ARGUMENTS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");
    /** Each thread has its own: the driver is for one at a time. */
    private static final ThreadLocal<Browser> BROWSER = ThreadLocal.withInitial(Desk::launched);

    private final BrowserContext context;
    /** What the browser's camera sees. */
    static final String SEEN_BY_CAMERA = "SN-CAMERA-7";

    private final Page page;
    private final List<String> complaints = new ArrayList<>();

    /** Sizes at which the interface is used. */
    enum Screen {
        LAPTOP(1280, 800),
        PHONE(390, 844);

        private final int width;
        private final int height;

        Screen(int width, int height) {
            this.width = width;
            this.height = height;
        }
    }

    private Desk(Screen screen, String theme) {
        context = BROWSER.get()
                .newContext(new Browser.NewContextOptions()
                        .setViewportSize(screen.width, screen.height)
                        .setReducedMotion(ReducedMotion.REDUCE)
                        .setBypassCSP(false));
        context.addInitScript("localStorage.setItem('theme', '" + theme + "')");
        page = context.newPage();
        // A busy machine is no fault of what is tested.
        page.setDefaultTimeout(60_000);
        page.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                complaints.add(message.text() + " " + message.location());
            }
        });
        page.onPageError(complaints::add);
        page.onRequest(request -> {
            if (!request.url().startsWith(RunningClerk.get().address())
                    && !request.url().startsWith("data:")) {
                complaints.add("foreign request: " + request.url());
            }
        });
    }

    private static Browser launched() {
        Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        return playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(withCamera()));
    }

    /** A camera that sees the serial of a module. */
    private static List<String> withCamera() {
        List<String> arguments = new ArrayList<>(ARGUMENTS);
        arguments.addAll(List.of(
                "--use-fake-ui-for-media-stream",
                "--use-fake-device-for-media-stream",
                "--use-file-for-fake-video-capture=" + CameraPicture.of(SEEN_BY_CAMERA)));
        return arguments;
    }

    /** A person who is logged in. */
    static Desk loggedIn(Screen screen, String theme) {
        Desk desk = new Desk(screen, theme);
        desk.page.navigate(RunningClerk.get().address());
        desk.logIn();
        return desk;
    }

    /** Somebody at an address, with a browser of their own. */
    static Desk at(Screen screen, String path) {
        Desk desk = new Desk(screen, "daylight");
        desk.page.navigate(RunningClerk.get().address() + path);
        return desk;
    }

    void logIn() {
        page.getByLabel("Login name").fill("tarrow");
        page.getByLabel("Password").fill("tannery-house-demo");
        press("log in");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Day book"))
                .waitFor();
    }

    Page page() {
        return page;
    }

    List<String> complaints() {
        return complaints;
    }

    void press(String button) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(button).setExact(true))
                .first()
                .click();
    }

    Locator button(String name) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .first();
    }

    void fill(String label, String text) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(text);
    }

    void choose(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(option));
    }

    void seeHeading(String text) {
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(text))
                .first()
                .waitFor();
    }

    /** Opens a sheet of the demo house as a whole. */
    void openHouse(String sheet) {
        page.navigate(RunningClerk.get().address());
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Tannery House"))
                .first()
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(sheet).setExact(true))
                .click();
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                .waitFor();
    }

    /** Opens a stage of a box of the demo house. */
    void open(String room, String stage) {
        open("Tannery House", room, stage);
    }

    /** Opens a stage of a box of any house. */
    void open(String house, String room, String stage) {
        page.navigate(RunningClerk.get().address() + "/");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(house).setExact(true))
                .click();
        if (page.viewportSize().width < 1024) {
            press("boxes");
        }
        Locator rail = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Boxes of the house"));
        rail.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile(room)))
                .click();
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stages"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile(stage)))
                .click();
        settle();
    }

    /** Confirms and measures what the open step of a run sheet asks for, and records it. */
    void completeStep() {
        page.locator("[data-step]").waitFor();
        Locator form = page.locator("main");
        boolean proving = form.getByRole(
                                AriaRole.HEADING,
                                new Locator.GetByRoleOptions().setName(Pattern.compile("Prove the tester")))
                        .count()
                > 0;
        for (Locator box : form.getByRole(AriaRole.CHECKBOX).all()) {
            box.check();
        }
        for (Locator row : form.getByLabel("readings", new Locator.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.LISTITEM)
                .all()) {
            row.locator("input").fill(proving ? "231" : row.innerText().contains("M\u03a9") ? "200" : "0.2");
        }
        if (form.getByText("add a photo").count() > 0) {
            takePhoto();
        }
        press("record and go on");
    }

    /** Adds a photo where one is asked for and none is there yet. */
    void takePhoto() {
        Locator photos = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Photos"));
        if (photos.getByRole(AriaRole.IMG).count() == 0) {
            photos.locator("input[type=file]").setInputFiles(new FilePayload("box.jpg", "image/jpeg", jpeg()));
            photos.getByRole(AriaRole.IMG).first().waitFor();
        }
    }

    private static byte[] jpeg() {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(640, 480, BufferedImage.TYPE_INT_RGB), "jpg", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Sees the open sheet in a theme. */
    void wear(String theme) {
        page.evaluate("theme => { document.documentElement.dataset.theme = theme; }", theme);
    }

    void resize(Screen screen) {
        page.setViewportSize(screen.width, screen.height);
    }

    /** Waits until fonts and answers are there. */
    void settle() {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.evaluate("() => document.fonts.ready");
    }

    void picture(Path file) {
        settle();
        page.screenshot(new Page.ScreenshotOptions().setPath(file));
    }

    @Override
    public void close() {
        context.close();
    }
}
