package izzet.app.traffic;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.record.Conversation;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class TalkPageTest {

    private static Conversation.Line line(int i) {
        return new Conversation.Line(
                i,
                1,
                i * 10L,
                i * 10L + 8,
                0x3C,
                7,
                "the sign",
                "",
                true,
                false,
                "line " + i,
                true,
                true,
                false,
                false);
    }

    private static TalkPage of(int lines, int page, int wanted, long tick) {
        TalkPage talk = TalkPage.holding(page, wanted, tick);
        for (int i = 0; i < lines; i++) {
            talk.add(line(i));
        }
        return talk;
    }

    /** Against a list that holds everything. */
    @Test
    void showsWhatAWholeListWouldShow() {
        Random random = new Random(41);
        List<Conversation.Line> all = new ArrayList<>();
        for (int i = 0; i < 1000; i++) {
            all.add(line(i));
        }
        for (int round = 0; round < 400; round++) {
            int count = random.nextInt(1000);
            int wanted = random.nextBoolean() ? -1 : random.nextInt(1000);
            int page = 1 + random.nextInt(6);
            TalkPage talk = of(count, page, wanted, -1);
            int pages = Math.max(1, (count + TalkPage.SIZE - 1) / TalkPage.SIZE);
            int shown = wanted >= 0 && wanted < count ? wanted / TalkPage.SIZE + 1 : Math.min(pages, page);
            if (wanted >= count) {
                shown = pages;
            }
            assertThat(talk.total()).isEqualTo(count);
            assertThat(talk.pages()).isEqualTo(pages);
            assertThat(talk.page()).isEqualTo(shown);
            assertThat(talk.lines())
                    .isEqualTo(all.subList((shown - 1) * TalkPage.SIZE, Math.min(count, shown * TalkPage.SIZE)));
            assertThat(talk.chosen()).isEqualTo(wanted >= 0 && wanted < count ? wanted : -1);
        }
    }

    @Test
    void findsWhatWasSaidAtATime() {
        TalkPage talk = of(900, 1, -1, 4567);
        assertThat(talk.chosen()).isEqualTo(456);
        assertThat(talk.page()).isEqualTo(3);
        // In a pause: what comes next.
        assertThat(of(900, 1, -1, 4569).chosen()).isEqualTo(457);
        assertThat(of(900, 1, -1, 99_999).chosen()).isEqualTo(-1);
    }

    @Test
    void aLineAskedForBeatsATime() {
        assertThat(of(900, 1, 3, 4567).chosen()).isEqualTo(3);
    }

    @Test
    void nothingSaidIsOneEmptyPage() {
        TalkPage talk = of(0, 4, -1, -1);
        assertThat(talk.lines()).isEmpty();
        assertThat(talk.page()).isEqualTo(1);
        assertThat(talk.pages()).isEqualTo(1);
    }
}
