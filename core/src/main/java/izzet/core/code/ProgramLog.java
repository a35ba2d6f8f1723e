package izzet.core.code;

import java.util.ArrayList;
import java.util.List;

/**
 * What a program must do on its pins and buses, one line each, so that programs of all languages can be held against it:
 * {@code pin LABEL LEVEL}, {@code free LABEL} for a line that is let go, {@code i2c ADDRESS BYTES}, {@code spi BYTE}. Waits are left out.
 */
public final class ProgramLog {

    private static final int BYTE = 8;

    private final List<String> lines = new ArrayList<>();
    private Op.Begin begun;

    /** What stands on parallel lines. */
    private int standing;

    private ProgramLog() {}

    public static List<String> of(BringUp bringUp) {
        ProgramLog log = new ProgramLog();
        bringUp.ops().forEach(log::add);
        return List.copyOf(log.lines);
    }

    private void add(Op op) {
        if (op instanceof Op.Output o) {
            pin(o.pin(), o.high());
        } else if (op instanceof Op.Level l) {
            pin(l.pin(), l.high());
        } else if (op instanceof Op.Input i) {
            free(i.pin());
        } else if (op instanceof Op.TwoWire w) {
            transfer(w.bus(), w.address(), w.bytes());
        } else if (op instanceof Op.TwoWireRun r) {
            List<Integer> all = new ArrayList<>();
            unpack(r.pairs(), all);
            for (int i = 0; i < all.size(); i += Op.TwoWireRun.PIECE) {
                List<Integer> piece = new ArrayList<>(List.of(r.control()));
                piece.addAll(all.subList(i, Math.min(all.size(), i + Op.TwoWireRun.PIECE)));
                transfer(r.bus(), r.address(), piece);
            }
        } else if (op instanceof Op.Begin b) {
            begun = b;
            standing = 0;
        } else if (op instanceof Op.Send s) {
            s.bytes().forEach(this::send);
        } else if (op instanceof Op.SendRun r) {
            List<Integer> all = new ArrayList<>();
            unpack(r.pairs(), all);
            all.forEach(this::send);
        } else if (op instanceof Op.Rectangles r) {
            r.rectangles().forEach(x -> rectangle(r, x));
        } else if (op instanceof Op.Strobe s) {
            for (int i = 0; i < s.lines().size(); i++) {
                pin(s.lines().get(i), (s.value() >> i & 1) == 1);
            }
            pin(s.enable(), true);
            pin(s.enable(), false);
        }
    }

    private void rectangle(Op.Rectangles r, Op.Rectangle x) {
        if (r.select() != null) {
            pin(r.select(), false);
        }
        window(r, 0x2A, x.x0(), x.x1());
        window(r, 0x2B, x.y0(), x.y1());
        pin(r.dataCommand(), false);
        send(0x2C);
        pin(r.dataCommand(), true);
        int count = (x.x1() - x.x0() + 1) * (x.y1() - x.y0() + 1);
        for (int i = 0; i < count; i++) {
            if (begun.bus().lines().size() > BYTE) {
                send(x.colour());
            } else {
                send(x.colour() >> BYTE);
                send(x.colour() & 0xFF);
            }
        }
        if (r.select() != null) {
            pin(r.select(), true);
        }
    }

    private void window(Op.Rectangles r, int command, int from, int to) {
        pin(r.dataCommand(), false);
        send(command);
        pin(r.dataCommand(), true);
        for (int value : new int[] {from, to}) {
            send(value >> BYTE);
            send(value & 0xFF);
        }
    }

    private static void unpack(List<Integer> pairs, List<Integer> all) {
        for (int i = 0; i < pairs.size(); i += 2) {
            for (int n = 0; n < pairs.get(i); n++) {
                all.add(pairs.get(i + 1));
            }
        }
    }

    private void pin(ProgramPin pin, boolean high) {
        lines.add("pin " + name(pin) + " " + (high ? 1 : 0));
    }

    private static String name(ProgramPin pin) {
        return !pin.sketch().isEmpty() ? pin.sketch() : "P" + pin.port() + pin.bit();
    }

    private void free(ProgramPin pin) {
        lines.add("free " + name(pin));
    }

    private void transfer(ProgramBus bus, int address, List<Integer> bytes) {
        if (bus.made()) {
            pin(bus.data(), false);
            pin(bus.clock(), false);
            made(bus, address << 1);
            bytes.forEach(b -> made(bus, b));
            pin(bus.data(), false);
            free(bus.clock());
            free(bus.data());
            return;
        }
        StringBuilder line = new StringBuilder("i2c " + address);
        bytes.forEach(b -> line.append(' ').append(b));
        lines.add(line.toString());
    }

    /** A byte with its acknowledge, on lines that are pulled low or let go. */
    private void made(ProgramBus bus, int value) {
        for (int bit = BYTE - 1; bit >= -1; bit--) {
            if (bit < 0 || (value >> bit & 1) == 1) {
                free(bus.data());
            } else {
                pin(bus.data(), false);
            }
            free(bus.clock());
            pin(bus.clock(), false);
        }
    }

    private void send(int value) {
        ProgramBus bus = begun.bus();
        if (bus.parallel()) {
            for (int i = 0; i < bus.lines().size(); i++) {
                if (((value ^ standing) >> i & 1) == 1) {
                    pin(bus.lines().get(i), (value >> i & 1) == 1);
                }
            }
            standing = value;
            pin(bus.clock(), false);
            pin(bus.clock(), true);
        } else if (bus.made()) {
            boolean idle = begun.mode() >= 2;
            boolean late = (begun.mode() & 1) == 1;
            for (int bit = BYTE - 1; bit >= 0; bit--) {
                if (late) {
                    pin(bus.clock(), !idle);
                }
                pin(bus.data(), (value >> bit & 1) == 1);
                if (!late) {
                    pin(bus.clock(), !idle);
                }
                pin(bus.clock(), idle);
            }
        } else {
            lines.add("spi " + value);
        }
    }
}
