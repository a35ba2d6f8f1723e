package izzet.app.traffic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;

import izzet.app.store.EventBlockRow;
import izzet.core.decode.EventBlock;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocols;
import izzet.core.decode.SerialByte;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.mockito.InOrder;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionOperations;

class EventWriterTest {

    private final EntityManager entities = mock();
    private final List<TransactionStatus> begun = new ArrayList<>();
    private final TransactionOperations transactions = new TransactionOperations() {
        @Override
        public <T> T execute(TransactionCallback<T> action) {
            TransactionStatus status = mock();
            begun.add(status);
            return action.doInTransaction(status);
        }
    };
    private final EventWriter writer = new EventWriter(entities, transactions, Protocols.of("serial"), 7);

    private void say(int events) {
        for (int i = 0; i < events; i++) {
            writer.accept(new SerialByte(10L * i, 10L * i + 9, i & 0xFF, true, true));
        }
    }

    @Test
    void manyBlocksShareATransaction() {
        say(300 * EventBlock.CAPACITY + 1);
        assertThat(writer.end()).isEqualTo(300 * EventBlock.CAPACITY + 1);
        verify(entities, times(301)).persist(any(EventBlockRow.class));
        assertThat(begun).hasSize(3);
    }

    @Test
    void whatIsWrittenIsLetGo() {
        say(1);
        assertThat(writer.end()).isEqualTo(1);
        InOrder order = inOrder(entities);
        order.verify(entities).persist(any(EventBlockRow.class));
        order.verify(entities).flush();
        order.verify(entities).detach(any(EventBlockRow.class));
    }

    /** Words that no packing makes small are not kept until there are enough blocks of them. */
    @Test
    void largeBlocksDoNotWaitLong() {
        Random random = new Random(5);
        EventWriter large = new EventWriter(entities, transactions, Protocols.of("i2c"), 7);
        for (int t = 0; t < 100; t++) {
            byte[] data = new byte[EventBlock.MOST_WORDS];
            random.nextBytes(data);
            large.accept(new I2cTransfer(
                    2L * t,
                    2L * t + 1,
                    I2cTransfer.Begin.START,
                    I2cTransfer.End.STOP,
                    0x3C,
                    7,
                    false,
                    true,
                    data,
                    new boolean[data.length]));
        }
        assertThat(large.end()).isEqualTo(100);
        assertThat(begun).hasSizeGreaterThan(2);
    }

    @Test
    void nothingSaidIsNothingWritten() {
        assertThat(writer.end()).isZero();
        verifyNoInteractions(entities);
        assertThat(begun).isEmpty();
    }
}
