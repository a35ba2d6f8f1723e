package izzet.app.backup;

import java.io.IOException;
import java.io.Reader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import java.util.Properties;

/**
 * What a database held at a moment. All of it only grows, so a database that holds less has lost something.
 *
 * @param changes of all plans together
 * @param records highest number given
 * @param items versions kept
 * @param migration number of the last migration that it had had; 0 where nobody wrote it down
 */
record Mark(long changes, long records, long items, int migration, Instant at) {

    static Mark of(Database db, Instant at) {
        return new Mark(
                db.number("select coalesce(sum(version), 0) from plan"),
                db.number("select coalesce(max(id), 0) from record"),
                hasItems(db) ? db.number("select count(*) from shelf_item") : 0,
                migration(db),
                at);
    }

    static int migration(Database db) {
        return (int) db.number("select max(cast(\"version\" as int)) from \"flyway_schema_history\" where \"success\"");
    }

    /** The first databases had no shelf. */
    private static boolean hasItems(Database db) {
        return db.number("select count(*) from information_schema.tables where lower(table_name) = 'shelf_item'") > 0;
    }

    /** Empty where there is none, or none that can be read: then nothing is known. */
    static Optional<Mark> read(Path file) {
        Properties told = new Properties();
        try (Reader in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
            told.load(in);
            return Optional.of(new Mark(
                    Long.parseLong(told.getProperty("changes")),
                    Long.parseLong(told.getProperty("records")),
                    Long.parseLong(told.getProperty("items")),
                    Integer.parseInt(told.getProperty("migration", "0")),
                    Instant.parse(told.getProperty("at"))));
        } catch (IOException | RuntimeException e) {
            return Optional.empty();
        }
    }

    void write(DataFolder folder) throws IOException {
        Properties told = new Properties();
        told.setProperty("changes", String.valueOf(changes));
        told.setProperty("records", String.valueOf(records));
        told.setProperty("items", String.valueOf(items));
        told.setProperty("migration", String.valueOf(migration));
        told.setProperty("at", at.toString());
        StringWriter text = new StringWriter();
        told.store(text, "What the database held; a database with less has lost something.");
        folder.write(folder.mark(), text.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** Records may be taken away, so their count says nothing. */
    boolean holdsLessThan(Mark before) {
        return changes < before.changes || items < before.items;
    }
}
