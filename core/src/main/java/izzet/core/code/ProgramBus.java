package izzet.core.code;

/**
 * A bus as programs call it.
 *
 * @param number of the controller, from the end of its name
 * @param data pin of the 2-wire data or of the serial data from the board; {@code clock} its clock; {@code answer} the data to the board;
 *     null where not connected
 * @param serial whether it is a serial bus, else a 2-wire one
 */
public record ProgramBus(
        String name,
        String controller,
        int number,
        int hertz,
        ProgramPin data,
        ProgramPin clock,
        ProgramPin answer,
        boolean serial) {

    /** In kilohertz. */
    public int kilohertz() {
        return hertz / 1000;
    }

    /** As frameworks number their buses: nothing for the first. */
    public String index() {
        return number == 0 ? "" : String.valueOf(number);
    }
}
