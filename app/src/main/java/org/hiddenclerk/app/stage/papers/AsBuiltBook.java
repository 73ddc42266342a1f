package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h2;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.h4;
import static j2html.TagCreator.p;
import static j2html.TagCreator.table;
import static j2html.TagCreator.tbody;
import static j2html.TagCreator.td;
import static j2html.TagCreator.tr;
import static org.hiddenclerk.app.stage.papers.Parts.mono;
import static org.hiddenclerk.app.stage.papers.Parts.text;

import j2html.tags.DomContent;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.stage.fitting.RunSheets;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Chapter;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Paper;
import org.hiddenclerk.core.handover.BoxReady;
import org.hiddenclerk.core.handover.Entry;
import org.hiddenclerk.core.handover.HandoverRecord;
import org.hiddenclerk.core.handover.HandoverTest;
import org.hiddenclerk.core.handover.Matter;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.wiring.paper.Caution;
import org.hiddenclerk.core.wiring.paper.Papers;

/** The as-built book: the house before and after, box by box, with readings, settings, names, rules, reach and tests. */
final class AsBuiltBook {
    private static final String HOUSE = "house";
    private static final String CAUTIONS = "cautions";
    private static final String RULES = "rules";
    private static final String REACH = "reach";
    private static final String TESTS = "tests";

    private final HouseFacts facts;
    private final PaperSize size;
    private final Set<Caution> cautions = new LinkedHashSet<>();
    private final Figures figures = new Figures();

    private AsBuiltBook(HouseFacts facts, PaperSize size) {
        this.facts = facts;
        this.size = size;
    }

    static Paper of(HouseFacts facts, PaperSize size, Watch watch) {
        return new AsBuiltBook(facts, size).paper(watch);
    }

    private Paper paper(Watch watch) {
        List<HouseFacts.Box> planned = facts.planned();
        List<Chapter> boxes = new ArrayList<>();
        List<DomContent> pages = new ArrayList<>();
        for (HouseFacts.Box box : planned) {
            boxes.add(new Chapter("Box " + box.label() + ", " + box.room(), id(box)));
            watch.at("drawing box " + box.label(), boxes.size(), planned.size());
            pages.add(box(box));
        }
        List<Chapter> contents =
                new ArrayList<>(List.of(new Chapter("The house", HOUSE), new Chapter("Be careful here", CAUTIONS)));
        contents.addAll(boxes);
        contents.addAll(List.of(
                new Chapter("Links and rules", RULES),
                new Chapter("What works when something is out", REACH),
                new Chapter("Tests of the hand over", TESTS)));
        DomContent body = div(
                Parts.cover("As-built book", facts, state(), p("Contents").withClass("soft"), Parts.contents(contents)),
                house(),
                cautions(),
                each(pages, page -> page),
                rules(),
                reach(),
                tests());
        List<Chapter> marks = List.of(
                contents.get(0),
                contents.get(1),
                new Chapter("Boxes", boxes.isEmpty() ? RULES : boxes.get(0).id(), boxes),
                new Chapter("Links and rules", RULES),
                new Chapter("What works when something is out", REACH),
                new Chapter("Tests of the hand over", TESTS));
        return new Paper(
                "As-built book, " + facts.name(),
                facts.name() + " · as-built book",
                facts.held().isFinal() ? "" : "DRAFT",
                marks,
                figures,
                body);
    }

    private static String id(HouseFacts.Box box) {
        return "box-" + box.id();
    }

    private DomContent state() {
        if (facts.held().isFinal()) {
            return div(
                            p("Final. Every test is recorded, nothing is open."),
                            each(
                                    facts.held().given(),
                                    given -> p("Handed over to " + given.to() + " by " + given.by() + ", "
                                            + HouseFactsReader.MOMENT.format(given.at()) + " UTC, with " + given.tests()
                                            + " tests.")))
                    .withClass("state");
        }
        return div(p("Draft. Open before it is final:"), Parts.list(open())).withClass("state");
    }

