package izzet.core.check.rules.display;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.List;

/**
 * D3: the pictures of all displays that a program must hold, and a card's sector, against the board's memory. Passes: one 128x64 OLED, 1 KiB
 * of 2. Fails: two of them on a board with 2 KiB, where the program stops at random.
 */
public final class MemoryRule implements Rule {

    @Override
    public String id() {
        return "D3";
    }

    @Override
    public String subject() {
        return "pictures fit the board's memory";
    }

    private static final int SECTOR = 512;
    private static final double OWN_SHARE = 0.25;
    private static final String SOURCE =
            "Common practice: libraries hold the whole picture of such a display; a quarter of the memory for stack and variables";

    @Override
    public void check(Circuit circuit, Findings findings) {
        Long ram = circuit.board().ramBytes();
        List<Unit> held = circuit.units().stream()
                .filter(u -> u.part().glass() != null
                        && u.part().glass().memoryBytes() != null
                        && !Boolean.TRUE.equals(u.part().glass().ownMemory()))
                .toList();
        if (ram == null || held.isEmpty()) {
            return;
        }
        boolean card = circuit.units().stream().anyMatch(u -> u.part().hasCard());
        long pictures =
                held.stream().mapToLong(u -> u.part().glass().memoryBytes()).sum();
        long need = pictures + (card ? SECTOR : 0);
        long most = Math.round(ram * (1 - OWN_SHARE));
        findings.compared(this, Quantity.count(most - need), "the board's memory");
        if (need > most) {
            report(circuit, findings, held, need, most, ram);
        }
    }

    private void report(Circuit circuit, Findings findings, List<Unit> held, long need, long most, long ram) {
        var draft = findings.of(
                        this,
                        Severity.ADVISE,
                        "{parts} want {need} bytes for their pictures if the program holds them; the board has {ram} in all.")
                .at(new Place("plan", "board", circuit.board().name()))
                .with(held.stream().map(u -> Place.of(u)).toList())
                .word("parts", held.stream().map(Unit::name).collect(Listed.and()))
                .word("need", need)
                .word("ram", ram);
        held.forEach(u -> draft.figure(u.name() + ", bytes", u.part().glass().memoryBytes()));
        draft.compared("bytes", Quantity.count(need), Quantity.count(most), true, SOURCE)
                .formula("sum of the pictures + sector of a card ≤ three quarters of the memory")
                .source(SOURCE)
                .remedy("Draw page by page with a library that needs no buffer, or take a board with more memory.")
                .add();
    }
}
