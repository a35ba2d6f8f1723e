package izzet.core.kernel;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How the board's pins are given to their controllers for a plan, and the steps to it, in the order in which people get stuck.
 *
 * @param lines of the board's settings; empty where nothing is to be set
 * @param file where they go; null without lines
 * @param source of the lines; null without
 */
public record BoardSide(String how, List<String> lines, String file, String source, List<Step> steps) {

    /**
     * One thing to do on the board.
     *
     * @param check a command or a look, with what must come of it; empty for none
     * @param ifNot what it means when it does not
     */
    public record Step(String what, String check, String ifNot) {}

    private static final String OVERLAY = "dtoverlay=";

    public static BoardSide of(Circuit circuit) {
        Optional<KernelBoard> kernel = KernelBoard.of(circuit.board());
        if (kernel.isEmpty()) {
            return new BoardSide(
                    "Nothing has to be switched on: the program gives each pin to its controller.",
                    List.of(),
                    null,
                    null,
                    firmware(circuit));
        }
        List<String> lines = lines(circuit, kernel.get());
        return new BoardSide(
                "The system gives the pins to their controllers: by settings lines and, for drivers of displays, by an overlay. The"
                        + " driver of the bus and the driver of the display are two things.",
                lines,
                lines.isEmpty() ? null : kernel.get().file(),
                lines.isEmpty() ? null : kernel.get().source(),
                steps(circuit, kernel.get(), lines));
    }

