package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The program drives a bus faster than a display on it is made for. */
public final class FastClock implements Fault {

    /** So far above its limit no part of this bench hears anything. */
    private static final double TIMES = 2;

    @Override
    public String id() {
        return "clock";
    }

    @Override
    public String name() {
        return "a clock that is too fast";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Bus bus : planned.plan().buses()) {
            hertz(planned, bus)
                    .ifPresent(h -> places.add(new Place(bus.id() + "," + h, bus.name() + " at " + Quantity.hertz(h))));
        }
        return places;
    }

    /** A clock that the board can give and a display of the bus cannot follow. */
    private static Optional<Integer> hertz(Circuit planned, Bus bus) {
        Integer most = planned.board()
                .controller(String.valueOf(bus.controller()))
                .map(Controller::maxHz)
                .orElse(null);
        if (most == null) {
            return Optional.empty();
        }
        return planned.units().stream()
                .filter(u -> Rewired.display(u) && bus.id().equals(u.placed().bus()))
                .map(u -> limit(bus, u))
                .filter(l -> l > 0 && l * TIMES <= most)
                .min(Integer::compare)
                .map(l -> (int) (l * TIMES));
    }

    private static int limit(Bus bus, Unit unit) {
        return bus.kind() == BusKind.I2C && unit.part().i2c() != null
                ? unit.part().i2c().maxHz()
                : bus.kind() == BusKind.SPI && unit.part().spi() != null
                        ? unit.part().spi().maxWriteHz()
                        : 0;
    }

    @Override
    public Desk at(Desk desk, String key) {
        String[] told = key.split(",");
        int hertz = Integer.parseInt(told[1]);
        return desk.programmed(desk.programmed()
                .plan()
                .withBuses(desk.programmed().plan().buses().stream()
                        .map(b ->
                                b.id().equals(told[0]) ? new Bus(b.id(), b.kind(), b.name(), b.controller(), hertz) : b)
                        .toList()));
    }

    @Override
    public int rank() {
        return 6;
    }

    @Override
    public String hint() {
        return "A scan goes slowly and finds it. How fast does the program go?";
    }

    @Override
    public String explained() {
        return "Above its limit a part may work, work when it is warm, or not at all; on this bench it hears nothing from half as much again. A record"
                + " tells the clock; the data sheet tells the limit.";
    }

    @Override
    public Mend mend() {
        return new Mend("Set a slower clock in the program.", List.of());
    }
}
