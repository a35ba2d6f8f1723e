package izzet.app.buses;

import izzet.core.buses.Street;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * A street as a picture: houses in blocks of eight, names over the roofs. Places in pixels.
 *
 * @param key of the street, for addresses of pages
 */
public record StreetView(
        String key,
        String name,
        String where,
        String undecided,
        int width,
        int height,
        List<HouseView> houses,
        List<Double> gaps) {

    private static final int BLOCK = 8;
    private static final double HOUSE = 38;
    private static final double GAP = 26;
    private static final double ROOF = 14;
    private static final double WALL = 30;
    private static final double NAME = 18;
    private static final double LETTER = 7.6;
    private static final int MOST_NAME = 34;

    /**
     * @param kind empty, door, guest, dweller, clash or reserved
     * @param names over the roof; {@code nameY} where
     * @param told for screen readers
     */
    public record HouseView(
            String key,
            String label,
            String kind,
            double x,
            double y,
            String names,
            double nameY,
            String told,
            boolean chosen) {

        /** Outline: walls, roof. */
        public String path() {
            return "M" + (x + 2) + " " + (y + ROOF + WALL) + "v-" + WALL + "l" + (HOUSE / 2 - 2) + " -" + ROOF + "l"
                    + (HOUSE / 2 - 2) + " " + ROOF + "v" + WALL + "z";
        }

        public double middle() {
            return x + HOUSE / 2;
        }

        public double textY() {
            return y + ROOF + WALL - 9;
        }

        public boolean open() {
            return !kind.equals("empty") && !kind.equals("reserved");
        }
    }

    static StreetView of(Street street, String where, String chosen) {
        TreeSet<Integer> blocks =
                street.houses().keySet().stream().map(a -> a / BLOCK).collect(Collectors.toCollection(TreeSet::new));
        String key = street.bus().id() + "."
                + street.segment().path().stream()
                        .map(h -> h.through().id() + "-" + h.channel())
                        .collect(Collectors.joining("."));
        List<HouseView> houses = new ArrayList<>();
        List<Double> gaps = new ArrayList<>();
        List<Double> ends = new ArrayList<>();
        double x = 0;
        for (int block : blocks) {
            for (int i = 0; i < BLOCK; i++) {
                Street.House house = street.at(block * BLOCK + i);
                String names = names(house);
                int row = 0;
                double half = names.length() * LETTER / 2;
                double middle = x + HOUSE / 2;
                if (!names.isEmpty()) {
                    while (row < ends.size() && ends.get(row) > middle - half) {
                        row++;
                    }
                    if (row == ends.size()) {
                        ends.add(0.0);
                    }
                    ends.set(row, middle + half + LETTER);
                }
                houses.add(new HouseView(
                        key + "." + Hex.of(house.address()),
                        Hex.of(house.address()).substring(2),
                        kind(house),
                        x,
                        0,
                        names,
                        row,
                        told(house),
                        (key + "." + Hex.of(house.address())).equals(chosen)));
                x += HOUSE;
            }
            gaps.add(x + GAP / 2);
            x += GAP;
        }
        if (!gaps.isEmpty()) {
            gaps.remove(gaps.size() - 1);
        }
        double top = Math.max(1, ends.size()) * NAME + 6;
        return new StreetView(
                key,
                street.bus().name() + ", " + street.label(),
                where,
                street.undecided().stream().map(Unit::name).collect(Collectors.joining(", ")),
                (int) Math.max(x - GAP, HOUSE * BLOCK),
                (int) (top + ROOF + WALL + 4),
                houses.stream()
                        .map(h -> new HouseView(
                                h.key(),
                                h.label(),
                                h.kind(),
                                h.x(),
                                top,
                                h.names(),
                                top - 6 - h.nameY() * NAME,
                                h.told(),
                                h.chosen()))
                        .toList(),
                gaps);
    }

    private static String names(Street.House house) {
        List<Unit> all = new ArrayList<>(house.dwellers());
        all.addAll(house.guests());
        String names = all.stream().map(Unit::name).collect(Collectors.joining(" + "));
        return names.length() > MOST_NAME ? names.substring(0, MOST_NAME - 1) + "…" : names;
    }

    private static String kind(Street.House house) {
        if (house.clash()) {
            return "clash";
        }
        if (!house.dwellers().isEmpty()) {
            return "dweller";
        }
        if (!house.guests().isEmpty()) {
            return "guest";
        }
        return house.reserved() ? "reserved" : house.doors().isEmpty() ? "empty" : "door";
    }

    private static String told(Street.House house) {
        String address = Hex.of(house.address());
        if (!house.empty()) {
            return address + ": " + names(house) + (house.clash() ? ", more than one" : "");
        }
        return address + ", free"
                + (house.doors().isEmpty()
                        ? ""
                        : "; could be " + house.doors().stream().map(Unit::name).collect(Collectors.joining(", ")));
    }
}
