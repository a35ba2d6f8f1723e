package izzet.app.pins;

import izzet.app.shell.Station;
import izzet.core.check.Finding;
import java.util.List;
import org.springframework.stereotype.Component;

/** The weave: which line goes to which pin. */
@Component
class PinsStation implements Station {

    @Override
    public String id() {
        return "pins";
    }

    @Override
    public String name() {
        return "Pins";
    }

    @Override
    public int order() {
        return 2;
    }

    @Override
    public boolean owns(Finding finding) {
        return finding.group().equals("pins");
    }

    @Override
    public List<Key> keys() {
        return List.of(
                new Key(List.of("Tab", "←", "→"), "choose a knot, move it to where it may go"),
                new Key(List.of("↑", "↓"), "knot above or below"),
                new Key(List.of("Enter", "Esc"), "keep the move, or leave it"),
                new Key(List.of("s", "s"), "on two knots: they change places (or drop one on the other)"),
                new Key(List.of("l"), "lock or unlock a knot"));
    }
}
