package izzet.core.bench;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Direction;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import izzet.core.circuit.Unit;
import izzet.core.code.BringUp;
import izzet.core.code.Op;
import izzet.core.code.ProgramBus;
import izzet.core.code.ProgramPin;
import izzet.core.decode.BusEvent;
import izzet.core.decode.I2cTransfer;
import izzet.core.display.Glass;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Session;
import izzet.core.plan.Bus;
import izzet.core.plan.Target;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The bring-up program runs on the desk: what it does with the board's pins goes over the wires that are there, and each display shows what
 * it makes of what arrives at its own pins. Not thread-safe; one for each run.
 */
public final class DeskRun {

    private static final Set<Role> INPUTS =
            Set.of(Role.CONTROL, Role.DATA_COMMAND, Role.SELECT, Role.ENABLE, Role.DATA, Role.SPI_SCK, Role.SPI_MOSI);

    private static final int BITS = 8;

    /** A lamp of a display with less is taken for dark; common practice. */
    static final double SEEN_AMPERES = 100e-6;

    /** A part hears nothing at a clock that is further above its limit; between, it is commonly seen working. */
    private static final double HEARD_ABOVE = 1.5;

    private static final long STROBE_NANOS = 1000;
    private static final long MILLI_NANOS = 1_000_000;

    /**
     * What a display shows.
     *
     * @param glass null where it never began
     * @param why it shows nothing, as somebody who knows the desk would say; empty where it shows something
     * @param floating its inputs that nothing holds: what is seen is one of several things that may be
     */
    public record Shown(Unit unit, Glass glass, String why, List<String> floating) {

        /** Whether nothing is seen on it. */
        public boolean blank() {
            return !why.isEmpty()
                    || glass == null
                    || (glass instanceof Glass.Text t
                            ? t.lines().stream().allMatch(String::isBlank)
                            : Arrays.stream(((Glass.Pixels) glass).seen().rgb()).allMatch(c -> c == 0));
        }

        /** Whether a person would tell it from another one by looking. */
        public boolean looksLike(Shown other) {
            if (blank() || other.blank()) {
                return blank() && other.blank();
            }
            return glass instanceof Glass.Text t
                    ? t.lines().equals(((Glass.Text) other.glass).lines())
                    : ((Glass.Pixels) glass).seen().differences(((Glass.Pixels) other.glass).seen()) == 0;
        }
    }

    /** What became of a line of a typed program; {@code words} is empty where there is nothing to say. */
    public record Told(int line, String text, String words) {}

    /** @param told one for each line of a typed program */
    public record Result(List<Shown> shown, List<Told> told) {}

    private final Desk desk;
    private final PinRecord record;
    private final Map<String, Integer> pins = new HashMap<>();
    private final Map<String, Ear> ears = new LinkedHashMap<>();

    /** By label of the pin that drives something of theirs. */
    private final Map<String, List<Ear>> listening = new HashMap<>();

    private Ear[] hearing = {};
    private final Map<String, Session> sessions = new HashMap<>();
    private final Map<String, DeskBus> buses = new HashMap<>();

    /** Displays that work only while the program sets the pins that feed them. */
    private final Set<String> fedByPins = new HashSet<>();

    private final Map<String, Integer> modes = new HashMap<>();
    private final Map<String, Long> halfClock = new HashMap<>();
    private List<Unit> answered = List.of();
    private long now;

    private DeskRun(Desk desk, PinRecord record) {
        this.desk = desk;
        this.record = record;
        for (Unit unit : desk.built().units()) {
            if (unit.part().kind() == PartKind.DISPLAY
                    && Awake.not(desk.built(), unit, Awake.Feeding.RIGHT).isEmpty()) {
                Interpreters.of(Panel.family(unit.part()))
                        .ifPresent(i -> sessions.put(unit.id(), i.begin(Panel.of(unit.part()))));
                if (Awake.not(desk.built(), unit, Awake.Feeding.by(Map.of())).isPresent()) {
                    fedByPins.add(unit.id());
                }
            }
        }
    }

