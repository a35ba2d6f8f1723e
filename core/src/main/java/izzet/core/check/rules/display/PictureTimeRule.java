package izzet.core.check.rules.display;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PictureTime;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * D4: how long one whole picture takes on this bus at this clock. Passes: 128x64 in one colour at 100 kHz, 0.1 s. Told: 240x320 in 16 bits
 * at 1 MHz, 1.2 s, which one watches being built. Paper that takes longer to show than to send is left out.
 */
public final class PictureTimeRule implements Rule {

    /** Common practice: above it a new picture is seen running over the glass. */
    private static final double LONGEST = 0.5;

    private static final String SOURCE =
            "Common practice: a picture that takes over half a second is watched being built";

    @Override
    public String id() {
        return "D4";
    }

    @Override
    public String subject() {
        return "whole pictures are sent in time";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            if (unit.part().glass() == null || unit.part().glass().refreshMillis() != null) {
                continue;
            }
            Bus bus = circuit.busOf(unit).orElse(null);
            if (bus == null && unit.variant().bus() != null) {
                continue;
            }
            Optional<PictureTime> time = PictureTime.of(
                    circuit.board(), unit.part(), unit.variant(), bus == null ? 1 : circuit.clockOf(unit, bus));
            time.ifPresent(t -> {
                findings.compared(this, Quantity.seconds(LONGEST - t.seconds()), unit.name());
                if (t.seconds() > LONGEST) {
                    report(findings, unit, bus, t);
                }
            });
        }
    }

    private void report(Findings findings, Unit unit, Bus bus, PictureTime time) {
        findings.of(this, Severity.ADVISE, "{part} takes {time} for a whole picture; one watches it being built.")
                .at(Place.of(unit))
                .with(bus == null ? List.of() : List.of(Place.of(bus)))
                .word("part", unit.name())
                .word("time", Quantity.seconds(time.seconds()))
                .compared("whole picture", Quantity.seconds(time.seconds()), Quantity.seconds(LONGEST), true, SOURCE)
                .figure("pictures a second at most", Quantity.count(Math.round(10 / time.seconds()) / 10.0))
                .formula(time.formula())
                .source(SOURCE)
                .remedy(
                        bus == null
                                ? "Send only what changed, or use more data lines at once."
                                : "Run " + bus.name() + " faster where its parts and wires bear it, or send only what"
                                        + " changed.")
                .add();
    }
}
