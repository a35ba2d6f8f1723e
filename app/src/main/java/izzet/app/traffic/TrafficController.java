package izzet.app.traffic;

import izzet.app.files.FileNames;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.capture.EdgeBlock;
import izzet.core.capture.WaveColumns;
import izzet.core.decode.I2cTransfer;
import izzet.core.quantity.Hex;
import izzet.core.record.Comparison;
import izzet.core.record.Conversation;
import java.io.BufferedWriter;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The station where records are uploaded, decoded and read. */
@Controller
class TrafficController {

    private static final int MOST_COLUMNS = 4000;
    private static final int MOST_LABELS = 60;
    private static final int SHOWN_BYTES = 2048;

    private final PlanFrames frames;
    private final RecordStore records;

    TrafficController(PlanFrames frames, RecordStore records) {
        this.frames = frames;
        this.records = records;
    }

    @GetMapping("/plans/{id}/traffic")
    String list(@PathVariable long id, Model model) {
        PlanFrame frame = frames.of(id, "traffic");
        model.addAttribute("frame", frame);
        model.addAttribute("records", records.list(id));
        model.addAttribute("probes", Probe.of(frame.circuit()));
        return "traffic/page";
    }

    /** A simulated record, to see what the station makes of one. */
    @PostMapping("/plans/{id}/traffic/sample")
    String sample(@PathVariable long id) throws IOException {
        frames.of(id, "traffic");
        byte[] sample = SampleRecord.bytes();
        return "redirect:/plans/" + id + "/traffic/"
                + records.upload(id, SampleRecord.NAME, new ByteArrayInputStream(sample));
    }

    @PostMapping("/plans/{id}/traffic")
    String upload(@PathVariable long id, @RequestParam MultipartFile file) throws IOException {
        frames.of(id, "traffic");
        String name =
                file.getOriginalFilename() == null || file.getOriginalFilename().isBlank()
                        ? "record"
                        : file.getOriginalFilename();
        try (InputStream in = file.getInputStream()) {
            return "redirect:/plans/" + id + "/traffic/" + records.upload(id, name, in);
        }
    }

    /** A line of the conversation as shown. */
    public record LineView(Conversation.Line line, String at, boolean selected) {}

    /** The bytes of one line, in a notation. */
    public record BytesView(String address, List<String> values, int hidden) {}

