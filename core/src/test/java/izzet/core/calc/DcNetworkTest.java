package izzet.core.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The solver against a general-purpose circuit simulator, and against what can be reckoned by hand. */
class DcNetworkTest {

    /** Elements as in {@code dc/make-networks.py}. */
    private static final class Built {
        private final DcNetwork network = new DcNetwork();
        private final Map<String, Integer> nodes = new HashMap<>(Map.of("0", 0));

        Built(String elements) {
            for (String element : elements.split(" ")) {
                String[] f = element.split(":");
                if (f[0].equals("V")) {
                    nodes.put(f[1], network.held(Double.parseDouble(f[2])));
                }
            }
            for (String element : elements.split(" ")) {
                String[] f = element.split(":");
                if (f[0].equals("R")) {
                    network.resistor(node(f[1]), node(f[2]), Double.parseDouble(f[3]));
                } else if (f[0].equals("L")) {
                    network.lamp(
                            node(f[1]),
                            node(f[2]),
                            Double.parseDouble(f[3]),
                            Double.parseDouble(f[4]),
                            Double.parseDouble(f[5]));
                }
            }
        }

        int node(String name) {
            return nodes.computeIfAbsent(name, n -> network.node());
        }
    }

    @Test
    void agreesWithTheSimulatorOnEveryNetwork() throws IOException {
        Map<String, Map<String, Double>> wanted = new LinkedHashMap<>();
        try (var in = new BufferedReader(new InputStreamReader(
                DcNetworkTest.class.getResourceAsStream("/dc/networks.csv"), StandardCharsets.UTF_8))) {
            in.readLine();
            for (String row = in.readLine(); row != null; row = in.readLine()) {
                String[] cells = row.split(",");
                wanted.computeIfAbsent(cells[0], n -> new LinkedHashMap<>())
                        .put(cells[1], Double.parseDouble(cells[2]));
            }
        }
        assertThat(wanted).hasSizeGreaterThanOrEqualTo(200);
        wanted.forEach((elements, volts) -> {
            Built built = new Built(elements);
            volts.keySet().forEach(built::node);
            DcNetwork.Solution solution = built.network.solve();
            volts.forEach((node, expected) -> assertThat(solution.volts(built.node(node)))
                    .as("node %s of %s", node, elements)
                    .isCloseTo(expected, within(Math.max(0.005, Math.abs(expected) * 0.005))));
        });
    }

    @Test
    void aDividerAndItsResistance() {
        Built built = new Built("V:1:5 R:1:2:1800 R:2:0:3300");
        DcNetwork.Solution solution = built.network.solve();
        assertThat(solution.volts(built.node("2"))).isCloseTo(5 * 3300 / 5100.0, within(1e-6));
        assertThat(solution.ohmsAt(built.node("2"))).isCloseTo(1800 * 3300 / 5100.0, within(0.01));
        assertThat(solution.ohmsAt(built.node("1"))).isZero();
        assertThat(solution.amperes(0)).isCloseTo(5 / 5100.0, within(1e-9));
    }

    /** Two rails over pull-ups: 5 V behind 4.7 kΩ with 3.3 V behind 1.8 kΩ idles at 3.77 V. */
    @Test
    void mixedPullUpsIdleBetweenTheirRails() {
        Built built = new Built("V:1:5 V:2:3.3 R:1:3:4700 R:2:3:1800");
        assertThat(built.network.solve().volts(built.node("3"))).isCloseTo(3.77, within(0.005));
    }

    @Test
    void aLampHasItsDropAtItsCurrentAndBlocksTheOtherWay() {
        DcNetwork network = new DcNetwork();
        int supply = network.held(5);
        int anode = network.node();
        network.resistor(supply, anode, 200);
        int lamp = network.lamp(anode, 0, 2.0, 0.015, 10);
        DcNetwork.Solution solution = network.solve();
        assertThat(solution.volts(anode)).isCloseTo(2.0, within(1e-3));
        assertThat(solution.amperes(lamp)).isCloseTo(0.015, within(1e-5));

        DcNetwork turned = new DcNetwork();
        int cathode = turned.node();
        turned.resistor(turned.held(5), cathode, 200);
        int blocked = turned.lamp(0, cathode, 2.0, 0.015, 10);
        assertThat(turned.solve().amperes(blocked)).isBetween(-1e-6, 1e-9);
    }

    /** What nothing holds is told apart from what a weak resistor holds. */
    @Test
    void whatNothingHoldsHasNoResistance() {
        DcNetwork network = new DcNetwork();
        int open = network.node();
        int weak = network.node();
        network.resistor(weak, 0, 1e6);
        DcNetwork.Solution solution = network.solve();
        assertThat(solution.ohmsAt(open)).isGreaterThan(1e9);
        assertThat(solution.ohmsAt(weak)).isCloseTo(1e6, within(10.0));
    }

    @Test
    void impossibleElementsAreRefused() {
        DcNetwork network = new DcNetwork();
        assertThatThrownBy(() -> network.resistor(0, network.node(), 0)).hasMessageContaining("above 0 ohm");
        assertThatThrownBy(() -> network.lamp(0, network.node(), 2, 0.1, 30))
                .hasMessageContaining("30.0 ohm in series");
    }
}
