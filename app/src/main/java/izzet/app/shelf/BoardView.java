package izzet.app.shelf;

import izzet.app.drawing.HeaderDrawing;
import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** A board as its page shows it: strips of pins as they lie, and where each function is. */
final class BoardView {

    private static final int WORDS = 146;
    private static final int MOST_WORDS = 3;
    private static final int GAP = 24;
    private static final int LETTER = 8;

    private BoardView() {}

    /** @param duty reserved, console or boot; empty otherwise */
    public record Hole(String position, String label, String chip, String functions, String duty, String note) {}

    public record Strip(String name, List<Hole> holes) {}

    /** Where a function can be had. */
    public record Place(String function, String pins) {}

    /**
     * A hole of the header with what it can do beside it.
     *
     * @param shortly what is written beside it: SDA, SCK, PWM; the first few
     * @param kind {@code i2c}, {@code spi} or empty: hue of these words
     * @param about everything, in a sentence
     * @param words that a search looks through
     */
    public record Spot(
            HeaderDrawing.Hole at, int textX, String shortly, String kind, String duty, String about, String words) {}

    /** @param left room for the words at the left; the drawing begins so far left of 0 */
    public record Picture(int left, int width, int height, List<HeaderDrawing.Outline> outlines, List<Spot> spots) {}

    static Picture picture(Board board) {
        HeaderDrawing drawing = HeaderDrawing.of(board);
        Map<String, Pin> pins = new LinkedHashMap<>();
        board.pins().forEach(p -> pins.put(p.position(), p));
        int column = GAP
                + LETTER
                        * drawing.holes().stream()
                                .mapToInt(h -> h.label().length() + h.place().length() + 1)
                                .max()
                                .orElse(0);
        List<Spot> spots = drawing.holes().stream()
                .filter(h -> pins.containsKey(h.place()))
                .map(h -> spot(board, h, pins.get(h.place()), column))
                .toList();
        return new Picture(WORDS, drawing.width() + 2 * WORDS, drawing.height(), drawing.outlines(), spots);
    }

    private static Spot spot(Board board, HeaderDrawing.Hole at, Pin pin, int column) {
        Hole hole = hole(pin);
        List<String> shortly = pin.functions().stream()
                .map(f -> shortly(board, f))
                .filter(w -> !w.isEmpty())
                .distinct()
                .limit(MOST_WORDS)
                .toList();
        String kind = pin.functions().stream()
                .filter(f -> f.controller() != null)
                .map(f -> board.controller(f.controller()).map(Controller::kind).orElse(null))
                .map(k -> k == BusKind.I2C ? "i2c" : k == BusKind.SPI ? "spi" : "")
                .filter(k -> !k.isEmpty())
                .findFirst()
                .orElse("");
        String rail = pin.rail() == null
                ? ""
                : board.rails().stream()
                        .filter(r -> r.id().equals(pin.rail()))
                        .map(r -> ", " + r.label())
                        .findFirst()
                        .orElse("");
        String about = hole.label() + " at " + hole.position() + rail
                + (hole.chip().isEmpty() || hole.chip().equals(hole.label()) ? "" : ", chip " + hole.chip())
                + (hole.functions().isEmpty() ? "" : ": " + hole.functions())
                + (hole.duty().isEmpty() ? "" : ". " + hole.duty() + ": " + hole.note());
        String words = (about + " " + String.join(" ", shortly)).toLowerCase(Locale.ROOT);
        return new Spot(
                at,
                at.side().equals("left") ? -column : column,
                String.join(" ", shortly),
                kind,
                hole.duty(),
                about,
                words);
    }

    private static String shortly(Board board, PinFunction f) {
        if (f.controller() != null) {
            boolean pixels = board.controller(f.controller())
                    .filter(c -> c.kind() == BusKind.RGB)
                    .isPresent();
            return pixels ? "" : f.signal().toUpperCase(Locale.ROOT);
        }
        return switch (f.capability()) {
            case "pwm" -> "PWM";
            case PinFunction.ANALOG_IN -> "analog";
            default -> "";
        };
    }

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
