package izzet.app.launch;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
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
import java.util.jar.Attributes;
import java.util.jar.Manifest;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * {@code LaunchJars FOLDER LIST}: rewrites the classes of the list in the program's jar and all that its manifest names, and gathers the latter.
 */
public final class LaunchJars {

    static final String PROGRAM = "izzet.jar";

    private static final String CLASS = ".class";
    private static final String MANIFEST = "META-INF/MANIFEST.MF";
    private static final String LIBRARIES = "lib";

    private LaunchJars() {}

    /** @param words the folder, and the file of class names as {@code -XX:DumpLoadedClassList} writes it */
    public static void main(String[] words) {
        try {
            prepare(Path.of(words[0]), Path.of(words[1]));
        } catch (IOException e) {
            System.err.println("izzet: " + e);
            System.exit(1);
        }
    }

    /** What is new is written beside first, so that the folder stays of use when that fails. */
    static void prepare(Path folder, Path list) throws IOException {
        Set<String> loaded;
        try (Stream<String> lines = Files.lines(list)) {
            loaded = lines.filter(line -> !line.startsWith("#") && !line.startsWith("@"))
                    .map(line -> line.split(" ", 2)[0])
                    .collect(Collectors.toSet());
        }
        Path program = folder.resolve(PROGRAM);
        Map<String, byte[]> own = rewritten(program, loaded);
        Manifest manifest = new Manifest(new ByteArrayInputStream(own.get(MANIFEST)));
        String path = manifest.getMainAttributes().getValue(Attributes.Name.CLASS_PATH);
        List<Path> parts = new ArrayList<>(List.of(part(program)));
        List<Path> gone = new ArrayList<>();
        List<String> kept = new ArrayList<>();
        try (GatheredJars gathered = new GatheredJars(folder.resolve(LIBRARIES))) {
            for (String name : path.split(" ")) {
                Path jar = folder.resolve(name);
                Map<String, byte[]> entries = rewritten(jar, loaded);
                if (GatheredJars.takes(entries)) {
                    gathered.add(entries);
                    gone.add(jar);
                } else {
                    write(part(jar), entries);
                    parts.add(part(jar));
                    kept.add(name);
                }
            }
            parts.addAll(gathered.files());
            Stream<String> few = gathered.files().stream()
                    .map(file -> LIBRARIES + "/" + whole(file).getFileName());
            manifest.getMainAttributes()
                    .put(
                            Attributes.Name.CLASS_PATH,
                            Stream.concat(few, kept.stream()).collect(Collectors.joining(" ")));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        manifest.write(out);
        own.put(MANIFEST, out.toByteArray());
        write(part(program), own);
        for (Path jar : gone) {
            Files.delete(jar);
        }
        for (Path part : parts) {
            Files.move(part, whole(part), StandardCopyOption.REPLACE_EXISTING);
        }
    }

    private static Path part(Path jar) {
        return Path.of(jar + ".part");
    }

    private static Path whole(Path part) {
        return Path.of(part.toString().replaceFirst("\\.part$", ""));
    }

    /**
     * @param entries of one jar, by name
     * @param loaded names with slashes
     * @return those that changed and those that join
     */
    static Map<String, byte[]> changes(Map<String, byte[]> entries, Set<String> loaded) {
        Map<String, byte[]> out = new LinkedHashMap<>(LateTable.rewrite(entries));
        // By the class that names the members of its nest.
        Map<String, List<String>> joined = new HashMap<>();
        Set<String> versioned = entries.keySet().stream()
                .filter(name -> name.startsWith("META-INF/versions/"))
                .map(name -> name.replaceFirst("META-INF/versions/[0-9]+/", ""))
                .collect(Collectors.toSet());
        entries.forEach((file, code) -> {
            // Where there are several of a class, the machine chooses; a nest has to be all of one choice.
            if (!isLoaded(file, loaded) || versioned.contains(file)) {
                return;
            }
            PlainClass plain =
                    new PlainClass(host -> entries.containsKey(host + CLASS) && !versioned.contains(host + CLASS));
            byte[] changed = plain.rewrite(code);
            if (changed != null) {
                out.put(file, changed);
                plain.further().forEach((name, more) -> out.put(name + CLASS, more));
                if (!plain.further().isEmpty()) {
                    joined.computeIfAbsent(plain.host(), host -> new ArrayList<>())
                            .addAll(plain.further().keySet());
                }
            }
        });
        joined.forEach((host, members) -> {
            String file = host + CLASS;
            out.put(file, PlainClass.withMembers(out.getOrDefault(file, entries.get(file)), members));
        });
        return out;
    }

    private static boolean isLoaded(String file, Set<String> loaded) {
        return file.endsWith(CLASS) && loaded.contains(file.substring(0, file.length() - CLASS.length()));
    }

    private static Map<String, byte[]> rewritten(Path jar, Set<String> loaded) throws IOException {
        Map<String, byte[]> entries = read(jar);
        entries.putAll(changes(entries, loaded));
        return entries;
    }

    /** @return what the jar holds by name, in its order */
    static Map<String, byte[]> read(Path jar) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipFile zip = new ZipFile(jar.toFile())) {
            for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
                ZipEntry entry = all.nextElement();
                try (InputStream in = zip.getInputStream(entry)) {
                    entries.put(entry.getName(), in.readAllBytes());
                }
            }
        }
        return entries;
    }

    private static void write(Path jar, Map<String, byte[]> entries) throws IOException {
        try (ZipOutputStream out = GatheredJars.opened(jar)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                GatheredJars.put(out, entry.getKey(), entry.getValue());
            }
        }
    }
}
