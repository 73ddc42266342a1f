package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.a;
import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h1;
import static j2html.TagCreator.li;
import static j2html.TagCreator.p;
import static j2html.TagCreator.table;
import static j2html.TagCreator.tbody;
import static j2html.TagCreator.td;
import static j2html.TagCreator.th;
import static j2html.TagCreator.thead;
import static j2html.TagCreator.tr;
import static j2html.TagCreator.ul;

import j2html.tags.DomContent;
import java.util.List;
import org.hiddenclerk.core.wiring.paper.TerminalTable;

/** What several papers are put together from. */
final class Parts {
    static final String LICENSED = "Fixed wiring is for a licensed person under the local code. Isolate and prove "
            + "dead before a box is opened. This paper records what was planned and found; "
            + "it never says that work is safe to do.";

    private Parts() {}

    /** A table whose head is repeated on each page. A row whose cells are all empty is a line to write on. */
    static DomContent rows(List<String> heads, List<List<DomContent>> rows) {
        return rows.isEmpty()
                ? p("None.").withClass("soft")
                : table(
                        thead(tr(each(heads, head -> th(head)))),
                        tbody(each(rows, row -> tr(each(row, cell -> td(cell))))));
    }

    static DomContent mono(String words) {
        return j2html.TagCreator.span(words).withClass("mono");
    }

    static DomContent text(String words) {
        return j2html.TagCreator.text(words);
    }

    static DomContent list(List<String> lines) {
        return ul(each(lines, line -> li(line)));
    }

    static DomContent terminals(List<TerminalTable.Line> lines) {
        return rows(
                List.of("Where", "Terminal", "Holds"),
                lines.stream()
                        .map(line -> List.of(
                                text(line.device()),
                                mono(line.terminal()),
                                text(
                                        line.holds().isEmpty()
                                                ? "leave free"
                                                : String.join(
                                                        ", ",
                                                        line.holds().stream()
                                                                .map(held -> held.words())
                                                                .toList()))))
                        .toList());
    }

    /** The first page: what it is, of which house, and how final. */
    static DomContent cover(String kind, HouseFacts facts, DomContent... more) {
        return div(
                        p("Hidden Clerk").withClass("soft kind"),
                        h1(kind),
                        p(facts.name() + (facts.place().isEmpty() ? "" : ", " + facts.place()))
                                .withClass("big"),
                        p(facts.house().region().label() + " · made " + HouseFactsReader.MOMENT.format(facts.at())
                                        + " UTC by " + facts.by())
                                .withClass("soft"),
                        p(LICENSED).withClass("caution"),
                        each(List.of(more), part -> part))
                .withClass("cover");
    }

    static DomContent contents(List<PdfRenderer.Chapter> chapters) {
        return table(tbody(each(
                        chapters,
                        chapter -> tr(
                                td(a(chapter.name()).withHref("#" + chapter.id())),
                                td(a().withHref("#" + chapter.id())).withClass("at")))))
                .withClass("toc");
    }
}
