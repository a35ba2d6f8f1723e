package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import java.util.List;

/** The potentiometer of the contrast was never turned. */
public final class ContrastNotTurned implements Fault {

    @Override
    public String id() {
        return "contrast";
    }

    @Override
    public String name() {
        return "contrast never turned";
    }

    @Override
    public List<Place> places(Circuit planned) {
        return Contrast.of(planned).stream().anyMatch(Contrast::turned)
                ? List.of(new Place("", "the contrast potentiometer"))
                : List.of();
    }

    @Override
    public Desk at(Desk desk, String key) {
        return desk.with(Desk.Condition.CONTRAST_NOT_TURNED);
    }

    @Override
    public int rank() {
        return 1;
    }

    @Override
    public String hint() {
        return "The program is right and the wires are, too. What is left between memory and eye?";
    }

    @Override
    public String explained() {
        return "Everything works and nothing is seen: the record is right, the glass is blank. Turn it until the cells show; the meter tells which way.";
    }

    @Override
    public Mend mend() {
        return new Mend("Turn the contrast until the cells show.", List.of());
    }
}
