package izzet.app.launch;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * A hundred jars as a few, since whoever looks for a file that is nowhere looks into all of them. What several jars have under one name is found
 * in the order in which it was found before: the first of it lies in the first jar, the second in the second. Jars that cannot be gathered come
 * last.
 */
final class GatheredJars implements AutoCloseable {

    /** What is of a jar and not of what it holds; licences stay with the jars that are handed out. */
    private static final Pattern OF_THE_JAR = Pattern.compile(
            "(.*/)?module-info\\.class|META-INF/(MANIFEST\\.MF|INDEX\\.LIST|[^/]+\\.(SF|RSA|DSA|EC)|(?i:[^/]*(license|notice|dependencies)[^/]*))");

    private final Path folder;
    private final List<Path> files = new ArrayList<>();
    private final List<ZipOutputStream> jars = new ArrayList<>();
    private final Map<String, Integer> times = new HashMap<>();

    /** @param folder where they are written, as {@code all-0.jar.part} and so on */
    GatheredJars(Path folder) {
        this.folder = folder;
    }

    /** @return whether a machine finds the same where the manifest of the jar is gone: not where a class depends on the machine's version */
    static boolean takes(Map<String, byte[]> entries) {
        return entries.keySet().stream()
                .noneMatch(name -> name.startsWith("META-INF/versions/")
                        && name.endsWith(".class")
                        && !name.endsWith("module-info.class"));
    }

    void add(Map<String, byte[]> entries) throws IOException {
        for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
            String name = entry.getKey();
            if (!OF_THE_JAR.matcher(name).matches()) {
                // A folder says nothing more the second time.
                int before = times.merge(name, 1, Integer::sum) - 1;
                if (before == 0 || !name.endsWith("/")) {
                    put(jar(before), name, entry.getValue());
                }
            }
        }
    }

    /** @return in their order */
    List<Path> files() {
        return files;
    }

    @Override
    public void close() throws IOException {
        for (ZipOutputStream jar : jars) {
            jar.close();
        }
    }

    /** Fast to write and to read; none of them is handed out. */
    static ZipOutputStream opened(Path file) throws IOException {
        ZipOutputStream jar = new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(file)));
        jar.setLevel(Deflater.BEST_SPEED);
        return jar;
    }

    static void put(ZipOutputStream jar, String name, byte[] bytes) throws IOException {
        jar.putNextEntry(new ZipEntry(name));
        jar.write(bytes);
        jar.closeEntry();
    }

    private ZipOutputStream jar(int number) throws IOException {
        while (jars.size() <= number) {
            Path file = folder.resolve("all-" + jars.size() + ".jar.part");
            files.add(file);
            jars.add(opened(file));
        }
        return jars.get(number);
    }
}
