package org.hiddenclerk.core.matching.house;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.RandomAccess;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.house.EquivalenceClass.Case;
import org.hiddenclerk.core.matching.house.EquivalenceClass.Member;
import org.hiddenclerk.core.matching.house.HouseMatch.Cell;
import org.hiddenclerk.core.matching.house.HouseMemory.RuleOutcome;
import org.hiddenclerk.core.matching.module.RuleGroup;
import org.hiddenclerk.core.matching.module.Suitability;
import org.hiddenclerk.core.matching.module.Wish;

/**
 * Verdicts of a house as a list of cells. There are hundreds of thousands, so they lie in flat arrays, one row for each drawn scheme
 * at a position; a cell is made when it is looked at.
 */
final class VerdictTable extends AbstractList<Cell> implements RandomAccess {
    private static final Verdict[] VERDICTS = Verdict.values();
    private static final RuleGroup[] GROUPS = RuleGroup.values();
    private static final RuleOutcome METAL = RuleOutcome.of(EnumSet.of(FindingCode.METAL_BOX_RADIO));

    private final Row[] rows;
    /** Number of the first cell of each row, and of all at the end. */
    private final int[] starts;

    VerdictTable(List<Row> all) {
        rows = all.toArray(Row[]::new);
        starts = new int[rows.length + 1];
        for (int i = 0; i < rows.length; i++) {
            starts[i + 1] = starts[i] + rows[i].size();
        }
    }

    /** A drawn scheme at a position. */
    record Position(Member member, Units.Group group, Case drawn, List<Wish> wishes) {}

    /**
     * What groups of rules make of modules, shared by all positions that are alike in it.
     *
     * @param contacts   by the class of a module's contacts; empty in schemes where the proof alone knows what a channel carries
     * @param suitable   suitability and wishes, by the place of a module in the stock book
     * @param conductors by the place of a module in the stock book
     * @param rooms      by the class of a module's body
     */
    record Shared(RuleOutcome[] contacts, RuleOutcome[] suitable, RuleOutcome[] conductors, RuleOutcome[] rooms) {}

    /** Modules that are wired alike, judged in one drawn scheme at a position. */
    static final class Row {
        private final Position position;
        private final Shapes shapes;
        private final Shapes.Alike same;
        private final RuleOutcome wiring;
        private final boolean inMetal;
        private final Shared shared;
        /** What is found of single modules beside that: seldom anything. */
        private final Map<Integer, RuleOutcome> own = new HashMap<>();

        private final byte[] verdicts;

        Row(Position position, Shapes shapes, Shapes.Alike same, RuleOutcome wiring, boolean inMetal, Shared shared) {
            this.position = position;
            this.shapes = shapes;
            this.same = same;
            this.wiring = wiring;
            this.inMetal = inMetal;
            this.shared = shared;
            verdicts = new byte[same.indices().length];
        }

        /**
         * Judges a module by what is found of it; what is shared must have been found before.
         *
         * @param at its place in the row
         */
        void judge(int at, RuleOutcome warmth, RuleOutcome dims) {
            if (warmth != RuleOutcome.NOTHING || dims != RuleOutcome.NOTHING) {
                EnumSet<FindingCode> codes = EnumSet.copyOf(warmth.codes());
                codes.addAll(dims.codes());
                own.put(at, RuleOutcome.of(codes));
            }
            int worst = RuleOutcome.NOTHING.rank();
            for (RuleGroup group : GROUPS) {
                worst = Math.min(worst, part(group, at).rank());
            }
            verdicts[at] = (byte) worst;
        }

        /** What a group of rules makes of a module. */
        private RuleOutcome part(RuleGroup group, int at) {
            int index = same.indices()[at];
            return switch (group) {
                case WIRING -> wiring;
                case CONTACTS -> isByRules() ? shared.contacts[shapes.contactsOf(index)] : RuleOutcome.NOTHING;
                // What is in a box already is no choice of the stock book's, and picked by hand.
                case IN_PLACE -> RuleOutcome.NOTHING;
                case PLACES -> shared.rooms[shapes.bodyOf(index)];
                case SUITABILITY, WISHES -> shared.suitable[index];
                case CONDUCTORS -> shared.conductors[index];
                case METAL_BOX -> Suitability.isShielded(model(at), inMetal) ? METAL : RuleOutcome.NOTHING;
                // With the warmth of its places: like that it depends on the module and what it switches.
                case DIMMING -> own.getOrDefault(at, RuleOutcome.NOTHING);
            };
        }

        private boolean isByRules() {
            return shared.contacts.length > 0;
        }

        int size() {
            return verdicts.length;
        }

        Position position() {
            return position;
        }

        ModuleModel model(int at) {
            return same.models().get(at);
        }

        Verdict verdict(int at) {
            return VERDICTS[verdicts[at]];
        }

        /** Everything found of a module, notes too. */
        Set<FindingCode> codes(int at) {
            EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
            for (RuleGroup group : GROUPS) {
                codes.addAll(part(group, at).codes());
            }
            return codes;
        }
    }

    @Override
    public int size() {
        return starts[rows.length];
    }

    @Override
    public Cell get(int index) {
        if (index < 0 || index >= size()) {
            throw new IndexOutOfBoundsException(index);
        }
        int found = Arrays.binarySearch(starts, index);
        // Rows without a module begin where the next one does: the last of them that begins here holds the cell.
        int row = found < 0 ? -found - 2 : found;
        while (starts[row + 1] <= index) {
            row++;
        }
        return new Cell(rows[row], index - starts[row]);
    }

    @Override
    public Iterator<Cell> iterator() {
        return new Iterator<>() {
            private int row;
            private int module;

            @Override
            public boolean hasNext() {
                while (row < rows.length && module == rows[row].size()) {
                    row++;
                    module = 0;
                }
                return row < rows.length;
            }

            @Override
            public Cell next() {
                if (!hasNext()) {
                    throw new NoSuchElementException();
                }
                return new Cell(rows[row], module++);
            }
        };
    }
}
