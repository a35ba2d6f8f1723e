package izzet.core.check.rules.levels;

import izzet.core.check.Place;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Levels.Driver;
import izzet.core.circuit.Levels.Receiver;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.List;

/** Where level findings point to: first to what causes them, then to those that suffer. */
final class Victims {

    private Victims() {}

    static Place place(Circuit circuit, Receiver r) {
        return Place.of(circuit, r.end());
    }

    /** What makes the finding's id: it stays the same trouble while single victims come and go. */
    static List<Place> cause(Circuit circuit, Driver driver, Receiver receiver) {
        List<Place> places = new ArrayList<>();
        if (driver.giver() == Levels.Giver.BUS) {
            circuit.plan().bus(driver.key()).map(Place::of).ifPresent(places::add);
        } else if (driver.giver() == Levels.Giver.PART) {
            circuit.unit(driver.key()).map(Place::of).ifPresent(places::add);
        } else if (driver.giver() == Levels.Giver.PASSIVE) {
            places.add(place(circuit, receiver));
        } else {
            circuit.unit(receiver.owner()).map((Unit u) -> Place.of(u)).ifPresent(places::add);
        }
        return places.isEmpty() ? List.of(place(circuit, receiver)) : places;
    }

    static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
