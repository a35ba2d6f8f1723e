package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;

import izzet.app.fault.MemoryShort;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class MemoryRoomTest {

    private static final long SECOND = 1_000_000_000L;

    private final AtomicLong free = new AtomicLong(MemoryRoom.LEAST);
    private final AtomicLong freed = new AtomicLong();
    private final AtomicLong clock = new AtomicLong();
    private final AtomicLong clearings = new AtomicLong();
    private final ApplicationEventPublisher events = mock(ApplicationEventPublisher.class);
    private final MemoryRoom room = new MemoryRoom(
            free::get,
            () -> {
                clearings.incrementAndGet();
                free.addAndGet(freed.getAndSet(0));
            },
            events,
            clock::get);

    private MockHttpServletResponse send(String method) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        room.doFilter(new MockHttpServletRequest(method, "/plans/1/connect"), response, new MockFilterChain());
        return response;
    }

    @Test
    void changesAreRefusedWhileMemoryIsShortAndTakenAgainAfterwards() throws Exception {
        assertThat(send("POST").getStatus()).isEqualTo(200);
        free.set(MemoryRoom.LEAST - 1);
        MockHttpServletResponse refused = send("POST");
        assertThat(refused.getStatus()).isEqualTo(503);
        assertThat(refused.getContentAsString())
                .contains("23 MB of memory left")
                .contains("Nothing was saved");
        verify(events, times(1)).publishEvent(any(MemoryShort.class));
        assertThat(send("GET").getStatus()).isEqualTo(200);
        free.set(MemoryRoom.LEAST);
        assertThat(send("DELETE").getStatus()).isEqualTo(200);
    }

    /** What is only not cleared up yet is no shortage. */
    @Test
    void whatClearingUpGivesBackIsRoom() throws Exception {
        free.set(1000);
        freed.set(MemoryRoom.LEAST);
        assertThat(send("POST").getStatus()).isEqualTo(200);
        assertThat(clearings.get()).isEqualTo(1);
        verifyNoInteractions(events);
    }

    /** Right after clearing up, what fills the heap again is taken for what it mostly is. */
    @Test
    void whatCameSinceThenIsNoShortage() throws Exception {
        free.set(1000);
        freed.set(MemoryRoom.LEAST);
        assertThat(send("POST").getStatus()).isEqualTo(200);
        free.set(1000);
        assertThat(send("POST").getStatus()).isEqualTo(200);
        assertThat(clearings.get()).isEqualTo(1);
        clock.addAndGet(3 * SECOND);
        assertThat(send("POST").getStatus()).isEqualTo(503);
    }

    /** Clearing up stops everybody: not for each of many requests. */
    @Test
    void manyRequestsClearUpOnce() throws Exception {
        free.set(1000);
        for (int i = 0; i < 5; i++) {
            assertThat(send("POST").getStatus()).isEqualTo(503);
        }
        assertThat(clearings.get()).isEqualTo(2);
        clock.addAndGet(3 * SECOND);
        assertThat(send("POST").getStatus()).isEqualTo(503);
        assertThat(clearings.get()).isEqualTo(4);
    }
}
