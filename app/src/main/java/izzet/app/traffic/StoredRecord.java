package izzet.app.traffic;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A record as it is stored, without its blocks. */
public record StoredRecord(
        long id,
        long planId,
        String name,
        long bytes,
        TimeScale scale,
        long firstTick,
        long lastTick,
        List<Line> lines,
        List<Bus> buses) {

    /** @param edges that it has in all */
    public record Line(int line, String name, long edges) {}

    /**
     * @param lines numbers of lines by role
     * @param why these lines were chosen, for people
     * @param partId of the part that a select, or lines of its own, belong to; null where nobody knows
     */
    public record Bus(
            long id,
            Protocol protocol,
            Map<String, Integer> lines,
            Settings settings,
            String why,
            String partId,
            int events) {

        /** Roles that have a line, in the order of the protocol. */
        public List<String> roles() {
            return protocol.roles().stream()
                    .map(r -> r.id())
                    .filter(lines::containsKey)
                    .toList();
        }
    }

    public String seconds() {
        return Quantity.seconds(scale.seconds(lastTick - firstTick)).toString();
    }

    /** The bus with this number, else the first; empty where there is none. */
    public Optional<Bus> bus(long busId) {
        return buses.stream().filter(b -> b.id() == busId).findFirst().or(() -> buses.stream()
                .findFirst());
    }

    /** Events of all buses in words, such as "41 transfers". */
    public String said() {
        if (buses.isEmpty()) {
            return "no bus found";
        }
        return String.join(
                ", ",
                buses.stream()
                        .map(b -> b.protocol().name() + ": "
                                + izzet.core.quantity.Counts.of(
                                        b.events(), b.protocol().unit()))
                        .toList());
    }

    String nameOf(int line) {
        return lines.get(line).name();
    }
}
