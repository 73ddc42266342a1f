package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.each;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.p;
import static org.hiddenclerk.app.stage.papers.Parts.mono;
import static org.hiddenclerk.app.stage.papers.Parts.text;

import j2html.tags.DomContent;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.hiddenclerk.app.stage.ordering.Orders;
import org.hiddenclerk.core.ordering.JobCost;
import org.hiddenclerk.core.planned.PlannedModule;

/** What a job would cost its household: work by work what is done, then the sum. */
final class QuotePaper {
    private QuotePaper() {}

    static PdfRenderer.Paper of(HouseFacts facts, Orders.Quote quote) {
        DomContent body = div(
                Parts.cover("Quote", facts),
                h3("What is done"),
                works(quote.works()),
                h3("What it costs"),
                sums(quote.cost().cost()),
                each(notes(quote), note -> p(note).withClass("soft")));
        return new PdfRenderer.Paper(
                "Quote, " + facts.name(),
                facts.name() + " · quote",
                quote.isWhole() ? "" : "DRAFT",
                List.of(),
                new Figures(),
                body);
    }

    private static DomContent works(List<Orders.QuotedWork> works) {
        return Parts.rows(
                List.of("Boxes opened", "Modules", "For"),
                works.stream()
                        .map(work -> List.<DomContent>of(
                                text(String.join(", ", work.opens())),
                                mono(work.work().modules().stream()
                                        .map(module -> module.model().code())
                                        .collect(Collectors.joining(", "))),
                                text(work.work().modules().stream()
                                                .map(PlannedModule::names)
                                                .filter(names -> !names.isEmpty())
                                                .distinct()
                                                .collect(Collectors.joining("; "))
                                        + doubt(work))))
                        .toList());
    }

    private static String doubt(Orders.QuotedWork work) {
        return work.isPromised()
                ? ""
                : work.work().isDrawn() ? " (not proved yet)" : " (no plan is drawn: not in the sum)";
    }

    private static DomContent sums(JobCost cost) {
        String currency = cost.trade().currency().getCurrencyCode();
        List<List<DomContent>> rows = new ArrayList<>();
        cost.lines()
                .forEach(line -> rows.add(row(
                        line.thing().words() + ", " + line.thing().key(),
                        plain(line.pieces()) + " × " + line.each().toPlainString(),
                        line.amount())));
        rows.add(row("Small parts: connectors, caps, sleeves, wire, labels", "", cost.smallParts()));
        cost.labour()
                .ifPresent(labour -> rows.add(row(
                        "Work",
                        hours(cost.minutes()) + " × "
                                + cost.trade().hour().orElseThrow().toPlainString(),
                        labour)));
        rows.add(row("Sum without tax", "", cost.net()));
        rows.add(row("Tax", plain(cost.trade().taxPercent()) + "\u2009%", cost.tax()));
        rows.add(row("To pay", "", cost.total()));
        return Parts.rows(List.of("", "How many × what one costs", currency), rows);
    }

    private static List<DomContent> row(String what, String how, BigDecimal amount) {
        return List.of(text(what), mono(how), mono(amount.toPlainString()));
    }

    private static String plain(BigDecimal figure) {
        return figure.stripTrailingZeros().toPlainString();
    }

    private static String hours(int minutes) {
        return minutes / 60 + "\u2009h " + minutes % 60 + "\u2009min";
    }

    /** What the sum rests on and what it leaves out. */
    private static List<String> notes(Orders.Quote quote) {
        JobCost cost = quote.cost().cost();
        List<String> notes = new ArrayList<>();
        if (!cost.unpriced().isEmpty()) {
            notes.add("Not in the sum, for no price is known: " + String.join(", ", cost.unpriced()) + ".");
        }
        if (cost.labour().isEmpty()) {
            notes.add("Not in the sum: " + hours(cost.minutes()) + " of work, for it is not set what an hour costs.");
        }
        notes.add("Hours of " + quote.cost().works() + " works, "
                + (quote.cost().measured() == 0
                        ? "by usual times: no run sheet was finished yet."
                        : "by the median of the last " + quote.cost().measured() + " finished run sheets."));
        if (quote.works().stream().anyMatch(work -> !work.isPromised())) {
            notes.add("What is not proved yet may come out otherwise, or not be possible: it is not to be promised.");
        }
        return notes;
    }
}
