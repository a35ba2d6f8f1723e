package izzet.app.backup;

import izzet.app.files.OwnerOnly;
import izzet.core.quantity.Digest;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.hibernate.JDBCException;

/**
 * Backups: one zip with the whole database (plans with their history, ticks, records, own items) and a sheet with its checksum and what it
 * holds. Made while the database is in use; read back only when the checksum and the contents agree with the sheet.
 */
public final class Backups {

    private static final String DATABASE = "izzet.mv.db";
    private static final String SHEET = "backup.properties";
    private static final String FORMAT = "izzet-backup 1";
    private static final String AUTOMATIC = "izzet-";
    private static final String ENDING = ".zip";
    private static final int DAYS = 7;
    private static final int WEEKS = 4;
    private static final int BUFFER = 1 << 16;

    /** In bytes; what stays for changes. */
    private static final long SPARE = 64L << 20;

    private final DataFolder folder;
    private final String settings;

    /** @param settings that the database is opened with, from the first semicolon */
    public Backups(DataFolder folder, String settings) {
        this.folder = folder;
        this.settings = settings;
    }

    /** What a backup's sheet says. */
    public record Sheet(String sha256, Instant at, long changes, long records, long items) {}

    /** @param day it was made for; of the automatic ones only */
    public record Kept(Path file, String name, long bytes, Optional<LocalDate> day) {}

