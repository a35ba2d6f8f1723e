package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VcdReaderTest {

    private static final String HEAD = "$timescale 1 ns $end\n$scope module top $end\n$var wire 1 ! scl $end\n"
            + "$var wire 4 ab data [3:0] $end\n$scope module in $end\n$var wire 1 longid! scl $end\n$upscope $end\n"
            + "$upscope $end\n$enddefinitions $end\n";

    /** Notes every change of the lines asked for. */
    private static final class Notes implements ChangeSink {
        private final String[] names;
        private final List<String> seen = new ArrayList<>();

        Notes(String... names) {
            this.names = names;
        }

        @Override
        public Signal[] header(RecordHeader header) {
            Signal[] lines = new Signal[names.length];
            for (int i = 0; i < lines.length; i++) {
                lines[i] = header.find(names[i]);
            }
            return lines;
        }

        @Override
        public void change(int index, int level) {
            seen.add(names[index] + "=" + level);
        }

        @Override
        public void moment(long ticks) {
            seen.add("@" + ticks);
        }

        @Override
        public void end(long ticks) {
            seen.add("end " + ticks);
        }
    }

    private static List<String> read(String text, String... names) throws IOException {
        Notes notes = new Notes(names);
        new VcdReader(new ByteArrayInputStream(text.getBytes(StandardCharsets.ISO_8859_1))).read(notes);
        return notes.seen;
    }

    @Test
    void readsScalarsVectorsAndLongIdentifiers() throws IOException {
        assertThat(read(
                        HEAD + "#0\n1!\n0longid!\n#5 bx1 ab\n#9\nb1010 ab\n",
                        "top.scl",
                        "data[0]",
                        "data[3]",
                        "top.in.scl"))
                .containsExactly(
                        "top.scl=1",
                        "top.in.scl=0",
                        "@0",
                        "data[0]=1",
                        "data[3]=2",
                        "@5",
                        "data[0]=0",
                        "data[3]=1",
                        "@9",
                        "end 9");
    }

    @Test
    void leafNamesMustBeUnique() {
        assertThatThrownBy(() -> read(HEAD + "#0\n", "scl"))
                .hasMessageContaining("top.scl")
                .hasMessageContaining("top.in.scl");
        assertThatThrownBy(() -> read(HEAD + "#0\n", "sda"))
                .hasMessageContaining("no line 'sda'")
                .hasMessageContaining("data[3]");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "#0,1?|Line 11|never declared",
                "#5,#4|Line 11|goes back",
                "#0,1|Line 11|without an identifier",
                "#0,1!,5!|Line 12|'5'",
                "#x|Line 10|'x'",
                "#0,b12 ab|Line 11|'2'",
                "#0,b10101 ab|Line 11|5 bits for a variable of 4",
                "#0,$what|Line 11|$what",
                "#0,1zz|Line 11|'zz'",
            })
    void faultsSayWhereAndWhat(String body, String line, String what) {
        assertThatThrownBy(() -> read(HEAD + body.replace(',', '\n') + "\n", "top.scl"))
                .isInstanceOf(RecordFault.class)
                .hasMessageContaining(line)
                .hasMessageContaining(what);
    }

    @Test
    void emptyCutOffBinaryAndHugeRecords() {
        assertThatThrownBy(() -> read("", "scl")).hasMessageContaining("empty");
        assertThatThrownBy(() -> read(HEAD.substring(0, 80), "scl")).hasMessageContaining("cut off");
        assertThatThrownBy(() -> read("\u0000\u0001PNG\u00ff\u00fe", "scl"))
                .isInstanceOf(RecordFault.class)
                .hasMessageContaining("Line 1");
        assertThatThrownBy(() -> read("a".repeat(VcdReader.MAX_TOKEN + 5), "scl"))
                .hasMessageContaining("more than 65536 characters");
        assertThatThrownBy(() -> read(HEAD + "#0\nb" + "1".repeat(70_000) + " ab\n", "top.scl"))
                .hasMessageContaining("Line 11");
    }

    /** Random bytes never make anything but a fault with a place, or a reading. */
    @Test
    void anyBytesAreEitherReadOrRefused() {
        Random random = new Random(5);
        byte[] whole = (HEAD + "#0\n1!\n#5\nb1010 ab\n#9\n0!\n").getBytes(StandardCharsets.ISO_8859_1);
        for (int round = 0; round < 5000; round++) {
            byte[] damaged = whole.clone();
            for (int i = 0; i < 1 + random.nextInt(3); i++) {
                damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            }
            try {
                new VcdReader(new ByteArrayInputStream(damaged, 0, random.nextInt(damaged.length))).read(new Notes());
            } catch (RecordFault e) {
                assertThat(e.getMessage()).isNotBlank();
            } catch (IOException e) {
                throw new AssertionError(e);
            }
        }
    }

    @Test
    void timesAreExact() {
        assertThat(new TimeScale(1_000).nanoseconds(1)).isEqualTo("0.001");
        assertThat(new TimeScale(1_000).nanoseconds(1_500)).isEqualTo("1.5");
        assertThat(new TimeScale(100_000_000).nanoseconds(7)).isEqualTo("700");
        assertThat(new TimeScale(1_000_000_000_000_000L).nanoseconds(Long.MAX_VALUE))
                .startsWith("9223372036854775807");
        assertThat(new TimeScale(1_000).ticksIn(50)).isEqualTo(50_000);
    }

    /** Blocks give back what went in, and columns show what a slow walk over all changes shows. */
    @Test
    void storedChangesAndWaveAgreeWithTheRecord() {
        Random random = new Random(9);
        List<EdgeBlock> blocks = new ArrayList<>();
        List<long[]> edges = new ArrayList<>();
        EdgeCollector collector = new EdgeCollector(h -> {}, (line, block) -> blocks.add(block));
        collector.header(new RecordHeader(new TimeScale(1), List.of(new Signal("a", "a", -1, 0, 0))));
        long tick = 0;
        for (int i = 0; i < 20_000; i++) {
            tick += 1 + random.nextInt(40);
            collector.change(0, i % 2);
            collector.moment(tick);
            edges.add(new long[] {tick, i % 2});
        }
        collector.end(tick);
        List<long[]> back = new ArrayList<>();
        blocks.forEach(b -> b.visit((t, level) -> back.add(new long[] {t, level})));
        assertThat(back)
                .usingElementComparator((a, b) -> a[0] == b[0] && a[1] == b[1] ? 0 : 1)
                .isEqualTo(edges);
        for (int round = 0; round < 50; round++) {
            long from = random.nextInt((int) tick - 2000);
            long to = from + 1 + random.nextInt(2000);
            int columns = 1 + random.nextInt(300);
            assertThat(WaveColumns.of(blocks, from, to, columns)).isEqualTo(slow(edges, from, to, columns));
        }
    }

    private static byte[] slow(List<long[]> edges, long from, long to, int columns) {
        byte[] out = new byte[columns];
        int level = 2;
        int next = 0;
        while (next < edges.size() && edges.get(next)[0] < from) {
            level = (int) edges.get(next++)[1];
        }
        for (int c = 0; c < columns; c++) {
            out[c] |= (byte) (1 << level);
            while (next < edges.size()
                    && edges.get(next)[0] < to
                    && Math.min(columns - 1, (int)
                                    Math.floor((edges.get(next)[0] - from) * (columns / (double) (to - from))))
                            == c) {
                level = (int) edges.get(next++)[1];
                out[c] |= (byte) (1 << level);
            }
            out[c] |= (byte) (level << 4);
        }
        return out;
    }

    /** A fault stands in the line where its declaration began, or in the last line of a record that is cut off. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "$timescale@ 3 ns@$end@ | Line 1",
                "$scope@module@$end@ | Line 1",
                "$timescale 1 ns $end@$var wire 2 ! a@[7:0]@$end@ | Line 2",
                "$timescale 1 ns $end@$var wire 1 ! a $end@ | Line 2",
                "$timescale 1 ns $end@$comment@never closed@ | Line 2",
            })
    void faultsOfDeclarationsNameTheirOwnLine(String record, String line) {
        assertThatThrownBy(() -> new VcdReader(new ByteArrayInputStream(
                                record.replace('@', '\n').getBytes(StandardCharsets.US_ASCII)))
                        .readHeader())
                .hasMessageStartingWith(line + ":");
    }

    @Test
    void realValuesAreNoLines() throws IOException {
        String record = "$timescale 1 ns $end\n$var real 64 r volts $end\n$var wire 1 ! a $end\n$enddefinitions $end\n"
                + "#0\nr1.65 r\n1!\n#5\n0!\nr0.2 r\n";
        RecordHeader header =
                new VcdReader(new ByteArrayInputStream(record.getBytes(StandardCharsets.US_ASCII))).readHeader();
        assertThat(header.names()).containsExactly("a");
        List<EdgeBlock> blocks = new ArrayList<>();
        EdgeCollector collector = new EdgeCollector(h -> {}, (line, block) -> blocks.add(block));
        new VcdReader(new ByteArrayInputStream(record.getBytes(StandardCharsets.US_ASCII))).read(collector);
        assertThat(collector.edges()).containsExactly(2);
    }
}
