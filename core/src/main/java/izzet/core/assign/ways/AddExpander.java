package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Direction;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import java.util.List;

/** The smallest expander for slow lines. */
public final class AddExpander implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        return NewHelper.with(
                circuit,
                line -> line.role() == Role.PORT && line.direction() == Direction.BOTH,
                "Add an expander for resets, selects and buttons",
                "Expander",
                "Lines behind it change only as fast as the bus lets them.");
    }
}
