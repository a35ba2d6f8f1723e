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
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Reads a table of samples or of changes (RFC 4180) as a stream. Columns are parted by comma, semicolon or tab; numbers may have a decimal
 * comma where that parts no columns. Lines that begin with # and a few of another width may stand before it. With a column of times their
 * unit stands at the end of its name, as in {@code time_s} or {@code Time [us]}, seconds where none does; a column that counts samples, or
 * none at all, needs the rate. Other columns are lines with 0, 1, x or z, volts, or numbers whose bits are lines: told from the first rows.
 * Not thread-safe; one per record.
 */
public final class CsvReader {

    static final String PARTERS = ",;\t";

    /** Times are kept in picoseconds; finer digits are rounded. */
    private static final TimeScale SCALE = new TimeScale(1_000);

    private static final double PICOSECONDS = 1e12;
    private static final int MAX_FIELD = 4096;

    /** How far the first line is looked at for what parts its columns. */
    private static final int LOOK = 8192;

    /** Rows looked at before the first is used. */
    private static final int FIRST_ROWS = 2000;

    /** A time in picoseconds has no more. */
    private static final int MOST_DIGITS = 19;

    private static final int SHOWN = 40;
    private static final Pattern UNIT = Pattern.compile("(?i).*?[ _(\\[/]\\s*(s|ms|us|µs|ns|ps)\\s*[)\\]]?\\s*");
    private static final Pattern TIME = Pattern.compile("(?i)\\s*(time|t|timestamp|seconds|sec)\\b.*");
    private static final Pattern COUNTER =
            Pattern.compile("(?i)\\s*(sample|samples|index|count|counter|no\\.?|#|n)\\b?.*");

    private static final List<String> UNITS = List.of("ps", "ns", "us", "ms", "s");

    private final InputStream in;
    private final TableOptions options;

    public CsvReader(InputStream in) {
        this(in, TableOptions.NONE);
    }

    public CsvReader(InputStream in, TableOptions options) {
        this.in = in;
        this.options = options;
    }

    /** A row and where it stands. */
    private record Row(long line, List<String> fields) {

        static Row of(CsvRecord record) {
            return new Row(record.getStartingLineNumber(), List.copyOf(record.getFields()));
        }

        boolean blank() {
            return fields.size() == 1 && fields.get(0).isBlank();
        }

        boolean comment() {
            return fields.get(0).stripLeading().startsWith("#");
        }
    }

    /**
     * Reads all of it.
     *
     * @throws RecordFault with the line, when the table is not what it should be
     * @throws IOException when the stream fails
     */
    public void read(ChangeSink sink) throws IOException {
        with(rows -> rows(rows, sink));
    }

    /**
     * How the first rows are read; what they leave open is asked, not refused.
     *
     * @throws RecordFault when there is no table at all
     * @throws IOException when the stream fails
     */
    public TablePreview preview() throws IOException {
        TablePreview[] seen = new TablePreview[1];
        with(rows -> seen[0] = preview(begin(rows)));
        return seen[0];
    }

