package izzet.app.preference;

import izzet.app.fault.WrongField;
import izzet.app.store.PreferenceRow;
import izzet.app.store.PreferenceRows;
import izzet.core.calc.Drawer;
import izzet.core.record.Instrument;
import izzet.core.wiring.Breadboard;
import izzet.core.wiring.WireColours;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What a maker told once: the resistors in the drawer, colours of wires, which name of a pin comes first. */
@Service
public class Preferences {

    private static final String DRAWER = "drawer";
    private static final String COLOURS = "colours";
    private static final String FIRST = "first";
    private static final String DIAGONAL = "diagonal";
    private static final String MM = "mm";
    private static final String INSTRUMENT = "instrument";
    private static final String BREADBOARD = "breadboard.";
    private static final int MOST_TEXT = 2000;

    /** Which of a pin's names is said first. */
    public enum First {
        LABEL("printed label"),
        PLACE("place in the header"),
        CHIP("chip's own name");

        private final String words;

        First(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

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

    /** A small logic analyser before anything was told. */
    public Instrument instrument() {
        return rows.findById(INSTRUMENT).map(r -> Instrument.of(r.told())).orElse(Instrument.SMALL);
    }

    public void keepInstrument(Instrument instrument) {
        rows.save(new PreferenceRow(INSTRUMENT, instrument.text()));
    }

    /** Whether diagonals are said in millimetres; inches before anything was told. */
    public boolean millimetres() {
        return rows.findById(DIAGONAL).map(r -> r.told().equals(MM)).orElse(false);
    }

    /** @throws WrongField when the unit is none of the two */
    public void keepDiagonal(String unit) {
        if (!unit.equals(MM) && !unit.equals("inch")) {
            throw new WrongField("diagonal", "The unit of a diagonal is inch or mm.");
        }
        rows.save(new PreferenceRow(DIAGONAL, unit));
    }

    public WireColours colours() {
        return rows.findById(COLOURS).map(r -> WireColours.of(r.told())).orElse(WireColours.usual());
    }

    public void keepColours(WireColours colours) {
        rows.save(new PreferenceRow(COLOURS, colours.text()));
    }

    /** The printed label before anything was told. */
    public First first() {
        return rows.findById(FIRST).map(r -> First.valueOf(r.told())).orElse(First.LABEL);
    }

    public void keepFirst(First first) {
        rows.save(new PreferenceRow(FIRST, first.name()));
    }

    /**
     * A breadboard that a plan is built on.
     *
     * @param starts row of the first leg by part, where the maker chose it
     */
    public record BoardChoice(int rows, Map<String, Integer> starts) {
        private static final int MOST_STARTS = 60;

        public BoardChoice {
            starts = Map.copyOf(starts);
            if (!Breadboard.SIZES.contains(rows) || starts.size() > MOST_STARTS) {
                throw new WrongField("rows", "A breadboard has 30 or 63 rows; choose one of the list.");
            }
        }

        String text() {
            return rows + ";"
                    + starts.entrySet().stream()
                            .map(e -> e.getKey() + "=" + e.getValue())
                            .collect(Collectors.joining(","));
        }

        static BoardChoice of(String text) {
            String[] halves = text.split(";", -1);
            Map<String, Integer> starts = new LinkedHashMap<>();
            for (String word : halves[1].split(",")) {
                if (!word.isEmpty()) {
                    starts.put(
                            word.substring(0, word.indexOf('=')),
                            Integer.valueOf(word.substring(word.indexOf('=') + 1)));
                }
            }
            return new BoardChoice(Integer.parseInt(halves[0]), starts);
        }
    }

    /** Empty where the plan is not built on one. */
    public Optional<BoardChoice> breadboard(long planId) {
        return rows.findById(BREADBOARD + planId).map(r -> BoardChoice.of(r.told()));
    }

    /** @param choice empty for none */
    public void keepBreadboard(long planId, Optional<BoardChoice> choice) {
        choice.ifPresentOrElse(
                c -> rows.save(new PreferenceRow(BREADBOARD + planId, c.text())),
                () -> rows.deleteById(BREADBOARD + planId));
    }
}