    /** The program runs once. */
    public static List<Shown> of(Desk desk) {
        return of(desk, new PinRecord(List.of(), 1));
    }

    /** @param record of a capture device that listens meanwhile */
    public static List<Shown> of(Desk desk, PinRecord record) {
        DeskRun run = new DeskRun(desk, record);
        List<Op> program = BringUp.of(desk.programmed()).ops();
        run.begin(program);
        program.forEach(run::op);
        return run.end();
    }

    /** A typed program runs instead of that for the bring-up. */
    public static Result of(Desk desk, PinRecord record, TypedProgram program) {
        DeskRun run = new DeskRun(desk, record);
        run.begin(program.steps().stream().flatMap(s -> s.ops().stream()).toList());
        List<Told> told = program.steps().stream()
                .map(s -> new Told(s.line(), s.text(), run.step(s)))
                .toList();
        return new Result(run.end(), told);
    }

    private void begin(List<Op> program) {
        program.stream()
                .filter(Op.Begin.class::isInstance)
                .map(Op.Begin.class::cast)
                .forEach(b -> modes.putIfAbsent(b.bus().name(), b.mode()));
        record.highs(this::highVolts);
        listen();
    }

    /** Of a pin: where resistors hold it with nothing sent, else what the board drives. */
    private double highVolts(String label) {
        Circuit built = desk.built();
        return built.board().pins().stream()
                .filter(p -> p.label().equals(label))
                .findFirst()
                .filter(p -> built.usersOf(p).stream().anyMatch(w -> w.role().i2c()))
                .flatMap(p -> new Meter(desk).volts(Target.pin(p.id())))
                .filter(v -> v > 0)
                .orElse(built.board().logicVolts());
    }

    private List<Shown> end() {
        ears.values().forEach(e -> e.end(now));
        record.end(now);
        return shown();
    }

    private String step(TypedProgram.Step step) {
        answered = List.of();
        step.ops().forEach(this::op);
        return switch (step.kind()) {
            case START -> "the bring-up program ran";
            case SCAN -> {
                List<Integer> there = on(step.bus()).scan();
                yield there.isEmpty() ? "nobody answers" : BusScan.text(there);
            }
            case WRITE ->
                !on(step.bus()).rises()
                        ? "the lines never rise: nothing can be sent"
                        : answered.isEmpty()
                                ? "nobody acknowledges"
                                : "acknowledged by "
                                        + answered.stream().map(Unit::name).collect(Listed.and());
            case SEND -> "sent at " + Quantity.hertz(step.bus().hertz()) + "; a serial bus does not answer";
            case PIN, WAIT -> "";
        };
    }

    private DeskBus on(ProgramBus bus) {
        return buses.computeIfAbsent(
                bus.name(),
                k -> new DeskBus(desk, bus.data().label(), bus.clock().label(), pins));
    }

    private void listen() {
        for (Unit unit : desk.built().units()) {
            Session session = sessions.get(unit.id());
            if (session != null) {
                int mode = unit.part().spi() == null
                        ? 0
                        : unit.part().spi().modes().stream()
                                .min(Integer::compare)
                                .orElse(0);
                Ear.of(desk.built(), unit, mode, (BusEvent e) -> heard(unit, session, e))
                        .ifPresent(ear -> ears.put(unit.id(), ear));
            }
        }
        hearing = ears.values().toArray(new Ear[0]);
    }

    /** What comes too fast on a serial bus is not heard. */
    private void heard(Unit unit, Session session, BusEvent event) {
        if (fedByPins.contains(unit.id())
                && Awake.not(desk.built(), unit, Awake.Feeding.by(pins)).isPresent()) {
            return;
        }
        boolean serial = unit.variant().bus() == BusKind.SPI;
        long hertz = 0;
        for (Bus bus : desk.programmed().plan().buses()) {
            if (serial && bus.id().equals(unit.placed().bus())) {
                hertz = desk.programmed().clockOf(unit, bus);
            }
        }
        if (!serial || follows(unit, hertz)) {
            session.hear(event);
        }
    }

