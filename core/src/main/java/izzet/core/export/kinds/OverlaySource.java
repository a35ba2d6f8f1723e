package izzet.core.export.kinds;

import izzet.core.check.Checker;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import izzet.core.kernel.Overlay;
import java.util.Optional;

/** The overlay's source; a plan with a stop gets the stop instead. */
public final class OverlaySource implements Export {

    private static final class Rules {
        static final Checker CHECKER = Checker.withAllRules();
    }

    @Override
    public String kind() {
        return "overlay.dts";
    }

    @Override
    public String title() {
        return "Overlay source for the board's system";
    }

    @Override
    public String type() {
        return "text/plain";
    }

    @Override
    public Optional<String> missing(Circuit circuit) {
        return Overlay.missing(circuit).or(() -> Rules.CHECKER.check(circuit).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .findFirst()
                .map(f -> "the plan still has a stop: " + f.sentence()));
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        return Overlay.of(circuit);
    }
}
