package izzet.core.choose;

import izzet.core.assign.Suitability;
import izzet.core.calc.FillTime;
import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PictureTime;
import izzet.core.plan.Plan;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/**
 * Compares displays, interface by interface and board by board, before anything is bought: pins, speed, memory, levels, and what it
 * blocks. Immutable. Safe to share.
 */
public final class Chooser {

    /** Common practice: what a serial bus of loose wires carries, by its length. */
    private static final double METRE_HZ = 10e6;

    private static final double SERIAL_BOARD_HZ = 8e6;
    private static final double BIT_BANGED_HZ = 50e3;

    /**
     * What is wished for; a field that does not matter is null.
     *
     * @param shows {@code pixels} or {@code characters}
     * @param columns at least
     * @param rows at least
     * @param bits a pixel at least: 1 is black and white, 16 colour
     * @param pictures whole ones a second at least
     * @param centimetres between board and display
     * @param board id of the only board that counts
     */
    public record Wish(
            String shows,
            Integer columns,
            Integer rows,
            Integer bits,
            Double pictures,
            Double centimetres,
            String board) {}

    /** By what offers are sorted. */
    public enum Order {
        PINS("fewest pins"),
        SPEED("fastest"),
        MEMORY("least memory"),
        TROUBLE("least trouble");

        private final String label;

