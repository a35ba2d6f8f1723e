package izzet.app.bringup;

import izzet.app.shell.Station;
import java.util.List;
import org.springframework.stereotype.Component;

/** First light: from the switched-on bus to the cause of a blank screen. */
@Component
class BringUpStation implements Station {

    @Override
    public String id() {
        return "bring-up";
    }

    @Override
    public String name() {
        return "Bring-up";
    }

    @Override
    public int order() {
        return 6;
    }

    @Override
    public List<Key> keys() {
        return List.of(new Key(List.of("Tab", "Enter"), "a symptom, its causes"));
    }
}
