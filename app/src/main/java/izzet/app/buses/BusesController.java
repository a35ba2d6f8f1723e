package izzet.app.buses;

import izzet.app.shell.AskedNumber;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.buses.GateBench;
import izzet.core.buses.PullUpWindow;
import izzet.core.buses.SerialTable;
import izzet.core.buses.SpeedCompare;
import izzet.core.buses.Street;
import izzet.core.buses.SwitchBench;
import izzet.core.buses.Turns;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PortOrder;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.plan.Cable;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The station of buses: streets, pull-ups, serial tables, turns, gates and switches, speeds. */
@Controller
class BusesController {

    private static final List<Integer> CLOCKS = List.of(100_000, 400_000, 1_000_000);
    private static final double MOST_CENTIMETRES = 500;

    private final PlanFrames frames;

    BusesController(PlanFrames frames) {
        this.frames = frames;
    }

    /**
     * A part that lives at the chosen house or could move there.
     *
     * @param part for its drawing
     * @param moves by address, with what to do on the module
     */
    public record Dweller(Unit unit, boolean here, List<Move> moves) {
        public Part part() {
            return unit.part();
        }
    }

    /** @param taken names of who lives there already; empty for free */
    public record Move(int address, String label, String how, String taken) {}

    /** One 2-wire bus with what could be tried on it. */
    public record Wires(
            Bus bus,
            int clockHz,
            double centimetres,
            Cable cable,
            boolean tried,
            List<EdgeView> edges,
            List<Integer> clocks) {
        /** Told as "400 kHz on 30 cm of loose jumper wires". */
        public String words() {
            return Quantity.hertz(clockHz) + " on " + Math.round(centimetres) + " cm of " + cable.words();
        }
    }

    /** @param share of the round, from 0 to 100 */
    public record TurnView(String name, String seconds, double x, double share, boolean card, String formula) {}

    public record Round(Bus bus, List<TurnView> turns, String rate, List<String> others) {}

    public record WayView(String name, String time, String clock, double share, boolean now, String formula) {}

    public record Speeds(String name, List<WayView> ways) {}

    /** @param facts name and value in turn */
    public record Parallel(String name, List<String[]> facts) {}

    @GetMapping("/plans/{id}/buses")
    String buses(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String house,
            @RequestParam(defaultValue = "") String on,
            @RequestParam Map<String, String> asked,
            Model model) {
        PlanFrame frame = frames.of(id, "buses");
        Circuit circuit = frame.circuit();
        List<Street> streets = Street.of(circuit);
        model.addAttribute("frame", frame);
        List<StreetView> views = new ArrayList<>();
        streets.forEach(s -> views.add(StreetView.of(s, where(circuit, s), house)));
        model.addAttribute("streets", views);
        chosen(circuit, streets, views, house, model);
        model.addAttribute("wires", wires(circuit, asked));
        model.addAttribute("serial", SerialTable.of(circuit));
        model.addAttribute("rounds", rounds(circuit));
        model.addAttribute("parallel", parallel(circuit));
        model.addAttribute("gates", GateBench.of(circuit));
        List<SwitchBench> switches = switches(circuit, on);
        model.addAttribute("switches", switches);
        model.addAttribute("switchTree", SwitchTree.of(circuit, switches));
        model.addAttribute("on", on);
        model.addAttribute("cables", Cable.values());
        model.addAttribute("speeds", speeds(circuit));
        return "buses/page";
    }

    private static String where(Circuit circuit, Street street) {
        String clock = Quantity.hertz(street.bus().clockHz()).toString();
        if (!street.segment().trunk()) {
            return clock;
        }
        String pins = circuit.joinedNets().stream()
                .filter(n -> n.bus().equals(street.bus()))
                .flatMap(n -> n.sides().get(0).stream())
                .flatMap(n -> n.pins().stream())
                .map(p -> p.label())
                .distinct()
                .collect(Collectors.joining(", "));
        return (street.bus().bitBanged() ? "by the program" : clock) + (pins.isEmpty() ? "" : " · " + pins);
    }

