package izzet.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.IzzetApplication;
import izzet.app.OwnProcess;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URL;
import java.net.URLClassLoader;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import java.util.jar.Attributes;
import java.util.jar.JarOutputStream;
import java.util.jar.Manifest;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipOutputStream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.unbescape.html.HtmlEscape;

/** What is rewritten for a fast start does what it did before. */
class LaunchJarsTest {

    @TempDir
    Path folder;

    @Test
    void everyShapeOfCallSiteGivesTheSame() throws Exception {
        Map<String, byte[]> before = compiled("Shapes");
        Map<String, byte[]> after = rewritten(before);
        assertThat(said(after)).isEqualTo(said(before)).contains("nested 7", "refused", "kept 7true");
        // What is left is known: texts of records, what can be serialized, the super method, a widened number.
        assertThat(sites(before)).hasSizeGreaterThan(60);
        assertThat(sites(after).stream().map(site -> site.split(" ")[0]))
                .isSubsetOf(
                        "ObjectMethods.bootstrap:toString",
                        "LambdaMetafactory.altMetafactory",
                        "LambdaMetafactory.metafactory");
        assertThat(sites(after).stream()
                        .filter(site -> site.startsWith("LambdaMetafactory.metafactory"))
                        .toList())
                .hasSizeLessThan(6);
    }

    @Test
    void whatWasNotLoadedStays() throws IOException {
        Map<String, byte[]> before = compiled("Shapes");
        assertThat(LaunchJars.changes(before, Set.of("shapes/Other"))).isEmpty();
        assertThat(LaunchJars.changes(before, Set.of("shapes/Shapes$None")).keySet())
                .containsExactly("shapes/Shapes$None.class");
    }

    /** A machine would take the class from a folder of its version, and that one knows of no new members. */
    @Test
    void aClassOfWhichThereAreSeveralStays() throws IOException {
        Map<String, byte[]> before = compiled("Shapes");
        before.put("META-INF/versions/11/shapes/Shapes.class", before.get("shapes/Shapes.class"));
        Map<String, byte[]> after = LaunchJars.changes(before, names(before));
        assertThat(after).isNotEmpty().doesNotContainKey("shapes/Shapes.class");
        assertThat(after.keySet()).noneMatch(name -> name.contains("Plain"));
    }

    @Test
    void namedCharactersAreLookedUpWhenThereIsAnAmpersand() throws Exception {
        Map<String, byte[]> jar = LaunchJars.read(Path.of(HtmlEscape.class
                .getProtectionDomain()
                .getCodeSource()
                .getLocation()
                .toURI()));
        Map<String, byte[]> changed = LaunchJars.changes(jar, Set.of());
        assertThat(changed).hasSize(3);
        jar.putAll(changed);
        Class<?> escape = new Defined(jar).loadClass(HtmlEscape.class.getName());
        var symbols = escape.getClassLoader()
                .loadClass("org.unbescape.html.HtmlEscapeSymbols")
                .getDeclaredField("HTML5_SYMBOLS");
        symbols.setAccessible(true);
        assertThat(symbols.get(null)).isNull();
        var to = escape.getMethod("escapeHtml4Xml", String.class);
        var to5 = escape.getMethod("escapeHtml5", String.class);
        var from = escape.getMethod("unescapeHtml", String.class);
        Random random = new Random(5);
        List<String> pieces = List.of(
                "&",
                "<",
                "\"",
                "'",
                "&amp;",
                "&hellip;",
                "&#64;",
                "&#x40;",
                "&copy",
                "&NotEqualTilde;",
                "&no;",
                ";",
                "é",
                "≂̸",
                "Ω",
                "plain ");
        for (int i = 0; i < 2000; i++) {
            StringBuilder text = new StringBuilder();
            for (int k = random.nextInt(6); k >= 0; k--) {
                text.append(pieces.get(random.nextInt(pieces.size())));
            }
            String whole = text.toString();
            assertThat(to.invoke(null, whole)).isEqualTo(HtmlEscape.escapeHtml4Xml(whole));
            assertThat(to5.invoke(null, whole)).isEqualTo(HtmlEscape.escapeHtml5(whole));
            assertThat(from.invoke(null, whole)).isEqualTo(HtmlEscape.unescapeHtml(whole));
        }
        assertThat(from.invoke(null, new Object[] {null})).isNull();
    }

