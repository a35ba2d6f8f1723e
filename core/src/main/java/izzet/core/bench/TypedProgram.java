package izzet.core.bench;

import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.circuit.Circuit;
import izzet.core.code.BringUp;
import izzet.core.code.Op;
import izzet.core.code.ProgramBus;
import izzet.core.code.ProgramPin;
import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Transfers typed by hand, one on a line: {@code start} runs the bring-up program, {@code scan} asks every address, {@code to 0x3C: 00 AF}
 * writes on the 2-wire bus, {@code send 2A 00} on the serial one, {@code pin 9 low}, {@code wait 5 ms}, {@code bus Second bus} chooses another
 * bus. Bytes and addresses are hexadecimal. Immutable.
 */
public record TypedProgram(List<Step> steps) {

    private static final int MOST_LINES = 200;
    private static final int MOST_BYTES = 256;
    private static final long MOST_MICROS = 10_000_000;
    private static final int LAST_ADDRESS = 0x7F;

    private static final Pattern TO = Pattern.compile("to\\s+(?:0x)?([0-9a-f]{1,2})(?:\\s*[:,]|\\s|$)(.*)");
    private static final Pattern PIN = Pattern.compile("pin\\s+(.+?)\\s+(high|low)");
    private static final Pattern WAIT = Pattern.compile("wait\\s+(\\d{1,8}(?:[.,]\\d{1,3})?)\\s*(ms|us|µs)");

    /** What a line does. */
    public enum Kind {
        START,
        SCAN,
        WRITE,
        SEND,
        PIN,
        WAIT
    }

    /**
     * @param line from 1
     * @param bus of a scan, a write or bytes sent; null elsewhere
     */
    public record Step(int line, String text, Kind kind, ProgramBus bus, List<Op> ops) {
        public Step {
            ops = List.copyOf(ops);
        }
    }

    public TypedProgram {
        steps = List.copyOf(steps);
    }

    /** @throws IllegalArgumentException naming the line, what stands there and what may stand there */
    public static TypedProgram of(Circuit programmed, String text) {
        return new TypedProgram(new Reader(programmed).read(text));
    }

    private static final class Reader {
        private final Circuit circuit;
        private final BringUp start;
        private final List<Step> steps = new ArrayList<>();
        private final List<ProgramBus> begun = new ArrayList<>();
        private ProgramBus twoWire;
        private ProgramBus serial;
        private int line;

        Reader(Circuit circuit) {
            this.circuit = circuit;
            this.start = BringUp.of(circuit);
            start.buses().forEach(this::choose);
        }

        /** The first of each kind holds until another one is named. */
        private void choose(ProgramBus bus) {
            if (bus.serial()) {
                serial = serial == null ? bus : serial;
            } else if (bus.twoWire()) {
                twoWire = twoWire == null ? bus : twoWire;
            }
        }

        List<Step> read(String text) {
            String[] lines = text.split("\\R", -1);
            if (lines.length > MOST_LINES) {
                throw new IllegalArgumentException(
                        "The program has " + lines.length + " lines; up to " + MOST_LINES + " are run.");
            }
            for (String raw : lines) {
                line++;
                String said = raw.replaceAll("#.*", "").strip();
                if (!said.isEmpty()) {
                    step(said, said.toLowerCase(Locale.ROOT));
                }
            }
            if (steps.isEmpty()) {
                throw new IllegalArgumentException("The program is empty. Type a line such as: scan");
            }
            return steps;
        }

