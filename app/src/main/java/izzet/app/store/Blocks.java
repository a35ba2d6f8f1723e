package izzet.app.store;

import izzet.core.capture.EdgeBlock;
import izzet.core.capture.WaveBlock;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Reads blocks, a few at a time, never as entities. */
public interface Blocks extends Repository<EdgeBlockRow, EdgeBlockRow.Key> {

    @Query("select count(b) from EdgeBlockRow b where b.id.recordId = :id and b.id.line = :line")
    int count(long id, int line);

    @Query(
            """
            select new izzet.core.capture.EdgeBlock(b.firstTick, b.lastTick, b.levelBefore, b.levelAfter, b.edges, b.packed)
            from EdgeBlockRow b where b.id.recordId = :id and b.id.line = :line and b.id.seq = :seq""")
    EdgeBlock one(long id, int line, int seq);

    /** Where the last block begins that begins at a moment or before it: one tick, or none. */
    @Query(
            """
            select b.firstTick from EdgeBlockRow b
            where b.id.recordId = :id and b.id.line = :line and b.firstTick <= :tick
            order by b.id.recordId, b.id.line, b.firstTick desc""")
    List<Long> begin(long id, int line, long tick, Limit one);

    @Query(
            """
            select new izzet.core.capture.EdgeBlock(b.firstTick, b.lastTick, b.levelBefore, b.levelAfter, b.edges, b.packed)
            from EdgeBlockRow b
            where b.id.recordId = :id and b.id.line = :line and b.firstTick >= :first and b.firstTick < :to
            order by b.firstTick""")
    List<EdgeBlock> beginning(long id, int line, long first, long to, Limit most);

    /** The blocks of a line that touch a stretch, the one that tells its level at the beginning included. */
    default List<EdgeBlock> between(long id, int line, long from, long to, Limit most) {
        List<Long> first = begin(id, line, from, Limit.of(1));
        return beginning(id, line, first.isEmpty() ? Long.MIN_VALUE : first.get(0), to, most);
    }

    /** Where a block of sums lies. */
    record WavePlace(int line, int level, long firstTick, long lastTick) {}

    /** All blocks of sums of a record, in the order of their beginnings. */
    @Query(
            """
            select new izzet.app.store.Blocks$WavePlace(w.id.line, w.id.level, w.id.firstTick, w.lastTick)
            from WaveBlockRow w where w.id.recordId = :id order by w.id.firstTick""")
    List<WavePlace> wavePlaces(long id);

    /** The blocks of sums of a level that begin from a tick to another, both included. */
    @Query(
            """
            select new izzet.core.capture.WaveBlock(w.id.firstTick, w.lastTick, w.packed)
            from WaveBlockRow w
            where w.id.recordId = :id and w.id.line = :line and w.id.level = :level
              and w.id.firstTick >= :first and w.id.firstTick <= :until""")
    List<WaveBlock> waves(long id, int line, int level, long first, long until);

    /** Number of the block of a line that begins at a tick. */
    @Query(
            "select b.id.seq from EdgeBlockRow b where b.id.recordId = :id and b.id.line = :line and b.firstTick = :first")
    Optional<Integer> blockAt(long id, int line, long first);

    @Query("select count(e) from EventBlockRow e where e.id.busId = :bus")
    int eventBlocks(long bus);

    @Query("select e.packed from EventBlockRow e where e.id.busId = :bus and e.id.seq = :seq")
    byte[] events(long bus, int seq);

    /** Number of the last block that begins at a moment or before it; empty before the first. */
    @Query("select max(e.id.seq) from EventBlockRow e where e.id.busId = :bus and e.firstTick <= :tick")
    Optional<Integer> eventBlockAt(long bus, long tick);

    @Modifying
    @Query("delete from EventBlockRow e where e.id.busId = :bus")
    void forgetEvents(long bus);
}
