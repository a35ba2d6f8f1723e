package izzet.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;

/** Programs of the system that tests run. */
public final class Outside {

    private static final int MOST_SAID = 4000;

    private Outside() {}

    /** Runs a command in a folder, which must end well; what it said on both outputs. */
    public static String run(Path folder, String... command) throws Exception {
        Path out = folder.resolve("out.txt");
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(out.toFile())
                .start();
        int code = process.waitFor();
        String said = Files.readString(out);
        assertThat(code)
                .as(String.join(" ", command) + "\n" + said.substring(0, Math.min(MOST_SAID, said.length())))
                .isZero();
        return said;
    }
}
