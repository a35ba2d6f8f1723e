package izzet.core.export;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;

/** Tables as RFC 4180 has them. */
public final class Csv {

    private Csv() {}

    /** A cell that a spreadsheet would take for a formula begins with an apostrophe. */
    public static String of(List<List<String>> rows) {
        StringWriter out = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            rows.forEach(row -> csv.writeRecord(row.stream().map(Csv::cell).toList()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String cell(String text) {
        String plain = text == null ? "" : text;
        return !plain.isEmpty() && "=+-@\t\r".indexOf(plain.charAt(0)) >= 0 ? "'" + plain : plain;
    }
}
