package izzet.app.files;

import izzet.app.fault.TooLarge;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/** A stream that refuses to go on beyond its limit. */
public final class LimitedStream extends FilterInputStream {

    private final String message;
    private long left;

    /** @param message told when there is more: names the limit and what to do */
    public LimitedStream(InputStream in, long bytes, String message) {
        super(in);
        this.left = bytes;
        this.message = message;
    }

    @Override
    public int read() throws IOException {
        int value = super.read();
        take(value < 0 ? 0 : 1);
        return value;
    }

    @Override
    public int read(byte[] b, int off, int len) throws IOException {
        int got = super.read(b, off, len);
        take(Math.max(0, got));
        return got;
    }

    private void take(int bytes) {
        left -= bytes;
        if (left < 0) {
            throw new TooLarge(message);
        }
    }
}
