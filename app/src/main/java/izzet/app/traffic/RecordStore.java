package izzet.app.traffic;

import izzet.app.fault.NoSuchThing;
import izzet.app.store.BlockStream;
import izzet.app.store.Blocks;
import izzet.app.store.EdgeBlockRow;
import izzet.app.store.RecordBusLineRow;
import izzet.app.store.RecordBusRow;
import izzet.app.store.RecordLineRow;
import izzet.app.store.RecordRow;
import izzet.app.store.RecordRows;
import izzet.app.store.SharedDatabase;
import izzet.app.store.WaveBlockRow;
import izzet.core.capture.CsvWriter;
import izzet.core.capture.EdgeBlock;
import izzet.core.capture.EdgeCollector;
import izzet.core.capture.EdgeCursor;
import izzet.core.capture.RecordHeader;
import izzet.core.capture.RecordReader;
import izzet.core.capture.TableOptions;
import izzet.core.capture.TimeScale;
import izzet.core.capture.VcdWriter;
import izzet.core.capture.WaveBlock;
import izzet.core.capture.WaveColumns;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.EventBlock;
import izzet.core.decode.Guess;
import izzet.core.decode.Guesses;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import izzet.core.quantity.Names;
import izzet.core.record.SelectOverlap;
import jakarta.annotation.PostConstruct;
import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityManagerFactory;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.Writer;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.core.env.Environment;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;

/**
 * Records of a plan. A record is stored as packed blocks of changes for each line, what was said on each of its buses as packed blocks of
 * events; neither is ever whole in memory. A record shows once it is whole: its blocks are written in many small transactions.
 */
@Service
public class RecordStore {

    private static final int MOST_BLOCKS_FOR_WORDS = 4;
    private static final int MOST_BLOCKS_FOR_TIMES = 40;
    private static final int MOST_NAME = 200;
    private static final Duration LONGEST_UPLOAD = Duration.ofDays(1);
    private static final int MOST_LINE_NAME = 380;

    private final RecordRows records;
    private final Blocks blocks;
    private final Waves waves;
    private final EntityManager entities;
    private final EntityManagerFactory factory;
    private final TransactionOperations transactions;
    private final Clock clock;
    private final boolean shared;

