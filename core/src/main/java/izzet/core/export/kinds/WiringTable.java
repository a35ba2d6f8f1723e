package izzet.core.export.kinds;

import izzet.core.circuit.Circuit;
import izzet.core.export.Csv;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import izzet.core.wiring.WiringList;
import java.util.ArrayList;
import java.util.List;

/** The steps of wiring as a table. */
public final class WiringTable implements Export {

    @Override
    public String kind() {
        return "wiring.csv";
    }

    @Override
    public String title() {
        return "Wiring as a table";
    }

    @Override
    public String type() {
        return "text/csv";
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of(
                "step",
                "group",
                "from",
                "from label",
                "from place",
                "from chip",
                "to",
                "to label",
                "to place",
                "to chip",
                "colour",
                "with",
                "do",
                "why",
                "note"));
        for (WiringList.Group group : WiringList.of(circuit, maker.colours())) {
            for (WiringList.Step s : group.steps()) {
                List<String> row = new ArrayList<>(List.of(String.valueOf(s.number()), group.title()));
                row.addAll(end(s.from()));
                row.addAll(end(s.to()));
                row.add(s.colour());
                row.add(s.insert());
                row.add(s.what());
                row.add(s.why());
                row.add(s.note());
                rows.add(row);
            }
        }
        return Csv.of(rows);
    }

    private static List<String> end(WiringList.End end) {
        return end == null ? List.of("", "", "", "") : List.of(end.name(), end.label(), end.place(), end.chip());
    }
}
