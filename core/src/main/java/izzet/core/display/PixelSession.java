package izzet.core.display;

import java.util.Optional;

/** A part with a glass of pixels that takes commands and data by any bus. */
public abstract class PixelSession extends CommandSession implements Glass.Pixels {

    private final Panel panel;
    private long changes;
    private long written;

    protected PixelSession(Panel panel) {
        this.panel = panel;
    }

    protected final Panel panel() {
        return panel;
    }

    /** What may be seen has changed. */
    protected final void changed() {
        changes++;
    }

    /** So many pixels were written. */
    protected final void wrote(int pixels) {
        written += pixels;
        changes++;
    }

    @Override
    public final long written() {
        return written;
    }

    /** A command that has no name here, with as many bytes as came behind it. */
    protected static String unnamed(int command, int bytes) {
        String number = izzet.core.quantity.Hex.of(command);
        return "command " + number + (bytes == 0 ? "" : " with " + bytes + (bytes == 1 ? " byte" : " bytes"));
    }

    @Override
    public final Optional<Glass> glass() {
        return Optional.of(this);
    }

    @Override
    public final int columns() {
        return panel.columns();
    }

    @Override
    public final int rows() {
        return panel.rows();
    }

    @Override
    public final long changes() {
        return changes;
    }
}
