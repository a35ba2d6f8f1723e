package izzet.core.author;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Rows copied from a spreadsheet or a table of a data sheet. Cells stand between tabs, or where there is none between semicolons, commas
 * or vertical bars. A first row that names columns says which is which; without it the columns are those of the table in their order.
 *
 * @param rows texts by path of the column
 * @param ignored headings that the table has no column for
 */
public record PastedRows(List<Map<String, String>> rows, List<String> ignored) {

    /** Longest text taken, in characters. */
    public static final int MOST_CHARS = 100_000;

    private static final Map<String, List<String>> ALSO = Map.of(
            "header", List.of("pin", "no", "nr", "number", "#", "pos", "position"),
            "id", List.of("name", "label", "symbol", "signal name", "pin name"),
            "position", List.of("pin", "no", "nr", "number", "#", "pos"),
            "label", List.of("name", "symbol", "pin name"),
            "direction", List.of("i/o", "io", "dir", "type"),
            "note", List.of("description", "function", "remark", "comment"),
            "functions", List.of("function", "alternate functions"),
            "chip", List.of("gpio", "port"));

    public PastedRows {
        rows = List.copyOf(rows);
        ignored = List.copyOf(ignored);
    }

    /** @throws IllegalArgumentException when there is too much of it */
    public static PastedRows of(String text, Sheet sheet) {
        if (text.length() > MOST_CHARS) {
            throw new IllegalArgumentException("The pasted text has " + text.length() + " characters; " + MOST_CHARS
                    + " are the most. Paste the rows of one table only.");
        }
        List<String> lines = text.lines().filter(l -> !l.isBlank()).toList();
        if (lines.size() > ItemForm.MOST_ROWS + 1) {
            throw new IllegalArgumentException("The pasted text has " + lines.size() + " rows; " + ItemForm.MOST_ROWS
                    + " are the most. Paste fewer of them.");
        }
        char between = separator(lines);
        List<List<String>> cells =
                lines.stream().map(line -> split(line, between)).toList();
        List<String> ignored = new ArrayList<>();
        List<String> paths = heading(cells, sheet, ignored);
        List<Map<String, String>> rows = new ArrayList<>();
        boolean headed = paths != null;
        List<String> used =
                headed ? paths : sheet.columns().stream().map(Column::path).toList();
        for (List<String> row : headed ? cells.subList(1, cells.size()) : cells) {
            Map<String, String> one = new LinkedHashMap<>();
            for (int i = 0; i < Math.min(row.size(), used.size()); i++) {
                if (used.get(i) != null && !row.get(i).isEmpty()) {
                    one.put(used.get(i), row.get(i));
                }
            }
            if (!one.isEmpty()) {
                rows.add(one);
            }
        }
        return new PastedRows(rows, ignored);
    }

    private static char separator(List<String> lines) {
        for (char c : new char[] {'\t', ';', '|', ','}) {
            if (lines.stream().anyMatch(l -> l.indexOf(c) >= 0)) {
                return c;
            }
        }
        return '\t';
    }

    /** With quotes as spreadsheets write them: around a cell, and doubled inside. */
    private static List<String> split(String line, char between) {
        List<String> cells = new ArrayList<>();
        StringBuilder cell = new StringBuilder();
        boolean quoted = false;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (quoted && c == '"' && i + 1 < line.length() && line.charAt(i + 1) == '"') {
                cell.append('"');
                i++;
            } else if (c == '"' && (quoted || cell.toString().isBlank())) {
                quoted = !quoted;
            } else if (c == between && !quoted) {
                cells.add(cell.toString().strip());
                cell.setLength(0);
            } else {
                cell.append(c);
            }
        }
        cells.add(cell.toString().strip());
        return cells;
    }

    /** The path of each column, null for one that is ignored; null as a whole when the first row is no heading. */
    private static List<String> heading(List<List<String>> cells, Sheet sheet, List<String> ignored) {
        if (cells.isEmpty()) {
            return null;
        }
        Map<String, String> known = new HashMap<>();
        for (Column column : sheet.columns()) {
            ALSO.getOrDefault(column.path(), List.of()).forEach(name -> known.putIfAbsent(name, column.path()));
        }
        for (Column column : sheet.columns()) {
            known.put(column.path().toLowerCase(Locale.ROOT), column.path());
            known.put(column.title().toLowerCase(Locale.ROOT), column.path());
        }
        List<String> paths = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        for (String cell : cells.get(0)) {
            String path = known.get(cell.toLowerCase(Locale.ROOT).replaceAll("[.:]$", ""));
            if (path == null && !cell.isEmpty()) {
                unknown.add(cell);
            }
            paths.add(paths.contains(path) ? null : path);
        }
        long named = paths.stream().filter(p -> p != null).count();
        if (named == 0 || named < unknown.size()) {
            return null;
        }
        ignored.addAll(unknown);
        return paths;
    }
}
