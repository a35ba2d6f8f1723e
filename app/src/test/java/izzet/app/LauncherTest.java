package izzet.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the launcher says of a call that cannot work; each before anything is built or started. */
class LauncherTest {

    private record Outcome(int code, String said) {}

    private static Outcome run(String... words) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("bash", "../izzet"));
        command.addAll(List.of(words));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Outcome(process.waitFor(), said);
    }

    @ParameterizedTest
    @CsvSource({
        "--port abc, a number from 1 to 65535",
        "--port 0, a number from 1 to 65535",
        "--port 70000, a number from 1 to 65535",
        "--port, --port needs a number",
        "--data, --data needs a folder",
        "--https, --https goes with --lan",
        "--colour blue, unknown option --colour",
        "--data /dev/null/here, cannot be written",
    })
    void badCallsGetOneClearLine(String words, String said) throws IOException, InterruptedException {
        List<String> call = new ArrayList<>(List.of("run"));
        call.addAll(List.of(words.split(" ")));
        Outcome outcome = run(call.toArray(String[]::new));
        assertThat(outcome.code()).isEqualTo(1);
        assertThat(outcome.said().strip().lines())
                .singleElement()
                .asString()
                .startsWith("izzet: ")
                .contains(said);
    }

    @ParameterizedTest
    @CsvSource({
        "backup, say the file",
        "restore, say the file",
        "restore --data x, say the file",
        "backup a.zip --colour, unknown option"
    })
    void backupsWantAFile(String words, String said) throws IOException, InterruptedException {
        Outcome outcome = run(words.split(" "));
        assertThat(outcome.code()).isEqualTo(1);
        assertThat(outcome.said().strip().lines()).singleElement().asString().contains(said);
    }

    @Test
    void anUnknownCommandShowsWhatThereIs() throws IOException, InterruptedException {
        Outcome outcome = run("dance");
        assertThat(outcome.code()).isEqualTo(2);
        assertThat(outcome.said()).contains("./izzet demo").contains("./izzet test");
        assertThat(run("help").code()).isZero();
    }

    @Test
    void theFolderMayHaveBlanks(@TempDir Path folder) throws IOException, InterruptedException {
        Path file = Files.writeString(folder.resolve("a file"), "x");
        assertThat(run("run", "--data", file + "/below").said()).contains("a file/below cannot be written");
    }
}
