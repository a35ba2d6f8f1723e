package izzet.core.code;

import java.util.ArrayList;
import java.util.List;

/**
 * What a program must do on its pins and buses, one line each, so that programs of all languages can be held against it:
 * {@code pin LABEL LEVEL}, {@code i2c ADDRESS BYTES}, {@code spi BYTE}. Waits are left out.
 */
public final class ProgramLog {

    private final List<String> lines = new ArrayList<>();

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
        } else if (op instanceof Op.TwoWire w) {
            transfer(w.address(), w.bytes());
        } else if (op instanceof Op.TwoWireRun r) {
            List<Integer> all = new ArrayList<>();
            unpack(r.pairs(), all);
            for (int i = 0; i < all.size(); i += Op.TwoWireRun.PIECE) {
                List<Integer> piece = new ArrayList<>(List.of(r.control()));
                piece.addAll(all.subList(i, Math.min(all.size(), i + Op.TwoWireRun.PIECE)));
                transfer(r.address(), piece);
            }
        } else if (op instanceof Op.Serial s) {
            s.bytes().forEach(this::serial);
        } else if (op instanceof Op.SerialRun r) {
            List<Integer> all = new ArrayList<>();
            unpack(r.pairs(), all);
            all.forEach(this::serial);
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
        serial(0x2C);
        pin(r.dataCommand(), true);
        int count = (x.x1() - x.x0() + 1) * (x.y1() - x.y0() + 1);
        for (int i = 0; i < count; i++) {
            serial(x.colour() >> 8);
            serial(x.colour() & 0xFF);
        }
        if (r.select() != null) {
            pin(r.select(), true);
        }
    }

    private void window(Op.Rectangles r, int command, int from, int to) {
        pin(r.dataCommand(), false);
        serial(command);
        pin(r.dataCommand(), true);
        for (int value : new int[] {from, to}) {
            serial(value >> 8);
            serial(value & 0xFF);
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
        String name = !pin.sketch().isEmpty() ? pin.sketch() : "P" + pin.port() + pin.bit();
        lines.add("pin " + name + " " + (high ? 1 : 0));
    }

    private void transfer(int address, List<Integer> bytes) {
        StringBuilder line = new StringBuilder("i2c " + address);
        bytes.forEach(b -> line.append(' ').append(b));
        lines.add(line.toString());
    }

    private void serial(int value) {
        lines.add("spi " + value);
    }
}
