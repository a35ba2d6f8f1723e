package izzet.app.backup;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;

class BackupsTest {

    /** As days pass: never more than eleven, always the last seven, and one of each of the four weeks before. */
    @Test
    void sevenDaysAndFourWeeksAreKept() {
        List<LocalDate> kept = new ArrayList<>();
        LocalDate first = LocalDate.of(2026, 1, 1);
        for (int day = 0; day < 200; day++) {
            LocalDate today = first.plusDays(day);
            kept.add(today);
            kept.sort(Comparator.reverseOrder());
            kept.removeAll(Backups.spare(List.copyOf(kept)));
            assertThat(kept).hasSizeLessThanOrEqualTo(11).contains(today);
            for (int back = 0; back < Math.min(7, day + 1); back++) {
                assertThat(kept).contains(today.minusDays(back));
            }
        }
        assertThat(kept).hasSize(11);
        assertThat(kept.get(10)).isBefore(kept.get(0).minusDays(25));
    }

    /** A program that is started seldom keeps its last backups, however old. */
    /** Its two copies and some room for changes, or it is not begun. */
    @Test
    void noBackupFillsTheDisk() {
        long database = 500L << 20;
        assertThat(Backups.lack(database, 2 * database + (64L << 20))).isEmpty();
        assertThat(Backups.lack(database, 2 * database))
                .contains("A backup may need up to 1064 MB on its way, and 1000 MB are left on the disk");
    }

    @Test
    void seldomOnesStay() {
        List<LocalDate> kept = new ArrayList<>();
        for (int month = 12; month >= 1; month--) {
            kept.add(LocalDate.of(2026, month, 1));
        }
        assertThat(Backups.spare(kept)).containsExactly(LocalDate.of(2026, 1, 1));
    }
}
