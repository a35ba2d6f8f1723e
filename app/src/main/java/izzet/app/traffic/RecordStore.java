package izzet.app.traffic;

import izzet.app.fault.NoSuchThing;
import izzet.app.store.BlockStream;
import izzet.app.store.Blocks;
import izzet.app.store.EdgeBlockRow;
import izzet.app.store.RecordLineRow;
import izzet.app.store.RecordRow;
import izzet.app.store.RecordRows;
import izzet.app.store.TransferBlockRow;
import izzet.core.capture.ChangeSink;
import izzet.core.capture.EdgeBlock;
import izzet.core.capture.EdgeCollector;
import izzet.core.capture.EdgeCursor;
import izzet.core.capture.RecordHeader;
import izzet.core.capture.RecordReader;
import izzet.core.capture.TimeScale;
import izzet.core.capture.VcdWriter;
import izzet.core.decode.I2cDecoder;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.LineGuess;
import izzet.core.decode.TransferBlock;
import izzet.core.quantity.Names;
import jakarta.annotation.PostConstruct;
import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityManagerFactory;
import java.io.IOException;
import java.io.InputStream;
import java.io.Writer;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;

/**
 * Records of a plan. A record is stored as packed blocks of changes for each line, its decode as packed blocks of transfers; neither is
 * ever whole in memory. A record shows once it is whole: its blocks are written in many small transactions.
 */
@Service
public class RecordStore {

    private static final int MOST_BLOCKS_FOR_BYTES = 4;
    private static final int MOST_NAME = 200;
    private static final int MOST_LINE_NAME = 380;

    private final RecordRows records;
    private final Blocks blocks;
    private final EntityManager entities;
    private final EntityManagerFactory factory;
    private final TransactionOperations transactions;
    private final Clock clock;

