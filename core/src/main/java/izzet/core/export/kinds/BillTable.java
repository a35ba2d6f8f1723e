package izzet.core.export.kinds;

import izzet.core.circuit.Circuit;
import izzet.core.export.Bill;
import izzet.core.export.Csv;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import java.util.ArrayList;
import java.util.List;

/** What the plan is made of. */
public final class BillTable implements Export {

    @Override
    public String kind() {
        return "bom.csv";
    }

    @Override
    public String title() {
        return "Parts, resistors and wires to have at hand";
    }

    @Override
    public String type() {
        return "text/csv";
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("count", "thing", "note", "to get"));
        Bill.of(circuit, maker)
                .forEach(r -> rows.add(List.of(
                        String.valueOf(r.count()), r.thing(), r.note(), String.valueOf(r.atHand() ? 0 : r.count()))));
        return Csv.of(rows);
    }
}
