package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h1;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.p;
import static j2html.TagCreator.span;
import static org.hiddenclerk.app.stage.papers.Parts.mono;
import static org.hiddenclerk.app.stage.papers.Parts.text;

import j2html.tags.DomContent;
import java.math.BigDecimal;
import java.util.List;
import org.hiddenclerk.app.stage.ordering.Orders;

/** The pick list of a job, by supplier, with a square for each line. */
final class PickListPaper {
    private PickListPaper() {}

    static PdfRenderer.Paper of(HouseFacts facts, List<Orders.SupplierView> suppliers) {
        DomContent body = div(
                h1("Pick list"),
                p(facts.name() + ", " + HouseFactsReader.MOMENT.format(facts.at()) + " UTC")
                        .withClass("soft"),
                suppliers.isEmpty() ? p("Nothing is picked yet.") : text(""),
                each(suppliers, PickListPaper::supplier),
                p("Spares are the share that the firm takes along of all pieces of a kind.")
                        .withClass("soft"));
        return new PdfRenderer.Paper(
                "Pick list, " + facts.name(), facts.name() + " · pick list", "", List.of(), new Figures(), body);
    }

    private static DomContent supplier(Orders.SupplierView supplier) {
        return div(
                h3(supplier.supplier().isEmpty() ? "Not in the stock book" : supplier.supplier()),
                Parts.rows(
                        List.of("", "What", "Code", "Needed", "Spare", "On the shelf", "Arrived", "To order"),
                        supplier.lines().stream()
                                .map(line -> List.<DomContent>of(
                                        span().withClass("box"),
                                        text(line.words()),
                                        mono(line.code()),
                                        figure(line.needed(), line.unit()),
                                        figure(line.spare(), line.unit()),
                                        figure(line.onHand(), line.unit()),
                                        figure(line.arrived(), line.unit()),
                                        toOrder(line)))
                                .toList()));
    }

    private static DomContent toOrder(Orders.OrderLine line) {
        return line.packs() == null || line.packs().packs() == 0
                ? figure(line.toOrder(), line.unit())
                : mono(line.packs().packs() + " × " + line.packs().pieces());
    }

    private static DomContent figure(BigDecimal figure, String unit) {
        return mono(figure.stripTrailingZeros().toPlainString() + (unit.isEmpty() ? "" : " " + unit));
    }
}
