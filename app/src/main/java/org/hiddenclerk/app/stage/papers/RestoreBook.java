package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h2;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.li;
import static j2html.TagCreator.ol;
import static j2html.TagCreator.p;

import j2html.tags.DomContent;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Chapter;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Paper;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.paper.Papers;

/** The way back: how each box is put as it was found, conductor by conductor. */
final class RestoreBook {
    private static final double HEIGHT = 420;
    private static final double LARGEST = 0.8;

    private final HouseFacts facts;
    private final PaperSize size;
    private final Figures figures = new Figures();

    private RestoreBook(HouseFacts facts, PaperSize size) {
        this.facts = facts;
        this.size = size;
    }

    static Paper of(HouseFacts facts, PaperSize size, Watch watch) {
        RestoreBook book = new RestoreBook(facts, size);
        List<Chapter> chapters = facts.planned().stream()
                .map(box -> new Chapter("Box " + box.label() + ", " + box.room(), "box-" + box.id()))
                .toList();
        List<DomContent> pages = new ArrayList<>();
        for (HouseFacts.Box box : facts.planned()) {
            watch.at("drawing box " + box.label(), pages.size(), chapters.size());
            pages.add(book.box(box));
        }
        DomContent body = div(
                Parts.cover(
                        "Restore book",
                        facts,
                        p("How each box is put back as it was found. Work from the top of a page to its foot; the live goes on last.")
                                .withClass("big"),
                        Parts.contents(chapters)),
                each(pages, page -> page));
        return new Paper(
                "Restore book, " + facts.name(),
                facts.name() + " · restore book",
                facts.held().isFinal() ? "" : "DRAFT",
                chapters,
                book.figures,
                body);
    }

    private DomContent box(HouseFacts.Box box) {
        BoxPages pages = BoxPages.of(box, facts.house());
        String circuits = pages.plan().run().circuits().stream()
                .map(facts.house()::label)
                .sorted()
                .collect(Collectors.joining(", "));
        return div(
                        h2("Box " + box.label() + ", " + box.room()),
                        p("Before anything: switch circuit " + circuits
                                        + " off, lock it, and prove every conductor of the box dead.")
                                .withClass("caution"),
                        each(pages.places(), place -> place(pages, box, place)))
                .withClass("chapter")
                .withId("box-" + box.id());
    }

    private DomContent place(BoxPages pages, HouseFacts.Box box, Papers place) {
        Drawing found =
                Drawing.of("Box " + box.label() + " as found", Artwork.of(pages.before(), Artwork.Insulations.LETTERS));
        return div(
                        pages.hasSeveralPlaces() ? h3(place.place() + ", " + place.kind()) : h3("The way back"),
                        place.restore().isEmpty()
                                ? p("Nothing is moved here.")
                                : ol(each(place.restore(), move -> li(move.words()))),
                        h3("As it then is"),
                        figures.place(
                                pages.hasSeveralPlaces() ? found.only(place.place()) : found,
                                size.width(),
                                HEIGHT,
                                LARGEST),
                        Parts.terminals(place.found()))
                .withClass("keep");
    }
}