    @GetMapping("/plans/{id}/traffic/{record}")
    String record(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "1") int page,
            @RequestParam(defaultValue = "-1") int line,
            @RequestParam(defaultValue = "-1") long at,
            @RequestParam(defaultValue = "hex") String as,
            Model model) {
        PlanFrame frame = frames.of(id, "traffic");
        RecordStore.Stored stored = records.get(id, record);
        TalkPage talk = TalkPage.holding(page, line, at);
        Conversation conversation = new Conversation(frame.circuit(), talk::add);
        records.transfers(record, conversation::add);
        conversation.end();
        int chosen = talk.chosen();
        List<LineView> views = new ArrayList<>();
        for (Conversation.Line l : talk.lines()) {
            views.add(new LineView(l, time(stored, l.start()), talk.first() + views.size() == chosen));
        }
        Conversation.Line selected = chosen < 0 ? null : talk.lines().get(chosen - talk.first());
        model.addAttribute("frame", frame);
        model.addAttribute("record", stored);
        model.addAttribute("lines", views);
        model.addAttribute("first", talk.first());
        model.addAttribute("total", talk.total());
        model.addAttribute("page", talk.page());
        model.addAttribute("pages", talk.pages());
        model.addAttribute("selected", chosen);
        model.addAttribute("as", as);
        model.addAttribute("bytes", selected == null ? List.of() : bytes(record, selected, as));
        model.addAttribute("from", selected == null ? stored.firstTick() : selected.start());
        model.addAttribute("to", selected == null ? stored.lastTick() : selected.end());
        model.addAttribute("remarks", Comparison.of(conversation));
        return "traffic/record";
    }

    private static String time(RecordStore.Stored stored, long tick) {
        double ms = stored.scale().seconds(tick) * 1000;
        return String.format(Locale.ROOT, "%.3f ms", ms);
    }

    private List<BytesView> bytes(long record, Conversation.Line line, String as) {
        List<BytesView> views = new ArrayList<>();
        int[] index = {0};
        int[] left = {SHOWN_BYTES};
        records.transfers(record, t -> {
            int i = index[0]++;
            if (i >= line.first() && i < line.first() + line.count() && left[0] > 0) {
                views.add(view(t, as, left[0]));
                left[0] -= t.size() + 1;
            }
        });
        return views;
    }

    private static BytesView view(I2cTransfer t, String as, int most) {
        List<String> values = new ArrayList<>();
        int shown = Math.min(t.size(), most);
        for (int i = 0; i < shown; i++) {
            values.add(notation(t.value(i), as) + (t.acks()[i] ? "" : " ✕"));
        }
        String head = Hex.of(t.address()) + (t.read() ? " read" : " write") + (t.ack() ? "" : " ✕");
        return new BytesView(head, values, t.size() - shown);
    }

    static String notation(int value, String as) {
        return switch (as) {
            case "decimal" -> Integer.toString(value);
            case "binary" ->
                String.format(Locale.ROOT, "%8s", Integer.toBinaryString(value)).replace(' ', '0');
            case "ascii" -> value > ' ' && value < 0x7F ? "'" + (char) value + "'" : "·";
            default -> String.format(Locale.ROOT, "%02X", value);
        };
    }

    @PostMapping("/plans/{id}/traffic/{record}/lines")
    String lines(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam String scl,
            @RequestParam String sda,
            @RequestParam(defaultValue = "0") long glitchNs) {
        if (glitchNs < 0 || glitchNs > 1_000_000) {
            throw new IllegalArgumentException("The glitch limit lies between 0 and 1 000 000 ns.");
        }
        records.decode(id, record, scl, sda, glitchNs, "chosen by you");
        return "redirect:/plans/" + id + "/traffic/" + record;
    }

    @GetMapping("/plans/{id}/traffic/{record}/file")
    ResponseEntity<StreamingResponseBody> file(@PathVariable long id, @PathVariable long record) {
        String name = records.get(id, record).name().replaceAll("\\.(vcd|csv)$", "");
        StreamingResponseBody body = out -> {
            try (Writer text = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                records.write(id, record, text);
            }
        };
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "plain", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, FileNames.attachment(name, "record", ".vcd"))
                .body(body);
    }

    @PostMapping("/plans/{id}/traffic/{record}/delete")
    String delete(@PathVariable long id, @PathVariable long record) {
        records.delete(id, record);
        return "redirect:/plans/" + id + "/traffic";
    }

    /** A label on the wave: a byte, where it begins and ends. */
    public record Label(long from, long to, String text, boolean heard) {}

    /** The bytes of a short stretch; none where they would lie too close to be read. */
    @GetMapping("/plans/{id}/traffic/{record}/labels")
    @ResponseBody
    List<Label> labels(
            @PathVariable long id, @PathVariable long record, @RequestParam long from, @RequestParam long to) {
        List<Label> labels = new ArrayList<>();
        boolean told = records.bytes(records.get(id, record), from, to, (start, end, value, acknowledged, first) -> {
            String text = first ? ((value & 1) == 1 ? "from " : "to ") + Hex.of(value >> 1) : Hex.of(value);
            labels.add(new Label(start, end, text, acknowledged));
        });
        return told && labels.size() <= MOST_LABELS ? labels : List.of();
    }

    /** The visible stretch of clock and data: for each of the two lines one byte a column; see WaveColumns. */
    @GetMapping("/plans/{id}/traffic/{record}/wave")
    ResponseEntity<byte[]> wave(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam long from,
            @RequestParam long to,
            @RequestParam int columns) {
        RecordStore.Stored stored = records.get(id, record);
        if (to <= from || columns < 1 || columns > MOST_COLUMNS) {
            throw new IllegalArgumentException(
                    "from must be below to, and columns between 1 and " + MOST_COLUMNS + ".");
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (String name : new String[] {stored.scl(), stored.sda()}) {
            List<EdgeBlock> blocks = records.blocks(record, stored.lineOf(name), from, to);
            out.writeBytes(WaveColumns.of(blocks, from, to, columns));
        }
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(out.toByteArray());
    }
}
