package izzet.core.export;

import izzet.core.circuit.Circuit;
import izzet.core.code.CodeTarget;
import java.util.Optional;

/** Constants and a bring-up program in one language. */
record CodeExport(CodeTarget target) implements Export {

    @Override
    public String kind() {
        return "code/" + target.file();
    }

    @Override
    public String title() {
        return "Constants and first light: " + target.title();
    }

    @Override
    public String type() {
        return "text/plain";
    }

    @Override
    public Optional<String> missing(Circuit circuit) {
        return target.missing(circuit);
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        return target.text(circuit);
    }
}
