package izzet.app.buses;

import izzet.app.shell.Station;
import izzet.core.check.Finding;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Who lives where, who shares what, and how long it all takes. */
@Component
class BusesStation implements Station {

    private static final Set<String> GROUPS = Set.of("i2c", "spi", "parallel");

    @Override
    public String id() {
        return "buses";
    }

    @Override
    public String name() {
        return "Buses";
    }

    @Override
    public int order() {
        return 4;
    }

    @Override
    public boolean owns(Finding finding) {
        return GROUPS.contains(finding.group());
    }

    @Override
    public List<Key> keys() {
        return List.of(new Key(List.of("Tab", "Enter"), "a house of a street, who lives there and who could move"));
    }
}
