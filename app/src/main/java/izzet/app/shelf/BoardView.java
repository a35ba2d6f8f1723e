package izzet.app.shelf;

import izzet.core.catalog.Board;
import izzet.core.catalog.Controller;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A board as its page shows it: strips of pins as they lie, and where each function is. */
final class BoardView {

    private BoardView() {}

    /** @param duty reserved, console or boot; empty otherwise */
    public record Hole(String position, String label, String chip, String functions, String duty, String note) {}

    public record Strip(String name, List<Hole> holes) {}

    /** Where a function can be had. */
    public record Place(String function, String pins) {}

    static List<Strip> strips(Board board) {
        Map<String, List<Hole>> strips = new LinkedHashMap<>();
        for (Pin pin : board.pins()) {
            strips.computeIfAbsent(pin.group(), g -> new ArrayList<>()).add(hole(pin));
        }
        return strips.entrySet().stream()
                .map(e -> new Strip(e.getKey(), e.getValue()))
                .toList();
    }

    private static Hole hole(Pin pin) {
        String functions = pin.functions().stream()
                .map(PinFunction::text)
                .filter(t -> !t.startsWith("digital") && !t.startsWith("dpi"))
                .collect(Collectors.joining(", "));
        String duty = pin.duties().stream()
                .map(Pin.Duty::kind)
                .filter(DutyKind::hatched)
                .map(DutyKind::text)
                .findFirst()
                .orElse("");
        String note = pin.duties().stream().map(Pin.Duty::note).collect(Collectors.joining(" "));
        return new Hole(pin.position(), pin.label(), pin.chip() == null ? "" : pin.chip(), functions, duty, note);
    }

    static List<Place> places(Board board) {
        Map<String, List<String>> places = new LinkedHashMap<>();
        for (Controller controller : board.controllers()) {
            for (Pin pin : board.signalPins()) {
                for (PinFunction f : pin.functions()) {
                    if (controller.id().equals(f.controller())) {
                        places.computeIfAbsent(controller.name() + ", " + f.signal(), k -> new ArrayList<>())
                                .add(pin.label() + " (" + pin.position() + ")");
                    }
                }
            }
        }
        for (String capability : List.of("pwm", PinFunction.ANALOG_IN, "analog-out", "interrupt")) {
            List<String> able = board.signalPins().stream()
                    .filter(p -> p.can(capability) && p.duty(DutyKind.RESERVED).isEmpty())
                    .map(Pin::label)
                    .toList();
            if (!able.isEmpty()) {
                places.put(capability.equals("pwm") ? "PWM" : capability.replace('-', ' '), able);
            }
        }
        return places.entrySet().stream()
                .map(e -> new Place(e.getKey(), String.join(", ", e.getValue())))
                .toList();
    }
}