    private List<Shown> shown() {
        List<Shown> all = new ArrayList<>();
        for (Unit unit : desk.built().units()) {
            if (unit.part().kind() == PartKind.DISPLAY) {
                Glass glass = Optional.ofNullable(sessions.get(unit.id()))
                        .flatMap(Session::glass)
                        .orElse(null);
                all.add(new Shown(unit, glass, why(unit, glass), floating(unit)));
            }
        }
        return all;
    }

    private List<String> floating(Unit unit) {
        return desk.built().wiresOf(unit).stream()
                .filter(w -> w.line().required() && INPUTS.contains(w.role()))
                .filter(w -> Source.of(desk.built(), w).floats())
                .map(w -> w.line().id())
                .toList();
    }

    private String why(Unit unit, Glass glass) {
        Optional<String> asleep = Awake.not(desk.built(), unit, Awake.Feeding.by(pins));
        if (asleep.isPresent()) {
            return asleep.get();
        }
        boolean contrast = Contrast.of(desk.built()).stream()
                .anyMatch(c -> c.line().unit().id().equals(unit.id()) && c.turned());
        if (contrast && desk.is(Desk.Condition.CONTRAST_NOT_TURNED)) {
            return "its contrast was never turned";
        }
        boolean open = desk.built().wiresOf(unit).stream()
                .anyMatch(w -> w.role() == Role.CONTRAST
                        && w.line().required()
                        && desk.built().netOf(w.from()).isEmpty());
        if (open) {
            return "its contrast line is connected to nothing";
        }
        if (dark(unit)) {
            return "its backlight is dark, and what is written can hardly be made out";
        }
        if (glass == null) {
            return "what it understands is not followed here";
        }
        return glass.changes() == 0 ? "nothing that it knows arrived" : "";
    }

    /** Whether its lamps are lit in the plan and not on the desk. */
    private boolean dark(Unit unit) {
        return lit(desk.planned(), unit) && !lit(desk.built(), unit);
    }

    private static boolean lit(Circuit circuit, Unit unit) {
        return circuit.lamps().stream()
                .filter(l -> l.line().unit().id().equals(unit.id()))
                .anyMatch(l -> l.amperes() > SEEN_AMPERES);
    }

    private void op(Op op) {
        if (op instanceof Op.Output output) {
            set(output.pin(), output.high() ? 1 : 0);
            moment();
        } else if (op instanceof Op.Level level) {
            set(level.pin(), level.high() ? 1 : 0);
            moment();
        } else if (op instanceof Op.Wait wait) {
            now += wait.micros() * 1000;
        } else if (op instanceof Op.Await await) {
            await(await);
        } else if (op instanceof Op.TwoWire write) {
            transfer(write.bus(), write.address(), write.bytes());
        } else if (op instanceof Op.TwoWireRun run) {
            pieces(run);
        } else if (op instanceof Op.Begin begin) {
            begun(begin);
        } else if (op instanceof Op.Send write) {
            write.bytes().forEach(b -> send(write.bus(), b));
        } else if (op instanceof Op.SendRun run) {
            for (int i = 0; i < run.pairs().size(); i += 2) {
                for (int n = 0; n < run.pairs().get(i); n++) {
                    send(run.bus(), run.pairs().get(i + 1));
                }
            }
        } else if (op instanceof Op.Rectangles all) {
            all.rectangles().forEach(r -> rectangle(all, r));
        } else if (op instanceof Op.Strobe strobe) {
            strobe(strobe);
        }
    }

    private void set(ProgramPin pin, int level) {
        if (pin == null) {
            return;
        }
        Integer before = pins.put(pin.label(), level);
        if (before == null || before != level) {
            record.change(now, pin.label(), level);
            for (Ear ear : listening.computeIfAbsent(pin.label(), this::listening)) {
                ear.change(pin.label(), level);
            }
        }
    }

