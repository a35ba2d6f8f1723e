package izzet.app.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Seeds of the fuzzer and what it once found, and some changes to each; {@code ./izzet bench --fuzz} goes on from here. */
class LogFuzzSeedsTest {

    private static final int CHANGES = 60;

    static Stream<String> targets() {
        return LogFuzzTargets.targets().keySet().stream();
    }

    @ParameterizedTest
    @MethodSource("targets")
    void seedsAndTheirNeighboursAreTakenOrRefused(String target) throws IOException {
        List<Path> seeds;
        try (Stream<Path> files = Files.list(Path.of("src/test/resources/fuzz").resolve(target))) {
            seeds = files.sorted().toList();
        }
        assertThat(seeds).isNotEmpty();
        for (Path seed : seeds) {
            byte[] input = Files.readAllBytes(seed);
            take(target, seed, input);
            Random random = new Random(seed.getFileName().toString().hashCode());
            for (int i = 0; i < CHANGES && input.length > 0; i++) {
                byte[] made = input.clone();
                for (int n = random.nextInt(4); n >= 0; n--) {
                    made[random.nextInt(made.length)] = (byte) random.nextInt(256);
                }
                take(target, seed, made);
            }
        }
    }

    private static void take(String target, Path seed, byte[] input) throws IOException {
        try {
            LogFuzzTargets.targets().get(target).take(input);
        } catch (RuntimeException | Error e) {
            throw new AssertionError(target + ", from " + seed + ", " + input.length + " bytes", e);
        }
    }
}
