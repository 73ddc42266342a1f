package org.hiddenclerk.app.stage.papers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;

/** What is in the papers of the demo house, and how they are printed. */
@WithDatabase
class PapersTest {
    private static final double A4_POINTS = 841.89;
    private static final double LETTER_POINTS = 792;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private PaperMaker maker;

    private PDDocument print(PaperKind kind, PaperSize size) throws IOException {
        return Loader.loadPDF(
                maker.print(UUID.fromString(new Person(mvc).demoJob()), kind, size, "M. Tarrow", Watch.NOBODY)
                        .pdf());
    }

    private static String text(PDDocument document) throws IOException {
        return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
    }

    @ParameterizedTest
    @EnumSource(PaperKind.class)
    void everyPaperHasItsFontsInsideAndSaysWhatItIs(PaperKind kind) throws IOException {
        for (PaperSize size : PaperSize.values()) {
            try (PDDocument document = print(kind, size)) {
                assertThat(Math.max(
                                document.getPage(0).getMediaBox().getHeight(),
                                document.getPage(0).getMediaBox().getWidth()))
                        .isCloseTo(
                                (float) (size == PaperSize.A4 ? A4_POINTS : LETTER_POINTS),
                                org.assertj.core.data.Offset.offset(1f));
                assertThat(document.getDocumentInformation().getTitle()).contains("Tannery House");
                assertThat(document.getDocumentCatalog().getStructureTreeRoot())
                        .as("tagged")
                        .isNotNull();
                assertThat(document.getDocumentCatalog().getMarkInfo().isMarked())
                        .isTrue();
                for (PDPage page : document.getPages()) {
                    for (COSName name : page.getResources().getFontNames()) {
                        PDFont font = page.getResources().getFont(name);
                        assertThat(font.isEmbedded()).as(font.getName()).isTrue();
                    }
                }
            }
        }
    }

    @Test
    void theBookHasEachPlannedBoxBeforeAndAfterWithItsTablesAndBookmarks() throws IOException {
        try (PDDocument book = print(PaperKind.AS_BUILT, PaperSize.A4)) {
            String text = text(book);
            assertThat(text)
                    .contains(
                            "DRAFT",
                            "Box B-01, Boot room",
                            "As found",
                            "As planned (issued by",
                            "brown of c1, jumper to Bench lamps, COM",
                            "What works when something is out",
                            "LOST",
                            "Every flip changes it, counts after 30 ms, after a power cut: off",
                            "of 15 tests 15 not made");
            assertThat(text.split("More than one circuit is in a box that is opened", -1))
                    .as("cautions are said once")
                    .hasSize(2);
            List<String> marks = new ArrayList<>();
            for (PDOutlineItem item :
                    book.getDocumentCatalog().getDocumentOutline().children()) {
                marks.add(item.getTitle());
                item.children().forEach(child -> marks.add(child.getTitle()));
            }
            assertThat(marks)
                    .contains(
                            "The house",
                            "Be careful here",
                            "Box B-01, Boot room",
                            "Links and rules",
                            "Tests of the hand over");
        }
    }

    @Test
    void aDrawingIsInkOnItsPageAndItsLettersAreText() throws IOException {
        try (PDDocument book = print(PaperKind.AS_BUILT, PaperSize.A4)) {
            int page = pageOf(book, "Box B-01, Boot room", "As found");
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setStartPage(page + 1);
            stripper.setEndPage(page + 1);
            assertThat(stripper.getText(book)).contains("two channels with neutral", "3x2 LED 7", "GNYE", "circuit 4");
            BufferedImage picture = new PDFRenderer(book).renderImageWithDPI(page, 50);
            long dark = 0;
            for (int x = 0; x < picture.getWidth(); x++) {
                for (int y = picture.getHeight() / 10; y < picture.getHeight() * 9 / 10; y++) {
                    dark += (picture.getRGB(x, y) & 0xff) < 128 ? 1 : 0;
                }
            }
            assertThat(dark).as("dark points of 50 dpi").isGreaterThan(2_000);
        }
    }

