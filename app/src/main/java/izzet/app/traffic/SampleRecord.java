package izzet.app.traffic;

import izzet.core.bench.I2cWaveform;
import java.io.ByteArrayOutputStream;
import java.io.IOException;

/** A simulated record to try the station with: two signs that answer at one address, and a character display on an expander. */
public final class SampleRecord {

    public static final String NAME = "sample, simulated.vcd";

    private static final int SIGN = 0x3C;
    private static final int OTHER_SIGN = 0x3D;
    private static final int CABIN = 0x27;

    private SampleRecord() {}

    /** Both signs answer at one address, the program tries the other; then the cabin display is written. */
    public static byte[] bytes() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 100_000)) {
            bus.write(SIGN, true, 0x00, 0xAE, 0xD5, 0x80, 0xA8, 0x3F, 0xD3, 0x00, 0x40, 0x8D, 0x14);
            bus.write(SIGN, true, 0x00, 0x20, 0x00, 0xA1, 0xC8, 0xDA, 0x12, 0x81, 0x7F);
            bus.write(SIGN, true, 0x00, 0xAF);
            bus.write(OTHER_SIGN, false);
            bus.idle(2_000_000);
            bus.write(SIGN, true, 0x00, 0x21, 0, 127, 0x22, 0, 7);
            for (int piece = 0; piece < 32; piece++) {
                int[] bytes = new int[33];
                bytes[0] = 0x40;
                for (int i = 1; i < bytes.length; i++) {
                    bytes[i] = picture(piece * 32 + i - 1);
                }
                bus.write(SIGN, true, bytes);
            }
            bus.idle(3_000_000);
            cabin(bus);
            bus.write(OTHER_SIGN, false);
        }
        return out.toByteArray();
    }

    /** A byte of a picture of a carriage before a signal: eight rows of a column, page by page. */
    private static int picture(int index) {
        int value = 0;
        for (int bit = 0; bit < 8; bit++) {
            value |= lit(index % 128, index / 128 * 8 + bit) ? 1 << bit : 0;
        }
        return value;
    }

    private static boolean lit(int x, int y) {
        boolean rails = y == 54 || y == 58 || y > 54 && y < 58 && x % 8 < 2;
        boolean post = x >= 100 && x <= 102 && y >= 8 && y < 54;
        boolean arm = x >= 78 && x < 100 && y >= 10 && y < 16;
        boolean lamp = (x - 101) * (x - 101) + (y - 24) * (y - 24) <= 20;
        boolean window = y >= 34 && y < 42 && x >= 12 && x < 60 && (x - 12) % 12 < 8;
        boolean body = x >= 8 && x < 64 && y >= 30 && y < 50 && !window;
        boolean wheels = Math.min(Math.abs(x - 18), Math.abs(x - 52)) <= 3 && y >= 48 && y < 54;
        return rails || post || arm || lamp || body || wheels;
    }

    private static void cabin(I2cWaveform bus) throws IOException {
        for (int nibble : new int[] {3, 3, 3, 2}) {
            bus.write(CABIN, true, nibble << 4 | 0x0C, nibble << 4 | 0x08);
            bus.idle(4_000_000);
        }
        for (int command : new int[] {0x28, 0x0C, 0x06, 0x01}) {
            send(bus, command, 0);
        }
        bus.idle(2_000_000);
        send(bus, 0x80, 0);
        text(bus, "LINE 2 CLEAR");
    }

    private static void text(I2cWaveform bus, String text) throws IOException {
        int[] bytes = new int[text.length() * 4];
        for (int i = 0; i < text.length(); i++) {
            int c = text.charAt(i);
            int[] four = {c & 0xF0 | 0x0D, c & 0xF0 | 0x09, (c & 0x0F) << 4 | 0x0D, (c & 0x0F) << 4 | 0x09};
            System.arraycopy(four, 0, bytes, i * 4, 4);
        }
        bus.write(CABIN, true, bytes);
    }

    private static void send(I2cWaveform bus, int value, int rs) throws IOException {
        int high = value & 0xF0 | 0x08 | rs;
        int low = (value & 0x0F) << 4 | 0x08 | rs;
        bus.write(CABIN, true, high | 4, high, low | 4, low);
    }
}
