package izzet.core.capture;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a table of samples or of changes (RFC 4180) as a stream: the first column is the time, every other one a line with 0, 1, or
 * x or z where it is not known. The unit of time stands at the end of the first column's name, as in {@code time_s} or
 * {@code Time [us]}; seconds where none does. Columns are parted by comma, semicolon or tab. Not thread-safe; one per record.
 */
public final class CsvReader {

    static final String PARTERS = ",;\t";

    /** Times are kept in picoseconds; finer digits are rounded. */
    private static final TimeScale SCALE = new TimeScale(1_000);

    private static final int MAX_FIELD = 4096;

    /** How far the first line is looked at for what parts its columns. */
    private static final int LOOK = 8192;

    /** A time in picoseconds has no more. */
    private static final int MOST_DIGITS = 19;

    private static final int SHOWN = 40;
    private static final Pattern UNIT = Pattern.compile("(?i).*?[ _(\\[/]\\s*(s|ms|us|µs|ns|ps)\\s*[)\\]]?\\s*");

    private final InputStream in;

    public CsvReader(InputStream in) {
        this.in = in;
    }

    /**
     * Reads all of it.
     *
     * @throws RecordFault with the line, when the table is not what it should be
     * @throws IOException when the stream fails
     */
    public void read(ChangeSink sink) throws IOException {
        LineStart text = new LineStart(new InputStreamReader(in, StandardCharsets.UTF_8));
        try (var rows = de.siegmar.fastcsv.reader.CsvReader.builder()
                .fieldSeparator(text.parter())
                .allowExtraFields(true)
                .allowMissingFields(true)
                .maxBufferSize(MAX_FIELD * 16)
                .ofCsvRecord(text)) {
            rows(rows.iterator(), sink);
        } catch (CsvParseException e) {
            throw new RecordFault(0, "The table cannot be read: " + e.getMessage());
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private static void rows(Iterator<CsvRecord> rows, ChangeSink sink) {
        if (!rows.hasNext()) {
            throw new RecordFault(0, "The record is empty.");
        }
        CsvRecord names = rows.next();
        int unit = powerOfUnit(names.getField(0));
        Signal[] wanted = sink.header(new RecordHeader(SCALE, signals(names)));
        long now = 0;
        boolean any = false;
        while (rows.hasNext()) {
            CsvRecord row = rows.next();
            if (row.getFieldCount() == 1 && row.getField(0).isBlank()) {
                continue;
            }
            long line = row.getStartingLineNumber();
            if (row.getFieldCount() != names.getFieldCount()) {
                throw new RecordFault(
                        line,
                        row.getFieldCount() + " columns where the first line has " + names.getFieldCount()
                                + "; the table is cut off or damaged here.");
            }
            long time = time(row.getField(0), unit, line);
            if (any && time < now) {
                throw new RecordFault(line, "time goes back to '" + shown(row.getField(0)) + "'.");
            }
            if (any && time > now) {
                sink.moment(now);
            }
            now = time;
            any = true;
            for (int i = 0; i < wanted.length; i++) {
                if (wanted[i] != null) {
                    sink.change(i, level(row.getField(wanted[i].variable()), line));
                }
            }
        }
        if (!any) {
            throw new RecordFault(1, "the table has names of columns and no row.");
        }
        sink.moment(now);
        sink.end(now);
    }

    private static List<Signal> signals(CsvRecord names) {
        if (names.getFieldCount() < 2) {
            throw new RecordFault(1, "a table needs a column of times and one for each line.");
        }
        if (names.getFieldCount() > VcdReader.MAX_SIGNALS) {
            throw new RecordFault(1, "a record may have " + VcdReader.MAX_SIGNALS + " lines at most; save fewer.");
        }
        List<Signal> signals = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 1; i < names.getFieldCount(); i++) {
            String name = names.getField(i).strip();
            if (name.isEmpty() || !seen.add(name)) {
                throw new RecordFault(
                        1,
                        name.isEmpty()
                                ? "column " + (i + 1) + " has no name."
                                : "two columns have the name '" + shown(name) + "'.");
            }
            signals.add(new Signal(name, name, -1, i, 0));
        }
        return signals;
    }

    /** Zeros between the unit of a column and a picosecond. */
    private static int powerOfUnit(String name) {
        Matcher m = UNIT.matcher(name);
        if (!m.matches()) {
            return 12;
        }
        return switch (m.group(1).toLowerCase(Locale.ROOT)) {
            case "ms" -> 9;
            case "us", "µs" -> 6;
            case "ns" -> 3;
            case "ps" -> 0;
            default -> 12;
        };
    }

    private static long time(String field, int unit, long line) {
        try {
            BigDecimal read = new BigDecimal(field.strip());
            long digitsBeforePoint = (long) read.precision() - read.scale() + unit;
            if (read.signum() == 0 || digitsBeforePoint < 0) {
                // Nothing, or less than a tenth of a picosecond.
                return 0;
            }
            if (digitsBeforePoint > MOST_DIGITS) {
                throw new ArithmeticException("beyond the longest record");
            }
            return read.movePointRight(unit).setScale(0, RoundingMode.HALF_UP).longValueExact();
        } catch (ArithmeticException | NumberFormatException e) {
            throw new RecordFault(
                    line, "found '" + shown(field) + "' where a time such as 0.0015 or 1.5e-3 was expected.");
        }
    }

    private static int level(String field, long line) {
        return switch (field.strip()) {
            case "0" -> 0;
            case "1" -> 1;
            case "x", "X", "z", "Z", "" -> ChangeSink.Levels.UNKNOWN;
            default ->
                throw new RecordFault(
                        line, "found '" + shown(field) + "' where 0, 1 or x was expected; save the lines as digital.");
        };
    }

    private static String shown(String text) {
        String clean = text.replaceAll("[^ -~]", "?");
        return clean.length() > SHOWN ? clean.substring(0, SHOWN) + "…" : clean;
    }

    /** Looks at the first line to see what parts its columns, then gives everything from the beginning. */
    private static final class LineStart extends java.io.BufferedReader {

        LineStart(java.io.Reader in) {
            super(in);
        }

        char parter() throws IOException {
            mark(LOOK);
            char found = ',';
            for (int i = 0; i < LOOK; i++) {
                int c = read();
                if (c < 0 || c == '\n' && i > 0) {
                    break;
                }
                if (PARTERS.indexOf(c) >= 0) {
                    found = (char) c;
                    break;
                }
            }
            reset();
            return found;
        }
    }
}
