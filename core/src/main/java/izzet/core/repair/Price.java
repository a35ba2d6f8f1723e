package izzet.core.repair;

import izzet.core.quantity.Counts;
import java.util.List;

/**
 * What a repair costs.
 *
 * @param pins of the board taken in addition; negative when some become free
 * @param buy parts to get, in words
 * @param limits what it rules out or slows down
 * @param code what changes in the program
 */
public record Price(int pins, List<String> buy, List<String> limits, List<String> code) {

    public Price {
        buy = List.copyOf(buy);
        limits = List.copyOf(limits);
        code = List.copyOf(code);
    }

    /** Each thing once, with its count; empty where there is nothing to buy. */
    public String buyInWords() {
        return Counts.together(buy);
    }

    /** "no pin", "1 pin more", "frees 2 pins". */
    public String pinsInWords() {
        if (pins == 0) {
            return "no pin more";
        }
        String count = Math.abs(pins) == 1 ? "1 pin" : Math.abs(pins) + " pins";
        return pins > 0 ? count + " more" : "frees " + count;
    }
}
