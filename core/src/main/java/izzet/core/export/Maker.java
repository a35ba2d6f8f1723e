package izzet.core.export;

import izzet.core.calc.Drawer;
import izzet.core.wiring.WireColours;
import java.util.List;

/** What a maker told once: colours of wires, resistors in the drawer. */
public record Maker(WireColours colours, Drawer drawer) {

    /** One who told nothing. */
    public static Maker unknown() {
        return new Maker(WireColours.usual(), new Drawer(List.of()));
    }
}
