package izzet.core.display.families;

import izzet.core.decode.BusEvent;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Glass;
import izzet.core.display.Interpreter;
import izzet.core.display.Panel;
import izzet.core.display.Picture;
import izzet.core.display.Said;
import izzet.core.display.Session;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Drivers of lamp matrices and digits. Sources, from memory: data sheets of the serial driver of 8 digits (MAX7219) and of the 2-wire
 * driver of 16 x 8 lamps (HT16K33).
 */
public final class SegmentDrivers implements Interpreter {

    private static final String SERIAL = "digit-driver";

    @Override
    public Set<String> speaks() {
        return Set.of(SERIAL, "lamp-driver");
    }

    @Override
    public int parameters(String family, int command) {
        return family.equals(SERIAL) ? 1 : command < Following.WIDE ? PICTURE : 0;
    }

    /** One word of the serial driver, or one transfer of the other. */
    @Override
    public List<BusEvent> sent(String family, List<Integer> bytes) {
        if (family.equals(SERIAL)) {
            int[] mosi = bytes.stream().mapToInt(Integer::intValue).toArray();
            return List.of(new SpiTransfer(0, 0, mosi, null, null, new long[mosi.length], false));
        }
        byte[] data = new byte[bytes.size()];
        for (int i = 0; i < data.length; i++) {
            data[i] = bytes.get(i).byteValue();
        }
        return List.of(I2cTransfer.written(Following.USUAL_ADDRESS, data));
    }

    @Override
    public Session begin(Panel panel) {
        return new Following(panel);
    }

    private static final class Following implements Session, Glass.Pixels {

        private static final int SIDE = 8;
        private static final int WIDE = 16;

        /** With all its address bridges open. */
        private static final int USUAL_ADDRESS = 0x70;

        private static final List<String> PACES = List.of("", " at 2 Hz", " at 1 Hz", " at 0.5 Hz");

        /** Numbers or lamps, and how many rows, as whole set-ups tell. */
        private static final int SET_UP = 1 << 0x9 | 1 << 0xB;

        private static final String SOURCE =
                "data sheets of the lamp drivers (MAX7219, HT16K33), registers; from memory";

        private final boolean serial;
        private final boolean matrix;

        /** One row of lamps each: 8 bits of the serial driver, 16 of the other. */
        private final int[] rows = new int[SIDE];

        private boolean on;
        private boolean tested;

        /** Registers of the serial driver that were told. */
        private int heard;

        private int decoded;
        private int scanned = SIDE - 1;

        /** Whether the other driver's clock was stopped. */
        private boolean stopped;

        private int pointer;
        private long changes;

        Following(Panel panel) {
            serial = panel.family().equals(SERIAL);
            matrix = serial && panel.columns() == SIDE && panel.rows() == SIDE;
        }

        @Override
        public Said hear(BusEvent event, long until) {
            List<String> words = new ArrayList<>();
            int lamps = 0;
            changes++;
            if (serial && event instanceof SpiTransfer t && t.mosi() != null) {
                int bits = t.mosi().length > 0 && t.mosi()[0] > 0xFF ? 1 : 2;
                for (int i = 0; i + bits <= t.mosi().length; i += bits) {
                    int word = bits == 1 ? t.mosi()[i] : t.mosi()[i] << 8 | t.mosi()[i + 1];
                    lamps += digit(word >> 8 & 0xF, word & 0xFF, words);
                }
            } else if (!serial && event instanceof I2cTransfer t && !t.read() && t.size() > 0) {
                lamps = lamp(t, words);
            }
            if (words.isEmpty()) {
                return lamps > 0
                        ? Said.counted("lamps", lamps, "bytes of them")
                        : Said.alone("nothing but its address");
            }
            return Said.alone(String.join(", ", words) + (lamps > 0 ? ", lamps, " + lamps + " bytes of them" : ""));
        }

