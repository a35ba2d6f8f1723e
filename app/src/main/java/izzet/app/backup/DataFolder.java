package izzet.app.backup;

import izzet.app.files.OwnerOnly;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Names of the files in a folder of data.
 *
 * @param path of the folder
 */
public record DataFolder(Path path) {

    private static final String NAME = "izzet";
    private static final String ENDING = ".mv.db";

    public Path database() {
        return path.resolve(NAME + ENDING);
    }

    /** A database in the making; what a kill left of one is of no use. */
    Path making() {
        return path.resolve("making" + ENDING);
    }

    /** What the database held when it was last looked at. */
    Path mark() {
        return path.resolve(NAME + ".known");
    }

    /** Own items as they were last read; of use to the same build only, and never missed. */
    public Path readItems() {
        return path.resolve(NAME + ".items");
    }

    public Path backups() {
        return path.resolve("backups");
    }

    /** A checked backup that takes the database's place at the next start. */
    Path staged() {
        return path.resolve("restore.zip");
    }

    /** What a restore took the place of. */
    Path kept() {
        return path.resolve("kept");
    }

    String url(Path database, String settings) {
        String file = database.toString();
        return "jdbc:h2:file:" + file.substring(0, file.length() - ENDING.length()) + settings;
    }

    /** Writes a file of the folder whole or not at all, for its owner only. */
    public void write(Path file, byte[] bytes) throws IOException {
        Path beside = file.resolveSibling(file.getFileName() + ".new");
        Files.write(beside, bytes);
        moveIntoPlace(beside, file);
    }

    /** In one step: a kill leaves the old file or the new one. */
    static void moveIntoPlace(Path from, Path to) throws IOException {
        OwnerOnly.make(from);
        Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }
}
