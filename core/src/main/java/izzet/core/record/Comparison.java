package izzet.core.record;

import izzet.core.check.Severity;
import izzet.core.circuit.Unit;
import izzet.core.display.Glass;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** A record held against the plan: unknown addresses (T1), planned parts that are silent (T2), bytes refused (T3), set-up of another part (T7). */
public final class Comparison {

    private static final int TEN_BIT = 1 << 12;

    /** So many neighbours asked without a word are a scan. */
    private static final int A_SCAN = 12;

    private Comparison() {}

    /** Worst first. */
    public static List<Remark> of(Conversation talk) {
        List<Remark> remarks = new ArrayList<>();
        SortedSet<Integer> scanned = scanned(talk);
        if (!scanned.isEmpty()) {
            remarks.add(scan(talk, scanned));
        }
        talk.tallies().forEach((key, tally) -> {
            if (scanned.contains(key) && tally.answered() == 0) {
                return;
            }
            boolean tenBit = (key & TEN_BIT) != 0;
            String address = Hex.of(key & ~TEN_BIT) + (tenBit ? " (10 bits)" : "");
            boolean planned = !tenBit && talk.planned().containsKey(key);
            Unit meant = tenBit ? null : talk.misaddressed().get(key);
            if (!planned && meant != null) {
                remarks.add(misaddressed(talk, address, meant, tally).at(tally.first()));
            } else if (!planned && key != 0) {
                remarks.add(unknown(address, tally).stranger(tenBit ? -1 : key).at(tally.first()));
            }
            if (tally.refusedBytes() > 0) {
                remarks.add(Remark.of(
                                "T3",
                                Severity.FIX,
                                address + " refused " + tally.refusedBytes()
                                        + (tally.refusedBytes() == 1 ? " byte" : " bytes") + " written to it.",
                                "Check that the program writes what the part takes, and waits where it is busy.")
                        .at(tally.firstRefused()));
            }
        });
        new TreeMap<>(talk.addresses() ? talk.planned() : Map.<Integer, List<Unit>>of()).forEach((address, units) -> {
            Conversation.Tally tally = talk.tallies().get(address);
            String names = units.stream().map(Unit::name).collect(Listed.and());
            if (tally == null) {
                remarks.add(Remark.of(
                        "T2",
                        Severity.NOTE,
                        names + " (" + Hex.of(address)
                                + ") was never spoken to, so the record cannot tell whether it would answer.",
                        "Record while the program speaks to it."));
            } else if (tally.answered() == 0) {
                remarks.add(Remark.of(
                        "T2",
                        Severity.STOP,
                        names + " never answered at " + Hex.of(address) + ", asked " + times(tally.asked()) + ".",
                        "Check its supply, its straps, and whether data and clock are swapped."));
            }
        });
        setUps(talk, remarks);
        remarks.sort(java.util.Comparator.comparing(Remark::severity).thenComparing(Remark::rule));
        return remarks;
    }

    /** Addresses that were asked without a word, many of them in a row: somebody looks who is there. */
    private static SortedSet<Integer> scanned(Conversation talk) {
        SortedSet<Integer> asked = new TreeSet<>();
        talk.tallies().forEach((address, tally) -> {
            if (address < TEN_BIT && tally.empty() == tally.asked()) {
                asked.add(address);
            }
        });
        int run = 0;
        int longest = 0;
        int before = -2;
        for (int address : asked) {
            run = address == before + 1 ? run + 1 : 1;
            longest = Math.max(longest, run);
            before = address;
        }
        return longest >= A_SCAN ? asked : new TreeSet<>();
    }

    private static Remark scan(Conversation talk, SortedSet<Integer> asked) {
        String there = talk.tallies().entrySet().stream()
                .filter(e -> asked.contains(e.getKey()) && e.getValue().answered() > 0)
                .map(e -> Hex.of(e.getKey()))
                .collect(Collectors.joining(", "));
        return Remark.of(
                        "T1",
                        Severity.NOTE,
                        "A scan of " + asked.size() + " addresses from " + Hex.of(asked.first()) + " to "
                                + Hex.of(asked.last()) + ": "
                                + (there.isEmpty() ? "nobody answered." : there + " answered."),
                        there.isEmpty()
                                ? "Check supply, ground, pull-ups, and whether clock and data are swapped."
                                : "Nothing to do.")
                .at(talk.tallies().get(asked.first()).first());
    }

    /** Displays that were told something else than they are. */
    private static void setUps(Conversation talk, List<Remark> remarks) {
        talk.glasses().forEach((id, glass) -> {
            String name = talk.nameOf(id);
            for (Glass.Misfit m : glass.misfits()) {
                Severity severity = m.certain() ? Severity.FIX : Severity.NOTE;
                remarks.add(Remark.of("T7", severity, name + " " + m.what() + ".", m.remedy())
                        .with(List.of(), m.source()));
            }
        });
    }

    private static Remark misaddressed(Conversation talk, String address, Unit meant, Conversation.Tally tally) {
        String straps = talk.planned().entrySet().stream()
                .filter(e -> e.getValue().contains(meant))
                .map(e -> "its straps say " + Hex.of(e.getKey()))
                .findFirst()
                .orElse("its address pins float");
        return Remark.of(
                "T1",
                tally.answered() > 0 ? Severity.ADVISE : Severity.STOP,
                "The program speaks to " + meant.name() + " at " + address + " " + times(tally.asked())
                        + (tally.answered() > 0 ? " and somebody answers, though " : " and nobody answers: ") + straps
                        + ".",
                "Write the address of the straps in the program, or change the straps; the findings offer both.");
    }

    private static Remark unknown(String address, Conversation.Tally tally) {
        boolean answered = tally.answered() > 0;
        return Remark.of(
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
