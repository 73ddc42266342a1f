package org.hiddenclerk.core.matching.house;

import java.math.BigDecimal;
import java.util.List;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What the outcome of a group of rules depends on beside the module: alike keys share one table of outcomes. */
sealed interface TableKey {
    /** What contacts know of a load. */
    record Carried(List<LoadBank> banks, boolean continuous) {
        static List<Carried> of(List<SurveyedLoad> loads) {
            return loads.stream()
                    .map(load -> new Carried(load.banks(), load.continuous()))
                    .toList();
        }
    }

    /** All contacts of a module together. @param each whether each position has a module of its own */
    record Contacts(boolean each, BigDecimal volts, List<List<Carried>> positions) implements TableKey {}

    /** One contact, by its place in the module. */
    record Channel(int at, BigDecimal volts, List<Carried> loads) implements TableKey {}

    /** Suitability and wishes. */
    record Suits(SchemeCode scheme, boolean keepsPlates, boolean switchesWork) implements TableKey {}

    record Conductors(BigDecimal mm2) implements TableKey {}

    /** One box. @param kind its number among boxes that are alike in it; @param fitted the module itself, or the code of its companion */
    record Room(int kind, List<String> fitted, List<Integer> connectors) implements TableKey {}

    /** Every box of a run that gets a module. */
    record Rooms(boolean lampUnknown, List<Room> boxes) implements TableKey {}
}
