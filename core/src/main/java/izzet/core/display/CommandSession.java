package izzet.core.display;

import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.ParallelTransfer;
import izzet.core.decode.SpiTransfer;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;

/**
 * A part that takes commands and data by any bus: takes the bytes out of events, and puts together what they did. In an I2C transfer a
 * control byte says which they are, on SPI and parallel buses a line does.
 */
public abstract class CommandSession implements Session {

    private static final int MANY = 6;
    private static final int ONE_FOLLOWS = 0x80;
    private static final int DATA = 0x40;

    private final List<String> words = new ArrayList<>();
    private String growing;
    private boolean rest;
    private int painted;
    private boolean wide;

    /** A byte that is a command, or a parameter where those come the same way. */
    protected abstract void command(int value);

    /** A byte or word that is data. */
    protected abstract void data(int value);

    /** An event begins: its select, its START. */
    protected void begins() {}

    /** Tells of a command that is whole. */
    protected final void say(String text) {
        words.add(text);
        growing = null;
    }

    /** Tells of a command whose parameters are still to come; told anew as they come. */
    protected final void grow(String text) {
        growing = text;
    }

    /** Counts what goes into the picture. */
    protected final void painted(int bytes) {
        painted += bytes;
    }

    @Override
    public final Said hear(BusEvent event, long until) {
        words.clear();
        painted = 0;
        rest = growing != null;
        begins();
        if (event instanceof I2cTransfer t) {
            Said told = transfer(t, until);
            if (told != null) {
                return told;
            }
        } else if (event instanceof SpiTransfer t) {
            words(t, until);
        } else if (event instanceof ParallelTransfer t) {
            if (t.read()) {
                return Said.alone("reads " + Hex.of(t.value()));
            }
            wide |= t.value() > 0xFF;
            write(t.dc() != 0, t.value());
        } else if (event instanceof CharacterTransfer t) {
            write(t.data(), t.value());
        }
        return said(event);
    }

    private void write(boolean isData, int value) {
        if (isData) {
            data(value);
        } else {
            command(value);
        }
    }

    /** Whether words of more than 8 bits were seen on its bus. */
    protected final boolean wide() {
        return wide;
    }

    private Said transfer(I2cTransfer t, long until) {
        if (t.read()) {
            return Said.alone("reads its status");
        }
        if (t.size() == 0) {
            return Said.alone("nothing but its address");
        }
        int size = t.sizeUntil(until);
        int i = 0;
        while (i < size) {
            int control = t.value(i++);
            if ((control & ~(ONE_FOLLOWS | DATA)) != 0) {
                return Said.alone("control byte " + Hex.of(control) + ", which is none of 0x00, 0x40, 0x80");
            }
            int last = (control & ONE_FOLLOWS) != 0 ? Math.min(size, i + 1) : size;
            while (i < last) {
                write((control & DATA) != 0, t.value(i++));
            }
        }
        return null;
    }

    private void words(SpiTransfer t, long until) {
        if (t.mosi() == null) {
            return;
        }
        for (int i = 0; i < t.mosi().length && t.ends()[i] <= until; i++) {
            write(t.dc() == null || t.dc()[i] == 1, t.mosi()[i]);
        }
    }

    private Said said(BusEvent event) {
        boolean some = !words.isEmpty();
        if (growing != null) {
            words.add(growing);
        }
        if (words.isEmpty() && painted > 0) {
            return Said.counted("picture", painted, unit());
        }
        if (words.isEmpty()) {
            return Said.alone(
                    event instanceof SpiTransfer t && t.size() == 0
                            ? "selected, and nothing sent"
                            : "nothing that it knows");
        }
        int hidden = words.size() - MANY;
        String text = String.join(", ", words.subList(0, Math.min(MANY, words.size())))
                + (hidden > 0 ? " and " + hidden + " more settings" : "")
                + (painted > 0 ? ", picture, " + painted + " " + unit() : "");
        return rest && (some ? words.size() == 1 : true) && painted == 0 ? Said.replaces(text) : Said.alone(text);
    }

    /** Of what is painted. */
    protected String unit() {
        return "picture bytes";
    }
}