    /** As the launcher does it: a start says what it loads, the jars are rewritten, the program answers from them. */
    @Test
    void theProgramAnswersFromRewrittenJars() throws Exception {
        Path list = folder.resolve("classes");
        ProcessBuilder first = started(List.of("-XX:DumpLoadedClassList=" + list));
        use(first, pages -> {});
        List<String> command = new ArrayList<>(first.command());
        int path = command.indexOf("-cp") + 1;
        Path lib = Files.createDirectory(folder.resolve("lib"));
        List<String> jars = new ArrayList<>();
        for (String jar : command.get(path).split(":")) {
            // The browser's is a hundred megabytes, and the program knows nothing of it.
            if (!jar.contains("driver-bundle")) {
                jars.add("lib/" + jars.size() + ".jar");
                Files.copy(Path.of(jar), lib.resolve(jars.size() - 1 + ".jar"));
            }
        }
        program(jars);
        LaunchJars.prepare(folder, list);
        try (Stream<Path> left = Files.list(lib)) {
            assertThat(left.map(Path::toString))
                    .hasSizeLessThan(jars.size() / 2)
                    .noneMatch(name -> name.endsWith(".part"));
        }
        command.set(path, folder.resolve(LaunchJars.PROGRAM).toString());
        command.removeIf(word -> word.startsWith("-XX:SharedArchiveFile") || word.startsWith("-XX:DumpLoaded"));
        Path loaded = folder.resolve("loaded");
        command.add(1, "-Xlog:class+load:file=" + loaded);
        use(new ProcessBuilder(command), address -> {
            for (String page : List.of("/", "/shelf", "/api/plans")) {
                HttpResponse<String> answer = HttpClient.newHttpClient()
                        .send(
                                HttpRequest.newBuilder(URI.create(address + page))
                                        .build(),
                                HttpResponse.BodyHandlers.ofString());
                assertThat(answer.statusCode()).as(page).isEqualTo(200);
            }
        });
        try (Stream<String> lines = Files.lines(loaded)) {
            assertThat(lines.filter(line -> line.contains("$$Plain")).count()).isGreaterThan(500);
        }
    }

    /** Whoever asks for a file by name finds what was found, in the same order. */
    @Test
    void gatheredJarsHaveTheSameInTheSameOrder() throws Exception {
        Path lib = Files.createDirectory(folder.resolve("lib"));
        jar(lib.resolve("a.jar"), Map.of("META-INF/services/x", "a", "only/a", "1", "META-INF/LICENSE", "a"));
        jar(
                lib.resolve("b.jar"),
                Map.of("only/b", "2", "META-INF/versions/9/module-info.class", "m", "module-info.class", "m"));
        jar(
                lib.resolve("c.jar"),
                Map.of("META-INF/services/x", "c", "only/a", "3", "META-INF/versions/11/k/K.class", "k"));
        jar(lib.resolve("d.jar"), Map.of("META-INF/services/x", "d", "only/a", "4", "META-INF/x.SF", "s"));
        jar(lib.resolve("e.jar"), Map.of("META-INF/services/x", "e"));
        program(List.of("lib/a.jar", "lib/b.jar", "lib/d.jar", "lib/e.jar", "lib/c.jar"));
        Map<String, List<String>> before = found();
        Path list = Files.writeString(folder.resolve("classes"), "# none\n");
        LaunchJars.prepare(folder, list);
        try (Stream<Path> files = Files.list(lib)) {
            assertThat(files.map(file -> file.getFileName().toString()))
                    .containsExactlyInAnyOrder("all-0.jar", "all-1.jar", "all-2.jar", "c.jar");
        }
        assertThat(found()).isEqualTo(before).containsEntry("META-INF/services/x", List.of("a", "d", "e", "c"));
        assertThat(folder.resolve(LaunchJars.PROGRAM + ".part")).doesNotExist();
    }

    private Map<String, List<String>> found() throws IOException {
        Map<String, List<String>> found = new HashMap<>();
        try (URLClassLoader loader = new URLClassLoader(
                new URL[] {folder.resolve(LaunchJars.PROGRAM).toUri().toURL()}, null)) {
            for (String name : List.of("META-INF/services/x", "only/a", "only/b", "none")) {
                List<String> contents = new ArrayList<>();
                for (URL url : Collections.list(loader.getResources(name))) {
                    try (InputStream in = url.openStream()) {
                        contents.add(new String(in.readAllBytes(), StandardCharsets.UTF_8));
                    }
                }
                found.put(name, contents);
            }
        }
        return found;
    }

