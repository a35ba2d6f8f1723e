package izzet.core.check.rules.spi;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import java.util.Optional;

/**
 * S5: a serial display that cannot tell commands from data. It needs a line for that which changes between two bytes, or words of nine
 * bits. Passes: data/command on a pin. Fails: on a line of an expander, where each change takes a transfer of its own, or left open
 * though the part's file does not ask for it.
 */
public final class DataCommandRule implements Rule {

    private static final int NINE = 9;

    @Override
    public String id() {
        return "S5";
    }

    @Override
    public String subject() {
        return "serial displays tell commands from data";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            if (unit.part().spi() == null
                    || unit.part().glass() == null
                    || unit.variant().bus() != BusKind.SPI) {
                continue;
            }
            Optional<Wire> line = circuit.wire(unit, Role.DATA_COMMAND);
            Integer word = unit.part().spi().wordBits();
            boolean nine = word != null && word == NINE;
            if (line.isPresent() || nine) {
                findings.looked(this);
            }
            if (line.isPresent() && !nine) {
                line(circuit, findings, line.get());
            } else if (line.isEmpty() && nine) {
                nineBits(findings, unit);
            }
        }
    }

    private void line(Circuit circuit, Findings findings, Wire line) {
        Optional<Net> net = line.net();
        if (net.isEmpty() && !line.line().required()) {
            findings.of(this, Severity.FIX, "{line} is open: the display cannot tell commands from data.")
                    .aspect("open")
                    .at(Place.of(line))
                    .word("line", line.label())
                    .source(source(line.unit()))
                    .remedy("Connect it to a pin.")
                    .add();
        }
        Optional<Wire> port = net.stream()
                .flatMap(n -> n.wires().stream())
                .filter(w -> w.role() == Role.PORT)
                .findFirst();
        if (port.isPresent() && net.get().pins().isEmpty()) {
            findings.of(
                            this,
                            Severity.FIX,
                            "{line} hangs on {port}: it changes between two bytes of a picture, and each change there takes a transfer of another bus.")
                    .aspect("port")
                    .at(Place.of(line))
                    .word("line", line.label())
                    .word("port", port.get().label())
                    .source(source(line.unit()))
                    .remedy("Connect it to a pin; give the expander a reset or a button instead.")
                    .add();
        }
    }

    private void nineBits(Findings findings, Unit unit) {
        findings.of(
                        this,
                        Severity.NOTE,
                        "{part} takes words of nine bits: the first says whether a command or data follows.")
                .aspect("nine")
                .at(Place.of(unit))
                .word("part", unit.name())
                .figure("bits of a word", NINE)
                .source(source(unit))
                .remedy("Use a controller that sends nine bits, or let the program make the bus.")
                .add();
    }

    private static String source(Unit unit) {
        return unit.part().source(unit.part().spi().source());
    }
}
