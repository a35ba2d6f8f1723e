package izzet.core.catalog;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;

/** What a schema cannot say about a catalogue file: unique ids and references that lead somewhere. */
final class CatalogChecks {

    private final List<CatalogFault> faults = new ArrayList<>();

    List<CatalogFault> faultsOf(Board board) {
        unique("pins", board.pins().stream().map(Pin::id));
        unique("pins (positions)", board.pins().stream().map(Pin::position));
        unique("rails", board.rails().stream().map(Rail::id));
        unique("controllers", board.controllers().stream().map(Controller::id));
        if (!board.levels().containsKey("port")) {
            fault("/levels has no entry 'port'");
        }
        if (board.rails().stream().noneMatch(Rail::ground)) {
            fault("/rails has no rail with 0 volts, the ground");
        }
        for (Pin pin : board.pins()) {
            String place = "/pins/" + pin.id();
            if (pin.rail() != null && board.rail(pin.rail()).isEmpty()) {
                fault(place + "/rail '" + pin.rail() + "' is none of the rails "
                        + board.rails().stream().map(Rail::id).toList());
            }
            for (PinFunction f : pin.functions()) {
                if (f.controller() != null && board.controller(f.controller()).isEmpty()) {
                    fault(place + "/functions '" + f.text() + "' names a controller that the file does not have");
                }
            }
            pin.duties().forEach(d -> source(board.sources(), place + "/duties", d.source()));
        }
        board.current().groups().forEach(g -> g.pins().stream()
                .filter(id -> board.pin(id).isEmpty())
                .forEach(id -> fault(
                        "/current/groups/" + g.name() + " names the pin '" + id + "', which the file does not have")));
        if (board.layout() != null) {
            Stream.of(
                            board.layout().left(),
                            board.layout().right(),
                            board.layout().upwards())
                    .flatMap(List::stream)
                    .filter(name -> board.pin(name).isEmpty()
                            && board.pins().stream().noneMatch(p -> p.group().equals(name)))
                    .forEach(name -> fault("/layout names '" + name + "', which is neither a strip nor a pin"));
        }
        board.controllers().forEach(c -> c.usual().values().stream()
                .filter(pin -> board.pin(pin).isEmpty())
                .forEach(pin -> fault("/controllers/" + c.id() + "/usual names the pin '" + pin
                        + "', which the file does not have")));
        board.rails().forEach(r -> source(board.sources(), "/rails/" + r.id(), r.source()));
        board.controllers().forEach(c -> source(board.sources(), "/controllers/" + c.id(), c.source()));
        board.levels().forEach((k, l) -> source(board.sources(), "/levels/" + k, l.source()));
        source(board.sources(), "/current", board.current().source());
        return List.copyOf(faults);
    }

    List<CatalogFault> faultsOf(Part part) {
        unique("lines", part.lines().stream().map(PartLine::id));
        unique("interfaces", part.interfaces().stream().map(Part.Interface::id));
        unique("straps", part.straps().stream().map(Part.Strap::id));
        for (PartLine line : part.lines()) {
            String place = "/lines/" + line.id();
            for (String variant : line.interfaces()) {
                if (part.interfaceOf(variant).isEmpty()) {
                    fault(place + "/interfaces '" + variant + "' is none of the part's interfaces");
                }
            }
            boolean needsLevels =
                    line.direction() != Direction.PASSIVE && !line.role().power() && line.lamp() == null;
            if (needsLevels && !part.levels().containsKey(line.levels())) {
                fault(place + "/levels '" + line.levels() + "' is none of the part's levels");
            }
            if (line.role() == Role.ADDRESS && line.addressBit() == null) {
                fault(place
                        + " is an address pin and tells no 'addressBit', what it adds to the address when it is high");
            }
            if (line.role() == Role.RGB && line.signal() == null) {
                fault(place + " is a line of the pixel bus and names no 'signal'");
            }
            if (line.role() == Role.SOURCE && line.givesVolts() == null) {
                fault(place + " is a supply output and tells no 'givesVolts'");
            }
            if (line.lamp() != null) {
                source(part.sources(), place + "/lamp", line.lamp().source());
            }
        }
        part.pullUps().forEach(p -> {
            p.lines().forEach(l -> known(part, "/pullUps", l));
            source(part.sources(), "/pullUps", p.source());
        });
        part.shifts().forEach(s -> Stream.of(s.low(), s.high()).forEach(l -> known(part, "/shifts", l)));
        if (part.busSwitch() != null) {
            part.busSwitch().channels().forEach(c -> Stream.of(c.sda(), c.scl())
                    .forEach(l -> known(part, "/busSwitch", l)));
            source(part.sources(), "/busSwitch", part.busSwitch().source());
        }
        part.clockGates().forEach(g -> {
            g.all().forEach(l -> known(part, "/clockGates", l));
            source(part.sources(), "/clockGates", g.source());
        });
        if (part.supply() != null) {
            source(part.sources(), "/supply", part.supply().source());
        }
        if (part.i2c() != null) {
            source(part.sources(), "/i2c", part.i2c().source());
        }
        if (part.pixelBus() != null) {
            source(part.sources(), "/pixelBus", part.pixelBus().source());
            blanking(part);
        }
        if (part.spi() != null) {
            source(part.sources(), "/spi", part.spi().source());
        }
        part.levels().forEach((k, l) -> source(part.sources(), "/levels/" + k, l.source()));
        part.traps().forEach(t -> source(part.sources(), "/traps", t.source()));
        return List.copyOf(faults);
    }

    /** The parts of the blanking are told together, and are no more than the blanking. */
    private void blanking(Part part) {
        Part.PixelBus bus = part.pixelBus();
        Map<String, Integer> told = new LinkedHashMap<>();
        told.put("frontColumns", bus.frontColumns());
        told.put("syncColumns", bus.syncColumns());
        told.put("frontRows", bus.frontRows());
        told.put("syncRows", bus.syncRows());
        if (told.values().stream().anyMatch(Objects::nonNull)) {
            told.forEach((name, value) -> {
                if (value == null) {
                    faults.add(new CatalogFault(
                            "/pixelBus/" + name, "is missing: " + String.join(", ", told.keySet()) + " go together"));
                }
            });
        }
        if (bus.timed() && part.glass() != null) {
            if (bus.backColumns(part.glass()) < 0) {
                faults.add(new CatalogFault(
                        "/pixelBus/frontColumns", "with the sync pulse more than the blanking of a row"));
            }
            if (bus.backRows(part.glass()) < 0) {
                faults.add(new CatalogFault(
                        "/pixelBus/frontRows", "with the sync pulse more than the blanking of a picture"));
            }
        }
    }

    private void known(Part part, String place, String line) {
        if (part.line(line).isEmpty()) {
            fault(place + " names the line '" + line + "', which the part does not have");
        }
    }

    private void source(Map<String, String> sources, String place, String key) {
        if (key == null || !sources.containsKey(key)) {
            fault(place + "/source '" + key + "' is none of the sources " + sources.keySet());
        }
    }

    private void unique(String where, Stream<String> ids) {
        Set<String> seen = new HashSet<>();
        ids.filter(id -> !seen.add(id)).forEach(id -> fault("/" + where + " has '" + id + "' twice"));
    }

    /** A sentence that begins with the place. */
    private void fault(String sentence) {
        int space = sentence.indexOf(' ');
        faults.add(new CatalogFault(sentence.substring(0, space), sentence.substring(space + 1)));
    }
}
