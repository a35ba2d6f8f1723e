package izzet.app.traffic;

import izzet.app.drawing.Pictures;
import izzet.app.fault.NoSuchThing;
import izzet.app.files.FileNames;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.decode.BusEvent;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Clockwork;
import izzet.core.display.FrameRecorder;
import izzet.core.display.Glass;
import izzet.core.display.Picture;
import izzet.core.record.Conversation;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What the parts of a plan show as a record goes on: frames to run through, and pictures to take away. */
@Controller
class GlassController {

    private static final int MOST_FRAMES = 1200;
    private static final int MOST_IN_FILE = 200;
    private static final int HUNDREDTHS = 8;

    /** Longer transfers are shown in pieces, so that a picture grows as its bytes come. */
    private static final int PIECE = 512;

    private static final int SMALL = 200;

    private final PlanFrames frames;
    private final RecordStore records;

    GlassController(PlanFrames frames, RecordStore records) {
        this.frames = frames;
        this.records = records;
    }

    /** Looks at a glass after each event. */
    private interface Look {
        void at(Glass glass, long tick);
    }

    /** Which stretch of a bus is followed: the same as its page tells. */
    private record Stretch(long bus, Long begin, long until) {}

    private Glass run(long planId, StoredRecord record, Stretch stretch, String part, Look look) {
        PlanFrame frame = frames.of(planId, "traffic");
        StoredRecord.Bus bus = record.bus(stretch.bus()).orElseThrow(() -> new NoSuchThing("The record has no bus."));
        Conversation talk = new Conversation(frame.circuit(), Partners.of(frame.circuit(), record, bus), line -> {});
        long until = stretch.until();
        long begin = stretch.begin() == null ? record.firstTick() : stretch.begin();
        Clockwork clock = new Clockwork(record.scale());
        records.events(bus.id(), begin, TrafficController.MOST_EVENTS, e -> {
            for (BusEvent piece : pieces(e)) {
                if (piece.end() > until) {
                    return;
                }
                Glass before = talk.glasses().get(part);
                if (before != null) {
                    clock.until(piece.end(), before, tick -> look.at(before, tick));
                }
                talk.add(piece);
                Glass glass = talk.glasses().get(part);
                if (glass != null) {
                    look.at(glass, piece.end());
                }
            }
        });
        Glass glass = talk.glasses().get(part);
        if (glass == null && until == Long.MAX_VALUE) {
            throw new NoSuchThing("Nothing in this record is shown by '" + part + "'.");
        }
        if (glass != null) {
            clock.until(Math.min(until, record.lastTick()), glass, tick -> look.at(glass, tick));
        }
        return glass;
    }

    private static List<BusEvent> pieces(BusEvent event) {
        if (!(event instanceof SpiTransfer t) || t.size() <= PIECE || t.mosi() == null || t.mosi().length < t.size()) {
            return List.of(event);
        }
        List<BusEvent> pieces = new ArrayList<>();
        long from = t.start();
        for (int i = 0; i < t.size(); i += PIECE) {
            int to = Math.min(t.size(), i + PIECE);
            pieces.add(new SpiTransfer(
                    from,
                    t.ends()[to - 1],
                    Arrays.copyOfRange(t.mosi(), i, to),
                    t.miso() == null ? null : Arrays.copyOfRange(t.miso(), i, to),
                    t.dc() == null ? null : Arrays.copyOfRange(t.dc(), i, to),
                    Arrays.copyOfRange(t.ends(), i, to),
                    true));
            from = t.ends()[to - 1];
        }
        return pieces;
    }

    @GetMapping("/plans/{id}/traffic/{record}/frames")
    ResponseEntity<String> frames(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "-1") long bus,
            @RequestParam(required = false) Long begin,
            @RequestParam String part) {
        StoredRecord stored = records.get(id, record);
        FrameRecorder recorder = new FrameRecorder((stored.lastTick() - stored.firstTick()) / MOST_FRAMES);
        Glass glass = run(
                id, stored, new Stretch(bus, begin, Long.MAX_VALUE), part, (g, tick) -> recorder.look(g, tick, false));
        recorder.look(glass, stored.lastTick(), true);
        String json = "{\"columns\":" + glass.columns() + ",\"rows\":" + glass.rows() + ",\"text\":"
                + (glass instanceof Glass.Text)
                + ",\"femtoseconds\":" + stored.scale().femtoseconds() + ",\"first\":" + stored.firstTick()
                + ",\"last\":"
                + stored.lastTick() + ",\"frames\":[" + recorder.json() + "]}";
        return ResponseEntity.ok()
                .contentType(new MediaType("application", "json", StandardCharsets.UTF_8))
                .body(json);
    }

    /** The picture at a moment as a file: png, pbm (of one colour), ppm, or gif of all that was shown until then. */
    @GetMapping("/plans/{id}/traffic/{record}/glass/{part}.{kind}")
    ResponseEntity<byte[]> picture(
            @PathVariable long id,
            @PathVariable long record,
            @PathVariable String part,
            @PathVariable String kind,
            @RequestParam(defaultValue = "-1") long bus,
            @RequestParam(required = false) Long begin,
            @RequestParam(required = false) Long at)
            throws IOException {
        StoredRecord stored = records.get(id, record);
        long until = at == null ? Long.MAX_VALUE : at;
        List<Picture> all = new ArrayList<>();
        long[] next = {Long.MIN_VALUE};
        long spacing = (stored.lastTick() - stored.firstTick()) / MOST_IN_FILE;
        Glass glass = run(id, stored, new Stretch(bus, begin, until), part, (g, tick) -> {
            if (kind.equals("gif") && g instanceof Glass.Pixels p && tick >= next[0]) {
                add(all, p.seen());
                next[0] = tick + spacing;
            }
        });
        if (!(glass instanceof Glass.Pixels pixels)) {
            throw new IllegalArgumentException(
                    glass == null
                            ? "Nothing was shown before this moment."
                            : "A glass of characters is no picture; copy its text.");
        }
        Picture now = pixels.seen();
        int scale = now.width() < SMALL ? 4 : 1;
        byte[] body =
                switch (kind) {
                    case "png" -> Pictures.png(now, scale);
                    case "ppm" -> now.ppm().getBytes(StandardCharsets.US_ASCII);
                    case "gif" -> {
                        add(all, now);
                        yield Pictures.animated(all, HUNDREDTHS, Math.min(2, scale));
                    }
                    case "pbm" -> {
                        if (!now.mono()) {
                            throw new IllegalArgumentException(
                                    "A bitmap knows one colour; take this glass as png or ppm.");
                        }
                        yield now.pbm().getBytes(StandardCharsets.US_ASCII);
                    }
                    default ->
                        throw new NoSuchThing(
                                "A glass can be taken away as png, pbm, ppm or gif, not as " + kind + ".");
                };
        String type =
                switch (kind) {
                    case "pbm" -> "x-portable-bitmap";
                    case "ppm" -> "x-portable-pixmap";
                    default -> kind;
                };
        return ResponseEntity.ok()
                .contentType(new MediaType("image", type))
                .header(HttpHeaders.CONTENT_DISPOSITION, FileNames.attachment(part, "glass", "." + kind))
                .body(body);
    }

    private static void add(List<Picture> all, Picture now) {
        if (all.isEmpty() || all.get(all.size() - 1).differences(now) > 0) {
            all.add(now);
        }
    }
}
