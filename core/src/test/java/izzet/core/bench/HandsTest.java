package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Lamps and contacts of a desk, against circuits reckoned by hand. */
class HandsTest {

    private static Workbench desk() {
        return Workbench.mcu()
                .bare("lamp", "led", "on-off")
                .wire("lamp:A", "board:4", 220.0, null)
                .wire("lamp:K", "rail:GND")
                .bare("lever", "push-button", "to-ground")
                .wire("lever:A", "board:5", null, "internal-up")
                .wire("lever:B", "rail:GND");
    }

    private static List<String> words(Desk desk) {
        return Hands.of(desk).stream()
                .map(s -> s.unit().id() + ": " + s.words())
                .toList();
    }

    /** 5 V less some 2 V of a red lamp over 220 ohms is some 13 mA. */
    @Test
    void aRightDeskLightsAndReads() {
        List<String> words = words(Desk.of(desk().circuit()));
        assertThat(words).hasSize(2);
        assertThat(words.get(0)).matches("lamp: lights with up to 1[2-4](\\.\\d+)? mA");
        assertThat(words.get(1)).isEqualTo("lever: pin 5 reads high, and low when it is closed");
        assertThat(Hands.of(Desk.of(desk().circuit()))).allMatch(Hands.Seen::asPlanned);
    }

    /** What an output can give without a resistor is no figure to tell: the lamp or the pin decides first. */
    @Test
    void aLampWithoutAResistorHasNoFigure() {
        assertThat(words(Desk.of(Workbench.mcu()
                        .bare("lamp", "led", "on-off")
                        .wire("lamp:A", "board:4")
                        .wire("lamp:K", "rail:GND")
                        .circuit())))
                .singleElement()
                .asString()
                .startsWith("lamp: lights, and nothing holds its current to the ");
    }

    @Test
    void aWireThatIsMissingIsSeen() {
        Desk dark = Faults.put(Desk.of(desk().circuit()), "missing@lamp:K");
        assertThat(words(dark)).contains("lamp: stays dark");
        assertThat(Hands.of(dark)).filteredOn(s -> s.unit().id().equals("lamp")).noneMatch(Hands.Seen::asPlanned);
        assertThat(words(Faults.put(Desk.of(desk().circuit()), "missing@lever:B")))
                .contains("lever: pin 5 reads high, open and closed alike");
    }

    /** A lamp between supply and pin, a lever by its other lead: the words are those of the wires, not of the usual way. */
    @Test
    void theOtherRailAndTheOtherLeadAreTheSame() {
        Workbench other = Workbench.mcu()
                .bare("lamp", "led", "on-off")
                .wire("lamp:A", "rail:5V", 220.0, null)
                .wire("lamp:K", "board:4")
                .bare("lever", "push-button", "to-ground")
                .wire("lever:A", "rail:GND")
                .wire("lever:B", "board:5", null, "internal-up");
        assertThat(words(Desk.of(other.circuit()))).isEqualTo(words(Desk.of(desk().circuit())));
        assertThat(words(Desk.of(other.off("lamp:K").wire("lamp:K", "rail:5V").circuit())))
                .contains("lamp: stays dark");
    }

    /** Without a pull nothing holds the pin while the contact is open. */
    @Test
    void aContactWithoutAPullIsReadByChance() {
        assertThat(words(Desk.of(Workbench.mcu()
                        .bare("lever", "push-button", "to-ground")
                        .wire("lever:A", "board:5")
                        .wire("lever:B", "rail:GND")
                        .circuit())))
                .containsExactly("lever: pin 5 reads this or that, since nothing holds it, and low when it is closed");
    }

    /** Each of three lamps by its own line; what is not wired stays dark. */
    @Test
    void lampsOfOnePartAreToldOneByOne() {
        List<String> words = words(Desk.of(Workbench.mcu()
                .with("signal", "led-rgb")
                .bare("spare", "led", "on-off")
                .circuit()));
        assertThat(words.get(0)).contains("R lights").contains("G lights").contains("B lights");
        assertThat(words.get(1)).isEqualTo("spare: stays dark");
    }
}
