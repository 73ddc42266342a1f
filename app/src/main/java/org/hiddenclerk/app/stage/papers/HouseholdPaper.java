package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.b;
import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h2;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.p;
import static j2html.TagCreator.text;

import j2html.tags.DomContent;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Chapter;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Paper;
import org.hiddenclerk.core.handover.HouseholdGuide;
import org.hiddenclerk.core.handover.HouseholdGuide.Page;
import org.hiddenclerk.core.identity.SwitchId;

/** The guide for the people of a house: a page for each room, in plain words, with its plates. */
final class HouseholdPaper {
    private static final double LARGEST_PLATE = 1.1;
    private static final String OUT = "out";

    private final HouseFacts facts;
    private final PaperSize size;
    private final Figures figures = new Figures();

    private HouseholdPaper(HouseFacts facts, PaperSize size) {
        this.facts = facts;
        this.size = size;
    }

    static Paper of(HouseFacts facts, PaperSize size) {
        HouseholdPaper paper = new HouseholdPaper(facts, size);
        List<HouseFacts.Room> rooms = facts.rooms().stream()
                .filter(room ->
                        room.boxes().stream().anyMatch(box -> !box.gangs().isEmpty()))
                .toList();
        List<HouseFacts.Room> asBefore = rooms.stream()
                .filter(room -> facts.guide().get(room.id()).isAsBefore())
                .toList();
        rooms = rooms.stream().filter(room -> !asBefore.contains(room)).toList();
        List<Chapter> chapters = new ArrayList<>(
                rooms.stream().map(room -> new Chapter(room.name(), id(room))).toList());
        chapters.add(new Chapter("When something is out", OUT));
        DomContent body = div(
                        Parts.cover("How your switches work", facts, Parts.contents(chapters)),
                        each(rooms, paper::room),
                        paper.out(asBefore))
                .withClass("big");
        return new Paper(
                "Guide for the household, " + facts.name(),
                facts.name() + " · for the household",
                facts.held().isFinal() ? "" : "DRAFT",
                chapters,
                paper.figures,
                body);
    }

    private static String id(HouseFacts.Room room) {
        return "room-" + room.id();
    }

    private DomContent room(HouseFacts.Room room) {
        Page page = facts.guide().get(room.id());
        Map<SwitchId, HouseholdGuide.Said> said = page.switches().stream()
                .collect(Collectors.toMap(each -> each.at().id(), each -> each));
        return div(
                        h2(room.name()),
                        each(
                                room.boxes().stream()
                                        .filter(box -> !box.gangs().isEmpty())
                                        .toList(),
                                box -> plate(box, said)),
                        section("By itself", page.byItself()),
                        section("After a power cut", page.afterCut()),
                        section("While the internet is out", page.withoutNet()),
                        section("While the hub is off", page.withoutHub()))
                .withClass("chapter")
                .withId(id(room));
    }

    private DomContent plate(HouseFacts.Box box, Map<SwitchId, HouseholdGuide.Said> said) {
        return div(
                        figures.place(PlateDrawing.of(box.gangs()), size.width(), size.width(), LARGEST_PLATE),
                        each(
                                IntStream.range(0, box.gangs().size()).boxed().toList(),
                                i -> p(
                                        b((i + 1) + " " + box.gangs().get(i).name() + ". "),
                                        text(words(said.get(
                                                box.switchId(box.gangs().get(i)).inHouse()))))))
                .withClass("keep");
    }

    private static String words(HouseholdGuide.Said said) {
        return said == null ? "It works as it always did." : String.join(" ", said.does());
    }

    private static DomContent section(String head, List<String> lines) {
        return lines.isEmpty() ? text("") : div(h3(head), Parts.list(lines)).withClass("keep");
    }

    private DomContent out(List<HouseFacts.Room> asBefore) {
        return div(
                        h2("When something is out"),
                        each(
                                HouseholdGuide.whenOut(facts.guide().values()),
                                advice -> div(h3(advice.head()), p(advice.words()))),
                        section(
                                "Rooms whose switches work as they always did",
                                asBefore.stream().map(HouseFacts.Room::name).toList()))
                .withClass("chapter")
                .withId(OUT);
    }
}