    private List<Ear> listening(String pin) {
        return ears.values().stream().filter(e -> e.listensTo(pin)).toList();
    }

    /** Whoever had a change since the last moment takes it in. */
    private void hear() {
        for (Ear ear : hearing) {
            ear.moment(now);
        }
    }

    private void moment() {
        hear();
        now += STROBE_NANOS / 10;
    }

    /** Who is there and wired to the pin tells when it is ready; else the program's patience ends it. */
    private void await(Op.Await await) {
        boolean answered = desk.built().board().pins().stream()
                .filter(p -> p.label().equals(await.pin().label()))
                .flatMap(p -> desk.built().usersOf(p).stream())
                .anyMatch(w -> w.line().direction() == Direction.OUT
                        && sessions.containsKey(w.unit().id()));
        if (answered) {
            set(await.pin(), await.high() ? 0 : 1);
            now += await.usual() * MILLI_NANOS;
            set(await.pin(), await.high() ? 1 : 0);
            moment();
        } else {
            now += await.most() * MILLI_NANOS;
        }
    }

    private void strobe(Op.Strobe strobe) {
        for (int i = 0; i < strobe.lines().size(); i++) {
            set(strobe.lines().get(i), strobe.value() >> i & 1);
        }
        moment();
        set(strobe.enable(), 1);
        moment();
        now += STROBE_NANOS;
        set(strobe.enable(), 0);
        moment();
        now += strobe.micros() * 1000;
    }

    private void begun(Op.Begin begin) {
        if (begin.bus().serial()) {
            halfClock.put(begin.bus().name(), 500_000_000L / Math.max(1, begin.hertz()));
            set(begin.bus().clock(), begin.mode() >= 2 ? 1 : 0);
            moment();
        }
    }

    private void send(ProgramBus bus, int value) {
        if (bus.parallel()) {
            parallel(bus, value);
        } else {
            serial(bus, value);
        }
    }

    /** A word is put on the lines and taken when the write strobe rises. */
    private void parallel(ProgramBus bus, int value) {
        for (int i = 0; i < bus.lines().size(); i++) {
            set(bus.lines().get(i), value >> i & 1);
        }
        moment();
        set(bus.clock(), 0);
        moment();
        set(bus.clock(), 1);
        moment();
    }

    private void serial(ProgramBus bus, int value) {
        int mode = modes.getOrDefault(bus.name(), 0);
        long half = Math.max(1, halfClock.getOrDefault(bus.name(), 125L));
        int idle = mode >= 2 ? 1 : 0;
        boolean late = (mode & 1) == 1;
        for (int bit = BITS - 1; bit >= 0; bit--) {
            if (late) {
                edge(bus.clock(), 1 - idle, half);
            }
            set(bus.data(), value >> bit & 1);
            hear();
            now += half;
            edge(bus.clock(), late ? idle : 1 - idle, half);
            if (!late) {
                edge(bus.clock(), idle, 0);
            }
        }
    }

    private void edge(ProgramPin clock, int level, long rest) {
        set(clock, level);
        hear();
        now += rest;
    }

    private void rectangle(Op.Rectangles all, Op.Rectangle r) {
        if (all.select() != null) {
            set(all.select(), 0);
            moment();
        }
        command(all, 0x2A, r.x0() >> 8, r.x0() & 0xFF, r.x1() >> 8, r.x1() & 0xFF);
        command(all, 0x2B, r.y0() >> 8, r.y0() & 0xFF, r.y1() >> 8, r.y1() & 0xFF);
        command(all, 0x2C);
        for (int i = (r.x1() - r.x0() + 1) * (r.y1() - r.y0() + 1); i > 0; i--) {
            if (all.bus().lines().size() > BITS) {
                send(all.bus(), r.colour());
            } else {
                send(all.bus(), r.colour() >> BITS);
                send(all.bus(), r.colour() & 0xFF);
            }
        }
        if (all.select() != null) {
            set(all.select(), 1);
            moment();
        }
    }

