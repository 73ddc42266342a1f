package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h2;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.h4;
import static j2html.TagCreator.p;
import static j2html.TagCreator.span;
import static j2html.TagCreator.text;

import j2html.tags.DomContent;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Chapter;
import org.hiddenclerk.app.stage.papers.PdfRenderer.Paper;
import org.hiddenclerk.core.fitting.RunSheetPlan;
import org.hiddenclerk.core.fitting.Step;

/** Run sheets as blank forms, for those who work on paper: what is confirmed has a square, what is read has a line with its limits. */
final class RunSheetForms {
    private RunSheetForms() {}

    static Paper of(HouseFacts facts) {
        List<HouseFacts.Box> boxes = facts.planned().stream()
                .filter(box -> box.issuedBy().isPresent())
                .toList();
        List<Chapter> chapters = boxes.stream()
                .map(box -> new Chapter("Box " + box.label() + ", " + box.room(), "box-" + box.id()))
                .toList();
        DomContent none = boxes.isEmpty() ? p("No plan is issued yet. Only issued plans have run sheets.") : text("");
        DomContent body = div(
                Parts.cover(
                        "Run sheets",
                        facts,
                        p("For work on paper. Enter what was read into the clerk the same day: a gate that "
                                        + "was passed on paper only is not passed for it.")
                                .withClass("big"),
                        none,
                        Parts.contents(chapters)),
                each(boxes, box -> sheet(facts, box)));
        return new Paper(
                "Run sheets, " + facts.name(), facts.name() + " · run sheets", "", chapters, new Figures(), body);
    }

    private static DomContent sheet(HouseFacts facts, HouseFacts.Box box) {
        Map<Step.Phase, List<Step>> phases = RunSheetPlan.of(
                        facts.house(), box.plan().get())
                .stream()
                .collect(Collectors.groupingBy(Step::phase, LinkedHashMap::new, Collectors.toList()));
        return div(
                        h2("Box " + box.label() + ", " + box.room()),
                        p("Plan issued by " + box.issuedBy().orElse("")
                                + " UTC. Fitter ______________________  Date ______________"),
                        each(
                                List.copyOf(phases.entrySet()),
                                phase -> div(h3(phase.getKey().label()), each(phase.getValue(), RunSheetForms::step))))
                .withClass("chapter")
                .withId("box-" + box.id());
    }

    private static DomContent step(Step step) {
        return div(
                        h4(
                                span().withClass("box"),
                                text(step.title()
                                        + (step.gate() ? "  (gate: nothing behind it before it holds)" : ""))),
                        step.detail().isEmpty() ? text("") : p(step.detail()).withClass("soft"),
                        each(step.confirms(), confirm -> p(span().withClass("box"), text(confirm.text()))),
                        each(
                                step.readings(),
                                reading -> p(
                                        text(reading.text() + ": "),
                                        span().withClass("write"),
                                        text(" " + reading.unit() + "   passes from "
                                                + reading.least()
                                                        .stripTrailingZeros()
                                                        .toPlainString() + " to "
                                                + reading.most()
                                                        .stripTrailingZeros()
                                                        .toPlainString() + " " + reading.unit()))))
                .withClass("keep");
    }
}
