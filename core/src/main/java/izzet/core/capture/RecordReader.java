package izzet.core.capture;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipException;

/** Reads a record of either kind: a value change dump begins with a command ({@code $}), a table with the names of its columns. */
public final class RecordReader {

    /** How far the first line is looked at. */
    private static final int LOOK = 8192;

    private static final long MOST_UNPACKED = 4L << 30;

    private RecordReader() {}

    /**
     * Reads all of it.
     *
     * @throws RecordFault with the line, when the record is not what it should be
     * @throws IOException when the stream fails
     */
    public static void read(InputStream in, ChangeSink sink) throws IOException {
        read(in, TableOptions.NONE, sink);
    }

    /**
     * Reads all of it; a packed one (gzip) is unpacked on the way.
     *
     * @param options of a table
     * @throws RecordFault with the line, when the record is not what it should be
     * @throws IOException when the stream fails
     */
    public static void read(InputStream in, TableOptions options, ChangeSink sink) throws IOException {
        BufferedInputStream begin = new BufferedInputStream(in, LOOK);
        if (packed(begin)) {
            try {
                begin = new BufferedInputStream(new Unpacked(new GZIPInputStream(begin, LOOK)), LOOK);
            } catch (ZipException | EOFException e) {
                throw new RecordFault(0, "The packed record cannot be unpacked: it is cut off or damaged.");
            }
        }
        try {
            read(begin, options, sink, looksLikeTable(begin));
        } catch (ZipException | EOFException e) {
            throw new RecordFault(0, "The packed record cannot be unpacked to its end: it is cut off or damaged.");
        }
    }

    /**
     * How the beginning of a table is read; null where it is none.
     *
     * @param in the first rows of it
     * @throws RecordFault when nothing can be read of it
     * @throws IOException when the stream fails
     */
    public static TablePreview preview(InputStream in, TableOptions options) throws IOException {
        BufferedInputStream begin = new BufferedInputStream(in, LOOK);
        return looksLikeTable(begin) ? new CsvReader(begin, options).preview() : null;
    }

    private static boolean packed(BufferedInputStream in) throws IOException {
        in.mark(2);
        boolean magic = in.read() == 0x1F && in.read() == 0x8B;
        in.reset();
        return magic;
    }

    /** Ends where a small file would become an endless record. */
    private static final class Unpacked extends FilterInputStream {
        private long left = MOST_UNPACKED;

        Unpacked(InputStream in) {
            super(in);
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            int got = super.read(bytes, from, length);
            left -= Math.max(0, got);
            if (left < 0) {
                throw new RecordFault(
                        0,
                        "Unpacked, the record has more than " + (MOST_UNPACKED >> 30)
                                + " GB. Record a shorter stretch.");
            }
            return got;
        }
    }

    private static void read(BufferedInputStream begin, TableOptions options, ChangeSink sink, boolean table)
            throws IOException {
        if (table) {
            new CsvReader(begin, options).read(sink);
        } else {
            new VcdReader(begin).read(sink);
        }
    }

    /** By the first line that is no comment (#): a table has something that parts columns in it. */
    private static boolean looksLikeTable(BufferedInputStream in) throws IOException {
        in.mark(LOOK);
        boolean begun = false;
        boolean comment = false;
        boolean parted = false;
        boolean table = true;
        for (int i = 0; i < LOOK - 1; i++) {
            int c = in.read();
            if (c < 0 || begun && !comment && c == '\n') {
                break;
            }
            if (!begun && c > ' ') {
                begun = true;
                comment = c == '#';
                table = c != '$';
            } else if (comment && c == '\n') {
                begun = false;
                comment = false;
                parted = false;
            }
            parted |= begun && CsvReader.PARTERS.indexOf(c) >= 0;
            table &= c >= ' ' || c == '\t' || c == '\r' || c == '\n';
        }
        in.reset();
        return table && parted;
    }
}
