package org.ysometron.app.web;

/** Cells of a CSV that a spreadsheet opens: text that it would take for a formula is marked as text. */
public final class Cells {

    private static final String STARTS = "=+-@\t\r";

    private Cells() {}

    /** The cell with an apostrophe before it where a spreadsheet would compute it. */
    public static String harmless(String cell) {
        return !cell.isEmpty() && STARTS.indexOf(cell.charAt(0)) >= 0 ? "'" + cell : cell;
    }

    /** The cell as it was before {@link #harmless}. */
    public static String plain(String cell) {
        return cell.length() > 1 && cell.charAt(0) == '\'' && STARTS.indexOf(cell.charAt(1)) >= 0
                ? cell.substring(1)
                : cell;
    }
}
