package izzet.app.traffic;

import izzet.app.plan.NoSuchThing;
import izzet.core.capture.ChangeSink;
import izzet.core.capture.EdgeBlock;
import izzet.core.capture.EdgeCollector;
import izzet.core.capture.RecordHeader;
import izzet.core.capture.RecordReader;
import izzet.core.capture.TimeScale;
import izzet.core.decode.I2cDecoder;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.LineGuess;
import izzet.core.decode.TransferBlock;
import izzet.core.quantity.Names;
import java.io.IOException;
import java.io.InputStream;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Records of a plan. A record is stored as packed blocks of changes for each line, its decode as packed blocks of transfers; neither is
 * ever whole in memory.
 */
@Service
@Transactional
public class RecordStore {

    private static final int MOST_BLOCKS_FOR_BYTES = 4;
    private static final int MOST_NAME = 200;
    private static final int MOST_LINE_NAME = 380;

    private final JdbcClient db;
    private final Clock clock;

    RecordStore(JdbcClient db, Clock clock) {
        this.db = db;
        this.clock = clock;
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
    public long upload(long planId, String name, InputStream in) throws IOException {
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        db.sql(
                        "insert into record (plan_id, name, uploaded_at, bytes, tick_femtoseconds, first_tick, last_tick, glitch_ns, transfers)"
                                + " values (:plan, :name, :at, 0, 1, 0, 0, 0, 0)")
                .param("plan", planId)
                .param("name", shown(name, MOST_NAME))
                .param("at", Timestamp.from(clock.instant()))
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        RecordHeader[] header = new RecordHeader[1];
        int[] seq = new int[EdgeCollector.MAX_LINES];
        EdgeCollector collector =
                new EdgeCollector(h -> header[0] = h, (line, block) -> insert(id, line, seq[line]++, block));
        Counting counting = new Counting(in);
        RecordReader.read(counting, collector);
        List<String> names = shown(header[0].names());
        long[] edges = collector.edges();
        for (int i = 0; i < edges.length; i++) {
            db.sql("insert into record_line (record_id, line, name, edges) values (:id, :line, :name, :edges)")
                    .param("id", id)
                    .param("line", i)
                    .param("name", names.get(i))
                    .param("edges", edges[i])
                    .update();
        }
        db.sql(
                        "update record set bytes = :bytes, tick_femtoseconds = :fs, first_tick = :first, last_tick = :last where id = :id")
                .param("bytes", counting.bytes)
                .param("fs", header[0].timeScale().femtoseconds())
                .param("first", collector.firstTick())
                .param("last", collector.lastTick())
                .param("id", id)
                .update();
        Optional<LineGuess.Pair> guess = LineGuess.of(names, edges);
        if (guess.isPresent()) {
            decode(
                    planId,
                    id,
                    guess.get().scl(),
                    guess.get().sda(),
                    0,
                    guess.get().why());
        }
        return id;
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

    private void insert(long id, int line, int seq, EdgeBlock block) {
        db.sql("insert into edge_block values (:id, :line, :seq, :first, :last, :before, :after, :edges, :packed)")
                .param("id", id)
                .param("line", line)
                .param("seq", seq)
                .param("first", block.firstTick())
                .param("last", block.lastTick())
                .param("before", block.before())
                .param("after", block.after())
                .param("edges", block.count())
                .param("packed", block.packed())
                .update();
    }

    @Transactional(readOnly = true)
    public List<Stored> list(long planId) {
        return db
                .sql("select id from record where plan_id = :plan order by id desc")
                .param("plan", planId)
                .query(Long.class)
                .stream()
                .map(id -> get(planId, id))
                .toList();
    }

    @Transactional(readOnly = true)
    public Stored get(long planId, long id) {
        List<Stored.Line> lines = db.sql(
                        "select line, name, edges from record_line where record_id = :id order by line")
                .param("id", id)
                .query((r, n) -> new Stored.Line(r.getInt("line"), r.getString("name"), r.getLong("edges")))
                .list();
        return db.sql("select * from record where id = :id and plan_id = :plan")
                .param("id", id)
                .param("plan", planId)
                .query((r, n) -> new Stored(
                        r.getLong("id"),
                        r.getLong("plan_id"),
                        r.getString("name"),
                        r.getLong("bytes"),
                        new TimeScale(r.getLong("tick_femtoseconds")),
                        r.getLong("first_tick"),
                        r.getLong("last_tick"),
                        r.getString("scl"),
                        r.getString("sda"),
                        r.getString("guess"),
                        r.getLong("glitch_ns"),
                        r.getInt("transfers"),
                        lines))
                .optional()
                .orElseThrow(() -> new NoSuchThing("The plan has no record " + id + "."));
    }

    public void delete(long planId, long id) {
        db.sql("delete from record where id = :id and plan_id = :plan")
                .param("id", id)
                .param("plan", planId)
                .update();
    }

    /** Decodes the stored lines anew. */
    public void decode(long planId, long id, String scl, String sda, long glitchNs, String guess) {
        Stored record = get(planId, id);
        int clockLine = record.lineOf(scl);
        int dataLine = record.lineOf(sda);
        if (clockLine < 0 || dataLine < 0 || clockLine == dataLine) {
            throw new IllegalArgumentException("Choose two different lines of the record for clock and data.");
        }
        db.sql("delete from transfer_block where record_id = :id")
                .param("id", id)
                .update();
        List<I2cTransfer> pending = new ArrayList<>();
        int[] counts = new int[2];
        Consumer<I2cTransfer> keep = t -> {
            pending.add(t);
            counts[0]++;
            if (pending.size() == TransferBlock.CAPACITY) {
                flush(id, counts[1]++, pending);
            }
        };
        I2cDecoder decoder = new I2cDecoder(scl, sda, glitchNs, keep);
        decoder.begin(record.scale());
        merge(new Cursor(blocks(id, clockLine)), new Cursor(blocks(id, dataLine)), decoder);
        decoder.end(record.lastTick());
        flush(id, counts[1], pending);
        db.sql(
                        "update record set scl = :scl, sda = :sda, glitch_ns = :glitch, guess = :guess, transfers = :n where id = :id")
                .param("scl", scl)
                .param("sda", sda)
                .param("glitch", glitchNs)
                .param("guess", guess)
                .param("n", counts[0])
                .param("id", id)
                .update();
    }

    private void flush(long id, int seq, List<I2cTransfer> pending) {
        if (!pending.isEmpty()) {
            db.sql("insert into transfer_block (record_id, seq, packed, first_tick, last_tick)"
                            + " values (:id, :seq, :packed, :first, :last)")
                    .param("id", id)
                    .param("seq", seq)
                    .param("first", pending.get(0).start())
                    .param("last", pending.get(pending.size() - 1).end())
                    .param("packed", TransferBlock.pack(pending))
                    .update();
            pending.clear();
        }
    }

    /** Feeds two lines to a decoder in the order of time, block by block. */
    private static void merge(Cursor scl, Cursor sda, ChangeSink sink) {
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
        List<Integer> seqs = db.sql("select seq from edge_block where record_id = :id and line = :line order by seq")
                .param("id", id)
                .param("line", line)
                .query(Integer.class)
                .list();
        return seqs.stream()
                .map(seq -> db.sql("select * from edge_block where record_id = :id and line = :line and seq = :seq")
                        .param("id", id)
                        .param("line", line)
                        .param("seq", seq)
                        .query(RecordStore::block)
                        .single())
                .iterator();
    }

    private static EdgeBlock block(java.sql.ResultSet r, int n) throws java.sql.SQLException {
        return new EdgeBlock(
                r.getLong("first_tick"),
                r.getLong("last_tick"),
                r.getInt("level_before"),
                r.getInt("level_after"),
                r.getInt("edges"),
                r.getBytes("packed"));
    }

    /** Walks the changes of one line. */
    private static final class Cursor {
        private final Iterator<EdgeBlock> blocks;
        private long[] ticks = {};
        private byte[] levels = {};
        private int at;

        Cursor(Iterator<EdgeBlock> blocks) {
            this.blocks = blocks;
            refill();
        }

        private void refill() {
            if (at == ticks.length && blocks.hasNext()) {
                EdgeBlock block = blocks.next();
                ticks = new long[block.count()];
                levels = new byte[block.count()];
                int[] i = {0};
                block.visit((tick, level) -> {
                    ticks[i[0]] = tick;
                    levels[i[0]++] = (byte) level;
                });
                at = 0;
            }
        }

        boolean more() {
            return at < ticks.length;
        }

        long tick() {
            return more() ? ticks[at] : Long.MAX_VALUE;
        }

        int take() {
            int level = levels[at++];
            refill();
            return level;
        }
    }

    /** Every transfer in order. */
    @Transactional(readOnly = true)
    public void transfers(long id, Consumer<I2cTransfer> use) {
        db.sql("select seq from transfer_block where record_id = :id order by seq")
                .param("id", id)
                .query(Integer.class)
                .list()
                .forEach(seq -> TransferBlock.unpack(
                                db.sql("select packed from transfer_block where record_id = :id and seq = :seq")
                                        .param("id", id)
                                        .param("seq", seq)
                                        .query((r, n) -> r.getBytes(1))
                                        .single())
                        .forEach(use));
    }

    /**
     * Every byte that lies in a stretch, with its place.
     *
     * @return false when the stretch has too many edges to tell each byte; then nothing was told
     */
    @Transactional(readOnly = true)
    public boolean bytes(Stored record, long from, long to, I2cDecoder.Bytes use) {
        long begin = db.sql("select packed from transfer_block where record_id = :id and first_tick <= :from"
                        + " order by seq desc limit 1")
                .param("id", record.id())
                .param("from", from)
                .query((r, n) -> r.getBytes(1))
                .optional()
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
        merge(new Cursor(clock.iterator()), new Cursor(data.iterator()), decoder);
        decoder.end(record.lastTick());
        return true;
    }

    /** The blocks of a line that touch a stretch, and the last one before it. */
    @Transactional(readOnly = true)
    public List<EdgeBlock> blocks(long id, int line, long from, long to) {
        return blocks(id, line, from, to, Integer.MAX_VALUE);
    }

    private List<EdgeBlock> blocks(long id, int line, long from, long to, int most) {
        return db.sql(
                        "select * from edge_block where record_id = :id and line = :line and first_tick < :to and seq >= coalesce("
                                + "(select max(seq) from edge_block where record_id = :id and line = :line and last_tick < :from), 0) order by seq limit :most")
                .param("most", most)
                .param("id", id)
                .param("line", line)
                .param("from", from)
                .param("to", to)
                .query(RecordStore::block)
                .list();
    }
}
