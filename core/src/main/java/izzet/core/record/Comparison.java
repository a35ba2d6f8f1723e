package izzet.core.record;

import izzet.core.check.Severity;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** A record held against the plan: rules T1, T2 and T3. */
public final class Comparison {

    /** @param rule {@code T1} unknown address, {@code T2} planned part silent, {@code T3} bytes refused */
    public record Remark(String rule, Severity severity, String sentence, String remedy) {}

    private static final int TEN_BIT = 1 << 12;

    private Comparison() {}

    /** Worst first. */
    public static List<Remark> of(Conversation talk) {
        List<Remark> remarks = new ArrayList<>();
        talk.tallies().forEach((key, tally) -> {
            boolean tenBit = (key & TEN_BIT) != 0;
            String address = Hex.of(key & ~TEN_BIT) + (tenBit ? " (10 bits)" : "");
            boolean planned = !tenBit && talk.planned().containsKey(key);
            Unit meant = tenBit ? null : talk.misaddressed().get(key);
            if (!planned && meant != null) {
                remarks.add(misaddressed(talk, address, meant, tally));
            } else if (!planned && key != 0) {
                remarks.add(unknown(address, tally));
            }
            if (tally.refusedBytes() > 0) {
                remarks.add(new Remark(
                        "T3",
                        Severity.FIX,
                        address + " refused " + tally.refusedBytes() + (tally.refusedBytes() == 1 ? " byte" : " bytes")
                                + " written to it.",
                        "Check that the program writes what the part takes, and waits where it is busy."));
            }
        });
        new TreeMap<>(talk.planned()).forEach((address, units) -> {
            Conversation.Tally tally = talk.tallies().get(address);
            String names = units.stream().map(Unit::name).collect(Collectors.joining(" and "));
            if (tally == null) {
                remarks.add(new Remark(
                        "T2",
                        Severity.NOTE,
                        names + " (" + Hex.of(address)
                                + ") was never spoken to, so the record cannot tell whether it would answer.",
                        "Record while the program speaks to it."));
            } else if (tally.answered() == 0) {
                remarks.add(new Remark(
                        "T2",
                        Severity.STOP,
                        names + " never answered at " + Hex.of(address) + ", asked " + times(tally.asked()) + ".",
                        "Check its supply, its straps, and whether data and clock are swapped."));
            }
        });
        remarks.sort(java.util.Comparator.comparing(Remark::severity).thenComparing(Remark::rule));
        return remarks;
    }

    private static Remark misaddressed(Conversation talk, String address, Unit meant, Conversation.Tally tally) {
        String straps = talk.planned().entrySet().stream()
                .filter(e -> e.getValue().contains(meant))
                .map(e -> "its straps say " + Hex.of(e.getKey()))
                .findFirst()
                .orElse("its address pins float");
        return new Remark(
                "T1",
                tally.answered() > 0 ? Severity.ADVISE : Severity.STOP,
                "The program speaks to " + meant.name() + " at " + address + " " + times(tally.asked())
                        + (tally.answered() > 0 ? " and somebody answers, though " : " and nobody answers: ") + straps
                        + ".",
                "Write the address of the straps in the program, or change the straps; the findings offer both.");
    }

    private static Remark unknown(String address, Conversation.Tally tally) {
        boolean answered = tally.answered() > 0;
        return new Remark(
                "T1",
                answered ? Severity.ADVISE : Severity.FIX,
                answered
                        ? address + " answers " + times(tally.answered()) + ", and the plan has nobody there."
                        : "The program speaks to " + address + " " + times(tally.asked())
                                + "; nobody is there, in the plan or on the bus.",
                answered
                        ? "Add the part to the plan, or find out who it is."
                        : "Compare the address in the program with the straps.");
    }

    private static String times(int n) {
        return n == 1 ? "once" : n == 2 ? "twice" : n + " times";
    }
}
