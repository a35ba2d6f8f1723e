package izzet.core.code;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** As much of the retro computer's processor and of its two ports as the programs made for it use. Unknown instructions end it. */
final class EightBitCpu {

    private static final int PORTS = 0xC400;
    private static final int END = 0xFFF0;

    private final int[] memory = new int[0x10000];
    private final Map<Integer, Runnable> known = new HashMap<>();
    private final List<String> log = new ArrayList<>();
    private final Boolean[] driven = new Boolean[16];
    private int a;
    private int x;
    private int y;
    private int sp = 0xFF;
    private int pc;
    private boolean carry;
    private boolean zero;
    private boolean negative;

    EightBitCpu(byte[] program, int origin) {
        for (int i = 0; i < program.length; i++) {
            memory[origin + i] = program[i] & 0xFF;
        }
        pc = origin;
        push(END - 1 >> 8);
        push(END - 1 & 0xFF);
        loads();
        sums();
        branches();
    }

    /** Changes of pins until the program returns. */
    List<String> run() {
        for (long steps = 0; pc != END; steps++) {
            Runnable instruction = known.get(memory[pc]);
            if (instruction == null || steps > 400_000_000L) {
                throw new IllegalStateException(
                        "instruction " + Integer.toHexString(memory[pc]) + " at " + Integer.toHexString(pc));
            }
            pc++;
            instruction.run();
        }
        return log;
    }

    private int next() {
        return memory[pc++];
    }

    private int word() {
        return next() | next() << 8;
    }

    private int indirect() {
        int at = next();
        return (memory[at] | memory[at + 1] << 8) + y & 0xFFFF;
    }

    private int read(int at) {
        if (at == PORTS || at == PORTS + 1) {
            int value = 0;
            for (int bit = 0; bit < 8; bit++) {
                Boolean level = driven[index(at - PORTS, bit)];
                value |= level == null || level ? 1 << bit : 0;
            }
            return value;
        }
        return memory[at];
    }

    /** Port B comes first. */
    private static int index(int port, int bit) {
        return (1 - port) * 8 + bit;
    }

    private void write(int at, int value) {
        memory[at] = value & 0xFF;
        if (at < PORTS || at > PORTS + 3) {
            return;
        }
        for (int port = 0; port < 2; port++) {
            for (int bit = 0; bit < 8; bit++) {
                boolean out = (memory[PORTS + 2 + port] >> bit & 1) == 1;
                Boolean level = out ? (memory[PORTS + port] >> bit & 1) == 1 : null;
                int index = index(port, bit);
                if (!Objects.equals(level, driven[index])) {
                    driven[index] = level;
                    String name = "P" + (port == 0 ? "B" : "A") + bit;
                    log.add(level == null ? "free " + name : "pin " + name + " " + (level ? 1 : 0));
                }
            }
        }
    }

    private void push(int value) {
        memory[0x100 + sp--] = value & 0xFF;
    }

    private int pull() {
        return memory[0x100 + ++sp];
    }

    private int told(int value) {
        zero = (value & 0xFF) == 0;
        negative = (value & 0x80) != 0;
        return value & 0xFF;
    }

    private void loads() {
        known.put(0xA9, () -> a = told(next()));
        known.put(0xA5, () -> a = told(read(next())));
        known.put(0xAD, () -> a = told(read(word())));
        known.put(0xB1, () -> a = told(read(indirect())));
        known.put(0xA2, () -> x = told(next()));
        known.put(0xA0, () -> y = told(next()));
        known.put(0x85, () -> write(next(), a));
        known.put(0x8D, () -> write(word(), a));
        known.put(0xAA, () -> x = told(a));
        known.put(0x8A, () -> a = told(x));
        known.put(0xA8, () -> y = told(a));
        known.put(0x98, () -> a = told(y));
        known.put(0x48, () -> push(a));
        known.put(0x68, () -> a = told(pull()));
    }

    private void sums() {
        known.put(0x09, () -> a = told(a | next()));
        known.put(0x0D, () -> a = told(a | read(word())));
        known.put(0x05, () -> a = told(a | read(next())));
        known.put(0x29, () -> a = told(a & next()));
        known.put(0x49, () -> a = told(a ^ next()));
        known.put(0x0E, () -> {
            int at = word();
            carry = (memory[at] & 0x80) != 0;
            write(at, told(memory[at] << 1));
        });
        known.put(0x4E, () -> {
            int at = word();
            carry = (memory[at] & 1) != 0;
            write(at, told(memory[at] >> 1));
        });
        known.put(0xE6, () -> {
            int at = next();
            write(at, told(memory[at] + 1));
        });
        known.put(0xEE, () -> {
            int at = word();
            write(at, told(memory[at] + 1));
        });
        known.put(0xCE, () -> {
            int at = word();
            write(at, told(memory[at] - 1));
        });
        known.put(0xE8, () -> x = told(x + 1));
        known.put(0xC8, () -> y = told(y + 1));
        known.put(0xCA, () -> x = told(x - 1));
        known.put(0x88, () -> y = told(y - 1));
        known.put(0x18, () -> carry = false);
        known.put(0x38, () -> carry = true);
        known.put(0x69, () -> add(next()));
        known.put(0xF1, () -> add(read(indirect()) ^ 0xFF));
        known.put(0xE0, () -> compare(x, next()));
        known.put(0xC0, () -> compare(y, next()));
    }

    private void add(int value) {
        int sum = a + value + (carry ? 1 : 0);
        carry = sum > 0xFF;
        a = told(sum);
    }

    private void compare(int one, int other) {
        carry = one >= other;
        told(one - other);
    }

    private void branches() {
        known.put(0xD0, () -> branch(!zero));
        known.put(0xF0, () -> branch(zero));
        known.put(0x90, () -> branch(!carry));
        known.put(0xB0, () -> branch(carry));
        known.put(0x10, () -> branch(!negative));
        known.put(0x4C, () -> pc = word());
        known.put(0x6C, () -> {
            int at = word();
            pc = memory[at] | memory[at + 1] << 8;
        });
        known.put(0x20, () -> {
            int to = word();
            push(pc - 1 >> 8);
            push(pc - 1 & 0xFF);
            pc = to;
        });
        known.put(0x60, () -> pc = (pull() | pull() << 8) + 1);
    }

    private void branch(boolean taken) {
        int by = (byte) next();
        if (taken) {
            pc += by;
        }
    }

    /** A log of what was asked for, without what changes nothing. */
    static List<String> changes(List<String> log) {
        Map<String, String> now = new HashMap<>();
        List<String> changes = new ArrayList<>();
        for (String line : log) {
            List<String> words = Arrays.asList(line.split(" "));
            String state = words.get(0).equals("free") ? "free" : words.get(2);
            // A pin is an input until it is told otherwise.
            String before = now.put(words.get(1), state);
            if (!state.equals(before == null ? "free" : before)) {
                changes.add(line);
            }
        }
        return changes;
    }
}
