package org.hiddenclerk.app.compute;

import java.util.Iterator;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Verdict;

/** The answer of a wiring check as JSON. */
public record WiringAnswer(Verdict verdict, List<FindingView> findings, Iterable<Row> truthTable) {

    /** One switching state of one region. */
    public record Row(
            Map<String, Integer> switches,
            Map<String, Integer> channels,
            Map<String, TruthTable.LoadReading> loads,
            Map<String, TruthTable.ModuleReading> modules,
            List<List<String>> shorts) {
        static Row of(TruthTable.Row row) {
            return new Row(row.state().switches(), row.state().channels(), row.loads(), row.modules(), row.shorts());
        }
    }

    static WiringAnswer of(WiringCheck.Result result) {
        return new WiringAnswer(
                result.verdict(),
                result.findings().stream().map(FindingView::of).toList(),
                () -> rows(result.truthTable().iterator()));
    }

    /** Rows are made while they are written, so that a large table never stands in memory twice. */
    private static Iterator<Row> rows(Iterator<TruthTable.Row> source) {
        return new Iterator<>() {
            @Override
            public boolean hasNext() {
                return source.hasNext();
            }

            @Override
            public Row next() {
                return Row.of(source.next());
            }
        };
    }
}
