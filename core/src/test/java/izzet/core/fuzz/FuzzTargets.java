package izzet.core.fuzz;

import izzet.core.Workbench;
import izzet.core.author.Forms;
import izzet.core.author.LevelText;
import izzet.core.author.PastedRows;
import izzet.core.author.Sheet;
import izzet.core.bringup.ScanText;
import izzet.core.calc.Drawer;
import izzet.core.capture.EdgeCollector;
import izzet.core.capture.RecordFault;
import izzet.core.capture.RecordReader;
import izzet.core.capture.TableOptions;
import izzet.core.catalog.CatalogException;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.SideBySide;
import izzet.core.circuit.Circuit;
import izzet.core.code.ReadBack;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Glass;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Session;
import izzet.core.draw.Asked;
import izzet.core.draw.Tool;
import izzet.core.draw.Tools;
import izzet.core.find.QuickList;
import izzet.core.find.Search;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanProblems;
import izzet.core.quantity.Quantity;
import izzet.core.quantity.Unit;
import izzet.core.record.Instrument;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What reads input from outside, each under its name. A target ends without a word or with the fault that its reader promises; anything else
 * is a finding. The kept fuzzer runs {@link #fuzzerTestOneInput}, the seeds run in every test.
 */
public final class FuzzTargets {

    /** Takes one input. */
    interface Target {
        void take(byte[] input) throws IOException;
    }

    /** Of a record; more than any protocol has roles. */
    private static final int LINES = 32;

    private static final PlanDocument PLANS = new PlanDocument();
    private static final CatalogReader READER = new CatalogReader();
    private static final Search SEARCH = new Search(Workbench.CATALOG);
    private static final QuickList QUICK = new QuickList(Workbench.CATALOG, () -> SEARCH);
    private static final Circuit CIRCUIT =
            Workbench.mcu().with("a", Workbench.OLED).with("b", Workbench.OLED).circuit();
    private static final Map<String, Target> ALL = all();
    private static final Target CHOSEN = ALL.get(System.getProperty("izzet.fuzz", "plan"));

    private FuzzTargets() {}

    static Map<String, Target> targets() {
        return ALL;
    }

    /** For the fuzzer, before its clock runs: what is read once is read, and the code is warm. */
    public static void fuzzerInitialize() throws IOException {
        for (int i = 0; i < 20; i++) {
            CHOSEN.take("warm".getBytes(StandardCharsets.UTF_8));
        }
    }

    /** For the fuzzer; the target is named by the property {@code izzet.fuzz}. */
    public static void fuzzerTestOneInput(byte[] input) throws IOException {
        CHOSEN.take(input);
    }

    private static Map<String, Target> all() {
        Map<String, Target> all = new TreeMap<>();
        all.put("plan", FuzzTargets::plan);
        all.put("part", FuzzTargets::part);
        all.put("board", in -> promised(() -> READER.board("own", text(in))));
        all.put("record", in -> record(in, TableOptions.NONE));
        all.put("table", FuzzTargets::table);
        all.put("decode", FuzzTargets::decode);
        all.put("glass", FuzzTargets::glass);
        all.put("tool", FuzzTargets::tool);
        all.put("read-back", in -> promised(() -> ReadBack.of(CIRCUIT, text(in))));
        all.put("scan", in -> promised(() -> ScanText.of(text(in)).all()));
        all.put("quick-list", in -> promised(() -> QUICK.read(text(in))));
        all.put("search", in -> promised(() -> SEARCH.find(text(in))));
        all.put("words", FuzzTargets::words);
        return all;
    }

    /** A fault of the maker's input is told as one of these. */
    private static void promised(Runnable reading) {
        try {
            reading.run();
        } catch (IllegalArgumentException | PlanProblems | CatalogException | RecordFault told) {
            if (told.getMessage() == null || told.getMessage().isBlank()) {
                throw new AssertionError("A fault that says nothing", told);
            }
        }
    }

    private static String text(byte[] input) {
        return new String(input, StandardCharsets.UTF_8);
    }

    /** A plan that is taken can be checked, and comes back as it went out. */
    private static void plan(byte[] input) {
        promised(() -> {
            Plan plan = PLANS.read(text(input), Workbench.CATALOG);
            Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG));
            if (!PLANS.read(PLANS.write(plan), Workbench.CATALOG).equals(plan)) {
                throw new AssertionError("The plan came back as another one");
            }
        });
    }

    private static void part(byte[] input) {
        promised(() -> SideBySide.of(List.of(READER.part("own", text(input))), true));
    }

    private static void record(byte[] input, TableOptions options) throws IOException {
        try {
            RecordReader.read(
                    new ByteArrayInputStream(input), options, new EdgeCollector(header -> {}, (line, block) -> {}));
        } catch (RecordFault told) {
            if (told.getMessage().isBlank()) {
                throw new AssertionError("A fault that says nothing", told);
            }
        }
    }

    /** The first line names rate, threshold, hysteresis, times and unit. */
    private static void table(byte[] input) throws IOException {
        String whole = text(input);
        int end = whole.indexOf('\n');
        String[] told = (end < 0 ? "" : whole.substring(0, end)).split("\\|", -1);
        String[] five = Arrays.copyOf(told, 5);
        Arrays.setAll(five, i -> five[i] == null ? "" : five[i]);
        TableOptions options;
        try {
            options = TableOptions.of(five[0], five[1], five[2], five[3], five[4]);
        } catch (IllegalArgumentException e) {
            return;
        }
        byte[] rest = whole.substring(end + 1).getBytes(StandardCharsets.UTF_8);
        record(rest, options);
        try {
            RecordReader.preview(new ByteArrayInputStream(rest), options);
        } catch (RecordFault e) {
            return;
        }
    }

    /** A byte that chooses the protocol, then two bytes a moment: levels of sixteen lines, which further lines repeat. */
    private static void decode(byte[] input) throws IOException {
        if (input.length < 2) {
            return;
        }
        List<Protocol> protocols = Protocols.all();
        Protocol protocol = protocols.get((input[0] & 0xFF) % protocols.size());
        StringBuilder vcd = new StringBuilder("$timescale 1 us $end\n$scope module m $end\n");
        for (int line = 0; line < LINES; line++) {
            vcd.append("$var wire 1 ")
                    .append((char) ('!' + line))
                    .append(" L")
                    .append(line)
                    .append(" $end\n");
        }
        vcd.append("$upscope $end\n$enddefinitions $end\n");
        for (int i = 1; i + 1 < input.length; i += 2) {
            vcd.append('#').append(i).append('\n');
            int levels = (input[i] & 0xFF) << 8 | input[i + 1] & 0xFF;
            for (int line = 0; line < LINES; line++) {
                vcd.append((char) ('0' + (levels >> line % 16 & 1)))
                        .append((char) ('!' + line))
                        .append('\n');
            }
        }
        vcd.append('#').append(input.length + 1).append('\n');
        List<String> roles =
                new ArrayList<>(protocol.roles().stream().map(r -> r.id()).toList());
        Settings settings = Settings.of(protocol, name -> roles.contains(name) ? "L" + roles.indexOf(name) : null);
        RecordReader.read(
                new ByteArrayInputStream(vcd.toString().getBytes(StandardCharsets.US_ASCII)),
                protocol.decoder(settings, event -> {
                    if (event.end() < event.start()) {
                        throw new AssertionError("An event that ends before it begins: " + event);
                    }
                }));
    }

    /** Family, columns, rows; then events: kind, count, bytes. */
    private static void glass(byte[] input) {
        if (input.length < 3) {
            return;
        }
        List<String> families = new ArrayList<>(Interpreters.families());
        String family = families.get((input[0] & 0xFF) % families.size());
        int columns = 1 + (input[1] & 0x7F);
        int rows = 1 + (input[2] & 0x3F);
        Session session = Interpreters.of(family).orElseThrow().begin(Panel.plain(family, columns, rows));
        int at = 3;
        long tick = 0;
        while (at + 1 < input.length) {
            int kind = input[at] & 0xFF;
            byte[] bytes = Arrays.copyOfRange(input, at + 2, Math.min(input.length, at + 2 + (input[at + 1] & 0x3F)));
            at += 2 + bytes.length;
            tick += 10L + bytes.length;
            session.hear(
                    switch (kind % 4) {
                        case 0 -> i2c(kind, bytes, tick);
                        case 1, 2 -> spi(kind, bytes, tick);
                        default ->
                            new CharacterTransfer(
                                    tick,
                                    tick + 1,
                                    (kind & 4) > 0,
                                    (kind & 8) > 0,
                                    bytes.length == 0 ? 0 : bytes[0] & 0xFF,
                                    kind >> 4 & 1);
                    });
        }
        session.glass().ifPresent(glass -> {
            if (glass instanceof Glass.Pixels pixels) {
                pixels.seen();
                pixels.memory(null);
            } else if (glass instanceof Glass.Text text) {
                text.lines();
                text.glyphs();
            }
        });
    }

    private static I2cTransfer i2c(int kind, byte[] bytes, long tick) {
        return new I2cTransfer(
                tick,
                tick + bytes.length,
                I2cTransfer.Begin.START,
                I2cTransfer.End.STOP,
                0x3C,
                7,
                (kind & 8) > 0,
                true,
                bytes,
                new boolean[bytes.length]);
    }

    private static SpiTransfer spi(int kind, byte[] bytes, long tick) {
        int[] words = new int[bytes.length];
        byte[] dc = new byte[bytes.length];
        long[] ends = new long[bytes.length];
        for (int i = 0; i < bytes.length; i++) {
            words[i] = bytes[i] & 0xFF;
            dc[i] = (byte) (kind % 4 == 1 ? i == 0 ? 0 : 1 : kind >> 2 & 1);
            ends[i] = tick + i;
        }
        return new SpiTransfer(tick, tick + bytes.length, words, null, dc, ends, (kind & 0x40) > 0);
    }

    /** A byte that chooses the tool, then what is asked as JSON. */
    private static void tool(byte[] input) {
        if (input.length < 2) {
            return;
        }
        List<Tool> tools = Tools.all();
        Tool tool = tools.get((input[0] & 0xFF) % tools.size());
        Asked asked;
        try {
            asked = new Asked(JsonMapper.shared().readTree(Arrays.copyOfRange(input, 1, input.length)));
        } catch (JacksonException e) {
            return;
        }
        if (asked.json() != null && asked.json().isObject()) {
            promised(() -> tool.answer(asked));
        }
    }

    /** Small fields that makers type. */
    private static void words(byte[] input) {
        String text = text(input);
        for (Unit unit : Unit.values()) {
            promised(() -> Quantity.parse(text, unit));
        }
        promised(() -> Drawer.of(text));
        promised(() -> Instrument.of(text));
        promised(() -> LevelText.parse(text));
        for (Sheet sheet : Set.copyOf(Forms.PART.sheets())) {
            promised(() -> PastedRows.of(text, sheet));
        }
    }
}
