package izzet.app.parts;

import izzet.app.shell.Station;
import izzet.core.check.Finding;
import java.util.List;
import org.springframework.stereotype.Component;

/** Where parts are chosen and set. */
@Component
class PartsStation implements Station {

    @Override
    public String id() {
        return "parts";
    }

    @Override
    public String name() {
        return "Parts";
    }

    @Override
    public int order() {
        return 1;
    }

    @Override
    public boolean owns(Finding finding) {
        return finding.group().equals("display");
    }

    @Override
    public List<Key> keys() {
        return List.of(new Key(List.of("/"), "search the shelf"));
    }
}
