package izzet.core.code;

import izzet.core.catalog.Board;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import java.util.Optional;

/**
 * A pin as programs call it.
 *
 * @param label printed on the board
 * @param sketch number or name in the common framework; empty where it has none
 * @param gpio number of the chip; -1 where it has none
 * @param port letter, {@code bit} in it; empty and -1 where the chip has no ports
 */
public record ProgramPin(String label, String sketch, int gpio, String port, int bit) {

    public static ProgramPin of(Board board, Pin pin) {
        String chip = pin.chip() == null ? "" : pin.chip();
        if (chip.matches("GPIO\\d+")) {
            int number = Integer.parseInt(chip.substring("GPIO".length()));
            return new ProgramPin(pin.label(), String.valueOf(number), number, "", -1);
        }
        if (chip.matches("[PC][A-D]\\d")) {
            String port = chip.substring(1, 2);
            int bit = chip.charAt(2) - '0';
            boolean retro = "retro computer".equals(board.kind());
            return new ProgramPin(
                    pin.label(),
                    retro || chip.startsWith("C") ? "" : sketch(port, bit),
                    -1,
                    port,
                    chip.startsWith("C") ? -1 : bit);
        }
        return new ProgramPin(pin.label(), "", -1, "", -1);
    }

    /** The pin that a line ends at, for programs to move; empty where it is on a rail, on nothing, or on the reset of the board itself. */
    static Optional<ProgramPin> under(Circuit circuit, Wire wire) {
        return circuit.pinsUnder(wire).stream()
                .filter(p -> !p.can(PinFunction.BOARD_RESET))
                .findFirst()
                .map(p -> of(circuit.board(), p));
    }

    /** As the framework numbers the pins of the 8-bit chip. */
    private static String sketch(String port, int bit) {
        return switch (port) {
            case "D" -> String.valueOf(bit);
            case "B" -> String.valueOf(8 + bit);
            case "C" -> "A" + bit;
            default -> "";
        };
    }

    public boolean hasGpio() {
        return gpio >= 0;
    }

    public boolean hasPort() {
        return bit >= 0;
    }

    /** In a set of bits. */
    public int mask() {
        return bit < 0 ? 0 : 1 << bit;
    }
}
