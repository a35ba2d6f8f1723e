package izzet.app.buses;

import izzet.core.buses.GateBench;
import izzet.core.buses.SerialTable;
import izzet.core.buses.SwitchBench;
import izzet.core.catalog.ActiveLevel;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Component;

/** What templates say about buses. */
@Component("busWords")
public final class BusWords {

    public String hertz(double value) {
        return Quantity.hertz(value).toString();
    }

    public String hex(int value) {
        return Hex.of(value);
    }

    public String names(List<Unit> units) {
        return units.isEmpty() ? "nobody" : SwitchBench.names(units);
    }

    public String switchSource() {
        return SwitchBench.SOURCE;
    }

    /** "4 MHz" and what the board's divider makes of it. */
    public String clock(SerialTable table) {
        String asked = hertz(table.bus().clockHz());
        if (table.bus().bitBanged()) {
            return "by the program, " + asked + " at best";
        }
        if (table.realHz() == null) {
            return asked + "; the board's file does not tell how it divides its clock";
        }
        return exact(table.realHz(), table.bus().clockHz())
                ? asked + ", as the board's divider gives it"
                : asked + " asked for, " + hertz(table.realHz()) + " by the board's divider";
    }

    /** "as the bus", or "2.5 MHz, 2.2 MHz by the board's divider". */
    public String spoken(SerialTable.Row row) {
        if (!row.own()) {
            return "as the bus";
        }
        return row.realHz() == null || exact(row.realHz(), row.clockHz())
                ? hertz(row.clockHz())
                : hertz(row.clockHz()) + ", " + hertz(row.realHz()) + " by the board's divider";
    }

    private static boolean exact(double real, int asked) {
        return Math.abs(real - asked) < 1;
    }

    public String dataOut(SerialTable.Row row, boolean alone) {
        if (!row.reads()) {
            return "not connected";
        }
        if (row.releases() == null) {
            return "connected";
        }
        if (row.releases()) {
            return "lets go when not selected";
        }
        return alone ? "never lets go; it is alone" : "▲ never lets go";
    }

    public String hear(GateBench.Row row) {
        return row.output() == null ? "nobody: no output has this number" : names(row.hear());
    }

    /** Under which levels of its enables the table of a gate holds. */
    public String enabled(GateBench gate) {
        return "So while "
                + gate.gate().enables().stream()
                        .map(e -> e + " is "
                                + (gate.unit()
                                        .part()
                                        .line(e)
                                        .filter(l -> l.active() == ActiveLevel.HIGH)
                                        .map(l -> "high")
                                        .orElse("low")))
                        .collect(Listed.and())
                + "; else every output stays high.";
    }

    /** What happens when the select moves in the middle of a transfer, between the first two that somebody hears. */
    public String moves(GateBench gate) {
        List<GateBench.Row> heard =
                gate.rows().stream().filter(r -> !r.hear().isEmpty()).toList();
        if (heard.size() < 2) {
            return "Move the select only while the bus is idle and the clock is high: then no output moves.";
        }
        GateBench.Move low = gate.move(heard.get(0).value(), heard.get(1).value(), false);
        GateBench.Move high = gate.move(heard.get(0).value(), heard.get(1).value(), true);
        StringBuilder words = new StringBuilder();
        low.rising().forEach(o -> words.append("While the clock is low, moving the select gives ")
                .append(gate.names(o))
                .append(" a rising edge that is no clock"));
        low.falling().forEach(o -> words.append(" and takes the clock of ")
                .append(gate.names(o))
                .append(" down"));
        words.append(". ");
        return words
                + (high.quiet()
                        ? "While it is high nothing moves: change the select only between a stop and the next start."
                        : "");
    }

    /** The channels that are on once one was pressed: "id-0,id-2". */
    public String toggled(String on, String unit, int channel) {
        String word = unit + "-" + channel;
        List<String> words = new ArrayList<>(
                Arrays.stream(on.split(",")).filter(w -> !w.isBlank()).toList());
        if (!words.remove(word)) {
            words.add(word);
        }
        return String.join(",", words);
    }

    /** "A0 on GND: low". */
    public String pin(SwitchBench.Pin pin) {
        if (pin.open()) {
            return pin.line() + " lies open"
                    + (pin.reset() ? ": it may start with the switch held off" : ": no address is sure");
        }
        String level = pin.high() == null ? "" : pin.high() ? ": high" : ": low";
        String reset = !pin.reset()
                ? ""
                : pin.high() == null
                        ? ": the program can take the switch back"
                        : pin.high() ? ", so only a power cycle takes it back" : ", so it never starts";
        return pin.line() + " on " + pin.place() + level + reset;
    }

    public String sink(SwitchBench bench) {
        return "Whoever holds the data line low takes " + Quantity.amperes(bench.sink()) + " of "
                + Quantity.amperes(bench.sinkLimit()) + ".";
    }
}
