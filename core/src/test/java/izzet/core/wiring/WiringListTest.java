package izzet.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import java.util.List;
import org.junit.jupiter.api.Test;

class WiringListTest {

    private final Workbench bench = Workbench.on(Workbench.MCU)
            .with("sign", Workbench.OLED)
            .with("lamp", "led")
            .with("cabin", "character-16x2-direct");
    private final List<WiringList.Group> groups = WiringList.of(bench.circuit());

    @Test
    void suppliesComeFirstAndEveryWireStandsOnce() {
        assertThat(groups)
                .extracting(WiringList.Group::id)
                .containsExactly("rails", "supply", "bus", "control", "ties", "lamps");
        List<String> keys = groups.stream()
                .flatMap(g -> g.steps().stream())
                .map(WiringList.Step::key)
                .toList();
        assertThat(keys).doesNotHaveDuplicates();
        assertThat(keys)
                .containsAll(bench.plan().connections().stream()
                        .map(c -> c.from() + ">" + c.to())
                        .toList());
        assertThat(groups.get(0).cautions().get(0)).contains("Unplug");
    }

    @Test
    void endsCarryEveryNumber() {
        WiringList.Step sda = groups.stream()
                .flatMap(g -> g.steps().stream())
                .filter(s -> s.key().startsWith("sign:SDA"))
                .findFirst()
                .orElseThrow();
        assertThat(sda.from().numbers()).containsExactly("header pin 4");
        assertThat(sda.to().label()).isEqualTo("A4");
        assertThat(sda.to().numbers()).containsExactly("socket analog 5", "port bit PC4");
        assertThat(sda.colour()).isEqualTo("blue");
    }

    @Test
    void resistorsAndMeterChecksAreNamed() {
        assertThat(groups)
                .flatExtracting(WiringList.Group::steps)
                .extracting(WiringList.Step::insert)
                .contains("220 Ω in series", "1 kΩ in series");
        assertThat(WiringList.checks(bench.circuit()))
                .anyMatch(c -> c.contains("5 V row reads 5 V"))
                .anyMatch(c -> c.contains("no beep"));
    }
}
