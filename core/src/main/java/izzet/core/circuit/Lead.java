package izzet.core.circuit;

import izzet.core.catalog.Rail;
import izzet.core.quantity.Listed;
import java.util.List;

/**
 * How a supply or ground line reaches a rail that it is not joined to by wires alone.
 *
 * @param ohms of the resistors on the way together; 0 where there are only contacts
 * @param contacts parts with a contact on the way, such as a switch; it leads on while they are closed
 */
public record Lead(Rail rail, double ohms, List<Unit> contacts) {

    public Lead {
        contacts = List.copyOf(contacts);
    }

    /** Names of the parts with a contact on the way. */
    public String contactNames() {
        return contacts.stream().map(Unit::name).collect(Listed.and());
    }
}
