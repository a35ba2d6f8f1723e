package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class VcdWriterTest {

    /** A record as it is stored. */
    private record Stored(List<String> names, TimeScale scale, List<List<EdgeBlock>> blocks, long first, long last) {

        static Stored of(byte[] file) throws IOException {
            RecordHeader[] header = new RecordHeader[1];
            List<List<EdgeBlock>> blocks = new ArrayList<>();
            IntStream.range(0, EdgeCollector.MAX_LINES).forEach(i -> blocks.add(new ArrayList<>()));
            List<String> names = new ArrayList<>();
            RecordReader.read(new ByteArrayInputStream(file), new ChangeSink() {
                @Override
                public Signal[] header(RecordHeader whole) {
                    names.addAll(whole.names()
                            .subList(
                                    0,
                                    Math.min(
                                            EdgeCollector.MAX_LINES,
                                            whole.names().size())));
                    return new Signal[0];
                }

                @Override
                public void change(int index, int level) {}

                @Override
                public void moment(long ticks) {}

                @Override
                public void end(long ticks) {}
            });
            EdgeCollector collector = new EdgeCollector(
                    h -> header[0] = h,
                    (line, block) -> blocks.get(line).add(block),
                    (tick, levels) -> {},
                    Set.copyOf(names));
            RecordReader.read(new ByteArrayInputStream(file), collector);
            return new Stored(
                    header[0].names(),
                    header[0].timeScale(),
                    blocks.subList(
                            0,
                            Math.min(EdgeCollector.MAX_LINES, header[0].names().size())),
                    collector.firstTick(),
                    collector.lastTick());
        }

        byte[] written() throws IOException {
            StringWriter out = new StringWriter();
            List<VcdWriter.Line> lines = IntStream.range(0, blocks.size())
                    .mapToObj(i -> new VcdWriter.Line(
                            names.get(i), new EdgeCursor(blocks.get(i).iterator())))
                    .toList();
            VcdWriter.write(out, scale, lines, first, last);
            return out.toString().getBytes(StandardCharsets.UTF_8);
        }

        /** Changes in absolute time, line by line. */
        List<String> changes() {
            List<String> all = new ArrayList<>();
            for (int i = 0; i < blocks.size(); i++) {
                String name = names.get(i);
                EdgeCursor cursor = new EdgeCursor(blocks.get(i).iterator());
                while (cursor.more()) {
                    String at = scale.nanoseconds(cursor.tick());
                    all.add(name + " " + at + " " + cursor.take());
                }
            }
            all.add("ends " + scale.nanoseconds(last));
            return all;
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"i2c-page-oled.vcd", "i2c-trouble.edges.csv", "i2c-trouble.sampled.csv"})
    void aRecordComesOutAsItCameIn(String file) throws IOException {
        Stored before = Stored.of(Files.readAllBytes(Path.of("src/test/resources/captures", file)));
        Stored after = Stored.of(before.written());
        assertThat(after.names()).isEqualTo(before.names());
        assertThat(after.changes()).isEqualTo(before.changes());
    }

    @RepeatedTest(30)
    void anyRecordDoes(RepetitionInfo repetition) throws IOException {
        Random random = new Random(repetition.getCurrentRepetition());
        int lines = 1 + random.nextInt(130);
        StringBuilder file =
                new StringBuilder("$timescale " + List.of("1", "10", "100").get(random.nextInt(3)) + " "
                        + List.of("fs", "ps", "ns", "us", "ms", "s").get(random.nextInt(6)) + " $end\n");
        for (int i = 0; i < lines; i++) {
            file.append("$scope module m")
                    .append(i % 3)
                    .append(" $end\n$var wire 1 v")
                    .append(i)
                    .append(" l")
                    .append(i / 2)
                    .append(" $end\n$upscope $end\n");
        }
        file.append("$enddefinitions $end\n");
        long now = random.nextInt(50);
        for (int k = 0; k < 300; k++) {
            file.append('#').append(now).append('\n');
            for (int j = random.nextInt(3); j > 0; j--) {
                file.append("01xz".charAt(random.nextInt(4)))
                        .append('v')
                        .append(random.nextInt(lines))
                        .append('\n');
            }
            now += 1 + random.nextInt(1000);
        }
        Stored before = Stored.of(file.toString().getBytes(StandardCharsets.UTF_8));
        assertThat(Stored.of(before.written()).changes()).isEqualTo(before.changes());
    }

    /** A table may have been sampled every 2.5 µs, which no time scale of the format is. */
    @Test
    void aTickThatIsNoPowerOfTenKeepsItsTimes() throws IOException {
        Stored before = new Stored(
                List.of("scl"),
                new TimeScale(2_500_000_000L),
                List.of(List.of(EdgeBlock.pack(new long[] {3, 7}, new byte[] {1, 0}, 2, 2))),
                0,
                9);
        Stored after = Stored.of(before.written());
        assertThat(after.changes()).isEqualTo(before.changes());
        assertThat(after.scale().femtoseconds()).isEqualTo(100_000_000L);
    }
}
