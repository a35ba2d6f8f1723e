package izzet.core.display.families;

import izzet.core.decode.BusEvent;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Interpreter;
import izzet.core.display.Panel;
import izzet.core.display.Said;
import izzet.core.display.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Commands of a memory card on SPI: six bytes, the first of them 0x40 and the number. Source: SD physical layer, SPI mode; from memory. */
public final class CardCommands implements Interpreter {

    private static final int LENGTH = 6;
    private static final int MOST_WORDS = 4;

    @Override
    public Set<String> speaks() {
        return Set.of("card");
    }

    @Override
    public Session begin(Panel panel) {
        return new Following();
    }

    private static final class Following implements Session {

        private boolean application;

        @Override
        public Said hear(BusEvent event, long until) {
            if (!(event instanceof SpiTransfer t) || t.mosi() == null) {
                return Said.alone("nothing that it knows");
            }
            List<String> words = new ArrayList<>();
            int[] sent = t.mosi();
            for (int i = 0; i + LENGTH <= sent.length; i++) {
                if ((sent[i] & 0xC0) == 0x40 && (sent[i + LENGTH - 1] & 1) == 1) {
                    long argument = (long) sent[i + 1] << 24 | sent[i + 2] << 16 | sent[i + 3] << 8 | sent[i + 4];
                    words.add(name(sent[i] & 0x3F, argument));
                    i += LENGTH - 1;
                }
            }
            if (words.isEmpty()) {
                return Said.counted("card", t.size(), "bytes clocked");
            }
            int hidden = words.size() - MOST_WORDS;
            return Said.alone(String.join(", ", words.subList(0, Math.min(MOST_WORDS, words.size())))
                    + (hidden > 0 ? " and " + hidden + " more commands" : ""));
        }

        private String name(int command, long argument) {
            boolean own = application;
            application = command == 55;
            return switch (command) {
                case 0 -> "card: to idle";
                case 8 -> "card: asks for the voltage";
                case 9 -> "card: reads its data sheet";
                case 10 -> "card: reads its name";
                case 12 -> "card: stops reading";
                case 13 -> "card: reads its status";
                case 16 -> "card: blocks of " + argument + " bytes";
                case 17 -> "card: reads block " + argument;
                case 18 -> "card: reads blocks from " + argument;
                case 24 -> "card: writes block " + argument;
                case 25 -> "card: writes blocks from " + argument;
                case 41 -> own ? "card: starts up" : "card: command 41";
                case 55 -> "card: its own command next";
                case 58 -> "card: reads its voltages";
                default -> "card: command " + command;
            };
        }
    }
}
