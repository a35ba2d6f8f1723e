package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.circuit.Circuit;
import java.util.List;

/** A joint of the 2-wire bus that comes and goes. */
public final class BadJoint implements Fault {

    @Override
    public String id() {
        return "joint";
    }

    @Override
    public String name() {
        return "a bad joint that comes and goes";
    }

    @Override
    public List<Place> places(Circuit planned) {
        return planned.joinedNets().isEmpty() ? List.of() : List.of(new Place("", "a wire of the 2-wire bus"));
    }

    @Override
    public Desk at(Desk desk, String key) {
        return desk.with(Desk.Condition.BAD_JOINT);
    }

    @Override
    public int rank() {
        return 8;
    }

    @Override
    public String hint() {
        return "It works and it does not. Record the bus and look for what is not heard.";
    }

    @Override
    public String explained() {
        return "A scan may find everything; a record shows transfers that are heard and others that are not, to the same part. Move each wire while it runs.";
    }

    @Override
    public Mend mend() {
        return new Mend("Make the joint anew: solder it again, or take another wire.", List.of("one wire"));
    }
}
