package izzet.app.traffic;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.files.FileNames;
import izzet.app.jobs.Job;
import izzet.app.jobs.Jobs;
import izzet.app.preference.Preferences;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.calc.I2cMode;
import izzet.core.capture.RecordFault;
import izzet.core.capture.RecordReader;
import izzet.core.capture.TableOptions;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.ParallelTransfer;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.SerialByte;
import izzet.core.decode.Settings;
import izzet.core.decode.SingleWireFrame;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Glass;
import izzet.core.plan.Bus;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Names;
import izzet.core.quantity.Quantity;
import izzet.core.record.BusJudgement;
import izzet.core.record.CaptureCard;
import izzet.core.record.Comparison;
import izzet.core.record.Conversation;
import izzet.core.record.I2cTiming;
import izzet.core.record.Lanes;
import izzet.core.record.Remark;
import izzet.core.record.SelectOverlap;
import izzet.core.record.StrangerText;
import izzet.core.record.TalkFilter;
import java.io.BufferedWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
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
    private static final int LANE_COLUMNS = 400;
    private static final int MOST_PARTS = 4;
    private static final double MILLION = 1e6;
    static final int MOST_EVENTS = 1_000_000;
    private static final int MOST_DIFFERENCES = 5000;

    /** Records on one page of their list. */
    private static final int CARDS = 24;

    /** Records that one is compared with by a click; older ones by their address. */
    private static final int MOST_OTHERS = 60;

    private final PlanFrames frames;
    private final RecordStore records;
    private final Shelf shelf;
    private final Preferences preferences;
    private final Jobs jobs;

    TrafficController(PlanFrames frames, RecordStore records, Shelf shelf, Preferences preferences, Jobs jobs) {
        this.jobs = jobs;
        this.preferences = preferences;
        this.shelf = shelf;
        this.frames = frames;
        this.records = records;
    }

    @GetMapping("/plans/{id}/traffic")
    String list(@PathVariable long id, @RequestParam(defaultValue = "0") int page, Model model) {
        PlanFrame frame = frames.of(id, "traffic");
        int last = (int) Math.max(0, (records.count(id) - 1) / CARDS);
        int shown = Math.max(0, Math.min(page, last));
        model.addAttribute("frame", frame);
        model.addAttribute("records", records.list(id, shown, CARDS));
        model.addAttribute("page", shown);
        model.addAttribute("last", last);
        model.addAttribute("instrument", preferences.instrument());
        model.addAttribute("cards", CaptureCard.of(frame.circuit(), preferences.instrument()));
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

    /** What an upload says beside its file. */
    public record Upload(String rateHz, String threshold, String hysteresis, String times, String unit, String keep) {

        /** Names of form fields for the threshold of one column. */
        static final String OF_COLUMN = "threshold of ";

        TableOptions table(Map<String, String> given) {
            TableOptions options = TableOptions.of(rateHz, threshold, hysteresis, times, unit);
            for (Map.Entry<String, String> field : given.entrySet()) {
                if (field.getKey().startsWith(OF_COLUMN)) {
                    options = options.withThreshold(field.getKey().substring(OF_COLUMN.length()), field.getValue());
                }
            }
            return options;
        }

        Set<String> lines() {
            return keep == null || keep.isBlank()
                    ? Set.of()
                    : Arrays.stream(keep.split(","))
                            .map(String::strip)
                            .filter(k -> !k.isEmpty())
                            .collect(Collectors.toSet());
        }
    }

    @PostMapping("/plans/{id}/traffic")
    String upload(
            @PathVariable long id,
            @RequestParam MultipartFile file,
            Upload about,
            @RequestParam Map<String, String> given)
            throws IOException {
        frames.of(id, "traffic");
        String name =
                file.getOriginalFilename() == null || file.getOriginalFilename().isBlank()
                        ? "record"
                        : file.getOriginalFilename();
        TableOptions options = about.table(given);
        try (InputStream in = file.getInputStream()) {
            return "redirect:/plans/" + id + "/traffic/" + records.upload(id, name, in, options, about.lines());
        }
    }

    /** How the first rows of a table will be read, and what has to be said before. */
    @PostMapping("/plans/{id}/traffic/preview")
    String preview(
            @PathVariable long id,
            @RequestParam MultipartFile file,
            Upload about,
            @RequestParam Map<String, String> given,
            Model model)
            throws IOException {
        model.addAttribute("about", about);
        model.addAttribute("given", given);
        try (InputStream in = file.getInputStream()) {
            model.addAttribute("preview", RecordReader.preview(in, about.table(given)));
        } catch (RecordFault | IllegalArgumentException e) {
            model.addAttribute("wrong", e.getMessage());
        }
        return "traffic/preview";
    }

    /** A line of the conversation as shown. */
    public record LineView(Conversation.Line line, String at, boolean selected) {}

    /** The words of one event, in a notation. */
    public record BytesView(String head, List<String> values, int hidden) {}

    /** What a part shows that the record speaks to. */
    public record GlassView(String part, String name, int columns, int rows, boolean text, String drawn) {}

    /** From when to when a glass was written to. */
    private static final class Drawing {
        private long written;
        private long first = -1;
        private long last;
        private long before;

        void look(Glass glass, BusEvent event) {
            if (glass.written() > written) {
                before = first < 0 ? glass.written() : before;
                first = first < 0 ? event.end() : first;
                last = event.end();
                written = glass.written();
            }
        }

        /** How much was drawn, and how fast once it had begun. */
        String told(Glass glass, StoredRecord stored) {
            double pictures = written / (double) (glass.columns() * glass.rows());
            if (written <= 0) {
                return "";
            }
            String all = String.format(Locale.ROOT, "Written %.1f times over", pictures);
            double seconds = stored.scale().seconds(last - first);
            double rate = (written - before) / (double) (glass.columns() * glass.rows()) / seconds;
            return pictures < 2 || seconds <= 0
                    ? all + "."
                    : all + String.format(Locale.ROOT, ", from first to last %.1f pictures a second.", rate);
        }
    }

    /** A lane of the whole record; each stretch from a column to another, with its kind: 1 spoken to, 2 trouble. */
    public record LaneView(String partner, boolean known, String told, List<int[]> stretches) {}

    /** Where somebody wants to be in a conversation. */
    public record Wanted(Integer page, Integer line, Long at, Integer trouble, String q, Long begin) {

        TalkPage page0() {
            return trouble != null
                    ? TalkPage.troubleAfter(trouble)
                    : TalkPage.holding(page == null ? 1 : page, line == null ? -1 : line, at == null ? -1 : at);
        }
    }

    @GetMapping("/plans/{id}/traffic/{record}")
    String record(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "-1") long bus,
            @RequestParam(defaultValue = "hex") String as,
            Wanted wanted,
            Model model) {
        PlanFrame frame = frames.of(id, "traffic");
        StoredRecord stored = records.get(id, record);
        model.addAttribute("frame", frame);
        model.addAttribute("record", stored);
        model.addAttribute("as", as);
        model.addAttribute("q", wanted.q() == null ? "" : wanted.q().strip());
        StoredRecord.Bus chosen = stored.bus(bus).orElse(null);
        model.addAttribute("bus", chosen);
        model.addAttribute(
                "others",
                records.newest(id, MOST_OTHERS).stream()
                        .filter(r -> r.id() != record)
                        .toList());
        if (chosen != null) {
            conversation(frame, stored, chosen, wanted, as, model);
        }
        return "traffic/record";
    }

    private void conversation(
            PlanFrame frame, StoredRecord stored, StoredRecord.Bus bus, Wanted wanted, String as, Model model) {
        TalkPage talk = wanted.page0();
        TalkFilter filter = new TalkFilter(wanted.q(), stored.scale());
        Lanes lanes = new Lanes(stored.firstTick(), stored.lastTick(), LANE_COLUMNS);
        Unit partner = Partners.of(frame.circuit(), stored, bus);
        Conversation conversation = new Conversation(frame.circuit(), partner, line -> {
            if (filter.wants(line)) {
                talk.add(line);
            }
        });
        conversation.eachEvent(lanes::add);
        Map<String, Drawing> drawings = new HashMap<>();
        long begin = wanted.begin() != null
                ? wanted.begin()
                : wanted.at() != null && records.beyond(bus.id(), wanted.at(), MOST_EVENTS)
                        ? wanted.at()
                        : stored.firstTick();
        Map<Integer, List<I2cTransfer>> strangers = new LinkedHashMap<>();
        long until = records.events(bus.id(), begin, MOST_EVENTS, e -> {
            conversation.add(e);
            if (e instanceof I2cTransfer t && t.ack() && !conversation.planned().containsKey(t.address())) {
                List<I2cTransfer> mine = strangers.computeIfAbsent(t.address(), k -> new ArrayList<>());
                if (mine.size() < StrangerText.MOST) {
                    mine.add(t);
                }
            }
            conversation.glasses().forEach((part, glass) -> drawings.computeIfAbsent(part, k -> new Drawing())
                    .look(glass, e));
            filter.event(e);
        });
        conversation.end();
        model.addAttribute("begin", begin > stored.firstTick() ? begin : null);
        model.addAttribute("until", until);
        if (until >= 0 || begin > stored.firstTick()) {
            model.addAttribute(
                    "part",
                    "Of " + Counts.of(bus.events(), bus.protocol().unit()) + ", those from " + time(stored, begin)
                            + " to "
                            + time(stored, until < 0 ? stored.lastTick() : until)
                            + " are told: up to a million at once. What was set up before is not known here.");
        }
        int chosen = talk.chosen();
        List<LineView> views = new ArrayList<>();
        for (Conversation.Line l : talk.lines()) {
            views.add(new LineView(l, time(stored, l.start()), talk.first() + views.size() == chosen));
        }
        Conversation.Line selected = chosen < 0 ? null : talk.lines().get(chosen - talk.first());
        model.addAttribute("partner", partner);
        model.addAttribute("lines", views);
        model.addAttribute("first", talk.first());
        model.addAttribute("total", talk.total());
        model.addAttribute("page", talk.page());
        model.addAttribute("pages", talk.pages());
        model.addAttribute("selected", chosen);
        model.addAttribute("bytes", selected == null ? List.of() : bytes(bus, begin, selected, as));
        model.addAttribute("from", selected == null ? stored.firstTick() : selected.start());
        model.addAttribute("to", selected == null ? stored.lastTick() : selected.end());
        List<Remark> remarks = new ArrayList<>(Comparison.of(conversation));
        judge(frame, stored, bus, begin, conversation, remarks, model);
        remarks.sort(Comparator.comparing(Remark::severity).thenComparing(Remark::rule));
        model.addAttribute("remarks", remarks);
        model.addAttribute("living", living(remarks));
        Map<Integer, StrangerText> told = new LinkedHashMap<>();
        strangers.forEach((address, written) -> StrangerText.of(written).ifPresent(text -> told.put(address, text)));
        model.addAttribute("strangers", told);
        model.addAttribute("lanes", lanes(stored, lanes));
        model.addAttribute("load", load(stored, lanes));
        model.addAttribute("glasses", glasses(frame, stored, conversation, drawings));
    }

    private void judge(
            PlanFrame frame,
            StoredRecord stored,
            StoredRecord.Bus bus,
            long begin,
            Conversation conversation,
            List<Remark> remarks,
            Model model) {
        Integer scl = bus.lines().get("scl");
        Integer sda = bus.lines().get("sda");
        if (bus.protocol().id().equals("i2c") && scl != null && sda != null) {
            I2cTiming timing = new I2cTiming(stored.scale());
            long until = records.pair(stored, scl, sda, timing::levels);
            timing.end();
            I2cMode mode = I2cMode.forClock(
                    planned(frame, conversation).map(b -> b.clockHz()).orElse((int)
                            Math.min(Integer.MAX_VALUE, timing.hertz() * 0.95)));
            remarks.addAll(BusJudgement.of(timing, mode, until, bus.settings().number("glitchNs") > 0, bus.events()));
            model.addAttribute(
                    "times", timing.rows(mode).stream().map(TimeView::of).toList());
            model.addAttribute("mode", mode.label() + " (" + Quantity.hertz(mode.maxHz()) + "), " + I2cMode.SOURCE);
            model.addAttribute(
                    "measured",
                    "clock " + Quantity.hertz(Math.rint(timing.hertz())) + ", told in steps of "
                            + Quantity.seconds(timing.stepSeconds())
                            + (until < stored.lastTick() ? "; of the first " + time(stored, until) : ""));
        }
        for (StoredRecord.Bus other : stored.buses()) {
            if (SelectOverlap.concerns(bus.lines(), other.lines())) {
                records.overlap(bus.id(), other.id(), begin, MOST_EVENTS)
                        .ifPresent(tick -> remarks.add(SelectOverlap.remark(
                                bus.lines(), other.lines(), stored::nameOf, tick, time(stored, tick))));
            }
        }
    }

    /** The I2C bus of the plan that the record is of: the one with most of the addresses that were heard; the first where none was. */
    private static Optional<Bus> planned(PlanFrame frame, Conversation conversation) {
        Map<String, Integer> heard = new HashMap<>();
        conversation.tallies().keySet().forEach(address -> conversation
                .planned()
                .getOrDefault(address, List.of())
                .forEach(unit -> heard.merge(String.valueOf(unit.placed().bus()), 1, Integer::sum)));
        return frame.circuit().plan().buses().stream()
                .filter(b -> b.kind() == BusKind.I2C)
                .max(Comparator.comparingInt(b -> heard.getOrDefault(b.id(), 0)));
    }

    /** What lives at the addresses that the plan does not have, as far as the shelf knows: part id and name by address. */
    private Map<Integer, Map<String, String>> living(List<Remark> remarks) {
        Map<Integer, Map<String, String>> living = new LinkedHashMap<>();
        for (Remark remark : remarks) {
            if (remark.stranger() >= 0) {
                Map<String, String> parts = new LinkedHashMap<>();
                shelf.catalog().parts().values().stream()
                        .filter(p -> p.i2c() != null && p.addresses().contains(remark.stranger()))
                        .limit(MOST_PARTS)
                        .forEach(p -> parts.put(p.id(), p.name()));
                living.put(remark.stranger(), parts);
            }
        }
        return living;
    }

    /** A row of the table of times. */
    public record TimeView(String name, int count, String least, String median, String limit, long at, String verdict) {
        static TimeView of(I2cTiming.Row row) {
            return new TimeView(
                    row.kind().words(),
                    row.count(),
                    Quantity.seconds(row.least()).toString(),
                    Quantity.seconds(row.median()).toString(),
                    Quantity.seconds(row.limit()).toString(),
                    row.worstAt(),
                    row.verdict() == null ? "cannot tell" : row.verdict() ? "kept" : "passed");
        }
    }

    private static List<GlassView> glasses(
            PlanFrame frame, StoredRecord stored, Conversation conversation, Map<String, Drawing> drawings) {
        List<GlassView> views = new ArrayList<>();
        conversation
                .glasses()
                .forEach((part, glass) -> views.add(new GlassView(
                        part,
                        frame.circuit().unit(part).map(Unit::name).orElse(part),
                        glass.columns(),
                        glass.rows(),
                        glass instanceof Glass.Text,
                        drawings.get(part).told(glass, stored))));
        return views;
    }

    private static List<LaneView> lanes(StoredRecord stored, Lanes lanes) {
        List<LaneView> views = new ArrayList<>();
        for (Lanes.Lane lane : lanes.lanes()) {
            List<int[]> stretches = new ArrayList<>();
            byte[] cells = lane.cells();
            int from = 0;
            for (int c = 1; c <= cells.length; c++) {
                if (c == cells.length || cells[c] != cells[from]) {
                    if (cells[from] != 0) {
                        stretches.add(new int[] {from, c - from, cells[from]});
                    }
                    from = c;
                }
            }
            String told = Counts.of(lane.events(), "event") + ", " + share(lane.busyTicks(), stored);
            views.add(new LaneView(lane.partner(), lane.known(), told, stretches));
        }
        return views;
    }

    private static String share(long ticks, StoredRecord stored) {
        double percent = 100.0 * ticks / Math.max(1, stored.lastTick() - stored.firstTick());
        return percent > 0 && percent < 0.1
                ? "under 0.1 % of the time"
                : String.format(Locale.ROOT, "%.1f %% of the time", percent);
    }

    private static String load(StoredRecord stored, Lanes lanes) {
        String gap = lanes.longestGap() == 0
                ? ""
                : "; longest silence " + Quantity.seconds(stored.scale().seconds(lanes.longestGap())) + " from "
                        + time(stored, lanes.gapFrom());
        return "busy " + share(lanes.busyTicks(), stored) + gap;
    }

    private static String time(StoredRecord stored, long tick) {
        double ms = stored.scale().seconds(tick) * 1000;
        return String.format(Locale.ROOT, "%.3f ms", ms);
    }

    private List<BytesView> bytes(StoredRecord.Bus bus, long begin, Conversation.Line line, String as) {
        List<BytesView> views = new ArrayList<>();
        int[] index = {0};
        int[] left = {SHOWN_BYTES};
        records.events(bus.id(), begin, line.first() + line.count(), e -> {
            int i = index[0]++;
            if (i >= line.first() && left[0] > 0) {
                left[0] -= view(e, as, left[0], views);
            }
        });
        return views;
    }

    /** @return how many values were added */
    private static int view(BusEvent event, String as, int most, List<BytesView> views) {
        if (event instanceof I2cTransfer t) {
            List<String> values = new ArrayList<>();
            int shown = Math.min(t.size(), most);
            for (int i = 0; i < shown; i++) {
                values.add(notation(t.value(i), as) + (t.acks()[i] ? "" : " ✕"));
            }
            String head = Hex.of(t.address()) + (t.read() ? " read" : " write") + (t.ack() ? "" : " ✕");
            views.add(new BytesView(head, values, t.size() - shown));
            return shown + 1;
        }
        if (event instanceof SpiTransfer t) {
            return words(t.mosi(), t.dc(), "sent", as, most, views)
                    + words(t.miso(), null, "came back", as, most, views)
                    + 1;
        }
        if (event instanceof SingleWireFrame f) {
            int[] bytes = new int[f.bytes().length];
            for (int i = 0; i < bytes.length; i++) {
                bytes[i] = f.bytes()[i] & 0xFF;
            }
            return words(bytes, null, "came", as, most, views) + 1;
        }
        int value = event instanceof CharacterTransfer c
                ? c.value()
                : event instanceof ParallelTransfer p ? p.value() : ((SerialByte) event).value();
        String head = event instanceof CharacterTransfer c ? (c.read() ? "read" : c.data() ? "data" : "command") : "";
        if (!views.isEmpty() && views.get(views.size() - 1).head().equals(head)) {
            views.get(views.size() - 1).values().add(notation(value, as));
        } else {
            views.add(new BytesView(head, new ArrayList<>(List.of(notation(value, as))), 0));
        }
        return 1;
    }

    private static int words(int[] words, byte[] dc, String head, String as, int most, List<BytesView> views) {
        if (words == null || words.length == 0) {
            return 0;
        }
        List<String> values = new ArrayList<>();
        int shown = Math.min(words.length, most);
        for (int i = 0; i < shown; i++) {
            values.add((dc != null && dc[i] == 0 ? "cmd " : "") + notation(words[i], as));
        }
        views.add(new BytesView(head, values, words.length - shown));
        return shown;
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

    /** The form for the lines and options of a bus; of another protocol than it has when that is asked for. */
    @GetMapping("/plans/{id}/traffic/{record}/lines")
    String lines(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "0") long bus,
            @RequestParam(required = false) String protocol,
            Model model) {
        PlanFrame frame = frames.of(id, "traffic");
        StoredRecord stored = records.get(id, record);
        StoredRecord.Bus chosen = bus == 0 ? null : stored.bus(bus).orElse(null);
        Protocol p =
                protocol != null ? Protocols.of(protocol) : chosen != null ? chosen.protocol() : Protocols.of("i2c");
        boolean same = chosen != null && chosen.protocol() == p;
        model.addAttribute("frame", frame);
        model.addAttribute("record", stored);
        model.addAttribute("bus", chosen);
        model.addAttribute("protocol", p);
        model.addAttribute("protocols", Protocols.all());
        model.addAttribute("lineOf", same ? chosen.settings().lines() : Map.of());
        model.addAttribute("optionOf", same ? chosen.settings().options() : Map.of());
        model.addAttribute("partners", Partners.of(frame.circuit(), p.id()));
        model.addAttribute("partner", chosen == null ? null : Partners.of(frame.circuit(), stored, chosen));
        return "traffic/lines";
    }

    /** Sets the lines and options of a bus, or adds one. */
    @PostMapping("/plans/{id}/traffic/{record}/lines")
    String lines(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "0") long bus,
            @RequestParam String protocol,
            @RequestParam Map<String, String> given) {
        Protocol p = Protocols.of(protocol);
        Settings settings = Settings.of(p, given::get);
        String part = given.getOrDefault("part", "");
        if (bus == 0) {
            long added = records.add(id, record, p, settings, "chosen by you", part.isBlank() ? null : part);
            return "redirect:/plans/" + id + "/traffic/" + record + "?bus=" + added;
        }
        records.change(id, record, bus, p, settings, "chosen by you", part.isBlank() ? null : part);
        return "redirect:/plans/" + id + "/traffic/" + record + "?bus=" + bus;
    }

    @PostMapping("/plans/{id}/traffic/{record}/lines/{bus}/delete")
    String removeBus(@PathVariable long id, @PathVariable long record, @PathVariable long bus) {
        records.removeBus(id, record, bus);
        return "redirect:/plans/" + id + "/traffic/" + record;
    }

    /** Which part of a record is taken away: milliseconds from the beginning of its times, and numbers of lines; all where none is named. */
    public record Cut(String fromMs, String toMs, List<Integer> line, String as) {

        private static final BigDecimal FEMTOSECONDS = new BigDecimal(1_000_000_000_000L);

        boolean table() {
            return "csv".equals(as);
        }

        long tick(String name, String text, StoredRecord of, long otherwise) {
            if (text == null || text.isBlank()) {
                return otherwise;
            }
            try {
                BigDecimal ms = new BigDecimal(text.strip().replace(',', '.'));
                long tick = ms.precision() - ms.scale() > 15
                        ? Long.MAX_VALUE
                        : ms.multiply(FEMTOSECONDS)
                                .divide(BigDecimal.valueOf(of.scale().femtoseconds()), 0, RoundingMode.HALF_UP)
                                .longValueExact();
                return Math.max(of.firstTick(), Math.min(of.lastTick(), tick));
            } catch (ArithmeticException | NumberFormatException e) {
                throw new IllegalArgumentException(
                        name + " is a time in milliseconds such as 12.5, not '" + Names.cut(text, MOST_LABELS) + "'.");
            }
        }
    }

    /** A record, or a stretch of some of its lines, as a value change dump or a table. */
    @GetMapping("/plans/{id}/traffic/{record}/file")
    ResponseEntity<StreamingResponseBody> file(@PathVariable long id, @PathVariable long record, Cut cut) {
        StoredRecord stored = records.get(id, record);
        long from = cut.tick("from", cut.fromMs(), stored, stored.firstTick());
        long to = cut.tick("to", cut.toMs(), stored, stored.lastTick());
        if (to < from) {
            throw new IllegalArgumentException("The stretch ends before it begins: from " + time(stored, from) + " to "
                    + time(stored, to) + ". Exchange the two.");
        }
        List<StoredRecord.Line> lines = stored.lines().stream()
                .filter(l ->
                        cut.line() == null || cut.line().isEmpty() || cut.line().contains(l.line()))
                .toList();
        if (lines.isEmpty()) {
            throw new IllegalArgumentException("The record has no such line; they are numbered from 0 to "
                    + (stored.lines().size() - 1) + ".");
        }
        StreamingResponseBody body = out -> {
            try (Writer text = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                records.write(stored, lines, from, to, cut.table(), text);
            }
        };
        String name = stored.name().replaceAll("\\.(vcd|csv)$", "");
        return ResponseEntity.ok()
                .contentType(new MediaType("text", cut.table() ? "csv" : "plain", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        FileNames.attachment(name, "record", cut.table() ? ".csv" : ".vcd"))
                .body(body);
    }

    /** What was said on a bus, as a file: ndjson, json, csv or md. */
    @GetMapping("/plans/{id}/traffic/{record}/events.{kind}")
    ResponseEntity<StreamingResponseBody> events(
            @PathVariable long id,
            @PathVariable long record,
            @PathVariable String kind,
            @RequestParam(defaultValue = "-1") long bus) {
        PlanFrame frame = frames.of(id, "traffic");
        StoredRecord stored = records.get(id, record);
        StoredRecord.Bus chosen = stored.bus(bus).orElseThrow(() -> new NoSuchThing("The record has no bus."));
        EventFile file = EventFile.of(kind)
                .orElseThrow(() ->
                        new NoSuchThing("Events can be taken away as ndjson, json, csv or md, not as " + kind + "."));
        StreamingResponseBody body = out -> {
            try (Writer text = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                file.write(text, records, stored, chosen, frame.circuit());
            }
        };
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(file.type() + ";charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, FileNames.attachment(stored.name(), "record", "." + kind))
                .body(body);
    }

    /** A line that one record has and the other has not, or not as often. */
    public record Difference(String partner, String text, long here, long there) {}

    /** Two records of a plan: what was said in one and not in the other. */
    @GetMapping("/plans/{id}/traffic/{record}/against/{other}")
    String against(@PathVariable long id, @PathVariable long record, @PathVariable long other, Model model) {
        PlanFrame frame = frames.of(id, "traffic");
        StoredRecord one = records.get(id, record);
        StoredRecord two = records.get(id, other);
        model.addAttribute("frame", frame);
        model.addAttribute("record", one);
        model.addAttribute("other", two);
        Job<Differences> job = jobs.of(
                id,
                new Compared(id, frame.stored().version(), shelf.catalog(), one.buses(), two.buses()),
                "Compare " + one.name() + " with " + two.name(),
                "/plans/" + id + "/traffic/" + record + "/against/" + other,
                j -> differences(frame.circuit(), List.of(one, two), j));
        if (!job.await(Jobs.PATIENCE)) {
            model.addAttribute("job", job);
        } else {
            model.addAttribute("compared", job.result());
        }
        return "traffic/against";
    }

    /** What a comparison depends on; how a bus is read may be changed without the plan. */
    private record Compared(
            long plan, long version, Catalog catalog, List<StoredRecord.Bus> buses, List<StoredRecord.Bus> others) {}

    /**
     * What differs between two records.
     *
     * @param same how many lines of the conversations do not
     * @param part why it is not all of both; empty where it is
     */
    public record Differences(List<Difference> all, int same, String part) {}

    private Differences differences(Circuit circuit, List<StoredRecord> both, Job<Differences> job) {
        Map<List<String>, long[]> counts = new LinkedHashMap<>();
        boolean cut = false;
        for (int side = 0; side < both.size(); side++) {
            StoredRecord stored = both.get(side);
            int place = side;
            for (StoredRecord.Bus bus : stored.buses()) {
                job.say("reading " + bus.protocol().name() + " of " + stored.name() + ".");
                Conversation talk = new Conversation(circuit, Partners.of(circuit, stored, bus), line -> {
                    String heard = line.heard() ? "" : line.addressHeard() ? ", refused" : ", not heard";
                    List<String> key = List.of(line.partner(), line.text() + heard);
                    if (counts.size() < MOST_DIFFERENCES || counts.containsKey(key)) {
                        counts.computeIfAbsent(key, k -> new long[2])[place]++;
                    }
                });
                cut |= records.events(bus.id(), 0, MOST_EVENTS, e -> {
                            if (!job.stopped()) {
                                talk.add(e);
                            }
                        })
                        >= 0;
                talk.end();
            }
        }
        List<Difference> differences = new ArrayList<>();
        counts.forEach((key, n) -> {
            if (n[0] != n[1]) {
                differences.add(new Difference(key.get(0), key.get(1), n[0], n[1]));
            }
        });
        String part = job.stopped()
                ? "Stopped: only what was read until then is compared."
                : cut ? "Of a long bus the first million events are compared." : "";
        return new Differences(differences, counts.size() - differences.size(), part);
    }

    @PostMapping("/plans/{id}/traffic/{record}/delete")
    String delete(@PathVariable long id, @PathVariable long record) {
        records.delete(id, record);
        return "redirect:/plans/" + id + "/traffic";
    }

    /** A label on the wave: a byte, where it begins and ends. */
    public record Label(long from, long to, String text, boolean heard) {}

    /** The words of a short stretch; none where they would lie too close to be read. */
    @GetMapping("/plans/{id}/traffic/{record}/labels")
    @ResponseBody
    List<Label> labels(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "-1") long bus,
            @RequestParam long from,
            @RequestParam long to) {
        StoredRecord stored = records.get(id, record);
        StoredRecord.Bus chosen = stored.bus(bus).orElse(null);
        if (chosen == null) {
            return List.of();
        }
        List<Label> labels = new ArrayList<>();
        boolean told = records.words(stored, chosen, from, to, (start, end, text, heard) -> {
            if (labels.size() <= MOST_LABELS) {
                labels.add(new Label(start, end, text, heard));
            }
        });
        return told && labels.size() <= MOST_LABELS ? labels : List.of();
    }

    /** The visible stretch of a bus: for each of its lines, in the order of its roles, one byte a column; see WaveColumns. */
    @GetMapping("/plans/{id}/traffic/{record}/wave")
    ResponseEntity<byte[]> wave(
            @PathVariable long id,
            @PathVariable long record,
            @RequestParam(defaultValue = "-1") long bus,
            @RequestParam long from,
            @RequestParam long to,
            @RequestParam int columns) {
        StoredRecord stored = records.get(id, record);
        if (to <= from || columns < 1 || columns > MOST_COLUMNS) {
            throw new IllegalArgumentException(
                    "from must be below to, and columns between 1 and " + MOST_COLUMNS + ".");
        }
        byte[] out = stored.bus(bus)
                .map(b -> records.wave(
                        record, b.roles().stream().map(b.lines()::get).toList(), from, to, columns))
                .orElse(new byte[0]);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(out);
    }
}
