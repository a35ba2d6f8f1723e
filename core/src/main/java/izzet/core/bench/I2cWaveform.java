package izzet.core.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;

/**
 * A simulated 2-wire bus that writes what is said on it as a value change dump. Not thread-safe; one per record.
 *
 * <p>Times in nanoseconds; one clock period is split in four quarters: data changes in the first, the clock is high in the third and
 * fourth.
 */
public final class I2cWaveform implements AutoCloseable {

    private static final int BITS = 8;

    private final OutputStream out;
    private final long quarter;
    private long now;
    private boolean scl = true;
    private boolean sda = true;

    /** @param clockHz of the bus */
    public I2cWaveform(OutputStream out, int clockHz) throws IOException {
        this.out = out;
        this.quarter = 1_000_000_000L / clockHz / 4;
        write("$timescale 1 ns $end\n$scope module bench $end\n$var wire 1 ! scl $end\n$var wire 1 \" sda $end\n"
                + "$upscope $end\n$enddefinitions $end\n#0\n$dumpvars\n1!\n1\"\n$end\n");
        idle(20 * quarter);
    }

    public void idle(long nanos) {
        now += nanos;
    }

    /** Writes bytes to an address; {@code heard} says whether somebody acknowledges the address and the bytes. */
    public void write(int address, boolean heard, int... bytes) throws IOException {
        start();
        send(address << 1, heard);
        if (heard) {
            for (int b : bytes) {
                send(b, true);
            }
        }
        stop();
    }

    private void start() throws IOException {
        sda(true);
        now += quarter;
        scl(true);
        now += quarter;
        sda(false);
        now += 2 * quarter;
        scl(false);
        now += quarter;
    }

    private void stop() throws IOException {
        sda(false);
        now += quarter;
        scl(true);
        now += 2 * quarter;
        sda(true);
        now += 4 * quarter;
    }

    private void send(int value, boolean acknowledged) throws IOException {
        for (int bit = BITS - 1; bit >= 0; bit--) {
            clock((value >> bit & 1) == 1);
        }
        clock(!acknowledged);
    }

    private void clock(boolean level) throws IOException {
        now += quarter / 2;
        sda(level);
        now += quarter - quarter / 2;
        scl(true);
        now += 2 * quarter;
        scl(false);
        now += quarter;
    }

    private void scl(boolean level) throws IOException {
        if (scl != level) {
            scl = level;
            write("#" + now + "\n" + (level ? "1!\n" : "0!\n"));
        }
    }

    private void sda(boolean level) throws IOException {
        if (sda != level) {
            sda = level;
            write("#" + now + "\n" + (level ? "1\"\n" : "0\"\n"));
        }
    }

    private void write(String text) throws IOException {
        out.write(text.getBytes(StandardCharsets.US_ASCII));
    }

    /** Ends the record; the stream stays open. */
    @Override
    public void close() throws IOException {
        write("#" + (now + 20 * quarter) + "\n");
        out.flush();
    }
}