    private static void chosen(
            Circuit circuit, List<Street> streets, List<StreetView> views, String house, Model model) {
        for (int i = 0; i < streets.size(); i++) {
            for (StreetView.HouseView h : views.get(i).houses()) {
                boolean first = house.isEmpty() && h.kind().equals("clash") && !model.containsAttribute("door");
                if (h.key().equals(house) || first) {
                    Street street = streets.get(i);
                    Street.House at = street.at(Integer.decode("0x" + h.label()));
                    model.addAttribute("door", h);
                    model.addAttribute("street", views.get(i));
                    List<Dweller> dwellers = new ArrayList<>();
                    at.dwellers().forEach(u -> dwellers.add(new Dweller(u, true, moves(circuit, street, u))));
                    at.guests().forEach(u -> dwellers.add(new Dweller(u, true, List.of())));
                    at.doors()
                            .forEach(u -> dwellers.add(new Dweller(
                                    u,
                                    false,
                                    moves(circuit, street, u).stream()
                                            .filter(m -> m.address() == at.address())
                                            .toList())));
                    model.addAttribute("dwellers", dwellers);
                }
            }
        }
    }

    private static List<Move> moves(Circuit circuit, Street street, Unit unit) {
        Integer now = circuit.addressOf(unit).orElse(null);
        List<Move> moves = new ArrayList<>();
        Reachable.of(circuit, unit).forEach((address, setting) -> {
            if (!address.equals(now)) {
                String taken = street.at(address).dwellers().stream()
                        .filter(u -> !u.id().equals(unit.id()))
                        .map(Unit::name)
                        .collect(Collectors.joining(", "));
                moves.add(new Move(address, Hex.of(address), setting.label(), taken));
            }
        });
        return moves;
    }

