package izzet.core.capture;

import java.io.IOException;
import java.io.Writer;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;

/**
 * Writes a record as a value change dump (IEEE 1364), as a stream. What {@link VcdReader} reads from it has the same lines, times and
 * changes.
 */
public final class VcdWriter {

    private static final String[] UNITS = {"fs", "ps", "ns", "us", "ms", "s"};
    private static final int FIRST_MARK = '!';
    private static final int MARKS = '~' - '!' + 1;

    /**
     * A line of the record.
     *
     * @param name with dots between its scopes
     */
    public record Line(String name, EdgeCursor changes) {}

    private record Next(int line, EdgeCursor changes) {}

    private VcdWriter() {}

    /**
     * @param first time stamp of the record
     * @param last time stamp, which the record may have without a change
     */
    public static void write(Writer out, TimeScale scale, List<Line> lines, long first, long last) throws IOException {
        long unit = scale.femtoseconds();
        int power = 0;
        while (unit % 10 == 0 && power < 3 * UNITS.length - 1) {
            unit /= 10;
            power++;
        }
        // A tick that is no power of ten, as tables may have it: the unit below it, counted by the factor that is left.
        long factor = unit;
        out.write("$timescale " + "1" + "0".repeat(power % 3) + " " + UNITS[power / 3] + " $end\n");
        for (int i = 0; i < lines.size(); i++) {
            declare(out, lines.get(i).name(), mark(i));
        }
        out.write("$enddefinitions $end\n");
        PriorityQueue<Next> queue = new PriorityQueue<>(
                Comparator.comparingLong((Next n) -> n.changes().tick()).thenComparingInt(Next::line));
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).changes().more()) {
                queue.add(new Next(i, lines.get(i).changes()));
            }
        }
        long now = first;
        out.write("#" + Math.multiplyExact(now, factor) + "\n");
        while (!queue.isEmpty()) {
            Next next = queue.poll();
            if (next.changes().tick() != now) {
                now = next.changes().tick();
                out.write("#" + Math.multiplyExact(now, factor) + "\n");
            }
            int level = next.changes().take();
            out.write((level == 0 ? "0" : level == 1 ? "1" : "x") + mark(next.line()) + "\n");
            if (next.changes().more()) {
                queue.add(next);
            }
        }
        if (last != now) {
            out.write("#" + Math.multiplyExact(last, factor) + "\n");
        }
    }

    private static void declare(Writer out, String name, String mark) throws IOException {
        String[] scopes = name.strip().replaceAll("\\s", "_").split("\\.");
        for (int i = 0; i < scopes.length - 1; i++) {
            out.write("$scope module " + scopes[i] + " $end\n");
        }
        out.write("$var wire 1 " + mark + " " + scopes[scopes.length - 1] + " $end\n");
        for (int i = 0; i < scopes.length - 1; i++) {
            out.write("$upscope $end\n");
        }
    }

    private static String mark(int line) {
        return line < MARKS
                ? String.valueOf((char) (FIRST_MARK + line))
                : mark(line / MARKS - 1) + (char) (FIRST_MARK + line % MARKS);
    }
}
