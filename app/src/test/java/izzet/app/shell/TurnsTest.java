package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpHeaders;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class TurnsTest {

    private static final long LONG = 60_000;

    private final MockHttpServletResponse response = new MockHttpServletResponse();

    private static MockHttpServletRequest page() {
        return new MockHttpServletRequest("GET", "/shelf");
    }

    private MockHttpServletRequest begun(Turns turns, MockHttpServletRequest request) throws InterruptedException {
        assertThat(turns.preHandle(request, response, this)).isTrue();
        return request;
    }

    @Test
    void thePageAfterTheLastPlaceWaitsForOneToEnd() throws Exception {
        Turns turns = new Turns(2, LONG);
        MockHttpServletRequest first = begun(turns, page());
        begun(turns, page());
        CountDownLatch asked = new CountDownLatch(1);
        CompletableFuture<MockHttpServletRequest> third = CompletableFuture.supplyAsync(() -> {
            asked.countDown();
            try {
                return begun(turns, page());
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        });
        asked.await();
        assertThat(third).isNotDone();
        turns.afterCompletion(first, response, this, null);
        assertThat(third.join()).isNotNull();
    }

    @Test
    void nobodyWaitsLongerThanTheLimit() throws Exception {
        Turns turns = new Turns(1, 0);
        begun(turns, page());
        MockHttpServletRequest second = begun(turns, page());
        // It had no place to give back.
        turns.afterCompletion(second, response, this, null);
        MockHttpServletRequest third = begun(turns, page());
        assertThat(third.getAttributeNames().hasMoreElements()).isFalse();
    }

    /** News are told for minutes; the thread is free meanwhile. */
    @Test
    void whatGoesOnWithoutAThreadKeepsNoPlace() throws Exception {
        Turns turns = new Turns(1, 0);
        MockHttpServletRequest news = begun(turns, page());
        turns.afterConcurrentHandlingStarted(news, response, this);
        assertThat(begun(turns, page()).getAttributeNames().hasMoreElements()).isTrue();
        // Nor does it give one back that is another's now.
        turns.afterCompletion(news, response, this, null);
        assertThat(begun(turns, page()).getAttributeNames().hasMoreElements()).isFalse();
    }

    @Test
    void whatHasABodyTakesNoPlace() throws Exception {
        Turns turns = new Turns(1, 0);
        MockHttpServletRequest record = new MockHttpServletRequest("POST", "/api/decode");
        record.setContentType("application/octet-stream");
        record.setContent(new byte[10]);
        assertThat(begun(turns, record).getAttributeNames().hasMoreElements()).isFalse();
        MockHttpServletRequest chunks = new MockHttpServletRequest("POST", "/api/decode");
        chunks.addHeader(HttpHeaders.TRANSFER_ENCODING, "chunked");
        assertThat(begun(turns, chunks).getAttributeNames().hasMoreElements()).isFalse();
        MockHttpServletRequest form = new MockHttpServletRequest("POST", "/plans/1/rename");
        form.setContentType("application/x-www-form-urlencoded;charset=UTF-8");
        form.setContent(new byte[10]);
        assertThat(begun(turns, form).getAttributeNames().hasMoreElements()).isFalse();
        assertThat(begun(turns, page()).getAttributeNames().hasMoreElements()).isTrue();
    }
}
