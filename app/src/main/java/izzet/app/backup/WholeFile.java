package izzet.app.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;

/**
 * Whether a database file reaches as far as its own table of contents says. The engine trusts that table when it opens and fails only at
 * the first read of what is missing.
 */
final class WholeFile {

    private static final int BLOCK = 4096;

    private WholeFile() {}

    /** What is missing, in words; empty for a whole file and for one that cannot be opened, which the database itself tells. */
    static Optional<String> missing(Path file) throws IOException {
        long bytes = Files.size(file);
        MVStore store;
        try {
            store = new MVStore.Builder().fileName(file.toString()).readOnly().open();
        } catch (MVStoreException e) {
            return Optional.empty();
        }
        try {
            long needed = store.getLayoutMap().entrySet().stream()
                    .filter(e -> e.getKey().startsWith("chunk."))
                    .mapToLong(e -> end(e.getValue()))
                    .max()
                    .orElse(0);
            return needed <= bytes
                    ? Optional.empty()
                    : Optional.of("it has " + bytes + " bytes and what it holds reaches to " + needed);
        } finally {
            store.closeImmediately();
        }
    }

    /** First byte behind a chunk, told as {@code chunk:1,block:2,len:1,…} in hexadecimal; 0 for one that has no place yet. */
    private static long end(String chunk) {
        Map<String, String> told = Stream.of(chunk.split(","))
                .map(pair -> pair.split(":", 2))
                .filter(pair -> pair.length == 2)
                .collect(Collectors.toMap(pair -> pair[0], pair -> pair[1], (a, b) -> a));
        if (!told.containsKey("block") || !told.containsKey("len")) {
            return 0;
        }
        return (Long.parseLong(told.get("block"), 16) + Long.parseLong(told.get("len"), 16)) * BLOCK;
    }
}
