package izzet.core.check.rules.display;

import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.Differences;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.List;
import java.util.Optional;

/**
 * V1: the plan was made with another version of a board or part than the shelf has now. Passes: the same version. Fails: an item that
 * was mended on the shelf after it was placed.
 */
public final class ShelfVersionRule implements Rule {

    private static final int MOST_DIFFERENCES = 12;

    @Override
    public String id() {
        return "V1";
    }

    @Override
    public String subject() {
        return "versions of board and parts";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SHELF_VERSION;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Integer made = circuit.plan().boardVersion();
        if (made != null) {
            compare(
                    findings,
                    new Place("plan", "board", "the board"),
                    made,
                    circuit.board(),
                    circuit.catalog().board(circuit.plan().board()));
        }
        for (Unit unit : circuit.units()) {
            compare(
                    findings,
                    Place.of(unit),
                    unit.placed().partVersion(),
                    unit.part(),
                    circuit.catalog().part(unit.placed().part()));
        }
    }

    private void compare(
            Findings findings, Place place, int made, CatalogItem used, Optional<? extends CatalogItem> shelf) {
        if (shelf.isEmpty() || shelf.get().version() == made) {
            return;
        }
        boolean known = used.version() == made;
        var draft = findings.of(
                        this,
                        known ? Severity.ADVISE : Severity.NOTE,
                        known
                                ? "The plan keeps version {made} of {what}; the shelf has version {now}."
                                : "The plan was made with version {made} of {what}, which is not known here; it is checked with version {now}.")
                .at(place)
                .word("what", used.name())
                .word("made", String.valueOf(made))
                .word("now", String.valueOf(shelf.get().version()));
        List<Differences.Difference> all = known ? Differences.between(used, shelf.get()) : List.of();
        all.stream()
                .limit(MOST_DIFFERENCES)
                .forEach(d -> draft.figure(d.place(), said(d.before()) + " → " + said(d.after())));
        if (all.size() > MOST_DIFFERENCES) {
            draft.figure("and more", all.size() - MOST_DIFFERENCES + " values");
        }
        draft.remedy(
                        known
                                ? "Look at what differs, and take the new version when it is nearer to the part in your hand."
                                : "Import the file with that version, or take the one of the shelf.")
                .add();
    }

    private static String said(String value) {
        return value.isEmpty() ? "none" : value.length() > 120 ? value.substring(0, 117) + "…" : value;
    }
}
