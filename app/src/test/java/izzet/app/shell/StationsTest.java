package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import izzet.app.plan.StoredPlan;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import java.util.List;
import org.junit.jupiter.api.Test;

class StationsTest {

    private final StoredPlan stored = mock(StoredPlan.class);
    private final Report report = mock(Report.class);

    private record Place(String id, int order, String group) implements Station {
        @Override
        public String name() {
            return id.toUpperCase(java.util.Locale.ROOT);
        }

        @Override
        public boolean owns(Finding finding) {
            return finding.group().equals(group);
        }
    }

    private static Finding finding(String group, Severity severity) {
        Finding finding = mock(Finding.class);
        when(finding.group()).thenReturn(group);
        when(finding.severity()).thenReturn(severity);
        return finding;
    }

    @Test
    void aNewOneTakesItsPlaceInTheOrderOfTheWorkAndItsNumber() {
        when(stored.id()).thenReturn(7L);
        List<Finding> findings = List.of(
                finding("levels", Severity.STOP), finding("levels", Severity.STOP), finding("pins", Severity.FIX));
        when(report.findings()).thenReturn(findings);
        Stations stations = new Stations(
                List.of(new Place("log", 8, "none"), new Place("levels", 3, "levels"), new Place("pins", 2, "pins")));
        assertThat(stations.views(new Station.Seen(stored, null, report), "levels"))
                .containsExactly(
                        new PlanFrame.StationView("pins", 1, "PINS", "/plans/7/pins", false, "1 fix", "fix"),
                        new PlanFrame.StationView("levels", 2, "LEVELS", "/plans/7/levels", true, "2 stops", "stop"),
                        new PlanFrame.StationView("log", 3, "LOG", "/plans/7/log", false, "", ""));
    }

    @Test
    void oneThatIsNotThereIsRefused() {
        Stations stations = new Stations(List.of(new Place("pins", 2, "pins")));
        assertThat(stations.of("pins").order()).isEqualTo(2);
        assertThatThrownBy(() -> stations.of("attic"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("attic");
    }
}
