package izzet.core.display;

import izzet.core.decode.BusEvent;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.SpiTransfer;
import izzet.core.quantity.Hex;
import java.util.Set;
import java.util.StringJoiner;

/** Names the registers of a chip, or its one-byte commands, from a file. */
final class RegisterInterpreter implements Interpreter {

    private static final int MOST_VALUES = 8;

    private final RegisterMap map;

    RegisterInterpreter(RegisterMap map) {
        this.map = map;
    }

    @Override
    public Set<String> speaks() {
        return Set.of(map.speaks());
    }

    @Override
    public Session begin(Panel panel) {
        return new Following();
    }

    private final class Following implements Session {

        private int pointer = -1;

        @Override
        public Said hear(BusEvent event, long until) {
            if (event instanceof I2cTransfer t) {
                return transfer(t);
            }
            if (event instanceof SpiTransfer t && t.mosi() != null && t.size() > 0) {
                int[] sent = t.mosi();
                String name = map.names().get(sent[0] & map.maskedBy());
                return Said.alone((name == null ? "command " + Hex.of(sent[0]) : name) + values(t.miso(), 1));
            }
            return Said.alone("nothing that it knows");
        }

        private Said transfer(I2cTransfer t) {
            if (t.size() == 0) {
                return Said.alone("nothing but its address");
            }
            if (!map.bits().isEmpty()) {
                return Said.alone((t.read() ? "says: " : "") + bits(t.value(t.size() - 1)));
            }
            int[] values = new int[t.size()];
            for (int i = 0; i < values.length; i++) {
                values[i] = t.value(i);
            }
            if (t.read()) {
                String from = map.pointer() && pointer >= 0
                        ? name(pointer) + " read"
                        : t.size() + (t.size() == 1 ? " byte read" : " bytes read");
                pointer = map.pointer() && pointer >= 0 ? pointer + t.size() : pointer;
                return Said.alone(from + values(values, 0));
            }
            if (!map.pointer()) {
                return Said.alone(name(values[0] & map.maskedBy()) + values(values, 1));
            }
            pointer = values[0] & map.maskedBy();
            String asked = name(pointer);
            pointer += values.length - 1;
            return Said.alone(values.length == 1 ? "asks for " + asked : asked + values(values, 1));
        }

        private String name(int number) {
            String name = map.names().get(number);
            return name == null ? (map.pointer() ? "register " : "command ") + Hex.of(number) : name;
        }

        private String bits(int value) {
            StringJoiner on = new StringJoiner(", ");
            for (int i = 0; i < Byte.SIZE; i++) {
                if ((value >> i & 1) == 1) {
                    on.add(map.bits().getOrDefault(Integer.toString(i), Integer.toString(i)));
                }
            }
            return on.length() == 0
                    ? map.bits().get("none")
                    : map.bits().get("before") + on + map.bits().get("after");
        }

        private String values(int[] values, int from) {
            if (values == null || values.length <= from) {
                return "";
            }
            StringJoiner text = new StringJoiner(" ", ": ", values.length - from > MOST_VALUES ? " …" : "");
            for (int i = from; i < Math.min(values.length, from + MOST_VALUES); i++) {
                text.add(String.format("%02X", values[i]));
            }
            return text.toString();
        }
    }
}
