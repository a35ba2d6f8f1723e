package izzet.core.export.kinds;

import izzet.core.circuit.Circuit;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import izzet.core.kernel.BoardSide;
import java.util.Optional;

/** Settings lines of the board's system. */
public final class SettingsLines implements Export {

    @Override
    public String kind() {
        return "settings.txt";
    }

    @Override
    public String title() {
        return "Settings lines for the board's system";
    }

    @Override
    public String type() {
        return "text/plain";
    }

    @Override
    public Optional<String> missing(Circuit circuit) {
        return BoardSide.of(circuit).lines().isEmpty()
                ? Optional.of("nothing has to be set for this plan on this board.")
                : Optional.empty();
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        BoardSide side = BoardSide.of(circuit);
        return "# " + side.file() + "\n# " + side.source() + "\n" + String.join("\n", side.lines()) + "\n";
    }
}
