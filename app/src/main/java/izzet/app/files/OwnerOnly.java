package izzet.app.files;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;

/** Files and folders of data are their owner's. */
public final class OwnerOnly {

    private OwnerOnly() {}

    /** Where the system knows owners. */
    public static void make(Path file) throws IOException {
        if (Files.getFileAttributeView(file, PosixFileAttributeView.class) != null) {
            Files.setPosixFilePermissions(
                    file, PosixFilePermissions.fromString(Files.isDirectory(file) ? "rwx------" : "rw-------"));
        }
    }
}
