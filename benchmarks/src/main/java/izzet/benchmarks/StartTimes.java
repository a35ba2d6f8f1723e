package izzet.benchmarks;

import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * From the command to the first page, whole, with the demo's plans: the plain fat jar, the launcher's jars, those with the archive. One after the
 * other in turn, so that a slow minute of the machine falls on all of them.
 */
public final class StartTimes {

    private static final int ROUNDS = 7;
    private static final int PORT = 8393;
    private static final double NANOS = 1e9;

    private StartTimes() {}

    /** @param jvm settings of the served program */
    public static void main(String[] jvm) throws IOException, InterruptedException {
        Path data = Files.createTempDirectory("izzet-start");
        List<String> launcher = new ArrayList<>(List.of(jvm));
        List<String> archive = new ArrayList<>(launcher);
        archive.add("-XX:SharedArchiveFile=app/target/run/izzet.jsa");
        Map<String, List<String>> ways = new LinkedHashMap<>();
        ways.put("fat jar", command(List.of(), "app/target/izzet.jar", data));
        ways.put("launcher's jars", command(launcher, "app/target/run/izzet.jar", data));
        ways.put("with the archive", command(archive, "app/target/run/izzet.jar", data));
        // The first one makes the plans.
        seconds(ways.get("with the archive"));
        Map<String, List<Double>> taken = new LinkedHashMap<>();
        for (int i = 0; i < ROUNDS; i++) {
            for (Map.Entry<String, List<String>> way : ways.entrySet()) {
                taken.computeIfAbsent(way.getKey(), key -> new ArrayList<>()).add(seconds(way.getValue()));
            }
        }
        double plain = AssignTimes.median(taken.get("fat jar"));
        taken.forEach((way, all) -> System.out.printf(
                "%-17s median %.2f s, best %.2f s, %.1f times as fast as the fat jar%n",
                way,
                AssignTimes.median(all),
                all.stream().min(Double::compare).orElseThrow(),
                plain / AssignTimes.median(all)));
    }

    private static List<String> command(List<String> jvm, String jar, Path data) {
        List<String> command = new ArrayList<>(List.of("java"));
        command.addAll(jvm);
        command.addAll(List.of("-jar", jar, "--izzet.data=" + data, "--izzet.demo=true", "--server.port=" + PORT));
        return command;
    }

    private static double seconds(List<String> command) throws IOException, InterruptedException {
        long begun = System.nanoTime();
        Process program = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            while (program.isAlive()) {
                try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), PORT)) {
                    socket.getOutputStream()
                            .write("GET / HTTP/1.0\r\nHost: localhost\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
                    InputStream in = socket.getInputStream();
                    String page = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                    if (!page.startsWith("HTTP/1.1 200") || !page.contains("</html>")) {
                        throw new IllegalStateException(page.lines().findFirst().orElse("no answer"));
                    }
                    return (System.nanoTime() - begun) / NANOS;
                } catch (ConnectException e) {
                    Thread.sleep(10);
                }
            }
            throw new IllegalStateException("the program ended: " + command);
        } finally {
            program.destroy();
            program.waitFor();
        }
    }
}
