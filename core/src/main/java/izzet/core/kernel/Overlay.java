package izzet.core.kernel;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Overlay source for a plan on a single-board computer, as the Devicetree Specification 0.4 and the kernel's overlay notes have it. */
public final class Overlay {

    public static final String SOURCE =
            "Devicetree Specification 0.4; Linux kernel 6.1, Documentation/devicetree/overlay-notes.rst";

    private static final int ACTIVE_LOW = 1;
    private static final int OPEN_DRAIN = 6;
    private static final int FALLING = 2;
    private static final String INTERRUPT = "interrupts-extended";

    private final Circuit circuit;
    private final KernelBoard board;
    private final StringBuilder out = new StringBuilder();
    private final StringBuilder root = new StringBuilder();
    private final Map<String, KernelNode> used = new LinkedHashMap<>();
    private int depth;
    private int fragments;

    private Overlay(Circuit circuit, KernelBoard board) {
        this.circuit = circuit;
        this.board = board;
    }

    /** Why a plan has none; empty where it has one. */
    public static Optional<String> missing(Circuit circuit) {
        if (KernelBoard.of(circuit.board()).isEmpty()) {
            return Optional.of("this board has no system that would read one; its program speaks to the pins.");
        }
        return circuit.plan().buses().isEmpty() ? Optional.of("the plan has no bus to switch on.") : Optional.empty();
    }

    /** The source; only where nothing is missing. */
    public static String of(Circuit circuit) {
        return new Overlay(circuit, KernelBoard.of(circuit.board()).orElseThrow()).text();
    }

    /** Drivers that the overlay asks for, by part. */
    static Map<String, KernelNode> drivers(Circuit circuit) {
        Overlay overlay = new Overlay(circuit, KernelBoard.of(circuit.board()).orElseThrow());
        overlay.text();
        return overlay.used;
    }

