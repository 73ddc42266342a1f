package org.hiddenclerk.core.matching;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Iterator;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.RandomAccess;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.HouseMatch.Cell;
import org.hiddenclerk.core.matching.HouseMemory.Part;
import org.hiddenclerk.core.matching.TwinClass.Case;
import org.hiddenclerk.core.matching.TwinClass.Member;

/**
 * Verdicts of a house as a list of cells. There are hundreds of thousands, so they lie in flat arrays, one row for each drawn scheme
 * at a position; a cell is made when it is looked at.
 */
final class VerdictTable extends AbstractList<Cell> implements RandomAccess {
    private static final Verdict[] VERDICTS = Verdict.values();
    private static final Part METAL = Part.of(EnumSet.of(FindingCode.METAL_BOX_RADIO));

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
    record Position(Member member, Units.Group group, Case drawn, List<Wish> wishes) {
    }

    /** Modules that are wired alike, judged in one drawn scheme at a position. */
    static final class Row {
        /** Groups of rules that are asked of each module. */
        private static final int PARTS = 6;

        private final Position position;
        private final Shapes.Alike same;
        private final Part wiring;
        private final boolean inMetal;
        private final Part[] parts;
        private final byte[] verdicts;
        private int size;

        Row(Position position, Shapes.Alike same, Part wiring, boolean inMetal) {
            this.position = position;
            this.same = same;
            this.wiring = wiring;
            this.inMetal = inMetal;
            parts = new Part[PARTS * same.indices().length];
            verdicts = new byte[same.indices().length];
        }

        /** Adds what was found of the next module. */
        void add(Part carried, Part suits, Part thick, Part room, Part warmth, Part dims) {
            int at = PARTS * size;
            parts[at] = carried;
            parts[at + 1] = suits;
            parts[at + 2] = thick;
            parts[at + 3] = room;
            parts[at + 4] = warmth;
            parts[at + 5] = dims;
            Verdict worst = worse(wiring, metal(size));
            for (int i = at; i < at + PARTS && worst != Verdict.STOP; i++) {
                worst = parts[i].verdict().compareTo(worst) < 0 ? parts[i].verdict() : worst;
            }
            verdicts[size++] = (byte) worst.ordinal();
        }

        private static Verdict worse(Part one, Part other) {
            return one.verdict().compareTo(other.verdict()) < 0 ? one.verdict() : other.verdict();
        }

        private Part metal(int module) {
            return Suitability.isShielded(model(module), inMetal) ? METAL : Part.NOTHING;
        }

        int size() {
            return size;
        }

        Position position() {
            return position;
        }

        ModuleModel model(int module) {
            return same.models().get(module);
        }

        Verdict verdict(int module) {
            return VERDICTS[verdicts[module]];
        }

        /** Everything found of a module, notes too. */
        Set<FindingCode> codes(int module) {
            EnumSet<FindingCode> codes = EnumSet.copyOf(wiring.codes());
            codes.addAll(metal(module).codes());
            for (int i = PARTS * module; i < PARTS * (module + 1); i++) {
                codes.addAll(parts[i].codes());
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
