package org.hiddenclerk.app.platform.csv;

/** Cells of tables that spreadsheets open. */
final class Cells {
    private static final String STARTS = "=+@\t\r";

    private Cells() {}

    /** Whether a spreadsheet would take it for a formula; negative figures are none. */
    static boolean isFormula(String cell) {
        return !cell.isEmpty()
                && (STARTS.indexOf(cell.charAt(0)) >= 0
                        || cell.charAt(0) == '-' && !cell.matches("-[0-9]+([.,][0-9]+)?"));
    }

    /** As it is written into a table: what would be taken for a formula is led by an apostrophe. */
    static String written(Object value) {
        String cell = String.valueOf(value);
        return isFormula(cell) ? "'" + cell : cell;
    }
}
