package izzet.core.code;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Outside;
import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every language is compiled or run, and where it runs it must do to pins and buses what the plan asks for. */
class CodeTargetTest {

    @TempDir
    Path folder;

    private static String resource(String name) throws Exception {
        try (var in = CodeTargetTest.class.getResourceAsStream("/code/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private String run(String... command) throws Exception {
        return Outside.run(folder, command);
    }

    private static CodeTarget target(String file) {
        return CodeTarget.all().stream()
                .filter(t -> t.file().equals(file))
                .findFirst()
                .orElseThrow();
    }

    private static Workbench twins(String board) {
        Workbench bench = Workbench.on(board)
                .with("gate", "bus-switch-4")
                .bare("up", Workbench.OLED, "2-wire")
                .bare("down", Workbench.OLED, "2-wire");
        bench.behind("up", "gate", 0).behind("down", "gate", 2);
        return bench;
    }

    /** Whose buses the program makes itself, on the pins that they have. */
    private static Workbench made(Workbench bench) {
        List<Bus> buses = List.copyOf(bench.plan().buses());
        buses.forEach(b -> bench.edit(new PlanEdit.PutBus(new Bus(b.id(), b.kind(), b.name(), null, b.clockHz()))));
        return bench;
    }

    /** A bus by a controller, and another one on pins that nothing else has. */
    private static Workbench besides(String board) {
        Workbench bench = Workbench.on(board)
                .with("sign", Workbench.OLED)
                .with("below", Workbench.OLED)
                .edit(new PlanEdit.PutBus(new Bus("own", BusKind.I2C, "Own pins", null, 100_000)))
                .off("below:SDA")
                .off("below:SCL")
                .edit(new PlanEdit.SetPartBus("below", "own"));
        Circuit circuit = bench.circuit();
        List<Pin> free = circuit.board().pins().stream()
                .filter(p -> p.can(PinFunction.DIGITAL_IN) && p.can(PinFunction.DIGITAL_OUT))
                .filter(p -> circuit.usersOf(p).isEmpty())
                .toList();
        return bench.wire("below:SDA", "board:" + free.get(4).id())
                .wire("below:SCL", "board:" + free.get(5).id());
    }

    /** A display with its supply and its ground on pins that nothing else has. */
    private static Workbench fed(String board) {
        Workbench bench =
                Workbench.on(board).with("sign", Workbench.OLED).off("sign:VCC").off("sign:GND");
        Circuit circuit = bench.circuit();
        List<Pin> free = circuit.board().pins().stream()
                .filter(p -> p.can(PinFunction.DIGITAL_OUT) && !p.can(PinFunction.BOARD_RESET))
                .filter(p -> circuit.usersOf(p).isEmpty())
                .toList();
        return bench.wire("sign:VCC", "board:" + free.get(4).id())
                .wire("sign:GND", "board:" + free.get(5).id());
    }

    /** Its pins come first: the supply high, the ground low. */
    @Test
    void aPartThatHangsOnPinsIsFedBeforeAnythingIsSaid() {
        for (String board : List.of(Workbench.MCU, Workbench.SBC)) {
            List<Op> ops = BringUp.of(fed(board).circuit()).ops();
            assertThat(ops.subList(0, 4))
                    .as(board)
                    .satisfiesExactlyInAnyOrder(
                            o -> assertThat(o).isInstanceOf(Op.Note.class),
                            o -> assertThat(o).isInstanceOfSatisfying(Op.Output.class, out -> assertThat(out.high())
                                    .isTrue()),
                            o -> assertThat(o).isInstanceOfSatisfying(Op.Output.class, out -> assertThat(out.high())
                                    .isFalse()),
                            o -> assertThat(o).isEqualTo(new Op.Wait(100_000)));
        }
        assertThat(BringUp.of(twins(Workbench.MCU).circuit()).sources())
                .noneMatch(s -> s.contains("switched a supply"));
    }

    /** Plans for each kind of display, on a board. */
    private static Map<String, Circuit> plans(String board) {
        Map<String, Circuit> plans = new LinkedHashMap<>();
        plans.put("small", Workbench.on(board).with("sign", Workbench.OLED).circuit());
        plans.put(
                "flat",
                Workbench.on(board).with("sign", "oled-128x32-page-2wire").circuit());
        plans.put(
                "wide memory",
                Workbench.on(board).with("sign", "oled-1v3-132-2wire").circuit());
        plans.put(
                "small serial",
                Workbench.on(board).with("sign", "oled-128x64-page-serial").circuit());
        plans.put("fed by pins", fed(board).circuit());
        plans.put("twins", twins(board).circuit());
        plans.put(
                "expander",
                Workbench.on(board).with("cabin", "character-20x4-expander").circuit());
        plans.put(
                "four lines",
                Workbench.on(board).with("cabin", "character-16x2-direct").circuit());
        plans.put(
                "harmful",
                Workbench.on(board)
                        .with("sign", Workbench.OLED)
                        .edit(new PlanEdit.RenamePart("sign", "*/ \"; rm -rf ??/\n#include <x>"))
                        .edit(new PlanEdit.Rename("*/ \"; rm"))
                        .circuit());
        plans.put(
                "grey",
                Workbench.on(board).with("map", "oled-256x64-grey-serial").circuit());
        plans.put(
                "paper",
                Workbench.on(board).with("times", "epaper-200x200-serial").circuit());
        plans.put(
                "lamps", Workbench.on(board).with("arrow", "matrix-8x8-serial").circuit());
        plans.put(
                "digits",
                Workbench.on(board).with("track", "seven-segment-4-2wire").circuit());
        plans.put("made 2-wire", made(twins(board)).circuit());
        plans.put(
                "made serial",
                made(Workbench.on(board).with("sign", "oled-128x64-page-serial").with("arrow", "matrix-8x8-serial"))
                        .circuit());
        plans.put("made beside given", besides(board).circuit());
        plans.put(
                "parallel",
                Workbench.on(board).with("map", "colour-240x320-parallel").circuit());
        plans.put(
                "colour",
                Workbench.on(board).with("map", "colour-128x160-serial-3v3").circuit());
        return plans;
    }

    private List<String> expected(Circuit circuit) {
        return ProgramLog.of(BringUp.of(circuit));
    }

    private List<String> done(String log) {
        return log.lines()
                .filter(l ->
                        l.startsWith("pin ") || l.startsWith("free ") || l.startsWith("i2c ") || l.startsWith("spi "))
                .toList();
    }

    @Test
    void theSketchDoesWhatThePlanAsks() throws Exception {
        Files.writeString(folder.resolve("Wire.h"), resource("stub.h"));
        Files.writeString(folder.resolve("SPI.h"), "#pragma once\n");
        for (Map.Entry<String, Circuit> plan : plans("mcu-8bit-5v-14-6").entrySet()) {
            String source = target("bringup.ino").text(plan.getValue());
            Files.writeString(folder.resolve("bringup.cpp"), source + "\nint main() { setup(); loop(); }\n");
            run(
                    "g++",
                    "-std=c++17",
                    "-Wall",
                    "-Wextra",
                    "-Werror",
                    "-Wno-unused",
                    "-O1",
                    "-I.",
                    "-o",
                    "bringup",
                    "bringup.cpp");
            assertThat(done(run("./bringup"))).as(plan.getKey()).isEqualTo(expected(plan.getValue()));
        }
    }

    /** The type that the board's file names as its data sheet. */
    private static String chip() {
        String source = Workbench.CATALOG
                .board("mcu-8bit-bare-28")
                .orElseThrow()
                .sources()
                .get("mcu");
        return source.replaceAll(".*\\((\\w+)\\).*", "$1").toLowerCase(Locale.ROOT);
    }

    @Test
    void theBareChipsProgramCompiles() throws Exception {
        for (Map.Entry<String, Circuit> plan : plans("mcu-8bit-bare-28").entrySet()) {
            Files.writeString(folder.resolve("bringup.c"), target("bringup.c").text(plan.getValue()));
            String said = run(
                    "avr-gcc",
                    "-mmcu=" + chip(),
                    "-DF_CPU=8000000UL",
                    "-Os",
                    "-std=gnu99",
                    "-Wall",
                    "-Wextra",
                    "-Werror",
                    "-o",
                    "bringup.elf",
                    "bringup.c");
            assertThat(said).as(plan.getKey()).isEmpty();
        }
    }

    @Test
    void thePythonOfAMicrocontrollerDoesWhatThePlanAsks() throws Exception {
        Files.writeString(folder.resolve("stub.py"), resource("stub_board.py"));
        for (Map.Entry<String, Circuit> plan : plans("mcu-dual-40").entrySet()) {
            Files.writeString(
                    folder.resolve("bringup.py"), target("bringup_board.py").text(plan.getValue()));
            assertThat(done(run("python3", "stub.py"))).as(plan.getKey()).isEqualTo(expected(plan.getValue()));
        }
    }

    @Test
    void thePythonOfAComputerDoesWhatThePlanAsks() throws Exception {
        Files.writeString(folder.resolve("stub.py"), resource("stub_computer.py"));
        for (Map.Entry<String, Circuit> plan : plans("sbc-40-pin").entrySet()) {
            Files.writeString(folder.resolve("bringup.py"), target("bringup.py").text(plan.getValue()));
            assertThat(done(run("python3", "stub.py"))).as(plan.getKey()).isEqualTo(expected(plan.getValue()));
        }
    }

    /** Memory of a retro computer as the linker wants it told. */
    private static final String MEMORY =
            """
            MEMORY { ZP: start = $00, size = $100; MAIN: start = $1000, size = $A000; }
            SEGMENTS { ZEROPAGE: load = ZP, type = zp, optional = yes; CODE: load = MAIN, type = ro;
              RODATA: load = MAIN, type = ro, optional = yes; BSS: load = MAIN, type = bss, define = yes; }
            """;

    private static Map<String, Circuit> retroPlans() {
        String board = "retro-8bit-two-port-3v3";
        Map<String, Circuit> plans = new LinkedHashMap<>();
        plans.put(
                "label",
                Workbench.on(board).with("label", "character-16x2-direct").circuit());
        plans.put("sign", Workbench.on(board).with("sign", Workbench.OLED).circuit());
        plans.put("wide", Workbench.on(board).with("sign", "oled-1v3-132-2wire").circuit());
        plans.put("twins", twins(board).circuit());
        plans.put(
                "serial",
                Workbench.on(board)
                        .with("sign", "oled-128x64-page-serial")
                        .with("map", "colour-240x240-serial")
                        .circuit());
        plans.put(
                "map",
                Workbench.on(board).with("map", "colour-240x320-parallel").circuit());
        plans.put(
                "paper",
                Workbench.on(board).with("times", "epaper-200x200-serial").circuit());
        return plans;
    }

    /** It runs on a processor of our own, and moves the pins as the plan asks. */
    @Test
    void theRetroComputersProgramDoesWhatThePlanAsks() throws Exception {
        Files.writeString(folder.resolve("memory.cfg"), MEMORY);
        for (Map.Entry<String, Circuit> plan : retroPlans().entrySet()) {
            Files.writeString(folder.resolve("bringup.s"), target("bringup.s").text(plan.getValue()));
            assertThat(target("bringup.s").missing(plan.getValue()))
                    .as(plan.getKey())
                    .isEmpty();
            assertThat(run("ca65", "bringup.s", "-o", "bringup.o")).isEmpty();
            assertThat(run("ld65", "-C", "memory.cfg", "-o", "bringup.bin", "bringup.o"))
                    .isEmpty();
            byte[] program = Files.readAllBytes(folder.resolve("bringup.bin"));
            List<String> asked = EightBitCpu.changes(expected(plan.getValue()));
            assertThat(asked).as(plan.getKey()).isNotEmpty();
            assertThat(new EightBitCpu(program, 0x1000).run()).as(plan.getKey()).isEqualTo(asked);
        }
    }

    /** Between what it is told and what comes next, the paper is asked until it is ready, and no longer. */
    @Test
    void aPaperIsAskedUntilItIsReady() throws Exception {
        Circuit paper = Workbench.on("mcu-dual-40")
                .with("times", "epaper-200x200-serial")
                .circuit();
        Files.writeString(folder.resolve("stub.py"), resource("stub_board.py"));
        Files.writeString(
                folder.resolve("bringup.py"), target("bringup_board.py").text(paper));
        String busy = paper.wire(Target.of("times:BUSY"))
                .flatMap(w -> paper.pinsUnder(w).stream().findFirst())
                .map(p -> p.chip().replace("GPIO", ""))
                .orElseThrow();
        List<String> log = run("python3", "stub.py").lines().toList();
        List<String> asked =
                List.of("asked " + busy + " 1", "asked " + busy + " 1", "asked " + busy + " 1", "asked " + busy + " 0");
        for (String command : List.of("spi 18", "spi 32")) {
            int after = log.indexOf(command) + 2;
            assertThat(log.subList(after, after + 4)).as(command).isEqualTo(asked);
            assertThat(log.get(after + 4)).as(command).startsWith("pin ");
        }
    }

    /** Whose busy line never tells anything is gone on with; whose line is on no pin is waited for. */
    @Test
    void aPaperThatNeverAnswersDoesNotHoldTheProgram() throws Exception {
        Workbench bench = Workbench.on("retro-8bit-two-port-3v3").with("times", "epaper-200x200-serial");
        assertThat(BringUp.of(bench.circuit()).ops())
                .filteredOn(op -> op instanceof Op.Await)
                .extracting(op -> ((Op.Await) op).most())
                .containsExactly(50L, 10_000L);
        Circuit open = bench.off("times:BUSY").circuit();
        assertThat(BringUp.of(open).ops())
                .noneMatch(op -> op instanceof Op.Await)
                .contains(new Op.Wait(4_000_000));
    }

    /** A button on a handshake line does not keep the display from its program; the line is told of. */
    @Test
    void aPinWithoutANameIsOnlyToldOf() throws Exception {
        Circuit circuit = Workbench.on("retro-8bit-two-port")
                .with("label", "character-16x2-direct")
                .bare("next", "push-button", "to-ground")
                .wire("next:A", "board:CB1")
                .wire("next:B", "rail:GND")
                .circuit();
        assertThat(target("bringup.s").missing(circuit)).isEmpty();
        assertThat(target("bringup.s").text(circuit))
                .contains("; THE_NEXT_A: on CB1, which has no name here")
                .doesNotContain("THE_NEXT_A_BIT");
        Circuit enable = Workbench.on("retro-8bit-two-port")
                .with("label", "character-16x2-direct")
                .off("label:E")
                .wire("label:E", "board:CB2")
                .circuit();
        assertThat(target("bringup.s").missing(enable)).isPresent();
    }

    /** The bytes put on the wire for a small display make its frame: first and last column lit whole. */
    @Test
    void thePictureOfASmallDisplayIsAFrame() {
        List<String> log = expected(Workbench.mcu().with("sign", Workbench.OLED).circuit());
        List<Integer> data = new ArrayList<>();
        log.stream().filter(l -> l.startsWith("i2c 60 64 ")).forEach(l -> {
            String[] words = l.split(" ");
            for (int i = 3; i < words.length; i++) {
                data.add(Integer.parseInt(words[i]));
            }
        });
        assertThat(data).hasSize(1024);
        for (int page = 0; page < 8; page++) {
            assertThat(data.get(page * 128)).isEqualTo(0xFF);
            assertThat(data.get(page * 128 + 127)).isEqualTo(0xFF);
        }
        assertThat(data.subList(20, 100)).containsOnly(0x01);
        assertThat(data.subList(7 * 128 + 20, 7 * 128 + 100)).containsOnly(0x80);
        assertThat(log.get(0))
                .isEqualTo(
                        "i2c 60 0 174 213 128 168 63 211 0 64 141 20 32 0 161 200 218 18 129 207 217 241 219 64 164 166 175");
    }

    /** Each twin gets its own set-up behind its own channel. */
    @Test
    void twinsAreSetUpOneByOne() {
        List<String> log = expected(twins(Workbench.MCU).circuit());
        int first = log.indexOf("i2c 112 1");
        int second = log.indexOf("i2c 112 4");
        assertThat(first).isNotNegative();
        assertThat(second).isGreaterThan(first);
        for (int from : new int[] {first, second}) {
            assertThat(log.get(from + 1)).startsWith("i2c 60 0 174");
        }
    }

    @Test
    void constantsAreThoseOfThePlan() {
        Circuit circuit = Workbench.mcu()
                .with("sign", Workbench.OLED)
                .with("map", "colour-240x320-serial-regulator")
                .edit(new PlanEdit.SetStrap("sign", "address", "moved"))
                .circuit();
        List<Constant> constants = BringUp.of(circuit).constants();
        assertThat(constants).extracting(Constant::name).doesNotHaveDuplicates();
        assertThat(constants)
                .filteredOn(c -> c.name().equals("THE_SIGN_ADDRESS"))
                .extracting(Constant::text)
                .containsExactly("0x3D");
        String dc = circuit.wire(Target.of("map:DC"))
                .map(w -> circuit.pinsUnder(w).iterator().next().label())
                .orElseThrow();
        assertThat(constants)
                .filteredOn(c -> c.name().equals("THE_MAP_DC"))
                .extracting(c -> c.pin().label())
                .containsExactly(dc);
    }

    @Test
    void aPlanGetsTheLanguagesOfItsBoard() {
        Circuit sbc = Workbench.sbc().with("sign", Workbench.OLED).circuit();
        assertThat(CodeTarget.all().stream()
                        .filter(t -> t.missing(sbc).isEmpty())
                        .map(CodeTarget::file))
                .containsExactly("bringup.py");
        Circuit mcu = Workbench.mcu().with("sign", Workbench.OLED).circuit();
        assertThat(CodeTarget.all().stream()
                        .filter(t -> t.missing(mcu).isEmpty())
                        .map(CodeTarget::file))
                .containsExactlyInAnyOrder("bringup.c", "bringup.ino");
        Circuit dual = Workbench.on("mcu-dual-40").with("sign", Workbench.OLED).circuit();
        assertThat(CodeTarget.all().stream()
                        .filter(t -> t.missing(dual).isEmpty())
                        .map(CodeTarget::file))
                .containsExactlyInAnyOrder("bringup_board.py", "bringup.ino");
    }
}
