package izzet.core.discovery;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The core as it is served: from a jar, by many threads at once. */
class PackedJarTest {

    private static final int THREADS = 8;

    private static Path pack(Path folder) throws IOException {
        Path classes = Path.of("target", "classes");
        Path jar = folder.resolve("core.jar");
        try (OutputStream out = Files.newOutputStream(jar);
                JarOutputStream packed = new JarOutputStream(out);
                Stream<Path> files = Files.walk(classes)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                packed.putNextEntry(
                        new JarEntry(classes.relativize(file).toString().replace('\\', '/')));
                Files.copy(file, packed);
            }
        }
        return jar;
    }

    /** Libraries from the tests' own class path, the core from the jar alone. */
    private static final class FromJar extends URLClassLoader {
        FromJar(Path jar) throws IOException {
            super(new URL[] {jar.toUri().toURL()}, PackedJarTest.class.getClassLoader());
        }

        @Override
        protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
            if (!name.startsWith("izzet.core.")) {
                return super.loadClass(name, resolve);
            }
            synchronized (getClassLoadingLock(name)) {
                Class<?> loaded = findLoadedClass(name);
                return loaded == null ? findClass(name) : loaded;
            }
        }

        @Override
        public URL getResource(String name) {
            return findResource(name);
        }

        @Override
        public java.util.Enumeration<URL> getResources(String name) throws IOException {
            return findResources(name);
        }
    }

    private static int rules(ClassLoader loader) throws ReflectiveOperationException {
        Object checker = loader.loadClass("izzet.core.check.Checker")
                .getMethod("withAllRules")
                .invoke(null);
        return ((List<?>) checker.getClass().getMethod("rules").invoke(checker)).size();
    }

    private static int parts(ClassLoader loader) throws ReflectiveOperationException {
        Object catalog = loader.loadClass("izzet.core.catalog.CatalogReader")
                .getMethod("shipped")
                .invoke(null);
        return ((java.util.Map<?, ?>) catalog.getClass().getMethod("parts").invoke(catalog)).size();
    }

    @Test
    void eightThreadsFindEverythingInTheJar(@TempDir Path folder) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(THREADS);
        try (FromJar jar = new FromJar(pack(folder))) {
            List<Callable<Integer>> calls = new ArrayList<>(Collections.nCopies(40, () -> rules(jar)));
            calls.addAll(Collections.nCopies(8, () -> parts(jar)));
            List<Integer> counts = new ArrayList<>();
            for (Future<Integer> count : threads.invokeAll(calls)) {
                counts.add(count.get());
            }
            assertThat(counts.subList(0, 40)).containsOnly(rules(getClass().getClassLoader()));
            assertThat(counts.subList(40, 48)).containsOnly(parts(getClass().getClassLoader()));
            assertThat(counts.get(0)).isGreaterThan(40);
        } finally {
            threads.shutdown();
        }
    }
}