    /**
     * Writes a backup beside the target and moves it there when it is whole.
     *
     * @throws IOException when it cannot be written; then the target is as it was
     * @throws DataFault when there may not be room for it; then nothing was begun
     */
    void make(Database db, Path target, Instant at) throws IOException {
        lack(Files.size(folder.database()), Files.getFileStore(folder.path()).getUsableSpace())
                .ifPresent(lack -> {
                    throw new DataFault(
                            lack + " of " + folder.path() + ". Make room there, or, while Izzet does not run, copy "
                                    + folder.database().getFileName() + " to another disk.");
                });
        Path raw = Files.createTempFile(folder.path(), "backup", ".raw");
        Path whole = target.resolveSibling(target.getFileName() + ".new");
        try {
            Files.delete(raw);
            db.copyTo(raw);
            Mark mark = Mark.of(db, at);
            try (ZipInputStream in = new ZipInputStream(Files.newInputStream(raw));
                    ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(whole))) {
                for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                    if (e.getName().endsWith(".mv.db")) {
                        write(in, out, mark);
                    }
                }
            }
            DataFolder.moveIntoPlace(whole, target);
        } finally {
            Files.deleteIfExists(raw);
            Files.deleteIfExists(whole);
        }
    }

    /**
     * It is written twice on the way, each no larger than the database; and a disk that it filled would take no change meanwhile.
     *
     * @param bytes of the database's file
     * @param free bytes on its disk
     */
    static Optional<String> lack(long bytes, long free) {
        long needed = 2 * bytes + SPARE;
        return free >= needed
                ? Optional.empty()
                : Optional.of("A backup may need up to " + room(needed) + " on its way, and " + room(free)
                        + " are left on the disk");
    }

    private static String room(long bytes) {
        return bytes < 10L << 30 ? (bytes >> 20) + " MB" : (bytes >> 30) + " GB";
    }

    private static void write(InputStream database, ZipOutputStream out, Mark mark) throws IOException {
        MessageDigest digest = Digest.begun();
        out.putNextEntry(new ZipEntry(DATABASE));
        database.transferTo(new DigestOutputStream(out, digest));
        out.closeEntry();
        Properties sheet = new Properties();
        sheet.setProperty("format", FORMAT);
        sheet.setProperty("sha256", HexFormat.of().formatHex(digest.digest()));
        sheet.setProperty("at", mark.at().toString());
        sheet.setProperty("changes", String.valueOf(mark.changes()));
        sheet.setProperty("records", String.valueOf(mark.records()));
        sheet.setProperty("items", String.valueOf(mark.items()));
        out.putNextEntry(new ZipEntry(SHEET));
        sheet.store(out, "Izzet backup");
        out.closeEntry();
    }

    /**
     * Unpacks a backup's database and proves it: by its checksum, and by opening it and counting.
     *
     * @param into a file that is made or replaced
     * @throws DataFault when it is no backup, or damaged
     */
    Sheet unpack(InputStream backup, Path into) throws IOException {
        MessageDigest digest = Digest.begun();
        Properties told = new Properties();
        boolean database = false;
        try (ZipInputStream in = new ZipInputStream(backup)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (e.getName().equals(DATABASE) && !database) {
                    database = true;
                    try (OutputStream out = new DigestOutputStream(Files.newOutputStream(into), digest)) {
                        in.transferTo(out);
                    }
                } else if (e.getName().equals(SHEET)) {
                    told.load(new java.io.StringReader(new String(in.readNBytes(BUFFER), StandardCharsets.ISO_8859_1)));
                }
            }
        } catch (java.util.zip.ZipException e) {
            throw new DataFault(
                    "The file is damaged or no backup of Izzet: " + e.getMessage() + ". Nothing was changed.", e);
        }
        if (!database || !FORMAT.equals(told.getProperty("format"))) {
            throw new DataFault("The file is no backup of Izzet: it has no " + (database ? SHEET : DATABASE)
                    + " of the form '" + FORMAT + "'. Nothing was changed.");
        }
        String sum = HexFormat.of().formatHex(digest.digest());
        if (!sum.equals(told.getProperty("sha256"))) {
            throw new DataFault("The backup is damaged: its checksum is " + sum + " and should be "
                    + told.getProperty("sha256") + ". Nothing was changed; try an older one.");
        }
        Sheet sheet = new Sheet(
                sum,
                Instant.parse(told.getProperty("at")),
                Long.parseLong(told.getProperty("changes")),
                Long.parseLong(told.getProperty("records")),
                Long.parseLong(told.getProperty("items")));
        try (ClosedDatabase db = ClosedDatabase.at(folder.url(into, settings))) {
            Mark mark = Mark.of(db, sheet.at());
            if (mark.changes() != sheet.changes() || mark.items() != sheet.items()) {
                throw new DataFault("The backup holds " + mark.changes() + " changes, and its sheet tells "
                        + sheet.changes() + ". Nothing was changed; try an older one.");
            }
        } catch (JDBCException e) {
            throw new DataFault(
                    "The database in the backup cannot be opened: " + reason(e) + " Nothing was changed.", e);
        }
        return sheet;
    }

    /** What the database itself says, without the statement. */
    static String reason(JDBCException e) {
        return firstLine(e.getSQLException());
    }

    static String firstLine(Exception e) {
        return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    }

    /** Checks a backup and lays it ready for the next start. */
    public Sheet stage(InputStream backup) throws IOException {
        Path upload = Files.createTempFile(folder.path(), "restore", ENDING);
        try {
            try (OutputStream out = Files.newOutputStream(upload)) {
                backup.transferTo(out);
            }
            Sheet sheet;
            try (InputStream in = Files.newInputStream(upload)) {
                sheet = unpack(in, folder.making());
            }
            DataFolder.moveIntoPlace(upload, folder.staged());
            return sheet;
        } finally {
            Files.deleteIfExists(upload);
            Files.deleteIfExists(folder.making());
        }
    }

    Path place() {
        return folder.path();
    }

    public boolean staged() {
        return Files.exists(folder.staged());
    }

    public void unstage() throws IOException {
        Files.deleteIfExists(folder.staged());
    }

    /** Puts a checked backup in the database's place, which is kept. Only while nobody has the database open. */
    public Sheet restore(Path backup, Instant at) throws IOException {
        try (InputStream in = Files.newInputStream(backup)) {
            Sheet sheet = unpack(in, folder.making());
            if (Files.exists(folder.database())) {
                Files.createDirectories(folder.kept());
                OwnerOnly.make(folder.kept());
                Files.copy(
                        folder.database(),
                        folder.kept().resolve("before-restore-" + at.toString().replace(':', '-') + ".mv.db"));
            }
            Files.deleteIfExists(folder.mark());
            DataFolder.moveIntoPlace(folder.making(), folder.database());
            return sheet;
        } finally {
            Files.deleteIfExists(folder.making());
        }
    }

    /** Those in the folder, newest first. */
    public List<Kept> list() throws IOException {
        List<Kept> kept = new ArrayList<>();
        if (Files.isDirectory(folder.backups())) {
            try (DirectoryStream<Path> files = Files.newDirectoryStream(folder.backups(), "*" + ENDING)) {
                for (Path file : files) {
                    String name = file.getFileName().toString();
                    kept.add(new Kept(file, name, Files.size(file), day(name)));
                }
            }
        }
        kept.sort(Comparator.comparing(Kept::name).reversed());
        return kept;
    }

    private static Optional<LocalDate> day(String name) {
        try {
            return name.startsWith(AUTOMATIC)
                    ? Optional.of(LocalDate.parse(name.substring(AUTOMATIC.length(), name.length() - ENDING.length())))
                    : Optional.empty();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    /** Where the one of a day lies. */
    Path of(LocalDate day) {
        return folder.backups().resolve(AUTOMATIC + day + ENDING);
    }

    /** Makes the one of the day where it is missing, and drops those that are neither of the last days nor the last of a late week. */
    void daily(Database db, Instant now) throws IOException {
        Path today = of(LocalDate.ofInstant(now, ZoneOffset.UTC));
        if (Files.exists(today)) {
            return;
        }
        Files.createDirectories(folder.backups());
        OwnerOnly.make(folder.backups());
        make(db, today, now);
        List<LocalDate> days = list().stream().flatMap(k -> k.day().stream()).toList();
        for (LocalDate day : spare(days)) {
            Files.deleteIfExists(of(day));
        }
    }

    /**
     * Days whose backup is not kept: neither one of the last seven, nor the newest of one of the four weeks before those.
     *
     * @param days newest first
     */
    static List<LocalDate> spare(List<LocalDate> days) {
        List<LocalDate> spare = new ArrayList<>();
        Set<String> weeks = new HashSet<>();
        for (int i = 0; i < days.size(); i++) {
            LocalDate day = days.get(i);
            String week = day.get(IsoFields.WEEK_BASED_YEAR) + " " + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
            boolean keep = i < DAYS || weeks.size() < WEEKS && weeks.add(week);
            if (!keep) {
                spare.add(day);
            }
        }
        return spare;
    }
}
