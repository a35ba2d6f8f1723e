package izzet.core.record;

import izzet.core.decode.I2cTransfer;
import izzet.core.display.ExpanderBits;
import izzet.core.display.ExpanderTrial;
import izzet.core.display.Glass;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What was written to a part that the plan does not have, tried as a character display behind an expander: many of those that nobody
 * remembers are one.
 *
 * @param bits of the expander that made it readable
 * @param lines of the display's memory that hold something, each from its first address on
 */
public record StrangerText(ExpanderBits bits, List<String> lines) {

    /** Transfers that are looked at. */
    public static final int MOST = 4000;

    /** Places of a line of the controller's memory. Source: data sheet of the character display controller (HD44780U), from memory. */
    private static final int PLACES = 40;

    /** @return empty where it does not read like one */
    public static Optional<StrangerText> of(List<I2cTransfer> written) {
        List<Integer> port = new ArrayList<>();
        for (I2cTransfer t : written) {
            for (int i = 0; i < t.size() && !t.read() && port.size() < MOST; i++) {
                port.add(t.value(i));
            }
        }
        Optional<ExpanderBits> bits = ExpanderTrial.find(port);
        if (bits.isEmpty()) {
            return Optional.empty();
        }
        Session session = Interpreters.of("expander-character")
                .orElseThrow()
                .begin(Panel.plain("expander-character", PLACES, 2)
                        .behind(bits.get().map()));
        written.forEach(session::hear);
        List<String> lines = session.glass()
                .filter(Glass.Text.class::isInstance)
                .map(g -> ((Glass.Text) g)
                        .lines().stream()
                                .map(l -> l.replaceAll("[\\x00-\\x1F]", "?").stripTrailing())
                                .filter(l -> !l.isBlank())
                                .toList())
                .orElse(List.of());
        return lines.isEmpty() ? Optional.empty() : Optional.of(new StrangerText(bits.get(), lines));
    }

    /** "RS on bit 0, E on bit 2, data on bits 4 to 7". */
    public String wiring() {
        return "RS on bit " + bits.rs() + ", E on bit " + bits.e() + ", data on bits " + bits.d4() + ", " + bits.d5()
                + ", " + bits.d6() + ", " + bits.d7();
    }
}