    /** What stands in the way, box by box. */
    private List<String> open() {
        Map<String, List<String>> byBox = facts.held().blocks().stream()
                .map(BoxReady.Block::words)
                .collect(Collectors.groupingBy(
                        words -> words.contains(": ") ? words.substring(0, words.indexOf(": ")) : "",
                        LinkedHashMap::new,
                        Collectors.toList()));
        return byBox.entrySet().stream()
                .map(e -> e.getValue().stream()
                        .map(words -> e.getKey().isEmpty()
                                        || words.equals(e.getValue().get(0))
                                ? words
                                : words.substring(e.getKey().length() + 2))
                        .collect(Collectors.joining("; ")))
                .toList();
    }

    private DomContent house() {
        return div(
                        h2("The house"),
                        h3("Circuits"),
                        Parts.rows(
                                List.of("Circuit", "Rating", "Phase", "Protection", "Also fed by"),
                                facts.circuits().stream()
                                        .map(AsBuiltBook::circuit)
                                        .toList()),
                        h3("Rooms and boxes"),
                        Parts.rows(
                                List.of("Room", "Storey", "Boxes"),
                                facts.rooms().stream()
                                        .map(room -> List.of(
                                                text(room.name()),
                                                text(room.storey()),
                                                text(
                                                        room.boxes().isEmpty()
                                                                ? "none"
                                                                : room.boxes().stream()
                                                                        .map(
                                                                                box -> box.label()
                                                                                        + (box.isPlanned()
                                                                                                ? ""
                                                                                                : " (no module)"))
                                                                        .collect(Collectors.joining(", ")))))
                                        .toList()),
                        h3("Modules"),
                        Parts.rows(
                                List.of("Box", "Module", "Name", "Serial", "Network", "Address", "Firmware"),
                                facts.planned().stream()
                                        .flatMap(box -> box.modules().stream()
                                                .map(module -> List.of(
                                                        text(box.label()),
                                                        mono(module.number() + " " + module.code()),
                                                        text(module.name()),
                                                        mono(module.serial()),
                                                        text(module.network()),
                                                        mono(module.address()),
                                                        mono(module.firmware()))))
                                        .toList()))
                .withClass("chapter")
                .withId(HOUSE);
    }

    private static List<DomContent> circuit(Circuit circuit) {
        return List.of(
                text(circuit.label()),
                mono(circuit.rating().asDecimal().stripTrailingZeros().toPlainString() + " A"),
                text(circuit.elvVolts()
                        .map(volts -> volts.asDecimal().stripTrailingZeros().toPlainString() + " V direct current")
                        .orElse(circuit.phase().label())),
                text(circuit.protection().device().label()),
                text(
                        circuit.alternativelySupplied()
                                ? "inverter, battery or generator: more than one isolation point"
                                : ""));
    }

    /** Said once for the whole house, with the boxes that each is about. */
    private DomContent cautions() {
        List<String> lines = cautions.stream().sorted().map(Caution::words).toList();
        return div(h2("Be careful here"), p(Parts.LICENSED), Parts.list(lines)).withId(CAUTIONS);
    }

    private DomContent box(HouseFacts.Box box) {
        BoxPages pages = BoxPages.of(box, facts.house());
        cautions.addAll(Caution.of(pages.plan(), facts.house()));
        String planned = box.issuedBy()
                .map(by -> "As planned (issued by " + by + " UTC)")
                .orElse("As planned (not issued)");
        DomContent drawings = pages.hasSeveralPlaces()
                ? div(h3(planned), p("The boxes of this run follow one by one.").withClass("soft"))
                : drawn(pages, box, planned, "");
        DomContent title = h2("Box " + box.label() + ", " + box.room());
        DomContent rest = div(
                each(
                        pages.places(),
                        place ->
                                place(pages, box, place, place == pages.places().get(0))),
                modules(box),
                readings(box.readings()),
                results(box.tests()));
        return pages.isWide()
                ? div(
                        div(title, drawings).withClass("chapter wide").withId(id(box)),
                        div(rest).withClass("chapter"))
                : div(title, drawings, rest).withClass("chapter").withId(id(box));
    }