        private int digit(int register, int value, List<String> words) {
            heard |= 1 << register;
            switch (register) {
                case 0x0 -> {}
                case 0x9 -> {
                    decoded = value;
                    words.add(value == 0 ? "lamps by their bits" : "digits by their numbers " + Hex.of(value));
                }
                case 0xA -> words.add("brightness " + (value & 0xF) + " of 15");
                case 0xB -> {
                    scanned = value & 7;
                    words.add(scanned + 1 + " rows");
                }
                case 0xC -> {
                    on = (value & 1) == 1;
                    words.add(on ? "switched on" : "switched off");
                }
                case 0xF -> {
                    tested = (value & 1) == 1;
                    words.add(tested ? "lamp test on" : "lamp test off");
                }
                default -> {
                    if (register <= SIDE) {
                        rows[register - 1] = value;
                        return 1;
                    }
                    words.add("register " + Hex.of(register));
                }
            }
            return 0;
        }

        private int lamp(I2cTransfer t, List<String> words) {
            int c = t.value(0);
            if (c < WIDE) {
                pointer = c;
                for (int i = 1; i < t.size(); i++) {
                    int shift = pointer % 2 * SIDE;
                    rows[pointer / 2] = rows[pointer / 2] & ~(0xFF << shift) | t.value(i) << shift;
                    pointer = (pointer + 1) % WIDE;
                }
                return t.size() - 1;
            }
            if (c >> 4 == 2) {
                stopped = (c & 1) == 0;
                words.add(stopped ? "clock off" : "clock on");
            } else if (c >> 4 == 8) {
                on = (c & 1) == 1;
                int pace = c >> 1 & 3;
                words.add((on ? "switched on" : "switched off") + (pace == 0 ? "" : ", blinking" + PACES.get(pace)));
            } else if (c >> 4 == 0xA) {
                words.add(
                        (c & 1) == 0
                                ? "its last pin drives lamps"
                                : "its last pin tells of keys" + ((c & 2) == 0 ? ", low" : ", high"));
            } else if (c >> 4 == 4) {
                words.add("reads keys from byte " + (c & 0xF));
            } else if (c == 0x60) {
                words.add("reads whether a key was pressed");
            } else if (c >> 4 == 0xE) {
                words.add("brightness " + (c & 0xF) + " of 15");
            } else {
                words.add("command " + Hex.of(c));
            }
            return 0;
        }

        @Override
        public Optional<Glass> glass() {
            return Optional.of(this);
        }

        @Override
        public int columns() {
            return serial ? SIDE : WIDE;
        }

        @Override
        public int rows() {
            return SIDE;
        }

        @Override
        public long changes() {
            return changes;
        }

        @Override
        public String state() {
            return on ? "" : "switched off";
        }

        @Override
        public List<Misfit> misfits() {
            List<Misfit> all = new ArrayList<>();
            boolean setUp = (heard & SET_UP) == SET_UP;
            if (serial && setUp && !on) {
                all.add(new Misfit(
                        "is set up and never taken out of shutdown, or put there at the end",
                        "Write 1 to register C.",
                        true,
                        SOURCE));
            }
            if (tested) {
                all.add(new Misfit(
                        "is left in its lamp test: every lamp is lit, whatever is written",
                        "Write 0 to register F.",
                        true,
                        SOURCE));
            }
            if (matrix && decoded != 0) {
                all.add(new Misfit(
                        "is told to show numbers, and its lamps are a matrix",
                        "Write 0 to register 9: each bit a lamp.",
                        true,
                        SOURCE));
            }
            if (matrix && scanned < SIDE - 1) {
                all.add(new Misfit(
                        "is told to light " + (scanned + 1) + " of its " + SIDE + " rows",
                        "Write 7 to register B.",
                        true,
                        SOURCE));
            }
            if (!serial && stopped) {
                all.add(new Misfit("is left with its clock off: it stays dark", "Send 21.", true, SOURCE));
            }
            return all;
        }

        @Override
        public Picture memory(Area area) {
            int width = columns();
            int[] pixels = new int[width * SIDE];
            for (int i = 0; i < pixels.length; i++) {
                int x = i % width;
                pixels[i] = (rows[i / width] >> (serial ? SIDE - 1 - x : x)) & 1;
            }
            Picture whole = new Picture(width, SIDE, true, pixels);
            return area == null ? whole : whole.part(area);
        }

        @Override
        public Picture seen() {
            Picture lamps = memory(null);
            return on ? lamps : new Picture(columns(), SIDE, true, new int[columns() * SIDE]);
        }
    }
}
