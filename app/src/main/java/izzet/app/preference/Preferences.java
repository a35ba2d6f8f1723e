package izzet.app.preference;

import izzet.app.fault.WrongField;
import izzet.app.store.PreferenceRow;
import izzet.app.store.PreferenceRows;
import izzet.core.calc.Drawer;
import java.util.List;
import org.springframework.stereotype.Service;

/** What a maker told once: now the resistors in the drawer. */
@Service
public class Preferences {

    private static final String DRAWER = "drawer";
    private static final int MOST_TEXT = 2000;

    private final PreferenceRows rows;

    Preferences(PreferenceRows rows) {
        this.rows = rows;
    }

    /** Empty before anything was told. */
    public Drawer drawer() {
        return rows.findById(DRAWER).map(r -> Drawer.of(r.told())).orElse(new Drawer(List.of()));
    }

    /** @throws WrongField when a word of it is no resistor */
    public void keepDrawer(String text) {
        if (text.length() > MOST_TEXT) {
            throw new WrongField("drawer", "Your resistors: " + MOST_TEXT + " characters at most.");
        }
        try {
            rows.save(new PreferenceRow(DRAWER, Drawer.of(text).text()));
        } catch (IllegalArgumentException e) {
            throw new WrongField("drawer", "Your resistors: " + e.getMessage());
        }
    }
}
