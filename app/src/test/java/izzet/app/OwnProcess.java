package izzet.app;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Programs that tests start as processes of their own. They come from jars, with an archive of their classes that the first test that needs it
 * makes from one start: most of the time of such tests is starting, and that halves it.
 */
public final class OwnProcess {

    private static final Path FOLDER = Path.of("target", "own-process");

    private static String classPath;
    private static Path archive;

    private OwnProcess() {}

    /**
     * @param main whose main method runs
     * @param jvm options of its machine
     * @param words what it is told
     */
    public static synchronized ProcessBuilder of(Class<?> main, List<String> jvm, String... words) throws IOException {
        if (classPath == null) {
            prepare();
        }
        List<String> command = java();
        command.add("-XX:SharedArchiveFile=" + archive);
        command.addAll(jvm);
        command.addAll(List.of("-cp", classPath, main.getName()));
        command.addAll(List.of(words));
        return new ProcessBuilder(command);
    }

    private static List<String> java() {
        return new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-Xshare:auto",
                "-Xlog:cds=off",
                "-Xlog:cds+dynamic=off"));
    }

    /** Test classes run in two machines at once; the second one waits for what the first one makes. */
    private static void prepare() throws IOException {
        Files.createDirectories(FOLDER);
        try (RandomAccessFile file = new RandomAccessFile(FOLDER.resolve("lock").toFile(), "rw");
                FileLock held = file.getChannel().lock()) {
            List<Path> path = Stream.of(System.getProperty("java.class.path").split(":"))
                    .map(Path::of)
                    .toList();
            Path made = FOLDER.resolve(Long.toHexString(stamp(path))).toAbsolutePath();
            List<String> jars = new ArrayList<>();
            boolean known = Files.exists(made);
            Files.createDirectories(made);
            for (Path entry : path) {
                if (Files.isDirectory(entry)) {
                    Path jar = made.resolve(jars.size() + ".jar");
                    if (!known) {
                        pack(entry, jar);
                    }
                    jars.add(jar.toString());
                } else if (entry.toString().endsWith(".jar")) {
                    jars.add(entry.toString());
                }
            }
            classPath = String.join(":", jars);
            archive = made.resolve("classes.jsa");
            if (!known && held.isValid()) {
                train(made.resolve("data"));
            }
        }
    }

    /** Another one whenever a class has changed. */
    private static long stamp(List<Path> path) throws IOException {
        long stamp = 1;
        for (Path entry : path) {
            try (Stream<Path> files = Files.walk(entry)) {
                for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
                    stamp = 31 * stamp + file.toString().hashCode();
                    stamp = 31 * stamp + Files.getLastModifiedTime(file).toMillis();
                }
            }
        }
        return stamp;
    }

    private static void pack(Path folder, Path jar) throws IOException {
        try (OutputStream out = Files.newOutputStream(jar);
                ZipOutputStream zip = new ZipOutputStream(out);
                Stream<Path> files = Files.walk(folder)) {
            zip.setLevel(1);
            for (Path file : files.sorted().toList()) {
                String name = folder.relativize(file).toString();
                if (Files.isDirectory(file) && !name.isEmpty()) {
                    zip.putNextEntry(new ZipEntry(name + "/"));
                } else if (Files.isRegularFile(file)) {
                    zip.putNextEntry(new ZipEntry(name));
                    try (InputStream in = Files.newInputStream(file)) {
                        in.transferTo(zip);
                    }
                }
            }
        }
    }

    /** Starts once; the archive is written when it ends. Without one everything works as well, and takes longer. */
    private static void train(Path data) throws IOException {
        List<String> command = java();
        command.add("-XX:ArchiveClassesAtExit=" + archive);
        command.addAll(
                List.of("-cp", classPath, IzzetApplication.class.getName(), "--izzet.data=" + data, "--server.port=0"));
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        try (BufferedReader out = process.inputReader(StandardCharsets.UTF_8)) {
            out.readLine();
            process.toHandle().destroy();
            process.waitFor();
        } catch (InterruptedException e) {
            process.destroyForcibly();
            Thread.currentThread().interrupt();
        }
    }
}
