package izzet.core.export.kinds;

import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.export.Csv;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import java.util.ArrayList;
import java.util.List;

/** Each net with all that hangs on it. */
public final class NetTable implements Export {

    @Override
    public String kind() {
        return "netlist.csv";
    }

    @Override
    public String title() {
        return "Nets with all that hangs on them";
    }

    @Override
    public String type() {
        return "text/csv";
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("net", "part", "pin", "label"));
        int number = 0;
        for (Net net : circuit.nets()) {
            String name = net.rail().map(r -> r.label()).orElse("net " + ++number);
            net.pins().forEach(p -> rows.add(List.of(name, "board", p.position(), p.label())));
            for (Wire wire : net.wires()) {
                Integer header = wire.line().header();
                rows.add(List.of(
                        name,
                        wire.unit().name(),
                        header == null ? "" : String.valueOf(header),
                        wire.line().id()));
            }
        }
        return Csv.of(rows);
    }
}
