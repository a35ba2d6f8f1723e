package izzet.core.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Seeds of the fuzzer and what it once found, and some changes to each; {@code ./izzet bench --fuzz} goes on from here. */
class FuzzSeedsTest {

    private static final Path SEEDS = Path.of("src/test/resources/fuzz");
    private static final int CHANGES = 40;

    static Stream<String> targets() {
        return FuzzTargets.targets().keySet().stream();
    }

    private static List<Path> seeds(String target) throws IOException {
        try (Stream<Path> files = Files.list(SEEDS.resolve(target))) {
            return files.sorted().toList();
        }
    }

    /** The limit is there for a walk without an end, not for a slow machine. */
    @ParameterizedTest
    @MethodSource("targets")
    @Timeout(value = 120, unit = TimeUnit.SECONDS)
    void seedsAndTheirNeighboursAreTakenOrRefused(String target) throws IOException {
        List<Path> seeds = seeds(target);
        assertThat(seeds).isNotEmpty();
        for (Path seed : seeds) {
            byte[] input = Files.readAllBytes(seed);
            take(target, seed, input);
            Random random = new Random(seed.getFileName().toString().hashCode());
            for (int i = 0; i < CHANGES; i++) {
                take(target, seed, changed(input, random));
            }
        }
    }

    private static void take(String target, Path seed, byte[] input) throws IOException {
        try {
            FuzzTargets.targets().get(target).take(input);
        } catch (RuntimeException | Error e) {
            throw new AssertionError(
                    target + ", from " + seed + ": " + new String(input, java.nio.charset.StandardCharsets.ISO_8859_1),
                    e);
        }
    }

    /** A byte set, a stretch left out, a stretch doubled, or cut off. */
    private static byte[] changed(byte[] input, Random random) {
        byte[] made = input.clone();
        int at = random.nextInt(Math.max(1, input.length));
        int length = Math.min(input.length - at, 1 + random.nextInt(12));
        switch (random.nextInt(4)) {
            case 0 -> {
                if (made.length > 0) {
                    made[at] = (byte) random.nextInt(256);
                }
                return made;
            }
            case 1 -> {
                return joined(input, 0, at, at + length, input.length);
            }
            case 2 -> {
                return joined(input, 0, at + length, at, input.length);
            }
            default -> {
                return joined(input, 0, at, 0, 0);
            }
        }
    }

    private static byte[] joined(byte[] input, int from, int to, int again, int end) {
        byte[] made = new byte[to - from + end - again];
        System.arraycopy(input, from, made, 0, to - from);
        System.arraycopy(input, again, made, to - from, end - again);
        return made;
    }

    /** The fuzzer calls what the tests call. */
    @Test
    void theFuzzersDoorLeadsToATarget() throws IOException {
        for (Path seed : seeds("plan")) {
            FuzzTargets.fuzzerTestOneInput(Files.readAllBytes(seed));
        }
    }
}
