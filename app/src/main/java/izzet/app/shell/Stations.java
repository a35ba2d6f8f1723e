package izzet.app.shell;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** The stations that there are, in the order of the work. A station's key is its number. */
@Component("stations")
public class Stations {

    private final List<Station> all;

    Stations(List<Station> all) {
        this.all = all.stream().sorted(Comparator.comparingInt(Station::order)).toList();
    }

    public List<Station> all() {
        return all;
    }

    /** @throws IllegalArgumentException when there is none of this id */
    public Station of(String id) {
        return all.stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no station '" + id + "'."));
    }

    /** As the strip shows them. */
    List<PlanFrame.StationView> views(Station.Seen seen, String current) {
        return IntStream.range(0, all.size())
                .mapToObj(i -> view(i + 1, all.get(i), seen, current))
                .toList();
    }

    private static PlanFrame.StationView view(int number, Station station, Station.Seen seen, String current) {
        Station.Glance glance = station.glance(seen);
        return new PlanFrame.StationView(
                station.id(),
                number,
                station.name(),
                "/plans/" + seen.stored().id() + "/" + station.id(),
                station.id().equals(current),
                glance.words(),
                glance.mark());
    }
}