    private DomContent drawn(BoxPages pages, HouseFacts.Box box, String planned, String place) {
        List<DomContent> two = pages.drawn(figures, size, "Box " + (place.isEmpty() ? box.label() : place), place);
        return div(
                h3("As found"),
                two.get(0),
                h3(planned),
                two.get(1),
                p("Letters on a conductor are its colour; › moved, + added, × capped. Changed conductors are drawn thicker.")
                        .withClass("soft"));
    }

    /** Boxes of a run have a page each. */
    private DomContent place(BoxPages pages, HouseFacts.Box box, Papers place, boolean first) {
        boolean named = pages.hasSeveralPlaces();
        return div(
                        named
                                ? div(
                                        h3(place.place() + ", " + place.kind()),
                                        drawn(pages, box, "As planned", place.place()))
                                : h3("Terminals"),
                        table(tbody(tr(
                                        td(h4("As found"), Parts.terminals(place.found())),
                                        td(h4("As built"), Parts.terminals(place.terminals())))))
                                .withClass("columns"),
                        place.caps().isEmpty()
                                ? text("")
                                : p("Capped: "
                                        + place.caps().stream()
                                                .map(cap -> cap.core() + " (" + cap.label() + "), other end at "
                                                        + cap.otherEnd())
                                                .collect(Collectors.joining("; "))
                                        + "."),
                        place.sleeves().isEmpty()
                                ? text("")
                                : p("Sleeves: "
                                        + place.sleeves().stream()
                                                .map(sleeve -> sleeve.core() + " "
                                                        + sleeve.colour().words() + ", now "
                                                        + sleeve.role().label())
                                                .collect(Collectors.joining("; "))
                                        + "."))
                .withClass(named && !first ? "chapter" : "");
    }

    private static DomContent modules(HouseFacts.Box box) {
        return div(h3("Modules and settings"), each(box.modules(), module -> div(
                        p(module.number() + " " + module.code()
                                + Stream.of(
                                                module.name(),
                                                module.serial().isEmpty() ? "" : "serial " + module.serial(),
                                                module.address().isEmpty() ? "" : "address " + module.address(),
                                                module.firmware().isEmpty() ? "" : "firmware " + module.firmware())
                                        .filter(word -> !word.isEmpty())
                                        .map(word -> ", " + word)
                                        .collect(Collectors.joining())
                                + "."),
                        Parts.list(module.settings()))
                .withClass("keep")));
    }

    private static DomContent readings(List<RunSheets.Made> readings) {
        return div(
                h3("Readings on site"),
                readings.isEmpty()
                        ? p("None yet.").withClass("soft")
                        : Parts.rows(
                                List.of("Between", "Read", "Limits", "By"),
                                readings.stream()
                                        .map(made -> List.of(
                                                text(made.reading().text()),
                                                mono(figure(made.value()) + " "
                                                        + made.reading().unit()),
                                                mono(figure(made.reading().least()) + " to "
                                                        + figure(made.reading().most())),
                                                text(made.who() + ", " + HouseFactsReader.MOMENT.format(made.when()))))
                                        .toList()));
    }

    private static String figure(java.math.BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }

    private static DomContent results(List<HandoverRecord.Line> lines) {
        return div(
                h3("Tests"),
                Parts.rows(
                        List.of("Test", "What", "Outcome", "By"),
                        lines.stream()
                                .map(line -> List.of(
                                        text(line.test().kind().label()),
                                        text(line.test().words()),
                                        text(outcome(line)),
                                        text(line.last()
                                                .map(entry ->
                                                        entry.who() + ", " + HouseFactsReader.MOMENT.format(entry.at()))
                                                .orElse(""))))
                                .toList()));
    }

    static String outcome(HandoverRecord.Line line) {
        String figure = line.test()
                .scale()
                .flatMap(scale -> line.last().flatMap(Entry::figure).map(value -> scale.judge(value)
                        .words()))
                .orElse("");
        String note = line.last().map(Entry::note).orElse("");
        return switch (line.standing()) {
            case OPEN -> "not made";
            case PASSED -> figure.isEmpty() ? "as planned" : figure;
            case FAILED -> "FAILED: " + (figure.isEmpty() ? note : figure + "; " + note);
            case AGAIN ->
                "to be made again: "
                        + line.changed().stream().map(Matter::words).collect(Collectors.joining(" and ")) + " changed";
        };
    }