    RecordStore(
            RecordRows records,
            Blocks blocks,
            EntityManager entities,
            EntityManagerFactory factory,
            TransactionOperations transactions,
            Clock clock) {
        this.records = records;
        this.blocks = blocks;
        this.entities = entities;
        this.factory = factory;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** What a kill left half goes before the first record of this run comes. */
    @PostConstruct
    void sweep() {
        transactions.executeWithoutResult(t -> records.sweep());
    }

    /** @param scl null until lines were chosen */
    public record Stored(
            long id,
            long planId,
            String name,
            long bytes,
            TimeScale scale,
            long firstTick,
            long lastTick,
            String scl,
            String sda,
            String guess,
            long glitchNs,
            int transfers,
            List<Line> lines) {

        public record Line(int line, String name, long edges) {}

        public String seconds() {
            return izzet.core.quantity.Quantity.seconds(scale.seconds(lastTick - firstTick))
                    .toString();
        }

        int lineOf(String lineName) {
            return lines.stream()
                    .filter(l -> l.name().equals(lineName))
                    .findFirst()
                    .map(Line::line)
                    .orElse(-1);
        }
    }

    private static final class Counting extends java.io.FilterInputStream {
        private long bytes;

        Counting(InputStream in) {
            super(in);
        }

        @Override
        public int read(byte[] b, int off, int len) throws IOException {
            int got = super.read(b, off, len);
            bytes += Math.max(0, got);
            return got;
        }
    }

    /**
     * Stores a record, guesses its lines and decodes it.
     *
     * @throws izzet.core.capture.RecordFault when it cannot be read; then nothing is stored
     */
    @Transactional(propagation = Propagation.NEVER)
    public long upload(long planId, String name, InputStream in) throws IOException {
        RecordRow row = records.save(new RecordRow(planId, shown(name, MOST_NAME), clock.instant()));
        boolean done = false;
        try {
            take(row, in);
            done = true;
        } finally {
            if (!done) {
                transactions.executeWithoutResult(t -> records.remove(planId, row.id()));
            }
        }
        return row.id();
    }

    private void take(RecordRow row, InputStream in) throws IOException {
        RecordHeader[] header = new RecordHeader[1];
        int[] seq = new int[EdgeCollector.MAX_LINES];
        Counting counting = new Counting(in);
        EdgeCollector collector;
        try (BlockStream out = new BlockStream(factory)) {
            collector = new EdgeCollector(
                    h -> header[0] = h,
                    (line, block) ->
                            out.add(new EdgeBlockRow(new EdgeBlockRow.Key(row.id(), line, seq[line]++), block)));
            RecordReader.read(counting, collector);
            out.flush();
        }
        List<String> names = shown(header[0].names());
        long[] edges = collector.edges();
        row.stored(counting.bytes, header[0].timeScale().femtoseconds(), collector.firstTick(), collector.lastTick());
        List<RecordLineRow> lines = new ArrayList<>();
        for (int i = 0; i < edges.length; i++) {
            lines.add(new RecordLineRow(new RecordLineRow.Key(row.id(), i), names.get(i), edges[i]));
        }
        Stored stored = stored(row, lines);
        Optional<LineGuess.Pair> guess = LineGuess.of(names, edges);
        int count = guess.isEmpty()
                ? 0
                : transfers(stored, guess.get().scl(), guess.get().sda(), 0);
        guess.ifPresent(g -> row.decoded(g.scl(), g.sda(), 0, g.why(), count));
        row.complete();
        transactions.executeWithoutResult(t -> {
            lines.forEach(entities::persist);
            records.save(row);
        });
    }

    private static String shown(String name, int most) {
        String clean = Names.cleaned(name);
        return clean.isBlank() ? "record" : Names.cut(clean, most);
    }

    /** Names of lines, each still unlike the others where long ones were cut. */
    private static List<String> shown(List<String> names) {
        List<String> kept = new ArrayList<>();
        for (String name : names) {
            String cut = shown(name, MOST_LINE_NAME);
            boolean taken = kept.contains(cut) || !cut.equals(name) && names.contains(cut);
            kept.add(taken ? cut + " #" + (kept.size() + 1) : cut);
        }
        return kept;
    }

    @Transactional(readOnly = true)
    public List<Stored> list(long planId) {
        return records.of(planId).stream()
                .map(row -> stored(row, records.lines(row.id())))
                .toList();
    }

    @Transactional(readOnly = true)
    public Stored get(long planId, long id) {
        return stored(row(planId, id), records.lines(id));
    }

    private RecordRow row(long planId, long id) {
        return records.whole(planId, id).orElseThrow(() -> new NoSuchThing("The plan has no record " + id + "."));
    }

    private static Stored stored(RecordRow row, List<RecordLineRow> lines) {
        return new Stored(
                row.id(),
                row.planId(),
                row.name(),
                row.bytes(),
                new TimeScale(row.tickFemtoseconds()),
                row.firstTick(),
                row.lastTick(),
                row.scl(),
                row.sda(),
                row.guess(),
                row.glitchNs(),
                row.transfers(),
                lines.stream()
                        .map(l -> new Stored.Line(l.id().line(), l.name(), l.edges()))
                        .toList());
    }

    @Transactional
    public void delete(long planId, long id) {
        records.remove(planId, id);
    }

    /** Decodes the stored lines anew, in one transaction: the old decode stays until the new one is whole. */
    @Transactional
    public void decode(long planId, long id, String scl, String sda, long glitchNs, String guess) {
        Stored record = get(planId, id);
        blocks.forgetTransfers(id);
        row(planId, id).decoded(scl, sda, glitchNs, guess, transfers(record, scl, sda, glitchNs));
    }

    /** @return how many there are */
    private int transfers(Stored record, String scl, String sda, long glitchNs) {
        int clockLine = record.lineOf(scl);
        int dataLine = record.lineOf(sda);
        if (clockLine < 0 || dataLine < 0 || clockLine == dataLine) {
            throw new IllegalArgumentException("Choose two different lines of the record for clock and data.");
        }
        List<I2cTransfer> pending = new ArrayList<>();
        int[] counts = new int[2];
        Consumer<I2cTransfer> keep = t -> {
            pending.add(t);
            counts[0]++;
            if (pending.size() == TransferBlock.CAPACITY) {
                flush(record.id(), counts[1]++, pending);
            }
        };
        I2cDecoder decoder = new I2cDecoder(scl, sda, glitchNs, keep);
        decoder.begin(record.scale());
        merge(new EdgeCursor(blocks(record.id(), clockLine)), new EdgeCursor(blocks(record.id(), dataLine)), decoder);
        decoder.end(record.lastTick());
        flush(record.id(), counts[1], pending);
        return counts[0];
    }

    private void flush(long id, int seq, List<I2cTransfer> pending) {
        if (!pending.isEmpty()) {
            TransferBlockRow block = new TransferBlockRow(
                    new TransferBlockRow.Key(id, seq),
                    pending.get(0).start(),
                    pending.get(pending.size() - 1).end(),
                    TransferBlock.pack(pending));
            pending.clear();
            transactions.executeWithoutResult(t -> {
                entities.persist(block);
                entities.flush();
                entities.detach(block);
            });
        }
    }

    /** Feeds two lines to a decoder in the order of time, block by block. */
    private static void merge(EdgeCursor scl, EdgeCursor sda, ChangeSink sink) {
        while (scl.more() || sda.more()) {
            long tick = Math.min(scl.tick(), sda.tick());
            if (scl.tick() == tick) {
                sink.change(0, scl.take());
            }
            if (sda.more() && sda.tick() == tick) {
                sink.change(1, sda.take());
            }
            sink.moment(tick);
        }
    }

    private Iterator<EdgeBlock> blocks(long id, int line) {
        return IntStream.range(0, blocks.count(id, line))
                .mapToObj(seq -> blocks.one(id, line, seq))
                .iterator();
    }

    /**
     * Writes a record as a value change dump: the lines that are kept, with the times and changes that they came with.
     *
     * @throws NoSuchThing when the plan has no such record
     */
    @Transactional(readOnly = true)
    public void write(long planId, long id, Writer out) throws IOException {
        Stored record = get(planId, id);
        List<VcdWriter.Line> lines = record.lines().stream()
                .map(l -> new VcdWriter.Line(l.name(), new EdgeCursor(blocks(id, l.line()))))
                .toList();
        VcdWriter.write(out, record.scale(), lines, record.firstTick(), record.lastTick());
    }

    /** Every transfer in order. */
    @Transactional(readOnly = true)
    public void transfers(long id, Consumer<I2cTransfer> use) {
        IntStream.range(0, blocks.transferBlocks(id))
                .forEach(seq -> TransferBlock.unpack(blocks.transfers(id, seq)).forEach(use));
    }

    /**
     * Every byte that lies in a stretch, with its place.
     *
     * @return false when the stretch has too many edges to tell each byte; then nothing was told
     */
    @Transactional(readOnly = true)
    public boolean bytes(Stored record, long from, long to, I2cDecoder.Bytes use) {
        long begin = blocks.transfersAt(record.id(), from, Limit.of(1))
                .map(TransferBlock::unpack)
                .flatMap(all -> all.stream()
                        .filter(t -> t.start() <= from)
                        .map(I2cTransfer::start)
                        .reduce((a, b) -> b))
                .orElse(from);
        List<EdgeBlock> clock = blocks(record.id(), record.lineOf(record.scl()), begin, to, MOST_BLOCKS_FOR_BYTES + 1);
        if (clock.size() > MOST_BLOCKS_FOR_BYTES) {
            return false;
        }
        List<EdgeBlock> data = blocks(record.id(), record.lineOf(record.sda()), begin, to, Integer.MAX_VALUE);
        I2cDecoder decoder = new I2cDecoder(record.scl(), record.sda(), record.glitchNs(), t -> {});
        decoder.eachByte((start, end, value, acknowledged, first) -> {
            if (end > from && start < to) {
                use.at(start, end, value, acknowledged, first);
            }
        });
        decoder.begin(record.scale());
        merge(new EdgeCursor(clock.iterator()), new EdgeCursor(data.iterator()), decoder);
        decoder.end(record.lastTick());
        return true;
    }

    /** The blocks of a line that touch a stretch, and the last one before it. */
    @Transactional(readOnly = true)
    public List<EdgeBlock> blocks(long id, int line, long from, long to) {
        return blocks(id, line, from, to, Integer.MAX_VALUE);
    }

    private List<EdgeBlock> blocks(long id, int line, long from, long to, int most) {
        return blocks.between(id, line, from, to, Limit.of(most));
    }
}
