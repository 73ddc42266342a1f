package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.run.BoxWiring;

/** What sits on each terminal and in each connector of a box. */
public final class TerminalTable {
    private TerminalTable() {}

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
        wiring.modules().forEach((number, model) -> {
            for (Terminal terminal : model.terminals()) {
                lines.add(line(wiring, new End.AtModule(number, terminal.name()), terminal.name()));
            }
        });
        for (Gang gang : wiring.box().gangs()) {
            if (gang.mechanism() != Mechanism.FIXED_ON) {
                gang.mechanism()
                        .terminals()
                        .forEach(terminal ->
                                lines.add(line(wiring, new End.AtMechanism(gang.number(), terminal), terminal)));
            }
        }
        for (SurveyedLoad load : wiring.box().loads()) {
            if (load.hangsHere()) {
                for (String terminal : List.of("L", "N", "PE")) {
                    Line line = line(wiring, new End.AtLoad(load.number(), terminal), terminal);
                    if (!line.holds().isEmpty()) {
                        lines.add(line);
                    }
                }
            }
        }
        for (End place : wiring.places()) {
            if (place instanceof End.InConnector connector) {
                lines.add(new Line("connector " + connector.name(), "", wiring.attachedAt(place)));
            }
        }
        return lines;
    }

    private static Line line(BoxWiring wiring, End end, String terminal) {
        return new Line(wiring.device(end).orElseThrow(), terminal, wiring.attachedAt(end));
    }
}
