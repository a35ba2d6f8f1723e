package izzet.core.check.rules.spi;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import java.util.List;
import java.util.stream.Collectors;

/**
 * S9: the board's serial controller cannot do what a part needs: its clock mode or its word length. Passes: mode 0 on any controller.
 * Fails: a panel of mode 3 on a controller that knows modes 0 and 2.
 */
public final class ControllerModeRule implements Rule {

    @Override
    public String id() {
        return "S9";
    }

    @Override
    public String subject() {
        return "serial controllers know their parts' modes";
    }

    @Override
    public Trouble trouble() {
        return Trouble.CONTROLLER_MODE;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            Part.Spi spi = unit.part().spi();
            if (bus == null || spi == null || bus.kind() != BusKind.SPI || bus.bitBanged()) {
                continue;
            }
            Controller controller = circuit.board().controller(bus.controller()).orElse(null);
            if (controller == null) {
                continue;
            }
            findings.looked(this);
            if (spi.modes().stream().noneMatch(controller::knows)) {
                report(
                        circuit,
                        findings,
                        unit,
                        bus,
                        controller,
                        "clock mode " + list(spi.modes()),
                        "modes " + list(controller.modes()));
            }
            if (controller.wordBits() != null && spi.wordBits() != null && spi.wordBits() > controller.wordBits()) {
                report(
                        circuit,
                        findings,
                        unit,
                        bus,
                        controller,
                        "words of " + spi.wordBits() + " bits",
                        "words of " + controller.wordBits() + " bits");
            }
        }
    }

    private static String list(List<Integer> modes) {
        return modes.stream().map(String::valueOf).collect(Collectors.joining(" or "));
    }

    private void report(
            Circuit circuit, Findings findings, Unit unit, Bus bus, Controller controller, String needs, String knows) {
        String source = circuit.board().source(controller.source());
        findings.of(this, Severity.STOP, "{part} needs {needs}; the board's {controller} knows {knows} only.")
                .aspect(needs)
                .at(Place.of(unit), Place.of(bus))
                .word("part", unit.name())
                .word("needs", needs)
                .word("controller", controller.name())
                .word("knows", knows)
                .figure(
                        "the part needs",
                        needs,
                        unit.part().source(unit.part().spi().source()))
                .figure("the controller knows", knows, source)
                .source(source)
                .remedy("Use another controller of the board, or let the program make the bus.")
                .add();
    }
}
