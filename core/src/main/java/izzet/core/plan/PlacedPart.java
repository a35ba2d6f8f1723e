package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * A part in a plan. Immutable.
 *
 * @param id short, unique in the plan
 * @param part id in the catalogue
 * @param partVersion of the catalogue item when it was placed
 * @param name the user's own, such as "Platform 1 sign"
 * @param interfaceId the way it is connected
 * @param straps setting by strap; a strap not named is as delivered
 * @param bus id of the plan's bus it is on; null for parts on none
 * @param address the address the program uses, where the user wrote it down; null otherwise
 * @param clockHz of the transfers of this part alone, on a serial bus; null for that of its bus
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PlacedPart(
        String id,
        String part,
        int partVersion,
        String name,
        @JsonProperty("interface") String interfaceId,
        Map<String, String> straps,
        String bus,
        Integer address,
        Integer clockHz) {

    /** At the clock of its bus. */
    public PlacedPart(
            String id,
            String part,
            int partVersion,
            String name,
            String interfaceId,
            Map<String, String> straps,
            String bus,
            Integer address) {
        this(id, part, partVersion, name, interfaceId, straps, bus, address, null);
    }

    public PlacedPart {
        straps = straps == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(straps));
    }

    public PlacedPart withName(String newName) {
        return new PlacedPart(id, part, partVersion, newName, interfaceId, straps, bus, address, clockHz);
    }

    public PlacedPart withPart(String newPart, int newVersion, String newInterface, Map<String, String> newStraps) {
        return new PlacedPart(id, newPart, newVersion, name, newInterface, newStraps, bus, address, clockHz);
    }

    public PlacedPart withInterface(String newInterface) {
        return new PlacedPart(id, part, partVersion, name, newInterface, straps, bus, address, clockHz);
    }

    public PlacedPart withStrap(String strap, String setting) {
        Map<String, String> changed = new TreeMap<>(straps);
        changed.put(strap, setting);
        return new PlacedPart(id, part, partVersion, name, interfaceId, changed, bus, address, clockHz);
    }

    public PlacedPart withBus(String newBus) {
        return new PlacedPart(id, part, partVersion, name, interfaceId, straps, newBus, address, clockHz);
    }

    /** @param hertz null for the clock of its bus */
    public PlacedPart withClock(Integer hertz) {
        return new PlacedPart(id, part, partVersion, name, interfaceId, straps, bus, address, hertz);
    }

    /** @param newAddress null to forget it */
    public PlacedPart withAddress(Integer newAddress) {
        return new PlacedPart(id, part, partVersion, name, interfaceId, straps, bus, newAddress, clockHz);
    }
}
