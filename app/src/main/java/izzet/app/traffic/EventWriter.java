package izzet.app.traffic;

import izzet.app.store.EventBlockRow;
import izzet.core.decode.BusEvent;
import izzet.core.decode.EventBlock;
import izzet.core.decode.Protocol;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.springframework.transaction.support.TransactionOperations;

/**
 * Packs what a decoder says into blocks, and writes many blocks at once: a transaction for each of them leaves several times its size unused
 * in the file of the database. Unlike {@link izzet.app.store.BlockStream} it writes in the transaction of whoever decodes anew, where there is
 * one. One for each run of a decoder; whoever uses it ends it.
 */
final class EventWriter implements Consumer<BusEvent> {

    private static final int BLOCKS = 128;

    /** Of packed blocks that wait; those of long transfers are large. */
    private static final int BYTES = 1 << 20;

    private final EntityManager entities;
    private final TransactionOperations transactions;
    private final Protocol protocol;
    private final long bus;
    private final List<BusEvent> pending = new ArrayList<>();
    private final List<EventBlockRow> blocks = new ArrayList<>();
    private int weight;
    private int bytes;
    private int packed;
    private int count;

    EventWriter(EntityManager entities, TransactionOperations transactions, Protocol protocol, long bus) {
        this.entities = entities;
        this.transactions = transactions;
        this.protocol = protocol;
        this.bus = bus;
    }

    @Override
    public void accept(BusEvent event) {
        pending.add(event);
        count++;
        weight += EventBlock.weight(event);
        if (pending.size() == EventBlock.CAPACITY || weight > EventBlock.MOST_WORDS) {
            pack();
        }
    }

    private void pack() {
        byte[] block = EventBlock.pack(protocol, pending);
        blocks.add(new EventBlockRow(
                new EventBlockRow.Key(bus, packed++),
                pending.get(0).start(),
                pending.get(pending.size() - 1).end(),
                block));
        bytes += block.length;
        pending.clear();
        weight = 0;
        if (blocks.size() == BLOCKS || bytes > BYTES) {
            write();
        }
    }

    private void write() {
        transactions.executeWithoutResult(t -> {
            blocks.forEach(entities::persist);
            entities.flush();
            blocks.forEach(entities::detach);
        });
        blocks.clear();
        bytes = 0;
    }

    /** Writes what is left; returns how many events there were. */
    int end() {
        if (!pending.isEmpty()) {
            pack();
        }
        if (!blocks.isEmpty()) {
            write();
        }
        return count;
    }
}
