package izzet.core.catalog;

import java.util.List;

/**
 * One connection of a part.
 *
 * @param id as plans name it and as printed; unique on the part
 * @param header place on the module's header, counted from 1; null where it has none
 * @param required whether the part works without it
 * @param open what happens when nothing is connected
 * @param rest where it is tied when the plan gives it no pin; null where nowhere
 * @param active {@code low} or {@code high}; null where it has no sense
 * @param levels key into the part's levels; {@code logic} by default
 * @param interfaces the interface variants it exists in; empty for all
 * @param addressBit what an address pin adds to the address when it is high; null elsewhere
 * @param silencedBy the line that keeps this one from driving while it is grounded; null elsewhere
 * @param lamp forward drop and current where a lamp hangs on it without a resistor; null elsewhere
 * @param minVolts of a supply line that differs from the part's range; null elsewhere
 * @param maxVolts likewise
 * @param signal of the pixel bus, such as {@code d5}; null elsewhere
 * @param givesVolts of a supply output; null elsewhere
 * @param emptyVolts what cells give at their end, fullVolts when fresh; null for a steady supply
 * @param milliampHours that cells hold; null elsewhere
 * @param givesMilliamps that a supply output can give; null when not known
 * @param blocksBack whether a supply output cannot be fed by the rail it feeds; null for no
 * @param does what its active level does that somebody sees or hears, such as "the backlight is lit"; null where nothing
 * @param note one sentence for people; may be null
 */
public record PartLine(
        String id,
        Integer header,
        Role role,
        Direction direction,
        boolean required,
        OpenLine open,
        Rest rest,
        ActiveLevel active,
        String levels,
        List<String> interfaces,
        Integer addressBit,
        String silencedBy,
        Lamp lamp,
        Double minVolts,
        Double maxVolts,
        String signal,
        Double givesVolts,
        Double emptyVolts,
        Double fullVolts,
        Double milliampHours,
        Double givesMilliamps,
        Boolean blocksBack,
        String does,
        String note) {

    /** A lamp without resistor of its own. */
    public record Lamp(double forwardVolts, double typicalMilliamps, double maxMilliamps, String source) {}

    public PartLine {
        levels = levels == null ? "logic" : levels;
        open = open == null ? OpenLine.FINE : open;
        interfaces = interfaces == null ? List.of() : List.copyOf(interfaces);
    }

    public boolean in(String interfaceId) {
        return interfaces.isEmpty() || interfaces.contains(interfaceId);
    }

    /** What an address pin adds when it is high; 0 where the file does not tell. */
    public int addressAdded() {
        return addressBit == null ? 0 : addressBit;
    }

    public boolean floats() {
        return open == OpenLine.FLOATS;
    }
}
