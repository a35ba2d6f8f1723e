package izzet.core.decode.i2c;

import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Settings;
import izzet.core.quantity.Hex;
import java.util.Arrays;
import java.util.function.Consumer;

/**
 * Turns the two lines of an I2C bus into transfers.
 *
 * <p>This class is the one place where the state machine of the bus lives. Bits are taken when the clock rises; a byte counts when the
 * clock falls after its ninth bit, so a START or STOP in the middle leaves it out.
 */
final class I2cDecoder extends Decoder {

    private static final int BITS = 9;
    private static final int TEN_BIT_MASK = 0b1111_1000;
    private static final int TEN_BIT_MARK = 0b1111_0000;

    private static final byte NOTHING = 0;
    private static final byte RISE = 1;
    private static final byte FALL = 2;
    private static final byte START = 3;
    private static final byte STOP = 4;
    private static final byte LOST = 5;
    private static final byte[] EVENTS = events();

    private enum Phase {
        IDLE,
        ADDRESS,
        SECOND_ADDRESS,
        DATA
    }

    /** Both levels as they were at the moment before: clock in the lower two bits, data in the next two. */
    private int state = UNKNOWN | UNKNOWN << 2;

    private long byteStart;

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

    I2cDecoder(I2cProtocol protocol, Settings settings, Consumer<BusEvent> out) {
        super(protocol, settings, out);
    }

    @Override
    protected void finish(long ticks) {
        finish(ticks, I2cTransfer.End.CUT_OFF);
        phase = Phase.IDLE;
    }

    @Override
    protected void levels(long ticks, long levels) {
        int next = (int) levels;
        int event = EVENTS[state << 4 | next];
        state = next;
        if (event <= RISE) {
            // Nothing is 0 and a rise 1, so both take the same way: the bit of the data line is shifted in, or none.
            shift = shift << event | next >> 2 & event;
            bits += event;
            return;
        }
        switch (event) {
            case FALL -> {
                if (bits == BITS) {
                    take(ticks, shift >> 1 & 0xFF, (shift & 1) == 0);
                    bits = 0;
                }
            }
            case START -> startAt(ticks);
            case STOP -> {
                finish(ticks, I2cTransfer.End.STOP);
                phase = Phase.IDLE;
                tenBitAddress = -1;
            }
            default -> {
                finish(ticks, I2cTransfer.End.CUT_OFF);
                phase = Phase.IDLE;
            }
        }
    }

    /** What a change of the two lines means, for every pair of old and new levels: looked up, since it comes with every edge. */
    private static byte[] events() {
        byte[] events = new byte[256];
        for (int i = 0; i < events.length; i++) {
            int oldScl = i >> 4 & 3;
            int oldSda = i >> 6 & 3;
            int scl = i & 3;
            int sda = i >> 2 & 3;
            if (scl >= UNKNOWN || sda >= UNKNOWN) {
                events[i] = LOST;
            } else if (oldScl >= UNKNOWN || oldSda >= UNKNOWN) {
                events[i] = NOTHING;
            } else if (scl != oldScl) {
                events[i] = scl == 1 ? RISE : FALL;
            } else if (sda != oldSda && scl == 1) {
                events[i] = sda == 0 ? START : STOP;
            }
        }
        return events;
    }

    private void startAt(long ticks) {
        boolean repeated = phase != Phase.IDLE;
        finish(ticks, I2cTransfer.End.REPEATED_START);
        begin = repeated ? I2cTransfer.Begin.REPEATED_START : I2cTransfer.Begin.START;
        start = ticks;
        byteStart = ticks;
        phase = Phase.ADDRESS;
        addressKnown = false;
        bits = 0;
        shift = 0;
        size = 0;
    }

    private void take(long ticks, int value, boolean acknowledged) {
        if (phase != Phase.IDLE && tellsWords()) {
            String text =
                    phase == Phase.ADDRESS ? ((value & 1) == 1 ? "from " : "to ") + Hex.of(value >> 1) : Hex.of(value);
            word(byteStart, ticks, text, acknowledged);
            byteStart = ticks;
        }
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
            tell(new I2cTransfer(
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