    private String text() {
        out.append("/dts-v1/;\n/plugin/;\n");
        comment(circuit.plan().name() + ", " + circuit.board().name());
        comment("Compile: dtc -@ -I dts -O dtb -o plan.dtbo plan.dts");
        open("/ {");
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() == BusKind.I2C || bus.kind() == BusKind.SPI) {
                bus(bus);
            } else {
                comment(bus.name() + ": a pixel bus; "
                        + (PanelTimes.of(circuit, bus).isPresent()
                                ? "the settings lines give it its pins and the panel's times."
                                : "settings lines would give it its pins; the panel's file does not tell its times."));
            }
        }
        direct();
        if (root.length() > 0) {
            open("fragment@" + fragments++ + " {");
            line("target-path = \"/\";");
            open("__overlay__ {");
            indented(root.toString());
            close();
            close();
        }
        close();
        return out.toString();
    }

    private void bus(Bus bus) {
        if (bus.bitBanged()) {
            StringBuilder kept = new StringBuilder(out);
            int at = depth;
            out.setLength(0);
            depth = 0;
            byProgram(bus);
            root.append(out);
            out.setLength(0);
            out.append(kept);
            depth = at;
            return;
        }
        String target = board.targets().get(bus.controller());
        if (target == null) {
            comment(bus.name() + ": the tables name no target for this controller.");
            return;
        }
        open("fragment@" + fragments++ + " {");
        line(target.startsWith("/") ? "target-path = \"" + target + "\";" : "target = <&" + target + ">;");
        open("__overlay__ {");
        cells();
        line("status = \"okay\";");
        if (bus.kind() == BusKind.I2C) {
            line("clock-frequency = <" + bus.clockHz() + ">;");
            segment(new Segment(bus.id(), List.of()));
        } else {
            serial(bus);
        }
        close();
        close();
    }

    private void cells() {
        line("#address-cells = <1>;");
        line("#size-cells = <0>;");
    }

    /** A 2-wire bus on any two pins. */
    private void byProgram(Bus bus) {
        Optional<Integer> sda = pinOf(bus, Role.I2C_SDA);
        Optional<Integer> scl = pinOf(bus, Role.I2C_SCL);
        if (bus.kind() != BusKind.I2C || sda.isEmpty() || scl.isEmpty()) {
            comment(bus.name() + ": by a program, without the kernel.");
            return;
        }
        open("i2c-" + safe(bus.id()) + " {");
        line("compatible = \"i2c-gpio\";");
        line("sda-gpios = <&" + board.gpio() + " " + sda.get() + " " + OPEN_DRAIN + ">;");
        line("scl-gpios = <&" + board.gpio() + " " + scl.get() + " " + OPEN_DRAIN + ">;");
        line("i2c-gpio,delay-us = <" + Math.max(1, Math.round(500_000.0 / bus.clockHz())) + ">;");
        cells();
        segment(new Segment(bus.id(), List.of()));
        close();
    }

    private Optional<Integer> pinOf(Bus bus, Role role) {
        return circuit.units().stream()
                .filter(u -> bus.id().equals(u.placed().bus()))
                .flatMap(u -> circuit.wire(u, role).stream())
                .flatMap(w -> gpio(w).stream())
                .findFirst();
    }

    /** The number of the pin that a line ends at. */
    private Optional<Integer> gpio(Wire wire) {
        return circuit.pinsUnder(wire).stream()
                .map(Pin::chip)
                .filter(c -> c != null && c.matches("GPIO\\d+"))
                .map(c -> Integer.parseInt(c.substring("GPIO".length())))
                .findFirst();
    }

    /** What answers on a segment, switches with their channels. */
    private void segment(Segment segment) {
        for (Unit unit : circuit.units()) {
            Optional<Segment> own = circuit.segmentOf(unit);
            if (own.filter(segment::equals).isPresent()) {
                twoWire(unit, segment);
            }
            if (!unit.part().clockGates().isEmpty() && hasGated(unit, segment)) {
                comment(
                        "Behind the clock gate " + unit.name()
                                + " more parts answer; the kernel knows no clock gate: a program has to choose and speak to them.");
            }
        }
    }

    private boolean hasGated(Unit gate, Segment segment) {
        return circuit.units().stream()
                .flatMap(u -> circuit.segmentOf(u).stream())
                .anyMatch(s -> s.path().size() == segment.path().size() + 1
                        && s.bus().equals(segment.bus())
                        && s.path().subList(0, segment.path().size()).equals(segment.path())
                        && s.path().get(segment.path().size()).through().id().equals(gate.id()));
    }

    private void twoWire(Unit unit, Segment segment) {
        Optional<Integer> address = circuit.addressOf(unit);
        if (address.isEmpty()) {
            return;
        }
        String unitAddress = Integer.toHexString(address.get());
        Optional<KernelNode> node = KernelNode.of(unit);
        if (node.isEmpty()) {
            comment(unit.name() + " at " + Hex.of(address.get())
                    + ": no driver is named here; a program speaks to it.");
            return;
        }
        used.put(unit.id(), node.get());
        comment(unit.name());
        open((node.get().controller() ? label(unit) + ": " : "") + node.get().node() + "@" + unitAddress + " {");
        compatible(node.get(), unit);
        line("reg = <0x" + unitAddress + ">;");
        properties(node.get(), unit);
        if (unit.part().busSwitch() != null) {
            cells();
            List<Part.BusSwitch.Channel> channels = unit.part().busSwitch().channels();
            for (int i = 0; i < channels.size(); i++) {
                Segment behind = behind(segment, unit, i);
                if (circuit.units().stream()
                        .anyMatch(
                                u -> circuit.segmentOf(u).filter(behind::equals).isPresent())) {
                    open("i2c@" + i + " {");
                    cells();
                    line("reg = <" + i + ">;");
                    segment(behind);
                    close();
                }
            }
        }
        close();
        if (node.get().character() != null) {
            expanderCharacter(unit, node.get());
        }
    }

    private static Segment behind(Segment segment, Unit unit, int channel) {
        List<Segment.Hop> path = new ArrayList<>(segment.path());
        path.add(new Segment.Hop(unit, String.valueOf(channel)));
        return new Segment(segment.bus(), path);
    }

    private void compatible(KernelNode node, Unit unit) {
        List<String> quoted =
                node.compatible(unit.part()).stream().map(c -> "\"" + c + "\"").toList();
        line("compatible = " + String.join(", ", quoted) + ";");
    }

    private void properties(KernelNode node, Unit unit) {
        node.cells()
                .forEach((name, cell) -> KernelNode.cell(cell, unit).ifPresent(v -> line(name + " = <" + v + ">;")));
        node.flags().forEach(flag -> line(flag + ";"));
        node.gpios().forEach((name, told) -> {
            Optional<Integer> pin =
                    circuit.wire(unit, Role.of((String) told.get(0))).flatMap(this::gpio);
            if (pin.isPresent()) {
                line(name + " = <&" + board.gpio() + " " + pin.get() + " " + told.get(1) + ">;");
            } else if (node.required().contains(name)) {
                missing(name);
            }
        });
        if (node.interrupt() != null) {
            Optional<Integer> pin =
                    circuit.wire(unit, Role.of(node.interrupt())).flatMap(this::gpio);
            pin.ifPresent(p -> line(INTERRUPT + " = <&" + board.gpio() + " " + p + " " + FALLING + ">;"));
            if (pin.isEmpty() && node.required().contains(INTERRUPT)) {
                missing(INTERRUPT);
            }
        }
        if (node.controller()) {
            line("gpio-controller;");
            line("#gpio-cells = <2>;");
        }
        if (node.timing()) {
            timing(unit);
        }
    }

    private void missing(String property) {
        comment(property + " is missing: the line is on no pin of the board, and the driver refuses without it.");
    }

    private void timing(Unit unit) {
        Part.Glass glass = unit.part().glass();
        open("panel-timing {");
        line("hactive = <" + glass.columns() + ">;");
        line("vactive = <" + glass.rows() + ">;");
        line("hback-porch = <" + (glass.offsetColumns() == null ? 0 : glass.offsetColumns()) + ">;");
        line("vback-porch = <" + (glass.offsetRows() == null ? 0 : glass.offsetRows()) + ">;");
        for (String rest : List.of("clock-frequency", "hfront-porch", "hsync-len", "vfront-porch", "vsync-len")) {
            line(rest + " = <0>;");
        }
        close();
    }

    private void serial(Bus bus) {
        List<Unit> units = circuit.units().stream()
                .filter(u -> bus.id().equals(u.placed().bus()) && u.part().spi() != null)
                .toList();
        List<Integer> selects = new ArrayList<>();
        Map<Unit, Integer> number = new LinkedHashMap<>();
        for (Unit unit : units) {
            Optional<Integer> pin = circuit.wire(unit, Role.SELECT).flatMap(this::gpio);
            if (pin.isPresent()) {
                number.put(unit, selects.size());
                selects.add(pin.get());
            }
        }
        if (!selects.isEmpty()) {
            line("cs-gpios = "
                    + String.join(
                            ", ",
                            selects.stream()
                                    .map(p -> "<&" + board.gpio() + " " + p + " " + ACTIVE_LOW + ">")
                                    .toList())
                    + ";");
        }
        for (Unit unit : units) {
            Optional<KernelNode> node = KernelNode.of(unit);
            if (!number.containsKey(unit)) {
                comment(unit.name() + ": its select is on no pin of the board; the kernel cannot address it.");
            } else if (node.isEmpty()) {
                comment(unit.name() + ": no driver is named here; a program speaks to it by the bus device.");
            } else {
                used.put(unit.id(), node.get());
                comment(unit.name());
                open(node.get().node() + "@" + number.get(unit) + " {");
                compatible(node.get(), unit);
                line("reg = <" + number.get(unit) + ">;");
                line("spi-max-frequency = <"
                        + Math.min(circuit.clockOf(unit, bus), unit.part().spi().maxWriteHz()) + ">;");
                mode(unit);
                properties(node.get(), unit);
                close();
            }
        }
    }

    /** The lowest mode that the part knows. */
    private void mode(Unit unit) {
        int mode = unit.part().spi().modes().stream().min(Integer::compare).orElse(0);
        if ((mode & 1) != 0) {
            line("spi-cpha;");
        }
        if ((mode & 2) != 0) {
            line("spi-cpol;");
        }
    }

    /** A character display behind an expander stands at the root and points at it. */
    private void expanderCharacter(Unit unit, KernelNode node) {
        Map<String, List<String>> lines = new LinkedHashMap<>();
        Map<String, Integer> own = unit.part().i2c().expander();
        (own == null ? node.character() : KernelNode.character(own))
                .forEach((name, bits) -> lines.put(
                        name,
                        bits.stream()
                                .map(b -> "<&" + label(unit) + " " + b + " 0>")
                                .toList()));
        character(unit, node.display(), lines);
    }

    private void character(Unit unit, String compatible, Map<String, List<String>> lines) {
        Part.Glass glass = unit.part().glass();
        root.append("// ").append(plain(unit.name())).append('\n');
        root.append("lcd-").append(safe(unit.id())).append(" {\n");
        root.append("\tcompatible = \"").append(compatible).append("\";\n");
        lines.forEach((name, cells) -> root.append('\t')
                .append(name)
                .append(" = ")
                .append(String.join(", ", cells))
                .append(";\n"));
        root.append("\tdisplay-height-chars = <").append(glass.rows()).append(">;\n");
        root.append("\tdisplay-width-chars = <").append(glass.columns()).append(">;\n};\n");
    }

    /** Character displays with their lines on pins of the board. */
    private void direct() {
        for (Unit unit : circuit.units()) {
            Optional<KernelNode> node = KernelNode.of(unit);
            if (unit.variant().bus() != null || node.isEmpty()) {
                continue;
            }
            List<String> data = circuit.wiresOf(unit).stream()
                    .filter(w -> w.role() == Role.DATA)
                    .flatMap(w -> gpio(w).stream())
                    .map(this::pin)
                    .toList();
            Optional<Integer> select = line(unit, "RS");
            Optional<Integer> enable = circuit.wire(unit, Role.ENABLE).flatMap(this::gpio);
            if (data.size() != 4 && data.size() != 8 || select.isEmpty() || enable.isEmpty()) {
                root.append("// ")
                        .append(plain(unit.name()))
                        .append(": not all of its lines are on pins of the board.\n");
                continue;
            }
            used.put(unit.id(), node.get());
            Map<String, List<String>> lines = new LinkedHashMap<>();
            lines.put("data-gpios", data);
            lines.put("rs-gpios", List.of(pin(select.get())));
            lines.put("enable-gpios", List.of(pin(enable.get())));
            line(unit, "RW").ifPresent(p -> lines.put("rw-gpios", List.of(pin(p))));
            character(unit, node.get().compatible(unit.part()).get(0), lines);
        }
    }

    private String pin(int number) {
        return "<&" + board.gpio() + " " + number + " 0>";
    }

    private Optional<Integer> line(Unit unit, String id) {
        return circuit.wiresOf(unit).stream()
                .filter(w -> w.line().id().equals(id))
                .flatMap(w -> gpio(w).stream())
                .findFirst();
    }

    private static String label(Unit unit) {
        return "izzet_" + unit.id().replaceAll("[^a-zA-Z0-9]", "_");
    }

    /** What may stand in a node's name or a string. */
    private static String safe(String text) {
        return text.replaceAll("[^a-zA-Z0-9-]", "-");
    }

    /** What may stand in a comment to the end of a line. */
    private static String plain(String text) {
        return text.replaceAll("[^\\p{L}\\p{N} .,:;()+-]", "_");
    }

    private void comment(String words) {
        line("// " + plain(words));
    }

    private void open(String head) {
        line(head);
        depth++;
    }

    private void close() {
        depth--;
        line("};");
    }

    private void line(String text) {
        out.append("\t".repeat(depth)).append(text).append('\n');
    }

    private void indented(String lines) {
        lines.lines().forEach(this::line);
    }
}
