package org.hiddenclerk.app.stage.papers;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PagePosition;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.render.Box;
import com.openhtmltopdf.util.ThreadCtx;
import com.openhtmltopdf.util.XRLog;
import j2html.Config;
import j2html.rendering.FlatHtml;
import j2html.tags.DomContent;
import j2html.utils.EscapeUtil;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Prints pages of HTML as a tagged PDF with its fonts inside; drawings are put on their places as vectors with real text. */
final class PdfRenderer {
    private static final String STYLE = new String(bytes("paper.css"), StandardCharsets.UTF_8);
    private static final String SANS = "Atkinson Hyperlegible Next";
    private static final String MONO = "Atkinson Hyperlegible Mono";
    private static final String PLAIN_FILE = "fonts/AtkinsonHyperlegibleNext_400Regular.ttf";
    private static final String BOLD_FILE = "fonts/AtkinsonHyperlegibleNext_700Bold.ttf";
    private static final String MONO_FILE = "fonts/AtkinsonHyperlegibleMono_400Regular.ttf";

    static {
        XRLog.setLoggingEnabled(false);
    }

    private PdfRenderer() {}

    /**
     * A paper that is ready to be printed.
     *
     * @param title what the PDF is called
     * @param foot  what stands at the foot of each page, on the left
     * @param draft across each page; empty for a final paper
     */
    record Paper(String title, String foot, String draft, List<Chapter> chapters, Figures figures, DomContent body) {}

    /** A bookmark. @param id of the element that it leads to */
    record Chapter(String name, String id, List<Chapter> parts) {
        Chapter(String name, String id) {
            this(name, id, List.of());
        }
    }

    static byte[] print(Paper paper, PaperSize size, Watch watch) {
        // A large book does not fit into memory beside its layout: what is written waits in a file.
        try (PDDocument document = new PDDocument(IOUtils.createTempFileOnlyStreamCache())) {
            List<Place> places = layOut(paper, size, document, watch);
            draw(document, paper.figures(), places, watch);
            ByteArrayOutputStream pdf = new ByteArrayOutputStream();
            document.save(pdf);
            return pdf.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("The paper could not be printed.", e);
        }
    }

    /** Where a figure came to stand. @param page from 0; the rest in points, from the lower left of the page */
    private record Place(int figure, int page, float x, float y, float height) {
        static Place of(PagePosition<Box> position) {
            return new Place(
                    Integer.parseInt(position.getId().substring(Figures.ID.length())),
                    position.getPageNo(),
                    position.getX(),
                    position.getY(),
                    position.getHeight());
        }
    }

    /** Writes the text into a document, and lets go of the layout, which is far larger than what comes of it. */
    private static List<Place> layOut(Paper paper, PaperSize size, PDDocument document, Watch watch)
            throws IOException {
        PdfRendererBuilder builder = new PdfRendererBuilder()
                .useFastMode()
                .usePdfUaAccessibility(true)
                .withProducer("Hidden Clerk")
                .usePDDocument(document)
                .withHtmlContent(html(paper, size), null);
        font(builder, PLAIN_FILE, SANS, 400);
        font(builder, BOLD_FILE, SANS, 700);
        font(builder, MONO_FILE, MONO, 400);
        try {
            // Not closed: it would close the fonts, which are written only when the document is saved.
            PdfBoxRenderer renderer = builder.buildPdfRenderer();
            watch.at("laying out", 0, 0);
            renderer.layout();
            watch.at("printing", 0, 0);
            renderer.createPDFKeepOpen();
            return paper.figures().placed().isEmpty()
                    ? List.of()
                    : renderer.findPagePositionsByID(Pattern.compile(Figures.ID + "\\d+")).stream()
                            .map(Place::of)
                            .toList();
        } finally {
            // The library keeps its layout by thread, and this thread lives on.
            ThreadCtx.cleanup();
        }
    }

    /** What is drawn says again what tables say, and is no part of the tagged text. */
    private static void draw(PDDocument document, Figures figures, List<Place> places, Watch watch) throws IOException {
        if (places.isEmpty()) {
            return;
        }
        PdfCanvas.Fonts fonts =
                new PdfCanvas.Fonts(load(document, PLAIN_FILE), load(document, BOLD_FILE), load(document, MONO_FILE));
        Map<Integer, List<Place>> byPage =
                places.stream().collect(Collectors.groupingBy(Place::page, TreeMap::new, Collectors.toList()));
        for (Map.Entry<Integer, List<Place>> onPage : byPage.entrySet()) {
            PDPage page = document.getPage(onPage.getKey());
            try (PDPageContentStream content = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                content.beginMarkedContent(COSName.ARTIFACT);
                for (Place place : onPage.getValue()) {
                    Figures.Placed figure = figures.placed().get(place.figure());
                    content.saveGraphicsState();
                    figure.drawing()
                            .on(new PdfCanvas(
                                    content,
                                    fonts,
                                    place.x(),
                                    place.y() + place.height(),
                                    figure.scale(),
                                    figure.drawing()));
                    content.restoreGraphicsState();
                }
                content.endMarkedContent();
            }
            watch.at("drawing on page", onPage.getKey() + 1, document.getNumberOfPages());
        }
    }

    private static PDFont load(PDDocument document, String file) throws IOException {
        try (InputStream ttf = open(file)) {
            return PDType0Font.load(document, ttf);
        }
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> open(file), family, weight, FontStyle.NORMAL, true);
    }

    private static String html(Paper paper, PaperSize size) {
        StringBuilder html = new StringBuilder("<html lang=\"en\"><head><title>")
                .append(escaped(paper.title()))
                .append("</title><meta name=\"description\" content=\"")
                .append(escaped(paper.title()))
                .append("\"/><style>")
                .append(STYLE.replace("SIZE", size.css()).replace("FOOT", inStyle(paper.foot())))
                .append("</style>");
        if (!paper.chapters().isEmpty()) {
            html.append("<bookmarks>");
            paper.chapters().forEach(chapter -> bookmark(html, chapter));
            html.append("</bookmarks>");
        }
        html.append("</head><body>");
        if (!paper.draft().isEmpty()) {
            html.append("<div class=\"draft\">").append(escaped(paper.draft())).append("</div>");
        }
        try {
            paper.body().render(FlatHtml.into(html, Config.defaults().withEmptyTagsClosed(true)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return html.append("</body></html>").toString();
    }

    private static void bookmark(StringBuilder html, Chapter chapter) {
        html.append("<bookmark name=\"")
                .append(escaped(chapter.name()))
                .append("\" href=\"#")
                .append(chapter.id())
                .append("\">");
        chapter.parts().forEach(part -> bookmark(html, part));
        html.append("</bookmark>");
    }

    private static String escaped(String text) {
        return EscapeUtil.escape(text);
    }

    /** Text in quotes within a style sheet within HTML: what would end either is left out. */
    private static String inStyle(String text) {
        return escaped(text.replaceAll("[\\\\\"<>\\p{Cntrl}]", " "));
    }

    private static InputStream open(String file) {
        return PdfRenderer.class.getResourceAsStream("/papers/" + file);
    }

    private static byte[] bytes(String file) {
        try (InputStream in = open(file)) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