    private static List<String> lines(Circuit circuit, KernelBoard kernel) {
        Set<String> lines = new LinkedHashSet<>();
        // What follows the name of an overlay belongs to it: those come behind all others.
        Set<String> overlays = new LinkedHashSet<>();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.bitBanged()) {
                Optional<String> sda = chip(circuit, bus, Role.I2C_SDA);
                Optional<String> scl = chip(circuit, bus, Role.I2C_SCL);
                if (bus.kind() == BusKind.I2C && kernel.byProgram() != null && sda.isPresent() && scl.isPresent()) {
                    overlays.add(kernel.byProgram().replace("{sda}", sda.get()).replace("{scl}", scl.get()));
                }
            } else {
                Optional<PanelTimes> panel = PanelTimes.of(circuit, bus);
                if (bus.kind() == BusKind.RGB && panel.isEmpty()) {
                    continue;
                }
                List<String> wanted = kernel.settings().getOrDefault(bus.controller(), List.of());
                boolean overlay = !wanted.isEmpty() && wanted.get(0).startsWith(OVERLAY);
                for (String line : wanted) {
                    String with = line.replace("{hz}", String.valueOf(bus.clockHz()));
                    (overlay ? overlays : lines)
                            .add(panel.map(p -> p.into(with)).orElse(with));
                }
            }
        }
        if (circuit.plan().consoleFree() && kernel.consoleOff() != null) {
            lines.addAll(kernel.consoleOff());
        }
        lines.addAll(overlays);
        return List.copyOf(lines);
    }

    private static Optional<String> chip(Circuit circuit, Bus bus, Role role) {
        return circuit.units().stream()
                .filter(u -> bus.id().equals(u.placed().bus()))
                .flatMap(u -> circuit.wire(u, role).stream())
                .flatMap(w -> circuit.pinsUnder(w).stream())
                .map(p -> p.chip() == null ? "" : p.chip().replace("GPIO", ""))
                .filter(c -> c.matches("\\d+"))
                .findFirst();
    }

    private static List<Step> steps(Circuit circuit, KernelBoard kernel, List<String> lines) {
        List<Step> steps = new ArrayList<>();
        if (!lines.isEmpty()) {
            steps.add(new Step("Put the settings lines into " + kernel.file() + " and restart.", "", ""));
        }
        if (kernel.pinGiven() != null) {
            steps.add(new Step(kernel.pinGiven(), "", ""));
        }
        for (Bus bus : circuit.plan().buses()) {
            String device = bus.bitBanged() ? null : kernel.devices().get(bus.controller());
            if (device != null) {
                String needs = circuit.board()
                        .controller(bus.controller())
                        .map(Controller::needs)
                        .filter(n -> n != null)
                        .orElse("Look at the settings lines again, and restart.");
                steps.add(new Step(
                        bus.name() + " is on.", "ls " + device + " names it", "The bus driver is not there: " + needs));
            }
            if (bus.kind() == BusKind.RGB) {
                steps.add(
                        PanelTimes.of(circuit, bus).isPresent()
                                ? new Step(
                                        bus.name() + " sends pictures.",
                                        "ls /sys/class/drm names a connector with DPI",
                                        "Look at the settings lines again, and whether anything else is given its pins.")
                                : new Step(
                                        "Find the times of the panel in its data sheet: the blanking before and behind the sync"
                                                + " pulses, and the pulses themselves.",
                                        "",
                                        ""));
            }
            if (bus.kind() == BusKind.I2C && device != null) {
                steps.add(
                        new Step(
                                "Every part of " + bus.name() + " answers.",
                                "i2cdetect -y " + device.replaceAll(".*-", "") + " shows " + trunk(circuit, bus),
                                "A part that is missing: its supply, its two wires, its address pads. All of them: data and clock exchanged."));
            }
        }
        Map<String, KernelNode> drivers = Overlay.missing(circuit).isEmpty() ? Overlay.drivers(circuit) : Map.of();
        if (!drivers.isEmpty()) {
            steps.add(new Step(
                    "Compile the overlay, put it beside the others, name it in the settings, restart.",
                    "dtc -@ -I dts -O dtb -o plan.dtbo plan.dts ends without a word",
                    "It names the line; the overlay was changed by hand."));
        }
        drivers.forEach((id, node) -> {
            String name = circuit.unit(id).map(Unit::name).orElse(id);
            steps.add(new Step(
                    "The driver of " + name + " is loaded.",
                    "lsmod names " + node.module(),
                    "The node is missing (ls /proc/device-tree), or this kernel was built without that driver."));
            steps.add(new Step(
                    name + " is there for programs.",
                    node.gives(),
                    "dmesg tells why the driver gave up: mostly no answer on the bus"
                            + (node.firmware() == null
                                    ? "."
                                    : ", or the set-up file "
                                            + node.firmware()
                                                    .replace(
                                                            "{part}",
                                                            circuit.unit(id)
                                                                    .map(u -> u.part()
                                                                            .id())
                                                                    .orElse(""))
                                            + " is missing.")));
        });
        return steps;
    }

    /** "0x3C, 0x70 (UU where a driver has it)". */
    private static String trunk(Circuit circuit, Bus bus) {
        String addresses = circuit.units().stream()
                .filter(u -> circuit.segmentOf(u)
                        .filter(s -> s.trunk() && s.bus().equals(bus.id()))
                        .isPresent())
                .flatMap(u -> circuit.addressOf(u).stream())
                .distinct()
                .sorted()
                .map(Hex::of)
                .collect(Collectors.joining(", "));
        return addresses.isEmpty() ? "nothing" : addresses + " (UU where a driver has it)";
    }

    private static List<Step> firmware(Circuit circuit) {
        List<Step> steps = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            circuit.board()
                    .controller(bus.controller() == null ? "" : bus.controller())
                    .map(Controller::needs)
                    .filter(n -> n != null)
                    .ifPresent(n -> steps.add(new Step(bus.name() + ": " + n, "", "")));
            if (bus.kind() == BusKind.I2C) {
                steps.add(
                        new Step(
                                "Every part of " + bus.name() + " answers.",
                                "a scan shows " + trunk(circuit, bus).replace(" (UU where a driver has it)", ""),
                                "A part that is missing: its supply, its two wires, its address pads. All of them: data and clock exchanged."));
            }
        }
        return steps;
    }
}
