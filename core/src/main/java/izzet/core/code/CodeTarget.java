package izzet.core.code;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A language for a platform: one template, whose first lines tell what it is. What it is filled with is {@link #model}.
 *
 * @param file name of what it makes
 * @param title for people
 * @param pins {@code sketch}, {@code gpio} or {@code port}: the names of pins that it needs
 * @param kinds of boards that it is for
 * @param twoWire whether it knows a 2-wire bus, {@code serial} whether it knows a serial one
 */
public record CodeTarget(
        String file,
        String title,
        String pins,
        List<String> kinds,
        boolean twoWire,
        boolean serial,
        Template template) {

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
                head.getOrDefault("buses", "").contains("2-wire"),
                head.getOrDefault("buses", "").contains("serial"),
                Mustache.compiler().escapeHTML(false).defaultValue("").compile(text.substring(end + 2)));
    }

    /** Why it is not for this plan; empty where it is. */
    public Optional<String> missing(Circuit circuit) {
        if (!kinds.contains(circuit.board().kind())) {
            return Optional.of("for another kind of board.");
        }
        BringUp bringUp = BringUp.of(circuit);
        List<ProgramPin> named = named(bringUp);
        boolean fits = named.stream().allMatch(p -> switch (pins) {
            case "gpio" -> p.hasGpio();
            case "port" -> p.hasPort();
            default -> !p.sketch().isEmpty();
        });
        if (!fits) {
            return Optional.of("this board's pins have other names.");
        }
        for (ProgramBus bus : bringUp.buses()) {
            if (bus.clock() != null && (bus.serial() ? !serial : !twoWire)) {
                return Optional.of(bus.name() + " has no controller on this board.");
            }
        }
        return bringUp.constants().isEmpty()
                ? Optional.of("the plan has nothing that a program would name.")
                : Optional.empty();
    }

    private static List<ProgramPin> named(BringUp bringUp) {
        List<ProgramPin> pins = new ArrayList<>();
        bringUp.constants().stream().filter(Constant::isPin).forEach(c -> pins.add(c.pin()));
        bringUp.buses().forEach(b -> {
            if (b.data() != null) {
                pins.add(b.data());
            }
            if (b.clock() != null) {
                pins.add(b.clock());
            }
        });
        return pins;
    }

    public String text(Circuit circuit) {
        return template.execute(model(BringUp.of(circuit)));
    }

    private static Map<String, Object> model(BringUp bringUp) {
        Map<String, Object> model = new HashMap<>();
        model.put("plan", bringUp.plan());
        model.put("board", bringUp.board());
        model.put("sources", bringUp.sources().stream().map(Names::comment).toList());
        model.put("constants", bringUp.constants());
        model.put("twoWire", bringUp.buses().stream().filter(b -> !b.serial()).toList());
        model.put("serial", bringUp.buses().stream().filter(ProgramBus::serial).toList());
        List<Map<String, Object>> ops = new ArrayList<>();
        int number = 0;
        for (Op op : bringUp.ops()) {
            ops.add(op(op, number++));
        }
        model.put("ops", ops);
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
        } else if (op instanceof Op.TwoWire write) {
            told.put("twoWireWrite", write);
            bytes(told, write.bytes());
        } else if (op instanceof Op.TwoWireRun run) {
            told.put("run", run);
            bytes(told, run.pairs());
        } else if (op instanceof Op.SerialBegin begin) {
            told.put("begin", begin);
        } else if (op instanceof Op.Serial write) {
            told.put("serialWrite", write);
            bytes(told, write.bytes());
        } else if (op instanceof Op.SerialRun run) {
            told.put("serialRun", run);
            bytes(told, run.pairs());
        } else if (op instanceof Op.Rectangles rectangles) {
            told.put("rectangles", rectangles);
            told.put("count", rectangles.rectangles().size());
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

    private static void bytes(Map<String, Object> told, List<Integer> bytes) {
        told.put("count", bytes.size());
        told.put("hex", bytes.stream().map(b -> String.format("0x%02X", b)).collect(Collectors.joining(", ")));
    }
}