    private static List<Wires> wires(Circuit circuit, Map<String, String> asked) {
        List<Wires> all = new ArrayList<>();
        double told = circuit.plan().wireLength();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() != BusKind.I2C) {
                continue;
            }
            int clock = (int) AskedNumber.of(asked.get("clock." + bus.id()), bus.clockHz(), 1000, 1_000_000);
            double length = AskedNumber.of(asked.get("cm." + bus.id()), told, 1, MOST_CENTIMETRES);
            Cable cable = cable(asked.get("cable." + bus.id()), circuit.plan().wires());
            boolean tried = clock != bus.clockHz()
                    || length != told
                    || cable != circuit.plan().wires();
            Circuit then = tried ? PullUpWindow.whatIf(circuit, bus.id(), clock, length, cable) : circuit;
            List<PullUpWindow> windows = PullUpWindow.of(then).stream()
                    .filter(w -> w.net().bus().id().equals(bus.id()))
                    .toList();
            TreeSet<Integer> clocks = new TreeSet<>(CLOCKS);
            clocks.add(bus.clockHz());
            all.add(new Wires(bus, clock, length, cable, tried, EdgeView.of(windows, then), List.copyOf(clocks)));
        }
        return all;
    }

    private static Cable cable(String asked, Cable planned) {
        for (Cable cable : Cable.values()) {
            if (cable.text().equals(asked)) {
                return cable;
            }
        }
        return planned;
    }

    private static List<Round> rounds(Circuit circuit) {
        List<Round> rounds = new ArrayList<>();
        for (Turns turns : Turns.of(circuit)) {
            List<TurnView> views = new ArrayList<>();
            double x = 0;
            for (Turns.Turn turn : turns.turns()) {
                double share = 100 * turn.seconds() / turns.seconds();
                views.add(new TurnView(
                        turn.unit().name() + (turn.card() ? ", from its card" : ""),
                        Quantity.seconds(turn.seconds()).toString(),
                        x,
                        share,
                        turn.card(),
                        turn.formula()));
                x += share;
            }
            List<String> others = new ArrayList<>();
            double faster = Math.min(turns.bus().clockHz() * 2.0, turns.mostHertz());
            if (faster > turns.bus().clockHz()) {
                others.add("at " + Quantity.hertz(faster) + ": "
                        + rate(Turns.of(circuit, turns.bus(), faster).seconds()));
            }
            if (turns.packedSeconds() < turns.seconds() * 0.999) {
                others.add("with 12 bits a pixel instead of 16 or more: " + rate(turns.packedSeconds()));
            }
            rounds.add(new Round(turns.bus(), views, rate(turns.seconds()), others));
        }
        return rounds;
    }

    private static String rate(double seconds) {
        double rate = 1 / seconds;
        return rate >= 10
                ? Math.round(rate) + " pictures a second each"
                : Quantity.count(Math.round(rate * 10) / 10.0) + " pictures a second each";
    }

    private static List<SwitchBench> switches(Circuit circuit, String on) {
        List<SwitchBench> all = new ArrayList<>();
        for (Unit unit : SwitchBench.switches(circuit)) {
            TreeSet<Integer> open = new TreeSet<>();
            for (String word : on.split(",")) {
                int dash = word.lastIndexOf('-');
                if (dash > 0
                        && word.substring(0, dash).equals(unit.id())
                        && word.substring(dash + 1).matches("\\d")) {
                    open.add(Integer.parseInt(word.substring(dash + 1)));
                }
            }
            open.removeIf(i -> i >= unit.part().busSwitch().channels().size());
            all.add(SwitchBench.of(circuit, unit, open));
        }
        return all;
    }

    /** Displays with the same ways together. */
    private static List<Speeds> speeds(Circuit circuit) {
        Map<List<WayView>, List<String>> names = new LinkedHashMap<>();
        for (SpeedCompare compare : SpeedCompare.of(circuit)) {
            if (compare.ways().size() > 1) {
                names.computeIfAbsent(ways(compare), w -> new ArrayList<>())
                        .add(compare.unit().name());
            }
        }
        return names.entrySet().stream()
                .map(e -> new Speeds(String.join(", ", e.getValue()), e.getKey()))
                .toList();
    }

    private static List<WayView> ways(SpeedCompare compare) {
        double slowest = compare.ways().get(compare.ways().size() - 1).seconds();
        return compare.ways().stream()
                .map(w -> new WayView(
                        (w.part().id().equals(compare.unit().part().id())
                                        ? ""
                                        : w.part().shortName() + ": ")
                                + w.variant().name(),
                        Quantity.seconds(w.seconds()).toString(),
                        w.variant().bus() == null
                                ? ""
                                : Quantity.hertz(w.hertz()).toString(),
                        Math.max(1, 100 * w.seconds() / slowest),
                        w.now(),
                        w.formula()))
                .toList();
    }

    private static List<Parallel> parallel(Circuit circuit) {
        List<Parallel> all = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            PortOrder.of(circuit, unit).ifPresent(order -> all.add(new Parallel(unit.name(), facts(circuit, order))));
            Bus bus = circuit.busOf(unit).orElse(null);
            Part.PixelBus panel = unit.part().pixelBus();
            if (bus != null
                    && panel != null
                    && bus.kind() == BusKind.RGB
                    && unit.part().glass() != null) {
                all.add(new Parallel(unit.name(), pixels(unit, bus, panel)));
            }
        }
        return all;
    }

    private static List<String[]> facts(Circuit circuit, PortOrder order) {
        List<String[]> facts = new ArrayList<>();
        facts.add(new String[] {"data lines on", String.join(", ", order.places())});
        if (order.couldBeOrdered()) {
            facts.add(new String[] {
                "writes a byte",
                order.writesPerByte() + (order.ordered() ? ": one port, in order" : "; 1 with one port in order")
            });
        }
        Integer board = circuit.board().writeNanos();
        Integer cycle = order.unit().variant().cycleNanos();
        if (board != null) {
            facts.add(new String[] {
                "the program writes every", Quantity.seconds(board * 1e-9).toString()
            });
        }
        if (cycle != null) {
            facts.add(new String[] {
                "the display takes one every", Quantity.seconds(cycle * 1e-9).toString()
            });
        }
        return facts;
    }

    private static List<String[]> pixels(Unit unit, Bus bus, Part.PixelBus panel) {
        Part.Glass glass = unit.part().glass();
        double pictures = bus.clockHz() / panel.hertz(1);
        List<String[]> facts = new ArrayList<>();
        facts.add(new String[] {"pixel clock", Quantity.hertz(bus.clockHz()) + " of " + Quantity.hertz(panel.maxHz())});
        facts.add(new String[] {
            "columns and rows with blanking",
            panel.totalColumns() + " × " + panel.totalRows() + " for " + glass.columns() + " × " + glass.rows()
        });
        facts.add(new String[] {
            "pictures a second",
            Quantity.count(Math.round(pictures * 10) / 10.0).toString()
        });
        if (glass.bitsPerPixel() != null) {
            double bytes = (double) glass.columns() * glass.rows() * Math.ceil(glass.bitsPerPixel() / 8.0);
            facts.add(new String[] {
                "read from memory", Quantity.count(Math.round(bytes * pictures / 1e5) / 10.0) + " MB a second"
            });
        }
        return facts;
    }
}