    private static void jar(Path file, Map<String, String> entries) throws IOException {
        try (ZipOutputStream out = GatheredJars.opened(file)) {
            for (Map.Entry<String, String> entry : entries.entrySet()) {
                GatheredJars.put(out, entry.getKey(), entry.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    /** A program of nothing but its class path. */
    private void program(List<String> path) throws IOException {
        Manifest manifest = new Manifest();
        manifest.getMainAttributes().put(Attributes.Name.MANIFEST_VERSION, "1.0");
        manifest.getMainAttributes().put(Attributes.Name.CLASS_PATH, String.join(" ", path));
        new JarOutputStream(Files.newOutputStream(folder.resolve(LaunchJars.PROGRAM)), manifest).close();
    }

    private interface Use {
        void with(String address) throws Exception;
    }

    private ProcessBuilder started(List<String> jvm) throws IOException {
        return OwnProcess.of(IzzetApplication.class, jvm, "--izzet.data=" + folder.resolve("data"), "--server.port=0");
    }

    private static void use(ProcessBuilder program, Use use) throws Exception {
        Process process = program.redirectError(ProcessBuilder.Redirect.INHERIT).start();
        try (BufferedReader out = process.inputReader(StandardCharsets.UTF_8)) {
            String line = out.readLine();
            assertThat(line).startsWith("Izzet is at ");
            use.with(line.split(" ")[3].replaceFirst("/$", ""));
        } finally {
            process.toHandle().destroy();
            process.waitFor();
        }
    }

    private static Map<String, byte[]> rewritten(Map<String, byte[]> before) {
        Map<String, byte[]> after = new HashMap<>(before);
        after.putAll(LaunchJars.changes(before, names(before)));
        return after;
    }

    private static Set<String> names(Map<String, byte[]> entries) {
        return entries.keySet().stream()
                .map(name -> name.replaceFirst("\\.class$", ""))
                .collect(Collectors.toSet());
    }

    @SuppressWarnings("unchecked")
    private static String said(Map<String, byte[]> classes) throws ReflectiveOperationException {
        return ((Supplier<String>) new Defined(classes)
                        .loadClass("shapes.Shapes")
                        .getConstructor()
                        .newInstance())
                .get();
    }

    private Map<String, byte[]> compiled(String name) throws IOException {
        Path source = folder.resolve(name + ".java");
        try (InputStream in = LaunchJarsTest.class.getResourceAsStream("/launch/" + name + ".java.txt")) {
            Files.write(source, in.readAllBytes());
        }
        Path out = Files.createTempDirectory(folder, "classes");
        int ended = ToolProvider.getSystemJavaCompiler()
                .run(
                        null,
                        null,
                        null,
                        "-nowarn",
                        "-Xlint:none",
                        "--release",
                        "17",
                        "-d",
                        out.toString(),
                        source.toString());
        assertThat(ended).isZero();
        Map<String, byte[]> classes = new LinkedHashMap<>();
        try (Stream<Path> files = Files.walk(out)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                classes.put(out.relativize(file).toString(), Files.readAllBytes(file));
            }
        }
        return classes;
    }

    /** @return who makes each call site, and where */
    private static List<String> sites(Map<String, byte[]> classes) {
        List<String> sites = new ArrayList<>();
        classes.forEach((file, code) -> new ClassReader(code)
                .accept(
                        new ClassVisitor(Opcodes.ASM9) {
                            @Override
                            public MethodVisitor visitMethod(
                                    int access, String in, String type, String signature, String[] faults) {
                                return new MethodVisitor(Opcodes.ASM9) {
                                    @Override
                                    public void visitInvokeDynamicInsn(
                                            String name, String type, Handle maker, Object... with) {
                                        String owner = maker.getOwner().replaceFirst(".*/", "") + "." + maker.getName();
                                        boolean record = owner.startsWith("ObjectMethods");
                                        sites.add(owner + (record ? ":" + name : "") + " " + file + " " + in);
                                    }
                                };
                            }
                        },
                        0));
        return sites;
    }

    /** Takes classes from these, verified like any others, before it asks its parent. */
    private static final class Defined extends ClassLoader {

        private final Map<String, byte[]> classes;

        Defined(Map<String, byte[]> classes) {
            super(Defined.class.getClassLoader());
            this.classes = classes;
        }

        @Override
        protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
            byte[] code = classes.get(name.replace('.', '/') + ".class");
            synchronized (getClassLoadingLock(name)) {
                Class<?> known = findLoadedClass(name);
                return known != null
                        ? known
                        : code == null ? super.loadClass(name, resolve) : defineClass(name, code, 0, code.length);
            }
        }
    }
}