    private void with(Consumer<Iterator<CsvRecord>> use) throws IOException {
        LineStart text = new LineStart(new InputStreamReader(in, StandardCharsets.UTF_8));
        try (var rows = de.siegmar.fastcsv.reader.CsvReader.builder()
                .fieldSeparator(text.parter())
                .allowExtraFields(true)
                .allowMissingFields(true)
                .maxBufferSize(MAX_FIELD * 16)
                .ofCsvRecord(text)) {
            use.accept(rows.iterator());
        } catch (CsvParseException e) {
            throw new RecordFault(0, "The table cannot be read: " + e.getMessage());
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    /**
     * A table as its first rows show it.
     *
     * @param head names of the columns, or the first row where they have none
     * @param rows the first ones without names
     */
    private record Begin(Row head, boolean named, List<String> names, List<Row> rows, int width) {

        List<String> fields(int column) {
            return even().stream().map(r -> r.fields().get(column)).toList();
        }

        List<Row> even() {
            return rows.stream().filter(r -> r.fields().size() == width).toList();
        }
    }

    private static Begin begin(Iterator<CsvRecord> all) {
        List<Row> first = new ArrayList<>();
        while (all.hasNext() && first.size() < FIRST_ROWS) {
            Row row = Row.of(all.next());
            if (!row.blank() && !row.comment()) {
                first.add(row);
            }
        }
        if (first.isEmpty()) {
            throw new RecordFault(0, "The record is empty.");
        }
        int width = width(first);
        // What stands before the first row of this width tells of the instrument, not of the lines.
        while (first.get(0).fields().size() != width) {
            first.remove(0);
        }
        Row head = first.get(0);
        boolean named =
                head.fields().stream().anyMatch(f -> TableColumn.levelOf(f) < 0 && TableColumn.number(f) == null);
        if (named) {
            first.remove(0);
        }
        return new Begin(head, named, named ? checked(head) : unnamed(width), first, width);
    }

    private TableColumn column(Begin table, int index) {
        List<Long> lines = table.even().stream().map(Row::line).toList();
        return TableColumn.of(table.names().get(index), index, table.fields(index), lines, options);
    }

    private TablePreview preview(Begin table) {
        String asks = null;
        Times times = null;
        try {
            times = times(table);
        } catch (RecordFault e) {
            asks = e.getMessage();
        }
        List<TablePreview.Column> columns = new ArrayList<>();
        for (int i = 0; i < table.width(); i++) {
            String read = "";
            boolean volts = false;
            boolean isTimes = times != null && times.column() == i;
            try {
                TableColumn column = isTimes ? null : column(table, i);
                volts = column != null && column.volts();
                read = column == null ? times.inWords() : column.inWords();
            } catch (RecordFault e) {
                volts = true;
                read = "volts that do not swing here: say the threshold";
                asks = asks == null ? e.getMessage() : asks;
            }
            columns.add(new TablePreview.Column(table.names().get(i), read, isTimes, volts));
        }
        List<List<String>> rows =
                table.even().stream().limit(TablePreview.ROWS).map(Row::fields).toList();
        return new TablePreview(columns, rows, asks);
    }

    private void rows(Iterator<CsvRecord> all, ChangeSink sink) {
        Begin table = begin(all);
        if (table.width() < 2 && options.rateHz() == null) {
            throw new RecordFault(table.head().line(), "a table needs a column of times and one for each line.");
        }
        if (table.rows().isEmpty()) {
            throw new RecordFault(table.head().line(), "the table has names of columns and no row.");
        }
        Times times = times(table);
        List<Signal> signals = new ArrayList<>();
        TableColumn[] byIndex = new TableColumn[table.width()];
        for (int i = 0; i < table.width(); i++) {
            if (i != times.column()) {
                byIndex[i] = column(table, i);
                byIndex[i].signals(signals);
            }
        }
        if (signals.size() > VcdReader.MAX_SIGNALS) {
            throw new RecordFault(
                    table.head().line(), "a record may have " + VcdReader.MAX_SIGNALS + " lines at most; save fewer.");
        }
        Feed feed = new Feed(sink, sink.header(new RecordHeader(SCALE, signals)), byIndex, times, table.width());
        table.rows().forEach(feed::row);
        while (all.hasNext()) {
            Row row = Row.of(all.next());
            if (!row.blank() && !row.comment()) {
                feed.row(row);
            }
        }
        feed.end();
    }

    /** The width that most of the first rows have; the earlier one of two that are as many. */
    private static int width(List<Row> first) {
        Map<Integer, Integer> counts = new LinkedHashMap<>();
        first.forEach(r -> counts.merge(r.fields().size(), 1, Integer::sum));
        int best = first.get(0).fields().size();
        for (Map.Entry<Integer, Integer> count : counts.entrySet()) {
            best = count.getValue() > counts.get(best) ? count.getKey() : best;
        }
        return best;
    }

    private static List<String> checked(Row head) {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < head.fields().size(); i++) {
            String name = head.fields().get(i).strip();
            if (i > 0 && (name.isEmpty() || names.contains(name))) {
                throw new RecordFault(
                        head.line(),
                        name.isEmpty()
                                ? "column " + (i + 1) + " has no name."
                                : "two columns have the name '" + shown(name) + "'.");
            }
            names.add(name);
        }
        return names;
    }

    private static List<String> unnamed(int width) {
        return IntStream.range(0, width).mapToObj(i -> "column " + (i + 1)).toList();
    }

    /**
     * Where times come from.
     *
     * @param column of times or of a counter; -1 where there is none
     * @param power zeros between the unit of the column and a picosecond
     * @param counted picoseconds between two samples; 0 where the column has times
     */
    private record Times(int column, int power, double counted) {

        String inWords() {
            return counted > 0 ? "numbers of samples" : "times in " + UNITS.get(power / 3);
        }
    }

    /** The column that was named as the one of times. */
    private Times told(Begin table) {
        List<String> names = table.names();
        if (options.times().equals(TableOptions.NONE_OF_THEM)) {
            return counted(-1, table.head().line());
        }
        int column = names.indexOf(options.times());
        if (column < 0 && options.times().matches("\\d{1,4}")) {
            column = Integer.parseInt(options.times()) - 1;
        }
        if (column < 0 || column >= names.size()) {
            throw new RecordFault(
                    table.head().line(),
                    "the table has no column '" + shown(options.times()) + "' for its times; it has "
                            + RecordHeader.listed(names) + ".");
        }
        return new Times(column, powerOfUnit(names.get(column)), 0);
    }

    private Times times(Begin table) {
        if (options.times() != null) {
            return told(table);
        }
        List<String> names = table.names();
        boolean named = table.named();
        List<Row> first = table.rows();
        int width = table.width();
        if (first.isEmpty()) {
            throw new RecordFault(table.head().line(), "the table has names of columns and no row.");
        }
        int column = -1;
        for (int i = 0; i < width && named; i++) {
            if (column < 0
                    && (TIME.matcher(names.get(i)).matches()
                            || UNIT.matcher(names.get(i)).matches())) {
                column = i;
            }
        }
        if (column >= 0) {
            return new Times(column, powerOfUnit(names.get(column)), 0);
        }
        boolean counter = named && COUNTER.matcher(names.get(0)).matches();
        boolean rises = true;
        boolean steps = true;
        Double before = null;
        for (Row row : first) {
            Double value = TableColumn.number(row.fields().get(0));
            rises &= value != null && (before == null || value >= before);
            steps &= value != null && value == Math.rint(value) && (before == null || value - before == 1);
            before = value;
        }
        boolean times = rises && before != null && (before > 1 || first.size() < 2) && width > 1;
        if (counter || times && steps && !named) {
            return counted(0, first.get(0).line());
        }
        return times || named && options.rateHz() == null && width > 1 && !levels(first)
                ? new Times(0, powerOfUnit(names.get(0)), 0)
                : counted(-1, first.get(0).line());
    }

    private static boolean levels(List<Row> first) {
        return first.stream().allMatch(r -> TableColumn.levelOf(r.fields().get(0)) >= 0);
    }

    private Times counted(int column, long line) {
        if (options.rateHz() == null) {
            throw new RecordFault(
                    line,
                    (column < 0
                                    ? "the table has no column of times"
                                    : "the first column counts samples and tells no times")
                            + "; say how many samples a second it has (rateHz).");
        }
        return new Times(column, 0, PICOSECONDS / options.rateHz());
    }

    /** Hands rows on. */
    private static final class Feed {
        private final ChangeSink sink;
        private final Signal[] wanted;
        private final TableColumn[] columns;
        private final Times times;
        private final int width;
        private long count;
        private Double firstCount;
        private long now;
        private boolean any;

        Feed(ChangeSink sink, Signal[] wanted, TableColumn[] columns, Times times, int width) {
            this.sink = sink;
            this.wanted = wanted;
            this.columns = columns;
            this.times = times;
            this.width = width;
        }

        void row(Row row) {
            if (row.fields().size() != width) {
                throw new RecordFault(
                        row.line(),
                        row.fields().size() + " columns where the first line has " + width
                                + "; the table is cut off or damaged here.");
            }
            long time = timeOf(row);
            if (any && time < now) {
                throw new RecordFault(
                        row.line(),
                        "time goes back to '" + shown(row.fields().get(Math.max(0, times.column()))) + "'.");
            }
            if (any && time > now) {
                sink.moment(now);
            }
            now = time;
            any = true;
            count++;
            for (int i = 0; i < wanted.length; i++) {
                if (wanted[i] != null) {
                    int column = wanted[i].variable();
                    sink.change(i, columns[column].level(wanted[i], row.fields().get(column), row.line()));
                }
            }
        }

        private long timeOf(Row row) {
            if (times.counted() == 0) {
                return time(row.fields().get(times.column()), times.power(), row.line());
            }
            if (times.column() < 0) {
                return Math.round(count * times.counted());
            }
            Double value = TableColumn.number(row.fields().get(times.column()));
            if (value == null) {
                throw new RecordFault(
                        row.line(),
                        "found '" + shown(row.fields().get(times.column()))
                                + "' where the number of a sample was expected.");
            }
            firstCount = firstCount == null ? value : firstCount;
            return Math.round((value - Math.min(0, firstCount)) * times.counted());
        }

        void end() {
            sink.moment(now);
            sink.end(now);
        }
    }

    /** Zeros between the unit of a column and a picosecond. */
    private int powerOfUnit(String name) {
        Matcher m = UNIT.matcher(name);
        String unit = options.unit() != null ? options.unit() : m.matches() ? m.group(1) : "s";
        return 3 * UNITS.indexOf(unit.toLowerCase(Locale.ROOT).replace('µ', 'u'));
    }

    private static long time(String field, int unit, long line) {
        try {
            BigDecimal read = new BigDecimal(field.strip().replace(',', '.'));
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

    static String shown(String text) {
        String clean = text.replaceAll("[^ -~]", "?");
        return clean.length() > SHOWN ? clean.substring(0, SHOWN) + "…" : clean;
    }

    /** Looks at the first line to see what parts its columns, then gives everything from the beginning. */
    private static final class LineStart extends java.io.BufferedReader {

        private static final int BYTE_ORDER_MARK = 0xFEFF;

        LineStart(java.io.Reader in) {
            super(in);
        }

        char parter() throws IOException {
            mark(1);
            if (read() != BYTE_ORDER_MARK) {
                reset();
            }
            mark(LOOK);
            int[] counts = new int[PARTERS.length()];
            for (int i = 0; i < LOOK - 1; i++) {
                int c = read();
                if (c < 0) {
                    break;
                }
                int which = PARTERS.indexOf(c);
                if (which >= 0) {
                    counts[which]++;
                }
            }
            reset();
            // A comma may be a decimal one; semicolon and tab stand in no number.
            return counts[1] > 0 ? ';' : counts[2] > 0 ? '\t' : ',';
        }
    }
}