    private void command(Op.Rectangles all, int command, int... bytes) {
        set(all.dataCommand(), 0);
        moment();
        send(all.bus(), command);
        set(all.dataCommand(), 1);
        moment();
        for (int b : bytes) {
            send(all.bus(), b);
        }
    }

    /** Whether a part keeps up with a clock. */
    static boolean follows(Unit unit, long hertz) {
        Integer most = unit.part().i2c() != null
                ? Integer.valueOf(unit.part().i2c().maxHz())
                : unit.part().spi() != null ? Integer.valueOf(unit.part().spi().maxWriteHz()) : null;
        return most == null || hertz <= most * HEARD_ABOVE;
    }

    private void pieces(Op.TwoWireRun run) {
        List<Integer> bytes = new ArrayList<>(List.of(run.control()));
        for (int i = 0; i < run.pairs().size(); i += 2) {
            for (int n = 0; n < run.pairs().get(i); n++) {
                bytes.add(run.pairs().get(i + 1));
                if (bytes.size() > Op.TwoWireRun.PIECE) {
                    transfer(run.bus(), run.address(), bytes);
                    bytes = new ArrayList<>(List.of(run.control()));
                }
            }
        }
        if (bytes.size() > 1) {
            transfer(run.bus(), run.address(), bytes);
        }
    }

    private void transfer(ProgramBus bus, int address, List<Integer> bytes) {
        if (bus.data() == null || bus.clock() == null) {
            return;
        }
        DeskBus on = on(bus);
        List<Unit> hearing = on.write(address, bytes).stream()
                .filter(u -> follows(u, bus.hertz()))
                .toList();
        answered = hearing;
        long start = now;
        boolean acknowledged = !hearing.isEmpty();
        wave(bus, address, acknowledged ? bytes : List.of(), acknowledged, on);
        if (acknowledged) {
            boolean[] acks = new boolean[bytes.size()];
            Arrays.fill(acks, true);
            byte[] data = new byte[bytes.size()];
            for (int i = 0; i < data.length; i++) {
                data[i] = bytes.get(i).byteValue();
            }
            I2cTransfer event = new I2cTransfer(
                    start, now, I2cTransfer.Begin.START, I2cTransfer.End.STOP, address, 7, false, true, data, acks);
            hearing.forEach(u -> Optional.ofNullable(sessions.get(u.id())).ifPresent(s -> s.hear(event)));
        }
    }

    /** The two lines as they go; without pull-ups they never rise. */
    private void wave(ProgramBus bus, int address, List<Integer> bytes, boolean acknowledged, DeskBus on) {
        if (!on.rises()) {
            set(bus.data(), 0);
            set(bus.clock(), 0);
            now += 20_000;
            return;
        }
        long quarter = 250_000_000L / Math.max(1, bus.hertz());
        lines(bus, 1, 1, quarter);
        lines(bus, 0, 1, 3 * quarter);
        lines(bus, 0, 0, quarter);
        byteOut(bus, address << 1, acknowledged, quarter);
        bytes.forEach(b -> byteOut(bus, b, true, quarter));
        lines(bus, 0, 0, quarter);
        lines(bus, 0, 1, 3 * quarter);
        lines(bus, 1, 1, 5 * quarter);
    }

    private void byteOut(ProgramBus bus, int value, boolean acknowledged, long quarter) {
        for (int bit = BITS; bit >= 0; bit--) {
            int level = bit == 0 ? (acknowledged ? 0 : 1) : value >> (bit - 1) & 1;
            lines(bus, level, 0, quarter);
            lines(bus, level, 1, 2 * quarter);
            lines(bus, level, 0, quarter);
        }
    }

    private void lines(ProgramBus bus, int data, int clock, long rest) {
        set(bus.data(), data);
        set(bus.clock(), clock);
        now += rest;
    }
}
