package izzet.core.discovery;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Finds classes and files by the place where they lie, so that a new rule, part or board is one new file. The build writes the names of
 * all of them into an index beside the classes; it is read once, whatever the program is packed in. Safe for many threads.
 */
public final class Discovery {

    private static final String INDEX = "META-INF/izzet.index";
    private static final String CLASS = ".class";

    private Discovery() {}

    /** Read at the first use. */
    private static final class Index {
        static final SortedSet<String> NAMES = read();

        private static SortedSet<String> read() {
            SortedSet<String> names = new TreeSet<>();
            try {
                for (URL index :
                        Collections.list(Discovery.class.getClassLoader().getResources(INDEX))) {
                    try (InputStream in = index.openStream()) {
                        new String(in.readAllBytes(), StandardCharsets.UTF_8)
                                .lines()
                                .map(String::strip)
                                .filter(name -> !name.isEmpty())
                                .forEach(names::add);
                    }
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            if (names.isEmpty()) {
                throw new IllegalStateException("The class path has no " + INDEX + "; the build writes it.");
            }
            return names;
        }
    }

    /** The texts of the files with this ending directly in a class-path folder, by file name. */
    public static SortedMap<String, String> texts(String folder, String ending) {
        String prefix = folder.substring(1) + "/";
        SortedMap<String, String> texts = new TreeMap<>();
        for (String name : below(prefix, ending)) {
            String file = name.substring(prefix.length());
            if (file.indexOf('/') < 0) {
                texts.put(file, text(name));
            }
        }
        return texts;
    }

    /** One new instance of each class of a package or a package below it that is a {@code type}, in the order of the class names. */
    public static <T> List<T> instances(Class<T> type, String packageName) {
        List<T> found = new ArrayList<>();
        for (String name : below(packageName.replace('.', '/') + "/", CLASS)) {
            if (name.endsWith("/package-info" + CLASS)) {
                continue;
            }
            String className = name.substring(0, name.length() - CLASS.length()).replace('/', '.');
            try {
                Class<?> candidate = Class.forName(className);
                boolean made =
                        !candidate.isInterface() && !java.lang.reflect.Modifier.isAbstract(candidate.getModifiers());
                if (made && type.isAssignableFrom(candidate)) {
                    found.add(type.cast(candidate.getDeclaredConstructor().newInstance()));
                }
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(className + " needs a public constructor without arguments.", e);
            }
        }
        return found;
    }

    private static List<String> below(String prefix, String ending) {
        return Index.NAMES.tailSet(prefix).stream()
                .takeWhile(name -> name.startsWith(prefix))
                .filter(name -> name.endsWith(ending))
                .toList();
    }

    private static String text(String name) {
        try (InputStream in = Discovery.class.getClassLoader().getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("The class path has no " + name + ", which its index tells.");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
