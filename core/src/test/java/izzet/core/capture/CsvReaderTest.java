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

/** Tables of changes and of samples, as instruments save them. */
class CsvReaderTest {

    /** Every change of every line, as "picoseconds:line=level". */
    private static final class Changes implements ChangeSink {
        private final List<String> seen = new ArrayList<>();
        private List<Signal> signals;
        private int[] last;
        private int[] now;
        private long end;

        @Override
        public Signal[] header(RecordHeader header) {
            signals = header.signals();
            last = new int[signals.size()];
            now = new int[signals.size()];
            java.util.Arrays.fill(last, -1);
            return signals.toArray(new Signal[0]);
        }

        @Override
        public void change(int index, int level) {
            now[index] = level;
        }

        @Override
        public void moment(long ticks) {
            for (int i = 0; i < now.length; i++) {
                if (now[i] != last[i]) {
                    last[i] = now[i];
                    seen.add(ticks + ":" + signals.get(i).leafName() + "=" + now[i]);
                }
            }
        }

        @Override
        public void end(long ticks) {
            end = ticks;
        }
    }

    private static Changes read(String text) throws IOException {
        return read(text, TableOptions.NONE);
    }

    private static Changes read(String text, TableOptions options) throws IOException {
        Changes changes = new Changes();
        RecordReader.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)), options, changes);
        return changes;
    }

    @Test
    void decimalCommasStandBesideSemicolonsAndTabs() throws IOException {
        List<String> plain = read("time_s,A,B\n0.1,1,0\n0.2,0,1\n").seen;
        assertThat(read("\uFEFFtime_s;A;B\n0,1;1;0\n0,2;0;1\n").seen).isEqualTo(plain);
        assertThat(read("# saved by an instrument, twice\nname\ttable\ntime_s\tA\tB\n0,1\t1\t0\n0,2\t0\t1\n").seen)
                .isEqualTo(plain);
    }

    @Test
    void samplesThatAreOnlyCountedNeedTheirRate() throws IOException {
        TableOptions rate = new TableOptions(1e6, null, null);
        List<String> wanted = List.of("0:A=1", "2000000:A=0");
        assertThat(read("sample,A\n0,1\n1,1\n2,0\n", rate).seen).isEqualTo(wanted);
        assertThat(read("A,B\n1,0\n1,0\n0,0\n", rate).seen).containsExactly("0:A=1", "0:B=0", "2000000:A=0");
        assertThat(read("0,1\n1,1\n2,0\n", rate).seen).containsExactly("0:column 2=1", "2000000:column 2=0");
        assertThatThrownBy(() -> read("sample,A\n0,1\n1,0\n")).hasMessageContaining("rateHz");
        assertThatThrownBy(() -> read("A,B\n0,1\n1,0\n1,1\n")).hasMessageContaining("no column of times");
    }

    @Test
    void tablesWithoutNamesAreTaken() throws IOException {
        assertThat(read("0.5,1,0\n1.5,0,0\n").seen)
                .containsExactly("500000000000:column 2=1", "500000000000:column 3=0", "1500000000000:column 2=0");
    }

    /** The threshold lies in the middle of the swing where none is given, and noise round it changes nothing. */
    @Test
    void voltsBecomeLevels() throws IOException {
        String table = "time_us,SCL\n0,3.28\n1,0.1\n2,1.70\n3,1.60\n4,1.75\n5,3.3\n6,1.68\n7,0\n";
        assertThat(read(table).seen).containsExactly("0:SCL=1", "1000000:SCL=0", "5000000:SCL=1", "7000000:SCL=0");
        assertThat(read(table, new TableOptions(null, 1.0, 0.0)).seen)
                .containsExactly("0:SCL=1", "1000000:SCL=0", "2000000:SCL=1", "7000000:SCL=0");
        assertThat(read("time_us;SCL\n0;0,0\n1;5,0\n2;0,2\n").seen)
                .containsExactly("0:SCL=0", "1000000:SCL=1", "2000000:SCL=0");
        assertThatThrownBy(() -> read("time_us,SCL\n0,3.28\n1,3.30\n2,3.29\n"))
                .hasMessageContaining("Line 2")
                .hasMessageContaining("threshold");
    }

    @Test
    void eachColumnOfVoltsMayHaveItsThreshold() throws IOException {
        String table = "time_us,SCL,TX\n0,3.28,0.2\n1,0.1,1.1\n2,1.70,0.2\n";
        TableOptions options = TableOptions.of("", "SCL=1.8; TX = 0,6", "0", "", "");
        assertThat(read(table, options).seen)
                .containsExactly("0:SCL=1", "0:TX=0", "1000000:SCL=0", "1000000:TX=1", "2000000:TX=0");
        assertThat(read(table, options.withThreshold("SCL", "1.5")).seen).contains("2000000:SCL=1");
        assertThatThrownBy(() -> options.withThreshold("SCL", "half")).hasMessageContaining("threshold of SCL");
        assertThatThrownBy(() -> TableOptions.of("", "2000", "", "", "")).hasMessageContaining("1000 V");
    }

    /** A column that nobody would take for times is one when somebody says so. */
    @Test
    void theColumnOfTimesMayBeNamed() throws IOException {
        String table = "level,when\n1,5\n0,7\n";
        assertThat(read(table, TableOptions.of("", "", "", "when", "us")).seen)
                .containsExactly("5000000:level=1", "7000000:level=0");
        assertThat(read("1,5\n0,7\n", TableOptions.of("", "", "", "2", "ms")).seen)
                .containsExactly("5000000000:column 1=1", "7000000000:column 1=0");
        assertThat(read("time_us,A\n0,1\n1,0\n", TableOptions.of("1000000", "", "", "none", "")).seen)
                .contains("0:A=1", "1000000:A=0", "1000000:time_us=1");
        assertThatThrownBy(() -> read(table, TableOptions.of("", "", "", "clock", "")))
                .hasMessageContaining("no column 'clock'")
                .hasMessageContaining("level, when");
        assertThatThrownBy(() -> TableOptions.of("", "", "", "when", "min")).hasMessageContaining("unit");
    }

    private static TablePreview preview(String table, TableOptions options) throws IOException {
        return RecordReader.preview(new ByteArrayInputStream(table.getBytes(StandardCharsets.UTF_8)), options);
    }

    @Test
    void thePreviewTellsHowRowsAreReadAndAsksWhatIsOpen() throws IOException {
        TablePreview clear = preview("time_us,A,SCL,port\n0,0,3.3,0x00\n1,1,0.1,0x81\n", TableOptions.NONE);
        assertThat(clear.asks()).isNull();
        assertThat(clear.columns())
                .extracting(TablePreview.Column::read)
                .containsExactly(
                        "times in us",
                        "0 and 1",
                        "volts: low under 1.54 V, high over 1.86 V",
                        "a number of 8 bits: a line each");
        assertThat(clear.rows()).hasSize(2).first().asList().containsExactly("0", "0", "3.3", "0x00");
        TablePreview open = preview("sample,SCL\n0,3.28\n1,3.30\n", TableOptions.NONE);
        assertThat(open.asks()).contains("samples a second");
        assertThat(open.columns()).extracting(TablePreview.Column::volts).containsExactly(false, true);
        assertThat(preview("sample,SCL\n0,3.28\n1,3.30\n", new TableOptions(1e6, 1.5, null))
                        .asks())
                .isNull();
        assertThat(preview("$timescale 1 ns $end\n", TableOptions.NONE)).isNull();
        assertThat(preview("A,B\n", TableOptions.NONE).asks()).contains("no row");
    }

    @Test
    void severalLinesMayBePackedInOneNumber() throws IOException {
        assertThat(read("time_us,port\n0,0x00\n1,0x81\n2,0x80\n").seen)
                .contains("1000000:port[7]=1", "1000000:port[0]=1", "2000000:port[0]=0")
                .doesNotContain("2000000:port[7]=0");
        assertThat(read("time_us,port\n0,0\n1,3\n2,2\n3,7\n").seen).contains("1000000:port[1]=1", "3000000:port[2]=1");
        assertThatThrownBy(() -> read("time_us,port\n0,0\n1,3\n2,2\n" + "3,7\n".repeat(3000) + "4,300\n"))
                .hasMessageContaining("Line 3005")
                .hasMessageContaining("8 bits");
    }

    @Test
    void packedFilesAreUnpackedOnTheWay() throws IOException {
        java.io.ByteArrayOutputStream bytes = new java.io.ByteArrayOutputStream();
        try (var out = new java.util.zip.GZIPOutputStream(bytes)) {
            out.write("time_s,A\n0.1,1\n0.2,0\n".getBytes(StandardCharsets.UTF_8));
        }
        Changes changes = new Changes();
        RecordReader.read(new ByteArrayInputStream(bytes.toByteArray()), changes);
        assertThat(changes.seen).hasSize(2);
        byte[] cut = java.util.Arrays.copyOf(bytes.toByteArray(), bytes.size() - 12);
        assertThatThrownBy(() -> RecordReader.read(new ByteArrayInputStream(cut), new Changes()))
                .isInstanceOf(RecordFault.class)
                .hasMessageContaining("cut off");
    }

    @Test
    void changesAreReadAtTheirTimes() throws IOException {
        Changes changes = read("time_s,SCL,SDA\n0.000001,1,1\n0.0000025,1,0\n0.000004,0,x\n0.000009,0,x\n");
        assertThat(changes.seen)
                .containsExactly("1000000:SCL=1", "1000000:SDA=1", "2500000:SDA=0", "4000000:SCL=0", "4000000:SDA=2");
        assertThat(changes.end).isEqualTo(9_000_000);
    }

    @ParameterizedTest
    @CsvSource({
        "time_s, 0.0000015",
        "Time, 1.5e-6",
        "Time [s], 1.5E-06",
        "t (ms), 0.0015",
        "time_us, 1.5",
        "Time [µs], 1.5",
        "time/ns, 1500",
        "time ps, 1500000"
    })
    void theUnitStandsInTheNameOfTheColumn(String column, String time) throws IOException {
        assertThat(read(column + ",D0\n" + time + ",1\n").seen).containsExactly("1500000:D0=1");
    }

    @Test
    void semicolonTabQuotesAndOtherLineEndsAreTaken() throws IOException {
        List<String> plain = read("time_s,A,B\n0.1,1,0\n0.2,0,1\n").seen;
        assertThat(read("time_s;A;B\r\n0.1;1;0\r\n0.2;0;1\r\n").seen).isEqualTo(plain);
        assertThat(read("time_s\tA\tB\n0.1\t1\t0\n0.2\t0\t1").seen).isEqualTo(plain);
        assertThat(read("\"time_s\",\"A\",\"B\"\n0.1,\"1\",0\n\n0.2, 0 ,1\n").seen)
                .isEqualTo(plain);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.2,1,0@0.1,1,0 | Line 3 | goes back",
                "0.1,1 | Line 2 | 2 columns",
                "0.1,1,3.3 | Line 2 | '3.3'",
                "soon,1,0 | Line 2 | 'soon'",
                "1e400,1,0 | Line 2 | 1e400",
                "0.1,1,0@0.2,1,perhaps | Line 3 | 'perhaps'",
            })
    void faultsSayWhereAndWhat(String rows, String line, String what) {
        assertThatThrownBy(() -> read("time_s,A,B\n" + rows.replace('@', '\n') + "\n"))
                .isInstanceOf(RecordFault.class)
                .hasMessageContaining(line)
                .hasMessageContaining(what);
    }

    /** Written out, such a number has more digits than the memory. */
    @Test
    void timesOfAnyExponentAreReadOrRefusedAtOnce() throws IOException {
        assertThat(read("time_s,A\n1e-400000000,1\n").seen).containsExactly("0:A=1");
        assertThat(read("time_s,A\n0e999999999,1\n").seen).containsExactly("0:A=1");
        assertThatThrownBy(() -> read("time_s,A\n1e400000000,1\n")).hasMessageContaining("1e400000000");
    }

    @Test
    void headsThatAreNoneAreTold() {
        assertThatThrownBy(() -> read("time_s,A,A\n0.1,1,0\n")).hasMessageContaining("two columns have the name 'A'");
        assertThatThrownBy(() -> read("time_s,,A\n0.1,1,0\n")).hasMessageContaining("column 2 has no name");
        assertThatThrownBy(() -> read("time_s,A\n")).hasMessageContaining("no row");
        assertThatThrownBy(() -> read("time_s," + "x".repeat(200_000) + "\n")).isInstanceOf(RecordFault.class);
    }

    /** Neither kind is taken for the other, whatever stands in front. */
    @Test
    void theKindIsSeenFromTheBeginning() throws IOException {
        String dump =
                "\n \n$comment a,b;c $end\n$timescale 1 ps $end\n$var wire 1 ! A $end\n$enddefinitions $end\n#5\n1!\n";
        assertThat(read(dump).seen).containsExactly("5:A=1");
        assertThat(read("\n\ntime_ps,A\n5,1\n").seen).containsExactly("5:A=1");
        assertThatThrownBy(() -> read("PK\u0003\u0004,,,\u0000")).hasMessageContaining("value change dump");
    }

    /** The same waveform as a table and as a dump gives the same changes. */
    @Test
    void tableAndDumpAgree() throws IOException {
        Random random = new Random(21);
        for (int round = 0; round < 40; round++) {
            StringBuilder table = new StringBuilder("time_ns,A,B\n");
            StringBuilder dump = new StringBuilder(
                    "$timescale 1 ps $end $var wire 1 a A $end $var wire 1 bb B $end $enddefinitions $end\n");
            long nanos = 0;
            for (int i = 0; i < 200; i++) {
                nanos += 1 + random.nextInt(5000);
                int a = random.nextInt(2);
                int b = random.nextInt(2);
                table.append(nanos).append(',').append(a).append(',').append(b).append('\n');
                dump.append('#').append(nanos * 1000).append('\n');
                dump.append(a).append("a\n").append(b).append("bb\n");
            }
            Changes fromTable = read(table.toString());
            Changes fromDump = read(dump.toString());
            assertThat(fromTable.seen).isEqualTo(fromDump.seen);
            assertThat(fromTable.end).isEqualTo(fromDump.end);
        }
    }
}
