package izzet.app.launch;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/** {@code LaunchJars FOLDER LIST}: rewrites the classes of the list in all jars of the folder and of those in it. */
public final class LaunchJars {

    private static final String CLASS = ".class";

    private LaunchJars() {}

    /** @param words the folder, and the file of class names as {@code -XX:DumpLoadedClassList} writes it */
    public static void main(String[] words) throws IOException {
        Set<String> loaded;
        try (Stream<String> lines = Files.lines(Path.of(words[1]))) {
            loaded = lines.filter(line -> !line.startsWith("#") && !line.startsWith("@"))
                    .map(line -> line.split(" ", 2)[0])
                    .collect(Collectors.toSet());
        }
        List<Path> jars;
        try (Stream<Path> files = Files.walk(Path.of(words[0]), 2)) {
            jars = files.filter(file -> file.toString().endsWith(".jar")).toList();
        }
        jars.parallelStream().forEach(jar -> rewrite(jar, loaded));
    }

    /**
     * A jar where none of those classes has anything to rewrite is left alone.
     *
     * @param loaded names with slashes
     */
    static void rewrite(Path jar, Set<String> loaded) {
        try {
            Map<String, byte[]> entries = read(jar, loaded);
            Map<String, byte[]> rewritten = rewrite(entries, loaded);
            if (!rewritten.isEmpty()) {
                entries.putAll(rewritten);
                write(jar, entries);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(jar.toString(), e);
        }
    }

    /**
     * @param entries of one jar, by name
     * @return those that changed and those that join
     */
    static Map<String, byte[]> rewrite(Map<String, byte[]> entries, Set<String> loaded) {
        Map<String, byte[]> out = new LinkedHashMap<>(LateTable.rewrite(entries));
        // By the class that names the members of its nest.
        Map<String, List<String>> joined = new HashMap<>();
        Set<String> versioned = entries.keySet().stream()
                .filter(name -> name.startsWith("META-INF/versions/"))
                .map(name -> name.replaceFirst("META-INF/versions/[0-9]+/", ""))
                .collect(Collectors.toSet());
        for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
            String file = entry.getKey();
            if (!isLoaded(file, loaded)) {
                continue;
            }
            // A machine may take a nest's host from elsewhere where there are several of it.
            PlainClass plain =
                    new PlainClass(host -> entries.containsKey(host + CLASS) && !versioned.contains(host + CLASS));
            byte[] code = versioned.contains(file) ? null : plain.rewrite(entry.getValue());
            if (code != null) {
                out.put(file, code);
                plain.further().forEach((name, more) -> out.put(name + CLASS, more));
                if (!plain.further().isEmpty()) {
                    joined.computeIfAbsent(plain.host(), host -> new ArrayList<>())
                            .addAll(plain.further().keySet());
                }
            }
        }
        joined.forEach((host, members) -> {
            String file = host + CLASS;
            byte[] code = out.getOrDefault(file, entries.get(file));
            out.put(file, PlainClass.withMembers(code, members));
        });
        return out;
    }

    private static boolean isLoaded(String file, Set<String> loaded) {
        return file.endsWith(CLASS) && loaded.contains(file.substring(0, file.length() - CLASS.length()));
    }

    /** @return nothing for a jar with none of those classes */
    private static Map<String, byte[]> read(Path jar, Set<String> loaded) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipFile zip = new ZipFile(jar.toFile())) {
            if (zip.stream().anyMatch(entry -> isLoaded(entry.getName(), loaded))) {
                for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
                    ZipEntry entry = all.nextElement();
                    try (InputStream in = zip.getInputStream(entry)) {
                        entries.put(entry.getName(), in.readAllBytes());
                    }
                }
            }
        }
        return entries;
    }

    /** Into a file beside, so that a jar is whole at any time. */
    private static void write(Path jar, Map<String, byte[]> entries) throws IOException {
        Path beside = Path.of(jar + ".part");
        try (ZipOutputStream out = new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(beside)))) {
            out.setLevel(Deflater.BEST_SPEED);
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                out.putNextEntry(new ZipEntry(entry.getKey()));
                out.write(entry.getValue());
                out.closeEntry();
            }
        }
        Files.move(beside, jar, StandardCopyOption.REPLACE_EXISTING);
    }
}