    private DomContent rules() {
        return div(
                        h2("Links and rules"),
                        facts.sentences().isEmpty()
                                ? p("None: every switch commands what its wires lead to.")
                                : Parts.list(facts.sentences()))
                .withClass("chapter")
                .withId(RULES);
    }

    /** Each switch with each part of the house that may be down; parts that no way takes are left out. */
    private DomContent reach() {
        LivePlan plan = facts.held().plan();
        List<Reach.Row> rows = Reach.of(plan.house(), plan.delays());
        List<Reach.Part> parts = rows.stream()
                .flatMap(row -> row.paths().stream())
                .map(Reach.Path::parts)
                .flatMap(Collection::stream)
                .distinct()
                .sorted()
                .filter(part -> part.kind() != Reach.Part.Kind.MODULE && part.kind() != Reach.Part.Kind.MAINS)
                .toList();
        List<String> heads = new ArrayList<>(List.of("Switch", "Reaches", "Usually"));
        parts.forEach(part -> heads.add(part.words() + " down"));
        return div(
                        h2("What works when something is out"),
                        p("A lamp needs its module and the mains of its circuit in any case. Delays are "
                                + "estimates from hand to lamp."),
                        Parts.rows(
                                heads,
                                rows.stream()
                                        .map(row -> {
                                            List<DomContent> cells = new ArrayList<>(List.of(
                                                    text(plan.handsOf(row.control()).stream()
                                                            .map(plan::nameOf)
                                                            .distinct()
                                                            .collect(Collectors.joining(" and "))),
                                                    text(plan.nameOf(row.output())),
                                                    mono(row.paths().get(0).delayMs() + " ms")));
                                            parts.forEach(part -> cells.add(text(words(row.without(Set.of(part))))));
                                            return cells;
                                        })
                                        .toList()))
                .withClass("chapter wide")
                .withId(REACH);
    }

    private static String words(Reach.Outcome outcome) {
        return switch (outcome.state()) {
            case WORKS -> "works";
            case SLOWER -> "slower, " + outcome.delayMs().orElse(0) + " ms";
            case LOST -> "LOST";
        };
    }

    private DomContent tests() {
        Map<HandoverTest.Kind, List<HandoverRecord.Line>> byKind = facts.held().record().lines().stream()
                .collect(Collectors.groupingBy(line -> line.test().kind(), LinkedHashMap::new, Collectors.toList()));
        return div(
                        h2("Tests of the hand over"),
                        Parts.rows(
                                List.of("Test", "As planned", "Failed", "To be made again", "Not made"),
                                byKind.entrySet().stream()
                                        .map(e -> {
                                            HandoverRecord.Count count = HandoverRecord.count(e.getValue());
                                            return List.of(
                                                    text(e.getKey().label()),
                                                    mono(String.valueOf(count.passed())),
                                                    mono(String.valueOf(count.failed())),
                                                    mono(String.valueOf(count.again())),
                                                    mono(String.valueOf(count.open())));
                                        })
                                        .toList()),
                        h3("Defects and their causes"),
                        facts.held().record().defects().isEmpty()
                                ? p("None was found.")
                                : Parts.rows(
                                        List.of("Found", "What", "Mended", "Cause"),
                                        facts.held().record().defects().stream()
                                                .map(defect -> List.of(
                                                        text(HouseFactsReader.MOMENT.format(defect.found()
                                                                        .at()) + ", "
                                                                + defect.found().who()),
                                                        text(defect.test().words() + " "
                                                                + defect.found().note()),
                                                        text(defect.mended()
                                                                .map(entry -> HouseFactsReader.MOMENT.format(entry.at())
                                                                        + ", " + entry.who())
                                                                .orElse("open")),
                                                        text(defect.mended()
                                                                .map(Entry::cause)
                                                                .orElse(""))))
                                                .toList()))
                .withClass("chapter")
                .withId(TESTS);
    }
}
