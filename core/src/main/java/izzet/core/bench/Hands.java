package izzet.core.bench;

import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.LampCurrents;
import izzet.core.circuit.Unit;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What eyes and fingers find on the desk: how bright a lamp becomes, what pins read with a contact open and closed. */
public final class Hands {

    private static final double MILLI = 1e-3;

    /** @param asPlanned whether a right desk does the same */
    public record Seen(Unit unit, String words, boolean asPlanned) {}

    private Hands() {}

    /** In the order of the plan; parts without lamp and contact are left out, displays too. */
    public static List<Seen> of(Desk desk) {
        Map<String, String> planned = words(desk.planned());
        List<Seen> all = new ArrayList<>();
        words(desk.built()).forEach((id, words) -> desk.built()
                .unit(id)
                .ifPresent(unit -> all.add(new Seen(unit, words, words.equals(planned.get(id))))));
        return all;
    }

    private static Map<String, String> words(Circuit circuit) {
        Map<String, List<String>> told = new LinkedHashMap<>();
        for (Unit unit : circuit.units()) {
            if (unit.part().kind() == PartKind.LAMP || unit.part().kind() == PartKind.INPUT) {
                told.put(unit.id(), new ArrayList<>());
            }
        }
        for (LampCurrents.Lit lit : circuit.lamps()) {
            Unit unit = lit.lamp().unit();
            boolean one = unit == null
                    || unit.part().lines().stream()
                                    .filter(l -> l.lamp() != null)
                                    .count()
                            < 2;
            add(told, unit, (one ? "" : lit.line().line().id() + " ") + brightness(lit));
        }
        for (DcModel.Element e : circuit.dc().elements()) {
            if (e instanceof DcModel.Contact contact && contact.unit() != null) {
                pressed(circuit, contact).forEach(words -> add(told, contact.unit(), words));
            }
        }
        Map<String, String> words = new LinkedHashMap<>();
        told.forEach((id, all) -> {
            boolean lamp = circuit.unit(id)
                    .filter(u -> u.part().kind() == PartKind.LAMP)
                    .isPresent();
            if (!all.isEmpty()) {
                words.put(id, String.join("; ", all));
            } else if (lamp && circuit.unit(id).filter(u -> lamps(u)).isPresent()) {
                words.put(id, "stays dark");
            }
        });
        return words;
    }

    private static boolean lamps(Unit unit) {
        return unit.part().lines().stream().anyMatch(l -> l.lamp() != null);
    }

    private static void add(Map<String, List<String>> told, Unit unit, String words) {
        List<String> all = unit == null ? null : told.get(unit.id());
        if (all != null && !all.contains(words)) {
            all.add(words);
        }
    }

    private static String brightness(LampCurrents.Lit lit) {
        if (lit.amperes() < DeskRun.SEEN_AMPERES) {
            return "stays dark";
        }
        double most = lit.lamp().data().maxMilliamps() * MILLI;
        return lit.amperes() > most
                ? "lights, and nothing holds its current to the " + Quantity.amperes(most) + " that it stands"
                : "lights with up to " + Quantity.amperes(lit.amperes());
    }

    /** What the pins of its part read, one sentence each. */
    private static List<String> pressed(Circuit circuit, DcModel.Contact contact) {
        List<String> all = new ArrayList<>();
        circuit.wiresOf(contact.unit()).stream()
                .flatMap(w -> circuit.pinsUnder(w).stream())
                .filter(p -> p.can(PinFunction.DIGITAL_IN))
                .distinct()
                .forEach(pin -> {
                    String open = read(circuit, pin, contact, false);
                    String closed = read(circuit, pin, contact, true);
                    all.add("pin " + pin.label() + " reads " + open
                            + (open.equals(closed)
                                    ? ", open and closed alike"
                                    : ", and " + closed + " when it is closed"));
                });
        return all;
    }

    private static String read(Circuit circuit, Pin pin, DcModel.Contact contact, boolean closed) {
        Optional<Double> volts = Meter.volts(circuit, Target.pin(pin.id()), new DcModel.State().close(contact, closed));
        LogicLevels levels = circuit.board().levelsOf("port");
        double logic = circuit.board().logicVolts();
        return volts.map(v -> v >= levels.vih().at(logic)
                        ? "high"
                        : v <= levels.vil().at(logic) ? "low" : Quantity.volts(v) + ", neither high nor low")
                .orElse("this or that, since nothing holds it");
    }
}