        Order(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * One display on one interface on one board.
     *
     * @param pins of the board that it takes
     * @param pinsLeft that remain free
     * @param fillSeconds for one whole picture; null for characters
     * @param formula of the fill time, with the figures in it; null for characters
     * @param hertz clock that it is reckoned with; 0 where there is none
     * @param frameBytes that a program needs for the whole picture; null for characters
     * @param ramBytes of the board; null where there is plenty
     * @param missing what the board lacks; empty when it fits
     * @param stops what would have to be mended first, as sentences
     * @param fixes what is out of specification, as sentences
     * @param blocks functions that nothing else can have beside it
     * @param fastEnough whether it reaches the pictures wished for
     * @param plan the display alone on the board, connected
     */
    public record Offer(
            Board board,
            Part part,
            Part.Interface variant,
            int pins,
            int pinsLeft,
            Double fillSeconds,
            String formula,
            double hertz,
            Integer frameBytes,
            Long ramBytes,
            List<String> missing,
            List<String> stops,
            List<String> fixes,
            List<String> blocks,
            boolean fastEnough,
            Plan plan) {

        public Offer {
            missing = List.copyOf(missing);
            stops = List.copyOf(stops);
            fixes = List.copyOf(fixes);
            blocks = List.copyOf(blocks);
        }

        public boolean fits() {
            return missing.isEmpty();
        }

        /** Whether the whole picture and half as much again for the program lie in the board's memory; true where not known. */
        public boolean memoryFits() {
            return frameBytes == null || ramBytes == null || frameBytes * 1.5 <= ramBytes;
        }

        public double picturesPerSecond() {
            return fillSeconds == null || fillSeconds == 0 ? 0 : 1 / fillSeconds;
        }

        private int trouble() {
            return (fits() ? 0 : 1000)
                    + (fastEnough ? 0 : 100)
                    + (memoryFits() ? 0 : 100)
                    + stops.size() * 10
                    + fixes.size();
        }
    }

    /**
     * What it takes to make an offer work: the cheapest repair of each stop and fix, one after the other.
     *
     * @param buy parts to buy
     * @param steps repairs, as their buttons say them
     * @param left stops and fixes that no repair takes away
     */
    public record Mending(List<String> buy, List<String> steps, int left) {
        public Mending {
            buy = List.copyOf(buy);
            steps = List.copyOf(steps);
        }
    }

    /** Repairs tried at most for one offer. */
    private static final int MOST_STEPS = 8;

    private final Catalog catalog;
    private final Checker checker;
    private final Repairs repairs;
    private final Map<String, Mending> mended = new ConcurrentHashMap<>();

    public Chooser(Catalog catalog, Checker checker, Repairs repairs) {
        this.catalog = catalog;
        this.checker = checker;
        this.repairs = repairs;
    }

    /** Found once for each board, part and interface, and remembered. */
    public Mending mending(Offer offer) {
        String key = offer.board().id() + " " + offer.part().id() + " "
                + offer.variant().id();
        return mended.computeIfAbsent(key, k -> mend(offer.plan()));
    }

    private Mending mend(Plan start) {
        List<String> buy = new ArrayList<>();
        List<String> steps = new ArrayList<>();
        Plan plan = start;
        for (int i = 0; i < MOST_STEPS; i++) {
            Circuit circuit = new Circuit(plan, catalog);
            Report report = checker.check(circuit);
            Optional<Repair> next = report.findings().stream()
                    .filter(f -> f.severity().mustBeMended())
                    .flatMap(f -> repairs.of(circuit, report, f).stream().limit(1))
                    .findFirst();
            if (next.isEmpty()) {
                break;
            }
            buy.addAll(next.get().price().buy());
            steps.add(next.get().title());
            plan = next.get().edit().apply(plan);
        }
        Report after = checker.check(new Circuit(plan, catalog));
        return new Mending(buy, steps, (int) (after.count(Severity.STOP) + after.count(Severity.FIX)));
    }

    /** Everything that meets the wish; what fits and is fast enough first, then in the order asked for. */
    public List<Offer> offers(Wish wish, Order order) {
        List<Offer> offers = new ArrayList<>();
        for (Board board : catalog.boards().values()) {
            if (wish.board() != null && !board.id().equals(wish.board())) {
                continue;
            }
            for (Part part : catalog.parts().values()) {
                if (part.glass() != null && meets(part, wish)) {
                    part.interfaces().forEach(i -> offers.add(offer(board, part, i, wish)));
                }
            }
        }
        Comparator<Offer> asked =
                switch (order) {
                    case PINS -> Comparator.comparingInt(Offer::pins);
                    case SPEED -> Comparator.comparingDouble(o -> o.fillSeconds() == null ? 0 : o.fillSeconds());
                    case MEMORY -> Comparator.comparingInt(o -> o.frameBytes() == null ? 0 : o.frameBytes());
                    case TROUBLE -> Comparator.comparingInt(Offer::trouble);
                };
        offers.sort(Comparator.comparing((Offer o) -> !o.fits() || !o.fastEnough() || !o.memoryFits())
                .thenComparing(asked)
                .thenComparingInt(Offer::trouble)
                .thenComparing(o -> o.part().name())
                .thenComparing(o -> o.board().name()));
        return offers;
    }

    private static boolean meets(Part part, Wish wish) {
        Part.Glass g = part.glass();
        int bits = g.bitsPerPixel() == null ? 1 : g.bitsPerPixel();
        return (wish.shows() == null || wish.shows().equals(g.shows()))
                && (wish.columns() == null || g.columns() >= wish.columns())
                && (wish.rows() == null || g.rows() >= wish.rows())
                && (wish.bits() == null || bits >= wish.bits());
    }

    private Offer offer(Board board, Part part, Part.Interface variant, Wish wish) {
        Suitability fit = Suitability.of(board, part, variant.id(), catalog);
        Circuit circuit = new Circuit(fit.plan(), catalog);
        Report report = checker.check(circuit);
        Speed speed = speed(board, part, variant, wish.centimetres()).and(part.glass());
        boolean fast = wish.pictures() == null || speed.seconds() == null || 1 / speed.seconds() >= wish.pictures();
        Part.Glass g = part.glass();
        return new Offer(
                board,
                part,
                variant,
                fit.pins(),
                circuit.freePins().size(),
                speed.seconds(),
                speed.formula(),
                speed.hertz(),
                Boolean.TRUE.equals(g.ownMemory()) ? null : g.memoryBytes(),
                board.ramBytes(),
                fit.missing(),
                fit.suits() ? sentences(report, Severity.STOP) : List.of(),
                fit.suits() ? sentences(report, Severity.FIX) : List.of(),
                blocked(circuit),
                fast,
                fit.plan());
    }

    private static List<String> sentences(Report report, Severity severity) {
        return report.findings().stream()
                .filter(f -> f.severity() == severity)
                .map(Finding::sentence)
                .toList();
    }

    private record Speed(Double seconds, String formula, double hertz) {

        /** A glass that takes its time to show what was sent, such as electronic paper. */
        Speed and(Part.Glass glass) {
            return seconds == null || glass.refreshMillis() == null
                    ? this
                    : new Speed(
                            seconds + glass.refreshMillis() / 1000.0,
                            formula + " + " + Quantity.seconds(glass.refreshMillis() / 1000.0)
                                    + " until the glass shows it",
                            hertz);
        }
    }

    private static Speed speed(Board board, Part part, Part.Interface variant, Double centimetres) {
        Part.Glass g = part.glass();
        if (g.bitsPerPixel() == null) {
            return new Speed(null, null, 0);
        }
        if (variant.bus() == BusKind.RGB) {
            return pixelSpeed(board, part);
        }
        double hertz = variant.bus() == null ? 1 : clock(board, part, variant, centimetres);
        return PictureTime.of(board, part, variant, hertz)
                .map(t -> new Speed(t.seconds(), t.formula(), t.hertz()))
                .orElse(new Speed(null, null, 0));
    }

    /** A panel without memory: the clock of sixty pictures a second, or the fastest that board and panel have. */
    private static Speed pixelSpeed(Board board, Part part) {
        Part.Glass g = part.glass();
        Part.PixelBus panel = part.pixelBus();
        // Common practice where the file does not tell: a tenth of the columns and a twentieth of the rows are
        // blanking.
        int columns = panel == null ? g.columns() * 11 / 10 : panel.totalColumns();
        int rows = panel == null ? g.rows() * 21 / 20 : panel.totalRows();
        double hertz = FillTime.pixelClock(columns, rows, 60);
        double most = board.controllersOf(BusKind.RGB).stream()
                .map(Controller::maxHz)
                .filter(hz -> hz != null)
                .mapToDouble(Integer::doubleValue)
                .max()
                .orElse(hertz);
        double clock = Math.min(hertz, Math.min(most, panel == null ? hertz : panel.maxHz()));
        String formula = String.format(Locale.ROOT, "%d × %d / %s", columns, rows, Quantity.hertz(clock));
        return new Speed(columns * (double) rows / clock, formula, clock);
    }

    /** The slowest of part, controller and wires. */
    private static double clock(Board board, Part part, Part.Interface variant, Double centimetres) {
        Optional<Controller> controller =
                board.controllersOf(variant.bus()).stream().findFirst();
        if (controller.isEmpty()) {
            return BIT_BANGED_HZ;
        }
        boolean i2c = variant.bus() == BusKind.I2C;
        double most = i2c ? part.i2c().maxHz() : part.spi().maxWriteHz();
        Integer own = controller.get().maxHz();
        most = Math.min(most, own == null ? SERIAL_BOARD_HZ : own);
        return !i2c && centimetres != null && centimetres > 0 ? Math.min(most, METRE_HZ * 100 / centimetres) : most;
    }

    /** Rare functions of the board that this plan takes the last of. */
    private static List<String> blocked(Circuit circuit) {
        Set<String> before = new TreeSet<>();
        Set<String> after = new TreeSet<>();
        Board board = circuit.board();
        for (Pin pin : board.signalPins()) {
            boolean free = circuit.usersOf(pin).isEmpty();
            for (PinFunction f : pin.functions()) {
                String name = f.controller() != null
                        ? board.controller(f.controller()).map(Controller::name).orElse(f.controller()) + " "
                                + f.signal()
                        : PinFunction.ANALOG_IN.equals(f.capability())
                                ? "analog inputs"
                                : "pwm".equals(f.capability()) ? "PWM" : null;
                boolean own = f.controller() != null
                        && circuit.plan().buses().stream()
                                .anyMatch(b -> f.controller().equals(b.controller()));
                boolean pixels = f.controller() != null
                        && board.controller(f.controller())
                                .filter(c -> c.kind() == BusKind.RGB)
                                .isPresent();
                if (name != null && !own && !pixels) {
                    before.add(name);
                    if (free) {
                        after.add(name);
                    }
                }
            }
        }
        before.removeAll(after);
        // "I2C 1 scl, I2C 1 sda" reads better as "I2C 1".
        return before.stream()
                .map(n -> n.replaceAll(" (sda|scl|sck|mosi|miso|ss|ce\\d|tx|rx|rts|cts)$", ""))
                .collect(Collectors.toCollection(TreeSet::new))
                .stream()
                .toList();
    }
}
