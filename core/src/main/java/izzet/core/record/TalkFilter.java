package izzet.core.record;

import izzet.core.capture.TimeScale;
import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.ParallelTransfer;
import izzet.core.decode.SerialByte;
import izzet.core.decode.SpiTransfer;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which lines of a conversation are wanted, in a maker's words: "not heard", "to cabin display", "from 0x68", "2A", "longer than 5 ms", or
 * any words of a line. Several are joined by commas; all must hold. Not thread-safe.
 */
public final class TalkFilter {

    private static final Pattern LONGER = Pattern.compile("longer than ([0-9.]+) ?(s|ms|us|µs|ns)");
    private static final Pattern BYTE = Pattern.compile("(?:0x)?([0-9a-f]{2})");
    private static final Pattern BYTES = Pattern.compile("(?:0x)?[0-9a-f]{2}(?: (?:0x)?[0-9a-f]{2})*");

    private final String[] wants;
    private final TimeScale scale;
    private final int[][] sequences;
    private final boolean[] seen;

    /** @param text as typed; wants everything where it is blank */
    public TalkFilter(String text, TimeScale scale) {
        String clean = text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
        wants = clean.isEmpty() ? new String[0] : clean.split("\\s*,\\s*");
        this.scale = scale;
        sequences = new int[wants.length][];
        seen = new boolean[wants.length];
        for (int i = 0; i < wants.length; i++) {
            if (BYTES.matcher(wants[i]).matches()) {
                Matcher m = BYTE.matcher(wants[i]);
                sequences[i] = m.results()
                        .mapToInt(r -> Integer.parseInt(r.group(1), 16))
                        .toArray();
            }
        }
    }

    public boolean all() {
        return wants.length == 0;
    }

    /** An event of the line that is told next to {@link #wants}. */
    public void event(BusEvent event) {
        for (int i = 0; i < wants.length; i++) {
            if (sequences[i] != null && !seen[i]) {
                seen[i] = has(event, sequences[i]);
            }
        }
    }

    private static boolean has(BusEvent event, int[] sequence) {
        if (event instanceof I2cTransfer t) {
            if (sequence.length == 1 && t.address() == sequence[0]) {
                return true;
            }
            int[] data = new int[t.size()];
            for (int i = 0; i < data.length; i++) {
                data[i] = t.value(i);
            }
            return has(data, sequence);
        }
        if (event instanceof SpiTransfer t) {
            return has(t.mosi(), sequence) || has(t.miso(), sequence);
        }
        int one = event instanceof CharacterTransfer c
                ? c.value()
                : event instanceof ParallelTransfer p ? p.value() : event instanceof SerialByte s ? s.value() : -1;
        return sequence.length == 1 && sequence[0] == one;
    }

    private static boolean has(int[] data, int[] sequence) {
        for (int i = 0; data != null && i + sequence.length <= data.length; i++) {
            int k = 0;
            while (k < sequence.length && data[i + k] == sequence[k]) {
                k++;
            }
            if (k == sequence.length) {
                return true;
            }
        }
        return false;
    }

    /** Whether a line is wanted, whose events were told before. */
    public boolean wants(Conversation.Line line) {
        boolean all = true;
        for (int i = 0; i < wants.length; i++) {
            all &= one(i, line);
            seen[i] = false;
        }
        return all;
    }

    private boolean one(int i, Conversation.Line line) {
        String want = wants[i];
        String partner = line.partner().toLowerCase(Locale.ROOT);
        if (want.equals("not heard") || want.equals("refused") || want.equals("trouble")) {
            return !line.heard();
        }
        Matcher longer = LONGER.matcher(want);
        if (longer.matches()) {
            double unit =
                    switch (longer.group(2)) {
                        case "s" -> 1;
                        case "ms" -> 1e-3;
                        case "ns" -> 1e-9;
                        default -> 1e-6;
                    };
            return scale.seconds(line.end() - line.start()) > number(longer.group(1)) * unit;
        }
        if (want.startsWith("to ")) {
            return !line.read() && partner.contains(want.substring(3));
        }
        if (want.startsWith("from ")) {
            return line.read() && partner.contains(want.substring(5));
        }
        return seen[i]
                || partner.contains(want)
                || line.text().toLowerCase(Locale.ROOT).contains(want);
    }

    private static double number(String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            return Double.MAX_VALUE;
        }
    }
}
