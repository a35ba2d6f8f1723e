package izzet.benchmarks;

import izzet.core.bench.I2cWaveform;
import izzet.core.capture.VcdReader;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Decoding a record against a plain pass that counts its line ends, over the same bytes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class DecodeBenchmark {

    private static final int TRANSFERS = 4000;
    private static final int WORDS = 130_000;

    @Param({"i2c", "spi", "character-lcd", "parallel-8080"})
    private String protocol;

    private byte[] record;
    private Map<String, String> lines;

    @Setup
    public void record() throws IOException {
        record = protocol.equals("i2c") ? i2c() : words();
        System.out.println("record: " + record.length / 1_000_000 + " MB");
    }

    private byte[] i2c() throws IOException {
        lines = Map.of("scl", "scl", "sda", "sda");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 400_000)) {
            int[] bytes = new int[33];
            for (int t = 0; t < TRANSFERS; t++) {
                for (int i = 0; i < bytes.length; i++) {
                    bytes[i] = (t * 31 + i * 7) & 0xFF;
                }
                bus.write(0x3C, true, bytes);
            }
        }
        return out.toByteArray();
    }

    /** A strobe or a clock, and data that changes as often as that of pictures does. */
    private byte[] words() {
        boolean serial = protocol.equals("spi");
        String strobe = protocol.equals("character-lcd") ? "e" : serial ? "clock" : "wr";
        String[] data = serial ? new String[] {"mosi"} : new String[] {"d0", "d1", "d2", "d3", "d4", "d5", "d6", "d7"};
        Map<String, String> names = new HashMap<>(Map.of(strobe, strobe, serial ? "select" : "rs", "s"));
        StringBuilder text =
                new StringBuilder("$timescale 1ns $end\n$var wire 1 ! " + strobe + " $end\n$var wire 1 \" s $end\n");
        for (int i = 0; i < data.length; i++) {
            names.put(data[i], data[i]);
            text.append("$var wire 1 ")
                    .append((char) ('#' + i))
                    .append(' ')
                    .append(data[i])
                    .append(" $end\n");
        }
        text.append("$enddefinitions $end\n#0\n0!\n0\"\n");
        int before = 0;
        long now = 0;
        for (int w = 0; w < WORDS; w++) {
            int value = w * 31 + (w >> 5) & 0xFF;
            for (int bit = serial ? 7 : 0; bit >= 0; bit--) {
                text.append('#').append(now += 60).append('\n');
                for (int i = 0; i < data.length; i++) {
                    int from = serial ? bit : i;
                    int last = serial ? before & 1 : before >> i & 1;
                    if ((value >> from & 1) != last) {
                        text.append(value >> from & 1).append((char) ('#' + i)).append('\n');
                    }
                }
                before = serial ? value >> bit : value;
                text.append('#')
                        .append(now += 60)
                        .append("\n1!\n#")
                        .append(now += 60)
                        .append("\n0!\n");
            }
        }
        lines = names;
        return text.toString().getBytes(StandardCharsets.US_ASCII);
    }

    @Benchmark
    public int plainPass() {
        int lines = 0;
        for (byte b : record) {
            if (b == '\n') {
                lines++;
            }
        }
        return lines;
    }

    @Benchmark
    public long decode() throws IOException {
        long[] bytes = {0};
        Protocol p = Protocols.of(protocol);
        new VcdReader(new ByteArrayInputStream(record)).read(p.decoder(Settings.of(p, lines::get), e -> bytes[0]++));
        return bytes[0];
    }
}
