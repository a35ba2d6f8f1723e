package izzet.core.display;

import izzet.core.capture.ChangeSink;
import izzet.core.capture.Moments;
import izzet.core.capture.RecordHeader;
import izzet.core.capture.RecordReader;
import izzet.core.capture.Signal;
import izzet.core.capture.TableOptions;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Reads a record and tells what one display of it shows at a moment. Not thread-safe; one per record. */
public final class GlassReader {

    private static final int MOST_WAITING = 4000;
    private static final int MOST_TRIED = 4000;
    private static final BigDecimal FEMTOSECONDS_A_NANOSECOND = BigDecimal.valueOf(1_000_000);

    /**
     * Whose transfers count on an I2C bus.
     *
     * @param address of the display or of its expander; -1 for every transfer
     * @param through address of the bus switch that it is behind; -1 where there is none
     * @param channel of that switch
     */
    public record Listener(int address, int through, int channel) {

        /** Every transfer counts. */
        public static final Listener ALL = new Listener(-1, -1, 0);
    }

    private final Protocol protocol;
    private final Settings settings;
    private Session session;
    private final Panel panel;
    private final Listener listener;

    /** What was said to an expander before its wiring was found; null where that is known. */
    private List<I2cTransfer> waiting;

    private final BigDecimal untilNanos;
    private int open;

    /** Known with the record's declarations. */
    private Clockwork clock;

    /**
     * @param untilNanos on the record's own axis; null for its end
     * @throws IllegalArgumentException when the family of the panel is not known, or shows nothing
     */
    public GlassReader(Protocol protocol, Settings settings, Panel panel, Listener listener, BigDecimal untilNanos) {
        this.protocol = protocol;
        this.settings = settings;
        this.listener = listener;
        this.panel = panel;
        this.untilNanos = untilNanos;
        session = Interpreters.of(panel.family())
                .map(i -> i.begin(panel))
                .filter(s -> s.glass().isPresent())
                .orElseThrow(
                        () -> new IllegalArgumentException("No display takes the commands '" + panel.family() + "'."));
    }

    /** The bits of the expander are not known: they are found by trial, and taken as usual where that fails. */
    public GlassReader findingBits() {
        waiting = new ArrayList<>();
        return this;
    }

    /** @throws izzet.core.capture.RecordFault when the record cannot be read */
    public Glass read(InputStream record) throws IOException {
        return read(record, TableOptions.NONE);
    }

    /**
     * @param options of a table
     * @throws izzet.core.capture.RecordFault when the record cannot be read
     */
    public Glass read(InputStream record, TableOptions options) throws IOException {
        Until until = new Until(protocol.decoder(settings, this::hear));
        RecordReader.read(record, options, until);
        settle();
        Glass glass = session.glass().orElseThrow();
        clock.until(until.end, glass, tick -> {});
        return glass;
    }

    private void settle() {
        if (waiting == null) {
            return;
        }
        List<I2cTransfer> said = waiting;
        waiting = null;
        List<Integer> port = new ArrayList<>();
        said.stream().filter(t -> !t.read()).forEach(t -> IntStream.range(0, t.size())
                .forEach(i -> port.add(t.value(i))));
        ExpanderTrial.find(port.subList(0, Math.min(port.size(), MOST_TRIED)))
                .ifPresent(bits ->
                        session = Interpreters.of(panel.family()).orElseThrow().begin(panel.behind(bits.map())));
        said.forEach(session::hear);
    }

    private void hear(BusEvent event) {
        if (event instanceof I2cTransfer t) {
            if (t.address() == listener.through() && !t.read() && t.ack() && t.size() > 0) {
                open = t.value(t.size() - 1);
            }
            boolean reached = listener.through() < 0 || (open >> listener.channel() & 1) == 1;
            if (!reached || listener.address() >= 0 && t.address() != listener.address()) {
                return;
            }
            if (waiting != null) {
                waiting.add(t);
                if (waiting.size() == MOST_WAITING) {
                    settle();
                }
                return;
            }
        }
        clock.until(event.end(), session.glass().orElseThrow(), tick -> {});
        session.hear(event);
    }

    /** Ends the record early, where a moment is given. */
    private final class Until implements ChangeSink {

        private final Decoder decoder;
        private long last = Long.MAX_VALUE;
        private boolean ended;
        private long end;

        Until(Decoder decoder) {
            this.decoder = decoder;
        }

        @Override
        public Signal[] header(RecordHeader header) {
            clock = new Clockwork(header.timeScale());
            if (untilNanos != null) {
                last = untilNanos
                        .multiply(FEMTOSECONDS_A_NANOSECOND)
                        .divide(BigDecimal.valueOf(header.timeScale().femtoseconds()), 0, RoundingMode.FLOOR)
                        .min(BigDecimal.valueOf(Long.MAX_VALUE))
                        .longValue();
            }
            return decoder.header(header);
        }

        @Override
        public void change(int index, int level) {
            if (!ended) {
                decoder.change(index, level);
            }
        }

        @Override
        public void moment(long ticks) {
            if (ended) {
                return;
            }
            if (ticks > last) {
                end(last);
            } else {
                decoder.moment(ticks);
            }
        }

        @Override
        public void moments(long now, Moments many) {
            if (untilNanos == null) {
                decoder.moments(now, many);
            } else {
                ChangeSink.super.moments(now, many);
            }
        }

        @Override
        public void end(long ticks) {
            if (!ended) {
                ended = true;
                end = ticks;
                decoder.end(ticks);
            }
        }
    }
}