    private static int pageOf(PDDocument document, String... words) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        for (int page = 0; page < document.getNumberOfPages(); page++) {
            stripper.setStartPage(page + 1);
            stripper.setEndPage(page + 1);
            String text = stripper.getText(document);
            if (java.util.Arrays.stream(words).allMatch(text::contains)) {
                return page;
            }
        }
        throw new AssertionError("No page has " + String.join(" and ", words));
    }

    @Test
    void theGuideSpeaksOfSwitchesWithoutTheTradesWords() throws IOException {
        try (PDDocument guide = print(PaperKind.HOUSEHOLD, PaperSize.A4)) {
            String text = text(guide);
            assertThat(text)
                    .contains(
                            "Boot room",
                            "Each flip changes the bench",
                            "When something is out",
                            "A lamp has to be changed");
            assertThat(text).doesNotContain("SK-2", "debounce", "QoS", "endpoint", "EVERY_FLIP");
        }
    }

    @Test
    void theWayBackIsConductorByConductorAndTheLiveGoesLast() throws IOException {
        try (PDDocument book = print(PaperKind.RESTORE, PaperSize.LETTER)) {
            String text = text(book);
            String box = text.substring(text.lastIndexOf("Box B-02, Wash-house"));
            assertThat(box).contains("switch circuit 5 off, lock it, and prove every conductor of the box dead");
            assertThat(box.indexOf("(permanent live)")).isGreaterThan(box.indexOf("(switched live)"));
        }
    }

    @Test
    void theQuoteSaysWhatIsDoneAndItsLinesAddUpToWhatTheListSays() throws IOException {
        Person lead = new Person(mvc);
        JsonNode cost = lead.get("/api/v1/jobs/" + lead.demoJob() + "/cost").ok();
        try (PDDocument quote = print(PaperKind.QUOTE, PaperSize.A4)) {
            String text = text(quote);
            String sums = text.substring(text.indexOf("What it costs"));
            assertThat(text)
                    .as("plans of the demo are held")
                    .contains("DRAFT", "(not proved yet)", "it is not to be promised");
            assertThat(sums)
                    .contains("Sum without tax " + amount(cost.get("net")), "To pay " + amount(cost.get("total")));
            BigDecimal modules = Pattern.compile("(\\d+) × (\\d+\\.\\d\\d) (\\d+\\.\\d\\d)")
                    .matcher(sums)
                    .results()
                    .map(line -> {
                        BigDecimal amount = new BigDecimal(line.group(3));
                        assertThat(new BigDecimal(line.group(1)).multiply(new BigDecimal(line.group(2))))
                                .isEqualByComparingTo(amount);
                        return amount;
                    })
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            assertThat(modules).isEqualByComparingTo(amount(cost.get("modules")));
        }
    }

    /** Left out in silence it would look as if it were done for nothing. */
    @Test
    void aQuoteNamesWhatWasPickedAndCannotBeDrawn() throws IOException {
        Person lead = new Person(mvc);
        SmallHouse house = new SmallHouse(lead);
        String box = house.box("Q");
        lead.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of(
                                "version",
                                house.plan(box).get("version").asLong(),
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        "TG-1N",
                                        "scheme",
                                        "MULTI_ONE_MODULE",
                                        "gangs",
                                        List.of(1),
                                        "behaviours",
                                        Map.of()))))
                .ok();
        try (PDDocument quote = Loader.loadPDF(
                maker.print(UUID.fromString(house.job()), PaperKind.QUOTE, PaperSize.A4, "M. Tarrow", Watch.NOBODY)
                        .pdf())) {
            assertThat(text(quote)).contains("DRAFT", "TG-1N", "(no plan is drawn: not in the sum)");
        }
    }

    private static String amount(JsonNode figure) {
        return figure.decimalValue().setScale(2, RoundingMode.UNNECESSARY).toPlainString();
    }

    @Test
    void whoeverThrowsAtAStepStopsIt() {
        assertThatThrownBy(() -> maker.print(
                        UUID.fromString(new Person(mvc).demoJob()),
                        PaperKind.AS_BUILT,
                        PaperSize.A4,
                        "x",
                        (words, done, of) -> {
                            if (done == 2) {
                                throw new CancellationException();
                            }
                        }))
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void aPaperIsPrintedBehindEverythingElseAndFetched() throws Exception {
        Person person = new Person(mvc);
        SmallHouse house = new SmallHouse(person);
        house.pick(house.box("P"), "SK-1");
        String at = "/api/v1/jobs/" + house.job() + "/papers";
        String id = person.post(at, Map.of("kind", "RESTORE", "size", "A4"))
                .ok()
                .get("id")
                .asString();
        JsonNode paper = Awaitility.await()
                .atMost(Duration.ofSeconds(60))
                .until(
                        () -> person.get(at).ok().get("papers").get(0),
                        sheet -> !sheet.get("state").asString().equals("RUNNING"));
        assertThat(paper.get("state").asString()).isEqualTo("DONE");
        assertThat(paper.get("draft").asBoolean()).isTrue();
        assertThat(person.get("/api/v1/jobs/" + person.demoJob() + "/papers/" + id + "/file.pdf")
                        .status())
                .as("by another job")
                .isEqualTo(404);
        byte[] pdf = mvc.perform(MockMvcRequestBuilders.get(at + "/" + id + "/file.pdf")
                        .with(user("tarrow").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(text(document)).contains("Restore book");
        }
    }

    @Test
    void theSealedSectionOpensWithItsPasswordOnlyAndEveryCodeCountsAsShown() throws Exception {
        Person person = new Person(mvc);
        SmallHouse house = new SmallHouse(person);
        house.pick(house.box("P"), "SK-1");
        String serial = "SEAL-" + house.job().substring(0, 8);
        person.post("/api/v1/jobs/" + house.job() + "/bench", Map.of("moduleCode", "SK-1", "serial", serial))
                .ok();
        String unit = person.get("/api/v1/jobs/" + house.job() + "/bench")
                .ok()
                .get("units")
                .get(0)
                .get("id")
                .asString();
        person.post(
                        "/api/v1/bench/" + unit + "/credentials",
                        Map.of(
                                "kind",
                                "WIFI",
                                "text",
                                "WIFI:T:WPA;S:loft-net-" + serial.toLowerCase(java.util.Locale.ROOT)
                                        + ";P:tanned-hide-12;;"))
                .ok();
        String url = "/api/v1/jobs/" + house.job() + "/papers/sealed-section.pdf";
        byte[] pdf = mvc.perform(MockMvcRequestBuilders.post(url)
                        .with(user("tarrow").roles("OWNER"))
                        .with(csrf())
                        .contentType("application/json")
                        .content("{\"password\":\"linden-bark-liquor\",\"why\":\"hand over\",\"size\":\"A4\"}"))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThatThrownBy(() -> Loader.loadPDF(pdf)).isInstanceOf(InvalidPasswordException.class);
        try (PDDocument document = Loader.loadPDF(pdf, "linden-bark-liquor")) {
            assertThat(document.getEncryption().getLength()).isEqualTo(256);
            assertThat(text(document)).contains(serial, "tanned-hide-12");
        }
        String credential = person.get("/api/v1/jobs/" + house.job() + "/bench")
                .ok()
                .get("units")
                .get(0)
                .get("codes")
                .get(0)
                .get("id")
                .asString();
        assertThat(person.get("/api/v1/credentials/" + credential + "/showings")
                        .ok()
                        .get(0)
                        .get("why")
                        .asString())
                .isEqualTo("sealed section: hand over");
        assertThat(Person.fitter(mvc)
                        .post(url, Map.of("password", "linden-bark-liquor", "why", "hand over", "size", "A4"))
                        .status())
                .isEqualTo(403);
        assertThat(person.post(url, Map.of("password", "short", "why", "hand over", "size", "A4"))
                        .pointer())
                .isEqualTo("/password");
    }
}
