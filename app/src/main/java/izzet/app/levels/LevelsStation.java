package izzet.app.levels;

import izzet.app.shell.Station;
import izzet.core.check.Finding;
import java.util.List;
import org.springframework.stereotype.Component;

/** What each line gives and needs, where the current goes, and the resistors worked out in place. */
@Component
class LevelsStation implements Station {

    @Override
    public String id() {
        return "levels";
    }

    @Override
    public String name() {
        return "Levels";
    }

    @Override
    public int order() {
        return 3;
    }

    @Override
    public boolean owns(Finding finding) {
        return finding.group().equals("levels");
    }

    @Override
    public List<Key> keys() {
        return List.of(new Key(List.of("Tab", "Enter"), "a line of the list, its picture"));
    }
}