        private void step(String said, String low) {
            Matcher to = TO.matcher(low);
            Matcher pin = PIN.matcher(said.replaceAll("(?i)^pin\\b", "pin")
                    .replaceAll("(?i)\\bhigh$", "high")
                    .replaceAll("(?i)\\blow$", "low"));
            Matcher wait = WAIT.matcher(low);
            if (low.equals("start")) {
                add(said, Kind.START, null, start.ops());
            } else if (low.equals("scan")) {
                add(said, Kind.SCAN, need(twoWire, "2-wire"), List.of());
            } else if (to.matches()) {
                int address = Integer.parseInt(to.group(1), 16);
                if (address > LAST_ADDRESS) {
                    throw wrong(
                            "the address 0x" + to.group(1) + " has more than seven bits; without the write bit it is 0x"
                                    + Integer.toHexString(address >> 1));
                }
                ProgramBus bus = need(twoWire, "2-wire");
                add(said, Kind.WRITE, bus, List.of(new Op.TwoWire(bus, address, bytes(to.group(2)))));
            } else if (low.startsWith("send ")) {
                send(said, low.substring("send ".length()));
            } else if (pin.matches()) {
                add(
                        said,
                        Kind.PIN,
                        null,
                        List.of(new Op.Output(pin(pin.group(1)), pin.group(2).equals("high"))));
            } else if (wait.matches()) {
                double number = Double.parseDouble(wait.group(1).replace(',', '.'));
                long micros = Math.round(number * (wait.group(2).equals("ms") ? 1000 : 1));
                if (micros > MOST_MICROS) {
                    throw wrong("a wait of up to 10 seconds is run");
                }
                add(said, Kind.WAIT, null, List.of(new Op.Wait(micros)));
            } else if (low.startsWith("bus ")) {
                other(said.substring("bus ".length()).strip());
            } else {
                throw wrong("“" + said
                        + "” is none of: start; scan; to 0x3C: 00 AF; send 2A 00; pin 9 low; wait 5 ms; bus NAME");
            }
        }

        private void send(String said, String bytes) {
            ProgramBus bus = need(serial, "serial");
            List<Op> ops = new ArrayList<>();
            if (!begun.contains(bus)) {
                begun.add(bus);
                ops.add(new Op.Begin(bus, 0, bus.hertz()));
            }
            ops.add(new Op.Send(bus, bytes(bytes)));
            add(said, Kind.SEND, bus, ops);
        }

        private void add(String said, Kind kind, ProgramBus bus, List<Op> ops) {
            steps.add(new Step(line, said, kind, bus, ops));
        }

        private ProgramBus need(ProgramBus bus, String kind) {
            if (bus == null || bus.clock() == null || bus.data() == null) {
                throw wrong("the plan has no " + kind + " bus with a display and both lines on pins");
            }
            return bus;
        }

        private List<Integer> bytes(String text) {
            List<Integer> bytes = new ArrayList<>();
            if (text.isBlank()) {
                return bytes;
            }
            for (String word : text.strip().split("[\\s,]+")) {
                String digits = word.startsWith("0x") ? word.substring(2) : word;
                if (!digits.matches("[0-9a-f]{1,2}")) {
                    throw wrong("“" + word + "” is no byte; write hexadecimal, 00 to FF, with spaces between");
                }
                bytes.add(Integer.parseInt(digits, 16));
            }
            if (bytes.size() > MOST_BYTES) {
                throw wrong("up to " + MOST_BYTES + " bytes go in one transfer");
            }
            return bytes;
        }

        private ProgramPin pin(String label) {
            return circuit.board().pins().stream()
                    .filter(p -> p.label().equalsIgnoreCase(label) || p.id().equalsIgnoreCase(label))
                    .filter(p -> p.can(PinFunction.DIGITAL_OUT))
                    .findFirst()
                    .map((Pin p) -> ProgramPin.of(circuit.board(), p))
                    .orElseThrow(() -> wrong("the board has no pin “" + label + "” that a program can drive"));
        }

        private void other(String name) {
            Optional<Bus> bus = circuit.plan().buses().stream()
                    .filter(b -> b.name().equalsIgnoreCase(name) || b.id().equalsIgnoreCase(name))
                    .findFirst();
            ProgramBus chosen = bus.flatMap(b -> start.buses().stream()
                            .filter(p -> b.id().equals(p.planned()))
                            .findFirst())
                    .orElseThrow(() -> wrong("no bus of the plan with a display on it is called “" + name + "”"));
            if (chosen.serial()) {
                serial = chosen;
            } else {
                twoWire = chosen;
            }
        }

        private IllegalArgumentException wrong(String what) {
            return new IllegalArgumentException("Line " + line + ": " + what + ".");
        }
    }
}
