package izzet.core.discovery;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;

/** Finds what lies in a folder of the class path, so that a new rule, part or board is one new file. */
public final class Discovery {

    private Discovery() {}

    /** The texts of the files with this ending directly in a class-path folder, by file name. */
    public static SortedMap<String, String> texts(String folder, String ending) {
        return inFolder(folder, root -> {
            SortedMap<String, String> texts = new TreeMap<>();
            for (Path file : filesIn(root, ending)) {
                texts.put(file.getFileName().toString(), read(file));
            }
            return texts;
        });
    }

    /** One new instance of each class of a package that is a {@code type}, in the order of the class names. */
    public static <T> List<T> instances(Class<T> type, String packageName) {
        List<String> names = inFolder("/" + packageName.replace('.', '/'), root -> filesIn(root, ".class").stream()
                .map(f -> f.getFileName().toString())
                .filter(n -> !n.contains("$") && !n.equals("package-info.class"))
                .map(n -> n.substring(0, n.length() - ".class".length()))
                .toList());
        List<T> found = new ArrayList<>();
        for (String name : names) {
            try {
                Class<?> candidate = Class.forName(packageName + "." + name);
                if (type.isAssignableFrom(candidate) && !candidate.isInterface()) {
                    found.add(type.cast(candidate.getDeclaredConstructor().newInstance()));
                }
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(
                        packageName + "." + name + " needs a public constructor without arguments.", e);
            }
        }
        return found;
    }

    private static <R> R inFolder(String folder, Function<Path, R> use) {
        URL url = Discovery.class.getResource(folder);
        if (url == null) {
            throw new IllegalStateException("The class path has no folder " + folder + ".");
        }
        try {
            URI uri = url.toURI();
            if (!"jar".equals(uri.getScheme())) {
                return use.apply(Path.of(uri));
            }
            try (FileSystem jar = FileSystems.newFileSystem(uri, Map.of())) {
                return use.apply(jar.getPath(folder));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (URISyntaxException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<Path> filesIn(Path root, String ending) {
        try (Stream<Path> found = Files.list(root)) {
            return found.filter(f -> f.toString().endsWith(ending)).sorted().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file, StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
