package izzet.core.decode;

import izzet.core.capture.ChangeSink;
import izzet.core.capture.Signal;
import izzet.core.capture.TimeScale;
import izzet.core.capture.VcdHeader;
import java.util.Arrays;
import java.util.function.Consumer;

/**
 * Turns the two lines of an I2C bus into transfers. A stream: changes in, transfers out. Not thread-safe; one per record.
 *
 * <p>This class is the one place where the state machine of the bus lives. Bits are taken when the clock rises; a byte counts when the
 * clock falls after its ninth bit, so a START or STOP in the middle leaves it out.
 */
public final class I2cDecoder implements ChangeSink {

    private static final int BITS = 9;
    private static final int TEN_BIT_MASK = 0b1111_1000;
    private static final int TEN_BIT_MARK = 0b1111_0000;

    private enum Phase {
        IDLE,
        ADDRESS,
        SECOND_ADDRESS,
        DATA
    }

    private final String sclName;
    private final String sdaName;
    private final long glitchNanos;
    private final Consumer<I2cTransfer> out;

    private GlitchFilter filter;
    private TimeScale timeScale;
    private int rawScl = Levels.UNKNOWN;
    private int rawSda = Levels.UNKNOWN;
    private boolean changed;

    private int scl = Levels.UNKNOWN;
    private int sda = Levels.UNKNOWN;
    private Phase phase = Phase.IDLE;
    private int bits;
    private int shift;

    private long start;
    private I2cTransfer.Begin begin;
    private boolean addressKnown;
    private int address;
    private int addressBits;
    private boolean read;
    private boolean ack;
    private byte[] data = new byte[64];
    private boolean[] acks = new boolean[64];
    private int size;

    /** The 10-bit address written before, for a read that repeats only its upper part; -1 when there was none. */
    private int tenBitAddress = -1;

    /**
     * @param sclName name or path of the clock line
     * @param sdaName name or path of the data line
     * @param glitchNanos pulses shorter than this are taken as not there; 0 for none
     * @param out gets each transfer when it ends
     */
    public I2cDecoder(String sclName, String sdaName, long glitchNanos, Consumer<I2cTransfer> out) {
        this.sclName = sclName;
        this.sdaName = sdaName;
        this.glitchNanos = glitchNanos;
        this.out = out;
    }

    @Override
    public Signal[] header(VcdHeader header) {
        timeScale = header.timeScale();
        Signal[] lines = {header.find(sclName), header.find(sdaName)};
        begin(timeScale);
        return lines;
    }

    /** For lines that do not come from a value change dump. */
    public void begin(TimeScale scale) {
        timeScale = scale;
        filter = new GlitchFilter(glitchNanos == 0 ? 0 : timeScale.ticksIn(glitchNanos), this::levels);
    }

    /** Known once the record's declarations have been read. */
    public TimeScale timeScale() {
        return timeScale;
    }

    @Override
    public void change(int index, int level) {
        if (index == 0) {
            changed |= level != rawScl;
            rawScl = level;
        } else {
            changed |= level != rawSda;
            rawSda = level;
        }
    }

    @Override
    public void moment(long ticks) {
        if (changed) {
            changed = false;
            filter.levels(ticks, rawScl, rawSda);
        }
    }

    @Override
    public void end(long ticks) {
        filter.end();
        finish(ticks, I2cTransfer.End.CUT_OFF);
        phase = Phase.IDLE;
    }

    private void levels(long ticks, int newScl, int newSda) {
        boolean sclChanged = newScl != scl;
        boolean sdaChanged = newSda != sda;
        boolean known = (newScl | newSda | scl | sda) < Levels.UNKNOWN;
        boolean wasHigh = scl == 1;
        scl = newScl;
        sda = newSda;
        if (!known) {
            if ((newScl | newSda) >= Levels.UNKNOWN) {
                finish(ticks, I2cTransfer.End.CUT_OFF);
                phase = Phase.IDLE;
            }
        } else if (sclChanged) {
            if (newScl == 1) {
                rise(newSda);
            } else {
                fall();
            }
        } else if (sdaChanged && wasHigh) {
            if (newSda == 0) {
                startAt(ticks);
            } else {
                finish(ticks, I2cTransfer.End.STOP);
                phase = Phase.IDLE;
                tenBitAddress = -1;
            }
        }
    }

    private void startAt(long ticks) {
        boolean repeated = phase != Phase.IDLE;
        finish(ticks, I2cTransfer.End.REPEATED_START);
        begin = repeated ? I2cTransfer.Begin.REPEATED_START : I2cTransfer.Begin.START;
        start = ticks;
        phase = Phase.ADDRESS;
        addressKnown = false;
        bits = 0;
        shift = 0;
        size = 0;
    }

    private void rise(int bit) {
        if (phase != Phase.IDLE && bits < BITS) {
            shift = shift << 1 | bit;
            bits++;
        }
    }

    private void fall() {
        if (bits == BITS) {
            boolean acknowledged = (shift & 1) == 0;
            take(shift >> 1, acknowledged);
            bits = 0;
            shift = 0;
        }
    }

    private void take(int value, boolean acknowledged) {
        switch (phase) {
            case ADDRESS -> address(value, acknowledged);
            case SECOND_ADDRESS -> {
                address |= value;
                ack &= acknowledged;
                tenBitAddress = address;
                phase = Phase.DATA;
            }
            case DATA -> {
                if (size == data.length) {
                    data = Arrays.copyOf(data, size * 2);
                    acks = Arrays.copyOf(acks, size * 2);
                }
                data[size] = (byte) value;
                acks[size++] = acknowledged;
            }
            case IDLE -> {}
        }
    }

    private void address(int value, boolean acknowledged) {
        addressKnown = true;
        read = (value & 1) == 1;
        ack = acknowledged;
        if ((value & TEN_BIT_MASK) != TEN_BIT_MARK) {
            address = value >> 1;
            addressBits = 7;
            phase = Phase.DATA;
            return;
        }
        addressBits = 10;
        address = (value >> 1 & 3) << 8;
        if (!read) {
            phase = Phase.SECOND_ADDRESS;
        } else {
            if (tenBitAddress >= 0 && (tenBitAddress & 0x300) == address) {
                address = tenBitAddress;
            }
            phase = Phase.DATA;
        }
    }

    private void finish(long ticks, I2cTransfer.End ending) {
        if (phase != Phase.IDLE && addressKnown) {
            out.accept(new I2cTransfer(
                    start,
                    ticks,
                    begin,
                    ending,
                    address,
                    addressBits,
                    read,
                    ack,
                    Arrays.copyOf(data, size),
                    Arrays.copyOf(acks, size)));
        }
        addressKnown = false;
        bits = 0;
        shift = 0;
    }
}
