package izzet.app.files;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A file beside the data that only takes room. When the disk is full it goes, so that the database, which closes itself when it cannot
 * write, can be opened again for reading.
 *
 * @param file its place
 */
public record Reserve(Path file) {

    /** In bytes. */
    public static final long SIZE = 16L << 20;

    private static final int PIECE = 1 << 20;

    public static Reserve in(Path folder) {
        return new Reserve(folder.resolve("reserve.bin"));
    }

    /** Makes it where there is a folder for it and none yet; for a full disk it is no fault that there is none. */
    public synchronized void make() {
        try {
            if (!Files.isDirectory(file.getParent()) || Files.exists(file) && Files.size(file) == SIZE) {
                return;
            }
            byte[] piece = new byte[PIECE];
            try (OutputStream out = Files.newOutputStream(file)) {
                OwnerOnly.make(file);
                for (long written = 0; written < SIZE; written += PIECE) {
                    out.write(piece);
                }
            }
        } catch (IOException e) {
            release();
        }
    }

    /** Gives its room to whoever needs it. */
    public synchronized void release() {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // Then there is no more room than before, and the database tells so itself.
        }
    }
}
