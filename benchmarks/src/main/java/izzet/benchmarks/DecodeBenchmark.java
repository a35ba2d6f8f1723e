package izzet.benchmarks;

import izzet.core.bench.I2cWaveform;
import izzet.core.capture.VcdReader;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Decoding a record against a plain pass that counts its line ends, over the same bytes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class DecodeBenchmark {

    private static final int TRANSFERS = 4000;
    private byte[] record;

    @Setup
    public void record() throws IOException {
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
        record = out.toByteArray();
        System.out.println("record: " + record.length / 1_000_000 + " MB");
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
        Protocol i2c = Protocols.of("i2c");
        Settings settings = Settings.of(i2c, Map.of("scl", "scl", "sda", "sda")::get);
        new VcdReader(new ByteArrayInputStream(record)).read(i2c.decoder(settings, e -> bytes[0]++));
        return bytes[0];
    }
}
