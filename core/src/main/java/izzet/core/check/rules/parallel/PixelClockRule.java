package izzet.core.check.rules.parallel;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import izzet.core.check.ClockLimit;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.Locale;

/**
 * W5: the pixel clock of a panel without memory against board and panel, and the pictures a second that it gives. Passes: 480x272 at
 * 9.01 MHz. Fails: 800x480 at 9.01 MHz, which is 16 pictures a second, and any panel on a clock beyond its limit.
 */
public final class PixelClockRule implements Rule {

    /** Common practice: below it such panels flicker. */
    private static final double FEWEST_PICTURES = 40;

    @Override
    public String id() {
        return "W5";
    }

    @Override
    public String subject() {
        return "pixel clock within board and panel";
    }

    @Override
    public Trouble trouble() {
        return Trouble.PIXEL_CLOCK;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            Part.PixelBus panel = unit.part().pixelBus();
            if (bus == null || panel == null || bus.kind() != BusKind.RGB) {
                continue;
            }
            String source = unit.part().source(panel.source());
            if (bus.clockHz() > panel.maxHz()) {
                ClockLimit.report(
                        findings.of(this, Severity.FIX, ClockLimit.WORDING).aspect("panel"),
                        bus,
                        bus.clockHz(),
                        Place.of(unit),
                        unit.name(),
                        panel.maxHz(),
                        source);
            }
            Controller controller = bus.bitBanged()
                    ? null
                    : circuit.board().controller(bus.controller()).orElse(null);
            if (controller != null && controller.maxHz() != null && bus.clockHz() > controller.maxHz()) {
                ClockLimit.report(
                        findings.of(this, Severity.STOP, ClockLimit.WORDING).aspect("board"),
                        bus,
                        bus.clockHz(),
                        Place.of(unit),
                        "the board's " + controller.name(),
                        controller.maxHz(),
                        circuit.board().source(controller.source()));
            }
            double pictures = bus.clockHz() / panel.hertz(1);
            if (pictures < FEWEST_PICTURES) {
                findings.of(this, Severity.FIX, "{part} gets {pictures} pictures a second at {clock}; it flickers.")
                        .aspect("pictures")
                        .at(Place.of(unit), Place.of(bus))
                        .word("part", unit.name())
                        .word("pictures", String.format(Locale.ROOT, "%.1f", pictures))
                        .word("clock", Quantity.hertz(bus.clockHz()))
                        .figure("columns with blanking", panel.totalColumns(), source)
                        .figure("rows with blanking", panel.totalRows(), source)
                        .figure("for 60 pictures", Quantity.hertz(panel.hertz(60)))
                        .formula("pictures = clock / (columns × rows)")
                        .remedy("Run the pixel bus at " + Quantity.hertz(panel.hertz(60)) + ".")
                        .add();
            }
        }
    }
}
