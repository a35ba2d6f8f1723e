package izzet.core.capture;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;

/** Reads a record of either kind: a value change dump begins with a command ({@code $}), a table with the names of its columns. */
public final class RecordReader {

    /** How far the first line is looked at. */
    private static final int LOOK = 8192;

    private RecordReader() {}

    /**
     * Reads all of it.
     *
     * @throws RecordFault with the line, when the record is not what it should be
     * @throws IOException when the stream fails
     */
    public static void read(InputStream in, ChangeSink sink) throws IOException {
        BufferedInputStream begin = new BufferedInputStream(in, LOOK);
        if (looksLikeTable(begin)) {
            new CsvReader(begin).read(sink);
        } else {
            new VcdReader(begin).read(sink);
        }
    }

    private static boolean looksLikeTable(BufferedInputStream in) throws IOException {
        in.mark(LOOK);
        boolean begun = false;
        boolean parted = false;
        boolean table = true;
        for (int i = 0; i < LOOK - 1; i++) {
            int c = in.read();
            if (c < 0 || begun && c == '\n') {
                break;
            }
            if (!begun && c > ' ') {
                begun = true;
                table = c != '$';
            }
            parted |= begun && CsvReader.PARTERS.indexOf(c) >= 0;
            table &= c >= ' ' || c == '\t' || c == '\r' || c == '\n';
        }
        in.reset();
        return table && parted;
    }
}
