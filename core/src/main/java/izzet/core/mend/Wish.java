package izzet.core.mend;

import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import java.util.HashSet;
import java.util.Set;

/** What a maker asks of a solution besides that it works. */
public enum Wish {
    BUY_NOTHING("buy nothing") {
        @Override
        boolean allows(Circuit before, Circuit after, PlanEdit edit, boolean buys) {
            return !buys;
        }
    },
    KEEP_SOLDERING("keep my soldering") {
        @Override
        boolean allows(Circuit before, Circuit after, PlanEdit edit, boolean buys) {
            return !solders(edit);
        }
    },
    HAVE_SWITCH("I have a bus switch in the drawer") {
        @Override
        boolean inTheDrawer(Part part) {
            return part.busSwitch() != null;
        }
    },
    NO_CONSOLE("no console pins") {
        @Override
        boolean allows(Circuit before, Circuit after, PlanEdit edit, boolean buys) {
            Set<String> more = consolePins(after);
            more.removeAll(consolePins(before));
            return more.isEmpty();
        }
    };

    private final String words;

    Wish(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether a change keeps the wish. */
    boolean allows(Circuit before, Circuit after, PlanEdit edit, boolean buys) {
        return true;
    }

    /** Whether such a part need not be bought. */
    boolean inTheDrawer(Part part) {
        return false;
    }

    private static boolean solders(PlanEdit edit) {
        return edit instanceof PlanEdit.SetStrap
                || edit instanceof PlanEdit.Together together
                        && together.edits().stream().anyMatch(Wish::solders);
    }

    private static Set<String> consolePins(Circuit circuit) {
        Set<String> pins = new HashSet<>();
        for (Connection c : circuit.plan().connections()) {
            if (c.to().isPin()
                    && circuit.board()
                            .pin(c.to().name())
                            .flatMap(p -> p.duty(DutyKind.CONSOLE))
                            .isPresent()) {
                pins.add(c.to().name());
            }
        }
        return pins;
    }
}
