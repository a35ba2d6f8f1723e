package izzet.core.capture;

import de.siegmar.fastcsv.writer.CsvWriter.CsvWriterBuilder;
import java.io.IOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Writes a record as a table (RFC 4180): a column of times in nanoseconds, one for each line, and a row for each moment at which one
 * changes. What {@link CsvReader} reads from it has the same lines and changes, at times in whole picoseconds.
 */
public final class CsvWriter {

    private static final String[] LEVELS = {"0", "1", "x"};

    private CsvWriter() {}

    /**
     * @param first time of the table, with the levels of then
     * @param last time of the table
     */
    public static void write(Writer out, TimeScale scale, List<VcdWriter.Line> lines, long first, long last)
            throws IOException {
        CsvWriterBuilder builder = de.siegmar.fastcsv.writer.CsvWriter.builder();
        try (var table = builder.build(out)) {
            List<String> head = new ArrayList<>(List.of("time_ns"));
            lines.forEach(l -> head.add(l.name()));
            table.writeRecord(head);
            String[] row = new String[lines.size() + 1];
            Arrays.fill(row, LEVELS[ChangeSink.Levels.UNKNOWN]);
            long told = first - 1;
            for (long now = first; now != Long.MAX_VALUE; now = next(lines)) {
                row[0] = scale.nanoseconds(now);
                for (int i = 0; i < lines.size(); i++) {
                    EdgeCursor changes = lines.get(i).changes();
                    if (changes.more() && changes.tick() == now) {
                        row[i + 1] = LEVELS[changes.take()];
                    }
                }
                table.writeRecord(row);
                told = now;
            }
            if (told < last) {
                row[0] = scale.nanoseconds(last);
                table.writeRecord(row);
            }
        }
    }

    private static long next(List<VcdWriter.Line> lines) {
        long next = Long.MAX_VALUE;
        for (VcdWriter.Line line : lines) {
            next = Math.min(next, line.changes().tick());
        }
        return next;
    }
}
