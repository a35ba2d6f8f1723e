package izzet.core.assign;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.RandomPlans;
import izzet.core.ReferenceTable;
import izzet.core.Workbench;
import izzet.core.assign.Assigner.Answer;
import izzet.core.assign.Assigner.Assignment;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Assigner.Outcome;
import izzet.core.catalog.PinFunction;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class AssignerTest {

    /** Rules about places; an assignment must break none. */
    static final Set<String> PLACES = Set.of("P1", "P2", "P3", "P4", "P5", "P8", "P12", "S1");

    /** Rules that have nothing to do with places. */
    private static final Set<String> ELSE = Set.of("I1", "I2", "I3", "I5", "L3", "L7", "V1", "W5", "S3");

    private static final Assigner ASSIGNER = new SolverAssigner();
    private static final Limits LONG = Limits.of(Duration.ofSeconds(60));

    record Reference(String file, String kind, Outcome outcome, Integer price) {
        Plan plan() throws IOException {
            try (InputStream in = AssignerTest.class.getResourceAsStream("/assign/" + file)) {
                return new PlanDocument()
                        .read(new String(in.readAllBytes(), StandardCharsets.UTF_8), Workbench.CATALOG);
            }
        }

        @Override
        public String toString() {
            return file;
        }
    }

    static Stream<Reference> references() {
        return ReferenceTable.rows("/assign/expected.csv").stream()
                .map(r -> new Reference(
                        r.get("file"),
                        r.get("kind"),
                        Outcome.valueOf(r.get("outcome")),
                        r.get("price").isEmpty() ? null : Integer.valueOf(r.get("price"))));
    }

    static Stream<Reference> proven() {
        return references().filter(r -> r.outcome() != Outcome.FOUND);
    }

    static Stream<Reference> small() {
        return references().filter(r -> r.kind().equals("small") || r.file().startsWith("27-"));
    }

    static Stream<Reference> impossible() {
        return references().filter(r -> r.outcome() == Outcome.NONE);
    }

    private static List<Finding> stops(Plan plan, Set<String> rules) {
        return Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG)).findings().stream()
                .filter(f -> f.severity() == Severity.STOP && rules.contains(f.rule()))
                .toList();
    }

    private static Answer answer(Plan plan, Limits limits) {
        return ASSIGNER.assign(plan, Workbench.CATALOG, Weights.USUAL, limits);
    }

    @Test
    void theReferenceSetHasEveryBoardAndKind() throws IOException {
        List<Reference> all = references().toList();
        assertThat(all).hasSizeGreaterThanOrEqualTo(30);
        assertThat(all.stream().map(Reference::kind)).contains("easy", "tight", "impossible", "small");
        Set<String> boards = new HashSet<>();
        for (Reference r : all) {
            boards.add(r.plan().board());
        }
        // The same machines at 3.3 V have the same pins.
        assertThat(Workbench.CATALOG.boards().keySet().stream().map(b -> b.replace("-3v3", "")))
                .allSatisfy(b -> assertThat(boards).contains(b));
    }

    @ParameterizedTest
    @MethodSource("proven")
    void outcomeAndPriceOfEachReferenceTask(Reference reference) throws IOException {
        Plan plan = reference.plan();
        Answer answer = answer(plan, LONG);
        assertThat(answer.outcome()).isEqualTo(reference.outcome());
        assertThat(answer.assignments().isEmpty()).isEqualTo(reference.outcome() == Outcome.NONE);
        Set<Set<String>> places = new HashSet<>();
        for (Assignment assignment : answer.assignments()) {
            Plan assigned = assignment.edit().apply(plan);
            assertThat(assignment.price()).isEqualTo(reference.price());
            assertThat(PlanChecks.of(assigned, Workbench.CATALOG)).isEmpty();
            assertThat(stops(assigned, PLACES)).isEmpty();
            assertThat(open(assigned)).isEmpty();
            places.add(assigned.connections().stream().map(Connection::toString).collect(Collectors.toSet()));
        }
        assertThat(places).hasSameSizeAs(answer.assignments());
    }

    private static List<Wire> open(Plan plan) {
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        return circuit.wires().stream()
                .filter(w -> w.line().required() && LegalPins.wantsPin(w))
                .filter(w -> circuit.netOf(w.from()).isEmpty())
                .toList();
    }

    /** Tries every pin for every line and every controller for every bus; legal is what the rules say, cheap what the plan costs. */
    @ParameterizedTest
    @MethodSource("small")
    void bruteForceFindsTheSame(Reference reference) throws IOException {
        Plan plan = reference.plan();
        Plan supplied = Proposal.withoutPins(plan, Workbench.CATALOG).apply(plan);
        Brute brute = new Brute(plan, supplied);
        assertThat(brute.best).isEqualTo(reference.price() == null ? Integer.MAX_VALUE : reference.price());
        assertThat(brute.tried).isGreaterThan(25);
    }

    private static final class Brute {
        private final Plan present;
        private final List<List<Target>> lines = new ArrayList<>();
        private int best = Integer.MAX_VALUE;
        private int tried;

        Brute(Plan present, Plan supplied) {
            this.present = present;
            Circuit circuit = new Circuit(supplied, Workbench.CATALOG);
            Map<String, List<Target>> groups = new LinkedHashMap<>();
            for (Wire wire : circuit.wires()) {
                boolean open = wire.line().required()
                        && LegalPins.wantsPin(wire)
                        && circuit.netOf(wire.from()).isEmpty()
                        && wire.line().rest() == null;
                if (open) {
                    String key = wire.role().bus()
                            ? wire.unit().placed().bus() + wire.busSignal()
                            : wire.from().toString();
                    groups.computeIfAbsent(key, k -> new ArrayList<>()).add(wire.from());
                }
            }
            lines.addAll(groups.values());
            for (Plan choice : controllers(circuit, supplied)) {
                place(choice, 0, new ArrayList<>());
            }
        }

        private static List<Plan> controllers(Circuit circuit, Plan plan) {
            List<Plan> choices = new ArrayList<>(List.of(plan));
            for (Bus bus : plan.buses()) {
                List<Plan> next = new ArrayList<>();
                for (Plan p : choices) {
                    next.add(new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), null, bus.clockHz()))
                            .apply(p));
                    circuit.board()
                            .controllersOf(bus.kind())
                            .forEach(c -> next.add(new PlanEdit.PutBus(
                                            new Bus(bus.id(), bus.kind(), bus.name(), c.id(), bus.clockHz()))
                                    .apply(p)));
                }
                choices = next;
            }
            return choices;
        }

        private record Placed(Plan plan, String pin, int price) {}

        private void place(Plan plan, int line, List<String> taken) {
            if (line == lines.size()) {
                int price = price(plan);
                if (price < best && stops(plan, PLACES).isEmpty()) {
                    best = price;
                }
                return;
            }
            List<Placed> places = new ArrayList<>();
            for (var pin : Workbench.CATALOG.board(plan.board()).orElseThrow().signalPins()) {
                if (!taken.contains(pin.id())) {
                    Plan next = plan;
                    for (Target from : lines.get(line)) {
                        next = new PlanEdit.Connect(from, Target.pin(pin.id())).apply(next);
                    }
                    places.add(new Placed(next, pin.id(), price(next)));
                }
            }
            // The cheap ones first; a further wire takes no points away, so what is too dear already is not gone on
            // with.
            places.sort(Comparator.comparingInt(Placed::price));
            for (Placed placed : places) {
                if (placed.price < best) {
                    taken.add(placed.pin);
                    place(placed.plan, line + 1, taken);
                    taken.remove(placed.pin);
                }
            }
        }

        private int price(Plan plan) {
            tried++;
            return Weights.USUAL.price(Points.of(new Circuit(plan, Workbench.CATALOG), present));
        }
    }

    /** The wishes of a conflict cannot hold together; any one taken away, the others can. */
    @ParameterizedTest
    @MethodSource("impossible")
    void conflictsAreIrreducible(Reference reference) throws IOException {
        Plan plan = reference.plan();
        Plan supplied = Proposal.withoutPins(plan, Workbench.CATALOG).apply(plan);
        Conflicts conflicts = new Conflicts(plan, supplied, Workbench.CATALOG, LONG, 0);
        assertThat(conflicts.find()).isEqualTo(answer(plan, LONG).conflict());
        List<List<Target>> wishes = conflicts.kept();
        assertThat(wishes).hasSameSizeAs(conflicts.find().wishes());
        assertThat(possible(plan, supplied, wishes)).isFalse();
        for (List<Target> away : wishes) {
            List<List<Target>> rest = wishes.stream().filter(w -> w != away).toList();
            assertThat(possible(plan, supplied, rest)).as("without " + away).isTrue();
        }
    }

    private static boolean possible(Plan plan, Plan supplied, List<List<Target>> wishes) {
        Set<Target> wanted = wishes.stream().flatMap(List::stream).collect(Collectors.toSet());
        return SolverAssigner.possible(
                        plan,
                        supplied,
                        Workbench.CATALOG,
                        w -> wanted.contains(w.from()),
                        LONG,
                        System.nanoTime() + LONG.time().toNanos())
                .orElseThrow();
    }

    @Test
    void aConflictIsToldInWordsWithWhatTheBoardHas() throws IOException {
        Reference lamps =
                references().filter(r -> r.file().startsWith("05-")).findFirst().orElseThrow();
        var conflict = answer(lamps.plan(), LONG).conflict();
        assertThat(conflict.wishes())
                .containsExactly(
                        "RGB lamp 1 wants 3 pins for R, G, B (PWM)",
                        "RGB lamp 2 wants 3 pins for R, G, B (PWM)",
                        "Lamp 3 wants a pin for A (PWM)");
        assertThat(conflict.reason()).contains("7 lines").contains("6 places").contains("3, 5, 6, 9, 10, 11");
    }

    @Test
    void waysOutAreTriedAndLeadToAPlanThatHolds() throws IOException {
        Reference displays =
                references().filter(r -> r.file().startsWith("08-")).findFirst().orElseThrow();
        Plan plan = displays.plan();
        List<WaysOut.Way> ways = WaysOut.all(ASSIGNER)
                .of(plan, Workbench.CATALOG, Weights.USUAL, LONG)
                .found();
        assertThat(ways)
                .extracting(WaysOut.Way::title)
                .anyMatch(t -> t.contains("4 data lines"))
                .anyMatch(t -> t.contains("expander"));
        assertThat(ways.get(0).buy()).isEmpty();
        for (WaysOut.Way way : ways) {
            Plan freed = way.edit().apply(plan);
            assertThat(stops(freed, PLACES)).as(way.title()).isEmpty();
            assertThat(open(freed)).as(way.title()).isEmpty();
        }
    }

    /** A backlight that takes a pin which nothing else has left is hung on the supply. */
    @Test
    void aBacklightOnTheSupplyFreesAPin() {
        Plan plan = Workbench.on("wifi-single-30")
                .bare("tide", "colour-240x320-serial", "panel")
                .bare("cabin", "character-16x2-direct", "4-bit")
                .wire("tide:LED", "board:GPIO16")
                .plan();
        assertThat(answer(plan, LONG).outcome()).isEqualTo(Outcome.NONE);
        assertThat(WaysOut.all(ASSIGNER)
                        .of(plan, Workbench.CATALOG, Weights.USUAL, LONG)
                        .found())
                .extracting(WaysOut.Way::title)
                .anyMatch(t -> t.startsWith("Hang the tide LED on"));
    }

    /** "None frees it" may be said only where all were tried; a search without time says that it was cut short. */
    @Test
    void aSearchThatWasCutShortSaysSo() {
        Plan plan = Workbench.on("wifi-single-30")
                .bare("tide", "colour-240x320-serial", "panel")
                .bare("cabin", "character-16x2-direct", "4-bit")
                .wire("tide:LED", "board:GPIO16")
                .plan();
        WaysOut.Ways none =
                WaysOut.all(ASSIGNER).of(plan, Workbench.CATALOG, Weights.USUAL, Limits.of(Duration.ofNanos(1)));
        assertThat(none.found()).isEmpty();
        assertThat(none.whole()).isFalse();
    }

    /** Where no single change makes room, two or three together are tried; none of them could be left out. */
    @Test
    void changesAreMadeTogetherWhereOneIsNotEnough() {
        Plan plan = Workbench.on("wifi-single-30")
                .bare("sign", Workbench.OLED, "2-wire")
                .bare("map", "colour-240x320-serial", "panel")
                .bare("cabin", "character-16x2-direct", "8-bit")
                .bare("depot", "character-16x2-direct", "8-bit")
                .bare("left", "push-button", "to-ground")
                .bare("right", "push-button", "to-ground")
                .bare("lamp", "led", "dimmed")
                .plan();
        assertThat(answer(plan, LONG).outcome()).isEqualTo(Outcome.NONE);
        List<WaysOut.Way> ways = WaysOut.all(ASSIGNER)
                .of(plan, Workbench.CATALOG, Weights.USUAL, LONG)
                .found();
        assertThat(ways)
                .isNotEmpty()
                .allSatisfy(w -> assertThat(w.title()).contains(", and "))
                .extracting(WaysOut.Way::title)
                .doesNotHaveDuplicates();
        for (WaysOut.Way way : ways) {
            Plan freed = way.edit().apply(plan);
            assertThat(stops(freed, PLACES)).as(way.title()).isEmpty();
            assertThat(open(freed)).as(way.title()).isEmpty();
        }
    }

    @Test
    void aBoardWithoutAnalogInputsGetsAConverter() {
        Plan plan = Workbench.sbc().bare("dial", "potentiometer", "analog").plan();
        Answer none = answer(plan, LONG);
        assertThat(none.conflict().wishes()).containsExactly("the dial wants a pin for W (analog input)");
        WaysOut.Way way = WaysOut.all(ASSIGNER).of(plan, Workbench.CATALOG, Weights.USUAL, LONG).found().stream()
                .filter(w -> w.title().startsWith("Add an analog converter"))
                .findFirst()
                .orElseThrow();
        Plan freed = way.edit().apply(plan);
        Target input = freed.connection(Target.of("dial:W")).orElseThrow().to();
        assertThat(input.owner()).isEqualTo("converter");
        assertThat(input.name()).matches("A[0-3]");
        Plan button = Workbench.sbc().bare("lever", "push-button", "to-ground").plan();
        Circuit both = new Circuit(
                new PlanEdit.AddPart(freed.part("converter").orElseThrow()).apply(button), Workbench.CATALOG);
        assertThat(LegalPins.helpersFor(both, both.wire(Target.of("lever:A")).orElseThrow()))
                .isEmpty();
    }

    @RepeatedTest(25)
    void randomPlansGetNoStopAndKeepWhatIsNoMatterOfPlaces(RepetitionInfo info) {
        Plan plan = new RandomPlans(900 + info.getCurrentRepetition()).plan(5);
        Answer answer = answer(plan, Limits.of(Duration.ofMillis(300)));
        for (Assignment assignment : answer.assignments()) {
            Plan assigned = assignment.edit().apply(plan);
            assertThat(PlanChecks.of(assigned, Workbench.CATALOG)).isEmpty();
            assertThat(stops(assigned, PLACES)).isEmpty();
            assertThat(ids(assigned)).isEqualTo(ids(plan));
        }
    }

    /** Lines behind level shifters reach pins that can do what they need; the shifter's own lines are assigned. */
    @RepeatedTest(20)
    void linesBehindShiftersGetPinsThatServeThem(RepetitionInfo info) {
        Plan plan = behindShifters(
                new RandomPlans(300 + info.getCurrentRepetition()).plan(4), new Random(info.getCurrentRepetition()));
        Answer answer = answer(plan, Limits.of(Duration.ofMillis(300)));
        for (Assignment assignment : answer.assignments()) {
            Plan assigned = assignment.edit().apply(plan);
            Circuit circuit = new Circuit(assigned, Workbench.CATALOG);
            assertThat(stops(assigned, PLACES)).isEmpty();
            assertThat(assignment.price()).isEqualTo(Weights.USUAL.price(Points.of(circuit, plan)));
            for (Wire wire : circuit.wires()) {
                if (wire.line().required()
                        && wire.to()
                                .filter(t -> t.owner().startsWith("shifter"))
                                .isPresent()) {
                    assertThat(circuit.pinsUnder(wire)).as(wire.label()).hasSize(1);
                }
            }
        }
    }

    /** Up to four lines of the plan go behind a shifter whose side towards the board is open. */
    private static Plan behindShifters(Plan plan, Random random) {
        Plan next = new PlanEdit.AddPart(
                        new PlacedPart("shifter", "level-shifter-4", 1, "the shifter", "two-way", Map.of(), null, null))
                .apply(plan);
        int channel = 1;
        for (Connection c : plan.connections()) {
            if (c.to().isPin() && c.from().isLine() && channel <= 4 && random.nextBoolean()) {
                next = new PlanEdit.Connect(c.from(), Target.line("shifter", "HV" + channel++)).apply(next);
            }
        }
        return next;
    }

    @Test
    void aBusBehindAShifterAndASwitchIsPlacedAndMoves() {
        Plan plan = Workbench.sbc()
                .with("one", Workbench.OLED)
                .with("two", Workbench.OLED)
                .with("switch", "bus-switch-8")
                .with("shifter", "level-shifter-4")
                .wire("one:SDA", "switch:SD0")
                .wire("one:SCL", "switch:SC0")
                .wire("two:SDA", "switch:SD1")
                .wire("two:SCL", "switch:SC1")
                .wire("switch:SDA", "shifter:HV1")
                .wire("switch:SCL", "shifter:HV2")
                .plan();
        Plan assigned = answer(plan, LONG).assignments().get(0).edit().apply(plan);
        assertThat(assigned.connection(Target.of("shifter:LV1")).orElseThrow().to())
                .isEqualTo(Target.of("board:GPIO2"));
        assertThat(assigned.connection(Target.of("shifter:LV2")).orElseThrow().to())
                .isEqualTo(Target.of("board:GPIO3"));
        // A button that is locked on the usual data pin drives the bus to another controller, helpers and all.
        Plan crowded = new PlanEdit.Connect(
                        new Connection(Target.of("lever:A"), Target.of("board:GPIO2"), null, null, true))
                .apply(new PlanEdit.AddPart(new PlacedPart(
                                "lever", "push-button", 1, "the lever", "to-ground", Map.of(), null, null))
                        .apply(assigned));
        Plan moved = answer(crowded, LONG).assignments().get(0).edit().apply(crowded);
        assertThat(moved.connection(Target.of("shifter:LV1")).orElseThrow().to())
                .isNotEqualTo(Target.of("board:GPIO2"));
        assertThat(moved.bus("i2c").orElseThrow().controller()).isNotEqualTo("i2c1");
        assertThat(stops(moved, PLACES)).isEmpty();
    }

    private static Set<String> ids(Plan plan) {
        Report report = Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG));
        return report.findings().stream()
                .filter(f -> ELSE.contains(f.rule()))
                .map(Finding::id)
                .collect(Collectors.toSet());
    }

    @RepeatedTest(15)
    void locksStayWhereTheyAre(RepetitionInfo info) {
        RandomPlans random = new RandomPlans(500 + info.getCurrentRepetition());
        Plan plan = random.plan(4);
        Random lock = new Random(info.getCurrentRepetition());
        for (Connection c : plan.connections()) {
            if (c.to().isPin() && lock.nextInt(3) == 0) {
                plan = new PlanEdit.Connect(c.withLock(true)).apply(plan);
            }
        }
        Plan locked = plan;
        Answer answer = answer(locked, Limits.of(Duration.ofMillis(300)));
        if (open(locked).isEmpty() && stops(locked, PLACES).isEmpty()) {
            assertThat(answer.outcome()).isNotEqualTo(Outcome.NONE);
        }
        for (Assignment assignment : answer.assignments()) {
            Plan assigned = assignment.edit().apply(locked);
            locked.connections().stream()
                    .filter(Connection::staysPut)
                    .forEach(c -> assertThat(assigned.connection(c.from())).contains(c));
        }
    }

    @Test
    void assigningTwiceMovesNothing() throws IOException {
        Reference easy =
                references().filter(r -> r.file().startsWith("09-")).findFirst().orElseThrow();
        Plan once = answer(easy.plan(), LONG).assignments().get(0).edit().apply(easy.plan());
        Answer again = answer(once, LONG);
        Plan twice = again.assignments().get(0).edit().apply(once);
        assertThat(twice).isEqualTo(once);
        assertThat(again.assignments().get(0).points()).containsEntry(Criterion.MOVED, 0);
    }

    @Test
    void weightsTurnTheAnswer() {
        Plan plan = Workbench.mcu()
                .with("lever", "push-button")
                .wire("lever:A", "board:3")
                .plan();
        Weights stay = new Weights(Map.of(Criterion.MOVED, 10));
        Weights rare = new Weights(Map.of(Criterion.MOVED, 0, Criterion.RARE, 10));
        assertThat(lever(plan, stay)).isEqualTo("3");
        assertThat(lever(plan, rare)).isNotEqualTo("3");
        assertThatThrownBy(() -> new Weights(Map.of(Criterion.NEAR, 11))).hasMessageContaining("0 to 10");
    }

    private static String lever(Plan plan, Weights weights) {
        return ASSIGNER.assign(plan, Workbench.CATALOG, weights, LONG)
                .assignments()
                .get(0)
                .edit()
                .apply(plan)
                .connection(Target.of("lever:A"))
                .orElseThrow()
                .to()
                .name();
    }

    @Test
    void oneAnswerIsAsGoodAsThree() throws IOException {
        Reference small =
                references().filter(r -> r.file().startsWith("14-")).findFirst().orElseThrow();
        assertThat(answer(small.plan(), LONG).assignments()).hasSize(3);
        Answer one = answer(small.plan(), LONG.forOne());
        assertThat(one.assignments()).hasSize(1);
        assertThat(one.assignments().get(0).price()).isEqualTo(small.price());
    }

    @Test
    void aStoppedSearchSaysSo() throws IOException {
        Reference tight =
                references().filter(r -> r.file().startsWith("07-")).findFirst().orElseThrow();
        Answer answer = answer(tight.plan(), new Limits(Duration.ofSeconds(30), () -> true, p -> {}, 1));
        assertThat(answer.outcome()).isIn(Outcome.UNDECIDED, Outcome.FOUND);
        assertThat(answer.conflict()).isNull();
        List<Integer> prices = new ArrayList<>();
        answer(tight.plan(), new Limits(Duration.ofSeconds(30), () -> prices.size() > 1, prices::add, 1));
        assertThat(prices)
                .isSortedAccordingTo(java.util.Comparator.reverseOrder())
                .hasSizeGreaterThan(1);
    }

    /** The 8-bit board has interrupts on two pins. */
    @Test
    void interruptsAreScarce() {
        Workbench bench = Workbench.mcu()
                .bare("left", "rotary-encoder", "interrupts")
                .bare("right", "rotary-encoder", "interrupts");
        Plan two = bench.plan();
        Plan assigned = answer(two, LONG).assignments().get(0).edit().apply(two);
        assertThat(List.of("left:CLK", "right:CLK"))
                .extracting(l ->
                        assigned.connection(Target.of(l)).orElseThrow().to().name())
                .containsExactlyInAnyOrder("2", "3");
        Answer three =
                answer(bench.bare("third", "rotary-encoder", "interrupts").plan(), LONG);
        assertThat(three.outcome()).isEqualTo(Outcome.NONE);
        assertThat(three.conflict().wishes()).hasSize(3).allMatch(w -> w.endsWith("wants a pin for CLK (interrupt)"));
        assertThat(three.conflict().reason()).contains("3 lines").contains("2 places for them: 2, 3");
    }

    /** An expander of eight lines takes the ninth button as little as a full board the first. */
    @Test
    void boardAndExpanderTakeAsManyAsTheyHave() {
        Workbench bench = Workbench.on("wifi-single-30").bare("expander", "expander-8", "2-wire");
        int buttons = 0;
        Answer last = answer(bench.plan(), LONG);
        Plan plan = bench.plan();
        while (last.outcome() == Outcome.BEST && buttons < 30) {
            plan = bench.plan();
            last = answer(
                    bench.bare("button-" + ++buttons, "push-button", "to-ground")
                            .plan(),
                    LONG);
        }
        assertThat(last.outcome()).isEqualTo(Outcome.NONE);
        Plan full = answer(plan, LONG).assignments().get(0).edit().apply(plan);
        assertThat(full.connections())
                .filteredOn(c -> c.to().isLine() && c.to().owner().equals("expander"))
                .hasSize(8);
        assertThat(new Circuit(full, Workbench.CATALOG).freePins()).allMatch(p -> !p.can(PinFunction.DIGITAL_IN));
    }

    /** A board without bus hardware makes its buses in the program, on any pins that can be read and written. */
    @Test
    void withoutControllersTheProgramMakesTheBus() {
        Plan plan = Workbench.on("retro-8bit-two-port")
                .bare("sign", Workbench.OLED, "2-wire")
                .plan();
        Answer answer = answer(plan, LONG);
        assertThat(answer.outcome()).isEqualTo(Outcome.BEST);
        Plan assigned = answer.assignments().get(0).edit().apply(plan);
        assertThat(assigned.buses()).hasSize(1).allMatch(Bus::bitBanged);
        assertThat(answer.assignments().get(0).points()).containsEntry(Criterion.HARDWARE, Points.BIT_BANGED);
        assertThat(stops(assigned, PLACES)).isEmpty();
    }

    /**
     * A 2-wire and a serial display lie on the pins that libraries expect. Sources: data sheets of the chips, from memory; of the computer,
     * Linux kernel 6.1, board support trees.
     */
    @ParameterizedTest
    @CsvSource({
        "mcu-8bit-5v-14-6, A4, A5, 13, 11",
        "mcu-8bit-5v-narrow, A4, A5, 13, 11",
        "wifi-dual-30, GPIO21, GPIO22, GPIO18, GPIO23",
        "wifi-dual-38, GPIO21, GPIO22, GPIO18, GPIO23",
        "wifi-single-30, GPIO4, GPIO5, GPIO14, GPIO13",
        "mcu-dual-40, GP4, GP5, GP18, GP19",
        "sbc-40-pin, GPIO2, GPIO3, GPIO11, GPIO10",
        "sbc-40-pin-small, GPIO2, GPIO3, GPIO11, GPIO10",
        "mcu-8bit-bare-28, PC4, PC5, PB5, PB3",
        "sbc-40-pin-overlay, P3, P5, P23, P19"
    })
    void busesLieOnTheirUsualPins(String board, String sda, String scl, String sck, String mosi) {
        Plan plan = Workbench.on(board)
                .bare("sign", Workbench.OLED, "2-wire")
                .bare("map", "colour-240x240-serial", "panel")
                .plan();
        Plan assigned = answer(plan, LONG).assignments().get(0).edit().apply(plan);
        assertThat(List.of("sign:SDA", "sign:SCL", "map:SCL", "map:SDA"))
                .extracting(l ->
                        assigned.connection(Target.of(l)).orElseThrow().to().name())
                .containsExactly(sda, scl, sck, mosi);
    }
}
