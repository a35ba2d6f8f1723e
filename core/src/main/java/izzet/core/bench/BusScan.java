package izzet.core.bench;

import izzet.core.code.BringUp;
import izzet.core.code.ProgramBus;
import izzet.core.plan.Bus;
import izzet.core.quantity.Hex;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A scanner on the 2-wire buses of the desk: asks every address once, with all switches shut as they come up. */
public final class BusScan {

    private BusScan() {}

    /** Addresses that answer, by name of the bus. */
    public static Map<String, List<Integer>> of(Desk desk) {
        Map<String, List<Integer>> found = new LinkedHashMap<>();
        for (ProgramBus bus : BringUp.of(desk.programmed()).buses()) {
            if (!bus.twoWire() || bus.data() == null || bus.clock() == null) {
                continue;
            }
            DeskBus on = new DeskBus(desk, bus.data().label(), bus.clock().label(), Map.of());
            String name =
                    desk.planned().plan().bus(bus.planned()).map(Bus::name).orElse(bus.name());
            found.put(name, on.scan());
        }
        return found;
    }

    /** As a list that people and programs read: {@code 0x3C, 0x70}. */
    public static String text(List<Integer> addresses) {
        return addresses.stream().map(Hex::of).collect(Collectors.joining(", "));
    }
}
