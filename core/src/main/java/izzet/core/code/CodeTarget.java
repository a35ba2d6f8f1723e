package izzet.core.code;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A language for a platform: one template, whose first lines tell what it is. What it is filled with is {@link #model}.
 *
 * @param file name of what it makes
 * @param title for people
 * @param pins {@code sketch}, {@code gpio} or {@code port}: the names of pins that it needs
 * @param kinds of boards that it is for
 * @param buses that it knows: {@code 2-wire} and {@code serial} by controllers, the same with {@code made} before it by plain pins, {@code parallel}
 */
public record CodeTarget(
        String file, String title, String pins, List<String> kinds, List<String> buses, Template template) {

    private static final int ROW = 16;

    private static final class Known {
        static final List<CodeTarget> ALL = Discovery.texts("/code", ".mustache").values().stream()
                .map(CodeTarget::read)
                .toList();
    }

    public static List<CodeTarget> all() {
        return Known.ALL;
    }

    /** The head is lines of {@code key: value} up to an empty line. */
    private static CodeTarget read(String text) {
        int end = text.indexOf("\n\n");
        Map<String, String> head = new HashMap<>();
        text.substring(0, end).lines().forEach(line -> {
            int colon = line.indexOf(':');
            head.put(line.substring(0, colon).strip(), line.substring(colon + 1).strip());
        });
        return new CodeTarget(
                head.get("file"),
                head.get("title"),
                head.get("pins"),
                List.of(head.get("kinds").split(", ")),
                List.of(head.get("buses").split(", ")),
                Mustache.compiler().escapeHTML(false).defaultValue("").compile(text.substring(end + 2)));
    }

    /** Why it is not for this plan; empty where it is. */
    public Optional<String> missing(Circuit circuit) {
        if (!kinds.contains(circuit.board().kind())) {
            return Optional.of("for another kind of board.");
        }
        BringUp bringUp = BringUp.of(circuit);
        boolean fits = moved(bringUp).allMatch(this::names);
        if (!fits) {
            return Optional.of("this board's pins have other names.");
        }
        for (ProgramBus bus : bringUp.buses()) {
            boolean made = bus.made() && !bus.parallel();
            if (bus.clock() != null
                    && !buses.contains((made ? "made " : "") + bus.kind().word())) {
                return Optional.of(bus.name() + " has no controller on this board.");
            }
        }
        return bringUp.constants().isEmpty()
                ? Optional.of("the plan has nothing that a program would name.")
                : Optional.empty();
    }

    /** Whether the language has a name for a pin of the board. */
    private boolean names(ProgramPin pin) {
        return switch (pins) {
            case "gpio" -> pin.hasGpio();
            case "port" -> pin.hasPort();
            default -> !pin.sketch().isEmpty();
        };
    }

    /** Pins that the program moves; another one may only be told of. */
    private static Stream<ProgramPin> moved(BringUp bringUp) {
        Stream<ProgramPin> buses = bringUp.buses().stream()
                .flatMap(b -> Stream.concat(Stream.of(b.data(), b.clock()), b.lines().stream()));
        return Stream.concat(buses, bringUp.ops().stream().flatMap(Op::pins)).filter(Objects::nonNull);
    }

    public String text(Circuit circuit) {
        return template.execute(model(BringUp.of(circuit)));
    }

    private Map<String, Object> model(BringUp bringUp) {
        Map<String, Object> model = new HashMap<>();
        model.put("plan", bringUp.plan());
        model.put("board", bringUp.board());
        model.put("sources", bringUp.sources().stream().map(Names::comment).toList());
        Map<Boolean, List<Constant>> constants =
                bringUp.constants().stream().collect(Collectors.partitioningBy(c -> !c.isPin() || names(c.pin())));
        model.put("constants", constants.get(true));
        model.put("nameless", constants.get(false));
        List<ProgramBus> given = bringUp.buses().stream().filter(b -> !b.made()).toList();
        model.put("twoWire", given.stream().filter(ProgramBus::twoWire).toList());
        model.put("serial", given.stream().filter(ProgramBus::serial).toList());
        List<ProgramBus> made =
                bringUp.buses().stream().filter(ProgramBus::made).toList();
        model.put("anyMade", !made.isEmpty());
        model.put("ways", made.stream().filter(b -> !b.twoWire()).toList());
        model.put("madeTwoWire", made.stream().filter(ProgramBus::twoWire).toList());
        model.put("parallel", made.stream().filter(ProgramBus::parallel).toList());
        List<Map<String, Object>> ops = new ArrayList<>();
        int number = 0;
        for (Op op : bringUp.ops()) {
            ops.add(op(op, number++));
        }
        model.put("ops", ops);
        model.put("tables", ops.stream().filter(o -> o.containsKey("rows")).toList());
        return model;
    }

    private static Map<String, Object> op(Op op, int number) {
        Map<String, Object> told = new HashMap<>();
        told.put("n", number);
        if (op instanceof Op.Note note) {
            told.put("note", note);
        } else if (op instanceof Op.Output output) {
            told.put("output", output);
            told.put("one", output.high() ? 1 : 0);
            told.put("up", output.high());
        } else if (op instanceof Op.Level level) {
            told.put("level", level);
            told.put("one", level.high() ? 1 : 0);
            told.put("up", level.high());
        } else if (op instanceof Op.Wait wait) {
            boolean millis = wait.micros() % 1000 == 0;
            told.put(millis ? "millis" : "micros", Map.of("value", millis ? wait.micros() / 1000 : wait.micros()));
        } else if (op instanceof Op.Input input) {
            told.put("input", input);
        } else if (op instanceof Op.Await await) {
            told.put("await", await);
            told.put("one", await.high() ? 1 : 0);
            told.put("up", await.high());
        } else if (op instanceof Op.TwoWire write) {
            told.put("twoWireWrite", write);
            bytes(told, write.bytes());
        } else if (op instanceof Op.TwoWireRun run) {
            told.put("run", run);
            bytes(told, run.pairs());
        } else if (op instanceof Op.Begin begin) {
            told.put("begin", begin);
            told.put("pause", ProgramBus.pause(begin.hertz()));
            told.put("idle", begin.mode() >= 2 ? 1 : 0);
            told.put("late", begin.mode() & 1);
            told.put("wide", begin.bus().lines().size());
        } else if (op instanceof Op.Send write) {
            told.put("sendWrite", write);
            bytes(told, write.bytes());
        } else if (op instanceof Op.SendRun run) {
            told.put("sendRun", run);
            bytes(told, run.pairs());
        } else if (op instanceof Op.Rectangles rectangles) {
            told.put("rectangles", rectangles);
            told.put("count", rectangles.rectangles().size());
            told.put(
                    "rows",
                    rectangles.rectangles().stream().map(CodeTarget::row).toList());
        } else if (op instanceof Op.Strobe strobe) {
            told.put("strobe", strobe);
            told.put("lines", strobe.lines());
            told.put("lineCount", strobe.lines().size());
            List<Map<String, Object>> parts = new ArrayList<>();
            for (int i = 0; i < strobe.lines().size(); i++) {
                ProgramPin line = strobe.lines().get(i);
                parts.add(Map.of("port", line.port(), "mask", line.mask(), "up", (strobe.value() >> i & 1) == 1));
            }
            told.put("parts", parts);
        }
        return told;
    }

    /** For languages whose lines must not be long. */
    private static List<String> rows(List<Integer> bytes) {
        List<String> rows = new ArrayList<>();
        for (int i = 0; i < bytes.size(); i += ROW) {
            rows.add(bytes.subList(i, Math.min(bytes.size(), i + ROW)).stream()
                    .map(String::valueOf)
                    .collect(Collectors.joining(", ")));
        }
        return rows;
    }

    /** First and last column, first and last row, colour, the lower byte of each first. */
    private static String row(Op.Rectangle r) {
        return IntStream.of(r.x0(), r.x1(), r.y0(), r.y1(), r.colour())
                .mapToObj(v -> (v & 0xFF) + ", " + (v >> 8))
                .collect(Collectors.joining(", "));
    }

    private static void bytes(Map<String, Object> told, List<Integer> bytes) {
        told.put("count", bytes.size());
        told.put("rows", rows(bytes));
        told.put("hex", bytes.stream().map(b -> String.format("0x%02X", b)).collect(Collectors.joining(", ")));
    }
}
