package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.IzzetApplication;
import izzet.app.OwnProcess;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Writer;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The program as a process of its own, with a heap that really fills. */
class FullHeapTest {

    /** Serves, and takes or gives back memory as it is told. */
    static final class Hoarder {

        private static final int PIECE = 256 << 10;

        private final List<byte[]> hoard = new ArrayList<>();

        public static void main(String[] args) throws Exception {
            IzzetApplication.main(args);
            Hoarder hoarder = new Hoarder();
            BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (line.equals("fill")) {
                    hoarder.fill();
                } else {
                    hoarder.hoard.clear();
                }
                System.out.println("did " + line);
            }
            System.exit(0);
        }

        /** Leaves half of what changes need, however often it is cleared up. */
        private void fill() {
            long left = MemoryRoom.LEAST / 2;
            for (int clean = 0; clean < 3; ) {
                if (MemoryRoom.free() > left) {
                    hoard.add(new byte[PIECE]);
                    clean = 0;
                } else {
                    System.gc();
                    clean++;
                }
            }
        }
    }

    private static final long PATIENCE = TimeUnit.SECONDS.toNanos(30);

    @TempDir
    private Path data;

    private Process process;
    private BufferedReader out;
    private Writer in;
    private String address;
    private final HttpClient client = HttpClient.newHttpClient();

    @BeforeEach
    void start() throws IOException {
        process = OwnProcess.of(
                        Hoarder.class,
                        List.of("-XX:+UseSerialGC", "-XX:+ExitOnOutOfMemoryError", "-Xmx192m"),
                        "--izzet.data=" + data,
                        "--izzet.demo=true",
                        "--server.port=0")
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        out = process.inputReader(StandardCharsets.UTF_8);
        in = process.outputWriter(StandardCharsets.UTF_8);
        String said = until("Izzet is at ");
        address = said.replaceAll(".*(http://127\\.0\\.0\\.1:\\d+)/.*", "$1");
    }

    @AfterEach
    void end() throws Exception {
        in.close();
        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    }

    private String until(String begin) throws IOException {
        for (String line = out.readLine(); line != null; line = out.readLine()) {
            if (line.startsWith(begin)) {
                return line;
            }
        }
        throw new IllegalStateException("The program ended before it said '" + begin + "'.");
    }

    private void tell(String what) throws IOException {
        in.write(what + "\n");
        in.flush();
        until("did " + what);
    }

    private HttpResponse<String> ask(HttpRequest.Builder request) throws Exception {
        return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder at(String path) {
        return HttpRequest.newBuilder(URI.create(address + path));
    }

    private HttpRequest.Builder rename(String name, String version) {
        return at("/plans/1/rename")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("here=pins&version=" + version + "&name=" + name));
    }

    @Test
    void readingGoesOnAndChangesAreTakenAgainWithRoom() throws Exception {
        HttpResponse<String> pins = ask(at("/plans/1/pins"));
        assertThat(pins.statusCode()).isEqualTo(200);
        Matcher version = Pattern.compile("name=\"version\" value=\"(\\d+)\"").matcher(pins.body());
        assertThat(version.find()).isTrue();
        tell("fill");
        HttpResponse<String> refused = ask(rename("Halt", version.group(1)));
        assertThat(refused.statusCode()).isEqualTo(503);
        assertThat(refused.body()).contains("Little memory left", "Nothing was saved");
        for (String page : List.of("/", "/plans/1/pins", "/plans/1/findings", "/plans/1/wiring")) {
            assertThat(ask(at(page)).statusCode()).as(page).isEqualTo(200);
        }
        tell("free");
        // What was given back is seen with the next clearing up, as the refusal says: "in a moment".
        HttpResponse<String> taken = ask(rename("Junction", version.group(1)));
        for (long begun = System.nanoTime(); taken.statusCode() == 503 && System.nanoTime() - begun < PATIENCE; ) {
            assertThat(taken.headers().firstValue("Retry-After")).contains("2");
            taken = ask(rename("Junction", version.group(1)));
        }
        assertThat(taken.statusCode()).isLessThan(400);
        assertThat(ask(at("/plans/1/pins")).body()).contains("Junction").doesNotContain("Halt");
    }
}
