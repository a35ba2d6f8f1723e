package izzet.core.record.meanings;

import izzet.core.decode.I2cTransfer;
import izzet.core.record.Meaning;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Channel choice of a bus switch: one register, one bit a channel. Source: Linux kernel 6.1, its bus switch driver. */
public final class BusSwitchMeaning implements Meaning {

    @Override
    public String speaks() {
        return "bus-switch";
    }

    @Override
    public Said of(I2cTransfer t) {
        if (t.size() == 0) {
            return Said.alone("nothing but its address");
        }
        int value = t.value(t.size() - 1);
        String on = IntStream.range(0, 8)
                .filter(i -> (value >> i & 1) == 1)
                .mapToObj(Integer::toString)
                .collect(Collectors.joining(", "));
        return Said.alone((t.read() ? "says: " : "") + (on.isEmpty() ? "all channels off" : "channel " + on + " on"));
    }
}
