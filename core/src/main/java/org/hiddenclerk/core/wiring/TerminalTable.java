package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;

/** What sits on each terminal and in each connector of a box. */
public final class TerminalTable {
    private TerminalTable() {
    }

    /**
     * One line of the table.
     *
     * @param device   module, gang or connector
     * @param terminal terminal on it; empty for a connector
     * @param holds    what is attached; empty means leave it free
     */
    public record Line(String device, String terminal, List<BoxWiring.Attached> holds) {
        public Line {
            holds = List.copyOf(holds);
        }
    }

    /** Modules first, in the order of their terminals; then gangs, then connectors. */
    public static List<Line> of(BoxWiring wiring) {
        List<Line> lines = new ArrayList<>();
        for (int m = 1; m <= wiring.modules().size(); m++) {
            for (Terminal terminal : wiring.modules().get(m - 1).model().terminals()) {
                lines.add(new Line(wiring.modules().get(m - 1).model().code() + (wiring.modules().size() > 1
                        ? " (module " + m + ")" : ""), terminal.name(),
                        wiring.attachedAt(new End.AtModule(m, terminal.name()))));
            }
        }
        for (Gang gang : wiring.box().gangs()) {
            for (String terminal : gang.mechanism().terminals()) {
                lines.add(new Line(gang.name(), terminal,
                        wiring.attachedAt(new End.AtMechanism(gang.number(), terminal))));
            }
        }
        for (End place : wiring.places()) {
            if (place instanceof End.InConnector connector) {
                lines.add(new Line("connector " + connector.name(), "", wiring.attachedAt(place)));
            }
        }
        return lines;
    }
}