    RecordStore(
            RecordRows records,
            Blocks blocks,
            Waves waves,
            EntityManager entities,
            EntityManagerFactory factory,
            TransactionOperations transactions,
            Clock clock,
            Environment environment) {
        this.shared = SharedDatabase.is(environment);
        this.records = records;
        this.blocks = blocks;
        this.waves = waves;
        this.entities = entities;
        this.factory = factory;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** What a kill left half goes before the first record of this run comes; on a shared server it may be another program's that still comes in. */
    @PostConstruct
    void sweep() {
        Duration age = shared ? LONGEST_UPLOAD : LONGEST_UPLOAD.negated();
        transactions.executeWithoutResult(t -> records.sweep(clock.instant().minus(age)));
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
     * Stores a record, guesses its buses and decodes them.
     *
     * @throws izzet.core.capture.RecordFault when it cannot be read; then nothing is stored
     */
    @Transactional(propagation = Propagation.NEVER)
    public long upload(long planId, String name, InputStream in) throws IOException {
        return upload(planId, name, in, TableOptions.NONE, Set.of());
    }

    /**
     * Stores a record, guesses its buses and decodes them.
     *
     * @param options of a table
     * @param keep names of the lines to keep; empty for all
     * @throws izzet.core.capture.RecordFault when it cannot be read; then nothing is stored
     */
    @Transactional(propagation = Propagation.NEVER)
    public long upload(long planId, String name, InputStream in, TableOptions options, Set<String> keep)
            throws IOException {
        RecordRow row = records.save(new RecordRow(planId, shown(name, MOST_NAME), clock.instant()));
        boolean done = false;
        try {
            take(row, in, options, keep);
            done = true;
        } finally {
            if (!done) {
                transactions.executeWithoutResult(t -> records.remove(planId, row.id()));
            }
        }
        return row.id();
    }

    private void take(RecordRow row, InputStream in, TableOptions options, Set<String> keep) throws IOException {
        RecordHeader[] header = new RecordHeader[1];
        Behaviour[] behaviour = new Behaviour[1];
        int[] seq = new int[EdgeCollector.MAX_LINES];
        Counting counting = new Counting(in);
        EdgeCollector collector;
        try (BlockStream out = new BlockStream(factory)) {
            collector = new EdgeCollector(
                    h -> {
                        header[0] = h;
                        behaviour[0] = new Behaviour(shown(h.names()), h.timeScale());
                    },
                    new EdgeCollector.Blocks() {
                        @Override
                        public void block(int line, EdgeBlock block) {
                            out.add(new EdgeBlockRow(new EdgeBlockRow.Key(row.id(), line, seq[line]++), block));
                        }

                        @Override
                        public void wave(int line, int level, WaveBlock block) {
                            out.add(new WaveBlockRow(row.id(), line, level, block));
                        }
                    },
                    (tick, levels) -> {
                        if (behaviour[0].learns()) {
                            behaviour[0].moment(tick, levels);
                        }
                    },
                    keep);
            RecordReader.read(counting, options, collector);
            out.flush();
        }
        List<String> names = shown(header[0].names());
        long[] edges = collector.edges();
        row.stored(counting.bytes, header[0].timeScale().femtoseconds(), collector.firstTick(), collector.lastTick());
        List<RecordLineRow> lines = new ArrayList<>();
        for (int i = 0; i < edges.length; i++) {
            lines.add(new RecordLineRow(new RecordLineRow.Key(row.id(), i), names.get(i), edges[i]));
        }
        transactions.executeWithoutResult(t -> {
            lines.forEach(entities::persist);
            records.save(row);
        });
        StoredRecord stored = stored(row, lines, List.of(), List.of());
        for (Guess guess : Guesses.of(behaviour[0])) {
            Protocol protocol = Protocols.of(guess.protocol());
            Settings settings = Settings.of(
                    protocol,
                    n -> guess.lines().containsKey(n)
                            ? names.get(guess.lines().get(n))
                            : guess.options().get(n));
            add(stored, protocol, settings, guess.why(), null);
        }
        row.complete();
        transactions.executeWithoutResult(t -> records.save(row));
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
    public long count(long planId) {
        return records.countOf(planId);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<StoredRecord> list(long planId, int page, int most) {
        return records.of(planId, PageRequest.of(page, most)).stream()
                .map(this::stored)
                .toList();
    }

    /** The newest, without what was said in them. */
    @Transactional(readOnly = true)
    public List<RecordRow> newest(long planId, int most) {
        return records.of(planId, PageRequest.of(0, most));
    }

    @Transactional(readOnly = true)
    public StoredRecord get(long planId, long id) {
        return stored(row(planId, id));
    }

    private RecordRow row(long planId, long id) {
        return records.whole(planId, id).orElseThrow(() -> new NoSuchThing("The plan has no record " + id + "."));
    }

    private StoredRecord stored(RecordRow row) {
        return stored(row, records.lines(row.id()), records.buses(row.id()), records.busLines(row.id()));
    }

    private static StoredRecord stored(
            RecordRow row, List<RecordLineRow> lines, List<RecordBusRow> buses, List<RecordBusLineRow> busLines) {
        Map<Long, Map<String, Integer>> byBus = new HashMap<>();
        busLines.forEach(
                l -> byBus.computeIfAbsent(l.id().busId(), k -> new TreeMap<>()).put(l.id().role(), l.line()));
        return new StoredRecord(
                row.id(),
                row.planId(),
                row.name(),
                row.bytes(),
                new TimeScale(row.tickFemtoseconds()),
                row.firstTick(),
                row.lastTick(),
                lines.stream()
                        .map(l -> new StoredRecord.Line(l.id().line(), l.name(), l.edges()))
                        .toList(),
                buses.stream()
                        .map(b -> bus(b, byBus.getOrDefault(b.id(), Map.of()), lines))
                        .toList());
    }

    private static StoredRecord.Bus bus(RecordBusRow row, Map<String, Integer> lines, List<RecordLineRow> all) {
        Protocol protocol = Protocols.of(row.protocol());
        Map<String, String> options = row.options()
                .lines()
                .filter(l -> l.contains("="))
                .collect(Collectors.toMap(l -> l.substring(0, l.indexOf('=')), l -> l.substring(l.indexOf('=') + 1)));
        Settings settings = Settings.of(
                protocol, n -> lines.containsKey(n) ? all.get(lines.get(n)).name() : options.get(n));
        return new StoredRecord.Bus(row.id(), protocol, lines, settings, row.why(), row.partId(), row.events());
    }

    @Transactional
    public void delete(long planId, long id) {
        records.remove(planId, id);
    }

    /**
     * Adds a bus to a record and decodes it.
     *
     * @return its number
     * @throws IllegalArgumentException when a line is not there
     */
    @Transactional
    public long add(long planId, long id, Protocol protocol, Settings settings, String why, String partId) {
        return add(get(planId, id), protocol, settings, why, partId);
    }

    private long add(StoredRecord record, Protocol protocol, Settings settings, String why, String partId) {
        Long[] bus = new Long[1];
        transactions.executeWithoutResult(t -> {
            RecordBusRow row = new RecordBusRow(record.id());
            row.set(protocol.id(), options(settings), why, partId);
            entities.persist(row);
            entities.flush();
            bus[0] = row.id();
            keepLines(record, bus[0], settings);
        });
        int count = decode(record, bus[0], protocol, settings);
        transactions.executeWithoutResult(
                t -> records.bus(record.id(), bus[0]).orElseThrow().decoded(count));
        return bus[0];
    }

    /** Decodes a bus anew, in one transaction: what was there stays until the new is whole. */
    @Transactional
    public void change(
            long planId, long id, long bus, Protocol protocol, Settings settings, String why, String partId) {
        StoredRecord record = get(planId, id);
        blocks.forgetEvents(bus);
        records.forgetLines(bus);
        // What was read of the old lines must not stand in the way of the new ones.
        entities.clear();
        RecordBusRow row =
                records.bus(id, bus).orElseThrow(() -> new NoSuchThing("The record has no bus " + bus + "."));
        keepLines(record, bus, settings);
        row.set(protocol.id(), options(settings), why, partId);
        row.decoded(decode(record, bus, protocol, settings));
    }

    @Transactional
    public void removeBus(long planId, long id, long bus) {
        row(planId, id);
        records.removeBus(id, bus);
    }

    private void keepLines(StoredRecord record, long bus, Settings settings) {
        numbers(record, settings)
                .forEach((role, line) ->
                        entities.persist(new RecordBusLineRow(new RecordBusLineRow.Key(bus, role), line)));
    }

    private static String options(Settings settings) {
        return new TreeMap<>(settings.options())
                .entrySet().stream().map(o -> o.getKey() + "=" + o.getValue()).collect(Collectors.joining("\n"));
    }

    private static Map<String, Integer> numbers(StoredRecord record, Settings settings) {
        Map<String, Integer> numbers = new LinkedHashMap<>();
        settings.lines().forEach((role, name) -> {
            int line = record.lines().stream()
                    .filter(l -> l.name().equals(name))
                    .findFirst()
                    .map(StoredRecord.Line::line)
                    .orElseThrow(() -> new IllegalArgumentException("The record has no line '" + name + "'."));
            numbers.put(role, line);
        });
        return numbers;
    }

    /** @return how many events there are */
    private int decode(StoredRecord record, long bus, Protocol protocol, Settings settings) {
        EventWriter writer = new EventWriter(entities, transactions, protocol, bus);
        Decoder decoder = protocol.decoder(settings, writer);
        decoder.begin(record.scale());
        Map<String, Integer> numbers = numbers(record, settings);
        merge(
                protocol,
                role -> numbers.containsKey(role) ? new EdgeCursor(blocks(record.id(), numbers.get(role))) : null,
                decoder);
        decoder.end(record.lastTick());
        return writer.end();
    }

    /** Where the changes of a role's line come from; null where it has none. */
    private interface Cursors {
        EdgeCursor of(String role);
    }

    /** Feeds lines to a decoder in the order of time, block by block. */
    private static void merge(Protocol protocol, Cursors cursors, Decoder decoder) {
        List<EdgeCursor> lines = new ArrayList<>();
        List<Integer> roles = new ArrayList<>();
        for (int role = 0; role < protocol.roles().size(); role++) {
            EdgeCursor cursor = cursors.of(protocol.roles().get(role).id());
            if (cursor != null) {
                lines.add(cursor);
                roles.add(role);
            }
        }
        while (true) {
            long tick = Long.MAX_VALUE;
            for (EdgeCursor line : lines) {
                tick = Math.min(tick, line.tick());
            }
            if (tick == Long.MAX_VALUE) {
                return;
            }
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).more() && lines.get(i).tick() == tick) {
                    decoder.change(roles.get(i), lines.get(i).take());
                }
            }
            decoder.moment(tick);
        }
    }

    private Iterator<EdgeBlock> blocks(long id, int line) {
        return IntStream.range(0, blocks.count(id, line))
                .mapToObj(seq -> blocks.one(id, line, seq))
                .iterator();
    }

    /**
     * Writes a stretch of a record: the lines with the times and changes that they came with.
     *
     * @param from first tick
     * @param to last tick
     * @param table whether it becomes a table instead of a value change dump
     */
    @Transactional(readOnly = true)
    public void write(StoredRecord record, List<StoredRecord.Line> some, long from, long to, boolean table, Writer out)
            throws IOException {
        List<VcdWriter.Line> lines = some.stream()
                .map(l -> new VcdWriter.Line(l.name(), new EdgeCursor(blocks(record.id(), l.line(), from), from, to)))
                .toList();
        if (table) {
            CsvWriter.write(out, record.scale(), lines, from, to);
        } else {
            VcdWriter.write(out, record.scale(), lines, from, to);
        }
    }

    /** The blocks of a line one by one, beginning with the one before a moment. */
    private Iterator<EdgeBlock> blocks(long id, int line, long from) {
        List<Long> begin = blocks.begin(id, line, from, Limit.of(1));
        int first = begin.isEmpty() ? 0 : blocks.blockAt(id, line, begin.get(0)).orElse(0);
        return IntStream.range(first, blocks.count(id, line))
                .mapToObj(seq -> blocks.one(id, line, seq))
                .iterator();
    }

    /** Every event of a bus in order. */
    @Transactional(readOnly = true)
    public void events(long bus, Consumer<BusEvent> use) {
        events(bus, e -> {
            use.accept(e);
            return true;
        });
    }

    /** Every event of a bus in order, as long as more are wanted. */
    @Transactional(readOnly = true)
    public void events(long bus, Predicate<BusEvent> use) {
        events(bus, 0, use);
    }

    /**
     * Events of a bus from the block on that holds a moment.
     *
     * @param most of them
     * @return the end of the last one when there are more than that; -1 when all were told
     */
    @Transactional(readOnly = true)
    public long events(long bus, long begin, int most, Consumer<BusEvent> use) {
        int[] count = {0};
        long[] until = {-1};
        events(bus, blocks.eventBlockAt(bus, begin).orElse(0), e -> {
            if (count[0]++ >= most) {
                return false;
            }
            use.accept(e);
            until[0] = e.end();
            return true;
        });
        return count[0] > most ? until[0] : -1;
    }

    /**
     * The first moment from which two buses of a record are spoken on at the same time.
     *
     * @param begin from the block on that holds it
     * @param most events of each
     */
    @Transactional(readOnly = true)
    public OptionalLong overlap(long bus, long other, long begin, int most) {
        return SelectOverlap.first(
                events(bus, blocks.eventBlockAt(bus, begin).orElse(0)),
                events(other, blocks.eventBlockAt(other, begin).orElse(0)),
                most);
    }

    /** Whether so many events of a bus lie before a moment. */
    @Transactional(readOnly = true)
    public boolean beyond(long bus, long tick, int most) {
        return (long) blocks.eventBlockAt(bus, tick).orElse(0) * EventBlock.CAPACITY >= most;
    }

    private void events(long bus, int firstBlock, Predicate<BusEvent> use) {
        Iterator<BusEvent> events = events(bus, firstBlock);
        while (events.hasNext() && use.test(events.next())) {
            // It has been used.
        }
    }

    private Iterator<BusEvent> events(long bus, int firstBlock) {
        return IntStream.range(firstBlock, blocks.eventBlocks(bus))
                .boxed()
                .flatMap(seq -> EventBlock.unpack(blocks.events(bus, seq)).stream())
                .iterator();
    }

    /**
     * Every word that lies in a stretch, with its place.
     *
     * @return false when the stretch has too many edges to tell each word; then nothing was told
     */
    @Transactional(readOnly = true)
    public boolean words(StoredRecord record, StoredRecord.Bus bus, long from, long to, Decoder.Words use) {
        Decoder.Words inside = (start, end, text, heard) -> {
            if (end > from && start < to) {
                use.at(start, end, text, heard);
            }
        };
        int block = blocks.eventBlockAt(bus.id(), from).orElse(0);
        long[] begin = {from};
        boolean[] told = {false};
        events(bus.id(), block, e -> {
            if (e.start() <= from) {
                begin[0] = e.start();
            }
            told[0] |= e.end() >= from && e.start() < to && bus.protocol().words(e, inside);
            return e.start() < to;
        });
        if (told[0]) {
            return true;
        }
        Map<String, List<EdgeBlock>> lines = new HashMap<>();
        for (Map.Entry<String, Integer> line : bus.lines().entrySet()) {
            List<EdgeBlock> some = blocks(record.id(), line.getValue(), begin[0], to, MOST_BLOCKS_FOR_WORDS + 1);
            if (some.size() > MOST_BLOCKS_FOR_WORDS) {
                return false;
            }
            lines.put(line.getKey(), some);
        }
        Decoder decoder = bus.protocol().decoder(bus.settings(), e -> {});
        decoder.eachWord(inside);
        decoder.begin(record.scale());
        merge(
                bus.protocol(),
                role -> lines.containsKey(role) ? new EdgeCursor(lines.get(role).iterator()) : null,
                decoder);
        decoder.end(record.lastTick());
        return true;
    }

    /**
     * Measures two lines of a record from its beginning.
     *
     * @return the last tick that was looked at
     */
    @Transactional(readOnly = true)
    public long pair(StoredRecord record, int first, int second, Pair use) {
        EdgeCursor a = new EdgeCursor(some(record.id(), first));
        EdgeCursor b = new EdgeCursor(some(record.id(), second));
        int[] levels = {2, 2};
        boolean whole = blocks.count(record.id(), first) <= MOST_BLOCKS_FOR_TIMES
                && blocks.count(record.id(), second) <= MOST_BLOCKS_FOR_TIMES;
        long last = record.firstTick();
        // Where one line ends early because it has more changes than are looked at, the other must not go on alone.
        while (whole ? a.more() || b.more() : a.more() && b.more()) {
            last = Math.min(a.tick(), b.tick());
            levels[0] = a.more() && a.tick() == last ? a.take() : levels[0];
            levels[1] = b.more() && b.tick() == last ? b.take() : levels[1];
            use.levels(last, levels[0], levels[1]);
        }
        return whole ? record.lastTick() : last;
    }

    /** Takes the levels of two lines at each moment. */
    public interface Pair {
        void levels(long tick, int first, int second);
    }

    private Iterator<EdgeBlock> some(long id, int line) {
        return IntStream.range(0, Math.min(MOST_BLOCKS_FOR_TIMES, blocks.count(id, line)))
                .mapToObj(seq -> blocks.one(id, line, seq))
                .iterator();
    }

    /**
     * A stretch of some lines as columns of a picture, line by line; see {@link WaveColumns}. Lines are drawn on all processors, so each has
     * a transaction of its own: what a record holds does not change.
     */
    public byte[] wave(long id, List<Integer> lines, long from, long to, int columns) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(lines.size() * columns);
        Map<Integer, List<Waves.Level>> levels = waves.of(id);
        lines.parallelStream()
                .map(line -> transactions.execute(t -> WaveColumns.of(
                        new StoredWave(blocks, waves, id, line, levels.getOrDefault(line, List.of())),
                        from,
                        to,
                        columns)))
                .forEachOrdered(out::writeBytes);
        return out.toByteArray();
    }

    private List<EdgeBlock> blocks(long id, int line, long from, long to, int most) {
        return blocks.between(id, line, from, to, Limit.of(most));
    }
}
