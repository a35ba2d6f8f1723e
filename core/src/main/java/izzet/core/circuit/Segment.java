package izzet.core.circuit;

import java.util.List;

/**
 * The part of a 2-wire bus on which addresses meet: the trunk, a channel of a bus switch, or a gated clock.
 *
 * @param bus id of the plan's bus
 * @param path the helpers and channels between trunk and segment; empty for the trunk
 */
public record Segment(String bus, List<Hop> path) {

    /** @param channel the helper's own name for it */
    public record Hop(Unit through, String channel) {}

    public Segment {
        path = List.copyOf(path);
    }

    public boolean trunk() {
        return path.isEmpty();
    }

    /** Whether parts here and there can hear the same transfer: one lies on the way to the other. */
    public boolean hears(Segment other) {
        if (!bus.equals(other.bus)) {
            return false;
        }
        int shared = Math.min(path.size(), other.path.size());
        return path.subList(0, shared).equals(other.path.subList(0, shared));
    }

    /** "trunk", or "channel SD0 of Sign switch". */
    public String label() {
        if (trunk()) {
            return "trunk";
        }
        Hop last = path.get(path.size() - 1);
        return "channel " + last.channel() + " of " + last.through().name();
    }
}
