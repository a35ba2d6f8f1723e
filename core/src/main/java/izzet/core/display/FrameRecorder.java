package izzet.core.display;

import java.util.Base64;
import java.util.List;
import java.util.Map;

/**
 * Records what a glass shows from moment to moment as JSON, each frame as what changed since the one before, so that it can be run back
 * and forth without the record. Not thread-safe.
 *
 * <p>Pixels: {@code {"t":tick,"runs":[from,length,...],"rgb":"base64"}}, pixels counted row by row, three bytes each; a mono glass has
 * {@code "bits":"0110"} instead. Characters: {@code {"t":tick,"lines":[...],"glyphs":{...},"cursor":cell}}.
 */
public final class FrameRecorder {

    /** Changed pixels kept in all; beyond it frames come farther apart. */
    private static final long MOST_PIXELS = 4_000_000;

    private final long spacing;
    private final StringBuilder json = new StringBuilder();
    private int[] before;
    private long seenChanges = -1;
    private long lastTick = Long.MIN_VALUE;
    private long pixels;
    private int frames;
    private boolean first = true;

    /** @param spacing ticks between two frames at least */
    public FrameRecorder(long spacing) {
        this.spacing = Math.max(0, spacing);
    }

    /**
     * Takes a frame where something changed.
     *
     * @param last whether it is the last, which is taken however close it is
     */
    public void look(Glass glass, long tick, boolean last) {
        long gap = pixels > MOST_PIXELS / 2 ? spacing * 8 : spacing;
        if (glass.changes() == seenChanges
                || !last && !first && tick - lastTick < gap
                || pixels > MOST_PIXELS && !last) {
            return;
        }
        if (glass instanceof Glass.Pixels p) {
            pixels(p.seen(), tick, glass.state());
        } else if (glass instanceof Glass.Text t) {
            text(t, tick);
        }
        seenChanges = glass.changes();
        lastTick = tick;
        first = false;
    }

    public int frames() {
        return frames;
    }

    /** The frames, as the inside of a JSON array. */
    public String json() {
        return json.toString();
    }

    private void open(long tick) {
        json.append(frames++ == 0 ? "" : ",").append("{\"t\":").append(tick);
    }

    private void pixels(Picture now, long tick, String state) {
        StringBuilder runs = new StringBuilder();
        StringBuilder bits = new StringBuilder();
        byte[] rgb = new byte[now.rgb().length * 3];
        int size = 0;
        int from = -1;
        for (int i = 0; i <= now.rgb().length; i++) {
            boolean changed = i < now.rgb().length && (before == null ? now.rgb()[i] != 0 : now.rgb()[i] != before[i]);
            if (changed) {
                from = from < 0 ? i : from;
                int c = now.rgb()[i];
                if (now.mono()) {
                    bits.append(c != 0 ? '1' : '0');
                } else {
                    rgb[size++] = (byte) (c >> 16);
                    rgb[size++] = (byte) (c >> 8);
                    rgb[size++] = (byte) c;
                }
                pixels++;
            } else if (from >= 0) {
                runs.append(runs.isEmpty() ? "" : ",").append(from).append(',').append(i - from);
                from = -1;
            }
        }
        before = now.rgb();
        open(tick);
        json.append(",\"state\":\"")
                .append(state)
                .append("\",\"runs\":[")
                .append(runs)
                .append(']');
        if (now.mono()) {
            json.append(",\"bits\":\"").append(bits).append("\"}");
        } else {
            json.append(",\"rgb\":\"")
                    .append(Base64.getEncoder().encodeToString(java.util.Arrays.copyOf(rgb, size)))
                    .append("\"}");
        }
    }

    private void text(Glass.Text glass, long tick) {
        open(tick);
        json.append(",\"state\":\"").append(glass.state()).append("\",");
        json(json, glass);
        json.append(",\"cursor\":").append(glass.cursor()).append('}');
    }

    /** The lines and glyphs of a glass of characters, as the inside of a JSON object. */
    public static void json(StringBuilder out, Glass.Text glass) {
        out.append("\"lines\":[");
        List<String> lines = glass.lines();
        for (int i = 0; i < lines.size(); i++) {
            out.append(i == 0 ? "\"" : ",\"");
            for (char c : lines.get(i).toCharArray()) {
                if (c < ' ' || c == '"' || c == '\\') {
                    out.append(String.format("\\u%04x", (int) c));
                } else {
                    out.append(c);
                }
            }
            out.append('"');
        }
        out.append("],\"glyphs\":{");
        boolean some = false;
        for (Map.Entry<Integer, int[]> glyph : glass.glyphs().entrySet()) {
            out.append(some ? ",\"" : "\"").append(glyph.getKey()).append("\":[");
            for (int r = 0; r < glyph.getValue().length; r++) {
                out.append(r == 0 ? "" : ",").append(glyph.getValue()[r]);
            }
            out.append(']');
            some = true;
        }
        out.append('}');
    }
}
