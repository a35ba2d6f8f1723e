package izzet.app.wiring;

import izzet.app.preference.Preferences.First;
import izzet.core.wiring.Breadboard;
import izzet.core.wiring.WiringList.End;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** What templates say about ends of wires: the name that the maker wants first, then the others. */
@Component("wiringWords")
public final class WiringWords {

    public String first(End end, First first) {
        String wanted =
                switch (first) {
                    case LABEL -> end.label();
                    case PLACE -> end.place();
                    case CHIP -> end.chip();
                };
        return wanted.isEmpty() ? end.label() : wanted;
    }

    public String others(End end, First first) {
        String said = first(end, first);
        List<String> others = Stream.of(end.label(), end.place(), end.chip())
                .filter(s -> !s.isEmpty() && !s.equals(said))
                .toList();
        return String.join(", ", others);
    }

    /** Where a step goes on the breadboard; empty where none of it lies there. */
    public String holes(Breadboard.Ends ends) {
        if (ends == null) {
            return "";
        }
        String from = ends.from() == null ? "" : ends.from().words();
        String to = ends.to() == null ? "" : ends.to().words();
        if (ends.between() != null) {
            String resistor = "resistor " + (from.isEmpty() ? "" : "from " + from + " ") + "to "
                    + ends.between().words();
            return resistor + "; the wire goes on from " + ends.on().words() + (to.isEmpty() ? "" : " to " + to);
        }
        return from.isEmpty() ? to : to.isEmpty() ? from : from + " to " + to;
    }
}
